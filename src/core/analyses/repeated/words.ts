import type { Method } from '../../question/options';
import { choicesOf } from '../../question/choices';
import { mixedModel, mixedModelWords, variationClause } from '../../words/variation';
import { controlPlace } from '../../answer/follow-up';
import { does, eachCounts, groupsPart, measurePart, nameAt, shortGroups } from '../../words/measured';
import { byRanks } from '../../words/method-reasons';
import { counted, fixed, pRelation } from '../../words/numbers';
import { asked, part } from '../../words/segments';
import {
  comparedClause,
  severalHeadline,
  severalHypotheses,
  severalMethods,
  severalResults,
} from '../../words/several';
import { sphericityName } from '../../words/sphericity';
import { symbol, text } from '../../words/text';
import type { Words } from '../words';

const named: Partial<Record<Method, string>> = { ranks: 'Friedman test', 'mixed-model': mixedModel };

export const words: Words = {
  sentence: (named) =>
    asked`${does(named)} ${measurePart(named)} differ ${part('compares', 'among')} ${groupsPart(named)}, ${eachCounts(named, 'subject')}`,
  short: shortGroups,
  methodName: (question) => named[choicesOf(question).method] ?? 'Repeated-measures analysis of variance',
  alternativeName: (question) => {
    const { method, sphericity } = choicesOf(question);
    return named[method] ?? sphericityName[sphericity];
  },
  methodReason: (question) =>
    choicesOf(question).method === 'ranks'
      ? byRanks
      : choicesOf(question).method === 'mixed-model'
        ? 'The same subjects were read under the conditions, and each enters with the readings it has: none is left out for one that is missing. Readings of one subject are taken as equally alike; without gaps the answer is that of the uncorrected analysis of variance.'
        : 'The same subjects were read under every condition, so each is compared with itself. Degrees of freedom are corrected, because readings of one subject are not equally alike.',
  methodElse: (question) =>
    choicesOf(question).method === 'mixed-model'
      ? 'The analysis of variance of the subjects read under every condition, its degrees of freedom corrected, if readings of one subject are not equally alike.'
      : 'Friedman’s test on ranks within each subject, if a few readings sway the means; a mixed model, to keep subjects that lack a reading.',
  headline: (answer, comparison) => severalHeadline(answer, comparison, 'conditions'),
  hypotheses: severalHypotheses,
  methods: (answer) => {
    const { method, sphericity } = choicesOf(answer.question);
    const how = {
      'greenhouse-geisser': 'degrees of freedom corrected by Greenhouse and Geisser’s ε',
      'huynh-feldt': 'degrees of freedom corrected by Huynh and Feldt’s ε',
      assumed: 'sphericity assumed',
    }[sphericity];
    const subject = answer.subject || 'subject';
    const test =
      method === 'mixed-model'
        ? mixedModelWords(subject)
        : method === 'ranks'
          ? 'Friedman’s test, corrected for ties'
          : `repeated-measures analysis of variance (${how})`;
    const each = `each ${subject} being compared with itself${method === 'mixed-model' ? ', with the readings it has' : ''}`;
    const follow = comparedClause(answer, 'condition', () =>
      nameAt(answer, controlPlace(answer.question, answer.groups)),
    );
    return severalMethods(answer, test, each, follow);
  },
  results: (answer, comparison) => {
    const { complete, everyone, epsilon, sphericity } = comparison;
    const subjects = (complete ?? everyone)?.subjects;
    return severalResults(answer, comparison, 'conditions', {
      used: subjects ? ` in ${counted(subjects.length, answer.subject || 'subject')}` : '',
      test: epsilon ? `; ε = ${fixed(epsilon.greenhouseGeisser, 2)}` : '',
      last: sphericity
        ? text` Sphericity: Mauchly’s ${symbol('W')} = ${fixed(sphericity.w, 2)}, ${symbol('p')} ${pRelation(sphericity.p)}.`
        : variationClause(answer, comparison),
    });
  },
};
