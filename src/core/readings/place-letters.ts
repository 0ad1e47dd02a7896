/** The place of a column, a row of a plate or a hidden group in letters, counted from 0: A, B … Z, AA, AB … */
export const placeLetters = (place: number): string =>
  (place >= 26 ? placeLetters(Math.floor(place / 26) - 1) : '') + String.fromCharCode(65 + (place % 26));
