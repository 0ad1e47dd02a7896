import type { Control } from '../../core/telling/controls';
import type { Question } from '../../core/question/question';
import { Choose, byName } from '../kit/Parts';

/** A part of a sentence that is one of several choices; what was chosen and is gone is said to be. */
export function ControlPart({ control, onChange }: { control: Control; onChange: (question: Question) => void }) {
  const { label, chosen, options } = control;
  const known = options.some((o) => o.id === chosen);
  return (
    <Choose
      label={label}
      value={known ? chosen : undefined}
      prompt={known ? undefined : '(removed)'}
      options={byName(options, (o) => o.words)}
      onChange={(id) => {
        const next = options.find((o) => o.id === id);
        if (next) onChange(next.ask());
      }}
    />
  );
}
