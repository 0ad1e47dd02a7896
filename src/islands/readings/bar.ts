/** Everything that can be done with the readings, as data: the bar draws it, and each is found by its name. */
import {
  ArrowDown,
  ArrowUp,
  BetweenHorizontalStart,
  Calculator,
  Columns3,
  Eye,
  EyeOff,
  FileOutput,
  FilePlus,
  FolderOpen,
  Heading,
  ListFilter,
  Merge,
  Redo2,
  RotateCw,
  Rows3,
  Ruler,
  Search,
  Shuffle,
  Sigma,
  Split,
  Strikethrough,
  Table2,
  Trash2,
  Undo,
  Undo2,
} from 'lucide-react';
import { isBlind } from '../../core/readings/blind';
import { columnsAreGroups } from '../../core/readings/groups';
import { convertEdits } from '../../core/readings/convert-unit';
import { type Column, type Table, called } from '../../core/readings/table';
import type { TableEdit } from '../../core/readings/table-edit';
import { unitsLike } from '../../core/readings/units';
import { counted } from '../../core/words/numbers';
import type { ActionGroup } from '../kit/ActionBar';
import type { Tool } from './OpenTool';
import { type Selection, blockOf } from './selection';

interface Page {
  table: Table;
  /** The column under the hand. */
  here: Column | undefined;
  selection: Selection;
  /** How many rows of the table are selected. */
  rows: number;
  steps: { canUndo: boolean; canRedo: boolean };
  tool: Tool | undefined;
  describing: boolean;
  /** How many readings would be set aside, and whether all of them are already. */
  aside: { cells: number; all: boolean };
  toggle: (tool: Tool) => () => void;
  step: (which: 'undo' | 'redo') => void;
  edit: (edits: TableEdit[]) => boolean;
  /** Does what these edits do, or says why they cannot be made. */
  doing: (make: () => TableEdit[]) => boolean;
  moveRows: (by: -1 | 1) => void;
  setAside: () => void;
  bringBack: () => void;
  describe: () => void;
  turnRound: () => void;
  takeNames: () => void;
  /** Hides the names of groups, or reveals them. */
  blind: () => void;
  openFile: () => void;
  startTable: () => void;
  removeTable: () => void;
}

/** What is converted with a column: all of its unit where columns are groups of one measure. */
const together = (table: Table, here: Column): Column[] =>
  columnsAreGroups(table)
    ? table.columns.filter((c) => c.role === here.role && c.unit === here.unit && !c.formula)
    : [here];

export function barOf(page: Page): ActionGroup[] {
  const { table, here, selection, rows, steps, tool, describing, aside } = page;
  const { top, bottom } = blockOf(selection);
  return [
    {
      bare: true,
      actions: [
        { name: 'Open a file', icon: FolderOpen, run: page.openFile },
        { name: 'Undo', icon: Undo2, run: () => page.step('undo'), disabled: !steps.canUndo, keys: 'Ctrl+Z' },
        { name: 'Redo', icon: Redo2, run: () => page.step('redo'), disabled: !steps.canRedo, keys: 'Ctrl+Y' },
        { name: 'Find', icon: Search, run: page.toggle('find'), open: tool === 'find', keys: 'Ctrl+F' },
      ],
    },
    {
      menu: { name: 'Rows', icon: Rows3 },
      actions: [
        {
          name: 'Insert a row above',
          icon: BetweenHorizontalStart,
          disabled: top > table.rowCount,
          run: () => page.edit([{ kind: 'insert-rows', at: top, count: 1 }]),
        },
        {
          name: `Remove ${counted(Math.max(1, rows), 'row')}`,
          icon: Trash2,
          disabled: rows === 0,
          run: () => page.edit([{ kind: 'remove-rows', at: top, count: rows }]),
        },
        {
          name: 'Move up',
          icon: ArrowUp,
          keys: 'Alt+↑',
          disabled: rows === 0 || top === 0,
          run: () => page.moveRows(-1),
        },
        {
          name: 'Move down',
          icon: ArrowDown,
          keys: 'Alt+↓',
          disabled: rows === 0 || bottom >= table.rowCount - 1,
          run: () => page.moveRows(1),
        },
        { name: 'Pick rows', icon: ListFilter, run: page.toggle('pick'), open: tool === 'pick' },
        {
          name: `Take row ${selection.row + 1} as the names`,
          icon: Heading,
          disabled: selection.row >= table.rowCount,
          run: page.takeNames,
        },
      ],
    },
    {
      menu: { name: 'Columns', icon: Columns3 },
      actions: [
        { name: 'New column', icon: Calculator, run: page.toggle('derive'), open: tool === 'derive' },
        {
          name: 'Split the cells',
          icon: Split,
          hint: 'of the column you are in',
          run: page.toggle('split'),
          disabled: here === undefined,
        },
        { name: 'Merge groups', icon: Merge, run: page.toggle('merge') },
        ...(here && !here.formula ? unitsLike(here.unit) : []).map((unit) => ({
          name: `Convert ${columnsAreGroups(table) ? 'the readings' : called(here)} to ${unit}`,
          icon: Ruler,
          run: () => {
            if (here) page.doing(() => together(table, here).flatMap((c) => convertEdits(c, unit)));
          },
        })),
      ],
    },
    {
      menu: { name: 'Table', icon: Table2 },
      actions: [
        { name: 'Turn round', icon: RotateCw, hint: 'Exchange rows and columns', run: page.turnRound },
        isBlind(table)
          ? { name: 'Reveal group names …', icon: Eye, run: page.blind }
          : {
              name: 'Hide group names',
              icon: EyeOff,
              hint: 'Letters in their place, until you reveal them',
              run: page.blind,
            },
        { name: 'Sample or randomize', icon: Shuffle, run: page.toggle('draw') },
        { name: 'Export', icon: FileOutput, hint: 'As a file for a spreadsheet', run: page.toggle('export') },
        { name: 'New table', icon: FilePlus, run: page.startTable },
        { name: 'Remove table', icon: Trash2, run: page.removeTable },
      ],
    },
    {
      actions: [
        { name: 'Describe', icon: Sigma, run: page.describe, open: describing },
        aside.all
          ? { name: `Bring back ${counted(aside.cells, 'reading')}`, icon: Undo, run: page.bringBack }
          : {
              name: aside.cells > 0 ? `Set aside ${counted(aside.cells, 'reading')}` : 'Set aside',
              icon: Strikethrough,
              disabled: aside.cells === 0,
              run: page.setAside,
            },
      ],
    },
  ];
}
