/** Figures of counts: shares of groups as columns or points, all shares of a table's rows one on the other. */
import { nth } from '../numeric/nth';
import type { Answer } from '../answer/answer';
import type { CountedPart } from '../answer/comparison';
import { proportionInterval } from '../procedures/one-proportion';
import { choicesOf } from '../question/choices';
import { bar, dot, rule } from '../drawing/marks';
import type { Mark } from '../drawing/scene';
import { percent } from '../words/numbers';
import { countOf } from '../words/counts';
import type { FigureStyle } from './figure-style';
import { errorBar } from './error-bars';
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
          const { group, at, ink, shape, name } = slot;
          const { share } = group;
          if (!share) return [];
          const { proportion } = share;
          const interval = endsShown(share.interval, proportion, style);
          return [
            ...(columns ? columnMarks(slot, i, at, proportion, style) : []),
            ...errorBar(interval, i, at, style),
            ...(columns
              ? []
              : [
                  dot(proportion, at, {
                    ink,
                    shape,
                    size: style.meanPt ?? style.fontPt * 0.95,
                    title: `${name}: ${countOf(group)}`,
                    name: `mean-${i}`,
                  }),
                ]),
            ...valueLabel(percent(Number(proportion.toPrecision(3))), at, proportion, interval, style),
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
    return (total(row.slice(0, j)) + nth(row, j) / 2) / n;
  });
  return upright(
    answer,
    style,
    {
      layout,
      shown: { values: [0, 1], fromZero: true, share: true },
      title: `share of each ${counts.rowName || 'group'}`,
      marks: () =>
        layout.slots.flatMap(({ id, at, half, name }): Mark[] => {
          const row = rowOf(id);
          const n = total(row);
          if (n === 0) return [];
          const wide = half * 0.82;
          return layout.series.flatMap((s, j): Mark[] => {
            const below = total(row.slice(0, j));
            const upTo = below + nth(row, j);
            const interval = proportionInterval({ successes: upTo, n }, level, shareInterval);
            const border = at - wide + ((j + 1) / (layout.series.length + 1)) * 2 * wide;
            return [
              bar(below / n, at - wide, upTo / n, at + wide, { ink: s.ink, tint: 0.5, name: `share-${name}-${j}` }),
              rule(upTo / n, at - wide, upTo / n, at + wide, { ink: 'paper', weight: 1, name: `series-${s.look}` }),
              ...(j < layout.series.length - 1 ? errorBar(interval, `${name}-${j}`, border, style) : []),
            ];
          });
        }),
      alt: `Shares of ${counts.columns.join(', ')} within each of ${counts.rows.join(', ')}: ${layout.slots
        .map((s) => `${s.name}, ${rowOf(s.id).join(' : ')} of ${total(rowOf(s.id))}`)
        .join('; ')}.`,
      slotNames: false,
      endNames: last
        ? layout.series.map((series, j) => ({ series, value: nth(middles, j), at: last.at + last.half * 0.82 }))
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
