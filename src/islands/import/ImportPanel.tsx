import { X } from 'lucide-react';
import { layoutNames } from '../../core/readings/layouts';
import { useCallback, useEffect, useRef, useState } from 'react';
import { areaName } from '../../core/readings/block';
import type { Heads } from '../../core/understanding/heads';
import { called, isMeasured, roles, shapes } from '../../core/readings/table';
import { counted } from '../../core/words/numbers';
import { type Delimiter, delimiterName, delimiters } from '../../formats/delimited';
import { type Encoding, encodingName, encodings } from '../../formats/text-encoding';
import { hasLimits } from '../../core/readings/parse-number';
import { Accepted } from '../kit/Accepted';
import { LimitPart } from '../shared/LimitPart';
import type { ImportCalls } from '../../workers/import.worker';
import type { LookChoice, Looked } from '../../workers/looked';
import type { Outcome } from '../../core/numeric/domain-error';
import { type Caller, callerOf } from '../shared/caller';
import { proxy } from 'comlink';
import { Choose, asTheyRead } from '../kit/Parts';

const headWords: { heads: Omit<Heads, 'skipped'>; words: string }[] = [
  { heads: { names: 1, units: 0 }, words: 'the first row names the columns' },
  { heads: { names: 1, units: 1 }, words: 'the first row names the columns, the second gives units' },
  { heads: { names: 2, units: 0 }, words: 'the first two rows name the columns' },
  { heads: { names: 0, units: 0 }, words: 'no row names the columns' },
];

/** Of what was chosen, where in the file to look: what is understood there is found anew. */
const place = ({ sheet, area }: LookChoice): LookChoice => ({
  ...(sheet === undefined ? {} : { sheet }),
  ...(area ? { area } : {}),
});

interface Props {
  file: File;
  /** The study that takes the readings in; undefined starts a new one. */
  study: string | undefined;
  onTaken: (study: string, table: string) => void;
  onLeave: () => void;
}

/** What was understood of a file, with each doubtful cell named, before anything is taken in. */
export default function ImportPanel({ file, study, onTaken, onLeave }: Props) {
  const caller = useRef<Caller<ImportCalls>>(undefined);
  const [looked, setLooked] = useState<Looked>();
  const [choice, setChoice] = useState<LookChoice>({});
  const [progress, setProgress] = useState<{ share: number; doing: string } | undefined>({
    share: 0,
    doing: 'Reading',
  });
  const [trouble, setTrouble] = useState('');
  const [how, setHow] = useState<{ encoding?: Encoding; delimiter?: Delimiter }>({});
  const stem = file.name.replace(/\.[^.]*$/, '') || 'Readings';
  const [name, setName] = useState(stem.slice(0, 200));
  const taken = useRef(onTaken);
  useEffect(() => {
    taken.current = onTaken;
  });

  /** Takes in what the worker found, or says why there is nothing. */
  const settle = useCallback((found: Outcome<Looked>): void => {
    setProgress(undefined);
    if (found.ok) setLooked(found.value);
    else setTrouble(found.reason);
  }, []);
  useEffect(() => {
    const own = callerOf<ImportCalls>(
      new Worker(new URL('../../workers/import.worker.ts', import.meta.url), { type: 'module' }),
      () => {
        setProgress(undefined);
        setTrouble('This file could not be read because of a fault in Divide. Nothing was changed.');
      },
    );
    caller.current = own;
    const tell = proxy((share: number) => setProgress({ share, doing: 'Reading' }));
    void own.calls.open(file, how, tell).then(settle);
    return own.end;
  }, [file, how, settle]);

  /** Opens the file again, with its letters or columns read in another way. */
  const openAgain = (next: { encoding?: Encoding; delimiter?: Delimiter }) => {
    setTrouble('');
    setChoice({});
    setProgress({ share: 0, doing: 'Reading' });
    setHow(next);
  };
  const change = (next: LookChoice) => {
    setTrouble('');
    setChoice(next);
    void caller.current?.calls.look(next).then(settle);
  };
  const take = async () => {
    setTrouble('');
    setProgress({ share: 0.5, doing: 'Taking in' });
    const sheet = looked?.sheets[looked.sheet];
    const origin = `taken in from the file ${file.name}${sheet ? `, sheet ${sheet}` : ''}${looked && looked.areas.length > 1 ? `, ${areaName(looked.area)}` : ''}`;
    const found = await caller.current?.calls.take(choice, study, name.trim() || stem, origin.slice(0, 500));
    setProgress(undefined);
    if (found?.ok) taken.current(found.value.study, found.value.table);
    else if (found) setTrouble(found.reason);
  };

  const intake = looked?.intake;
  const columns = intake?.table.columns ?? [];
  const doubtfulAt = new Map(intake?.doubtful.map((d) => [`${d.column} ${d.row}`, d]));
  const limitColumns = new Set(intake?.doubtful.filter((d) => hasLimits([d.text])).map((d) => d.column));
  return (
    <section
      aria-label={`Taking in ${file.name}`}
      className="flex min-h-0 grow flex-col border-t border-line py-2 text-sm"
    >
      <p className="flex items-baseline gap-x-3">
        <span className="prose-serif text-[17px]">
          From <b className="font-semibold">{file.name}</b>
          {intake && `: ${counted(intake.table.rowCount, 'row')} of ${counted(columns.length, 'column')}`}
        </span>
        <span className="grow" />
        <button type="button" className="plain-button" onClick={onLeave}>
          <X size={15} aria-hidden /> Cancel
        </button>
      </p>
      {progress && (
        <p className="flex items-center gap-3 py-1" role="status">
          {progress.doing} …
          <progress className="progress w-56 progress-primary" value={progress.share} max={1} />
          <button type="button" className="plain-button" onClick={onLeave}>
            Stop
          </button>
        </p>
      )}
      {trouble && (
        <p role="alert" className="border-l-4 border-warning bg-base-200 px-3 py-1.5">
          {trouble}
        </p>
      )}
      {looked && intake && (
        <>
          <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 py-1">
            {looked.sheets.length > 1 && (
              <label>
                sheet{' '}
                <Choose
                  label="Sheet"
                  value={looked.sheet}
                  options={looked.sheets.map((sheet, i) => [i, sheet])}
                  onChange={(sheet) => change({ sheet })}
                />
              </label>
            )}
            {looked.areas.length > 1 && (
              <label>
                block{' '}
                <Choose
                  label="Block"
                  value={areaName(looked.area)}
                  options={looked.areas.map((area, i): [string, string] => [
                    areaName(area),
                    i === looked.areas.length - 1 ? `everything, ${areaName(area)}` : areaName(area),
                  ])}
                  onChange={(name) => {
                    const area = looked.areas.find((a) => areaName(a) === name);
                    change({ sheet: looked.sheet, ...(area ? { area } : {}) });
                  }}
                />
              </label>
            )}
            {looked.encoding && (
              <label>
                letters in{' '}
                <Choose
                  label="Letters in"
                  value={looked.encoding}
                  options={asTheyRead(encodings, (encoding) => encodingName[encoding])}
                  onChange={(encoding) => openAgain({ ...how, encoding })}
                />
              </label>
            )}
            {looked.delimiter && (
              <label>
                parted by{' '}
                <Choose
                  label="Parted by"
                  value={looked.delimiter}
                  options={asTheyRead(delimiters, (delimiter) => delimiterName[delimiter])}
                  onChange={(delimiter) => openAgain({ ...how, delimiter })}
                />
              </label>
            )}
            <Choose
              label="Names of the columns"
              value={headWords.findIndex(
                (h) => h.heads.names === intake.heads.names && h.heads.units === intake.heads.units,
              )}
              options={headWords.map(({ words }, i) => [
                i,
                intake.heads.skipped > 0 ? `below ${counted(intake.heads.skipped, 'line')}, ${words}` : words,
              ])}
              onChange={(i) => {
                const heads = headWords[i]?.heads;
                if (heads) change({ ...choice, heads: { skipped: intake.heads.skipped, ...heads } });
              }}
            />
            <Choose
              label="Which way round"
              value={intake.turned ? 'turned' : 'stands'}
              options={{ stands: 'as it stands', turned: 'rows and columns exchanged' }}
              onChange={(way) => change({ ...place(choice), turned: way === 'turned' })}
            />
            {(intake.arranged || choice.arranged === false) && (
              <Choose
                label="Arrangement"
                value={intake.arranged ? 'rows' : 'stood'}
                options={{ rows: 'readings put into rows', stood: 'readings left where they stood' }}
                onChange={(way) => change({ ...place(choice), arranged: way === 'rows' })}
              />
            )}
            <label>
              understood as{' '}
              <Choose
                label="Layout of the readings"
                value={intake.table.shape}
                options={asTheyRead(shapes, (shape) => layoutNames[shape])}
                onChange={(shape) => change({ ...choice, shape })}
              />
            </label>
          </div>
          {[...looked.notes, ...intake.notes, ...intake.troubles].map((note) => (
            <p key={note} className="text-warning" role="status">
              {note}
            </p>
          ))}
          <div className="flex min-h-0 grow gap-6 py-1 max-[1100px]:flex-col">
            <div
              className="max-h-full min-w-0 overflow-auto border-y border-line max-[1100px]:grow min-[1100px]:self-start"
              tabIndex={0}
              role="region"
              aria-label="The first rows"
            >
              <table className="w-max border-collapse">
                <thead className="sticky top-0 bg-base-100">
                  <tr>
                    <th scope="col" className="w-12">
                      <span className="sr-only">Row</span>
                    </th>
                    {columns.map((column, k) => (
                      <th
                        key={column.id}
                        scope="col"
                        className="border-r border-line px-2 pt-1 text-left align-top font-normal"
                      >
                        <span className="block max-w-44 truncate font-semibold">
                          {column.name || <span className="text-muted">no name</span>}
                        </span>
                        <Choose
                          className="min-h-6 appearance-none bg-transparent text-[13px] text-muted hover:text-primary"
                          label={`Role of ${column.name || `column ${k + 1}`}`}
                          value={column.role}
                          options={asTheyRead(roles)}
                          onChange={(role) => change({ ...choice, roles: { ...choice.roles, [k]: role } })}
                        />
                        {isMeasured(column.role) && (
                          <Accepted
                            className="ml-3 min-h-6 w-14 bg-transparent text-[13px] text-muted placeholder:text-muted"
                            aria-label={`Unit of ${column.name || `column ${k + 1}`}`}
                            placeholder="unit"
                            value={column.unit}
                            maxLength={40}
                            onAccept={(unit) => change({ ...choice, units: { ...choice.units, [k]: unit } })}
                          />
                        )}
                        {isMeasured(column.role) && (
                          <Choose
                            className="block min-h-6 appearance-none bg-transparent text-[13px] text-muted hover:text-primary"
                            label={`Decimals of ${column.name || `column ${k + 1}`}`}
                            value={column.decimal}
                            options={{
                              auto: 'decimals by the readings',
                              point: 'decimals 1.5',
                              comma: 'decimals 1,5',
                            }}
                            onChange={(decimal) =>
                              change({ ...choice, decimals: { ...choice.decimals, [k]: decimal } })
                            }
                          />
                        )}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {columns[0]?.cells.map((_, r) => (
                    <tr key={r} className="border-t border-line/50">
                      <th scope="row" className="pr-3 text-right font-normal text-muted">
                        {r + 1}
                      </th>
                      {columns.map((column, k) => {
                        const doubt = doubtfulAt.get(`${k} ${r}`);
                        return (
                          <td
                            key={column.id}
                            className={`max-w-56 truncate border-r border-line/50 px-2 ${doubt ? 'text-warning' : ''}`}
                            title={doubt ? `${doubt.became ?? ''} ${doubt.why}` : undefined}
                          >
                            {column.cells[r]}
                            {doubt?.became !== undefined && <span className="text-muted"> → {doubt.became}</span>}
                          </td>
                        );
                      })}
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
            <div
              className="w-72 shrink-0 overflow-auto max-[1100px]:w-full"
              tabIndex={0}
              role="region"
              aria-label="Doubtful cells"
            >
              {looked.unclear.length > 0 && (
                <>
                  <h2 className="part-of-page">Unclear</h2>
                  <ul className="mb-3 space-y-1">
                    {looked.unclear.map((text) => (
                      <li key={text}>{text}</li>
                    ))}
                  </ul>
                </>
              )}
              <h2 className="part-of-page">
                {intake.doubts === 0 ? 'No cell is unclear' : `${counted(intake.doubts, 'cell')} unclear`}
              </h2>
              <ul className="space-y-0.5">
                {intake.doubtful.slice(0, 200).map((d) => (
                  <li key={`${d.column} ${d.row}`}>
                    {called(columns[d.column], `column ${d.column + 1}`)}, row {d.row + 1}: “{d.text.slice(0, 30)}”{' '}
                    {d.became === undefined ? d.why : <>→ {d.became}</>}
                  </li>
                ))}
              </ul>
              {columns.map(
                (column, k) =>
                  limitColumns.has(k) && (
                    <p key={column.id} className="pt-1">
                      Cells of {called(column, `column ${k + 1}`)} beyond a limit{' '}
                      <LimitPart
                        label={`What cells beyond a limit count as in ${called(column, `column ${k + 1}`)}`}
                        value={choice.limits?.[k] ?? 'leave'}
                        onChange={(rule) => change({ ...choice, limits: { ...choice.limits, [k]: rule } })}
                      />
                    </p>
                  ),
              )}
              {intake.doubts > 200 && <p>and {intake.doubts - Math.min(200, intake.doubtful.length)} more.</p>}
            </div>
          </div>
          <p className="flex flex-wrap items-baseline gap-x-4 border-t border-line pt-2">
            <button
              type="button"
              className="plain-button text-[15px] font-semibold"
              disabled={progress !== undefined || intake.troubles.length > 0}
              onClick={() => void take()}
            >
              Import
            </button>
            <label>
              {study === undefined ? 'as a study called ' : 'as a table called '}
              <input
                className="part min-w-40"
                aria-label={study === undefined ? 'Title of the study' : 'What to call the table'}
                value={name}
                maxLength={200}
                onChange={(e) => setName(e.target.value)}
              />
            </label>
            {intake.notes.length === 0 && (
              <span className="text-muted">Every cell is kept as it is written in the file.</span>
            )}
          </p>
        </>
      )}
    </section>
  );
}
