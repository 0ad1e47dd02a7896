import type { Answer } from '../answer/answer';
import type { Check } from '../answer/checks';
import type { Comparison } from '../answer/comparison';
import type { GroupPart } from '../answer/group-part';
import type { Shuffling } from '../procedures/shuffling';
import type { Question } from '../question/question';
import type { CountTable } from '../readings/counts';
import type { Repeats } from '../readings/repeats';
import type { Table } from '../readings/table';
import type { FigureKind } from '../scenes/figure-kinds';
import type { Look } from '../scenes/groups-look';
import type { Step } from '../working/term';
import type { Words } from './words';

/** A part of the working under a heading of its own. */
export interface WorkingPart {
  title: string;
  steps: Step[];
}

/** An answer with its comparison, for the working. */
export interface Worked {
  answer: Answer;
  comparison: Comparison;
  table: Table;
  /** Which of the comparisons that follow is worked out. */
  chosen: number;
}

interface Every {
  words: Words;
  /** The picture of the answer on the page. */
  look: Look;
  /** The figures it can be shown as, the usual one first, as far as the answer has what each needs. */
  figures: readonly FigureKind[];
  /**
   * Other reasonable ways to answer, as what of the question would change; where missing, its methods.
   * @param repeats how readings repeat subjects, where a column names them
   */
  alternatives?: (question: Question, repeats?: Repeats) => Partial<Question>[];
  /** The readings as the checks see them: groups, cells, differences within pairs, what is left within subjects. */
  checked: (answer: Answer) => (readonly number[])[];
  /** What the answer rests on. */
  checks: (answer: Answer) => Check[];
  working: (worked: Worked) => WorkingPart[];
  /** What permuting labels or signs would arrange. @throws DomainError where nothing can be */
  permuted?: (answer: Answer) => Shuffling;
  /** The groups that drawing again would draw from. @throws DomainError without readings */
  drawnFrom?: (answer: Answer) => { groups: (readonly number[])[]; names: { name: string; colour: number }[] };
}

/** A kind of question that is answered from readings. */
export interface OfReadings extends Every {
  from: 'readings';
  /** Whether it compares by two factors: then by their cells, not by the groups of one of them. */
  factors?: true;
  /** Whether it can take readings known only to lie below a limit; without, each needs a number. */
  takesLimits?: true;
  /** The groups compared, as far as they are there. @throws DomainError when one is gone */
  groups: (question: Question, all: GroupPart[]) => GroupPart[];
  /** @param brief leaves out effect sizes and what follows an overall test. @throws DomainError in words */
  compare: (question: Question, table: Table, groups: readonly GroupPart[], brief: boolean) => Comparison;
  /** Whether subjects lack readings: where nobody chose a method, a mixed model then leaves none of them out. */
  hasGaps?: (question: Question, table: Table, groups: readonly GroupPart[]) => boolean;
  /** The groups described by what the comparison used of them, where that is not all. */
  used?: (groups: readonly GroupPart[], comparison: Comparison, level: number) => GroupPart[];
}

/** A kind of question that is answered from counts. */
export interface OfCounts extends Every {
  from: 'counts';
  groups: (question: Question, counted: CountTable) => GroupPart[];
  compare: (question: Question, counted: CountTable) => Comparison;
  /** Which group of the question a counted one was made from, by its limit; its own id where missing. */
  madeFrom?: (question: Question, id: string) => string | undefined;
}

/** One kind of question, with all that is done for it. */
export type Analysis = OfReadings | OfCounts;
