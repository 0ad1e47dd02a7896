/** Counts of things by what they are. */

/** A category things were counted in. */
export interface Category {
  id: string;
  name: string;
}

/** A table of counts with its margins' names. */
export interface CountTable {
  rows: { name: string; categories: (Category & { colour: number })[] };
  columns: { name: string; categories: Category[] };
  counts: number[][];
  /** Rows of readings left out: set aside, or naming one category and not the other. */
  aside: number;
  half: number;
  /** Counts that stood for a percentage, in words: "45 % of 40 counted as 18". */
  rounded: string[];
}
