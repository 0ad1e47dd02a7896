import { path } from '../drawing/marks';
import type { Mark } from '../drawing/scene';

/** More subjects than this are not joined by lines: they would be a smear. */
const mostLines = 300;

/** Lines that join readings of one subject from row to row. */
export function subjectLines(rows: readonly (readonly (number | undefined)[])[]): Mark[] {
  if (rows.length > mostLines) return [];
  return rows.map((values) =>
    path(
      values.flatMap((v, i) => (v === undefined ? [] : [[v, i - 0.02] as const])),
      { ink: 'line', weight: 1.2, name: 'pair' },
    ),
  );
}
