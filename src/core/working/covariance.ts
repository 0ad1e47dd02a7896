/** The working of means adjusted for a covariate. Source: Fisher (1932), Cochran (1957). */
import { nth } from '../numeric/nth';
import { fisherF } from '../distributions/f';
import type { Direction } from '../procedures/direction';
import { moments, sum } from '../numeric/sum';
import { ending } from './means';
import { judgedEnding } from './several-groups';
import { type Step, type Term, Working, constant, symbol, total } from './term';

/** A group's readings, each against its covariate. */
export type Points = readonly { x: number; y: number }[];

interface Products {
  n: number;
  x: number;
  y: number;
  xx: number;
  xy: number;
  yy: number;
}

function productsOf(points: Points): Products {
  const [x, y] = [moments(points.map((p) => p.x)), moments(points.map((p) => p.y))];
  return {
    n: points.length,
    x: x.mean,
    y: y.mean,
    xx: x.sumOfSquares,
    xy: sum(Array.from(x.deviations, (d, i) => d * nth(y.deviations, i))),
    yy: y.sumOfSquares,
  };
}

/** The slope within groups, and how far readings lie from the parallel lines. */
function lines(w: Working, groups: readonly Products[]) {
  const summed = (what: string, letter: 'xx' | 'xy' | 'yy', formula: string): Term =>
    w.let(
      what,
      `S_{${letter}}`,
      total(formula, groups, (g, i) => symbol(`S_{${letter},${i + 1}}`, g[letter])),
    );
  const xx = summed('squares of the covariate within groups', 'xx', '\\sum_g\\sum_i (x_{gi} - \\bar{x}_g)^2');
  const xy = summed('products within groups', 'xy', '\\sum_g\\sum_i (x_{gi} - \\bar{x}_g)(y_{gi} - \\bar{y}_g)');
  const yy = summed('squares of the readings within groups', 'yy', '\\sum_g\\sum_i (y_{gi} - \\bar{y}_g)^2');
  const slope = w.let('slope', 'b', xy.over(xx));
  const rest = w.let('sum of squares about the lines', 'SS_R', yy.minus(slope.times(xy)));
  const n = symbol('n', sum(groups.map((g) => g.n)));
  const df = w.let('degrees of freedom', '\\nu', n.minus(symbol('k', groups.length)).minus(constant(1)));
  const ms = w.let('mean square about the lines', 'MS_R', rest.over(df));
  return { xx, slope, rest, df, ms };
}

/** The difference of two adjusted means. @param rule as for the end of a t-test, or of one comparison among several */
export function adjustedPairWorking(
  groups: readonly Points[],
  i: number,
  j: number,
  level: number,
  rule: { nullValue: number; direction: Direction } | { each: number; direction: Direction },
): Step[] {
  const w = new Working();
  const all = groups.map(productsOf);
  const [a, b] = [all[i] ?? productsOf([]), all[j] ?? productsOf([])];
  const { xx, slope, df, ms } = lines(w, all);
  const apart = w.let('the covariate differs by', 'D_x', symbol('\\bar{x}_a', a.x).minus(symbol('\\bar{x}_b', b.x)));
  const raw = w.let('the readings differ by', 'D_y', symbol('\\bar{y}_a', a.y).minus(symbol('\\bar{y}_b', b.y)));
  const difference = w.let('difference of the adjusted means', 'd', raw.minus(slope.times(apart)));
  const one = constant(1);
  const spread = one
    .over(symbol('n_a', a.n))
    .plus(one.over(symbol('n_b', b.n)))
    .plus(apart.squared().over(xx));
  const se = w.let('standard error', 'SE', ms.times(spread).root());
  if ('each' in rule) return judgedEnding(w, difference, se, df, level, rule);
  ending(w, difference, se, df, level, rule.nullValue, rule.direction);
  return w.steps;
}

/** All adjusted means together. */
export function covarianceWorking(groups: readonly Points[]): Step[] {
  const w = new Working();
  const { rest, df, ms } = lines(w, groups.map(productsOf));
  const whole = productsOf(groups.flat());
  const [xx, xy, yy] = [symbol('T_{xx}', whole.xx), symbol('T_{xy}', whole.xy), symbol('T_{yy}', whole.yy)];
  const single = w.let('sum of squares about one line for all', 'SS_1', yy.minus(xy.squared().over(xx)));
  const between = w.let('what the groups add', 'SS_G', single.minus(rest));
  const above = w.let('degrees of freedom above', '\\nu_1', symbol('k', groups.length).minus(constant(1)));
  const f = w.let('F', 'F', between.over(above).over(ms));
  w.look('p', 'p', 'P\\left(F_{\\nu_1,\\,\\nu} \\ge F\\right)', fisherF(above.value, df.value).upper(f.value));
  return w.steps;
}
