import { useState } from 'react';
import { type Rule, rowsByRule } from '../../core/readings/rules';
import { type Table, findColumn } from '../../core/readings/table';
import { ToolForm } from '../shared/Parts';

const rules: Record<Rule['is'], string> = {
  above: 'is above',
  below: 'is below',
  between: 'is between',
  outside: 'is outside',
  equal: 'is',
  contains: 'contains',
  empty: 'is empty',
};

interface Props {
  table: Table;
  column: string;
  onPick: (rows: number[], column: string, words: string) => void;
  onClose: () => void;
}

/** Picks rows by a rule on one column. */
export default function PickForm({ table, column: start, onPick, onClose }: Props) {
  const [rule, setRule] = useState<Rule>({ column: start, is: 'above', value: '' });
  const column = findColumn(table, rule.column) ?? table.columns[0];
  const two = rule.is === 'between' || rule.is === 'outside';
  const complete = rule.is === 'empty' || (rule.value.trim() !== '' && (!two || (rule.to ?? '').trim() !== ''));
  return (
    <ToolForm
      onDo={() => {
        if (!column) return;
        const words = `${column.name || 'the column'} ${rules[rule.is]} ${rule.is === 'empty' ? '' : rule.value}${two ? ` and ${rule.to ?? ''}` : ''}`;
        onPick(rowsByRule(column, table.rowCount, rule), column.id, words.trim());
      }}
      onClose={onClose}
    >
      <span>Pick the rows where</span>
      <select
        className="part"
        aria-label="Column of the rule"
        value={column?.id}
        onChange={(e) => setRule({ ...rule, column: e.target.value })}
      >
        {table.columns.map((c, i) => (
          <option key={c.id} value={c.id}>
            {c.name || `column ${i + 1}`}
          </option>
        ))}
      </select>
      <select
        className="part"
        aria-label="Rule"
        value={rule.is}
        onChange={(e) => setRule({ ...rule, is: e.target.value as Rule['is'] })}
      >
        {Object.entries(rules).map(([is, words]) => (
          <option key={is} value={is}>
            {words}
          </option>
        ))}
      </select>
      {rule.is !== 'empty' && (
        <input
          className="part min-w-16"
          aria-label="Value of the rule"
          autoFocus
          value={rule.value}
          onChange={(e) => setRule({ ...rule, value: e.target.value })}
        />
      )}
      {two && (
        <>
          and
          <input
            className="part min-w-16"
            aria-label="Upper value of the rule"
            value={rule.to ?? ''}
            onChange={(e) => setRule({ ...rule, to: e.target.value })}
          />
        </>
      )}
      <button type="submit" className="plain-button" disabled={!complete}>
        Pick them
      </button>
      <button type="button" className="plain-button" onClick={onClose}>
        Done
      </button>
    </ToolForm>
  );
}
