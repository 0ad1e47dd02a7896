import type { Answer } from '../../answer/answer';
import type { Comparison } from '../../answer/comparison';
import { choicesOf, tellsRatios } from '../../question/choices';
import {
  differenceHeadline,
  differenceHypotheses,
  differenceSentence,
  permutedHypotheses,
} from '../../words/difference';
import { against } from '../../words/hypothesis';
import { eachCounts, shortGroups } from '../../words/measured';
import { byPermutation, byRanks } from '../../words/method-reasons';
import { counted, significant } from '../../words/numbers';
import { listed, unitAfter } from '../../words/sentences';
import { symbol, text } from '../../words/text';
import {
  centreWord,
  effectWord,
  ofLogarithms,
  permutedWords,
  resampledClause,
  twoMeans,
  twoMethods,
  twoResults,
} from '../../words/two';
import type { Words } from '../words';

function testWords(answer: Answer): string {
  const { method, statistic } = choicesOf(answer.question);
  if (method === 'ranks') return 'Wilcoxon’s signed-rank test';
  if (method !== 'shuffle') return 'a paired t-test';
  return permutedWords(
    answer,
    statistic === 't'
      ? 'the paired t, signs of the differences shuffled'
      : `the ${{ mean: 'mean', median: 'median', trimmed: '20 % trimmed mean' }[statistic]} difference, signs shuffled`,
  );
}

/** How the pairs came about, and what has no part in them. */
function pairsClause({ comparison, subject }: Answer): string {
  const noun = subject || 'subject';
  const itself = `each ${noun} being compared with itself`;
  const pairing = comparison.ok ? comparison.value.pairing : undefined;
  if (!pairing) return itself;
  const { pairs, alone, bySubject } = pairing;
  const several = pairs.some((p) => p.a.rows ?? p.b.rows)
    ? `, several readings of one ${noun} under a condition standing for it by their mean`
    : '';
  const left =
    alone.length === 0
      ? ''
      : `; ${counted(alone.length, 'reading')} without a partner (${listed([...alone.slice(0, 6), ...(alone.length > 6 ? [`${alone.length - 6} more`] : [])])}) ${alone.length === 1 ? 'was' : 'were'} left out`;
  return `${itself} (${counted(pairs.length, 'pair')}, matched ${bySubject ? `by ${noun}` : 'row by row'}${several}${left})`;
}

/** The SD of the differences behind a mean difference, from its standard error. */
function spreadClause({ unit }: Answer, { pairing, effect }: Comparison): string {
  if (!pairing || effect?.se === undefined) return '';
  return ` (SD of the differences ${significant(effect.se * Math.sqrt(pairing.pairs.length), 3)}${unitAfter(unit)})`;
}

export const words: Words = {
  sentence: (named) => differenceSentence(named, eachCounts(named, 'subject')),
  short: shortGroups,
  methodName: (question) =>
    ({
      means: 'Paired t-test',
      ranks: 'Wilcoxon signed-rank test',
      shuffle: 'Randomization test of paired readings',
    })[choicesOf(question).method as 'means'],
  methodReason: (question) =>
    ({
      means:
        'The same subjects were measured in both groups, so each is compared with itself: what differs from subject to subject drops out of the differences.',
      ranks: byRanks,
      shuffle: byPermutation('give a difference as large'),
    })[choicesOf(question).method as 'means'],
  methodElse: (question) =>
    choicesOf(question).method === 'means'
      ? 'Signed ranks or a permutation of signs, if a few differences sway the mean.'
      : 'The paired t-test, if the mean difference is what you want to know.',
  headline: (answer, comparison) => {
    // The middle of the differences within pairs is not the difference of two middles.
    const centre = centreWord(answer.question);
    return differenceHeadline(
      answer,
      comparison,
      centre === 'mean' || centre === 'geometric mean' ? centre : `${centre} difference in`,
    );
  },
  hypotheses: (answer) => {
    const { method } = choicesOf(answer.question);
    return method === 'shuffle'
      ? permutedHypotheses(answer, 'd \\sim -d', 'Each difference could as well have had the other sign.')
      : differenceHypotheses(
          answer,
          method === 'ranks' ? '\\theta_{d}' : tellsRatios(answer.question) ? twoMeans(answer) : '\\mu_{d}',
          against[answer.question.direction],
        );
  },
  equivalenceOf: (answer) => (tellsRatios(answer.question) ? twoMeans(answer) : '\\mu_{d}'),
  methods: (answer) => {
    const { method } = choicesOf(answer.question);
    const centre = centreWord(answer.question);
    const standardized =
      method === 'means'
        ? text` Standardized differences are Cohen’s ${symbol('d')}z${ofLogarithms(answer.question)} with noncentral-${symbol('t')} intervals.`
        : method === 'ranks'
          ? text` Differences are Hodges–Lehmann shifts.`
          : centre === 'mean'
            ? text` Intervals are those of the paired t-test.`
            : text`${resampledClause(answer, `${centre} differences`)}`;
    return twoMethods(answer, testWords(answer), pairsClause(answer), standardized);
  },
  results: (answer, comparison) => {
    const centre = centreWord(answer.question);
    if (choicesOf(answer.question).method === 'ranks' || tellsRatios(answer.question))
      return twoResults(answer, comparison, effectWord(answer.question));
    return centre === 'mean'
      ? twoResults(answer, comparison, 'difference', spreadClause(answer, comparison))
      : twoResults(answer, comparison, `${centre} difference`);
  },
};
