import { Gathered } from '../core/readings/gathered';
import type { Db } from '../store/open';
import { keptRuns, readKeptHead, rememberTable } from '../store/read-table';

/** Runs passed on in one turn, so that nobody else waits for more than a few milliseconds. */
const runsATurn = 64;

/**
 * A table as lines of JSON, from one moment: its head as `readTable` gives it with the number of lines to come, then its cells stretch by stretch, passed on
 * as they are kept. It is put together here as well, so that the first edit of it need not read it again.
 * @throws NotFound
 */
export function tableStream(db: Db, id: string): ReadableStream<Uint8Array> {
  const head = readKeptHead(db, id);
  const runs = keptRuns(db, id);
  const gathered = new Gathered(head.table);
  const encoder = new TextEncoder();
  let at = 0;
  return new ReadableStream({
    start: (controller) => {
      controller.enqueue(encoder.encode(`${JSON.stringify({ ...head, runs: runs.length })}\n`));
    },
    pull: async (controller) => {
      await new Promise((resolve) => setImmediate(resolve));
      const some = runs.slice(at, at + runsATurn);
      at += some.length;
      if (some.length === 0) {
        rememberTable(db, gathered.table(), head.revision);
        controller.close();
        return;
      }
      let lines = '';
      for (const { columnId, from, cells, aside } of some) {
        gathered.add(columnId, from, JSON.parse(cells) as string[], JSON.parse(aside) as Record<string, string>);
        lines += `{"column":${JSON.stringify(columnId)},"from":${from},"cells":${cells},"aside":${aside}}\n`;
      }
      controller.enqueue(encoder.encode(lines));
    },
  });
}
