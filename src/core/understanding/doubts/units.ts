/** One measure in two units. */
import { attempt } from '../../numeric/domain-error';
import { convertEdits, convertedCell } from '../../readings/convert-unit';
import { columnsAreGroups } from '../../readings/groups';
import { readColumn } from '../../readings/read-column';
import { type Table, called, columnsOf } from '../../readings/table';
import { mixedUnits } from '../alike';
import { type Mend, type TableDoubt, asItIs, isSettled, some } from './doubt';

/** Columns compared with each other that are in units of one kind, and cells that carry another unit than their column. */
export function mixedUnitsOf(table: Table): TableDoubt[] {
  if (isSettled(table, 'mixed-units')) return [];
  const measures = columnsOf(table, 'measure').filter((c) => !c.formula);
  const found: TableDoubt[] = [];
  if (columnsAreGroups(table) && mixedUnits(measures)) {
    const units = [...new Set(measures.map((c) => c.unit).filter((u) => u !== ''))];
    const mends = units.flatMap((unit): Mend[] => {
      const converted = attempt(() =>
        measures.filter((c) => c.unit !== unit && c.unit !== '').flatMap((c) => convertEdits(c, unit)),
      );
      return converted.ok ? [{ label: `Convert to ${unit}`, edits: converted.value }] : [];
    });
    const sameUnit = units.map((unit): Mend => ({
      label: `All are in ${unit}`,
      edits: measures.filter((c) => c.unit !== unit).map((c) => ({ kind: 'describe-column', column: c.id, unit })),
    }));
    found.push({
      code: 'mixed-units',
      text: `The groups are in ${some(units)}, and are not compared before they are in one unit.`,
      where: [],
      mends: [...mends, ...sameUnit, asItIs(table, 'mixed-units', 'Keep them apart')],
    });
  }
  for (const column of measures) {
    const cells = readColumn(column).unread.flatMap(({ row, text }) => {
      const converted = column.unit === '' ? undefined : convertedCell(text, column.unit);
      return converted === undefined ? [] : [{ row, text, converted }];
    });
    const [first] = cells;
    if (!first) continue;
    found.push({
      code: 'mixed-units',
      text: `${called(column)} is in ${column.unit}, and ${cells.length === 1 ? `row ${first.row + 1} holds “${first.text.trim()}”` : `${cells.length} cells carry another unit, such as “${first.text.trim()}”`}: left out until converted.`,
      where: cells
        .slice(0, 20)
        .map(({ row }) => ({ column: column.id, row, called: `${called(column)}, row ${row + 1}` })),
      mends: [
        {
          label: `Convert to ${column.unit}`,
          edits: cells.map(({ row, converted }) => ({
            kind: 'write',
            row,
            columns: [column.id],
            texts: [[converted]],
          })),
        },
        asItIs(table, 'mixed-units', 'Leave them out'),
      ],
    });
  }
  return found;
}
