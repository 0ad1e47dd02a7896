import { choicesOf } from '../../question/choices';
import {
  factorsHeadline,
  factorsHypotheses,
  factorsMethods,
  factorsResults,
  factorsSentence,
  namedFactors,
  shortFactors,
} from '../../words/factors';
import { contribution } from '../../words/phrases';
import { followClause } from '../../words/several';
import type { Words } from '../words';

const typeNames = { 1: 'type I', 2: 'type II', 3: 'type III' } as const;

export const words: Words = {
  sentence: factorsSentence,
  short: shortFactors,
  methodName: () => 'Two-way analysis of variance',
  alternativeName: (question) => `Sums of squares of ${typeNames[choicesOf(question).sums]}`,
  methodReason: () =>
    'Every sample is under one level of each of two factors: one analysis judges both, and whether one changes what the other does.',
  methodElse: () =>
    'Sums of squares of another type, where cells are unequal. Asking about one factor alone leaves the other in the noise.',
  headline: factorsHeadline,
  hypotheses: factorsHypotheses,
  methods: (answer) => {
    const found = answer.comparison.ok ? answer.comparison.value : undefined;
    const type =
      found?.cells?.balanced === false
        ? ` (sums of squares of ${typeNames[choicesOf(answer.question).sums]}, the cells being of unequal size)`
        : '';
    return factorsMethods(
      answer,
      `two-way analysis of variance${type}`,
      found !== undefined && found.tests.length > 2,
      contribution(answer),
      followClause(
        answer,
        answer.question.within === 'interaction'
          ? `Differences between levels of ${namedFactors(answer)[0]}, and how they differ between levels of ${namedFactors(answer)[1]},`
          : 'Levels',
      ),
    );
  },
  results: factorsResults,
};
