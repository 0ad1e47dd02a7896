import type { DescribedLine, Figure } from '../answer/describe-table';
import { decimalsOf } from '../numeric/decimals';
import { decimalsFor, fixed, significant } from './numbers';

/** A figure of a line as text; a dash where it has none. @param decimals as chosen, or undefined for as many as fit */
export function figureText(found: DescribedLine, figure: Figure, decimals: number | undefined): string {
  const { description: d, interval, readings } = found;
  if (figure === 'n') return String(readings.used.length);
  if (figure === 'missing') return String(found.missing);
  if (figure === 'aside') return String(readings.aside.length);
  if (!d) return '–';
  const given = decimalsOf(readings.used.slice(0, 2000).map((r) => r.value));
  const fitting = decimals ?? (d.sd ? Math.max(given + 1, Math.min(6, decimalsFor(d.sd))) : given + 1);
  if (figure === 'interval')
    return interval ? `${fixed(interval.low, fitting)} to ${fixed(interval.high, fitting)}` : '–';
  const value = figure === 'cv' ? d.cv && d.cv * 100 : d[figure];
  if (value === undefined) return '–';
  if (decimals !== undefined) return fixed(value, decimals);
  if (figure === 'min' || figure === 'max' || figure === 'range') return fixed(value, given);
  if (figure === 'cv') return fixed(value, 1);
  if (figure === 'skewness' || figure === 'excessKurtosis') return fixed(value, 3);
  if (figure === 'variance' || figure === 'populationVariance') return significant(value, 5);
  return fixed(value, fitting);
}
