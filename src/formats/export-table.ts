import type { Cell } from 'write-excel-file/universal';
import { withDerived } from '../core/readings/derive';
import { readColumn } from '../core/readings/read-column';
import { type Column, type Table, isMeasured, withUnit } from '../core/readings/table';
import { safeCsv } from './safe-csv';

/** The kinds of file a table can be taken out as. */
export const exportKinds = {
  csv: 'CSV, parted by commas',
  semicolon: 'CSV, parted by semicolons',
  tsv: 'TSV, parted by tabs',
  xlsx: 'XLSX workbook',
} as const;
export type ExportKind = keyof typeof exportKinds;

/** What is written of a table. */
export interface ExportChoice {
  /** Leaves cells that are set aside empty, instead of writing them as if they counted. */
  withoutAside: boolean;
}

const heads = (table: Table): string[] => table.columns.map((c) => withUnit(c.name, c.unit));

const cellText = (column: Column, row: number, { withoutAside }: ExportChoice): string =>
  withoutAside && column.aside[row] !== undefined ? '' : (column.cells[row] ?? '');

/** A table as rows of texts, names first, every cell as it was typed. */
function tableTexts(raw: Table, choice: ExportChoice): string[][] {
  const table = withDerived(raw);
  return [
    heads(table),
    ...Array.from({ length: table.rowCount }, (_, row) => table.columns.map((c) => cellText(c, row, choice))),
  ];
}

/**
 * A table as delimited text in UTF-8. Numbers stand exactly as typed. A text a spreadsheet would run as a formula gets an
 * apostrophe before it, as the safe-export advice for CSV has it.
 */
export function delimitedText(table: Table, kind: Exclude<ExportKind, 'xlsx'>, choice: ExportChoice): string {
  const delimiter = { csv: ',', semicolon: ';', tsv: '\t' }[kind];
  return safeCsv(tableTexts(table, choice), delimiter);
}

const decimalsTyped = (text: string): number => /[.,](\d+)\s*$/.exec(text.trim())?.[1]?.length ?? 0;

/** A table as an XLSX workbook of one sheet: numbers as numbers with the decimals they were typed with, text as text. */
export async function tableXlsx(raw: Table, choice: ExportChoice): Promise<Blob> {
  const { default: writeXlsxFile } = await import('write-excel-file/universal');
  const table = withDerived(raw);
  const values = table.columns.map((c) => {
    const { used, aside } = readColumn(c);
    // A cell beyond a limit is written as it stands, whatever it counts as.
    const known = new Map(used.filter((r) => !r.limited).map((r) => [r.row, r.value]));
    for (const cell of aside) if (cell.value !== undefined) known.set(cell.row, cell.value);
    return known;
  });
  const rows: Cell[][] = [heads(table).map((text) => ({ value: text, type: String, fontWeight: 'bold' as const }))];
  for (let row = 0; row < table.rowCount; row++)
    rows.push(
      table.columns.map((column, k): Cell => {
        const text = cellText(column, row, choice);
        if (text === '') return null;
        const value = isMeasured(column.role) ? values[k]?.get(row) : undefined;
        if (value === undefined) return { value: text, type: String };
        const decimals = column.formula ? 0 : decimalsTyped(text);
        return { value, type: Number, ...(decimals > 0 ? { format: `0.${'0'.repeat(Math.min(15, decimals))}` } : {}) };
      }),
    );
  return writeXlsxFile(rows, { sheet: (table.name || 'Readings').replace(/[[\]:*?/\\]/g, ' ').slice(0, 31) }).toBlob();
}

/** A table as a file of some kind. */
export async function exported(table: Table, kind: ExportKind, choice: ExportChoice): Promise<Blob> {
  if (kind === 'xlsx') return tableXlsx(table, choice);
  // A byte-order mark tells spreadsheets that this is UTF-8.
  return new Blob(['\ufeff', delimitedText(table, kind, choice)], { type: 'text/csv;charset=utf-8' });
}
