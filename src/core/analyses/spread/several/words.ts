import { choicesOf } from '../../../question/choices';
import { followNames } from '../../../words/follow-names';
import { allEqual } from '../../../words/hypothesis';
import { eachCounts, groupsPart } from '../../../words/measured';
import { atAlpha } from '../../../words/numbers';
import { contribution, testPhrase } from '../../../words/phrases';
import { asked, part } from '../../../words/segments';
import { listed } from '../../../words/sentences';
import { significantClause } from '../../../words/significant-clause';
import { text } from '../../../words/text';
import type { Words } from '../../words';
import { alike, eachSd, elseOf, methodsOf, short, spreadSentence, what } from '../words';

/** The spreads of several groups. */
export const words: Words = {
  ...alike,
  sentence: (of) =>
    asked`Does ${spreadSentence(of, asked`differ ${part('compares', 'among')} ${groupsPart(of)}, ${eachCounts(of, 'reading')}`)}`,
  short,
  methodElse: elseOf,
  headline: (answer, comparison) => {
    const { question, groups } = answer;
    return comparison.significant
      ? text`The spread of ${what(answer)} differed among the ${groups.length} groups, ${atAlpha(question.level)}.`
      : text`These readings do not show that the spread of ${what(answer)} differs among the ${groups.length} groups, nor that it is the same (${atAlpha(question.level).slice(3)}).`;
  },
  hypotheses: ({ groups }) =>
    allEqual(
      '\\sigma',
      groups.map((g) => g.name),
      groups.length === 2 ? 'Both SDs are equal.' : `All ${groups.length} SDs are equal.`,
      'At least one SD differs from another.',
    ),
  methods: (answer) => {
    const { follow } = choicesOf(answer.question);
    const how =
      follow === 'unadjusted' ? 'without adjustment' : `adjusted by ${followNames[follow]}, all pairs being one family`;
    return methodsOf(answer, `was compared among ${listed(answer.groups.map((g) => g.name))}`, contribution(answer), {
      pairs: ` Pairs were compared by the same test, ${how}.`,
    });
  },
  results: (answer, comparison) => {
    const [test] = comparison.tests;
    const differed = comparison.significant ? 'differed' : 'was not shown to differ';
    const follow = comparison.follow?.ok ? significantClause(answer, comparison.follow.value, '') : [];
    return text`The spread of ${what(answer)} ${differed} among the groups: ${test ? testPhrase(test) : []}. ${eachSd(answer)}.${follow}`;
  },
};
