import { directionClause } from '../../../words/measured';
import { choicesOf } from '../../../question/choices';
import { countOf } from '../../../words/counts';
import { percent } from '../../../words/numbers';
import type { Words } from '../../words';
import * as pair from '../pair';
import {
  type Names,
  byPermutedShares,
  elseOf,
  isExact,
  legendOf,
  methodsOf,
  named,
  shareOf,
  sharesGiven,
} from '../words';

const names: Names = {
  score: [
    'Large-sample test of two proportions',
    'the large-sample test of two proportions (pooled variance, without continuity correction)',
  ],
  exact: ['Fisher’s exact test', 'Fisher’s exact test'],
  shuffle: ['Randomization test of two shares', 'a randomization test of the difference of shares'],
};

/** The shares found in two groups. */
export const words: Words = {
  sentence: pair.sentence,
  short: pair.short,
  methodName: (question) => named(names, question)[0],
  methodReason: (question) =>
    choicesOf(question).method === 'shuffle'
      ? byPermutedShares
      : isExact(question)
        ? 'All tables with these totals are counted: right at any number, and a little cautious.'
        : 'Two independent groups by the share found in each. With expected counts of five or more the large-sample test holds; Newcombe’s interval holds for fewer too.',
  methodElse: elseOf,
  headline: (answer, comparison) =>
    pair.headline(
      answer,
      comparison,
      `${shareOf(answer)} was ${answer.groups.map((g) => `${countOf(g)} in ${g.name}`).join(' and ')}`,
    ),
  hypotheses: pair.hypotheses,
  methods: (answer) => {
    const { effect } = choicesOf(answer.question);
    const odds = isExact(answer.question) ? 'exact' : 'log-normal';
    const kind = { difference: 'Newcombe', ratio: 'log-normal', odds }[effect];
    const of = { difference: 'differences of shares', ratio: 'ratios of shares', odds: 'odds ratios' }[effect];
    const intervals = `${sharesGiven(answer.question)}, ${of} with ${percent(answer.question.level)} ${kind} intervals.`;
    return methodsOf(answer, pair.among(answer), names, directionClause(answer), intervals);
  },
  results: pair.results,
  legend: legendOf(names),
};
