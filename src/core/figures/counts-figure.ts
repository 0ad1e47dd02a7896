/** Figures of counts: shares of groups as columns or points, all shares of a table's rows one on the other. */
import type { Answer } from '../answer/answer';
import type { CountedPart } from '../answer/comparison';
import { proportionInterval } from '../procedures/one-proportion';
import { choicesOf } from '../question/choices';
import type { Mark } from '../scenes/scene';
import { percent } from '../words/numbers';
import { countOf } from '../words/counts';
import type { FigureStyle } from './figure-style';
import { columnMarks, endsShown, valueLabel } from './filled';
import { type Layout, type Series, lookOf, slotsOf } from './slots';
import { type Drawn, type Margins, upright } from './upright';

/** The share found in each group, with its interval. */
function sharesFigure(answer: Answer, style: FigureStyle, least?: Partial<Margins>): Drawn {
  const layout = slotsOf(answer, style);
  const columns = style.marks === 'columns';
  const level = percent(answer.question.level);
  return upright(
    answer,
    style,
    {
      layout,
      shown: { values: [0, 1], fromZero: true, share: true },
      title: `share ${answer.measure || 'found'}`,
      marks: () =>
        layout.slots.flatMap((slot, i): Mark[] => {
          const { group, x, ink, shape, name } = slot;
          const { share } = group;
          if (!share) return [];
          const { proportion } = share;
          const interval = endsShown(share.interval, proportion, style);
          return [
            ...(columns ? columnMarks(slot, i, x, proportion, style) : []),
            {
              mark: 'rule',
              x1: x,
              y1: interval.low,
              x2: x,
              y2: interval.high,
              ink: 'ink',
              weight: 1.4,
              caps: style.fontPt * 0.6,
              name: `error-bar-${i}`,
            },
            ...(columns
              ? []
              : ([
                  {
                    mark: 'dots',
                    points: [{ at: proportion, title: `${name}: ${countOf(group)}` }],
                    along: 'y',
                    centre: x,
                    room: 0,
                    ink,
                    shape,
                    size: style.meanPt ?? style.fontPt * 0.95,
                    name: `mean-${i}`,
                  },
                ] satisfies Mark[])),
            ...valueLabel(percent(Number(proportion.toPrecision(3))), x, proportion, interval, style),
          ];
        }),
      alt: `Share of ${answer.measure || 'those found'} by group, with ${level} intervals: ${layout.slots.map((s) => `${s.name}, ${countOf(s.group)}`).join('; ')}.`,
      slotNames: false,
      band: true,
    },
    least,
  );
}

/** Rows of the table as places, its categories as the levels that lie on one another. */
function stackedLayout(answer: Answer, counts: CountedPart, style: FigureStyle): Layout {
  const { slots, clusters } = slotsOf(answer, style);
  const series = counts.columns.map((name, j): Series => {
    const look = `category/${j}`;
    return { look, id: String(j), name, ...lookOf(style, look, j) };
  });
  return { slots, clusters, series };
}

/**
 * All shares of each row, one on the other from 0 to 1. At each border an interval tells how far the share up to there
 * is known, by the interval of one share the question uses.
 */
function stackedFigure(answer: Answer, counts: CountedPart, style: FigureStyle, least?: Partial<Margins>): Drawn {
  const layout = stackedLayout(answer, counts, style);
  const { level } = answer.question;
  const { shareInterval } = choicesOf(answer.question);
  const last = layout.slots.at(-1);
  const rowOf = (id: string): readonly number[] => counts.observed[answer.groups.findIndex((g) => g.id === id)] ?? [];
  const total = (row: readonly number[]): number => row.reduce((a, b) => a + b, 0);
  const middles = layout.series.map((_, j) => {
    const row = last ? rowOf(last.id) : [];
    const n = total(row) || 1;
    return (total(row.slice(0, j)) + (row[j] ?? 0) / 2) / n;
  });
  return upright(
    answer,
    style,
    {
      layout,
      shown: { values: [0, 1], fromZero: true, share: true },
      title: `share of each ${counts.rowName || 'group'}`,
      marks: () =>
        layout.slots.flatMap(({ id, x, half, name }): Mark[] => {
          const row = rowOf(id);
          const n = total(row);
          if (n === 0) return [];
          const wide = half * 0.82;
          return layout.series.flatMap((s, j): Mark[] => {
            const below = total(row.slice(0, j));
            const upTo = below + (row[j] ?? 0);
            const interval = proportionInterval({ successes: upTo, n }, level, shareInterval);
            const bar = x - wide + ((j + 1) / (layout.series.length + 1)) * 2 * wide;
            return [
              {
                mark: 'bar',
                x1: x - wide,
                y1: below / n,
                x2: x + wide,
                y2: upTo / n,
                ink: s.ink,
                tint: 0.5,
                name: `share-${name}-${j}`,
              },
              {
                mark: 'rule',
                x1: x - wide,
                y1: upTo / n,
                x2: x + wide,
                y2: upTo / n,
                ink: 'paper',
                weight: 1,
                name: `series-${s.look}`,
              },
              ...(j < layout.series.length - 1
                ? ([
                    {
                      mark: 'rule',
                      x1: bar,
                      y1: interval.low,
                      x2: bar,
                      y2: interval.high,
                      ink: 'ink',
                      weight: 1.2,
                      caps: style.fontPt * 0.5,
                      name: `error-bar-${name}-${j}`,
                    },
                  ] satisfies Mark[])
                : []),
            ];
          });
        }),
      alt: `Shares of ${counts.columns.join(', ')} within each of ${counts.rows.join(', ')}: ${layout.slots
        .map((s) => `${s.name}, ${rowOf(s.id).join(' : ')} of ${total(rowOf(s.id))}`)
        .join('; ')}.`,
      slotNames: false,
      endNames: last
        ? layout.series.map((series, j) => ({ series, value: middles[j] ?? 0, x: last.x + last.half * 0.82 }))
        : [],
      band: false,
    },
    least,
  );
}

/** Draws counts as one of the kinds that show them. */
export function countsFigureOf(
  answer: Answer,
  style: FigureStyle,
  kind: 'shares' | 'stacked',
  least?: Partial<Margins>,
): Drawn {
  const counts = answer.comparison.ok ? answer.comparison.value.counts : undefined;
  return kind === 'stacked' && counts
    ? stackedFigure(answer, counts, style, least)
    : sharesFigure(answer, style, least);
}
