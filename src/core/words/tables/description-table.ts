/** The figures of each column or group, and of all together, as a table. */
import { type DescribedLine, type Figure, figureNames } from '../../answer/describe-table';
import { decimalsOf } from '../../numeric/decimals';
import { type QuartileRule, quartileRules } from '../../numeric/quantile';
import { type Table, columnsOf, withUnit } from '../../readings/table';
import { decimalsFor, fixed, percent, significant } from '../numbers';
import { symbol } from '../text';
import { type Cell, type ResultTable, column, count, interval as intervalCell } from './result-table';

/** What of a description is shown, and how. */
export interface Described {
  figures: Figure[];
  /** Undefined for as many as fit. */
  decimals: number | undefined;
  rule: QuartileRule;
  level: number;
}

/** What is shown where nobody chose. */
export const usualDescription: Described = {
  figures: ['n', 'missing', 'mean', 'interval', 'sd', 'sem', 'median', 'min', 'max'],
  decimals: undefined,
  rule: 'linear',
  level: 0.95,
};

/** A figure of a line; a dash where it has none. @param decimals as chosen, or undefined for as many as fit */
export function figureCell(found: DescribedLine, figure: Figure, decimals: number | undefined): Cell {
  const { description: d, interval, readings } = found;
  if (figure === 'n') return count(readings.used.length);
  if (figure === 'missing') return count(found.missing);
  if (figure === 'aside') return count(readings.aside.length);
  if (!d) return { text: '–' };
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
    notes: figures.some((f) => ofQuartiles.includes(f)) ? [[`Quartiles: ${quartileRules[rule]}.`]] : [],
  };
}
