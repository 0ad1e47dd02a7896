import { DomainError, demand } from '../core/numeric/domain-error';
import { type Delimiter, delimiterOf, parseDelimited } from './delimited';
import { jsonTable } from './json-table';
import { tabularRows } from './tabular-rows';
import { type Encoding, decoded, encodingOf } from './text-encoding';
import type { Sheet } from './xlsx';

/** Most that a file may weigh. */
export const fileLimit = 64 * 1024 * 1024;

/** A file as it was understood: one sheet for text, any number for a workbook. */
export interface Opened {
  sheets: Sheet[];
  encoding?: Encoding;
  delimiter?: Delimiter;
  /** What had to be decided or left, each told to the person. */
  notes: string[];
}

const megabytes = (bytes: number): string => `${Math.round(bytes / 1024 / 1024)} MB`;

const starts = (bytes: Uint8Array, ...magic: number[]): boolean => magic.every((b, i) => bytes[i] === b);

/** Why a file that is neither text nor a workbook cannot be read, by its first bytes. */
function notReadable(bytes: Uint8Array): string | undefined {
  if (starts(bytes, 0xd0, 0xcf, 0x11, 0xe0))
    return 'This is a workbook of the old kind, or one locked with a password: open it in a spreadsheet and save it as XLSX or CSV.';
  if (starts(bytes, 0x25, 0x50, 0x44, 0x46)) return 'This is a PDF: copy its table, and paste it into the readings.';
  if (starts(bytes, 0x89, 0x50, 0x4e, 0x47) || starts(bytes, 0xff, 0xd8, 0xff) || starts(bytes, 0x47, 0x49, 0x46))
    return 'This is a picture, not a table of readings.';
  if (starts(bytes, 0x1f, 0x8b)) return 'This file is packed (gzip): unpack it first.';
  return undefined;
}

/** Whether bytes read as text: hardly any control characters. */
function readsAsText(text: string): boolean {
  const head = text.slice(0, 20_000);
  let odd = 0;
  for (let i = 0; i < head.length; i++) {
    const code = head.charCodeAt(i);
    if ((code < 32 && code !== 9 && code !== 10 && code !== 13) || code === 0xfffd) odd += 1;
  }
  return odd <= head.length / 100;
}

/**
 * Opens a file of readings: CSV, TSV or any other delimited text, or an XLSX workbook, recognised by its content.
 * @param choice what the person has decided instead: the encoding, the delimiter
 * @param onProgress told the share done, 0 to 1
 * @throws DomainError saying what is wrong with the file and what to do
 */
export async function openFile(
  bytes: Uint8Array,
  choice: { encoding?: Encoding; delimiter?: Delimiter } = {},
  onProgress?: (share: number) => void,
): Promise<Opened> {
  demand(bytes.length > 0, 'This file is empty.');
  demand(
    bytes.length <= fileLimit,
    `This file is ${megabytes(bytes.length)}, and at most ${megabytes(fileLimit)} are read: split it, or save only the columns needed.`,
  );
  const reason = notReadable(bytes);
  if (reason) throw new DomainError(reason);
  if (starts(bytes, 0x50, 0x4b)) {
    const { readXlsx } = await import('./xlsx');
    const sheets = await readXlsx(bytes);
    const filled = sheets.filter((sheet) => sheet.rows.some((row) => row.some((cell) => cell.trim() !== '')));
    demand(filled.length > 0, 'This workbook has no cell with anything in it.');
    onProgress?.(1);
    return { sheets: filled, notes: [] };
  }
  const encoding = choice.encoding ?? encodingOf(bytes);
  const text = decoded(bytes, encoding);
  demand(
    readsAsText(text),
    'This is not a text file: its bytes are no readable characters. Save the table as CSV or XLSX.',
  );
  demand(text.trim() !== '', 'This file holds nothing but empty lines.');
  const written = choice.delimiter === undefined ? (jsonTable(text) ?? tabularRows(text)) : undefined;
  if (written) {
    onProgress?.(1);
    return { sheets: [{ name: '', rows: written }], encoding, notes: [] };
  }
  const delimiter = choice.delimiter ?? delimiterOf(text);
  const { rows, unclosed } = parseDelimited(text, delimiter, onProgress);
  const notes =
    unclosed === undefined
      ? []
      : [
          `A quote opened in line ${unclosed} is never closed. Quotes were read as plain characters, so that nothing is swallowed: check the cells around it.`,
        ];
  return { sheets: [{ name: '', rows }], encoding, delimiter, notes };
}
