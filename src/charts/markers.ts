import { pathRound } from 'd3-path';
import {
  type SymbolType,
  symbolCircle,
  symbolCross,
  symbolDiamond,
  symbolSquare,
  symbolStar,
  symbolTriangle,
  symbolWye,
} from 'd3-shape';
import { markerOf } from '../core/drawing/marker';

/**
 * One shape a group, in the order of the group colours: the share of the square about it that it fills, which makes it
 * look as large as the others, and whether it stands on its head.
 */
const shapes: readonly { type: SymbolType; fills: number; turned?: true }[] = [
  { type: symbolCircle, fills: 0.75 },
  { type: symbolDiamond, fills: 0.5 },
  { type: symbolTriangle, fills: 0.5, turned: true },
  { type: symbolSquare, fills: 0.66 },
  { type: symbolWye, fills: 0.5 },
  { type: symbolTriangle, fills: 0.5 },
  { type: symbolCross, fills: 0.56 },
  { type: symbolStar, fills: 0.5 },
];

/**
 * SVG path of markers centred on the places given, each about `size` across; `shape` is a group's place, `digits` the
 * decimals of its coordinates.
 */
export function markerPath(
  shape: number,
  places: readonly { x: number; y: number }[],
  size: number,
  digits = 2,
): string {
  const out = pathRound(digits);
  const { type, fills, turned } = shapes[markerOf(shape)] ?? { type: symbolCircle, fills: 0.75 };
  const sign = turned ? -1 : 1;
  for (const { x, y } of places) {
    const at = (dx: number, dy: number) => [x + dx, y + sign * dy] as const;
    const pen = {
      moveTo: (dx: number, dy: number) => out.moveTo(...at(dx, dy)),
      lineTo: (dx: number, dy: number) => out.lineTo(...at(dx, dy)),
      arc: (dx: number, dy: number, radius: number, from: number, to: number) =>
        out.arc(...at(dx, dy), radius, from, to),
      rect: (dx: number, dy: number, width: number, height: number) => out.rect(...at(dx, dy), width, height),
      closePath: () => out.closePath(),
    };
    type.draw(pen as unknown as CanvasPath, size * size * fills);
  }
  return out.toString();
}
