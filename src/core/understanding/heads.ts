import { leastOf, mostOf } from '../numeric/extremes';
import { clockParts } from '../readings/clock';
import { shareCell } from '../readings/share-cell';
import { isMissing } from '../readings/parse-number';
import { isUnit, splitUnit } from '../readings/units';
import { isCountWithPercent } from './counts-with-percent';
import { isMeanWithInterval } from './plus-minus';
import { rangeIn } from './range';
import { valueOf } from './sums';
import { cellAt, textAt } from '../readings/cell-at';
import { nth } from '../numeric/nth';

type Rows = readonly (readonly string[])[];

const isNumber = (text: string): boolean => valueOf(text) !== undefined;

/** A number, counts written out, "18 of 45", two figures in one, "34 (85)" and "20.1 ± 2.1", or a duration. */
const isFigure = (text: string): boolean =>
  isNumber(text) ||
  shareCell(text) !== undefined ||
  plusMinus.test(text) ||
  clockParts(text) !== undefined ||
  rangeIn(text) !== undefined ||
  isCountWithPercent(text) ||
  isMeanWithInterval(text) ||
  twoFigures.test(text);
/** Two figures in one cell: "20.1; 2.1", "20.1 → 22.3". */
const twoFigures = /^\s*[+−-]?\d[\d.,]*\s*(?:;|→|⟶|[-=]>)\s*[+−-]?\d[\d.,]*\s*$/u;
const plusMinus = /^[+−-]?[\d.,]+\s*(?:(?:±|\+\/-)\s*[\d.,]+|\([\d.,]+\)\s*[a-e*]{0,3}$)/;

/** What is a reading below a name, and over readings a name: "0.5 mM", "10 %", "1a"; or a number of unclear marks, "1,234". */
const isReading = (text: string): boolean =>
  isFigure(text) ||
  /^(?:[+−-]?[1-9]\d{0,2},\d{3}|[\d.,]+ ?%|[£€$¥] ?[\d.,]+|[\d.,]+(?:[a-e]{1,3}|\*{1,4}|[†‡§¶]{1,3}))$/.test(
    text.trim(),
  ) ||
  isUnit(/^[+−-]?[\d.,]+\s*([^\d\s.,].*)$/u.exec(text.trim())?.[1] ?? '');

/** What people write where there is no number: a limit, a missing value, a dash. */
const notMeasured = (text: string): boolean => isMissing(text) || /^(?:[<>≤≥~].*|n\.?d\.?|lod|loq|none)$/i.test(text);

/** Days, times of day, classes and ratios: "2026-03-01", "8:00", "0–5", "1:2". */
const isCompound = (text: string): boolean => /^\d{1,4}(?:[-–/.:]\d{1,4}){1,2}\.?$/u.test(text) && !isNumber(text);
/** Whether nearly all cells of a column are plain numbers. */
function overNumbers(below: readonly string[]): boolean {
  const filled = below.filter((cell) => cell.trim() !== '');
  return filled.length > 1 && filled.filter(isNumber).length > 0.8 * filled.length;
}

/** Whether a text over a column reads as its name: "Red lamp", and "0.5 mM" too unless the cells below carry that unit. */
function isName(text: string, below: readonly string[]): boolean {
  const tidy = text.trim();
  // A number sign, and genotypes: "+/−".
  if (/^[#№]$|^[+−-]\/[+−-]$/.test(tidy)) return true;
  // Sodium over numbers is none that is missing.
  if ((isCompound(tidy) || tidy === 'Na') && overNumbers(below)) return true;
  if (!/[\p{L}%‰]/u.test(tidy) || isFigure(tidy)) return false;
  // "None" over counts is a category; where it comes again below it marks what is missing.
  if (notMeasured(tidy)) return /^(none|missing)$/i.test(tidy) && below.length > 0 && below.every(isFigure);
  const unit = /^[\d.,\s+−-]+(\D.*)$/.exec(tidy)?.[1];
  return unit === undefined || !below.some((cell) => cell.trim().endsWith(unit));
}

/** Rows below the head that are looked at. */
const lookedAt = 200;

/**
 * Whether bare numbers stand over columns as names: years, doses, times. They are whole where what stands below is not,
 * or come in order and lie outside of it.
 * @param alone whether nothing else in the row is a name
 */
function areNames(
  over: readonly number[],
  head: readonly string[],
  below: (k: number) => string[],
  alone: boolean,
): boolean {
  const values = over.map((k) => Number(head[k]));
  if (values.some((x) => !Number.isFinite(x)) || new Set(values).size < values.length) return false;
  const rising =
    values.every((x, i) => i === 0 || x > nth(values, i - 1)) ||
    values.every((x, i) => i === 0 || x < nth(values, i - 1));
  const numbersBelow = over.map((k) => below(k).flatMap((c) => (isNumber(c) ? [c.trim()] : [])));
  const wholeOverParts = over.every((k, i) => {
    const parts = numbersBelow[i] ?? [];
    return (
      /^\d+$/.test(textAt(head, k)) &&
      parts.length > 1 &&
      parts.filter((c) => /[.,]\d/.test(c)).length >= 0.6 * parts.length
    );
  });
  const valuesBelow = numbersBelow.map((cells) => cells.flatMap((c) => valueOf(c) ?? []));
  const leastBelow = leastOf(valuesBelow.flat());
  const outside = over.filter((_, i) => {
    const numbers = valuesBelow[i] ?? [];
    const x = nth(values, i);
    return numbers.length > 1 && (numbers.every((y) => y > x) || numbers.every((y) => y < x));
  }).length;
  if (alone) {
    // Nothing else tells of names: a few rising numbers far below all that stands under them.
    const far =
      outside === values.length &&
      values.length > 1 &&
      (values.every(Number.isInteger) || values.length > 2) &&
      mostOf(values) * 3 < leastBelow;
    return rising && ((wholeOverParts && (values.length > 1 || outside > 0)) || far);
  }
  return rising && (wholeOverParts || (outside > values.length / 2 && values.length > 1));
}

/** Whether a block's first row reads as names over its columns. */
export function hasHead(block: Rows): boolean {
  const [head, ...rest] = block.slice(0, lookedAt);
  if (!head || rest.length === 0) return false;
  const below = (k: number): string[] => rest.map((row) => cellAt(row, k));
  const named = head.filter((text) => text.trim() !== '');
  // The corner of a two-way grid may be empty, or what stands over the names of rows; no other column lacks a name.
  const namesRows = (k: number): boolean => below(k).every((c) => c.trim() === '' || !isFigure(c));
  const bare = head.flatMap((text, k) => (text.trim() === '' && below(k).some((c) => c.trim() !== '') ? [k] : []));
  // Over nothing but numbers one of several names may have been forgotten.
  const forgotten =
    bare.length === 1 && named.length > 1 && rest.every((row) => row.every((c) => c.trim() === '' || isFigure(c)));
  if (named.length === 0 || (!forgotten && bare.some((k) => k > 0 && (bare.length > 1 || !namesRows(k))))) return false;
  const unnamed = head.flatMap((text, k) => (text.trim() === '' || isName(text, below(k)) ? [] : [k]));
  // Beside names "<5 m" is one too: the first of some classes, or the last.
  const isEnd = (k: number): boolean => /^[<>≤≥]\s*\d/.test(textAt(head, k)) && overNumbers(below(k));
  const classes = unnamed.length < named.length && unnamed.every(isEnd);
  const plain = classes ? [] : unnamed;
  if (plain.length > 0) {
    const overNumbers = head.flatMap((_, k) => (below(k).some(isFigure) ? [k] : []));
    if (!plain.every((k) => isNumber(cellAt(head, k)) && overNumbers.includes(k))) return false;
    // A bare number is a name too, "48" beside "ctrl" and "96 h": where most of what stands over numbers is names.
    const fewer = 2 * plain.length < overNumbers.length;
    const alone = plain.length === named.length && overNumbers.length === head.length;
    if (!fewer && !areNames(plain, head, below, alone)) return false;
  }
  if (rest.some((row) => row.some(isReading))) return true;
  // Nothing but text: the first row is the head if what stands below comes again there and the head does not.
  const repeats = head.some((_, k) => new Set(below(k)).size < rest.length);
  return repeats && named.every((text) => !rest.some((row) => row.includes(text)));
}

const bare = (text: string): string => text.trim().replace(/^[([]|[)\]]$/g, '');

/** Whether a row holds nothing but units. What comes again and again below it is none, though it reads like one: "A", "h". */
function isUnitRow(row: readonly string[], below: Rows): boolean {
  const comesAgain = (text: string, k: number): boolean =>
    below.filter((r) => textAt(r, k) === text.trim()).length > below.length / 10;
  return (
    row.some((text) => isUnit(bare(text)) && !isNumber(text)) &&
    row.every((text, k) => text.trim() === '' || text.trim() === '-' || (isUnit(bare(text)) && !comesAgain(text, k)))
  );
}

/** Where a block's readings begin, and what its columns are called. */
export interface Heads {
  /** Rows above the names: titles, empty rows. */
  skipped: number;
  /** Rows of names: 0, 1, or 2 where those of the first reach over several of the second. */
  names: number;
  /** Rows of units: 0 or 1. */
  units: number;
}

const count = (row: readonly string[] | undefined): number => row?.filter((t) => t.trim() !== '').length ?? 0;

/** Rows above the names that are looked at. */
const mostAbove = 12;

const isComment = (row: readonly string[]): boolean => /^#\s*\p{L}/u.test(textAt(row, 0));

/** Empty rows and titles, a text alone in its row, over rows that fill more than one column. */
function above(block: Rows, width: number): number {
  let rows = 0;
  while (rows < Math.min(mostAbove, block.length - 1)) {
    const row = block[rows];
    const texts = row?.filter((t) => t.trim() !== '') ?? [];
    const title = width > 1 && texts.length === 1 && !isNumber(cellAt(texts, 0)) && textAt(row, 0) !== '';
    // A comment, which commas may have parted, over names.
    const comment = isComment(row ?? []) && hasHead(block.slice(rows + 1).filter((r) => !isComment(r)));
    if (texts.length > 0 && !title && !comment) break;
    rows += 1;
  }
  return rows;
}

/** How many rows of what is said of the whole, "Date" beside a day, stand over an empty row and the table; 0 where none do. */
function toldAbove(block: Rows): number {
  const gap = block.slice(0, mostAbove).findIndex((row, r) => r > 0 && count(row) === 0);
  if (gap < 1) return 0;
  const told = block.slice(0, gap).filter((row) => count(row) > 0);
  const below = block.slice(gap + 1, gap + 1 + lookedAt).filter((row) => count(row) > 0);
  const areTold = told.every((row) => count(row) <= 2 && !isNumber(cellAt(row, 0)) && textAt(row, 0) !== '');
  // A table of its own above the gap holds readings.
  const hold = told.filter((row) => row.slice(1).some(isNumber)).length;
  return areTold && 2 * hold < told.length && hasHead(below) ? gap + 1 : 0;
}

/** Columns at the left, before names that are repeated over others: they name the rows. */
const mostBefore = 2;

/** Whether a row repeats each of its names over several of the row below: "Red lamp, Red lamp, White lamp, White lamp". */
function repeatOver(whole: readonly string[], below: readonly string[]): boolean {
  const is = (text: string | undefined): boolean => (text ?? '').trim() !== '';
  const from = whole.findIndex((text, k) => is(text) && whole.lastIndexOf(text) > k);
  if (from < 0 || from > mostBefore) return false;
  const [upper, lower] = [whole.slice(from), below.slice(from)];
  const over = lower.flatMap((text, k) => (is(text) && is(upper[k]) ? [textAt(upper, k)] : []));
  const under = lower.filter((_, k) => is(upper[k]));
  const different = new Set(over).size;
  return (
    different > 1 &&
    over.length === lower.filter(is).length &&
    over.every((name) => over.indexOf(name) !== over.lastIndexOf(name)) &&
    new Set(under.map((text, k) => `${cellAt(over, k)}\n${text.trim()}`)).size === over.length &&
    [...upper, ...lower].every((text) => !is(text) || isName(text, [])) &&
    !isUnitRow(lower, [])
  );
}

/** Whether whole numbers begin anew under each name, 1 and 2 under the red lamp and 1 and 2 under the white: names of samples. */
function numberedUnder(upper: readonly string[], lower: readonly string[]): boolean {
  let [names, next] = [0, NaN];
  const inOrder = lower.every((text, k) => {
    const named = textAt(upper, k) !== '';
    if (named) [names, next] = [names + 1, 1];
    if (text.trim() === '' || (names === 0 && !isNumber(text))) return true;
    next += 1;
    return Number(text) === next - 1;
  });
  return inOrder && names > 1 && next > 2;
}

/** Whether one name stands over numbers that rise, "day" over 0, 7 and 14, and over nothing else. */
function numbersUnder(upper: readonly string[], lower: readonly string[]): boolean {
  const at = upper.findIndex((text) => text.trim() !== '');
  const under = lower.slice(at);
  return (
    at > 0 &&
    upper.slice(at + 1).every((text) => text.trim() === '') &&
    under.length > 1 &&
    under.every((text, i) => isNumber(text) && (i === 0 || Number(text) > Number(under[i - 1]))) &&
    lower.slice(0, at).every((text) => !isNumber(text))
  );
}

/** Whether the names of a row reach over several of the row below, as merged cells do: "Red lamp, , White lamp, ". */
function reachOver(upper: readonly string[], lower: readonly string[]): boolean {
  const is = (text: string | undefined): boolean => (text ?? '').trim() !== '';
  const names = upper.filter(is);
  const gaps = lower.filter((text, k) => is(text) && !is(upper[k]) && upper.slice(0, k).some(is));
  const first = lower.flatMap((text, k) => (is(text) && is(upper[k]) ? [k] : []));
  return (
    (names.length > 1 || numbersUnder(upper, lower)) &&
    gaps.length > 0 &&
    first.length > 0 &&
    names.every((text) => isName(text, [])) &&
    (lower.filter(is).every((text) => isName(text, [])) || numberedUnder(upper, lower) || numbersUnder(upper, lower)) &&
    !isUnitRow(lower, [])
  );
}

/** Two rows of names as one: each name of the upper goes before those that stand under it. */
function joined(upper: readonly string[], lower: readonly string[]): string[] {
  let over = '';
  return Array.from({ length: Math.max(upper.length, lower.length) }, (_, k) => {
    const [a, own] = [textAt(upper, k), textAt(lower, k)];
    // A name that stands in both rows is one.
    const b = own === a ? '' : own;
    if (a !== '') over = a;
    const [above, below] = [splitUnit(b === '' ? a : over), splitUnit(b)];
    const unit = below.unit || above.unit;
    const name = [above.name, below.name].filter((part) => part !== '').join(' ');
    return unit ? `${name} (${unit})` : name;
  });
}

/** Finds titles, empty rows, names and units above the readings. */
export function headsOf(block: Rows): Heads {
  const width = Math.max(0, ...block.slice(0, lookedAt).map((r) => r.length));
  let empty = toldAbove(block);
  while (empty < block.length - 1 && count(block[empty]) === 0) empty += 1;
  const first = Math.max(empty, above(block, width));
  const over = count(block[first]) >= Math.max(2, width - 1) ? first : empty;
  for (const skipped of new Set([over, empty])) {
    const rest = block.slice(skipped, skipped + lookedAt);
    // A row of units right under the names hides nothing: look past it for the readings.
    const units = rest[1] !== undefined && isUnitRow(rest[1], rest.slice(2));
    const underNames = units ? [rest[0] ?? [], ...rest.slice(2)] : rest;
    const [upper = [], lower = [], ...below] = rest;
    const both = (over: typeof reachOver): boolean => over(upper, lower) && hasHead([joined(upper, lower), ...below]);
    if (both(repeatOver)) return { skipped, names: 2, units: 0 };
    if (hasHead(underNames)) return { skipped, names: 1, units: units ? 1 : 0 };
    if (both(reachOver)) return { skipped, names: 2, units: 0 };
  }
  return { skipped: empty, names: 0, units: 0 };
}

const oneLine = (name: string): string => name.replace(/\s*[\r\n]+\s*/g, ' ');

/** Each column's name and unit, from the rows above the readings. */
export function namesAndUnits(block: Rows, heads: Heads, width: number): { name: string; unit: string }[] {
  const [upper = [], lower = []] = block.slice(heads.skipped, heads.skipped + heads.names);
  const names = heads.names > 1 ? joined(upper, lower) : upper;
  const units = heads.units ? (block[heads.skipped + heads.names] ?? []) : [];
  return Array.from({ length: width }, (_, k) => {
    const unit = bare(cellAt(units, k));
    return unit && unit !== '-'
      ? { name: oneLine(textAt(names, k)), unit: splitUnit(`x (${unit})`).unit || unit }
      : splitUnit(oneLine(cellAt(names, k)));
  });
}
