import { expect } from 'chai';
import { namesOf } from '../../src/core/question/naming';
import { type Question, defaultQuestion } from '../../src/core/question/question';
import { emptyColumn, tableOf } from '../../src/core/readings/table';
import { distinctNames } from '../../src/core/telling/distinct-names';
import { unpack } from '../../src/formats/wire';
import { startDemo } from '../../src/server/demo-study';
import { shelfLines, studySpine, tableForPage } from '../../src/server/study-page';
import { type Branch, branchOf, branches, sought } from '../../src/core/study/spine';
import { openDb } from '../../src/store/open';
import { readTable } from '../../src/store/read-table';
import { questionsOf, updateQuestion } from '../../src/store/questions';
import { deleteTable } from '../../src/store/tables';

const lamps = tableOf([
  { ...emptyColumn('red', 'Red lamp', 'mm'), cells: ['1', '2', '4'] },
  { ...emptyColumn('white', 'White lamp', 'mm'), cells: ['2', '3', '5'] },
  { ...emptyColumn('blue', 'Blue lamp', 'mm'), cells: ['7', '8', '6'] },
]);
const asked: Question = defaultQuestion('red', 'white');
const named = (...questions: Partial<Question>[]): string[] =>
  distinctNames(questions.map((q) => ({ named: namesOf({ ...asked, ...q }, lamps), table: 'Lamp trial' })));

describe('questions in a list', () => {
  it('go by their groups alone where nothing else does', () =>
    expect(named({}, { b: 'blue' })).to.deep.equal(['Red lamp · White lamp', 'Red lamp · Blue lamp']));

  it('say the one thing that sets them apart where several go by the same', () => {
    expect(named({}, { method: 'ranks' }, { b: 'blue' })).to.deep.equal([
      'Red lamp · White lamp, Welch’s t-test',
      'Red lamp · White lamp, Mann–Whitney test',
      'Red lamp · Blue lamp',
    ]);
    expect(named({ level: 0.9 }, { level: 0.99 })).to.deep.equal([
      'Red lamp · White lamp, 90 %',
      'Red lamp · White lamp, 99 %',
    ]);
    expect(named({}, { withAside: true })[1]).to.equal('Red lamp · White lamp, with those set aside');
    expect(named({ design: 'several', follow: 'holm' }, { design: 'several', follow: 'scheffe' })[1]).to.match(
      /, Scheffé$/,
    );
  });

  it('are never alike: what no one thing tells is numbered', () => {
    const many = named({}, {}, { level: 0.9 }, { level: 0.9 }, { level: 0.9, direction: 'greater' });
    expect(new Set(many).size).to.equal(many.length);
    expect(named({}, {})).to.deep.equal(['Red lamp · White lamp', 'Red lamp · White lamp (2)']);
  });
});

describe('the spine of the demo study', () => {
  const db = openDb(':memory:', process.cwd());
  const study = startDemo(db, '2026-01-02T03:04:05.000Z');
  after(() => db.$client.close());

  it('has every question and figure by a name of its own, each with its page', () => {
    const spine = studySpine(db, study);
    for (const entries of [spine.readings, spine.questions]) {
      expect(entries.length).to.be.above(10);
      expect(new Set(entries.map((e) => e.label)).size).to.equal(entries.length);
      for (const { href, label } of entries) {
        expect(href).to.match(new RegExp(`^/studies/${study}/(readings|questions)/.`));
        expect(label).not.to.match(/undefined|no longer|^\W*$/);
      }
    }
    // A figure goes by its question and what it shows; under its question by what it shows.
    expect(new Set(spine.figures.map((f) => f.label)).size).to.equal(spine.figures.length);
    for (const { label, short, of } of spine.figures)
      expect(label).to.equal(`${spine.questions.find((q) => q.id === of)?.label ?? 'none'}: ${short ?? ''}`);
    expect(spine.figures.map((f) => f.short)).to.include.members(['means with error bars', 'lines through cell means']);
    expect(shelfLines(db)[0]?.compared).to.match(/^Does blade length .* differ between Red lamp and White lamp.*\?$/);
  });

  it('is a tree: questions under their table, figures under their question, found by any of their words', () => {
    const spine = studySpine(db, study);
    const all = branches(spine);
    const flat = (list: readonly Branch[]): string[] => list.flatMap((b) => [b.entry.id, ...flat(b.under)]);
    expect(flat(all)).to.have.members(
      [...spine.readings, ...spine.questions, ...spine.figures, ...(spine.measures ?? [])].map((e) => e.id),
    );
    const figure = spine.figures[0]!;
    const branch = branchOf(all, figure.id)!;
    expect(branch.of).to.equal('Readings');
    expect(branch.under.some((q) => q.entry.id === figure.of && q.under.some((f) => f.entry === figure))).to.equal(
      true,
    );
    // What is found stands with what it belongs to, and brings what belongs to it.
    expect(sought(all, '')).to.deep.equal(all);
    const [found, ...more] = sought(all, 'PIPETTE 1000');
    expect(more).to.deep.equal([]);
    expect(found?.under.map((q) => q.entry.label)).to.deep.equal(['Pipette 3 · 1000 µL']);
    expect(sought(all, 'nothing of the kind')).to.deep.equal([]);
  });

  it('calls a question as the person does, once they do', () => {
    const { id, question, revision } = questionsOf(db, study)[0]!;
    updateQuestion(db, id, revision, { ...question, name: 'Main trial' }, { at: '2026-01-02T03:05:00.000Z' });
    const { questions, figures } = studySpine(db, study);
    expect(questions[0]?.label).to.equal('Main trial');
    expect(figures.find((f) => f.of === id)?.label).to.match(/^Main trial: /);
    updateQuestion(db, id, revision + 1, question, { at: '2026-01-02T03:06:00.000Z' });
    expect(studySpine(db, study).questions[0]?.label).to.equal('Red lamp · White lamp');
  });

  it('sends a table within its page as it is kept, a column as one text', () => {
    const { readings } = studySpine(db, study);
    for (const { id } of readings) {
      const packed = tableForPage(db, id);
      if (!packed) throw new Error('not within the page');
      const props = JSON.stringify(packed);
      expect(unpack(JSON.parse(props) as typeof packed)).to.deep.equal(JSON.parse(JSON.stringify(readTable(db, id))));
      for (const { cells } of readTable(db, id).table.columns)
        if (cells.length >= 32) expect(props).to.include(JSON.stringify(cells.join('\n')));
    }
    expect(readings.length).to.be.above(5);
  });

  it('forgets what stood on a removed table', () => {
    const before = studySpine(db, study);
    const [first] = before.readings;
    if (!first) throw new Error('no readings');
    expect(readTable(db, first.id).table.name).to.equal(first.label);
    deleteTable(db, first.id, { at: '2026-01-02T04:00:00.000Z' });
    const spine = studySpine(db, study);
    expect(spine.readings.map((r) => r.id)).not.to.include(first.id);
    expect(spine.questions.length).to.be.below(before.questions.length);
    expect(spine.figures.length).to.be.below(before.figures.length);
  });
});
