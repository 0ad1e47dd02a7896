/** Questions that go by the same short name, distinguished in a list. */
import { choicesOf } from '../question/choices';
import type { Named } from '../question/naming';
import { followNames } from '../words/follow-names';
import { methodName } from './method';
import { percent } from '../words/numbers';
import { shortQuestion } from './question';

/** A question of a list, by its names, and the name of its table. */
export interface Listed {
  named: Named;
  table: string;
}

const compared = {
  all: 'all pairs',
  control: 'with the control',
  chosen: 'chosen pairs',
  contrasts: 'contrasts',
} as const;

/** What may set questions of one name apart, the plainest first. */
const marks: ((listed: Listed) => string)[] = [
  ({ named }) => named.measure,
  ({ table }) => table,
  ({ named }) => named.question.only?.level ?? 'all rows',
  ({ named }) => methodName(named.question),
  // How comparisons are judged may follow from the readings, which a list does not look at: what is compared does not.
  ({ named: { question } }) => (question.follow ? followNames[question.follow] : compared[choicesOf(question).compare]),
  ({ named }) => ({ either: 'two-sided', greater: 'greater', less: 'less' })[named.question.direction],
  ({ named }) => percent(named.question.level),
  ({ named }) => (named.question.withAside ? 'with those set aside' : 'as set aside'),
];

/**
 * The short name of each question; where several go by the same, each says what sets it apart, as far as one thing does,
 * and is numbered where nothing named here does.
 */
export function distinctNames(list: readonly Listed[]): string[] {
  const names = list.map(({ named }) => shortQuestion(named));
  return names.map((name, i) => {
    const twins = list.filter((_, k) => names[k] === name);
    const own = list[i];
    if (!own || twins.length === 1) return name;
    const telling = marks.find((mark) => new Set(twins.map(mark)).size === twins.length);
    if (telling) return `${name}, ${telling(own)}`;
    // No one thing tells them all: what tells some, and a number among those still alike.
    const some = marks.find((mark) => new Set(twins.map(mark)).size > 1);
    const alike = some ? twins.filter((t) => some(t) === some(own)) : twins;
    const mark = some ? `${name}, ${some(own)}` : name;
    const place = alike.indexOf(own);
    return place > 0 ? `${mark} (${place + 1})` : mark;
  });
}
