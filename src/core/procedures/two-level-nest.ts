import { nth } from '../numeric/nth';
import { Matrix } from 'ml-matrix';
import { chiSquare } from '../distributions/chi-square';
import { DomainError, demand } from '../numeric/domain-error';
import { findZero } from '../numeric/solve';
import { moments, sum } from '../numeric/sum';
import { there } from '../numeric/there';
import { type Interval, checkedLevel } from './interval';
import { type WaldF, cholesky, kenwardRogerF, wholeDf } from './kenward-roger';
import { type TTest, tTest } from './t-test';
import { chiSquareInterval } from './variance-intervals';

/** Readings of one inner sample: their number, their mean, and their squares about it. */
export interface InnerSample {
  n: number;
  mean: number;
  squares: number;
}

/** A sample: the place of its group, and the samples within it. */
export interface OuterSample {
  group: number;
  inner: readonly InnerSample[];
}

/** Variance of readings within inner samples, of inner samples within samples, and of samples within groups. */
export type Variances = readonly [within: number, inner: number, outer: number];

/**
 * Readings within samples within samples: y = group + sample + inner sample + reading, the last three with variances of
 * their own, by restricted maximum likelihood (Patterson & Thompson, 1971). Variances may be negative as far as the
 * readings' covariance stays positive definite, so that balanced data give the classical nested test whatever they are.
 * Tests and intervals of means after Kenward & Roger (1997), with expected information.
 *
 * A group's readings tell of its own mean alone, so that all is worked out of sums over inner samples.
 */
export interface TwoLevelNest {
  variances: Variances;
  /** Each sample's likeliest mean, and how much it tells: the inverse of its variance. */
  samples: { mean: number; weight: number }[];
  /** The same of each group, were the variances known. */
  informations: number[];
  intervals: (level: number) => [within: Interval, inner: Interval, outer: Interval];
  /** A weighted sum of the groups' means, tested against 0. */
  effect: (weights: readonly number[], level: number) => TTest;
  /** Whether all groups have one mean. */
  test: () => WaldF;
}

const places = [0, 1, 2] as const;

/** What the likelihood's derivatives need of one sample, at some variances. */
interface Told {
  /** 1'C⁻¹1, of the means of inner samples with covariance C. */
  weight: number;
  /** 1'C⁻¹C_kC⁻¹1, by the derivative C_k of C. */
  falls: number[];
  /** 1'C⁻¹C_kC⁻¹C_lC⁻¹1 and tr C⁻¹C_kC⁻¹C_l. */
  twice: number[][];
  traces: number[][];
  /** tr C⁻¹C_k. */
  trace: number[];
  logDeterminant: number;
  /** 1'C⁻¹m. */
  towards: number;
}

const at = (xs: readonly number[], i: number): number => there(xs[i], 'A number');
const square = (): number[][] => places.map(() => [0, 0, 0]);

/** Undefined where these variances are not possible. */
function toldBy({ inner }: OuterSample, [within, between, outer]: Variances): Told | undefined {
  let [s, towards, logs, readings] = [0, 0, 0, 0];
  for (const { n, mean } of inner) {
    const d = between + within / n;
    if (!(d > 0)) return undefined;
    s += 1 / d;
    towards += mean / d;
    logs += Math.log(n * d);
    readings += n;
  }
  const shrink = 1 + outer * s;
  if (!(shrink > 0)) return undefined;
  const c = outer / shrink;
  const weight = s / shrink;
  // With a = 1/d and b = a/shrink, sums of the diagonal derivatives: q = 1/n by the variance within, 1 by the inner one.
  let [a2, qa2, b3, qb3, qqb3, r, qr, qqr] = [0, 0, 0, 0, 0, 0, 0, 0];
  let [trace, qTrace] = [0, 0];
  for (const { n } of inner) {
    const q = 1 / n;
    const a = 1 / (between + within * q);
    const cube = a * a * a;
    const cross = a * a - 2 * c * cube;
    const single = a - c * a * a;
    a2 += a * a;
    qa2 += q * a * a;
    b3 += cube;
    qb3 += q * cube;
    qqb3 += q * q * cube;
    r += cross;
    qr += q * cross;
    qqr += q * q * cross;
    trace += single;
    qTrace += q * single;
  }
  const shrunk = shrink ** 2;
  const [f0, f1] = [qa2 / shrunk, a2 / shrunk];
  const own = (readings - inner.length) / within;
  return {
    weight,
    falls: [f0, f1, weight ** 2],
    twice: [
      [(qqb3 - c * qa2 * qa2) / shrunk, (qb3 - c * qa2 * a2) / shrunk, weight * f0],
      [(qb3 - c * qa2 * a2) / shrunk, (b3 - c * a2 * a2) / shrunk, weight * f1],
      [weight * f0, weight * f1, weight ** 3],
    ],
    traces: [
      [qqr + c * c * qa2 * qa2 + own / within, qr + c * c * qa2 * a2, f0],
      [qr + c * c * qa2 * a2, r + c * c * a2 * a2, f1],
      [f0, f1, weight ** 2],
    ],
    trace: [own + qTrace, trace, weight],
    logDeterminant: logs + (readings - inner.length) * Math.log(within) + Math.log(shrink),
    towards: towards / shrink,
  };
}

/** r'V⁻¹r, and r'V⁻¹V_kV⁻¹r, of a sample's readings less their group's mean. */
function squaresOf({ inner }: OuterSample, [within, between, outer]: Variances, mean: number): [number, number[]] {
  let [s, t, whole, plain] = [0, 0, 0, 0];
  for (const { n, mean: m, squares } of inner) {
    const a = 1 / (between + within / n);
    s += a;
    t += a * (m - mean);
    plain += a * (m - mean) ** 2;
    whole += squares;
  }
  const pulled = (outer / (1 + outer * s)) * t;
  let [byWithin, byInner] = [whole / within ** 2, 0];
  for (const { n, mean: m } of inner) {
    const e = (m - mean - pulled) / (between + within / n);
    byWithin += (e * e) / n;
    byInner += e * e;
  }
  return [whole / within + plain - pulled * t, [byWithin, byInner, (t / (1 + outer * s)) ** 2]];
}

interface Fit {
  variances: Variances;
  logLikelihood: number;
  score: number[];
  /** Expected information of the variances. */
  information: Matrix;
  groups: { mean: number; weight: number; falls: number[]; twice: number[][] }[];
}

/** The restricted likelihood at some variances; undefined where they are not possible. */
function likelihoodAt(samples: readonly OuterSample[], groups: number, variances: Variances): Fit | undefined {
  if (!(variances[0] > 0)) return undefined;
  const told: Told[] = [];
  for (const sample of samples) {
    const one = toldBy(sample, variances);
    if (!one) return undefined;
    told.push(one);
  }
  const own = Array.from({ length: groups }, () => ({ weight: 0, towards: 0, falls: [0, 0, 0], twice: square() }));
  const information = Matrix.zeros(3, 3);
  const score = [0, 0, 0];
  let logLikelihood = 0;
  told.forEach((one, i) => {
    const group = there(own[there(samples[i], 'a sample').group], 'a group');
    group.weight += one.weight;
    group.towards += one.towards;
    logLikelihood -= one.logDeterminant / 2;
    for (const k of places) {
      group.falls[k] = at(group.falls, k) + at(one.falls, k);
      score[k] = at(score, k) - at(one.trace, k) / 2;
      for (const l of places) {
        const row = there(group.twice[k], 'a row');
        row[l] = at(row, l) + at(there(one.twice[k], 'a row'), l);
        information.set(k, l, information.get(k, l) + at(there(one.traces[k], 'a row'), l) / 2);
      }
    }
  });
  const found = own.map(({ weight, towards, falls, twice }) => ({ mean: towards / weight, weight, falls, twice }));
  for (const { weight, falls, twice } of found) {
    logLikelihood -= Math.log(weight) / 2;
    for (const k of places) {
      score[k] = at(score, k) + at(falls, k) / weight / 2;
      for (const l of places)
        information.set(
          k,
          l,
          information.get(k, l) -
            at(there(twice[k], 'a row'), l) / weight +
            (at(falls, k) * at(falls, l)) / weight ** 2 / 2,
        );
    }
  }
  for (const sample of samples) {
    const [whole, falls] = squaresOf(sample, variances, there(found[sample.group], 'a group').mean);
    logLikelihood -= whole / 2;
    for (const k of places) score[k] = at(score, k) + at(falls, k) / 2;
  }
  return { variances, logLikelihood, score, information, groups: found };
}

/**
 * Climbs to the greatest likelihood by Fisher's scoring, some variances held where they are.
 * @returns undefined where there is none inside what is possible
 */
function climbed(
  samples: readonly OuterSample[],
  groups: number,
  from: Variances,
  free: readonly (0 | 1 | 2)[] = places,
): Fit | undefined {
  let here = likelihoodAt(samples, groups, from);
  for (let turn = 0; here && turn < 400; turn++) {
    const inner = cholesky(here.information.selection([...free], [...free]));
    if (!inner.isPositiveDefinite()) return undefined;
    const slope = Matrix.columnVector(free.map((k) => at(there(here, 'A fit').score, k)));
    const step = inner.solve(slope);
    const rise = Matrix.mul(step, slope).sum();
    if (rise < 1e-22) return here;
    let next: Fit | undefined;
    for (let share = 1; share > 1e-9; share /= 2) {
      const to = [...here.variances] as [number, number, number];
      free.forEach((k, i) => (to[k] += share * step.get(i, 0)));
      next = likelihoodAt(samples, groups, to);
      if (next && next.logLikelihood >= here.logLikelihood - 1e-13 * Math.abs(here.logLikelihood)) break;
      next = undefined;
    }
    // What rounding leaves is as near as it gets.
    if (!next) return rise < 1e-12 ? here : undefined;
    here = next;
  }
  return undefined;
}

/** Where the climb begins: the mean squares of the three levels, as if balanced. */
function start(samples: readonly OuterSample[], groups: number): Variances {
  const inner = samples.flatMap((s) => s.inner);
  const readings = sum(inner.map((x) => x.n));
  const within = sum(inner.map((x) => x.squares)) / (readings - inner.length);
  const means = samples.map((s) => moments(s.inner.map((x) => x.mean)));
  const between = sum(means.map((m) => m.sumOfSquares)) / Math.max(1, inner.length - samples.length);
  const outer =
    sum(
      Array.from(
        { length: groups },
        (_, g) => moments(means.flatMap((m, i) => (samples[i]?.group === g ? [m.mean] : []))).sumOfSquares,
      ),
    ) / Math.max(1, samples.length - groups);
  const each = readings / inner.length;
  return [within, Math.max(between - within / each, within / each / 10), Math.max(outer, within / 10)];
}

/**
 * @param samples the outer samples, each within one group
 * @throws DomainError where two levels are one, or the likelihood has no inner maximum
 */
export function twoLevelNest(given: readonly OuterSample[], groups: number): TwoLevelNest {
  const all = given.flatMap((s) => s.inner);
  demand(
    all.some((x) => x.n > 1),
    'Every inner sample has one reading, so that readings and inner samples are one level.',
  );
  demand(
    given.some((s) => s.inner.length > 1),
    'Every sample has one inner sample, so that these are one level.',
  );
  // Near zero and of spread one, so that sums keep their digits and steps their size; taken back afterwards.
  const readings = sum(all.map((x) => x.n));
  const centre = sum(all.map((x) => x.n * x.mean)) / readings;
  const spread = Math.sqrt(sum(all.map((x) => x.squares + x.n * (x.mean - centre) ** 2)) / readings);
  demand(spread > 0, 'All readings are the same: there is no spread.');
  const samples = given.map((s) => ({
    group: s.group,
    inner: s.inner.map((x) => ({ n: x.n, mean: (x.mean - centre) / spread, squares: x.squares / spread ** 2 })),
  }));
  demand(
    sum(samples.flatMap((s) => s.inner.map((x) => x.squares))) > 0,
    'Within every inner sample all readings are the same: then each counts once, by its mean.',
  );
  const first = start(samples, groups);
  const starts: Variances[] = [first, [first[0], first[1], first[2] / 20], [first[0], first[1] / 20, first[2]]];
  const best = starts
    .flatMap((from) => climbed(samples, groups, from) ?? [])
    .sort((a, b) => b.logLikelihood - a.logLikelihood)[0];
  if (!best)
    throw new DomainError(
      'The likelihood of the three variances has no greatest value inside what is possible: there are too few samples.',
    );
  return fitted(samples, best, { centre, spread });
}

function fitted(
  samples: readonly OuterSample[],
  best: Fit,
  { centre, spread }: { centre: number; spread: number },
): TwoLevelNest {
  const { groups, variances } = best;
  const k = groups.length;
  const w = cholesky(best.information).solve(Matrix.eye(3));
  // Every group's mean stands by itself, so that all is diagonal: Φ, and the derivatives by the variances.
  const phi = groups.map((g) => 1 / g.weight);
  const overVariances = (each: (a: number, b: number) => number): number =>
    sum(places.flatMap((a) => places.map((b) => w.get(a, b) * each(a, b))));
  const adjusted = groups.map(({ weight, falls, twice }) => {
    const more = overVariances((a, b) => at(there(twice[a], 'a row'), b) - (at(falls, a) * at(falls, b)) / weight);
    return 1 / weight + (2 * more) / weight ** 2;
  });
  const moved = places.map((a) => groups.map(({ weight, falls }) => at(falls, a) / weight ** 2));

  const effect = (weights: readonly number[], level: number): TTest => {
    const of = (each: readonly number[]): number => sum(each.map((x, g) => x * nth(weights, g) ** 2));
    const whichVariance = of(phi);
    const a2 = overVariances(
      (a, b) => (of(there(moved[a], 'a row')) * of(there(moved[b], 'a row'))) / whichVariance ** 2,
    );
    const estimate = sum(groups.map((g, i) => (g.mean * spread + centre) * nth(weights, i)));
    return tTest(estimate, Math.sqrt(of(adjusted)) * spread, wholeDf(2 / a2, 1e-7), level);
  };
  const test = (): WaldF => {
    const l = k - 1;
    const rows = new Matrix(
      Array.from({ length: l }, (_, i) => groups.map((_g, j) => Number(j === 0) - Number(j === i + 1))),
    );
    const diagonal = (each: readonly number[]): Matrix => Matrix.diag([...each]);
    const within = (each: readonly number[]): Matrix => rows.mmul(diagonal(each)).mmul(rows.transpose());
    const theta = rows.transpose().mmul(cholesky(within(phi)).solve(rows));
    const parts = moved.map((each) => theta.mmul(diagonal(each)));
    const part = (a: number): Matrix => there(parts[a], 'a part');
    const a1 = overVariances((a, b) => part(a).trace() * part(b).trace());
    const a2 = overVariances((a, b) => Matrix.mul(part(a), part(b).transpose()).sum());
    const seen = rows.mmul(Matrix.columnVector(groups.map((g) => g.mean)));
    const squared = Matrix.mul(seen, cholesky(within(adjusted)).solve(seen)).sum();
    return kenwardRogerF(squared, l, [a1, a2], 1e-7);
  };
  const scale = spread ** 2;
  return {
    variances: variances.map((x) => x * scale) as unknown as Variances,
    samples: samples.map((sample) => {
      const { weight, towards } = there(toldBy(sample, variances), 'A sample');
      return { mean: (towards / weight) * spread + centre, weight: weight / scale };
    }),
    informations: groups.map((g) => g.weight / scale),
    intervals: (level: number): [Interval, Interval, Interval] => {
      const within = chiSquareInterval(variances[0], (2 * variances[0] ** 2) / w.get(0, 0), checkedLevel(level));
      const back = ({ low, high }: Interval): Interval => ({ low: low * scale, high: high * scale });
      return [
        back(within),
        back(profileInterval(samples, best, 1, w.get(1, 1), level)),
        back(profileInterval(samples, best, 2, w.get(2, 2), level)),
      ];
    },
    effect,
    test,
  };
}

/** More inner samples than this tell a variance well enough for its standard error to give the interval. */
const many = 400;

/**
 * Profile likelihood interval of one variance, the other two at their likeliest for each; of very many samples, by its
 * standard error, which then comes to the same.
 * @param error its squared error
 */
function profileInterval(
  samples: readonly OuterSample[],
  best: Fit,
  of: 1 | 2,
  error: number,
  level: number,
): Interval {
  const free = places.filter((k) => k !== of);
  const height = best.logLikelihood - chiSquare(1).upperQuantile(1 - level) / 2;
  const top = best.variances[of];
  if (sum(samples.map((s) => s.inner.length)) > many) {
    const reach = Math.sqrt(chiSquare(1).upperQuantile(1 - level) * error);
    return { low: top - reach, high: top + reach };
  }
  let from = best;
  const curve = (x: number): number | undefined => {
    for (const grown of [1, 2, 8]) {
      const variances = [...from.variances] as [number, number, number];
      variances[of] = x;
      // Further down a variance can go only where those beneath it are larger.
      if (x < from.variances[of]) for (const k of free) variances[k] = Math.abs(variances[k]) * grown;
      const found = climbed(samples, best.groups.length, variances, free);
      if (found) {
        from = found;
        return found.logLikelihood;
      }
    }
    return undefined;
  };
  const end = (way: 1 | -1): number => {
    from = best;
    let inside = top;
    for (let step = 0; step < 40; step++) {
      const x = top + way * Math.sqrt(error) * 0.5 * 1.35 ** step;
      const here = curve(x);
      if (here === undefined) return inside;
      if (here < height) return findZero((to) => (curve(to) ?? -Infinity) - height, inside, x, 1e-7);
      inside = x;
    }
    return inside;
  };
  return { low: end(-1), high: end(1) };
}
