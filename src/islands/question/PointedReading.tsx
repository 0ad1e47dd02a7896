import { useState } from 'react';
import type { PointedAt } from '../../charts/DrawingView';
import type { Table } from '../../core/readings/table';
import { keepPicked } from '../shared/picked-rows';
import type { TableEdit } from '../../core/readings/table-edit';

interface Props {
  point: PointedAt;
  table: Table;
  readingsHref: string;
  onEdit: (edits: TableEdit[]) => void;
  onClose: () => void;
}

/** A reading chosen in the picture: set aside with a reason, brought back, or found in its table. */
export default function PointedReading({ point, table, readingsHref, onEdit, onClose }: Props) {
  const [reason, setReason] = useState('');
  const [first] = point.cells;
  if (!first) return null;
  const aside = table.columns.find((c) => c.id === first.column)?.aside[first.row] !== undefined;
  const several = new Set(point.cells.map((c) => c.row)).size > 1;
  const set = (why: string | null) => {
    onEdit([{ kind: 'set-aside', cells: point.cells.map((cell) => ({ ...cell, reason: why })) }]);
    onClose();
  };
  return (
    <form
      className="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1 text-sm"
      aria-label="The reading chosen"
      onSubmit={(e) => {
        e.preventDefault();
        if (reason.trim()) set(reason.trim());
      }}
      onKeyDown={(e) => e.key === 'Escape' && onClose()}
    >
      <span className="font-semibold">{point.title}</span>
      {aside ? (
        <button type="button" className="plain-button" onClick={() => set(null)}>
          Bring it back
        </button>
      ) : (
        <>
          <label>
            set aside, because{' '}
            <input
              className="part min-w-40"
              autoFocus
              placeholder="tag lost, lid off …"
              value={reason}
              maxLength={500}
              onChange={(e) => setReason(e.target.value)}
            />
          </label>
          <button type="submit" className="plain-button" disabled={!reason.trim()}>
            Set aside
          </button>
        </>
      )}
      {several && (
        <a
          className="plain-button"
          href={`${readingsHref}#picked`}
          onClick={() =>
            keepPicked(
              table.id,
              point.cells.map((c) => c.row),
            )
          }
        >
          Pick their rows in the readings
        </a>
      )}
      <a
        className="plain-button"
        href={`${readingsHref}#row=${first.row + 1}&column=${encodeURIComponent(first.column)}`}
      >
        {several ? 'Go to the first' : 'Go to its row'}
      </a>
      <button type="button" className="plain-button" onClick={onClose}>
        Cancel
      </button>
    </form>
  );
}
