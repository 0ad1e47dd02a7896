/** What all questions about spread say. */
import type { Answer } from '../../answer/answer';
import type { Comparison } from '../../answer/comparison';
import type { GroupPart } from '../../answer/group-part';
import { there } from '../../numeric/there';
import { choicesOf } from '../../question/choices';
import type { Named } from '../../question/naming';
import type { Question } from '../../question/question';
import { withUnit } from '../../readings/table';
import { against, type Hypotheses, parameterOf } from '../../words/hypothesis';
import { eachCounts, groupPart, measurePart, nameAt, shortGroups, takenClause } from '../../words/measured';
import { atAlpha, percent, significant } from '../../words/numbers';
import { effectPhrases, testPhrase } from '../../words/phrases';
import { type Segment, asked, part } from '../../words/segments';
import { sentenceCase, unitAfter } from '../../words/sentences';
import { type Text, joined, symbol, text } from '../../words/text';
import { theEffect } from '../../words/two';
import { verdictOn } from '../../words/verdict';
import type { Words } from '../words';

const tests = {
  'chi-square': {
    name: 'Chi-square test of one variance',
    written: 'the chi-square test of one variance',
    reason:
      'The spread of the readings is set against the one stated. This test takes the readings as normal, and is not robust where they are not.',
  },
  f: {
    name: 'F test of two variances',
    written: 'the F test of two variances',
    reason:
      'The two variances are set against each other. This test takes both groups as normal, and is not robust where they are not.',
  },
  'brown-forsythe': {
    name: 'Brown–Forsythe test',
    written: 'the Brown–Forsythe test (distances from the medians)',
    reason:
      'How far readings lie from their group’s median, compared as means are: it is robust to skew and to far readings.',
  },
  levene: {
    name: 'Levene’s test',
    written: 'Levene’s test (distances from the means)',
    reason: 'How far readings lie from their group’s mean, compared as means are.',
  },
  bartlett: {
    name: 'Bartlett’s test',
    written: 'Bartlett’s test',
    reason: 'The sharpest test of equal variances when readings are normal, and misleading when they are not.',
  },
  'pitman-morgan': {
    name: 'Pitman–Morgan test of two paired variances',
    written: 'the Pitman–Morgan test (the correlation of sums and differences within pairs)',
    reason:
      'The same subjects are in both groups, so their readings go together: where the spreads are equal, sums and differences within pairs are uncorrelated. This test takes the readings as normal.',
  },
};
const testOf = (question: Question): (typeof tests)['f'] => tests[choicesOf(question).method as keyof typeof tests];

export const what = (of: Named): string => of.measure || 'the readings';
/** "4.21 mm". */
export const sdOf = ({ summary }: GroupPart, unit: string): string =>
  summary ? `${significant(Math.sqrt(summary.variance), 3)}${unitAfter(unit)}` : 'not known';

export const measured = (of: Named) => ({ ...measurePart(of), said: withUnit(what(of), of.unit) });

/** "Does the spread of blade length (mm) differ between A and B": of two groups or of pairs. */
export function twoSentence(of: Named, noun: 'reading' | 'subject'): Segment[] {
  const [measure, a, b] = [measured(of), groupPart('a', of), groupPart('b', of)];
  const way = of.question.direction;
  return way === 'either'
    ? asked`Does the spread of ${measure} ${part('direction', 'differ')} ${part('compares', 'between')} ${a} and ${b}, ${eachCounts(of, noun)}`
    : asked`Is the spread of ${measure} ${part('direction', way)} ${part('compares', 'in')} ${a} than in ${b}, ${eachCounts(of, noun)}`;
}

export const spreadSentence = (of: Named, rest: readonly Segment[]): Segment[] =>
  asked`the spread of ${measured(of)} ${rest}`;

export const short = (of: Named): string => `spread: ${shortGroups(of)}`;

const ofTwo = (answer: Answer): string =>
  answer.question.direction === 'either'
    ? 'the SDs differ'
    : `the SD is ${answer.question.direction} in ${nameAt(answer, 0)}`;

/** The headline of two spreads. */
export function twoHeadline(answer: Answer, comparison: Comparison): Text {
  const { question, groups, unit } = answer;
  const [a, b] = [there(groups[0], 'The first group'), there(groups[1], 'The second group')];
  const verdict = verdictOn({
    settled: comparison.significant,
    direction: question.direction,
    seen: 'readings',
    none: 'equal spreads',
    are: true,
    shown: 'them',
    claim: `it is ${question.direction} in ${a.name}`,
  });
  return text`${sentenceCase(what(answer))} had an SD of ${sdOf(a, unit)} in ${a.name} and of ${sdOf(b, unit)} in ${b.name}; ${atAlpha(question.level)}, ${verdict}.`;
}

export function twoHypotheses(answer: Answer): Hypotheses {
  const [first, second] = [nameAt(answer, 0), nameAt(answer, 1)];
  const [x, y] = [parameterOf('\\sigma', first), parameterOf('\\sigma', second)];
  const way = answer.question.direction;
  return {
    none: { tex: `H_0\\colon ${x} = ${y}`, words: `The SDs of ${first} and ${second} are equal.` },
    some: {
      tex: `H_1\\colon ${x} ${against[way]} ${y}`,
      words: way === 'either' ? 'The SDs differ.' : `The SD is ${way} in ${first}.`,
    },
  };
}

/** @param among what was compared with what; @param more how it was tested, and what followed */
export function methodsOf(
  answer: Answer,
  among: string,
  each: string,
  more: { sided?: string; stated?: string; pairs?: string },
): Text {
  const { question } = answer;
  return text`The spread of ${what(answer)} ${among} by ${testOf(question).written}${more.stated ?? ''}, ${each}.${more.sided ?? ''}${more.pairs ?? ''} Standard deviations and their ratios are given with ${percent(question.level)} confidence intervals that take the readings as normal.${takenClause(answer)}`;
}

/** Each group with its SD and n. */
export const eachSd = ({ groups, unit }: Answer): Text =>
  joined(
    groups.map((g): Text => text`${g.name} (SD ${sdOf(g, unit)}, ${symbol('n')} = ${g.n})`),
    '; ',
  );

/** The results of one effect. @param claim what a result not significant does not show */
export function effectResults(
  answer: Answer,
  comparison: Comparison,
  unit: string,
  stated: string,
  claim: string,
): Text {
  const { question } = answer;
  const [test] = comparison.tests;
  const effect = theEffect(comparison);
  const { estimate, interval } = effectPhrases(effect, unit, question.level);
  const unshown = comparison.significant ? '' : `; this does not show that ${claim}`;
  const [sided, two] = question.direction === 'either' ? ['', ''] : ['one-sided ', 'two-sided '];
  return text`${sentenceCase(what(answer))}: ${eachSd(answer)}${stated}. ${effect.name} ${estimate}, ${two}${interval}; ${sided}${test ? testPhrase(test) : []}${unshown}.`;
}

export const twoResults = (answer: Answer, comparison: Comparison): Text =>
  effectResults(answer, comparison, '', '', ofTwo(answer));

/** What every kind says alike. */
export const alike: Pick<Words, 'methodName' | 'methodReason' | 'legend'> = {
  methodName: (question) => testOf(question).name,
  methodReason: (question) => testOf(question).reason,
  legend: (answer) => {
    const [test] = answer.comparison.ok ? answer.comparison.value.tests : [];
    return text`${sentenceCase(withUnit(what(answer), answer.unit))}: each reading’s distance from its group’s mean, bars one standard deviation to either side. ${joined(
      answer.groups.map((g): Text => text`${g.name} ${symbol('n')} = ${g.n}, SD ${sdOf(g, answer.unit)}`),
      '; ',
    )}.${test ? text` ${testOf(answer.question).name}, ${testPhrase(test)}.` : []}`;
  },
};

/** What else would be reasonable for two or more independent groups. */
export const elseOf = (question: Question): string =>
  choicesOf(question).method === 'brown-forsythe'
    ? 'F or Bartlett’s test, where readings are surely normal.'
    : 'The Brown–Forsythe test, where readings may not be normal.';
