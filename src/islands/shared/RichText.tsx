import { type Text, unbroken } from '../../core/words/text';

/** A short compound, as "two-sided", which no line ends within. */
const compound = /(?<![^\s(])([\p{L}\d]{1,8}-\p{L}{1,8})(?![^\s,;:.)])/u;

const held = (phrase: string) =>
  unbroken(phrase)
    .split(compound)
    .map((part, i) =>
      i % 2 === 0 ? (
        part
      ) : (
        <span key={i} className="whitespace-nowrap">
          {part}
        </span>
      ),
    );

/** Text with its symbols in italics; what belongs together is not parted by the end of a line. */
export const RichText = ({ text }: { text: Text }) => (
  <>{text.map((phrase, i) => (typeof phrase === 'string' ? held(phrase) : <i key={i}>{phrase.symbol}</i>))}</>
);
