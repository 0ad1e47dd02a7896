import { useRef } from 'react';
import { isQuickByAll } from '../../core/answering/weight';
import type { Question } from '../../core/question/question';
import type { Table } from '../../core/readings/table';
import type { EffectAxis } from '../../core/scenes/effect-axis';
import { alternativesTable } from '../../core/telling/alternatives-table';
import { copiedTable } from '../../formats/copied-table';
import { CopyButton } from '../shared/CopyButton';
import { ResultTableView } from '../shared/ResultTableView';
import { RichText } from '../shared/RichText';
import { useInSight } from '../shared/in-sight';
import { useBeside } from './use-beside';
import { Hint } from '../kit/Hint';

interface Props {
  question: Question;
  table: Table;
  /** The axis of the answer’s effects. */
  axis: EffectAxis | undefined;
  onChange: (question: Question) => void;
}

/** What the answer would be under the other reasonable methods: one line each, the chosen one marked. */
export function AlternativeMethods({ question, table, axis, onChange }: Props) {
  const place = useRef<HTMLElement>(null);
  const quick = isQuickByAll(question, table);
  // A worker, which brings its own copy of every procedure, is started once they have come into sight.
  const inSight = useInSight(place);
  const others = useBeside('methods', question, table, { quick, wanted: quick || inSight });
  if (others?.length === 1) return null;
  const shown = others && alternativesTable(question, others);
  return (
    <section aria-label="Other methods" ref={place}>
      <div className="mb-1 flex items-baseline gap-4">
        <h3 className="prose-serif text-[17px]">Under other methods</h3>
        {shown && <CopyButton copied={() => copiedTable(shown)} />}
      </div>
      {shown ? (
        <ResultTableView
          table={shown}
          axis={axis}
          head={(row, i) => {
            const other = others[i];
            return other?.chosen ? (
              <span className="font-semibold">
                <RichText text={row.head} /> · chosen
              </span>
            ) : (
              <Hint says="Answer by this method">
                <button
                  type="button"
                  className="plain-button text-left"
                  onClick={() => onChange({ ...question, ...other?.patch })}
                >
                  {/* One part of the button, or its words would stand in columns. */}
                  <span>
                    <RichText text={row.head} />
                  </span>
                </button>
              </Hint>
            );
          }}
        />
      ) : (
        <p className="text-sm text-muted">Working them out …</p>
      )}
    </section>
  );
}
