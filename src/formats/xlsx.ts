import { unzipSync } from 'fflate';
import readXlsxFile from 'read-excel-file/universal';
import { DomainError, demand } from '../core/numeric/domain-error';

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

/** What a workbook's parts would take unpacked, read from its index without unpacking. */
function unpackedSize(bytes: Uint8Array): number {
  let size = 0;
  unzipSync(bytes, {
    filter: ({ originalSize }) => {
      size += originalSize;
      return false;
    },
  });
  return size;
}

/**
 * The sheets of an XLSX workbook as texts. Formula cells give the value the spreadsheet last computed; nothing is computed
 * or followed here.
 * @param limit most bytes it may unpack to
 * @throws DomainError when it is damaged, locked, or would unpack to more than a workbook of readings can hold
 */
export async function readXlsx(bytes: Uint8Array, limit = unpackedLimit): Promise<Sheet[]> {
  let size: number;
  try {
    size = unpackedSize(bytes);
  } catch {
    throw new DomainError(
      'This workbook is damaged: its packing cannot be read. Open it in a spreadsheet and save it anew.',
    );
  }
  demand(
    size <= limit,
    `This workbook would unpack to ${Math.round(size / 1024 / 1024)} MB. Save the sheet with the readings alone, or as CSV.`,
  );
  try {
    const sheets = await readXlsxFile(new Blob([bytes as Uint8Array<ArrayBuffer>]), {
      parseNumber: number,
      trim: false,
    });
    return sheets.map(({ sheet, data }) => ({
      name: sheet,
      rows: data.map((row) => row.map(cellText)),
    }));
  } catch (error) {
    throw new DomainError(
      `This workbook could not be read (${error instanceof Error ? error.message.slice(0, 120) : 'unknown fault'}). Open it in a spreadsheet and save it anew, or as CSV.`,
    );
  }
}
