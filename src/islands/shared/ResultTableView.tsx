import type { ReactNode } from 'react';
import { type Cell, type ResultTable, type Row, headingOf } from '../../core/words/tables/result-table';
import type { EffectAxis } from '../../core/scenes/effect-axis';
import { EffectLane, LaneEnd, laneWidth } from './EffectLane';
import { GroupMarker } from './GroupMarker';
import { RichText } from './RichText';

/** Headings longer than this are broken. */
const longHeading = 24;

const grounds = { '+': 'bg-primary/15', '−': 'bg-warning/15' } as const;

function CellView({ cell, words, give }: { cell: Cell; words: boolean; give: string }) {
  const { text, told, below, tone } = cell;
  return (
    <td
      className={`${give} ${words ? '!text-left' : ''} ${tone ? `font-semibold ${grounds[tone]}` : ''} ${text === '–' ? 'text-muted' : ''}`}
    >
      {told ? <RichText text={told} /> : text}
      {below && <span className="block text-[13px] font-normal text-muted">{below}</span>}
    </td>
  );
}

const weights = { main: 'font-semibold', total: 'border-t border-line' } as const;

interface Props {
  table: ResultTable;
  /** Which of its rows, in which order; all where none are named. */
  rows?: readonly Row[];
  /** Whether it stands where it may have to be scrolled sideways: then it can be reached by key. */
  scrolls?: boolean;
  /** The head of a row, where it is more than its words. */
  head?: (row: Row, place: number) => ReactNode;
  /** The axis its effects are drawn on, in line with the picture of the page. */
  axis?: EffectAxis | undefined;
}

/** A table of an answer, as a page shows it. */
export function ResultTableView({ table, rows = table.rows, scrolls = false, head, axis: given }: Props) {
  const { columns, title, kind, notes, below } = table;
  const axis = rows.some((r) => r.effect) ? given : undefined;
  const width = columns.length + (axis ? 1 : 0);
  const giving = (i: number): string => (axis && columns[i]?.minor ? 'gives-way' : '');
  return (
    <div
      className="@container relative overflow-x-auto"
      {...(scrolls ? { tabIndex: 0, role: 'group', 'aria-label': title } : {})}
    >
      <table
        className={`figures-table text-[14.5px] ${axis ? 'with-lane' : 'without-lane'}`}
        data-testid={`${kind}-table`}
      >
        <caption className="sr-only">{title}</caption>
        <thead>
          <tr>
            {columns.map((column, i) => (
              <th
                key={i}
                scope="col"
                title={column.hint}
                className={`${giving(i)} ${i > 0 && headingOf(column).length > longHeading ? 'max-w-32 !whitespace-normal' : ''} ${column.words ? '!text-left' : ''}`}
              >
                {headingOf(column) === '' ? (
                  <span className="sr-only">of what</span>
                ) : (
                  <>
                    {column.colour !== undefined && (
                      <span className="mr-1.5 inline-block align-middle">
                        <GroupMarker position={column.colour} />
                      </span>
                    )}
                    <RichText text={column.heading} />
                    {column.unit && ` (${column.unit})`}
                  </>
                )}
              </th>
            ))}
            {axis && (
              <td width={laneWidth} className="lane">
                <LaneEnd axis={axis} end="top" />
              </td>
            )}
          </tr>
        </thead>
        <tbody>
          {rows.flatMap((row, place) => {
            const begins = row.section !== undefined && row.section !== rows[place - 1]?.section;
            return [
              ...(begins
                ? [
                    <tr key={`section ${place}`}>
                      <th scope="rowgroup" colSpan={width} className="pt-2 text-muted">
                        {row.section}
                      </th>
                    </tr>,
                  ]
                : []),
              <tr
                key={place}
                className={`align-top ${row.weight ? weights[row.weight] : ''}`}
                data-testid={`${kind}-row`}
              >
                <th scope="row" className={row.weight === 'main' ? '!font-semibold' : ''}>
                  <span className="inline-flex items-center gap-1.5">
                    {row.colour !== undefined && <GroupMarker position={row.colour} />}
                    {head ? head(row, place) : <RichText text={row.head} />}
                  </span>
                </th>
                {row.reason !== undefined && (
                  <td colSpan={columns.length - 1} className="!text-left !whitespace-normal text-muted">
                    {row.reason}
                  </td>
                )}
                {row.cells.map((cell, j) => (
                  <CellView key={j} cell={cell} words={columns[j + 1]?.words === true} give={giving(j + 1)} />
                ))}
                {axis && (
                  <td className="lane">
                    <EffectLane axis={axis} effect={row.effect} />
                  </td>
                )}
              </tr>,
            ];
          })}
        </tbody>
        {axis && (
          <tfoot>
            <tr>
              {columns.map((_, i) => (
                <td key={i} className={giving(i)} />
              ))}
              <td className="lane">
                <LaneEnd axis={axis} end="bottom" />
              </td>
            </tr>
          </tfoot>
        )}
      </table>
      {[...(below === undefined ? [] : [[below]]), ...notes].map((note, i) => (
        <p key={i} className="max-w-[72ch] pt-1 text-[13px] text-muted">
          <RichText text={note} />
        </p>
      ))}
    </div>
  );
}
