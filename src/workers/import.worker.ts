/** Opens a file, says what it holds, and sends it to be kept: all off the main thread. Stopping it is ending the worker. */
import { expose } from 'comlink';
import { DomainError, type Outcome } from '../core/numeric/domain-error';
import { type Area, areaName, blocksOf, cut, wholeOf } from '../core/readings/block';
import { openDoubts } from '../core/understanding/doubts/open-doubts';
import { intake } from '../core/understanding/intake';
import { type Opened, fileLimit, openFile } from '../formats/open-file';
import type { Delimiter } from '../formats/delimited';
import type { Encoding } from '../formats/text-encoding';
import type { LookChoice, Looked, Taken } from './looked';

/** Rows shown of the block. */
const shownRows = 60;

let opened: Opened | undefined;

function look(choice: LookChoice, whole: boolean): Looked {
  if (!opened) throw new DomainError('Choose a file first.');
  const sheet = Math.min(choice.sheet ?? 0, opened.sheets.length - 1);
  const rows = opened.sheets[sheet]?.rows ?? [];
  const all = wholeOf(rows);
  const found = blocksOf(rows);
  const areas: Area[] = found.length > 1 ? [...found.slice(0, 30), all] : [all];
  const area = choice.area ?? areas[0] ?? all;
  const block = cut(rows, area);
  const understood = intake(block, choice, area.top);
  const { table } = understood;
  return {
    sheets: opened.sheets.map((s) => s.name),
    sheet,
    areas,
    area,
    encoding: opened.encoding,
    delimiter: opened.delimiter,
    notes: [
      ...opened.notes,
      ...(found.length > 1
        ? [
            `Empty rows or columns part this into ${found.length} blocks; ${areaName(area)} is taken in. Choose another, or everything.`,
          ]
        : []),
    ],
    unclear: openDoubts({ id: '', name: '', ...table }).map((d) => d.text),
    intake: whole
      ? understood
      : {
          ...understood,
          table: { ...table, columns: table.columns.map((c) => ({ ...c, cells: c.cells.slice(0, shownRows) })) },
        },
  };
}

async function posted(path: string, body: unknown): Promise<{ id: string }> {
  const response = await fetch(path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  const answer = (await response.json()) as { id: string; detail?: string };
  if (!response.ok) throw new DomainError(answer.detail ?? 'It could not be kept.');
  return answer;
}

/** What came of it, or why nothing did, in words. @param keeping whether something was sent to be kept */
async function tried<T>(run: () => T | Promise<T>, keeping = false): Promise<Outcome<T>> {
  try {
    return { ok: true, value: await run() };
  } catch (error) {
    const reason =
      error instanceof DomainError
        ? error.message
        : error instanceof TypeError && keeping
          ? 'Divide does not answer, so nothing was kept. The file is still here: try again in a moment.'
          : 'This file could not be read because of a fault in Divide. Nothing was changed.';
    return { ok: false, reason };
  }
}

const calls = {
  /** @param tell how much of it is read, from 0 to 1 */
  open: (file: File, how: { encoding?: Encoding; delimiter?: Delimiter }, tell: (share: number) => void) =>
    tried(async () => {
      // A file over the limit is not even read.
      const bytes = file.size > fileLimit ? new Uint8Array(fileLimit + 1) : new Uint8Array(await file.arrayBuffer());
      let last = 0;
      opened = await openFile(bytes, how, (share) => {
        if (share - last < 0.05 && share < 1) return;
        last = share;
        tell(share);
      });
      return look({}, false);
    }),
  look: (choice: LookChoice) => tried(() => look(choice, false)),
  /** Sends the table to be kept, in a study or in a new one of this title. */
  take: (choice: LookChoice, study: string | undefined, name: string, origin: string) =>
    tried(async (): Promise<Taken> => {
      const { intake: understood } = look(choice, true);
      const [trouble] = understood.troubles;
      if (trouble) throw new DomainError(trouble);
      const table = { ...understood.table, name };
      if (study === undefined) {
        const made = await posted('/api/studies', { title: name, table, origin });
        return { study: made.id, table: '' };
      }
      const { id } = await posted(`/api/studies/${study}/tables`, { table, origin });
      return { study, table: id };
    }, true),
};
export type ImportCalls = typeof calls;
expose(calls);
