import { readColumn } from '../../core/readings/read-column';
import type { Table } from '../../core/readings/table';

interface Props {
  table: Table;
  onAsk: () => void;
  onGo: (row: number, column: number) => void;
  onBringBack: (column: string, row: number) => void;
}

/** Notes beside the readings: what to do next, what was set aside, what was not read. */
export function ReadingsMargin({ table, onAsk, onGo, onBringBack }: Props) {
  const columns = table.columns.map((column, position) => ({ column, position, readings: readColumn(column) }));
  const aside = columns.flatMap(({ column, position, readings }) =>
    readings.aside.map((cell) => ({ ...cell, column, position })),
  );
  const unread = columns.flatMap(({ column, position, readings }) =>
    readings.unread.map((cell) => ({ ...cell, column, position })),
  );
  const ready = columns.filter(({ readings }) => readings.used.length > 1).length >= 2;
  return (
    <aside
      aria-label="Margin notes"
      className="w-60 shrink-0 space-y-4 overflow-auto py-4 pr-6 max-[1100px]:w-full max-[1100px]:pl-6"
    >
      <section className="note">
        {ready ? (
          <button type="button" className="plain-button text-left text-[15px]" onClick={onAsk}>
            Ask whether two groups differ →
          </button>
        ) : (
          <p className="text-muted">
            Type, or paste a block from a spreadsheet. Two groups with two readings each can be compared.
          </p>
        )}
      </section>
      {unread.length > 0 && (
        <section className="note">
          <h2 className="part-of-page">Not read as numbers</h2>
          <p className="text-muted">Kept as typed, and left out of every answer.</p>
          <ul className="mt-1 space-y-1">
            {unread.slice(0, 20).map(({ column, position, row, text, why }) => (
              <li key={`${column.id}-${row}`}>
                <button type="button" className="plain-button text-left" onClick={() => onGo(row, position)}>
                  {column.name}, row {row + 1}
                </button>
                : “{text.slice(0, 40)}” {why}.
              </li>
            ))}
          </ul>
          {unread.length > 20 && <p>and {unread.length - 20} more.</p>}
        </section>
      )}
      {aside.length > 0 && (
        <section className="note">
          <h2 className="part-of-page">Set aside</h2>
          <ul className="mt-1 space-y-1.5">
            {aside.slice(0, 20).map(({ column, position, row, text, reason }) => (
              <li key={`${column.id}-${row}`}>
                <button type="button" className="plain-button text-left" onClick={() => onGo(row, position)}>
                  {column.name}, row {row + 1}
                </button>
                : <s className="text-muted">{text}</s> {reason}.{' '}
                <button type="button" className="plain-button" onClick={() => onBringBack(column.id, row)}>
                  Bring back
                </button>
              </li>
            ))}
          </ul>
          {aside.length > 20 && <p>and {aside.length - 20} more.</p>}
        </section>
      )}
    </aside>
  );
}
