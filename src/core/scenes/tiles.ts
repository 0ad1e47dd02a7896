/** Counts as tiles: a column for each row of the table, as wide as its share of all; within it the outcomes stacked. */
import { nth } from '../numeric/nth';
import type { CountedPart } from '../answer/comparison';
import { departs } from '../words/counts';
import { significant } from '../words/numbers';
import { textWidth } from '../drawing/text-width';
import type { Frame } from './group-rows';
import { bar, bare, label, rule } from '../drawing/marks';
import type { Mark, Panel } from '../drawing/scene';

const total = (row: readonly number[]): number => row.reduce((a, b) => a + b, 0);
const size = 12;

/** Beyond so many columns tiles are told by the table alone. */
const mostColumns = 40;

export function tiles(counts: CountedPart, frame: Frame, level: number): Panel {
  const { observed, residuals, cellP, rows, columns } = counts;
  const all = total(observed.flat());
  const marks: Mark[] = [];
  const gap = 0.006;
  let left = 0;
  observed.slice(0, mostColumns).forEach((row, i) => {
    const wide = total(row) / all;
    let low = 0;
    row.forEach((n, j) => {
      const tall = n / (total(row) || 1);
      const sign = departs(nth(nth(residuals, i), j), cellP[i]?.[j] ?? 1, level);
      if (n > 0)
        marks.push(
          bar(left + gap / 2, low, left + wide - gap / 2, low + tall, {
            ink: { group: j },
            tint: sign ? 0.55 : 0.22,
            name: 'tile',
          }),
        );
      const room = wide * frame.width;
      const words = sign ? `${n} ${sign}` : String(n);
      if (tall * frame.height > 15 && room > textWidth(words, size) + 6)
        marks.push(label(words, left + wide / 2, low + tall / 2, { dy: 4, anchor: 'middle', size, bold: sign !== '' }));
      low += tall;
    });
    const name = nth(rows, i);
    if (textWidth(name, size) < wide * frame.width + 4)
      marks.push(label(name, left + wide / 2, -Infinity, { dy: 15, anchor: 'middle', size }));
    left += wide;
  });
  // The outcomes are named at the last column, where each stands.
  let low = 0;
  const last = observed.at(Math.min(observed.length, mostColumns) - 1) ?? [];
  last.forEach((n, j) => {
    const tall = n / (total(last) || 1);
    if (tall * frame.height > 12)
      marks.push(label(nth(columns, j), 1, low + tall / 2, { dx: 8, dy: 4, size, bold: true }));
    low += tall;
  });
  return {
    ...frame,
    x: bare(0, 1),
    y: bare(0, 1),
    marks,
  };
}

/** One series of counts as bars, what would be expected as a line across each. */
export function fitBars(counts: CountedPart, frame: Frame, level: number): Panel {
  const { observed, expected, residuals, cellP, columns } = counts;
  const [line = [], hoped = []] = [observed[0], expected[0]];
  const most = Math.max(...line, ...hoped);
  const marks: Mark[] = line.flatMap((n, j): Mark[] => {
    const sign = departs(nth(nth(residuals, 0), j), cellP[0]?.[j] ?? 1, level);
    const e = nth(hoped, j);
    return [
      bar(0, j - 0.12, n, j + 0.3, { ink: { group: j }, tint: sign ? 0.6 : 0.3, name: 'observed' }),
      rule(e, j - 0.22, e, j + 0.4, { ink: 'accent', weight: 2, name: 'expected' }),
      label(nth(columns, j), 0, j - 0.32, { dy: 3, bold: true, size }),
      label(`${sign ? `${sign} ` : ''}${n} for ${significant(e, 3)} expected`, Infinity, j - 0.32, {
        dy: 3,
        anchor: 'end',
        size,
        ink: sign ? 'ink' : 'muted',
        halo: true,
      }),
    ];
  });
  return {
    ...frame,
    x: { domain: [0, most * 1.06], drawn: true, title: 'count', ticks: 6 },
    y: { ...bare(-0.6, line.length - 0.4), down: true },
    marks,
  };
}
