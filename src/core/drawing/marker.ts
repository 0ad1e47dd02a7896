/** There are as many markers as group colours. */
const markers = 8;

/**
 * The marker of a group by its place. Past the eighth group the colours come again, each with another marker, so that
 * sixty-four groups look unlike.
 */
export const markerOf = (place: number): number => (place + 3 * Math.floor(place / markers)) % markers;
