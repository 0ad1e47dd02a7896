import type { Ink } from './scene';

/** There are as many markers as group colours. */
const markers = 8;

/**
 * The marker of a group by its place. Past the eighth group the colours come again, each with another marker, so that
 * sixty-four groups look unlike.
 */
export const markerOf = (place: number): number => (place + 3 * Math.floor(place / markers)) % markers;

/** What is drawn of a group: in its colour, and with the marker of its place unless it was given another. */
export const groupLook = ({
  colour,
  marker = colour,
}: {
  colour: number;
  marker?: number;
}): { ink: Ink; shape: number } => ({
  ink: { group: colour },
  shape: marker,
});

const glyphs = ['●', '◆', '▼', '■', 'Y', '▲', '✚', '★'] as const;

/** The marker as a letter, to stand in a line of text. */
export const glyphOf = (shape: number): string => glyphs[markerOf(shape)] ?? '●';
