import Papa from 'papaparse';
import { delimiterOf, parseDelimited } from './delimited';
import { jsonTable } from './json-table';
import { tabularRows } from './tabular-rows';
import { withoutDust } from './without-dust';

const rectangular = (rows: readonly (readonly string[])[]): string[][] => {
  let width = 1;
  for (const row of rows) width = Math.max(width, row.length);
  return rows.map((row) => Array.from({ length: width }, (_, i) => row[i] ?? ''));
};

/** A pasted block as rows of texts, made rectangular; nothing in it is dropped or changed. */
export function blockFromText(text: string): string[][] {
  const whole = text.replace(/\r?\n$/, '');
  const written = jsonTable(whole) ?? tabularRows(whole);
  if (written) return rectangular(written);
  const delimiter = delimiterOf(whole);
  const { rows } = parseDelimited(whole, delimiter);
  return rectangular(delimiter === '\t' ? rows : rows.map((row) => row.map((cell) => cell.trim())));
}

/** The first table of an HTML fragment as rows of texts; cells that span several are followed by empty ones. */
function blockFromHtml(html: string): string[][] | undefined {
  const table = new DOMParser().parseFromString(html, 'text/html').querySelector('table');
  if (!table) return undefined;
  const rows: string[][] = Array.from(table.rows, () => []);
  // A cell that spans several takes its place in each row it reaches, so that what follows stays in its column.
  const taken = rows.map(() => new Set<number>());
  [...table.rows].forEach((line, r) => {
    let c = 0;
    for (const cell of line.cells) {
      while (taken[r]?.has(c)) c += 1;
      for (let down = 0; down < cell.rowSpan && r + down < rows.length; down++)
        for (let right = 0; right < Math.min(cell.colSpan, 1000); right++) taken[r + down]?.add(c + right);
      (rows[r] ?? [])[c] = cell.textContent.replace(/\s+/g, ' ').trim();
    }
  });
  return rows.length > 0 ? rectangular(rows.map((row) => Array.from(row))) : undefined;
}

const cleaned = (block: readonly (readonly string[])[]): string[][] => block.map((row) => row.map(withoutDust));

/** What is on the clipboard as a block: its tab-separated text, or the table of a page where the text has lost its columns. */
export function blockFromClipboard(data: DataTransfer): string[][] | undefined {
  const text = data.getData('text/plain');
  const html = data.getData('text/html');
  const table = html && !text.includes('\t') ? blockFromHtml(html) : undefined;
  if (table && (table[0]?.length ?? 0) > 1) return cleaned(table);
  return text ? cleaned(blockFromText(text)) : table && cleaned(table);
}

/** A block as tab-separated text, quoted where a cell holds a tab, a quote or a line break. */
export const blockToText = (rows: readonly (readonly string[])[]): string =>
  Papa.unparse(rows as string[][], { delimiter: '\t', newline: '\n' });

const escaped = (raw: string): string => raw.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');

/** A block as an HTML table, for programs that take tables as such. */
export const blockToHtml = (rows: readonly (readonly string[])[]): string =>
  `<table>${rows.map((row) => `<tr>${row.map((cell) => `<td>${escaped(cell)}</td>`).join('')}</tr>`).join('')}</table>`;
