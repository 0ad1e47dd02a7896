import type { ProportionInterval } from '../procedures/one-proportion';
import type { FollowUp, Method, Question } from './question';

/** A question with nothing left open. */
export interface Choices {
  value: number;
  spread: 'separate' | 'pooled';
  method: Method;
  effect: 'difference' | 'ratio' | 'odds';
  shareInterval: ProportionInterval;
  compare: 'all' | 'control' | 'chosen' | 'contrasts';
  follow: FollowUp;
  sums: 1 | 2 | 3;
  sphericity: 'greenhouse-geisser' | 'huynh-feldt' | 'assumed';
  statistic: 'mean' | 'median' | 'trimmed' | 't';
  seed: number;
}

/** Methods a design can be answered by, the one picked by default first. */
export function methodsFor({ about, design, knownSd }: Question): Method[] {
  if (about === 'share')
    switch (design) {
      case 'one-sample':
        return ['score', 'exact'];
      case 'two-groups':
        return ['score', 'exact', 'shuffle'];
      case 'paired':
        return ['score', 'exact', 'mid-p'];
      default:
        return ['chi-square', 'g', 'exact', 'shuffle'];
    }
  if (about === 'table') return design === 'one-sample' ? ['chi-square'] : ['chi-square', 'g', 'exact', 'shuffle'];
  if (about === 'spread')
    switch (design) {
      case 'one-sample':
        return ['chi-square'];
      case 'two-groups':
        return ['f', 'brown-forsythe', 'levene'];
      case 'paired':
        return ['pitman-morgan'];
      default:
        return ['brown-forsythe', 'levene', 'bartlett'];
    }
  switch (design) {
    case 'one-sample':
      return knownSd === undefined ? ['means', 'ranks'] : ['means', 'z', 'ranks'];
    case 'two-groups':
    case 'paired':
      return ['means', 'ranks', 'shuffle'];
    case 'several':
      return ['means', 'ranks', 'shuffle'];
    case 'repeated':
      return ['means', 'ranks'];
    default:
      return ['means'];
  }
}

const adjustments = ['holm', 'bonferroni', 'sidak', 'benjamini-hochberg', 'unadjusted'] as const;

/** How comparisons of this kind can be judged together, the one picked by default first. */
export function followUpsFor(
  question: Question,
  method: Method,
  spread: Choices['spread'],
  compare: Choices['compare'],
): FollowUp[] {
  if (question.about !== undefined) return [...adjustments];
  if (method === 'ranks') return question.design === 'repeated' ? ['nemenyi'] : ['dunn'];
  if (question.design === 'factorial') return [...adjustments, 'tukey'];
  if (question.design !== 'several') return [...adjustments];
  if (compare === 'contrasts')
    return spread === 'pooled' ? ['holm', 'scheffe', ...adjustments.slice(1)] : [...adjustments];
  if (compare === 'chosen') return spread === 'pooled' ? [...adjustments, 'scheffe'] : [...adjustments];
  if (compare === 'control') return spread === 'pooled' ? ['dunnett', ...adjustments] : [...adjustments];
  return spread === 'pooled' ? ['tukey', ...adjustments, 'scheffe'] : ['games-howell', ...adjustments];
}

/** What in the sizes of several groups decided how their spreads are taken, where nobody chose. */
export type SpreadReason = 'equal-n' | 'unequal-n' | 'single-reading';

/** Comparisons that need a spread the groups share. */
const ofSharedSpread: readonly FollowUp[] = ['tukey', 'dunnett', 'scheffe'];

/**
 * How the spreads of several groups are taken where nobody chose: by the design alone, never by what the readings turned
 * out to be. With equal n the classical analysis is robust to unequal spreads; with unequal n it is not, and each group
 * keeps its own, unless one has a single reading and so no spread of its own. Source: Glass, Peckham & Sanders (1972).
 * @param sizes n of each group
 * @returns undefined where the question has chosen, be it by comparisons that one of the two needs
 */
export function spreadBySizes(
  question: Question,
  sizes: readonly number[],
): { spread: Choices['spread']; reason?: SpreadReason } | undefined {
  const { about, design, spread, follow } = question;
  if (design !== 'several' || about !== undefined || spread !== undefined) return undefined;
  if (follow && ofSharedSpread.includes(follow)) return { spread: 'pooled' };
  if (follow === 'games-howell') return { spread: 'separate' };
  if (new Set(sizes).size <= 1) return { spread: 'pooled', reason: 'equal-n' };
  return sizes.some((n) => n < 2)
    ? { spread: 'pooled', reason: 'single-reading' }
    : { spread: 'separate', reason: 'unequal-n' };
}

/** What a question leaves open, filled in. A choice its design does not have gives way to the default. */
export function choicesOf(question: Question): Choices {
  const spread = question.spread ?? (question.design === 'several' ? 'pooled' : 'separate');
  const methods = methodsFor(question);
  const wanted = question.method;
  const method = wanted !== undefined && methods.includes(wanted) ? wanted : (methods[0] ?? 'means');
  const asked = question.compare ?? 'all';
  // Ranks compare all pairs; without pairs, contrasts or a control named there is nothing else to compare.
  const compare = method === 'ranks' || question.design !== 'several' || question.about ? 'all' : asked;
  const possible = followUpsFor(question, method, spread, compare);
  return {
    // Against what a share or a spread is held when nothing is said: a half, and one unit.
    value:
      question.value ??
      (question.about === undefined || question.design !== 'one-sample' ? 0 : question.about === 'share' ? 0.5 : 1),
    // Fisher's test has an interval of its own, of the odds ratio; that of the difference may contradict it.
    effect:
      question.effect ??
      (method === 'exact' && question.about === 'share' && question.design === 'two-groups' ? 'odds' : 'difference'),
    shareInterval: question.shareInterval ?? 'wilson',
    spread,
    method,
    compare,
    follow: question.follow && possible.includes(question.follow) ? question.follow : (possible[0] ?? 'holm'),
    sums: question.sums ?? 2,
    // Huynh and Feldt's ε is for one group of subjects.
    sphericity:
      question.sphericity === 'huynh-feldt' && question.design === 'mixed'
        ? 'greenhouse-geisser'
        : (question.sphericity ?? 'greenhouse-geisser'),
    statistic: question.statistic ?? 'mean',
    seed: question.seed ?? 1,
  };
}
