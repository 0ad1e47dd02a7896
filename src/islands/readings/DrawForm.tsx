import { nanoid } from 'nanoid';
import { useState } from 'react';
import { attempt } from '../../core/numeric/domain-error';
import { type Allocation, allocate, drawRows } from '../../core/readings/draw';
import { type Column, type Table, columnsOf, emptyColumn } from '../../core/readings/table';
import { counted } from '../../core/words/numbers';

interface Props {
  table: Table;
  /** Adds a column to this table. */
  onColumn: (column: Column) => void;
  /** Makes a table of its own from rows of this one. */
  onTable: (rows: number[], note: string) => void;
  onClose: () => void;
}

const freshSeed = (): number => crypto.getRandomValues(new Uint32Array(1))[0] ?? 1;

/** Rows that hold anything. */
const filledRows = (table: Table): number[] =>
  Array.from({ length: table.rowCount }, (_, row) => row).filter((row) =>
    table.columns.some((c) => (c.cells[row] ?? '').trim() !== ''),
  );

/** Draws rows at random, or allocates rows to treatments at random; the seed is shown and kept with what was drawn. */
export function DrawForm({ table, onColumn, onTable, onClose }: Props) {
  const [what, setWhat] = useState<'sample' | 'allocate'>('sample');
  const [seed, setSeed] = useState(String(freshSeed()));
  const [size, setSize] = useState('10');
  const [replace, setReplace] = useState(false);
  const [into, setInto] = useState<'column' | 'table'>('column');
  const [way, setWay] = useState<Allocation['way']>('simple');
  const [treatments, setTreatments] = useState('treated, control');
  const [block, setBlock] = useState('4');
  const strataColumns = [...columnsOf(table, 'group'), ...columnsOf(table, 'label')];
  const [by, setBy] = useState(strataColumns[0]?.id ?? '');
  const [fresh, setFresh] = useState('24');
  const [trouble, setTrouble] = useState('');
  const rows = filledRows(table);

  const run = () => {
    setTrouble('');
    const start = Number(seed);
    if (!Number.isInteger(start) || start < 0 || start > 2 ** 32 - 1)
      return setTrouble('A seed is a whole number from 0 to 4294967295.');
    const done = attempt(() => (what === 'sample' ? sample(start) : treat(start)));
    if (!done.ok) setTrouble(done.reason);
  };
  const sample = (start: number) => {
    const drawn = drawRows(rows, Number(size), replace, start);
    const note = `${counted(drawn.length, 'row')} of ${rows.length} drawn at random ${replace ? 'with' : 'without'} replacement, seed ${start}`;
    if (into === 'table') return onTable(drawn, note);
    const times = new Map<number, number>();
    for (const row of drawn) times.set(row, (times.get(row) ?? 0) + 1);
    const column = emptyColumn(nanoid(8), 'drawn', '', 'label');
    onColumn({
      ...column,
      note,
      cells: Array.from({ length: table.rowCount }, (_, row) => {
        const n = times.get(row) ?? 0;
        return n === 0 ? '' : replace ? `${n} ×` : 'drawn';
      }),
    });
  };
  const treat = (start: number) => {
    const named = treatments
      .split(',')
      .map((t) => t.trim())
      .filter(Boolean);
    const subjects = rows.length > 0 ? rows : Array.from({ length: Number(fresh) || 0 }, (_, row) => row);
    const strata = table.columns.find((c) => c.id === by);
    const given = allocate(subjects.length, {
      way,
      treatments: named,
      seed: start,
      block: Number(block),
      strata: subjects.map((row) => strata?.cells[row]?.trim() ?? ''),
    });
    const cells = new Array<string>(Math.max(table.rowCount, subjects.length)).fill('');
    subjects.forEach((row, i) => (cells[row] = given[i] ?? ''));
    const how = { simple: '', blocks: ` in blocks of ${block}`, strata: ` within each ${strata?.name ?? 'stratum'}` }[
      way
    ];
    onColumn({
      ...emptyColumn(nanoid(8), 'treatment', '', 'group'),
      levels: named.map((name) => ({ id: name, name })),
      note: `allocated at random${how} to ${named.join(', ')}; seed ${start}`,
      cells,
    });
  };
  return (
    <form
      className="space-y-1.5 border-t border-line py-1.5 text-sm"
      onSubmit={(e) => {
        e.preventDefault();
        run();
      }}
      onKeyDown={(e) => e.key === 'Escape' && onClose()}
    >
      <p className="flex flex-wrap items-baseline gap-x-2 gap-y-1">
        <select
          className="part"
          aria-label="What to draw"
          value={what}
          onChange={(e) => setWhat(e.target.value as 'sample' | 'allocate')}
        >
          <option value="sample">Draw rows at random</option>
          <option value="allocate">Allocate rows to treatments at random</option>
        </select>
        {what === 'sample' ? (
          <>
            :{' '}
            <input
              className="part w-12"
              aria-label="How many rows"
              inputMode="numeric"
              value={size}
              onChange={(e) => setSize(e.target.value)}
            />{' '}
            of {rows.length},{' '}
            <select
              className="part"
              aria-label="Replacement"
              value={String(replace)}
              onChange={(e) => setReplace(e.target.value === 'true')}
            >
              <option value="false">each at most once</option>
              <option value="true">put back after each draw</option>
            </select>
            , into{' '}
            <select
              className="part"
              aria-label="Into"
              value={into}
              onChange={(e) => setInto(e.target.value as 'column' | 'table')}
            >
              <option value="column">a new column</option>
              <option value="table">a new table</option>
            </select>
          </>
        ) : (
          <>
            :{' '}
            <input
              className="part min-w-40"
              aria-label="Treatments, parted by commas"
              value={treatments}
              onChange={(e) => setTreatments(e.target.value)}
            />
            <select
              className="part"
              aria-label="How to allocate"
              value={way}
              onChange={(e) => setWay(e.target.value as Allocation['way'])}
            >
              <option value="simple">evenly over all</option>
              <option value="blocks">evenly in blocks of</option>
              {strataColumns.length > 0 && <option value="strata">evenly within each</option>}
            </select>
            {way === 'blocks' && (
              <input
                className="part w-10"
                aria-label="Block size"
                inputMode="numeric"
                value={block}
                onChange={(e) => setBlock(e.target.value)}
              />
            )}
            {way === 'strata' && (
              <select className="part" aria-label="Strata" value={by} onChange={(e) => setBy(e.target.value)}>
                {strataColumns.map((c) => (
                  <option key={c.id} value={c.id}>
                    {c.name || 'unnamed column'}
                  </option>
                ))}
              </select>
            )}
            {rows.length === 0 ? (
              <>
                for{' '}
                <input
                  className="part w-12"
                  aria-label="How many subjects"
                  inputMode="numeric"
                  value={fresh}
                  onChange={(e) => setFresh(e.target.value)}
                />{' '}
                new rows
              </>
            ) : (
              <span className="text-muted">for {counted(rows.length, 'row')}</span>
            )}
          </>
        )}
      </p>
      <p className="flex flex-wrap items-baseline gap-x-3">
        with seed{' '}
        <input
          className="part w-28"
          aria-label="Seed"
          inputMode="numeric"
          value={seed}
          onChange={(e) => setSeed(e.target.value)}
        />
        <button type="button" className="plain-button" onClick={() => setSeed(String(freshSeed()))}>
          Another
        </button>
        <button type="submit" className="plain-button">
          {what === 'sample' ? 'Draw' : 'Allocate'}
        </button>
        <button type="button" className="plain-button" onClick={onClose}>
          Leave it
        </button>
        {trouble && (
          <span role="alert" className="text-error">
            {trouble}
          </span>
        )}
      </p>
    </form>
  );
}
