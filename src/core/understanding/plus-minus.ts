/**
 * Cells that hold a mean with its spread, "14.31 ± 0.62", "14.31 (0.62)", "14.31 ± 0.62 (n = 9)", or with an interval,
 * "14.31 [13.1, 15.5]".
 */
import type { Incoming } from './seen';
import { spreadKind, spreadNames } from './vocabulary';

const number = String.raw`[+−-]?[\d.,]*\d(?:e[+-]?\d+)?`;
/** Behind them may stand what tells which groups differ: "20.1 ± 2.1 a", "18.2 ± 2.3*". */
const letters = String.raw`\s*(?:[a-e]{1,3}|\*{1,3})?\s*`;
const marked = new RegExp(
  `^\\s*(${number})\\s*(?:±|\\+/-|\\+-)\\s*(${number})\\s*(?:[(,;]\\s*n?\\s*=?\\s*(\\d+)\\s*\\)?)?${letters}$`,
  'i',
);
const bracketed = new RegExp(`^\\s*(${number})\\s*\\(\\s*(${number})\\s*\\)${letters}$`, 'i');

const ranged = new RegExp(
  `^\\s*(${number})\\s*[[(]\\s*(?:\\d{2} ?% ?)?(?:ci)?[:=,]?\\s*(${number})\\s*(?:to|[,;–—-])\\s*(${number})\\s*[\\])]\\s*$`,
  'i',
);

/** Whether a cell holds a figure with its interval: "12.1 (9.0 to 16.2)". */
export const isMeanWithInterval = (cell: string): boolean => ranged.test(cell);

/** Both ends of what stands in brackets behind a figure, by what the head says they are; limits where it says nothing. */
function endsIn(name: string): readonly [string, string] {
  const level = /\d{2}(?:\.\d+)? ?%/.exec(name)?.[0];
  if (/\biqr\b|quartile/i.test(name)) return ['Q1', 'Q3'];
  if (/range|min/i.test(name)) return ['min', 'max'];
  return level ? [`lower ${level}`, `upper ${level}`] : ['lower', 'upper'];
}

/** A column whose cells are figures with their intervals, as three columns; undefined where it is none. */
function rangesApart(column: Incoming, filled: readonly string[]): Incoming[] | undefined {
  if (filled.length === 0 || !filled.every((c) => ranged.test(c))) return undefined;
  const part = (k: number): string[] => column.cells.map((c) => ranged.exec(c)?.[k] ?? '');
  const [lower, upper] = endsIn(column.name);
  const name = column.name.replace(/[,;]?\s*[[(].*$/u, '').replace(/[,;]?\s*(?:mean|average|median)\s*$/iu, '');
  const isMedian = /\bmedian\b/i.test(column.name);
  return [
    { ...column, name: isMedian ? ['median', ...(name ? [name] : [])].join(', ') : name || 'mean', cells: part(1) },
    { name: lower, unit: '', cells: part(2) },
    { name: upper, unit: '', cells: part(3) },
  ];
}

/** A mean and its spread, and how many it is of where the cell says it: "14.31 ± 0.62 (n = 9)". */
export function meanAndSpread(cell: string): { mean: string; spread: string; n: string | undefined } | undefined {
  const [, mean, spread, n] = marked.exec(cell) ?? bracketed.exec(cell) ?? [];
  return mean === undefined || spread === undefined ? undefined : { mean, spread, n };
}

/** What heads call the spread of their means; no more than that where none says it. */
export const spreadNamed = (heads: readonly string[]): string => heads.map(kindIn).find((kind) => kind) ?? 'spread';

/** Which spread a head says its cells hold: "mean ± SEM". */
function kindIn(name: string): string | undefined {
  const rest = /(?:±|\+\/-|\()\s*([\p{L}.\d% ]+)\)?\s*$/u.exec(name)?.[1];
  const kind = rest && spreadKind(rest);
  return kind
    ? { sd: 'SD', sem: 'SEM', variance: 'variance', interval: 'half-width of the interval' }[kind]
    : undefined;
}

const limits = new RegExp(`^\\s*[[(]?\\s*(${number})\\s*(?:to|[,;–—-])\\s*(${number})\\s*[\\])]?\\s*$`, 'i');

/** A column of intervals by itself, "95 % CI" over "18.9 to 21.3", as its two limits; undefined where it is none. */
function limitsAlone(column: Incoming, filled: readonly string[]): Incoming[] | undefined {
  const called = /\bci\b|c\.i\.|confidence|interval|limits/i.test(column.name);
  if (!called || filled.length === 0 || !filled.every((c) => limits.test(c))) return undefined;
  const [lower, upper] = endsIn(column.name);
  const part = (k: number): string[] => column.cells.map((c) => limits.exec(c)?.[k] ?? '');
  return [
    { name: lower, unit: '', cells: part(1) },
    { name: upper, unit: '', cells: part(2) },
  ];
}

/** "mean length (n)": what stands in brackets is how many. */
const sizeInHead = /\s*\(\s*n\s*\)\s*$/iu;

/** A column whose cells are means with their spreads, as two columns, or three where they carry n; otherwise as it is. */
function apart(column: Incoming, few: boolean): Incoming[] {
  const filled = column.cells.filter((c) => c.trim() !== '');
  const ranges = rangesApart(column, filled) ?? limitsAlone(column, filled);
  if (ranges) return ranges;
  const pattern =
    filled.length > 0 && filled.every((c) => marked.test(c))
      ? marked
      : few && filled.length > 0 && filled.every((c) => bracketed.test(c))
        ? bracketed
        : undefined;
  if (!pattern) return [column];
  const part = (k: number): string[] => column.cells.map((c) => pattern.exec(c)?.[k] ?? '');
  const name = column.name
    .replace(sizeInHead, '')
    .replace(/[,;]?\s*\(?\s*(?:mean|average)?\s*(?:±|\+\/-)\s*[\p{L}.\d% ]*\)?\s*$/iu, '')
    .replace(
      new RegExp(
        `\\s*\\(\\s*(?:${spreadNames.sd.source.slice(1)}|${spreadNames.sem.source.slice(1)})\\s*\\)\\s*$`,
        'iu',
      ),
      '',
    );
  const n = part(3);
  return [
    { ...column, name: name || 'mean', cells: part(1) },
    { name: sizeInHead.test(column.name) ? 'n' : (kindIn(column.name) ?? '±'), unit: '', cells: part(2) },
    ...(n.some((c) => c !== '') ? [{ name: 'n', unit: '', cells: n }] : []),
  ];
}

/** Columns with every mean and spread that share a cell taken apart. */
export const spreadsApart = (columns: readonly Incoming[]): Incoming[] => {
  const rows = Math.max(0, ...columns.map((c) => c.cells.length));
  return columns.flatMap((c) => apart(c, rows <= 40));
};
