import Papa from 'papaparse';
import { withoutDust } from './without-dust';

const rectangular = (rows: readonly (readonly string[])[]): string[][] => {
  let width = 1;
  for (const row of rows) width = Math.max(width, row.length);
  return rows.map((row) => Array.from({ length: width }, (_, i) => row[i] ?? ''));
};

/** Whether a text is a number, or stands where one would. */
const isFigure = (cell: string): boolean => /^\s*[<>]?\s*[+−-]?[\d.,]*\d\s*%?\s*$/.test(cell) || /^\s*$/.test(cell);

/** Rows parted by a mark that parts every line into as many cells, most of them numbers; undefined where none does. */
const partedBy = (text: string, delimiter: string): string[][] | undefined =>
  evenly(Papa.parse<string[]>(text, { delimiter }).data, delimiter);

/** Columns that spaces set apart: several between any two, or one where every line has as many words. */
function spaced(text: string): string[][] | undefined {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  const by = (space: RegExp): string[][] => lines.map((line) => line.trim().split(space));
  // "red: 20.1" names what stands behind it.
  const words = by(/[:=]?\s+/);
  const [first = []] = words;
  const figures = first.map((_, k) => words.slice(1).every((row) => isFigure(row[k] ?? '')));
  // "12 500" is one number.
  const thousands = words.slice(1).every((row) => /^\d{1,3}(?: \d{3})+$/.test(row.join(' ')));
  // Lines of nothing but numbers may be one list broken into lines, which is asked about.
  const list = first.length > 2 && figures.every(Boolean);
  const single = lines.length > 2 && first.length > 1 && figures.some(Boolean) && !list && !thousands;
  return evenly(by(/\s{2,}/), ' ') ?? (single && words.every((row) => row.length === first.length) ? words : undefined);
}

/** Rows of which nearly all have as many cells, and many of those are numbers. */
function evenly(data: readonly string[][], delimiter: string): string[][] | undefined {
  const rows = data.filter((row) => row.some((cell) => cell.trim() !== ''));
  // "| a | b |" has marks at its ends, and a rule of dashes under its heads.
  const edged = delimiter === '|' && rows.every((row) => row[0]?.trim() === '' && row.at(-1)?.trim() === '');
  const cells = (edged ? rows.map((row) => row.slice(1, -1)) : rows).map((row) => row.map((cell) => cell.trim()));
  const body = cells.filter((row) => !row.every((cell) => /^:?-{2,}:?$/.test(cell)));
  const [, second] = body;
  if (!second || second.length < 2) return undefined;
  const even = body.filter((row) => row.length === second.length).length >= 0.8 * body.length;
  const below = body.slice(1).flat();
  return even && below.filter(isFigure).length >= 0.4 * below.length ? body : undefined;
}

/** A pasted or opened block as rows of texts, made rectangular; nothing in it is dropped or changed. */
export function blockFromText(text: string): string[][] {
  const whole = text.replace(/\r?\n$/, '');
  // What a spreadsheet copies is tab-separated. Without a tab other marks may part the columns; but a single column may
  // hold decimal commas, and a single line a list.
  if (!whole.includes('\t') && /\n\s*\S/.test(whole)) {
    const decimals = whole
      .split(/\r?\n/)
      .slice(1)
      .every((line) => /^\s*[+−-]?\d*,?\d*\s*$/.test(line));
    const parted =
      partedBy(whole, ';') ??
      partedBy(whole, '|') ??
      (decimals && !/,.*\p{L}|\p{L}.*,/u.test(whole) ? undefined : partedBy(whole, ',')) ??
      spaced(whole);
    if (parted) return rectangular(parted);
  }
  return rectangular(Papa.parse<string[]>(whole, { delimiter: '\t' }).data);
}

/** The first table of an HTML fragment as rows of texts; cells that span several are followed by empty ones. */
export function blockFromHtml(html: string): string[][] | undefined {
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
