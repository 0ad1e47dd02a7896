import { directionClause, nameAt } from '../../../words/measured';
import { contribution } from '../../../words/phrases';
import type { Words } from '../../words';
import { alike, elseOf, methodsOf, short, twoHeadline, twoHypotheses, twoResults, twoSentence } from '../words';

/** The spreads of two groups. */
export const words: Words = {
  ...alike,
  sentence: (of) => twoSentence(of, 'reading'),
  short,
  methodElse: elseOf,
  headline: twoHeadline,
  hypotheses: twoHypotheses,
  methods: (answer) =>
    methodsOf(answer, `was compared between ${nameAt(answer, 0)} and ${nameAt(answer, 1)}`, contribution(answer), {
      sided: directionClause(answer),
    }),
  results: twoResults,
};
