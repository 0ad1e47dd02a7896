import { expect } from 'chai';
import fc from 'fast-check';
import { answer } from '../../src/core/answering/answer';
import { registeredParts } from '../../src/core/answering/registered';
import type { Answer } from '../../src/core/answer/answer';
import { drawnPlate } from '../../src/charts/drawn-plate';
import { usualStyle } from '../../src/core/figures/kinds';
import { random } from '../../src/core/numeric/random';
import { defaultQuestion, questionOf } from '../../src/core/question/question';
import { blindEdits, isBlind, notBlinded, revealEdits, underLetters } from '../../src/core/readings/blind';
import { applyEdits } from '../../src/core/readings/edits';
import { groupsOf } from '../../src/core/readings/groups';
import { reshapeEdits } from '../../src/core/readings/reshape';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { questionSentence } from '../../src/core/telling/question';
import { methodsSentence, resultsSentence } from '../../src/core/telling/report';
import type { TableEdit } from '../../src/core/readings/table-edit';
import { changeWords } from '../../src/core/words/changes';
import { eventWords } from '../../src/core/study/event-words';
import { textTables } from '../../src/core/words/tables/tables';
import { plain } from '../../src/core/words/text';
import { standingOf } from '../../src/islands/write-up/nodes';
import { readBundle } from '../../src/formats/study-bundle';
import { bundleOf, openBundle } from '../../src/server/bundle';
import { startDemo } from '../../src/server/demo-study';
import { namesTold } from '../../src/server/names-told';
import { studyPieces } from '../../src/server/pieces';
import { logLines } from '../../src/server/study-log';
import { openDb } from '../../src/store/open';
import { eventsOf } from '../../src/store/events';
import { askQuestion, questionsOf, readQuestion, removeQuestion, updateQuestion } from '../../src/store/questions';
import { askedNow } from '../../src/store/reveal';
import { createStudy } from '../../src/store/studies';
import { editTable, stepTable } from '../../src/store/change-table';
import { readTable } from '../../src/store/read-table';
import { addTable } from '../../src/store/tables';
import { readWriteUp } from '../../src/store/write-ups';
import { type WriteUp, piecesIn } from '../../src/core/write-up/document';

const at = '2026-03-03T09:00:00.000Z';
const later = '2026-03-09T17:00:00.000Z';
const names = ['Red lamp', 'White lamp', 'Daylight'];
const columns = tableOf(
  names.map((name, i) => ({
    ...emptyColumn(['r', 'w', 'd'][i]!, name, 'mm'),
    cells: ['61', '64', '66', '70'].map((x) => String(Number(x) + 3 * i)),
    aside: i === 0 ? { 1: 'tag lost' } : {},
  })),
  { measure: 'blade length' },
);
const rows = applyEdits(columns, reshapeEdits(columns, 'rows')).table;
const blinded = (table: Table, seed = 1): Table => applyEdits(table, blindEdits(table, at, random(seed))).table;
const revealed = (table: Table): Table => applyEdits(table, revealEdits(table, later)).table;
const answered = (table: Table): Answer => {
  const found = answer(questionOf('several'), table);
  if (!found.ok) throw new Error(found.reason);
  return found.value;
};
/** All that a page says of an answer, and its figure. */
const told = (given: Answer): string =>
  [
    questionSentence(given),
    plain(methodsSentence(given)),
    given.comparison.ok ? plain(resultsSentence(given, given.comparison.value)) : '',
    JSON.stringify(textTables(given)),
    JSON.stringify(drawnPlate({ answer: given, style: usualStyle(given) })),
  ].join('\n');

describe('blinding', () => {
  for (const [name, table] of Object.entries({ 'one column per group': columns, 'one row per reading': rows }))
    it(`puts letters for names everywhere, and the same numbers, in ${name}`, () => {
      const before = answered(table);
      const hidden = blinded(table);
      expect(isBlind(hidden)).to.equal(true);
      const now = answered(hidden);
      expect(now.groups.map((g) => g.name)).to.deep.equal(['A', 'B', 'C']);
      for (const group of names) {
        expect(told(now)).not.to.include(group);
        // Neither does the table itself as it is exported.
        expect(JSON.stringify({ ...hidden, columns: hidden.columns.map((c) => [c.name, c.cells]) })).not.to.include(
          group,
        );
      }
      expect(plain(methodsSentence(now))).to.match(/Group names have been hidden behind letters since 3 March 2026\.$/);
      // The answer is that of the same groups.
      const of = (given: Answer, id: string) => given.groups.find((g) => g.id === id)!.summary;
      for (const { id } of before.groups) expect(of(now, id)).to.deep.equal(of(before, id));
      // Colours tell nothing: they follow the letters.
      expect(now.groups.map((g) => g.colour)).to.deep.equal([0, 1, 2]);

      const back = revealed(hidden);
      expect(isBlind(back)).to.equal(false);
      for (const { id, name: was } of before.groups)
        expect(answered(back).groups.find((g) => g.id === id)!.name).to.equal(was);
      expect(plain(methodsSentence(answered(back)))).to.match(
        /hidden behind letters from 3 March 2026 to 9 March 2026; 1 reading had been set aside before they were named, and none since\.$/,
      );
    });

  it('gives any order of letters, by chance', () => {
    const orders = new Set(
      Array.from({ length: 60 }, (_, seed) =>
        blinded(columns, seed)
          .columns.map((c) => c.id)
          .join(''),
      ),
    );
    expect(orders.size).to.equal(6);
  });

  it('puts names back in rows that came since and leaves new groups alone, whatever was done meanwhile', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), fc.constantFrom('A', 'B', 'C', 'new'), (seed, group) => {
        const hidden = blinded(rows, seed);
        const by = hidden.columns.find((c) => c.role === 'group')!;
        const value = hidden.columns.find((c) => c.role === 'measure')!;
        const grown = applyEdits(hidden, [
          { kind: 'write', row: hidden.rowCount, columns: [by.id, value.id], texts: [[group, '99']] },
          { kind: 'order-rows', order: Array.from({ length: hidden.rowCount + 1 }, (_, i) => hidden.rowCount - i) },
        ]).table;
        const was = groupsOf(grown, {}).find((g) => g.readings.used.some((r) => r.value === 99))!;
        const back = revealed(grown);
        const is = groupsOf(back, {}).find((g) => g.readings.used.some((r) => r.value === 99))!;
        expect(is.id).to.equal(was.id);
        if (group === 'new') expect(is.name).to.equal('new');
        else expect(names).to.include(is.name);
        expect(groupsOf(back, {}).map((g) => g.name)).to.include.members(names);
      }),
    );
  });

  it('says why a table cannot be blinded, or named', () => {
    const counts = tableOf([emptyColumn('c', 'settled', '', 'count')], { shape: 'counts' });
    expect(notBlinded(counts)).to.match(/cannot be blinded/);
    expect(() => blindEdits(blinded(columns), at, random(1))).to.throw('hidden already');
    expect(() => revealEdits(columns, at)).to.throw('not hidden');
    const tampered = { ...blinded(columns), blind: { from: at, asideFrom: 0, sealed: '00ff' } };
    expect(() => revealEdits(tampered, at)).to.throw('changed by hand');
    expect(notBlinded(tableOf([], { shape: 'rows' }))).to.match(/no groups to hide/);
  });

  it('names a derived column by no group, and shows it under its name again', () => {
    const derived = {
      ...columns,
      columns: [
        ...columns.columns,
        { ...emptyColumn('x', 'Red lamp − White lamp', 'mm'), formula: { kind: 'score' as const, of: 'r' } },
      ],
    };
    const hidden = blinded(derived);
    expect(hidden.columns.find((c) => c.id === 'x')?.name).to.equal('computed 1');
    expect(revealed(hidden).columns.find((c) => c.id === 'x')?.name).to.equal('Red lamp − White lamp');
  });

  it('is told in the log without names until they are back, and then with each letter', () => {
    const edits = blindEdits(columns, at, random(1));
    const { table: hidden, inverse } = applyEdits(columns, edits);
    expect(changeWords(hidden, edits, inverse)).to.equal('group names hidden behind letters');
    const reveal = revealEdits(hidden, later);
    const back = applyEdits(hidden, reveal);
    const words = changeWords(back.table, reveal, back.inverse);
    expect(words).to.match(/^group names put back: A is (Red lamp|White lamp|Daylight), B is .*, C is /);
    for (const name of names) expect(words).to.include(name);
  });

  it('hides names in the pieces, the log and the bundle of a study, keeps questions answered, and survives the bundle', async () => {
    const db = openDb(':memory:', process.cwd());
    const study = startDemo(db, at);
    const [asked] = questionsOf(db, study);
    const { tableId, question } = asked!;
    const groups = ['Red lamp', 'White lamp'];
    const renamed = { kind: 'describe-column' as const, column: 'red', name: 'Red lamp, old' };
    editTable(db, tableId, 0, [renamed, { ...renamed, name: 'Red lamp' }], at);
    const { table } = readTable(db, tableId);
    editTable(db, tableId, 1, blindEdits(table, at, random(5)), at);

    const pieces = studyPieces(db, study);
    const mine = JSON.stringify([pieces.questions[asked!.id], pieces.descriptions[tableId]]);
    for (const name of groups) expect(mine).not.to.include(name);
    const lines = logLines(db, study).filter((l) => l.href?.includes(tableId));
    expect(lines.map((l) => l.words)).to.include('group names hidden behind letters');
    expect(lines.map((l) => l.words)).to.include('names of groups, not told while they are hidden');
    for (const line of lines) for (const name of groups) expect(line.words).not.to.include(name);
    // Pieces of the text are renewed, and what they read before is not shown beside.
    const { writeUp } = readWriteUp(db, study)!;
    const own = piecesIn(writeUp).filter((p) => 'question' in p.attrs && p.attrs.question === asked!.id);
    expect(own.length).to.be.greaterThan(3);
    for (const piece of own) expect(standingOf(piece, pieces).old).to.equal(undefined);

    const bytes = await bundleOf(db, study);
    const { content } = await readBundle(bytes);
    expect(isBlind(content.tables.find((t) => t.id === tableId)!.table)).to.equal(true);
    const copy = await openBundle(db, bytes, later);
    const there = questionsOf(db, copy.id)[0]!;
    const again = readTable(db, there.tableId);
    editTable(db, there.tableId, again.revision, revealEdits(again.table, later), later);
    const found = answer(there.question, readTable(db, there.tableId).table);
    expect(found.ok && found.value.groups.map((g) => g.name)).to.deep.equal(groups);
    expect(question.a).to.equal('red');
    // Undo takes the letters back as it takes back anything, and the log keeps that it was done.
    stepTable(db, tableId, readTable(db, tableId).revision, 'undo', later);
    expect(readTable(db, tableId).table.columns.map((c) => c.name)).to.include.members(groups);
    expect(logLines(db, study).map((l) => l.words)).to.include('taken back: group names hidden behind letters');
    db.$client.close();
  });

  it('puts letters for names typed by hand that would tell which letter is which, and only for those', () => {
    const hidden = blinded(rows, 2);
    const lettered = underLetters(hidden);
    const letterOf = (name: string): string => lettered(name);
    for (const name of names) expect(letterOf(name)).to.match(/^[ABC]$/);
    expect(new Set(names.map(letterOf)).size).to.equal(3);
    expect(lettered('red lamp minus White lamp (Redlamp, lamp)')).to.equal(
      `${letterOf('Red lamp')} minus ${letterOf('White lamp')} (Redlamp, lamp)`,
    );
    // What is not hidden is left alone, and so is what was never hidden.
    expect(underLetters(rows)('Red lamp')).to.equal('Red lamp');
    const contrasts = [{ name: 'Red lamp against Daylight', weights: { r: 1, d: -1 } }];
    const found = answer(questionOf('several', { compare: 'contrasts', contrasts }), hidden);
    const follow = found.ok && found.value.comparison.ok && found.value.comparison.value.follow;
    expect(follow && follow.ok && follow.value[0]?.effects[0]?.name).to.equal(
      `${letterOf('Red lamp')} against ${letterOf('Daylight')}`,
    );
  });

  it('finds no deviation in contrasts that were registered under the names now hidden', () => {
    const hidden = blinded(rows, 2);
    const contrasts = [{ name: 'Red lamp against Daylight', weights: { r: 1, d: -1 } }];
    const question = questionOf('several', { compare: 'contrasts', contrasts, spread: 'separate' });
    const registered = { at, readings: 12, aside: 1, question };
    const found = answer({ ...question, registered }, hidden);
    expect(found.ok && found.value.registered?.deviations).to.deep.equal([]);
    const told = JSON.stringify(registeredParts(registered, hidden));
    for (const name of names) expect(told).not.to.include(name);
  });

  it('tells in Methods what was chosen after names were revealed, and what was asked only then', () => {
    const db = openDb(':memory:', process.cwd());
    const study = createStudy(db, { title: 'Lamps', tables: [], questions: [], figures: [] }, at);
    const table = addTable(db, study, columns, { at, by: 'Eilidh', origin: 'typed' });
    expect(logLines(db, study).map(({ by, words }) => [by, words])).to.deep.equal([['Eilidh', 'typed']]);
    const question = questionOf('several');
    askQuestion(db, 'q', study, table, question, { at });
    const change = (edits: TableEdit[]): number => editTable(db, table, readTable(db, table).revision, edits, later);
    change(blindEdits(readTable(db, table).table, at, random(3)));
    updateQuestion(db, 'q', 0, { ...question, level: 0.99 }, { at });
    change(revealEdits(readTable(db, table).table, later));
    const methods = (id: string): string => {
      const found = answer(readQuestion(db, id).question, readTable(db, table).table);
      if (!found.ok) throw new Error(found.reason);
      return plain(methodsSentence(found.value)).replaceAll('\u00a0', ' ');
    };
    expect(methods('q')).to.match(
      /; 1 reading had been set aside before they were named, and none since\. Nothing was chosen otherwise after they were named\.$/,
    );
    // A page that was open meanwhile saves its question as it knows it: what it was when they were named stays.
    updateQuestion(db, 'q', 1, { ...question, method: 'ranks', level: 0.9 }, { at: later });
    expect(methods('q')).to.match(
      / Chosen otherwise after they were named: method Kruskal–Wallis test, before Welch’s analysis of variance; level 90 % \(α = 0\.1\), before 99 % \(α = 0\.01\); comparisons .*\.$/,
    );
    askQuestion(db, 'late', study, table, askedNow(db, table, question), { at: later });
    expect(methods('late')).to.match(/ The question was asked after they were named\.$/);
    expect(
      eventsOf(db, study)
        .map((e) => eventWords(e))
        .join(),
    ).not.to.include('atReveal');
    db.$client.close();
  });

  it('covers a text whose own words name a hidden group, and shows no old words of a removed question', () => {
    const db = openDb(':memory:', process.cwd());
    const study = startDemo(db, at);
    const [asked] = questionsOf(db, study);
    const { tableId, id } = asked!;
    const text = (words: string) => ({ type: 'paragraph' as const, content: [{ type: 'text' as const, text: words }] });
    const writeUp: WriteUp = {
      type: 'doc',
      content: [text('Plants under the red lamp grew longer.'), text('A lamp.')],
    };
    expect(namesTold(db, study, writeUp)).to.equal(0);
    const before = piecesIn(readWriteUp(db, study)!.writeUp).find(
      (p) => 'question' in p.attrs && p.attrs.question === id,
    )!;
    editTable(db, tableId, 0, blindEdits(readTable(db, tableId).table, at, random(5)), at);
    expect(namesTold(db, study, writeUp)).to.equal(1);
    removeQuestion(db, id, { at: later });
    const { reading } = standingOf(before, studyPieces(db, study));
    expect(reading.kind === 'text' && plain(reading.text)).to.equal('not shown while group names are hidden');
    db.$client.close();
  });

  it('is a question’s two groups as well', () => {
    const found = answer(defaultQuestion('r', 'w'), blinded(columns, 3));
    if (!found.ok) throw new Error(found.reason);
    expect(found.value.groups.map((g) => g.name).join()).to.match(/^[ABC],[ABC]$/);
    expect(found.value.groups.map((g) => g.id)).to.deep.equal(['r', 'w']);
  });
});
