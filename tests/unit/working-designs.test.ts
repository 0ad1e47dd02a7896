import { expect } from 'chai';
import { random } from '../../src/core/numeric/random';
import { adjustP } from '../../src/core/procedures/adjust-p';
import { contrast } from '../../src/core/procedures/contrast';
import { bartlett } from '../../src/core/procedures/equal-spread';
import { etaSquaredInterval } from '../../src/core/procedures/effect-size-intervals';
import { fisherExact } from '../../src/core/procedures/fisher-exact';
import { friedmanPairs } from '../../src/core/procedures/friedman-pairs';
import { dunnTest } from '../../src/core/procedures/kruskal-wallis';
import { marginalPairs } from '../../src/core/procedures/marginal-means';
import { oneWayAnova } from '../../src/core/procedures/one-way-anova';
import { proportionTrend } from '../../src/core/procedures/proportion-trend';
import { repeatedMeasures } from '../../src/core/procedures/repeated-measures';
import { summarize } from '../../src/core/procedures/sample-summary';
import { sampled } from '../../src/core/procedures/randomization';
import { shuffleTwoMeansExact } from '../../src/core/procedures/shuffle-means';
import { spreadOfOne } from '../../src/core/procedures/spread-of-one';
import { spreadOfTwo } from '../../src/core/procedures/spread-of-two';
import { standardizedDifference } from '../../src/core/procedures/standardized-difference';
import { gamesHowell } from '../../src/core/procedures/tukey-kramer';
import { pooledT } from '../../src/core/procedures/pooled-t';
import { twoWayAnova } from '../../src/core/procedures/two-way-anova';
import { withinBetween } from '../../src/core/procedures/within-between';
import { fisherWorking, proportionTrendWorking } from '../../src/core/working/counts';
import { etaSquaredWorking, hedgesWorking } from '../../src/core/working/effect-sizes';
import { repeatedWorking, twoWayWorking, withinBetweenWorking } from '../../src/core/working/factors';
import { marginalPairWorking } from '../../src/core/working/means';
import { dunnWorking, friedmanPairWorking } from '../../src/core/working/ranks';
import { adjustmentWorking, shuffleWorking } from '../../src/core/working/resampling';
import { contrastWorking, gamesHowellWorking } from '../../src/core/working/several-groups';
import { bartlettWorking, spreadOfOneWorking, spreadOfTwoWorking } from '../../src/core/working/spread';
import type { Step } from '../../src/core/working/term';

/** The working's results agree with the procedure's, which were computed another way. */
function near(steps: Step[], expected: Record<string, number | undefined>): void {
  for (const [name, value] of Object.entries(expected)) {
    const found = steps.find((s) => s.name === name);
    expect(found, `${name} among ${steps.map((s) => s.name).join('  ')}`).not.to.equal(undefined);
    expect(found?.result, name).to.be.closeTo(value ?? NaN, 1e-9 * Math.max(1, Math.abs(value ?? 0)));
  }
  for (const step of steps) expect(step.formula + step.numbers).not.to.match(/NaN|undefined/);
}

const groups = [
  [24.1, 26.3, 25.2, 27.9, 24.4],
  [28.2, 27.1, 30.3, 29.9],
  [22.1, 25.7, 23.3, 24.8, 26.1, 21.9],
];
const all = groups.map((g) => summarize(g));
const [A, B] = all as [(typeof all)[0], (typeof all)[0]];

describe('the working of designs', () => {
  const { normal } = random(3);
  const cells = [
    ['9 °C', 'low', 4],
    ['9 °C', 'high', 3],
    ['12 °C', 'low', 2],
    ['12 °C', 'high', 5],
    ['15 °C', 'low', 4],
    ['15 °C', 'high', 1],
  ] as const;
  const readings = cells.flatMap(([a, b, n], i) =>
    Array.from({ length: n }, () => ({ a, b, value: 10 + i + normal() })),
  );
  const rows = Array.from({ length: 8 }, () => [0, 1.2, 1.9].map((x) => 5 + x + normal()));

  it('with two factors adds what leaving an effect out leaves unexplained, for every type', () => {
    for (const type of [1, 2, 3] as const) {
      const table = twoWayAnova(readings, type);
      near(twoWayWorking(table), {
        'SS_{A}': table.a.ss,
        'SS_{B}': table.b.ss,
        'SS_{AB}': table.interaction?.ss,
        'F_{A}': table.a.f,
        'p_{B}': table.b.p,
        'p_{AB}': table.interaction?.p,
        '\\eta^2_{A}': table.a.partialEtaSquared,
      });
    }
    const single = cells.map(([a, b], i) => ({ a, b, value: i + normal() }));
    const table = twoWayAnova(single, 2);
    near(twoWayWorking(table), { 'F_{A}': table.a.f, 'p_{B}': table.b.p });
    const full = twoWayAnova(readings);
    const side = (level: string) =>
      ['low', 'high'].map((b) => {
        const values = readings.filter((r) => r.a === level && r.b === b).map((r) => r.value);
        return { n: values.length, mean: values.reduce((s, x) => s + x, 0) / values.length };
      });
    const pair = marginalPairs(full, 'a', 'unadjusted')[0];
    near(marginalPairWorking(side('9 °C'), side('12 °C'), full.residual.ms, full.residual.df), {
      d: pair?.difference,
      SE: pair?.se,
      p: pair?.p,
    });
  });

  it('of the same subjects throughout arrives where the procedures do', () => {
    const found = repeatedMeasures(rows);
    near(repeatedWorking(rows, found), {
      SS_C: found.condition.ss,
      SS_S: found.subject.ss,
      SS_E: found.error.ss,
      'F_{C}': found.f,
      'p_{C}': found.p,
      'p_{GG}': found.greenhouseGeisser.p,
      '\\eta^2': found.partialEtaSquared,
    });
    const mixed = withinBetween([rows.slice(0, 4), rows.slice(4).map((r) => r.map((x, j) => x + j))]);
    near(withinBetweenWorking(mixed), {
      'F_{G}': mixed.group.f,
      'p_{C}': mixed.condition.p,
      'F_{GC}': mixed.interaction.f,
    });
    near(friedmanPairWorking(rows, 0, 2), { q: friedmanPairs(rows)[1]?.q, p: friedmanPairs(rows)[1]?.p });
  });

  it('of pairs of groups, contrasts and ranks arrives where the procedures do', () => {
    const pair = gamesHowell(all, 0.95)[0];
    near(gamesHowellWorking(all, 0, 1, 0.95), { q: pair?.q, p: pair?.p, '\\text{low}': pair?.interval.low });
    const own = contrast(all, [1, -0.5, -0.5], 0.9);
    near(contrastWorking(all, [1, -0.5, -0.5], 0.9), { t: own.t, p: own.p.either, '\\text{high}': own.interval.high });
    const ties = groups.map((g) => g.map(Math.round));
    const dunn = dunnTest(ties, 'unadjusted')[2];
    near(dunnWorking(ties, 1, 2), { z: dunn?.z, p: dunn?.p });
    const p = [0.01, 0.2, 0.03, 0.04];
    for (const method of ['holm', 'benjamini-hochberg', 'bonferroni', 'sidak', 'unadjusted'] as const)
      near(adjustmentWorking(p, method), { '\\tilde{p}_{(1)}': adjustP(p, method)[0] });
  });

  it('of spread, effect sizes and descriptions arrives where the procedures do', () => {
    const one = spreadOfOne(Math.sqrt(A.variance), A.n, 2, 0.95);
    near(spreadOfOneWorking(Math.sqrt(A.variance), A.n, 2, 0.95), {
      'X^2': one.chi2,
      p: one.p.either,
      '\\text{low}': one.sdInterval.low,
      '\\text{high}': one.sdInterval.high,
    });
    const two = spreadOfTwo(A, B, 0.95);
    near(spreadOfTwoWorking(A, B, 0.95), { F: two.f, p: two.p.either });
    const many = bartlett(all);
    near(bartlettWorking(all), { 'X^2': many.chi2, p: many.p });
    const size = standardizedDifference(A, B, 0.95);
    near(hedgesWorking(pooledT(A, B, 0.95).t, A.n, B.n, 0.95), {
      g: size.hedgesG,
      g_L: size.interval.low,
      g_U: size.interval.high,
    });
    const anova = oneWayAnova(groups);
    const eta = etaSquaredInterval(anova.f, 2, 12, 0.9);
    near(etaSquaredWorking(anova.f, 2, 12, 0.9), {
      '\\eta^2': anova.etaSquared,
      '\\eta^2_L': eta.low,
      '\\eta^2_U': eta.high,
    });
  });

  it('of counts and shuffles arrives where the procedures do', () => {
    const table = [
      [9, 3],
      [2, 8],
    ] as const;
    const exact = fisherExact(table);
    const steps = fisherWorking(table);
    near(steps, { p: exact.either, 'p_>': exact.greater });
    const counted = steps.filter((s) => s.what.includes('counted')).reduce((s, x) => s + x.result, 0);
    expect(counted + (steps[0]?.result ?? 0)).to.be.closeTo(exact.either, 1e-12);
    const shares = [
      { successes: 4, n: 20 },
      { successes: 9, n: 22 },
      { successes: 13, n: 19 },
    ];
    near(proportionTrendWorking(shares, [0, 1, 3]), { z: proportionTrend(shares, [0, 1, 3]).z });
    const [a = [], b = []] = groups;
    for (const found of [
      shuffleTwoMeansExact(a, b),
      sampled({ kind: 'labels', groups: [a, b], statistic: 'mean' }, 7, 999),
    ])
      near(shuffleWorking(found, 0.95), { p: found.p.either, s: found.observed });
  });
});
