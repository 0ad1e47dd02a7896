import { quantileSorted } from 'd3-array';
import { leastOf, mostOf } from '../numeric/extremes';
import { decimalMarkOf, isMissing, understand } from '../readings/parse-number';
import { nth } from '../numeric/nth';
import { countName, scoreName, spoken } from './vocabulary';

/** A column as it came in: its head split into name and unit, and its texts. */
export interface Incoming {
  name: string;
  unit: string;
  cells: readonly string[];
}

/** A column with what its cells look like. */
export interface Seen extends Incoming {
  place: number;
  /** Cells that hold something, trimmed; words for missing are none. */
  texts: readonly string[];
  /** What most cells are. */
  kind: 'empty' | 'numbers' | 'text' | 'dates';
  /** Whether every number is written as a whole one, and none is negative. */
  whole: boolean;
  distinct: number;
  /** Whether no text comes twice. */
  unique: boolean;
  /** Rows with an empty cell below a filled one. */
  gaps: boolean;
  numbers: readonly number[];
  /** Median, and tenth and ninetieth percentiles, of the numbers; NaN without any. */
  median: number;
  low: number;
  high: number;
  /** The most decimals a number is written with. */
  decimals: number;
}

/** Cells looked at: enough to tell, spread over the whole column when it is longer. */
const lookedAt = 3000;
/** The first of them, which stand as they do in the column. */
export const inOrder = lookedAt / 2;

function sampled(cells: readonly string[]): readonly string[] {
  if (cells.length <= lookedAt) return cells;
  // The first rows as they stand, for gaps below names; then every so many.
  const stride = Math.ceil(cells.length / inOrder);
  return cells.filter((_, i) => i < inOrder || i % stride === 0);
}

const month = '(?:jan|feb|mar|apr|may|jun|jul|aug|sep|sept|oct|nov|dec)[a-z]*';
const datePatterns = [
  /^\d{4}[-/.]\d{1,2}[-/.]\d{1,2}(?:[T ]\d{1,2}:\d{2}.*)?$/,
  /^\d{1,2}[-/.]\d{1,2}[-/.]\d{2,4}(?: \d{1,2}:\d{2}.*)?$/,
  new RegExp(`^\\d{1,2}\\.?[-\\s]${month}\\.?(?:[-\\s,]+\\d{2,4})?$`, 'i'),
  new RegExp(`^${month}\\.?[-\\s]\\d{1,4}(?:,? \\d{4})?$`, 'i'),
  /^\d{1,2}:\d{2}(?::\d{2})?(?: ?[ap]m)?$/i,
];
/** Whether a text is a day or a time of day. */
export const isDate = (text: string): boolean => datePatterns.some((p) => p.test(text.trim()));

/** Rows of noughts and ones there are at least: fewer may be counts. */
const fewestAnswers = 4;

/** Whether a column codes an answer as nought and one, some of each: not how many there were, nor a reading in a unit. */
const isAnswer = ({ name, unit }: Incoming, texts: readonly string[]): boolean =>
  unit === '' &&
  texts.length >= fewestAnswers &&
  texts.every((t) => t === '0' || t === '1') &&
  new Set(texts).size === 2 &&
  !countName.test(name) &&
  !scoreName.test(name);

/** Looks at a column. */
export function look(whole: Incoming, place = 0): Seen {
  const cells = sampled(whole.cells);
  const mark = decimalMarkOf(cells, whole.unit);
  const texts: string[] = [];
  const numbers: number[] = [];
  let [limits, dates, decimals, first, gaps] = [0, 0, 0, false, false];
  for (const cell of cells) {
    const text = cell.trim();
    const found = understand(text, whole.unit, mark);
    if (found.kind === 'empty') {
      gaps ||= first;
      continue;
    }
    first = true;
    texts.push(text);
    if (found.kind === 'number') {
      numbers.push(found.value);
      // "1,234" may be a thousand and more.
      if (mark === 'comma' || !/^[+-]?\d{1,3}(?:,\d{3})+$/.test(text))
        decimals = Math.max(decimals, /[.,](\d+)$/.exec(text)?.[1]?.length ?? 0);
    } else if (/^[<>≤≥]/.test(text) || /^[\d.,]+ ?(?:%|[a-e]{1,3})$/.test(text) || found.why.includes('could be'))
      limits += 1;
    else if (isDate(text)) dates += 1;
  }
  const sorted = [...numbers].sort((a, b) => a - b);
  const distinct = new Set(texts).size;
  return {
    ...whole,
    name: spoken(whole.name),
    place,
    texts,
    kind:
      texts.length === 0
        ? 'empty'
        : dates > texts.length / 2
          ? 'dates'
          : numbers.length + limits >= texts.length / 2 && numbers.length + limits > 0 && !isAnswer(whole, texts)
            ? 'numbers'
            : 'text',
    whole: numbers.length === texts.length && decimals === 0 && numbers.every((x) => Number.isInteger(x) && x >= 0),
    distinct,
    unique: texts.length > 1 && distinct === texts.length,
    gaps,
    numbers,
    median: quantileSorted(sorted, 0.5) ?? NaN,
    low: quantileSorted(sorted, 0.1) ?? NaN,
    high: quantileSorted(sorted, 0.9) ?? NaN,
    decimals,
  };
}

/** Whether a column of numbers reads as years: four digits, between 1500 and 2200. */
export const holdsYears = (c: Pick<Seen, 'whole' | 'numbers' | 'texts'>): boolean =>
  c.whole &&
  c.numbers.length > 1 &&
  c.numbers.every((x) => x >= 1500 && x <= 2200) &&
  c.texts.every((t) => /^\d{4}$/.test(t));

/** Whether a column counts its rows: whole numbers, each once, in whatever order, without a gap but where its cell holds none, or where one row of those from 1 on is gone. */
export function runs(c: Pick<Seen, 'whole' | 'numbers' | 'cells'>): boolean {
  const numbers = c.numbers.slice(0, 1000);
  if (!c.whole || numbers.length < 3) return false;
  const rising = numbers.every((x, i) => i === 0 || x === nth(numbers, i - 1) + 1);
  // Of a longer column the first rows may be any of its numbers, and so may a few readings.
  if (rising || c.numbers.length > numbers.length || numbers.length < 6) return rising;
  const [least, lost] = [leastOf(numbers), mostOf(numbers) - leastOf(numbers) - (numbers.length - 1)];
  const empty = c.cells.filter((cell, i) => isMissing(cell) || (cell.trim() === '' && i < numbers.length)).length;
  return new Set(numbers).size === numbers.length && (lost === 0 || (lost === 1 && (empty > 0 || least === 1)));
}

/** Different numbers a factor has at most: 9, 12 and 15 °C, not a scale. */
const mostLevels = 12;

/** Whether a column's few entries come again and again, as the levels of a factor do. */
export const comesBack = (c: Seen): boolean => c.distinct > 1 && c.distinct <= Math.min(mostLevels, c.texts.length / 2);
