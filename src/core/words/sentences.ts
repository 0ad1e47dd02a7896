export const sentenceCase = (raw: string): string => raw.charAt(0).toUpperCase() + raw.slice(1);
export const unitAfter = (unit: string): string => (unit ? ` ${unit}` : '');

/** "3.4 mm": a value with its unit. */
export const valued = (shown: string, unit: string): string => (unit ? `${shown} ${unit}` : shown);

/** Names as a list: "a, b and c". */
export const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;
