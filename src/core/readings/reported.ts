import { studentT } from '../distributions/t';
import { type Outcome, attempt, demand } from '../numeric/domain-error';
import type { SampleSummary } from '../procedures/sample-summary';
import { besideRows } from './beside';
import { chosenColumns, groupNames } from './groups';
import { levelRows } from './levels';
import { readColumn } from './read-column';
import { type SpreadKind, type Table, columnsOf } from './table';

/** The variance of readings of which a mean, n and a measure of spread were reported. */
function varianceFrom(spread: number, kind: SpreadKind, n: number, level: number): number {
  demand(spread >= 0, 'A measure of spread cannot be negative.');
  switch (kind) {
    case 'sd':
      return spread ** 2;
    case 'variance':
      return spread;
    case 'sem':
      return spread ** 2 * n;
    case 'interval':
      return (spread / studentT(n - 1).upperQuantile((1 - level) / 2)) ** 2 * n;
  }
}

/** A group of which only figures were reported. */
export interface ReportedGroup {
  id: string;
  name: string;
  unit: string;
  colour: number;
  column: string;
  /** Its figures, or what is missing or wrong. */
  figures: Outcome<SampleSummary>;
}

/**
 * The groups of a table of summary figures, one a row.
 * @param about what is asked: where it is the spread, no mean is needed, and it is NaN where the table has none
 */
export function reportedGroups(table: Table, about: 'value' | 'spread' = 'value'): ReportedGroup[] {
  const { by, measure: mean } = chosenColumns(table);
  const [spread] = columnsOf(table, 'spread');
  const [size] = columnsOf(table, 'count');
  if (!by || !mean) return [];
  const at = (column: typeof mean | undefined, row: number): number | undefined =>
    column && readColumn(column).used.find((r) => r.row === row)?.value;
  const rows = levelRows(by);
  const beside = besideRows(table.columns);
  return groupNames(table).flatMap((group, place) => {
    const row = rows.indexOf(place);
    return beside.has(row)
      ? []
      : {
          ...group,
          column: mean.id,
          figures: attempt(() => {
            const known = mean === spread ? undefined : at(mean, row);
            const m = about === 'spread' && mean === spread ? NaN : known;
            const [s, n] = [at(spread, row), at(size, row)];
            demand(m !== undefined, `${group.name} has no mean.`);
            demand(s !== undefined, `${group.name} has no measure of spread: give its SD, variance, SEM or interval.`);
            demand(n !== undefined, `${group.name} has no n: say how many readings its mean is of.`);
            demand(
              Number.isInteger(n) && n > 1,
              `The n of ${group.name} is ${n}: it must be a whole number of at least 2.`,
            );
            return { n, mean: m, variance: varianceFrom(s, table.spread, n, table.level) };
          }),
        };
  });
}
