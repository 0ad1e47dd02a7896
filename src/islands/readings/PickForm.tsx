import { useState } from 'react';
import { type Rule, isComplete, ruleWords, rowsByRule } from '../../core/readings/rules';
import { type Table, findColumn } from '../../core/readings/table';
import { ToolForm } from '../kit/Parts';
import { RuleFields } from '../shared/RuleFields';

interface Props {
  table: Table;
  column: string;
  onPick: (rows: number[], column: string, words: string) => void;
  onClose: () => void;
}

/** Picks rows by a rule on one column. */
export default function PickForm({ table, column: start, onPick, onClose }: Props) {
  const [rule, setRule] = useState<Rule>({ column: start || (table.columns[0]?.id ?? ''), is: 'above', value: '' });
  const column = findColumn(table, rule.column) ?? table.columns[0];
  return (
    <ToolForm
      onDo={() => column && onPick(rowsByRule(column, table.rowCount, rule), column.id, ruleWords(rule, table))}
      onClose={onClose}
    >
      <span>Pick the rows where</span>
      <RuleFields table={table} rule={rule} onChange={setRule} />
      <button type="submit" className="plain-button" disabled={!isComplete(rule)}>
        Pick them
      </button>
      <button type="button" className="plain-button" onClick={onClose}>
        Done
      </button>
    </ToolForm>
  );
}
