import { X } from 'lucide-react';
import { readColumn } from '../../core/readings/read-column';
import type { Column } from '../../core/readings/table';
import { splitUnit } from '../../core/readings/units';
import { Accepted } from '../shared/Accepted';
import { GroupMarker } from '../shared/GroupMarker';

export interface ColumnHeadProps {
  column: Column;
  position: number;
  width: number;
  onDescribe: (change: { name?: string; unit?: string; decimal?: 'auto' | 'point' | 'comma' }) => void;
  onRemove: () => void;
}

/** A group's name, unit and number of readings, all editable in place. */
export function ColumnHead({ column, position, width, onDescribe, onRemove }: ColumnHeadProps) {
  const readings = readColumn(column);
  const doubtful = readings.unread.some((cell) => cell.why.startsWith('could be'));
  const rename = (text: string) => {
    const { name, unit } = splitUnit(text);
    onDescribe(unit && !column.unit ? { name, unit } : { name: text });
  };
  return (
    <div role="columnheader" className="group shrink-0 border-r border-line/60 px-2 py-1" style={{ width }}>
      <div className="flex items-center gap-1">
        <GroupMarker position={position} />
        <Accepted
          className="min-h-6 w-full min-w-0 bg-transparent font-semibold outline-none focus:outline-2 focus:outline-primary"
          aria-label={`Name of group ${position + 1}`}
          placeholder="name"
          value={column.name}
          maxLength={200}
          onAccept={rename}
          title={column.name}
        />
        <button
          type="button"
          className="plain-button opacity-0 group-hover:opacity-100 focus-visible:opacity-100"
          aria-label={`Remove ${column.name || `group ${position + 1}`}`}
          title="Remove this group"
          onClick={onRemove}
        >
          <X size={14} aria-hidden />
        </button>
      </div>
      <div className="flex items-baseline justify-between text-[13px] text-muted">
        <Accepted
          className="min-h-6 w-20 bg-transparent outline-none placeholder:text-muted focus:outline-2 focus:outline-primary"
          aria-label={`Unit of ${column.name || `group ${position + 1}`}`}
          placeholder="unit"
          value={column.unit}
          maxLength={40}
          onAccept={(unit) => onDescribe({ unit })}
        />
        <span>n {readings.used.length}</span>
      </div>
      {(doubtful || column.decimal !== 'auto') && (
        <select
          className="w-full bg-transparent text-[13px]"
          aria-label={`How decimals are written in ${column.name}`}
          value={column.decimal}
          onChange={(e) => onDescribe({ decimal: e.target.value as 'auto' | 'point' | 'comma' })}
        >
          <option value="auto">decimals: by the readings</option>
          <option value="point">decimals: 1.5</option>
          <option value="comma">decimals: 1,5</option>
        </select>
      )}
    </div>
  );
}
