import type { Simulated } from '../planning/simulate';
import { divideLine } from './ladder';
import { type Mark, type Scene, extent } from './scene';

/** Experiments whose intervals are drawn. */
export const drawnExperiments = 100;

/** Simulated experiments as intervals against the divide line: those that found the difference filled, those that missed it hollow. */
export function simulatedScene(
  all: readonly Simulated[],
  truth: number,
  title: string,
  width: number,
): Scene | undefined {
  const shown = all
    .flatMap(({ interval, found }) => (interval ? [{ ...interval, found }] : []))
    .slice(0, drawnExperiments);
  if (shown.length === 0) return undefined;
  const domain = extent([0, truth, ...shown.flatMap((s) => [s.low, s.high])]);
  const marks: Mark[] = [
    ...divideLine(domain),
    { mark: 'rule', x1: truth, y1: 0.07, x2: truth, y2: 0.93, ink: 'muted', dash: true, name: 'truth' },
    ...shown.flatMap(({ low, high, estimate, found }, i): Mark[] => {
      const y = 0.09 + (0.82 * (i + 0.5)) / drawnExperiments;
      return [
        {
          mark: 'rule',
          x1: low,
          y1: y,
          x2: high,
          y2: y,
          ink: found ? 'ink' : 'muted',
          weight: found ? 1.2 : 0.8,
          name: found ? 'found' : 'missed',
        },
        {
          mark: 'dots',
          points: [{ at: estimate }],
          along: 'x',
          centre: y,
          room: 0,
          ink: found ? 'ink' : 'muted',
          shape: 0,
          size: 4,
          hollow: !found,
        },
      ];
    }),
  ];
  return {
    width,
    height: 470,
    fontSize: 13,
    lineWeight: 1,
    alt: `${shown.length} simulated experiments with their intervals against the line of no difference; ${shown.filter((s) => s.found).length} found the difference.`,
    panels: [
      {
        left: 24,
        top: 24,
        width: width - 48,
        height: 400,
        x: { domain, drawn: true, title, ticks: 7 },
        y: { domain: [0, 1], drawn: false, down: true },
        marks,
      },
    ],
  };
}
