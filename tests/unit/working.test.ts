import { expect } from 'chai';
import { random } from '../../src/core/numeric/random';
import { contrast, separateContrast } from '../../src/core/procedures/contrast';
import { dunnettTest } from '../../src/core/procedures/dunnett-test';
import { equivalence } from '../../src/core/procedures/equivalence';
import { friedman } from '../../src/core/procedures/friedman';
import { goodnessOfFit } from '../../src/core/procedures/goodness-of-fit';
import { independence } from '../../src/core/procedures/independence';
import { kruskalWallis } from '../../src/core/procedures/kruskal-wallis';
import { mannWhitney } from '../../src/core/procedures/mann-whitney';
import { mcnemar } from '../../src/core/procedures/mcnemar';
import { oneProportion, proportionInterval } from '../../src/core/procedures/one-proportion';
import { oneSampleT } from '../../src/core/procedures/one-sample-t';
import { oneSampleZ } from '../../src/core/procedures/one-sample-z';
import { oneWayAnova } from '../../src/core/procedures/one-way-anova';
import { pairedT } from '../../src/core/procedures/paired-t';
import { pooledT } from '../../src/core/procedures/pooled-t';
import { quantilePlot } from '../../src/core/procedures/quantile-plot';
import { summarize } from '../../src/core/procedures/sample-summary';
import { standardizedDifference } from '../../src/core/procedures/standardized-difference';
import { tukeyKramer } from '../../src/core/procedures/tukey-kramer';
import { twoProportions } from '../../src/core/procedures/two-proportions';
import { unusualPoints } from '../../src/core/procedures/unusual-points';
import { welchAnova } from '../../src/core/procedures/welch-anova';
import { welchT } from '../../src/core/procedures/welch-t';
import { wilcoxonSignedRank } from '../../src/core/procedures/wilcoxon-signed-rank';
import { checkEqualSpread, checkExpectedCounts, checkIndependence } from '../../src/core/answer/checks';
import {
  goodnessOfFitWorking,
  independenceWorking,
  mcnemarWorking,
  oneProportionWorking,
  twoProportionsWorking,
} from '../../src/core/working/counts';
import {
  equivalenceWorking,
  oneSampleWorking,
  oneSampleZWorking,
  pairedWorking,
  pooledWorking,
  welchWorking,
} from '../../src/core/working/means';
import {
  friedmanWorking,
  kruskalWallisWorking,
  mannWhitneyWorking,
  signedRankWorking,
} from '../../src/core/working/ranks';
import {
  contrastWorking,
  dunnettWorking,
  oneWayWorking,
  tukeyWorking,
  welchAnovaWorking,
} from '../../src/core/working/several-groups';
import { type Step, constant, symbol } from '../../src/core/working/term';

const groups = [
  [34.2, 31.7, 36.2, 30.5, 36.5],
  [28.4, 28.7, 29.8, 18.6, 22, 33.7],
  [31, 32.5, 30.1, 35.9],
];
const [a = [], b = [], c = []] = groups;
const [A, B] = [summarize(a), summarize(b)];
const all = groups.map((g) => summarize(g));

/** The result of the step of this name; the last where a name comes again. */
const result = (steps: readonly Step[], name: string): number => {
  const step = steps.findLast((s) => s.name === name);
  if (!step) throw new Error(`no step ${name} among ${steps.map((s) => s.name).join(' ')}`);
  return step.result;
};
const near = (steps: readonly Step[], expected: Record<string, number | undefined>) => {
  for (const [name, value] of Object.entries(expected))
    expect(result(steps, name), name).to.be.closeTo(value ?? NaN, 1e-9 * Math.max(1, Math.abs(value ?? 1)));
  // What is written must be fit to be set: every brace closed, no gap where a number should be.
  for (const { name, formula, numbers } of steps)
    for (const tex of [name, formula, numbers]) {
      let depth = 0;
      for (const ch of tex) {
        depth += ch === '{' ? 1 : ch === '}' ? -1 : 0;
        expect(depth, tex).to.be.at.least(0);
      }
      expect(depth, tex).to.equal(0);
      expect(tex).not.to.match(/NaN|undefined|Infinity/);
    }
};

describe('the working', () => {
  it('writes a formula, the same with its numbers, and one value for both', () => {
    const [x, y] = [symbol('x', 2), symbol('y', -3)];
    const term = x.minus(y).squared().over(constant(2).times(y));
    expect(term.tex).to.equal('\\frac{\\left(x - y\\right)^2}{2\\,y}');
    expect(term.numbers).to.equal('\\frac{\\left(2 - \\left(-3\\right)\\right)^2}{2 \\times \\left(-3\\right)}');
    expect(term.value).to.equal(-25 / 6);
  });

  it('of tests of means arrives where the procedures do', () => {
    const welch = welchT(A, B, 0.9, 1.5);
    near(welchWorking(A, B, 0.9, 1.5), {
      SE: welch.se,
      '\\nu': welch.df,
      t: welch.t,
      p: welch.p.either,
      't^*': welch.criticalT,
      '\\text{low}': welch.interval.low,
      '\\text{high}': welch.interval.high,
    });
    const pooled = pooledT(A, B, 0.95);
    const size = standardizedDifference(A, B, 0.95);
    near(pooledWorking(A, B, 0.95), {
      SE: pooled.se,
      t: pooled.t,
      p: pooled.p.either,
      '\\text{low}': pooled.interval.low,
      d_s: size.cohenD,
      g: size.hedgesG,
    });
    const one = oneSampleT(A, 30, 0.95);
    near(oneSampleWorking(A, 30, 0.95), { SE: one.se, t: one.t, p: one.p.either, d_s: one.cohenD });
    const paired = pairedT(a.slice(0, 4), c, 0.99);
    near(pairedWorking(summarize(paired.differences), 0.99), {
      s_d: paired.sdDifference,
      t: paired.t,
      p: paired.p.either,
      d_z: paired.cohenDz,
      '\\text{high}': paired.interval.high,
    });
    const z = oneSampleZ(31, 12, 4, 30, 0.95);
    near(oneSampleZWorking(31, 12, 4, 30, 0.95), { z: z.z, p: z.p.either, '\\text{low}': z.interval.low });
    const same = equivalence(welchT(A, B, 0.95), { low: -4, high: 12 }, 0.95);
    const { estimate, se, df } = welchT(A, B, 0.95);
    near(equivalenceWorking(estimate, se, df, -4, 12), { p_L: same.pAboveLower, p_U: same.pBelowUpper, p: same.p });
  });

  it('of several groups arrives where the procedures do', () => {
    const anova = oneWayAnova(groups);
    near(oneWayWorking(all), {
      SS_B: anova.between.ss,
      SS_W: anova.within.ss,
      SS_T: anova.total.ss,
      F: anova.f,
      p: anova.p,
      s_p: anova.pooledSd,
      '\\eta^2': anova.etaSquared,
      '\\omega^2': anova.omegaSquared,
    });
    const welch = welchAnova(all);
    near(welchAnovaWorking(all), { F: welch.f, '\\nu_2': welch.df2, p: welch.p });
    const { pairs, criticalQ } = tukeyKramer(all, 0.95);
    near(tukeyWorking(all, 0, 1, 0.95), {
      q: pairs[0]?.q,
      p: pairs[0]?.p,
      'q^*': criticalQ,
      D: pairs[0]?.smallestSignificant,
      '\\text{low}': pairs[0]?.interval.low,
    });
    const { scheffe } = contrast(all, [1, -1, 0], 0.95);
    near(contrastWorking(all, [1, -1, 0], 0.95, { scheffe: true }), {
      p: scheffe.p,
      '\\text{low}': scheffe.interval.low,
    });
    const plain = contrast(all, [1, -1, 0], 0.95);
    near(contrastWorking(all, [1, -1, 0], 0.95), { p: plain.p.either, '\\text{high}': plain.interval.high });
    for (const direction of ['greater', 'less'] as const) {
      const way = dunnettTest(all, 0, 0.95, direction);
      const end = direction === 'greater' ? 'low' : 'high';
      const steps = dunnettWorking(all, 0, 1, 0.95, direction);
      near(steps, {
        p: way.pairs[0]?.p,
        c: way.criticalT,
        [`\\text{${end}}`]: way.pairs[0]?.interval[end],
      });
      expect(steps.filter((s) => s.name.startsWith('\\text{'))).to.have.length(1);
      near(contrastWorking(all, [1, -1, 0], 0.95, { direction }), { p: plain.p[direction] });
    }
    const separate = separateContrast(all, [1, -0.5, -0.5], 0.95);
    near(contrastWorking(all, [1, -0.5, -0.5], 0.95, { separate: true }), {
      '\\nu': separate.df,
      t: separate.t,
      p: separate.p.either,
      '\\text{low}': separate.interval.low,
    });
    const dunnett = dunnettTest(all, 0, 0.95);
    near(dunnettWorking(all, 0, 1, 0.95), {
      t: dunnett.pairs[0]?.t,
      p: dunnett.pairs[0]?.p,
      c: dunnett.criticalT,
      '\\text{low}': dunnett.pairs[0]?.interval.low,
    });
  });

  it('of counts arrives where the procedures do', () => {
    const share = { successes: 17, n: 40 };
    const one = oneProportion(share, 0.3);
    const wilson = proportionInterval(share, 0.95, 'wilson');
    near(oneProportionWorking(17, 40, 0.3, 0.95), {
      z: one.z,
      p: one.p.either,
      '\\text{low}': wilson.low,
      '\\text{high}': wilson.high,
    });
    const two = twoProportions(share, { successes: 9, n: 38 }, 0.95);
    near(twoProportionsWorking(17, 40, 9, 38), { d: two.difference, z: two.z, p: two.p.either });
    const table = [
      [41, 12, 3],
      [33, 19, 8],
      [18, 24, 17],
    ];
    const found = independence(table);
    near(independenceWorking(table), {
      'X^2': found.chi2,
      '\\nu': found.df,
      p: found.p,
      G: found.g,
      p_G: found.gP,
      'E_{23}': found.expected[1]?.[2],
    });
    const fit = goodnessOfFit([90, 31, 28, 11], [9, 3, 3, 1]);
    near(goodnessOfFitWorking([90, 31, 28, 11], [9, 3, 3, 1]), { 'X^2': fit.chi2, p: fit.p });
    const changed = mcnemar([
      [20, 12],
      [5, 30],
    ]);
    near(mcnemarWorking(12, 5), {
      'X^2': changed.chi2,
      p: changed.score.either,
      'X_c^2': changed.chi2Corrected,
      p_c: changed.corrected.either,
    });
  });

  it('of ranks arrives where the procedures do, with ties', () => {
    const [x, y] = [
      [1, 2, 2, 5, 7],
      [2, 4, 6, 8, 9, 9],
    ];
    const u = mannWhitney(x, y);
    for (const way of ['either', 'greater', 'less'] as const)
      near(mannWhitneyWorking(x, y, way), { U: u.u, p: u.p[way] });
    // Too many to be counted: the normal curve, as the test takes it.
    const [long, longer] = [0, 3].map((shift) => Array.from({ length: 70 }, (_, i) => ((i * 37) % 41) + shift)) as [
      number[],
      number[],
    ];
    const many = mannWhitney(long, longer);
    expect(many.method).to.equal('normal');
    for (const way of ['either', 'greater', 'less'] as const)
      near(mannWhitneyWorking(long, longer, way), { p: many.p[way] });
    const d = [1.5, -0.5, 2, 2, -1, 0, 3];
    const v = wilcoxonSignedRank(d);
    for (const way of ['either', 'greater', 'less'] as const)
      near(signedRankWorking(d, way), { V: v.wPlus, p: v.p[way] });
    const h = kruskalWallis([x, y, [3, 3, 5]]);
    near(kruskalWallisWorking([x, y, [3, 3, 5]]), { H: h.h, p: h.p });
    const rows = [
      [1, 2, 3],
      [2, 2, 5],
      [4, 1, 6],
      [3, 5, 5],
    ];
    const q = friedman(rows);
    near(friedmanWorking(rows), { Q: q.chi2, p: q.p });
  });
});

describe('checks and resampling', () => {
  it('point out a reading that is far off, by both rules, and nothing else', () => {
    const far = unusualPoints([[10, 11, 10.5, 10.8, 11.2, 10.1, 25], c]);
    expect(far.map((u) => u.value)).to.include(25);
    const [worst] = far;
    expect(worst?.p).to.be.lessThan(0.001);
    // The studentized residual is the t-test of a dummy for that reading: pooled, its own group against it alone.
    const rest = [10, 11, 10.5, 10.8, 11.2, 10.1];
    const [own, other] = [summarize(rest), summarize(c)];
    const df = own.n + other.n - 2;
    const spread = ((own.n - 1) * own.variance + (other.n - 1) * other.variance) / df;
    expect(worst?.studentized).to.be.closeTo((25 - own.mean) / Math.sqrt(spread * (1 + 1 / own.n)), 1e-9);
    expect(unusualPoints([[1, 2, 3, 4, 5]])).to.deep.equal([]);
  });

  it('hold normal samples within the quantile band, and let skewed ones out', () => {
    const { normal } = random(5);
    const sample = Array.from({ length: 60 }, () => normal());
    expect(quantilePlot(sample, 0.95, 1).outside).to.be.at.most(12);
    expect(
      quantilePlot(
        sample.map((x) => Math.exp(1.5 * x)),
        0.95,
        1,
      ).outside,
    ).to.be.at.least(20);
    expect(() => quantilePlot([1, 1, 1], 0.95, 1)).to.throw('no shape');
  });

  it('say what stands against a comparison, and what could be done', () => {
    const repeats = (readings: number, subjects: number, shared: number) => ({
      readings,
      subjects,
      distinct: subjects - shared,
      shared,
      each: { least: 1, most: 3 },
    });
    expect(checkIndependence(repeats(11, 11, 0), false, false).verdict).to.equal('fine');
    expect(checkIndependence(repeats(36, 12, 3), false, false)).to.deep.include({
      verdict: 'matters',
      remedies: ['average-within-subjects', 'pair-by-subject'],
    });
    expect(
      checkExpectedCounts([
        [10, 20],
        [4, 8],
      ]).verdict,
    ).to.equal('matters');
    expect(
      checkExpectedCounts([
        [10, 20],
        [40, 80],
      ]).verdict,
    ).to.equal('fine');
    expect(checkEqualSpread([[1], [2]]).verdict).to.equal('unknown');
  });
});
