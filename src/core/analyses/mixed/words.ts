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
import { sphericityName } from '../../words/sphericity';
import type { Words } from '../words';

export const words: Words = {
  sentence: factorsSentence,
  short: shortFactors,
  methodName: () => 'Analysis of variance with one factor within subjects and one between',
  alternativeName: (question) => sphericityName[choicesOf(question).sphericity],
  methodReason: () =>
    'Subjects belong to groups and were read under every condition: groups are judged by how subjects differ, conditions by how they change within subjects.',
  methodElse: () =>
    'One summary figure for each subject (a slope, a gain), compared between the groups: often simpler, and just as right.',
  headline: factorsHeadline,
  hypotheses: factorsHypotheses,
  methods: (answer) => {
    const [, within] = namedFactors(answer);
    const how =
      choicesOf(answer.question).sphericity === 'assumed'
        ? 'sphericity assumed'
        : 'degrees of freedom within subjects corrected by Greenhouse and Geisser’s ε';
    return factorsMethods(
      answer,
      `two-way analysis of variance with one factor between and one within subjects (${how})`,
      true,
      `each ${answer.subject || 'subject'} being read under every level of ${within}`,
      followClause(answer, 'Levels'),
    );
  },
  results: factorsResults,
};
