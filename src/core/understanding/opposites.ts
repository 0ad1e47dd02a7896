/** Names of what came of something and of its not coming: alive and dead, yes and no. */
import { isNegative } from './vocabulary';

/** Two outcomes of which each thing has one. */
const opposites: readonly [RegExp, RegExp][] = [
  [/^(?:alive|live|living|lived|surviv(?:ed|ing|ors?|al))$/iu, /^(?:dead|died|deaths?|dying|mortality)$/iu],
  [/^(?:success(?:es|ful)?|succeeded)$/iu, /^(?:failures?|failed|fail)$/iu],
  [/^(?:pass(?:ed)?)$/iu, /^(?:fail(?:ed|ures?)?)$/iu],
  [/^(?:positives?|pos\.?|yes|y|\+)$/iu, /^(?:negatives?|neg\.?|no|n|[−–-])$/iu],
  [/^present$/iu, /^absent$/iu],
  [/^(?:admitted|accepted|approved)$/iu, /^(?:rejected|refused|denied)$/iu],
  [/^(?:wins?|won)$/iu, /^(?:loss(?:es)?|lost)$/iu],
  [/^(?:true)$/iu, /^(?:false)$/iu],
  [/^n?[ _-]?cases?$/iu, /^n?[ _-]?controls?$/iu],
  [/^(?:healthy|well|intact|sound)$/iu, /^(?:diseased|sick|ill|damaged|broken|rotten)$/iu],
];

/** What is done to a group: "not treated" beside "treated" is the other group, and so is "without lamp". */
const wasDone =
  /^(?:with(?:out)?|no) \S|^(?:(?:not|non|un)[\s-]*)?(?:treated|exposed|vaccinated|smok(?:ers?|ing)|fed|shaded|controls?|placebo|vehicle|sham)$/iu;

/** Whether two names are an outcome and that it did not come, and neither is what was done to a group. */
export function areOpposites(names: readonly string[]): boolean {
  const [a, b, ...more] = names;
  if (a === undefined || b === undefined || more.length > 0) return false;
  const opposed = (x: string, y: string): boolean => opposites.some(([one, other]) => one.test(x) && other.test(y));
  // Who has a disease and who has not: "controls" beside "cases" are no group to which nothing was done.
  if ([a, b].some((name) => wasDone.test(name)) && !opposed(a, b)) return false;
  return isNegative(a, b) || isNegative(b, a) || opposed(a, b) || opposed(b, a);
}
