import { useState } from 'react';
import { typedNumbers } from '../../core/readings/typed-number';
import { given } from '../../core/words/numbers';
import { Accepted } from './Accepted';

interface Props {
  label: string;
  /** The numbers as they were typed. */
  value: string;
  /** What stands there while nothing is typed. */
  placeholder?: string;
  /** How many there may be. */
  most?: number;
  className?: string;
  /** Why one of them will not do; undefined when it does. */
  refuse: (x: number) => string | undefined;
  onChange: (text: string) => void;
}

/** Numbers typed in a row: where one cannot be read or will not do it is said, and nothing changes. */
export function NumbersField({
  label,
  value,
  placeholder = '',
  most = 200,
  className = 'part',
  refuse,
  onChange,
}: Props) {
  const [trouble, setTrouble] = useState<string>();
  const accept = (text: string): void => {
    const { values, trouble: unread } = typedNumbers(text);
    const refused = values.find((x) => refuse(x) !== undefined);
    const why =
      unread ??
      (refused !== undefined
        ? `${given(refused)}: ${refuse(refused) ?? ''}`
        : values.length > most
          ? `${values.length} numbers: ${most} at the most are asked`
          : undefined);
    setTrouble(why);
    if (why === undefined) onChange(text);
  };
  return (
    <>
      <Accepted
        className={className}
        aria-label={label}
        aria-invalid={trouble !== undefined}
        placeholder={placeholder}
        value={value}
        onAccept={accept}
        onKept={() => setTrouble(undefined)}
      />
      {trouble !== undefined && (
        <span role="alert" className="ml-2 font-sans text-[13px] text-error">
          ({trouble}: {value ? `kept at ${value}` : 'left empty'})
        </span>
      )}
    </>
  );
}
