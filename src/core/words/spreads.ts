/** The words of questions about spread. */
import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import type { GroupPart } from '../answer/group-part';
import { passes } from '../procedures/interval';
import { choicesOf } from '../question/choices';
import type { Named } from '../question/naming';
import type { Method, Question } from '../question/question';
import { withUnit } from '../readings/table';
import type { SubjectWords } from './about';
import { followNames } from './follow-names';
import { hypothesisName } from './hypothesis-name';
import { apartClause } from './apart';
import { atAlpha, percent, significant } from './numbers';
import { contribution, effectPhrases, testPhrase } from './phrases';
import { listed, sentenceCase, unitAfter, valued } from './sentences';
import { countingWords } from './counting';
import { type Text, joined, symbol, text } from './text';
import { verdictOn } from './verdict';

const what = (named: Named): string => named.measure || 'the readings';
const nameAt = ({ groups }: Pick<Named, 'groups'>, i: number): string => groups[i]?.name ?? '';

/** "4.21 mm". */
const sdOf = ({ summary }: GroupPart, unit: string): string =>
  summary ? `${significant(Math.sqrt(summary.variance), 3)}${unitAfter(unit)}` : 'not known';

function question(named: Named): string {
  const { question: asked, unit } = named;
  const stated = valued(String(choicesOf(asked).value), unit);
  const spread = `the spread of ${withUnit(what(named), unit)}`;
  const each = `when each ${named.subject || (asked.design === 'paired' ? 'subject' : 'reading')} ${countingWords[asked.design]}`;
  const way = asked.direction;
  switch (asked.design) {
    case 'one-sample':
      return `Is ${spread} in ${nameAt(named, 0)} ${way === 'either' ? `different from an SD of ${stated}` : `${way} than an SD of ${stated}`}, ${each}?`;
    case 'two-groups':
    case 'paired':
      return way === 'either'
        ? `Does ${spread} differ between ${nameAt(named, 0)} and ${nameAt(named, 1)}, ${each}?`
        : `Is ${spread} ${way} in ${nameAt(named, 0)} than in ${nameAt(named, 1)}, ${each}?`;
    default:
      return `Does ${spread} differ among ${listed(named.groups.map((g) => g.name))}, ${each}?`;
  }
}

const names: Partial<Record<Method, readonly [name: string, written: string]>> = {
  'chi-square': ['Chi-square test of one variance', 'the chi-square test of one variance'],
  f: ['F test of two variances', 'the F test of two variances'],
  'brown-forsythe': ['Brown–Forsythe test', 'the Brown–Forsythe test (distances from the medians)'],
  levene: ['Levene’s test', 'Levene’s test (distances from the means)'],
  bartlett: ['Bartlett’s test', 'Bartlett’s test'],
  'pitman-morgan': [
    'Pitman–Morgan test of two paired variances',
    'the Pitman–Morgan test (the correlation of sums and differences within pairs)',
  ],
};
const methodName = (asked: Question): string => names[choicesOf(asked).method]?.[0] ?? '';

function headline(answer: Answer, comparison: Comparison): Text {
  const { question: asked, groups, unit } = answer;
  const sure = passes(comparison.p, asked.level);
  const [a, b] = groups;
  const stated = valued(String(choicesOf(asked).value), unit);
  if (asked.design === 'one-sample' && a) {
    const verdict = verdictOn({
      settled: sure,
      direction: asked.direction,
      seen: 'readings',
      none: stated,
      shown: 'that it is the SD',
      claim: `it is ${asked.direction} than ${stated}`,
    });
    return text`${sentenceCase(what(answer))} of ${a.name} had an SD of ${sdOf(a, unit)}; ${atAlpha(asked.level)}, ${verdict}.`;
  }
  if ((asked.design === 'two-groups' || asked.design === 'paired') && a && b) {
    const verdict = verdictOn({
      settled: sure,
      direction: asked.direction,
      seen: 'readings',
      none: 'equal spreads',
      are: true,
      shown: 'them',
      claim: `it is ${asked.direction} in ${a.name}`,
    });
    return text`${sentenceCase(what(answer))} had an SD of ${sdOf(a, unit)} in ${a.name} and of ${sdOf(b, unit)} in ${b.name}; ${atAlpha(asked.level)}, ${verdict}.`;
  }
  return sure
    ? text`The spread of ${what(answer)} differed among the ${groups.length} groups, ${atAlpha(asked.level)}.`
    : text`These readings do not show that the spread of ${what(answer)} differs among the ${groups.length} groups, nor that it is the same (${atAlpha(asked.level).slice(3)}).`;
}

function methods(answer: Answer): Text {
  const { question: asked, groups, unit } = answer;
  const each =
    asked.design === 'paired' ? `each ${answer.subject || 'subject'} being measured in both` : contribution(answer);
  const among =
    asked.design === 'one-sample'
      ? `of ${nameAt(answer, 0)} was judged`
      : asked.design === 'two-groups' || asked.design === 'paired'
        ? `was compared between ${nameAt(answer, 0)} and ${nameAt(answer, 1)}`
        : `was compared among ${listed(groups.map((g) => g.name))}`;
  const sided =
    asked.design === 'several'
      ? ''
      : asked.direction === 'either'
        ? ' The test was two-sided.'
        : ` The test was one-sided (${nameAt(answer, 0)} ${asked.direction}).`;
  const aside = groups.flatMap((g) => g.readings.aside).length;
  const late =
    asked.afterLooking && asked.direction !== 'either'
      ? ' The direction was chosen after the readings had been seen.'
      : '';
  const { follow } = choicesOf(asked);
  const pairs =
    asked.design === 'several'
      ? ` Pairs were compared by the same test, ${follow === 'unadjusted' ? 'without adjustment' : `adjusted by ${followNames[follow]}, all pairs being one family`}.`
      : '';
  return text`The spread of ${what(answer)} ${among} by ${names[choicesOf(asked).method]?.[1] ?? ''}${asked.design === 'one-sample' ? ` against an SD of ${valued(String(choicesOf(asked).value), unit)}` : ''}, ${each}.${sided}${pairs} Standard deviations and their ratios are given with ${percent(asked.level)} confidence intervals that take the readings as normal.${aside > 0 ? ` ${aside === 1 ? 'One reading was' : `${aside} readings were`} set aside before analysis.` : ''}${late}`;
}

function results(answer: Answer, comparison: Comparison): Text {
  const { question: asked, groups, unit } = answer;
  const [test] = comparison.tests;
  const tested: Text = test ? testPhrase(test) : [];
  const each = joined(
    groups.map((g): Text => text`${g.name} (SD ${sdOf(g, unit)}, ${symbol('n')} = ${g.n})`),
    '; ',
  );
  const { effect } = comparison;
  if (effect) {
    const { estimate, interval } = effectPhrases(effect, asked.design === 'one-sample' ? unit : '', asked.level);
    const claimed = valued(String(choicesOf(asked).value), unit);
    const against = asked.design === 'one-sample' ? `, against an SD of ${claimed}` : '';
    const unshown = passes(comparison.p, asked.level)
      ? ''
      : `; this does not show that ${
          asked.direction === 'either'
            ? asked.design === 'one-sample'
              ? `the SD differs from ${claimed}`
              : 'the SDs differ'
            : asked.design === 'one-sample'
              ? `the SD is ${asked.direction} than ${claimed}`
              : `the SD is ${asked.direction} in ${nameAt(answer, 0)}`
        }`;
    const [sided, two] = asked.direction === 'either' ? ['', ''] : ['one-sided ', 'two-sided '];
    return text`${sentenceCase(what(answer))}: ${each}${against}. ${effect.name} ${estimate}, ${two}${interval}; ${sided}${tested}${unshown}.`;
  }
  return text`The spread of ${what(answer)} ${passes(comparison.p, asked.level) ? 'differed' : 'was not shown to differ'} among the groups: ${tested}. ${each}.${comparison.follow?.ok ? apartClause(answer, comparison.follow.value, '') : []}`;
}

export const spreadWords: SubjectWords = {
  question,
  short: (named) =>
    `spread: ${named.groups.length > 3 ? `${nameAt(named, 0)} · … · ${named.groups.at(-1)?.name ?? ''}` : named.groups.map((g) => g.name).join(' · ')}${named.question.design === 'one-sample' ? ` · ${valued(String(choicesOf(named.question).value), named.unit)}` : ''}`,
  methodName,
  methodReason: (asked) =>
    ({
      'chi-square':
        'The spread of the readings is set against the one stated. This test takes the readings as normal, and is not robust where they are not.',
      f: 'The two variances are set against each other. This test takes both groups as normal, and is not robust where they are not.',
      'brown-forsythe':
        'How far readings lie from their group’s median, compared as means are: it is robust to skew and to far readings.',
      levene: 'How far readings lie from their group’s mean, compared as means are.',
      bartlett: 'The sharpest test of equal variances when readings are normal, and misleading when they are not.',
      'pitman-morgan':
        'The same subjects are in both groups, so their readings go together: where the spreads are equal, sums and differences within pairs are uncorrelated. This test takes the readings as normal.',
    })[choicesOf(asked).method as 'f'],
  methodElse: (asked) =>
    asked.design === 'one-sample'
      ? 'None that asks as little; look at the shape of the readings first.'
      : asked.design === 'paired'
        ? 'None that is as well understood: look at the shape of the readings first.'
        : choicesOf(asked).method === 'brown-forsythe'
          ? 'F or Bartlett’s test, where readings are surely normal.'
          : 'The Brown–Forsythe test, where readings may not be normal.',
  headline,
  methods,
  results,
  legend: (answer) => {
    const [test] = answer.comparison.ok ? answer.comparison.value.tests : [];
    return text`${sentenceCase(withUnit(what(answer), answer.unit))}: each reading’s distance from its group’s mean, bars one standard deviation to either side. ${joined(
      answer.groups.map((g): Text => text`${g.name} ${symbol('n')} = ${g.n}, SD ${sdOf(g, answer.unit)}`),
      '; ',
    )}.${test ? text` ${methodName(answer.question)}, ${testPhrase(test)}.` : []}`;
  },
  hypotheses: (answer) => {
    const { question: asked, groups, unit } = answer;
    const sigma = (i: number): string => `\\sigma_{${hypothesisName(nameAt(answer, i))}}`;
    const opposite = { either: '\\neq', greater: '>', less: '<' }[asked.direction];
    const { value } = choicesOf(asked);
    if (asked.design === 'one-sample')
      return {
        none: {
          tex: `H_0\\colon ${sigma(0)} = ${value}`,
          words: `The SD of ${nameAt(answer, 0)} is ${valued(String(value), unit)}.`,
        },
        some: {
          tex: `H_1\\colon ${sigma(0)} ${opposite} ${value}`,
          words: asked.direction === 'either' ? 'It is another.' : `It is ${asked.direction}.`,
        },
      };
    if (asked.design === 'two-groups' || asked.design === 'paired')
      return {
        none: {
          tex: `H_0\\colon ${sigma(0)} = ${sigma(1)}`,
          words: `The SDs of ${nameAt(answer, 0)} and ${nameAt(answer, 1)} are equal.`,
        },
        some: {
          tex: `H_1\\colon ${sigma(0)} ${opposite} ${sigma(1)}`,
          words:
            asked.direction === 'either' ? 'The SDs differ.' : `The SD is ${asked.direction} in ${nameAt(answer, 0)}.`,
        },
      };
    return {
      none: {
        tex: `H_0\\colon ${groups
          .slice(0, 6)
          .map((_, i) => sigma(i))
          .join(' = ')}${groups.length > 6 ? ' = \\cdots' : ''}`,
        words: groups.length === 2 ? 'Both SDs are equal.' : `All ${groups.length} SDs are equal.`,
      },
      some: { tex: 'H_1\\colon \\text{not all are equal}', words: 'At least one SD differs from another.' },
    };
  },
};
