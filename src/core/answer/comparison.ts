/** The parts every answer is made of, whatever its design: what the pages show and the words say. */
import type { DistributionName } from '../distributions/named';
import type { Outcome } from '../numeric/domain-error';
import type { Direction } from '../procedures/direction';
import type { Interval } from '../procedures/interval';
import type { ShuffleTest } from '../procedures/shuffle-means';
import type { Additivity } from '../procedures/randomized-blocks';
import type { AdjustedMean } from './adjusted-part';
import type { GroupPart } from './group-part';
import type { SubjectPair } from '../readings/groups';

/** A statistic by the letter the field gives it. */
export type StatisticSymbol = 't' | 'z' | 'F' | 'q' | 'U' | 'W' | 'H' | 'J' | 'χ²' | 'G';

/** A difference, or a mean, in the readings' units. */
export interface Effect {
  /** What is subtracted from what, in words. */
  name: string;
  /** Ids of the groups, where it is a pair. */
  pair?: readonly [string, string];
  /** Of a difference of differences its four cells by their levels: the first and last counting with, the others against. */
  cells?: readonly (readonly [a: string, b: string])[];
  estimate: number;
  /** The value of no effect where it is not 0; a ratio is drawn on a logarithmic axis. */
  none?: number;
  ratio?: boolean;
  se?: number;
  df?: number;
  statistic?: { symbol: StatisticSymbol; value: number };
  /** At the question's level; simultaneous where the method gives such intervals. */
  interval?: Interval;
  /** Adjusted where several are judged together; an estimate has none. */
  p?: number;
  /** Whether p is below α; missing where there is none. */
  significant?: boolean;
  /** Before adjustment, where p-values are what is adjusted. */
  alone?: number;
  /** The smallest difference that would have counted. */
  smallest?: number;
}

/** An effect of several that are judged together. */
export interface JudgedEffect extends Effect {
  p: number;
}

/** A test of a hypothesis. */
export interface Test {
  /** What is tested, where an answer has several: a factor's name. */
  of?: string;
  symbol: StatisticSymbol | undefined;
  value: number | undefined;
  df: readonly number[];
  /** The smallest number there is where p is smaller still. */
  p: number;
  /** Whether p is below α. */
  significant?: boolean;
  /** log₁₀ of a p below 10⁻³⁰⁰. */
  log10P?: number;
  /** An interval for a p that was sampled, and how many arrangements were drawn for it. */
  pInterval?: Interval;
  drawn?: number;
}

/** A line of a source table. */
export interface SourceLine {
  source: string;
  kind: 'effect' | 'error' | 'total';
  ss: number;
  df: number;
  ms?: number;
  f?: number;
  p?: number;
  /** The p under the correction asked for, where it differs. */
  corrected?: number;
  /** Partial η² with its interval. */
  partialEta?: { value: number; interval: Outcome<Interval> };
}

/** An effect size without a unit. */
export interface Size {
  kind: 'g' | 'd' | 'dz' | 'eta' | 'omega' | 'partial-eta' | 'superiority' | 'kendall' | 'cramer' | 'r-squared';
  of?: string;
  value: number;
  interval?: Interval;
}

/** The reference distribution, with where the statistic and the critical values lie on it. */
export interface Reference {
  distribution: DistributionName;
  parameters: Readonly<Record<string, number>>;
  symbol: string;
  statistic: number;
  /** Which tails reject. */
  direction: Direction;
  of?: string;
}

/** Comparisons that follow, judged together. */
export interface FollowUpPart {
  effects: JudgedEffect[];
  /** The value a standardized difference must exceed; undefined where each has its own, or steps. */
  critical?: { symbol: string; value: number };
  /** How many comparisons p is adjusted for, where that is by their number: all that are shown. */
  family?: number;
  /** Comparisons that cannot be judged, each with the reason. */
  left?: { name: string; why: string }[];
  /** Whether the intervals hold together at the level, or each on its own. */
  simultaneous: boolean;
  /** Groups that share a letter do not differ; only for comparisons of all pairs. */
  letters?: { id: string; letters: string }[];
  /** Where they were made, of two factors: the level of the other factor. */
  within?: string;
}

/** How far an effect within subjects is from sphericity, by Mauchly's test. */
export interface SphericityOf {
  of: string;
  w: number;
  p: number;
}

/** The answer itself: effects first, then tests, table, sizes and what follows. */
export interface Comparison {
  /** The p of the main test; an estimate that tests no claim has none. */
  p?: number;
  /** Whether that p is below α; missing where there is none. */
  significant?: boolean;
  /** The smallest p the test could have given, where that does not reach the level. */
  leastP?: number;
  /** The one difference asked about, where there is one. */
  effect?: Effect;
  tests: Test[];
  sizes: Outcome<Size>[];
  table?: SourceLine[];
  /** The SD the groups share, where one is estimated. */
  pooledSd?: number;
  reference?: Reference[];
  follow?: Outcome<FollowUpPart[]>;
  /** Whether the difference lies within bounds that do not matter. */
  equivalence?: Outcome<{ p: number; pAboveLower: number; pBelowUpper: number; interval: Interval }>;
  /** One-sided bound at the level asked for. */
  bounds?: Interval;
  /** Which way a trend over ordered groups points. */
  trend?: number;
  /** Shuffled labels, where they gave the p. */
  shuffled?: ShuffleTest;
  /** Bootstrap resamples behind the interval, where it comes from them. */
  resamples?: number;
  /** How readings were paired. */
  pairing?: { pairs: SubjectPair[]; alone: string[]; bySubject: boolean };
  /** Subjects with a reading under every condition, and those left out. */
  complete?: {
    subjects: string[];
    rows: number[][];
    incomplete: { subject: string; lacks: string[] }[];
    /** Of groups of subjects: how many of the rows belong to each. */
    groupSizes?: number[];
  };
  /** Mauchly's test; of several effects within subjects the one furthest from sphericity, and each. */
  sphericity?: { w: number; p: number; effects?: readonly SphericityOf[] } | undefined;
  /** Of several effects within subjects the smallest, with what it is of. */
  epsilon?: { greenhouseGeisser: number; huynhFeldt?: number; of?: string };
  /** What a mixed model found: how readings vary within samples or subjects and between them. */
  model?: ModelPart;
  /** What the means are adjusted for, and how. */
  covariate?: CovariatePart;
  /** The blocks groups were compared within. */
  blocks?: BlocksPart;
  /** The groups as changes, where these were compared. */
  changes?: GroupPart[];
  /** Means and spread of greatest likelihood, with the log-likelihood there and under the hypothesis of no effect. */
  likelihood?: { means: number[]; sd: number; logLikelihood: number; same: number };
  /** Every subject with what there is of its readings, where none is left out for one that is missing. */
  everyone?: { subjects: string[]; rows: (number | undefined)[][]; residuals: number[] };
  /** Of two factors: cells, marginal means, what has no readings. */
  cells?: TwoWayCells;
  /** The same asked of other measures of the effect, or with other intervals. */
  also?: Effect[];
  /** Of the same subjects twice: how many changed one way, and how many the other. */
  pairs?: readonly [number, number];
  /** Counts with what would be expected of them. */
  counts?: CountedPart;
  /** What must be known to read the answer rightly, in words. */
  remarks: string[];
}

/** A sample by its mean. */
export interface SampleMean {
  name: string;
  /** The place of its group. */
  group: number;
  n: number;
  mean: number;
  rows: readonly number[];
  /** How much it tells of its group, where that is more than its number of readings. */
  weight?: number;
}

/** How readings vary within samples, or subjects, and between them. */
export interface ModelPart {
  /** What a sample is: "tank". */
  of: string;
  samples: SampleMean[];
  /** Whether the samples' means were compared instead of fitting the model. */
  byMeans?: true;
  variances?: {
    within: { variance: number; interval: Interval };
    between: { variance: number; interval: Interval };
    /** Of samples within samples. */
    inner?: { variance: number; interval: Interval };
    /** Where readings stand in one level of samples. */
    icc?: { value: number; interval: Interval };
  };
  /** Samples within samples, and what one is: "blade". */
  inner?: { of: string; samples: SampleMean[] };
  /** Each group as the comparison took it. */
  groups: { mean: number; se: number; interval: Interval; samples?: number; effectiveN?: number }[];
}

/** What the means of groups are adjusted for. */
export interface CovariatePart {
  name: string;
  unit: string;
  /** The value they are adjusted to. */
  at: number;
  /** By how much a reading is larger where the covariate is one larger, within groups. */
  slope: { estimate: number; se: number; interval: Interval; p: number };
  /** Whether groups have slopes of their own, and which; missing where there are too few readings to tell. */
  slopes?: { f: number; df: readonly [number, number]; p: number; own: number[] };
  /** Whether its logarithms were taken, as those of the readings. */
  logged?: true;
  /** Readings without a value of it. */
  lost: number;
  /** Of each group its adjusted mean, its means as read, and each reading against its covariate. */
  groups: {
    mean: number;
    se: number;
    interval: Interval;
    unadjusted: number;
    covariate: number;
    points: { x: number; y: number; row: number }[];
  }[];
}

/** The blocks groups are compared within. */
export interface BlocksPart {
  /** What a block is: "day". */
  name: string;
  count: number;
  names: string[];
  /** Whether blocks are drawn from many; else they are those there are. */
  random?: boolean;
  /** Readings that name none. */
  lost: number;
  /** Whether groups differ alike in all blocks, where the layout tells. */
  additivity?: Additivity;
  /** The readings of each block in each group, by their mean. */
  cells: (SampleMean & { block: number })[];
  /** Each group were it read in every block alike. */
  means: AdjustedMean[];
  /** Of each group its readings less what group and block come to. */
  residuals: number[][];
}

/** Observed counts, the counts expected, and where they part. */
export interface CountedPart {
  rowName: string;
  columnName: string;
  rows: string[];
  columns: string[];
  observed: number[][];
  expected: number[][];
  /** Residuals with unit spread where nothing departs: beyond ±2 a cell stands out. */
  residuals: number[][];
  /** p of each residual, adjusted by Holm for their number. */
  cellP: number[][];
  smallest: number;
  underFive: number;
}

/** Mean and interval of a cell or a margin. */
export interface CellMean {
  a?: string;
  b?: string;
  n: number;
  mean: number;
  interval?: Interval;
  sd?: number;
}

/** The figures of a two-way layout. */
export interface TwoWayCells {
  factors: readonly [
    { name: string; levels: { id: string; name: string }[] },
    { name: string; levels: { id: string; name: string }[] },
  ];
  cells: CellMean[];
  /** Of each factor: the plain mean of a level's cell means; a level with an empty cell has none. */
  margins: readonly [CellMean[], CellMean[]];
  empty: string[];
  balanced: boolean;
  type: 1 | 2 | 3;
}
