import type { Question } from '../../core/question/question';
import { NumberPart } from './NumberPart';

/** Bounds within which a difference does not matter: without them nothing can be called alike. */
export function Bounds({
  question,
  onChange,
  unit,
}: {
  question: Question;
  onChange: (q: Question) => void;
  unit: string;
}) {
  const { bounds } = question;
  const set = (low: number | undefined, high: number | undefined) => {
    const { bounds: _, ...rest } = question;
    onChange(low === undefined || high === undefined ? rest : { ...question, bounds: { low, high } });
  };
  if (!bounds)
    return (
      <>
        ; equivalence margin ±
        <NumberPart
          label="Equivalence margin"
          value={undefined}
          unit={unit}
          placeholder="…"
          refuse={(x) => (x > 0 ? undefined : 'Type a margin above 0')}
          onChange={(x) => (x === undefined ? undefined : set(-x, x))}
        />
        {unit && ` ${unit}`}
      </>
    );
  return (
    <>
      ; equivalence margin from{' '}
      <NumberPart
        label="Lower bound"
        value={bounds.low}
        unit={unit}
        refuse={(x) => (x < bounds.high ? undefined : 'The lower bound must lie below the upper one')}
        onChange={(x) => set(x, bounds.high)}
      />{' '}
      to{' '}
      <NumberPart
        label="Upper bound"
        value={bounds.high}
        unit={unit}
        refuse={(x) => (x > bounds.low ? undefined : 'The upper bound must lie above the lower one')}
        onChange={(x) => set(bounds.low, x)}
      />
      {unit && ` ${unit}`}
    </>
  );
}
