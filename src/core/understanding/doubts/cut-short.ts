/** Times beside a column that says whether their end was seen: "days" beside "censored". */
import { type Column, columnsOf, type Table, called } from '../../readings/table';
import { endedName, spanName } from '../vocabulary';
import { type Mend, type TableDoubt, asItIs, isSettled } from './doubt';
import { textAt } from '../../readings/cell-at';

/** What says of each time whether its end was seen: by its name, or yes and no beside the time to something. */
function endOf(time: Column, table: Table): Column | undefined {
  const answers = (c: Column): boolean =>
    c.cells.every((cell) => /^(?:|0|1|y|n|yes|no|true|false)$/i.test(cell.trim())) &&
    c.cells.some((cell) => cell.trim() !== '');
  return (
    columnsOf(table, 'label').find((c) => endedName.test(c.name)) ??
    (/(?:^| )(?:to|until|till)(?: |$)/i.test(time.name)
      ? [...columnsOf(table, 'label'), ...columnsOf(table, 'group')].find(answers)
      : undefined)
  );
}

/** Times that may have been cut short, and are counted as they stand. */
export function cutShort(table: Table): TableDoubt[] {
  if (table.shape !== 'rows' || isSettled(table, 'beyond-limit')) return [];
  const [time, another] = columnsOf(table, 'measure').filter((c) => spanName.test(c.name));
  const ended = time && endOf(time, table);
  if (!time || another || !ended) return [];
  const rows = new Map<string, number[]>();
  ended.cells.forEach((cell, row) => {
    const text = cell.trim();
    if (text === '' || time.aside[row] !== undefined || textAt(time.cells, row) === '') return;
    const same = rows.get(text);
    if (same) same.push(row);
    else rows.set(text, [row]);
  });
  if (rows.size !== 2) return [];
  const leaveOut = (text: string, of: readonly number[]): Mend => ({
    label: `Set aside those with “${text}” (${of.length})`,
    edits: [
      {
        kind: 'set-aside',
        cells: of.map((row) => ({ column: time.id, row, reason: `not seen to its end (${called(ended)}: ${text})` })),
      },
    ],
  });
  return [
    {
      code: 'beyond-limit',
      text: `“${called(ended)}” may say which of “${called(time)}” were not seen to their end. They are counted as they stand, which makes long times seem shorter than they are; set aside, the long ones are missed more often. Neither takes the place of a survival analysis.`,
      where: [],
      mends: [
        ...[...rows].map(([text, of]) => leaveOut(text, of)),
        asItIs(table, 'beyond-limit', 'All were seen to their end'),
      ],
    },
  ];
}
