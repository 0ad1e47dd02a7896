import type { Table } from '../../core/readings/table';
import { Accepted } from '../kit/Accepted';
import { SaveState } from '../shared/SaveState';
import type { Saving } from '../shared/saving';

/** The table's name, and whether all is kept. */
export const TableHead = ({
  table,
  saving,
  onName,
}: {
  table: Table;
  saving: Saving;
  onName: (name: string) => void;
}) => (
  <div className="flex items-baseline gap-4">
    <h1 className="min-w-0 grow">
      <Accepted
        className="part-of-page min-h-7 w-full min-w-0 bg-transparent outline-none focus:outline-2 focus:outline-primary"
        aria-label="Name of the table"
        placeholder="name of these readings"
        value={table.name}
        maxLength={200}
        onAccept={onName}
      />
    </h1>
    <SaveState saving={saving} />
  </div>
);
