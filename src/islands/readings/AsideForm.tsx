import { useState } from 'react';
import { counted } from '../../core/words/numbers';

/** Why readings are set aside: asked for, since they are never left out without a reason. */
export function AsideForm({
  count,
  onSet,
  onLeave,
}: {
  count: number;
  onSet: (reason: string) => void;
  onLeave: () => void;
}) {
  const [reason, setReason] = useState('');
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onSet(reason.trim());
      }}
      className="flex items-baseline gap-3 border-t border-line py-1.5 text-sm"
    >
      <label htmlFor="aside-reason">Set aside {counted(count, 'reading')}, because</label>
      <input
        id="aside-reason"
        className="part grow"
        autoFocus
        placeholder="tag lost, lid off, wrong probe …"
        value={reason}
        maxLength={500}
        onChange={(e) => setReason(e.target.value)}
        onKeyDown={(e) => e.key === 'Escape' && onLeave()}
      />
      <button type="submit" className="plain-button" disabled={!reason.trim()}>
        Set aside
      </button>
      <button type="button" className="plain-button" onClick={onLeave}>
        Cancel
      </button>
    </form>
  );
}
