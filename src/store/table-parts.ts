/** What is kept of a table and its columns beside the cells, as rows of the database. */
import type { Column, Table } from '../core/readings/table';
import type { columns, tables } from './schema';

/** What is kept of a table beside its columns. */
export const partsOf = ({
  name,
  measure,
  subject,
  shape,
  average,
  spread,
  level,
  settled,
  described,
  blind,
  rowCount,
}: Table) => ({
  name,
  measure,
  subject,
  shape,
  average,
  spread,
  level,
  settled: settled ?? null,
  described: described ?? null,
  blind: blind ?? null,
  rowCount,
});

/** What is kept of a column beside its cells. */
export const headOf = ({ name, unit, role, decimal, limits, colour, levels, formula, note }: Column) => ({
  name,
  unit,
  role,
  decimal,
  limits: limits ?? null,
  colour: colour ?? null,
  levels: levels ?? null,
  formula: formula ?? null,
  note: note ?? null,
});

/** The parts a column has; those it lacks are left out rather than empty. */
const optionalParts = ({ limits, colour, levels, formula, note }: typeof columns.$inferSelect) => ({
  ...(limits === null ? {} : { limits }),
  ...(colour === null ? {} : { colour }),
  ...(levels === null ? {} : { levels }),
  ...(formula === null ? {} : { formula }),
  ...(note === null ? {} : { note }),
});

export function headOfTable(kept: typeof tables.$inferSelect, heads: (typeof columns.$inferSelect)[]): Table {
  const { blind, settled, described, ...parts } = partsOf({
    ...kept,
    settled: kept.settled ?? undefined,
    described: kept.described ?? undefined,
    blind: kept.blind ?? undefined,
    columns: [],
  });
  return {
    id: kept.id,
    ...parts,
    ...(settled ? { settled } : {}),
    ...(described ? { described } : {}),
    ...(blind ? { blind } : {}),
    columns: heads.map((c) => ({
      id: c.id,
      name: c.name,
      unit: c.unit,
      role: c.role,
      decimal: c.decimal,
      ...optionalParts(c),
      cells: [],
      aside: {},
    })),
  };
}
