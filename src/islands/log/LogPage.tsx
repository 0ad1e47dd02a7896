import { useState } from 'react';
import { counted } from '../../core/words/numbers';
import { inWords, send } from '../shared/api';
import { Choose, Fill } from '../kit/Parts';
import { RemovedTables } from './RemovedTables';

/** A line of the log, as the server tells it. */
interface Line {
  line: number;
  at: string;
  by: string;
  kind: 'readings' | 'question' | 'figure' | 'write-up' | 'study';
  where: string;
  href?: string;
  words: string;
  undone: boolean;
  left: boolean;
}

interface Props {
  study: string;
  title: string;
  lines: Line[];
  removed: { id: string; name: string; at: string }[];
  /** Whether the study has no table left. */
  bare: boolean;
}

const kinds = {
  all: 'everything',
  readings: 'readings',
  question: 'questions',
  figure: 'figures',
  'write-up': 'the write-up',
  study: 'the study itself',
} as const;
type Kind = keyof typeof kinds;

/** Lines shown at once. */
const most = 500;

/** A moment by this computer's clock: 2026-01-31 14:05:12. */
const when = (iso: string): string => new Date(iso).toLocaleString('sv-SE');

/** The zone of that clock now: "UTC+01:00". */
const zone = (): string =>
  new Intl.DateTimeFormat('en', { timeZoneName: 'longOffset' })
    .formatToParts()
    .find((part) => part.type === 'timeZoneName')
    ?.value.replace('GMT', 'UTC') ?? '';

/** What was done in a study, and when; filtered by what and by words, and gone back to. The filter is in the address. */
export function LogPage({ study, title, lines, removed, bare }: Props) {
  const [query] = useState(() => new URLSearchParams(window.location.search));
  const [kind, setKind] = useState<Kind>(() => {
    const asked = query.get('of') ?? 'all';
    return asked in kinds ? (asked as Kind) : 'all';
  });
  const [find, setFind] = useState(query.get('find') ?? '');
  const [chosen, setChosen] = useState<Line>();
  const [trouble, setTrouble] = useState('');
  const narrow = (next: { kind?: Kind; find?: string }) => {
    const all = { kind, find, ...next };
    setKind(all.kind);
    setFind(all.find);
    const address = new URLSearchParams({
      ...(all.kind === 'all' ? {} : { of: all.kind }),
      ...(all.find ? { find: all.find } : {}),
    }).toString();
    window.history.replaceState(null, '', address ? `?${address}` : window.location.pathname);
  };
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = lines.filter(
    (line) =>
      (kind === 'all' || line.kind === kind) &&
      words.every((w) => `${line.where} ${line.words} ${line.by}`.toLowerCase().includes(w)),
  );
  const goBack = (line: Line) => {
    setTrouble('');
    send('POST', `/api/studies/${study}/restore-to`, { line: line.line }).then(
      () => window.location.reload(),
      (error: unknown) => setTrouble(inWords(error)),
    );
  };
  const later = chosen ? lines.filter((l) => l.line > chosen.line && !l.undone && !l.left).length : 0;
  return (
    <div className="px-6 py-4">
      <h1 className="prose-serif text-[23px]">
        What was done <span className="print-only">in “{title}”</span>
      </h1>
      <p className="text-sm text-muted">
        The newest first; times are local ({zone()}). What was taken back is struck through, what was gone back from is
        marked.{' '}
        <span className="not-print">
          Show <Choose label="Show" value={kind} options={kinds} onChange={(next) => narrow({ kind: next })} /> with{' '}
          <Fill
            label="With the words"
            value={find}
            placeholder="any words"
            numeric={false}
            onChange={(next) => narrow({ find: next })}
          />
        </span>
      </p>
      <RemovedTables study={study} removed={removed} bare={bare} />
      {trouble && (
        <p role="alert" className="mt-2 text-error">
          {trouble}
        </p>
      )}
      <div className="overflow-x-auto">
        <table className="mt-3 w-full max-w-5xl border-collapse text-sm">
          <thead>
            <tr className="border-b border-line text-left text-muted">
              <th scope="col" className="py-1 pr-4 text-right font-medium">
                Line
              </th>
              <th scope="col" className="py-1 pr-4 font-medium">
                When
              </th>
              <th scope="col" className="py-1 pr-4 font-medium">
                Who
              </th>
              <th scope="col" className="py-1 pr-4 font-medium">
                Where
              </th>
              <th scope="col" className="py-1 pr-4 font-medium">
                What
              </th>
              <th scope="col" className="not-print py-1 font-medium">
                <span className="sr-only">Back to there</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.slice(0, most).map((line) => (
              <tr key={line.line} className="border-b border-line/50 align-top">
                <td className="py-1 pr-4 text-right text-muted tabular-nums">{line.line}</td>
                <td className="py-1 pr-4 whitespace-nowrap">{when(line.at)}</td>
                <td className="py-1 pr-4">{line.by}</td>
                <td className="max-w-52 py-1 pr-4 [overflow-wrap:anywhere]">
                  {line.href ? (
                    <a href={line.href} className="plain-button">
                      {line.where}
                    </a>
                  ) : (
                    <span className="text-muted">{line.where}</span>
                  )}
                </td>
                <td className="py-1 pr-4 [overflow-wrap:anywhere]">
                  {line.undone ? <s className="text-muted">{line.words}</s> : line.words}
                  {line.left && <span className="text-muted"> · gone back from</span>}
                </td>
                <td className="not-print py-1 whitespace-nowrap">
                  {chosen === line ? (
                    <span role="status">
                      {later === 0 ? (
                        'Nothing was done after this.'
                      ) : (
                        <>
                          This takes back {counted(later, 'later change')}; the log keeps {later === 1 ? 'it' : 'them'}.{' '}
                          <button type="button" className="plain-button" onClick={() => goBack(line)}>
                            Go back
                          </button>{' '}
                          <button type="button" className="plain-button" onClick={() => setChosen(undefined)}>
                            Cancel
                          </button>
                        </>
                      )}
                    </span>
                  ) : (
                    <button type="button" className="plain-button" onClick={() => setChosen(line)}>
                      Back to just after this
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {shown.length === 0 && <p className="mt-3 text-muted">Nothing in the log fits this.</p>}
      {shown.length > most && (
        <p className="text-sm text-muted">{counted(shown.length - most, 'older change')} not shown.</p>
      )}
    </div>
  );
}
