/** The result in a few lines: effect first, then what it means, then the test. */
import type { Answer } from '../answer/answer';
import type { Comparison, Effect, Test } from '../answer/comparison';
import type { Outcome } from '../numeric/domain-error';
import { choicesOf } from '../question/choices';
import { passes } from '../procedures/interval';
import { wordsAbout } from './about';
import { centreWord, methodName } from './method';
import { atAlpha, effectDecimals, fixed, given, plural } from './numbers';
import { effectPhrases, testPhrase } from './phrases';
import { bareMeasure, claimOf, measureOf, namedFactors } from './question';
import { equivalenceClause } from './equivalence';
import { sentenceCase, unitAfter } from './sentences';
import { type Text, text } from './text';
import { toldApart, verdictOn } from './verdict';

/** The difference first, with unit and interval; then the test. */
export interface Headline {
  /** "4.3 mm" */
  estimate: string;
  /** "95 % CI 1.9 to 6.7 mm" */
  interval: string;
  /** What the difference is of: "Red lamp minus White lamp". */
  order: string;
  /** The result in a sentence. */
  sentence: Text;
  test: Text;
}

/** The comparison that stands out most, for the place where one difference is shown. */
export function foremost(comparison: Comparison): (Effect & { within?: string }) | undefined {
  if (comparison.effect) return comparison.effect;
  if (!comparison.follow?.ok) return undefined;
  const all = comparison.follow.value.flatMap((part) =>
    part.effects.map((e) => ({ ...e, ...(part.within === undefined ? {} : { within: part.within }) })),
  );
  // A ratio of 0.1 is further from 1 than one of 2.
  const far = ({ ratio, estimate }: Effect): number => Math.abs(ratio ? Math.log(estimate) : estimate);
  return all.reduce<(typeof all)[0] | undefined>(
    (best, e) => (best === undefined || far(e) > far(best) ? e : best),
    undefined,
  );
}

/** "Mean blade length": a centre of a measure, named once where the measure is a centre by its own name. */
const withCentre = (centre: string, measure: string): string =>
  sentenceCase(measure.toLowerCase().startsWith(`${centre} `) ? measure : `${centre} ${measure}`);

function differenceSentence(answer: Answer, comparison: Comparison, effect: Effect): Text {
  const { question, groups } = answer;
  const { value, method } = choicesOf(question);
  const [a, b] = groups;
  const unit = unitAfter(answer.unit);
  const away = effect.estimate;
  const decimals = effectDecimals(effect);
  const size = `${fixed(Math.abs(away), decimals)}${unit}`;
  // What is printed as zero has no direction.
  const level0 = Number(Math.abs(away).toFixed(Math.min(20, decimals))) === 0;
  const one = question.design === 'one-sample';
  const other = one ? `${given(value)}${unit}` : (b?.name ?? '');
  const first = a?.name ?? '';
  const settled = passes(comparison.p, question.level);
  // The middle of the differences within pairs is not the difference of two middles.
  const centre =
    question.design === 'paired' && centreWord(question) !== 'mean'
      ? `${centreWord(question)} difference in`
      : centreWord(question);
  const observed =
    method === 'ranks'
      ? level0
        ? `${sentenceCase(measureOf(answer))} was not shifted between ${first} and ${other}`
        : one
          ? `${sentenceCase(bareMeasure(answer))} of ${first} lay ${size} ${away > 0 ? 'above' : 'below'} ${other} (Hodges–Lehmann estimate)`
          : `${sentenceCase(bareMeasure(answer))} was ${size} ${away > 0 ? 'greater' : 'less'} in ${first} than in ${other} (Hodges–Lehmann shift)`
      : one
        ? level0
          ? `${withCentre('mean', bareMeasure(answer))} of ${first} was ${other}`
          : `${withCentre('mean', bareMeasure(answer))} of ${first} was ${size} ${away > 0 ? 'above' : 'below'} ${other}`
        : level0
          ? `${sentenceCase(measureOf(answer))} had the same ${centre} in ${first} and ${other}`
          : `${withCentre(centre, bareMeasure(answer))} was ${size} ${away > 0 ? 'greater' : 'less'} in ${first} than in ${other}`;
  const none = one ? other : value === 0 ? 'a difference of zero' : `a difference of ${given(value)}${unit}`;
  const verdict = verdictOn({
    settled,
    direction: question.direction,
    seen: 'readings',
    none,
    ...(one
      ? { shown: 'that it is the mean' }
      : value === 0
        ? { open: 'that there is no difference', shown: 'that there is none' }
        : {}),
    claim: claimOf(answer),
  });
  return text`${observed}; ${atAlpha(question.level)}, ${verdict}.${equivalenceClause(answer, comparison)}`;
}

function severalSentence(answer: Answer, comparison: Comparison): Text {
  const { question, groups } = answer;
  const settled = passes(comparison.p, question.level);
  const ranks = choicesOf(question).method === 'ranks';
  const what = ranks ? sentenceCase(bareMeasure(answer)) : withCentre('mean', bareMeasure(answer));
  const overall = settled
    ? `${what} differed among the ${groups.length} ${question.design === 'repeated' ? 'conditions' : 'groups'}`
    : `These readings do not show that ${what.charAt(0).toLowerCase()}${what.slice(1)} differs among the ${groups.length} ${question.design === 'repeated' ? 'conditions' : 'groups'}, nor that it is the same`;
  if (!comparison.follow?.ok) return text`${overall}.`;
  const { apart, all } = toldApart(comparison, question.level);
  const { compare } = choicesOf(question);
  const many =
    apart === 0 ? 'no' : apart === all && all > 1 ? (all === 2 ? 'both' : `all ${all}`) : `${apart} of ${all}`;
  if (all === 1 && compare !== 'all') {
    const { what, from } = {
      contrasts: { what: 'the contrast', from: ' from zero' },
      control: { what: 'the other group', from: ' from the control' },
      chosen: { what: 'the pair compared', from: '' },
    }[compare];
    return text`${overall}; ${atAlpha(question.level)}, ${what} ${apart === 1 ? 'differs' : 'is not shown to differ'}${from}.`;
  }
  const [noun, from] = {
    contrasts: ['contrast', ' from zero'] as const,
    control: ['group', ' from the control'] as const,
    all: ['pair', ''] as const,
    chosen: ['pair', ''] as const,
  }[compare];
  // "No pair differs", "1 of 3 pairs differs", "2 of 3 pairs differ".
  const told = `${apart === 0 ? noun : plural(noun)} ${apart <= 1 ? 'differs' : 'differ'}${from}`;
  return text`${overall}; ${atAlpha(question.level)}, ${many} ${told}.`;
}

function factorsSentence(answer: Answer, comparison: Comparison): Text {
  const { question } = answer;
  const [a, b] = namedFactors(answer);
  const [testA, testB, testAB] = comparison.tests;
  const measure = bareMeasure(answer);
  const has = (test: Test | undefined): boolean => test !== undefined && passes(test.p, question.level);
  if (testAB && passes(testAB.p, question.level))
    return text`What ${a} does to ${measure} depends on ${b}: read the two together, within each ${b} or each ${a}, not as averages over the other.`;
  const mains =
    has(testA) && has(testB)
      ? `Both ${a} and ${b} have an effect on ${measure}`
      : !has(testA) && !has(testB)
        ? `Neither ${a} nor ${b} was shown to have an effect on ${measure}`
        : `${has(testA) ? a : b} has an effect on ${measure}; ${has(testA) ? b : a} was not shown to have one`;
  return text`${testAB ? `These readings do not show that ${a} and ${b} interact. ` : ''}${sentenceCase(mains)}.`;
}

/** The headline of an answered question. */
export function headline(answer: Answer, comparison: Comparison): Headline {
  const { question } = answer;
  const top = foremost(comparison);
  const single = comparison.effect !== undefined;
  // Differences of mean ranks have no unit.
  const ranked = !single && choicesOf(question).method === 'ranks';
  const shown = top
    ? effectPhrases(top, ranked || top.ratio ? '' : answer.unit, question.level)
    : { estimate: '', interval: '' };
  const [first] = comparison.tests;
  const several = comparison.tests.length > 1;
  const last = comparison.tests.at(-1);
  const test = several ? (last ? text`${last.of ?? ''} ${testPhrase(last)}` : []) : first ? testPhrase(first) : [];
  return {
    ...shown,
    ...(ranked && top ? { estimate: `${shown.estimate} ranks` } : {}),
    order: top
      ? single
        ? top.name
        : `largest ${ranked ? 'difference of mean ranks' : 'difference'}: ${top.name}${top.within === undefined ? '' : `, ${top.within}`}`
      : '',
    sentence:
      wordsAbout(question)?.headline(answer, comparison) ??
      (single && comparison.effect
        ? differenceSentence(answer, comparison, comparison.effect)
        : question.design === 'factorial' || question.design === 'mixed'
          ? factorsSentence(answer, comparison)
          : severalSentence(answer, comparison)),
    test: text`${methodName(question)}, ${test}`,
  };
}

/** n and the difference with its interval in one line, or why there is none. */
export function shortAnswer(found: Outcome<Answer>): string {
  if (!found.ok) return found.reason;
  const { groups, comparison } = found.value;
  const n = groups.map((g) => g.n).join(' + ');
  if (!comparison.ok) return `n ${n}: ${comparison.reason}`;
  const { estimate, interval } = headline(found.value, comparison.value);
  const said = [estimate, interval].filter((x) => x !== '').join(', ');
  return said === '' ? `n ${n}` : `n ${n}: ${said}`;
}
