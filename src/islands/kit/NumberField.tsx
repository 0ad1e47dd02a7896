import { type KeyboardEvent, useState } from 'react';
import { fieldText, typedNumber } from '../../core/readings/typed-number';
import { given } from '../../core/words/numbers';
import { Accepted } from './Accepted';

interface Props {
  label: string;
  value: number | undefined;
  /** The unit it is typed in; null of a share, for which "40 %" may be typed. */
  unit?: string | null;
  /** What stands there while nothing is typed. */
  placeholder?: string;
  /** Where it may lie; what lies elsewhere is said, and nothing changes. */
  least?: number;
  most?: number;
  whole?: boolean;
  /** Why a number will not do; undefined when it does. */
  refuse?: ((x: number) => string | undefined) | undefined;
  /** What the arrow keys step by, ten times as much with Shift. */
  step?: number;
  /** Whether it may be left empty. */
  optional?: boolean;
  className?: string;
  /** What stands behind it, as a unit. Then what was typed is told below both, else behind the field, in brackets. */
  after?: string;
  autoFocus?: boolean;
  onChange: (x: number | undefined) => void;
}

const between = (least: number, most: number): string =>
  most === Infinity
    ? `at least ${given(least)} is asked`
    : least === -Infinity
      ? `at most ${given(most)} is asked`
      : `${given(least)} to ${given(most)} is asked`;

/** A typed number, wherever one is asked for: what cannot be read is said, with what it may have meant, and changes nothing. */
export function NumberField({
  label,
  value,
  unit = '',
  placeholder = '',
  least = -Infinity,
  most = Infinity,
  whole = false,
  refuse,
  step,
  optional = true,
  className = 'part',
  after = '',
  autoFocus = false,
  onChange,
}: Props) {
  const [trouble, setTrouble] = useState<{ why: string; meant: number[] }>();
  // What was said of one value is not said of another.
  const [saidOf, setSaidOf] = useState(value);
  if (saidOf !== value) {
    setSaidOf(value);
    setTrouble(undefined);
  }
  const kept = value === undefined ? 'left empty' : `kept at ${given(value)}`;
  const whyNot = (x: number): string | undefined => {
    if (x < least || x > most) return `${given(x)}: ${between(least, most)}`;
    if (whole && !Number.isInteger(x)) return `${given(x)}: a whole number is asked`;
    return refuse?.(x);
  };
  const take = (x: number): void => {
    const why = whyNot(x);
    setTrouble(why === undefined ? undefined : { why, meant: [] });
    if (why === undefined) onChange(x);
  };
  const accept = (text: string): void => {
    const typed = typedNumber(text, unit);
    if (typed.kind === 'number') take(typed.value);
    else if (typed.kind === 'unread')
      setTrouble({ why: typed.why, meant: typed.meant.filter((x) => whyNot(x) === undefined) });
    else if (optional) {
      setTrouble(undefined);
      onChange(undefined);
    } else setTrouble({ why: 'A number is asked', meant: [] });
  };
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    const way = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    const typed = typedNumber((event.target as HTMLInputElement).value, unit);
    if (way === undefined || step === undefined || typed.kind !== 'number') return;
    event.preventDefault();
    take(Number((typed.value + way * step * (event.shiftKey ? 10 : 1)).toFixed(6)));
  };
  return (
    <span onKeyDown={onKeyDown}>
      <Accepted
        className={className}
        aria-label={label}
        autoFocus={autoFocus}
        aria-invalid={trouble !== undefined}
        inputMode={whole ? 'numeric' : 'decimal'}
        placeholder={placeholder}
        value={value === undefined ? '' : fieldText(value)}
        onAccept={accept}
        onKept={() => setTrouble(undefined)}
      />
      {after && ` ${after}`}
      {trouble && (
        <span role="alert" className={`font-sans text-[13px] whitespace-normal text-error ${after ? 'block' : 'ml-2'}`}>
          {after ? `${trouble.why}: ${kept}.` : `(${trouble.why}: ${kept})`}
          {trouble.meant.map((x) => (
            <button key={x} type="button" className="plain-button ml-2" onClick={() => take(x)}>
              Take {given(x)}
            </button>
          ))}
        </span>
      )}
    </span>
  );
}
