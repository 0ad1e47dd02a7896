/** One question asked of many measures: each with its effect, interval and p, brief enough for thousands. */
import { attempt, demand } from '../numeric/domain-error';
import { factsOf } from '../analyses/kinds';
import { comparesMeasure } from '../question/asking';
import { included } from '../question/included';
import type { Question } from '../question/question';
import { withDerived } from '../readings/derive';
import { levelRows, levelsOf } from '../readings/levels';
import { type Table, called, columnsOf, findColumn, tableOf } from '../readings/table';
import { answer } from './answer';
import { meanOf } from '../answer/group-part';
import type { MeasureAnswer, Over } from '../answer/measure-answer';
import { cellAt } from '../readings/cell-at';

/** Columns over whose levels the question can range: they name something other than the groups compared. */
export function rangesOver(table: Table, question: Question): { id: string; name: string }[] {
  const by = question.by ?? columnsOf(table, 'group')[0]?.id;
  return table.columns
    .filter((c) => (c.role === 'group' || c.role === 'label') && c.id !== by && levelsOf(c).length > 1)
    .map((c) => ({ id: c.id, name: called(c) }));
}

/** The question as it is asked of every measure. Many answers side by side are by one method: where nobody chose, the one that unequal n would need. */
export const byOneMethod = (question: Question): Question =>
  factsOf(question).spreadBySizes && question.spread === undefined ? { ...question, spread: 'separate' } : question;

function brief(question: Question, table: Table, name: string, patch: MeasureAnswer['patch']): MeasureAnswer {
  const found = answer({ ...question, ...patch, only: undefined }, table, true);
  if (!found.ok) return { name, unit: '', patch, n: [], reason: found.reason, groups: [] };
  const { groups, comparison, unit } = found.value;
  const base = {
    name,
    unit,
    patch,
    n: groups.map((g) => g.n),
    groups: groups.map((g) => ({
      colour: g.colour,
      mean: meanOf(g),
      sd: g.summary && g.n > 1 ? Math.sqrt(g.summary.variance) : undefined,
      interval: g.interval,
    })),
  };
  if (!comparison.ok) return { ...base, reason: comparison.reason };
  const { effect, p, tests } = comparison.value;
  const [test] = tests;
  return {
    ...base,
    ...(p === undefined ? {} : { p }),
    ...(effect ? { estimate: effect.estimate } : {}),
    ...(effect?.ratio ? { ratio: true } : {}),
    ...(effect?.interval ? { interval: effect.interval } : {}),
    ...(test?.value === undefined ? {} : { statistic: test.value, df: test.df }),
    ...(test?.symbol === undefined ? {} : { symbol: test.symbol }),
  };
}

/** How many measures there are, and each one's answer, one after the other. */
export function askMany(
  asked: Question,
  given: Table,
  over: Over,
): { count: number; answers: Generator<MeasureAnswer> } {
  demand(
    comparesMeasure(asked, given),
    given.shape === 'rows'
      ? 'This question is not about the means of one measure, so it cannot be asked of others.'
      : 'This table holds one measure. A question can be asked of each of many where a row is one reading, or subject, with a column for each measure.',
  );
  const whole = withDerived(given);
  // Rules are kept before the measures are parted, for they may be about another one.
  const taken = attempt(() => included(asked, whole));
  const table = taken.ok ? taken.value : whole;
  const { rows, ...rest } = byOneMethod(asked);
  const question: Question = taken.ok || !rows ? rest : { ...rest, rows };
  if ('columns' in over) {
    const columns = columnsOf(table, 'measure');
    const others = table.columns.filter((c) => c.role !== 'measure');
    function* each(): Generator<MeasureAnswer> {
      for (const column of columns)
        // A table of its own: answering then never looks at the other measures.
        yield brief(question, { ...table, columns: [...others, column] }, called(column), { measure: column.id });
    }
    return { count: columns.length, answers: each() };
  }
  const column = findColumn(table, over.levelsOf);
  demand(column !== undefined, 'The column that names what was measured is no longer there.');
  const levels = levelsOf(column);
  const places = levelRows(column);
  const rowsOf: number[][] = levels.map(() => []);
  places.forEach((place, row) => {
    if (place >= 0) rowsOf[place]?.push(row);
  });
  const kept = table.columns.filter((c) => c !== column);
  const levelled = kept.map((c) => ({ c, levels: c.role === 'group' ? levelsOf(c) : c.levels }));
  function* each(id: string): Generator<MeasureAnswer> {
    for (const [place, level] of levels.entries()) {
      const rows = rowsOf[place] ?? [];
      const columns = levelled.map(({ c, levels: own }) => ({
        ...c,
        cells: rows.map((row) => cellAt(c.cells, row)),
        aside: Object.fromEntries(rows.flatMap((row, i) => (c.aside[row] === undefined ? [] : [[i, c.aside[row]]]))),
        // Groups keep their identity in every part of the table.
        ...(own ? { levels: own } : {}),
      }));
      const { columns: _, rowCount: __, ...rest } = table;
      yield brief(question, tableOf(columns, rest), level.name, { only: { column: id, level: level.id } });
    }
  }
  return { count: levels.length, answers: each(column.id) };
}
