/** Questions that go by the same short name, distinguished in a list. */
import { choiceNames } from '../words/choice-names';
import { choicesOf } from '../question/choices';
import type { Named } from '../question/naming';
import { followNames } from '../words/follow-names';
import { methodName } from './method';
import { percent } from '../words/numbers';
import { shortQuestion } from './question';
import { nth } from '../numeric/nth';

/** A question of a list, by its names, and the name of its table. */
export interface Listed {
  named: Named;
  table: string;
}

const compared = {
  all: 'all pairs',
  control: 'with the control',
  steps: 'each with the one before',
  chosen: 'chosen pairs',
  trend: 'linear trend',
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
  ({ named }) => choiceNames.direction[named.question.direction],
  ({ named }) => percent(named.question.level),
  ({ named }) => (named.question.withAside ? 'with those set aside' : 'as set aside'),
];

/** What sets one of a few apart from the others: one thing if one does, else one after another; a number in the end. */
function apart(own: Listed, twins: readonly Listed[]): string {
  if (twins.length === 1) return '';
  const kinds = (mark: (typeof marks)[number]): number => new Set(twins.map(mark)).size;
  const some = marks.find((mark) => kinds(mark) === twins.length) ?? marks.find((mark) => kinds(mark) > 1);
  if (some)
    return `, ${some(own)}${apart(
      own,
      twins.filter((t) => some(t) === some(own)),
    )}`;
  const place = twins.indexOf(own);
  return place > 0 ? ` (${place + 1})` : '';
}

/** The short name of each question; where several go by the same, each says what sets it apart. */
export function distinctNames(list: readonly Listed[]): string[] {
  const names = list.map(({ named }) => shortQuestion(named));
  return list.map((own, i) => {
    const name = nth(names, i);
    return `${name}${apart(
      own,
      list.filter((_, k) => names[k] === name),
    )}`;
  });
}
