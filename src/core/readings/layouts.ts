import type { Shape } from './table';

/** A layout as a clause: "Here each column is a group". */
export const layoutClauses: Record<Shape, string> = {
  columns: 'each column is a group',
  repeated: 'each row is one subject, measured once in each column',
  rows: 'each row is one reading',
  grid: 'rows and columns are two factors',
  counts: 'each cell is a count',
  categories: 'each row is one subject, in a category of each column',
  summary: 'each row is a group, known by mean, spread and n',
};

/** A layout by name: "Turn into one row per reading". */
export const layoutNames: Record<Shape, string> = {
  columns: 'one column per group',
  repeated: 'one row per subject, measured in each column',
  rows: 'one row per reading',
  grid: 'a two-way grid',
  counts: 'a table of counts',
  categories: 'one row per subject, in categories',
  summary: 'summary figures: mean, spread and n',
};
