import { attempt } from '../numeric/domain-error';
import { middleOf } from '../readings/banded';
import { countTable, holdsCounts } from '../readings/count-table';
import { columnsAreGroups } from '../readings/groups';
import { repeatsOf } from '../readings/repeats';
import { type Table, columnsOf } from '../readings/table';
import { hasKind } from '../analyses/kinds';
import { asDesign, designOf, groupChoices, hasConditions, kindOf, ofOneGroup, samplingOf } from './asking';
import { firstQuestion } from './first';
import type { Question } from './question';

/** The same question asked of another column's groups. */
function by(table: Table, first: Question, column: string): Question | undefined {
  const only = {
    ...table,
    columns: table.columns.map((c) => (c.role === 'group' && c.id !== column ? { ...c, role: 'label' as const } : c)),
  };
  const found = firstQuestion(only);
  if (!found || ofOneGroup(found.design)) return undefined;
  const { by2: _, ...rest } = { ...found, ...(first.measure ? { measure: first.measure } : {}), by: column };
  // Whoever is compared with itself by two factors is so by each of them.
  const shared = hasConditions(first.design) && (repeatsOf(table, rest)?.shared ?? 0) > 0;
  return shared ? asDesign(rest, table, designOf(kindOf[rest.design], 'within')) : rest;
}

/**
 * What else a table can be asked besides its first question, the nearest first: by each other column of groups, unpaired
 * or within subjects, one group alone, the spread.
 */
export function otherQuestions(table: Table): Question[] {
  const first = firstQuestion(table);
  if (!first) return [];
  const found: Question[] = [];
  const add = (question: Question | undefined): void => {
    if (question && ![first, ...found].some((q) => JSON.stringify(q) === JSON.stringify(question)))
      found.push(question);
  };
  if (holdsCounts(table)) {
    const counted = attempt(() => countTable(table));
    const outcomes = counted.ok ? counted.value.columns.categories.length : 0;
    if (first.about === 'share' && outcomes > 1 && hasKind('table', 'several') && !ofOneGroup(first.design))
      add({ ...asDesign({ ...first, about: 'table' }, table, 'several') });
    return found;
  }
  const kind = kindOf[first.design];
  if (table.shape === 'rows')
    for (const column of columnsOf(table, 'group'))
      if (kind === 'factors' || (first.by !== undefined && column.id !== first.by)) add(by(table, first, column.id));
  if (kind === 'factors' && columnsAreGroups(table)) {
    const several = groupChoices(table, first).length > 2 ? 'several' : 'two';
    add(asDesign(first, table, designOf(several, table.shape === 'repeated' ? 'within' : 'once')));
  }
  if ((kind === 'two' || kind === 'several') && columnsOf(table, 'subject').length > 0)
    for (const sampling of ['once', 'within'] as const)
      // Subjects that are in one group each cannot be compared with themselves.
      if (sampling !== samplingOf(first.design) && (sampling === 'once' || (repeatsOf(table, first)?.shared ?? 0) > 0))
        add(asDesign(first, table, designOf(kind, sampling)));
  if (kind !== 'factors' && first.about === 'value' && hasKind('spread', first.design))
    add({ ...first, about: 'spread' });
  if (first.about === 'value' && kind !== 'factors' && hasKind('share', first.design) && table.shape !== 'summary') {
    const cut = attempt(() => middleOf(table, first));
    if (cut.ok) add({ ...first, about: 'share', found: 'below', cut: cut.value });
  }
  if (first.about === 'value' && kind !== 'factors')
    for (const one of ['estimate', 'one-sample'] as const) if (first.design !== one) add(asDesign(first, table, one));
  return found;
}
