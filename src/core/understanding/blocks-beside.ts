/** Tables beside one another under the same heads, "lamp, length, lamp, length": below one another, as one. */
import { cellAt, textAt } from '../readings/cell-at';
import { valueOf } from './sums';
import { idName, numberName, subjectNumber } from './vocabulary';

type Rows = readonly (readonly string[])[];

/** How many columns a table has whose heads come again and again across the row; undefined where they do not. */
function period(heads: readonly string[]): number | undefined {
  for (let p = 2; 2 * p <= heads.length; p += 1)
    if (heads.length % p === 0 && heads.every((name, k) => name !== '' && name === heads[k % p])) return p;
  return undefined;
}

const isId = (name: string): boolean => [idName, numberName, subjectNumber].some((pattern) => pattern.test(name));

/** A block with such tables below one another, and the name over each beside its rows; undefined of any other. */
export function blocksBeside(block: Rows): string[][] | undefined {
  const [top = [], under = [], ...rest] = block;
  const tidy = (row: readonly string[]): string[] => row.map((cell) => cell.trim());
  const own = period(tidy(top));
  const p = own ?? period(tidy(under));
  if (p === undefined) return undefined;
  const heads = tidy(own === undefined ? under : top);
  const body = own === undefined ? rest : [under, ...rest];
  const blocks = Array.from({ length: heads.length / p }, (_, i) => i * p);
  const over = own === undefined ? blocks.map((at) => textAt(top, at)) : undefined;
  // Names stand over the first column of each table, and over nothing else.
  if (over && (over.includes('') || top.filter((cell) => cell.trim() !== '').length !== over.length)) return undefined;
  // Without a name over them the tables name their groups themselves.
  const texts = body.some((row) => blocks.some((at) => textAt(row, at) !== '' && valueOf(row[at]) === undefined));
  if (over ? !isId(cellAt(heads, 0)) : !texts) return undefined;
  const rows = blocks.flatMap((at, i) =>
    body.flatMap((row) => {
      const cells = heads.slice(0, p).map((_, k) => cellAt(row, at + k));
      return cells.some((cell) => cell.trim() !== '') ? [over ? [cellAt(over, i), ...cells] : cells] : [];
    }),
  );
  return [over ? ['group', ...heads.slice(0, p)] : heads.slice(0, p), ...rows];
}
