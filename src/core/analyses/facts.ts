import type { Choices } from '../question/choices';
import type { FollowUp, Method, Question } from '../question/question';

/** What a kind of question lets one choose. Where a question says nothing, the first of each is taken. */
export interface Facts {
  methods: readonly Method[] | ((question: Question) => readonly Method[]);
  /** How comparisons can be judged together. */
  followUps?: (choices: Pick<Choices, 'method' | 'spread' | 'compare'>) => readonly FollowUp[];
  /** Whether which comparisons follow can be chosen: all pairs, against a control, chosen ones, contrasts. */
  comparesByChoice?: boolean;
  /** Whether the sizes of the groups decide how their spreads are taken, where nobody chose. */
  spreadBySizes?: boolean;
  sphericities?: readonly Choices['sphericity'][];
  /** Against what one group is held when nothing is said. */
  value?: number;
  /** How two shares are set against each other when nothing is said. */
  effect?: (method: Method) => Choices['effect'];
  /** Whether what of the readings is permuted can be chosen. */
  statistics?: boolean;
  /** How the sentence ends where each subject is measured under everything compared. */
  within?: 'is measured twice' | 'is measured under every condition';
}

/** Adjustments of p that any comparisons can be judged by. */
export const adjustments: readonly FollowUp[] = ['holm', 'bonferroni', 'sidak', 'benjamini-hochberg', 'unadjusted'];
