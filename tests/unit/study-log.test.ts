import { expect } from 'chai';
import { demoStudy } from '../../demo/skerrow';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { FigureStyle } from '../../src/core/figures/figure-style';
import { kindNames } from '../../src/core/figures/kinds';
import { styleNames } from '../../src/core/figures/style-names';
import { type Question, Question as Schema, defaultQuestion } from '../../src/core/question/question';
import { choiceNames } from '../../src/core/words/choice-names';
import { eventWords } from '../../src/core/study/event-words';
import type { WriteUp } from '../../src/core/write-up/document';
import { startDemo } from '../../src/server/demo-study';
import { logLines, shortLog } from '../../src/server/study-log';
import { lastLine } from '../../src/store/events';
import { figuresOf, makeFigure, updateFigure } from '../../src/store/figures';
import { type Db, openDb } from '../../src/store/open';
import { questionsOf, removeQuestion, updateQuestion } from '../../src/store/questions';
import { restoreStudyTo } from '../../src/store/restore';
import { duplicateStudy, readContent, readStudy, renameStudy, tableIdsOf } from '../../src/store/studies';
import { editTable, stepTable } from '../../src/store/change-table';
import { readTable } from '../../src/store/read-table';
import { addTable, deleteTable } from '../../src/store/tables';
import { readWriteUp, updateWriteUp } from '../../src/store/write-ups';

const moment = (minute: number): string => `2026-01-02T03:${String(minute).padStart(2, '0')}:00.000Z`;

describe('the log of a study', () => {
  let db: Db;
  let study: string;
  beforeEach(() => {
    db = openDb(':memory:', process.cwd());
    study = startDemo(db, moment(0));
  });
  afterEach(() => db.$client.close());

  it('goes back to a point: readings, questions, figures, words, tables and title; and forward again', () => {
    const state = () => {
      const { title, tables, questions, figures, writeUp } = readContent(db, study);
      const there = tables.filter((t) => t.removed === undefined);
      return {
        title,
        tables: there.map((t) => t.table),
        questions: questions.filter((q) => there.some((t) => t.id === q.table)),
        figures,
        writeUp,
      };
    };
    const start = state();
    const begun = lastLine(db, study);
    const [table = '', second = ''] = tableIdsOf(db, study);
    const [question, other] = questionsOf(db, study);
    const [figure] = figuresOf(db, study);
    const { writeUp, revision } = readWriteUp(db, study)!;
    editTable(db, table, 0, [{ kind: 'write', row: 0, columns: ['red'], texts: [['1']] }], moment(2));
    const middle = state();
    const edited = lastLine(db, study);
    updateQuestion(db, question!.id, 0, { ...question!.question, level: 0.99 }, { at: moment(4) });
    updateFigure(db, figure!.id, 0, { ...figure!.style, bars: 'sem' }, { at: moment(5) });
    editTable(db, table, 1, [{ kind: 'remove-column', column: 'white' }], moment(6));
    removeQuestion(db, other!.id, { at: moment(7) });
    makeFigure(db, 'new', study, question!.id, figure!.style, { at: moment(8) });
    updateWriteUp(db, study, revision, { ...writeUp, content: writeUp.content.slice(0, 2) }, { at: moment(9) });
    renameStudy(db, study, 'Another', { at: moment(10) });
    deleteTable(db, second, { at: moment(11) });
    addTable(db, study, readTable(db, table).table, { at: moment(12), origin: 'again' });
    const end = state();
    const ended = lastLine(db, study);
    const back = (line: number, minute: number) => restoreStudyTo(db, study, line, { at: moment(minute), by: 'me' });
    const sorted = (s: ReturnType<typeof state>) => ({
      ...s,
      questions: [...s.questions].sort((a, b) => a.id.localeCompare(b.id)),
      figures: [...s.figures].sort((a, b) => a.id.localeCompare(b.id)),
    });
    back(edited, 20);
    expect(sorted(state())).to.deep.equal(sorted(middle));
    back(begun, 30);
    expect(sorted(state())).to.deep.equal(sorted(start));
    // What was gone back from stands in the log, and can be gone back to.
    back(ended, 40);
    expect(sorted(state())).to.deep.equal(sorted(end));
    expect(readStudy(db, study).title).to.equal('Another');
    const words = logLines(db, study).map((l) => `${l.where}: ${l.words}`);
    for (const told of [
      'error bars now SEM',
      'confidence level now 99 %, was 95 %',
      'study now called “Another”, was “Skerrow Kelp Nursery”',
      `gone back to just after line ${edited} (Lamp trial: Red lamp, row 1: 1, was`,
    ])
      expect(words.join('\n')).to.include(told);
    // Each return is one line, whatever it put back; what stood between is marked.
    const lines = logLines(db, study);
    expect(lines.filter((l) => l.at === moment(20)).length).to.equal(1);
    expect(lines.filter((l) => l.left).length).to.be.greaterThan(6);
    expect(lines.find((l) => l.line === edited)?.left).to.equal(true);
    expect(lines.map((l) => l.line)).to.deep.equal([...lines.map((l) => l.line)].sort((a, b) => b - a));
  });

  it('counts what follows quickly as one change, and tells each kind in words', () => {
    const [question] = questionsOf(db, study);
    const at = (second: number) => ({ at: `2026-01-02T04:00:${String(second).padStart(2, '0')}.000Z` });
    [0.9, 0.95, 0.99].forEach((level, i) =>
      updateQuestion(db, question!.id, i, { ...question!.question, level }, at(i)),
    );
    const told = logLines(db, study).filter((l) => l.kind === 'question');
    expect(told.length).to.equal(1);
    const event = { at: '', by: '', subject: 'x' };
    expect(eventWords({ ...event, kind: 'figure', before: null, after: null })).to.equal('figure made');
    expect(eventWords({ ...event, kind: 'table', before: 'a', after: null })).to.equal('table taken out');
    expect(
      eventWords({
        ...event,
        kind: 'figure',
        before: { question: 'q', style: defaultFigureStyle },
        after: { question: 'q', style: { ...defaultFigureStyle, widthMm: 174, looks: { a: { name: 'A' } } } },
      }),
    ).to.equal('width now 174 mm, was 85 mm, names and colours changed');
    expect(shortLog(db, study)[0]).to.equal(
      'Lamp trial: 33 readings used, made up for the demo study; 1 cell set aside (tag lost).',
    );
  });

  it('tells what was chosen by the words of its control, never by those of the schema', () => {
    const told = (before: Partial<Question>, after: Partial<Question>): string =>
      eventWords({
        ...{ at: '', by: '', subject: 'q', kind: 'question' as const },
        before: { table: 't', question: { ...defaultQuestion('a', 'b'), ...before } },
        after: { table: 't', question: { ...defaultQuestion('a', 'b'), ...after } },
      });
    expect(told({}, { method: 'ranks', spread: 'pooled' })).to.equal(
      'method now Mann–Whitney test, spreads now taken as equal',
    );
    expect(told({ value: -1.5 }, { design: 'paired' })).to.equal(
      'design now two groups, each subject under all, was two groups, value compared with no longer set, was −1.5',
    );
    expect(told({ block: 'x1' }, { block: 'x2', name: 'Lamps' })).to.equal('blocks changed, name now “Lamps”');
    // Whatever is one of a few has a name for each of them.
    const codes = (entries: object): [string, string[]][] =>
      Object.entries(entries as Record<string, { wrapped?: unknown }>).flatMap(([part, schema]) => {
        const { type, options = [] } = (schema.wrapped ?? schema) as { type: string; options?: readonly unknown[] };
        return type === 'picklist' ? [[part, options.map(String)]] : [];
      });
    const names = { ...choiceNames, ...styleNames, kind: kindNames } as Record<string, Record<string, string>>;
    const all = [...codes(Schema.entries), ...codes(FigureStyle.entries)].filter(
      // A style kept long ago may bear an older word, which is read as today's.
      ([part]) => !['design', 'method', 'bracketsFor'].includes(part),
    );
    expect(all.length).to.be.greaterThan(20);
    for (const [part, options] of all) expect(Object.keys(names[part] ?? {}), part).to.include.members(options);
  });

  it('goes back to a line whatever the clock says and however quickly things followed', () => {
    const say = (text: string, at: string) => {
      const now = readWriteUp(db, study);
      updateWriteUp(db, study, now?.revision ?? 0, paragraphs(text), { at });
      return lastLine(db, study);
    };
    const paragraphs = (text: string): WriteUp => ({
      type: 'doc',
      content: [{ type: 'paragraph', content: [{ type: 'text', text }] }],
    });
    const said = () => JSON.stringify(readWriteUp(db, study)?.writeUp);
    const at = (second: number) => new Date(Date.UTC(2026, 1, 1, 12, 0, second)).toISOString();
    // An hour of saves every 50 seconds: a line spans a minute at most.
    const lines = Array.from({ length: 72 }, (_, i) => say(`minute ${i}`, at(i * 50)));
    expect(new Set(lines).size).to.equal(36);
    restoreStudyTo(db, study, lines[60] ?? 0, { at: at(4000) });
    expect(said()).to.include('minute 61"');
    // A return is a line of its own: words written just after it are another.
    const after = say('after the return', at(4001));
    say('and more', at(4002));
    restoreStudyTo(db, study, after - 1, { at: at(4003) });
    expect(said()).to.include('minute 61"');
    restoreStudyTo(db, study, after, { at: at(4004) });
    expect(said()).to.include('and more');
    // Two paragraphs within a second, something else between them; then the clock goes back an hour.
    const first = say('one', at(5000));
    renameStudy(db, study, 'Between', { at: at(5000) });
    const second = say('one and two', at(5000));
    const early = say('three', at(1400));
    expect(new Set([first, second, early]).size).to.equal(3);
    restoreStudyTo(db, study, first, { at: at(6000) });
    expect(said()).to.include('"one"');
    restoreStudyTo(db, study, second, { at: at(6001) });
    expect(said()).to.include('one and two');
    restoreStudyTo(db, study, early, { at: at(6002) });
    expect(said()).to.include('three');
  });

  it('keeps what was taken back for ever, a step a line, and goes back to between two steps', () => {
    const [table = ''] = tableIdsOf(db, study);
    const type = (text: string, revision: number) =>
      editTable(
        db,
        table,
        revision,
        [{ kind: 'write', row: 0, columns: ['red'], texts: [[text]] }],
        moment(50),
        'Runa',
      );
    const first = () => readTable(db, table).table.columns.find((c) => c.id === 'red')?.cells[0];
    const was = first();
    type('1', 0);
    type('2', 1);
    const typed = lastLine(db, study);
    stepTable(db, table, 2, 'undo', moment(51), 'Runa');
    stepTable(db, table, 3, 'undo', moment(51), 'Runa');
    const undone = lastLine(db, study);
    stepTable(db, table, 4, 'redo', moment(51), 'Runa');
    expect(first()).to.equal('1');
    type('9', 5);
    expect(stepTable(db, table, 6, 'redo', moment(52))).to.equal(undefined);
    const told = logLines(db, study)
      .slice(0, 6)
      .map((l) => `${l.by}: ${l.undone ? '~' : ''}${l.words}`);
    expect(told).to.deep.equal([
      'Runa: Red lamp, row 1: 9, was 1',
      `Runa: made again: Red lamp, row 1: 1, was ${was}`,
      `Runa: taken back: Red lamp, row 1: 1, was ${was}`,
      'Runa: taken back: Red lamp, row 1: 2, was 1',
      'Runa: ~Red lamp, row 1: 2, was 1',
      `Runa: Red lamp, row 1: 1, was ${was}`,
    ]);
    restoreStudyTo(db, study, typed, { at: moment(53) });
    expect(first()).to.equal('2');
    restoreStudyTo(db, study, undone, { at: moment(54) });
    expect(first()).to.equal(was);
  });

  it('goes back in a copy as in the study itself, over a table taken out as well', () => {
    const [table = '', second = ''] = tableIdsOf(db, study);
    const before = lastLine(db, study);
    editTable(db, table, 0, [{ kind: 'write', row: 0, columns: ['red'], texts: [['1']] }], moment(56));
    deleteTable(db, second, { at: moment(56) });
    const [figure] = figuresOf(db, study);
    updateFigure(db, figure!.id, 0, { ...figure!.style, beside: [figure!.id] }, { at: moment(57) });
    const copy = duplicateStudy(db, study, moment(57));
    expect(tableIdsOf(db, copy).length).to.equal(tableIdsOf(db, study).length);
    const cells = (id: string) =>
      tableIdsOf(db, id).map((t) =>
        readTable(db, t).table.columns.map(({ name, cells, aside }) => [name, cells, aside]),
      );
    for (const id of [study, copy]) restoreStudyTo(db, id, before, { at: moment(58) });
    expect(cells(copy)).to.deep.equal(cells(study));
    expect(cells(copy).length).to.equal(demoStudy().tables.length);
    expect(questionsOf(db, copy).length).to.equal(questionsOf(db, study).length);
    restoreStudyTo(db, copy, before + 3, { at: moment(59) });
    const [copied] = figuresOf(db, copy);
    expect(copied?.style.beside).to.deep.equal([copied?.id]);
  });
});
