/** The pictures of questions about shares, counts and spread. */
import type { Answer, GroupPart } from '../answer/answer';
import { choicesOf } from '../question/choices';
import { fixed, percent } from '../words/numbers';
import { countOf } from '../words/counts';
import { roomBelow } from './axis-title';
import { type Frame, groupRows } from './group-rows';
import { type Rung, ladder, mostRungs, singleEffect } from './ladder';
import type { Panel, Scene } from './scene';
import { shareRows } from './share-rows';
import { canStack, stackedHeight, stackedShares } from './stacked-shares';
import { fitBars, tiles } from './tiles';
import { textWidth } from './text-width';

/** Each group as the distances of its readings from its mean, one SD to either side. */
const deviations = (groups: readonly GroupPart[]): GroupPart[] =>
  groups.map((g) => {
    const mean = g.summary?.mean ?? 0;
    const sd = g.summary && Math.sqrt(g.summary.variance);
    const { description: _, interval: __, ...rest } = g;
    return {
      ...rest,
      readings: {
        ...g.readings,
        used: g.readings.used.map((r) => ({ ...r, value: r.value - mean })),
        aside: g.readings.aside.map((r) => (r.value === undefined ? r : { ...r, value: r.value - mean })),
      },
      ...(g.summary ? { summary: { ...g.summary, mean: 0 } } : {}),
      ...(sd === undefined ? {} : { interval: { low: -sd, high: sd } }),
    };
  });

/**
 * The picture of an answer that is not about how large readings are.
 * @param stacked shows a table of counts as shares of its rows instead of tiles
 */
export function lookOfSubject(answer: Answer, width: number, rungs: readonly Rung[], stacked = false): Scene {
  const { question, groups, comparison, unit } = answer;
  const found = comparison.ok ? comparison.value : undefined;
  const { effect, counts } = found ?? {};
  const { value } = choicesOf(question);
  const base = { width, fontSize: 13, lineWeight: 1 };
  const level = percent(question.level);
  if (question.about === 'table') {
    const fit = question.design === 'one-sample';
    if (stacked && !fit && counts && canStack(counts)) {
      const frame: Frame = { left: 26, top: 8, width: width - 46, height: stackedHeight(counts) };
      return {
        ...base,
        height: frame.height + 56,
        panels: [stackedShares(counts, frame, question.level, choicesOf(question).shareInterval)],
        alt: `Shares of ${counts.columns.join(', ')} within each of ${counts.rows.join(', ')}, with ${level} intervals.`,
      };
    }
    const names = Math.max(0, ...(counts?.columns ?? []).map((c) => textWidth(c, 12)));
    const plot = fit ? Math.min(430, Math.max(150, (counts?.columns.length ?? 2) * 46)) : 260;
    const frame: Frame = { left: 26, top: 14, width: width - 46 - (fit ? 0 : Math.min(160, names + 16)), height: plot };
    return {
      ...base,
      height: plot + (fit ? 62 : 44),
      panels: counts ? [fit ? fitBars(counts, frame, question.level) : tiles(counts, frame, question.level)] : [],
      alt: counts
        ? fit
          ? `Counts as bars with the counts expected: ${counts.columns.map((c, j) => `${c} ${counts.observed[0]?.[j] ?? 0} for ${fixed(counts.expected[0]?.[j] ?? 0, 1)}`).join('; ')}.`
          : `Counts as tiles, a column for each of ${counts.rows.join(', ')}, the outcomes ${counts.columns.join(', ')} stacked.`
        : 'No counts to show.',
    };
  }
  const rows = Math.max(1, groups.length);
  const plot = Math.min(430, Math.max(170, rows * 48, Math.min(rungs.length, mostRungs) * 30));
  const beside = effect !== undefined || rungs.length > 0;
  const effectWidth = beside ? Math.round(width * (effect ? 0.36 : 0.42)) : 0;
  const frame: Frame = { left: 26, top: 26, width: width - effectWidth - 26 - (beside ? 36 : 20), height: plot };
  const shares = question.about === 'share';
  const look: Panel = shares
    ? shareRows(answer, frame, question.design === 'one-sample' ? value : undefined)
    : groupRows({ ...answer, groups: deviations(groups), measure: 'distance from the group’s mean' }, frame);
  const right: Frame = { left: width - effectWidth, top: 26, width: effectWidth - 12, height: plot };
  const side: Panel[] = effect
    ? [singleEffect(effect, right, shares ? '' : unit, 0)]
    : rungs.length > 0
      ? [ladder(rungs, right, shares ? 'difference of shares' : 'ratio of SDs')]
      : [];
  const told = shares
    ? groups.map((g) => `${g.name} ${countOf(g)}`).join('; ')
    : groups.map((g) => `${g.name}, SD ${g.summary ? fixed(Math.sqrt(g.summary.variance), 3) : 'unknown'}`).join('; ');
  return {
    ...base,
    height: 26 + plot + roomBelow([look, ...side], base.fontSize),
    panels: [look, ...side],
    alt: `${shares ? `Share of ${answer.measure}` : `Distances of ${answer.measure || 'readings'} from each group’s mean`} by group: ${told}.${effect ? ` ${effect.name}: ${fixed(effect.estimate, 3)}, ${level} interval against the line of no difference.` : ''}`,
  };
}
