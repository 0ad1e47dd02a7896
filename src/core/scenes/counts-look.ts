import { nth } from '../numeric/nth';
import { choicesOf } from '../question/choices';
import { fixed, percent } from '../words/numbers';
import type { Frame } from './group-rows';
import type { Look } from './groups-look';
import { canStack, stackedHeight, stackedShares } from './stacked-shares';
import { textWidth } from '../drawing/text-width';
import { fitBars, tiles } from './tiles';
import { pageFontSize } from '../drawing/scene';

const base = { fontSize: pageFontSize, lineWeight: 1 };
const noCounts = { ...base, height: 304, panels: [], alt: 'No counts to show.' };

/** Counts as bars, with the counts that stated proportions would bring. */
export const fitLook: Look = ({ comparison, question }, width) => {
  const counts = comparison.ok ? comparison.value.counts : undefined;
  if (!counts) return { ...noCounts, width };
  const height = Math.min(430, Math.max(150, counts.columns.length * 46));
  const frame: Frame = { left: 26, top: 14, width: width - 46, height };
  const [observed = [], expected = []] = [counts.observed[0], counts.expected[0]];
  return {
    ...base,
    width,
    height: height + 62,
    panels: [fitBars(counts, frame, question.level)],
    alt: `Counts as bars with the counts expected: ${counts.columns.map((c, j) => `${c} ${nth(observed, j)} for ${fixed(nth(expected, j), 1)}`).join('; ')}.`,
  };
};

/** Counts as tiles, or as shares of each row. */
export const tableLook: Look = ({ comparison, question }, width, { stacked }) => {
  const counts = comparison.ok ? comparison.value.counts : undefined;
  if (!counts) return { ...noCounts, width };
  const { level } = question;
  if (stacked && canStack(counts)) {
    const frame: Frame = { left: 26, top: 8, width: width - 46, height: stackedHeight(counts) };
    return {
      ...base,
      width,
      height: frame.height + 56,
      panels: [stackedShares(counts, frame, level, choicesOf(question).shareInterval)],
      alt: `Shares of ${counts.columns.join(', ')} within each of ${counts.rows.join(', ')}, with ${percent(level)} intervals.`,
    };
  }
  const names = Math.max(0, ...counts.columns.map((c) => textWidth(c, 12)));
  const frame: Frame = { left: 26, top: 14, width: width - 46 - Math.min(160, names + 16), height: 260 };
  return {
    ...base,
    width,
    height: 304,
    panels: [tiles(counts, frame, level)],
    alt: `Counts as tiles, a column for each of ${counts.rows.join(', ')}, the outcomes ${counts.columns.join(', ')} stacked.`,
  };
};
