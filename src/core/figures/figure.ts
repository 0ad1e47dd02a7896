/** The figure of an answer at true size: its units are points of type, 72 to the inch. */
import type { Answer } from '../answer/answer';
import { countsFigureOf } from './counts-figure';
import type { FigureStyle } from './figure-style';
import { kindOf } from './kinds';
import { laidFigure } from './laid-figure';
import { readingsFigure } from './readings-figure';
import type { Drawn, Margins } from './upright';

/** Draws an answer as its style says. @param least margins to keep to, so that panels line up */
export function figure(answer: Answer, style: FigureStyle, least?: Partial<Margins>): Drawn {
  const kind = kindOf(answer, style);
  switch (kind) {
    case 'shares':
    case 'stacked':
      return countsFigureOf(answer, style, kind, least);
    case 'covariate':
    case 'histograms':
    case 'quantiles':
    case 'changes':
    case 'differences':
    case 'tiles':
    case 'distribution':
      return laidFigure(answer, style, kind);
    default:
      return readingsFigure(answer, style, kind, least);
  }
}
