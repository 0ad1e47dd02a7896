/** Every measure at once: effect against p, so that those that stand out are seen before a row is read. */
import { there } from '../numeric/there';
import { nth } from '../numeric/nth';
import type { MeasureAnswer } from '../answer/measure-answer';
import { leastOf } from '../numeric/extremes';
import type { Interval } from '../procedures/interval';
import { withUnit } from '../readings/table';
import { fixed, pRelation } from '../words/numbers';
import { dots, through } from '../drawing/marks';
import { type Mark, type Point, type Scene, extent } from '../drawing/scene';

/** The one axis of all measures' effects. */
export interface MeasuresAxis {
  /** What a measure's effect is divided by: 1 where all share a unit, its pooled SD where they do not. */
  per: (found: MeasureAnswer) => number | undefined;
  title: string;
  ratio: boolean;
}

/** The SD that the groups of a measure share; undefined where one of them has none. */
function pooledSd({ groups, n }: MeasureAnswer): number | undefined {
  let [squares, df] = [0, 0];
  for (const [i, { sd }] of groups.entries()) {
    const own = nth(n, i) - 1;
    if (sd === undefined || own < 1) continue;
    squares += own * sd ** 2;
    df += own;
  }
  return df > 0 && squares > 0 ? Math.sqrt(squares / df) : undefined;
}

/** The axis on which effects of all measures can stand: in their unit where they share one, else in pooled SDs. */
export function measuresAxis(all: readonly MeasureAnswer[]): MeasuresAxis {
  const told = all.filter((m) => m.estimate !== undefined);
  const ratio = told.some((m) => m.ratio);
  if (ratio) return { per: () => 1, title: 'ratio', ratio };
  const [unit = '', ...others] = new Set(told.map((m) => m.unit));
  return others.length === 0
    ? { per: () => 1, title: withUnit('difference', unit), ratio }
    : { per: pooledSd, title: 'difference (pooled SDs)', ratio };
}

/** An effect and its interval on that axis; of ratios their logarithms. */
export function onAxis(
  { per, ratio }: MeasuresAxis,
  found: MeasureAnswer,
): { estimate: number; interval: Interval | undefined } | undefined {
  const by = per(found);
  if (found.estimate === undefined || by === undefined) return undefined;
  const at = (x: number): number => (ratio ? Math.log(x) : x / by);
  const { interval } = found;
  return { estimate: at(found.estimate), interval: interval && { low: at(interval.low), high: at(interval.high) } };
}

/** What all effects and intervals lie within, no effect among it. */
export function effectDomain(all: readonly MeasureAnswer[], axis: MeasuresAxis): [number, number] {
  const ends = all.flatMap((m) => {
    const at = onAxis(axis, m);
    return at ? [at.estimate, ...(at.interval ? [at.interval.low, at.interval.high] : [])] : [];
  });
  return extent([0, ...ends.filter(Number.isFinite)], 0.06);
}

/**
 * @param all each with its p adjusted for their number, and whether that passes
 * @returns a scene whose points name their measure's place in `cells`
 */
export function measuresOverview(
  all: readonly (MeasureAnswer & { place: number; significant: boolean })[],
  axis: MeasuresAxis,
  width: number,
): Scene {
  const height = 210;
  const shown = all.flatMap((m) => {
    const at = onAxis(axis, m);
    return at && m.p !== undefined && m.p > 0 && Number.isFinite(at.estimate)
      ? [{ ...m, p: m.p, at: at.estimate }]
      : [];
  });
  const effects = extent([0, ...shown.map((m) => m.at)], 0.08);
  const least = Math.min(0.01, leastOf(shown.map((m) => m.p)) / 2);
  const points = (significant: boolean): Point[] =>
    shown
      .filter((m) => m.significant === significant)
      .map((m) => ({
        at: axis.ratio ? Math.exp(m.at) : m.at,
        across: m.p,
        title: `${m.name}: ${fixed(there(m.estimate, 'estimate'), 3)}${m.unit && !axis.ratio ? ` ${m.unit}` : ''}, p ${pRelation(m.p)}`,
        cells: [{ column: '', row: m.place }],
      }));
  const marks = (significant: boolean): Mark =>
    dots(points(significant), 1, {
      ink: significant ? 'ink' : 'muted',
      size: significant ? 8 : 7,
      hollow: !significant,
      name: significant ? 'measure-significant' : 'measure',
    });
  return {
    width,
    height: height + 62,
    fontSize: 12,
    lineWeight: 1,
    alt: `The effects of ${shown.length} measures against their p; ${shown.filter((m) => m.significant).length} differ after adjustment.`,
    panels: [
      {
        left: 66,
        top: 12,
        width: width - 84,
        height,
        x: {
          domain: axis.ratio ? [Math.exp(effects[0]), Math.exp(effects[1])] : effects,
          drawn: true,
          title: axis.title,
          ticks: 7,
          log: axis.ratio,
        },
        y: { domain: [least, 1], drawn: true, log: true, down: true, title: 'p' },
        marks: [
          through(axis.ratio ? 1 : 0, { ink: 'accent', weight: 1.5, name: 'divide-line' }),
          marks(false),
          marks(true),
        ],
      },
    ],
  };
}
