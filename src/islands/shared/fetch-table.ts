import { Gathered } from '../../core/readings/gathered';
import { refusedBy } from './api';
import { giveWay } from './give-way';
import type { Table } from '../../core/readings/table';

/** A table as the server keeps it. */
export interface Kept {
  table: Table;
  revision: number;
  canUndo: boolean;
  canRedo: boolean;
}

interface Run {
  column: string;
  from: number;
  cells: string[];
  aside: Record<string, string>;
}

/** Each line of a body as it arrives. */
async function* linesOf(body: ReadableStream<Uint8Array>): AsyncGenerator<string> {
  const reader = body.pipeThrough(new TextDecoderStream() as TransformStream<Uint8Array, string>).getReader();
  let rest = '';
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    const lines = (rest + value).split('\n');
    rest = lines.pop() ?? '';
    yield* lines;
  }
  if (rest !== '') yield rest;
}

/**
 * Fetches a table of any size: it comes in stretches, each taken in while the next is on its way, so that the page is never
 * held up. @throws Refused with the server's words; TypeError when no server answers, or no longer
 */
export async function fetchTable(id: string): Promise<Kept> {
  const response = await fetch(`/api/tables/${id}/runs`);
  if (!response.ok || !response.body) throw await refusedBy(response);
  const lines = linesOf(response.body);
  const first = await lines.next();
  const { runs, ...head } = JSON.parse(first.value as string) as Kept & { runs: number };
  const gathered = new Gathered(head.table);
  let held = performance.now();
  let came = 0;
  for await (const line of lines) {
    const { column, from, cells, aside } = JSON.parse(line) as Run;
    gathered.add(column, from, cells, aside);
    came += 1;
    if (performance.now() - held < 12) continue;
    await giveWay();
    held = performance.now();
  }
  // What ends early is no table.
  if (came !== runs) throw new TypeError('The readings did not arrive whole.');
  return { ...head, table: gathered.table() };
}
