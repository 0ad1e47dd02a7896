import type { Answer } from '../../answer/answer';
import type { Question } from '../../question/question';
import { orderedHeadline, orderedHypotheses, trendVerb } from '../../words/ordered';
import { sentenceCase } from '../../words/sentences';
import { controlPlace } from '../../answer/follow-up';
import { type SpreadReason, choicesOf } from '../../question/choices';
import { parameterOf } from '../../words/hypothesis';
import { bareMeasure, does, eachCounts, groupsPart, measurePart, nameAt, shortGroups } from '../../words/measured';
import { byLikelihood, likelihoodElse, likelihoodName, likelihoodWords } from '../../words/limits';
import { byPermutation, byRanks, repeatsWords } from '../../words/method-reasons';
import { contribution } from '../../words/phrases';
import { asked, part } from '../../words/segments';
import {
  comparedClause,
  severalHeadline,
  severalHypotheses,
  severalMethods,
  severalResults,
} from '../../words/several';
import { permutedWords } from '../../words/two';
import type { Words } from '../words';

function testWords(answer: Answer): string {
  const { method, spread } = choicesOf(answer.question);
  if (ranksTrend(answer.question))
    return 'the Jonckheere–Terpstra test of a trend over the groups in their order (two-sided)';
  if (method === 'ranks') return 'the Kruskal–Wallis test, corrected for ties';
  if (method === 'likelihood') return likelihoodWords;
  if (method === 'shuffle') return permutedWords(answer, 'F, labels shuffled among the groups');
  return spread === 'separate'
    ? 'Welch’s analysis of variance (variances not assumed equal)'
    : 'one-way analysis of variance';
}

/** Whether ranks are tested for a trend over the groups. */
const ranksTrend = (question: Question): boolean => {
  const { method, compare } = choicesOf(question);
  return method === 'ranks' && compare === 'trend';
};

const sizesDecide: Record<SpreadReason, string> = {
  'equal-n':
    ' The groups have equal n, where the classical analysis is robust to unequal spreads; Welch’s is one click away.',
  'unequal-n':
    ' The groups have unequal n, where the classical analysis is not robust to unequal spreads: so each keeps its own; the classical one is one click away.',
  'single-reading':
    ' A group with one reading has no spread of its own and can only be judged by the spread that the groups share.',
};

export const words: Words = {
  sentence: (named) =>
    asked`${does(named)} ${measurePart(named)} differ ${part('compares', 'among')} ${groupsPart(named)}, ${eachCounts(named, 'subject')}`,
  short: shortGroups,
  methodName: (question) => {
    const { method, spread } = choicesOf(question);
    if (ranksTrend(question)) return 'Jonckheere–Terpstra test';
    if (method === 'ranks') return 'Kruskal–Wallis test';
    if (method === 'likelihood') return likelihoodName;
    if (method === 'shuffle') return 'Randomization test of F';
    return spread === 'pooled' ? 'One-way analysis of variance' : 'Welch’s analysis of variance';
  },
  alternativeName: (question) => `${words.methodName(question)}${repeatsWords(question)}`,
  methodReason: (question, spreadBy) => {
    const { method, spread } = choicesOf(question);
    if (ranksTrend(question))
      return 'The groups have an order. The test counts in how many pairs of readings the one from the later group is the larger: it sees a rise, or a fall, over all groups better than a test that knows no order, and assumes no shape.';
    if (method === 'ranks') return byRanks;
    if (method === 'likelihood') return byLikelihood;
    if (method === 'shuffle') return byPermutation('set the means as far apart');
    return `${
      spread === 'pooled'
        ? 'Several independent groups: first whether their means differ at all, then which, with p and intervals that allow for the number of comparisons. The groups share one spread, estimated from all.'
        : 'Several independent groups whose spreads may differ: each keeps its own, in the analysis and in each comparison.'
    }${spreadBy ? sizesDecide[spreadBy] : ''}`;
  },
  methodElse: (question) => {
    const { method, spread } = choicesOf(question);
    if (method === 'likelihood') return likelihoodElse;
    if (method !== 'means')
      return 'The analysis of variance, if the means are what you want to know and the readings are near enough to normal.';
    return spread === 'pooled'
      ? 'Welch’s analysis with Games and Howell’s comparisons, if the spreads differ; ranks, if a few readings sway the means.'
      : 'The usual analysis of variance, if equal spreads were planned for.';
  },
  headline: (answer, comparison) =>
    ranksTrend(answer.question)
      ? orderedHeadline(sentenceCase(bareMeasure(answer)), 'the same typical size', answer, comparison)
      : severalHeadline(answer, comparison, 'groups'),
  hypotheses: (answer) => {
    if (ranksTrend(answer.question)) return orderedHypotheses('\\theta', `The typical ${bareMeasure(answer)}`, answer);
    if (choicesOf(answer.question).method !== 'shuffle') return severalHypotheses(answer);
    const all = answer.groups.slice(0, 6).map((g) => parameterOf('F', g.name));
    return {
      none: {
        tex: `H_0\\colon ${all.join(' = ')}`,
        words: 'The labels have nothing to do with the readings: each could have stood under any.',
      },
      some: {
        tex: 'H_1\\colon \\text{not } H_0',
        words: 'They have: at least one group’s readings are others than chance would give it.',
      },
    };
  },
  methods: (answer) => {
    if (ranksTrend(answer.question)) return severalMethods(answer, testWords(answer), contribution(answer), '');
    const follow = comparedClause(answer, 'group', () => nameAt(answer, controlPlace(answer.question, answer.groups)));
    return severalMethods(answer, testWords(answer), contribution(answer), follow);
  },
  results: (answer, comparison) =>
    ranksTrend(answer.question)
      ? severalResults(answer, comparison, 'groups', { verb: trendVerb(answer, comparison) })
      : severalResults(answer, comparison, 'groups'),
};
