/** Lengths of a figure: its units are points of type, 72 to the inch. */
import type { FigureStyle } from './figure-style';

/** Points of type a millimetre. */
export const pointsPerMm = 72 / 25.4;

export interface Sizes {
  width: number;
  height: number;
  fontSize: number;
  /** The size texts are measured at: the serif face runs wider than the sans, whose widths are known. */
  measured: number;
  lineWeight: number;
}

export const sizesOf = (style: FigureStyle): Sizes => ({
  width: style.widthMm * pointsPerMm,
  height: style.heightMm * pointsPerMm,
  fontSize: style.fontPt,
  measured: style.fontPt * (style.font === 'serif' ? 1.18 : 1),
  lineWeight: style.linePt ?? 0.75,
});
