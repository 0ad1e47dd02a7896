/** What is said of groups compared by a model: of two their difference, of several whether they differ and then which. */
import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import { controlPlace } from '../answer/follow-up';
import type { Named } from '../question/naming';
import type { Question } from '../question/question';
import { differenceHeadline, differenceHypotheses, differenceSentence } from '../words/difference';
import { against } from '../words/hypothesis';
import { does, groupsPart, measurePart, nameAt, shortGroups } from '../words/measured';
import { type Segment, asked, part } from '../words/segments';
import { comparedClause, severalHeadline, severalHypotheses, severalMethods, severalResults } from '../words/several';
import { type Text, text } from '../words/text';
import { centreWord, effectWord, twoMeans, twoMethods, twoResults } from '../words/two';
import type { Words } from './words';

/** What a model says of itself. */
export interface ModelWords extends Pick<Words, 'methodName' | 'alternativeName' | 'carriedOut' | 'methodElse'> {
  /** How the question ends: "compared within each day, when each line counts once?". */
  each: (named: Named) => Segment[];
  reason: (question: Question) => string;
  /** What the first test of several groups is about. */
  compared: 'groups' | 'adjusted means';
  /** The procedure, for the methods. */
  procedure: (answer: Answer) => string;
  /** What of each sample entered it. */
  entered: (answer: Answer) => string;
  /** What else the methods say. */
  further: (answer: Answer) => string;
  /** What the results say last. */
  last: (answer: Answer, comparison: Comparison) => Text;
}

type Own = Pick<Words, 'short' | 'methodName' | 'alternativeName' | 'carriedOut' | 'methodElse'>;
const own = ({ methodName, alternativeName, carriedOut, methodElse }: ModelWords): Own => ({
  short: shortGroups,
  methodName,
  ...(alternativeName ? { alternativeName } : {}),
  ...(carriedOut ? { carriedOut } : {}),
  methodElse,
});

export const twoWords = (model: ModelWords): Words => ({
  ...own(model),
  sentence: (named) => differenceSentence(named, model.each(named)),
  methodReason: model.reason,
  headline: (answer, comparison) => differenceHeadline(answer, comparison, centreWord(answer.question)),
  hypotheses: (answer) => differenceHypotheses(answer, twoMeans(answer), against[answer.question.direction]),
  equivalenceOf: twoMeans,
  methods: (answer) =>
    twoMethods(answer, model.procedure(answer), model.entered(answer), text`${model.further(answer)}`),
  results: (answer, comparison) =>
    text`${twoResults(answer, comparison, effectWord(answer.question))}${model.last(answer, comparison)}`,
});

export const severalWords = (model: ModelWords): Words => ({
  ...own(model),
  sentence: (named) =>
    asked`${does(named)} ${measurePart(named)} differ ${part('compares', 'among')} ${groupsPart(named)}, ${model.each(named)}`,
  methodReason: (question) =>
    `${model.reason(question)} First whether the ${model.compared} differ at all, then which.`,
  headline: (answer, comparison) => severalHeadline(answer, comparison, 'groups'),
  hypotheses: severalHypotheses,
  methods: (answer) => {
    const follow = comparedClause(answer, 'group', () => nameAt(answer, controlPlace(answer.question, answer.groups)));
    return severalMethods(answer, model.procedure(answer), model.entered(answer), `${model.further(answer)}${follow}`);
  },
  results: (answer, comparison) =>
    severalResults(answer, comparison, 'groups', { last: model.last(answer, comparison) }),
});
