/**
 * Figures of groups in forms a comparison does not take: intervals by their limits, and coefficients of variation. Half
 * the width of the interval, or the SD, is put beside them.
 */
import type { Incoming } from './seen';
import { slack, valueOf } from './sums';
import { cvName, figureName, lowerName, meanName, numberName, sizeName, spreadKind, upperName } from './vocabulary';
import { cellAt } from '../readings/cell-at';

/** Figures with what was worked out of them. */
export interface Worked {
  columns: Incoming[];
  notes: string[];
}

type Figures = readonly (number | undefined)[];
const figures = (c: Incoming): Figures => c.cells.map((cell) => valueOf(cell));

/** Rows a table of figures has at most. */
export const mostGroups = 200;

/** Digits of a number that is worked out: more than its figures are written with. */
export const written = (value: number | undefined): string =>
  value === undefined ? '' : String(Number(value.toPrecision(8)));

/** "95" of "95 % CI lower" or "CI95_low". */
export const levelIn = (name: string): string | undefined =>
  /(\d{2}(?:\.\d+)?) ?%/.exec(name)?.[1] ?? /\bci[ _]?(\d{2})(?!\d)/i.exec(name)?.[1];

/**
 * Half the widths of intervals around the means beside them, and whether the means lie in their middles, or so on a
 * logarithmic scale; undefined where the columns are no such limits.
 */
export function halfWidths(
  mean: Incoming,
  lower: Incoming,
  upper: Incoming,
): { cells: string[]; even: boolean; evenInLogs: boolean } | undefined {
  const [m, l, u] = [figures(mean), figures(lower), figures(upper)];
  let [even, evenInLogs] = [true, true];
  let rows = 0;
  const cells = m.map((middle, i): string => {
    const [from, to] = [l[i], u[i]];
    if (middle === undefined || from === undefined || to === undefined) return '';
    if (!(from < to && from <= middle && middle <= to)) return 'none';
    rows += 1;
    const rounding = slack(cellAt(lower.cells, i)) + slack(cellAt(upper.cells, i)) + 2 * slack(cellAt(mean.cells, i));
    even &&= Math.abs(from + to - 2 * middle) <= rounding + 0.02 * (to - from);
    // Rounding weighs on a logarithm by what it is of its number.
    evenInLogs &&=
      from > 0 && Math.abs(Math.log((from * to) / middle ** 2)) <= (2 * rounding) / from + 0.02 * Math.log(to / from);
    return written((to - from) / 2);
  });
  return rows === 0 || cells.includes('none') ? undefined : { cells, even, evenInLogs };
}

/** Names of figures that are no mean. */
const isOther = ({ name }: Incoming): boolean =>
  [figureName, sizeName, numberName, cvName, lowerName, upperName].some((pattern) => pattern.test(name));

/** The column of means: called so, or the one column of numbers that is nothing else. */
export function meansIn(columns: readonly Incoming[]): Incoming | undefined {
  const others = columns.filter((c) => !isOther(c) && figures(c).every((x) => x !== undefined));
  return columns.find((c) => meanName.test(c.name)) ?? (others.length === 1 ? others[0] : undefined);
}

/** The columns of an interval's limits, if there are both. */
export function limitsIn(columns: readonly Incoming[], mean: Incoming): [Incoming, Incoming] | undefined {
  const [lower, upper] = [lowerName, upperName].map((name) => columns.find((c) => c !== mean && name.test(c.name)));
  return lower && upper ? [lower, upper] : undefined;
}

function withHalfWidths(columns: readonly Incoming[], mean: Incoming): Worked | undefined {
  const ends = limitsIn(columns, mean);
  if (!ends) return undefined;
  const [lower, upper] = ends;
  const half = halfWidths(mean, lower, upper);
  if (!half?.even) return undefined;
  const level = levelIn(lower.name) ?? levelIn(upper.name) ?? '95';
  // "2.5 %" and "97.5 %" are the ends of an interval of 95 %.
  const of = Number(level) < 50 ? String(100 - 2 * Number(level)) : level;
  return {
    columns: [...columns, { name: `half-width of the ${of} % interval`, unit: mean.unit, cells: half.cells }],
    notes: [`Half the width of each interval was worked out from its limits, taken as those of a ${of} % interval.`],
  };
}

function withDeviations(columns: readonly Incoming[], mean: Incoming): Worked | undefined {
  const cv = columns.find((c) => cvName.test(c.name));
  if (!cv) return undefined;
  const [of, parts] = [figures(mean), figures(cv)];
  const percent = cv.unit === '%' || cv.name.includes('%') || parts.some((x) => x !== undefined && x > 1.5);
  const cells = of.map((m, i) => {
    const part = parts[i];
    return m === undefined || part === undefined ? '' : written((Math.abs(m) * part) / (percent ? 100 : 1));
  });
  return {
    columns: [...columns, { name: 'SD', unit: mean.unit, cells }],
    notes: [`Each SD was worked out from the mean and the coefficient of variation.`],
  };
}

/** Columns of figures with the half-widths or SDs that a comparison takes, where they say them in another way. */
export function limitsApart(columns: readonly Incoming[]): Worked {
  // Figures are of groups, and groups are few.
  if ((columns[0]?.cells.length ?? 0) > mostGroups) return { columns: [...columns], notes: [] };
  const mean = meansIn(columns);
  const told = columns.some((c) => spreadKind(c.name) !== null && !lowerName.test(c.name) && !upperName.test(c.name));
  const found = mean && !told ? (withHalfWidths(columns, mean) ?? withDeviations(columns, mean)) : undefined;
  return found ?? { columns: [...columns], notes: [] };
}
