import { expect } from 'chai';
import fc from 'fast-check';
import { answer } from '../../src/core/answering/answer';
import { workingOf } from '../../src/core/answering/working-of';
import { chiSquare } from '../../src/core/distributions/chi-square';
import { maximumModulusUpper, maximumModulusUpperQuantile } from '../../src/core/distributions/maximum-modulus';
import { normal } from '../../src/core/distributions/normal';
import { studentT } from '../../src/core/distributions/t';
import { dunnTest } from '../../src/core/procedures/kruskal-wallis';
import { type Question, questionOf } from '../../src/core/question/question';
import { followUpsFor } from '../../src/core/question/choices';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';

const effectsOf = (question: Question, table: Table) => {
  const found = answer(question, table);
  if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
  const { follow, tests } = found.value.comparison.value;
  if (!follow?.ok) throw new Error(follow?.reason ?? 'nothing follows');
  return { effects: follow.value.flatMap((p) => p.effects), tests, answer: found.value, parts: follow.value };
};

describe('ranks against a control', () => {
  const lists = [
    [3.1, 4.2, 5.9, 2.2],
    [6.1, 7.4, 5.2, 8.8],
    [9.1, 4.9, 7.7, 8.1],
  ];
  const table = tableOf(lists.map((g, i) => ({ ...emptyColumn(`g${i}`, `group ${i}`), cells: g.map(String) })));
  const asked = questionOf('several', { method: 'ranks', compare: 'control', control: 'g0' });

  it('are those of all pairs that hold the control, each less it, as a family of their own', () => {
    const { effects, parts } = effectsOf(asked, table);
    expect(effects.map((e) => e.name)).to.deep.equal(['group 1 minus group 0', 'group 2 minus group 0']);
    const all = dunnTest(lists, 'unadjusted').filter((p) => p.a === 0);
    effects.forEach((e, i) => {
      expect(e.estimate).to.be.closeTo(-(all[i]?.difference ?? NaN), 1e-12);
      expect(e.alone).to.be.closeTo(all[i]?.p ?? NaN, 1e-12);
    });
    // Holm of two: the smaller is doubled.
    const alone = effects.map((e) => e.alone ?? NaN);
    expect(Math.min(...effects.map((e) => e.p))).to.be.closeTo(2 * Math.min(...alone), 1e-12);
    expect(parts[0]?.letters).to.equal(undefined);
  });

  it('look one way where that is asked, in the answer and in the working', () => {
    const { effects, answer: found } = effectsOf({ ...asked, direction: 'greater' }, table);
    expect(effects[0]?.alone).to.be.closeTo(normal.upper(effects[0]?.statistic?.value ?? NaN), 1e-12);
    const steps = workingOf(found, table)[1]?.steps.at(-1);
    expect(steps?.what).to.equal('one-sided p');
    expect(steps?.result).to.be.closeTo(effects[0]?.alone ?? NaN, 1e-12);
  });
});

describe('the studentized maximum modulus', () => {
  it('is of one comparison Student’s t, of a known spread the power of one, and what a plain sum comes to', () => {
    expect(maximumModulusUpper(2.1, 1, 7.3)).to.be.closeTo(2 * studentT(7.3).upper(2.1), 1e-12);
    expect(maximumModulusUpperQuantile(0.05, 3, Infinity)).to.be.closeTo(
      normal.upperQuantile(-Math.expm1(Math.log(0.95) / 3) / 2),
      1e-9,
    );
    // Far out, the spread being known, its tail is m times that of one.
    expect(maximumModulusUpper(9, 6, Infinity) / (6 * 2 * normal.upper(9))).to.be.closeTo(1, 1e-12);
    // Summed plainly over the scale, in many small steps.
    const [c, m, df, steps] = [2.4, 6, 9, 20_000];
    let within = 0;
    for (let i = 0; i < steps; i++) {
      const x = ((i + 0.5) / steps) * 60;
      within += (60 / steps) * chiSquare(df).density(x) * (1 - 2 * normal.upper(c * Math.sqrt(x / df))) ** m;
    }
    expect(maximumModulusUpper(c, m, df)).to.be.closeTo(1 - within, 1e-7);
  });

  it('judges pairs of unequal spreads, its interval just touching 0 where p is α, sharper than Bonferroni', () => {
    const table = tableOf(
      [
        [3.1, 4.2, 5.9, 2.2],
        [6.1, 7.4, 5.2, 8.8, 6.6],
        [9.1, 4.9, 12.7, 8.1],
      ].map((g, i) => ({ ...emptyColumn(`g${i}`, `group ${i}`), cells: g.map(String) })),
    );
    const asked = questionOf('several', { spread: 'separate', follow: 'dunnett-t3' });
    const { effects, answer: found } = effectsOf(asked, table);
    const { effects: bonferroni } = effectsOf({ ...asked, follow: 'bonferroni' }, table);
    effects.forEach((e, i) => {
      const { effects: at } = effectsOf({ ...asked, level: 1 - e.p }, table);
      const ends = [at[i]?.interval?.low ?? NaN, at[i]?.interval?.high ?? NaN];
      expect(Math.min(...ends.map(Math.abs))).to.be.below(1e-7);
      expect(e.p).to.be.below(bonferroni[i]?.p ?? NaN);
      expect(e.p).to.be.above(bonferroni[i]?.alone ?? NaN);
    });
    const steps = workingOf(found, table)[1]?.steps ?? [];
    for (const number of [effects[0]?.p, effects[0]?.interval?.low, effects[0]?.interval?.high])
      expect(Math.min(...steps.map((s) => Math.abs(s.result - (number ?? NaN))))).to.be.below(1e-9);
  });
});

describe('how differences differ', () => {
  const twoWay = (cells: readonly (readonly number[])[]): Table => {
    const rows = cells.flatMap((readings, i) =>
      readings.map(
        (y) => [i < cells.length / 2 ? 'fed' : 'unfed', `lamp ${i % (cells.length / 2)}`, String(y)] as const,
      ),
    );
    return tableOf(
      [
        { ...emptyColumn('f', 'feed', '', 'group'), cells: rows.map((r) => r[0]) },
        { ...emptyColumn('l', 'lamp', '', 'group'), cells: rows.map((r) => r[1]) },
        { ...emptyColumn('y', 'mass', 'g'), cells: rows.map((r) => r[2]) },
      ],
      { shape: 'rows' },
    );
  };
  const asked = questionOf('factorial', { measure: 'y', by: 'f', by2: 'l', within: 'interaction' });
  const readings = fc.array(fc.integer({ min: 0, max: 1000 }), { minLength: 2, maxLength: 5 });

  it('is of two levels by two just what the interaction is, also with unequal cells', () => {
    fc.assert(
      fc.property(fc.tuple(readings, readings, readings, readings), (cells) => {
        fc.pre(cells.some((c) => new Set(c).size > 1));
        const { effects, tests } = effectsOf(asked, twoWay(cells));
        expect(effects).to.have.length(1);
        const interaction = tests.at(-1);
        expect((effects[0]?.statistic?.value ?? NaN) ** 2).to.be.closeTo(
          interaction?.value ?? NaN,
          1e-6 * Math.max(1, interaction?.value ?? 0),
        );
        expect(effects[0]?.p).to.be.closeTo(interaction?.p ?? NaN, 1e-8);
        const mean = (c: readonly number[]): number => c.reduce((s, x) => s + x, 0) / c.length;
        const [p, q, r, s] = cells.map(mean);
        expect(effects[0]?.estimate).to.be.closeTo((p ?? NaN) - (r ?? NaN) - ((q ?? NaN) - (s ?? NaN)), 1e-8);
      }),
      { numRuns: 60 },
    );
  });

  it('is worked out from its four cells to the ends of its interval, by the family it is judged in', () => {
    const table = twoWay([
      [1, 2, 4],
      [3, 5],
      [4, 4.5],
      [2, 3, 2.5],
      [6, 7],
      [9, 8, 11],
    ]);
    for (const follow of ['holm', 'bonferroni', 'unadjusted'] as const) {
      const { effects, answer: found } = effectsOf({ ...asked, follow }, table);
      const [, second] = effects;
      const parts = workingOf(found, table, 1);
      const steps = parts.find((p) => p.title === second?.name)?.steps ?? [];
      const results = steps.map((s) => s.result);
      for (const number of [second?.estimate, second?.se, second?.alone, second?.interval?.low, second?.interval?.high])
        expect(Math.min(...results.map((r) => Math.abs(r - (number ?? NaN)))), follow).to.be.below(1e-9);
    }
  });

  it('has a line for every two levels of each, says what it is, and is no range that Tukey’s method could judge', () => {
    const { effects } = effectsOf(
      asked,
      twoWay([
        [1, 2],
        [3, 5],
        [4, 4.5],
        [2, 3],
        [6, 7],
        [9, 8],
      ]),
    );
    expect(effects.map((e) => e.name)).to.deep.equal([
      'fed minus unfed, in lamp 0 minus in lamp 1',
      'fed minus unfed, in lamp 0 minus in lamp 2',
      'fed minus unfed, in lamp 1 minus in lamp 2',
    ]);
    expect(followUpsFor(asked, 'means', 'pooled', 'all')).to.not.include('tukey');
    const single = answer(asked, twoWay([[1], [3], [4], [2]]));
    const follow = single.ok && single.value.comparison.ok ? single.value.comparison.value.follow : undefined;
    expect(follow?.ok === false && follow.reason).to.contain('one reading a cell');
  });

  it('is worked out from the rows that the question takes, as everything of two factors is', () => {
    const whole = twoWay([
      [1, 2, 30],
      [3, 5, 40],
      [4, 4.5, 1],
      [2, 3, 80],
    ]);
    const table = {
      ...whole,
      columns: [
        ...whole.columns,
        {
          ...emptyColumn('k', 'kept', '', 'label'),
          cells: whole.columns[0]?.cells.map((_, i) => (i % 3 === 2 ? 'no' : 'yes')) ?? [],
        },
      ],
    };
    for (const question of [asked, { ...asked, effect: 'ratio' } as const]) {
      const rows = { ...question, rows: [{ column: 'k', is: 'equal' as const, value: 'yes' }] };
      const { answer: found, tests } = effectsOf(rows, table);
      const results = workingOf(found, table)[0]?.steps.map((s) => s.result) ?? [];
      for (const { value = NaN } of tests)
        expect(Math.min(...results.map((r) => Math.abs(r - value)))).to.be.below(1e-8 * Math.max(1, value));
    }
  });

  it('is of ratios a ratio of ratios', () => {
    const cells = [
      [1, 2],
      [3, 5],
      [4, 4.5],
      [2, 3],
    ];
    const { effects } = effectsOf({ ...asked, effect: 'ratio' }, twoWay(cells));
    const centre = (c: readonly number[]): number => Math.exp(c.reduce((s, x) => s + Math.log(x), 0) / c.length);
    const [p, q, r, s] = cells.map(centre);
    expect(effects[0]?.estimate).to.be.closeTo((p ?? NaN) / (r ?? NaN) / ((q ?? NaN) / (s ?? NaN)), 1e-12);
    expect(effects[0]?.name).to.equal('fed over unfed, in lamp 0 over in lamp 1');
  });
});
