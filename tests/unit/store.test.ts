import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { demoStudy, demoTables } from '../../demo/skerrow';
import { sentColumn } from '../../src/core/readings/column-edits';
import { applyEdits } from '../../src/core/readings/edits';
import { Gathered } from '../../src/core/readings/gathered';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { Conflict, Gone, NotFound, NotKept } from '../../src/store/errors';
import { drawnLike } from '../../src/core/figures/figure-style';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { forgetStyle, keepStyle, readStyles } from '../../src/store/named-styles';
import { figuresOf, removeFigure, updateFigure } from '../../src/store/figures';
import { type Db, openDb } from '../../src/store/open';
import { tableStream } from '../../src/server/table-stream';
import { insertQuestion, orderQuestions, questionsOf, removeQuestion, updateQuestion } from '../../src/store/questions';
import {
  allStudies,
  createStudy,
  deleteStudy,
  duplicateStudy,
  readStudy,
  restoreStudy,
  tableIdsOf,
} from '../../src/store/studies';
import { changesOf, editsSince } from '../../src/store/table-changes';
import { editTable, stepTable } from '../../src/store/change-table';
import { madeOf, readTable, studyOfTable } from '../../src/store/read-table';
import { addTable, deleteTable, restoreTable } from '../../src/store/tables';

const at = '2026-01-02T03:04:05.000Z';

describe('styles kept by name', () => {
  it('hold what figures of one paper share, are put in each other’s place, and change no figure when forgotten', () => {
    const db = openDb(':memory:', process.cwd());
    const style = { ...defaultFigureStyle, fontPt: 9, fill: 'solid', yTitle: 'length', kind: 'boxes' } as const;
    keepStyle(db, { name: 'For the journal', style });
    keepStyle(db, { name: 'A poster', style: { ...style, fontPt: 14 } });
    const [poster, journal] = readStyles(db);
    expect([poster?.name, journal?.name]).to.deep.equal(['A poster', 'For the journal']);
    expect(journal?.style).to.include({ fontPt: 9, fill: 'solid' });
    // What a figure shows, and its titles, are its own.
    expect(journal?.style).to.not.have.any.keys('yTitle', 'kind');
    const own = { ...defaultFigureStyle, yTitle: 'count', columnWidth: 40 };
    const taken = drawnLike(own, journal!.style);
    expect(taken).to.include({ fontPt: 9, fill: 'solid', yTitle: 'count' }).and.not.have.property('columnWidth');
    keepStyle(db, { name: 'A poster', style: { ...style, fontPt: 12 } });
    expect(readStyles(db).map((s) => s.style.fontPt)).to.deep.equal([12, 9]);
    forgetStyle(db, 'A poster');
    expect(readStyles(db).map((s) => s.name)).to.deep.equal(['For the journal']);
  });
});

describe('the store', () => {
  const folder = mkdtempSync(join(tmpdir(), 'divide-'));
  const file = join(folder, 'test.sqlite');
  let db: Db;
  let study: string;
  let table: string;
  beforeEach(() => {
    db = openDb(file, process.cwd());
    study = createStudy(db, demoStudy(), at);
    table = tableIdsOf(db, study)[0]!;
  });
  afterEach(() => db.$client.close());
  after(() => rmSync(folder, { recursive: true }));

  const write = (row: number, ...texts: string[]) => [
    { kind: 'write' as const, row, columns: ['red'], texts: texts.map((t) => [t]) },
  ];

  it('is durable: full synchronous commits in a write-ahead log, foreign keys on', () => {
    expect(db.$client.pragma('synchronous', { simple: true })).to.equal(2);
    expect(db.$client.pragma('journal_mode', { simple: true })).to.equal('wal');
    expect(db.$client.pragma('foreign_keys', { simple: true })).to.equal(1);
  });

  it('makes a change once, however often it is sent, and a step too', () => {
    const before = readTable(db, table);
    const made = editTable(db, table, before.revision, write(0, '40'), at, '', 'first');
    expect(editTable(db, table, before.revision, write(0, '40'), at, '', 'first')).to.equal(made);
    expect(readTable(db, table).revision).to.equal(before.revision + 1);
    const undone = stepTable(db, table, made, 'undo', at, '', 'step');
    expect(stepTable(db, table, made, 'undo', at, '', 'step')).to.deep.equal(undone);
    expect(readTable(db, table).table).to.deep.equal(before.table);
    // Unnamed changes are each their own.
    editTable(db, table, made + 1, write(0, '41'), at);
    expect(() => editTable(db, table, made + 1, write(0, '41'), at)).to.throw(Conflict);
  });

  it('tells what was done since a revision, steps too, and nothing where it does not know all of it', () => {
    const { table: before, revision } = readTable(db, table);
    const made = editTable(db, table, revision, write(1, '50', '51'), at);
    stepTable(db, table, made, 'undo', at);
    editTable(db, table, made + 1, [{ kind: 'remove-rows', at: 0, count: 2 }], at);
    const { edits, ...stands } = editsSince(db, table, revision);
    const since = edits!;
    expect(stands).to.deep.equal({ revision: revision + 3, canUndo: true, canRedo: false });
    expect(applyEdits(before, since).table).to.deep.equal(readTable(db, table).table);
    expect(editsSince(db, table, made).edits).to.have.lengthOf(since.length - 1);
    const copy = tableIdsOf(db, duplicateStudy(db, study, at))[0]!;
    // A copy’s changes keep no revisions: it begins its own.
    expect(editsSince(db, copy, 0).edits).to.deep.equal([]);
    db.$client.prepare('delete from changes where revision = ?').run(made + 1);
    expect(editsSince(db, table, revision).edits).to.equal(null);
  });

  it('lists the questions of a table in the order they are put in, without a line in the log', () => {
    const asked = questionsOf(db, study);
    const most = tableIdsOf(db, study).find((id) => asked.filter((q) => q.tableId === id).length > 1)!;
    const ofTable = () => questionsOf(db, study).filter((q) => q.tableId === most);
    const others = asked.filter((q) => q.tableId !== most);
    const [first, second] = ofTable();
    const third = { ...first!, id: 'third' };
    insertQuestion(db, third.id, study, most, third.question);
    const lines = readStudy(db, study).lines;
    // One that was asked in another window meanwhile follows those that were put in order.
    orderQuestions(db, most, [third.id, first!.id, 'gone'], '2026-01-03T00:00:00.000Z');
    expect(ofTable().map((q) => q.id)).to.deep.equal([third.id, first!.id, second!.id]);
    expect(questionsOf(db, study).filter((q) => q.tableId !== most)).to.deep.equal(others);
    expect(readStudy(db, study)).to.include({ lines, changedAt: '2026-01-03T00:00:00.000Z' });
  });

  it('says of what was removed that it was, and of what never was that it is not there', () => {
    const { revision } = readTable(db, table);
    const [question] = questionsOf(db, study);
    const figure = figuresOf(db, study)[0]!;
    removeFigure(db, figure.id, { at });
    expect(() => updateFigure(db, figure.id, 0, figure.style, { at })).to.throw(Gone, 'the log of its study');
    removeQuestion(db, question!.id, { at });
    expect(() => updateQuestion(db, question!.id, 0, question!.question, { at })).to.throw(Gone);
    expect(() => updateQuestion(db, 'never', 0, question!.question, { at })).to.throw(NotFound);
    deleteTable(db, table, { at });
    expect(() => editTable(db, table, revision, write(0, '1'), at)).to.throw(Gone, 'removed from their study');
    restoreTable(db, table, { at });
    deleteStudy(db, study, { at });
    expect(() => editTable(db, table, revision, write(0, '1'), at)).to.throw(Gone, 'the shelf');
    expect(() => readStudy(db, study)).to.throw(Gone);
    restoreStudy(db, study, { at });
    expect(editTable(db, table, revision, write(0, '1'), at)).to.equal(revision + 1);
  });

  it('takes a question sent twice for one where only the reply was lost', () => {
    const { id, question, revision } = questionsOf(db, study)[0]!;
    const next = { ...question, alpha: 0.01 };
    expect(updateQuestion(db, id, revision, next, { at })).to.equal(revision + 1);
    expect(updateQuestion(db, id, revision, next, { at })).to.equal(revision + 1);
    expect(() => updateQuestion(db, id, revision, question, { at })).to.throw(Conflict);
  });

  it('writes nothing into a file that is no longer there', () => {
    const own = join(folder, 'gone.sqlite');
    const other = openDb(own, process.cwd());
    const id = createStudy(other, demoStudy(), at);
    rmSync(own);
    expect(() => createStudy(other, demoStudy(), at)).to.throw(NotKept, 'deleted or replaced');
    expect(() => editTable(other, tableIdsOf(other, id)[0]!, 0, write(0, '1'), at)).to.throw(NotKept);
    other.$client.close();
  });

  it('sends a table in stretches that make the same table again, and at once knows it for the first edit', async () => {
    const columns = [0, 1, 2].map((k) => ({
      ...emptyColumn(`c${k}`, `Line ${k}`, 'mm'),
      cells: Array.from({ length: 2500 + k }, (_, row) => (row % 7 === k ? '' : `${row}\t"${k}" ü`)),
      aside: { 0: 'first', 1999: 'last of a run', 2000: 'first of a run' },
    }));
    const id = addTable(db, study, tableOf(columns), { at, origin: '' });
    const lines = (await new Response(tableStream(db, id)).text()).split('\n').filter(Boolean);
    const [head, ...runs] = lines.map((line) => JSON.parse(line) as Record<string, unknown>);
    const { table: empty, runs: count, ...rest } = head as { table: Table; runs: number };
    expect(runs).to.have.lengthOf(count);
    const gathered = new Gathered(empty);
    for (const run of runs as { column: string; from: number; cells: string[]; aside: Record<string, string> }[])
      gathered.add(run.column, run.from, run.cells, run.aside);
    expect({ ...rest, table: gathered.table() }).to.deep.equal(readTable(db, id));
    expect(readTable(db, id).table.columns.map((c) => c.cells.length)).to.deep.equal([2500, 2501, 2502]);
    expect(() => tableStream(db, 'none')).to.throw(NotFound);
    deleteTable(db, id, { at, by: '' });
  });

  it('keeps what was typed as it was typed, across runs of rows and a new opening', () => {
    const texts = Array.from({ length: 2500 }, (_, i) => (i === 1700 ? ' <LOD ' : `${i},50`));
    editTable(db, table, 0, write(0, ...texts), at);
    editTable(db, table, 1, [{ kind: 'set-aside', cells: [{ column: 'red', row: 2100, reason: 'lid off' }] }], at);
    editTable(db, table, 2, [{ kind: 'remove-rows', at: 5, count: 3 }], at);
    db.$client.close();
    db = openDb(file, process.cwd());
    const kept = readTable(db, table);
    texts.splice(5, 3);
    expect(kept.table.columns[0]!.cells).to.deep.equal(texts);
    expect(kept.table.columns[0]!.aside).to.deep.equal({ 2097: 'lid off' });
    expect(kept.table.rowCount).to.equal(2497);
    expect(kept.revision).to.equal(3);
  });

  it('refuses a write against an older revision, and writes nothing', () => {
    editTable(db, table, 0, write(0, '1'), at);
    expect(() => editTable(db, table, 0, write(0, '2'), at)).to.throw(Conflict, 'another window');
    expect(readTable(db, table).table.columns[0]!.cells[0]).to.equal('1');
    const { id, question } = questionsOf(db, study)[0]!;
    updateQuestion(db, id, 0, { ...question, level: 0.9 }, { at });
    expect(() => updateQuestion(db, id, 0, question, { at })).to.throw(Conflict);
  });

  it('writes all of a change or nothing of it', () => {
    const before = readTable(db, table);
    expect(() => editTable(db, table, 0, [...write(0, 'x'), { kind: 'remove-column', column: 'none' }], at)).to.throw(
      'no longer',
    );
    expect(readTable(db, table)).to.deep.equal(before);
  });

  it('undoes and redoes, also after a new opening, and forgets the undone when something new is done', () => {
    const before = readTable(db, table).table;
    editTable(db, table, 0, write(0, 'a'), at);
    editTable(db, table, 1, [{ kind: 'remove-column', column: 'white' }], at);
    const after = readTable(db, table).table;
    db.$client.close();
    db = openDb(file, process.cwd());
    stepTable(db, table, 2, 'undo', at);
    stepTable(db, table, 3, 'undo', at);
    expect(readTable(db, table).table).to.deep.equal(before);
    expect(stepTable(db, table, 4, 'undo', at)).to.equal(undefined);
    stepTable(db, table, 4, 'redo', at);
    stepTable(db, table, 5, 'redo', at);
    expect(readTable(db, table).table).to.deep.equal(after);
    stepTable(db, table, 6, 'undo', at);
    editTable(db, table, 7, write(1, 'new'), at);
    expect(readTable(db, table).canRedo).to.equal(false);
  });

  it('copies a study whole, and brings a deleted one back whole', () => {
    const copy = duplicateStudy(db, study, at);
    const inside = (id: string) => ({
      tables: tableIdsOf(db, id).map((t) => ({ ...readTable(db, t).table, id: '' })),
      questions: questionsOf(db, id).map((q) => q.question),
      figures: figuresOf(db, id).map((f) => f.style),
    });
    expect(inside(copy)).to.deep.equal(inside(study));
    deleteStudy(db, copy, { at });
    expect(() => readStudy(db, copy)).to.throw(NotFound);
    expect(allStudies(db).map((s) => s.id)).not.to.include(copy);
    restoreStudy(db, copy, { at });
    expect(inside(copy)).to.deep.equal(inside(study));
  });

  it('adds tables, takes them out with what was asked of them, and puts them back', () => {
    const questions = questionsOf(db, study).length;
    const { table: draft } = demoTables()[1]!;
    const added = addTable(db, study, draft, { at, origin: 'taken in from a file' });
    expect(tableIdsOf(db, study).at(-1)).to.equal(added);
    expect(madeOf(db, added)).to.include({ at, origin: 'taken in from a file' });
    expect(readTable(db, added).table).to.deep.equal({ ...draft, id: added });
    expect(studyOfTable(db, added)).to.equal(study);
    deleteTable(db, table, { at });
    expect(tableIdsOf(db, study)).not.to.include(table);
    expect(questionsOf(db, study).length).to.equal(questions - 1);
    restoreTable(db, table, { at });
    expect(tableIdsOf(db, study)[0]).to.equal(table);
    expect(questionsOf(db, study).length).to.equal(questions);
    expect(() => deleteTable(db, 'none', { at })).to.throw(NotFound);
  });

  it('keeps layouts, roles, groups, formulas and notes through a new opening', () => {
    const levels = [{ id: 'x', name: 'φύκια', colour: 3 }];
    const column = {
      ...emptyColumn('d', 'half', 'mm'),
      formula: { kind: 'score' as const, of: 'red' },
      colour: 5,
      note: 'seed 7',
    };
    const revision = editTable(
      db,
      table,
      0,
      [
        { kind: 'insert-column', at: 1, column: sentColumn(column) },
        { kind: 'describe-column', column: 'white', role: 'group', levels },
        { kind: 'describe-table', shape: 'rows', average: true, spread: 'interval', level: 0.9 },
        { kind: 'describe-table', described: { figures: ['n', 'cv'], rule: 'hinges', level: 0.9, decimals: 2 } },
        { kind: 'order-rows', order: Array.from({ length: 18 }, (_, i) => 17 - i) },
      ],
      at,
      'tester',
    );
    const before = readTable(db, table).table;
    expect(before.described?.figures).to.deep.equal(['n', 'cv']);
    const again = openDb(file, process.cwd());
    expect(readTable(again, table).table).to.deep.equal(before);
    expect(
      before.columns.map((c) => [c.id, c.role, c.colour, c.note, c.formula?.kind, c.levels?.[0]?.name]),
    ).to.deep.equal([
      ['red', 'measure', undefined, undefined, undefined, undefined],
      ['d', 'measure', 5, 'seed 7', 'score', undefined],
      ['white', 'group', undefined, undefined, undefined, 'φύκια'],
    ]);
    expect(changesOf(again, table, 10).map((c) => [c.by, c.undone, c.edits.length])).to.deep.equal([
      ['tester', false, 5],
    ]);
    stepTable(again, table, revision, 'undo', at);
    const { table: original } = demoTables()[0]!;
    expect(readTable(again, table).table.columns.map((c) => [c.role, c.levels, c.aside])).to.deep.equal(
      original.columns.map((c) => [c.role, c.levels, c.aside]),
    );
    again.$client.close();
  });
});
