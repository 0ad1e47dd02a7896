import type { Text } from '../../core/words/text';

/** A relation after a symbol is not parted from it by the end of a line: "p" here, "= 0.46" there. */
const held = (phrase: string): string => phrase.replace(/^ ([=<>]) /, '\u00a0$1\u00a0');

/** Text with its symbols in italics. */
export const RichText = ({ text }: { text: Text }) => (
  <>{text.map((phrase, i) => (typeof phrase === 'string' ? held(phrase) : <i key={i}>{phrase.symbol}</i>))}</>
);
