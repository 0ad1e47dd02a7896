/** Differences with their intervals, one above the other, against the divide line. */
import type { Effect } from '../answer/comparison';
import { withUnit } from '../readings/table';
import { between, effectDecimals, fixed, given } from '../words/numbers';
import { mostRungs, rungsAxis, singleAxis } from './effect-axis';
import type { Frame } from './group-rows';
import type { Mark, Panel, Point } from './scene';
import { shortened, textWidth } from './text-width';

/**
 * The line of no difference: a rule with a filled dot above and an open dot below, as in the division sign.
 * @param domain the axis it stands on: near an end its words turn inwards
 */
export function divideLine(domain: readonly [number, number], words = 'no difference', at = 0, log = false): Mark[] {
  const place = (x: number): number => (log ? Math.log(x) : x);
  const share = (place(at) - place(domain[0])) / (place(domain[1]) - place(domain[0]) || 1);
  const anchor = share > 0.8 ? 'end' : share < 0.2 ? 'start' : 'middle';
  return [
    { mark: 'rule', x1: at, y1: 0.07, x2: at, y2: 0.93, ink: 'accent', weight: 1.5, name: 'divide-line' },
    { mark: 'dots', points: [{ at }], along: 'x', centre: 0.02, room: 0, ink: 'accent', shape: 0, size: 8 },
    {
      mark: 'dots',
      points: [{ at }],
      along: 'x',
      centre: 0.98,
      room: 0,
      ink: 'accent',
      shape: 0,
      size: 8,
      hollow: true,
    },
    { mark: 'text', x: at, y: 0, dy: -9, anchor, text: words, ink: 'accent', size: 12 },
  ];
}

/** Estimate and interval as the picture prints them. */
function label({ estimate, interval }: Effect): string {
  const decimals = effectDecimals({ estimate, interval });
  if (!interval) return fixed(estimate, decimals);
  return `${fixed(estimate, decimals)} (${between(interval, decimals)})`;
}

const middleOf = (low: number, high: number, log: boolean): number => (log ? Math.sqrt(low * high) : (low + high) / 2);

/** One effect alone: large, its figures above it. @param points what it is the mean of, below it */
export function singleEffect(
  effect: Effect,
  frame: Frame,
  unit: string,
  difference: number,
  bounds?: { low: number; high: number },
  points: readonly Point[] = [],
): Panel {
  const { low, high } = effect.interval ?? { low: effect.estimate, high: effect.estimate };
  const { domain, log, none } = singleAxis(effect, difference, bounds, points);
  const words =
    none === (log ? 1 : 0)
      ? 'no difference'
      : log
        ? `a ratio of ${given(none)}`
        : effect.none === undefined
          ? `a difference of ${withUnit(given(none), unit)}`
          : `stated: ${none}`;
  const written = label(effect);
  return {
    ...frame,
    x: { domain, log, drawn: true, title: withUnit(effect.name, log ? '' : unit), ticks: 5 },
    y: { domain: [0, 1], drawn: false, down: true },
    marks: [
      ...(bounds
        ? ([
            {
              mark: 'bar',
              x1: bounds.low,
              y1: 0.1,
              x2: bounds.high,
              y2: 0.9,
              ink: 'accent',
              tint: 0.1,
              name: 'bounds',
            },
          ] satisfies Mark[])
        : []),
      ...divideLine(domain, words, none, log),
      {
        mark: 'dots',
        points: [...points],
        along: 'x',
        centre: 0.68,
        room: 0.2,
        side: 1,
        ink: 'muted',
        shape: 0,
        size: points.length > 200 ? 4 : 6,
        name: 'pair-difference',
      },
      {
        mark: 'rule',
        x1: log && low <= 0 ? -Infinity : low,
        y1: 0.55,
        x2: high,
        y2: 0.55,
        ink: 'ink',
        weight: 2.5,
        caps: 11,
        name: 'effect-interval',
      },
      {
        mark: 'dots',
        points: [
          {
            at: log && effect.estimate <= 0 ? -Infinity : effect.estimate,
            title: `${effect.name}: ${written} ${unit}`,
          },
        ],
        along: 'x',
        centre: 0.55,
        room: 0,
        ink: 'ink',
        shape: 0,
        size: 13,
        name: 'effect',
      },
      {
        mark: 'text',
        x: middleOf(Math.max(low, domain[0]), Math.min(high, domain[1]), log),
        y: 0.55,
        dy: -16,
        anchor: 'middle',
        text: written,
        halo: true,
        bold: true,
      },
    ],
  };
}

/** A rung: an effect, and the heading it stands under. */
export interface Rung extends Effect {
  heading?: string;
  /** Whether it differs significantly. */
  significant: boolean;
}

/** Several effects as rungs on one axis. Those that differ significantly are filled, the others hollow: never colour alone. */
export function ladder(rungs: readonly Rung[], frame: Frame, title: string): Panel {
  const shown = rungs.slice(0, mostRungs);
  const { domain, log } = rungsAxis(shown);
  const lines = shown.length + shown.filter((e) => e.heading !== undefined).length * 0.6;
  const marks: Mark[] = [...divideLine(domain, 'no difference', log ? 1 : 0, log)];
  if (rungs.length > shown.length)
    marks.push({
      mark: 'text',
      x: Infinity,
      y: 1,
      dy: -4,
      anchor: 'end',
      text: `and ${rungs.length - shown.length} more in the list below`,
      size: 12,
      ink: 'muted',
      halo: true,
    });
  // Names keep clear of the divide line, on the side that has room for them.
  const at = (x: number): number => (log ? Math.log(x) : x);
  const [from, to] = [at(domain[0]), at(domain[1])];
  const lineAt = ((at(log ? 1 : 0) - from) / (to - from || 1)) * frame.width;
  // Where neither side has room it is shortened: the list below has all of it.
  const besideLine = (words: string, size = 12, bold = 1): { text: string; x: number; dx?: number } => {
    const [left, right] = [lineAt - 6, frame.width - lineAt - 6];
    const fits = (text: string, room: number): boolean => textWidth(text, size) * bold <= room;
    if (fits(words, left) || (left >= right && !fits(words, right)))
      return { text: shortened(words, size, left / bold), x: -Infinity };
    return { text: shortened(words, size, right / bold), x: log ? 1 : 0, dx: 6 };
  };
  let line = 0;
  for (const e of shown) {
    if (e.heading !== undefined) {
      const y = 0.07 + (0.86 * (line + 0.35)) / lines;
      marks.push({
        mark: 'text',
        ...besideLine(e.heading, 12, 1.08),
        y,
        dy: 4,
        size: 12,
        bold: true,
        halo: true,
      });
      line += 0.6;
    }
    const middle = 0.07 + (0.86 * (line + 0.68)) / lines;
    const above = 0.07 + (0.86 * (line + 0.3)) / lines;
    line += 1;
    marks.push({
      mark: 'text',
      ...besideLine(e.name),
      y: above,
      dy: 3,
      size: 12,
      halo: true,
      ink: e.significant ? 'ink' : 'muted',
    });
    if (e.interval)
      marks.push({
        mark: 'rule',
        x1: e.interval.low,
        y1: middle,
        x2: e.interval.high,
        y2: middle,
        ink: e.significant ? 'ink' : 'muted',
        weight: e.significant ? 2.5 : 1.5,
        caps: 7,
        name: 'rung',
      });
    marks.push({
      mark: 'dots',
      points: [{ at: e.estimate, title: `${e.name}: ${label(e)}` }],
      along: 'x',
      centre: middle,
      room: 0,
      ink: e.significant ? 'ink' : 'muted',
      shape: 0,
      size: 9,
      hollow: !e.significant,
      name: 'rung-estimate',
    });
  }
  return {
    ...frame,
    x: { domain, log, drawn: true, title, ticks: 5 },
    y: { domain: [0, 1], drawn: false, down: true },
    marks,
  };
}
