/** What a question may choose from, in the words it is kept and asked with. */
import type { ProportionInterval } from '../procedures/one-proportion';

/** How the comparisons after an analysis of several groups are judged together. */
export const followUps = [
  'tukey',
  'games-howell',
  'dunnett-t3',
  'dunnett',
  'dunn',
  'nemenyi',
  'bonferroni',
  'holm',
  'sidak',
  'scheffe',
  'benjamini-hochberg',
  'unadjusted',
] as const;
export type FollowUp = (typeof followUps)[number];

/** What a question is about. */
export const subjects = [
  /** How large readings are. */
  'value',
  /** How large a share was found to be something. */
  'share',
  /** How counts fall into categories. */
  'table',
  /** How far readings scatter. */
  'spread',
] as const;
export type Subject = (typeof subjects)[number];

/** How an answer is reached; each design and subject has some of them. */
export const methods = [
  'means',
  'change',
  'mixed-model',
  'trend',
  'ranks',
  'shuffle',
  'likelihood',
  'z',
  'score',
  'exact',
  'mid-p',
  'chi-square',
  'g',
  'f',
  'brown-forsythe',
  'levene',
  'bartlett',
  'pitman-morgan',
] as const;
export type Method = (typeof methods)[number];

/**
 * Which comparisons follow: of all pairs, against a control, each against the one before, of chosen pairs, a linear trend,
 * or contrasts of one's own.
 */
export const comparisons = ['all', 'control', 'steps', 'chosen', 'trend', 'contrasts'] as const;

/** Of two factors: which levels are compared, over or within the levels of the other. */
export const levelsCompared = ['a', 'b', 'a-within-b', 'b-within-a', 'interaction'] as const;

/** A question with nothing left open. */
export interface Choices {
  /** Of two groups, the difference that counts as none; what one group is held against is never assumed. */
  value: number;
  spread: 'separate' | 'pooled';
  method: Method;
  effect: 'difference' | 'ratio' | 'odds';
  shareInterval: ProportionInterval;
  compare: (typeof comparisons)[number];
  follow: FollowUp;
  sums: 1 | 2 | 3;
  sphericity: 'greenhouse-geisser' | 'huynh-feldt' | 'assumed';
  statistic: 'mean' | 'median' | 'trimmed' | 't';
  seed: number;
}
