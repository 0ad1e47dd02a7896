import { expect } from 'chai';
import { namesOf } from '../../src/core/question/naming';
import { type Question, defaultQuestion } from '../../src/core/question/question';
import { emptyColumn, tableOf } from '../../src/core/readings/table';
import { distinctNames } from '../../src/core/telling/distinct-names';
import { startDemo } from '../../src/server/demo-study';
import { shelfLines, studySpine, tableForPage } from '../../src/server/study-page';
import { openDb } from '../../src/store/open';
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
    const questions = spine.questions.map((q) => q.label);
    for (const { label } of spine.figures) expect(questions).to.include(label);
    expect(shelfLines(db)[0]?.compared).to.match(/^Does blade length .* differ between Red lamp and White lamp.*\?$/);
  });

  it('forgets what stood on a removed table', () => {
    const before = studySpine(db, study);
    const [first] = before.readings;
    if (!first) throw new Error('no readings');
    expect(tableForPage(db, first.id)?.table.name).to.equal(first.label);
    deleteTable(db, first.id, { at: '2026-01-02T04:00:00.000Z' });
    const spine = studySpine(db, study);
    expect(spine.readings.map((r) => r.id)).not.to.include(first.id);
    expect(spine.questions.length).to.be.below(before.questions.length);
    expect(spine.figures.length).to.be.below(before.figures.length);
  });
});
