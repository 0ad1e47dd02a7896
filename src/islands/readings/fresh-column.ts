import { nanoid } from 'nanoid';
import { columnsAreGroups } from '../../core/readings/groups';
import { type Column, type Role, type Table, emptyColumn } from '../../core/readings/table';

/** An empty column as the table's layout has them: another group, another category, another measure. */
export function freshColumn(table: Table): Column {
  const place = table.columns.length + 1;
  if (columnsAreGroups(table))
    return emptyColumn(nanoid(8), `Group ${place}`, table.columns.findLast((c) => c.role === 'measure')?.unit ?? '');
  const role: Partial<Record<Table['shape'], Role>> = { counts: 'count', categories: 'group' };
  return emptyColumn(nanoid(8), `Column ${place}`, '', role[table.shape] ?? 'measure');
}
