import { ArrowLeftRight } from 'lucide-react';
import type { Kind } from '../../core/question/asking';
import type { Question } from '../../core/question/question';
import { Choose } from '../shared/Parts';

interface Part {
  question: Question;
  onChange: (question: Question) => void;
}

/** Which way a difference counts. One chosen with the answer in sight is remembered as such. */
export const DirectionPart = ({ question, onChange, differ = 'differ' }: Part & { differ?: string }) => (
  <Choose
    label="Direction"
    value={question.direction}
    options={{
      either: question.direction === 'either' ? differ : 'different (two-sided)',
      greater: 'greater',
      less: 'less',
    }}
    onChange={(next) => {
      const { afterLooking: _, ...rest } = question;
      onChange(next === 'either' ? { ...rest, direction: next } : { ...rest, direction: next, afterLooking: true });
    }}
  />
);

/** One of the groups; one that is gone is said to be. */
export function GroupPick({
  label,
  value,
  groups,
  onPick,
}: {
  label: string;
  value: string | undefined;
  groups: readonly { id: string; name: string }[];
  onPick: (id: string) => void;
}) {
  const known = groups.some((g) => g.id === value);
  return (
    <select className="part" aria-label={label} value={known ? value : ''} onChange={(e) => onPick(e.target.value)}>
      {!known && <option value="">(removed)</option>}
      {groups.map((g) => (
        <option key={g.id} value={g.id}>
          {g.name}
        </option>
      ))}
    </select>
  );
}

/** A group picked for one side: where it stands on the other, the two change places. */
export function exchanged(question: Question, mine: 'a' | 'b', id: string): Partial<Question> {
  const other = mine === 'a' ? 'b' : 'a';
  const swap = id === question[other] && question[mine] !== undefined ? { [other]: question[mine] } : {};
  return { [mine]: id, ...swap };
}

/** Turning the order round keeps the question: "greater in A" becomes "less in B". */
const mirrored = { either: 'either', greater: 'less', less: 'greater' } as const;

/** The order of subtraction, spelled out, to be turned round. */
export const OrderPart = ({
  question,
  onChange,
  first,
  second,
  joined = 'minus',
}: Part & { first: string; second: string; joined?: 'minus' | 'over' }) => (
  <button
    type="button"
    className="part"
    onClick={() => {
      const { a: left, b: right, ...rest } = question;
      onChange({
        ...rest,
        ...(right ? { a: right } : {}),
        ...(left ? { b: left } : {}),
        direction: mirrored[question.direction],
        ...(question.value === undefined ? {} : { value: -question.value }),
      });
    }}
    title="Turn the order of subtraction round"
    aria-label={`Order: ${first} ${joined} ${second}. Turn round`}
  >
    {first} {joined} {second} <ArrowLeftRight size={13} className="inline" aria-hidden />
  </button>
);

/** What is compared: the kind chosen as the sentence reads, the others as what it could turn to. */
export const KindPart = ({
  kind,
  kinds,
  shown,
  others,
  onTurn,
}: {
  kind: Kind;
  kinds: readonly Kind[];
  shown: string;
  others: Readonly<Partial<Record<Kind, string>>>;
  onTurn: (kind: Kind) => void;
}) => (
  <Choose
    label="What is compared"
    value={kind}
    options={Object.fromEntries([...new Set([...kinds, kind])].map((k) => [k, k === kind ? shown : others[k]]))}
    onChange={onTurn}
  />
);
