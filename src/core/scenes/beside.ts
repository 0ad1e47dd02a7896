import { passes } from '../procedures/interval';
import type { Answer } from '../answer/answer';
import { withUnit } from '../readings/table';
import { foremost } from '../answer/foremost';
import { percent } from '../words/numbers';
import { type Rung, ladder } from './ladder';
import type { Scene } from './scene';

/** The foremost effects of two answers on one axis against the divide line; undefined where their units differ, or one is a ratio. */
export function besideScene(left: Answer | undefined, right: Answer | undefined, width: number): Scene | undefined {
  if (left === undefined || right === undefined) return undefined;
  if (left.unit !== right.unit) return undefined;
  const rungs = [left, right].flatMap((answer, i): Rung[] => {
    if (!answer.comparison.ok) return [];
    const effect = foremost(answer.comparison.value);
    // What tests nothing has no place beside the line of no difference.
    if (!effect?.interval || effect.p === undefined) return [];
    const { level } = answer.question;
    return [
      {
        ...effect,
        name: `${i === 0 ? 'Left' : 'Right'}: ${effect.name}, ${percent(level)}`,
        significant: passes(effect.p, level),
      },
    ];
  });
  const [ratio, other] = rungs.map((r) => r.ratio === true);
  if (rungs.length < 2 || ratio !== other) return undefined;
  const height = 150;
  return {
    width,
    height,
    fontSize: 13,
    lineWeight: 1,
    alt: `The ${ratio ? 'ratios' : 'differences'} of both answers with their intervals on one axis: ${rungs.map((r) => r.name).join('; ')}.`,
    panels: [
      ladder(
        rungs,
        { left: 24, top: 24, width: width - 48, height: height - 72 },
        ratio ? 'ratio' : withUnit('difference', left.unit),
      ),
    ],
  };
}
