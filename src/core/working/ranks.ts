/** The working of rank tests: by counting where the test counted, else in the large-sample form it used. */
import { widthOf } from '../numeric/width-of';
import { nth } from '../numeric/nth';
import { chiSquare } from '../distributions/chi-square';
import { normal } from '../distributions/normal';
import { studentizedRangeUpper } from '../distributions/studentized-range';
import { friedman } from '../procedures/friedman';
import { jonckheereTerpstra } from '../procedures/jonckheere-terpstra';
import { kruskalWallis } from '../procedures/kruskal-wallis';
import type { Direction, TailProbabilities } from '../procedures/direction';
import { mannWhitney } from '../procedures/mann-whitney';
import { ranked } from '../procedures/ranked';
import { wilcoxonSignedRank } from '../procedures/wilcoxon-signed-rank';
import { type Step, type Term, Working, constant, symbol, total } from './term';
import { tailOf } from './tail';

const [one, two, three, twelve] = [constant(1), constant(2), constant(3), constant(12)] as const;

/** Σ(t³ − t) over runs of equal values. */
const tieTerm = (values: readonly number[]): Term => symbol('\\sum(t^3 - t)', ranked(values).tieTerm);

/**
 * The p of a rank statistic as the test gave it: counted over all arrangements, or by the normal curve with the statistic
 * moved half a step towards what is expected.
 */
function judged(
  w: Working,
  statistic: Term,
  mean: Term,
  sd: Term,
  found: { method: 'exact' | 'normal'; p: TailProbabilities },
  direction: Direction,
): void {
  const s = statistic.tex;
  if (found.method === 'exact') {
    const formula = {
      either: `2\\,\\min\\{P(${s}^* \\ge ${s}),\\ P(${s}^* \\le ${s})\\}`,
      greater: `P(${s}^* \\ge ${s})`,
      less: `P(${s}^* \\le ${s})`,
    }[direction];
    w.look('p, every arrangement of the ranks counted', 'p', formula, found.p[direction]);
    return;
  }
  const half = constant(0.5);
  const away = statistic.minus(mean);
  const towards = direction === 'less' || (direction === 'either' && statistic.value < mean.value);
  const z = w.let('standardized, half a step nearer', 'z', (towards ? away.plus(half) : away.minus(half)).over(sd));
  tailOf(w, 'Z', z, normal, direction);
}

/** Rank-sum test of two groups. Source: Mann & Whitney (1947), ties after Lehmann (1975). */
export function mannWhitneyWorking(
  a: readonly number[],
  b: readonly number[],
  direction: Direction = 'either',
): Step[] {
  const w = new Working();
  const all = [...a, ...b];
  const { ranks } = ranked(all);
  const [na, nb] = [symbol('n_a', a.length), symbol('n_b', b.length)];
  const sum = w.let(
    'rank sum of the first group',
    'R_a',
    total('\\sum r_i', a, (_, i) => symbol(`r_{${i + 1}}`, nth(ranks, i))),
  );
  const u = w.let('test statistic', 'U', sum.minus(na.times(na.plus(one)).over(two)));
  const mean = w.let('expected without a difference', '\\mu_U', na.times(nb).over(two));
  const n = w.let('readings in all', 'N', na.plus(nb));
  const sd = w.let(
    'its standard deviation, ties allowed for',
    '\\sigma_U',
    na
      .times(nb)
      .over(twelve)
      .times(n.plus(one).minus(tieTerm(all).over(n.times(n.minus(one)))))
      .root(),
  );
  judged(w, u, mean, sd, mannWhitney(a, b), direction);
  return w.steps;
}

/** Signed-rank test of differences. Source: Wilcoxon (1945), ties after Lehmann (1975). */
export function signedRankWorking(differences: readonly number[], direction: Direction = 'either'): Step[] {
  const w = new Working();
  const left = differences.filter((d) => d !== 0);
  const sizes = left.map(Math.abs);
  const { ranks } = ranked(sizes);
  const n = symbol('n', left.length);
  const positive = left.flatMap((d, i) => (d > 0 ? [symbol(`r_{${i + 1}}`, nth(ranks, i))] : []));
  const v = w.let(
    'sum of the positive ranks',
    'V',
    total('\\sum_{d_i > 0} r_i', positive.length > 0 ? positive : [constant(0)]),
  );
  const mean = w.let('expected without a difference', '\\mu_V', n.times(n.plus(one)).over(constant(4)));
  const sd = w.let(
    'its standard deviation, ties allowed for',
    '\\sigma_V',
    n
      .times(n.plus(one))
      .times(two.times(n).plus(one))
      .over(constant(24))
      .minus(tieTerm(sizes).over(constant(48)))
      .root(),
  );
  judged(w, v, mean, sd, wilcoxonSignedRank(differences), direction);
  return w.steps;
}

/** Rank test of several groups. Source: Kruskal & Wallis (1952). */
export function kruskalWallisWorking(groups: readonly (readonly number[])[]): Step[] {
  const w = new Working();
  const all = groups.flat();
  const { ranks } = ranked(all);
  let at = 0;
  const n = symbol('N', all.length);
  const sums = groups.map((g, i) => {
    const own = g.map((_, k) => symbol(`r_{${k + 1}}`, nth(ranks, at + k)));
    at += g.length;
    return w.let(`rank sum of group ${i + 1}`, `R_{${i + 1}}`, total('\\sum r', own));
  });
  const h = w.let(
    'statistic without ties',
    'H_0',
    twelve
      .over(n.times(n.plus(one)))
      .times(
        total('\\sum \\frac{R_i^2}{n_i}', sums, (r, i) =>
          r.squared().over(symbol(`n_{${i + 1}}`, nth(groups, i).length)),
        ),
      )
      .minus(three.times(n.plus(one))),
  );
  const correction = w.let('correction for ties', 'C', one.minus(tieTerm(all).over(n.squared().times(n).minus(n))));
  const corrected = w.let('test statistic', 'H', h.over(correction));
  const found = kruskalWallis(groups);
  if (found.method === 'exact')
    w.look('p, every arrangement of the ranks counted', 'p', 'P\\left(H^* \\ge H\\right)', found.p);
  else {
    const df = w.let('degrees of freedom', '\\nu', symbol('k', groups.length).minus(one));
    w.look('p', 'p', 'P\\left(\\chi^2_\\nu \\ge H\\right)', chiSquare(df.value).upper(corrected.value));
  }
  return w.steps;
}

/** Rank test of repeated readings: rows are subjects, columns conditions. Source: Friedman (1937). */
export function friedmanWorking(rows: readonly (readonly number[])[]): Step[] {
  const w = new Working();
  const k = widthOf(rows);
  const [n, K] = [symbol('n', rows.length), symbol('k', k)];
  const ranksByRow = rows.map((row) => ranked([...row]).ranks);
  const sums = Array.from({ length: k }, (_, j) =>
    w.let(
      `rank sum of condition ${j + 1}`,
      `R_{${j + 1}}`,
      total('\\sum r', ranksByRow, (r, i) => symbol(`r_{${i + 1}${j + 1}}`, nth(r, j))),
    ),
  );
  const expected = w.let('expected rank sum', '\\bar{R}', n.times(K.plus(one)).over(two));
  const spread = w.let(
    'departures',
    'S',
    total('\\sum (R_j - \\bar{R})^2', sums, (r) => r.minus(expected).squared()),
  );
  const ties = symbol(
    '\\sum(t^3 - t)',
    rows.reduce((s, row) => s + tieTerm(row).value, 0),
  );
  const q = w.let(
    'test statistic',
    'Q',
    twelve.times(spread).over(
      n
        .times(K)
        .times(K.plus(one))
        .minus(ties.over(K.minus(one))),
    ),
  );
  const found = friedman(rows);
  if (found.method === 'exact')
    w.look('p, every order within subjects counted', 'p', 'P\\left(Q^* \\ge Q\\right)', found.p);
  else {
    const df = w.let('degrees of freedom', '\\nu', K.minus(one));
    w.look('p', 'p', 'P\\left(\\chi^2_\\nu \\ge Q\\right)', chiSquare(df.value).upper(q.value));
  }
  return w.steps;
}

/** One pair after the rank test of several groups, before adjustment. Source: Dunn (1964). */
export function dunnWorking(
  groups: readonly (readonly number[])[],
  i: number,
  j: number,
  direction: Direction = 'either',
): Step[] {
  const w = new Working();
  const all = groups.flat();
  const { ranks } = ranked(all);
  const n = symbol('N', all.length);
  const starts = groups.map((_, k) => groups.slice(0, k).reduce((s, g) => s + g.length, 0));
  const mean = (k: number, mark: string): Term => {
    const own = ranks.slice(starts[k], nth(starts, k) + nth(groups, k).length);
    return w.let(
      `mean rank of group ${k + 1}`,
      `\\bar{R}_${mark}`,
      total('\\sum r', own, (r) => symbol('r', r)).over(symbol(`n_${mark}`, own.length)),
    );
  };
  const d = mean(i, 'a').minus(mean(j, 'b'));
  const spread = n
    .times(n.plus(one))
    .over(twelve)
    .minus(tieTerm(all).over(twelve.times(n.minus(one))));
  const size = (k: number, mark: string): Term => one.over(symbol(`n_${mark}`, groups[k]?.length ?? 1));
  const se = w.let('standard error of the difference', 'SE', spread.times(size(i, 'a').plus(size(j, 'b'))).root());
  const z = w.let('test statistic', 'z', d.over(se));
  tailOf(w, 'Z', z, normal, direction);
  return w.steps;
}

/** One pair of conditions after Friedman's test. Source: Nemenyi (1963). */
export function friedmanPairWorking(rows: readonly (readonly number[])[], i: number, j: number): Step[] {
  const w = new Working();
  const size = widthOf(rows);
  const [n, k] = [symbol('n', rows.length), symbol('k', size)];
  const ranksByRow = rows.map((row) => ranked([...row]).ranks);
  const mean = (c: number, mark: string): Term =>
    w.let(
      `mean rank of condition ${c + 1}`,
      `\\bar{R}_${mark}`,
      total('\\sum r', ranksByRow, (r) => symbol('r', nth(r, c))).over(n),
    );
  const d = mean(i, 'a').minus(mean(j, 'b'));
  const ties = symbol(
    '\\sum(t^3 - t)',
    rows.reduce((sum, row) => sum + tieTerm(row).value, 0),
  );
  const spread = n
    .times(k)
    .times(k.plus(one))
    .minus(ties.over(k.minus(one)));
  const se = w.let('standard error, corrected for ties', 'SE', spread.over(twelve.times(n.squared())).root());
  const q = w.let('studentized range', 'q', d.magnitude().over(se));
  const { rangeP, meanRanks } = friedman(rows);
  if (rangeP)
    w.look(
      'p of the largest difference, every order within subjects counted',
      'p',
      'P\\left(\\max |\\bar{R}_i - \\bar{R}_j| \\ge |\\bar{R}_a - \\bar{R}_b|\\right)',
      rangeP(nth(meanRanks, i) - nth(meanRanks, j)),
    );
  else
    w.look(
      'p, for all pairs',
      'p',
      'P\\left(Q_{k,\\infty} \\ge q\\right)',
      studentizedRangeUpper(q.value, size, Infinity),
    );
  return w.steps;
}

/** A trend over ordered groups: each group's pairs with all before it, added. Source: Terpstra (1952), Jonckheere (1954). */
export function jonckheereTerpstraWorking(groups: readonly (readonly number[])[]): Step[] {
  const w = new Working();
  const { j, z, method, p } = jonckheereTerpstra(groups);
  const counts = groups.slice(1).map((group, i) => {
    const before = groups.slice(0, i + 1).flat();
    const larger = group.reduce(
      (all, y) => all + before.reduce((own, x) => own + (y > x ? 1 : y === x ? 0.5 : 0), 0),
      0,
    );
    return symbol(`U_{${i + 2}}`, larger);
  });
  const statistic = w.let(
    'pairs in which the later group’s reading is larger',
    'J',
    total('\\sum_{i \\ge 2} U_i', counts),
  );
  const sizes = groups.map((g, i) => symbol(`n_{${i + 1}}`, g.length));
  const n = w.let('readings', 'N', total('\\sum n_i', sizes));
  const mean = w.let(
    'mean of J without a trend',
    '\\mu_J',
    n
      .squared()
      .minus(total('\\sum n_i^2', sizes, (size) => size.squared()))
      .over(constant(4)),
  );
  if (method === 'exact') {
    w.look('p, all arrangements counted', 'p', '2\\min\\left(P(J \\ge j),\\ P(J \\le j)\\right)', p.either);
    return w.steps;
  }
  const sd = w.look(
    'its SD, ties allowed for',
    '\\sigma_J',
    '\\text{from } n_i \\text{ and the ties}',
    (j - mean.value) / z,
  );
  const standard = w.let('test statistic', 'z', statistic.minus(mean).over(sd));
  tailOf(w, 'Z', standard, normal, 'either');
  return w.steps;
}
