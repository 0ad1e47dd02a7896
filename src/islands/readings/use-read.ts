import { useEffect, useMemo, useState } from 'react';
import { repeatsUnder } from '../../core/question/counting';
import { firstQuestion } from '../../core/question/first';
import { derivedColumn, withDerived } from '../../core/readings/derive';
import { doubtsOf } from '../../core/readings/doubtful';
import { doubtFinders } from '../../core/understanding/doubts/open-doubts';
import { groupsOf } from '../../core/readings/groups';
import { levelsOf } from '../../core/readings/levels';
import { placesOf } from '../../core/readings/places';
import { readColumn } from '../../core/readings/read-column';
import { type Column, type Table } from '../../core/readings/table';
import { stepBack } from '../shared/give-way';

/** Cells that are read within a frame. */
const few = 20_000;

/** Looks at a column as the notes and heads around the grid do; what is found is remembered by the column. */
async function read(column: Column): Promise<void> {
  if (column.role === 'group' || column.role === 'subject') levelsOf(column);
  else if (column.role === 'label') placesOf(column.cells);
  else {
    readColumn(column);
    await stepBack();
    doubtsOf(column);
  }
  await stepBack();
}

/** How often subjects come back under the question a table raises. */
const firstRepeats = (table: Table) => repeatsUnder(firstQuestion(table), table);

const seen = new WeakSet<Column>();

/**
 * The table with its columns read and its derived columns computed. A large one is read column by column, the hand having
 * its turn between them: until the newest is read the one before stands, and at first there is none.
 */
export function useRead(table: Table): Table | undefined {
  const small = table.rowCount * table.columns.length <= few;
  const at = useMemo(() => (small ? withDerived(table) : undefined), [small, table]);
  const [whole, setWhole] = useState<Table>();
  useEffect(() => {
    if (small) return;
    let left = false;
    const run = async (): Promise<void> => {
      for (const kept of table.columns) {
        const column = kept.formula ? derivedColumn(table, kept) : kept;
        if (seen.has(column)) continue;
        await read(column);
        seen.add(column);
        if (left) return;
      }
      const derived = withDerived(table);
      // What is unclear, and what can be asked, is looked for while nobody waits; the notes find it done.
      for (const find of [...doubtFinders, groupsOf, firstQuestion, firstRepeats]) {
        find(derived);
        await stepBack();
        if (left) return;
      }
      setWhole(derived);
    };
    void run();
    return () => {
      left = true;
    };
  }, [small, table]);
  return at ?? whole;
}
