import { nanoid } from 'nanoid';
import type { TableEdit } from '../../core/readings/edits';
import { understand } from '../../core/readings/parse-number';
import { type Table, emptyColumn } from '../../core/readings/table';
import { splitUnit } from '../../core/readings/units';

const isNumber = (text: string): boolean => understand(text, '', 'auto').kind === 'number';

/** What people write where there is no number: a limit, a missing value, a dash. */
const notMeasured = /^(?:[<>≤≥~].*|n\.?\/?a\.?|nan|n\.?d\.?|lod|null|none|missing|[-–—.?*]+)$/i;

/** Whether a text over a column reads as its name: "Red lamp", and "0.5 mM" too unless the cells below carry that unit. */
function isName(text: string, below: readonly string[]): boolean {
  const tidy = text.trim();
  if (!/\p{L}/u.test(tidy) || isNumber(tidy) || notMeasured.test(tidy)) return false;
  const unit = /^[\d.,\s+−-]+(\D.*)$/.exec(tidy)?.[1];
  return unit === undefined || !below.some((cell) => cell.trim().endsWith(unit));
}

/** Whether a block's first row reads as names over columns of numbers. */
export function hasHead(block: readonly (readonly string[])[]): boolean {
  const [head, ...rest] = block;
  if (!head) return false;
  const below = (k: number): string[] => rest.map((row) => row[k] ?? '');
  return head.every((text, k) => isName(text, below(k))) && rest.some((row) => row.some(isNumber));
}

/** The edits that put a block into the table at a cell, adding columns where it is wider; the names of those it adds. */
export function pasteEdits(
  table: Table,
  block: readonly (readonly string[])[],
  row: number,
  column: number,
  namesFromHead: boolean,
): TableEdit[] {
  const head = namesFromHead ? block[0] : undefined;
  const body = namesFromHead ? block.slice(1) : block;
  const width = block[0]?.length ?? 0;
  const edits: TableEdit[] = [];
  const ids: string[] = [];
  for (let k = 0; k < width; k++) {
    const existing = table.columns[column + k];
    const { name, unit } = splitUnit(head?.[k] ?? '');
    if (existing) {
      ids.push(existing.id);
      if (head) edits.push({ kind: 'describe-column', column: existing.id, name, ...(unit ? { unit } : {}) });
    } else {
      const position = column + k;
      const unitBefore = table.columns.at(-1)?.unit ?? '';
      const fresh = emptyColumn(nanoid(8), head ? name : `Group ${position + 1}`, unit || unitBefore);
      edits.push({ kind: 'insert-column', at: position, column: { ...fresh, cells: [], aside: {} } });
      ids.push(fresh.id);
    }
  }
  if (body.length > 0) edits.push({ kind: 'write', row, columns: ids, texts: body.map((r) => [...r]) });
  return edits;
}
