/** Text with marked-up symbols: statistics are set in italics, everything else as it is. */
export type Phrase = string | { symbol: string };
export type Text = Phrase[];

/** A statistic's letter, to be set in italics. */
export const symbol = (letter: string): Phrase => ({ symbol: letter });

/** Puts a phrase at the end; plain words that meet become one. */
function append(to: Text, phrase: Phrase): void {
  const last = to.at(-1);
  if (typeof phrase === 'string' && typeof last === 'string') to[to.length - 1] = last + phrase;
  else if (phrase !== '') to.push(phrase);
}

/** Builds a text from a template; phrases and whole texts may be put in. */
export function text(strings: TemplateStringsArray, ...parts: (Phrase | number | Text)[]): Text {
  const out: Text = [];
  strings.forEach((piece, i) => {
    append(out, piece);
    const part = parts[i] ?? '';
    for (const phrase of Array.isArray(part) ? part : [part])
      append(out, typeof phrase === 'number' ? String(phrase) : phrase);
  });
  return out;
}

/** Texts one after the other, with a mark between. */
export const joined = (parts: readonly Text[], mark: string): Text =>
  parts.flatMap((part, i): Text => (i === 0 ? part : [mark, ...part]));

/** The same without mark-up. */
export const plain = (phrases: Text): string => phrases.map((p) => (typeof p === 'string' ? p : p.symbol)).join('');

const escaped = (raw: string): string =>
  raw.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/** The same as HTML, symbols in <i>. */
export const html = (phrases: Text): string =>
  phrases.map((p) => (typeof p === 'string' ? escaped(p) : `<i>${escaped(p.symbol)}</i>`)).join('');

const hard = '\u00a0';

/**
 * The same with what belongs together held on one line: "p" and "= 0.46", "95" and "%", a number and its unit.
 * @param unit of what is told, where it is known
 */
export function unbroken(words: string, unit = ''): string {
  const held = words
    .replace(/(^| )([=<>≈]) (?=[\d−])/g, (_, before: string, sign: string) => `${before && hard}${sign}${hard}`)
    .replace(/(\d) %/g, `$1${hard}%`);
  if (unit === '') return held;
  return held.replaceAll(
    new RegExp(`(\\d) (?=${unit.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}\\d]))`, 'gu'),
    `$1${hard}`,
  );
}

/** Phrases held in the same way; a symbol keeps to what follows it. */
export const unbrokenText = (phrases: Text, unit?: string): Text =>
  phrases.map((p) => (typeof p === 'string' ? unbroken(p, unit) : p));

/** The same with every space one at which a line may end: for comparing. */
export const loosely = (words: string): string => words.replaceAll(hard, ' ');
