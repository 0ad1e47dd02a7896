/** What is said of groups of samples with several readings each. */
import type { Answer } from '../../answer/answer';
import type { Named } from '../../question/naming';
import type { Question } from '../../question/question';
import { counted, plural } from '../../words/numbers';
import { type Segment, asked, part } from '../../words/segments';
import { ofTwoGroups } from '../../question/asking';
import { mixedModel, mixedModelWords, variationClause } from '../../words/variation';
import type { ModelWords } from '../by-model-words';

/** "counts once, with 6 readings in each", "with 3 to 6 readings in each". */
function readingsInEach({ repeats }: Pick<Named, 'repeats'>): string {
  if (!repeats) return 'counts once, with its readings within it';
  const { least, most } = repeats.each;
  return `counts once, with ${least === most ? counted(most, 'reading') : `${least} to ${counted(most, 'reading')}`} in each`;
}

/** How the question ends: "when each tank counts once, with 6 readings in each?". */
const eachSample = (named: Named): Segment[] =>
  asked`when each ${part('subject', named.subject || 'sample')} ${part('counting', readingsInEach(named))}${named.inner === undefined ? '' : asked`, taken ${part('inner', `${named.inner} by ${named.inner}`)}`}?`;

const sampleOf = ({ subject }: Pick<Answer, 'subject'>): string => subject || 'sample';

/** Whether the samples' means were compared, for the model could not be fitted or is not needed. */
const tookMeans = ({ comparison }: Answer): boolean => comparison.ok && comparison.value.model?.byMeans === true;

const innerOf = ({ comparison }: Answer) => (comparison.ok ? comparison.value.model?.inner : undefined);

/** By what the groups were compared, for the methods. */
const modelWords = (answer: Answer): string => {
  const sample = sampleOf(answer);
  const means = ofTwoGroups(answer.question.design)
    ? 'Student’s two-sample t-test (pooled variance)'
    : 'one-way analysis of variance';
  return tookMeans(answer)
    ? `${means} of the means of the ${plural(sample)}, each counting once`
    : mixedModelWords(sample, innerOf(answer)?.of);
};

/** What of each sample entered the comparison. */
const withinSamples = (answer: Answer): string => {
  const { repeats } = answer;
  const sample = sampleOf(answer);
  const inner = innerOf(answer);
  return repeats
    ? `the ${counted(repeats.readings, 'reading')} being taken within their ${inner ? `${counted(inner.samples.length, inner.of)} of ` : ''}${counted(repeats.subjects, sample)}`
    : `readings being taken within their ${plural(sample)}`;
};

/** What the model is called beside others: of both levels of samples, where the question names two. */
const modelName = ({ inner }: Question): string => (inner === undefined ? mixedModel : `${mixedModel} of both levels`);

const modelReason =
  'Several readings of one sample are alike, so they are not independent. A mixed model keeps the levels apart: how far samples vary, and how far readings vary within them. Each sample counts by what it tells; with equal numbers the answer is that of the samples’ means.';

const modelElse =
  'The means of the samples, each counting once, if that is easier to explain: with equal numbers it gives the same answer.';

export const words: ModelWords = {
  each: eachSample,
  methodName: () => mixedModel,
  alternativeName: modelName,
  carriedOut: (answer) =>
    tookMeans(answer)
      ? `${ofTwoGroups(answer.question.design) ? 't-test' : 'Analysis of variance'} of the samples’ means`
      : undefined,
  reason: () => modelReason,
  methodElse: () => modelElse,
  compared: 'groups',
  procedure: modelWords,
  entered: withinSamples,
  further: () => '',
  last: variationClause,
};
