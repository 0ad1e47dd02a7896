import { nanoid } from 'nanoid';
import { useState } from 'react';
import { DomainError, attempt, demand } from '../../core/numeric/domain-error';
import { listOf } from '../../core/planning/assignment';
import { typedNumber } from '../../core/readings/typed-number';
import { type Allocation, allocate, drawRows } from '../../core/readings/draw';
import { type Column, type Table, called, columnsOf, emptyColumn } from '../../core/readings/table';
import { readColumn } from '../../core/readings/read-column';
import { counted } from '../../core/words/numbers';
import { listed } from '../../core/words/sentences';
import { Choose, Fill, ToolForm } from '../kit/Parts';

interface Props {
  table: Table;
  /** Adds columns to this table. */
  onColumns: (columns: Column[]) => void;
  /** Makes a table of its own from rows of this one, and asks at once what it raises where that is wished. */
  onTable: (rows: number[], note: string, seed: number, ask: boolean) => void;
  onClose: () => void;
}

/** What becomes of rows drawn: they are marked, stand in a table of their own, or are asked about there. */
type Into = 'column' | 'table' | 'question';

const freshSeed = (): string => String(crypto.getRandomValues(new Uint32Array(1))[0] ?? 1);

/** Rows that hold anything. */
const filledRows = (table: Table): number[] =>
  Array.from({ length: table.rowCount }, (_, row) => row).filter((row) =>
    table.columns.some((c) => (c.cells[row] ?? '').trim() !== ''),
  );

/** "2 of them without a reading in White lamp": what of the rows drawn holds nothing to be read. */
function lackingWords(table: Table, drawn: readonly number[]): string {
  const lacking = table.columns
    .filter((c) => c.role === 'measure' || c.role === 'count')
    .flatMap((c) => {
      const { used } = readColumn(c);
      const there = new Set(used.map((r) => r.row));
      const without = drawn.filter((row) => !there.has(row)).length;
      return without > 0 ? [`${without} without a reading in ${called(c)}`] : [];
    });
  return lacking.length > 0 ? `; of them ${listed(lacking)}` : '';
}

/** A whole number as it was typed. @throws DomainError saying why it is none */
function wholeIn(text: string, what: string, least = 1, most = 1_000_000): number {
  const typed = typedNumber(text);
  if (typed.kind !== 'number')
    throw new DomainError(`${what}: ${typed.kind === 'unread' ? typed.why : 'a number is asked'}.`);
  const { value } = typed;
  demand(
    Number.isInteger(value) && value >= least && value <= most,
    `${what} is a whole number from ${least} to ${most}.`,
  );
  return value;
}

/** Draws rows at random, or allocates rows to treatments at random; the seed is shown and kept with what was drawn. */
export default function DrawForm({ table, onColumns, onTable, onClose }: Props) {
  const [what, setWhat] = useState<'sample' | 'allocate'>('sample');
  const [seed, setSeed] = useState(freshSeed);
  const [size, setSize] = useState('10');
  const [replace, setReplace] = useState<'no' | 'yes'>('no');
  const [way, setWay] = useState<Allocation['way']>('simple');
  const [treatments, setTreatments] = useState('treated, control');
  const [block, setBlock] = useState('4');
  const strataColumns = [...columnsOf(table, 'group'), ...columnsOf(table, 'label')];
  const [by, setBy] = useState(strataColumns[0]?.id ?? '');
  const [fresh, setFresh] = useState('24');
  const [trouble, setTrouble] = useState('');
  const rows = filledRows(table);

  const run = (into: Into = 'column') => {
    setTrouble('');
    const done = attempt(() => {
      const start = wholeIn(seed, 'The seed', 0, 2 ** 32 - 1);
      return what === 'sample' ? sample(start, into) : treat(start);
    });
    if (!done.ok) setTrouble(done.reason);
  };
  const sample = (start: number, into: Into) => {
    const back = replace === 'yes';
    const drawn = drawRows(rows, wholeIn(size, 'The number of rows'), back, start);
    const note = `${counted(drawn.length, 'row')} of ${rows.length} drawn at random ${back ? 'with' : 'without'} replacement, seed ${start}${lackingWords(table, drawn)}`;
    if (into !== 'column') return onTable(drawn, note, start, into === 'question');
    const times = new Map<number, number>();
    for (const row of drawn) times.set(row, (times.get(row) ?? 0) + 1);
    const said = (n: number): string => (n === 0 ? '' : back ? `${n} ×` : 'drawn');
    const cells = Array.from({ length: table.rowCount }, (_, row) => said(times.get(row) ?? 0));
    onColumns([{ ...emptyColumn(nanoid(8), `drawn, seed ${start}`, '', 'label'), note, cells }]);
  };
  const treat = (start: number) => {
    const named = listOf(treatments);
    const subjects =
      rows.length > 0 ? rows : Array.from({ length: wholeIn(fresh, 'The number of subjects') }, (_, row) => row);
    const strata = table.columns.find((c) => c.id === by);
    const without = subjects.find((row) => !strata?.cells[row]?.trim());
    demand(
      way !== 'strata' || without === undefined,
      `Row ${(without ?? 0) + 1} has no ${called(strata, 'stratum')}: fill it in, or allocate evenly over all.`,
    );
    const given = allocate(subjects.length, {
      way,
      treatments: named,
      seed: start,
      ...(way === 'blocks' ? { block: wholeIn(block, 'The block size') } : {}),
      strata: subjects.map((row) => strata?.cells[row]?.trim() ?? ''),
    });
    const cells = new Array<string>(Math.max(table.rowCount, subjects.length)).fill('');
    subjects.forEach((row, i) => (cells[row] = given[i] ?? ''));
    const how = { simple: '', blocks: ` in blocks of ${block}`, strata: ` within each ${called(strata, 'stratum')}` }[
      way
    ];
    const treatment: Column = {
      ...emptyColumn(nanoid(8), 'treatment', '', 'group'),
      levels: named.map((name) => ({ id: name, name })),
      note: `allocated at random${how} to ${named.join(', ')}; seed ${start}`,
      cells,
    };
    if (way !== 'blocks') return onColumns([treatment]);
    // Which block a row stands in: those who analyse it later will want to know.
    const each = wholeIn(block, 'The block size');
    const blocks = new Array<string>(cells.length).fill('');
    subjects.forEach((row, i) => (blocks[row] = String(Math.floor(i / each) + 1)));
    const short = subjects.length % each;
    const note = short > 0 ? `the last block is short: ${short} of ${each}` : undefined;
    onColumns([
      { ...emptyColumn(nanoid(8), 'block', '', 'label'), ...(note ? { note } : {}), cells: blocks },
      treatment,
    ]);
  };
  return (
    <ToolForm onDo={() => run()} onClose={onClose}>
      <Choose
        label="What to draw"
        value={what}
        options={{ sample: 'Draw rows at random', allocate: 'Allocate rows to treatments at random' }}
        onChange={setWhat}
      />
      {what === 'sample' ? (
        <>
          <Fill label="How many rows" value={size} onChange={setSize} /> of {rows.length},
          <Choose
            label="Replacement"
            value={replace}
            options={{ no: 'each at most once', yes: 'put back after each draw' }}
            onChange={setReplace}
          />
        </>
      ) : (
        <>
          <Fill label="Treatments, parted by commas" value={treatments} numeric={false} onChange={setTreatments} />
          <Choose
            label="How to allocate"
            value={way}
            options={{
              simple: 'evenly over all',
              blocks: 'evenly in blocks of',
              ...(strataColumns.length > 0 ? { strata: 'evenly within each' } : {}),
            }}
            onChange={setWay}
          />
          {way === 'blocks' && <Fill label="Block size" value={block} onChange={setBlock} />}
          {way === 'strata' && (
            <Choose
              label="Strata"
              value={by}
              options={Object.fromEntries(strataColumns.map((c) => [c.id, called(c)]))}
              onChange={setBy}
            />
          )}
          {rows.length === 0 ? (
            <>
              for <Fill label="How many subjects" value={fresh} onChange={setFresh} /> new rows
            </>
          ) : (
            <span className="text-muted">for {counted(rows.length, 'row')}</span>
          )}
        </>
      )}
      <span>
        with seed <Fill label="Seed" value={seed} onChange={setSeed} />
      </span>
      <button type="button" className="plain-button" onClick={() => setSeed(freshSeed())}>
        Another
      </button>
      <button type="submit" className="plain-button">
        {what === 'sample' ? 'Mark them in a column' : 'Allocate'}
      </button>
      {what === 'sample' && (
        <>
          <button type="button" className="plain-button" onClick={() => run('table')}>
            Draw them into a table
          </button>
          <button type="button" className="plain-button" onClick={() => run('question')}>
            Draw them and ask
          </button>
        </>
      )}
      <button type="button" className="plain-button" onClick={onClose}>
        Cancel
      </button>
      {trouble && (
        <span role="alert" className="text-error">
          {trouble}
        </span>
      )}
    </ToolForm>
  );
}
