/** Figures that are a picture of the question's page at the size of a paper: differences, tiles, the reference distribution. */
import { factsOf } from '../analyses/kinds';
import type { Answer } from '../answer/answer';
import { choicesOf } from '../question/choices';
import { withUnit } from '../readings/table';
import { covariatePanel, covariateTold } from '../scenes/covariate-look';
import { curveScene } from '../scenes/curve';
import type { Frame } from '../scenes/group-rows';
import { mostRungs } from '../scenes/effect-axis';
import { drawnRungs, ladder, singleEffect } from '../scenes/ladder';
import { pairPoints } from '../scenes/pair-points';
import { rungsOf } from '../scenes/rungs';
import { type Scene, scaled, pageFontSize } from '../drawing/scene';
import { textWidth } from '../drawing/text-width';
import { shapesOf } from '../scenes/shapes-of-groups';
import { fitBars, tiles } from '../scenes/tiles';
import { decisionOf, pOf } from '../telling/decision';
import { lookScene } from '../telling/look';
import { fixed, percent } from '../words/numbers';
import type { FigureKind, FigureStyle } from './figure-style';
import type { LaidKind } from './kinds';
import { sizesOf } from './sizes';
import type { Drawn } from './upright';

/** The way of looking at readings that a figure shows. */
const viewOf: Partial<Record<FigureKind, 'histogram' | 'quantile' | 'change'>> = {
  histograms: 'histogram',
  quantiles: 'quantile',
  changes: 'change',
};

/** Draws such a picture. */
export function laidFigure(answer: Answer, style: FigureStyle, kind: LaidKind): Drawn {
  const { width, height, fontSize, lineWeight } = sizesOf(style);
  // Laid out as on the page, in its sizes, and then brought to those of the figure.
  const factor = fontSize / pageFontSize;
  const [wide, high] = [width / factor, height / factor];
  const remarks: string[] = [];
  const made = answer.comparison.ok ? answer.comparison.value : undefined;
  const { question, unit } = answer;
  const base = { width: wide, height: high, fontSize: pageFontSize, lineWeight: lineWeight / factor };
  let scene: Scene = { ...base, panels: [], alt: answer.comparison.ok ? '' : answer.comparison.reason };
  if (made && kind === 'tiles' && made.counts) {
    const fit = made.counts.observed.length === 1;
    const names = Math.max(0, ...made.counts.columns.map((c) => textWidth(c, 12)));
    const frame: Frame = {
      left: fit ? 20 : 8,
      top: 14,
      width: wide - (fit ? 34 : 16 + Math.min(wide * 0.4, names + 10)),
      height: high - (fit ? 62 : 44),
    };
    scene = {
      ...base,
      panels: [fit ? fitBars(made.counts, frame, question.level) : tiles(made.counts, frame, question.level)],
      alt: `Counts of ${made.counts.columns.join(', ')}${fit ? ' with the counts expected' : ` as tiles, a column for each of ${made.counts.rows.join(', ')}`}.`,
    };
  }
  if (kind === 'beside') scene = { ...lookScene(answer, wide, { sorted: false, height: high }), ...base };
  const view = viewOf[kind];
  if (view) {
    const { panels, alt } = shapesOf(answer, view, style.changeFrom);
    scene = { ...base, panels: panels({ left: 30, top: 26, width: wide - 46, height: high - 26 - 46 }), alt };
  }
  if (made?.covariate && kind === 'covariate') {
    const frame: Frame = { left: 12, top: 28, width: wide - 24, height: high - 28 - 46 };
    scene = {
      ...base,
      panels: [covariatePanel(answer, made.covariate, frame)],
      alt: covariateTold(answer, made.covariate),
    };
  }
  if (made && kind === 'differences') {
    const frame: Frame = { left: 16, top: 28, width: wide - 32, height: high - 28 - 46 };
    const parts = made.follow?.ok ? made.follow.value : [];
    const rungs = rungsOf(parts, false);
    // A figure is as high as is wished: so many lines have room.
    const most = Math.max(mostRungs, Math.floor(frame.height / 22));
    const drawn = drawnRungs(rungs, most);
    const { effectsAre, differences } = factsOf(question);
    const ranks = choicesOf(question).method === 'ranks';
    const title = style.xTitle ?? effectsAre ?? (ranks ? 'difference of mean ranks' : withUnit('difference', unit));
    const none = differences ? choicesOf(question).value : 0;
    const panel =
      rungs.length === 0 && made.effect
        ? singleEffect(
            style.xTitle ? { ...made.effect, name: style.xTitle } : made.effect,
            frame,
            effectsAre === 'difference of shares' || style.xTitle ? '' : unit,
            none,
            question.bounds,
            pairPoints(answer),
          )
        : ladder(rungs, frame, title, { most, onPage: false });
    if (rungs.length > drawn.length)
      remarks.push(
        `Of ${rungs.length} differences the ${drawn.length} farthest from none are drawn: make the figure higher to see all of them.`,
      );
    scene = {
      ...base,
      panels: [panel],
      alt: `Differences with ${percent(question.level)} intervals against the line of no difference: ${(drawn.length > 0 ? drawn : made.effect ? [made.effect] : []).map((e) => `${e.name} ${fixed(e.estimate, 2)}`).join('; ')}.`,
    };
  }
  const [reference] = made?.reference ?? [];
  if (made && reference && kind === 'distribution') {
    const decision = decisionOf(reference, pOf(made, reference), question.level);
    const curve = decision && curveScene(reference, decision.region, wide, undefined, high);
    if (curve) scene = { ...base, panels: curve.panels, alt: curve.alt };
    else remarks.push('This distribution has no curve to show.');
  }
  return {
    scene: scaled(scene, factor),
    remarks,
    margins: { left: 0, right: 0, top: 0, bottom: 0 },
    band: 'none',
  };
}
