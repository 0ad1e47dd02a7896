/** Tables whose columns are levels: cell means of two factors, counts of two categories. */
import { nth } from '../../numeric/nth';
import type { Answer } from '../../answer/answer';
import type { CountedPart, TwoWayCells } from '../../answer/comparison';
import { mostOf } from '../../numeric/extremes';
import { there } from '../../numeric/there';
import { withUnit } from '../../readings/table';
import { departures, departs } from '../counts';
import { between, fixed, percent } from '../numbers';
import { type Cell, type ResultTable, column, count, empty, words } from './result-table';

/** Cell, row and column means of two factors. */
export function cellTable({ groups, measure, unit, question, logs }: Answer, cells: TwoWayCells): ResultTable {
  const [rows, columns] = cells.factors;
  const decimals = mostOf([0, ...groups.map((g) => g.decimals)]) + 1;
  const at = (a: string, b: string): Cell => {
    const cell = cells.cells.find((c) => c.a === a && c.b === b);
    if (!cell) return words('no readings');
    const sd = cell.sd === undefined ? '' : ` (${fixed(cell.sd, decimals)})`;
    return { text: `${fixed(cell.mean, decimals)}${sd}, n ${cell.n}`, value: cell.mean };
  };
  const margin = (of: 0 | 1, id: string): Cell => {
    const m = cells.margins[of].find((c) => (of === 0 ? c.a : c.b) === id);
    if (!m) return words('–');
    return {
      text: `${fixed(m.mean, decimals)}${m.interval ? ` (${between(m.interval, decimals)})` : ''}`,
      value: m.mean,
    };
  };
  return {
    kind: 'cells',
    title: withUnit(measure || 'reading', unit),
    columns: [
      column(`${rows.name} \\ ${columns.name}`),
      ...columns.levels.map((c) => column(c.name)),
      column(`mean of the cells (${percent(question.level)} CI)`),
    ],
    rows: [
      ...rows.levels.map((r) => ({
        head: [r.name],
        cells: [...columns.levels.map((c) => at(r.id, c.id)), margin(0, r.id)],
      })),
      {
        head: ['mean of the cells'],
        cells: [...columns.levels.map((c) => margin(1, c.id)), empty],
        weight: 'total' as const,
      },
    ],
    notes: [[logs ? 'Each cell: geometric mean (geometric SD), n.' : 'Each cell: mean (SD), n.']],
  };
}

const total = (xs: readonly number[]): number => xs.reduce((a, b) => a + b, 0);

/** Observed counts, what would be expected, the share of the row and the residual, in each cell of one table. */
export function countTable({ measure, question }: Answer, counts: CountedPart): ResultTable {
  const { observed, expected, residuals, cellP, rows, columns } = counts;
  const single = observed.length === 1;
  const cell = (n: number, i: number, j: number): Cell => {
    const at = (of: readonly (readonly number[])[]): number => there(of[i]?.[j], 'a cell of the counts');
    const tone = departs(at(residuals), at(cellP), question.level);
    const share = (n / (total(observed[i] ?? []) || 1)) * 100;
    return {
      text: `${tone && `${tone} `}${n} (${fixed(at(expected), 1)})`,
      value: n,
      below: `${fixed(share, 1)} % · ${fixed(at(residuals), 1)}`,
      ...(tone ? { tone } : {}),
    };
  };
  const standing = departures(counts, question.level);
  return {
    kind: 'counts',
    title: `Counts of ${measure}, with the counts expected`,
    columns: [column(counts.rowName), ...columns.map((c) => column(c)), column('all')],
    rows: [
      ...observed.map((row, i) => ({
        head: [nth(rows, i)],
        cells: [...row.map((n, j) => cell(n, i, j)), count(total(row))],
      })),
      ...(single
        ? []
        : [
            {
              head: ['all'],
              cells: [
                ...columns.map((_, j) => count(total(observed.map((row) => nth(row, j))))),
                count(total(observed.flat())),
              ],
              weight: 'total' as const,
            },
          ]),
    ],
    below: `Below, the share of its ${single ? 'total' : 'row'} and the adjusted residual.`,
    notes: [
      ['Each cell: counted (expected); + and − mark cells that stand out after Holm.'],
      ...(standing.length > 0
        ? [
            [
              `Stand out: ${standing.slice(0, 6).join('; ')}${standing.length > 6 ? `; and ${standing.length - 6} more` : ''}.`,
            ],
          ]
        : []),
    ],
  };
}
