import { ratioWords } from '../../../words/counts';
import { eachCounts } from '../../../words/measured';
import { atAlpha } from '../../../words/numbers';
import { asked, part } from '../../../words/segments';
import { text } from '../../../words/text';
import type { Words } from '../../words';
import { legendOf, methodsOf, resultsOf, standOut } from '../words';

const name = 'Chi-square test of goodness of fit';

/** Counts in categories, against stated proportions. */
export const words: Words = {
  sentence: (of) =>
    asked`Do the counts of ${part('rows', of.measure || 'the categories')} ${part('compares', 'follow')} ${part('ratio', ratioWords(of.question))}, ${eachCounts(of, 'one')}`,
  short: (of) => `${of.measure || 'counts'} · ${ratioWords(of.question)}`,
  methodName: () => name,
  methodReason: () =>
    'Counts in categories are set against what the stated proportions would bring: how far they part, over all categories.',
  methodElse: () => 'Joining categories, where expected counts are small.',
  headline: (answer, comparison) => {
    const { question } = answer;
    const sure = comparison.significant === true;
    const ratio = ratioWords(question);
    return text`A${atAlpha(question.level).slice(1)}, ${sure ? `the counts are not compatible with ${ratio}` : `these counts do not rule out ${ratio}, nor do they show it`}.${standOut(answer, comparison, sure)}`;
  },
  hypotheses: ({ question }) => ({
    none: {
      tex: 'H_0\\colon \\pi_i = \\pi_{i,0} \\text{ for all } i',
      words: `The categories come in ${ratioWords(question)}.`,
    },
    some: { tex: 'H_1\\colon \\pi_i \\neq \\pi_{i,0} \\text{ for some}', words: 'They come in other proportions.' },
  }),
  methods: (answer) =>
    methodsOf(
      answer,
      `Counts of ${answer.measure || 'the categories'} were compared with ${ratioWords(answer.question)} by Pearson’s chi-square test of goodness of fit`,
    ),
  results: (answer, comparison) =>
    resultsOf(
      answer,
      comparison,
      (n) =>
        `The ${n} counted ${comparison.significant ? 'departed from' : 'were not shown to depart from'} ${ratioWords(answer.question)}`,
    ),
  legend: (answer) =>
    legendOf(
      answer,
      name,
      answer.measure || 'each category',
      `bars are counts, lines the counts ${ratioWords(answer.question)} would bring; bars that depart`,
    ),
};
