import type { Question } from '../../core/question/question';
import { tellsRatios } from '../../core/question/choices';
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
  const ratios = tellsRatios(question);
  const shown = ratios ? '' : unit;
  const set = (low: number | undefined, high: number | undefined) => {
    const { bounds: _, ...rest } = question;
    onChange(low === undefined || high === undefined ? rest : { ...question, bounds: { low, high } });
  };
  if (!bounds)
    return (
      <>
        ; equivalence margin {ratios ? 'of a factor of ' : '±'}
        <NumberPart
          label="Equivalence margin"
          value={undefined}
          unit={shown}
          placeholder="…"
          refuse={(x) => (x > (ratios ? 1 : 0) ? undefined : `Type a ${ratios ? 'factor above 1' : 'margin above 0'}`)}
          onChange={(x) => (x === undefined ? undefined : set(ratios ? 1 / x : -x, x))}
        />
        {shown && ` ${shown}`}
      </>
    );
  return (
    <>
      ; equivalence margin from{' '}
      <NumberPart
        label="Lower bound"
        value={bounds.low}
        unit={shown}
        refuse={(x) =>
          ratios && x <= 0
            ? 'A ratio is above 0'
            : x < bounds.high
              ? undefined
              : 'The lower bound must lie below the upper one'
        }
        onChange={(x) => set(x, bounds.high)}
      />{' '}
      to{' '}
      <NumberPart
        label="Upper bound"
        value={bounds.high}
        unit={shown}
        refuse={(x) => (x > bounds.low ? undefined : 'The upper bound must lie above the lower one')}
        onChange={(x) => set(bounds.low, x)}
      />
      {shown && ` ${shown}`}
    </>
  );
}
