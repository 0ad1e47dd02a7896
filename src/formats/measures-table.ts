/** One question asked of every measure, as a table for files: a row a measure, every number whole. */
import type { Cell } from 'write-excel-file/universal';
import type { MeasureAnswer } from '../core/answer/measure-answer';
import { safeCsv } from './safe-csv';

/** A measure's answer with its p among all. */
export type AdjustedMeasure = MeasureAnswer & { adjusted?: number | undefined };

type Value = string | number | undefined;

/** @param groups what the groups compared are called */
export function measuresTable(all: readonly AdjustedMeasure[], groups: readonly string[]): Value[][] {
  const effect = all.some((m) => m.ratio) ? 'ratio' : 'difference';
  const compared = all.some((m) => m.estimate !== undefined);
  const symbol = all.find((m) => m.symbol)?.symbol ?? 'statistic';
  // One df of the difference, two of all groups together.
  const degrees = Math.max(0, ...all.map((m) => m.df?.length ?? 0));
  return [
    [
      'measure',
      'unit',
      ...groups.flatMap((name) => [`n, ${name}`, `mean, ${name}`, `SD, ${name}`]),
      ...(compared ? [effect, 'low', 'high'] : []),
      symbol,
      ...Array.from({ length: degrees }, (_, i) => (degrees === 1 ? 'df' : `df ${i + 1}`)),
      'p',
      'adjusted p',
      'no answer because',
    ],
    ...all.map((m): Value[] => [
      m.name,
      m.unit,
      ...groups.flatMap((_, g) => [m.n[g], m.groups[g]?.mean, m.groups[g]?.sd]),
      ...(compared ? [m.estimate, m.interval?.low, m.interval?.high] : []),
      m.statistic,
      ...Array.from({ length: degrees }, (_, i) => m.df?.[i]),
      m.p,
      m.adjusted,
      m.reason,
    ]),
  ];
}

/** As comma-separated text, with a byte-order mark that tells spreadsheets that it is UTF-8. */
export const measuresCsv = (table: readonly (readonly Value[])[]): Blob =>
  new Blob(['\ufeff', safeCsv(table.map((row) => row.map((value) => String(value ?? ''))))], {
    type: 'text/csv;charset=utf-8',
  });

/** As a workbook of one sheet: numbers as numbers; what has no number in a spreadsheet, as a text. */
export async function measuresXlsx(table: readonly (readonly Value[])[]): Promise<Blob> {
  const { default: writeXlsxFile } = await import('write-excel-file/universal');
  const rows = table.map((row, at) =>
    row.map((value): Cell => {
      if (value === undefined || value === '') return null;
      if (typeof value === 'number' && Number.isFinite(value)) return { value, type: Number };
      return { value: String(value), type: String, ...(at === 0 ? { fontWeight: 'bold' as const } : {}) };
    }),
  );
  return writeXlsxFile(rows, { sheet: 'Every measure' }).toBlob();
}
