import { nth } from '../numeric/nth';
import { clockParts, durationIn } from './clock';
import { unraised } from './units';
import type { DecimalMark, LimitRule } from './table';

/** What a cell's text was understood as. */
export type Understood =
  { kind: 'empty' } | { kind: 'number'; value: number; limited?: LimitRule } | { kind: 'unread'; why: string };

const spaces = /[\s\u00a0\u2009\u202f]+/gu;
const plainNumber = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i;
const groupedBy = {
  ',': /^[+-]?[1-9]\d{0,2}(,\d{3})+(\.\d*)?(e[+-]?\d+)?$/i,
  '.': /^[+-]?[1-9]\d{0,2}(\.\d{3})+(,\d*)?(e[+-]?\d+)?$/i,
};
/** A comma or point that could be a decimal mark or a thousands mark alike: "1,234". */
const either = { ',': /^[+-]?[1-9]\d{0,2},\d{3}$/, '.': /^[+-]?[1-9]\d{0,2}\.\d{3}$/ };

/** A number as nearly every cell holds one: read at once, whatever the column's decimal mark, or where that is a comma. */
const simple = /^-?\d{1,15}(?:\.\d+)?$/;
const withComma = /^-?\d{1,15}(?:,\d+)?$/;
/** A comma that parts no thousands: it is a decimal mark in any column. */
const decimalComma = /^-?\d{1,15},(?:\d{1,2}|\d{4,})$/;

/** The number of a cell written plainly, whatever the column's unit; NaN of any other. */
export const plainlyRead = (text: string, mark: DecimalMark): number => {
  if (mark !== 'comma' && simple.test(text)) return Number(text);
  return (mark === 'comma' ? withComma : decimalComma).test(text) ? Number(text.replace(',', '.')) : NaN;
};

/** What people write where there is no reading; "nd" is not among them: it may mean that none was detected. */
const missing = /^(?:n\.?\/?a\.?|nan|null|missing|[-–—.?*]{1,3}|…)$/i;
export const isMissing = (text: string): boolean => missing.test(text.trim());

/** What a spreadsheet shows where it could not compute. */
const errors: readonly [RegExp, string][] = [
  [/^#DIV\/0!?$/i, 'a division by zero'],
  [/^#N\/A!?$/i, 'a value that was not found'],
  [/^#NAME\?$/i, 'a name it does not know'],
  [/^#NUM!$/i, 'a number it cannot hold'],
  [/^#VALUE!$/i, 'a text where a number was needed'],
  [/^#(?:REF|NULL|SPILL|CALC)!$/i, 'a cell that is no longer there'],
];
const errorIn = (text: string): string | undefined => errors.find(([pattern]) => pattern.test(text))?.[1];
export const isError = (text: string): boolean => errorIn(text.trim()) !== undefined;

function tidied(text: string, unit: string): string {
  // An apostrophe in front only says that the number was entered as text.
  let tidy = text
    .trim()
    .replace(/^['’](?=[+−–-]?\d)/u, '')
    .replace(/^[−–]/u, '-');
  if (unit && tidy.endsWith(unit)) tidy = tidy.slice(0, -unit.length).trimEnd();
  else if (/^[£€$¥]$/u.test(unit) && tidy.startsWith(unit)) tidy = tidy.slice(unit.length).trimStart();
  // Marks that part thousands and nothing else: "1'234".
  if (/^[+-]?\d{1,3}(?:['’]\d{3})+(?:[.,]\d+)?$/u.test(tidy)) return tidy.replace(/['’]/gu, '');
  const powered = /^([+-]?[\d.,]*\d)\s*(?:[×x·*]\s*10(?:\^\(?([+−-]?\d+)\)?|([⁻⁺]?[⁰¹²³⁴-⁹]+))|k)$/u.exec(tidy);
  if (powered) return `${nth(powered, 1)}e${unraised(powered[2] ?? powered[3] ?? '3').replace('−', '-')}`;
  // Mixed fractions: "12 3/4", "12½".
  const [, whole, over = '', under = ''] = /^(\d+)\s*(?:\s(\d{1,2})\/(\d{1,2})|[½¼¾])$/u.exec(tidy) ?? [];
  const part = over ? Number(over) / Number(under) : ({ '½': 0.5, '¼': 0.25, '¾': 0.75 }[tidy.slice(-1)] ?? 1);
  if (whole !== undefined && part < 1) return String(Number(whole) + part);
  // Spaces as thousands marks: "12 500", "1 234 567,8".
  const joined = tidy.replace(spaces, '');
  return joined !== tidy && /^[+-]?\d{1,3}([\s\u00a0\u2009\u202f]\d{3})+([.,]\d+)?$/u.test(tidy) ? joined : tidy;
}

/**
 * Reads one cell. Empty text and words for missing, "n/a", are an empty cell, never zero; what is
 * no number is kept and said, never dropped.
 * @param mark how the column's decimals are written; `auto` here means that the column gave no evidence
 * @param limits what "<0.05" and its like count as
 */
export function understand(text: string, unit: string, mark: DecimalMark, limits: LimitRule = 'leave'): Understood {
  const plain = plainlyRead(text, mark);
  if (Number.isFinite(plain)) return { kind: 'number', value: plain };
  const tidy = tidied(text, unit);
  if (isMissing(text)) return { kind: 'empty' };
  if (tidy === '')
    return text.trim() === '' ? { kind: 'empty' } : { kind: 'unread', why: 'is a unit without a number' };
  const duration = clockParts(text) === undefined ? undefined : durationIn(text, unit);
  if (duration !== undefined) return { kind: 'number', value: duration };
  const beyond = beyondLimit.exec(tidy);
  const below = beyond?.[1] === '<' || beyond?.[1] === '≤';
  const taken = beyond && (limits === 'at' || ((limits === 'half' || limits === 'censored') && below));
  const number = asNumber(taken ? nth(beyond, 2) : tidy, mark);
  if (typeof number === 'string') return { kind: 'unread', why: number };
  if (!Number.isFinite(number)) return { kind: 'unread', why: 'is larger than any number the calculations can hold' };
  return taken
    ? { kind: 'number', value: limits === 'half' ? number / 2 : number, limited: limits }
    : { kind: 'number', value: number };
}

/** A reading that is only known to lie below or above a limit. */
const beyondLimit = /^([<>≤≥])=?\s*(.+)$/;

/** The sign and the number of such a reading: "<0.5"; undefined of any other. */
export function limitIn(text: string, unit: string, mark: DecimalMark): { sign: string; value: number } | undefined {
  const [, , of] = beyondLimit.exec(tidied(text, unit)) ?? [];
  const value = of === undefined ? NaN : asNumber(of, mark);
  const sign = /^[<>≤≥]=?\s*/.exec(text.trim())?.[0] ?? '';
  return typeof value === 'number' && Number.isFinite(value) ? { sign, value } : undefined;
}

/** Whether any cell is such a reading. */
export const hasLimits = (cells: readonly string[]): boolean => cells.some((text) => beyondLimit.test(text.trim()));

/** The number, or why there is none, to follow the quoted text. */
function asNumber(tidy: string, mark: DecimalMark): number | string {
  if (either[','].test(tidy) && mark === 'auto') {
    const [point, joined] = [tidy.replace(',', '.'), tidy.replace(',', '')];
    return `could be ${point} or ${joined}: say in the column head how decimals are written`;
  }
  if (mark === 'comma') {
    if (groupedBy['.'].test(tidy)) return Number(tidy.replaceAll('.', '').replace(',', '.'));
  } else if (groupedBy[','].test(tidy)) return Number(tidy.replaceAll(',', ''));
  const pointed = /^[^.,]*,[^.,]*$/.test(tidy) ? tidy.replace(',', '.') : tidy;
  if (plainNumber.test(pointed)) return Number(pointed);
  const bracketed = /^\((.+)\)$/.exec(pointed)?.[1] ?? '';
  if (plainNumber.test(bracketed) && !/^[+-]/.test(bracketed))
    return `could be −${bracketed} or ${bracketed}: brackets mean below zero to some, and nothing to others`;
  const error = tidy.startsWith('#') ? errorIn(tidy) : undefined;
  return error ? `is an error of the spreadsheet it came from, ${error}` : 'is not a number';
}

/** Decides from a whole column how decimals are written: by the cells that can be read one way only. */
export function decimalMarkOf(cells: readonly string[], unit: string): DecimalMark {
  let comma = false;
  let point = false;
  for (const text of cells) {
    if (!text.includes(',') && (point || !text.includes('.'))) continue;
    if (decimalComma.test(text)) {
      comma = true;
      continue;
    }
    const tidy = tidied(text, unit);
    if (either[','].test(tidy)) continue;
    if (/^[+-]?\d*,\d+$/.test(tidy) || /^[+-]?[1-9]\d{0,2}(\.\d{3})+,\d*$/.test(tidy)) comma = true;
    else if (plainNumber.test(tidy) || groupedBy[','].test(tidy))
      point ||= !either['.'].test(tidy) || tidy.includes(',');
  }
  if (comma === point) return point ? 'auto' : cells.some((c) => either['.'].test(c.trim())) ? 'point' : 'auto';
  return comma ? 'comma' : 'point';
}
