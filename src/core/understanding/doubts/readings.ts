/** Single readings that may not be what they seem. */
import { columnsAreGroups } from '../../readings/groups';
import { hasLimits } from '../../readings/parse-number';
import { readColumn } from '../../readings/read-column';
import { type Column, type Table, called, columnsOf } from '../../readings/table';
import { type Mend, type TableDoubt, asItIs, isSettled, some } from './doubt';
import { cellAt, textAt } from '../../readings/cell-at';
import { nth } from '../../numeric/nth';

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

/** Readings that are looked at to tell where most of them lie. */
const sampled = 5000;

/** Between which values nine tenths of the readings lie, or more; undefined where one is not above zero, or there are few. */
function middle(columns: readonly Column[]): { low: number; high: number; n: number } | undefined {
  const total = columns.reduce((n, c) => n + readColumn(c).used.length, 0);
  const stride = Math.max(1, Math.floor(total / sampled));
  const seen: number[] = [];
  for (const column of columns) {
    const { used } = readColumn(column);
    for (let i = 0; i < used.length; i += stride) seen.push(nth(used, i).value);
  }
  if (seen.length < 5) return undefined;
  const sorted = new Float64Array(seen).sort();
  const cut = Math.max(1, Math.min(Math.floor(sorted.length / 20) + 1, Math.floor(sorted.length / 4)));
  const [least = 0, low = 0, high = 0] = [sorted[0], sorted[cut], sorted[sorted.length - 1 - cut]];
  return least > 0 && low > 0 ? { low, high, n: total } : undefined;
}

/** By which power of ten a reading would have to be divided to lie among the others, which lie close together. */
function slipOf(value: number, { low, high }: { low: number; high: number }): number | undefined {
  if (value <= 2.5 * high && value >= low / 2.5) return undefined;
  for (const [factor, span] of spans) {
    if (high / low > span) continue;
    for (const by of [factor, 1 / factor]) {
      const far = by > 1 ? value > high * (factor / span) * 1.2 : value < low / (factor / span) / 1.2;
      const meant = value / by;
      if (far && meant >= low / 1.6 && meant <= high * 1.6) return by;
    }
  }
  return undefined;
}

/** How far a slip lies from the nearest of the others, by its power of ten: nearer, it may be one of them. */
const apart = (factor: number): number => (factor > 1 ? factor : 1 / factor) ** 0.55;

/** Readings that a power of ten would bring among the others. */
function slipsIn(columns: readonly Column[]): Slip[] {
  const most = middle(columns);
  if (!most) return [];
  const slips: Slip[] = [];
  let [least, greatest] = [Infinity, 0];
  for (const column of columns)
    for (const { row, value, limited } of readColumn(column).used) {
      if (value <= 0) return [];
      // What a cell beyond a limit counts as was chosen.
      if (limited) continue;
      const factor = slipOf(value, most);
      if (factor === undefined) {
        least = Math.min(least, value);
        greatest = Math.max(greatest, value);
        continue;
      }
      slips.push({ column, row, text: cellAt(column.cells, row), value, factor });
      // More than a few are no slips.
      if (slips.length > Math.max(1, most.n / 10)) return [];
    }
  return slips.filter(({ value, factor }) =>
    factor > 1 ? value >= greatest * apart(factor) : value <= least / apart(factor),
  );
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

/** Numbers that stand for no reading in many tables. */
const codes = new Set([-9, -99, -999, -9999, -99_999, 999, 9999, 99_999]);

/** Numbers such as −999 far from all other readings: no reading, by a custom. */
export function missingCodes(table: Table): TableDoubt[] {
  if (isSettled(table, 'missing-code') || table.shape === 'counts' || table.shape === 'categories') return [];
  const found = columnsOf(table, 'measure').flatMap((column) => {
    if (column.formula) return [];
    const { used } = readColumn(column);
    const isCode = ({ value }: { value: number }): boolean => codes.has(value);
    const coded = used.filter(isCode);
    if (coded.length === 0 || coded.length > used.length / 2) return [];
    let [least, greatest] = [Infinity, -Infinity];
    for (const reading of used)
      if (!isCode(reading)) [least, greatest] = [Math.min(least, reading.value), Math.max(greatest, reading.value)];
    const far = ({ value }: { value: number }): boolean => (value < 0 ? least >= 0 : value > 3 * greatest);
    return coded.filter(far).map(({ row }) => ({ column, row, text: textAt(column.cells, row) }));
  });
  const [first] = found;
  if (!first) return [];
  const place = ({ column, row }: { column: Column; row: number }): string => `${called(column)}, row ${row + 1}`;
  const texts = [...new Set(found.map((f) => f.text))];
  return [
    {
      code: 'missing-code',
      text: `${some(texts)} (${found.length === 1 ? place(first) : `${found.length} cells`}) is far from all other readings, and is counted as one. Often it stands for a reading that is missing.`,
      where: found.slice(0, 20).map((f) => ({ column: f.column.id, row: f.row, called: place(f) })),
      mends: [
        {
          label: found.length === 1 ? 'It is missing: empty the cell' : 'They are missing: empty the cells',
          edits: found.map((f) => ({ kind: 'write', row: f.row, columns: [f.column.id], texts: [['']] })),
        },
        asItIs(table, 'missing-code', found.length === 1 ? 'It is a reading' : 'They are readings'),
      ],
    },
  ];
}

/** What is written where a reading lay below what could be measured, and no number says where that is. */
const undetected =
  /^(?:b\.?d\.?l\.?|bl?oq|blq|b\.?l\.?d\.?|n\.?d\.?|<? ?(?:lod|loq|dl)|below .*|not detect\w*|undetect\w*|trace)$/i;

/** Cells that say no more than that a reading lies beyond a limit. */
export function beyondLimits(table: Table): TableDoubt[] {
  if (isSettled(table, 'beyond-limit')) return [];
  const columns = columnsOf(table, 'measure').filter((c) => !c.formula && c.limits === undefined);
  const cells = columns.flatMap((c) =>
    readColumn(c).unread.flatMap(({ row, text }) =>
      hasLimits([text]) || undetected.test(text.trim())
        ? [{ column: c.id, row, called: `${called(c)}, row ${row + 1}`, text: text.trim() }]
        : [],
    ),
  );
  const [first] = cells;
  if (!first) return [];
  const numbered = cells.some(({ text }) => /\d/.test(text));
  const said = cells.length === 1 ? `“${first.text}” says` : `${cells.length} cells, such as “${first.text}”, say`;
  const count = (limits: 'censored' | 'at' | 'half'): Mend['edits'] =>
    columns.map((c) => ({ kind: 'describe-column', column: c.id, limits }));
  return [
    {
      code: 'beyond-limit',
      text: numbered
        ? `${said} only that a reading lies beyond a limit. Left out, the group seems to lie further from it than it does; counted as the limit or half of it, it seems to scatter less; counted as below it, nothing is put in its place.`
        : `${said} that a reading lies below what could be measured, and not where that is: typed as “<0.5” it can count as the limit. Left out, the group seems to lie further from it than it does.`,
      where: cells.slice(0, 20),
      mends: [
        ...(numbered
          ? [
              { label: 'Count as below the limit', edits: count('censored') },
              { label: 'Count as the limit', edits: count('at') },
              { label: 'Count as half of it', edits: count('half') },
            ]
          : []),
        asItIs(table, 'beyond-limit', 'Leave them out'),
      ],
    },
  ];
}
