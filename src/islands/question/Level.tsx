import { useState } from 'react';
import { usualLevels } from '../../core/question/usual-levels';
import { percent } from '../../core/words/numbers';
import { NumberField } from '../kit/NumberField';
import { Choose, asTheyRead } from '../kit/Parts';

/** The confidence level: the usual ones by name, any other typed. */
export function Level({ level, onChange }: { level: number; onChange: (level: number) => void }) {
  const [own, setOwn] = useState<boolean | 'just now'>(!usualLevels.includes(level));
  if (own)
    return (
      <>
        <NumberField
          label="Confidence level in percent"
          value={level * 100}
          unit="%"
          least={50}
          most={99.99}
          optional={false}
          autoFocus={own === 'just now'}
          onChange={(typed) => {
            if (typed === undefined) return;
            if (usualLevels.includes(typed / 100)) setOwn(false);
            onChange(Number((typed / 100).toPrecision(10)));
          }}
        />{' '}
        %
      </>
    );
  return (
    <Choose
      label="Confidence level"
      value={level}
      options={[...asTheyRead<number | 'own'>(usualLevels, (l) => percent(Number(l))), ['own', 'another level …']]}
      onChange={(l) => (l === 'own' ? setOwn('just now') : onChange(l))}
    />
  );
}
