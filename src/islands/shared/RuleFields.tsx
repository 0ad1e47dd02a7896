import { type Rule, hasUpperEnd, ruleNames } from '../../core/readings/rules';
import { type Table, called } from '../../core/readings/table';
import { useFocusBack } from '../kit/focus-back';
import { Choose } from '../kit/Parts';

/** A rule on one column, as parts of a sentence: "site is not pier". */
export function RuleFields({ table, rule, onChange }: { table: Table; rule: Rule; onChange: (rule: Rule) => void }) {
  useFocusBack();
  return (
    <>
      <Choose
        label="Column of the rule"
        value={rule.column}
        options={Object.fromEntries(table.columns.map((c, i) => [c.id, called(c, `column ${i + 1}`)]))}
        onChange={(column) => onChange({ ...rule, column })}
      />{' '}
      <Choose label="Rule" value={rule.is} options={ruleNames} onChange={(is) => onChange({ ...rule, is })} />{' '}
      {rule.is !== 'empty' && (
        <input
          className="part min-w-16"
          aria-label="Value of the rule"
          autoFocus
          value={rule.value}
          onChange={(e) => onChange({ ...rule, value: e.target.value })}
        />
      )}
      {hasUpperEnd(rule) && (
        <>
          {' '}
          and{' '}
          <input
            className="part min-w-16"
            aria-label="Upper value of the rule"
            value={rule.to ?? ''}
            onChange={(e) => onChange({ ...rule, to: e.target.value })}
          />
        </>
      )}
    </>
  );
}
