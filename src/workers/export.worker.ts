/** Writes a table out as a file, off the main thread. */
import type { Table } from '../core/readings/table';
import { type ExportChoice, type ExportKind, exported } from '../formats/export-table';

onmessage = (event: MessageEvent<{ table: Table; kind: ExportKind; choice: ExportChoice }>): void => {
  const { table, kind, choice } = event.data;
  exported(table, kind, choice).then(
    (blob) => postMessage({ blob }),
    (error: unknown) => postMessage({ reason: error instanceof Error ? error.message : 'unknown fault' }),
  );
};
