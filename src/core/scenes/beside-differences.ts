/** The picture of an answer: the groups on an axis of their own, and beside them what differs by how much. */
import type { Answer } from '../answer/answer';
import { factsOf } from '../analyses/kinds';
import { choicesOf, tellsRatios } from '../question/choices';
import { withUnit } from '../readings/table';
import { between, effectDecimals, fixed, percent } from '../words/numbers';
import { roomBelow } from '../drawing/axis-title';
import type { Frame } from './group-rows';
import { effectAxis, effectMargin, effectShare, mostRungs } from './effect-axis';
import { ladder, singleEffect } from './ladder';
import { rungsOf } from './rungs';
import { pairPoints } from './pair-points';
import type { Panel, Scene } from '../drawing/scene';
import { pageFontSize } from '../drawing/scene';

const top = 26;
// Room for half of the first tick's label, and for the markers of the names.
const left = 26;

/** How a picture is wished. */
export interface LookOptions {
  /** Several differences stand by size instead of in the order of the groups. */
  sorted: boolean;
  /** A table of counts stands as shares of its rows. */
  stacked?: boolean;
  /** What changes of the same subjects are taken from; the first unless named. */
  from?: string | undefined;
  /** How high the picture is in all, where its rows do not say. */
  height?: number;
}

const within = (least: number, x: number, most: number): number => Math.min(most, Math.max(least, x));

/**
 * @param groups the groups, drawn in the frame given
 * @param rows how many rows they take, how high each is, and how high all may get
 * @param told what the picture of the groups shows, in words
 */
export function besideDifferences(
  answer: Answer,
  width: number,
  { sorted, height: wanted }: LookOptions,
  groups: (frame: Frame) => Panel | Panel[],
  rows: { count: number; pitch: number; most?: number },
  told: string,
): Scene {
  const { comparison, question, unit } = answer;
  const { effectsAre, differences } = factsOf(question);
  const { value, method } = choicesOf(question);
  const found = comparison.ok ? comparison.value : undefined;
  // An estimate stands where its readings lie; only what is tested is drawn against the divide line.
  const effect = found?.p === undefined ? undefined : found.effect;
  const follow = found?.follow;
  const parts = follow?.ok ? follow.value : [];
  const rungs = rungsOf(parts, sorted);
  const natural = within(
    170,
    effect
      ? rows.count * rows.pitch
      : Math.max(rows.count * rows.pitch, Math.min(rungs.length, mostRungs) * 30 + parts.length * 16),
    rows.most ?? 430,
  );
  const beside = effectAxis(answer) !== undefined;
  const effectWidth = beside ? Math.round(width * effectShare) : 0;
  const inUnit = effectsAre === 'difference of shares' || effect?.ratio ? '' : unit;
  const rungsTitle =
    effectsAre ??
    (method === 'ranks'
      ? 'difference of mean ranks'
      : tellsRatios(question)
        ? 'ratio of geometric means'
        : withUnit('difference', unit));
  const [frame, right] = [
    { left, width: width - effectWidth - left - (beside ? 36 : 20) },
    { left: width - effectWidth, width: effectWidth - effectMargin },
  ];
  /** What differs, by how much. */
  const differencesIn = (place: Frame): Panel[] => {
    if (effect)
      return [singleEffect(effect, place, inUnit, differences ? value : 0, question.bounds, pairPoints(answer))];
    if (rungs.length === 0) return [];
    // A figure is as high as is wished, and has no list below it.
    const most = wanted === undefined ? mostRungs : Math.max(mostRungs, Math.floor(place.height / 22));
    return [ladder(rungs, place, rungsTitle, { most, onPage: wanted === undefined })];
  };
  const panelsOf = (height: number): Panel[] => [
    ...[groups({ ...frame, top, height })].flat(),
    ...differencesIn({ ...right, top, height }),
  ];
  const panels = panelsOf(natural);
  const below = roomBelow(panels, pageFontSize);
  const height = wanted === undefined ? natural : Math.max(40, wanted - top - below);
  let alt = told;
  if (effect?.interval && Number.isFinite(effect.interval.high - effect.interval.low)) {
    const decimals = effectDecimals(effect);
    alt += ` ${effect.name}: ${fixed(effect.estimate, decimals)} (${between(effect.interval, decimals)})${inUnit && ` ${inUnit}`}, ${percent(question.level)} interval, drawn against the line of no difference.`;
  }
  if (!effect && rungs.length > 0)
    alt += ` Beside it ${Math.min(rungs.length, mostRungs)} ${tellsRatios(question) ? 'ratios' : 'differences'} with their intervals against the line of no difference; ${rungs.filter((r) => r.significant).length} of ${rungs.length} lie apart from it.`;
  return {
    width,
    height: top + height + below,
    fontSize: pageFontSize,
    lineWeight: 1,
    panels: height === natural ? panels : panelsOf(height),
    alt,
  };
}
