import { DrawingView } from '../../charts/DrawingView';
import { layout } from '../../charts/layout';
import type { Answer } from '../../core/answer/answer';
import type { Question } from '../../core/question/question';
import { curveScene } from '../../core/scenes/curve';
import { decisionOf, pOf } from '../../core/telling/decision';

interface Props {
  question: Question;
  shown: Answer | undefined;
  onChange: (question: Question) => void;
}

/** A direction, the tail it looks at, and what it costs when it was chosen with the answer in sight. */
export default function DirectionNote({ question, shown, onChange }: Props) {
  const comparison = shown?.comparison.ok ? shown.comparison.value : undefined;
  const [reference] = comparison?.reference ?? [];
  const decision =
    reference && comparison ? decisionOf(reference, pOf(comparison, reference), question.level) : undefined;
  const scene = reference && decision ? curveScene(reference, decision.region, 216) : undefined;
  return (
    <section className="note" aria-label="One-sided">
      <h2 className="part-of-page">Direction</h2>
      {question.afterLooking ? (
        <>
          <p className="text-warning">
            You chose a direction with the answer in sight. That halves p and doubles the chance of a false alarm: a 5 %
            level is then one of 10 %. The methods sentence says so.
          </p>
          <button
            type="button"
            className="plain-button"
            onClick={() => {
              const { afterLooking: _, ...rest } = question;
              onChange(rest);
            }}
          >
            It was fixed before anyone saw the readings
          </button>
        </>
      ) : (
        <p className="text-muted">Fixed before looking: only the shaded tail speaks against no effect.</p>
      )}
      {scene && <DrawingView drawing={layout({ ...scene, fontSize: 11 })} />}
    </section>
  );
}
