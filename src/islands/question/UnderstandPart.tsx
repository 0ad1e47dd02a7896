import { useMemo, useState } from 'react';
import type { Answer } from '../../core/answer/answer';
import type { Comparison } from '../../core/answer/comparison';
import { chancesOf } from '../../core/answering/chance';
import { choicesOf } from '../../core/question/choices';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { decisionOf, pOf } from '../../core/telling/decision';
import { hypotheses } from '../../core/telling/hypotheses';
import { later } from '../shared/later';
import { WorkingItOut } from './WorkingOut';

const Chance = later(() => import('./Chance'));
const Understood = later(() => import('./Understood'));

interface Props {
  answer: Answer;
  comparison: Comparison;
  table: Table;
  onChange: (question: Question) => void;
  /** Which of the comparisons that follow is worked out. */
  chosen: number;
}

/** The parts of it. */
type What = 'levels' | 'hypotheses' | 'decision' | 'working' | 'chance';

/** A part that is opened by hand, and fetched and built only then. */
function Opened({
  title,
  told,
  what,
  open,
  onOpen,
  ...rest
}: Props & {
  title: string;
  /** What is found within, in a line, while it is folded. */
  told?: string | undefined;
  what: What;
  open: boolean;
  onOpen: (open: boolean) => void;
}) {
  return (
    <details open={open} onToggle={(e) => onOpen(e.currentTarget.open)} className="border-t border-line py-1">
      <summary className="prose-serif cursor-pointer text-[17px]">
        {title}
        {!open && told && <span className="ml-3 font-sans text-sm text-muted">{told}</span>}
      </summary>
      {open && (
        <div className="py-2">
          {what === 'chance' ? (
            <Chance answer={rest.answer} onChange={rest.onChange} meanwhile={<WorkingItOut />} />
          ) : (
            <Understood what={what} {...rest} meanwhile={<WorkingItOut />} />
          )}
        </div>
      )}
    </details>
  );
}

/** How the answer comes about: hypotheses, the reference distribution with the decision, the working with its numbers. */
export function UnderstandPart(props: Props) {
  const { answer, comparison } = props;
  const told = useMemo(() => {
    const [reference] = comparison.reference ?? [];
    const decision = reference && decisionOf(reference, pOf(comparison, reference), answer.question.level);
    return { hypotheses: hypotheses(answer)?.none.words, decision: decision?.short };
  }, [answer, comparison]);
  const { question } = answer;
  const parts: { what: What; title: string; told?: string | undefined }[] = [
    ...(comparison.p === undefined
      ? []
      : [{ what: 'hypotheses' as const, title: 'The hypotheses', told: told.hypotheses }]),
    ...((comparison.reference ?? []).length > 0
      ? [
          {
            what: 'decision' as const,
            title: 'The reference distribution and the decision',
            told: told.decision,
          },
        ]
      : []),
    ...(Object.values(chancesOf(answer)).some(Boolean)
      ? [{ what: 'chance' as const, title: 'Permutation and bootstrap distributions' }]
      : []),
    ...(comparison.effect?.interval ? [{ what: 'levels' as const, title: 'The interval at other levels' }] : []),
    { what: 'working', title: 'The working' },
  ];
  const [byHand, setByHand] = useState<Partial<Record<What, boolean>>>({});
  // A test by permutation is its distribution: that stands open until it is closed.
  const isOpen = (what: What): boolean =>
    byHand[what] ?? (what === 'chance' && choicesOf(question).method === 'shuffle');
  const all = parts.every(({ what }) => isOpen(what));
  return (
    <div>
      <p className="flex justify-end">
        <button
          type="button"
          className="plain-button text-sm"
          onClick={() => setByHand(Object.fromEntries(parts.map(({ what }) => [what, !all])))}
        >
          {all ? 'Close all of these' : 'Open all of these'}
        </button>
      </p>
      {parts.map((part) => (
        <Opened
          key={part.what}
          {...props}
          {...part}
          open={isOpen(part.what)}
          onOpen={(is) => is !== isOpen(part.what) && setByHand((was) => ({ ...was, [part.what]: is }))}
        />
      ))}
    </div>
  );
}
