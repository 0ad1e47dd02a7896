import type { TableEdit } from '../../core/readings/table-edit';
import type { Mend } from '../../core/understanding/doubts/doubt';

/** Mends as buttons, one click each. */
export const Mends = ({ mends, onEdit }: { mends: readonly Mend[]; onEdit: (edits: TableEdit[]) => void }) =>
  mends.map((mend) => (
    <button key={mend.label} type="button" className="plain-button text-left" onClick={() => onEdit(mend.edits)}>
      {mend.label}
    </button>
  ));
