/** Lines of words below a table, its source or what its stars mean: no rows of it. */
import { textAt } from '../readings/cell-at';
import { isMissing } from '../readings/parse-number';
import { some } from './doubts/doubt';
import { valueOf } from './sums';

type Rows = readonly (readonly string[])[];

/** Words of a line: so many are a sentence, and no name. */
const fewestWords = 4;

const begins =
  /^(?:[*†‡§#]|(?:source|notes?|n\.?b\.?|data|remarks?|comments?|legend|abbreviations?|see|page|prepared|printed|exported)\b)/iu;
const isLine = (text: string): boolean =>
  valueOf(text) === undefined &&
  !isMissing(text) &&
  (begins.test(text) || text.split(/\s+/).filter((word) => /\p{L}/u.test(word)).length >= fewestWords);

/** A block without such lines, and what was left out; undefined where there are none. */
export function withoutLinesBelow(block: Rows): { block: Rows; note: string } | undefined {
  const filled = (row: readonly string[]): string[] => row.flatMap((cell) => cell.trim() || []);
  const last = block.findLastIndex((row) => filled(row).length > 1);
  const below = block.slice(last + 1).flatMap((row) => filled(row));
  const stand = block.slice(last + 1).every((row) => filled(row).length === 0 || textAt(row, 0) !== '');
  if (last < 1 || below.length === 0 || !stand || !below.every(isLine)) return undefined;
  const lines = some(
    below.map((line) => `“${line}”`),
    3,
  );
  return {
    block: block.slice(0, last + 1),
    note: `${below.length === 1 ? 'A line' : `${below.length} lines`} of words below the table ${below.length === 1 ? 'was' : 'were'} left out: ${lines}.`,
  };
}
