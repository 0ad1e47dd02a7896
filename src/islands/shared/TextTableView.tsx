/** A table of texts: its head, and the first cell of each row as that row’s head. */
export function TextTableView({
  head,
  rows,
  notes = [],
  caption,
  captionShown = true,
  size = 'text-[14.5px]',
  testId,
}: {
  head: readonly string[];
  rows: readonly (readonly string[])[];
  notes?: readonly string[];
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
            <th key={i} scope="col">
              {h || <span className="sr-only">of what</span>}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, i) => (
          <tr key={i}>
            {row.map((cell, j) =>
              j === 0 ? (
                <th key={j} scope="row">
                  {cell}
                </th>
              ) : (
                <td key={j}>{cell}</td>
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
