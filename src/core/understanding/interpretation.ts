import type { Role, Shape } from '../readings/table';
import { type Evidence, weighed } from './evidence';
import type { Part } from './part';
import type { Seen } from './seen';

/** One way to read a table: its layout, what each column is then, and what speaks for it. */
export interface Interpretation {
  shape: Shape;
  roles: Role[];
  evidence: Evidence[];
  weight: number;
}

/** What interpretations are made from. */
export interface Looked {
  columns: readonly Seen[];
  parts: readonly Part[];
  rows: number;
}

export const interpretation = (shape: Shape, roles: Role[], evidence: Evidence[]): Interpretation => ({
  shape,
  roles,
  evidence,
  weight: weighed(evidence),
});

/** The places of the columns with a role. */
export const placesOf = ({ parts }: Looked, role: Role): number[] =>
  parts.flatMap((p, i) => (p.role === role ? [i] : []));

/** The columns at some places. */
export const columnsAt = ({ columns }: Looked, places: readonly number[]): Seen[] =>
  places.flatMap((i) => (columns[i] ? [columns[i]] : []));

/** The roles of the parts, some of them replaced. */
export const rolesWith = ({ parts }: Looked, to: (part: Part, place: number) => Role | undefined): Role[] =>
  parts.map((p, i) => to(p, i) ?? p.role);

/** The column whose texts, each another, name the rows; undefined where none does. */
export const naming = ({ columns, parts }: Looked): number | undefined => {
  const place = columns.findIndex(
    (c, i) =>
      c.kind === 'text' &&
      c.unique &&
      !c.gaps &&
      (parts[i]?.role === 'group' || parts[i]?.role === 'subject' || parts[i]?.as === 'name'),
  );
  return place < 0 ? undefined : place;
};
