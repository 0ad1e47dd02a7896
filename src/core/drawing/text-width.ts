import { advances } from './advances';

const widthOf = new Map(
  Object.entries(advances).flatMap(([width, letters]) =>
    Array.from(letters).map((x) => [x, Number(width) / 1000] as const),
  ),
);
/** What the bold face runs wider by, at the most. */
const boldFactor = 1.055;
/** Of letters the shipped fonts do not have, another font's: those of the East take a full square. */
const strange = (letter: string): number => (letter > '\u2e80' ? 1.05 : 0.7);

/** How wide a text is set in the sans face, in the unit of `size`. */
export function textWidth(text: string, size: number, bold = false): number {
  let ems = 0;
  for (const letter of text) ems += widthOf.get(letter) ?? strange(letter);
  return ems * size * (bold ? boldFactor : 1);
}

/** Breaks a text into lines no wider than `width`, at spaces where there are any, within a word where a word is longer. */
export function wrapped(text: string, size: number, width: number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(/\s+/)) {
    const joined = line ? `${line} ${word}` : word;
    if (textWidth(joined, size) <= width || line === '') line = joined;
    else {
      lines.push(line);
      line = word;
    }
    while (textWidth(line, size) > width && line.length > 1) {
      let end = line.length - 1;
      while (end > 1 && textWidth(`${line.slice(0, end)}-`, size) > width) end -= 1;
      lines.push(`${line.slice(0, end)}-`);
      line = line.slice(end);
    }
  }
  return [...lines, line];
}

/** A text cut to a width, an ellipsis in place of what is left out. @param least letters it keeps, however narrow the room */
export function shortened(text: string, size: number, width: number, bold = false, least = 4): string {
  if (textWidth(text, size, bold) <= width) return text;
  let end = text.length - 1;
  while (end > least && textWidth(`${text.slice(0, end)}…`, size, bold) > width) end -= 1;
  return `${text.slice(0, end).replace(/[\s([]+$/, '')}…`;
}

/** The words between the two names of a difference, and the sign that stands for them where room is short. */
const [minus, sign] = [' minus ', ' − '];

/** How many letters two names begin with alike, in whole words. */
function begunAlike(a: string, b: string): number {
  let alike = 0;
  while (alike < Math.min(a.length, b.length) && a[alike] === b[alike]) alike += 1;
  return a.lastIndexOf(' ', alike - 1) + 1;
}

/** The name of a difference cut to a width so that both of its groups can still be told, and differ. */
export function shortenedPair(name: string, size: number, width: number, bold = false): string {
  const [a, b, ...more] = name.split(minus);
  if (textWidth(name, size, bold) <= width || a === undefined || b === undefined || more.length > 0)
    return shortened(name, size, width, bold);
  const room = width - textWidth(sign, size, bold);
  const [wide, other] = [textWidth(a, size, bold), textWidth(b, size, bold)];
  // Half of the room each, and what the shorter name leaves of its half to the longer one.
  const first = Math.min(wide, Math.max(room / 2, room - other));
  for (const least of [4, 3, 2, 1]) {
    const sides = [shortened(a, size, first, bold, least), shortened(b, size, room - first, bold, least)];
    const both = sides.join(sign);
    if (textWidth(both, size, bold) > width) continue;
    // Names that begin alike differ further on.
    const alike = sides[0] === sides[1] ? begunAlike(a, b) : 0;
    return alike > 1 ? shortenedPair(`…${a.slice(alike)}${minus}…${b.slice(alike)}`, size, width, bold) : both;
  }
  return shortened(name, size, width, bold);
}
