import {
  noncentralChiSquareLower,
  noncentralFLower,
  noncentralFUpper,
} from '../../src/core/distributions/noncentral-f';
import { etaSquaredInterval, noncentralFInterval } from '../../src/core/procedures/effect-size-intervals';
import { expect } from 'chai';
import fc from 'fast-check';
import { type DistributionName, distributionNames, named } from '../../src/core/distributions/named';
import type { Outcome } from '../../src/core/numeric/domain-error';
import { dunnettUpper } from '../../src/core/distributions/dunnett';
import { noncentralChiSquareUpper } from '../../src/core/distributions/noncentral-f';
import { studentizedRangeUpper } from '../../src/core/distributions/studentized-range';
import { studentT } from '../../src/core/distributions/t';
import { gammaLower, gammaUpper, poissonWeight } from '../../src/core/numeric/special';
import { random } from '../../src/core/numeric/random';
import { fisherExact } from '../../src/core/procedures/fisher-exact';
import { shuffleTest } from '../../src/core/procedures/shuffle';
import { chiSquareOf, differenceOf, fStatistic, welchStatistic } from '../../src/core/procedures/shuffle-statistics';

/** Parameters each distribution allows, and some it does not. */
const allowed: Record<DistributionName, Record<string, number>[]> = {
  normal: [{}, { mean: 34, sd: 4.1 }],
  t: [{ df: 1 }, { df: 7.5 }, { df: Infinity }],
  f: [{ df1: 2, df2: 27 }],
  'chi-square': [{ df: 0.5 }, { df: 12 }],
  binomial: [
    { n: 45, p: 0.4 },
    { n: 0, p: 0.4 },
    { n: 12, p: 1 },
  ],
  hypergeometric: [
    { drawn: 12, marked: 9, total: 30 },
    { drawn: 12, marked: 9, total: 30, oddsRatio: 3.5 },
  ],
  'studentized-range': [{ groups: 4, df: 12.5 }],
  dunnett: [
    { groups: 3, df: 20 },
    { groups: 3, df: 20, twoSided: 0 },
  ],
  'noncentral-t': [{ df: 9, shift: 1.4 }],
  'noncentral-f': [{ df1: 2, df2: 20, noncentrality: 6 }],
  'noncentral-chi-square': [{ df: 3, noncentrality: 4 }],
  'signed-rank': [{ n: 12 }],
  'rank-sum': [{ n1: 7, n2: 9 }],
};

const given = (outcome: Outcome<number>): number => {
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.value;
};

describe('distributions by name', () => {
  it('have tails that sum to one, and quantiles that rise and lead back', () => {
    for (const name of distributionNames)
      for (const parameters of allowed[name]) {
        const made = named(name, parameters);
        if (!made.ok) throw new Error(`${name}: ${made.reason}`);
        const { discrete, density, lower, upper, quantile, upperQuantile } = made.value;
        let before = -Infinity;
        // Those found by integrating twice over are asked less.
        const slow = name === 'dunnett' || name === 'studentized-range';
        for (const p of slow ? [0.05, 0.975] : [0.001, 0.05, 0.3, 0.5, 0.8, 0.975, 0.9999]) {
          const where = `${name} ${JSON.stringify(parameters)} at ${p}`;
          const x = given(quantile(p));
          expect(x, where).to.be.at.least(before);
          before = x;
          const own = discrete ? given(density(x)) : 0;
          expect(given(lower(x)) + given(upper(x)) - own, where).to.be.closeTo(1, 1e-9);
          if (discrete) expect(given(lower(x)), where).to.be.at.least(p - 1e-12);
          else expect(given(lower(x)), where).to.be.closeTo(p, 1e-8);
          const y = given(upperQuantile(p));
          if (discrete) expect(given(upper(y)), where).to.be.at.least(p - 1e-12);
          else expect(given(upper(y)), where).to.be.closeTo(p, 1e-8);
          expect(given(density(x)), where).to.be.at.least(0);
        }
      }
  });

  it('give a reason in words for whatever they are asked, never NaN and never an exception', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...distributionNames),
        fc.dictionary(
          fc.constantFrom('df', 'df1', 'df2', 'n', 'p', 'groups', 'shift', 'noncentrality', 'n1', 'n2', 'sd', 'total'),
          fc.oneof(fc.constantFrom(0, -1, 1, 2.5, 9, NaN, Infinity, -Infinity, 1e-300), fc.integer({ max: 40 })),
        ),
        fc.constantFrom(-Infinity, -1e300, -3, 0, 0.5, 1, 7, 1e300, Infinity, NaN),
        (name, parameters, x) => {
          const made = named(name, parameters);
          const answers = made.ok
            ? [made.value.lower(x), made.value.upper(x), made.value.density(x), made.value.quantile(x)]
            : [made];
          for (const found of answers)
            if (found.ok) expect(found.value, `${name} ${JSON.stringify(parameters)} at ${x}`).not.to.be.NaN;
            else expect(found.reason).to.match(/^[A-Z].*\.$/);
        },
      ),
      { numRuns: 1500 },
    ));

  it('say which parameter is wrong', () => {
    const reason = (name: DistributionName, parameters: Record<string, number>): string => {
      const made = named(name, parameters);
      return made.ok ? '' : made.reason;
    };
    expect(reason('t', { df: 0 })).to.equal('Degrees of freedom must be above 0.');
    expect(reason('binomial', { n: 4.5, p: 0.1 })).to.equal(
      'The number of trials must be a whole number of at least 0.',
    );
    expect(reason('studentized-range', { groups: 1, df: 3 })).to.contain('at least 2');
    expect(reason('noncentral-f', { df1: 2, df2: 9, noncentrality: -1 })).to.contain('0 or more');
  });
});

describe('shuffles of any statistic', () => {
  const a = [3, 5, 8, 9];
  const b = [1, 2, 4, 4, 6];

  it('of outcomes 0 and 1 give Fisher’s exact test, and F of two groups the same as their means', () => {
    const outcomes = [
      [1, 1, 1, 0, 1],
      [0, 0, 1, 0, 0, 0],
    ];
    const p = shuffleTest(outcomes, differenceOf('mean'), 1, 100, 1e-12).p;
    const exact = fisherExact([
      [4, 1],
      [1, 5],
    ]);
    expect(p.greater).to.be.closeTo(exact.greater, 1e-12);
    const chi = shuffleTest(outcomes, chiSquareOf(2), 1, 100, 1e-12).p.greater;
    expect(chi).to.be.closeTo(exact.either, 0.03);
    const twoGroups = shuffleTest([a, b], fStatistic, 1, 100, 1e-12).p.greater;
    expect(twoGroups).to.be.closeTo(shuffleTest([a, b], differenceOf('mean'), 1, 100, 1e-12).p.either, 1e-12);
  });

  it('of medians, trimmed means and t are exact while the arrangements are few', () => {
    for (const statistic of [differenceOf('median'), differenceOf('trimmed'), welchStatistic]) {
      const found = shuffleTest([a, b], statistic, 1, 100, 1e-12);
      expect(found.method).to.equal('exact');
      expect(found.arrangements).to.equal(126);
      const turned = shuffleTest([b, a], statistic, 1, 100, 1e-12);
      expect(turned.p.greater).to.be.closeTo(found.p.less, 1e-12);
      expect(turned.p.either).to.be.closeTo(found.p.either, 1e-12);
    }
  });

  it('have a p that is uniform when there is no difference (Kolmogorov’s bound)', () => {
    const { normal } = random(12);
    const sample = (n: number): number[] => Array.from({ length: n }, () => Math.exp(normal()));
    const ps = Array.from(
      { length: 300 },
      (_, i) => shuffleTest([sample(11), sample(12)], differenceOf('median'), i, 199, 1e-12).p.greater,
    ).sort((x, y) => x - y);
    const furthest = ps.reduce((d, p, i) => Math.max(d, Math.abs(p - (i + 0.5) / ps.length)), 0);
    // 1.63/√n is exceeded once in a hundred.
    expect(furthest).to.be.lessThan(1.63 / Math.sqrt(ps.length) + 1 / 200);
  });
});

describe('tails of large shapes and many groups', () => {
  it('of a noncentral F go on where its weights are too many to be summed, and end for any F', () => {
    const tails = (lambda: number, df2: number) => [
      noncentralFLower((lambda / 3) * 1.0004, 3, df2, lambda),
      noncentralFUpper((lambda / 3) * 1.0004, 3, df2, lambda),
      noncentralChiSquareLower(lambda + 4000, 3, lambda),
    ];
    // Summed on one side of the border, by the normal form on the other: as near as the tails themselves are.
    for (const df2 of [3, 30, 5000]) {
      const [below, above] = [tails(2e7, df2), tails(2.0000002e7, df2)];
      below.forEach((tail, i) => expect(above[i]).to.be.closeTo(tail, 1e-7));
      expect(above[0]! + above[1]!).to.be.closeTo(1, 1e-12);
    }
    // λ grows with F: their ratio has a limit, the chi-square of the denominator's quantiles.
    for (const f of [1e8, 1e20, 1e100]) {
      const { low, high } = noncentralFInterval(f, 2, 12, 0.95);
      expect(low / f / 2).to.be.closeTo(4.403788507 / 12, 1e-4);
      expect(high / f / 2).to.be.closeTo(23.336664158 / 12, 1e-4);
    }
    expect(etaSquaredInterval(1e300, 2, 12, 0.95)).to.deep.equal({ low: 1, high: 1 });
  });

  it('keep their digits where the shape of a gamma is large', () => {
    // 40-digit arithmetic.
    const cases: [s: number, x: number, upper: number][] = [
      [600, 1089.8979485566356, 1.198507190126139e-59],
      [1000, 1015.8113883008419, 0.3057560671815522],
      [2510, 4000, 1.041180482431503e-141],
      [3200, 4000, 1.330955278216113e-39],
      [100000, 100158.11388300842, 0.3082592250000536],
    ];
    for (const [shape, x, upper] of cases)
      expect(gammaUpper(shape, x) / upper, `${shape}, ${x}`).to.be.closeTo(1, 1e-11);
    // The middle of a large gamma lies a third below its shape: P(s, s − 1/3) = ½ + O(1/s²).
    for (const s of [250, 1e4, 1e6]) expect(gammaLower(s, s - 1 / 3)).to.be.closeTo(0.5, 0.02 / s);
    for (const s of [199.5, 200, 5000])
      for (const x of [s * 0.9, s, s * 1.1])
        expect(gammaLower(s, x) - gammaLower(s + 1, x), `${s}, ${x}`).to.be.closeTo(poissonWeight(s, x), 1e-13);
    // 40-digit arithmetic, summed over the Poisson weights.
    expect(noncentralChiSquareUpper(8000, 20, 5000) / 1.263841719865918e-77).to.be.closeTo(1, 1e-9);
  });

  it('of two groups are those of Student’s t', () => {
    for (const df of [2, 7.5, 40])
      for (const t of [0.3, 1.9, 4.4]) {
        const p = 2 * studentT(df).upper(t);
        expect(studentizedRangeUpper(t * Math.SQRT2, 2, df), `range, ${df}, ${t}`).to.be.closeTo(p, 1e-10);
        for (const loading of [0, 0.5, 0.995])
          expect(
            dunnettUpper(t, { loadings: [loading], df, twoSided: true }),
            `control, ${df}, ${t}, ${loading}`,
          ).to.be.closeTo(p, 1e-9);
      }
  });
});
