import { expect } from 'chai';
import fc from 'fast-check';
import cases from '../reference/cases.json';
import { alternativeMethods, reasonOf } from './asked';
import { answer } from '../../src/core/answering/answer';
import { chanceOf } from '../../src/core/answering/chance';
import { checksOf } from '../../src/core/answering/checks-of';
import { workingOf } from '../../src/core/answering/working-of';
import { barEnds } from '../../src/core/figures/error-bars';
import { kindsFor } from '../../src/core/figures/kinds';
import { mannWhitney } from '../../src/core/procedures/mann-whitney';
import { type Question, questionOf } from '../../src/core/question/question';
import { convertEdits } from '../../src/core/readings/convert-unit';
import { derivedColumn } from '../../src/core/readings/derive';
import { usualDescription } from '../../src/core/readings/described';
import { parseExpression } from '../../src/formats/expression';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { groupsLook } from '../../src/core/scenes/groups-look';
import { askedOf } from '../../src/core/telling/asked-of';
import { openDoubts } from '../../src/core/understanding/doubts/open-doubts';
import { chosenDescription } from '../../src/core/words/tables/description-table';
import { plain } from '../../src/core/words/text';

const tableWith = (groups: readonly (readonly (number | string)[])[], more: Partial<Table> = {}): Table =>
  tableOf(
    groups.map((g, i) => ({
      ...emptyColumn(`g${i}`, `group ${i + 1}`, 'mg'),
      cells: g.map(String),
      limits: 'censored' as const,
    })),
    { measure: 'iodine', ...more },
  );
const two = questionOf('two-groups', { a: 'g0', b: 'g1' });
const found = (question: Question, table: Table) => {
  const given = answer(question, table);
  if (!given.ok) throw new Error(given.reason);
  return given.value;
};
const compared = (question: Question, table: Table) => {
  const { comparison } = found(question, table);
  if (!comparison.ok) throw new Error(comparison.reason);
  return comparison.value;
};
const low = ['<2.0', '2.6', '3.1', '<2.0', '2.2', '<2.0', '4.0', '2.9'];
const high = ['3.4', '5.2', '4.1', '<2.0', '6.0', '3.9', '4.8', '2.7'];

interface LimitCase {
  procedure: string;
  given: { a: string[]; b: string[] };
  expected: Record<string, number>;
}

describe('readings below a limit of detection', () => {
  it('are compared by likelihood where nobody chose, and agree with the references', () => {
    let seen = 0;
    for (const { procedure, given, expected } of (cases as unknown as { cases: LimitCase[] }).cases) {
      if (procedure !== 'limit.two_groups_likelihood') continue;
      const made = found(two, tableWith([given.a, given.b]));
      const limited = [...given.a, ...given.b].some((t) => t.startsWith('<'));
      expect(made.question.method).to.equal(limited ? 'likelihood' : undefined);
      const { effect, tests, likelihood } = compared({ ...two, method: 'likelihood' }, tableWith([given.a, given.b]));
      expect(effect?.estimate).to.be.closeTo(expected['difference'] ?? NaN, 1e-6);
      expect(likelihood?.means[1]).to.be.closeTo(expected['mean_b'] ?? NaN, 1e-6);
      expect(likelihood?.sd).to.be.closeTo(expected['sd'] ?? NaN, 1e-6);
      expect(tests[0]?.value).to.be.closeTo(expected['chi2'] ?? NaN, 1e-6);
      seen++;
    }
    expect(seen).to.equal(3);
  });

  it('come, without any, to what the classical likelihood ratio of two means is', () => {
    const values = fc.array(fc.integer({ min: 1, max: 400 }), { minLength: 3, maxLength: 9 });
    fc.assert(
      fc.property(values, values, (a, b) => {
        fc.pre(new Set(a).size > 1 && new Set(b).size > 1);
        const { tests } = compared({ ...two, method: 'likelihood' }, tableWith([a, b]));
        const { tests: plain } = compared({ ...two, method: 'means', spread: 'pooled' }, tableWith([a, b]));
        const t = plain[0]?.value ?? NaN;
        const n = a.length + b.length;
        // Twice the log of the ratio of likelihoods is n ln(1 + t²/ν).
        expect(tests[0]?.value).to.be.closeTo(n * Math.log1p((t * t) / (n - 2)), 1e-6);
      }),
      { numRuns: 30 },
    );
  });

  it('do not change with the unit of the readings; a stated difference is taken off both', () => {
    const table = tableWith([low, high]);
    const by = (text: string, k: number): string =>
      text.startsWith('<') ? `<${Number(text.slice(1)) * k}` : String(Number(text) * k);
    const plain = compared(two, table);
    const scaled = compared(two, tableWith([low.map((t) => by(t, 10)), high.map((t) => by(t, 10))]));
    expect(scaled.effect?.estimate).to.be.closeTo(10 * (plain.effect?.estimate ?? NaN), 1e-6);
    expect(scaled.p).to.be.closeTo(plain.p ?? NaN, 1e-8);
    // At the ends of the interval the difference is just not rejected.
    for (const end of [plain.effect?.interval?.low, plain.effect?.interval?.high])
      expect(compared({ ...two, value: end }, table).p).to.be.closeTo(0.05, 1e-6);
    const less = compared({ ...two, direction: 'less' }, table).p ?? NaN;
    expect(less).to.be.closeTo((plain.p ?? NaN) / 2, 1e-12);
  });

  it('are for ranks all tied at the bottom, with what was measured below the highest limit', () => {
    const { tests, p } = compared(
      { ...two, method: 'ranks' },
      tableWith([
        ['<3', '2.5', '4', '5'],
        ['<2', '6', '7', '8'],
      ]),
    );
    const plain = mannWhitney([0, 0, 4, 5], [0, 6, 7, 8]);
    expect(tests[0]?.value).to.equal(plain.u);
    expect(p).to.equal(plain.p.either);
    // A stated shift would part what is tied.
    expect(
      reasonOf(
        { ...two, method: 'ranks', value: 1 },
        tableWith([
          ['<3', '4'],
          ['5', '6'],
        ]),
      ),
    ).to.contain('cannot be shifted');
  });

  it('count to the share below a cut-off, as long as it lies at the limit or above', () => {
    const share = { ...two, about: 'share', found: 'below' } as const;
    expect(found({ ...share, cut: 2 }, tableWith([low, high])).groups.map((g) => g.share?.successes)).to.deep.equal([
      3, 1,
    ]);
    expect(found({ ...share, cut: 3 }, tableWith([low, high])).groups.map((g) => g.share?.successes)).to.deep.equal([
      6, 2,
    ]);
    expect(reasonOf({ ...share, cut: 1.5 }, tableWith([low, high]))).to.equal(
      'Of row 1 it is known only that it lies below 2, and not on which side of 1.5: choose a cut-off of 2 or more.',
    );
  });

  it('are no numbers for any other method, design or figure, which say so', () => {
    const table = tableWith([low, high]);
    for (const asked of [
      { ...two, method: 'means' },
      { ...two, method: 'shuffle' },
      { ...two, about: 'spread' },
      questionOf('estimate', { a: 'g0' }),
      questionOf('one-sample', { a: 'g0', value: 3 }),
      questionOf('several', { method: 'means' }),
    ] as Question[])
      expect(reasonOf(asked, table), JSON.stringify(asked)).to.match(
        /^\d readings lie below a limit and have no number/,
      );
    expect(reasonOf({ ...two, design: 'paired' }, { ...table, shape: 'repeated' })).to.contain('have no number');
    expect(() => chanceOf(found(two, table))).to.throw('no number');
    expect(reasonOf(two, tableWith([['<2', '<2', '<2'], high]))).to.contain('no reading above the limit');
    const ranks = found({ ...two, method: 'ranks' }, table);
    expect(ranks.groups[0] && barEnds(ranks.groups[0], 'interval', 0.95)).to.equal(undefined);
    expect(kindsFor(ranks)[0]).to.equal('boxes');
    expect(ranks.groups[0]?.summary).to.equal(undefined);
  });

  it('are offered the likelihood only where there are some', () => {
    const offered = (table: Table) => askedOf(two, table).options.map((o) => o.id);
    expect(offered(tableWith([low, high]))).to.include('likelihood');
    const plain = tableOf(
      tableWith([
        ['3', '4'],
        ['5', '6'],
      ]).columns.map(({ limits: _, ...c }) => c),
    );
    expect(offered(plain)).to.not.include('likelihood');
    expect(alternativeMethods(two, plain).map(({ asked }) => asked.method)).to.not.include('likelihood');
    const all = alternativeMethods(two, tableWith([low, high]));
    expect(all.filter((m) => m.chosen).map(({ asked }) => asked.method)).to.deep.equal(['likelihood']);
    const [check] = checksOf(found(two, tableWith([low, high]))).filter((c) => c.about === 'limits');
    expect(check).to.deep.include({ verdict: 'fine', figures: { below: 3, n: 8 } });
  });

  it('are told in their own scale by ratios: the likeliest means of the logarithms are geometric means', () => {
    const table = tableWith([low, high]);
    const told = compared({ ...two, effect: 'ratio' }, table);
    const [a = NaN, b = NaN] = told.likelihood?.means ?? [];
    expect(a / b).to.be.closeTo(told.effect?.estimate ?? NaN, 1e-9);
    expect(found({ ...two, effect: 'ratio' }, table).groups[0]?.summary?.mean).to.be.closeTo(a, 1e-9);
  });

  it('are worked out to the p that is told, one-sided as well; several to theirs', () => {
    for (const asked of [two, { ...two, direction: 'less', value: -1 } as Question, questionOf('several')]) {
      const table = tableWith(
        asked.design === 'several' ? [low, high, high.map((t) => t.replace(/^(\d)/, '1$1'))] : [low, high],
      );
      const made = found(asked, table);
      const last = workingOf(made, table)[0]?.steps.at(-1);
      expect(last?.result).to.be.closeTo(compared(asked, table).p ?? NaN, 1e-9);
    }
  });

  it('stand hollow at their limit in the picture, which shows it and counts them', () => {
    const [panel] = groupsLook(found(two, tableWith([low, high])), 700, { sorted: false }).panels;
    const limit = panel?.marks.find((m) => m.mark === 'rule' && m.name === 'limit');
    expect(limit).to.include({ x1: 2, x2: 2 });
    const points = panel?.marks.flatMap((m) => (m.mark === 'dots' && m.name === 'readings-0' ? m.points : [])) ?? [];
    expect(points.filter((p) => p.hollow).map((p) => [p.at, p.title])).to.deep.equal([
      [2, 'group 1, row 1: below 2'],
      [2, 'group 1, row 4: below 2'],
      [2, 'group 1, row 6: below 2'],
    ]);
    const names = panel?.marks.flatMap((m) => (m.mark === 'text' ? [m.text] : []));
    expect(names).to.include('group 1 · 3 below 2');
  });

  it('keep being limits in another unit, and nothing is computed from them', () => {
    const column = { ...emptyColumn('c', 'iodine', 'mg'), cells: ['<0.5', '2', '≤ 1.5', 'lost'] };
    for (const limits of ['leave', 'censored', 'half', 'at'] as const) {
      const [write] = convertEdits({ ...column, limits }, 'µg');
      expect(write?.kind === 'write' && write.texts.map((t) => t[0]), limits).to.deep.equal([
        '<500',
        '2000',
        '≤ 1500',
        'lost',
      ]);
    }
    const table = tableWith([['<2', '3', '5']]);
    const [first] = table.columns;
    const derived = {
      ...emptyColumn('d', 'twice'),
      formula: { kind: 'expression' as const, expression: parseExpression('2 * group 1', first ? [first] : []) },
    };
    expect(derivedColumn({ ...table, columns: [...table.columns, derived] }, derived).cells).to.deep.equal([
      '',
      '6',
      '10',
    ]);
    // A description tells what their place tells, and no mean.
    const { rows, notes } = chosenDescription({
      ...tableWith([low]),
      described: { ...usualDescription, figures: ['n', 'mean', 'min', 'median', 'max', 'sd'], figuresDown: false },
    });
    expect(rows[0]?.cells.map((c) => c.text)).to.deep.equal(['8', '–', '< 2', '2.40', '4.0', '–']);
    expect(notes.map(plain).join(' ')).to.contain('no mean and no spread');
  });

  it('are asked about, with a way to count them as what they are', () => {
    const typed = tableOf([
      { ...emptyColumn('a', 'still', 'mg'), cells: low },
      { ...emptyColumn('b', 'pulsed', 'mg'), cells: high },
    ]);
    const doubt = openDoubts(typed).find((d) => d.code === 'beyond-limit');
    expect(doubt?.mends[0]?.label).to.equal('Count as below the limit');
    expect(doubt?.mends[0]?.edits).to.deep.equal(
      ['a', 'b'].map((column) => ({ kind: 'describe-column', column, limits: 'censored' })),
    );
  });
});
