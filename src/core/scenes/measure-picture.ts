import { groupLook } from '../drawing/marker';
import type { MeasureAnswer } from '../answer/measure-answer';
import { type MeasuresAxis, onAxis } from './measures-overview';
import { bare, estimate, rule } from '../drawing/marks';
import { type Mark, type Scene, extent } from '../drawing/scene';

const size = { width: 132, height: 30 };

const small = (marks: Mark[], domain: [number, number], rows: number, alt: string): Scene => ({
  ...size,
  fontSize: 10,
  lineWeight: 1,
  alt,
  panels: [
    {
      left: 4,
      top: 2,
      width: size.width - 8,
      height: size.height - 4,
      x: bare(...domain),
      y: { ...bare(-0.6, rows - 0.4), down: true },
      marks,
    },
  ],
});

/**
 * The small pictures in a measure's line: its groups' means with intervals, and its difference against no difference.
 * @param axis the one axis of all measures' effects, and what lies within it
 */
export function measureScene(
  found: MeasureAnswer,
  axis: MeasuresAxis,
  domain: [number, number],
): { groups: Scene | undefined; effect: Scene | undefined } {
  const groups = found.groups.slice(0, 6);
  const ends = groups.flatMap((g) => [
    ...(g.mean === undefined ? [] : [g.mean]),
    ...(g.interval ? [g.interval.low, g.interval.high] : []),
  ]);
  const effect = onAxis(axis, found);
  const interval = effect?.interval;
  const finite = interval && Number.isFinite(interval.high - interval.low);
  return {
    groups:
      ends.length === 0
        ? undefined
        : small(
            groups.flatMap((g, i) =>
              estimate({ at: g.mean, interval: g.interval }, i, {
                ...groupLook(g),
                size: 6,
                weight: 1.5,
              }),
            ),
            extent(ends, 0.05),
            groups.length,
            `Means of ${found.name} with intervals`,
          ),
    effect: !finite
      ? undefined
      : small(
          [
            rule(0, -0.5, 0, 0.5, { ink: 'accent', weight: 1.5 }),
            ...estimate({ at: effect.estimate, interval }, 0, { size: 7, weight: 2, caps: 6 }),
          ],
          domain,
          1,
          `${found.ratio ? 'Ratio' : 'Difference'} of ${found.name} against no difference`,
        ),
  };
}
