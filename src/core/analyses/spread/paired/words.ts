import { directionClause, nameAt } from '../../../words/measured';
import type { Words } from '../../words';
import { alike, methodsOf, short, twoHeadline, twoHypotheses, twoResults, twoSentence } from '../words';

/** The spreads of the same subjects twice. */
export const words: Words = {
  ...alike,
  sentence: (of) => twoSentence(of, 'subject'),
  short,
  methodElse: () => 'None that is as well understood: look at the shape of the readings first.',
  headline: twoHeadline,
  hypotheses: twoHypotheses,
  methods: (answer) =>
    methodsOf(
      answer,
      `was compared between ${nameAt(answer, 0)} and ${nameAt(answer, 1)}`,
      `each ${answer.subject || 'subject'} being measured in both`,
      { sided: directionClause(answer) },
    ),
  results: twoResults,
};
