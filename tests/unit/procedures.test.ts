import { expect } from 'chai';
import fc from 'fast-check';
import { binomial } from '../../src/core/distributions/binomial';
import { chiSquare } from '../../src/core/distributions/chi-square';
import { dunnettUpper } from '../../src/core/distributions/dunnett';
import { fisherF } from '../../src/core/distributions/f';
import { hypergeometric } from '../../src/core/distributions/hypergeometric';
import {
  noncentralChiSquareLower,
  noncentralChiSquareUpper,
  noncentralFLower,
  noncentralFUpper,
} from '../../src/core/distributions/noncentral-f';
import { noncentralTLower, noncentralTUpper } from '../../src/core/distributions/noncentral-t';
import { normal } from '../../src/core/distributions/normal';
import { studentizedRangeUpper, studentizedRangeUpperQuantile } from '../../src/core/distributions/studentized-range';
import { studentT } from '../../src/core/distributions/t';
import { attempt } from '../../src/core/numeric/domain-error';
import { random } from '../../src/core/numeric/random';
import { bootstrap } from '../../src/core/procedures/bootstrap';
import { contrast } from '../../src/core/procedures/contrast';
import { etaSquaredInterval } from '../../src/core/procedures/effect-size-intervals';
import { bartlett, levene } from '../../src/core/procedures/equal-spread';
import { equivalence } from '../../src/core/procedures/equivalence';
import { exactOddsRatioInterval, fisherExact } from '../../src/core/procedures/fisher-exact';
import { fisherTable } from '../../src/core/procedures/fisher-table';
import { friedman } from '../../src/core/procedures/friedman';
import { hodgesLehmann } from '../../src/core/procedures/hodges-lehmann';
import { cramersVInterval, independence } from '../../src/core/procedures/independence';
import { kruskalWallis } from '../../src/core/procedures/kruskal-wallis';
import { letters } from '../../src/core/procedures/letters';
import { mannWhitney } from '../../src/core/procedures/mann-whitney';
import { marginalMeans, marginalPairs } from '../../src/core/procedures/marginal-means';
import { oneDegreeInteraction } from '../../src/core/procedures/one-degree-interaction';
import { oneWayAnova, oneWayAnovaFromSummaries } from '../../src/core/procedures/one-way-anova';
import { pairedT } from '../../src/core/procedures/paired-t';
import { pooledT } from '../../src/core/procedures/pooled-t';
import { smallestSample, twoGroupsTPower } from '../../src/core/procedures/power';
import { summarize } from '../../src/core/procedures/sample-summary';
import { shapiroWilk } from '../../src/core/procedures/shapiro-wilk';
import { shuffleTest } from '../../src/core/procedures/shuffle';
import { Gathered, tallyOf } from '../../src/core/procedures/gathered';
import { sampled } from '../../src/core/procedures/randomization';
import { shuffleTwoMeansExact } from '../../src/core/procedures/shuffle-means';
import { type Shuffling, arrangement, blockOf, observedOf, slackOf } from '../../src/core/procedures/shuffling';
import { dunnettTest } from '../../src/core/procedures/dunnett-test';
import { tukeyKramer } from '../../src/core/procedures/tukey-kramer';
import { twoWayAnova } from '../../src/core/procedures/two-way-anova';
import { welchAnova } from '../../src/core/procedures/welch-anova';
import { welchT } from '../../src/core/procedures/welch-t';
import { wilcoxonSignedRank } from '../../src/core/procedures/wilcoxon-signed-rank';

const near = (x: number, y: number, relative = 1e-10): void => {
  expect(Math.abs(x - y), `${x} and ${y}`).to.be.at.most(relative * Math.max(Math.abs(x), Math.abs(y), 1e-300));
};
const normals = (n: number, seed: number): number[] => {
  const { normal: draw } = random(seed);
  return Array.from({ length: n }, draw);
};

describe('distributions', () => {
  const df = fc.double({ min: 1, max: 500, noNaN: true });
  it('have tails that sum to one and quantiles that come back', () =>
    fc.assert(
      fc.property(df, df, fc.double({ min: 1e-120, max: 0.5, noNaN: true }), (d1, d2, p) => {
        for (const dist of [normal, studentT(d1), chiSquare(d1), fisherF(d1, d2)]) {
          const x = dist.upperQuantile(p);
          if (Number.isFinite(x) && x < 1e150) near(dist.upper(x), p, 1e-8);
          near(dist.lower(x) + dist.upper(x), 1);
          expect(dist.quantile(0.2)).to.be.lessThan(dist.quantile(0.7));
        }
      }),
    ));

  it('agree with each other where one is a special case of another', () => {
    for (const [q, v] of [
      [0.5, 1],
      [3.6, 7.5],
      [12, 40],
      [30, 200],
    ] as const) {
      near(studentizedRangeUpper(q, 2, v), 2 * studentT(v).upper(q / Math.SQRT2));
      near(dunnettUpper(q, { loadings: [0.7], df: v, twoSided: true }), 2 * studentT(v).upper(q));
      near(dunnettUpper(q, { loadings: [0.2], df: v, twoSided: false }), studentT(v).upper(q));
      near(noncentralTUpper(q, v, 0), studentT(v).upper(q));
      near(noncentralFUpper(q, 3, v, 0), fisherF(3, v).upper(q));
      // The square of a noncentral t is a noncentral F.
      near(noncentralFUpper(q * q, 1, v, 4), noncentralTUpper(q, v, 2) + noncentralTLower(-q, v, 2), 1e-9);
      near(noncentralFLower(q, 2, v, 5) + noncentralFUpper(q, 2, v, 5), 1);
      near(noncentralChiSquareLower(q, v, 5) + noncentralChiSquareUpper(q, v, 5), 1);
    }
    near(studentizedRangeUpper(studentizedRangeUpperQuantile(1e-12, 5, 20), 5, 20), 1e-12, 1e-6);
    const coin = binomial(30, 0.3);
    near(
      coin.upper(12),
      Array.from({ length: 19 }, (_, i) => coin.mass(12 + i)).reduce((a, b) => a + b),
      1e-12,
    );
    const table = hypergeometric(12, 9, 30, 2.5);
    near(table.lower(4) + table.upper(5), 1);
  });
});

describe('follow-up of an analysis of variance', () => {
  it('letters: two groups share one exactly when they do not differ', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 8 }),
        fc.array(fc.boolean(), { minLength: 28, maxLength: 28 }),
        (n, coins) => {
          const differ = (a: number, b: number) =>
            coins[(Math.max(a, b) * (Math.max(a, b) - 1)) / 2 + Math.min(a, b)] ?? false;
          const shown = letters(n, differ);
          for (let a = 0; a < n; a++)
            for (let b = 0; b < a; b++) {
              const shared = Array.from(shown[a] ?? '').some((l) => shown[b]?.includes(l));
              expect(shared).to.equal(!differ(a, b));
            }
        },
      ),
    ));

  it('intervals and p-values decide alike; two groups give the t-test', () => {
    const groups = [
      normals(8, 1),
      normals(11, 2).map((x) => x + 1.2),
      normals(9, 3).map((x) => x + 1.5),
      normals(7, 4),
    ].map((g) => summarize(g));
    for (const pairs of [tukeyKramer(groups, 0.95).pairs, dunnettTest(groups, 0, 0.95).pairs])
      for (const pair of pairs) expect(pair.interval.low > 0 || pair.interval.high < 0).to.equal(pair.p < 0.05);
    const [a, b] = groups as [(typeof groups)[0], (typeof groups)[0]];
    const t = pooledT(a, b, 0.95);
    near(tukeyKramer([a, b], 0.95).pairs[0]!.p, t.p.either);
    near(dunnettTest([a, b], 0, 0.95).pairs[0]!.p, t.p.either);
    near(oneWayAnovaFromSummaries([a, b]).f, t.t ** 2);
    near(welchAnova([a, b]).p, welchT(a, b, 0.95).p.either);
    near(contrast([a, b], [1, -1], 0.95).t, t.t);
    near(contrast([a, b], [1, -1], 0.95).scheffe.p, t.p.either);
  });

  it('an effect-size interval leaves 0 out exactly when F is that significant', () => {
    for (const f of [0.4, 2, 3.3, 4.2, 9])
      expect(etaSquaredInterval(f, 3, 30, 0.9).low > 0).to.equal(fisherF(3, 30).upper(f) < 0.05);
  });
});

describe('two factors', () => {
  const levels = ['p', 'q', 'r'];
  const draw = normals(60, 8);
  const readings = Array.from({ length: 48 }, (_, i) => ({
    a: i % 2 ? 'x' : 'y',
    b: levels[i % 3]!,
    value: draw[i]! + (i % 3),
  }));
  it('types agree when cells are equal, and marginal means are then plain means', () => {
    const [one, two, three] = ([1, 2, 3] as const).map((type) => twoWayAnova(readings, type));
    near(one!.a.ss, three!.a.ss, 1e-9);
    near(two!.b.ss, three!.b.ss, 1e-9);
    near(one!.a.ss + one!.b.ss + one!.interaction!.ss + one!.residual.ss, one!.total.ss, 1e-9);
    const plain = readings.filter((r) => r.b === 'q').map((r) => r.value);
    const shown = marginalMeans(two!, 'b', 0.95).find((m) => m.level === 'q')!;
    near(shown.mean, plain.reduce((x, y) => x + y) / plain.length);
    // With two levels, the comparison of main effects is the F test itself.
    near(marginalPairs(three!, 'a')[0]!.t ** 2, three!.a.f, 1e-9);
    expect(marginalPairs(two!, 'b', 'holm', 'x')).to.have.length(3);
  });

  it('says what cannot be estimated when a cell is empty or nothing is repeated', () => {
    const holed = readings.filter((r) => !(r.a === 'x' && r.b === 'r'));
    const table = twoWayAnova(holed, 2);
    expect(table.emptyCells).to.deep.equal([{ a: 'x', b: 'r' }]);
    expect(table.interaction!.df).to.equal(1);
    expect(attempt(() => marginalMeans(table, 'a', 0.95)))
      .to.have.property('reason')
      .that.includes('empty');
    const single = levels.flatMap((b, j) =>
      ['x', 'y', 'z'].map((a, i) => ({ a, b, value: i * 2 + j + (i * j) / 3 + (i === j ? 0.2 : 0) })),
    );
    expect(twoWayAnova(single).interaction).to.equal(undefined);
    const cells = ['x', 'y', 'z'].map((a) => levels.map((b) => single.find((r) => r.a === a && r.b === b)!.value));
    expect(oneDegreeInteraction(cells).df2).to.equal(3);
  });
});

describe('counts', () => {
  it("Fisher's tea: the interval of the odds ratio by its definition", () => {
    const tea = [
      [3, 1],
      [1, 3],
    ] as const;
    near(fisherExact(tea).either, 34 / 70);
    const { low, high } = exactOddsRatioInterval(tea, 0.95);
    // Ways to fill the table for 0 to 4 right cups: 1, 16, 36, 16, 1. At each end of the interval a tail is 2.5 %.
    const tail = (odds: number, from: number, to: number) => {
      const terms = [1, 16, 36, 16, 1].map((ways, k) => ways * odds ** k);
      const total = (list: number[]) => list.reduce((a, b) => a + b, 0);
      return total(terms.slice(from, to + 1)) / total(terms);
    };
    near(tail(low, 3, 4), 0.025);
    near(tail(high, 0, 3), 0.025);
    expect(
      exactOddsRatioInterval(
        [
          [5, 0],
          [2, 3],
        ],
        0.95,
      ).high,
    ).to.equal(Infinity);
  });

  it('the r × c test is the 2 × 2 test on 2 × 2, sums listed tables on 3 × 3, and agrees with sampling', () => {
    near(
      fisherTable(
        [
          [10, 3],
          [4, 9],
        ],
        1,
      ).p,
      fisherExact([
        [10, 3],
        [4, 9],
      ]).either,
      1e-7,
    );
    const table = [
      [3, 0, 2],
      [1, 4, 1],
      [0, 2, 3],
    ];
    // Every table with these margins, one by one.
    const factorial = (n: number): number => (n < 2 ? 1 : n * factorial(n - 1));
    const weight = (t: number[][]) =>
      1 /
      t
        .flat()
        .map(factorial)
        .reduce((a, b) => a * b);
    const rows = table.map((r) => r.reduce((a, b) => a + b));
    const columns = [0, 1, 2].map((j) => table.reduce((s, r) => s + r[j]!, 0));
    let all = 0;
    let far = 0;
    for (let a = 0; a <= 5; a++)
      for (let b = 0; b <= 6; b++)
        for (let c = 0; c <= 5; c++)
          for (let d = 0; d <= 6; d++) {
            const t = [
              [a, b, rows[0]! - a - b],
              [c, d, rows[1]! - c - d],
            ];
            t.push([0, 1, 2].map((j) => columns[j]! - t[0]![j]! - t[1]![j]!));
            if (t.flat().some((n) => n < 0)) continue;
            all += weight(t);
            if (weight(t) <= weight(table) * (1 + 1e-9)) far += weight(t);
          }
    const exact = fisherTable(table, 1);
    near(exact.p, far / all, 1e-9);
    const large = table.map((r) => r.map((n) => n * 12));
    expect(fisherTable(large, 5, 2000).p).to.be.closeTo(independence(large).p, 0.01);
    const v = independence(large);
    const interval = cramersVInterval(v.chi2, 3, 3, 192, 0.95);
    expect(interval.low).to.be.lessThan(v.cramersV).and.greaterThan(0);
  });
});

describe('shuffles and resamples', () => {
  const a = [34.6, 32.3, 29.7, 27.5, 26.7, 33.1];
  const b = [28.5, 28.4, 26.5, 29.5, 25.2, 27.7];
  const difference = (values: Float64Array, label: Int32Array): number => {
    const sums = [0, 0];
    const n = [0, 0];
    values.forEach((x, i) => {
      const g = label[i]!;
      sums[g]! += x;
      n[g]! += 1;
    });
    return sums[0]! / n[0]! - sums[1]! / n[1]!;
  };

  it('counting, listing and sampling agree; the same seed gives the same p', () => {
    const counted = shuffleTwoMeansExact(a, b);
    const listed = shuffleTest([a, b], difference, 1, 0, 1e-12);
    expect(counted.arrangements).to.equal(924);
    for (const tail of ['either', 'greater', 'less'] as const) near(counted.p[tail], listed.p[tail]);
    const means: Shuffling = { kind: 'labels', groups: [a, b], statistic: 'mean' };
    const drawn = sampled(means, 42, 60_000);
    expect(drawn.p.either).to.be.closeTo(counted.p.either, 0.006);
    expect(sampled(means, 42, 60_000)).to.deep.equal(drawn);
    // Blocks done in any order add up to the same.
    const far = Math.abs(observedOf(means)) - slackOf(means, observedOf(means));
    const blocks = [5, 2, 0, 4, 1, 3].map((k) => blockOf(means, 42, k).filter((x) => Math.abs(x) >= far).length);
    near((blocks.reduce((s, x) => s + x, 0) + 1) / 60_001, drawn.p.either);
    const many = shuffleTest([normals(12, 1), normals(14, 2)], difference, 3, 500, 1e-12);
    expect(many.method).to.equal('sampled');
    expect(many.p.either).to.be.within(1 / 501, 1);
  });

  it('every arrangement shown is the one counted: its statistic follows from what is shown', () => {
    const uneven = [a, b.slice(0, 4), [27, 29.1, 30.2]];
    const table = [
      [7, 12, 4],
      [11, 3, 9],
    ];
    const kinds: Shuffling[] = [
      ...(['mean', 'median', 'trimmed', 't'] as const).map((statistic): Shuffling => ({
        kind: 'labels',
        groups: [a, b.slice(0, 4)],
        statistic,
      })),
      { kind: 'labels', groups: uneven, statistic: 'F' },
      { kind: 'signs', differences: a.map((x, i) => x - b[i]!), statistic: 'mean' },
      { kind: 'signs', differences: a.map((x, i) => x - b[i]!), statistic: 't' },
      { kind: 'counts', table: table.map(([x, y]) => [x!, y!]), statistic: 'share' },
      { kind: 'counts', table, statistic: 'chi-square' },
      { kind: 'resample', groups: [a, b], statistic: 'median' },
    ];
    for (const what of kinds) {
      const block = blockOf(what, 9, 1);
      expect(blockOf(what, 9, 1, 40, 50)).to.deep.equal(block.slice(40, 50));
      const shown = arrangement(what, 9, 10_000 + 44);
      near(shown.statistic, block[44]!, 1e-12);
      // Taken as readings, what is shown has the statistic it came with.
      const again = ((): number => {
        if (shown.kind === 'labels' && what.kind === 'labels') {
          const all = what.groups.flat();
          return observedOf({
            ...what,
            groups: what.groups.map((_, g) => all.filter((_, i) => shown.labels[i] === g)),
          });
        }
        if (shown.kind === 'signs' && what.kind === 'signs')
          return observedOf({ ...what, differences: what.differences.map((d, i) => (shown.flipped[i] ? -d : d)) });
        if (shown.kind === 'counts' && what.kind === 'counts') return observedOf({ ...what, table: shown.table });
        if (shown.kind === 'resample' && what.kind === 'resample')
          return observedOf({ ...what, groups: what.groups.map((g, k) => shown.drawn[k]!.map((i) => g[i]!)) });
        return NaN;
      })();
      near(again, shown.statistic, 1e-12);
    }
  });

  it('gathered in any parts give the counts, the spread and the cut-off of all of them', () => {
    const { normal } = random(77);
    const drawn = Array.from({ length: 23_457 }, () => Number((3 * normal()).toFixed(2)));
    const observed = 4.11;
    const whole = new Gathered(observed, 1e-9);
    for (const [from, to] of [
      [0, 1],
      [1, 12],
      [12, 3000],
      [3000, 13_000],
      [13_000, 23_457],
    ]) {
      const part = Float64Array.from(drawn.slice(from, to));
      whole.add(part, tallyOf(part, observed, 1e-9, whole.lastingGrid));
    }
    const count = (holds: (x: number) => boolean): number => drawn.filter(holds).length;
    expect(whole.counts).to.deep.equal({
      greater: count((x) => x >= observed),
      less: count((x) => x <= observed),
      either: count((x) => Math.abs(x) >= observed),
    });
    near(whole.se, Math.sqrt(summarize(drawn).variance), 1e-10);
    expect(whole.bars().reduce((s, bar) => s + bar.count, 0)).to.equal(drawn.length);
    // The bars from the observed statistic outwards are its tail, ties and all.
    expect(whole.bars().reduce((s, bar) => s + (bar.from > observed - 1e-6 ? bar.count : 0), 0)).to.equal(
      whole.counts.greater,
    );
    for (const [tail, key] of [
      ['greater', (x: number) => x],
      ['less', (x: number) => -x],
      ['either', Math.abs],
    ] as const) {
      const sorted = drawn.map(key).sort((x, y) => y - x);
      const cut = whole.cut(tail, 0.05)!;
      expect(key(cut.at), tail).to.equal(sorted[Math.floor(0.05 * 23_458) - 1]);
      near(cut.beyond, sorted.filter((x) => x > key(cut.at)).length / drawn.length, 1e-12);
      expect((count((x) => key(x) > key(cut.at)) + 1) / 23_458).to.be.at.most(0.05);
    }
    const little = new Gathered(1, 0);
    little.add(Float64Array.of(0.5, -1, 1));
    expect(little.cut('either', 0.05)).to.equal(undefined);
    expect(little.fewValues()).to.deep.equal([
      [-1, 1],
      [0.5, 1],
      [1, 1],
    ]);
  });

  it('p is uniform when nothing differs (Kolmogorov, at the 1 in 10,000 bound)', () => {
    const p = Array.from(
      { length: 400 },
      (_, i) =>
        sampled({ kind: 'labels', groups: [normals(9, 1000 + i), normals(12, 5000 + i)], statistic: 'mean' }, i, 999).p
          .either,
    ).sort((x, y) => x - y);
    const distance = Math.max(...p.map((x, i) => Math.max(x - i / 400, (i + 1) / 400 - x)));
    expect(distance).to.be.lessThan(2.23 / Math.sqrt(400) + 0.001);
  });

  it('bootstrap intervals come near the normal ones for a mean, and move with the data', () => {
    const values = normals(60, 9).map((x) => 10 + 2 * x);
    const mean = (g: readonly Float64Array[]) => g[0]!.reduce((s, x) => s + x, 0) / g[0]!.length;
    const boot = bootstrap([values], mean, 0.95, 7, 4000);
    const se = Math.sqrt(summarize(values).variance / 60);
    near(boot.se, se, 0.05);
    for (const interval of [boot.percentile, boot.bca!]) {
      expect(interval.low).to.be.closeTo(boot.estimate - 1.96 * se, 0.15 * se);
      expect(interval.high).to.be.closeTo(boot.estimate + 1.96 * se, 0.15 * se);
    }
    near(bootstrap([values.map((x) => x + 64)], mean, 0.95, 7, 4000).bca!.low, boot.bca!.low + 64, 1e-9);
  });
});

describe('ranks', () => {
  it('exact p meets the normal one in large samples; the shift interval agrees with the test', () => {
    const x = normals(40, 11).map((v) => Math.round(v * 8) / 8);
    const y = normals(45, 12).map((v) => Math.round(v * 8) / 8 + 0.5);
    near(mannWhitney(x, y, 'exact').p.either, mannWhitney(x, y, 'normal').p.either, 0.15);
    near(wilcoxonSignedRank(x, 'exact').p.either, wilcoxonSignedRank(x, 'normal').p.either, 0.06);
    const [s, t] = [normals(14, 13), normals(13, 14).map((v) => v + 1)];
    const shift = hodgesLehmann(s, t, 0.95);
    expect(shift.coverage).to.be.within(0.95, 0.97);
    // Moved by either end of its interval, the test is at its edge; moved inside, it is not significant.
    const moved = (by: number) =>
      mannWhitney(
        s.map((v) => v - by),
        t,
        'exact',
      ).p.either;
    expect(moved(shift.interval.low - 1e-9)).to.be.at.most(0.05);
    expect(moved(shift.interval.high + 1e-9)).to.be.at.most(0.05);
    expect(moved(shift.interval.low + 1e-9)).to.be.greaterThan(0.05);
    expect(moved(shift.estimate)).to.be.greaterThan(0.9);
  });
});

describe('equivalence and planning', () => {
  it('equivalence holds exactly when its interval lies within the bounds', () => {
    const test = welchT(summarize(normals(30, 21)), summarize(normals(30, 22)), 0.95);
    for (const bound of [0.1, 0.3, 0.5, 0.7, 0.9, 1.2]) {
      const { p, interval } = equivalence(test, { low: -bound, high: bound }, 0.95);
      expect(p < 0.05).to.equal(interval.low > -bound && interval.high < bound);
    }
  });

  it('finds the smallest sample, and says when none will do', () => {
    const power = (n: number) => twoGroupsTPower(0.8, n, n, 0.05);
    // Cohen's (1988) table: d = 0.8 at 80 % power takes 26 in each group.
    expect(smallestSample(power, 0.8)).to.equal(26);
    expect(attempt(() => smallestSample(() => 0.05, 0.8)))
      .to.have.property('reason')
      .that.includes('No sample');
  });
});

describe('extreme input', () => {
  const sets: Record<string, number[][]> = {
    'one reading each': [[1], [2], [3]],
    'all equal': [
      [5, 5, 5],
      [5, 5, 5],
      [5, 5, 5],
    ],
    'one huge value': [
      [1, 2, 3],
      [2, 3, 1e300],
      [1, 1, 2],
    ],
    'tiny scale': [
      [1e-300, 3e-300, 2e-300],
      [4e-300, 5e-300, 7e-300],
      [2e-300, 2e-300, 9e-300],
    ],
    'huge scale': [
      [1e300, 3e300, 2e300],
      [4e300, 5e300, 7e300],
      [2e300, 2e300, 9e300],
    ],
    'an empty group': [[1, 2, 3], [], [4, 5, 6]],
    zeros: [
      [0, 0, 0],
      [0, 0, 0],
      [0, 0, 0],
    ],
  };
  const bad = (value: unknown, path = ''): string[] => {
    if (typeof value === 'number') return Number.isNaN(value) ? [path] : [];
    return value && typeof value === 'object' ? Object.entries(value).flatMap(([k, v]) => bad(v, `${path}.${k}`)) : [];
  };
  const procedures: Record<string, (g: number[][]) => unknown> = {
    welch: (g) => welchT(summarize(g[0]!), summarize(g[1]!), 0.95),
    paired: (g) => pairedT(g[0]!, g[2]!, 0.95),
    anova: (g) => oneWayAnova(g),
    'welch anova': (g) => welchAnova(g.map((g) => summarize(g))),
    levene: (g) => levene(g, 'median'),
    bartlett: (g) => bartlett(g.map((g) => summarize(g))),
    tukey: (g) =>
      tukeyKramer(
        g.map((g) => summarize(g)),
        0.95,
      ),
    kruskal: (g) => kruskalWallis(g),
    friedman: (g) => friedman(g),
    'mann-whitney': (g) => mannWhitney(g[0]!, g[1]!),
    'signed rank': (g) => wilcoxonSignedRank(g[0]!),
    shapiro: (g) => shapiroWilk(g[0]!),
    'two-way': (g) => twoWayAnova(g.flatMap((v, i) => v.map((value, j) => ({ a: `a${i}`, b: `b${j % 2}`, value })))),
    independence: (g) => independence(g),
  };
  for (const [name, run] of Object.entries(procedures))
    it(`${name}: an answer, or a reason in words`, () => {
      for (const [set, groups] of Object.entries(sets)) {
        const result = attempt(() => run(groups));
        if (result.ok) expect(bad(result.value), set).to.deep.equal([]);
        else expect(result.reason, set).to.match(/^\S.{15,}[.]$/);
      }
    });
});
