/**
 * Geometric means with their geometric SD, or with an interval: the mean and the spread of the logarithms, which are what
 * a comparison of such figures takes.
 */
import { cellAt, textAt } from '../readings/cell-at';
import { type Worked, halfWidths, levelIn, limitsIn, meansIn, mostGroups, written } from './limits-apart';
import type { Incoming } from './seen';
import { valueOf } from './sums';

const geometricMean = /^(?:geometric means?|geo\.? ?means?|gm|gmt|geometric mean (?:titre|titer)s?)(?![\p{L}])/iu;
const geometricSd =
  /^(?:geometric (?:sds?|standard deviations?)|geo\.? ?sds?|gsds?|multiplicative sds?|[×x*]\/÷?)(?![\p{L}])/iu;

const logOf = (cell: string): number | undefined => {
  const value = valueOf(cell);
  return value !== undefined && value > 0 ? Math.log(value) : undefined;
};

/** Estimates that lie in the middle of their intervals on a logarithmic scale, and not as they stand: ratios, or doses. */
function inLogs(columns: readonly Incoming[]): Incoming | undefined {
  const mean = meansIn(columns);
  const ends = mean && limitsIn(columns, mean);
  const half = ends && halfWidths(mean, ...ends);
  return half && !half.even && half.evenInLogs ? mean : undefined;
}

/** Columns with the figures of the logarithms in place of geometric ones; as they are where there are none. */
export function geometricMeans(columns: readonly Incoming[]): Worked {
  const as = { columns: [...columns], notes: [] };
  if ((columns[0]?.cells.length ?? 0) > mostGroups) return as;
  const named = columns.find((c) => geometricMean.test(c.name));
  const mean = named ?? inLogs(columns);
  if (!mean) return as;
  const sd = columns.find((c) => geometricSd.test(c.name));
  const [lower, upper] = limitsIn(columns, mean) ?? [];
  const spreads = mean.cells.map((_, i) => {
    if (sd) return logOf(cellAt(sd.cells, i));
    const [from, to] = [logOf(cellAt(lower?.cells, i)), logOf(cellAt(upper?.cells, i))];
    return from === undefined || to === undefined || to <= from ? undefined : (to - from) / 2;
  });
  const means = mean.cells.map(logOf);
  if (!means.every((m, i) => m !== undefined || textAt(mean.cells, i) === '')) return as;
  if (spreads.every((s) => s === undefined)) return as;
  const level = levelIn(`${lower?.name ?? ''} ${upper?.name ?? ''}`) ?? '95';
  const spread = sd ? 'SD of the logarithms' : `half-width of the ${level} % interval of the logarithms`;
  const logs = [
    { name: 'mean of the logarithms', unit: '', cells: means.map(written) },
    { name: spread, unit: '', cells: spreads.map(written) },
  ];
  return {
    columns: columns.flatMap((c) => (c === mean ? logs : c === sd || c === lower || c === upper ? [] : [c])),
    notes: [
      `${named ? 'Geometric means and their spreads' : `The figures of “${mean.name}” lie in the middle of their intervals on a logarithmic scale. They`} became the mean and spread of the natural logarithms, which a comparison takes: e to the power of a difference of them is a ratio${named ? ' of geometric means' : ''}.`,
    ],
  };
}
