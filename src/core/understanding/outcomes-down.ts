/** Tables of counts with their outcomes down the left and their groups above, as papers print them. */
import { sum } from 'd3-array';
import { countWithPercent } from './counts-with-percent';
import { isNegative, totalName } from './vocabulary';
import { cellAt, textAt } from '../readings/cell-at';

type Rows = readonly (readonly string[])[];

/** Two outcomes of which each thing has one. */
const opposites: readonly [RegExp, RegExp][] = [
  [/^(?:alive|live|living|lived|surviv(?:ed|ing|ors?|al))$/iu, /^(?:dead|died|deaths?|dying|mortality)$/iu],
  [/^(?:success(?:es|ful)?|succeeded)$/iu, /^(?:failures?|failed|fail)$/iu],
  [/^(?:pass(?:ed)?)$/iu, /^(?:fail(?:ed|ures?)?)$/iu],
  [/^(?:positives?|pos\.?|yes|y|\+)$/iu, /^(?:negatives?|neg\.?|no|n|[−–-])$/iu],
  [/^present$/iu, /^absent$/iu],
  [/^(?:true)$/iu, /^(?:false)$/iu],
  [/^(?:healthy|well|intact|sound)$/iu, /^(?:diseased|sick|ill|damaged|broken|rotten)$/iu],
];

/** What is done to a group: "not treated" beside "treated" is the other group, and so is "without lamp". */
const wasDone =
  /^(?:with(?:out)?|no) \S|^(?:(?:not|non|un)[\s-]*)?(?:treated|exposed|vaccinated|smok(?:ers?|ing)|fed|shaded|controls?|placebo|vehicle|sham)$/iu;

/** Whether two names are an outcome and that it did not come, and neither is what was done to a group. */
function areOutcomes(names: readonly string[]): boolean {
  const [a, b, ...more] = names;
  if (a === undefined || b === undefined || more.length > 0) return false;
  if ([a, b].some((name) => wasDone.test(name))) return false;
  const opposed = (x: string, y: string): boolean => opposites.some(([one, other]) => one.test(x) && other.test(y));
  return isNegative(a, b) || isNegative(b, a) || opposed(a, b) || opposed(b, a);
}

/** How far percentages beside counts may lie from what the counts come to, beyond the rounding of their last digit. */
const allowed = 0.01;

/** Whether most percentages that cells carry are of their columns' sums, and not of their rows'; undefined where neither is so. */
function percentDown(cells: readonly (readonly string[])[]): boolean | undefined {
  const parts = cells.map((row) => row.map(countWithPercent));
  const all = parts.flat();
  if (all.includes(undefined)) return undefined;
  const counts = parts.map((row) => row.map((p) => p?.count ?? NaN));
  const fitting = (total: (i: number, j: number) => number): number =>
    parts
      .flatMap((row, i) => row.map((p, j) => p && Math.abs((100 * p.count) / total(i, j) - p.percent) - p.within))
      .filter((off) => off !== undefined && off <= allowed).length;
  const [down, across] = [fitting((_, j) => sum(counts, (row) => row[j])), fitting((i) => sum(counts[i] ?? []))];
  return 2 * Math.max(down, across) > all.length && down !== across ? down > across : undefined;
}

/** Whether a block, names above and at the left, holds counts with the outcomes at the left. */
export function outcomesDown(head: readonly string[], body: Rows): boolean {
  const over = head.slice(1).map((name) => name.trim());
  const kept = over.flatMap((name, k) => (name === '' || totalName.test(name) ? [] : [k + 1]));
  const rows = body.filter(([name = '']) => !totalName.test(name.trim()));
  const cells = rows.map((row) => kept.map((k) => textAt(row, k)));
  if (kept.length < 2 || rows.length < 2) return false;
  const percent = percentDown(cells);
  if (percent !== undefined) return percent;
  // What stands over the rows may say that they are groups.
  if (/^(?:treatment|group|condition|arm)s?$/iu.test(textAt(head, 0))) return false;
  const counts = cells.flat().every((cell) => /^\d[\d\s]*$/.test(cell) || countWithPercent(cell) !== undefined);
  const left = rows.map(([name = '']) => name.trim());
  return counts && areOutcomes(left) && !areOutcomes(kept.map((k) => cellAt(over, k - 1)));
}
