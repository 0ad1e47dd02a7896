import { displayLevels } from '../../core/readings/levels';
import { called } from '../../core/readings/table';
import type { AskProps } from './Measured';

/** Rows chosen by what another column names, where the question is asked of those alone. */
export function OnlyPart({ question, table, onChange }: Pick<AskProps, 'question' | 'table' | 'onChange'>) {
  const { only } = question;
  const column = only && table.columns.find((c) => c.id === only.column);
  if (!only) return null;
  return (
    <>
      ; only where {called(column, 'a removed column')} is{' '}
      <select
        className="part"
        aria-label="Only where"
        value={only.level}
        onChange={(e) => {
          const { only: _, ...rest } = question;
          onChange(e.target.value === '' ? rest : { ...question, only: { ...only, level: e.target.value } });
        }}
      >
        <option value="">anything: ask of all rows</option>
        {(column ? displayLevels(column) : []).map((l) => (
          <option key={l.id} value={l.id}>
            {l.name}
          </option>
        ))}
      </select>
    </>
  );
}
