/** The figures of each column or group, and of all together, as a table. */
import { type DescribedLine, describeTable } from '../../answer/describe-table';
import { mostOf } from '../../numeric/extremes';
import { decimalsOf } from '../../numeric/decimals';
import { quartileRules } from '../../numeric/quantile';
import { type Described, type Figure, figureNames, usualDescription } from '../../readings/described';
import { type Table, columnsOf, withUnit } from '../../readings/table';
import { decimalsFor, fixed, given as written, percent, significant } from '../numbers';
import { symbol } from '../text';
import { type Cell, type ResultTable, column, count, interval as intervalCell, turnedTable } from './result-table';

/** Figures told by where a reading stands among the others. */
const ordered: readonly Figure[] = ['min', 'q1', 'median', 'q3', 'max'];

/** The highest limit that readings of a line are known only to lie below. */
const limitBelow = ({ readings }: DescribedLine): number | undefined => {
  const limits = readings.used.flatMap((r) => (r.limited === 'censored' ? [r.value] : []));
  return limits.length > 0 ? mostOf(limits) : undefined;
};

/** A figure of a line; a dash where it has none. @param decimals as chosen, or undefined for as many as fit */
export function figureCell(found: DescribedLine, figure: Figure, decimals: number | undefined): Cell {
  const { description: d, interval, readings } = found;
  if (figure === 'n') return count(readings.used.length);
  if (figure === 'missing') return count(found.missing);
  if (figure === 'aside') return count(readings.aside.length);
  if (!d) return { text: '–' };
  const limit = limitBelow(found);
  const byPlace = ordered.includes(figure) ? d[figure as 'median'] : undefined;
  if (limit !== undefined) {
    // What lies below a limit has a place among the readings, and no number of its own.
    if (byPlace === undefined) return { text: '–' };
    if (byPlace <= limit) return { text: `< ${written(limit)}` };
  }
  const given = decimalsOf(readings.used.slice(0, 2000).map((r) => r.value));
  const fitting = decimals ?? (d.sd ? Math.max(given + 1, Math.min(6, decimalsFor(d.sd))) : given + 1);
  if (figure === 'interval') return intervalCell(interval, fitting);
  const value = figure === 'cv' ? d.cv && d.cv * 100 : d[figure];
  if (value === undefined) return { text: '–' };
  const told = (): string => {
    if (decimals !== undefined) return fixed(value, decimals);
    if (figure === 'min' || figure === 'max' || figure === 'range') return fixed(value, given);
    if (figure === 'cv') return fixed(value, 1);
    if (figure === 'skewness' || figure === 'excessKurtosis') return fixed(value, 3);
    if (figure === 'variance' || figure === 'populationVariance') return significant(value, 5);
    return fixed(value, fitting);
  };
  return { text: told(), value };
}

/** What one unit is of: what the table says it measures, or its one column of readings. */
function measured(table: Table): string {
  const [first, ...more] = columnsOf(table, 'measure');
  return table.measure || (first && more.length === 0 ? first.name : 'readings');
}

const ofQuartiles: readonly Figure[] = ['q1', 'q3', 'iqr'];

/** @param table what was described, for its name */
export function descriptionTable(
  table: Table,
  lines: readonly DescribedLine[],
  { figures, decimals, rule, level }: Described,
): ResultTable {
  // One unit for all is said once, at the head.
  const [unit = '', ...others] = new Set(lines.map((line) => line.unit));
  const shared = others.length === 0;
  return {
    kind: 'description',
    title: `Description of ${table.name || table.measure || 'the readings'}`,
    columns: [
      column(shared ? withUnit(measured(table), unit) : 'group'),
      ...figures.map((figure) =>
        column(
          figure === 'n'
            ? symbol('n')
            : figure === 'interval'
              ? `${percent(level)} CI of the mean`
              : figureNames[figure],
        ),
      ),
    ],
    rows: lines.map((line) => ({
      head: [shared ? line.name : withUnit(line.name, line.unit)],
      ...(line.colour === undefined ? {} : { colour: line.colour }),
      cells: figures.map((figure) => figureCell(line, figure, decimals)),
    })),
    notes: [
      ...(figures.some((f) => ofQuartiles.includes(f)) ? [[`Quartiles: ${quartileRules[rule]}.`]] : []),
      ...(lines.some((l) => limitBelow(l) !== undefined)
        ? [
            [
              'Where readings lie below a limit of detection there is no mean and no spread without assuming their shape.',
            ],
          ]
        : []),
    ],
  };
}

/** Whether figures stand below one another: a few groups stand beside one another, as papers print them. */
export const figuresDown = ({ figures, figuresDown: chosen }: Described, lines: number): boolean =>
  chosen ?? lines < figures.length;

/** The description of a table as it was chosen for it. @param of ids of the columns described; all where none are named */
export function chosenDescription(table: Table, of: readonly string[] = []): ResultTable {
  const chosen = table.described ?? usualDescription;
  const lines = describeTable(table, of, chosen.rule, chosen.level);
  const upright = descriptionTable(table, lines, chosen);
  return figuresDown(chosen, lines.length) ? turnedTable(upright) : upright;
}
