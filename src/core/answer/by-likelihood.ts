/** Groups with readings below a limit of detection compared by likelihood. */
import { normal } from '../distributions/normal';
import { type CensoredComparison, censoredNormal } from '../procedures/censored-normal';
import type { Direction } from '../procedures/direction';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import type { Comparison, FollowUpPart } from './comparison';
import { adjusted, comparisonsAsked, demandFewPairs, lettersFor } from './follow-up';
import { subtracted } from './from-t';
import { type GroupPart, demandOneUnit, demandReadings } from './group-part';
import { censoredOf } from './limits';
import { chiSquareReference } from './references';

/** The p of a likelihood ratio with one degree of freedom; one-sided by its signed root. */
function pOf({ estimate, chi2, p }: { estimate: number; chi2: number; p: number }, direction: Direction): number {
  if (direction === 'either') return p;
  const z = Math.sign(estimate) * Math.sqrt(chi2);
  return Math.max(normal.upper(direction === 'greater' ? z : -z), Number.MIN_VALUE);
}

const partOf = ({ means, sd, logLikelihood, chi2 }: CensoredComparison): NonNullable<Comparison['likelihood']> => ({
  means,
  sd,
  logLikelihood,
  same: logLikelihood - chi2 / 2,
});

/** Two groups: the difference of the likeliest means, its interval by profile likelihood. */
export function twoByLikelihood(question: Question, a: GroupPart, b: GroupPart): Comparison {
  const { value } = choicesOf(question);
  const { level, direction } = question;
  demandOneUnit([a, b]);
  demandReadings([a, b], 'Maximum likelihood');
  const [x, y] = [censoredOf(a), censoredOf(b)];
  const found = censoredNormal([x, y]);
  const { estimate, interval } = found.difference(0, 1, level);
  // A stated difference is taken off first, from readings and limits alike.
  const tested = value === 0 ? found : censoredNormal([x.map((r) => ({ ...r, value: r.value - value })), y]);
  const test = { ...tested.difference(0, 1, level), chi2: tested.chi2, p: tested.p };
  const p = pOf(test, direction);
  return {
    p,
    effect: { name: subtracted(a, b), pair: [a.id, b.id], estimate, interval, p },
    tests: [{ symbol: 'χ²', value: test.chi2, df: [1], p }],
    sizes: [],
    reference: direction === 'either' ? [chiSquareReference(test.chi2, 1, 'χ²')] : [],
    likelihood: { ...partOf(found), same: tested.logLikelihood - tested.chi2 / 2, logLikelihood: tested.logLikelihood },
    remarks: [],
  };
}

/** The comparisons that follow, each by its own likelihood ratio, adjusted together. */
function followed(question: Question, parts: readonly GroupPart[], found: CensoredComparison): FollowUpPart {
  const { follow, compare } = choicesOf(question);
  if (compare === 'all') demandFewPairs(parts.length);
  const place = (id: string | undefined): number => parts.findIndex((g) => g.id === id);
  const effects = adjusted(
    comparisonsAsked(question, parts).flatMap(({ name, pair }) => {
      if (!pair) return [];
      const { estimate, interval, chi2, p } = found.difference(place(pair[0]), place(pair[1]), question.level);
      return [{ name, pair, estimate, interval, statistic: { symbol: 'χ²' as const, value: chi2 }, p }];
    }),
    follow,
  );
  return {
    effects,
    simultaneous: false,
    family: effects.length,
    ...(compare === 'all' ? { letters: lettersFor(parts, effects, question.level) } : {}),
  };
}

/** Several groups: whether their likeliest means differ, and which. */
export function severalByLikelihood(question: Question, parts: readonly GroupPart[], brief: boolean): Comparison {
  demandOneUnit(parts);
  demandReadings(parts, 'Maximum likelihood');
  const found = censoredNormal(parts.map(censoredOf));
  return {
    p: found.p,
    tests: [{ symbol: 'χ²', value: found.chi2, df: [found.df], p: found.p }],
    sizes: [],
    reference: [chiSquareReference(found.chi2, found.df, 'χ²')],
    likelihood: partOf(found),
    ...(brief ? {} : { follow: { ok: true, value: [followed(question, parts, found)] } }),
    remarks: [],
  };
}
