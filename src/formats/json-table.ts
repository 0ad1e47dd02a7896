/** Tables written as JSON: a list of records, a list of rows, or lists under names. */

type Cell = string | boolean | null;

/** A text of JSON, or a number outside of one. */
const textOrNumber = /"(?:[^"\\]|\\.)*"|-?\d+(?:\.\d+)?(?:e[+-]?\d+)?/giu;

const isCell = (value: unknown): value is Cell => value === null || ['string', 'boolean'].includes(typeof value);
const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isCells = (value: unknown): value is Cell[] => Array.isArray(value) && value.every(isCell);
const asText = (value: Cell | undefined): string => (value === null || value === undefined ? '' : String(value));

/** The rows of a table written as JSON, names first where it has any; undefined of any other text. */
export function jsonTable(text: string): string[][] | undefined {
  if (!/^\s*[[{]/.test(text)) return undefined;
  let value: unknown;
  try {
    // Numbers stay as they are written, to their last digit.
    // A record a line is a list of them.
    const whole = /^\s*\{[^\n]*\}\s*\n\s*\{/u.test(text) ? `[${text.trim().replace(/\}\s*\n\s*\{/gu, '},{')}]` : text;
    value = JSON.parse(whole.replace(textOrNumber, (found) => (found.startsWith('"') ? found : `"${found}"`)));
  } catch {
    return undefined;
  }
  if (Array.isArray(value) && value.length > 0 && value.every(isCells)) return value.map((row) => row.map(asText));
  if (
    Array.isArray(value) &&
    value.length > 0 &&
    value.every(isRecord) &&
    value.every((r) => Object.values(r).every(isCell))
  ) {
    const records = value as Record<string, Cell>[];
    const names = [...new Set(records.flatMap((record) => Object.keys(record)))];
    return [names, ...records.map((record) => names.map((name) => asText(record[name])))];
  }
  if (isRecord(value) && Object.values(value).length > 0 && Object.values(value).every(isCells)) {
    const lists = Object.values(value) as Cell[][];
    const height = lists.reduce((most, list) => Math.max(most, list.length), 0);
    return [Object.keys(value), ...Array.from({ length: height }, (_, i) => lists.map((list) => asText(list[i])))];
  }
  return undefined;
}
