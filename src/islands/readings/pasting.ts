import type { Table } from '../../core/readings/table';
import { type TableEdit, limits } from '../../core/readings/table-edit';
import { counted } from '../../core/words/numbers';
import { hasHead, isUntouched, pasteEdits, takeBlockEdits } from './paste';
import type { Report } from './table-actions';

interface Hands {
  table: Table;
  edit: (edits: TableEdit[]) => boolean;
  undo: () => Promise<void>;
  report: (report: Report) => void;
  select: (row: number, column: number, height: number, width: number) => void;
}

type Block = string[][];

/** Puts a block into the table from a cell on, and says what was made of its first row. */
function pasteInto({ table, edit, undo, report, select }: Hands, block: Block, row: number, column: number): void {
  const head = row === 0 && hasHead(block);
  if (!edit(pasteEdits(table, block, row, column, head))) return;
  const width = block[0]?.length ?? 1;
  const height = block.length - (head ? 1 : 0);
  select(row, column, height, width);
  const size = `${counted(height, 'row')} of ${counted(width, 'column')} pasted.`;
  const again = () => void undo().then(() => edit(pasteEdits(table, block, row, column, false)));
  report(
    head
      ? {
          text: `${size} The first row became the names of the groups.`,
          action: { label: 'Keep it as a row instead', run: again },
        }
      : { text: size },
  );
}

/** Puts a block into a table nobody has touched: it decides the layout, which is then told. */
function pasteWhole({ table, edit, undo, report, select }: Hands, block: Block): void {
  const { edits, understood } = takeBlockEdits(table, block);
  if (!edit(edits)) return;
  const { heads, table: taken, doubts } = understood;
  const width = taken.columns.length;
  select(0, 0, Math.max(1, taken.rowCount), width);
  const named = heads.names
    ? ` The first row became the names of the ${taken.shape === 'columns' ? 'groups' : 'columns'}${heads.units ? ', the second their units' : ''}.`
    : '';
  const doubt = doubts > 0 ? ` ${counted(doubts, 'cell')} open to doubt: see the margin.` : '';
  const again = () => void undo().then(() => edit(pasteEdits(table, block, 0, 0, false)));
  report({
    text: `${counted(taken.rowCount, 'row')} of ${counted(width, 'column')} pasted.${named}${doubt}`,
    ...(heads.names ? { action: { label: 'Keep it as a row instead', run: again } } : {}),
  });
}

/** What pasting a block at a cell does. */
export const pasting =
  (hands: Hands) =>
  (block: Block, row: number, column: number): void => {
    const tooLong = block.flat().find((text) => text.length > limits.text);
    if (tooLong) {
      const text = `Nothing was pasted: a cell holds at most ${limits.text} characters, and one of these has ${tooLong.length} (“${tooLong.slice(0, 40)}…”).`;
      return hands.report({ text });
    }
    const single = block.length === 1 && block[0]?.length === 1;
    if (row === 0 && column === 0 && !single && isUntouched(hands.table)) pasteWhole(hands, block);
    else pasteInto(hands, block, row, column);
  };
