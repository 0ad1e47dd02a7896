/** The words of questions about shares. */
import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import type { GroupPart } from '../answer/group-part';
import { intervalNames } from '../answer/shares';
import { passes } from '../procedures/interval';
import { choicesOf } from '../question/choices';
import type { Named } from '../question/naming';
import type { Method, Question } from '../question/question';
import type { SubjectWords } from './about';
import { hypothesisName } from './hypothesis-name';
import { followNames } from './follow-names';
import { apartClause } from './apart';
import { atAlpha, fixed, percent } from './numbers';
import { effectPhrases, sizesClause, testPhrase } from './phrases';
import { listed, sentenceCase } from './sentences';
import { type Text, joined, text } from './text';
import { toldApart, verdictOn } from './verdict';

const shareNamed = (named: Named): string => named.measure || 'those found';
const nameAt = ({ groups }: Pick<Named, 'groups'>, i: number): string => groups[i]?.name ?? '';

/** "18 of 45 (40.0 %)". */
export const countOf = ({ n, share }: GroupPart): string =>
  share ? `${share.successes} of ${n} (${fixed(share.proportion * 100, 1)} %)` : 'none counted';

const counting = ({ subject }: Named, within: boolean): string =>
  `when each ${subject || 'one'} ${within ? 'is measured twice' : 'counts once'}`;

function question(named: Named): string {
  const { question: asked } = named;
  const { value } = choicesOf(asked);
  const what = `the share of ${shareNamed(named)}`;
  const way = asked.direction;
  const [a, b] = [nameAt(named, 0), nameAt(named, 1)];
  switch (asked.design) {
    case 'one-sample':
      return `Is ${what} in ${a} ${way === 'either' ? `different from ${value}` : `${way} than ${value}`}, ${counting(named, false)}?`;
    case 'two-groups':
    case 'paired':
      return way === 'either'
        ? `Does ${what} differ between ${a} and ${b}, ${counting(named, asked.design === 'paired')}?`
        : `Is ${what} ${way} in ${a} than in ${b}, ${counting(named, asked.design === 'paired')}?`;
    default:
      return `Does ${what} differ among ${listed(named.groups.map((g) => g.name))}, ${counting(named, false)}?`;
  }
}

/** A test by the name it goes by, and as the methods section writes it. */
type Names = readonly [name: string, written: string];

const names: Partial<Record<Question['design'], Partial<Record<Method, Names>>>> = {
  'one-sample': {
    score: ['Large-sample test of one proportion', 'the large-sample test of one proportion'],
    exact: ['Exact binomial test', 'the exact binomial test'],
  },
  'two-groups': {
    score: [
      'Large-sample test of two proportions',
      'the large-sample test of two proportions (pooled variance, without continuity correction)',
    ],
    exact: ['Fisher’s exact test', 'Fisher’s exact test'],
    shuffle: ['Randomization test of two shares', 'a randomization test of the difference of shares'],
  },
  paired: {
    score: ['McNemar’s test', 'McNemar’s test (without continuity correction)'],
    exact: ['Exact test of paired proportions', 'the exact test of paired proportions'],
    'mid-p': ['Mid-p test of paired proportions', 'the mid-p test of paired proportions'],
  },
  several: {
    'chi-square': ['Chi-square test of several proportions', 'Pearson’s chi-square test'],
    g: ['G test of several proportions', 'the likelihood-ratio (G) test'],
    exact: ['Fisher’s exact test', 'Fisher’s exact test'],
    shuffle: ['Randomization test of several shares', 'a randomization test of chi-square'],
  },
};
const namesOf = (asked: Question): Names => names[asked.design]?.[choicesOf(asked).method] ?? ['', ''];
const methodName = (asked: Question): string => namesOf(asked)[0];

/** How a p without a curve came about: from all arrangements, or from so many drawn. */
export function arrangementWords({ question: asked, comparison }: Answer): string {
  const [test] = comparison.ok ? comparison.value.tests : [];
  if (!test || test.symbol !== undefined) return '';
  if (test.drawn !== undefined)
    return ` (${test.drawn.toLocaleString('en')} random arrangements, seed ${choicesOf(asked).seed})`;
  return choicesOf(asked).method === 'shuffle' ? ' (all arrangements counted)' : '';
}

function methodReason(asked: Question): string {
  const exact = choicesOf(asked).method === 'exact';
  if (choicesOf(asked).method === 'shuffle')
    return 'A permutation test asks how often the labels, permuted, give shares as far apart: nothing is assumed but that the labels are exchangeable.';
  switch (asked.design) {
    case 'one-sample':
      return exact
        ? 'The chance of every count the stated share could give is added up as it is: right at any number, and a little cautious.'
        : 'With enough counted, a share strays from the stated one as the normal curve says; the score interval of Wilson holds well even when few were counted.';
    case 'paired':
      return 'The same subjects were measured twice, so only those that changed say anything: the two ways of changing are set against each other.';
    case 'two-groups':
      return exact
        ? 'All tables with these totals are counted: right at any number, and a little cautious.'
        : 'Two independent groups by the share found in each. With expected counts of five or more the large-sample test holds; Newcombe’s interval holds for fewer too.';
    default:
      return exact
        ? 'All tables with these totals are counted: right at any number.'
        : 'Several independent groups: first whether their shares differ at all, then which, with p adjusted for their number.';
  }
}

function methodElse(asked: Question): string {
  const exact = choicesOf(asked).method === 'exact';
  if (asked.design === 'paired') return 'The exact test, where few changed; mid-p, which is less cautious.';
  return exact
    ? 'The large-sample test, where all expected counts are five or more.'
    : 'The exact test, where expected counts are small.';
}

function headline(answer: Answer, comparison: Comparison): Text {
  const { question: asked, groups } = answer;
  const sure = passes(comparison.p, asked.level);
  const what = `The share of ${shareNamed(answer)}`;
  const [a, b] = groups;
  if (asked.design === 'one-sample' && a) {
    const { value } = choicesOf(asked);
    const verdict = verdictOn({
      settled: sure,
      direction: asked.direction,
      seen: 'counts',
      none: String(value),
      shown: 'that it is the share',
      claim: `it is ${asked.direction} than ${value}`,
    });
    return text`${what} in ${a.name} was ${countOf(a)}; ${atAlpha(asked.level)}, ${verdict}.`;
  }
  if ((asked.design === 'two-groups' || asked.design === 'paired') && a && b) {
    const verdict = verdictOn({
      settled: sure,
      direction: asked.direction,
      seen: 'counts',
      none: 'a difference of zero',
      open: 'that there is no difference',
      shown: 'that there is none',
      claim: `it is ${asked.direction} in ${a.name}`,
    });
    const seen =
      asked.design === 'paired'
        ? `${what}: ${a.name} ${countOf(a)}, ${b.name} ${countOf(b)}`
        : `${what} was ${countOf(a)} in ${a.name} and ${countOf(b)} in ${b.name}`;
    return text`${seen}; ${atAlpha(asked.level)}, ${verdict}.`;
  }
  const { apart, all } = toldApart(comparison, asked.level);
  return sure
    ? text`${what} differed among the ${groups.length} groups; ${atAlpha(asked.level)}, ${apart === 0 ? 'none' : apart} of ${all} ${all === 1 ? 'pair' : 'pairs'} ${apart <= 1 ? 'differs' : 'differ'}.`
    : text`These counts do not show that ${what.toLowerCase()} differs among the ${groups.length} groups, nor that it is the same.`;
}

const intervalWords = (asked: Question): string => {
  const one = intervalNames[choicesOf(asked).shareInterval];
  const level = percent(asked.level);
  switch (asked.design) {
    case 'one-sample':
      return `Shares are given with ${level} ${one} intervals.`;
    case 'two-groups': {
      const { effect } = choicesOf(asked);
      const kind = {
        difference: 'Newcombe',
        ratio: 'log-normal',
        odds: choicesOf(asked).method === 'exact' ? 'exact' : 'log-normal',
      }[effect];
      const of = { difference: 'differences of shares', ratio: 'ratios of shares', odds: 'odds ratios' }[effect];
      return `Shares are given with ${level} ${one} intervals, ${of} with ${level} ${kind} intervals.`;
    }
    case 'paired':
      return `Differences of shares are given with ${level} Newcombe intervals for paired proportions.`;
    default:
      return `Shares are given with ${level} ${one} intervals, differences of pairs with ${level} Newcombe intervals that each stand on their own; ${symbolless(asked)}`;
  }
};
const symbolless = (asked: Question): string => {
  const { follow } = choicesOf(asked);
  return follow === 'unadjusted'
    ? 'p of pairs is not adjusted.'
    : `p of pairs is adjusted by ${followNames[follow]}, all pairs being one family.`;
};

/** What was left out of the counts, and what was rounded to be one. */
export function countedClause({ counted, question: asked, groups }: Answer): string {
  if (!counted) return '';
  const what = asked.cut === undefined ? 'count' : 'reading';
  const reasons = [...new Set(groups.flatMap((g) => g.readings.aside.map((r) => r.reason)))].filter((r) => r !== '');
  const { aside, half, rounded } = counted;
  const parts = [
    ...(aside > 0 && !asked.withAside
      ? [
          `${aside === 1 ? `One ${what} was` : `${aside} ${what}s were`} set aside before analysis${reasons.length > 0 ? ` (${reasons.join('; ')})` : ''}.`,
        ]
      : []),
    ...(half > 0
      ? [
          `${half === 1 ? 'One row' : `${half} rows`} named one category and not the other, and ${half === 1 ? 'was' : 'were'} left out.`,
        ]
      : []),
    ...(rounded.length > 0 ? [`Percentages were turned into counts (${rounded.slice(0, 4).join('; ')}).`] : []),
    ...(asked.afterLooking && asked.direction !== 'either'
      ? ['The direction was chosen after the counts had been seen.']
      : []),
  ];
  return parts.length > 0 ? ` ${parts.join(' ')}` : '';
}

function methods(answer: Answer): Text {
  const { question: asked, groups, subject } = answer;
  const each =
    asked.design === 'paired'
      ? `each ${subject || 'subject'} being measured twice`
      : `each ${subject || 'subject'} counting once`;
  const { value } = choicesOf(asked);
  const among =
    asked.design === 'one-sample'
      ? `in ${nameAt(answer, 0)} was compared with ${value}`
      : asked.design === 'several'
        ? `was compared among ${listed(groups.map((g) => g.name))}`
        : `was compared between ${nameAt(answer, 0)} and ${nameAt(answer, 1)}`;
  const sided =
    asked.design === 'several'
      ? ''
      : asked.direction === 'either'
        ? ' The test was two-sided.'
        : ` The test was one-sided (${nameAt(answer, 0)} ${asked.direction}).`;
  return text`The share of ${shareNamed(answer)} ${among} by ${namesOf(asked)[1]}${arrangementWords(answer)}, ${each}.${sided} ${intervalWords(asked)}${countedClause(answer)}`;
}

const shareClause = (group: GroupPart): Text => text`${group.name} ${countOf(group)}`;

function results(answer: Answer, comparison: Comparison): Text {
  const { question: asked, groups } = answer;
  const [test] = comparison.tests;
  const tested: Text = test ? testPhrase(test) : [];
  const what = `The share of ${shareNamed(answer)}`;
  const { effect } = comparison;
  if (effect) {
    const { estimate, interval } = effectPhrases(effect, '', asked.level);
    if (asked.design === 'one-sample')
      return text`${what} was ${joined(groups.map(shareClause), ', ')}: ${estimate}, ${interval}; against ${choicesOf(asked).value}, ${tested}.`;
    return text`${what}: ${joined(groups.map(shareClause), ', ')}; ${effect.name} ${estimate}, ${interval}; ${tested}.`;
  }
  return text`${what} ${passes(comparison.p, asked.level) ? 'differed' : 'was not shown to differ'} among the groups: ${tested}${sizesClause(comparison, asked.level)}. ${joined(groups.map(shareClause), '; ')}.${comparison.follow?.ok ? apartClause(answer, comparison.follow.value, '') : []}`;
}

function legend(answer: Answer): Text {
  const { question: asked, groups, comparison } = answer;
  const [test] = comparison.ok ? comparison.value.tests : [];
  return text`Share of ${shareNamed(answer)} by group. Symbols are shares, bars ${percent(asked.level)} ${intervalNames[choicesOf(asked).shareInterval]} intervals. ${groups.map((g) => `${g.name} ${countOf(g)}`).join('; ')}.${test ? text` ${methodName(asked)}, ${testPhrase(test)}.` : []}${countedClause(answer)}`;
}

function hypotheses(answer: Answer) {
  const { question: asked, groups } = answer;
  const { value } = choicesOf(asked);
  const pi = (i: number): string => `\\pi_{${hypothesisName(nameAt(answer, i))}}`;
  const opposite = { either: '\\neq', greater: '>', less: '<' }[asked.direction];
  const what = `the share of ${shareNamed(answer)}`;
  const way = asked.direction;
  switch (asked.design) {
    case 'one-sample':
      return {
        none: {
          tex: `H_0\\colon ${pi(0)} = ${value}`,
          words: `${sentenceCase(what)} in ${nameAt(answer, 0)} is ${value}.`,
        },
        some: {
          tex: `H_1\\colon ${pi(0)} ${opposite} ${value}`,
          words: way === 'either' ? 'It is another.' : `It is ${way}.`,
        },
      };
    case 'two-groups':
    case 'paired':
      return {
        none: {
          tex: `H_0\\colon ${pi(0)} = ${pi(1)}`,
          words: `${sentenceCase(what)} is the same in ${nameAt(answer, 0)} and ${nameAt(answer, 1)}.`,
        },
        some: {
          tex: `H_1\\colon ${pi(0)} ${opposite} ${pi(1)}`,
          words: way === 'either' ? 'It differs, one way or the other.' : `It is ${way} in ${nameAt(answer, 0)}.`,
        },
      };
    default:
      return {
        none: {
          tex: `H_0\\colon ${groups
            .slice(0, 6)
            .map((_, i) => pi(i))
            .join(' = ')}${groups.length > 6 ? ' = \\cdots' : ''}`,
          words: `${sentenceCase(what)} is the same in ${groups.length === 2 ? 'both' : `all ${groups.length}`}.`,
        },
        some: { tex: 'H_1\\colon \\text{not all are equal}', words: 'At least one differs from another.' },
      };
  }
}

export const shareWords: SubjectWords = {
  question,
  short: (named) =>
    `${shareNamed(named)}: ${named.groups.length > 3 ? `${nameAt(named, 0)} · … · ${named.groups.at(-1)?.name ?? ''}` : named.groups.map((g) => g.name).join(' · ')}${named.question.design === 'one-sample' ? ` · ${choicesOf(named.question).value}` : ''}`,
  methodName,
  methodReason,
  methodElse,
  headline,
  methods,
  results,
  legend,
  hypotheses,
};
