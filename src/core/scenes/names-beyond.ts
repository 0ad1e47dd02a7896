/** The names of readings beyond the whiskers, beside their points, in pictures whose groups are rows. */
import { nice } from 'd3-array';
import { type GroupPart, valuesOf } from '../answer/group-part';
import type { Answer } from '../answer/answer';
import { beyondOf, boxOf, namedBeyond, readingName } from './box';
import { label } from '../drawing/marks';
import type { Axis, Mark } from '../drawing/scene';
import { textWidth } from '../drawing/text-width';

const size = 11;

/** How far a name stands from the middle of its point, and from any other point. */
const gap = 7;

/** Groups of fewer readings have no whiskers to speak of. */
const fewest = 5;

/** Of more readings than this so many lie beyond that none is named. */
const most = 600;

/** The axis the readings stand on. */
export type Along = Pick<Axis, 'domain' | 'log' | 'nice' | 'ticks'>;

/**
 * A name for each reading that lies beyond, outwards of it, else inwards; none where either place is another point's.
 * @param width of the panel, in the scene's units
 */
export function namesBeyond(
  group: GroupPart,
  y: number,
  names: Answer['rowNames'],
  along: Along,
  width: number,
): Mark[] {
  const values = valuesOf(group);
  if (values.length < fewest || values.length > most) return [];
  const box = boxOf(values);
  const beyond = namedBeyond(beyondOf(box, group.readings.used));
  if (beyond.length === 0) return [];
  const at = (x: number): number => (along.log ? Math.log(x) : x);
  const [from, to] = along.nice ? nice(along.domain[0], along.domain[1], along.ticks ?? 5) : along.domain;
  const place = (x: number): number => ((at(x) - at(from)) / (at(to) - at(from))) * width;
  const taken = values.map((x): [number, number] => [place(x) - gap / 2, place(x) + gap / 2]);
  return beyond.flatMap((reading): Mark[] => {
    const { value } = reading;
    const text = readingName(reading, names);
    const wide = textWidth(text, size);
    const outwards = value > box.high ? 1 : -1;
    for (const side of [outwards, -outwards]) {
      const near = place(value) + side * gap;
      const span: [number, number] = side > 0 ? [near, near + wide] : [near - wide, near];
      if (span[0] < 0 || span[1] > width || taken.some(([a, b]) => a < span[1] && b > span[0])) continue;
      taken.push(span);
      return [
        label(text, value, y, {
          dx: side * gap,
          dy: size * 0.35,
          anchor: side > 0 ? 'start' : 'end',
          size,
          halo: true,
          ink: 'muted',
          name: 'beyond-name',
        }),
      ];
    }
    return [];
  });
}
