/** A picture as plain data: panels with axes, and a few kinds of marks in data coordinates. */

/** What a mark is painted with; the page and the exported file each have their own colour for it. */
export type Ink = 'ink' | 'muted' | 'line' | 'paper' | 'accent' | { group: number };

/** A cell of the readings. */
export interface CellRef {
  column: string;
  row: number;
}

/** A point, what it says of itself, and the readings it stands for. */
export interface Point {
  at: number;
  /** Its place along the other axis, where it has one of its own. */
  across?: number | undefined;
  title?: string | undefined;
  cells?: CellRef[] | undefined;
  /** Its own ink and marker, where they are not those of the others. */
  ink?: Ink | undefined;
  shape?: number | undefined;
  hollow?: boolean | undefined;
  /** What it stays, wherever it moves to. */
  key?: string | undefined;
}

export type Mark =
  | {
      mark: 'rule';
      x1: number;
      y1: number;
      x2: number;
      y2: number;
      ink: Ink;
      weight?: number | undefined;
      dash?: boolean | undefined;
      caps?: number | undefined;
      name?: string | undefined;
    }
  | { mark: 'bar'; x1: number; y1: number; x2: number; y2: number; ink: Ink; tint?: number | undefined; name?: string }
  /** Points along one axis, stacked sideways where they would overlap | undefined; `room` is how far, in the other axis' units. */
  | {
      mark: 'dots';
      points: Point[];
      along: 'x' | 'y';
      centre: number;
      room: number;
      /** Pushes to one side only, instead of both. */
      side?: 1 | -1 | undefined;
      ink: Ink;
      shape: number;
      size: number;
      hollow?: boolean | undefined;
      name?: string | undefined;
    }
  /** A line through points, or the area it encloses. */
  | {
      mark: 'path';
      points: readonly (readonly [number, number])[];
      ink: Ink;
      /** Paints what it encloses, at this strength, instead of the line. */
      fill?: number | undefined;
      weight?: number | undefined;
      dash?: boolean | undefined;
      name?: string | undefined;
      title?: string | undefined;
    }
  | {
      mark: 'text';
      x: number;
      y: number;
      /** Shift in the scene's units, right and down. */
      dx?: number | undefined;
      dy?: number | undefined;
      anchor?: 'start' | 'middle' | 'end' | undefined;
      text: string;
      ink?: Ink | undefined;
      size?: number | undefined;
      bold?: boolean | undefined;
      /** Clears the ground around the letters, for text that may cross a line. */
      halo?: boolean | undefined;
      /** Degrees, about its place. */
      turn?: number | undefined;
      name?: string | undefined;
    };

export interface Axis {
  domain: [number, number];
  /** Rounds the domain outwards to whole ticks. */
  nice?: boolean;
  title?: string;
  /** Whether the axis is drawn. */
  drawn: boolean;
  /** A logarithmic axis, for ratios; its domain lies above 0. */
  log?: boolean;
  /** About how many ticks. */
  ticks?: number;
  /** A y axis whose values grow downwards. */
  down?: boolean;
}

export interface Panel {
  /** The plotting area, in the scene's units. */
  left: number;
  top: number;
  width: number;
  height: number;
  x: Axis;
  y: Axis;
  marks: Mark[];
}

/** The size of the letters of pictures on the page, in pixels; one printed is composed at it, and scaled. */
export const pageFontSize = 13;

export interface Scene {
  width: number;
  height: number;
  /** Size of text, in the scene's units. */
  fontSize: number;
  lineWeight: number;
  panels: Panel[];
  /** The picture in words, for those who do not see it. */
  alt: string;
}

/** The least and greatest of numbers, with a margin for marks; a single value gets room around it. */
export function extent(values: readonly number[], margin = 0.04): [number, number] {
  let low = Infinity;
  let high = -Infinity;
  for (const x of values) {
    if (x < low) low = x;
    if (x > high) high = x;
  }
  if (low > high) return [0, 1];
  const room = (high - low || Math.abs(high) || 1) * margin;
  return [low - room, high + room];
}

function scaledMark(mark: Mark, k: number): Mark {
  switch (mark.mark) {
    case 'dots':
      return { ...mark, size: mark.size * k };
    case 'rule':
      return mark.caps === undefined ? mark : { ...mark, caps: mark.caps * k };
    case 'text':
      return {
        ...mark,
        dx: (mark.dx ?? 0) * k,
        dy: (mark.dy ?? 0) * k,
        ...(mark.size === undefined ? {} : { size: mark.size * k }),
      };
    default:
      return mark;
  }
}

/** The same picture with every length taken so many times. */
export const scaled = (scene: Scene, k: number): Scene => ({
  ...scene,
  width: scene.width * k,
  height: scene.height * k,
  fontSize: scene.fontSize * k,
  lineWeight: scene.lineWeight * k,
  panels: scene.panels.map((panel) => ({
    ...panel,
    left: panel.left * k,
    top: panel.top * k,
    width: panel.width * k,
    height: panel.height * k,
    marks: panel.marks.map((mark) => scaledMark(mark, k)),
  })),
});
