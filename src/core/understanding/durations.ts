/** Columns of durations written as clocks do, "0:05:12": given a unit of time they are readings. */
import { clockParts, spelledOut } from '../readings/clock';
import { isMissing } from '../readings/parse-number';
import type { Worked } from './limits-apart';
import type { Incoming } from './seen';
import { valueOf } from './sums';

/** Cells looked at first: most columns show in a few what they are not. */
const looked = 50;

/** Names of a time of day, beside readings: when they were taken. */
const whenName =
  /^(?:time|clock|hour|when|start|end|begin|finish|sampled|collected|taken|read)(?: (?:at|of day|time))?$/iu;
const written = /\s*[([]?\s*(?:h{1,2}:)?m(?:m|in)?:s{1,2}\s*[)\]]?$|\s*[([]?\s*h{1,2}:m(?:m|in)?\s*[)\]]?$/iu;

/** The unit of a column of durations; undefined where it holds none, or times of day. */
function unitOf(column: Incoming, others: readonly Incoming[]): 'min' | 'h' | undefined {
  if (!column.cells.slice(0, looked).some((c) => clockParts(c) !== undefined)) return undefined;
  const filled = column.cells.map((c) => c.trim()).filter((c) => c !== '' && !isMissing(c));
  const parts = filled.map(clockParts);
  if (filled.length === 0 || parts.filter((p) => p !== undefined).length < 0.8 * filled.length) return undefined;
  const beside = others.some((o) => o.cells.some((c) => valueOf(c) !== undefined && /[.,]/.test(c)));
  const untold = filled.some((c) => c.includes(':'));
  if (untold && whenName.test(column.name.trim()) && (beside || others.length === 0)) return undefined;
  return /h{1,2}:m(?:m|in)?\s*[)\]]?$/i.test(column.name) && !parts.includes(3) ? 'h' : 'min';
}

/** Columns with a unit for each that holds durations, and what they were read as. */
export function durations(columns: readonly Incoming[]): Worked {
  const units = columns.map((c) =>
    c.unit === ''
      ? unitOf(
          c,
          columns.filter((o) => o !== c),
        )
      : undefined,
  );
  const first = units.findIndex((u) => u !== undefined);
  const example = columns[first]?.cells.find((c) => clockParts(c) !== undefined)?.trim();
  if (example === undefined) return { columns: [...columns], notes: [] };
  const unit = units[first] ?? 'min';
  const read =
    clockParts(example) === 3
      ? 'hours, minutes and seconds'
      : unit === 'h'
        ? 'hours and minutes'
        : 'minutes and seconds';
  const otherwise =
    clockParts(example) === 2 && unit === 'min' ? ' For hours and minutes give the column the unit h.' : '';
  return {
    columns: columns.map((c, k) => ({
      ...c,
      ...(units[k] ? { name: c.name.replace(written, ''), unit: units[k] } : {}),
    })),
    notes: [
      spelledOut(example)
        ? `“${example}” was read in ${unit}.`
        : `“${example}” was read as ${read}, in ${unit}.${otherwise}`,
    ],
  };
}
