import { nth } from '../numeric/nth';
import { normal } from '../distributions/normal';
import { adjustP } from '../procedures/adjust-p';
import type { CountedPart } from './comparison';

/** Counts beside those expected, with the cells that depart. */
export function countedPart(
  names: Pick<CountedPart, 'rowName' | 'columnName' | 'rows' | 'columns'>,
  observed: number[][],
  expected: number[][],
  residuals: number[][],
): CountedPart {
  const width = nth(residuals, 0).length;
  const adjusted = adjustP(
    residuals.flat().map((r) => (Number.isFinite(r) ? Math.min(1, 2 * normal.upper(Math.abs(r))) : 1)),
    'holm',
  );
  const all = expected.flat();
  return {
    ...names,
    observed,
    expected,
    residuals,
    cellP: residuals.map((row, i) => row.map((_, j) => adjusted[i * width + j] ?? 1)),
    smallest: all.reduce((a, b) => Math.min(a, b), Infinity),
    underFive: all.filter((e) => e < 5).length,
  };
}
