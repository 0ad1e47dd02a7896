import type { Effect } from './comparison';

/** What a question estimates, with its interval at one confidence level. */
export interface AtLevel {
  level: number;
  effect: Effect;
}
