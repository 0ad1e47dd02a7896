import type { Interval } from '../procedures/interval';
import type { StatisticSymbol } from './comparison';
import type { Question } from '../question/question';

/** What the question ranges over: every measure column, or every level of a column that names what was measured. */
export type Over = { columns: true } | { levelsOf: string };

/** The brief answer for one measure. */
export interface MeasureAnswer {
  name: string;
  unit: string;
  /** How the question differs for this measure alone. */
  patch: Pick<Question, 'measure' | 'only'>;
  n: number[];
  /** Of two groups, pairs or one group against a value. */
  estimate?: number;
  interval?: Interval;
  /** Whether the estimate is a ratio, so that 1 is no difference. */
  ratio?: true;
  /** The test: by its letter, its value and its degrees of freedom. */
  symbol?: StatisticSymbol;
  statistic?: number;
  df?: readonly number[];
  p?: number;
  /** Why there is no answer. */
  reason?: string;
  groups: { colour: number; mean: number | undefined; sd: number | undefined; interval: Interval | undefined }[];
}
