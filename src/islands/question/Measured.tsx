import type { Question } from '../../core/question/question';
import { kindOf } from '../../core/question/asking';
import { type Named, columnNamed, measureOf } from '../../core/question/naming';
import { chosenColumns, groupsAreColumns, groupsOf } from '../../core/readings/groups';
import { type Column, type Table, called, columnsOf, withUnit } from '../../core/readings/table';
import type { TableEdit } from '../../core/readings/table-edit';
import { Accepted } from '../kit/Accepted';
import { Choose, byName } from '../kit/Parts';

export interface AskProps {
  question: Question;
  /** The same with what the readings decide filled in. */
  settled: Question;
  table: Table;
  /** The unit of what is compared. */
  unit: string;
  /** How readings repeat subjects, as far as the answer tells. */
  repeated: Pick<Named, 'repeats' | 'averaged'>;
  onChange: (question: Question) => void;
  onEdit: (edits: TableEdit[]) => void;
}

interface ColumnProps {
  label: string;
  columns: readonly Column[];
  chosen: Column | undefined;
  /** What the one chosen is called in the sentence, where not by its column's name. */
  said?: string;
  /** What each is called, where not by its column's name. */
  nameOf?: (column: Column) => string;
  onPick: (id: string) => void;
}

/** One of a few columns; where there is no choice its name stands as plain words. */
function ColumnPart({ label, columns, chosen, said, nameOf = called, onPick }: ColumnProps) {
  if (columns.length < 2)
    return <b className="font-semibold">{called(said === undefined ? chosen : { name: said }, 'reading')}</b>;
  return (
    <Choose
      label={label}
      value={chosen?.id}
      options={byName(columns, (c) => (c.id === chosen?.id && said !== undefined ? said : nameOf(c)))}
      onChange={onPick}
    />
  );
}

/** The measure: a name of the table's own where columns are groups, else one of its measure columns. */
export function Measured({ question, table, unit, onChange, onEdit }: AskProps) {
  const printed = unit && ` ${withUnit('', unit).trim()}`;
  if (groupsAreColumns(table, question))
    return (
      <>
        <Accepted
          className="part"
          aria-label="What was measured"
          placeholder={measureOf(question, table) || 'what was measured'}
          value={table.measure}
          onAccept={(text) => onEdit([{ kind: 'describe-table', measure: text }])}
        />
        {printed}
      </>
    );
  const { measure, by } = chosenColumns(table, question);
  const groupColumns = columnsOf(table, 'group');
  const factors = kindOf[question.design] === 'factors';
  return (
    <>
      <ColumnPart
        label="What was measured"
        columns={columnsOf(table, 'measure')}
        chosen={measure}
        said={measureOf(question, table)}
        nameOf={(c) => columnNamed(c, table)}
        onPick={(id) => onChange({ ...question, measure: id })}
      />
      {printed}
      {groupColumns.length > 1 && !factors && (
        <>
          {' '}
          by{' '}
          <ColumnPart
            label="What names the groups"
            columns={groupColumns}
            chosen={by}
            onPick={(id) => {
              const [a, b] = groupsOf(table, { measure: question.measure, by: id });
              const { groups: _, ...rest } = question;
              onChange({ ...rest, by: id, ...(a ? { a: a.id } : {}), ...(b ? { b: b.id } : {}) });
            }}
          />
        </>
      )}
    </>
  );
}
