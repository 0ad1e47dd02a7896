/** Differences with their intervals, one above the other, against the divide line. */
import type { Effect } from '../answer/comparison';
import { withUnit } from '../readings/table';
import { between, effectDecimals, fixed, given } from '../words/numbers';
import { alongAxis, mostRungs, rungsAxis, singleAxis } from './effect-axis';
import type { Frame } from './group-rows';
import { bar, dot, dots, estimate, label, rule, wholeHeight } from '../drawing/marks';
import type { Ink, Mark, Panel, Point } from '../drawing/scene';
import { shortenedPair, textWidth } from '../drawing/text-width';
import { pageFontSize } from '../drawing/scene';

/**
 * The line of no difference: a rule with a filled dot above and an open dot below, as in the division sign.
 * @param domain the axis it stands on: near an end its words turn inwards
 */
export function divideLine(domain: readonly [number, number], words = 'no difference', at = 0, log = false): Mark[] {
  const place = (x: number): number => (log ? Math.log(x) : x);
  const share = (place(at) - place(domain[0])) / (place(domain[1]) - place(domain[0]) || 1);
  const anchor = share > 0.8 ? 'end' : share < 0.2 ? 'start' : 'middle';
  const ink = 'accent';
  return [
    rule(at, 0.07, at, 0.93, { ink, weight: 1.5, name: 'divide-line' }),
    dot(at, 0.02, { ink, size: 8 }),
    dot(at, 0.98, { ink, size: 8, hollow: true }),
    label(words, at, 0, { dy: -9, anchor, ink, size: 12 }),
  ];
}

/** Estimate and interval as the picture prints them. */
function figuresOf({ estimate, interval }: Effect): string[] {
  const decimals = effectDecimals({ estimate, interval });
  return [fixed(estimate, decimals), ...(interval ? [`(${between(interval, decimals)})`] : [])];
}

const written = (effect: Effect): string => figuresOf(effect).join(' ');

const middleOf = (low: number, high: number, log: boolean): number => (log ? Math.sqrt(low * high) : (low + high) / 2);

/** Room a text may take beyond the frame at either end. */
const beyond = { left: 12, right: 8 };

/**
 * How far a text moves aside from its middle, so that the divide line does not run through it.
 * @returns undefined where neither side of the line has room for it
 */
function asideOf(middle: number, lineAt: number, wide: number, width: number): number | undefined {
  const half = wide / 2 + 6;
  const [least, most] = [half - beyond.left, width + beyond.right - half];
  const clear = (at: number): boolean => at >= least && at <= most && Math.abs(at - lineAt) >= half - 1e-9;
  const [nearest] = [Math.min(most, Math.max(least, middle)), lineAt - half, lineAt + half]
    .filter(clear)
    .sort((p, q) => Math.abs(p - middle) - Math.abs(q - middle));
  return nearest === undefined ? undefined : nearest - middle;
}

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
  // On a logarithmic axis there is no 0: what reaches it leaves the picture.
  const shown = (x: number): number => (log && x <= 0 ? -Infinity : x);
  const middle = middleOf(Math.max(low, domain[0]), Math.min(high, domain[1]), log);
  const across = (x: number): number => alongAxis({ domain, log }, x) * frame.width;
  const aside = (text: string) =>
    asideOf(across(middle), across(none), textWidth(text, pageFontSize, true), frame.width);
  // What is too long for either side of the line stands on two.
  const figures = aside(written(effect)) === undefined ? figuresOf(effect) : [written(effect)];
  return {
    ...frame,
    x: { domain, log, drawn: true, title: withUnit(effect.name, log ? '' : unit), ticks: 5 },
    y: wholeHeight,
    marks: [
      ...(bounds ? [bar(bounds.low, 0.1, bounds.high, 0.9, { ink: 'accent', tint: 0.1, name: 'bounds' })] : []),
      ...divideLine(domain, words, none, log),
      dots(points, 0.68, {
        room: 0.2,
        side: 1,
        ink: 'muted',
        size: points.length > 200 ? 4 : 6,
        name: 'pair-difference',
      }),
      ...estimate({ at: shown(effect.estimate), interval: { low: shown(low), high } }, 0.55, {
        size: 13,
        caps: 11,
        title: `${effect.name}: ${written(effect)} ${unit}`,
        names: ['effect-interval', 'effect'],
      }),
      ...figures.map((text, i) =>
        label(text, middle, 0.55, {
          dx: aside(text) ?? 0,
          dy: -16 - (figures.length - 1 - i) * 1.2 * pageFontSize,
          anchor: 'middle',
          halo: true,
          bold: true,
        }),
      ),
    ],
  };
}

/** A rung: an effect, and the heading it stands under. */
export interface Rung extends Effect {
  heading?: string;
  /** Whether it differs significantly. */
  significant: boolean;
}

/** The rungs that are drawn: of too many those farthest from no difference, in their order and under their headings. */
export function drawnRungs(rungs: readonly Rung[], most: number): readonly Rung[] {
  if (rungs.length <= most) return rungs;
  let under: string | undefined;
  const all = rungs.map((rung) => ({ rung, under: (under = rung.heading ?? under) }));
  const distance = ({ estimate, ratio }: Rung): number => Math.abs(ratio ? Math.log(estimate) : estimate);
  const farthest = new Set([...all].sort((p, q) => distance(q.rung) - distance(p.rung)).slice(0, most));
  const kept = all.filter((one) => farthest.has(one));
  return kept.map(({ rung: { heading: _, ...rung }, under: heading }, i) =>
    heading === undefined || heading === kept[i - 1]?.under ? rung : { ...rung, heading },
  );
}

/**
 * Several effects as rungs on one axis. Those that differ significantly are filled, the others hollow: never colour alone.
 * @param most how many there is room for
 * @param onPage whether all of them stand in a list below
 */
export function ladder(
  rungs: readonly Rung[],
  frame: Frame,
  title: string,
  { most = mostRungs, onPage = true }: { most?: number; onPage?: boolean } = {},
): Panel {
  const shown = drawnRungs(rungs, most);
  const { domain, log } = rungsAxis(rungs);
  const lines = shown.length + shown.filter((e) => e.heading !== undefined).length * 0.6;
  const marks: Mark[] = [...divideLine(domain, 'no difference', log ? 1 : 0, log)];
  if (onPage && rungs.length > shown.length)
    marks.push(
      label(`the ${shown.length} farthest apart; all ${rungs.length} below`, Infinity, 1, {
        dy: -4,
        anchor: 'end',
        size: 12,
        ink: 'muted',
        halo: true,
      }),
    );
  // Names keep clear of the divide line, on the side that has room for them.
  const at = (x: number): number => (log ? Math.log(x) : x);
  const [from, to] = [at(domain[0]), at(domain[1])];
  const lineAt = ((at(log ? 1 : 0) - from) / (to - from || 1)) * frame.width;
  // Where neither side has room it is shortened: the list below has all of it.
  const besideLine = (words: string, y: number, look: { dy: number; ink?: Ink; bold?: boolean }): Mark => {
    const [left, right] = [lineAt - 6, frame.width - lineAt - 6];
    const bold = look.bold ?? false;
    const wide = textWidth(words, 12, bold);
    const set = { ...look, size: 12, halo: true };
    return wide <= left || (left >= right && wide > right)
      ? label(shortenedPair(words, 12, left, bold), -Infinity, y, set)
      : label(shortenedPair(words, 12, right, bold), log ? 1 : 0, y, { ...set, dx: 6 });
  };
  const lineOf = (at: number): number => 0.07 + (0.86 * at) / lines;
  let line = 0;
  for (const e of shown) {
    if (e.heading !== undefined) {
      marks.push(besideLine(e.heading, lineOf(line + 0.35), { dy: 4, bold: true }));
      line += 0.6;
    }
    const ink = e.significant ? 'ink' : 'muted';
    marks.push(
      besideLine(e.name, lineOf(line + 0.3), { dy: 3, ink }),
      ...estimate({ at: e.estimate, interval: e.interval }, lineOf(line + 0.68), {
        ink,
        size: 9,
        hollow: !e.significant,
        weight: e.significant ? 2.5 : 1.5,
        caps: 7,
        title: `${e.name}: ${written(e)}`,
        names: ['rung', 'rung-estimate'],
      }),
    );
    line += 1;
  }
  return {
    ...frame,
    x: { domain, log, drawn: true, title, ticks: 5 },
    y: wholeHeight,
    marks,
  };
}
