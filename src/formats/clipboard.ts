import Papa from 'papaparse';

/** A pasted or opened block as rows of texts, made rectangular; nothing in it is dropped or changed. */
export function blockFromText(text: string): string[][] {
  // What a spreadsheet copies is tab-separated; a single column of text may well hold commas.
  const { data } = Papa.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' });
  const width = Math.max(1, ...data.map((row) => row.length));
  return data.map((row) => Array.from({ length: width }, (_, i) => row[i] ?? ''));
}

/** A block as tab-separated text, quoted where a cell holds a tab, a quote or a line break. */
export const blockToText = (rows: readonly (readonly string[])[]): string =>
  Papa.unparse(rows as string[][], { delimiter: '\t', newline: '\n' });
