import { useState } from 'react';
import { percent } from '../../core/words/numbers';
import { Accepted } from '../shared/Accepted';

const usualLevels = [0.8, 0.9, 0.95, 0.99];

/** The confidence level: the usual ones by name, any other typed. */
export function Level({ level, onChange }: { level: number; onChange: (level: number) => void }) {
  const [own, setOwn] = useState(!usualLevels.includes(level));
  const [trouble, setTrouble] = useState('');
  if (own)
    return (
      <>
        <Accepted
          className="part w-14"
          aria-label="Confidence level in percent"
          inputMode="decimal"
          value={String(Number((level * 100).toPrecision(8)))}
          onAccept={(text) => {
            const typed = Number(text.replace(',', '.').replace('%', ''));
            if (usualLevels.includes(typed / 100)) setOwn(false);
            if (typed >= 50 && typed <= 99.99) {
              setTrouble('');
              onChange(Number((typed / 100).toPrecision(10)));
            } else setTrouble(`“${text}” is not a level between 50 and 99.99: kept at ${percent(level)}.`);
          }}
        />{' '}
        %
        {trouble && (
          <span role="alert" className="ml-2 text-[13px] text-error">
            {trouble}
          </span>
        )}
      </>
    );
  return (
    <select
      className="part"
      aria-label="Confidence level"
      value={level}
      onChange={(e) => (e.target.value === 'own' ? setOwn(true) : onChange(Number(e.target.value)))}
    >
      {usualLevels.map((l) => (
        <option key={l} value={l}>
          {percent(l)}
        </option>
      ))}
      <option value="own">another level …</option>
    </select>
  );
}
