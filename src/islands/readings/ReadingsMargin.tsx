import type { ReactNode } from 'react';
import { layoutNames } from '../../core/readings/layouts';
import type { Question } from '../../core/question/question';
import { openDoubts } from '../../core/understanding/doubts/open-doubts';
import { doubtsOf } from '../../core/readings/doubtful';
import { looksLike, readAsEdits } from '../../core/understanding/read-as';
import { cellsAside, readColumn } from '../../core/readings/read-column';
import { type Table, isMeasured } from '../../core/readings/table';
import type { TableEdit } from '../../core/readings/table-edit';
import { AskNote } from './AskNote';
import { DoubtsNote } from './DoubtsNote';
import type { OnMend } from './Mends';
import { RepeatsNote } from './RepeatsNote';

interface Props {
  /** With its derived columns computed. */
  table: Table;
  onAsk: (question?: Question) => void;
  onPair: () => void;
  onGo: (row: number, column: number) => void;
  onEdit: (edits: TableEdit[]) => void;
  onMend: OnMend;
  /** The notes on the column under the hand. */
  children: ReactNode;
}

/** Cells listed one by one. */
const listed = 20;

/** Notes beside the readings: what to do next, what was set aside, what was not read. */
export function ReadingsMargin({ table, onAsk, onPair, onGo, onEdit, onMend, children }: Props) {
  const measured = table.columns.flatMap((column, position) =>
    isMeasured(column.role) ? [{ column, position, readings: readColumn(column) }] : [],
  );
  const aside = table.columns.flatMap((column, position) =>
    column.formula ? [] : cellsAside(column).map((cell) => ({ ...cell, column, position })),
  );
  const unread = measured.flatMap(({ column, position, readings }) =>
    readings.unread.map((cell) => ({ ...cell, column, position })),
  );
  const otherwise = measured.flatMap(({ column, position }) =>
    column.formula
      ? []
      : doubtsOf(column).flatMap((doubt) => (doubt.became === undefined ? [] : [{ ...doubt, column, position }])),
  );
  // Repeated readings stand in a note of their own, and ways to read the table above the grid.
  const elsewhere = table.shape === 'rows' ? ['replicates', 'ambiguous-layout'] : ['ambiguous-layout'];
  const doubts = openDoubts(table).filter((d) => !elsewhere.includes(d.code));
  const like = looksLike(table);
  return (
    <aside aria-label="Margin notes" className="space-y-4 overflow-auto py-4 pr-5 max-[1100px]:pl-6">
      <AskNote table={table} onAsk={onAsk} onMend={onMend} />
      {like && (
        <section className="note">
          This looks like {layoutNames[like]}.{' '}
          <button type="button" className="plain-button" onClick={() => onEdit(readAsEdits(table, like))}>
            Read it so
          </button>
        </section>
      )}
      <DoubtsNote
        doubts={doubts}
        onGo={(row, id) =>
          onGo(
            row,
            Math.max(
              0,
              table.columns.findIndex((c) => c.id === id),
            ),
          )
        }
        onMend={onMend}
      />
      <RepeatsNote table={table} onEdit={onEdit} onPair={onPair} onAsk={onAsk} />
      {unread.length > 0 && (
        <section className="note">
          <h2 className="part-of-page">Not read as numbers</h2>
          <p className="text-muted">Kept as typed, and left out of every answer.</p>
          <ul className="mt-1 space-y-1">
            {unread.slice(0, listed).map(({ column, position, row, text, why }) => (
              <li key={`${column.id}-${row}`}>
                <button type="button" className="plain-button text-left" onClick={() => onGo(row, position)}>
                  {column.name}, row {row + 1}
                </button>
                : “{text.slice(0, 40)}” {why}.
              </li>
            ))}
          </ul>
          {unread.length > listed && <p>and {unread.length - listed} more.</p>}
        </section>
      )}
      {otherwise.length > 0 && (
        <section className="note" aria-label="Read otherwise than written">
          <h2 className="part-of-page">Read otherwise than written</h2>
          <ul className="mt-1 space-y-1">
            {otherwise.slice(0, listed).map(({ column, position, row, text, became }) => (
              <li key={`${column.id}-${row}`}>
                <button type="button" className="plain-button text-left" onClick={() => onGo(row, position)}>
                  {column.name}, row {row + 1}
                </button>
                : “{text.slice(0, 40)}” as {became}.
              </li>
            ))}
          </ul>
          {otherwise.length > listed && <p>and {otherwise.length - listed} more.</p>}
        </section>
      )}
      {aside.length > 0 && (
        <section className="note" aria-label="Set aside">
          <h2 className="part-of-page">Set aside</h2>
          <ul className="mt-1 space-y-1.5">
            {aside.slice(0, listed).map(({ column, position, row, text, reason }) => (
              <li key={`${column.id}-${row}`}>
                <button type="button" className="plain-button text-left" onClick={() => onGo(row, position)}>
                  {column.name}, row {row + 1}
                </button>
                : <s className="text-muted">{text}</s> {reason}.{' '}
                <button
                  type="button"
                  className="plain-button"
                  onClick={() => onEdit([{ kind: 'set-aside', cells: [{ column: column.id, row, reason: null }] }])}
                >
                  Bring back
                </button>
              </li>
            ))}
          </ul>
          {aside.length > listed && <p>and {aside.length - listed} more.</p>}
        </section>
      )}
      {children}
    </aside>
  );
}
