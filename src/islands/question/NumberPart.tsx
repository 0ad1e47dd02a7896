import { useState } from 'react';
import { Accepted } from '../shared/Accepted';

interface Props {
  label: string;
  value: number | undefined;
  /** What stands there while nothing is typed. */
  placeholder?: string;
  /** Why a number will not do; undefined when it does. */
  refuse?: (x: number) => string | undefined;
  onChange: (x: number | undefined) => void;
}

/** A number as a part of a sentence: decimal comma or point; what is no number is said, and nothing changes. */
export function NumberPart({ label, value, placeholder = '', refuse, onChange }: Props) {
  const [trouble, setTrouble] = useState('');
  return (
    <>
      <Accepted
        className="part"
        aria-label={label}
        inputMode="decimal"
        placeholder={placeholder}
        value={value === undefined ? '' : String(value)}
        onAccept={(text) => {
          const tidy = text.trim().replace('−', '-').replace(',', '.');
          if (tidy === '') {
            setTrouble('');
            onChange(undefined);
            return;
          }
          const typed = Number(tidy);
          const why = Number.isFinite(typed) ? refuse?.(typed) : `“${text}” is not a number`;
          setTrouble(why ? `${why}: kept at ${value ?? 'none'}.` : '');
          if (!why) onChange(typed);
        }}
      />
      {trouble && (
        <span role="alert" className="ml-2 text-[13px] text-error">
          {trouble}
        </span>
      )}
    </>
  );
}
