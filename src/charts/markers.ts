import { pathRound } from 'd3-path';
import { markerOf } from '../core/scenes/marker';

type Point = readonly [number, number];

/** Corners on a circle, so many, from the top on; `inner` puts one nearer the middle between each two. */
function around(count: number, inner?: number): Point[] {
  const corners = inner === undefined ? count : 2 * count;
  return Array.from({ length: corners }, (_, i) => {
    const [turn, reach] = [(2 * Math.PI * i) / corners, inner !== undefined && i % 2 ? inner : 1];
    return [Math.sin(turn) * reach, -Math.cos(turn) * reach];
  });
}

/** Three arms that meet: each a bar as wide as it is long. */
const fork: Point[] = [0, 1, 2].flatMap((arm) => {
  const [c, s] = [Math.cos((2 * Math.PI * arm) / 3), Math.sin((2 * Math.PI * arm) / 3)];
  const foot = 1 / Math.sqrt(12);
  return (
    [
      [0.5, foot],
      [0.5, foot + 1],
      [-0.5, foot + 1],
    ] as const
  ).map(([x, y]): Point => [c * x - s * y, s * x + c * y]);
});

const quarter: Point[] = [
  [-1, -1],
  [-1, -3],
  [1, -3],
];
const plus: Point[] = [0, 1, 2, 3].flatMap((turns) =>
  quarter.map((p): Point => {
    let [x, y] = p;
    for (let i = 0; i < turns; i++) [x, y] = [-y, x];
    return [x, y];
  }),
);

const triangle = around(3);
const flat = Math.tan(Math.PI / 6);
/** The ratio of the golden section, squared: where the sides of a five-pointed star meet. */
const starWaist = (3 - Math.sqrt(5)) / 2;

/**
 * One shape a group, in the order of the group colours: its corners (none for the disc), and the share of the square about
 * it that it fills, which makes it look as large as the others.
 */
const shapes: readonly (readonly [corners: readonly Point[], fills: number])[] = [
  [[], 0.75],
  [around(4).map(([x, y]) => [x * flat, y]), 0.5],
  [triangle.map(([x, y]) => [x, -y]), 0.5],
  [
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ],
    0.66,
  ],
  [fork, 0.5],
  [triangle, 0.5],
  [plus, 0.56],
  [around(5, starWaist), 0.5],
];

/** The area within corners, by the shoelace. */
const areaOf = (corners: readonly Point[]): number =>
  Math.abs(
    corners.reduce((sum, [x, y], i) => {
      const [nx, ny] = corners[(i + 1) % corners.length] ?? [x, y];
      return sum + x * ny - nx * y;
    }, 0) / 2,
  );

/** SVG path of markers centred on the places given, each about `size` across; `shape` is a group's place. */
export function markerPath(shape: number, places: readonly { x: number; y: number }[], size: number): string {
  const out = pathRound(2);
  const [corners, fills] = shapes[markerOf(shape)] ?? [[], 0.75];
  const area = size * size * fills;
  if (corners.length === 0) {
    const radius = Math.sqrt(area / Math.PI);
    for (const { x, y } of places) {
      out.moveTo(x + radius, y);
      out.arc(x, y, radius, 0, 2 * Math.PI);
    }
    return out.toString();
  }
  const scale = Math.sqrt(area / areaOf(corners));
  for (const { x, y } of places) {
    corners.forEach(([cx, cy], i) => {
      const at = [x + cx * scale, y + cy * scale] as const;
      if (i === 0) out.moveTo(...at);
      else out.lineTo(...at);
    });
    out.closePath();
  }
  return out.toString();
}
