/** What is known of a question's registration beside its answer. */
export interface Registered {
  /** When it was registered, as an ISO time. */
  at: string;
  /** Independent samples planned in each group. */
  planned?: number | undefined;
  /** Readings that were there already. */
  readings: number;
  /** Every way in which the answer is another than was registered, in words. */
  deviations: string[];
}
