import type { Outcome } from '../numeric/domain-error';
import type { SpreadReason } from '../question/choices';
import type { Question } from '../question/question';
import type { CountTable } from '../readings/counts';
import type { Factors } from '../readings/factors';
import type { Repeats } from '../readings/repeats';
import type { Comparison } from './comparison';
import type { GroupPart } from './group-part';
import type { Registered } from './registered';

export type { Comparison } from './comparison';
export type { GroupPart } from './group-part';

/** All that follows from a question and its readings. */
export interface Answer {
  /** The question asked, with what the sizes of its groups decided. */
  question: Question;
  /** Why the spreads are taken as they are, where the sizes of the groups decided. */
  spreadBy?: SpreadReason;
  measure: string;
  /** What means are adjusted for, where they are. */
  covariate?: string;
  /** What groups are compared within, where they are: "day". */
  block?: string;
  /** What samples within the samples are, where readings stand in such. */
  inner?: string;
  unit: string;
  subject: string;
  /** The groups compared, in the order the question names them. */
  groups: GroupPart[];
  /** Whether the two groups compared stand in the table the other way round. */
  reversed?: true;
  comparison: Outcome<Comparison>;
  /** How often subjects come back; undefined when no column names them. */
  repeats: Repeats | undefined;
  /** Whether readings of one subject were averaged before comparing. */
  averaged: boolean;
  /** The label or subject of each row, where a column gives one. */
  rowNames: readonly string[] | undefined;
  /** The readings by two factors, where there are two. */
  layout?: Factors;
  /** Which rows the question is asked of, where not of all: "assay is pigment 3". */
  only?: string;
  /** How many rows stand twice, the second not counted. */
  twice?: number;
  /** Readings whose row names no group, and of what: they are in none. */
  ungrouped?: { count: number; of: string };
  /** The answer on the logarithms of the readings, where it is told as ratios: what was tested, checked and worked out. */
  logs?: Answer;
  /** Whether only reported figures are known, no readings. */
  reported: boolean;
  /** What names the rows of those counts. */
  rowName?: string;
  /** How the question was registered, where it was. */
  registered?: Registered;
  /** When its groups stood under letters, where they did. */
  blind?: {
    from: string;
    /** When they were named; missing while they are not. */
    to?: string;
    /** How many cells were set aside before, and since. */
    asideBefore: number;
    asideSince: number;
    /** Whether it was asked only after they were named. */
    askedSince?: boolean;
    /** Each choice that is another than when they were named, in words; missing where that is not known. */
    chosenSince?: string[];
  };
  /** What was counted, where a question is about counts. */
  counted?: CountTable;
}
