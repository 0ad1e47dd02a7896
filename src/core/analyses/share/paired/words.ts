import { directionClause } from '../../../words/measured';
import { countOf } from '../../../words/counts';
import { percent } from '../../../words/numbers';
import type { Words } from '../../words';
import * as pair from '../pair';
import { type Names, legendOf, methodsOf, named, shareOf } from '../words';

const names: Names = {
  score: ['McNemar’s test', 'McNemar’s test (without continuity correction)'],
  exact: ['Exact test of paired proportions', 'the exact test of paired proportions'],
  'mid-p': ['Mid-p test of paired proportions', 'the mid-p test of paired proportions'],
};

/** The share found in the same subjects twice. */
export const words: Words = {
  sentence: pair.sentence,
  short: pair.short,
  methodName: (question) => named(names, question)[0],
  methodReason: () =>
    'The same subjects were measured twice, so only those that changed say anything: the two ways of changing are set against each other.',
  methodElse: () => 'The exact test, where few changed; mid-p, which is less cautious.',
  headline: (answer, comparison) =>
    pair.headline(
      answer,
      comparison,
      `${shareOf(answer)}: ${answer.groups.map((g) => `${g.name} ${countOf(g)}`).join(', ')}`,
    ),
  hypotheses: pair.hypotheses,
  methods: (answer) =>
    methodsOf(
      answer,
      pair.among(answer),
      names,
      directionClause(answer),
      `Differences of shares are given with ${percent(answer.question.level)} Newcombe intervals for paired proportions.`,
    ),
  results: pair.results,
  legend: legendOf(names),
};
