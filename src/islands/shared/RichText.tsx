import { type Text, unbroken } from '../../core/words/text';

/** Text with its symbols in italics; what belongs together is not parted by the end of a line. */
export const RichText = ({ text }: { text: Text }) => (
  <>{text.map((phrase, i) => (typeof phrase === 'string' ? unbroken(phrase) : <i key={i}>{phrase.symbol}</i>))}</>
);
