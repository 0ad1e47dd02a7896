/** The working of groups compared within fixed blocks. Source: Yates (1936). */
import { fisherF } from '../distributions/f';
import type { Direction } from '../procedures/direction';
import { ending } from './means';
import { judgedEnding } from './several-groups';
import { type Step, type Term, Working, constant, symbol, total } from './term';
import { nth } from '../numeric/nth';

/** What the working starts from. */
export interface BlockSums {
  readings: number;
  blocks: number;
  groups: number;
  /** Sums of squares of the groups within blocks, and of what is left. */
  group: number;
  residual: number;
}

/** A block by the readings of two groups in it. */
export type TwoInBlock = readonly [{ n: number; mean: number }, { n: number; mean: number }];

type Rule = { nullValue: number; direction: Direction } | { each: number; direction: Direction };

/** What is left of the readings once block and group are taken off. */
function left(w: Working, { readings, blocks, groups, group, residual }: BlockSums) {
  const fit = '\\text{by least squares}';
  const within = w.look(
    'sum of squares within blocks',
    'SS_W',
    '\\sum_b\\sum_i (y_{bi} - \\bar{y}_b)^2',
    group + residual,
  );
  const explained = w.look('what the groups explain of it', 'SS_G', fit, group);
  const rest = w.let('what is left', 'SS_R', within.minus(explained));
  const above = w.let('degrees of freedom of the groups', '\\nu_1', symbol('k', groups).minus(constant(1)));
  const df = w.let('degrees of freedom', '\\nu', symbol('n', readings).minus(symbol('b', blocks)).minus(above));
  const ms = w.let('mean square of what is left', 'MS_R', rest.over(df));
  return { explained, above, df, ms };
}

/** All groups together. */
export function blocksWorking(sums: BlockSums): Step[] {
  const w = new Working();
  const { explained, above, df, ms } = left(w, sums);
  const f = w.let('F', 'F', explained.over(above).over(ms));
  w.look('p', 'p', 'P\\left(F_{\\nu_1,\\,\\nu} \\ge F\\right)', fisherF(above.value, df.value).upper(f.value));
  return w.steps;
}

function finished(w: Working, difference: Term, se: Term, df: Term, level: number, rule: Rule): Step[] {
  if ('each' in rule) return judgedEnding(w, difference, se, df, level, rule);
  ending(w, difference, se, df, level, rule.nullValue, rule.direction);
  return w.steps;
}

/** The difference of two groups: of each block by how surely it tells it. */
export function twoInBlocksWorking(
  sums: BlockSums,
  blocks: readonly TwoInBlock[],
  level: number,
  rule: { nullValue: number; direction: Direction },
): Step[] {
  const w = new Working();
  const { df, ms } = left(w, sums);
  const weights = blocks.map(([a, b], i) => {
    const [p, q] = [symbol(`n_{a${i + 1}}`, a.n), symbol(`n_{b${i + 1}}`, b.n)];
    return p.times(q).over(p.plus(q));
  });
  const all = w.let(
    'weights of the blocks, added',
    'W',
    total('\\sum_b \\frac{n_{ab}\\,n_{bb}}{n_{ab} + n_{bb}}', weights),
  );
  const products = blocks.map(([a, b], i) =>
    symbol(`w_{${i + 1}}`, nth(weights, i).value).times(symbol(`d_{${i + 1}}`, a.mean - b.mean)),
  );
  const sum = w.let('each block’s difference by its weight, added', 'S', total('\\sum_b w_b\\,d_b', products));
  const difference = w.let('difference', 'd', sum.over(all));
  return finished(w, difference, w.let('standard error', 'SE', ms.over(all).root()), df, level, rule);
}

/** One difference of several groups within blocks. @param of their means and the standard error of their difference */
export function pairInBlocksWorking(
  sums: BlockSums,
  of: { means: readonly [number, number]; se: number },
  level: number,
  rule: { each: number; direction: Direction },
): Step[] {
  const w = new Working();
  const { df, ms } = left(w, sums);
  const fit = '\\text{by least squares, in all blocks alike}';
  const a = w.look('mean of the first', '\\bar{y}_a', fit, of.means[0]);
  const b = w.look('mean of the second', '\\bar{y}_b', fit, of.means[1]);
  const difference = w.let('difference', 'd', a.minus(b));
  const share = w.look(
    'variance of it, in variances of one reading',
    'c',
    '\\text{by the layout}',
    of.se ** 2 / ms.value,
  );
  return finished(w, difference, w.let('standard error', 'SE', ms.times(share).root()), df, level, rule);
}
