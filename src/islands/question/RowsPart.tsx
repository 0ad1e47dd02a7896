import { useState } from 'react';
import { type Rule, isComplete, ruleWords } from '../../core/readings/rules';
import { columnsOf, isMeasured } from '../../core/readings/table';
import { RuleFields } from '../shared/RuleFields';
import type { AskProps } from './Measured';
import { Hint } from '../kit/Hint';

/** Which rows the question takes: all, or those that rules of its own pick. */
export function RowsPart({ question, table, onChange }: Pick<AskProps, 'question' | 'table' | 'onChange'>) {
  const [making, setMaking] = useState<Rule>();
  const rules = question.rows ?? [];
  const first = columnsOf(table, 'group')[0] ?? columnsOf(table, 'label')[0] ?? table.columns[0];
  const set = (rows: Rule[]) => {
    const { rows: _, ...rest } = question;
    onChange(rows.length > 0 ? { ...rest, rows } : rest);
  };
  const begin = () => first && setMaking({ column: first.id, is: isMeasured(first.role) ? 'above' : 'not', value: '' });
  const add = () => {
    if (!making || !isComplete(making)) return;
    set([...rules, making]);
    setMaking(undefined);
  };
  return (
    <span data-testid="rows-taken">
      {' '}
      {rules.length === 0 && !making && (
        <>
          <Hint says="Leave rows out by a rule">
            <button type="button" className="part" onClick={begin} disabled={!first}>
              All rows
            </button>
          </Hint>{' '}
          count.
        </>
      )}
      {(rules.length > 0 || making) && 'Only rows count where '}
      {rules.map((rule, i) => (
        <span key={i}>
          {i > 0 && ' and '}
          <b className="font-semibold">{ruleWords(rule, table)}</b>{' '}
          <button
            type="button"
            className="plain-button"
            aria-label={`Drop the rule that ${ruleWords(rule, table)}`}
            onClick={() => set(rules.filter((r) => r !== rule))}
          >
            ×
          </button>
        </span>
      ))}
      {making ? (
        <span
          onKeyDown={(e) => {
            if (e.key === 'Enter') add();
            if (e.key === 'Escape') setMaking(undefined);
          }}
        >
          {rules.length > 0 && ' and '}
          <RuleFields table={table} rule={making} onChange={setMaking} />{' '}
          <span className="font-sans text-sm">
            <button type="button" className="plain-button" disabled={!isComplete(making)} onClick={add}>
              Take these rows
            </button>{' '}
            <button type="button" className="plain-button" onClick={() => setMaking(undefined)}>
              Cancel
            </button>
          </span>
        </span>
      ) : (
        rules.length > 0 && (
          <button type="button" className="plain-button" onClick={begin}>
            and …
          </button>
        )
      )}
    </span>
  );
}
