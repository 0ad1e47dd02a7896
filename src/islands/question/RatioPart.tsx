import { useState } from 'react';
import { typedNumber } from '../../core/readings/typed-number';
import type { Question } from '../../core/question/question';
import { Accepted } from '../kit/Accepted';

/** Why shares do not say all: parts below 1, or percentages, that do not add up; empty for a plain ratio. */
function shareTrouble(typed: string, parts: readonly number[]): string {
  const percentages = typed.includes('%');
  const whole = percentages ? 100 : 1;
  const sum = parts.reduce((a, b) => a + b, 0);
  if ((!percentages && parts.some((x) => x >= 1)) || Math.abs(sum - whole) < 1e-3 * whole) return '';
  return `“${typed}” add up to ${Number(sum.toPrecision(6))}${percentages ? ' %' : ''} and not to ${whole}${percentages ? ' %' : ''}: mend one, or write a ratio such as 9 : 3 : 3 : 1.`;
}

/** A ratio as it is typed: 9:3:3:1, or 0.5, 0.25, 0.25; nothing for equal shares. */
export function RatioPart({
  question,
  names,
  onChange,
}: {
  question: Question;
  names: readonly string[];
  onChange: (question: Question) => void;
}) {
  const [trouble, setTrouble] = useState('');
  const { ratio } = question;
  return (
    <>
      <Accepted
        className="part"
        aria-label="Stated proportions"
        placeholder="equal shares"
        value={ratio?.join(' : ') ?? ''}
        onAccept={(typed) => {
          const parts = typed
            .split(/[:;]|\s+|,(?!\d)/)
            .filter((x) => x.trim() !== '' && x.trim() !== '%')
            .map((x) => {
              const read = typedNumber(x, '%');
              return read.kind === 'number' ? read.value : NaN;
            });
          const { ratio: _, ...rest } = question;
          if (parts.length === 0) {
            setTrouble('');
            onChange(rest);
          } else if (parts.some((x) => !(x > 0) || !Number.isFinite(x)))
            setTrouble(`“${typed}” is no ratio: write numbers above 0 with colons between, 9 : 3 : 3 : 1.`);
          else if (parts.length === names.length && shareTrouble(typed, parts)) setTrouble(shareTrouble(typed, parts));
          else if (parts.length !== names.length)
            setTrouble(
              `“${typed}” has ${parts.length} parts, and there are ${names.length} categories: ${names.join(', ')}.`,
            );
          else {
            setTrouble('');
            onChange({ ...rest, ratio: parts });
          }
        }}
      />
      {trouble && (
        <span role="alert" className="ml-2 font-sans text-[13px] text-error">
          {trouble}
        </span>
      )}
    </>
  );
}
