import { choicesOf } from '../../../question/choices';
import type { Question } from '../../../question/question';
import { orderedHeadline, orderedHypotheses, placedClause, trendVerb } from '../../../words/ordered';
import { followNames } from '../../../words/follow-names';
import { allEqual, allOf } from '../../../words/hypothesis';
import { eachCounts, groupsPart } from '../../../words/measured';
import { atAlpha, percent } from '../../../words/numbers';
import { sizesClause, testPhrase } from '../../../words/phrases';
import { asked, part } from '../../../words/segments';
import { listed } from '../../../words/sentences';
import { significantClause } from '../../../words/significant-clause';
import { joined, text } from '../../../words/text';
import { toldSignificant } from '../../../words/verdict';
import type { Words } from '../../words';
import * as pair from '../pair';
import {
  type Names,
  byPermutedShares,
  elseOf,
  foundPart,
  isExact,
  legendOf,
  methodsOf,
  named,
  shareClause,
  shareOf,
  sharesGiven,
} from '../words';

const names: Names = {
  'chi-square': ['Chi-square test of several proportions', 'Pearson’s chi-square test'],
  g: ['G test of several proportions', 'the likelihood-ratio (G) test'],
  exact: ['Fisher’s exact test', 'Fisher’s exact test'],
  trend: ['Cochran–Armitage test of a trend', 'the Cochran–Armitage test of a linear trend over the groups'],
  shuffle: ['Randomization test of several shares', 'a randomization test of chi-square'],
};

const isTrend = (question: Question): boolean => choicesOf(question).method === 'trend';

/** The shares found in several groups. */
export const words: Words = {
  sentence: (of) =>
    asked`Does the share of ${foundPart(of)} differ ${part('compares', 'among')} ${groupsPart(of)}, ${eachCounts(of, 'one')}`,
  short: pair.short,
  methodName: (question) => named(names, question)[0],
  methodReason: (question) =>
    choicesOf(question).method === 'shuffle'
      ? byPermutedShares
      : isTrend(question)
        ? 'The groups have an order. The test asks whether the share rises, or falls, along a line over them, and sees that better than a test that knows no order.'
        : isExact(question)
          ? 'All tables with these totals are counted: right at any number.'
          : 'Several independent groups: first whether their shares differ at all, then which, with p adjusted for their number.',
  methodElse: elseOf,
  headline: (answer, comparison) => {
    const { question, groups } = answer;
    if (isTrend(question)) return orderedHeadline(shareOf(answer), 'the same share', answer, comparison);
    const { significant, all } = toldSignificant(comparison);
    return comparison.significant
      ? text`${shareOf(answer)} differed among the ${groups.length} groups; ${atAlpha(question.level)}, ${significant === 0 ? 'none' : significant} of ${all} ${all === 1 ? 'pair' : 'pairs'} ${significant <= 1 ? 'differs' : 'differ'}.`
      : text`These counts do not show that ${shareOf(answer).toLowerCase()} differs among the ${groups.length} groups, nor that it is the same.`;
  },
  hypotheses: (answer) =>
    isTrend(answer.question)
      ? orderedHypotheses('\\pi', shareOf(answer), answer)
      : allEqual(
          '\\pi',
          answer.groups.map((g) => g.name),
          `${shareOf(answer)} is the same in ${allOf(answer.groups.length)}.`,
          'At least one differs from another.',
        ),
  methods: (answer) => {
    const { question, groups } = answer;
    const { follow } = choicesOf(question);
    const adjusted =
      follow === 'unadjusted'
        ? 'p of pairs is not adjusted.'
        : `p of pairs is adjusted by ${followNames[follow]}, all pairs being one family.`;
    return methodsOf(
      answer,
      `was compared among ${listed(groups.map((g) => g.name))}`,
      names,
      '',
      `${
        isTrend(question)
          ? `${placedClause(
              question,
              groups.map((g) => g.name),
            )} `
          : ''
      }${sharesGiven(question)}, differences of pairs with ${percent(question.level)} Newcombe intervals that each stand on their own; ${adjusted}`,
    );
  },
  results: (answer, comparison) => {
    const { question, groups } = answer;
    const [test] = comparison.tests;
    const follow = comparison.follow?.ok ? significantClause(answer, comparison.follow.value, '') : [];
    return text`${shareOf(answer)} ${isTrend(question) ? trendVerb(answer, comparison) : `${comparison.significant ? 'differed' : 'was not shown to differ'} among`} the groups: ${test ? testPhrase(test) : []}${sizesClause(comparison, question.level)}. ${joined(groups.map(shareClause), '; ')}.${follow}`;
  },
  legend: legendOf(names),
};
