/** The words of questions about how counts fall into categories. */
import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import { passes } from '../procedures/interval';
import { choicesOf } from '../question/choices';
import type { Named } from '../question/naming';
import type { Method, Question } from '../question/question';
import type { SubjectWords } from './about';
import { atAlpha, significant } from './numbers';
import { sizesClause, testPhrase } from './phrases';
import { arrangementWords, countedClause } from './shares';
import { listed, sentenceCase } from './sentences';
import { type Text, text } from './text';

const one = ({ design }: Question): boolean => design === 'one-sample';

/** "equal shares" or "9 : 3 : 3 : 1". */
export const ratioWords = ({ ratio }: Question): string =>
  !ratio || ratio.every((r) => r === ratio[0]) ? 'equal shares' : `the ratio ${ratio.join(' : ')}`;

const rowName = (named: Named): string => named.rowName ?? 'the rows';

/** The cells that depart, each in words: "more settled in slate than expected (30 for 22.5)". */
export function departures({ counts }: Comparison, level: number): string[] {
  if (!counts) return [];
  return counts.residuals
    .flatMap((row, i) =>
      row.map((r, j) => ({
        r,
        p: counts.cellP[i]?.[j] ?? 1,
        words: `${r > 0 ? 'more' : 'fewer'} ${counts.columns[j] ?? ''}${counts.rowName ? ` in ${counts.rows[i] ?? ''}` : ''} than expected (${counts.observed[i]?.[j] ?? 0} for ${significant(counts.expected[i]?.[j] ?? 0, 3)})`,
      })),
    )
    .filter(({ p }) => passes(p, level))
    .sort((x, y) => Math.abs(y.r) - Math.abs(x.r))
    .map(({ words }) => words);
}

function headline(answer: Answer, comparison: Comparison): Text {
  const { question: asked } = answer;
  const sure = passes(comparison.p, asked.level);
  const stand = departures(comparison, asked.level);
  const where =
    stand.length > 0
      ? ` Cells that stand out: ${listed(stand.slice(0, 2))}${stand.length > 2 ? ', and others' : ''}.`
      : sure
        ? ' No single cell stands out.'
        : '';
  if (one(asked))
    return text`A${atAlpha(asked.level).slice(1)}, ${sure ? `the counts are not compatible with ${ratioWords(asked)}` : `these counts do not rule out ${ratioWords(asked)}, nor do they show it`}.${where}`;
  return text`${sure ? `${sentenceCase(answer.measure)} depends on ${rowName(answer)}` : `These counts do not show that ${answer.measure} depends on ${rowName(answer)}, nor that it does not`}, ${atAlpha(asked.level)}.${where}`;
}

const names: Partial<Record<Method, readonly [name: string, written: string]>> = {
  'chi-square': ['Chi-square test of independence', 'Pearson’s chi-square test'],
  g: ['G test of independence', 'the likelihood-ratio (G) test'],
  exact: ['Fisher’s exact test', 'Fisher’s exact test'],
  shuffle: ['Randomization test of chi-square', 'a randomization test of chi-square'],
};
const methodName = (asked: Question): string =>
  one(asked) ? 'Chi-square test of goodness of fit' : (names[choicesOf(asked).method]?.[0] ?? '');

function methods(answer: Answer): Text {
  const { question: asked, subject } = answer;
  const each = `each ${subject || 'subject'} counting once`;
  const how = one(asked)
    ? `Counts of ${answer.measure || 'the categories'} were compared with ${ratioWords(asked)} by Pearson’s chi-square test of goodness of fit`
    : `Whether ${answer.measure} depends on ${rowName(answer)} was tested by ${names[choicesOf(asked).method]?.[1] ?? ''}${arrangementWords(answer)}`;
  return text`${how}, ${each}. Cells were judged by adjusted residuals, p adjusted by Holm.${countedClause(answer)}`;
}

function results(answer: Answer, comparison: Comparison): Text {
  const { question: asked } = answer;
  const [test] = comparison.tests;
  const n = comparison.counts?.observed.flat().reduce((a, b) => a + b, 0) ?? 0;
  const stand = departures(comparison, asked.level);
  const sure = passes(comparison.p, asked.level);
  const what = one(asked)
    ? `The ${n} counted ${sure ? 'departed from' : 'were not shown to depart from'} ${ratioWords(asked)}`
    : `Among the ${n} counted, ${answer.measure} ${sure ? 'depended' : 'was not shown to depend'} on ${rowName(answer)}`;
  return text`${what}: ${test ? testPhrase(test) : []}${sizesClause(comparison, asked.level)}.${stand.length > 0 ? ` ${sentenceCase(listed(stand.slice(0, 6)))}.` : ''}`;
}

export const tableWords: SubjectWords = {
  question: (named) =>
    one(named.question)
      ? `Do the counts of ${named.measure || 'the categories'} follow ${ratioWords(named.question)}, when each ${named.subject || 'one'} counts once?`
      : `Does ${named.measure || 'what was found'} depend on ${rowName(named)}, when each ${named.subject || 'one'} counts once?`,
  short: (named) =>
    one(named.question)
      ? `${named.measure || 'counts'} · ${ratioWords(named.question)}`
      : `${named.measure} by ${rowName(named)}`,
  methodName,
  methodReason: (asked) =>
    one(asked)
      ? 'Counts in categories are set against what the stated proportions would bring: how far they part, over all categories.'
      : choicesOf(asked).method === 'exact'
        ? 'All tables with these totals are counted, or drawn where there are too many: right however small the expected counts.'
        : 'Two ways of sorting the same things: what each cell would hold if one had nothing to do with the other, and how far the counts part from that.',
  methodElse: (asked) =>
    one(asked)
      ? 'Joining categories, where expected counts are small.'
      : choicesOf(asked).method === 'exact'
        ? 'The chi-square test, where expected counts are five or more.'
        : 'Fisher’s exact test, where expected counts are small; a question about one share, if one outcome is what matters.',
  headline,
  methods,
  results,
  legend: (answer) => {
    const [test] = answer.comparison.ok ? answer.comparison.value.tests : [];
    return text`Counts of ${answer.measure || 'each category'}${one(answer.question) ? '' : ` by ${rowName(answer)}`}: ${one(answer.question) ? `bars are counts, lines the counts ${ratioWords(answer.question)} would bring; bars that depart` : 'the area of each tile is its share of all counted; tiles that depart from independence'} are marked + or −.${test ? text` ${methodName(answer.question)}, ${testPhrase(test)}.` : []}${countedClause(answer)}`;
  },
  hypotheses: (answer) => {
    const { question: asked } = answer;
    return one(asked)
      ? {
          none: {
            tex: 'H_0\\colon \\pi_i = \\pi_{i,0} \\text{ for all } i',
            words: `The categories come in ${ratioWords(asked)}.`,
          },
          some: {
            tex: 'H_1\\colon \\pi_i \\neq \\pi_{i,0} \\text{ for some}',
            words: 'They come in other proportions.',
          },
        }
      : {
          none: {
            tex: 'H_0\\colon \\pi_{ij} = \\pi_{i\\cdot}\\,\\pi_{\\cdot j} \\text{ for all } i, j',
            words: `${sentenceCase(answer.measure)} has nothing to do with ${rowName(answer)}.`,
          },
          some: {
            tex: 'H_1\\colon \\pi_{ij} \\neq \\pi_{i\\cdot}\\,\\pi_{\\cdot j} \\text{ for some}',
            words: 'They have to do with each other.',
          },
        };
  },
};
