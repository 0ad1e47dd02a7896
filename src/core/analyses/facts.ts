import type { Choices, FollowUp, Method, levelsCompared } from '../question/options';

/** What is compared, as the sentence's first choice. */
export type Kind = 'estimate' | 'value' | 'two' | 'several' | 'factors';

/**
 * How subjects were measured: each once, each with several readings within it, each once after something that was there
 * before, each once in a block, or under everything compared; of two factors under every level of the second, or under
 * every combination of both.
 */
export type Sampling = 'once' | 'nested' | 'adjusted' | 'blocked' | 'within' | 'crossed';

/** What of a question decides what else it lets one choose. */
export interface Asked {
  knownSd?: number | undefined;
  effect?: Choices['effect'] | undefined;
  within?: (typeof levelsCompared)[number] | undefined;
}

/** What a kind of question lets one choose. Where a question says nothing, the first of each is taken. */
export interface Facts {
  methods: readonly Method[] | ((asked: Asked) => readonly Method[]);
  /** How comparisons can be judged together. */
  followUps?: (choices: Pick<Choices, 'method' | 'spread' | 'compare'>, asked: Asked) => readonly FollowUp[];
  /** Whether the sizes of the groups decide how their spreads are taken, where nobody chose. */
  spreadBySizes?: boolean;
  sphericities?: readonly Choices['sphericity'][];
  /** How two shares are set against each other when nothing is said. */
  effect?: (method: Method) => Choices['effect'];
  /** Whether what of the readings is permuted can be chosen, and whether it is a difference of two or one figure. */
  statistics?: 'of-two' | 'of-one';
  /** Whether it can be chosen if the groups' spreads may differ. */
  spreads?: boolean;
  /** Which way two are set against each other: a difference or a ratio, or by choice. */
  order?: 'minus' | 'over' | 'shares';
  /** Whether another difference than none can be tested against, and bounds within which one does not matter be given. */
  differences?: boolean;
  equivalence?: boolean;
  /** Whether the population's SD may be known. */
  knownSd?: boolean;
  sums?: boolean;
  /** By what groups are set against each other, each in words. */
  effects?: Partial<Record<Choices['effect'], string>>;
  /** Whether ranks can be tested for a trend over the groups. */
  rankTrend?: boolean;
  /** Which comparisons follow: of levels by choice, of conditions within each group, of all pairs, by choice. */
  follows?: 'levels' | 'conditions' | 'pairs' | 'by-choice';
  /** What one asks who has such a table: "Ask whether two groups differ". */
  invitation?: string;
  /** What of it there must be enough of. */
  samples?: 'readings' | 'pairs' | 'cells' | 'subjects' | 'nested';
  /** What one does who measured each subject under everything compared. */
  asWithin?: string;
  sampling?: Sampling;
  /** Of two factors, the one whose levels follow one another in a picture. */
  along?: 'a' | 'b';
  /** Whether its answer is tests alone, with no one effect to tell. */
  testsAlone?: boolean;
  /** What its effects are, where not a difference in the readings' unit. */
  effectsAre?: 'difference of shares' | 'ratio of SDs';
  /** Whether, in a sentence about it, the test is named rather than what is compared. */
  namesTest?: boolean;
  /** How the sentence ends where each subject is measured under everything compared. */
  within?: 'is measured twice' | 'is measured under every condition' | 'is measured under every combination';
}

/** Facts of how an experiment was made, as far as it decides the comparison. */
export interface DesignFacts extends Facts {
  compares: Kind;
  sampling: Sampling;
}

/** By what means are set against each other. */
export const effectsOfMeans = { difference: 'their difference', ratio: 'their ratio' } as const;

/** What questions about the means of two groups let one choose alike. */
export const ofTwo = {
  effects: effectsOfMeans,
  invitation: 'Ask whether two groups differ',
  order: 'minus',
  differences: true,
  equivalence: true,
} as const satisfies Partial<Facts>;

/** Adjustments of p that any comparisons can be judged by. */
export const adjustments: readonly FollowUp[] = ['holm', 'bonferroni', 'sidak', 'benjamini-hochberg', 'unadjusted'];

/** What questions about the means of several groups let one choose alike. */
export const ofSeveral: Pick<Facts, 'effects' | 'invitation' | 'follows' | 'followUps'> = {
  effects: effectsOfMeans,
  invitation: 'Ask whether the groups differ',
  follows: 'by-choice',
  followUps: ({ compare }) => (compare === 'trend' ? ['unadjusted'] : adjustments),
};
