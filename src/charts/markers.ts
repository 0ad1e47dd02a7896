import { pathRound } from 'd3-path';
import {
  type SymbolType,
  symbol,
  symbolCircle,
  symbolCross,
  symbolDiamond,
  symbolSquare,
  symbolStar,
  symbolTriangle,
  symbolWye,
} from 'd3-shape';

const symbolTriangleDown: SymbolType = {
  draw(context, size) {
    const y = Math.sqrt(size / (Math.sqrt(3) * 3));
    context.moveTo(0, y * 2);
    context.lineTo(-Math.sqrt(3) * y, -y);
    context.lineTo(Math.sqrt(3) * y, -y);
    context.closePath();
  },
};

/** One shape a group, in the order of the group colours, each with the area that makes it look as large as the others. */
const shapes: readonly (readonly [SymbolType, number])[] = [
  [symbolCircle, 0.75],
  [symbolDiamond, 0.5],
  [symbolTriangleDown, 0.5],
  [symbolSquare, 0.66],
  [symbolWye, 0.5],
  [symbolTriangle, 0.5],
  [symbolCross, 0.56],
  [symbolStar, 0.5],
];

/** SVG path of markers of one shape centred on the places given, each about `size` across. */
export function markerPath(shape: number, places: readonly { x: number; y: number }[], size: number): string {
  const out = pathRound(2);
  let at = { x: 0, y: 0 };
  // The shapes draw about the origin; this pen draws them about the place.
  const pen = {
    moveTo: (x: number, y: number) => out.moveTo(x + at.x, y + at.y),
    lineTo: (x: number, y: number) => out.lineTo(x + at.x, y + at.y),
    rect: (x: number, y: number, w: number, h: number) => out.rect(x + at.x, y + at.y, w, h),
    arc: (x: number, y: number, r: number, a0: number, a1: number) => out.arc(x + at.x, y + at.y, r, a0, a1),
    closePath: () => out.closePath(),
  };
  const [type, area] = shapes[shape % shapes.length] ?? [symbolCircle, 0.75];
  const draw = symbol(type, size * size * area).context(pen as unknown as CanvasRenderingContext2D);
  for (at of places) draw();
  return out.toString();
}
