import { Suspense, lazy, useState } from 'react';
import type { Answer } from '../../core/answer/answer';
import type { Comparison } from '../../core/answer/comparison';
import type { Table } from '../../core/readings/table';

const Understood = lazy(() => import('./Understood'));

interface Props {
  answer: Answer;
  comparison: Comparison;
  table: Table;
  /** Which of the comparisons that follow is worked out. */
  chosen: number;
}

/** A part that is opened by hand, and fetched and built only then. */
function Opened({ title, what, ...rest }: Props & { title: string; what: 'hypotheses' | 'decision' | 'working' }) {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)} className="border-t border-line py-1">
      <summary className="prose-serif cursor-pointer text-[17px]">{title}</summary>
      {open && (
        <div className="py-2">
          <Suspense fallback={<p className="text-sm text-muted">Working it out …</p>}>
            <Understood what={what} {...rest} />
          </Suspense>
        </div>
      )}
    </details>
  );
}

/** How the answer comes about: hypotheses, the reference distribution with the decision, the working with its numbers. */
export const UnderstandPart = (props: Props) => (
  <div>
    <Opened title="The hypotheses" what="hypotheses" {...props} />
    {(props.comparison.reference ?? []).length > 0 && (
      <Opened title="The reference distribution and the decision" what="decision" {...props} />
    )}
    <Opened title="The working" what="working" {...props} />
  </div>
);
