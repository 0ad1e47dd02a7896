import { mostOf } from '../numeric/extremes';
import { shortened, textWidth, wrapped } from './text-width';

/** How names under an axis are set. */
export interface SetLabels {
  /** The lines of each name; none where it is left out because the next would touch it. */
  lines: string[][];
  /** Degrees; turned names end at their place. */
  turn: 0 | -45 | -90;
  /** Room they take below the axis. */
  height: number;
}

const lineHeight = 1.2;

/**
 * Sets names so that none touches another or is cut: in lines where their words fit, else turned, and thinned out where
 * even turned ones would touch.
 * @param pitch room from one name to the next
 * @param size of the text, in the unit of `pitch`
 * @param most height they may take
 * @param before room to the left of the first name's place, for names that lean out
 */
export function setLabels(
  names: readonly string[],
  pitch: number,
  size: number,
  most: number,
  before: number,
): SetLabels {
  const room = pitch * 0.94;
  const whole = (name: string): boolean => name.split(/\s+/).every((word) => textWidth(word, size) <= room);
  const inLines = names.map((name) => wrapped(name, size, room));
  const highest = Math.max(1, ...inLines.map((l) => l.length));
  const flat = (): SetLabels => ({ lines: inLines, turn: 0, height: (highest * lineHeight + 0.55) * size });
  if (names.every(whole) && highest <= 3) return flat();
  if (pitch >= size * 1.8) {
    // A line that leans takes its width along the slope, and what it stands high besides.
    const along = Math.min((most - 1.2 * size) / Math.SQRT1_2, (before - 0.5 * size) / Math.SQRT1_2);
    const widest = mostOf(names.map((n) => textWidth(n, size)));
    if (widest <= along || along > size * 8) {
      const lines = names.map((n) => [shortened(n, size, along)]);
      const reach = mostOf(lines.map(([l = '']) => textWidth(l, size)));
      return { lines, turn: -45, height: reach * Math.SQRT1_2 + 1.4 * size };
    }
  }
  if (names.length <= 4 && highest * lineHeight * size <= most) return flat();
  const every = Math.max(1, Math.ceil((lineHeight * size) / pitch));
  const along = most - 0.8 * size;
  const lines = names.map((n, i) => (i % every === 0 ? [shortened(n, size, along)] : []));
  const reach = mostOf(lines.map(([l = '']) => textWidth(l, size)));
  return { lines, turn: -90, height: reach + 0.8 * size };
}
