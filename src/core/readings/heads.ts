import { shareCell } from './count-table';
import { understand } from './parse-number';
import { isUnit, splitUnit } from './units';

type Rows = readonly (readonly string[])[];

const isNumber = (text: string): boolean => understand(text, '', 'auto').kind === 'number';

/** A number, or counts written out: "18 of 45". */
const isFigure = (text: string): boolean => isNumber(text) || shareCell(text) !== undefined;

/** What people write where there is no number: a limit, a missing value, a dash. */
const notMeasured = /^(?:[<>≤≥~].*|n\.?\/?a\.?|nan|n\.?d\.?|lod|null|none|missing|[-–—.?*]+)$/i;

/** Whether a text over a column reads as its name: "Red lamp", and "0.5 mM" too unless the cells below carry that unit. */
function isName(text: string, below: readonly string[]): boolean {
  const tidy = text.trim();
  if (!/\p{L}/u.test(tidy) || isFigure(tidy)) return false;
  // "None" over counts is a category; where it comes again below it marks what is missing.
  if (notMeasured.test(tidy)) return /^(none|missing)$/i.test(tidy) && below.length > 0 && below.every(isNumber);
  const unit = /^[\d.,\s+−-]+(\D.*)$/.exec(tidy)?.[1];
  return unit === undefined || !below.some((cell) => cell.trim().endsWith(unit));
}

/** Rows below the head that are looked at. */
const lookedAt = 200;

/** Whether a block's first row reads as names over its columns. */
export function hasHead(block: Rows): boolean {
  const [head, ...rest] = block.slice(0, lookedAt);
  if (!head || rest.length === 0) return false;
  const below = (k: number): string[] => rest.map((row) => row[k] ?? '');
  const named = head.filter((text) => text.trim() !== '');
  // The corner of a two-way grid may be empty; elsewhere a column without a name is no head.
  if (
    named.length === 0 ||
    head.some((text, k) => k > 0 && text.trim() === '' && below(k).some((c) => c.trim() !== ''))
  )
    return false;
  const plain = head.flatMap((text, k) => (text.trim() === '' || isName(text, below(k)) ? [] : [k]));
  if (plain.length > 0) {
    // A bare number is a name too, "48" beside "ctrl" and "96 h": where most of what stands over numbers is names.
    const overNumbers = head.flatMap((_, k) => (below(k).some(isFigure) ? [k] : []));
    if (!plain.every((k) => isNumber(head[k] ?? '') && overNumbers.includes(k))) return false;
    if (2 * plain.length >= overNumbers.length) return false;
  }
  if (rest.some((row) => row.some(isFigure))) return true;
  // Nothing but text: the first row is the head if what stands below comes again there and the head does not.
  const repeats = head.some((_, k) => new Set(below(k)).size < rest.length);
  return repeats && named.every((text) => !rest.some((row) => row.includes(text)));
}

const bare = (text: string): string => text.trim().replace(/^[([]|[)\]]$/g, '');

/** Whether a row holds nothing but units. */
const isUnitRow = (row: readonly string[]): boolean =>
  row.some((text) => isUnit(bare(text))) && row.every((text) => text.trim() === '' || isUnit(bare(text)));

/** Where a block's readings begin, and what its columns are called. */
export interface Heads {
  /** Rows above the names, such as a title. */
  skipped: number;
  /** Rows of names: 0 or 1. */
  names: number;
  /** Rows of units: 0 or 1. */
  units: number;
}

const count = (row: readonly string[] | undefined): number => row?.filter((t) => t.trim() !== '').length ?? 0;

/** Whether a row is a title: one text in its first cell, over a row that fills every column. */
const isTitle = (row: readonly string[] | undefined, next: readonly string[] | undefined, width: number): boolean =>
  width > 1 &&
  count(row) === 1 &&
  count(next) >= Math.max(2, width - 1) &&
  (row?.[0] ?? '').trim() !== '' &&
  !isNumber(row?.[0] ?? '');

/** Finds a title, names and units above the readings. */
export function headsOf(block: Rows): Heads {
  let skipped = 0;
  const width = Math.max(0, ...block.slice(0, lookedAt).map((r) => r.length));
  while (skipped < 5 && isTitle(block[skipped], block[skipped + 1], width)) skipped += 1;
  const rest = block.slice(skipped, skipped + lookedAt);
  // A row of units right under the names hides nothing: look past it for the readings.
  const underNames = rest[1] && isUnitRow(rest[1]) ? [rest[0] ?? [], ...rest.slice(2)] : rest;
  const names = hasHead(underNames) ? 1 : 0;
  const units = names === 1 && rest[1] && isUnitRow(rest[1]) ? 1 : 0;
  return names ? { skipped, names, units } : { skipped: 0, names: 0, units: 0 };
}

/** Each column's name and unit, from the rows above the readings. */
export function namesAndUnits(block: Rows, heads: Heads, width: number): { name: string; unit: string }[] {
  const names = heads.names ? (block[heads.skipped] ?? []) : [];
  const units = heads.units ? (block[heads.skipped + heads.names] ?? []) : [];
  return Array.from({ length: width }, (_, k) => {
    const unit = bare(units[k] ?? '');
    return unit
      ? { name: (names[k] ?? '').trim(), unit: splitUnit(`x (${unit})`).unit || unit }
      : splitUnit(names[k] ?? '');
  });
}
