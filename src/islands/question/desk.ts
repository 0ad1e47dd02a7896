import { type Remote, releaseProxy, wrap } from 'comlink';
import type { Answer } from '../../core/answer/answer';
import type { Other } from '../../core/answer/others';
import type { Outcome } from '../../core/numeric/domain-error';
import type { Question } from '../../core/question/question';
import type { Column, Table } from '../../core/readings/table';
import type { ViewArguments, ViewName, ViewOf } from '../../workers/answer-views';
import type { DeskCalls } from '../../workers/desk.worker';
import { pack, unpack } from '../../workers/packed';
import { giveWay } from '../shared/give-way';

let count = 0;
const keys = new WeakMap<Column, number>();
/** A number that stands for a column: columns never change. */
function keyOf(column: Column): number {
  const key = keys.get(column) ?? (count += 1);
  keys.set(column, key);
  return key;
}

/** A worker that answers questions about a table laid before it. */
export class Desk {
  /** Whether it is at something. */
  busy = false;
  private readonly worker = new Worker(new URL('../../workers/desk.worker.ts', import.meta.url), { type: 'module' });
  private readonly calls: Remote<DeskCalls> = wrap<DeskCalls>(this.worker);
  private laid = new Set<number>();

  /** Lays a table before it: only the columns that are new to it travel, and the page has its turn between them. */
  async lay({ columns, ...head }: Table): Promise<void> {
    const wanted = columns.map(keyOf);
    for (const [i, column] of columns.entries()) {
      const key = wanted[i] ?? 0;
      if (this.laid.has(key)) continue;
      void this.calls.column(key, pack(column));
      if (column.cells.length > 1000) await giveWay();
    }
    this.laid = new Set(wanted);
    void this.calls.table(head, wanted);
  }

  /** The groups described, before they are compared. */
  async described(question: Question): Promise<Outcome<Answer>> {
    return this.taken(await this.calls.described(question));
  }

  async answer(question: Question): Promise<Outcome<Answer>> {
    return this.taken(await this.calls.answer(question));
  }

  private taken({ serial, packed }: { serial: number; packed: unknown }): Outcome<Answer> {
    const found = unpack(packed) as Outcome<Answer>;
    if (found.ok) desks.set(found.value, { desk: this, serial });
    return found;
  }

  async others(question: Question): Promise<Other[]> {
    return unpack(await this.calls.others(question)) as Other[];
  }

  async view<K extends ViewName>(serial: number, name: K, rest: ViewArguments<K>): Promise<ViewOf<K> | undefined> {
    const view = this.calls.view(serial, name, rest as never);
    this.looked();
    return unpack(await view) as ViewOf<K> | undefined;
  }

  /** Until a view is asked for, which will then come before whatever is asked next. @param ms how long to wait at most */
  lookedAt(ms: number): Promise<void> {
    return new Promise((resolve) => {
      this.looked = resolve;
      setTimeout(resolve, ms);
    });
  }
  private looked = (): void => undefined;

  /** Ends whatever it is at; it is not used again. */
  end(): void {
    this.calls[releaseProxy]();
    this.worker.terminate();
  }
}

const desks = new WeakMap<Answer, { desk: Desk; serial: number }>();

/** The desk an answer was worked out at; undefined where the page did it itself. */
export const deskOf = (answer: Answer): { desk: Desk; serial: number } | undefined => desks.get(answer);
