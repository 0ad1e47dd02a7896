import { Check, CloudOff, LoaderCircle, TriangleAlert } from 'lucide-react';
import type { Saving } from './saving';

/** Says whether everything is kept. */
export function SaveState({ saving }: { saving: Saving }) {
  const icon = { size: 14, 'aria-hidden': true } as const;
  const said = {
    saved: ['All changes saved', <Check key="i" {...icon} />],
    saving: ['Saving', <LoaderCircle key="i" {...icon} />],
    waiting: ['Not saved yet: Divide does not answer. Kept here, trying again', <CloudOff key="i" {...icon} />],
    refused: ['Not saved', <TriangleAlert key="i" {...icon} />],
  }[saving.state];
  return (
    <span
      role="status"
      className={`inline-flex items-center gap-1.5 text-[13px] ${saving.state === 'saved' || saving.state === 'saving' ? 'text-muted' : 'text-warning'}`}
    >
      {said[1]}
      {said[0]}
    </span>
  );
}
