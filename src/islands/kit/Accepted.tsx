import { type InputHTMLAttributes, type KeyboardEvent, useState } from 'react';

/** A text that is accepted when it is left or Enter is pressed, and let go by Escape. */
export function Accepted({
  value,
  onAccept,
  onKept,
  ...rest
}: {
  value: string;
  onAccept: (text: string) => void;
  /** Told when what stood there is left as it is. */
  onKept?: () => void;
} & Omit<InputHTMLAttributes<HTMLInputElement>, 'value' | 'onChange'>) {
  const [draft, setDraft] = useState<string>();
  const accept = () => {
    if (draft !== undefined && draft.trim() !== value) onAccept(draft.trim());
    else onKept?.();
    setDraft(undefined);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Enter') event.currentTarget.blur();
    // What stands around it hears Escape only when there is nothing to let go.
    if (event.key === 'Escape' && draft !== undefined) {
      setDraft(undefined);
      event.stopPropagation();
    }
  };
  return (
    <input
      {...rest}
      value={draft ?? value}
      onChange={(e) => setDraft(e.target.value)}
      onBlur={accept}
      onKeyDown={onKeyDown}
    />
  );
}
