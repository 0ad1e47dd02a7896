/** Delimited text that no spreadsheet runs: a text it would take for a formula has an apostrophe before it. */
import Papa from 'papaparse';

/** A number written out whole, with its sign, decimals, thousands, power and percent: nothing to run in it. */
const wholeNumber = /^\s*[+\-−]?(?:\d[\d.,'’\s]*|[.,]\d+)(?:e[+-]?\d+)?\s*%?\s*$/i;

/** Whether a spreadsheet could run a text: it begins a formula, in whatever width or behind whatever blanks. */
export function wouldRun(text: string): boolean {
  const begun = text.normalize('NFKC').replace(/^[\s\p{C}]+/u, '');
  return /^[=+\-@]/.test(begun) && begun.length > 1 && !wholeNumber.test(begun);
}

/** Whether a text gets an apostrophe: it would run, or would once its own was taken for one. */
const isMarked = (text: string): boolean => wouldRun(text) || (text.startsWith("'") && isMarked(text.slice(1)));

/** A text as it stands in a file. */
export const marked = (text: string): string => (isMarked(text) ? `'${text}` : text);

/** The same as it was, read from such a file. */
export const unmarked = (text: string): string =>
  text.startsWith("'") && isMarked(text.slice(1)) ? text.slice(1) : text;

/** Rows as delimited text. @param newline between rows; none stands at the end */
export const safeCsv = (rows: readonly (readonly string[])[], delimiter = ',', newline = '\r\n'): string =>
  Papa.unparse(
    rows.map((row) => row.map(marked)),
    { delimiter, newline },
  );
