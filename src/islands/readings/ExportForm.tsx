import type { ExportCalls } from '../../workers/export.worker';
import { type Caller, callerOf } from '../shared/caller';
import { useState } from 'react';
import { layoutNames } from '../../core/readings/layouts';
import { attempt } from '../../core/numeric/domain-error';
import { inShape, reshapeTargets } from '../../core/readings/reshape';
import type { Shape, Table } from '../../core/readings/table';
import { type ExportKind, exportKinds } from '../../formats/export-table';
import { save } from '../shared/save';
import { Choose, ToolForm, asTheyRead } from '../kit/Parts';

const ending: Record<ExportKind, string> = { csv: 'csv', semicolon: 'csv', tsv: 'tsv', xlsx: 'xlsx' };

/** Takes the table out as a file, as it is shown or in another layout. */
export default function ExportForm({ table, onClose }: { table: Table; onClose: () => void }) {
  const [kind, setKind] = useState<ExportKind>('csv');
  const [shape, setShape] = useState<Shape>(table.shape);
  const [withoutAside, setWithoutAside] = useState(false);
  const [said, setSaid] = useState('');
  const [running, setRunning] = useState<Caller<ExportCalls>>();
  const aside = table.columns.some((c) => Object.keys(c.aside).length > 0);

  const run = () => {
    const shaped = attempt(() => (shape === table.shape ? table : inShape(table, shape)));
    if (!shaped.ok) return setSaid(shaped.reason);
    setSaid('Writing …');
    const end = (words: string) => {
      caller.end();
      setRunning(undefined);
      setSaid(words);
    };
    const caller = callerOf<ExportCalls>(
      new Worker(new URL('../../workers/export.worker.ts', import.meta.url), { type: 'module' }),
      () => end('It could not be written because of a fault in Divide.'),
    );
    setRunning(caller);
    caller.calls.exported(shaped.value, kind, { withoutAside }).then(
      (blob) => {
        const name = `${(table.name || 'readings').replace(/[\\/:*?"<>|]/g, '-')}.${ending[kind]}`;
        save(blob, name);
        end(`Saved as ${name}.`);
      },
      (error: unknown) => end(`It could not be written: ${error instanceof Error ? error.message : 'unknown fault'}`),
    );
  };
  return (
    <ToolForm
      onDo={() => {
        run();
      }}
      onClose={onClose}
    >
      Export the table as <Choose label="Kind of file" value={kind} options={exportKinds} onChange={setKind} />{' '}
      <Choose
        label="Layout of the file"
        value={shape}
        options={[[table.shape, 'as it is shown'], ...asTheyRead(reshapeTargets(table), (s) => `as ${layoutNames[s]}`)]}
        onChange={setShape}
      />
      {aside && (
        <label className="inline-flex items-center gap-1.5">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={withoutAside}
            onChange={(e) => setWithoutAside(e.target.checked)}
          />
          without what is set aside
        </label>
      )}
      <button type="submit" className="plain-button" disabled={running !== undefined}>
        Save the file
      </button>
      <button
        type="button"
        className="plain-button"
        onClick={() => {
          running?.end();
          onClose();
        }}
      >
        {running ? 'Stop' : 'Done'}
      </button>
      <span role="status">{said}</span>
    </ToolForm>
  );
}
