/** A page of critical values, as a printed table gives them. */
import { type CurveName, type Parameters, criticalTable, curves } from '../../planning/curve-reading';
import { type ResultTable, column, figures } from './result-table';

/**
 * @param dfs degrees of freedom, a row each; the normal curve, without any, has one row
 * @param levels areas, a column each: to the right, or of both tails together
 */
export const criticalValues = (
  curve: CurveName,
  parameters: Parameters,
  dfs: readonly number[],
  levels: readonly number[],
  tails: 1 | 2,
): ResultTable => {
  const rows = criticalTable(curve, parameters, curve === 'normal' ? [Infinity] : dfs, levels, tails);
  // Why a value is lacking is said once, below.
  const lacking = new Set(rows.flatMap(({ values }) => values.flatMap((v) => (v.ok ? [] : [v.reason]))));
  return {
    kind: 'critical',
    title: `Critical values of ${curves[curve].symbol}, area ${tails === 2 ? 'outside' : 'to the right'}`,
    columns: [column(curve === 'normal' ? '' : 'df'), ...levels.map((level) => column(String(level)))],
    rows: rows.map(({ df, values }) => ({
      head: [Number.isFinite(df) ? String(df) : 'z'],
      cells: values.map((v) => figures(v.ok ? v.value : undefined, 5)),
    })),
    notes: [...lacking].map((reason) => [reason]),
  };
};
