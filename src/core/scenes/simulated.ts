import type { Simulated } from '../planning/simulate';
import { divideLine } from './ladder';
import { estimate, rule, wholeHeight } from '../drawing/marks';
import { type Mark, type Scene, extent, pageFontSize } from '../drawing/scene';

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
    rule(truth, 0.07, truth, 0.93, { ink: 'muted', dash: true, name: 'truth' }),
    ...shown.flatMap(({ low, high, estimate: at, found }, i) =>
      estimate({ at, interval: { low, high } }, 0.09 + (0.82 * (i + 0.5)) / drawnExperiments, {
        ink: found ? 'ink' : 'muted',
        size: 4,
        hollow: !found,
        weight: found ? 1.2 : 0.8,
        names: [found ? 'found' : 'missed'],
      }),
    ),
  ];
  return {
    width,
    height: 470,
    fontSize: pageFontSize,
    lineWeight: 1,
    alt: `${shown.length} simulated experiments with their intervals against the line of no difference; ${shown.filter((s) => s.found).length} found the difference.`,
    panels: [
      {
        left: 24,
        top: 24,
        width: width - 48,
        height: 400,
        x: { domain, drawn: true, title, ticks: 7 },
        y: wholeHeight,
        marks,
      },
    ],
  };
}
