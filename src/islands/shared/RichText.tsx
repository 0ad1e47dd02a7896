import type { Text } from '../../core/words/text';

/** Text with its symbols in italics. */
export const RichText = ({ text }: { text: Text }) => (
  <>{text.map((phrase, i) => (typeof phrase === 'string' ? phrase : <i key={i}>{phrase.symbol}</i>))}</>
);
