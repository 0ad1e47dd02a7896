/** Samples within samples: blades within lines, animals within litters. */
import { nth } from '../numeric/nth';
import { chosenColumns } from '../readings/groups';
import { type Column, type Table, columnsOf, findColumn } from '../readings/table';
import { subjectName } from '../understanding/vocabulary';
import { isNested } from './asking';
import type { Question } from './question';
import { placesOf, placesTogether } from '../readings/places';

/** Columns that may name samples within the samples. */
export function innerFor(question: Question, table: Table): Column[] {
  if (!isNested(question.design) || table.shape !== 'rows') return [];
  const [outer] = columnsOf(table, 'subject');
  const { by } = chosenColumns(table, question);
  return table.columns.filter(
    (c) => c !== outer && c.id !== by?.id && (c.role === 'label' || c.role === 'group' || c.role === 'subject'),
  );
}

/** The column that names them, where the question has one. */
export const innerOf = (question: Question, table: Table): Column | undefined =>
  isNested(question.design) && question.inner !== undefined ? findColumn(table, question.inner) : undefined;

/** What readings name of samples within their samples: a column named as subjects are, that comes back within each. */
export function innerNamed(question: Question, table: Table): Column | undefined {
  const outer = columnsOf(table, 'subject')[0]?.cells;
  return innerFor(question, table).find(({ name, cells }) => {
    if (!outer || !subjectName.test(name)) return false;
    const [inner, samples] = [placesOf(cells).of, placesOf(outer).of];
    const pairs = placesTogether([cells, outer], cells.length).of;
    const rows = Array.from(pairs.keys()).filter((row) => nth(inner, row) >= 0 && (samples[row] ?? -1) >= 0);
    const different = (places: Int32Array): number => new Set(rows.map((row) => places[row])).size;
    return different(pairs) < rows.length && different(pairs) > different(samples);
  });
}
