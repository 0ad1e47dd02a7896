/** Tables of counts drawn at random with their margins standing: what permuted labels bring. */
import { nth } from '../numeric/nth';
import type { Random } from '../numeric/random';
import { sum } from '../numeric/sum';
import { logGamma } from '../numeric/special';

/** ln n! of 0 … n. */
export const logFactorials = (n: number): Float64Array =>
  Float64Array.from({ length: n + 1 }, (_, k) => logGamma(k + 1));

/**
 * How many of `drawn`, drawn without replacement from `total` of which some are marked, are marked: the hypergeometric
 * distribution by inversion, outwards from its middle. Source: Kachitvichyanukul & Schmeiser (1985).
 */
function draw(drawn: number, marked: number, total: number, log: Float64Array, u: number): number {
  const from = Math.max(0, drawn + marked - total);
  const to = Math.min(drawn, marked);
  if (from === to) return from;
  const at = (n: number): number => nth(log, n);
  const middle = Math.min(to, Math.max(from, Math.floor(((drawn + 1) * (marked + 1)) / (total + 2))));
  const rest = total - marked;
  let up = Math.exp(
    at(marked) -
      at(middle) -
      at(marked - middle) +
      at(rest) -
      at(drawn - middle) -
      at(rest - drawn + middle) -
      (at(total) - at(drawn) - at(total - drawn)),
  );
  let down = up;
  let left = u - up;
  let [high, low] = [middle, middle];
  while (left > 0 && (high < to || low > from)) {
    if (high < to) {
      up *= ((marked - high) * (drawn - high)) / ((high + 1) * (rest - drawn + high + 1));
      high += 1;
      left -= up;
      if (left <= 0) return high;
    }
    if (low > from) {
      down *= (low * (rest - drawn + low)) / ((marked - low + 1) * (drawn - low + 1));
      low -= 1;
      left -= down;
      if (left <= 0) return low;
    }
  }
  return middle;
}

/**
 * A maker of random tables with these margins, each as likely as permuted labels bring it: cell by cell, what is left of
 * a column is drawn from what is left of all. The array given back is written over by the next.
 */
export function tablesWith(rows: readonly number[], columns: readonly number[], generator: Random): () => Int32Array {
  const width = columns.length;
  const cells = new Int32Array(rows.length * width);
  const all = sum(rows);
  const log = logFactorials(all);
  const left = new Int32Array(width);
  return () => {
    left.set(columns);
    let total = all;
    rows.forEach((row, i) => {
      let need = row;
      let among = total;
      for (let j = 0; j < width; j++) {
        const marked = nth(left, j);
        const got = need === 0 ? 0 : draw(need, marked, among, log, generator.uniform());
        cells[i * width + j] = got;
        left[j] = marked - got;
        need -= got;
        among -= marked;
      }
      total -= row;
    });
    return cells;
  };
}
