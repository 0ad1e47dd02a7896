/** Cells that hold a mean with its spread: "14.31 ± 0.62", "14.31 (0.62)", "14.31 ± 0.62 (n = 9)". */
import type { Incoming } from './seen';
import { spreadKind, spreadNames } from './vocabulary';

const number = String.raw`[+−-]?[\d.,]*\d(?:e[+-]?\d+)?`;
const marked = new RegExp(
  `^\\s*(${number})\\s*(?:±|\\+/-|\\+-)\\s*(${number})\\s*(?:[(,;]\\s*n?\\s*=?\\s*(\\d+)\\s*\\)?)?\\s*$`,
  'i',
);
const bracketed = new RegExp(`^\\s*(${number})\\s*\\(\\s*(${number})\\s*\\)\\s*$`, 'i');

/** Which spread a head says its cells hold: "mean ± SEM". */
function kindIn(name: string): string | undefined {
  const rest = /(?:±|\+\/-|\()\s*([\p{L}.\d% ]+)\)?\s*$/u.exec(name)?.[1];
  const kind = rest && spreadKind(rest);
  return kind
    ? { sd: 'SD', sem: 'SEM', variance: 'variance', interval: 'half-width of the interval' }[kind]
    : undefined;
}

/** A column whose cells are means with their spreads, as two columns, or three where they carry n; otherwise as it is. */
function apart(column: Incoming, few: boolean): Incoming[] {
  const filled = column.cells.filter((c) => c.trim() !== '');
  const pattern =
    filled.length > 0 && filled.every((c) => marked.test(c))
      ? marked
      : few && filled.length > 0 && filled.every((c) => bracketed.test(c))
        ? bracketed
        : undefined;
  if (!pattern) return [column];
  const part = (k: number): string[] => column.cells.map((c) => pattern.exec(c)?.[k] ?? '');
  const name = column.name
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
    { name: kindIn(column.name) ?? '±', unit: '', cells: part(2) },
    ...(n.some((c) => c !== '') ? [{ name: 'n', unit: '', cells: n }] : []),
  ];
}

/** Columns with every mean and spread that share a cell taken apart. */
export const spreadsApart = (columns: readonly Incoming[]): Incoming[] => {
  const rows = Math.max(0, ...columns.map((c) => c.cells.length));
  return columns.flatMap((c) => apart(c, rows <= 40));
};
