/** Confidence levels offered by name; any other can be typed. */
export const usualLevels: readonly number[] = [0.8, 0.9, 0.95, 0.99];
