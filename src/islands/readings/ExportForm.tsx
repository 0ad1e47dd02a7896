import { useState } from 'react';
import { layoutNames } from '../../core/readings/layouts';
import { attempt } from '../../core/numeric/domain-error';
import { inShape, reshapeTargets } from '../../core/readings/reshape';
import type { Shape, Table } from '../../core/readings/table';
import { type ExportKind, exportKinds } from '../../formats/export-table';
import { save } from '../shared/save';
import { ToolForm } from '../shared/Parts';

const ending: Record<ExportKind, string> = { csv: 'csv', semicolon: 'csv', tsv: 'tsv', xlsx: 'xlsx' };

/** Takes the table out as a file, as it is shown or in another layout. */
export default function ExportForm({ table, onClose }: { table: Table; onClose: () => void }) {
  const [kind, setKind] = useState<ExportKind>('csv');
  const [shape, setShape] = useState<Shape>(table.shape);
  const [withoutAside, setWithoutAside] = useState(false);
  const [said, setSaid] = useState('');
  const [running, setRunning] = useState<Worker>();
  const aside = table.columns.some((c) => Object.keys(c.aside).length > 0);

  const run = () => {
    const shaped = attempt(() => (shape === table.shape ? table : inShape(table, shape)));
    if (!shaped.ok) return setSaid(shaped.reason);
    setSaid('Writing …');
    const worker = new Worker(new URL('../../workers/export.worker.ts', import.meta.url), { type: 'module' });
    setRunning(worker);
    const end = (words: string) => {
      worker.terminate();
      setRunning(undefined);
      setSaid(words);
    };
    worker.onmessage = (event: MessageEvent<{ blob?: Blob; reason?: string }>) => {
      const name = `${(table.name || 'readings').replace(/[\\/:*?"<>|]/g, '-')}.${ending[kind]}`;
      if (event.data.blob) save(event.data.blob, name);
      end(event.data.blob ? `Saved as ${name}.` : `It could not be written: ${event.data.reason ?? ''}`);
    };
    worker.onerror = () => end('It could not be written because of a fault in Divide.');
    worker.postMessage({ table: shaped.value, kind, choice: { withoutAside } });
  };
  return (
    <ToolForm
      onDo={() => {
        run();
      }}
      onClose={onClose}
    >
      Export the table as{' '}
      <select
        className="part"
        aria-label="Kind of file"
        value={kind}
        onChange={(e) => setKind(e.target.value as ExportKind)}
      >
        {Object.entries(exportKinds).map(([k, words]) => (
          <option key={k} value={k}>
            {words}
          </option>
        ))}
      </select>
      <select
        className="part"
        aria-label="Layout of the file"
        value={shape}
        onChange={(e) => setShape(e.target.value as Shape)}
      >
        <option value={table.shape}>as it is shown</option>
        {reshapeTargets(table).map((s) => (
          <option key={s} value={s}>
            as {layoutNames[s]}
          </option>
        ))}
      </select>
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
          running?.terminate();
          onClose();
        }}
      >
        {running ? 'Stop' : 'Done'}
      </button>
      <span role="status">{said}</span>
    </ToolForm>
  );
}
