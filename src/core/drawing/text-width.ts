/**
 * About how wide a text is set in the sans face, in the unit of `size`. Advance widths by class of letter, a little
 * generous, so that nothing laid out with them is ever cut.
 */
export function textWidth(text: string, size: number): number {
  let ems = 0;
  for (const letter of text) {
    if (/[il.,:;'|!jI]/.test(letter)) ems += 0.27;
    else if (/[ frt()[\]/-]/.test(letter)) ems += 0.33;
    else if (/[mwMW@%—]/.test(letter)) ems += 0.84;
    else if (/[A-Z]/.test(letter)) ems += 0.6;
    else if (letter > '\u2e80') ems += 1.05;
    else ems += 0.52;
  }
  return ems * size;
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

/** A text cut to a width, an ellipsis in place of what is left out. */
export function shortened(text: string, size: number, width: number): string {
  if (textWidth(text, size) <= width) return text;
  let end = text.length - 1;
  while (end > 4 && textWidth(`${text.slice(0, end)}…`, size) > width) end -= 1;
  return `${text.slice(0, end)}…`;
}
