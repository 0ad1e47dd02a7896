import { applyEdit, applyEdits } from './edits';
import type { EditOf, TableEdit } from './table-edit';
import { type Table, emptyColumn, findColumn, tableOf } from './table';
import { cellAt } from './cell-at';

/** A cell of mine whose row or column is not there any more. */
export interface LostCell {
  /** The column by name. */
  column: string;
  /** The row it was typed into, counted from 1. */
  row: number;
  text: string;
}

/** Which row is which, whatever moved: each row carries a number of its own for as long as it is there. */
class Rows {
  private place = new Map<number, number>();
  constructor(readonly ids: number[]) {
    ids.forEach((id, row) => this.place.set(id, row));
  }
  idAt = (row: number): number | undefined => this.ids[row];
  placeOf = (id: number | undefined): number | undefined => (id === undefined ? undefined : this.place.get(id));
}

/** The kinds of edits that move, add or take rows. */
const isOfRows = (edit: TableEdit): boolean => /rows$|^write$|^insert-column$/.test(edit.kind);

/**
 * Which rows stand where after edits: an edit is applied to a single column that holds each row's number.
 * @param fresh gives a number to each row that is new
 */
function followed(rows: Rows, edits: readonly TableEdit[], fresh: () => number): Rows {
  if (!edits.some(isOfRows)) return rows;
  const numbers = { ...emptyColumn('', '', '', 'label'), cells: rows.ids.map(String) };
  let probe: Table = { ...tableOf([numbers]), id: '', rowCount: rows.ids.length };
  for (const edit of edits) {
    if (!isOfRows(edit)) continue;
    const { rowCount } = probe;
    if (edit.kind === 'write' || edit.kind === 'insert-column') {
      const end = edit.kind === 'write' ? edit.row + edit.texts.length : edit.column.cells.length;
      if (end > rowCount) probe = { ...probe, rowCount: end };
    } else if (edit.kind === 'insert-rows') probe = applyEdit(probe, { ...edit, content: {} }).table;
    else probe = applyEdit(probe, edit).table;
  }
  const cells = probe.columns[0]?.cells ?? [];
  return new Rows(Array.from({ length: probe.rowCount }, (_, row) => (cells[row] ? Number(cells[row]) : fresh())));
}

/** Rows next to one another as one block each, the last first, so that taking one out moves none of the others. */
function blocks(rows: readonly number[]): { at: number; count: number }[] {
  const found: { at: number; count: number }[] = [];
  for (const row of [...rows].sort((a, b) => a - b)) {
    const last = found.at(-1);
    if (last && last.at + last.count === row) last.count += 1;
    else found.push({ at: row, count: 1 });
  }
  return found.reverse();
}

/**
 * Edits made on an older state of a table as they are to be made on the newer one, by what each row and column is and not
 * by where it stood: a sort, rows put in or taken out meanwhile carry no reading to another subject.
 * @param mine edits in order, made on `base`
 * @param theirs what was done to `base` meanwhile
 * @returns the edits for the newer table, and the cells that have no place in it any more
 */
export function movedEdits(
  mine: readonly TableEdit[],
  base: Table,
  theirs: readonly TableEdit[],
): { edits: TableEdit[]; lost: LostCell[] } {
  let count = base.rowCount;
  const fresh = () => count++;
  let here = new Rows(Array.from({ length: base.rowCount }, (_, row) => row));
  let there = followed(here, theirs, fresh);
  let newer = applyEdits(base, theirs).table;
  let older = base;
  const edits: TableEdit[] = [];
  const lost: LostCell[] = [];

  const has = (id: string): boolean => findColumn(newer, id) !== undefined;
  const lose = (column: string, row: number, text: string) => {
    if (text !== '') lost.push({ column: findColumn(older, column)?.name ?? '', row: row + 1, text });
  };
  /** Where a row of mine is now; one beyond the end as far beyond the end. */
  const placeOf = (row: number): number | undefined =>
    row < here.ids.length ? there.placeOf(here.idAt(row)) : there.ids.length + (row - here.ids.length);
  /** The first of my rows from `row` on that is still there, or the end. */
  const placeFrom = (row: number): number => {
    for (let r = row; r < here.ids.length; r++) {
      const place = there.placeOf(here.idAt(r));
      if (place !== undefined) return place;
    }
    return there.ids.length;
  };

  const written = ({ row, columns, texts }: EditOf<'write'>): TableEdit[] => {
    const kept = columns.flatMap((id, k) => (has(id) ? [{ id, k }] : []));
    const made: EditOf<'write'>[] = [];
    texts.forEach((line, i) => {
      const place = placeOf(row + i);
      line.forEach((text, k) => {
        const id = cellAt(columns, k);
        if (place === undefined || !has(id)) lose(id, row + i, text);
      });
      if (place === undefined || kept.length === 0) return;
      const own = kept.map(({ k }) => cellAt(line, k));
      const last = made.at(-1);
      if (last && last.row + last.texts.length === place) last.texts.push(own);
      else made.push({ kind: 'write', row: place, columns: kept.map(({ id }) => id), texts: [own] });
    });
    return made;
  };

  const inserted = (edit: EditOf<'insert-column'>): TableEdit[] => {
    if (has(edit.column.id)) return [];
    const cells: string[] = [];
    const aside: Record<string, string> = {};
    edit.column.cells.forEach((text, row) => {
      const place = placeOf(row);
      if (place === undefined) lose(edit.column.id, row, text);
      else {
        while (cells.length < place) cells.push('');
        cells[place] = text;
      }
    });
    for (const [row, reason] of Object.entries(edit.column.aside)) {
      const place = placeOf(Number(row));
      if (place !== undefined) aside[place] = reason;
    }
    const at = Math.min(edit.at, newer.columns.length);
    return [{ kind: 'insert-column', at, column: { ...edit.column, cells, aside } }];
  };

  /** My order of the rows that are still there, those that are new put after them. */
  const ordered = (edit: TableEdit): TableEdit[] => {
    const own = followed(here, [edit], fresh).ids.flatMap((id) => there.placeOf(id) ?? []);
    const known = new Set(own);
    return [
      {
        kind: 'order-rows',
        order: [...own, ...there.ids.keys()].filter((row, i) => i < own.length || !known.has(row)),
      },
    ];
  };

  const moved = (edit: TableEdit): TableEdit[] => {
    switch (edit.kind) {
      case 'write':
        return written(edit);
      case 'insert-rows': {
        const content = Object.entries(edit.content ?? {}).filter(([id]) => has(id));
        return [{ ...edit, at: placeFrom(edit.at), ...(edit.content ? { content: Object.fromEntries(content) } : {}) }];
      }
      case 'remove-rows': {
        const gone = Array.from({ length: edit.count }, (_, i) => placeOf(edit.at + i));
        return blocks(gone.filter((row) => row !== undefined)).map((block) => ({ kind: 'remove-rows', ...block }));
      }
      case 'move-rows':
      case 'order-rows':
        return ordered(edit);
      case 'insert-column':
        return inserted(edit);
      case 'remove-column':
      case 'describe-column':
        return has(edit.column) ? [edit] : [];
      case 'move-column':
        return has(edit.column) ? [{ ...edit, to: Math.min(edit.to, newer.columns.length - 1) }] : [];
      case 'describe-table':
        return [edit];
      case 'set-aside': {
        const cells = edit.cells.flatMap((cell) => {
          const row = placeOf(cell.row);
          return row === undefined || !has(cell.column) ? [] : [{ ...cell, row }];
        });
        return cells.length > 0 ? [{ ...edit, cells }] : [];
      }
    }
  };

  for (const edit of mine) {
    const next = moved(edit);
    // Rows that this edit makes are one and the same on both sides.
    const made: number[] = [];
    here = followed(here, [edit], () => {
      const id = fresh();
      made.push(id);
      return id;
    });
    let used = 0;
    there = followed(there, next, () => made[used++] ?? fresh());
    older = applyEdit(older, edit).table;
    newer = applyEdits(newer, next).table;
    edits.push(...next);
  }
  return { edits, lost };
}
