import { displayLevels } from '../../core/readings/levels';
import { called } from '../../core/readings/table';
import type { AskProps } from './Measured';
import { Choose, byName } from '../kit/Parts';

/** Rows chosen by what another column names, where the question is asked of those alone. */
export function OnlyPart({ question, table, onChange }: Pick<AskProps, 'question' | 'table' | 'onChange'>) {
  const { only } = question;
  const column = only && table.columns.find((c) => c.id === only.column);
  if (!only) return null;
  return (
    <>
      ; only where {called(column, 'a removed column')} is{' '}
      <Choose
        label="Only where"
        value={only.level}
        options={[['', 'anything: ask of all rows'], ...byName(column ? displayLevels(column) : [], (l) => l.name)]}
        onChange={(level) => {
          const { only: _, ...rest } = question;
          onChange(level === '' ? rest : { ...question, only: { ...only, level } });
        }}
      />
    </>
  );
}
