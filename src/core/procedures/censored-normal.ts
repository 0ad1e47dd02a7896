import { nth } from '../numeric/nth';
import { chiSquare } from '../distributions/chi-square';
import { normal } from '../distributions/normal';
import { demand } from '../numeric/domain-error';
import { findZero } from '../numeric/solve';
import { sum } from '../numeric/sum';
import { there } from '../numeric/there';
import { type Interval, checkedLevel } from './interval';
import { tally } from '../numeric/tally';

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

/** What the likelihood needs of a group: its readings by their number, mean and sum of squares, and how many lie below each limit. */
interface Summed {
  n: number;
  mean: number;
  squares: number;
  limits: { value: number; count: number }[];
}

function summed(group: readonly Censored[], centre: number, scale: number): Summed {
  // Readings in units near 1, so that one start serves all.
  const seen = group.flatMap((r) => (r.below ? [] : [(r.value - centre) / scale]));
  const counts = new Map<number, number>();
  for (const r of group) if (r.below) tally(counts, (r.value - centre) / scale);
  const mean = sum(seen) / seen.length;
  return {
    n: seen.length,
    mean,
    squares: sum(seen.map((v) => (v - mean) ** 2)),
    limits: [...counts].map(([value, count]) => ({ value, count })),
  };
}

/** One of the likelihood's terms: how it falls with the residual, and how it bends, at a distance from the group's shift. */
interface Term {
  weight: number;
  distance: number;
  slope: number;
}

/** A fit in the units of the summed groups: the means it has, each in standard deviations, and one over the deviation. */
interface Fit {
  height: number;
  means: number[];
  gamma: number;
}

/** The likelihood of means and 1/σ, with the step that Newton's method takes from there. */
function looked(groups: readonly Summed[], own: readonly number[], shifts: readonly number[], { means, gamma }: Fit) {
  let height = 0;
  // Each mean bends with itself and with 1/σ alone, so that the equations are solved one mean at a time.
  const terms = means.map((): Term[] => []);
  let [rise, bend] = [0, 0];
  groups.forEach(({ n, mean, squares, limits }, g) => {
    const to = there(terms[nth(own, g)], 'a mean');
    const [delta, shift] = [nth(means, nth(own, g)), nth(shifts, g)];
    const distance = mean - shift;
    const residual = gamma * distance - delta;
    height += n * Math.log(gamma) - (gamma ** 2 * squares + n * residual ** 2) / 2;
    to.push({ weight: n, distance, slope: -n * residual });
    rise += n / gamma - gamma * squares;
    bend += n / gamma ** 2 + squares;
    for (const { value, count } of limits) {
      const r = gamma * (value - shift) - delta;
      const log = normal.logUpper(-r);
      const hazard = Math.exp(-(r * r) / 2 - log) / Math.sqrt(2 * Math.PI);
      height += count * log;
      to.push({ weight: count * hazard * (hazard + r), distance: value - shift, slope: count * hazard });
    }
  });
  const solved = terms.map((of) => {
    // A mean that is no group's own stays where it is.
    if (of.length === 0) return { centre: 0, by: 0 };
    const weight = sum(of.map((t) => t.weight));
    const centre = sum(of.map((t) => t.weight * t.distance)) / weight;
    for (const { weight: w, distance, slope } of of) {
      rise += slope * (distance - centre);
      bend += w * (distance - centre) ** 2;
    }
    return { centre, by: -sum(of.map((t) => t.slope)) / weight };
  });
  const turn = rise / bend;
  return { height, step: { gamma: turn, means: solved.map(({ centre, by }) => by + centre * turn) } };
}

/** Newton's step is so small that the next would be below all digits. */
const settled = 1e-10;

/**
 * The likeliest means and spread. In 1/σ and μ/σ the log-likelihood is concave (Olsen, 1978), so that Newton's steps,
 * halved where they overshoot, find its one top.
 * @param own for each group which of the means is its own
 * @param shifts what is added to each group's mean: a stated difference
 * @param start where to begin; the nearer the top, the fewer steps
 */
function fit(
  groups: readonly Summed[],
  own: readonly number[],
  shifts: readonly number[],
  start: Omit<Fit, 'height'>,
): Fit {
  let here: Fit = { ...start, height: -Infinity };
  let at = looked(groups, own, shifts, here);
  here.height = at.height;
  for (let round = 0; round < 200; round++) {
    const { step } = at;
    let size = 1;
    let next = here;
    do {
      const gamma = here.gamma + size * step.gamma;
      next = { height: -Infinity, gamma, means: here.means.map((m, i) => m + size * nth(step.means, i)) };
      if (gamma > 0) {
        at = looked(groups, own, shifts, next);
        next.height = at.height;
      }
      size /= 2;
    } while (!(next.height >= here.height - 1e-12 * Math.max(1, Math.abs(here.height))) && size > 1e-12);
    here = next;
    if (Math.max(Math.abs(step.gamma), ...step.means.map(Math.abs)) < settled) break;
  }
  return here;
}

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
  const all = groups.flat().map((r) => r.value);
  const centre = sum(all) / all.length;
  const scale = Math.sqrt(sum(all.map((v) => (v - centre) ** 2)) / all.length) || 1;
  const known = groups.map((g) => summed(g, centre, scale));
  const counted = sum(known.map(({ n }) => n));
  const logLikelihood = ({ height }: Fit): number => height - counted * (Math.log(scale) + Math.log(2 * Math.PI) / 2);
  const places = groups.map((_, g) => g);
  const none = places.map(() => 0);
  const free = fit(known, places, none, { means: none, gamma: 1 });
  const same = fit(
    known,
    places.map(() => 0),
    none,
    { means: [0], gamma: 1 },
  );
  const means = free.means.map((m) => centre + (m / free.gamma) * scale);
  const sd = scale / free.gamma;
  const chi2 = Math.max(0, 2 * (logLikelihood(free) - logLikelihood(same)));
  const difference = (a: number, b: number, level: number) => {
    const estimate = there(means[a], 'a mean') - there(means[b], 'a mean');
    // All means but one of the two are free; that one is the other with a stated difference.
    const own = places.map((g) => (g === a ? b : g));
    const profile = (d: number): number =>
      logLikelihood(
        fit(
          known,
          own,
          places.map((g) => (g === a ? d / scale : 0)),
          free,
        ),
      );
    const top = logLikelihood(free);
    const height = top - chiSquare(1).upperQuantile(1 - checkedLevel(level)) / 2;
    const end = (sign: 1 | -1): number => {
      let reach = sd;
      while (profile(estimate + sign * reach) > height && reach < 1e9 * sd) reach *= 2;
      return findZero((d) => profile(d) - height, estimate, estimate + sign * reach, 1e-10);
    };
    const fall = Math.max(0, 2 * (top - profile(0)));
    return {
      estimate,
      interval: { low: end(-1), high: end(1) },
      chi2: fall,
      p: Math.max(chiSquare(1).upper(fall), Number.MIN_VALUE),
    };
  };
  return {
    means,
    sd,
    logLikelihood: logLikelihood(free),
    chi2,
    df: k - 1,
    p: Math.max(chiSquare(k - 1).upper(chi2), Number.MIN_VALUE),
    difference,
  };
}
