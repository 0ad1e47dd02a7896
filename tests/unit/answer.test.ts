import { expect } from 'chai';
import fc from 'fast-check';
import { answer } from '../../src/core/answering/answer';
import type { Answer } from '../../src/core/answer/answer';
import { defaultQuestion } from '../../src/core/question/question';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { fixed, pRelation, pValue, scientific } from '../../src/core/words/numbers';
import { plain } from '../../src/core/words/text';
import { headline } from '../../src/core/telling/headline';
import { figureLegend } from '../../src/core/figures/legend';
import { methodsSentence, resultsSentence } from '../../src/core/telling/report';

const table = (a: (number | string)[], b: (number | string)[], unitB = 'mm'): Table => ({
  ...tableOf([]),
  id: 't',
  name: '',
  measure: 'blade length',
  subject: 'seedling',
  rowCount: Math.max(a.length, b.length),
  columns: [
    { ...emptyColumn('a', 'Red lamp', 'mm'), cells: a.map(String) },
    { ...emptyColumn('b', 'White lamp', unitB), cells: b.map(String) },
  ],
});
const asked = (t: Table, more = {}): Answer => {
  const result = answer({ ...defaultQuestion('a', 'b'), ...more }, t);
  if (!result.ok) throw new Error(result.reason);
  return result.value;
};
const refusal = (t: Table): string => {
  const { comparison } = asked(t);
  return comparison.ok ? '' : comparison.reason;
};

describe('an answer about two groups', () => {
  // Means, SDs and g with its interval by an independent calculation; the t figures are a reference case.
  const a = [67.44, 63.84, 56.88, 66.51, 67.42, 62.2, 62.87, 65.94, 60.36];
  const b = [59.19, 58.0, 53.63, 50.04, 55.87, 52.62, 62.01, 57.72, 60.91];

  it('tells the difference first, with unit, interval and order of subtraction', () => {
    const found = asked(table(a, b));
    if (!found.comparison.ok) throw new Error(found.comparison.reason);
    const said = headline(found, found.comparison.value);
    expect(said.estimate).to.equal('7.1 mm');
    expect(said.interval).to.equal('95 % CI 3.3 to 10.8 mm');
    expect(said.order).to.equal('Red lamp minus White lamp');
    expect(plain(resultsSentence(found, found.comparison.value))).to.equal(
      'Blade length was greater in Red lamp (mean 63.718 mm, SD 3.560 mm, n = 9) than in White lamp (mean 56.666 mm, SD 3.968 mm, n = 9): ' +
        'difference 7.1 mm, 95 % CI 3.3 to 10.8 mm; t(15.8) = 3.97, p = 0.001; Hedges’ g = 1.78, 95 % CI 0.69 to 2.83.',
    );
  });

  it('leaves out what was set aside, and says so with the reason', () => {
    const t = table(a, b);
    const column = { ...t.columns[0]!, aside: { 2: 'tag lost' } };
    const found = asked({ ...t, columns: [column, t.columns[1]!] });
    expect(found.groups[0]?.description?.n).to.equal(8);
    expect(plain(methodsSentence(found))).to.include(
      'One reading in Red lamp was set aside before analysis (tag lost).',
    );
    expect(plain(figureLegend(found, { marks: 'columns', bars: 'sem', readings: true }))).to.include(
      'error bars standard errors of the mean',
    );
  });

  it('says in words what cannot be computed, and still shows what can', () => {
    expect(refusal(table([], b))).to.include('Red lamp has no readings');
    expect(refusal(table([1], b))).to.include('one reading');
    expect(refusal(table([4, 4, 4], [5, 5, 5]))).to.include('no spread');
    expect(refusal(table(a, b, 'cm'))).to.include('give both the same unit');
    expect(refusal(table(['<LOD', 'n/a'], b))).to.include('no readings that can be used');
    expect(refusal(table([1e200, 2e300], b))).to.include('too large');
    expect(asked(table([1], b)).groups[1]?.description?.n).to.equal(9);
    const gone = answer(defaultQuestion('a', 'z'), table(a, b));
    expect(gone.ok).to.equal(false);
  });

  it('does not change with labels, shifts with the readings and scales with the unit', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -500, max: 500 }), { minLength: 2, maxLength: 12 }),
        fc.array(fc.integer({ min: -500, max: 500 }), { minLength: 3, maxLength: 12 }),
        (x, y) => {
          fc.pre(new Set(x).size > 1 && new Set(y).size > 1);
          const test = (p: number[], q: number[]) => {
            const { comparison } = asked(table(p, q));
            if (!comparison.ok) throw new Error(comparison.reason);
            const { effect } = comparison.value;
            if (!effect?.interval) throw new Error('no interval');
            return { p: comparison.value.p!, estimate: effect.estimate, interval: effect.interval };
          };
          const base = test(x, y);
          const close = (p: number, q: number) => expect(p).to.be.closeTo(q, 1e-9 * Math.max(1, Math.abs(q)));
          close(
            test(
              x.map((v) => v + 1000),
              y.map((v) => v + 1000),
            ).p,
            base.p,
          );
          close(
            test(
              x.map((v) => v / 8),
              y.map((v) => v / 8),
            ).estimate,
            base.estimate / 8,
          );
          close(test(y, x).estimate, -base.estimate);
          // Interval and test agree: zero lies outside the interval exactly when p is below 1 − level.
          const { low, high } = base.interval;
          expect(low > 0 || high < 0).to.equal(base.p < 0.05);
        },
      ),
    ));
});

describe('numbers in words', () => {
  it('prints p as journals do, never as 0', () => {
    const cases: [number, string][] = [
      [0.0004, '< 0.001'],
      [1e-300, '< 0.001'],
      [0.012345, '= 0.012'],
      [0.04999, '= 0.0500'],
      [0.05, '= 0.050'],
      [0.4321, '= 0.43'],
      [0.99999, '> 0.999'],
    ];
    for (const [p, said] of cases) expect(pRelation(p), String(p)).to.equal(said);
    fc.assert(
      fc.property(fc.double({ min: 1e-300, max: 1, noNaN: true }), (p) => {
        expect(pValue(p)).not.to.match(/^0\.?0*$/);
      }),
    );
  });

  it('writes minus signs, and no minus before a zero', () => {
    expect(fixed(-0.04, 1)).to.equal('0.0');
    expect(fixed(-2.25, 1)).to.equal('−2.3');
    expect(scientific(-3.21e-7, 2)).to.equal('−3.2 × 10⁻⁷');
  });
});
