/** Means with their spreads in the cells of a grid, "20.1 ± 2.2" under each lamp and dose: a group a cell. */
import { splitUnit } from '../readings/units';
import { meanAndSpread, spreadNamed } from './plus-minus';
import { isCountWithPercent } from './counts-with-percent';
import { pName, sizeName, variableIn } from './vocabulary';
import { cellAt, textAt } from '../readings/cell-at';

type Rows = readonly (readonly string[])[];

/** Rows a table of figures has at most. */
const mostRows = 40;

/** How many a head says there were: "Red lamp (n = 12)". */
const sizeIn = /\s*[([]?\s*\bn\s*=\s*(\d+)\s*[)\]]?/iu;
/** What a head says its cells hold, behind the group's name. */
const figuresIn = /[,;]?\s*\(?\s*(?:mean|average)?\s*(?:±|\+\/-)\s*[\p{L}.\d% ]*\)?\s*$/iu;

/** What a row says its cells hold, behind the variable's name: "length (mm), mean (SD)". */
const describedIn = /[,;:]\s*(?:mean|average)s?\b.*$/iu;

/** Where figures stand in a grid: the columns that hold them, each with what its head says, and the names of the rows. */
interface Grid {
  body: readonly (readonly string[])[];
  places: { k: number; name: string; n: string | undefined }[];
  rowNames: string[];
  spread: string;
}

/** Whether a row tells of how many of each group something holds: "female, n (%)" beside counts with their percentages. */
const tellsCounts = (row: readonly string[]): boolean =>
  row.length > 1 && row.slice(1).some(isCountWithPercent) && !row.slice(1).some(meanAndSpread);

/** Names of the rows of a table of figures that count, and so are no figures of a variable. */
export const countedRows = (block: Rows): string[] =>
  gridOf(block) ? block.flatMap((row) => (tellsCounts(row) ? [textAt(row, 0)] : [])) : [];

/** The grid of a block of figures; undefined where it is none. */
function gridOf(block: Rows): Grid | undefined {
  if (block.length > 2 * mostRows) return undefined;
  const [head = [], ...below] = block.map((row) => row.map((cell) => cell.trim()));
  const filled = below.filter((row) => row.some((cell) => cell !== ''));
  const sizes = filled.find((row) => sizeName.test(cellAt(row, 0)) && row.slice(1).some((cell) => /^\d+$/.test(cell)));
  const body = filled.filter((row) => row !== sizes && !tellsCounts(row));
  if (body.length === 0 || body.length > mostRows || head.length < 2) return undefined;
  const holding = head.flatMap((_, k) => (body.some((row) => meanAndSpread(cellAt(row, k))) ? [k] : []));
  // What a test made of them is no figure of a group.
  const others = head.flatMap((name, k) => (holding.includes(k) || pName.test(name) ? [] : [k]));
  const [named] = others;
  if (holding.length < 2 || others.length > 1 || (named ?? 0) > 0) return undefined;
  if (holding.some((k) => head[k] === '' || meanAndSpread(cellAt(head, k)))) return undefined;
  const cells = body.flatMap((row) => holding.map((k) => cellAt(row, k)));
  if (cells.some((cell) => cell !== '' && !meanAndSpread(cell))) return undefined;
  const written = body.map((row) => (named === undefined ? '' : cellAt(row, named)));
  if (body.length > 1 && new Set(written).size < written.length) return undefined;
  return {
    body,
    places: holding.map((k) => {
      const name = cellAt(head, k).replace(sizeIn, '').replace(figuresIn, '').trim();
      return { k, name, n: sizeIn.exec(cellAt(head, k))?.[1] ?? sizes?.[k] };
    }),
    rowNames: written.map((name) => name.replace(describedIn, '')),
    spread: spreadNamed([...head, ...written]),
  };
}

/** Figures of several variables, a row each, with a group a row and two columns for each of them. */
function ofVariables({ body, places, rowNames, spread }: Grid): string[][] {
  const found = (k: number) => body.map((row) => meanAndSpread(cellAt(row, k)));
  const sized = places.some(({ n }) => n !== undefined);
  const rows = places.map(({ k, name, n = '' }) => [
    name,
    ...found(k).flatMap((figures) => [figures?.mean ?? '', figures?.spread ?? '']),
    n,
  ]);
  const columns = rowNames.flatMap((name) => [`mean ${name}`, `${spread} of ${splitUnit(name).name}`]);
  return [['group', ...columns, 'n'], ...rows].map((row) => (sized ? row : row.slice(0, -1)));
}

/**
 * A block of figures in a grid with a group a row: its name, mean and spread, and its n where the cells or the heads say
 * it, and of several variables down the rows each with its own; undefined where it is none.
 */
export function figuresInGrid(block: Rows): string[][] | undefined {
  const grid = gridOf(block);
  if (!grid) return undefined;
  const { body, places, rowNames, spread } = grid;
  const [only = ''] = rowNames;
  const variables = rowNames.filter((name) => variableIn(name) ?? splitUnit(name).unit).length;
  if (body.length > 1 && variables > body.length / 2) return ofVariables(grid);
  const groups = body.flatMap((row, i) =>
    places.flatMap(({ k, name: column, n }) => {
      const found = meanAndSpread(cellAt(row, k));
      const name = body.length > 1 ? [rowNames[i], column].filter(Boolean).join(' ') : column;
      return found ? [[name, found.mean, found.spread, found.n ?? n ?? '']] : [];
    }),
  );
  const sized = groups.some((row) => row[3] !== '');
  const heads = ['group', body.length === 1 && only ? `mean ${only}` : 'mean', spread, 'n'];
  return [heads, ...groups].map((row) => (sized ? row : row.slice(0, 3)));
}
