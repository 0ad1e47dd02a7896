import type { FigureStyle } from './figure-style';

/** How a figure is drawn until something else is said. */
export const defaultFigureStyle: FigureStyle = {
  marks: 'columns',
  bars: 'interval',
  readings: true,
  widthMm: 85,
  heightMm: 75,
  fontPt: 8,
};
