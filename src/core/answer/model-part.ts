/** What a mixed model's fit tells of its variances, and what it leaves of readings within subjects. */
import type { RandomIntercept } from '../procedures/random-intercept';
import { crossed, even, lessFirst } from './cell-weights';
import type { Comparison, ModelPart, Test } from './comparison';
import type { GroupPart } from './group-part';

/** The variances with their intervals. */
export function variancesOf(fit: RandomIntercept, level: number): NonNullable<ModelPart['variances']> {
  const told = fit.intervals(level);
  return {
    within: { variance: fit.within, interval: told.within },
    between: { variance: fit.between, interval: told.between },
    icc: { value: fit.icc, interval: told.icc },
  };
}

/**
 * Two factors and their interaction, of a fit with a mean for each cell. Main effects are of the plain means of the cells,
 * as in type III.
 * @param names of the factors; @param k how many levels the first has; @param c the second
 */
export function testsOfFactors(
  fit: RandomIntercept,
  [a, b]: readonly [string, string],
  k: number,
  c: number,
): [Test, Test, Test] {
  const tested = (of: string, rows: readonly (readonly number[])[]): Test => {
    const { f, df1, df2, p } = fit.test(rows);
    return { of, symbol: 'F', value: f, df: [df1, df2], p };
  };
  const [first, second] = [lessFirst(k), lessFirst(c)];
  return [
    tested(
      a,
      first.map((x) => crossed(x, even(c))),
    ),
    tested(
      b,
      second.map((y) => crossed(even(k), y)),
    ),
    tested(
      `${a} × ${b}`,
      first.flatMap((x) => second.map((y) => crossed(x, y))),
    ),
  ];
}

/**
 * Every reading less its mean and what its subject adds, as far as that is told from the subject's readings.
 * @param left for each subject its readings less the means they are of
 */
export const conditionalResiduals = (
  { within, between }: RandomIntercept,
  left: readonly (readonly number[])[],
): number[] =>
  left.flatMap((own) => {
    const shift = (between / (within + own.length * between)) * own.reduce((s, e) => s + e, 0);
    return own.map((e) => e - shift);
  });

/** The groups as a model took them: with its means, their standard errors and intervals. */
export const asModelled = (groups: readonly GroupPart[], { model }: Comparison): GroupPart[] =>
  groups.map((g, i) => {
    const found = model?.groups[i];
    if (!found) return g;
    const { mean, interval, se, samples: count, effectiveN } = found;
    return {
      ...g,
      interval,
      se,
      ...(count === undefined
        ? {}
        : { samples: { count, name: model.of, ...(effectiveN === undefined ? {} : { effectiveN }) } }),
      ...(g.description ? { description: { ...g.description, mean } } : {}),
      ...(g.summary ? { summary: { ...g.summary, mean } } : {}),
    };
  });
