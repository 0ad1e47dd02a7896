import type { Method } from '../../../question/options';
import { choicesOf } from '../../../question/choices';
import type { Question } from '../../../question/question';
import { arrangementWords, rowName } from '../../../words/counts';
import { eachCounts } from '../../../words/measured';
import { atAlpha } from '../../../words/numbers';
import { asked, part } from '../../../words/segments';
import { sentenceCase } from '../../../words/sentences';
import { text } from '../../../words/text';
import type { Words } from '../../words';
import { legendOf, methodsOf, resultsOf, standOut } from '../words';

const names: Partial<Record<Method, readonly [name: string, written: string]>> = {
  'chi-square': ['Chi-square test of independence', 'Pearson’s chi-square test'],
  g: ['G test of independence', 'the likelihood-ratio (G) test'],
  exact: ['Fisher’s exact test', 'Fisher’s exact test'],
  shuffle: ['Randomization test of chi-square', 'a randomization test of chi-square'],
};
const named = (question: Question): readonly [string, string] => names[choicesOf(question).method] ?? ['', ''];
const isExact = (question: Question): boolean => choicesOf(question).method === 'exact';

/** Whether what was found depends on the row it was found in. */
export const words: Words = {
  sentence: (of) =>
    asked`Does ${part('outcome', of.measure || 'what was found')} ${part('compares', 'depend on')} ${part('rows', rowName(of))}${of.groups.length > 2 ? part('kept', '') : ''}, ${eachCounts(of, 'one')}`,
  short: (of) => `${of.measure} by ${rowName(of)}`,
  methodName: (question) => named(question)[0],
  methodReason: (question) =>
    isExact(question)
      ? 'All tables with these totals are counted, or drawn where there are too many: right however small the expected counts.'
      : 'Two ways of sorting the same things: what each cell would hold if one had nothing to do with the other, and how far the counts part from that.',
  methodElse: (question) =>
    isExact(question)
      ? 'The chi-square test, where expected counts are five or more.'
      : 'Fisher’s exact test, where expected counts are small; a question about one share, if one outcome is what matters.',
  headline: (answer, comparison) => {
    const sure = comparison.significant === true;
    const [outcome, rows] = [answer.measure, rowName(answer)];
    const found = sure
      ? `${sentenceCase(outcome)} depends on ${rows}`
      : `These counts do not show that ${outcome} depends on ${rows}, nor that it does not`;
    return text`${found}, ${atAlpha(answer.question.level)}.${standOut(answer, comparison, sure)}`;
  },
  hypotheses: (answer) => ({
    none: {
      tex: 'H_0\\colon \\pi_{ij} = \\pi_{i\\cdot}\\,\\pi_{\\cdot j} \\text{ for all } i, j',
      words: `${sentenceCase(answer.measure)} has nothing to do with ${rowName(answer)}.`,
    },
    some: {
      tex: 'H_1\\colon \\pi_{ij} \\neq \\pi_{i\\cdot}\\,\\pi_{\\cdot j} \\text{ for some}',
      words: 'They have to do with each other.',
    },
  }),
  methods: (answer) =>
    methodsOf(
      answer,
      `Whether ${answer.measure} depends on ${rowName(answer)} was tested by ${named(answer.question)[1]}${arrangementWords(answer)}`,
    ),
  results: (answer, comparison) =>
    resultsOf(
      answer,
      comparison,
      (n) =>
        `Among the ${n} counted, ${answer.measure} ${comparison.significant ? 'depended' : 'was not shown to depend'} on ${rowName(answer)}`,
    ),
  legend: (answer) =>
    legendOf(
      answer,
      named(answer.question)[0],
      `${answer.measure || 'each category'} by ${rowName(answer)}`,
      'the area of each tile is its share of all counted; tiles that depart from independence',
    ),
};
