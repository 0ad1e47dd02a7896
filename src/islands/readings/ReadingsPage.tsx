import { useStore } from '@nanostores/react';
import { Redo2, Undo2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { type SubmitEvent, useEffect, useRef, useState } from 'react';
import { type TableEdit, limits } from '../../core/readings/edits';
import { readColumn } from '../../core/readings/read-column';
import { type Table, emptyColumn } from '../../core/readings/table';
import { defaultQuestion } from '../../core/question/question';
import { counted } from '../../core/words/numbers';
import { Accepted } from '../shared/Accepted';
import { inWords, send } from '../shared/api';
import { RefusedNotice } from '../shared/RefusedNotice';
import { SaveState } from '../shared/SaveState';
import { type Kept, followTable, guardUnsaved, tableStore } from '../shared/table-store';
import { Grid } from './Grid';
import { ReadingsMargin } from './ReadingsMargin';
import { hasHead, pasteEdits } from './paste';
import { type Selection, at, blockOf } from './selection';

/** What Divide understood of the table, in one sentence with parts that can be changed. */
function Understood({ table, onEdit }: { table: Table; onEdit: (edits: TableEdit[]) => void }) {
  const all = table.columns.map(readColumn);
  const total = (of: (r: (typeof all)[number]) => number) => all.reduce((sum, r) => sum + of(r), 0);
  const aside = total((r) => r.aside.length);
  const unread = total((r) => r.unread.length);
  return (
    <p className="prose-serif text-[17.5px] leading-7">
      Each column is a group of{' '}
      <Accepted
        className="part"
        aria-label="What was measured"
        placeholder="what was measured"
        value={table.measure}
        onAccept={(measure) => onEdit([{ kind: 'describe-table', measure }])}
      />{' '}
      readings, each from one{' '}
      <Accepted
        className="part"
        aria-label="What one independent sample is"
        placeholder="animal, plant, dish …"
        value={table.subject}
        onAccept={(subject) => onEdit([{ kind: 'describe-table', subject }])}
      />
      : {counted(table.columns.length, 'group')},{' '}
      {counted(
        total((r) => r.used.length),
        'reading',
      )}
      {aside > 0 && `, ${aside}\u00a0set\u00a0aside`}
      {unread > 0 && (
        <>
          , <span className="text-warning">{unread} not read as a number</span>
        </>
      )}
      .
    </p>
  );
}

/** The place where readings are typed, pasted and put in order. */
export function ReadingsPage({ study, kept }: { study: string; kept: Kept }) {
  const [store] = useState(() => tableStore(kept));
  const table = useStore(store.$table);
  const saving = useStore(store.$saving);
  const steps = useStore(store.$steps);
  const [selection, setSelection] = useState<Selection>(at(0, 0));
  const [said, setSaid] = useState<{ text: string; action?: { label: string; run: () => void } }>();
  const [reason, setReason] = useState<string>();
  const gridRef = useRef<HTMLDivElement>(null);

  useEffect(() => guardUnsaved(store), [store]);
  useEffect(() => followTable(store), [store]);
  useEffect(() => gridRef.current?.focus(), []);

  const edit = (edits: TableEdit[]): boolean => {
    const refused = store.edit(edits);
    setSaid(refused ? { text: refused } : undefined);
    return !refused;
  };
  const step = (which: 'undo' | 'redo') => {
    setSaid(undefined);
    void store[which]();
  };
  const paste = (block: string[][], row: number, column: number) => {
    const tooLong = block.flat().find((text) => text.length > limits.text);
    if (tooLong)
      return setSaid({
        text: `Nothing was pasted: a cell holds at most ${limits.text} characters, and one of these has ${tooLong.length} (“${tooLong.slice(0, 40)}…”).`,
      });
    const head = row === 0 && hasHead(block);
    if (!edit(pasteEdits(table, block, row, column, head))) return;
    setSelection({
      anchorRow: row,
      anchorColumn: column,
      row: row + block.length - (head ? 2 : 1),
      column: column + (block[0]?.length ?? 1) - 1,
    });
    const size = `${counted(block.length - (head ? 1 : 0), 'row')} of ${counted(block[0]?.length ?? 0, 'column')} pasted.`;
    setSaid(
      head
        ? {
            text: `${size} The first row became the names of the groups.`,
            action: {
              label: 'Keep it as a row instead',
              run: () => void store.undo().then(() => edit(pasteEdits(table, block, row, column, false))),
            },
          }
        : { text: size },
    );
  };

  const block = blockOf(selection);
  const rows = Math.max(0, Math.min(block.bottom, table.rowCount - 1) - block.top + 1);
  const selectedCells = table.columns
    .slice(block.left, block.right + 1)
    .flatMap((column) => Array.from({ length: rows }, (_, i) => ({ column, row: block.top + i })))
    .filter(({ column, row }) => (column.cells[row] ?? '') !== '');
  const asideSelected = selectedCells.filter(({ column, row }) => column.aside[row] !== undefined);
  const setAside = (event: SubmitEvent) => {
    event.preventDefault();
    edit([
      {
        kind: 'set-aside',
        cells: selectedCells.map(({ column, row }) => ({ column: column.id, row, reason: reason?.trim() ?? '' })),
      },
    ]);
    setReason(undefined);
    gridRef.current?.focus();
  };
  const ask = async () => {
    // The groups under the selection, or the first two.
    const chosen = table.columns.slice(block.left, block.right + 1);
    const [a, b] = chosen.length >= 2 ? chosen : table.columns;
    if (!a || !b) return setSaid({ text: 'A comparison needs two groups: add one.' });
    try {
      const { id } = await send<{ id: string }>('POST', '/api/questions', {
        table: table.id,
        question: defaultQuestion(a.id, b.id),
      });
      window.location.assign(`/studies/${study}/questions/${id}`);
    } catch (error) {
      setSaid({ text: inWords(error) });
    }
  };

  return (
    <div className="flex h-[calc(100vh-2.75rem)] max-[1100px]:h-auto max-[1100px]:flex-col">
      <div className="flex min-w-0 grow flex-col px-6 py-4 max-[1100px]:h-[calc(100vh-2.75rem)]">
        <h1 className="sr-only">Readings</h1>
        <Understood table={table} onEdit={edit} />
        <RefusedNotice saving={saving} store={store} />
        <div className="flex min-h-9 flex-wrap items-center gap-x-5 py-1 text-sm">
          <button
            type="button"
            className="plain-button"
            disabled={!steps.canUndo}
            onClick={() => step('undo')}
            title="Ctrl+Z"
          >
            <Undo2 size={15} aria-hidden /> Undo
          </button>
          <button
            type="button"
            className="plain-button"
            disabled={!steps.canRedo}
            onClick={() => step('redo')}
            title="Ctrl+Y"
          >
            <Redo2 size={15} aria-hidden /> Redo
          </button>
          <button
            type="button"
            className="plain-button"
            disabled={block.top > table.rowCount}
            onClick={() => edit([{ kind: 'insert-rows', at: block.top, count: 1 }])}
          >
            Insert a row above
          </button>
          <button
            type="button"
            className="plain-button"
            disabled={rows === 0}
            onClick={() => edit([{ kind: 'remove-rows', at: block.top, count: rows }])}
          >
            Remove {counted(Math.max(1, rows), 'row')}
          </button>
          {asideSelected.length > 0 ? (
            <button
              type="button"
              className="plain-button"
              onClick={() =>
                edit([
                  {
                    kind: 'set-aside',
                    cells: asideSelected.map(({ column, row }) => ({ column: column.id, row, reason: null })),
                  },
                ])
              }
            >
              Bring back {counted(asideSelected.length, 'reading')}
            </button>
          ) : (
            <button
              type="button"
              className="plain-button"
              disabled={selectedCells.length === 0}
              onClick={() => setReason('')}
            >
              Set aside {selectedCells.length > 0 && counted(selectedCells.length, 'reading')}
            </button>
          )}
          <span className="grow" />
          <SaveState saving={saving} />
        </div>
        {reason !== undefined && (
          <form onSubmit={setAside} className="flex items-baseline gap-3 border-t border-line py-1.5 text-sm">
            <label htmlFor="aside-reason">Set aside {counted(selectedCells.length, 'reading')}, because</label>
            <input
              id="aside-reason"
              className="part grow"
              autoFocus
              placeholder="tag lost, lid off, wrong probe …"
              value={reason}
              maxLength={500}
              onChange={(e) => setReason(e.target.value)}
              onKeyDown={(e) => e.key === 'Escape' && setReason(undefined)}
            />
            <button type="submit" className="plain-button" disabled={!reason.trim()}>
              Set aside
            </button>
            <button type="button" className="plain-button" onClick={() => setReason(undefined)}>
              Leave it
            </button>
          </form>
        )}
        {said && (
          <p role="status" className="border-t border-line py-1.5 text-sm">
            {said.text}{' '}
            {said.action && (
              <button type="button" className="plain-button" onClick={said.action.run}>
                {said.action.label}
              </button>
            )}
          </p>
        )}
        <div className="min-h-0 grow">
          <Grid
            table={table}
            selection={selection}
            onSelect={setSelection}
            gridRef={gridRef}
            onWrite={(row, column, texts) =>
              edit([
                {
                  kind: 'write',
                  row,
                  columns: table.columns.slice(column, column + (texts[0]?.length ?? 0)).map((c) => c.id),
                  texts,
                },
              ])
            }
            onPaste={paste}
            onUndo={() => step('undo')}
            onRedo={() => step('redo')}
            onDescribe={(column, change) => edit([{ kind: 'describe-column', column, ...change }])}
            onRemoveColumn={(column) => {
              if (edit([{ kind: 'remove-column', column }]))
                setSelection(at(selection.row, Math.max(0, selection.column - 1)));
            }}
            onAddColumn={() =>
              edit([
                {
                  kind: 'insert-column',
                  at: table.columns.length,
                  column: {
                    ...emptyColumn(nanoid(8), `Group ${table.columns.length + 1}`, table.columns.at(-1)?.unit ?? ''),
                    cells: [],
                    aside: {},
                  },
                },
              ])
            }
          />
        </div>
      </div>
      <ReadingsMargin
        table={table}
        onAsk={() => void ask()}
        onGo={(row, column) => {
          setSelection(at(row, column));
          gridRef.current?.focus();
        }}
        onBringBack={(column, row) => edit([{ kind: 'set-aside', cells: [{ column, row, reason: null }] }])}
      />
    </div>
  );
}
