/** What questions with two factors share in words. */
import type { Answer } from '../answer/answer';
import type { Comparison, Test } from '../answer/comparison';
import type { Named } from '../question/naming';
import type { Hypotheses } from './hypothesis';
import { bareMeasure, does, eachCounts, measureOf, measurePart, takenClause } from './measured';
import { between, fixed, percent } from './numbers';
import { testPhrase } from './phrases';
import { type Segment, asked, part } from './segments';
import { sentenceCase } from './sentences';
import { significantClause } from './significant-clause';
import { type Text, joined, text } from './text';
import { onLogarithms, ratiosClause } from './two';

/** What the two factors of a layout are called. */
export const namedFactors = ({ layout }: Named): readonly [string, string] => [
  layout?.a.name ?? 'the first factor',
  layout?.b.name ?? 'the second factor',
];

export function factorsSentence(named: Named): Segment[] {
  const [a, b] = namedFactors(named);
  return asked`${does(named)} ${measurePart(named)} depend ${part('compares', 'on')} ${part('factor', a)} and ${part('second-factor', b)}, ${eachCounts(named, 'subject')}`;
}

export const shortFactors = (named: Named): string => (named.layout ? namedFactors(named).join(' × ') : 'two factors');

export function factorsHeadline(answer: Answer, comparison: Comparison): Text {
  const [a, b] = namedFactors(answer);
  const [testA, testB, testAB] = comparison.tests;
  const measure = bareMeasure(answer);
  const has = (test: Test | undefined): boolean => test?.significant === true;
  if (has(testAB))
    return text`What ${a} does to ${measure} depends on ${b}: read the two together, within each ${b} or each ${a}, not as averages over the other.`;
  const mains =
    has(testA) && has(testB)
      ? `Both ${a} and ${b} have an effect on ${measure}`
      : !has(testA) && !has(testB)
        ? `Neither ${a} nor ${b} was shown to have an effect on ${measure}`
        : `${has(testA) ? a : b} has an effect on ${measure}; ${has(testA) ? b : a} was not shown to have one`;
  return text`${testAB ? `These readings do not show that ${a} and ${b} interact. ` : ''}${sentenceCase(mains)}.`;
}

export function factorsHypotheses(answer: Answer): Hypotheses {
  const [x, y] = namedFactors(answer);
  return {
    none: {
      tex: 'H_0\\colon (\\alpha\\beta)_{ij} = 0 \\text{ for all } i, j',
      words: `What ${x} does to ${bareMeasure(answer)} is the same at every level of ${y}; and likewise, for each alone: its levels share one mean.`,
    },
    some: {
      tex: 'H_1\\colon (\\alpha\\beta)_{ij} \\neq 0 \\text{ for some}',
      words: `What ${x} does depends on ${y}; for each alone: at least one level differs.`,
    },
  };
}

export function factorsMethods(answer: Answer, test: string, interaction: boolean, each: string, follow: string): Text {
  const [x, y] = namedFactors(answer);
  const terms = interaction
    ? `${x}, ${y} and their interaction`
    : `${x} and ${y}, without their interaction, as there was one reading a cell`;
  return text`${sentenceCase(measureOf(answer))} was analysed by ${test}${onLogarithms(answer.question)} with ${terms}, ${each}.${follow}${ratiosClause(answer.question)}${takenClause(answer)}`;
}

export function factorsResults(answer: Answer, comparison: Comparison): Text {
  const { level } = answer.question;
  const each = comparison.tests.map((t, i): Text => {
    const size = comparison.sizes[i];
    const eta = size?.ok
      ? text`, partial η² = ${fixed(size.value.value, 2)}${size.value.interval ? ` (${percent(level)} CI ${between(size.value.interval, 2)})` : ''}`
      : [];
    return text`${t.of ?? ''} ${testPhrase(t)}${eta}`;
  });
  const { greenhouseGeisser, of } = comparison.epsilon ?? {};
  const epsilon =
    greenhouseGeisser === undefined
      ? []
      : text`; ${of === undefined ? '' : 'smallest '}ε = ${fixed(greenhouseGeisser, 2)}${of === undefined ? '' : ` (${of})`}`;
  const follow = comparison.follow?.ok ? significantClause(answer, comparison.follow.value, answer.unit) : [];
  return text`${sentenceCase(measureOf(answer))}: ${joined(each, '; ')}${epsilon}.${follow}`;
}
