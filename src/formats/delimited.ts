import { median } from 'd3-array';
import Papa from 'papaparse';

/** The marks that part columns; a space stands for any number of them. */
export const delimiters = ['\t', ';', ',', '|', ' '] as const;
export type Delimiter = (typeof delimiters)[number];

/** How a delimiter is told to a person. */
export const delimiterName: Record<Delimiter, string> = {
  '\t': 'tabs',
  ';': 'semicolons',
  ',': 'commas',
  '|': 'bars',
  ' ': 'spaces',
};

type Rows = readonly (readonly string[])[];

/** Lines looked at to tell the delimiter. */
const sampleLines = 60;

const linesOf = (text: string, most?: number): string[] =>
  text.split(/\r\n|\r|\n/, most).filter((line) => line.trim() !== '');

/** Whether a text is a number, or stands where one would. */
const isFigure = (cell: string): boolean => /^\s*[<>]?\s*[+−-]?[\d.,]*\d\s*%?\s*$/.test(cell) || /^\s*$/.test(cell);

/** Rows above the readings that may hold less than they: titles. */
const titles = 3;

/** Whether nearly all rows have as many cells as is usual, two at least: titles above them have fewer, and a slip one more. */
function areEven(rows: Rows): boolean {
  const width = median(rows.map((row) => row.length)) ?? 0;
  const from = rows.findIndex((row) => row.length >= width);
  const own = rows.length - from > titles ? rows.slice(Math.min(from, titles)) : rows;
  const odd = own.filter((row) => row.length !== width).length;
  return width > 1 && odd <= Math.max(0.2 * own.length, own.length > 6 ? 2 : 0);
}

/** Whether many of the cells below the first row are numbers. */
function holdNumbers(rows: Rows): boolean {
  const below = rows.slice(1).flat();
  return below.filter(isFigure).length >= 0.4 * below.length;
}

/** Lines parted by spaces: by several, or by one where every line has as many words; undefined where they part nothing. */
function bySpaces(lines: readonly string[]): string[][] | undefined {
  const by = (space: RegExp): string[][] => lines.map((line) => line.trim().split(space));
  const wide = by(/\s{2,}/);
  if (areEven(wide) && holdNumbers(wide)) return wide;
  // "red: 20.1" names what stands behind it.
  const words = by(/[:=]?\s+/);
  const [first = []] = words;
  const figures = first.map((_, k) => words.slice(1).every((row) => isFigure(row[k] ?? '')));
  // "12 500" is one number; and lines of nothing but numbers may be one list broken into lines, which is asked about.
  const thousands = words.slice(1).every((row) => /^\d{1,3}(?: \d{3})+$/.test(row.join(' ')));
  const list = first.length > 2 && figures.every(Boolean);
  const parts = lines.length > 2 && first.length > 1 && figures.some(Boolean) && !list && !thousands;
  // What names the rows may have no name itself.
  const [, { length } = first] = words;
  const headed = first.length === length || (first.length === length - 1 && !first.some(isFigure));
  return parts && headed && words.slice(1).every((row) => row.length === length) ? words : undefined;
}

/** Whether a mark parts texts evenly, with something on both sides of it in most lines. */
function partsTexts(rows: Rows): boolean {
  const cells = rows.flat();
  return areEven(rows) && cells.filter((cell) => cell.trim() !== '').length > 0.6 * cells.length;
}

/**
 * Tells by what a text's columns are parted, from its first lines: by tabs where there are any, else by the mark that parts
 * them evenly into numbers, else into texts. A single column may hold decimal commas, and a single line a list: those are
 * parted by nothing, which tabs stand for.
 */
export function delimiterOf(text: string): Delimiter {
  const lines = linesOf(text, sampleLines);
  if (lines.length < 2 || lines.filter((line) => line.includes('\t')).length >= lines.length / 2) return '\t';
  const head = lines.join('\n');
  const decimals = lines.slice(1).every((line) => /^\s*[+−-]?\d*,?\d*\s*$/.test(line));
  const marks = ([';', '|', ','] as const).filter(
    (mark) => mark !== ',' || !decimals || /,.*\p{L}|\p{L}.*,/u.test(lines[0] ?? ''),
  );
  const parted = marks.map((mark) => ({ mark, rows: parseDelimited(head, mark).rows }));
  return (
    // A semicolon or a bar that parts every line alike does so on purpose; a comma may stand within numbers.
    parted.find(({ mark, rows }) => (areEven(rows) && holdNumbers(rows)) || (mark !== ',' && partsTexts(rows)))?.mark ??
    (bySpaces(lines) ? ' ' : undefined) ??
    parted.find(({ rows }) => partsTexts(rows))?.mark ??
    '\t'
  );
}

/** "| a | b |" has marks at its ends, and a rule of dashes under its heads. */
function withoutEdges(rows: string[][]): string[][] {
  const filled = rows.filter((row) => row.some((cell) => cell.trim() !== ''));
  const edged = filled.every((row) => row.length > 2 && row[0]?.trim() === '' && row.at(-1)?.trim() === '');
  const inner = edged ? filled.map((row) => row.slice(1, -1)) : filled;
  return inner.filter((row) => !row.every((cell) => /^:?-{2,}:?$/.test(cell.trim())));
}

export interface Delimited {
  rows: string[][];
  /** Line, from 1, of a quote that is opened and never closed. */
  unclosed?: number;
}

/** How much text is parsed between two reports of progress. */
const chunkSize = 1 << 20;

/**
 * Parts a text into rows of cells. A quote that is never closed would swallow the rest of the file: quotes are then
 * read as plain characters, and the line is told.
 * @param onProgress told the share done, 0 to 1
 */
export function parseDelimited(text: string, delimiter: Delimiter, onProgress?: (share: number) => void): Delimited {
  if (delimiter === ' ')
    return { rows: bySpaces(linesOf(text)) ?? linesOf(text).map((line) => line.trim().split(/\s+/)) };
  const parse = (quoted: boolean): { rows: string[][]; bad: boolean } => {
    const rows: string[][] = [];
    let bad = false;
    const take = ({ data, errors, meta }: Papa.ParseResult<string[]>): void => {
      for (const row of data) rows.push(row);
      bad ||= errors.some((e) => e.code === 'MissingQuotes');
      onProgress?.(Math.min(1, meta.cursor / Math.max(1, text.length)));
    };
    const how = { delimiter, ...(quoted ? {} : { quoteChar: '\u0000' }) };
    // In chunks for the sake of progress; but text with quotes in one go, or an open quote is read again with each chunk.
    if (quoted && text.includes('"')) take(Papa.parse<string[]>(text, how));
    else Papa.parse<string[]>(text, { ...how, chunkSize, chunk: take } as Papa.ParseConfig<string[]>);
    return { rows: dropLast(rows), bad };
  };
  const first = parse(true);
  if (!first.bad) return { rows: delimiter === '|' ? withoutEdges(first.rows) : first.rows };
  const plain = parse(false).rows;
  const quote = plain.findIndex((row) => row.some((cell) => (cell.split('"').length - 1) % 2 === 1));
  return { rows: plain, unclosed: Math.max(0, quote) + 1 };
}

/** The empty row after a last line break is none. */
function dropLast(rows: string[][]): string[][] {
  const last = rows.at(-1);
  return last?.every((cell) => cell === '') ? rows.slice(0, -1) : rows;
}
