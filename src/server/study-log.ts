import type { EventKind, StudyEvent } from '../core/study/content';
import { isBlind } from '../core/readings/blind';
import type { TableEdit } from '../core/readings/table-edit';
import { changeWords, namesGroups } from '../core/words/changes';
import { eventWords } from '../core/study/event-words';
import { counted } from '../core/words/numbers';
import { listed } from '../core/words/sentences';
import { attempt } from '../core/numeric/domain-error';
import type { Table } from '../core/readings/table';
import type { TextTable } from '../core/words/tables/result-table';
import type { Text } from '../core/words/text';
import { marksOf } from '../core/readings/beside';
import { groupsOf } from '../core/readings/groups';
import { eventsOf } from '../store/events';
import type { Db } from '../store/open';
import { tableIdsOf } from '../store/studies';
import { changesOf } from '../store/table-changes';
import { madeOf, readTable, readTableHeads } from '../store/read-table';
import { moment } from './moment';
import { studySpine } from './study-page';
import { nameless } from './who';

/** What a line of the log is about. */
export type LogKind = 'readings' | Exclude<EventKind, 'table' | 'restored'>;

/** A line of the log. */
export interface LogLine {
  /** Its number: what was done counts up, whatever the clock says. */
  line: number;
  at: string;
  by: string;
  kind: LogKind;
  /** What was changed, and where it stands; no address once it is gone. */
  where: string;
  href?: string;
  words: string;
  /** Taken back since. */
  undone: boolean;
  /** Gone back from since: what it did is no longer in the study unless done again. */
  left: boolean;
}

/** Most changes of one table that are told. */
const most = 2000;

/** Whether an edit puts group names behind letters. */
const hides = (edit: TableEdit): boolean => edit.kind === 'describe-table' && edit.blind?.sealed !== undefined;

/** The lines of a table's readings; a step back or forth is a line of its own. */
function readingsLines(db: Db, table: Table, home: string): Omit<LogLine, 'left'>[] {
  const { id } = table;
  const place = { kind: 'readings' as const, where: table.name || 'readings', href: `${home}/readings/${id}` };
  const all = changesOf(db, id, most);
  // While groups stand under letters, what was said of them before would give their names away.
  const since = isBlind(table)
    ? Math.max(...all.filter(({ edits }) => edits.some(hides)).map((c) => c.line))
    : -Infinity;
  const told = (c: (typeof all)[number]): string =>
    c.line < since && namesGroups(table, c.edits)
      ? 'names of groups, not told while they are hidden'
      : changeWords(table, c.edits, c.inverse);
  const words = new Map(all.filter((c) => c.steps === null).map((c) => [c.line, told(c)]));
  // Of the steps over one change every other took it back: the last one if it is taken back now.
  const back = new Map(all.map((c) => [c.line, c.undone]));
  const stepWords = (over: number): string => {
    const isBack = back.get(over) === true;
    back.set(over, !isBack);
    return `${isBack ? 'taken back' : 'made again'}: ${words.get(over) ?? 'an older change'}`;
  };
  const { at, by, origin, line } = madeOf(db, id);
  return [
    ...all.map((c) => ({
      ...place,
      line: c.line,
      at: c.at,
      by: c.by,
      words: typeof c.steps === 'number' ? stepWords(c.steps) : (words.get(c.line) ?? ''),
      undone: c.undone,
    })),
    ...(at ? [{ ...place, line, at, by, words: origin || 'begun', undone: false }] : []),
  ];
}

/** Everything that was done in a study, the newest first. @param spine the study's, where it is known */
export function logLines(db: Db, studyId: string, spine = studySpine(db, studyId)): LogLine[] {
  const home = `/studies/${studyId}`;
  const events = eventsOf(db, studyId);
  const lines = readTableHeads(db, studyId).flatMap((table) => readingsLines(db, table, home));
  const told = (line: number): string => {
    const found = lines.find((l) => l.line === line);
    return found ? `line ${line} (${found.where}: ${found.words})` : '';
  };
  const gone = { question: 'a question since removed', figure: 'a figure since removed', table: 'a table taken out' };
  const whereOf = ({ kind, subject }: StudyEvent): Pick<LogLine, 'where' | 'href'> => {
    if (kind === 'write-up') return { where: 'write-up', href: `${home}/write-up` };
    if (kind === 'study' || kind === 'restored') return { where: 'study' };
    const entry = [...spine.questions, ...spine.figures, ...spine.readings].find((e) => e.id === subject);
    return { where: entry?.label ?? gone[kind], ...(entry?.href ? { href: entry.href } : {}) };
  };
  for (const event of events) {
    const { at, by, kind, line } = event;
    lines.push({
      line,
      at,
      by,
      kind: kind === 'table' ? 'readings' : kind === 'restored' ? 'study' : kind,
      ...whereOf(event),
      words: eventWords(event, told),
      undone: false,
    });
  }
  // Going back is one line, whatever it put back; what stood between is left behind.
  const returns = events.flatMap((e) =>
    e.kind === 'restored' && e.before && e.after ? [{ to: e.after.line, from: e.before.line, line: e.line }] : [],
  );
  return lines
    .filter(({ line }) => !returns.some((r) => line > r.from && line < r.line))
    .map((l) => ({ ...l, left: returns.some((r) => l.line > r.to && l.line <= r.from) }))
    .sort((a, b) => b.line - a.line);
}

/** The log in a few sentences, as an appendix to a write-up: where readings came from, and what was set aside and why. */
export function shortLog(db: Db, studyId: string): string[] {
  return tableIdsOf(db, studyId).map((id) => {
    const { table } = readTable(db, id);
    const { origin } = madeOf(db, id);
    const changes = changesOf(db, id, most).filter((c) => !c.undone && c.steps === null).length;
    const groups = attempt(() => groupsOf(table, {}));
    const used = groups.ok ? groups.value.reduce((n, g) => n + g.readings.used.length, 0) : 0;
    const aside = table.columns.flatMap((c) => Object.values(marksOf(c)));
    const reasons = listed([...new Set(aside.map((r) => r || 'no reason given'))]);
    return [
      `${table.name || 'Readings'}: ${used > 0 ? `${counted(used, 'reading')} used` : counted(table.rowCount, 'row')}${origin ? `, ${origin}` : ''}`,
      changes > 0 ? `, ${counted(changes, 'change')} since` : '',
      aside.length > 0 ? `; ${counted(aside.length, 'cell')} set aside (${reasons})` : '',
      '.',
    ].join('');
  });
}

/** The log line by line, the oldest first, as an appendix to a write-up; what became of the write-up itself is left out. */
export function notebook(db: Db, studyId: string): TextTable {
  const lines = nameless(logLines(db, studyId))
    .filter(({ kind }) => kind !== 'write-up')
    .reverse();
  const people = lines.some((l) => l.by !== '');
  const rows = lines.map(({ line, at, by, where, words, undone, left }): Text[] => {
    const standing = undone ? ' (taken back since)' : left ? ' (gone back from since)' : '';
    return [[String(line)], [moment(at)], ...(people ? [[by]] : []), [where], [`${words}${standing}`]];
  });
  return {
    title: 'Log of the study',
    head: [['line'], ['when'], ...(people ? [['who']] : []), ['where'], ['what was done']],
    rows,
    words: people ? [1, 2, 3, 4] : [1, 2, 3],
  };
}
