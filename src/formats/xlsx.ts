import readXlsxFile from 'read-excel-file/universal';
import { DomainError, demand } from '../core/numeric/domain-error';
import { placeLetters } from '../core/readings/place-letters';
import { percentCells } from './percent-cells';
import { unpacked } from './unpacked';

/** Most that the parts of a workbook may hold once unpacked. */
const unpackedLimit = 600 * 1024 * 1024;

export interface Sheet {
  name: string;
  rows: string[][];
}

/** A number as a spreadsheet shows it: the fifteen digits it guarantees, not the double's last noise. */
const number = (raw: string): string => {
  const x = Number(raw);
  if (!Number.isFinite(x)) return raw;
  const short = String(Number(x.toPrecision(15)));
  return Number(raw) === Number(short) || raw.replace(/^-?0?\.?0*/, '').length > 15 ? short : raw;
};

function cellText(value: unknown): string {
  if (value === null || value === undefined) return '';
  if (typeof value === 'string') return value;
  if (typeof value === 'boolean') return value ? 'TRUE' : 'FALSE';
  if (value instanceof Date) {
    if (Number.isNaN(value.getTime())) return '';
    const iso = value.toISOString();
    return iso.endsWith('T00:00:00.000Z') ? iso.slice(0, 10) : iso.slice(0, 16).replace('T', ' ');
  }
  return typeof value === 'number' ? String(value) : '';
}

/** The place of a column by its letters: A is 1. */
const columnPlace = (letters: string): number =>
  Array.from(letters).reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0);

/** A share as the percentage it is shown as. */
const asPercent = (share: string): string => {
  const x = Number(share);
  return Number.isFinite(x) ? `${String(Number((x * 100).toPrecision(12)))} %` : share;
};

/**
 * Most cells a sheet may reach over, empty ones included: a table is laid out over all of them. A few bytes can name a
 * cell at the far end of a sheet.
 */
const mostCells = 20_000_000;

/** Refuses a sheet whose cells lie further apart than any table of readings. @param xml the sheet's part as text */
function withinReach(xml: string): void {
  let [rows, columns] = [0, 0];
  let last = '';
  for (const [, letters = '', row = ''] of xml.matchAll(
    /<(?:c|row|dimension)\s(?:[^>]*?\s)?r(?:ef)?="(?:[A-Z]+\d+:)?([A-Z]*)(\d+)"/g,
  )) {
    if (Number(row) > rows || columnPlace(letters) > columns) last = `${letters}${row}`;
    rows = Math.max(rows, Number(row));
    columns = Math.max(columns, columnPlace(letters));
  }
  demand(
    rows * columns <= mostCells,
    `A sheet of this workbook reaches to ${last}: over ${Math.round(mostCells / 1e6)} million cells lie between that and its beginning. Delete what stands beyond the readings, empty rows and columns too, or save the readings alone as CSV.`,
  );
}

/**
 * The sheets of an XLSX workbook as texts. Formula cells give the value the spreadsheet last computed; nothing is computed
 * or followed here.
 * @param limit most bytes it may unpack to
 * @throws DomainError when it is damaged, locked, or would unpack to more than a workbook of readings can hold
 */
export async function readXlsx(bytes: Uint8Array, limit = unpackedLimit): Promise<Sheet[]> {
  const parts = await unpacked(bytes, { bytes: limit, files: 5000 });
  for (const [name, part] of Object.entries(parts))
    if (/^xl\/worksheets\/[^/]+\.xml$/.test(name)) withinReach(new TextDecoder().decode(part));
  try {
    const sheets = await readXlsxFile(new Blob([bytes as Uint8Array<ArrayBuffer>]), {
      parseNumber: number,
      trim: false,
    });
    const percent = percentCells(parts);
    return sheets.map(({ sheet, data }) => {
      const shown = percent.get(sheet);
      return {
        name: sheet,
        rows: data.map((row, r) =>
          row.map((value, c) =>
            shown?.has(`${placeLetters(c)}${r + 1}`) && typeof value === 'string' && value !== ''
              ? asPercent(value)
              : cellText(value),
          ),
        ),
      };
    });
  } catch (error) {
    throw new DomainError(
      `This workbook could not be read (${error instanceof Error ? error.message.slice(0, 120) : 'unknown fault'}). Open it in a spreadsheet and save it anew, or as CSV.`,
    );
  }
}
