/**
 * The marks that pictures are composed of. They lie: values run along x, what is compared stands across, on y. A picture
 * for paper is the same marks `standing`. Ends of ±Infinity are the ends of the plotting area.
 */
import { nth } from '../numeric/nth';
import type { Interval } from '../procedures/interval';
import type { Axis, Mark, Point } from './scene';

type Of<M extends Mark['mark']> = Extract<Mark, { mark: M }>;
/** How a mark looks: all of it but its kind and place. */
type Look<M extends Mark['mark'], Place extends keyof Of<M>> = Omit<Of<M>, 'mark' | 'ink' | Place> &
  Partial<Pick<Of<M>, 'ink'>>;
type Ends = 'x1' | 'y1' | 'x2' | 'y2';

export type RuleLook = Look<'rule', Ends>;
type Stood = 'along' | 'room' | 'shape';
export type DotLook = Look<'dots', 'points' | 'centre' | Stood> & Partial<Pick<Of<'dots'>, Stood>>;

/** A straight line. */
export const rule = (x1: number, y1: number, x2: number, y2: number, look: RuleLook = {}): Of<'rule'> => ({
  mark: 'rule',
  x1,
  y1,
  x2,
  y2,
  ink: 'ink',
  ...look,
});

/** A value's line across all that is compared. */
export const through = (x: number, look: RuleLook = {}): Of<'rule'> => rule(x, -Infinity, x, Infinity, look);

/** From one value to another, at one place. */
export const span = ({ low, high }: Interval, y: number, look: RuleLook = {}): Of<'rule'> =>
  rule(low, y, high, y, look);

/** A filled rectangle. */
export const bar = (x1: number, y1: number, x2: number, y2: number, look: Look<'bar', Ends> = {}): Of<'bar'> => ({
  mark: 'bar',
  x1,
  y1,
  x2,
  y2,
  ink: 'ink',
  ...look,
});

/** Points about one place, pushed aside within `room` where they would overlap; on one another without any. */
export const dots = (points: readonly Point[], centre: number, look: DotLook): Of<'dots'> => ({
  mark: 'dots',
  along: 'x',
  centre,
  room: 0,
  ink: 'ink',
  shape: 0,
  ...look,
  points: points as Point[],
});

/** One point. */
export const dot = (x: number, y: number, { title, ...look }: DotLook & { title?: string | undefined }): Of<'dots'> =>
  dots([{ at: x, title }], y, look);

/** A line through points; the area they enclose where it has a `fill`. */
export const path = (points: Of<'path'>['points'], look: Look<'path', 'points'> = {}): Of<'path'> => ({
  mark: 'path',
  points,
  ink: 'ink',
  ...look,
});

/** The area between two lines over the same places. */
export const band = (
  at: readonly number[],
  low: readonly number[],
  high: readonly number[],
  look: Look<'path', 'points'>,
): Of<'path'> =>
  path(
    [...at.map((x, k) => [x, nth(high, k)] as const), ...at.map((x, k) => [x, nth(low, k)] as const).reverse()],
    look,
  );

/** Words at a place. */
export const label = (
  text: string,
  x: number,
  y: number,
  look: Omit<Of<'text'>, 'mark' | 'text' | 'x' | 'y'> = {},
): Of<'text'> => ({
  mark: 'text',
  x,
  y,
  text,
  ...look,
});

/** An estimate: a dot upon its interval. @param names what its interval and its dot go by */
export function estimate(
  { at, interval }: { at: number | undefined; interval: Interval | undefined },
  y: number,
  {
    weight = 2.5,
    caps,
    names,
    title,
    ...look
  }: Omit<DotLook, 'name'> &
    Pick<RuleLook, 'weight' | 'caps'> & { names?: readonly [string, string?]; title?: string | undefined },
): Mark[] {
  const [forInterval, forDot] = names ?? [];
  return [
    ...(interval ? [span(interval, y, { ink: look.ink ?? 'ink', weight, caps, name: forInterval })] : []),
    ...(at === undefined ? [] : [dot(at, y, { ...look, title, name: forDot })]),
  ];
}

/** An axis that only places what stands on it. */
export const bare = (from: number, to: number): Axis => ({ domain: [from, to], drawn: false });

/** Places from the top down, one a row; room above the first for its name. */
export const rows = (count: number, below = 0.5): Axis => ({ ...bare(-0.62, count - below), down: true });

/** The whole height as 0 to 1, from the top down. */
export const wholeHeight: Axis = { ...bare(0, 1), down: true };

function stood(mark: Mark): Mark {
  switch (mark.mark) {
    case 'rule':
    case 'bar':
      return { ...mark, x1: mark.y1, y1: mark.x1, x2: mark.y2, y2: mark.x2 };
    case 'dots':
      return { ...mark, along: mark.along === 'x' ? 'y' : 'x' };
    case 'path':
      return { ...mark, points: mark.points.map(([x, y]) => [y, x] as const) };
    case 'text':
      return { ...mark, x: mark.y, y: mark.x };
  }
}

/** The same marks upright: values upwards, what is compared side by side. Words stay level; their shifts stay as they are. */
export const standing = (marks: readonly Mark[]): Mark[] => marks.map(stood);
