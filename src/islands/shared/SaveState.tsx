import { Check, CloudOff, LoaderCircle, TriangleAlert } from 'lucide-react';
import type { Saving } from './saving';

function words(saving: Saving): string {
  switch (saving.state) {
    case 'saved':
      return saving.note ? `${saving.note}. All changes saved` : 'All changes saved';
    case 'saving':
      return 'Saving';
    case 'waiting':
      return saving.reason
        ? `Not saved yet: ${saving.reason}`
        : 'Not saved yet: Divide does not answer. Kept here, trying again';
    case 'refused':
      return 'Not saved';
    case 'gone':
      return 'Removed';
  }
}

const icons = { saved: Check, saving: LoaderCircle, waiting: CloudOff, refused: TriangleAlert, gone: TriangleAlert };

/** Says whether everything is kept. */
export function SaveState({ saving }: { saving: Saving }) {
  const Icon = icons[saving.state];
  return (
    <span
      role="status"
      className={`inline-flex items-center gap-1.5 text-[13px] ${saving.state === 'saved' || saving.state === 'saving' ? 'text-muted' : 'text-warning'}`}
    >
      <Icon size={14} aria-hidden />
      <span className="max-w-[60ch] truncate" title={words(saving)}>
        {words(saving)}
      </span>
    </span>
  );
}
