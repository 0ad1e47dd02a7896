/** The order in which one would name groups, whatever the order of their rows: doses and times as they rise, grades as they go. */
import { ascending } from 'd3-array';
import { nth } from '../numeric/nth';

/** More groups than these are no levels of anything. */
const mostLevels = 40;

/** Words that go from less to more, from early to late: each list by its own. */
const scales: readonly (readonly RegExp[])[] = [
  [
    'none|no \\p{L}+|absent',
    'trace|slight|minor|mild|few|some|edge.*',
    'moderate|medium',
    'severe|heavy|heavily.*|strong|many',
  ],
  ['none|no|zero', 'very low', 'low', 'medium|mid|middle|moderate|normal|ambient', 'high', 'very high'],
  ['small', 'medium|middle', 'large|big'],
  ['very poor', 'poor|bad', 'fair', 'good', 'very good', 'excellent'],
  ['much worse', 'worse', 'same|unchanged|no change', 'better|improved', 'much better'],
  ['young|juvenile', 'adult|mature', 'old|senescent'],
  ['early', 'mid|middle', 'late'],
  ['shallow', 'mid|middle', 'deep'],
  ['before|pre|baseline|initial', 'during|peri', 'after|post|final'],
  ['morning', 'noon|midday', 'afternoon', 'evening', 'night'],
  ['spring', 'summer', 'autumn|fall', 'winter'],
  [
    'mon(?:day)?',
    'tue(?:s(?:day)?)?',
    'wed(?:nesday)?',
    'thu(?:rs(?:day)?)?',
    'fri(?:day)?',
    'sat(?:urday)?',
    'sun(?:day)?',
  ],
  [
    'jan\\p{L}*',
    'feb\\p{L}*',
    'mar(?:ch)?',
    'apr\\p{L}*',
    'may',
    'june?',
    'july?',
    'aug\\p{L}*',
    'sep\\p{L}*',
    'oct\\p{L}*',
    'nov\\p{L}*',
    'dec\\p{L}*',
  ],
].map((words) => words.map((word) => new RegExp(`^(?:${word})$`, 'iu')));

/** What comes before any dose or time: nothing done, or nothing done yet. */
const least =
  /^(?:controls?|untreated|unexposed|placebo|vehicle|blank|sham|mock|none|before|baseline|initial|pre|start)(?![\p{L}])/iu;

/** The place of each name on the first scale that has them all, no two on one place. */
function graded(names: readonly string[]): number[] | undefined {
  for (const scale of scales) {
    const places = names.map((name) => scale.findIndex((word) => word.test(name)));
    if (!places.includes(-1) && new Set(places).size === names.length) return places;
  }
  return undefined;
}

/** The number in each name beside the same words, "week 4" or "10 mg"; where nothing was done, or before it, least of all. */
function numbered(names: readonly string[]): number[] | undefined {
  const parts = names.map((name) => /^(\D*?)((?:(?<=^|\s)[+−-])?\d+(?:[.,]\d+)?)\s*(\D*)$/u.exec(name));
  const first = parts.find((part) => part !== null);
  const unit = (part: RegExpExecArray): string => `${part[1]?.trim().toLowerCase()}|${part[3]?.trim().toLowerCase()}`;
  const bare = parts.filter((part) => part === null).length;
  if (!first || bare > 1 || parts.some((part) => part && unit(part) !== unit(first))) return undefined;
  const numbers = parts.map((part, i) =>
    part ? Number(nth(part, 2).replace('−', '-').replace(',', '.')) : least.test(nth(names, i)) ? -Infinity : NaN,
  );
  return numbers.some(Number.isNaN) ? undefined : numbers;
}

/** Names in the order in which one would say them; undefined where they have none, or stand in it. */
export function inOrder(names: readonly string[]): string[] | undefined {
  if (names.length < 2 || names.length > mostLevels) return undefined;
  const places = numbered(names) ?? graded(names);
  if (!places || places.every((x, i) => i === 0 || x >= nth(places, i - 1))) return undefined;
  return names
    .map((name, i) => ({ name, at: nth(places, i) }))
    .sort((a, b) => ascending(a.at, b.at))
    .map(({ name }) => name);
}
