/** Single readings that may not be what they seem. */
import { columnsAreGroups } from '../../readings/groups';
import { hasLimits } from '../../readings/parse-number';
import { readColumn } from '../../readings/read-column';
import { type Column, type Table, called, columnsOf } from '../../readings/table';
import { type TableDoubt, asItIs, isSettled, some } from './doubt';

/** How far the largest may be from the smallest of the others, for a reading ten, a hundred or a thousand times off to be a slip. */
const spans: readonly [factor: number, span: number][] = [
  [10, 4],
  [100, 25],
  [1000, 150],
];

interface Slip {
  column: Column;
  row: number;
  text: string;
  value: number;
  factor: number;
}

/** Readings that a power of ten would bring among the others, which lie close together. */
function slipsIn(columns: readonly Column[]): Slip[] {
  const all = columns.flatMap((column) => readColumn(column).used.map(({ row, value }) => ({ column, row, value })));
  if (all.length < 5 || all.some((r) => r.value <= 0)) return [];
  const sorted = all.map((r) => r.value).sort((a, b) => a - b);
  // The nine tenths in the middle tell where readings lie; no more than a few may be slips.
  const cut = Math.max(1, Math.min(Math.floor(sorted.length / 20) + 1, Math.floor(sorted.length / 4)));
  const [low, high] = [sorted[cut] ?? 0, sorted.at(-1 - cut) ?? 0];
  if (!(low > 0)) return [];
  const slips = all.flatMap(({ column, row, value }): Slip[] => {
    for (const [factor, span] of spans) {
      if (high / low > span) continue;
      for (const by of [factor, 1 / factor]) {
        const mended = value / by;
        const outside =
          by > 1
            ? value > high * (factor / span) * 1.2 && value > 2.5 * high
            : value < low / (factor / span) / 1.2 && value < low / 2.5;
        if (outside && mended >= low / 1.6 && mended <= high * 1.6)
          return [{ column, row, text: column.cells[row] ?? '', value, factor: by }];
      }
    }
    return [];
  });
  return slips.length <= Math.max(1, all.length / 10) ? slips : [];
}

const times = (factor: number): string =>
  factor > 1
    ? `${factor} times`
    : `a ${{ 10: 'tenth', 100: 'hundredth', 1000: 'thousandth' }[Math.round(1 / factor)] ?? 'fraction'} of`;

/** Readings ten, a hundred or a thousand times the rest, or as small a part of it. */
export function scaleSlips(table: Table): TableDoubt[] {
  if (isSettled(table, 'scale-slip') || table.shape === 'counts' || table.shape === 'categories') return [];
  const measures = columnsOf(table, 'measure').filter((c) => !c.formula);
  const together = columnsAreGroups(table) ? [measures] : measures.map((c) => [c]);
  const slips = together.flatMap(slipsIn);
  if (slips.length === 0) return [];
  const mended = (s: Slip): string => String(Number((s.value / s.factor).toPrecision(12)));
  const place = (s: Slip): string => `${called(s.column)}, row ${s.row + 1}`;
  return [
    {
      code: 'scale-slip',
      text: `${some(slips.map((s) => `${s.text.trim()} (${place(s)})`))} ${slips.length === 1 ? 'is' : 'are'} about ${times(slips[0]?.factor ?? 10)} the other readings: another unit, or a lost decimal point?`,
      where: slips.slice(0, 20).map((s) => ({ column: s.column.id, row: s.row, called: place(s) })),
      mends: [
        {
          label:
            slips.length === 1 && slips[0] ? `Read it as ${mended(slips[0])}` : 'Read them in the unit of the others',
          edits: slips.map((s) => ({ kind: 'write', row: s.row, columns: [s.column.id], texts: [[mended(s)]] })),
        },
        {
          label: slips.length === 1 ? 'Set it aside' : 'Set them aside',
          edits: [
            {
              kind: 'set-aside',
              cells: slips.map((s) => ({
                column: s.column.id,
                row: s.row,
                reason: 'of another order of magnitude than the rest',
              })),
            },
          ],
        },
        asItIs(table, 'scale-slip', slips.length === 1 ? 'It is right' : 'They are right'),
      ],
    },
  ];
}

/** Cells that say no more than that a reading lies beyond a limit. */
export function beyondLimits(table: Table): TableDoubt[] {
  if (isSettled(table, 'beyond-limit')) return [];
  const columns = columnsOf(table, 'measure').filter((c) => !c.formula && c.limits === undefined && hasLimits(c.cells));
  if (columns.length === 0) return [];
  const cells = columns.flatMap((c) =>
    readColumn(c).unread.flatMap((u) =>
      hasLimits([u.text]) ? [{ column: c.id, row: u.row, called: `${called(c)}, row ${u.row + 1}`, text: u.text }] : [],
    ),
  );
  if (cells.length === 0) return [];
  return [
    {
      code: 'beyond-limit',
      text: `${cells.length === 1 ? `“${cells[0]?.text.trim() ?? ''}” says` : `${cells.length} cells, such as “${cells[0]?.text.trim() ?? ''}”, say`} only that a reading lies beyond a limit. Left out, the group seems to lie further from it than it does; counted as the limit or half of it, it seems to scatter less.`,
      where: cells.slice(0, 20),
      mends: [
        {
          label: 'Count as the limit',
          edits: columns.map((c) => ({ kind: 'describe-column', column: c.id, limits: 'at' })),
        },
        {
          label: 'Count as half of it',
          edits: columns.map((c) => ({ kind: 'describe-column', column: c.id, limits: 'half' })),
        },
        asItIs(table, 'beyond-limit', 'Leave them out'),
      ],
    },
  ];
}
