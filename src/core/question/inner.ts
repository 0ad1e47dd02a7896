/** Samples within samples: blades within lines, animals within litters. */
import { chosenColumns } from '../readings/groups';
import { type Column, type Table, columnsOf, findColumn } from '../readings/table';
import { subjectName } from '../understanding/vocabulary';
import { isNested } from './asking';
import type { Question } from './question';
import { textAt } from '../readings/cell-at';

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
    const within = new Map<string, Set<string>>();
    let rows = 0;
    cells.forEach((cell, i) => {
      const sample = textAt(outer, i);
      if (cell.trim() === '' || sample === '') return;
      rows++;
      const known = within.get(sample);
      if (known) known.add(cell.trim());
      else within.set(sample, new Set([cell.trim()]));
    });
    const sizes = [...within.values()].map((set) => set.size);
    const inner = sizes.reduce((sum, n) => sum + n, 0);
    return inner < rows && sizes.some((n) => n > 1);
  });
}
