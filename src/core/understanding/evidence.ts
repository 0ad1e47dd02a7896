/** What speaks for a reading of a table, or against it. */
export interface Evidence {
  /** Above zero for it, below against. */
  weight: number;
  /** In words, to follow "because". */
  why: string;
}

export const weighed = (evidence: readonly Evidence[]): number => evidence.reduce((sum, e) => sum + e.weight, 0);
