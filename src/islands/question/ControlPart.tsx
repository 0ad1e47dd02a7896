import type { Control } from '../../core/telling/controls';
import type { Question } from '../../core/question/question';

/** A part of a sentence that is one of several choices; what was chosen and is gone is said to be. */
export function ControlPart({ control, onChange }: { control: Control; onChange: (question: Question) => void }) {
  const { label, chosen, options } = control;
  const known = options.some((o) => o.id === chosen);
  return (
    <select
      className="part"
      aria-label={label}
      value={known ? chosen : ''}
      onChange={(e) => {
        const next = options.find((o) => o.id === e.target.value);
        if (next) onChange(next.ask());
      }}
    >
      {!known && <option value="">(removed)</option>}
      {options.map((o) => (
        <option key={o.id} value={o.id}>
          {o.words}
        </option>
      ))}
    </select>
  );
}
