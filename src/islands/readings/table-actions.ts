import { nanoid } from 'nanoid';
import { asDesign, withinOf } from '../../core/question/asking';
import { firstQuestion } from '../../core/question/first';
import { asked } from '../../core/question/known-groups';
import { columnsAreGroups } from '../../core/readings/groups';
import type { Question } from '../../core/question/question';
import { type Table, emptyColumn } from '../../core/readings/table';
import { counted } from '../../core/words/numbers';
import type { Told } from '../kit/tell';
import { inWords, send } from '../shared/api';
import { isUntouched } from './paste';

interface Place {
  study: string;
  table: Table;
  /** The table with its derived columns computed. */
  shown: Table;
  selectedIds: readonly string[];
  report: (told: Told) => void;
}

/** What can be done with a table as a whole: ask of it, add another beside it, remove it from the study. */
export function tableActions({ study, table, shown, selectedIds, report }: Place) {
  const goto = (path: string) => window.location.assign(`/studies/${study}/${path}`);
  const trying = async (run: () => Promise<void>): Promise<void> => {
    try {
      await run();
    } catch (error) {
      report({ text: inWords(error), stays: true });
    }
  };

  /** Asks a question, or what the layout raises, of the columns selected where there are some. */
  const ask = async (given?: Question): Promise<void> => {
    const question = given ?? firstQuestion(table, columnsAreGroups(table) ? selectedIds : []);
    if (!question) return report({ text: 'There is no group with readings to ask about yet.', stays: true });
    await trying(async () => {
      const body = { table: table.id, question: asked(question, table) };
      const { id } = await send<{ id: string }>('POST', '/api/questions', body);
      goto(`questions/${id}`);
    });
  };

  /** Asks the same of each subject, compared with itself. */
  const askInPairs = async (): Promise<void> => {
    const first = firstQuestion(table);
    await ask(first && asDesign(first, table, withinOf(first.design)));
  };

  const newTable = (draft: Omit<Table, 'id'>, origin: string): Promise<void> =>
    trying(async () => {
      const { id } = await send<{ id: string }>('POST', `/api/studies/${study}/tables`, { table: draft, origin });
      goto(`readings/${id}`);
    });

  /**
   * Makes a table of rows drawn from this one, each with the row it came from; what was computed becomes plain numbers.
   * @param asks whether what the new table raises is asked at once
   */
  const drawnTable = (drawn: number[], note: string, seed: number, asks: boolean): void => {
    const columns = shown.columns.map((computed) => {
      const c = { ...computed, formula: undefined };
      const aside = Object.fromEntries(
        drawn.flatMap((row, i) => (c.aside[row] === undefined ? [] : [[i, c.aside[row]] as const])),
      );
      return { ...c, cells: drawn.map((row) => c.cells[row] ?? ''), aside };
    });
    const from = {
      ...emptyColumn(nanoid(8), 'row drawn', '', 'label'),
      note,
      cells: drawn.map((row) => String(row + 1)),
    };
    const name = `${table.name || 'Readings'}, ${counted(drawn.length, 'row')} drawn, seed ${seed}`.slice(0, 200);
    // What was put back may be drawn twice.
    const settled = { ...table.settled, 'row-twice': 'counted' };
    const draft = { ...table, settled, name, rowCount: drawn.length, columns: [from, ...columns] };
    const origin = `${note}, from ${table.name || 'another table'}`;
    const question = asks ? firstQuestion({ ...draft, id: '' }) : undefined;
    if (!question) return void newTable(draft, origin);
    void trying(async () => {
      const made = await send<{ id: string }>('POST', `/api/studies/${study}/tables`, { table: draft, origin });
      const body = { table: made.id, question: asked(question, { ...draft, id: made.id }) };
      const { id } = await send<{ id: string }>('POST', '/api/questions', body);
      goto(`questions/${id}`);
    });
  };

  /** Removes the table, and goes to the log, where it can be brought back at any time. */
  const removeTable = (): Promise<void> =>
    trying(async () => {
      await send('DELETE', `/api/tables/${table.id}`);
      goto('log');
    });

  /** Goes to a table that came in; one that nobody has put anything into makes room for it. */
  const taken = (_: string, id: string): void => {
    const done = () => goto(`readings/${id}`);
    if (table.rowCount === 0 && isUntouched(table)) void send('DELETE', `/api/tables/${table.id}`).then(done, done);
    else done();
  };

  return { ask, askInPairs, newTable, drawnTable, removeTable, taken };
}
