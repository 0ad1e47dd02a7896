import type { KeyboardEvent } from 'react';
import { Accepted } from '../shared/Accepted';

/** A number that can be typed, or stepped by the arrow keys: by hundredths, with Shift by tenths. */
export function Value({
  label,
  value,
  step = 0.01,
  width = 'w-20',
  onChange,
}: {
  label: string;
  value: string;
  step?: number;
  width?: string;
  onChange: (text: string) => void;
}) {
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    const way = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    const typed = Number((event.target as HTMLInputElement).value);
    if (way === undefined || Number.isNaN(typed)) return;
    event.preventDefault();
    onChange(String(Number((typed + way * step * (event.shiftKey ? 10 : 1)).toFixed(6))));
  };
  return (
    <span onKeyDown={onKeyDown}>
      <Accepted className={`part ${width}`} aria-label={label} inputMode="decimal" value={value} onAccept={onChange} />
    </span>
  );
}
