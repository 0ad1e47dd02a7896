import type { DrawnPlate } from '../../charts/drawn-plate';
import type { Answer } from '../../core/answer/answer';
import type { Beside, BesideName } from '../../core/answering/asked-beside';
import type { FigureStyle } from '../../core/figures/figure-style';
import type { Outcome } from '../../core/numeric/domain-error';
import type { Question } from '../../core/question/question';
import type { Column, Table } from '../../core/readings/table';
import { type Packed, pack, unpack } from '../../formats/wire';
import type { ViewArguments, ViewName, ViewOf } from '../../workers/answer-views';
import type { DeskCalls } from '../../workers/desk.worker';
import { callerOf } from '../shared/caller';
import { giveWay } from '../shared/give-way';

let count = 0;
const keys = new WeakMap<Column, number>();
/** A number that stands for a column: columns never change. */
function keyOf(column: Column): number {
  const key = keys.get(column) ?? (count += 1);
  keys.set(column, key);
  return key;
}

/** An answer held at a desk under a number; the reason where there is none. */
interface Held {
  number: number;
  question: Question;
  table: Table;
  reason: string;
}

/** A worker that answers questions about a table laid before it. */
export class Desk {
  /** Whether it is at something. */
  busy = false;
  private readonly caller = callerOf<DeskCalls>(
    new Worker(new URL('../../workers/desk.worker.ts', import.meta.url), { type: 'module' }),
  );
  private readonly calls = this.caller.calls;
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

  private taken({ serial, packed }: { serial: number; packed: Packed<Outcome<Answer>> }): Outcome<Answer> {
    const found = unpack(packed);
    if (found.ok) desks.set(found.value, { desk: this, serial });
    return found;
  }

  /**
   * Draws answers beside each other, which may be of several tables. Those it has answered before are not answered again;
   * those no longer among them are dropped. The ones without an answer are left out, with the reason at their place.
   * @param isStale whether something newer is wanted by now, so that the rest may be left
   */
  async plate(
    parts: readonly { question: Question; table: Table; style: FigureStyle }[],
    isStale: () => boolean,
  ): Promise<{ made: DrawnPlate | undefined; reasons: string[] } | undefined> {
    // One after the other: a table laid for one answer is not to be laid over by the next.
    const turn = this.plates.then(async () => {
      const held: Held[] = [];
      for (const { question, table } of parts) {
        if (isStale()) return undefined;
        const before = this.held.find((h) => h.question === question && h.table === table);
        held.push(before ?? (await this.hold(question, table)));
      }
      for (const old of this.held) if (!held.includes(old)) void this.calls.drop(old.number);
      this.held = held;
      const reasons = held.map((h) => h.reason);
      const shown = held.flatMap(({ number, reason }, i) => {
        const style = parts[i]?.style;
        return reason === '' && style ? [{ number, style }] : [];
      });
      if (reasons[0]) return { made: undefined, reasons };
      const plate = await this.calls.plate(shown);
      return { made: plate && unpack(plate), reasons };
    });
    this.plates = turn.catch(() => undefined);
    return turn;
  }

  private held: Held[] = [];
  private plates: Promise<unknown> = Promise.resolve();
  private async hold(question: Question, table: Table): Promise<Held> {
    await this.lay(table);
    const number = (count += 1);
    const made = { number, question, table, reason: await this.calls.hold(number, question) };
    this.held.push(made);
    return made;
  }

  /** What is asked beside a question of the table laid. */
  async beside<K extends BesideName>(name: K, question: Question): Promise<Beside<K>[]> {
    return unpack(await this.calls.beside(name, question)) as Beside<K>[];
  }

  async view<K extends ViewName>(serial: number, name: K, rest: ViewArguments<K>): Promise<ViewOf<K> | undefined> {
    const sent = this.calls.view(serial, name, rest as never);
    this.looked();
    const view = await sent;
    return view && (unpack(view) as ViewOf<K>);
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
    this.caller.end();
  }
}

const desks = new WeakMap<Answer, { desk: Desk; serial: number }>();

/** The desk an answer was worked out at; undefined where the page did it itself. */
export const deskOf = (answer: Answer): { desk: Desk; serial: number } | undefined => desks.get(answer);
