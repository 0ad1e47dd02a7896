import { Sigma } from 'lucide-react';
import { memo } from 'react';
import { readColumn } from '../../core/readings/read-column';
import { type Column, isMeasured, roles } from '../../core/readings/table';
import type { EditOf } from '../../core/readings/table-edit';
import { levelsOf } from '../../core/readings/levels';
import { splitUnit } from '../../core/readings/units';
import { counted } from '../../core/words/numbers';
import { Accepted } from '../kit/Accepted';
import { GroupMarker } from '../shared/GroupMarker';
import { HeadStrip } from './HeadStrip';
import { Choose, asTheyRead } from '../kit/Parts';

export type ColumnChange = Omit<EditOf<'describe-column'>, 'kind' | 'column'>;

export interface HeadHandlers {
  onDescribe: (column: string, change: ColumnChange) => void;
  onPick: (position: number, event: { shiftKey: boolean }) => void;
  onBrush: (column: string, low: number, high: number) => void;
  onMove: (from: number, to: number) => void;
}

export interface ColumnHeadProps {
  column: Column;
  /** Whether it has been looked through; until then its count and distribution wait. */
  read: boolean;
  position: number;
  /** Its group colour where the column is a group. */
  colour: number | undefined;
  /** Whether columns are groups: says "group 2" rather than "column 2" where a name is missing. */
  isGroup: boolean;
  marked: ReadonlySet<number>;
  /** The row under the hand where it is in this column, else −1. */
  active: number;
  handlers: HeadHandlers;
}

/** What a column says of itself under its name. */
function tally(column: Column): string {
  if (column.role === 'group') return counted(levelsOf(column).length, 'group');
  if (column.role === 'subject') return `${levelsOf(column).length} named`;
  if (column.role === 'label') return `${column.cells.filter((c) => c.trim() !== '').length} named`;
  const { used, unread } = readColumn(column);
  return unread.length > 0 ? `n ${used.length}, ${unread.length} unread` : `n ${used.length}`;
}

/** A column's name, unit, role and distribution; each editable in place. */
export const ColumnHead = memo(function ColumnHead(props: ColumnHeadProps) {
  const { column, position, colour, isGroup } = props;
  const { onDescribe, onPick, onBrush } = props.handlers;
  const called = column.name || `${isGroup ? 'group' : 'column'} ${position + 1}`;
  const measured = isMeasured(column.role);
  const rename = (text: string) => {
    const { name, unit } = splitUnit(text);
    onDescribe(column.id, unit && !column.unit && measured ? { name, unit } : { name: text });
  };
  return (
    <>
      <div className="flex items-center gap-1">
        {colour !== undefined && <GroupMarker position={colour} />}
        {column.formula && <Sigma size={13} aria-label="computed" className="shrink-0 text-muted" />}
        <Accepted
          className="min-h-6 w-full min-w-0 bg-transparent font-semibold text-ellipsis outline-none focus:outline-2 focus:outline-primary"
          aria-label={`Name of ${isGroup ? 'group' : 'column'} ${position + 1}`}
          data-name-of={position}
          placeholder="name"
          value={column.name}
          maxLength={200}
          onAccept={rename}
          title={column.name}
        />
      </div>
      <div className="flex items-baseline justify-between gap-1 text-[13px] text-muted">
        <Choose
          className="-ml-0.5 min-h-6 cursor-pointer appearance-none bg-transparent field-sizing-content hover:text-primary"
          label={`Role of ${called}`}
          value={column.role}
          options={asTheyRead(roles)}
          onChange={(role) => onDescribe(column.id, { role })}
        />
        {(measured || (column.role === 'group' && column.unit !== '')) && (
          <Accepted
            className="min-h-6 w-12 min-w-0 bg-transparent text-right outline-none placeholder:text-muted focus:outline-2 focus:outline-primary"
            aria-label={`Unit of ${called}`}
            placeholder="unit"
            value={column.unit}
            maxLength={40}
            onAccept={(unit) => onDescribe(column.id, { unit })}
          />
        )}
      </div>
      {measured && props.read ? (
        <HeadStrip
          column={column}
          colour={colour}
          marked={props.marked}
          active={props.active}
          onBrush={(low, high) => onBrush(column.id, low, high)}
        />
      ) : (
        <div className="h-[26px]" />
      )}
      <button
        type="button"
        className="block w-full cursor-grab truncate text-left text-[12.5px] leading-5 text-muted hover:text-primary"
        aria-label={`Choose ${called}`}
        onClick={(e) => onPick(position, e)}
      >
        {props.read ? tally(column) : '…'}
      </button>
    </>
  );
});
