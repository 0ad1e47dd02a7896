/** The figure of an answer at true size: its units are points of type, 72 to the inch. */
import type { Answer } from '../answer/answer';
import { inOrder } from '../answer/in-order';
import { isBare } from '../answer/is-bare';
import { countsFigureOf } from './counts-figure';
import type { FigureStyle } from './figure-style';
import { isLaid, kindOf } from './kinds';
import { laidFigure } from './laid-figure';
import { readingsFigure } from './readings-figure';
import { renamed } from './renamed';
import type { Drawn, Margins } from './upright';

/** Draws an answer as its style says. @param least margins to keep to, so that panels line up */
export function figure(answer: Answer, style: FigureStyle, least?: Partial<Margins>): Drawn {
  const drawn = drawnAs(answer, style, least);
  return isBare(answer)
    ? { ...drawn, remarks: ['No group holds a reading yet: the axis says nothing.', ...drawn.remarks] }
    : drawn;
}

function drawnAs(answer: Answer, style: FigureStyle, least?: Partial<Margins>): Drawn {
  const kind = kindOf(answer, style);
  // Changes are from the table's first, wherever that stands.
  if (isLaid(kind))
    return laidFigure(
      renamed(inOrder(answer, style.order), style),
      { ...style, changeFrom: style.changeFrom ?? answer.groups[0]?.id },
      kind,
    );
  return kind === 'shares' || kind === 'stacked'
    ? countsFigureOf(answer, style, kind, least)
    : readingsFigure(answer, style, kind, least);
}
