/** A table of counts as shares of its rows: the categories of a row side by side, each share with its interval beneath. */
import { nth } from '../numeric/nth';
import type { CountedPart } from '../answer/comparison';
import { type ProportionInterval, proportionInterval } from '../procedures/one-proportion';
import { between } from '../words/numbers';
import type { Frame } from './group-rows';
import { nameMarks } from './group-rows';
import { bar, bare, estimate, label } from '../drawing/marks';
import type { Mark, Panel } from '../drawing/scene';

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
    if (n === 0) return nameMarks(`${nth(rows, i)}: nothing counted`, undefined, at(i, 10));
    let from = 0;
    return [
      ...nameMarks(`${nth(rows, i)} (${n})`, undefined, at(i, 8)),
      ...row.flatMap((count, j): Mark[] => {
        const share = count / n;
        const [left, right] = [from, from + share];
        from = right;
        const { low, high } = proportionInterval({ successes: count, n }, level, kind);
        const y = at(i, 44 + j * lineHeight);
        const ink = { group: j };
        const words = `${nth(columns, j)} ${(100 * share).toFixed(0)} % (${between({ low: 100 * low, high: 100 * high }, 0)})`;
        return [
          bar(left, at(i, 18), right, at(i, 34), { ink, tint: 0.5, name: 'share' }),
          ...estimate({ at: share, interval: { low, high } }, y, {
            ink,
            shape: j,
            size: 8,
            weight: 2,
            caps: 6,
            title: words,
            names: ['share-interval', 'share-of-row'],
          }),
          // On the side where there is room.
          label(words, high > 0.62 ? low : high, y, {
            dx: high > 0.62 ? -8 : 8,
            dy: 4,
            anchor: high > 0.62 ? 'end' : 'start',
            size: 12,
          }),
        ];
      }),
    ];
  });
  return {
    ...frame,
    x: { domain: [0, 1], drawn: true, title: 'share of each row', ticks: 6 },
    y: { ...bare(0, rows.length), down: true },
    marks,
  };
}
