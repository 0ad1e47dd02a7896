import { nth } from '../../numeric/nth';
import type { CovariatePart } from '../../answer/comparison';
import { type GroupPart, demandOneUnit, demandReadings, describedBy } from '../../answer/group-part';
import { DomainError, demand } from '../../numeric/domain-error';
import { sum } from '../../numeric/sum';
import { there } from '../../numeric/there';
import { analysisOfCovariance } from '../../procedures/analysis-of-covariance';
import { covariateByRow, covariateOf } from '../../question/covariate';
import { columnNamed } from '../../question/naming';
import type { Question } from '../../question/question';
import { sentenceCase } from '../../readings/counted';
import { groupsAreColumns } from '../../readings/groups';
import type { Reading } from '../../readings/read-column';
import type { Column, Table } from '../../readings/table';
import type { GroupModel } from '../by-model';

/** A reading with the value of the covariate it goes with. */
interface Pair {
  reading: Reading;
  covariate: number;
}

export interface WithCovariate {
  column: Column;
  /** Of each group its readings that have a value of the covariate. */
  groups: { part: GroupPart; pairs: Pair[] }[];
  /** Readings left out for want of one. */
  lost: number;
}

const mean = (xs: readonly number[]): number => sum(xs) / xs.length;

/** Every reading with its value of the covariate. @throws DomainError in words where there is none to adjust for */
function withCovariate(question: Question, table: Table, parts: readonly GroupPart[]): WithCovariate {
  demand(
    !groupsAreColumns(table, question),
    'Adjusting needs the groups named in a column, and what was measured in another: here each column is a group.',
  );
  const column = covariateOf(question, table);
  demand(
    column !== undefined,
    question.covariate === undefined
      ? 'There is no other column of measurements to adjust for: give one the role “measure” in the readings.'
      : 'The column that was adjusted for is no longer there: choose another.',
  );
  demandOneUnit(parts);
  demandReadings(parts, 'Adjusting for a covariate');
  demand(
    parts.every((g) => g.column !== column.id),
    `${sentenceCase(columnNamed(column, table))} cannot be adjusted for itself: choose another column to adjust for.`,
  );
  const values = covariateByRow(column);
  // Of readings averaged within a subject, so is the covariate.
  const averaged = (rows: readonly number[]): number | undefined => {
    const own = rows.flatMap((row) => values.get(row) ?? []);
    return own.length > 0 ? mean(own) : undefined;
  };
  const groups = parts.map((part) => {
    const pairs: Pair[] = [];
    for (const reading of part.readings.used) {
      const covariate = reading.rows ? averaged(reading.rows) : values.get(reading.row);
      if (covariate !== undefined) pairs.push({ reading, covariate });
    }
    return { part, pairs };
  });
  const [empty] = groups.filter(({ part, pairs }) => part.n > 0 && pairs.length === 0);
  if (empty)
    throw new DomainError(
      `No reading of ${empty.part.name} has a value of ${columnNamed(column, table)} in its row, so there is nothing to adjust by.`,
    );
  return { column, groups, lost: sum(groups.map(({ part, pairs }) => part.n - pairs.length)) };
}

/** Words for readings that had no value of the covariate. */
const lostWords = (lost: number, name: string): string[] =>
  lost === 0
    ? []
    : [
        `${lost === 1 ? 'One reading has' : `${lost} readings have`} no value of ${name} and ${lost === 1 ? 'is' : 'are'} left out.`,
      ];

/** The groups compared at one value of the covariate, one slope in all. */
export function fitted(question: Question, table: Table, parts: readonly GroupPart[]): GroupModel {
  const { level, covariateAt } = question;
  const given = withCovariate(question, table, parts);
  const { column, groups, lost } = given;
  const name = columnNamed(column, table);
  const [flat] = groups.filter(({ pairs }) => pairs.length > 0);
  const all = groups.flatMap(({ pairs }) => pairs.map((p) => p.covariate));
  demand(
    all.some((x) => x !== flat?.pairs[0]?.covariate),
    `${sentenceCase(name)} has the same value throughout, so nothing can be adjusted for it.`,
  );
  const fit = analysisOfCovariance(
    groups.map(({ pairs }) => pairs.map((p) => ({ covariate: p.covariate, value: p.reading.value }))),
    level,
    covariateAt,
  );
  const { slope, slopes, at, adjusted, group, covariate, residual, total } = fit;
  return {
    effect: (weights) => fit.effect(weights, level),
    test: () => ({ f: group.f, df: [group.df, residual.df], p: group.p }),
    told: {
      // Each effect as what it adds to the others, so that they need not sum to the total.
      table: [
        { source: 'groups, adjusted', kind: 'effect', ...group },
        { source: name, kind: 'effect', ...covariate },
        { source: 'residual', kind: 'error', ...residual },
        { source: 'total', kind: 'total', ...total },
      ],
      covariate: {
        name,
        unit: column.unit,
        ...(column.logged ? { logged: true } : {}),
        at,
        slope: { estimate: slope.estimate, se: slope.se, interval: slope.interval, p: slope.p.either },
        ...(slopes
          ? { slopes: { f: slopes.f, df: [slopes.df, slopes.dfError] as const, p: slopes.p, own: slopes.own } }
          : {}),
        lost,
        groups: groups.map(({ pairs }, g) => ({
          ...there(adjusted[g], 'An adjusted mean'),
          unadjusted: mean(pairs.map((p) => p.reading.value)),
          covariate: mean(pairs.map((p) => p.covariate)),
          points: pairs.map((p) => ({ x: p.covariate, y: p.reading.value, row: p.reading.row })),
        })),
      },
      remarks: lostWords(lost, name),
    },
  };
}

/** Each group as its readings less the covariate: the change from one to the other. */
export function changes(
  question: Question,
  table: Table,
  parts: readonly GroupPart[],
): { groups: GroupPart[]; remarks: string[] } {
  const { column, groups, lost } = withCovariate(question, table, parts);
  const { unit } = nth(parts, 0);
  demand(
    column.unit === unit,
    `${sentenceCase(columnNamed(column, table))} is in ${column.unit || 'no unit'}, the readings are in ${unit || 'no unit'}: there is no change from one to the other. Adjust for it instead.`,
  );
  return {
    groups: groups.map(({ part, pairs }) => {
      const used = pairs.map(({ reading, covariate }) => ({
        ...reading,
        value: Number((reading.value - covariate).toPrecision(12)),
      }));
      return describedBy(
        { ...part, readings: { ...part.readings, used } },
        used.map((r) => r.value),
        question.level,
      );
    }),
    remarks: lostWords(lost, columnNamed(column, table)),
  };
}

/** Readings less their group's parallel line. */
export const residualsOf = ({ slope, groups }: CovariatePart): number[][] =>
  groups.map(({ points, unadjusted, covariate }) =>
    points.map(({ x, y }) => y - unadjusted - slope.estimate * (x - covariate)),
  );
