import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import type { SpreadReason } from '../question/choices';
import type { Named } from '../question/naming';
import type { Question } from '../question/question';
import type { Hypotheses } from '../words/hypothesis';
import type { Segment } from '../words/segments';
import type { Text } from '../words/text';

/** All that a kind of question says of itself and of its answer. */
export interface Words {
  /** The question as a sentence, its choices among the text. */
  sentence: (named: Named) => Segment[];
  /** The question in a few words, for a list. */
  short: (named: Named) => string;
  /** The procedure, by the name the field gives it. */
  methodName: (question: Question) => string;
  /** The procedure as it was carried out, where the readings did not allow the one asked for. */
  carriedOut?: (answer: Answer) => string | undefined;
  /** The same among its alternatives, where they differ in something else than the procedure. */
  alternativeName?: (question: Question) => string;
  /** Why this procedure. @param spreadBy what in the sizes of the groups decided, where nobody chose */
  methodReason: (question: Question, spreadBy?: SpreadReason) => string;
  /** What else would be reasonable, and when. */
  methodElse: (question: Question) => string;
  /** The result for someone who is no statistician. */
  headline: (answer: Answer, comparison: Comparison) => Text;
  /** What is tested; an estimate tests nothing. */
  hypotheses?: (answer: Answer) => Hypotheses;
  /** The difference that equivalence is about, in TeX, where it can be tested. */
  equivalenceOf?: (answer: Answer) => string;
  /** The sentences for the paper. */
  methods: (answer: Answer) => Text;
  results: (answer: Answer, comparison: Comparison) => Text;
  /** The legend of its usual picture; questions about readings have theirs from the figure's parts. */
  legend?: (answer: Answer) => Text;
}
