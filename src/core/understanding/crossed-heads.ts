/** Two rows of names, each of the upper over the same of the lower: two factors over their readings, or groups over their figures. */
import { isMissing } from '../readings/parse-number';
import { limits } from '../readings/table-edit';
import { splitUnit } from '../readings/units';
import { headsOf } from './heads';
import { valueOf } from './sums';
import { areTurns, figureName, meanName, numberName, spreadKind, variableIn } from './vocabulary';

type Rows = readonly (readonly string[])[];

/** The names of the upper row, each over all the columns it reaches. */
function spreadOut(upper: readonly string[], width: number): string[] {
  let over = '';
  return Array.from({ length: width }, (_, k) => {
    const name = (upper[k] ?? '').trim();
    if (name !== '') over = name;
    return over;
  });
}

/** Figures under the names of their groups, "mean" and "SD" below "Red lamp", with a group a row; undefined where they are none. */
function figuresUnder(
  groups: readonly string[],
  figures: readonly string[],
  body: Rows,
  first: number,
): string[][] | undefined {
  const kinds = [...new Set(figures.slice(first))];
  if (!kinds.some((k) => meanName.test(k)) || !kinds.some((k) => spreadKind(k) !== null) || first > 1) return undefined;
  const [only, ...more] = body;
  const rowName = (row: readonly string[]): string => (first === 0 ? '' : (row[0] ?? '').trim());
  // Rows of several variables are not compared with each other.
  if (more.length > 0 && (first === 0 || body.some((row) => variableIn(rowName(row)) ?? splitUnit(rowName(row)).unit)))
    return undefined;
  const named = (row: readonly string[], group: string): string =>
    more.length === 0 ? group : `${rowName(row)} ${group}`;
  const called = only && more.length === 0 ? rowName(only) : '';
  const measure = called === '' ? 'mean' : called;
  return [
    ['group', ...kinds.map((kind) => (meanName.test(kind) ? measure : kind))],
    ...body.flatMap((row) =>
      [...new Set(groups.slice(first))].map((group) => [
        named(row, group),
        ...kinds.map((kind) => (row[groups.findIndex((g, k) => g === group && figures[k] === kind)] ?? '').trim()),
      ]),
    ),
  ];
}

/** Whether a column only numbers its rows. */
const isNumbering = (name: string, cells: readonly string[]): boolean =>
  (name === '' || numberName.test(name)) && cells.every((cell, i) => Number(cell) === i + 1);

/**
 * A block under crossed names with a reading a row, both names in columns of their own before it, or with a group a row
 * and its figures; undefined where there are no two rows of names, where they do not cross, or where the rows are named
 * as subjects are.
 */
export function crossedApart(block: Rows): string[][] | undefined {
  const heads = headsOf(block);
  if (heads.names !== 2) return undefined;
  const [upper = [], lower = []] = block.slice(heads.skipped);
  const body = block.slice(heads.skipped + 2).filter((row) => row.some((cell) => cell.trim() !== ''));
  const width = Math.max(upper.length, lower.length);
  const first = upper.findIndex((name) => name.trim() !== '');
  const named = Array.from({ length: first }, (_, k) => k);
  const cellsAt = (k: number): string[] => body.map((row) => (row[k] ?? '').trim());
  const outer = spreadOut(upper, width);
  const figures = figuresUnder(
    outer,
    Array.from({ length: width }, (_, k) => (lower[k] ?? '').trim()),
    body,
    first,
  );
  if (figures) return figures;
  if (!named.every((k) => isNumbering((lower[k] ?? '').trim(), cellsAt(k)))) return undefined;
  const units = new Set<string>();
  const places = Array.from({ length: width - first }, (_, i) => {
    const { name, unit } = splitUnit(lower[first + i] ?? '');
    units.add(unit);
    return { k: first + i, a: outer[first + i] ?? '', b: name };
  });
  const [as, bs] = [new Set(places.map((p) => p.a)), new Set(places.map((p) => p.b))];
  const pairs = new Set(places.map((p) => `${p.a}\n${p.b}`));
  const crosses = as.size > 1 && bs.size > 1 && pairs.size === places.length && pairs.size === as.size * bs.size;
  const isReading = (cell: string): boolean => cell === '' || isMissing(cell) || valueOf(cell) !== undefined;
  // Times are of one subject, and figures of one group.
  const areFigures = [...bs].some((name) => figureName.test(name) || spreadKind(name) !== null);
  if (areFigures || areTurns([...as]) || areTurns([...bs])) return undefined;
  if (!crosses || units.size > 1 || places.length * body.length > limits.rows) return undefined;
  // One cell that cannot be read among many is told where it stands.
  const cells = places.flatMap(({ k }) => cellsAt(k));
  if (cells.filter((cell) => !isReading(cell)).length > (cells.length > 6 ? 1 : 0)) return undefined;
  const [unit = ''] = units;
  return [
    ['factor 1', 'factor 2', unit ? `reading (${unit})` : 'reading'],
    ...places.flatMap(({ k, a, b }) => cellsAt(k).flatMap((cell) => (cell === '' ? [] : [[a, b, cell]]))),
  ];
}
