import type { Outcome } from '../numeric/domain-error';
import type { Answer } from '../answer/answer';
import { withUnit } from '../readings/table';
import { foremost } from '../answer/foremost';
import { percent } from '../words/numbers';
import { type Rung, ladder } from './ladder';
import type { Scene } from '../drawing/scene';
import { pageFontSize } from '../drawing/scene';

/**
 * The foremost effects of two answers on one axis against the divide line; undefined while one of the answers is missing.
 * @returns or why they have no axis in common
 */
export function besideScene(
  left: Answer | undefined,
  right: Answer | undefined,
  width: number,
): Outcome<Scene> | undefined {
  if (!left?.comparison.ok || !right?.comparison.ok) return undefined;
  const rungs = [left, right].map((answer, i): Rung | undefined => {
    const effect = answer.comparison.ok ? foremost(answer.comparison.value) : undefined;
    // What tests nothing has no place beside the line of no difference.
    if (!effect?.interval || effect.p === undefined) return undefined;
    const { level } = answer.question;
    return {
      ...effect,
      name: `${i === 0 ? 'Left' : 'Right'}: ${effect.name}, ${percent(level)}`,
      significant: effect.significant === true,
    };
  });
  const [first, second] = rungs;
  const apart = (why: string): Outcome<Scene> => ({ ok: false, reason: `They have no scale in common: ${why}.` });
  if (!first || !second)
    return apart(
      first || second
        ? `the one on the ${first ? 'right' : 'left'} tells no effect with an interval that is tested`
        : 'neither tells an effect with an interval that is tested',
    );
  const ratio = first.ratio === true;
  if (ratio !== (second.ratio === true))
    return apart(`the one on the ${ratio ? 'left' : 'right'} is a ratio, the other a difference`);
  // Of ratios units cancel.
  if (!ratio && left.unit !== right.unit)
    return apart(`the one on the left is in ${left.unit || 'no unit'}, the other in ${right.unit || 'no unit'}`);
  const height = 150;
  const scene: Scene = {
    width,
    height,
    fontSize: pageFontSize,
    lineWeight: 1,
    alt: `The ${ratio ? 'ratios' : 'differences'} of both answers with their intervals on one axis: ${first.name}; ${second.name}.`,
    panels: [
      ladder(
        [first, second],
        { left: 24, top: 24, width: width - 48, height: height - 72 },
        ratio ? 'ratio' : withUnit('difference', left.unit),
      ),
    ],
  };
  return { ok: true, value: scene };
}
