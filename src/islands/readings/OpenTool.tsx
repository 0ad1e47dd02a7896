import { Suspense, lazy } from 'react';
import type { Column, Table } from '../../core/readings/table';
import { FindForm } from './FindForm';

// Find is opened by keys with words typed straight after it: it is there. The others are fetched when asked for.
const DeriveForm = lazy(() => import('./DeriveForm'));
const DrawForm = lazy(() => import('./DrawForm'));
const ExportForm = lazy(() => import('./ExportForm'));
const PickForm = lazy(() => import('./PickForm'));

/** A tool opened above the grid; one at a time. */
export type Tool = 'find' | 'pick' | 'derive' | 'draw' | 'export';

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
  onTable: (rows: number[], note: string) => void;
  onClose: () => void;
}

function Opened({ tool, table, shown, calm, column, onGo, onPick, onAdd, onTable, onClose }: Props) {
  switch (tool) {
    case 'find':
      return <FindForm table={shown} onGo={onGo} onClose={onClose} />;
    case 'pick':
      return <PickForm table={shown} column={column} onPick={onPick} onClose={onClose} />;
    case 'derive':
      return <DeriveForm table={calm} start={column} onAdd={onAdd} onClose={onClose} />;
    case 'draw':
      return <DrawForm table={shown} onColumn={onAdd} onTable={onTable} onClose={onClose} />;
    case 'export':
      return <ExportForm table={table} onClose={onClose} />;
  }
}

export const OpenTool = (props: Props) => (
  <Suspense>
    <Opened {...props} />
  </Suspense>
);
