import { choicesOf } from '../../question/choices';
import type { Question } from '../../question/question';
import {
  factorsHeadline,
  factorsHypotheses,
  factorsMethods,
  factorsResults,
  factorsSentence,
  namedFactors,
  shortFactors,
} from '../../words/factors';
import { followClause } from '../../words/several';
import { sphericityName } from '../../words/sphericity';
import { text } from '../../words/text';
import { mixedModel, mixedModelWords, variationClause } from '../../words/variation';
import type { Words } from '../words';

const byModel = (question: Question): boolean => choicesOf(question).method === 'mixed-model';

export const words: Words = {
  sentence: factorsSentence,
  short: shortFactors,
  methodName: (question) => (byModel(question) ? mixedModel : 'Analysis of variance with both factors within subjects'),
  alternativeName: (question) => (byModel(question) ? mixedModel : sphericityName[choicesOf(question).sphericity]),
  methodReason: (question) =>
    byModel(question)
      ? 'Every subject, or block, was read under the combinations of both factors: what it adds to all its readings alike is taken off, and each enters with the readings it has.'
      : 'Every subject was read under every combination of both factors: each effect is judged by how it differs from subject to subject.',
  methodElse: (question) =>
    byModel(question)
      ? 'Each effect by how it differs between subjects, where effects may differ from one to the next, as between people or over time.'
      : 'A mixed model, where subjects lack readings, or where they are blocks that shift all their readings alike.',
  headline: factorsHeadline,
  hypotheses: factorsHypotheses,
  methods: (answer) => {
    const [a, b] = namedFactors(answer);
    const subject = answer.subject || 'subject';
    const follow = followClause(
      answer,
      answer.question.within === 'interaction'
        ? `Differences between levels of ${a}, and how they differ between levels of ${b},`
        : 'Levels',
    );
    if (byModel(answer.question))
      return factorsMethods(
        answer,
        mixedModelWords(subject),
        true,
        `each ${subject} entering with the readings it has`,
        follow,
      );
    const correctable = (answer.layout?.a.levels.length ?? 0) > 2 || (answer.layout?.b.levels.length ?? 0) > 2;
    const how =
      choicesOf(answer.question).sphericity === 'assumed'
        ? ' (sphericity assumed)'
        : ' (degrees of freedom corrected by Greenhouse and Geisser’s ε)';
    return factorsMethods(
      answer,
      `two-way analysis of variance with both factors within subjects${correctable ? how : ''}`,
      true,
      `each ${subject} being read under every combination of their levels`,
      follow,
    );
  },
  results: (answer, comparison) => text`${factorsResults(answer, comparison)}${variationClause(answer, comparison)}`,
};
