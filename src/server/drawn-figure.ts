import { type DrawnPlate, drawnPlate } from '../charts/drawn-plate';
import { defaultFigureStyle } from '../core/figures/default-style';
import type { FigureStyle } from '../core/figures/figure-style';
import type { PlatePart } from '../core/figures/plate';
import { DomainError } from '../core/numeric/domain-error';
import { pdfFile } from '../formats/pdf';
import { svgFile } from '../formats/svg';
import { NotFound } from '../store/errors';
import { readFigure } from '../store/figures';
import type { Db } from '../store/open';
import { answered } from './answered';
import { faceFiles, svgFace } from './fonts';

/** A figure as it is now. */
export interface DrawnFigure extends DrawnPlate {
  style: FigureStyle;
}

/** A figure's answer and style. @throws DomainError where the question has no answer */
function partOf(db: Db, id: string): PlatePart {
  const { questionId, style } = readFigure(db, id);
  const found = answered(db, questionId);
  if (!found.ok) throw new DomainError(found.reason);
  return { answer: found.value, style: { ...defaultFigureStyle, ...style } };
}

/** Draws a figure from what is kept. @throws NotFound, DomainError in words */
export function drawnFigure(db: Db, id: string): DrawnFigure {
  const first = partOf(db, id);
  const others = (first.style.beside ?? []).flatMap((other) => {
    try {
      return [partOf(db, other)];
    } catch (error) {
      // A panel since removed, or one that has no answer now, leaves the others as they are.
      if (error instanceof NotFound || error instanceof DomainError) return [];
      throw error;
    }
  });
  return { ...drawnPlate(first, others), style: first.style };
}

/** The figure as an SVG file. */
export const svgOf = ({ drawing, widthMm, heightMm, style }: DrawnFigure): string =>
  svgFile(drawing, { widthMm, heightMm, face: svgFace(style.font ?? 'sans') });

/** The figure as a PDF file. */
export const pdfOf = ({ drawing, widthMm, heightMm, style }: DrawnFigure): Promise<Uint8Array> =>
  pdfFile(drawing, { widthMm, heightMm, face: faceFiles(style.font ?? 'sans'), title: drawing.alt });
