import type { Table } from '../../core/readings/table';
import type { Mend } from '../../core/understanding/doubts/doubt';

/** Applies a mend; `mendsOf` finds it again in a table that has changed since it was offered. */
export type OnMend = (mend: Mend, mendsOf: (table: Table) => readonly Mend[]) => void;

interface Props {
  mends: readonly Mend[];
  mendsOf: (table: Table) => readonly Mend[];
  onMend: OnMend;
}

/** Mends as buttons, one click each. */
export const Mends = ({ mends, mendsOf, onMend }: Props) =>
  mends.map((mend) => (
    <button key={mend.label} type="button" className="plain-button text-left" onClick={() => onMend(mend, mendsOf)}>
      {mend.label}
    </button>
  ));
