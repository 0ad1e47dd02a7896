import type { Table } from './table';

/** A table put together from its head and stretches of its columns, in the order of their rows. */
export class Gathered {
  private readonly filled: Map<string, { cells: string[]; aside: Record<number, string> }>;

  constructor(private readonly head: Table) {
    this.filled = new Map(head.columns.map(({ id }) => [id, { cells: [], aside: {} }]));
  }

  /** @param from row of the first cell. @param aside reasons by the row within the stretch */
  add(column: string, from: number, cells: readonly string[], aside: Readonly<Record<string, string>>): void {
    const into = this.filled.get(column);
    if (!into) return;
    while (into.cells.length < from) into.cells.push('');
    for (const text of cells) into.cells.push(text);
    for (const [row, reason] of Object.entries(aside)) into.aside[from + Number(row)] = reason;
  }

  table(): Table {
    return { ...this.head, columns: this.head.columns.map((c) => ({ ...c, ...this.filled.get(c.id) })) };
  }
}
