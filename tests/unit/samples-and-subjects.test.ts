import { expect } from 'chai';
import fc from 'fast-check';
import { answer } from '../../src/core/answering/answer';
import { alternativeMethods } from './asked';
import { random } from '../../src/core/numeric/random';
import { sum } from '../../src/core/numeric/sum';
import { oneWayAnova } from '../../src/core/procedures/one-way-anova';
import { pooledT } from '../../src/core/procedures/pooled-t';
import { randomIntercept } from '../../src/core/procedures/random-intercept';
import { repeatedMeasures } from '../../src/core/procedures/repeated-measures';
import { summarize } from '../../src/core/procedures/sample-summary';
import { countedAs, countingOf, countingWays } from '../../src/core/question/counting';
import { firstQuestion } from '../../src/core/question/first';
import { type Question, questionOf } from '../../src/core/question/question';
import { hasSamples, repeatsOf } from '../../src/core/readings/repeats';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { alternativeName } from '../../src/core/telling/method';
import { DomainError, type Outcome } from '../../src/core/numeric/domain-error';

/** Samples of groups, each with its readings. */
type Grouped = number[][][];

/** The design of group means, and which sample each reading is of. */
function designOf(groups: Grouped) {
  const samples = groups.flatMap((of, g) => of.map((readings) => ({ g, readings })));
  return {
    values: samples.flatMap((s) => s.readings),
    columns: groups.map((_, g) => samples.flatMap((s) => s.readings.map(() => Number(s.g === g)))),
    sample: samples.flatMap((s, i) => s.readings.map(() => i)),
  };
}
const fitted = (groups: Grouped) => {
  const { values, columns, sample } = designOf(groups);
  return randomIntercept(values, columns, sample);
};
const mean = (x: readonly number[]): number => sum(x) / x.length;

/** Made-up readings: an offset for each sample, and each reading's own. */
function drawn(seed: number, sizes: readonly (readonly number[])[], between: number, shift = 0): Grouped {
  const { normal } = random(seed);
  return sizes.map((of, g) =>
    of.map((n) => {
      const offset = between * normal();
      return Array.from({ length: n }, () => 20 + g * shift + offset + normal());
    }),
  );
}

const tableFrom = (groups: Grouped, more: Partial<Table> = {}): Table => {
  const rows = groups.flatMap((of, g) =>
    of.flatMap((readings, s) => readings.map((y) => [String(y), `flow ${g + 1}`, `K${g}${s}`] as const)),
  );
  const column = (k: 0 | 1 | 2): string[] => rows.map((r) => r[k]);
  return tableOf(
    [
      { ...emptyColumn('y', 'holdfast mass', 'g'), cells: column(0) },
      { ...emptyColumn('f', 'flow', '', 'group'), cells: column(1) },
      { ...emptyColumn('s', 'tank', '', 'subject'), cells: column(2) },
    ],
    { shape: 'rows', subject: 'tank', ...more },
  );
};

/** What there is, where there is something. */
function decided<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.value;
}

const close = (a: number, b: number, within = 1e-8): void => {
  expect(Math.abs(a - b), `${a} and ${b}`).to.be.at.most(within * Math.max(1, Math.abs(b)));
};

describe('readings within samples', () => {
  const balanced = fc.record({
    seed: fc.integer({ min: 1, max: 100_000 }),
    groups: fc.integer({ min: 2, max: 4 }),
    samples: fc.integer({ min: 3, max: 6 }),
    readings: fc.integer({ min: 2, max: 6 }),
    between: fc.constantFrom(0, 0.3, 1, 4),
  });

  it('of equal numbers give exactly the test of the samples’ means, however alike or unlike the readings are', () => {
    fc.assert(
      fc.property(balanced, ({ seed, groups: k, samples, readings, between }) => {
        const groups = drawn(
          seed,
          Array.from({ length: k }, () => Array.from({ length: samples }, () => readings)),
          between,
        );
        const means = groups.map((of) => of.map(mean));
        const fit = fitted(groups);
        const anova = oneWayAnova(means);
        const test = fit.test(
          Array.from({ length: k - 1 }, (_, i) => groups.map((__, g) => Number(g === 0) - Number(g === i + 1))),
        );
        close(test.f, anova.f);
        close(test.df2, anova.within.df);
        close(test.p, anova.p);
        if (k > 2) return;
        const [a = [], b = []] = means;
        const [seen, expected] = [fit.effect([1, -1], 0.95), pooledT(summarize(a), summarize(b), 0.95)];
        for (const part of ['estimate', 'se', 'df', 't'] as const) close(seen[part], expected[part]);
      }),
      { numRuns: 60 },
    );
  });

  it('say in words where there are no more readings than means', () => {
    const alone = [0, 1, 2].map((g) => [0, 1, 2].map((i) => Number(i === g)));
    expect(() => randomIntercept([14.4, 10.4, 12.2], alone, [0, 1, 1])).to.throw(
      DomainError,
      'no more readings than means',
    );
  });

  it('of every subject under every condition give the classical table', () => {
    for (const seed of [3, 14, 159]) {
      const { normal } = random(seed);
      const rows = Array.from({ length: 7 }, () => {
        const own = 2 * normal();
        return [0, 0.4, 0.9].map((shift) => 10 + own + shift + normal());
      });
      const condition = rows.flatMap((r) => r.map((_, j) => j));
      const fit = randomIntercept(
        rows.flat(),
        [0, 1, 2].map((k) => condition.map((c) => Number(c === k))),
        rows.flatMap((r, i) => r.map(() => i)),
      );
      const classical = repeatedMeasures(rows);
      const test = fit.test([
        [1, -1, 0],
        [1, 0, -1],
      ]);
      close(test.f, classical.f);
      close(test.df2, classical.error.df);
    }
  });

  it('come to the same in another unit, from another zero, in another order', () => {
    const groups = drawn(
      8,
      [
        [4, 2, 5, 3],
        [3, 6, 2],
      ],
      1.4,
      1,
    );
    const base = fitted(groups);
    const scaled = fitted(groups.map((of) => of.map((r) => r.map((y) => 1000 * y))));
    const moved = fitted(groups.map((of) => of.map((r) => r.map((y) => y + 5000))));
    const turned = fitted(groups.map((of) => of.map((r) => r.toReversed()).toReversed()));
    const test = (fit: typeof base) => fit.effect([1, -1], 0.95);
    close(test(scaled).estimate, 1000 * test(base).estimate);
    for (const other of [scaled, moved, turned]) {
      close(test(other).t, test(base).t, 1e-7);
      close(test(other).df, test(base).df, 1e-7);
      close(other.icc, base.icc, 1e-7);
    }
    const ranges = base.intervals(0.95);
    for (const part of ['within', 'between', 'icc'] as const)
      expect(base[part]).to.be.above(ranges[part].low).and.below(ranges[part].high);
    expect(ranges.within.low).to.be.above(0);
    expect(ranges.icc.high).to.be.below(1);
    const narrow = base.intervals(0.8);
    for (const part of ['within', 'between', 'icc'] as const) {
      expect(narrow[part].low).to.be.above(ranges[part].low);
      expect(narrow[part].high).to.be.below(ranges[part].high);
    }
  });

  it('keep the level without an effect, also of unequal numbers', () => {
    const sizes = [
      [2, 7, 3, 5],
      [4, 1, 6, 2, 3],
    ];
    const runs = 600;
    const asked = questionOf('nested-two', { measure: 'y', by: 'f', a: 'flow 1', b: 'flow 2' });
    let rejected = 0;
    for (let seed = 1; seed <= runs; seed++) {
      const { comparison } = decided(answer(asked, tableFrom(drawn(seed, sizes, 1)), true));
      if ((decided(comparison).p ?? 1) < 0.05) rejected++;
    }
    // Four standard errors to either side of 5 %.
    expect(rejected / runs).to.be.within(0.05 - 4 * Math.sqrt(0.0475 / runs), 0.05 + 4 * Math.sqrt(0.0475 / runs));
  });

  it('are asked of where samples come with several readings, unless these are averaged', () => {
    const two = drawn(
      5,
      [
        [3, 4, 2],
        [5, 3, 3],
      ],
      1,
    );
    expect(firstQuestion(tableFrom(two))?.design).to.equal('nested-two');
    expect(firstQuestion(tableFrom(two, { average: true }))?.design).to.equal('two-groups');
    expect(
      firstQuestion(
        tableFrom(
          drawn(
            5,
            [
              [3, 4],
              [5, 3],
              [2, 2],
            ],
            1,
          ),
        ),
      )?.design,
    ).to.equal('nested');
    expect(
      firstQuestion(
        tableFrom(
          drawn(
            5,
            [
              [1, 1, 1],
              [1, 1, 1],
            ],
            1,
          ),
        ),
      )?.design,
    ).to.equal('two-groups');
  });

  it('count as the question says, whatever its table does; each way is one choice away', () => {
    const table = tableFrom(
      drawn(
        9,
        [
          [3, 4, 2],
          [5, 3, 3],
        ],
        1,
      ),
    );
    const nested = questionOf('nested-two', { measure: 'y', by: 'f', a: 'flow 1', b: 'flow 2' });
    expect(countingOf(nested, { ...table, average: true })).to.equal('nested');
    const ways = countingWays(nested, table, repeatsOf(table));
    expect(ways.map((w) => w.counting)).to.deep.equal(['nested', 'average', 'each']);
    expect(ways.map((w) => w.asked.design)).to.deep.equal(['nested-two', 'two-groups', 'two-groups']);
    for (const { counting, asked } of ways) {
      expect(countingOf(asked, table)).to.equal(counting);
      // Back again from each.
      expect(countingWays(asked, table, repeatsOf(table))[0]?.asked).to.deep.equal(nested);
      expect(countedAs(asked, table).average).to.equal(counting === 'average');
      expect(countedAs(asked, table)).to.equal(countedAs(asked, table));
    }
    const n = ways.map(({ asked }) => decided(answer(asked, table)).groups[0]?.n);
    expect(n).to.deep.equal([9, 3, 9]);
  });

  it('stand beside the other ways of counting them, the one taken marked', () => {
    const table = tableFrom(
      drawn(
        9,
        [
          [3, 4, 2],
          [5, 3, 3],
        ],
        2,
        1,
      ),
    );
    const nested = questionOf('nested-two', { measure: 'y', by: 'f', a: 'flow 1', b: 'flow 2' });
    const others = alternativeMethods(nested, table);
    expect(others.filter((o) => o.chosen).map((o) => alternativeName(o.asked))).to.deep.equal(['Linear mixed model']);
    const p = others.map(({ found }) => {
      const { comparison } = decided(found);
      return comparison.ok ? comparison.value.p : undefined;
    });
    // Counted as independent, the same readings claim more.
    expect(p.at(-1)).to.be.below(p[0] ?? 0);
    const averaged = alternativeMethods({ ...nested, design: 'two-groups', repeats: 'average' }, table);
    expect(
      averaged.some((o) => o.asked.design === 'nested-two' && o.asked.repeats === undefined && !o.chosen),
    ).to.equal(true);
  });

  it('tell how many readings each sample has, group by group', () => {
    const repeats = repeatsOf(
      tableFrom(
        drawn(
          2,
          [
            [3, 4, 2],
            [5, 3, 3],
          ],
          1,
        ),
      ),
    );
    expect(repeats).to.deep.equal({ readings: 20, subjects: 6, distinct: 6, shared: 0, each: { least: 2, most: 5 } });
    expect(hasSamples(repeats)).to.equal(true);
  });
});

describe('subjects read several times', () => {
  /** Lines read in three months, in two bays, each with a level of its own. */
  function lines(seed: number, lost: readonly (readonly [line: number, month: number])[] = []): Table {
    const { normal } = random(seed);
    const rows = Array.from({ length: 8 }, (_, i) => {
      const own = 10 + 1.5 * normal();
      return [0, 0.5, 1.1].map((shift) => (own + shift * (i < 4 ? 1 : 0.4) + 0.5 * normal()).toFixed(2));
    });
    const gone = (i: number, j: number): boolean => lost.some(([line, month]) => line === i && month === j);
    return tableOf(
      [
        ...['May', 'June', 'July'].map((month, j) => ({
          ...emptyColumn(month, month, 'g'),
          cells: rows.map((r, i) => (gone(i, j) ? '' : (r[j] ?? ''))),
        })),
        { ...emptyColumn('s', 'line', '', 'subject'), cells: rows.map((_, i) => `L${i + 1}`) },
        { ...emptyColumn('g', 'bay', '', 'group'), cells: rows.map((_, i) => (i < 4 ? 'north' : 'south')) },
      ],
      { shape: 'repeated', subject: 'line', measure: 'frond mass' },
    );
  }
  const compared = (question: Question, table: Table) => {
    const found = decided(answer(question, table));
    return { found, comparison: decided(found.comparison) };
  };

  for (const design of ['repeated', 'mixed'] as const)
    it(`of complete ${design} data have by the model just the classical table`, () => {
      for (const seed of [4, 44, 444]) {
        const classical = compared(
          questionOf(design, { method: 'means', sphericity: 'assumed' }),
          lines(seed),
        ).comparison;
        const model = compared(questionOf(design, { method: 'mixed-model' }), lines(seed)).comparison;
        expect(model.tests.length).to.equal(classical.tests.length);
        model.tests.forEach((test, i) => {
          const other = classical.tests[i];
          close(test.value ?? NaN, other?.value ?? NaN);
          close(test.df[1] ?? NaN, other?.df[1] ?? NaN);
          close(test.p, other?.p ?? NaN);
        });
      }
    });

  it('fall back to those with every reading where the model cannot be fitted, and say why; chosen, it says so itself', () => {
    const rows = [
      [1, 5, 9],
      [9, 5, 1],
      [5, '', 5],
      [5, 5, 5],
    ];
    const table = tableOf(
      [0, 1, 2].map((j) => ({ ...emptyColumn(`c${j}`, `week ${j}`), cells: rows.map((r) => String(r[j])) })),
      { shape: 'repeated', subject: 'line' },
    );
    const found = answer(questionOf('repeated'), table);
    if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
    expect(found.value.question.method).to.equal('means');
    expect(found.value.comparison.value.complete?.subjects).to.have.length(3);
    const [why] = found.value.comparison.value.remarks;
    expect(why).to.match(/no greatest value.*The subjects with every reading were compared instead\.$/);
    const chosen = answer(questionOf('repeated', { method: 'mixed-model' }), table);
    expect(chosen.ok && !chosen.value.comparison.ok && chosen.value.comparison.reason).to.contain('no greatest value');
  });

  it('lose nobody for one lost reading: the model is taken where nobody chose, the classical table where all are complete', () => {
    for (const design of ['repeated', 'mixed'] as const) {
      const whole = compared(questionOf(design), lines(7));
      expect(whole.found.question.method, design).to.equal(undefined);
      expect(whole.comparison.complete?.subjects.length).to.equal(8);
      const gap = compared(
        questionOf(design),
        lines(7, [
          [1, 2],
          [6, 0],
        ]),
      );
      expect(gap.found.question.method, design).to.equal('mixed-model');
      expect(gap.comparison.everyone?.subjects.length).to.equal(8);
      expect(gap.comparison.everyone?.rows.flat().filter((y) => y === undefined).length).to.equal(2);
      expect(gap.comparison.remarks.join()).to.match(/2 lines of 8 lack a reading/);
      // What a person chose stays.
      const chosen = compared(questionOf(design, { method: 'means' }), lines(7, [[1, 2]]));
      expect(chosen.comparison.complete?.incomplete.length, design).to.equal(1);
    }
  });

  it('are compared each against the first, or a named one, by either method', () => {
    for (const method of ['means', 'mixed-model'] as const) {
      const { comparison } = compared(
        questionOf('repeated', { method, compare: 'control', control: 'June' }),
        lines(3),
      );
      const [part] = decided(comparison.follow ?? { ok: false, reason: 'nothing follows' });
      expect(part?.effects.map((e) => e.name)).to.deep.equal(['May minus June', 'July minus June']);
      expect(part?.letters).to.equal(undefined);
    }
    const contrast = questionOf('repeated', {
      method: 'means',
      compare: 'contrasts',
      contrasts: [{ name: 'bend', weights: { May: 1, June: -2, July: 1 } }],
      follow: 'unadjusted',
    });
    const [part] = decided(compared(contrast, lines(3)).comparison.follow ?? { ok: false, reason: 'nothing follows' });
    expect(part?.effects[0]?.df).to.equal(7);
  });

  it('of groups are compared within each group, or at each condition', () => {
    for (const method of ['means', 'mixed-model'] as const) {
      const parts = (within: 'a-within-b' | 'b-within-a') =>
        decided(
          compared(questionOf('mixed', { method, within }), lines(5)).comparison.follow ?? {
            ok: false,
            reason: 'none',
          },
        );
      expect(parts('b-within-a').map((p) => [p.within, p.effects.length])).to.deep.equal([
        ['north', 3],
        ['south', 3],
      ]);
      expect(parts('a-within-b').map((p) => [p.within, p.effects.map((e) => e.name)])).to.deep.equal(
        ['May', 'June', 'July'].map((month) => [month, ['north minus south']]),
      );
    }
  });

  it('say which cell has no readings at all', () => {
    const lost = [0, 1, 2, 3].map((line) => [line, 1] as const);
    const { comparison } = decided(answer(questionOf('mixed'), lines(5, lost)));
    expect(comparison.ok ? '' : comparison.reason).to.equal(
      'No line of north has a reading under June: leave out the group or the condition.',
    );
  });
});
