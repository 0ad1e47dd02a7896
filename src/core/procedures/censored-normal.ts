import { nth } from '../numeric/nth';
import { chiSquare } from '../distributions/chi-square';
import { normal } from '../distributions/normal';
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { demand } from '../numeric/domain-error';
import { findZero } from '../numeric/solve';
import { sum } from '../numeric/sum';
import { there } from '../numeric/there';
import { type Interval, checkedLevel } from './interval';
import { addTo } from '../numeric/add-to';

/** A reading, or all that is known of one: that it lies below a limit. */
export interface Censored {
  value: number;
  below: boolean;
}

export interface CensoredNormal {
  means: number[];
  /** The spread the groups share. */
  sd: number;
  logLikelihood: number;
}

export interface CensoredComparison extends CensoredNormal {
  /** Of the hypothesis that all means are the same: twice the fall of the log-likelihood. */
  chi2: number;
  df: number;
  p: number;
  /** The first mean less the second, and so on: by profile likelihood. */
  difference: (
    a: number,
    b: number,
    level: number,
  ) => { estimate: number; interval: Interval; chi2: number; p: number };
}

/**
 * Means of normal readings of which some are known only to lie below a limit of detection, with one spread, by maximum
 * likelihood (Cohen, 1959). In 1/σ and μ/σ the log-likelihood is concave (Olsen, 1978), so that Newton's steps, halved
 * where they overshoot, find its one top.
 * @param design for each group the weights of the means it takes its own from; each group its own where missing
 * @param offset what is added to each group's mean: a stated difference
 */
function fit(
  groups: readonly (readonly Censored[])[],
  design: readonly (readonly number[])[],
  offset: readonly number[],
): CensoredNormal & { coefficients: number[] } {
  const p = there(design[0], 'a group').length;
  const all = groups.flat().map((r) => r.value);
  const centre = sum(all) / all.length;
  const scale = Math.sqrt(sum(all.map((v) => (v - centre) ** 2)) / all.length) || 1;
  // Readings in units near 1, so that one start serves all.
  const z = groups.map((g) => g.map((r) => ({ value: (r.value - centre) / scale, below: r.below })));
  const moved = offset.map((o) => o / scale);
  const at = (theta: readonly number[]) => {
    const gamma = there(theta[p], 'a scale');
    const gradient = new Array<number>(p + 1).fill(0);
    const curvature = Matrix.zeros(p + 1, p + 1);
    let height = 0;
    z.forEach((group, g) => {
      const weights = there(design[g], 'a design');
      const shift = nth(moved, g);
      const mean = sum(weights.map((w, j) => w * there(theta[j], 'a mean')));
      for (const { value, below } of group) {
        // The residual in standard deviations, γ(y − shift) − δ, and how it moves with each parameter.
        const distance = value - shift;
        const r = gamma * distance - mean;
        let [slope, bend] = [-r, -1];
        if (below) {
          const log = normal.logUpper(-r);
          const hazard = Math.exp(-(r * r) / 2 - log) / Math.sqrt(2 * Math.PI);
          height += log;
          [slope, bend] = [hazard, -hazard * (hazard + r)];
        } else height += Math.log(gamma) - (r * r) / 2;
        const moves = [...weights.map((w) => -w), distance];
        for (let i = 0; i <= p; i++) {
          addTo(gradient, i, slope * nth(moves, i));
          for (let j = 0; j <= p; j++) curvature.set(i, j, curvature.get(i, j) - bend * nth(moves, i) * nth(moves, j));
        }
        if (!below) {
          addTo(gradient, p, 1 / gamma);
          curvature.set(p, p, curvature.get(p, p) + 1 / gamma ** 2);
        }
      }
    });
    return { height, gradient, curvature };
  };
  let theta = [...new Array<number>(p).fill(0), 1];
  let here = at(theta);
  for (let round = 0; round < 200; round++) {
    const step = new CholeskyDecomposition(here.curvature).solve(Matrix.columnVector(here.gradient)).to1DArray();
    let size = 1;
    let next = theta;
    let next_ = here;
    do {
      next = theta.map((t, i) => t + size * nth(step, i));
      if (nth(next, p) > 0) next_ = at(next);
      size /= 2;
    } while ((nth(next, p) <= 0 || next_.height < here.height - 1e-12) && size > 1e-12);
    const change = Math.max(...step.map(Math.abs));
    theta = next;
    here = next_;
    if (change < 1e-12) break;
  }
  const gamma = there(theta[p], 'a scale');
  const coefficients = theta.slice(0, p).map((d) => (d / gamma) * scale);
  const means = design.map(
    (weights, g) => centre + nth(offset, g) + sum(weights.map((w, j) => w * nth(coefficients, j))),
  );
  const counted = groups.flat().filter((r) => !r.below).length;
  return {
    means,
    coefficients,
    sd: scale / gamma,
    logLikelihood: here.height - counted * (Math.log(scale) + Math.log(2 * Math.PI) / 2),
  };
}

const ownMeans = (k: number): number[][] =>
  Array.from({ length: k }, (_, i) => Array.from({ length: k }, (_, j) => (i === j ? 1 : 0)));

/**
 * Compares groups with readings below a limit of detection by the likelihood of what is known of them. Assumes normal
 * readings with one spread, also of those below the limit, and as many readings as make the likelihood ratio chi-square.
 * @throws DomainError where a group has no reading above its limits, or nothing shows the spread
 */
export function censoredNormal(groups: readonly (readonly Censored[])[]): CensoredComparison {
  const k = groups.length;
  demand(k >= 2, 'At least two groups are needed.');
  const seen = groups.map((g) => g.filter((r) => !r.below));
  demand(
    seen.every((g) => g.length > 0),
    'A group has no reading above the limit of detection, so that its mean cannot be told: compare the shares beyond the limit, or by ranks.',
  );
  demand(
    seen.some((g) => new Set(g.map((r) => r.value)).size > 1),
    'The readings above the limit are the same within every group, so that there is no spread to judge by.',
  );
  const none = new Array<number>(k).fill(0);
  const free = fit(groups, ownMeans(k), none);
  const same = fit(
    groups,
    groups.map(() => [1]),
    none,
  );
  const chi2 = Math.max(0, 2 * (free.logLikelihood - same.logLikelihood));
  const difference = (a: number, b: number, level: number) => {
    const estimate = there(free.means[a], 'a mean') - there(free.means[b], 'a mean');
    // All means but one of the two are free; that one is the other with a stated difference.
    const kept = ownMeans(k).map((row) => row.filter((_, j) => j !== a));
    const design = kept.map((row, g) => (g === a ? there(kept[b], 'a group') : row));
    const profile = (d: number): number =>
      fit(
        groups,
        design,
        none.map((_, g) => (g === a ? d : 0)),
      ).logLikelihood;
    const height = free.logLikelihood - chiSquare(1).upperQuantile(1 - checkedLevel(level)) / 2;
    const end = (sign: 1 | -1): number => {
      let reach = free.sd;
      while (profile(estimate + sign * reach) > height && reach < 1e9 * free.sd) reach *= 2;
      return findZero((d) => profile(d) - height, estimate, estimate + sign * reach, 1e-10);
    };
    const fall = Math.max(0, 2 * (free.logLikelihood - profile(0)));
    return {
      estimate,
      interval: { low: end(-1), high: end(1) },
      chi2: fall,
      p: Math.max(chiSquare(1).upper(fall), Number.MIN_VALUE),
    };
  };
  return { ...free, chi2, df: k - 1, p: Math.max(chiSquare(k - 1).upper(chi2), Number.MIN_VALUE), difference };
}
