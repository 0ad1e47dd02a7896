import { choicesOf } from '../../question/choices';
import { eachCounts, groupsPart, measurePart, shortGroups } from '../../words/measured';
import { byRanks } from '../../words/method-reasons';
import { counted, fixed, pRelation } from '../../words/numbers';
import { asked, part } from '../../words/segments';
import { followClause, severalHeadline, severalHypotheses, severalMethods, severalResults } from '../../words/several';
import { sphericityName } from '../../words/sphericity';
import { symbol, text } from '../../words/text';
import type { Words } from '../words';

export const words: Words = {
  sentence: (named) =>
    asked`Does ${measurePart(named)} differ ${part('compares', 'among')} ${groupsPart(named)}, ${eachCounts(named, 'subject')}`,
  short: shortGroups,
  methodName: (question) =>
    choicesOf(question).method === 'ranks' ? 'Friedman test' : 'Repeated-measures analysis of variance',
  alternativeName: (question) =>
    choicesOf(question).method === 'ranks' ? 'Friedman test' : sphericityName[choicesOf(question).sphericity],
  methodReason: (question) =>
    choicesOf(question).method === 'ranks'
      ? byRanks
      : 'The same subjects were read under every condition, so each is compared with itself. Degrees of freedom are corrected, because readings of one subject are not equally alike.',
  methodElse: () => 'Friedman’s test on ranks within each subject, if a few readings sway the means.',
  headline: (answer, comparison) => severalHeadline(answer, comparison, 'conditions'),
  hypotheses: severalHypotheses,
  methods: (answer) => {
    const { method, sphericity } = choicesOf(answer.question);
    const how = {
      'greenhouse-geisser': 'degrees of freedom corrected by Greenhouse and Geisser’s ε',
      'huynh-feldt': 'degrees of freedom corrected by Huynh and Feldt’s ε',
      assumed: 'sphericity assumed',
    }[sphericity];
    const test =
      method === 'ranks' ? 'Friedman’s test, corrected for ties' : `repeated-measures analysis of variance (${how})`;
    const each = `each ${answer.subject || 'subject'} being compared with itself`;
    return severalMethods(answer, test, each, followClause(answer, 'All pairs of conditions'));
  },
  results: (answer, comparison) => {
    const { complete, epsilon, sphericity } = comparison;
    return severalResults(answer, comparison, 'conditions', {
      used: complete ? ` in ${counted(complete.subjects.length, answer.subject || 'subject')}` : '',
      test: epsilon ? `; ε = ${fixed(epsilon.greenhouseGeisser, 2)}` : '',
      last: sphericity
        ? text` Sphericity: Mauchly’s ${symbol('W')} = ${fixed(sphericity.w, 2)}, ${symbol('p')} ${pRelation(sphericity.p)}.`
        : [],
    });
  },
};
