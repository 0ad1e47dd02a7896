import { useEffect, useMemo, useState } from 'react';
import { repeatsUnder } from '../../core/question/counting';
import { firstQuestion } from '../../core/question/first';
import { derivedColumn, withDerived } from '../../core/readings/derive';
import { doubtsOf } from '../../core/readings/doubtful';
import { likeliestOutcome } from '../../core/understanding/likeliest';
import { doubtFinders } from '../../core/understanding/doubts/open-doubts';
import { groupsOf } from '../../core/readings/groups';
import { levelsOf } from '../../core/readings/levels';
import { placesOf, standing } from '../../core/readings/places';
import { readColumn } from '../../core/readings/read-column';
import { repeatsOf } from '../../core/readings/repeats';
import { type Column, type Table, columnsOf, isMeasured } from '../../core/readings/table';
import { stepBack } from '../shared/give-way';

/** Cells that are read within a frame. */
const few = 20_000;

/** Looks at a column as the notes and heads around the grid do; what is found is remembered by the column. */
async function read(column: Column): Promise<void> {
  // The first as well: an effect belongs to the turn that drew the page.
  await stepBack();
  if (!isMeasured(column.role)) {
    placesOf(column.cells);
    await stepBack();
    if (column.role !== 'label') levelsOf(column);
  } else {
    readColumn(column);
    await stepBack();
    doubtsOf(column);
  }
}

/** What the notes ask of the subjects by one column of groups after the other, so that no turn has to find it of all. */
function subjectsBy(table: Table): (() => unknown)[] {
  const [subject] = columnsOf(table, 'subject');
  if (!subject || table.shape !== 'rows') return [];
  const measure = likeliestOutcome(table)?.id;
  return columnsOf(table, 'group').flatMap((by) => [
    () => standing(subject.cells, by.cells),
    () => repeatsOf(table, { measure, by: by.id }),
  ]);
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
      for (const find of [...subjectsBy(derived), groupsOf, firstQuestion, firstRepeats, ...doubtFinders]) {
        await stepBack();
        if (left) return;
        find(derived);
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
