import type { Text } from '../../core/words/text';

/** What belongs together is not parted by the end of a line: "p" from "= 0.46", "95" from "%". */
const held = (phrase: string): string => phrase.replace(/^ ([=<>]) /, '\u00a0$1\u00a0').replace(/(\d) %/g, '$1\u00a0%');

/** Text with its symbols in italics. */
export const RichText = ({ text }: { text: Text }) => (
  <>{text.map((phrase, i) => (typeof phrase === 'string' ? held(phrase) : <i key={i}>{phrase.symbol}</i>))}</>
);
