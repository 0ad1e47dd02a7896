import type { Text } from '../../core/words/text';
import { RichText } from './RichText';

/** A cell: plain words, or text with its statistics marked up. */
type Words = string | Text;

const shown = (words: Words) => (typeof words === 'string' ? words : <RichText text={words} />);

const left = '!text-left !whitespace-normal';

/** A table of texts: its head, and the first cell of each row as that row’s head. */
export function TextTableView({
  head,
  rows,
  notes = [],
  words = [],
  caption,
  captionShown = true,
  size = 'text-[14.5px]',
  testId,
}: {
  head: readonly Words[];
  rows: readonly (readonly Words[])[];
  notes?: readonly string[];
  /** Columns that hold words, set from the left. */
  words?: readonly number[];
  caption?: string;
  captionShown?: boolean;
  size?: string;
  testId?: string;
}) {
  return (
    <table className={`figures-table ${size}`} data-testid={testId}>
      {caption !== undefined && <caption className={captionShown ? 'pb-1 text-left' : 'sr-only'}>{caption}</caption>}
      <thead>
        <tr>
          {head.map((h, i) => (
            <th key={i} scope="col" className={words.includes(i) ? left : ''}>
              {h.length > 0 ? shown(h) : <span className="sr-only">of what</span>}
            </th>
          ))}
        </tr>
      </thead>
      <tbody className="align-baseline">
        {rows.map((row, i) => (
          <tr key={i}>
            {row.map((cell, j) =>
              j === 0 ? (
                <th key={j} scope="row">
                  {shown(cell)}
                </th>
              ) : (
                <td key={j} className={words.includes(j) ? left : ''}>
                  {shown(cell)}
                </td>
              ),
            )}
          </tr>
        ))}
      </tbody>
      {notes.length > 0 && (
        <tfoot className="text-[13px] text-muted">
          {notes.map((note) => (
            <tr key={note}>
              <td colSpan={head.length} className="!text-left !whitespace-normal !pl-0">
                {note}
              </td>
            </tr>
          ))}
        </tfoot>
      )}
    </table>
  );
}
