/** One estimate with its interval at several confidence levels, on one axis. */
import { nth } from '../numeric/nth';
import type { AtLevel } from '../answer/at-level';
import { leastOf, mostOf } from '../numeric/extremes';
import { withUnit } from '../readings/table';
import { between, effectDecimals, given, percent } from '../words/numbers';
import { roomBelow } from '../drawing/axis-title';
import { divideLine } from './ladder';
import { estimate, label, wholeHeight } from '../drawing/marks';
import type { Mark, Panel, Scene } from '../drawing/scene';

const [fontSize, rowHeight, top] = [13, 30, 26];
const [forLevels, forIntervals] = [56, 150];

/**
 * @param chosen the level asked for: its interval stands out
 * @param none where no effect lies, the divide line; undefined of an estimate
 */
export function levelsScene(
  found: readonly AtLevel[],
  chosen: number,
  unit: string,
  width: number,
  none: number | undefined,
): Scene {
  const intervals = found.flatMap(({ effect }) => effect.interval ?? []);
  const log = found.some(({ effect }) => effect.ratio);
  const told = [
    ...intervals.flatMap(({ low, high }) => [low, high]).filter(Number.isFinite),
    ...found.map(({ effect }) => effect.estimate),
  ];
  const at = (x: number): number => (log ? Math.log(x) : x);
  const [least, most] = [at(leastOf(told)), at(mostOf(told))];
  // A line of no difference far away would make all of them look alike: it is said where it lies instead.
  const away = none === undefined ? 0 : Math.max(least - at(none), at(none) - most) / (most - least || 1);
  const near = none === undefined || away > 1 ? undefined : none;
  const ends = [...told, ...(near === undefined ? [] : [near])];
  const [low, high] = [leastOf(ends), mostOf(ends)];
  const room = (high - low || Math.abs(high) || 1) * 0.06;
  const domain: [number, number] = log ? [low / 1.15, high * 1.15] : [low - room, high + room];
  // One rule of decimals for all: enough for the narrowest.
  const decimals = mostOf(found.map(({ effect }) => effectDecimals(effect)));
  const rows = found.flatMap(({ level, effect }, i): Mark[] => {
    const y = (i + 0.5) / found.length;
    const own = level === chosen;
    const { interval } = effect;
    if (!interval) return [];
    const ink = own ? 'ink' : 'muted';
    return [
      label(percent(level), -Infinity, y, { dx: -12, dy: 4, anchor: 'end', bold: own }),
      label(between(interval, decimals), Infinity, y, { dx: 12, dy: 4, bold: own, ink }),
      ...estimate({ at: effect.estimate, interval }, y, {
        ink,
        size: 9,
        weight: own ? 2.5 : 1.5,
        caps: 9,
        title: `${percent(level)}: ${between(interval, decimals)}`,
        names: [`interval-${percent(level)}`],
      }),
    ];
  });
  const lineOf = (): Mark[] => {
    if (none === undefined) return [];
    if (near !== undefined) return divideLine(domain, 'no difference', near, log);
    const leftOf = at(none) < least;
    const words = `no difference, at ${given(none)}`;
    const look = { dy: -9, ink: 'accent', size: 12, name: 'none-beyond' } as const;
    return [
      leftOf ? label(`← ${words}`, -Infinity, 0, look) : label(`${words} →`, Infinity, 0, { ...look, anchor: 'end' }),
    ];
  };
  const panel: Panel = {
    left: forLevels,
    top,
    width: width - forLevels - forIntervals,
    height: found.length * rowHeight,
    x: { domain, log, drawn: true, ticks: 6, title: withUnit(nth(found, 0).effect.name, log ? '' : unit) },
    y: wholeHeight,
    marks: [...lineOf(), ...rows],
  };
  return {
    width,
    height: top + panel.height + roomBelow([panel], fontSize),
    fontSize,
    lineWeight: 1,
    panels: [panel],
    alt: `${found[0]?.effect.name ?? 'The estimate'} with its interval at several confidence levels: ${found
      .map(({ level, effect }) => `${percent(level)} ${effect.interval ? between(effect.interval, decimals) : ''}`)
      .join('; ')}.`,
  };
}
