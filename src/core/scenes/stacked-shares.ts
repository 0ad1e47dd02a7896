/** A table of counts as shares of its rows: the categories of a row side by side, each share with its interval beneath. */
import type { CountedPart } from '../answer/comparison';
import { type ProportionInterval, proportionInterval } from '../procedures/one-proportion';
import { between } from '../words/numbers';
import type { Frame } from './group-rows';
import { nameMarks } from './group-rows';
import type { Mark, Panel } from './scene';

/** Rows and categories up to which each share can be read. */
const mostRows = 12;
const mostCategories = 8;

/** Height of a row's bar with its name, and of each interval under it. */
const barHeight = 46;
const lineHeight = 15;

/** Whether a table is small enough to be read share by share. */
export const canStack = ({ rows, columns }: CountedPart): boolean =>
  rows.length <= mostRows && columns.length <= mostCategories;

/** How high the picture is, axis aside. */
export const stackedHeight = ({ rows, columns }: CountedPart): number =>
  rows.length * (barHeight + columns.length * lineHeight);

export function stackedShares(
  { observed, rows, columns }: CountedPart,
  frame: Frame,
  level: number,
  kind: ProportionInterval,
): Panel {
  // Lengths are in rows' heights: one unit a row.
  const unit = barHeight + columns.length * lineHeight;
  const at = (i: number, pixels: number): number => i + pixels / unit;
  const marks = observed.flatMap((row, i): Mark[] => {
    const n = row.reduce((a, b) => a + b, 0);
    if (n === 0) return nameMarks(`${rows[i] ?? ''}: nothing counted`, undefined, at(i, 10));
    let from = 0;
    return [
      ...nameMarks(`${rows[i] ?? ''} (${n})`, undefined, at(i, 8)),
      ...row.flatMap((count, j): Mark[] => {
        const share = count / n;
        const [left, right] = [from, from + share];
        from = right;
        const { low, high } = proportionInterval({ successes: count, n }, level, kind);
        const y = at(i, 44 + j * lineHeight);
        const ink = { group: j };
        const words = `${columns[j] ?? ''} ${(100 * share).toFixed(0)} % (${between({ low: 100 * low, high: 100 * high }, 0)})`;
        return [
          { mark: 'bar', x1: left, y1: at(i, 18), x2: right, y2: at(i, 34), ink, tint: 0.5, name: 'share' },
          { mark: 'rule', x1: low, y1: y, x2: high, y2: y, ink, weight: 2, caps: 6, name: 'share-interval' },
          {
            mark: 'dots',
            points: [{ at: share, title: words }],
            along: 'x',
            centre: y,
            room: 0,
            ink,
            shape: j,
            size: 8,
            name: 'share-of-row',
          },
          // On the side where there is room.
          {
            mark: 'text',
            x: high > 0.62 ? low : high,
            y,
            dx: high > 0.62 ? -8 : 8,
            dy: 4,
            anchor: high > 0.62 ? 'end' : 'start',
            text: words,
            size: 12,
          },
        ];
      }),
    ];
  });
  return {
    ...frame,
    x: { domain: [0, 1], drawn: true, title: 'share of each row', ticks: 6 },
    y: { domain: [0, rows.length], drawn: false, down: true },
    marks,
  };
}
