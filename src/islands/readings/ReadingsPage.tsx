import { ArrowDown } from 'lucide-react';
import { useStore } from '@nanostores/react';
import { nanoid } from 'nanoid';
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { attempt } from '../../core/numeric/domain-error';
import { random } from '../../core/numeric/random';
import { blindEdits, isBlind, revealEdits } from '../../core/readings/blind';
import { sentColumn } from '../../core/readings/column-edits';
import { groupsNamedBy, mergeGroupsEdits, moveColumnEdits } from '../../core/readings/group-edits';
import { reshapeEdits } from '../../core/readings/reshape';
import { rowAsNamesEdits } from '../../core/readings/row-as-names';
import { holdersOf, readingCells, rowsByRule } from '../../core/readings/rules';
import { splitEdits } from '../../core/readings/split-cells';
import { type Column, type Table, emptyTable } from '../../core/readings/table';
import type { TableEdit } from '../../core/readings/table-edit';
import { openDoubts } from '../../core/understanding/doubts/open-doubts';
import { layoutEdits } from '../../core/understanding/read-as';
import { turnRoundEdits } from '../../core/understanding/turn-round';
import { counted, significant } from '../../core/words/numbers';
import { useFileDrop, useFilePicker } from '../import/FileDrop';
import { keepPicked } from '../shared/picked-rows';
import { RefusedNotice } from '../shared/RefusedNotice';
import { type Packed } from '../../formats/wire';
import type { Kept } from '../shared/fetch-table';
import { later } from '../shared/later';
import { followTable, guardUnsaved, tableStore } from '../shared/table-store';
import { WithTable } from '../shared/WithTable';
import { ActionBar } from '../kit/ActionBar';
import { usePageActions } from '../shared/page-commands';
import { AsideForm } from './AsideForm';
import { barOf } from './bar';
import { ColumnNote } from './ColumnNote';
import { freshColumn } from './fresh-column';
import { Grid } from './Grid';
import { OpenTool, type Tool } from './OpenTool';
import { ReadingsMargin } from './ReadingsMargin';
import { Sentence } from './Sentence';
import { TableHead } from './TableHead';
import type { OnMend } from './Mends';
import { Ways } from './Ways';
import { type Picked, addressed, nothingPicked, pickedElsewhere } from './picked';
import { pasting } from './pasting';
import { tell, untell } from '../kit/tell';
import { type Selection, at, blockOf } from './selection';
import { tableActions } from './table-actions';
import { useRead } from './use-read';
import DescribePanel from './DescribePanel';
import { useStepKeys } from './step-keys';

const ImportPanel = later(() => import('../import/ImportPanel'));

function Readings({ study, kept }: { study: string; kept: Kept }) {
  const [store] = useState(() => tableStore(kept));
  const table = useStore(store.$table);
  const saving = useStore(store.$saving);
  const steps = useStore(store.$steps);
  const [selection, setSelection] = useState<Selection>(() => addressed(kept.table));
  const [asking, setAsking] = useState(false);
  const [tool, setTool] = useState<Tool>();
  const [describing, setDescribing] = useState(false);
  const [picked, setPicked] = useState<Picked>(() => pickedElsewhere(kept.table));
  useEffect(() => keepPicked(kept.table.id, picked.rows), [kept, picked]);
  const [file, setFile] = useState<File>();
  const gridRef = useRef<HTMLDivElement>(null);
  const over = useFileDrop(setFile);
  const picker = useFilePicker(setFile);

  // What is worked out of whole columns may lag a moment behind the hand, so that typing never waits for it.
  const calmTable = useDeferredValue(table);
  const calm = useRead(calmTable);
  const shown = useMemo<Table>(
    () => ({
      ...table,
      columns: table.columns.map((c) => (c.formula ? (calm?.columns.find((d) => d.id === c.id) ?? c) : c)),
    }),
    [table, calm],
  );

  useEffect(() => guardUnsaved(store), [store]);
  useEffect(() => followTable(store), [store]);
  // Where the window is low the page stays at its top.
  useEffect(() => gridRef.current?.focus({ preventScroll: true }), [file]);

  const edit = (edits: TableEdit[]): boolean => {
    const refused = store.edit(edits);
    if (refused) tell({ text: refused, stays: true });
    else untell();
    if (!refused && edits.some((e) => e.kind.endsWith('-rows'))) setPicked(nothingPicked);
    return !refused;
  };
  const say = (text: string) => tell({ text, stays: true });
  const step = (which: 'undo' | 'redo') => {
    untell();
    setPicked(nothingPicked);
    void store[which]();
  };
  const close = () => {
    setTool(undefined);
    gridRef.current?.focus();
  };
  const go = (row: number, column: number) => {
    setSelection(at(row, column));
    gridRef.current?.focus();
  };

  const paste = pasting({
    table,
    edit,
    undo: () => store.undo(),
    report: tell,
    select: (row, column, height, width) =>
      // All of it is selected, and the hand is at its top.
      setSelection({ anchorRow: row + height - 1, anchorColumn: column + width - 1, row, column }),
  });

  const block = blockOf(selection);
  const rows = Math.max(0, Math.min(block.bottom, table.rowCount - 1) - block.top + 1);
  const selectedColumns = useMemo(
    () => table.columns.slice(block.left, block.right + 1),
    [table.columns, block.left, block.right],
  );
  const selectedIds = useMemo(() => selectedColumns.map((c) => c.id), [selectedColumns]);
  // Cells that would be set aside: those of the rows picked, or else those selected.
  const cells =
    picked.rows.size > 0
      ? readingCells(table, [...picked.rows], picked.column)
      : rows * selectedColumns.length > 200_000
        ? []
        : holdersOf(table)
            .filter((c) => selectedIds.includes(c.id))
            .flatMap((column) => Array.from({ length: rows }, (_, i) => ({ column: column.id, row: block.top + i })))
            .filter(({ column, row }) => (table.columns.find((c) => c.id === column)?.cells[row] ?? '') !== '');
  const isAside = (cell: { column: string; row: number }): boolean =>
    table.columns.find((c) => c.id === cell.column)?.aside[cell.row] !== undefined;
  const asideCells = cells.filter(isAside);

  const setAside = (reason: string) => {
    edit([{ kind: 'set-aside', cells: cells.map((cell) => ({ ...cell, reason })) }]);
    setAsking(false);
    setPicked(nothingPicked);
    gridRef.current?.focus();
  };
  const bringBack = () => edit([{ kind: 'set-aside', cells: asideCells.map((cell) => ({ ...cell, reason: null })) }]);
  const pick = (found: number[], column: string | undefined, words: string) => {
    setPicked({ rows: new Set(found), words, column });
    const [first] = found;
    if (first !== undefined)
      setSelection(
        at(
          first,
          Math.max(
            0,
            table.columns.findIndex((c) => c.id === column),
          ),
        ),
      );
  };
  const brush = (id: string, low: number, high: number) => {
    const column = shown.columns.find((c) => c.id === id);
    if (!column) return;
    const found = rowsByRule(column, table.rowCount, {
      column: id,
      is: 'between',
      value: String(low),
      to: String(high),
    });
    pick(found, id, `${column.name || 'readings'} from ${significant(low, 3)} to ${significant(high, 3)}`);
  };
  const moveRows = (by: -1 | 1) => {
    const to = block.top + by;
    if (rows === 0 || to < 0 || to + rows > table.rowCount) return;
    if (edit([{ kind: 'move-rows', at: block.top, count: rows, to }]))
      setSelection({ ...selection, row: selection.row + by, anchorRow: selection.anchorRow + by });
  };
  const moveColumn = (from: number, to: number) => {
    const column = table.columns[from];
    if (!column || to < 0 || to >= table.columns.length) return;
    if (edit(moveColumnEdits(table, column.id, to))) setSelection(at(selection.row, to));
  };
  const addColumns = (columns: readonly Column[], to = table.columns.length): boolean => {
    const done = edit(columns.map((c, i) => ({ kind: 'insert-column', at: to + i, column: sentColumn(c) })));
    if (done) setSelection(at(selection.row, to));
    return done;
  };
  const addColumn = (column: Column, to?: number): boolean => addColumns([column], to);

  const pastTheEdge = (row: number, texts: string[][]): TableEdit[] => {
    const column = freshColumn(table);
    return [
      { kind: 'insert-column', at: table.columns.length, column: sentColumn(column) },
      { kind: 'write', row, columns: [column.id], texts: texts.map((line) => line.slice(0, 1)) },
    ];
  };

  const { ask, askInPairs, newTable, drawnTable, removeTable, taken } = tableActions({
    study,
    table,
    shown,
    selectedIds,
    report: tell,
  });
  /** Does what these edits do, or says why they cannot be made. */
  const doing = (make: () => TableEdit[]): boolean => {
    const edits = attempt(make);
    if (edits.ok) return edit(edits.value);
    say(edits.reason);
    return false;
  };
  const turn = (shape: Table['shape']) => {
    if (doing(() => reshapeEdits(table, shape))) setSelection(at(0, 0));
  };
  const columnHere = shown.columns[selection.column];
  const split = (separator: string) => {
    if (columnHere && doing(() => splitEdits(table, columnHere, separator, nanoid(8)))) close();
  };
  const merge = (from: string, into: string) => {
    if (doing(() => mergeGroupsEdits(table, from, into, groupsNamedBy(table, columnHere?.id)))) close();
  };

  const layout = (shape: Table['shape']) => edit(layoutEdits(table, shape));
  // Notes follow the calm table. A mend is found again in the newest, so that nothing typed meanwhile is written over.
  const mend: OnMend = (chosen, mendsOf) => {
    const found = table === calmTable ? chosen : mendsOf(table).find((m) => m.label === chosen.label);
    if (found) edit(found.edits);
  };

  const hide = () => {
    const [seed = 1] = crypto.getRandomValues(new Uint32Array(1));
    const edits = attempt(() => blindEdits(table, new Date().toISOString(), random(seed)));
    if (!edits.ok) return say(edits.reason);
    if (edit(edits.value))
      say(
        'Group names are hidden behind letters, here, in every answer, picture and export, until you reveal them, also in the names of contrasts. A write-up whose own words name them is covered until you ask to see it.',
      );
  };
  const reveal = () =>
    tell({
      text: 'Names stand again everywhere, and the log and Methods say when they were revealed.',
      actions: [
        {
          label: 'Reveal them',
          run: () => {
            const edits = attempt(() => revealEdits(table, new Date().toISOString()));
            if (!edits.ok) return say(edits.reason);
            edit(edits.value);
          },
        },
      ],
    });

  const toggle = (which: Tool) => () => setTool(tool === which ? undefined : which);
  const bar = barOf({
    table,
    here: columnHere,
    selection,
    rows,
    steps,
    tool,
    describing,
    aside: { cells: cells.length, all: asideCells.length > 0 && asideCells.length === cells.length },
    toggle,
    step,
    edit,
    doing,
    moveRows,
    setAside: () => setAsking(true),
    bringBack,
    describe: () => setDescribing(!describing),
    turnRound: () => doing(() => turnRoundEdits(table)) && setSelection(at(0, 0)),
    takeNames: () => doing(() => rowAsNamesEdits(table, selection.row)) && setSelection(at(0, selection.column)),
    blind: isBlind(table) ? reveal : hide,
    openFile: picker.pick,
    startTable: () => void newTable(emptyTable('New readings'), 'typed'),
    removeTable: () => void removeTable(),
  });
  usePageActions(bar.flatMap((group) => (group.menu ? group.actions : [])));

  // What stands around the grid follows the calm table, and is not drawn again for each key.
  const newest = useRef({ edit, turn, layout, mend, ask, askInPairs, go, say });
  useEffect(() => {
    newest.current = { edit, turn, layout, mend, ask, askInPairs, go, say };
  });
  useStepKeys(step);
  const sentence = useMemo(
    () =>
      calm ? (
        <Sentence
          table={calm}
          onEdit={(e) => newest.current.edit(e)}
          onTurn={(shape) => newest.current.turn(shape)}
          onLayout={(shape) => newest.current.layout(shape)}
        />
      ) : (
        <p role="status" className="prose-serif text-[17px] leading-7 text-muted">
          Reading the table …
        </p>
      ),
    [calm],
  );
  const ways = calm && openDoubts(calm).find((d) => d.code === 'ambiguous-layout');
  const calmColumn = calm?.columns[selection.column];
  const notes = useMemo(
    () =>
      calm && (
        <ReadingsMargin
          table={calm}
          onAsk={(question) => void newest.current.ask(question)}
          onPair={() => void newest.current.askInPairs()}
          onGo={(row, column) => newest.current.go(row, column)}
          onEdit={(e) => newest.current.edit(e)}
          onMend={(chosen, mendsOf) => newest.current.mend(chosen, mendsOf)}
        >
          {calmColumn && (
            <ColumnNote
              table={calm}
              column={calmColumn}
              position={calm.columns.indexOf(calmColumn)}
              onEdit={(e) => newest.current.edit(e)}
              onSay={(text) => newest.current.say(text)}
              study={study}
            />
          )}
        </ReadingsMargin>
      ),
    [calm, calmColumn, study],
  );
  return (
    <div className="min-[1100px]:h-[calc(100vh-2.75rem)] min-[1100px]:grid-rows-[minmax(0,1fr)] min-[1100px]:grid min-[1100px]:grid-cols-[minmax(0,1fr)_17rem]">
      {/* A table coming in has no margin notes: it takes their room. */}
      <div
        className={`flex min-w-0 flex-col px-6 pt-3 pb-4 max-[1100px]:h-[calc(100vh-2.75rem)] ${file ? 'min-[1100px]:col-span-2' : ''}`}
      >
        <TableHead table={table} saving={saving} onName={(name) => edit([{ kind: 'describe-table', name }])} />
        {picker.field}
        <RefusedNotice store={store} />
        {file ? (
          <ImportPanel file={file} study={study} onTaken={taken} onLeave={() => setFile(undefined)} />
        ) : (
          <>
            {sentence}
            {/* On a narrow page what can be asked stands below the grid. */}
            <p className="text-sm min-[1101px]:hidden">
              <a className="plain-button font-semibold" href="#what-to-ask">
                To the question <ArrowDown size={14} aria-hidden />
              </a>
            </p>
            {calm && ways && <Ways table={calm} doubt={ways} onMend={mend} />}
            <ActionBar groups={bar}>
              {picked.words !== '' && (
                <span role="status" className="pl-2 text-muted">
                  {counted(picked.rows.size, 'row')} picked: {picked.words}.{' '}
                  <button type="button" className="plain-button" onClick={() => setPicked(nothingPicked)}>
                    Clear selection
                  </button>
                </span>
              )}
            </ActionBar>
            {tool && (
              <OpenTool
                tool={tool}
                table={table}
                shown={shown}
                calm={calm ?? shown}
                column={columnHere?.id ?? ''}
                onGo={(row, column) => setSelection(at(row, column))}
                onPick={pick}
                onAdd={(column) => {
                  if (addColumn(column)) close();
                }}
                onAddAll={(columns) => {
                  if (addColumns(columns)) close();
                }}
                onTable={drawnTable}
                onSplit={split}
                onMerge={merge}
                onClose={close}
              />
            )}
            {asking && <AsideForm count={cells.length} onSet={setAside} onLeave={() => setAsking(false)} />}
            {describing && calm && (
              <DescribePanel
                table={calm}
                described={table.described}
                chosen={selectedIds}
                onEdit={edit}
                onClose={() => setDescribing(false)}
              />
            )}
            <div className={`min-h-0 grow ${over ? 'outline-2 outline-offset-4 outline-primary outline-dashed' : ''}`}>
              <Grid
                table={shown}
                calm={calm}
                selection={selection}
                marked={picked.rows}
                onSelect={setSelection}
                gridRef={gridRef}
                onWrite={(row, column, texts) =>
                  edit(
                    column < table.columns.length
                      ? [
                          {
                            kind: 'write',
                            row,
                            columns: table.columns.slice(column, column + (texts[0]?.length ?? 0)).map((c) => c.id),
                            texts,
                          },
                        ]
                      : pastTheEdge(row, texts),
                  )
                }
                onPaste={paste}
                onUndo={() => step('undo')}
                onRedo={() => step('redo')}
                onFind={() => setTool('find')}
                onMoveRows={moveRows}
                onMoveColumn={moveColumn}
                onDescribe={(column, change) => edit([{ kind: 'describe-column', column, ...change }])}
                onBrush={brush}
                onAddColumn={() => addColumn(freshColumn(table))}
              />
            </div>
          </>
        )}
      </div>
      {!file && notes}
    </div>
  );
}

/** The place where readings are typed, pasted, opened and put in order. */
export const ReadingsPage = ({
  study,
  table,
  kept,
}: {
  study: string;
  table: string;
  kept: Packed<Kept> | undefined;
}) => (
  <WithTable id={table} kept={kept}>
    {(found) => <Readings study={study} kept={found} />}
  </WithTable>
);
