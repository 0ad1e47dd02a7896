import { type Table, emptyColumn } from '../../core/readings/table';
import { OpenFileButton } from '../import/FileDrop';
import { Accepted } from '../shared/Accepted';
import { SaveState } from '../shared/SaveState';
import type { Saving } from '../shared/saving';

interface Props {
  table: Table;
  saving: Saving;
  onName: (name: string) => void;
  onFile: (file: File) => void;
  /** Whether the ways to take the table out are shown. */
  exporting: boolean;
  onExport: () => void;
  onNew: (draft: Table) => void;
  onRemove: () => void;
}

/** The table's name, what can be done with tables as a whole, and whether all is kept. */
export const TableHead = ({ table, saving, onName, onFile, exporting, onExport, onNew, onRemove }: Props) => (
  <div className="flex items-baseline gap-4">
    <h1 className="min-w-0 grow">
      <Accepted
        className="part-of-page w-full min-w-0 bg-transparent outline-none focus:outline-2 focus:outline-primary"
        aria-label="Name of the table"
        placeholder="name of these readings"
        value={table.name}
        maxLength={200}
        onAccept={onName}
      />
    </h1>
    <span className="flex items-baseline gap-4 text-sm">
      <OpenFileButton onFile={onFile}>Open a file</OpenFileButton>
      <button type="button" className="plain-button" aria-expanded={exporting} onClick={onExport}>
        Export
      </button>
      <button
        type="button"
        className="plain-button"
        onClick={() =>
          onNew({
            ...table,
            name: 'New readings',
            measure: '',
            subject: '',
            shape: 'columns',
            average: false,
            blind: undefined,
            rowCount: 0,
            columns: [emptyColumn('a', 'Group 1'), emptyColumn('b', 'Group 2')],
          })
        }
      >
        New table
      </button>
      <button type="button" className="plain-button" onClick={onRemove}>
        Remove table
      </button>
    </span>
    <SaveState saving={saving} />
  </div>
);
