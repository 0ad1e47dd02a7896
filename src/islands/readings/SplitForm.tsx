import { useState } from 'react';
import { likelySeparator, splitCell } from '../../core/readings/split-cells';
import { type Column, called } from '../../core/readings/table';
import { Fill, ToolForm } from '../kit/Parts';

interface Props {
  column: Column;
  onSplit: (separator: string) => void;
  onClose: () => void;
}

/** Takes the cells of a column apart, the first shown as it would be. */
export default function SplitForm({ column, onSplit, onClose }: Props) {
  const [separator, setSeparator] = useState(() => likelySeparator(column) ?? '');
  const first = column.cells.find((c) => c.trim() !== '') ?? '';
  const [before, after] = separator === '' ? [first, ''] : splitCell(first, separator);
  return (
    <ToolForm onDo={() => onSplit(separator)} onClose={onClose}>
      <span>Split the cells of {called(column)} at</span>
      <Fill label="Split at" value={separator} numeric={false} onChange={setSeparator} />
      {first !== '' && (
        <span className="text-muted">
          {first} → {before} and {after || 'nothing'}
        </span>
      )}
      <button type="submit" className="plain-button" disabled={separator === ''}>
        Split
      </button>
      <button type="button" className="plain-button" onClick={onClose}>
        Cancel
      </button>
    </ToolForm>
  );
}
