import type { Saving } from './saving';

/** A question or a figure that another window has changed meanwhile: why it was refused, and the way on. */
export function NewerElsewhere({ saving, what }: { saving: Saving; what: string }) {
  if (saving.state !== 'refused') return null;
  return (
    <p role="alert" className="border-l-4 border-warning bg-base-200 px-4 py-2 text-sm">
      {saving.reason}{' '}
      <button type="button" className="plain-button" onClick={() => window.location.reload()}>
        Show the newer {what}
      </button>
    </p>
  );
}
