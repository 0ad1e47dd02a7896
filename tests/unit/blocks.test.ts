import { expect } from 'chai';
import fc from 'fast-check';
import cases from '../reference/cases.json';
import { alternativeMethods, answered, reasonOf } from './asked';
import { answer } from '../../src/core/answering/answer';
import { checksOf } from '../../src/core/answering/checks-of';
import { workingOf } from '../../src/core/answering/working-of';
import { randomizedBlocks } from '../../src/core/procedures/randomized-blocks';
import { asDesign } from '../../src/core/question/asking';
import { withinBlocks } from '../../src/core/question/block';
import { namesOf } from '../../src/core/question/naming';
import { type Question, questionOf } from '../../src/core/question/question';
import { type Column, type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { blocksLook } from '../../src/core/scenes/blocks-look';
import { covariates } from '../../src/core/telling/controls';
import { remedyOffer } from '../../src/core/words/checks';
import { questionSentence } from '../../src/core/telling/question';

const column = (id: string, role: Column['role'], cells: readonly (string | number)[], unit = ''): Column => ({
  ...emptyColumn(id, id, unit, role),
  cells: cells.map(String),
});

interface Row {
  feed: string;
  day: string;
  growth: number;
}
const grown = (rows: readonly Row[], more: Column[] = []): Table =>
  tableOf(
    [
      column(
        'feed',
        'group',
        rows.map((r) => r.feed),
      ),
      column(
        'day',
        'group',
        rows.map((r) => r.day),
      ),
      column(
        'growth',
        'measure',
        rows.map((r) => r.growth),
        'mm',
      ),
      ...more,
    ],
    { shape: 'rows' },
  );
const asked = (design: 'blocked-two' | 'blocked', more: Partial<Question> = {}): Question =>
  questionOf(design, { measure: 'growth', by: 'feed', block: 'day', ...more });

const feeds = ['none', 'low', 'high'];
const complete = [
  [12.1, 13.4, 15.2],
  [10.4, 12.2, 13.1],
  [14.0, 14.6, 17.3],
  [11.2, 13.9, 13.5],
].flatMap((readings, d) => readings.map((growth, f): Row => ({ feed: feeds[f] ?? '', day: `day ${d + 1}`, growth })));
/** Some cells read twice, some not at all. */
const uneven: Row[] = [
  ...complete.filter((_, i) => i !== 1 && i !== 6),
  { feed: 'high', day: 'day 1', growth: 14.4 },
  { feed: 'none', day: 'day 4', growth: 12.6 },
  { feed: 'none', day: 'day 5', growth: 9.9 },
  { feed: 'high', day: 'day 5', growth: 13.3 },
];

interface RepeatedCase {
  procedure: string;
  given: { subject: string[]; condition: string[]; values: number[] };
  expected: Record<string, number>;
}

describe('groups compared within blocks', () => {
  it('complete blocks are the classical table of subjects under every condition', () => {
    const { comparison } = answered(asked('blocked'), grown(complete));
    const wide = tableOf(
      feeds.map((feed) =>
        column(
          feed,
          'measure',
          complete.filter((r) => r.feed === feed).map((r) => r.growth),
          'mm',
        ),
      ),
    );
    const classical = answered(questionOf('repeated', { sphericity: 'assumed' }), wide).comparison;
    expect(comparison.tests[0]?.value).to.be.closeTo(classical.tests[0]?.value ?? NaN, 1e-9);
    expect(comparison.p).to.be.closeTo(classical.p ?? NaN, 1e-12);
    expect(comparison.table?.map((l) => l.df)).to.eql([2, 3, 6, 11]);
    const random = answered(asked('blocked', { method: 'mixed-model' }), grown(complete)).comparison;
    expect(random.tests[0]?.value).to.be.closeTo(comparison.tests[0]?.value ?? NaN, 1e-7);
    expect(random.tests[0]?.df[1]).to.be.closeTo(6, 1e-6);
    expect(random.model?.variances?.within.variance).to.be.closeTo(comparison.table?.[2]?.ms ?? NaN, 1e-7);
  });

  it('two groups in complete blocks are the paired t-test', () => {
    const rows = complete.filter((r) => r.feed !== 'low');
    const { comparison } = answered(asked('blocked-two', { a: 'high', b: 'none' }), grown(rows));
    const paired = answered(
      questionOf('paired', { a: 'high', b: 'none' }),
      tableOf(
        ['high', 'none'].map((feed) =>
          column(
            feed,
            'measure',
            rows.filter((r) => r.feed === feed).map((r) => r.growth),
            'mm',
          ),
        ),
      ),
    ).comparison;
    expect(comparison.effect?.estimate).to.be.closeTo(paired.effect?.estimate ?? NaN, 1e-12);
    expect(comparison.effect?.interval?.low).to.be.closeTo(paired.effect?.interval?.low ?? NaN, 1e-9);
    expect(comparison.p).to.be.closeTo(paired.p ?? NaN, 1e-12);
  });

  it('uneven blocks agree with least squares over all dummy columns', () => {
    const { comparison, groups } = answered(asked('blocked'), grown(uneven));
    const [group, block, residual, total] = comparison.table ?? [];
    // By an independent solution of the normal equations of all columns at once.
    expect(group?.ss).to.be.closeTo(18.594809384164222, 1e-9);
    expect(group?.f).to.be.closeTo(15.911686998791893, 1e-9);
    expect(block?.ss).to.be.closeTo(16.78180938416422, 1e-9);
    expect(residual?.ss).to.be.closeTo(4.0901906158357795, 1e-10);
    expect(residual?.df).to.equal(7);
    expect(total?.ss).to.be.closeTo(50.02357142857143, 1e-9);
    const place = Object.fromEntries(groups.map((g) => [g.name, g]));
    expect(place['none']?.description?.mean).to.be.closeTo(11.654017595307915, 1e-10);
    expect(place['low']?.se).to.be.closeTo(0.48153355867851805, 1e-10);
    expect(place['high']?.description?.mean).to.be.closeTo(14.397126099706744, 1e-10);
    const two = answered(
      asked('blocked', { compare: 'control', control: 'none', follow: 'unadjusted' }),
      grown(uneven),
    );
    const follow = two.comparison.follow?.ok ? two.comparison.follow.value[0]?.effects : undefined;
    const high = follow?.find((e) => e.pair?.[0] === 'high');
    expect(high?.estimate).to.be.closeTo(2.743108504398829, 1e-10);
    expect(high?.se).to.be.closeTo(0.4862785440105645, 1e-10);
  });

  it('random blocks agree with the references of subjects under every condition', () => {
    let seen = 0;
    for (const { procedure, given, expected } of (cases as unknown as { cases: RepeatedCase[] }).cases) {
      if (procedure !== 'mixed.repeated') continue;
      const rows = given.values.map((growth, i): Row => ({
        feed: given.condition[i] ?? '',
        day: given.subject[i] ?? '',
        growth,
      }));
      const { comparison } = answered(asked('blocked', { method: 'mixed-model' }), grown(rows));
      expect(comparison.tests[0]?.value).to.be.closeTo(expected['F'] ?? NaN, 1e-6);
      expect(comparison.tests[0]?.df[1]).to.be.closeTo(expected['df2'] ?? NaN, 1e-5);
      expect(comparison.p).to.be.closeTo(expected['p'] ?? NaN, 1e-8);
      expect(comparison.model?.variances?.between.variance).to.be.closeTo(expected['variance_between'] ?? NaN, 1e-6);
      seen++;
    }
    expect(seen).to.be.greaterThan(2);
  });

  it('the check of blocks is the interaction of two factors, or Tukey’s where nothing is read twice', () => {
    const twice = [...complete, ...complete.map((r, i) => ({ ...r, growth: r.growth + ((i * 7) % 5) / 4 - 0.4 }))];
    const { comparison } = answered(asked('blocked'), grown(twice));
    const factorial = answered(
      asDesign(questionOf('factorial', { measure: 'growth', by: 'feed', by2: 'day' }), grown(twice), 'factorial'),
      grown(twice),
    ).comparison;
    const interaction = factorial.table?.[2];
    expect(comparison.blocks?.additivity?.by).to.equal('replicates');
    expect(comparison.blocks?.additivity?.f).to.be.closeTo(interaction?.f ?? NaN, 1e-8);
    expect(comparison.blocks?.additivity?.p).to.be.closeTo(interaction?.p ?? NaN, 1e-10);
    expect(answered(asked('blocked'), grown(complete)).comparison.blocks?.additivity?.by).to.equal('one-degree');
    // Groups that differ by a factor in each block do not add up.
    const multiplied = [1, 2, 4, 8, 16].flatMap((size, d) =>
      feeds.map((feed, f): Row => ({ feed, day: `day ${d}`, growth: size * (3 + f) + ((d * 5 + f * 3) % 4) / 20 })),
    );
    const found = answer(asked('blocked'), grown(multiplied));
    const check = found.ok ? checksOf(found.value).find((c) => c.about === 'additivity') : undefined;
    expect(check?.verdict).to.equal('matters');
    expect(remedyOffer('two-factors', asked('blocked'))?.patch).to.include({ design: 'factorial', by2: 'day' });
  });

  it('what all blocks share, the unit, and the order of rows change nothing', () => {
    const base = answered(asked('blocked'), grown(uneven)).comparison;
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 5, maxLength: 5 }),
        fc.integer({ min: 1, max: 100 }),
        fc.shuffledSubarray(
          uneven.map((_, i) => i),
          { minLength: uneven.length, maxLength: uneven.length },
        ),
        (shifts, unit, order) => {
          const rows = order.flatMap((i) => {
            const row = uneven[i];
            return row ? [{ ...row, growth: (row.growth + (shifts[Number(row.day.slice(4)) - 1] ?? 0)) * unit }] : [];
          });
          const { comparison } = answered(asked('blocked', { groups: feeds }), grown(rows));
          expect(comparison.tests[0]?.value).to.be.closeTo(base.tests[0]?.value ?? NaN, 1e-7);
          expect(comparison.table?.[2]?.ss).to.be.closeTo((base.table?.[2]?.ss ?? NaN) * unit ** 2, 1e-6 * unit ** 2);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('keeps its level where groups fall into blocks unevenly', () => {
    // Blocks differ by far more than readings within them: compared over all readings, groups would differ with them.
    let seed = 7;
    const next = (): number => {
      seed = (seed * 16807) % 2147483647;
      return seed / 2147483647;
    };
    const noise = (): number => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());
    let rejected = 0;
    const draws = 600;
    for (let i = 0; i < draws; i++) {
      const readings = [0, 1, 2, 3].flatMap((block) => {
        const shift = 20 * noise();
        const groups = block < 2 ? [0, 0, 0, 1] : [0, 1, 1, 1];
        return groups.map((group) => ({ group, block, value: shift + noise() }));
      });
      if (randomizedBlocks(readings, 2, 4, 0.95).group.p < 0.05) rejected++;
    }
    expect(rejected / draws).to.be.closeTo(0.05, 4 * Math.sqrt((0.05 * 0.95) / draws));
  });

  it('is asked by one choice, and left by another', () => {
    const table = grown(complete);
    const several = questionOf('several', { measure: 'growth', by: 'feed' });
    const offered = covariates(several, table);
    expect(offered?.options.map((o) => o.words)).to.eql(['day', 'nothing']);
    const within = offered?.options[0]?.ask();
    expect(within).to.include({ design: 'blocked', block: 'day', by: 'feed' });
    expect(questionSentence(namesOf(within ?? several, table))).to.equal(
      'Does growth (mm) differ among none, low and high, compared within each day, when each reading counts once?',
    );
    expect(withinBlocks(within ?? several, table, undefined))
      .to.include({ design: 'several' })
      .and.not.have.property('block');
    const two = withinBlocks(
      questionOf('two-groups', { measure: 'growth', by: 'feed', a: 'high', b: 'none' }),
      table,
      'day',
    );
    expect(two.design).to.equal('blocked-two');
    expect(alternativeMethods(two, table).map((m) => `${m.asked.design} ${m.patch.method ?? ''}`)).to.include.members([
      'blocked-two means',
      'blocked-two mixed-model',
      'two-groups means',
    ]);
  });

  it('the picture joins the means of a block, and readings have its shape', () => {
    const found = answer(asked('blocked'), grown(complete));
    if (!found.ok) throw new Error(found.reason);
    const marks = blocksLook(found.value, 800, { sorted: false }).panels.flatMap((p) => p.marks);
    expect(marks.filter((m) => m.name === 'pair')).to.have.length(4);
    const dots = marks.filter((m) => m.mark === 'dots' && m.name?.startsWith('readings-'));
    const shapes = dots.map((m) => (m.mark === 'dots' ? m.points.map((p) => p.shape) : []));
    expect(shapes).to.eql([
      [0, 1, 2, 3],
      [0, 1, 2, 3],
      [0, 1, 2, 3],
    ]);
  });

  it('the working ends at the answer, fixed and random, two groups and several', () => {
    for (const method of ['means', 'mixed-model'] as const)
      for (const question of [asked('blocked', { method }), asked('blocked-two', { a: 'high', b: 'none', method })]) {
        const table = grown(uneven);
        const found = answer(question, table);
        if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
        const { p, effect, follow } = found.value.comparison.value;
        const results = workingOf(found.value, table).flatMap(({ steps }) => steps.map((s) => s.result));
        const one = effect ?? (follow?.ok ? follow.value[0]?.effects[0] : undefined);
        for (const number of [p, one?.estimate, one?.se, one?.interval?.low, one?.interval?.high])
          expect(Math.min(...results.map((r) => Math.abs(r - (number ?? NaN)))), String(number)).to.be.below(1e-9);
      }
  });

  it('bad input is told by what is wrong with it', () => {
    const rows = (cells: string): Row[] =>
      cells.split(' ').map((cell, i) => ({ feed: cell[0] ?? '', day: cell.slice(1), growth: i + ((i * 3) % 4) }));
    expect(reasonOf(asked('blocked'), grown(rows('a1 a1 b1 b1')))).to.contain(
      'one block there is nothing to compare within',
    );
    expect(reasonOf(asked('blocked'), grown(rows('a1 a2 a1 b3 b4 b4')))).to.contain('share no block');
    expect(reasonOf(asked('blocked'), grown(rows('a1 b1 b2 c2')))).to.contain('as many groups and blocks as readings');
    expect(reasonOf(asked('blocked'), grown(rows('a1 a2 a1 b b b')))).to.equal(
      'No reading of b names its day, so it stands in no block.',
    );
    const lost = answered(asked('blocked'), grown(rows('a1 b1 a2 b2 a3 b3 a')));
    expect(lost.comparison.remarks).to.eql(['One reading names no day and is left out.']);
    expect(lost.groups[0]?.n).to.equal(3);
    const averaged = {
      ...grown(complete, [
        column(
          'pot',
          'subject',
          complete.map((r) => r.feed),
        ),
      ]),
      average: true,
    };
    expect(reasonOf(asked('blocked'), averaged)).to.contain('stand in several blocks');
    const without = { ...grown(complete), columns: grown(complete).columns.filter((c) => c.id !== 'day') };
    // A column that was chosen and is gone gives way to no other in silence.
    const third = column(
      'tide',
      'group',
      complete.map((_, n) => `tide ${n % 2}`),
    );
    expect(reasonOf(asked('blocked'), { ...without, columns: [...without.columns, third] })).to.contain(
      'The column of the blocks is no longer there',
    );
    const { block: _, ...unchosen } = asked('blocked');
    expect(reasonOf(unchosen, without)).to.contain('No other column sorts the readings into blocks');
  });
});
