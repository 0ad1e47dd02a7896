import { useState } from 'react';
import { mergeable } from '../../core/readings/group-edits';
import type { Column, Table } from '../../core/readings/table';
import { Choose, ToolForm } from '../kit/Parts';

interface Props {
  table: Table;
  /** The column that names the groups, where rows are of groups. */
  by: Column | undefined;
  onMerge: (from: string, into: string) => void;
  onClose: () => void;
}

/** Makes one group of two. */
export default function MergeForm({ table, by, onMerge, onClose }: Props) {
  const groups = mergeable(table, by);
  const options = Object.fromEntries(groups.map((g) => [g.id, g.name || 'unnamed']));
  const [from, setFrom] = useState(groups[1]?.id ?? '');
  const [into, setInto] = useState(groups[0]?.id ?? '');
  return (
    <ToolForm onDo={() => onMerge(from, into)} onClose={onClose}>
      {groups.length < 2 ? (
        <span className="text-muted">There are no two groups to merge.</span>
      ) : (
        <>
          <span>Merge</span>
          <Choose label="Group that goes" value={from} options={options} onChange={setFrom} />
          <span>into</span>
          <Choose label="Group that stays" value={into} options={options} onChange={setInto} />
          <button type="submit" className="plain-button" disabled={from === into}>
            Merge
          </button>
        </>
      )}
      <button type="button" className="plain-button" onClick={onClose}>
        Cancel
      </button>
    </ToolForm>
  );
}
