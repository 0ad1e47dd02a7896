/** Opens a file, says what it holds, and sends it to be kept: all off the main thread. Stopping it is ending the worker. */
import { DomainError } from '../core/numeric/domain-error';
import { type Area, areaName, blocksOf, cut, wholeOf } from '../core/readings/block';
import { openDoubts } from '../core/understanding/doubts/open-doubts';
import { intake } from '../core/understanding/intake';
import { type Opened, fileLimit, openFile } from '../formats/open-file';
import type { ImportReply, ImportRequest, LookChoice, Looked } from './import-messages';

/** Rows shown of the block. */
const shownRows = 60;

let opened: Opened | undefined;

const tell = (reply: ImportReply): void => {
  postMessage(reply);
};

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

async function take(request: Extract<ImportRequest, { ask: 'take' }>): Promise<void> {
  const { intake: understood } = look(request.choice, true);
  const [trouble] = understood.troubles;
  if (trouble) throw new DomainError(trouble);
  tell({ told: 'progress', share: 0.5, doing: 'Keeping' });
  const table = { ...understood.table, name: request.name };
  if (request.study === undefined) {
    const made = await posted('/api/studies', { title: request.title, table, origin: request.origin });
    tell({ told: 'taken', study: made.id, table: '' });
  } else {
    const { id } = await posted(`/api/studies/${request.study}/tables`, { table, origin: request.origin });
    tell({ told: 'taken', study: request.study, table: id });
  }
}

async function open({ file, encoding, delimiter }: Extract<ImportRequest, { ask: 'open' }>): Promise<void> {
  // A file over the limit is not even read.
  const bytes = file.size > fileLimit ? new Uint8Array(fileLimit + 1) : new Uint8Array(await file.arrayBuffer());
  const choice = { ...(encoding ? { encoding } : {}), ...(delimiter ? { delimiter } : {}) };
  let last = 0;
  opened = await openFile(bytes, choice, (share) => {
    if (share - last < 0.05 && share < 1) return;
    last = share;
    tell({ told: 'progress', share, doing: 'Reading' });
  });
  tell({ told: 'looked', looked: look({}, false) });
}

onmessage = (event: MessageEvent<ImportRequest>): void => {
  const request = event.data;
  const run = async (): Promise<void> => {
    if (request.ask === 'open') await open(request);
    else if (request.ask === 'look') tell({ told: 'looked', looked: look(request.choice, false) });
    else await take(request);
  };
  run().catch((error: unknown) => {
    const reason =
      error instanceof DomainError
        ? error.message
        : error instanceof TypeError && request.ask === 'take'
          ? 'Divide does not answer, so nothing was kept. The file is still here: try again in a moment.'
          : 'This file could not be read because of a fault in Divide. Nothing was changed.';
    tell({ told: 'trouble', reason });
  });
};
