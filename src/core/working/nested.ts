/** The working of samples with several readings each: variances as found, then what can be followed by hand. */
import { fisherF } from '../distributions/f';
import type { Direction } from '../procedures/direction';
import type { Test } from '../answer/comparison';
import { ending } from './means';
import { judgedEnding } from './several-groups';
import { type Step, type Term, Working, constant, symbol, total } from './term';
import { nth } from '../numeric/nth';

/** The variances within samples and between them. */
export interface Variances {
  within: number;
  /** Of samples within the samples, where there are such. */
  inner?: number;
  between: number;
}

/** A group's samples, each by its number of readings and their mean. */
export type Samples = readonly { n: number; mean: number; weight?: number }[];

function variances(w: Working, { within, inner, between }: Variances, of = 'samples'): { within: Term; between: Term } {
  const likeliest = '\\text{at the greatest restricted likelihood}';
  if (inner !== undefined) w.look('variance of samples within them', '\\sigma_i^2', likeliest, inner);
  return {
    within: w.look(`variance within ${of}`, '\\sigma_w^2', likeliest, within),
    between: w.look(`variance between ${of}`, '\\sigma_b^2', likeliest, between),
  };
}

/** The mean of a group, its samples weighted by how surely each is known. */
function groupMean(w: Working, mark: string, samples: Samples, found: { within: Term; between: Term }): [Term, Term] {
  const weights = samples.map(({ n, weight }, i) => {
    if (weight !== undefined) return symbol(`w_{${mark}${i + 1}}`, weight);
    const size = symbol(`n_{${mark}${i + 1}}`, n);
    return size.over(found.within.plus(size.times(found.between)));
  });
  const all = w.let(
    `weights of the samples of group ${mark}, added`,
    `W_${mark}`,
    total(
      samples.some((s) => s.weight !== undefined)
        ? `\\sum_i w_{${mark}i}`
        : `\\sum_i \\frac{n_{${mark}i}}{\\sigma_w^2 + n_{${mark}i}\\,\\sigma_b^2}`,
      weights,
    ),
  );
  const products = samples.map(({ mean }, i) =>
    symbol(`w_{${mark}${i + 1}}`, nth(weights, i).value).times(symbol(`\\bar{y}_{${mark}${i + 1}}`, mean)),
  );
  const sum = w.let(
    'each sample’s mean by its weight, added',
    `S_${mark}`,
    total(`\\sum_i w_{${mark}i}\\,\\bar{y}_{${mark}i}`, products),
  );
  return [w.let(`mean of group ${mark}`, `\\bar{y}_${mark}`, sum.over(all)), all];
}

/**
 * A difference of two groups under the mixed model. Source: Kenward & Roger (1997).
 * @param effect its standard error and degrees of freedom, which allow for the variances being estimated
 * @param rule what is tested; of one comparison among several, what its interval may err by
 */
export function nestedPairWorking(
  a: Samples,
  b: Samples,
  found: Variances,
  effect: { se: number; df: number },
  level: number,
  rule: { nullValue: number; direction: Direction } | { each: number; direction: Direction },
): Step[] {
  const w = new Working();
  const known = variances(w, found);
  const [meanA, weightA] = groupMean(w, 'a', a, known);
  const [meanB, weightB] = groupMean(w, 'b', b, known);
  const one = constant(1);
  const difference = w.let('difference', 'd', meanA.minus(meanB));
  w.let('standard error, were the variances known', 'SE_0', one.over(weightA).plus(one.over(weightB)).root());
  const allowed = '\\text{Kenward–Roger}';
  const se = w.look('standard error, the variances being estimated', 'SE', allowed, effect.se);
  const df = w.look('degrees of freedom', '\\nu', allowed, effect.df);
  if ('each' in rule) return judgedEnding(w, difference, se, df, level, rule);
  ending(w, difference, se, df, level, rule.nullValue, rule.direction);
  return w.steps;
}

/**
 * All means together.
 * @param of what readings stand within: "samples"
 */
export function modelTestWorking(
  found: Variances,
  { value = NaN, df: [df1 = NaN, df2 = NaN] }: Test,
  of: string,
): Step[] {
  const w = new Working();
  variances(w, found, of);
  const allowed = '\\text{Kenward–Roger}';
  const below = w.look('degrees of freedom below', '\\nu_2', allowed, df2);
  const f = w.look('all differences of means by their covariance', 'F', allowed, value);
  w.look('p', 'p', `P\\left(F_{${df1},\\,${below.tex}} \\ge ${f.tex}\\right)`, fisherF(df1, df2).upper(value));
  return w.steps;
}

/**
 * A difference of two conditions, or of two groups within blocks, under the mixed model, from its standard error on.
 * @param rule what is tested; of one comparison among several, what its interval may err by
 * @param found the variances, of blocks, where they are not worked out before
 */
export function modelPairWorking(
  means: readonly [number, number],
  effect: { se: number; df: number },
  level: number,
  rule: { nullValue: number; direction: Direction } | { each: number; direction: Direction },
  found?: Variances,
): Step[] {
  const w = new Working();
  if (found) variances(w, found, 'blocks');
  const likeliest = '\\text{at the greatest restricted likelihood}';
  const a = w.look('mean of the first', '\\bar{y}_a', likeliest, means[0]);
  const b = w.look('mean of the second', '\\bar{y}_b', likeliest, means[1]);
  const difference = w.let('difference', 'd', a.minus(b));
  const allowed = '\\text{Kenward–Roger}';
  const se = w.look('standard error', 'SE', allowed, effect.se);
  const df = w.look('degrees of freedom', '\\nu', allowed, effect.df);
  if ('each' in rule) return judgedEnding(w, difference, se, df, level, rule);
  ending(w, difference, se, df, level, rule.nullValue, rule.direction);
  return w.steps;
}
