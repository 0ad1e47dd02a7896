/** Means with their spreads in the cells of a grid, "20.1 ± 2.2" under each lamp and dose: a group a cell. */
import { splitUnit } from '../readings/units';
import { meanAndSpread, spreadNamed } from './plus-minus';
import { variableIn } from './vocabulary';

type Rows = readonly (readonly string[])[];

/** Rows a table of figures has at most. */
const mostRows = 40;

/** How many a head says there were: "Red lamp (n = 12)". */
const sizeIn = /\s*[([]?\s*\bn\s*=\s*(\d+)\s*[)\]]?/iu;
/** What a head says its cells hold, behind the group's name. */
const figuresIn = /[,;]?\s*\(?\s*(?:mean|average)?\s*(?:±|\+\/-)\s*[\p{L}.\d% ]*\)?\s*$/iu;

/**
 * A block of figures in a grid with a group a row: its name, mean and spread, and its n where the cells or the heads say
 * it; undefined where it is none, or where its rows are different variables.
 */
export function figuresInGrid(block: Rows): string[][] | undefined {
  if (block.length > 2 * mostRows) return undefined;
  const [head = [], ...rest] = block.map((row) => row.map((cell) => cell.trim()));
  const body = rest.filter((row) => row.some((cell) => cell !== ''));
  if (body.length === 0 || body.length > mostRows || head.length < 2) return undefined;
  const places = head.flatMap((_, k) => (body.some((row) => meanAndSpread(row[k] ?? '')) ? [k] : []));
  const others = head.flatMap((_, k) => (places.includes(k) ? [] : [k]));
  const [named] = others;
  if (places.length < 2 || others.length > 1 || (named ?? 0) > 0) return undefined;
  if (places.some((k) => head[k] === '' || meanAndSpread(head[k] ?? ''))) return undefined;
  const cells = body.flatMap((row) => places.map((k) => row[k] ?? ''));
  if (cells.some((cell) => cell !== '' && !meanAndSpread(cell))) return undefined;
  const rowNames = body.map((row) => (named === undefined ? '' : (row[named] ?? '')));
  const [only = ''] = rowNames;
  const areVariables = rowNames.filter((name) => variableIn(name) ?? splitUnit(name).unit).length > body.length / 2;
  if (body.length > 1 && (areVariables || new Set(rowNames).size < rowNames.length)) return undefined;
  const groups = body.flatMap((row, i) =>
    places.flatMap((k) => {
      const found = meanAndSpread(row[k] ?? '');
      const column = (head[k] ?? '').replace(sizeIn, '').replace(figuresIn, '').trim();
      const name = body.length > 1 ? [rowNames[i], column].filter(Boolean).join(' ') : column;
      const n = found?.n ?? sizeIn.exec(head[k] ?? '')?.[1] ?? '';
      return found ? [[name, found.mean, found.spread, n]] : [];
    }),
  );
  const sized = groups.some((row) => row[3] !== '');
  const heads = ['group', (body.length === 1 && only) || 'mean', spreadNamed(head), 'n'];
  return [heads, ...groups].map((row) => (sized ? row : row.slice(0, 3)));
}
