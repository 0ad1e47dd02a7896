/** What questions with one difference share in words: two groups, pairs, one group against a value. */
import { nth } from '../numeric/nth';
import type { Answer } from '../answer/answer';
import type { Comparison, Effect } from '../answer/comparison';
import { there } from '../numeric/there';
import { adjusts } from '../question/asking';
import { choicesOf, noneOf, tellsRatios } from '../question/choices';
import type { Named } from '../question/naming';
import type { Question } from '../question/question';
import { equivalenceClause } from './equivalence';
import { parameterOf } from './hypothesis';
import { groupClause, isAlone, measureOf, nameAt, statedValue, takenClause } from './measured';
import { atAlpha, effectDecimals, fixed, given, percent, significant } from './numbers';
import { effectPhrases, sizesClause, testPhrase } from './phrases';
import { sentenceCase, unitAfter, valued } from './sentences';
import { type Text, text } from './text';
import { verdictOn } from './verdict';

/** "Red lamp minus White lamp": the order of subtraction, spelled out; one group is held against a value. */
export const subtraction = (named: Pick<Named, 'groups' | 'question'>): string =>
  `${nameAt(named, 0)} ${tellsRatios(named.question) ? 'over' : 'minus'} ${named.groups.length < 2 ? statedValue(named, '') : nameAt(named, 1)}`;

/** "Red lamp minus White lamp is greater than −5 kg", "it is greater in Red lamp": what a one-sided test claims. */
export function claimOf(named: Pick<Named, 'groups' | 'question' | 'unit'>): string {
  const { value } = choicesOf(named.question);
  const way = named.question.direction;
  const stated = statedEffect(named);
  if (named.groups.length < 2) return `it is ${way} than ${statedValue(named, named.unit)}`;
  return value === noneOf(named.question)
    ? `it is ${way} in ${nameAt(named, 0)}`
    : `${subtraction(named)} is ${way} than ${stated}`;
}

/** A ratio as it was meant: one turned round is 1 over the number typed, and not a row of digits. */
function givenRatio(ratio: number): string {
  const [plain, turned] = [given(ratio), given(1 / ratio)];
  return plain.length > 6 && turned.length <= 6 ? `1/${turned}` : plain;
}

/** The effect tested against, with its unit; a ratio has none. */
export function statedEffect({ question, unit }: Pick<Named, 'question' | 'unit'>): string {
  const { value } = choicesOf(question);
  return tellsRatios(question) ? givenRatio(value) : valued(given(value), unit);
}

/** A mean by the name of what it is, or another centre that permutation tests compare. */
type Centre = `${'' | 'adjusted '}${'' | 'geometric '}mean` | 'median' | 'trimmed mean';

/** The centre a question compares: a mean, unless a permutation test compares another. */
export function centreWord(question: Question): Centre {
  const { method, statistic } = choicesOf(question);
  if (method !== 'shuffle')
    return `${adjusts(question.design) && method !== 'change' ? 'adjusted ' : ''}${tellsRatios(question) ? 'geometric mean' : 'mean'}`;
  return statistic === 'median' ? 'median' : statistic === 'trimmed' ? 'trimmed mean' : 'mean';
}

/** What the effect of two groups is, by what is compared. */
export function effectWord(question: Question): string {
  if (choicesOf(question).method === 'ranks') return 'shift';
  const centre = centreWord(question);
  if (tellsRatios(question)) return `ratio of ${centre}s`;
  return centre === 'mean' ? 'difference' : `difference of ${centre}s`;
}

/** What permuted labels or signs compare. */
export const statisticWords = {
  mean: 'the means',
  median: 'the medians',
  trimmed: 'the trimmed means',
  t: 'Welch’s t',
} as const;

/** A difference as it is told: its size without a sign, and which way it lies; what is printed as 0 lies neither way. */
export function toldEffect(effect: Effect, unit: string): { size: string; sign: -1 | 0 | 1 } {
  const size = fixed(Math.abs(effect.estimate), effectDecimals(effect));
  if (effect.ratio) return { size: `${size} times`, sign: Number(size) === 1 ? 0 : effect.estimate > 1 ? 1 : -1 };
  const sign = /[1-9]/.test(size) ? (effect.estimate > 0 ? 1 : -1) : 0;
  return { size: `${size}${unitAfter(unit)}`, sign };
}

export const theEffect = ({ effect }: Comparison): Effect => there(effect, 'The difference');

/** The verdict at the end of a headline. @param none what no effect would be; @param more how it is said otherwise */
export function headlineOf(
  observed: string,
  answer: Answer,
  comparison: Comparison,
  none: string,
  more: { open?: string; shown?: string },
): Text {
  const { question } = answer;
  const settled = comparison.significant;
  const { direction, level } = question;
  const verdict = verdictOn({ settled, direction, seen: 'readings', none, ...more, claim: claimOf(answer) });
  return text`${observed}; ${atAlpha(level)}, ${verdict}.${equivalenceClause(answer, comparison)}`;
}

/** How a permutation test was made, for the methods. @param of what of the readings was arranged how */
export function permutedWords({ comparison, question }: Answer, of: string): string {
  const found = comparison.ok ? comparison.value : undefined;
  const how = found?.tests[0]?.pInterval
    ? `${there(found.shuffled, 'The permutation test').arrangements.toLocaleString('en')} random arrangements, seed ${choicesOf(question).seed}`
    : 'all arrangements counted';
  return `a randomization test of ${of} (${how})`;
}

/** Whether the test was two-sided, else what it claimed; then which way differences are taken. */
export function sidedClause(answer: Answer): string {
  const { question } = answer;
  const { value } = choicesOf(question);
  const way = question.direction;
  const claim =
    answer.groups.length < 2
      ? `${nameAt(answer, 0)} ${way} than ${statedValue(answer, answer.unit)}`
      : value === noneOf(question)
        ? `${nameAt(answer, 0)} ${way} than ${nameAt(answer, 1)}`
        : claimOf(answer);
  const sided = way === 'either' ? 'The test was two-sided' : `The test was one-sided (${claim})`;
  const effects = tellsRatios(question) ? 'effects are ratios of geometric means,' : 'differences are';
  return `${sided}; ${effects} ${subtraction(answer)}${tellsRatios(question) ? ',' : ''} and are given with ${way === 'either' ? '' : 'two-sided '}${percent(question.level)} confidence intervals`;
}

/** How equivalence was tested, where it was asked for. */
export function equivalenceMethod({ question, unit, comparison }: Answer): string {
  const { bounds, level } = question;
  if (!bounds || !comparison.ok || !comparison.value.equivalence?.ok) return '';
  return ` Equivalence within ${valued(`${given(bounds.low)} to ${given(bounds.high)}`, tellsRatios(question) ? '' : unit)} was tested by two one-sided tests at α = ${given(1 - level)}.`;
}

/** What was tested, where that is not the readings as they are. */
export const onLogarithms = (question: Question): string =>
  tellsRatios(question) ? ' of the natural logarithms of the readings' : '';

/** What a standardized difference is of, where that is not the readings as they are. */
export const ofLogarithms = (question: Question): string => (tellsRatios(question) ? ' of the logarithms' : '');

/** What effects are given as, where several are. */
export const ratiosClause = (question: Question): string =>
  tellsRatios(question) ? ' Effects are given as ratios of geometric means.' : '';

/** The letter of a mean in a hypothesis: the geometric one has its own. */
export const meanLetter = (question: Question): string => (tellsRatios(question) ? '\\gamma' : '\\mu');

/** What no difference of two means is, in TeX: a difference, or a ratio. */
export const twoMeans = ({ question, groups }: Pick<Named, 'question' | 'groups'>): string => {
  const [x, y] = [0, 1].map((i) => parameterOf(meanLetter(question), nameAt({ groups }, i)));
  return `${x} ${tellsRatios(question) ? '/' : '-'} ${y}`;
};

/** The methods of two groups or pairs. */
export function twoMethods(answer: Answer, test: string, each: string, standardized: Text): Text {
  const { value } = choicesOf(answer.question);
  const { question } = answer;
  const shifted =
    value === noneOf(question)
      ? ''
      : `; the ${tellsRatios(question) ? 'ratio' : 'difference'} was tested against ${statedEffect(answer)}`;
  return text`${sentenceCase(measureOf(answer))} was compared between ${nameAt(answer, 0)} and ${nameAt(answer, 1)} with ${test}${onLogarithms(question)}, ${each}. ${sidedClause(answer)}${shifted}.${standardized}${equivalenceMethod(answer)}${takenClause(answer)}`;
}

/** "Differences are of medians, their intervals percentiles of 2,000 bootstrap resamples (seed 1)." */
export function resampledClause({ comparison, question }: Answer, of: string): string {
  const resamples = there(comparison.ok ? comparison.value.resamples : 0, 'The number of resamples');
  return ` Differences are ${of}, their intervals percentiles of ${resamples.toLocaleString('en')} bootstrap resamples (seed ${choicesOf(question).seed}).`;
}

/** What a result not significant does not show. @param difference what it would differ from, where not "a difference" */
function unshownClause(answer: Answer, comparison: Comparison): string {
  const { question, unit, groups } = answer;
  if (comparison.significant) return '';
  if (question.direction !== 'either') return `; this does not show that ${claimOf(answer)}`;
  const { value } = choicesOf(question);
  const what = tellsRatios(question) ? 'ratio' : 'difference';
  return `; this does not show ${groups.length < 2 ? `that it differs from ${statedValue(answer, unit)}` : value === noneOf(question) ? 'a difference' : `that the ${what} is other than ${statedEffect(answer)}`}`;
}

/**
 * The results of one difference.
 * @param kind what it is of: "difference", "shift", "difference of medians"; @param spread what is told of its spread
 */
export function twoResults(answer: Answer, comparison: Comparison, kind: string, spread = ''): Text {
  const { question, unit, groups } = answer;
  const { method } = choicesOf(question);
  const { level } = question;
  const effect = theEffect(comparison);
  const { estimate, interval } = effectPhrases(effect, unit, level);
  const { sign } = toldEffect(effect, unit);
  const centre = centreWord(question);
  const told = method === 'ranks' ? 'ranks' : method === 'shuffle' ? centre : 'mean';
  const [sided, tested] = question.direction === 'either' ? ['', ''] : ['two-sided ', 'one-sided '];
  const test = there(comparison.tests[0], 'The test');
  const sampled = test.pInterval
    ? ` (${percent(level)} CI of the sampled p ${significant(test.pInterval.low, 2)} to ${significant(test.pInterval.high, 2)})`
    : '';
  const what = sentenceCase(measureOf(answer));
  const named = isAlone(answer) ? groups.map((g) => ({ ...g, name: what })) : groups;
  const [a, b] = named.map((g) => groupClause(g, unit, told));
  const seen = b
    ? text`${what} was ${nth(['less', 'the same on average', 'greater'], sign + 1)} in ${a ?? []} ${sign === 0 ? 'and' : 'than'} in ${b}`
    : text`${isAlone(answer) ? [] : `${what} of `}${a ?? []} was ${nth(['less than', 'equal to', 'greater than'], sign + 1)} ${statedValue(answer, unit)}`;
  return text`${seen}: ${kind} ${estimate}${spread}, ${sided}${interval}; ${tested}${testPhrase(test)}${sampled}${sizesClause(comparison, level)}${unshownClause(answer, comparison)}.${equivalenceClause(answer, comparison)}`;
}
