import { lazy, useMemo, useState } from 'react';
import type { Answer } from '../../core/answer/answer';
import type { Comparison } from '../../core/answer/comparison';
import { chancesOf } from '../../core/answering/chance';
import { isLight } from '../../core/answering/weight';
import { choicesOf } from '../../core/question/choices';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import { decisionOf, pOf } from '../../core/telling/decision';
import { hypotheses } from '../../core/telling/hypotheses';

import { WhenLive } from '../shared/WhenLive';

const Chance = lazy(() => import('./Chance'));
const Understood = lazy(() => import('./Understood'));

interface Props {
  answer: Answer;
  comparison: Comparison;
  table: Table;
  onChange: (question: Question) => void;
  /** Which of the comparisons that follow is worked out. */
  chosen: number;
}

/** A part that is opened by hand, and fetched and built only then. */
function Opened({
  title,
  told,
  what,
  initially = false,
  ...rest
}: Props & {
  title: string;
  /** What is found within, in a line, while it is folded. */
  told?: string | undefined;
  what: 'levels' | 'hypotheses' | 'decision' | 'working' | 'chance';
  initially?: boolean;
}) {
  const [open, setOpen] = useState(initially);
  return (
    <details open={initially} onToggle={(e) => setOpen(e.currentTarget.open)} className="border-t border-line py-1">
      <summary className="prose-serif cursor-pointer text-[17px]">
        {title}
        {!open && told && <span className="ml-3 font-sans text-sm text-muted">{told}</span>}
      </summary>
      {open && (
        <div className="py-2">
          <WhenLive meanwhile={<p className="text-sm text-muted">Working it out …</p>}>
            {what === 'chance' ? (
              <Chance answer={rest.answer} onChange={rest.onChange} />
            ) : (
              <Understood what={what} {...rest} />
            )}
          </WhenLive>
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
  return (
    <div>
      {props.comparison.p !== undefined && (
        <Opened title="The hypotheses" told={told.hypotheses} what="hypotheses" {...props} />
      )}
      {(props.comparison.reference ?? []).length > 0 && (
        <Opened title="The reference distribution and the decision" told={told.decision} what="decision" {...props} />
      )}
      {Object.values(chancesOf(props.answer)).some(Boolean) && (
        <Opened
          title="Permutation and bootstrap distributions"
          what="chance"
          initially={choicesOf(props.answer.question).method === 'shuffle'}
          {...props}
        />
      )}
      {props.comparison.effect?.interval && isLight(props.answer.question, props.table) && (
        <Opened title="The interval at other levels" what="levels" {...props} />
      )}
      <Opened title="The working" what="working" {...props} />
    </div>
  );
}
