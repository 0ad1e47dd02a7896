/** The order in which groups are subtracted where nobody chose one: treatment minus control, later minus earlier. */
import { isBefore, isTimeName } from '../understanding/vocabulary';
import { hasConditions, isWithin, kindOf } from './asking';
import type { Question } from './question';
import { nth } from '../numeric/nth';

interface Named {
  id: string;
  name: string;
}

/** Whether a name says that nothing was done: "control", "ctrl (day 3)", "untreated". */
export const isControl = (name: string): boolean =>
  /(?:^|[^\p{L}])(?:controls?|ctrl|untreated|unexposed|uninfected|placebo|sham|vehicle|mock|wild[- ]?type)(?![\p{L}])/iu.test(
    name,
  );

const unit = 's|sec|seconds?|min|minutes?|h|hrs?|hours?|d|days?|w|wks?|weeks?|months?|y|yrs?|years?|t|times?|visits?';
const times = [
  new RegExp(`^(?<unit>${unit})\\.?[ _]?(?<time>\\d+(?:\\.\\d+)?)$`, 'i'),
  new RegExp(`^(?<time>\\d+(?:\\.\\d+)?) ?(?<unit>${unit})\\.?$`, 'i'),
];

/**
 * A time that a name tells, with what it is counted in: "day 3", "48 h". A year of this century or the last is one too.
 * @param ofTime whether the column is called as times are: a number alone is one then
 */
function timeIn(name: string, ofTime: boolean): { unit: string; time: number } | undefined {
  const text = name.trim();
  if (ofTime && /^\d+(?:\.\d+)?$/.test(text)) return { unit: '', time: Number(text) };
  if (/^(?:19|20)\d\d$/.test(text)) return { unit: 'year', time: Number(text) };
  for (const form of times) {
    const { unit: of, time } = form.exec(text)?.groups ?? {};
    if (of !== undefined && time !== undefined) return { unit: of.toLowerCase().replace(/s$/, ''), time: Number(time) };
  }
  return undefined;
}

/** Whether the first of two comes before the second in time, or is what the second is held against. */
function precedes(first: string, second: string, ofTime: boolean): boolean {
  const [a, b] = [timeIn(first, ofTime), timeIn(second, ofTime)];
  if (a && b) return a.unit === b.unit && a.time < b.time;
  if (isControl(first) !== isControl(second)) return isControl(first);
  return isBefore(first) && !isBefore(second);
}

/**
 * A question that has not been asked before, its differences taken as one would say them.
 * @param groups the groups it compares, in the table's order; of groups under several conditions the conditions
 * @param by what the column is called that names them
 */
export function inNaturalOrder(question: Question, groups: readonly Named[], by = ''): Question {
  const kind = kindOf[question.design];
  const ofTime = isTimeName(by);
  const nameOf = (id: string | undefined): string => groups.find((g) => g.id === id)?.name ?? '';
  const { a, b } = question;
  if (kind === 'two' && a !== undefined && b !== undefined && question.direction === 'either') {
    // Of two answers each subject gave, there is no other side to read them from.
    if (question.about !== 'value' && isWithin(question.design)) return question;
    return precedes(nameOf(a), nameOf(b), ofTime) ? { ...question, a: b, b: a } : question;
  }
  const turns = kind === 'several' || hasConditions(question.design);
  if (!turns || question.about === 'table') return question;
  const [first, ...others] = groups.map((g) => g.name);
  const inTime = groups.slice(1).every((g, i) => precedes(nth(groups, i).name, g.name, ofTime));
  const heldAgainst = first !== undefined && isControl(first) && !others.some(isControl);
  return others.length > 0 && (inTime || heldAgainst) ? { ...question, turned: 'all' } : question;
}
