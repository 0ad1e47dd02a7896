/** Ranges, "18–22", where readings are asked for. */
import { there } from '../../numeric/there';
import { applyEdits } from '../../readings/edits';
import { type Column, type Table, called } from '../../readings/table';
import type { TableEdit } from '../../readings/table-edit';
import { type Range, rangeIn } from '../range';
import { interpretedEdits, likelier } from '../read-as';
import { variableIn } from '../vocabulary';
import { type TableDoubt, asItIs, isSettled } from './doubt';

/** Rows that are looked at, and up to which a click mends them. */
const mostRows = 5000;

/** Ranges there are at least, and their share of what a column holds. */
const fewest = 3;
const share = 0.8;

/** Whether a column holds ranges that are readings: of something measured, or such as overlap, which classes do not. */
function holdsRanges(column: Column): boolean {
  const filled = column.cells.slice(0, mostRows).filter((c) => c.trim() !== '');
  if (!filled.slice(0, 20).some((c) => rangeIn(c))) return false;
  const found = filled.flatMap((c) => rangeIn(c) ?? []);
  if (found.length < fewest || found.length < share * filled.length) return false;
  const different = [...new Map(found.map((r) => [`${r.low} ${r.high}`, r])).values()].sort((a, b) => a.low - b.low);
  const overlap = different.some((r, i) => i > 0 && r.low < (different[i - 1]?.high ?? r.low));
  return overlap || (different.length > found.length / 2 && variableIn(column.name) !== undefined);
}

/** The middle of a range, with a digit more than its ends have where it needs one. */
const middleOf = ({ low, high, decimals }: Range): string => String(Number(((low + high) / 2).toFixed(decimals + 1)));

/** Columns of ranges, of which nothing can be computed: they are taken for names. */
export function rangesAsReadings(table: Table): TableDoubt[] {
  if (table.shape !== 'categories' || isSettled(table, 'ranges')) return [];
  const columns = table.columns.filter((c) => !c.formula && holdsRanges(c));
  const [first] = columns;
  if (!first) return [];
  const middle = (): TableEdit[] => {
    const middles = columns.map((c): TableEdit => ({
      kind: 'write',
      row: 0,
      columns: [c.id],
      texts: c.cells.map((cell) => {
        const found = rangeIn(cell);
        return [found ? middleOf(found) : cell];
      }),
    }));
    const written = applyEdits(table, middles).table;
    return [...middles, ...interpretedEdits(written, likelier(written).best)];
  };
  const example = there(
    first.cells.find((c) => rangeIn(c)),
    'range',
  );
  return [
    {
      code: 'ranges',
      text: `${columns.map((c) => `“${called(c)}”`).join(', ')} ${columns.length === 1 ? 'holds' : 'hold'} ranges, such as “${example.trim()}”, which are taken for names. Were they readings, each would have to be one number; the middle of a range hides how wide it is.`,
      where: [],
      mends: [
        ...(table.rowCount > mostRows ? [] : [{ label: 'Take the middle of each', edits: middle() }]),
        asItIs(table, 'ranges', 'They are classes'),
      ],
    },
  ];
}
