/** A scene laid out: shapes at their places, ready for the page or a file. All lengths in the scene's units. */
import type { CellRef, Ink } from './scene';

export type Shape =
  | {
      shape: 'line';
      x1: number;
      y1: number;
      x2: number;
      y2: number;
      ink: Ink;
      weight: number;
      dash?: boolean;
      name?: string;
    }
  | { shape: 'rect'; x: number; y: number; width: number; height: number; ink: Ink; tint: number; name?: string }
  | {
      shape: 'path';
      d: string;
      ink: Ink;
      filled: boolean;
      weight: number;
      /** Strength of the fill where it is not full. */
      tint?: number;
      /** A line that encloses nothing. */
      open?: boolean;
      dash?: boolean;
      title?: string;
      name?: string;
      cells?: CellRef[];
      /** What it stays from drawing to drawing, wherever it moves to. */
      key?: string;
    }
  | {
      shape: 'text';
      x: number;
      y: number;
      text: string;
      size: number;
      anchor: 'start' | 'middle' | 'end';
      ink: Ink;
      bold: boolean;
      halo?: boolean;
      name?: string;
      /** Degrees, about (x, y). */
      turn?: number;
    };

export interface Drawing {
  width: number;
  height: number;
  shapes: Shape[];
  alt: string;
}
