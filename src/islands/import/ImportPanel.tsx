import { X } from 'lucide-react';
import { layoutNames } from '../../core/readings/layouts';
import { useCallback, useEffect, useRef, useState } from 'react';
import { areaName } from '../../core/readings/block';
import type { Heads } from '../../core/understanding/heads';
import { type DecimalMark, type Role, type Shape, called, isMeasured, roles, shapes } from '../../core/readings/table';
import { counted } from '../../core/words/numbers';
import { type Delimiter, delimiterName, delimiters } from '../../formats/delimited';
import { type Encoding, encodingName, encodings } from '../../formats/text-encoding';
import { hasLimits } from '../../core/readings/parse-number';
import { Accepted } from '../shared/Accepted';
import { LimitPart } from '../shared/LimitPart';
import type { ImportReply, ImportRequest, LookChoice, Looked } from '../../workers/import-messages';

const headWords: { heads: Omit<Heads, 'skipped'>; words: string }[] = [
  { heads: { names: 1, units: 0 }, words: 'the first row names the columns' },
  { heads: { names: 1, units: 1 }, words: 'the first row names the columns, the second gives units' },
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
  const worker = useRef<Worker>(undefined);
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

  const ask = useCallback((request: ImportRequest) => worker.current?.postMessage(request), []);
  useEffect(() => {
    const own = new Worker(new URL('../../workers/import.worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    own.onmessage = ({ data }: MessageEvent<ImportReply>) => {
      if (data.told === 'progress') return setProgress(data);
      setProgress(undefined);
      if (data.told === 'looked') setLooked(data.looked);
      else if (data.told === 'taken') taken.current(data.study, data.table);
      else setTrouble(data.reason);
    };
    own.onerror = () => {
      setProgress(undefined);
      setTrouble('This file could not be read because of a fault in Divide. Nothing was changed.');
    };
    own.postMessage({ ask: 'open', file, ...how } satisfies ImportRequest);
    return () => own.terminate();
  }, [file, how]);

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
    ask({ ask: 'look', choice: next });
  };
  const take = () => {
    setTrouble('');
    setProgress({ share: 0.1, doing: 'Taking in' });
    const sheet = looked?.sheets[looked.sheet];
    const origin = `taken in from the file ${file.name}${sheet ? `, sheet ${sheet}` : ''}${looked && looked.areas.length > 1 ? `, ${areaName(looked.area)}` : ''}`;
    ask({
      ask: 'take',
      choice,
      study,
      title: name.trim() || stem,
      name: name.trim() || stem,
      origin: origin.slice(0, 500),
    });
  };

  const intake = looked?.intake;
  const columns = intake?.table.columns ?? [];
  const doubtfulAt = new Map(intake?.doubtful.map((d) => [`${d.column} ${d.row}`, d]));
  const limitColumns = new Set(intake?.doubtful.filter((d) => hasLimits([d.text])).map((d) => d.column));
  const firstRow =
    looked && intake ? looked.area.top + intake.heads.skipped + intake.heads.names + intake.heads.units : 0;
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
                <select
                  className="part"
                  aria-label="Sheet"
                  value={looked.sheet}
                  onChange={(e) => change({ sheet: Number(e.target.value) })}
                >
                  {looked.sheets.map((sheet, i) => (
                    <option key={sheet} value={i}>
                      {sheet}
                    </option>
                  ))}
                </select>
              </label>
            )}
            {looked.areas.length > 1 && (
              <label>
                block{' '}
                <select
                  className="part"
                  aria-label="Block"
                  value={areaName(looked.area)}
                  onChange={(e) => {
                    const area = looked.areas.find((a) => areaName(a) === e.target.value);
                    change({ sheet: looked.sheet, ...(area ? { area } : {}) });
                  }}
                >
                  {looked.areas.map((area, i) => (
                    <option key={areaName(area)} value={areaName(area)}>
                      {i === looked.areas.length - 1 ? `everything, ${areaName(area)}` : areaName(area)}
                    </option>
                  ))}
                </select>
              </label>
            )}
            {looked.encoding && (
              <label>
                letters in{' '}
                <select
                  className="part"
                  aria-label="Letters in"
                  value={looked.encoding}
                  onChange={(e) => openAgain({ ...how, encoding: e.target.value as Encoding })}
                >
                  {encodings.map((encoding) => (
                    <option key={encoding} value={encoding}>
                      {encodingName[encoding]}
                    </option>
                  ))}
                </select>
              </label>
            )}
            {looked.delimiter && (
              <label>
                parted by{' '}
                <select
                  className="part"
                  aria-label="Parted by"
                  value={looked.delimiter}
                  onChange={(e) => openAgain({ ...how, delimiter: e.target.value as Delimiter })}
                >
                  {delimiters.map((delimiter) => (
                    <option key={delimiter} value={delimiter}>
                      {delimiterName[delimiter]}
                    </option>
                  ))}
                </select>
              </label>
            )}
            <select
              className="part"
              aria-label="Names of the columns"
              value={headWords.findIndex(
                (h) => h.heads.names === intake.heads.names && h.heads.units === intake.heads.units,
              )}
              onChange={(e) => {
                const heads = headWords[Number(e.target.value)]?.heads;
                if (heads) change({ ...choice, heads: { skipped: intake.heads.skipped, ...heads } });
              }}
            >
              {headWords.map(({ words }, i) => (
                <option key={words} value={i}>
                  {intake.heads.skipped > 0 ? `below ${counted(intake.heads.skipped, 'line')}, ${words}` : words}
                </option>
              ))}
            </select>
            <select
              className="part"
              aria-label="Which way round"
              value={intake.turned ? 'turned' : 'stands'}
              onChange={(e) => change({ ...place(choice), turned: e.target.value === 'turned' })}
            >
              <option value="stands">as it stands</option>
              <option value="turned">rows and columns exchanged</option>
            </select>
            {(intake.times > 1 || choice.gathered === false) && (
              <select
                className="part"
                aria-label="Replicates"
                value={intake.times > 1 ? 'below' : 'beside'}
                onChange={(e) => change({ ...place(choice), gathered: e.target.value === 'below' })}
              >
                <option value="below">replicates below one another</option>
                <option value="beside">replicates beside one another</option>
              </select>
            )}
            <label>
              understood as{' '}
              <select
                className="part"
                aria-label="Layout of the readings"
                value={intake.table.shape}
                onChange={(e) => change({ ...choice, shape: e.target.value as Shape })}
              >
                {shapes.map((shape) => (
                  <option key={shape} value={shape}>
                    {layoutNames[shape]}
                  </option>
                ))}
              </select>
            </label>
          </div>
          {[...looked.notes, ...intake.notes, ...intake.troubles].map((note) => (
            <p key={note} className="text-warning" role="status">
              {note}
            </p>
          ))}
          <div className="flex min-h-0 grow gap-6 py-1 max-[1100px]:flex-col">
            <div
              className="min-w-0 grow overflow-auto border-y border-line"
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
                        <select
                          className="min-h-6 appearance-none bg-transparent text-[13px] text-muted hover:text-primary"
                          aria-label={`Role of ${column.name || `column ${k + 1}`}`}
                          value={column.role}
                          onChange={(e) =>
                            change({ ...choice, roles: { ...choice.roles, [k]: e.target.value as Role } })
                          }
                        >
                          {roles.map((role) => (
                            <option key={role} value={role}>
                              {role}
                            </option>
                          ))}
                        </select>
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
                          <select
                            className="block min-h-6 appearance-none bg-transparent text-[13px] text-muted hover:text-primary"
                            aria-label={`Decimals of ${column.name || `column ${k + 1}`}`}
                            value={column.decimal}
                            onChange={(e) =>
                              change({
                                ...choice,
                                decimals: { ...choice.decimals, [k]: e.target.value as DecimalMark },
                              })
                            }
                          >
                            <option value="auto">decimals by the readings</option>
                            <option value="point">decimals 1.5</option>
                            <option value="comma">decimals 1,5</option>
                          </select>
                        )}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {(columns[0]?.cells ?? []).slice(0, 60).map((_, r) => (
                    <tr key={r} className="border-t border-line/50">
                      <th scope="row" className="pr-3 text-right font-normal text-muted">
                        {firstRow + Math.floor(r / intake.times) + 1}
                      </th>
                      {columns.map((column, k) => {
                        const doubt = doubtfulAt.get(`${k} ${firstRow + Math.floor(r / intake.times) + 1}`);
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
                    {called(columns[d.column], `column ${d.column + 1}`)}, row {d.row}: “{d.text.slice(0, 30)}”{' '}
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
              onClick={take}
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
            <span className="text-muted">Every cell is kept as it is written in the file.</span>
          </p>
        </>
      )}
    </section>
  );
}
