import { there } from '../../numeric/there';
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
import { followClause } from '../../words/several';
import type { Question } from '../../question/question';
import { sphericityName } from '../../words/sphericity';
import { text } from '../../words/text';
import { mixedModel, mixedModelWords, variationClause } from '../../words/variation';
import type { Words } from '../words';

const byModel = (question: Question): boolean => choicesOf(question).method === 'mixed-model';

export const words: Words = {
  sentence: factorsSentence,
  short: shortFactors,
  methodName: (question) =>
    byModel(question) ? mixedModel : 'Analysis of variance with one factor within subjects and one between',
  alternativeName: (question) => (byModel(question) ? mixedModel : sphericityName[choicesOf(question).sphericity]),
  methodReason: (question) =>
    byModel(question)
      ? 'Subjects belong to groups and were read under the conditions, and each enters with the readings it has: none is left out for one that is missing. Readings of one subject are taken as equally alike.'
      : 'Subjects belong to groups and were read under every condition: groups are judged by how subjects differ, conditions by how they change within subjects.',
  methodElse: () =>
    'One summary figure for each subject (a slope, a gain), compared between the groups: often simpler, and just as right.',
  headline: factorsHeadline,
  hypotheses: factorsHypotheses,
  methods: (answer) => {
    const [, within] = namedFactors(answer);
    const subject = answer.subject || 'subject';
    if (byModel(answer.question))
      return factorsMethods(
        answer,
        mixedModelWords(subject),
        true,
        `each ${subject} entering with the readings it has`,
        followClause(answer, 'Levels'),
      );
    const conditions = there(answer.layout, 'layout').b.levels.length;
    const how =
      choicesOf(answer.question).sphericity === 'assumed'
        ? ' (sphericity assumed)'
        : ' (degrees of freedom within subjects corrected by Greenhouse and Geisser’s ε)';
    return factorsMethods(
      answer,
      `two-way analysis of variance with one factor between and one within subjects${conditions > 2 ? how : ''}`,
      true,
      `each ${subject} being read under every level of ${within}`,
      followClause(answer, 'Levels'),
    );
  },
  results: (answer, comparison) => text`${factorsResults(answer, comparison)}${variationClause(answer, comparison)}`,
};
