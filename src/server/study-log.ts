import type { EventKind } from '../core/study/content';
import { changeWords } from '../core/words/changes';
import { eventWords } from '../core/words/events';
import { counted } from '../core/words/numbers';
import { listed } from '../core/words/sentences';
import { attempt } from '../core/numeric/domain-error';
import { groupsOf } from '../core/readings/groups';
import { eventsOf } from '../store/events';
import type { Db } from '../store/open';
import { tableIdsOf } from '../store/studies';
import { changesOf, madeOf, readTable, readTableHead } from '../store/tables';
import { studySpine } from './study-page';

/** What a line of the log is about. */
export type LogKind = 'readings' | Exclude<EventKind, 'table'>;

/** A line of the log. */
export interface LogLine {
  at: string;
  by: string;
  kind: LogKind;
  /** What was changed, and where it stands; no address once it is gone. */
  where: string;
  href?: string;
  words: string;
  /** Taken back since. */
  undone: boolean;
}

/** Most changes of one table that are told. */
const most = 2000;

/** Everything that was done in a study, the newest first. */
export function logLines(db: Db, studyId: string): LogLine[] {
  const spine = studySpine(db, studyId);
  const home = `/studies/${studyId}`;
  const lines: LogLine[] = [];
  for (const id of tableIdsOf(db, studyId)) {
    const table = readTableHead(db, id);
    const where = table.name || 'readings';
    const href = `${home}/readings/${id}`;
    for (const { at, by, undone, edits } of changesOf(db, id, most))
      lines.push({ at, by, kind: 'readings', where, href, words: changeWords(table, edits), undone });
    const made = madeOf(db, id);
    if (made.at)
      lines.push({ at: made.at, by: '', kind: 'readings', where, href, words: made.origin || 'begun', undone: false });
  }
  for (const event of eventsOf(db, studyId)) {
    const { at, by, kind, subject } = event;
    const entry = [...spine.questions, ...spine.figures, ...spine.readings].find((e) => e.id === subject);
    const href = kind === 'write-up' ? `${home}/write-up` : entry?.href;
    const gone = { question: 'a question since removed', figure: 'a figure since removed', table: 'a table taken out' };
    const where = kind === 'write-up' ? 'write-up' : kind === 'study' ? 'study' : (entry?.label ?? gone[kind]);
    lines.push({
      at,
      by,
      kind: kind === 'table' ? 'readings' : kind,
      where,
      ...(href ? { href } : {}),
      words: eventWords(event),
      undone: false,
    });
  }
  // Lines of one moment stand as they were found: the first of an array is the newest.
  return lines.sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));
}

/** The log in a few sentences, as an appendix to a write-up: where readings came from, and what was set aside and why. */
export function shortLog(db: Db, studyId: string): string[] {
  return tableIdsOf(db, studyId).map((id) => {
    const { table } = readTable(db, id);
    const { origin } = madeOf(db, id);
    const changes = changesOf(db, id, most).filter((c) => !c.undone).length;
    const groups = attempt(() => groupsOf(table, {}));
    const used = groups.ok ? groups.value.reduce((n, g) => n + g.readings.used.length, 0) : 0;
    const aside = table.columns.flatMap((c) => Object.values(c.aside));
    const reasons = listed([...new Set(aside.map((r) => r || 'no reason given'))]);
    return [
      `${table.name || 'Readings'}: ${used > 0 ? `${counted(used, 'reading')} used` : counted(table.rowCount, 'row')}${origin ? `, ${origin}` : ''}`,
      changes > 0 ? `, ${counted(changes, 'change')} since` : '',
      aside.length > 0 ? `; ${counted(aside.length, 'cell')} set aside (${reasons})` : '',
      '.',
    ].join('');
  });
}
