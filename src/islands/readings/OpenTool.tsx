import { groupsNamedBy } from '../../core/readings/group-edits';
import { type Column, type Table, findColumn } from '../../core/readings/table';
import { FindForm } from './FindForm';
import DeriveForm from './DeriveForm';
import DrawForm from './DrawForm';
import ExportForm from './ExportForm';
import MergeForm from './MergeForm';
import PickForm from './PickForm';
import SplitForm from './SplitForm';

/** A tool opened above the grid; one at a time. */
export type Tool = 'find' | 'pick' | 'derive' | 'draw' | 'export' | 'split' | 'merge';

interface Props {
  tool: Tool;
  /** The table as it was typed; with what is computed filled in; the same a moment calmer. */
  table: Table;
  shown: Table;
  calm: Table;
  /** The column under the hand. */
  column: string;
  onGo: (row: number, column: number) => void;
  onPick: (rows: number[], column: string | undefined, words: string) => void;
  onAdd: (column: Column) => void;
  onAddAll: (columns: Column[]) => void;
  onTable: (rows: number[], note: string, seed: number, ask: boolean) => void;
  onSplit: (separator: string) => void;
  onMerge: (from: string, into: string) => void;
  onClose: () => void;
}

export function OpenTool(props: Props) {
  const { tool, table, shown, calm, column, onGo, onPick, onAdd, onTable, onClose } = props;
  const here = findColumn(table, column);
  switch (tool) {
    case 'find':
      return <FindForm table={shown} onGo={onGo} onClose={onClose} />;
    case 'pick':
      return <PickForm table={shown} column={column} onPick={onPick} onClose={onClose} />;
    case 'derive':
      return <DeriveForm table={calm} start={column} onAdd={onAdd} onClose={onClose} />;
    case 'draw':
      return <DrawForm table={shown} onColumns={props.onAddAll} onTable={onTable} onClose={onClose} />;
    case 'split':
      return here ? <SplitForm column={here} onSplit={props.onSplit} onClose={onClose} /> : null;
    case 'merge':
      return <MergeForm table={table} by={groupsNamedBy(table, column)} onMerge={props.onMerge} onClose={onClose} />;
    case 'export':
      return <ExportForm table={table} onClose={onClose} />;
  }
}
