import type { Table } from '../../core/readings/table';
import { type TableEdit, limits } from '../../core/readings/table-edit';
import type { Intake, IntakeChoice } from '../../core/understanding/intake';
import { counted } from '../../core/words/numbers';
import { hasHead, isUntouched, pasteEdits, takeBlockEdits } from './paste';
import type { Told } from '../kit/tell';

interface Hands {
  table: Table;
  edit: (edits: TableEdit[]) => boolean;
  undo: () => Promise<void>;
  report: (told: Told) => void;
  select: (row: number, column: number, height: number, width: number) => void;
}

type Block = string[][];

/** What the other way of taking the first row is called. */
const asRow = 'Keep it as a row instead';
const asNames = 'Use the first row as names';

/** Puts a block into the table from a cell on, and says what was made of its first row. */
function pasteInto({ table, edit, undo, report, select }: Hands, block: Block, row: number, column: number): void {
  const head = row === 0 && hasHead(block);
  if (!edit(pasteEdits(table, block, row, column, head))) return;
  const width = block[0]?.length ?? 1;
  const height = block.length - (head ? 1 : 0);
  select(row, column, height, width);
  const again = (named: boolean) => () => void undo().then(() => edit(pasteEdits(table, block, row, column, named)));
  report({
    text: `${counted(height, 'row')} of ${counted(width, 'column')} pasted.${head ? ' The first row became the names of the groups.' : ''}`,
    ...(head
      ? { actions: [{ label: asRow, run: again(false) }] }
      : row === 0 && block.length > 1
        ? { actions: [{ label: asNames, run: again(true) }] }
        : {}),
  });
}

/** What was done to a block before it was taken, in a sentence each. */
function doneTo({ heads, table, turned, notes }: Intake): string[] {
  const names = table.shape === 'columns' ? 'groups' : 'columns';
  const line = turned ? 'column' : 'row';
  return [
    ...(turned ? ['It was turned round, so that what stood in rows stands in columns.'] : []),
    ...(heads.skipped > 0 ? [`${counted(heads.skipped, 'line')} above the names left out.`] : []),
    ...(heads.names
      ? [
          `The first ${heads.names > 1 ? `two ${line}s` : line} became the names of the ${names}${heads.units ? ', the second their units' : ''}.`,
        ]
      : []),
    ...notes,
  ];
}

/** Puts a block into a table nobody has touched: it decides the layout, which is then told. */
function pasteWhole({ table, edit, undo, report, select }: Hands, block: Block): void {
  const put = (choice: IntakeChoice = {}): void => {
    const { edits, understood } = takeBlockEdits(table, block, choice);
    if (!edit(edits)) return;
    const { heads, table: taken, doubts, turned } = understood;
    select(0, 0, Math.max(1, taken.rowCount), taken.columns.length);
    const again = (next: IntakeChoice) => () => void undo().then(() => put(next));
    const none = { skipped: heads.skipped, names: 0, units: 0 };
    const actions = [
      heads.names
        ? { label: asRow, run: again({ turned, heads: none }) }
        : { label: asNames, run: again({ turned, heads: { ...none, names: 1 } }) },
      ...(turned ? [{ label: 'Leave it as it stood', run: again({ turned: false }) }] : []),
      ...(understood.arranged
        ? [{ label: 'Leave the readings where they stood', run: again({ arranged: false }) }]
        : []),
    ];
    const doubt = doubts > 0 ? ` ${counted(doubts, 'cell')} unclear: see the margin.` : '';
    report({
      text: `${counted(taken.rowCount, 'row')} of ${counted(taken.columns.length, 'column')} pasted. ${doneTo(understood).join(' ')}${doubt}`,
      ...(block.length > 1 ? { actions } : {}),
    });
  };
  put();
}

/** What pasting a block at a cell does. */
export const pasting =
  (hands: Hands) =>
  (block: Block, row: number, column: number): void => {
    const tooLong = block.flat().find((text) => text.length > limits.text);
    if (tooLong) {
      const text = `Nothing was pasted: a cell holds at most ${limits.text} characters, and one of these has ${tooLong.length} (“${tooLong.slice(0, 40)}…”).`;
      return hands.report({ text, stays: true });
    }
    const single = block.length === 1 && block[0]?.length === 1;
    if (row === 0 && column === 0 && !single && isUntouched(hands.table)) pasteWhole(hands, block);
    else pasteInto(hands, block, row, column);
  };
