/** The title of an axis: its lines, and the room they take below one. */
import type { Panel } from './scene';
import { shortened, wrapped } from './text-width';

const mostLines = 3;

/** How far below an axis its title stands, and how far apart its lines are, in sizes of its letters. */
export const titleDrop = 2.75;
export const titleLeading = 1.15;

/** The lines of an axis' title; of one too long for them, as much as there is room for. */
export function titleLines(title: string, size: number, width: number): string[] {
  const lines = wrapped(title, size, width);
  if (lines.length <= mostLines) return lines;
  const rest = lines.slice(mostLines - 1).join(' ');
  return [...lines.slice(0, mostLines - 1), shortened(rest, size, width)];
}

/** Height that ticks and titles take below the plots of panels side by side. */
export function roomBelow(panels: readonly Panel[], size: number): number {
  const lines = panels.map(({ x, width }) => (x.title ? titleLines(x.title, size, width).length : 1));
  return size * (titleDrop + 0.95 + titleLeading * (Math.max(1, ...lines) - 1));
}
