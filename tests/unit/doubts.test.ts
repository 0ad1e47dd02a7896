import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { firstQuestion } from '../../src/core/question/first';
import { asked, newGroups, withGroup } from '../../src/core/question/known-groups';
import { lackingFor } from '../../src/core/question/lacking';
import { namesOf } from '../../src/core/question/naming';
import { otherQuestions } from '../../src/core/question/others';
import { answer } from '../../src/core/answering/answer';
import { asideCount } from '../../src/core/readings/blind';
import { countTable } from '../../src/core/readings/count-table';
import { sentColumn } from '../../src/core/readings/column-edits';
import { applyEdits } from '../../src/core/readings/edits';
import { groupsOf } from '../../src/core/readings/groups';
import { readColumn } from '../../src/core/readings/read-column';
import { type Table, columnsOf, emptyColumn, shapes, tableOf } from '../../src/core/readings/table';
import { conversion, isUnit, splitUnit } from '../../src/core/readings/units';
import { areNear } from '../../src/core/understanding/doubts/names';
import { openDoubts } from '../../src/core/understanding/doubts/open-doubts';
import { intake } from '../../src/core/understanding/intake';
import { scaffoldEdits } from '../../src/core/understanding/scaffold';
import { turnRoundEdits } from '../../src/core/understanding/turn-round';
import { questionSentence } from '../../src/core/telling/question';
import { methodsSentence } from '../../src/core/telling/report';
import { plain } from '../../src/core/words/text';
import { blockFromText } from '../../src/formats/clipboard';
import { understoodCase } from '../../src/server/understood-case';
import { demoTables } from '../../demo/skerrow';
import { draftOf } from '../../src/core/readings/table-edit';
import { editWords } from '../../src/core/words/changes';
import { openDb } from '../../src/store/open';
import { createStudy } from '../../src/store/studies';
import { readTable } from '../../src/store/read-table';
import { addTable } from '../../src/store/tables';
import type { Case } from '../understanding/hold';
import { moreCases } from '../understanding/more-cases';

const { cases } = JSON.parse(readFileSync('tests/understanding/cases.json', 'utf8')) as { cases: Case[] };
const textOf = (id: string): string => {
  const found = [...cases, ...moreCases].find((c) => c.id === id);
  if (!found) throw new Error(id);
  return found.text;
};
const pasted = (text: string): Table => ({ id: 't', name: '', ...intake(blockFromText(text)).table });
/** A table with the mend of a doubt applied, by the beginning of the mend's label. */
function mended(table: Table, code: string, label: string): Table {
  const doubt = openDoubts(table).find((d) => d.code === code);
  const mend = doubt?.mends.find((m) => m.label.startsWith(label));
  if (!mend) throw new Error(`no “${label}” for ${code}: ${doubt?.mends.map((m) => m.label).join(', ') ?? 'no doubt'}`);
  return applyEdits(table, mend.edits).table;
}
const codes = (table: Table): string[] => openDoubts(table).map((d) => d.code);
const counts = (table: Table): number[] => groupsOf(table).map((g) => g.readings.used.length);
const words = (table: Table): string => {
  const question = firstQuestion(table);
  return question ? questionSentence(namesOf(question, table)) : '';
};

/** The methods of the question a table raises first. */
const methods = (table: Table): string => {
  const question = firstQuestion(table);
  const found = question && answer(question, table);
  if (!found?.ok) throw new Error(found?.reason ?? 'no question');
  return plain(methodsSentence(found.value));
};

describe('what is unclear about a table', () => {
  it('is said with the place, and mended with one click', () => {
    const slip = pasted(textOf('scale-slip'));
    const [doubt] = openDoubts(slip);
    expect(doubt?.text).to.equal(
      '28900 (red lamp, row 4) is about 1000 times the other readings: another unit, or a lost decimal point?',
    );
    expect(doubt?.where).to.deep.equal([{ column: 'c0', row: 3, called: 'red lamp, row 4' }]);
    const read = mended(slip, 'scale-slip', 'Read it as 28.9');
    expect(read.columns[0]?.cells[3]).to.equal('28.9');
    expect(codes(read)).to.deep.equal([]);
    expect(counts(mended(slip, 'scale-slip', 'Set it aside'))).to.deep.equal([8, 9]);
    expect(codes(mended(slip, 'scale-slip', 'It is right'))).to.deep.equal([]);
  });

  it('of a name among numbers empties its cell, or keeps it as a group', () => {
    const doses = ['0.5', '1', '2', '0.5', '1', '2', '0.5', 'x', '2', '0.5', '1', '2'];
    const table = (names: string[]): Table =>
      pasted(['dose (mM)\tgrowth (mm)', ...names.map((dose, i) => `${dose}\t${20 + i * 0.7}`)].join('\n'));
    const slip = table(doses);
    const doubt = openDoubts(slip).find((d) => d.code === 'odd-name');
    expect(doubt?.text).to.equal('“x” (dose, row 8) stands among numbers, and makes a group of its own.');
    expect(doubt?.where).to.deep.equal([{ column: 'c0', row: 7, called: 'dose, row 8' }]);
    const emptied = mended(slip, 'odd-name', 'Empty the cell');
    expect(groupsOf(emptied).map((g) => g.name)).to.deep.equal(['0.5 mM', '1 mM', '2 mM']);
    expect(codes(emptied)).to.include('no-group').and.not.include('odd-name');
    expect(codes(mended(slip, 'odd-name', 'It is a group'))).to.not.include('odd-name');
    // A control among doses is as good a group as they are.
    expect(codes(table(doses.map((dose, i) => (i % 4 === 0 ? 'control' : dose === 'x' ? '1' : dose))))).to.not.include(
      'odd-name',
    );
  });

  it('is not raised of what a cell beyond a limit was chosen to count as', () => {
    const cells = ['41.5', '42.2', '44', '<5', '40', '46.5', '43.1', '41.9'];
    const table = pasted(['cover', ...cells].join('\n'));
    expect(codes(table)).to.deep.equal(['beyond-limit']);
    expect(codes(mended(table, 'beyond-limit', 'Count as half'))).to.deep.equal([]);
    expect(codes(pasted(['cover', ...cells.map((c) => c.replace('<5', '4.2'))].join('\n')))).to.deep.equal([
      'scale-slip',
    ]);
  });

  it('of near names merges them into the commonest', () => {
    let table = pasted(textOf('near-names'));
    expect(groupsOf(table).length).to.equal(5);
    while (codes(table).includes('near-names')) table = mended(table, 'near-names', 'Merge into');
    expect(groupsOf(table).map((g) => g.name.toLowerCase())).to.have.members(['control', 'treated']);
    expect(counts(table).reduce((a, b) => a + b)).to.equal(25);
  });

  it('of answers under two names puts them below one another as groups, or keeps a row a subject', () => {
    const table = pasted('red\twhite\nyes\tno\nno\tno\nyes\tyes\nyes\tno\nyes\tno\nno\tyes');
    expect(codes(table)).to.deep.equal(['ambiguous-layout']);
    const groups = mended(table, 'ambiguous-layout', 'They are groups');
    expect(groups.columns.map((c) => [c.name, c.role])).to.deep.equal([
      ['group', 'group'],
      ['outcome', 'group'],
    ]);
    expect(groups.columns[0]?.cells).to.deep.equal([
      ...Array<string>(6).fill('red'),
      ...Array<string>(6).fill('white'),
    ]);
    expect(words(groups)).to.equal('Does the share of yes differ between red and white, when each one counts once?');
    expect(codes(groups)).to.deep.equal([]);
    const kept = mended(table, 'ambiguous-layout', 'Each row is one subject');
    expect(kept.columns).to.deep.equal(table.columns);
    expect(codes(kept)).to.deep.equal([]);
    // A cell that was set aside would come back by it.
    const [first] = table.columns;
    const aside = { ...table, columns: table.columns.map((c) => (c === first ? { ...c, aside: { 0: 'lost' } } : c)) };
    expect(codes(aside)).to.deep.equal([]);
    expect(
      firstQuestion(pasted('before\tafter\nyes\tno\nno\tno\nyes\tyes\nyes\tno\nyes\tno\nno\tyes')),
    ).to.deep.include({ about: 'share', design: 'paired' });
  });

  it('of a plate of wells makes groups of its rows, or leaves them to its columns', () => {
    const table = pasted(textOf('whole-plate'));
    expect(counts(table)).to.deep.equal(Array<number>(12).fill(8));
    expect(counts(mended(table, 'ambiguous-layout', 'Each row is a group'))).to.deep.equal(Array<number>(8).fill(12));
    expect(codes(mended(table, 'ambiguous-layout', 'Each column is a group'))).to.deep.equal([]);
  });

  it('of ranges takes the middle of each as a reading, or keeps them as classes', () => {
    const table = pasted('lamp\tlength (mm)\nred\t18-22\nred\t20-25\nwhite\t15.5-18\nwhite\t16 to 19');
    const read = mended(table, 'ranges', 'Take the middle');
    expect(read.shape).to.equal('rows');
    expect(read.columns[1]).to.deep.include({ role: 'measure', cells: ['20', '22.5', '16.75', '17.5'] });
    expect(counts(read)).to.deep.equal([2, 2]);
    expect(codes(mended(table, 'ranges', 'They are classes'))).to.deep.equal([]);
  });

  it('of two units converts the readings, or says that they are in one', () => {
    const table = pasted(textOf('mixed-units'));
    const inMm = mended(table, 'mixed-units', 'Convert to mm');
    expect(inMm.columns.map((c) => c.unit)).to.deep.equal(['mm', 'mm']);
    expect(inMm.columns[1]?.cells[0]).to.equal('286');
    const inCm = mended(table, 'mixed-units', 'Convert to cm');
    expect(inCm.columns[0]?.cells[0]).to.equal('3.16');
    expect(mended(table, 'mixed-units', 'All are in cm').columns[0]).to.deep.include({ unit: 'cm' });
    const cells = mended(pasted(textOf('cells-in-two-units')), 'mixed-units', 'Convert to mm');
    expect(cells.columns[0]?.cells[4]).to.equal('31');
  });

  it('of totals and summaries leaves them out, marked, until they are counted after all', () => {
    const table = pasted(textOf('counts-with-totals'));
    expect(countTable(table).rows.categories.map((c) => c.name)).to.deep.equal(['1 m', '3 m', '6 m']);
    expect(countTable(table).aside).to.equal(0);
    const counted = mended(table, 'total-row', 'Count it');
    expect(countTable(counted).rows.categories.map((c) => c.name)).to.deep.equal(['1 m', '3 m', '6 m', 'total']);
    const under = pasted(textOf('summary-rows-below'));
    // Nor do they come in where what was set aside is counted after all, or count as set aside.
    const again = answer({ ...firstQuestion(under)!, withAside: true }, under);
    expect(again.ok && again.value.groups.map((g) => g.n)).to.deep.equal([8, 8]);
    expect(asideCount(under)).to.equal(0);
    expect(openDoubts(under)[0]?.text).to.equal(
      'Row 9, “Mean” and row 10, “SD”, sum up the readings above and are not counted.',
    );
    expect(counts(under)).to.deep.equal([8, 8]);
    expect(counts(mended(under, 'summary-row', 'Count them'))).to.deep.equal([10, 10]);
    // Typed below later, it is told before it is left out.
    const typed = applyEdits(pasted(textOf('plain-two')), [
      {
        kind: 'insert-column',
        at: 0,
        column: sentColumn({ ...emptyColumn('l', '', '', 'label'), cells: [...Array<string>(9).fill(''), 'mean'] }),
      },
      { kind: 'write', row: 9, columns: ['c0', 'c1'], texts: [['31.2', '32.2']] },
    ]).table;
    expect(counts(typed)).to.deep.equal([10, 10]);
    expect(counts(mended(typed, 'summary-row', 'Leave it out'))).to.deep.equal([9, 9]);
  });

  it('of a row that stands twice counts it once, or twice where that is said', () => {
    const lines = pasted(textOf('a-pair-that-stands-twice'));
    expect(openDoubts(lines)[0]?.text).to.equal(
      'Row 5, “L3”, is in every cell the same as a row above, and is not counted again.',
    );
    expect(counts(lines)).to.deep.equal([7, 7]);
    expect(methods(lines)).to.include(' One row that stood twice was counted once.');
    const both = mended(lines, 'row-twice', 'Count it');
    expect(counts(both)).to.deep.equal([8, 8]);
    expect(methods(both)).not.to.include('twice');
    // Typed below later, it is counted until somebody says otherwise.
    const once = pasted(textOf('a-pair-that-stands-twice').replace(/\nL3.*(?=\nL3)/, ''));
    const typed = applyEdits(once, [
      { kind: 'write', row: 7, columns: ['c0', 'c1', 'c2'], texts: [['L6', '40.2', '44.4']] },
    ]).table;
    expect(openDoubts(typed)[0]?.text).to.equal(
      'Row 8, “L6”, is in every cell the same as a row above, and both are counted.',
    );
    expect(counts(mended(typed, 'row-twice', 'Leave it out'))).to.deep.equal([7, 7]);
    expect(counts(mended(typed, 'row-twice', 'Count both'))).to.deep.equal([8, 8]);
    // Readings that are alike by chance are no such rows, nor are answers that nobody is named for.
    expect(codes(pasted('lamp\tlength\nred\t20.1\nred\t20.1\nwhite\t21.4\nwhite\t20.1\nred\t19.8'))).to.deep.equal([]);
    expect(codes(pasted('lamp\tcolour\nred\tgreen\nwhite\tbrown\nred\tgreen\nwhite\tyellow'))).not.to.include(
      'row-twice',
    );
  });

  it('of a row that slipped to the right moves its cells back, or makes a column of what is beyond', () => {
    const slipped = pasted(textOf('a-row-that-slipped-to-the-right'));
    expect(counts(slipped)).to.deep.equal([8, 9]);
    const back = mended(slipped, 'cells-shifted', 'Move the cell back');
    expect(back.columns.map((c) => c.name)).to.deep.equal(['red', 'white']);
    expect(counts(back)).to.deep.equal([9, 9]);
    expect(back.columns.map((c) => c.cells[4])).to.deep.equal(slipped.columns.slice(1).map((c) => c.cells[4]));
    const third = mended(slipped, 'cells-shifted', 'It is a column of its own');
    expect(counts(third)).to.deep.equal([8, 9, 1]);
    expect(codes(third)).not.to.include('cells-shifted');
  });

  it('of readings of no subject counts each as one of its own, or leaves them out', () => {
    const tanks = pasted(textOf('a-tank-not-named'));
    expect(openDoubts(tanks).find((d) => d.code === 'no-subject')?.text).to.equal(
      '1 reading names no tank (row 18): it counts as one of its own.',
    );
    expect(counts(mended(tanks, 'no-subject', 'Leave it out'))).to.deep.equal([12, 11]);
    const own = mended(tanks, 'no-subject', 'It is one of its own');
    expect(counts(own)).to.deep.equal([12, 12]);
    expect(codes(own)).not.to.include('no-subject');
  });

  it('of numbers and years lets the person say what they are', () => {
    const numbers = pasted(textOf('running-number'));
    expect(words(mended(numbers, 'running-number', 'It says who each row is'))).to.include(
      'measured under every condition',
    );
    expect(codes(mended(numbers, 'running-number', 'It is a label'))).to.deep.equal([]);
    const years = pasted(textOf('row-names-years'));
    expect(firstQuestion(mended(years, 'calendar', 'It is a label'))).to.include({ design: 'estimate' });
  });

  it('of ± asks which spread it is, and answers by what it was told', () => {
    const table = pasted(textOf('summary-plus-minus'));
    const p = (t: Table): number => {
      const question = firstQuestion(t);
      const found = question && answer(question, t);
      if (!found?.ok || !found.value.comparison.ok) throw new Error('no answer');
      return found.value.comparison.value.p!;
    };
    // Welch: t = 0.71/√(0.62²/9 + 0.58²/9) = 2.509 as SDs, and 0.71/√(0.62² + 0.58²) = 0.836 as SEMs, df 15.93.
    expect(p(table)).to.be.closeTo(0.02331, 5e-5);
    expect(p(mended(table, 'spread-kind', 'It is the SEM'))).to.be.closeTo(0.4153, 5e-4);
    expect(codes(mended(table, 'spread-kind', 'It is the SD'))).to.deep.equal([]);
  });

  it('of several variables asks which is the outcome, and asks of that', () => {
    const table = pasted(textOf('case-by-variable'));
    expect(words(table)).to.include('blade length (mm)');
    const mass = mended(table, 'which-outcome', 'blade mass');
    expect(words(mass)).to.include('blade mass (g)');
    expect(codes(mass)).to.deep.equal([]);
  });

  it('asks which variable of a paper is compared, and compares that with its own spread', () => {
    const table = pasted(textOf('variables-down'));
    expect(columnsOf(table, 'measure').map((c) => c.name)).to.deep.equal(['mean length']);
    const other = mended(table, 'which-outcome', 'mean mass');
    expect(columnsOf(other, 'measure').map((c) => c.name)).to.deep.equal(['mean mass']);
    expect(columnsOf(other, 'spread').map((c) => c.name)).to.deep.equal(['SD of mass']);
    expect(codes(other)).to.deep.equal([]);
    expect(words(other)).to.equal('Does mass (g) differ between red and white, when each reading counts once?');
  });

  it('asks which times were not seen to their end, and sets those aside', () => {
    const table = pasted(textOf('times-cut-short'));
    expect(codes(table)).to.deep.equal(['beyond-limit']);
    expect(counts(table)).to.deep.equal([6, 6]);
    const kept = mended(table, 'beyond-limit', 'Set aside those with “0”');
    expect(counts(kept)).to.deep.equal([4, 4]);
    expect(codes(kept)).to.deep.equal([]);
    expect(codes(mended(table, 'beyond-limit', 'All were seen'))).to.deep.equal([]);
  });

  it('of limits, partners, subjects and groups is settled by a word', () => {
    const limits = pasted(textOf('beyond-limit'));
    expect(
      readColumn(columnsOf(mended(limits, 'beyond-limit', 'Count as half'), 'measure')[0]!).used.map((r) => r.value),
    ).to.include(11);
    for (const [id, code] of [
      ['lost-partners', 'lost-partners'],
      ['no-group', 'no-group'],
      ['same-names', 'same-names'],
      ['nested', 'replicates'],
      ['group-before-after', 'no-subject-column'],
    ] as const) {
      const table = pasted(textOf(id));
      const last = openDoubts(table)
        .find((d) => d.code === code)
        ?.mends.at(-1);
      expect(codes(applyEdits(table, last?.edits ?? []).table), id).not.to.include(code);
    }
    expect(openDoubts(pasted(textOf('lost-partners')))[0]?.text).to.equal(
      'F4 and F7 lack a reading and are left out of what is compared within pairs: 7 of 9 are complete.',
    );
  });

  it('of numbers that begin anew in each group lets the person say whether they are the same subjects', () => {
    const lines = (...rows: (string | number)[][]): Table => pasted(rows.map((row) => row.join('\t')).join('\n'));
    const reading = (k: number): string => (30 + ((k * 37) % 61) / 10).toFixed(1);
    const plants = lines(
      ['treatment', 'plant', 'length'],
      ...Array.from({ length: 12 }, (_, k) => [k < 6 ? 'control' : 'fed', 1 + (k % 6), reading(k)]),
    );
    expect(openDoubts(plants).map((d) => d.text)).to.deep.equal([
      'The same numbers of “plant” (1, 2, 3 and 3 more) come under each treatment. Each is taken as one plant throughout, compared with itself; if each treatment has its own, they are others.',
    ]);
    const same = mended(plants, 'no-subject-column', 'The same plant throughout');
    expect(firstQuestion(same)).to.include({ design: 'paired' });
    const own = mended(plants, 'no-subject-column', 'Each treatment has its own');
    expect(own.columns[1]?.cells.slice(5, 7)).to.deep.equal(['control 6', 'fed 1']);
    expect(firstQuestion(own)).to.include({ design: 'two-groups' });
    expect(codes(same)).to.deep.equal(codes(own)).and.to.deep.equal([]);
    // Tanks read several times each are samples then, and not the readings.
    const tanks = lines(
      ['treatment', 'tank', 'length'],
      ...Array.from({ length: 24 }, (_, k) => [k < 12 ? 'control' : 'fed', 1 + ((k >> 2) % 3), reading(k)]),
    );
    expect(firstQuestion(mended(tanks, 'no-subject-column', 'Each treatment has its own'))).to.include({
      design: 'nested-two',
    });
    // Of two factors plants are others in each combination, unless someone says that they are the same.
    const two = lines(
      ['plant', 'light', 'flow', 'length'],
      ...Array.from({ length: 24 }, (_, k) => [
        1 + (k >> 2),
        k & 2 ? 'red' : 'white',
        k & 1 ? 'still' : 'pulsed',
        reading(k),
      ]),
    );
    expect(firstQuestion(two)).to.include({ design: 'factorial' });
    expect(openDoubts(two)[0]?.text).to.match(/taken as another plant each time, compared with none of the others\.$/);
    expect(firstQuestion(mended(two, 'no-subject-column', 'The same plant'))).to.include({
      design: 'repeated-factorial',
    });
    const each = mended(two, 'no-subject-column', 'Each light and flow has its own');
    expect(firstQuestion(each)).to.include({ design: 'factorial' });
    expect(codes(each)).to.deep.equal([]);
    // What is done to each of a light's own plants is a condition of them.
    expect(firstQuestion(mended(two, 'no-subject-column', 'Each light has'))).to.include({ design: 'mixed' });
    // At several times the plants of each treatment are those of a group read throughout.
    const weeks = lines(
      ['treatment', 'plant', 'week', 'length'],
      ...Array.from({ length: 30 }, (_, k) => [
        k < 15 ? 'control' : 'fed',
        1 + (Math.floor(k / 3) % 5),
        2 * (k % 3),
        reading(k),
      ]),
    );
    expect(firstQuestion(mended(weeks, 'no-subject-column', 'Each treatment has its own'))).to.include({
      design: 'mixed',
    });
    // Where all rows of one stand together, it is one.
    const together = lines(
      ['plant', 'treatment', 'length'],
      ...Array.from({ length: 12 }, (_, k) => [1 + (k >> 1), k & 1 ? 'control' : 'fed', reading(k)]),
    );
    expect(codes(together)).to.deep.equal([]);
  });

  it('offers the ways that are about as likely, and reads the table as chosen', () => {
    const table = pasted(textOf('counts-or-readings'));
    expect(table.shape).to.equal('counts');
    const read = mended(table, 'ambiguous-layout', 'Read it as one row per subject');
    expect([read.shape, firstQuestion(read)?.design]).to.deep.equal(['repeated', 'paired']);
    expect(codes(read)).to.deep.equal([]);
  });

  it('raises nothing about the demo study but what is there: a lost partner, forty measures, a far reading', () => {
    const raised = demoTables().flatMap(({ table }) => codes(table).map((code) => `${table.name}: ${code}`));
    // One pigment reads 0.31 among 2.17 to 5.78.
    expect(raised).to.deep.equal([
      'Weekly growth: lost-partners',
      'Forty pigments: which-outcome',
      'Forty pigments: scale-slip',
      'Snails in tanks: replicates',
      'Missed visits: lost-partners',
      'Cells of blades of lines: replicates',
    ]);
  });

  it('stays settled in the database, and is told in the log', () => {
    const at = '2026-03-03T09:00:00.000Z';
    const db = openDb(':memory:', process.cwd());
    const study = createStudy(db, { title: 'Trial', tables: [], questions: [], figures: [] }, at);
    const table = pasted(textOf('running-number'));
    const mend = openDoubts(table)[0]?.mends.at(-1)?.edits ?? [];
    const { table: done } = applyEdits(table, mend);
    const id = addTable(db, study, draftOf(done), { at, origin: 'typed' });
    expect(readTable(db, id).table.settled).to.deep.equal({ 'running-number': 'c0' });
    expect(codes(readTable(db, id).table)).to.deep.equal([]);
    expect(editWords(table, mend[0]!)).to.equal('settled: a running number, No');
  });

  it('asks about a short name that stands once where a like one stands more often, not where both do', () => {
    const lamps = (names: string): string[] =>
      codes(
        pasted(
          `lamp\tlength (mm)\n${names
            .split(' ')
            .map((name, i) => `${name}\t2${i}.5`)
            .join('\n')}`,
        ),
      );
    expect(lamps('red red red white white whit')).to.deep.equal(['near-names']);
    expect(lamps('red red rad white white white')).to.deep.equal(['near-names']);
    expect(lamps('low low low slow slow slow')).to.deep.equal([]);
    expect(lamps('red red red white white dim')).to.deep.equal([]);
  });

  it('raises nothing about names that differ as names do', () => {
    for (const [a, b] of [
      ['line 1', 'line 2'],
      ['drug A', 'drug B'],
      ['1.5', '15'],
      ['KO1', 'KO2'],
      ['male', 'female'],
      ['low', 'slow'],
      ['treated', 'untreated'],
      ['day 1', 'day 11'],
    ] as const)
      expect(areNear(a, b), `${a}, ${b}`).to.equal(false);
    for (const [a, b] of [
      ['Control', 'control'],
      ['contol', 'control'],
      ['red lamp', 'red  lamp'],
      ['treatde', 'treated'],
      ['F-1', 'F1'],
    ] as const)
      expect(areNear(a, b), `${a}, ${b}`).to.equal(true);
  });
});

describe('well-formed tables under slips', () => {
  const reading = fc.integer({ min: 200, max: 400 }).map((x) => (x / 10).toFixed(1));
  const groups = fc.uniqueArray(fc.constantFrom('control', 'coir', 'felt', 'stone', 'nylon', 'sisal'), {
    minLength: 2,
    maxLength: 4,
  });
  const identifier = fc.constantFrom(
    'mouse',
    'patient',
    'fish',
    'tube',
    'frond',
    'raft',
    'plant',
    'subject',
    'animal',
    'seedling',
  );
  const matrix = (rows: number, width: number) =>
    fc.array(fc.array(reading, { minLength: width, maxLength: width }), { minLength: rows, maxLength: rows + 6 });
  const text = (rows: readonly (readonly string[])[]): string => rows.map((r) => r.join('\t')).join('\n');
  const mean = (rows: readonly (readonly string[])[], k: number): string =>
    (rows.reduce((s, r) => s + Number(r[k]), 0) / rows.length).toFixed(2);

  it('keep their groups and readings where a title, empty rows or a mean are added, or all is turned round', () =>
    fc.assert(
      fc.property(
        groups.chain((names) => fc.tuple(fc.constant(names), matrix(6, names.length))),
        fc.constantFrom('title', 'blank', 'mean', 'turned', 'repeated'),
        ([names, rows], slip) => {
          const plain = [names, ...rows];
          const blank = names.map(() => '');
          const slipped: Record<typeof slip, string[][]> = {
            title: [['Trial of May', ...blank.slice(1)], blank, ...plain],
            blank: [...plain.slice(0, 4), blank, blank, ...plain.slice(4)],
            mean: [['', ...names], ...rows.map((r) => ['', ...r]), ['Mean', ...names.map((_, k) => mean(rows, k))]],
            turned: names.map((name, k) => [name, ...rows.map((r) => r[k] ?? '')]),
            repeated: [...plain, names, ...rows],
          };
          const found = understoodCase(text(slipped[slip]));
          expect(found.groups).to.deep.equal(names);
          expect(found.readings).to.equal(rows.length * names.length * (slip === 'repeated' ? 2 : 1));
          expect(found.doubts).to.deep.equal(slip === 'mean' ? ['summary-row'] : []);
        },
      ),
      { numRuns: 150 },
    ));

  it('keep their subjects, groups and outcome however columns are ordered and the identifier is called', () =>
    fc.assert(
      fc.property(
        identifier,
        groups,
        fc.array(reading, { minLength: 12, maxLength: 24 }),
        fc.constantFrom([0, 1, 2], [2, 1, 0], [1, 2, 0], [0, 2, 1]),
        (who, names, readings, order) => {
          const rows = readings.map((r, i) => [
            `${who[0]?.toUpperCase() ?? ''}${i + 1}`,
            names[i % names.length] ?? '',
            r,
          ]);
          const found = understoodCase(
            text([[who, 'treatment', 'growth (mm)'], ...rows].map((row) => order.map((k) => row[k] ?? ''))),
          );
          expect(found).to.deep.include({
            layout: 'rows',
            subject: who,
            unit: 'mm',
            readings: readings.length,
            doubts: [],
          });
          expect(found.groups).to.have.members(names);
        },
      ),
      { numRuns: 150 },
    ));

  it('of counts keep their categories where totals are added, and say so', () =>
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 3, maxLength: 3 }), {
          minLength: 3,
          maxLength: 6,
        }),
        fc.constantFrom('total', 'Sum', 'all', 'Totals'),
        (rows, called) => {
          const names = ['whole', 'grazed', 'torn'];
          const sum = (ns: readonly number[]): number => ns.reduce((a, b) => a + b, 0);
          const body = rows.map((r, i) => [`Bay ${'ABCDEF'[i] ?? ''}`, ...r.map(String), String(sum(r))]);
          const foot = [
            called,
            ...names.map((_, k) => String(sum(rows.map((r) => r[k] ?? 0)))),
            String(sum(rows.flat())),
          ];
          const found = understoodCase(text([['', ...names, called], ...body, foot]));
          expect(found).to.deep.include({ layout: 'counts', categories: names, total: sum(rows.flat()) });
          expect(found.doubts).to.include.members(['total-row', 'total-column']);
        },
      ),
      { numRuns: 150 },
    ));
});

describe('whatever the table', () => {
  const empty = tableOf([emptyColumn('a', 'Group 1'), emptyColumn('b', 'Group 2')]);

  it('a layout chosen by hand on an empty table makes the columns it needs, and nothing typed is lost in one', () => {
    for (const shape of shapes) {
      const made = applyEdits(empty, scaffoldEdits(empty, shape)).table;
      expect(made.shape).to.equal(shape);
      expect(lackingFor(made)?.text, shape).to.match(/^Type, paste/);
      const cellOf: Record<string, (r: number) => string> = {
        measure: (r) => String(30 + r),
        count: (r) => String(12 + r),
        spread: () => '4',
        group: (r) => (r % 2 ? 'a' : 'b'),
        subject: (r) => `s${r}`,
      };
      const height = shape === 'summary' || shape === 'counts' ? 2 : 8;
      const filled = applyEdits(
        made,
        made.columns.map((c) => ({
          kind: 'write' as const,
          row: 0,
          columns: [c.id],
          texts: Array.from({ length: height }, (_, r) => [cellOf[c.role]?.(r) ?? '']),
        })),
      ).table;
      expect(lackingFor(filled), shape).to.equal(undefined);
      const question = firstQuestion(filled);
      expect(question && answer(question, filled).ok, shape).to.equal(true);
    }
  });

  it('what it lacks for a question is said with a mend that leads on', () => {
    const noN = pasted('group\tmean\tSD\nred\t31.2\t4.1\nwhite\t33.0\t4.4');
    expect(noN.shape).to.equal('summary');
    expect(lackingFor(noN)?.text).to.include('another column with n');
    const withN = applyEdits(
      noN,
      lackingFor(noN)?.mends.find((m) => m.label === 'Add a column for n')?.edits ?? [],
    ).table;
    expect(columnsOf(withN, 'count').length).to.equal(1);
    const labels = { ...pasted('a\tb\n1.5\t2.5\n3.5\t4.5') };
    const none: Table = { ...labels, columns: labels.columns.map((c) => ({ ...c, role: 'label' as const })) };
    expect(lackingFor(none)?.text).to.equal('No column holds measurements yet.');
    const mend = lackingFor(none)?.mends[0]?.edits ?? [];
    expect(firstQuestion(applyEdits(none, mend).table)).to.include({ design: 'estimate' });
    expect(lackingFor(pasted('red\twhite\n1.5\t2.5'))?.text).to.include('two readings');
  });

  it('can be turned round and back', () => {
    const table = pasted(textOf('plain-three'));
    const there = applyEdits(table, turnRoundEdits(table)).table;
    expect(there.columns.map((c) => c.cells[0])).to.deep.equal(['red lamp (mm)', ...(table.columns[0]?.cells ?? [])]);
    const back = applyEdits(there, turnRoundEdits(there)).table;
    expect(back.columns.map((c) => [c.name, c.unit, c.cells])).to.deep.equal(
      table.columns.map((c) => [c.name, c.unit, c.cells]),
    );
    const aside = applyEdits(table, [{ kind: 'set-aside', cells: [{ column: 'c0', row: 1, reason: 'torn' }] }]).table;
    expect(() => turnRoundEdits(aside)).to.throw('bring them back');
  });

  it('can be asked more than its first question', () => {
    const designs = (id: string): string[] => otherQuestions(pasted(textOf(id))).map((q) => `${q.about} ${q.design}`);
    expect(designs('plain-two')).to.deep.equal([
      'spread two-groups',
      'share two-groups',
      'value estimate',
      'value one-sample',
    ]);
    expect(designs('pairs-by-id')).to.deep.equal([
      'value two-groups',
      'spread paired',
      'share paired',
      'value estimate',
      'value one-sample',
    ]);
    expect(designs('plain-two-factors')).to.deep.equal(['value several', 'value two-groups']);
    for (const one of [...cases, ...moreCases]) {
      const table = pasted(one.text);
      for (const question of otherQuestions(table)) {
        const found = answer(question, table);
        expect(found.ok, `${one.id}: ${question.about} ${question.design}`).to.equal(true);
      }
    }
  });

  it('a group put in later does not join a question until it is taken in', () => {
    const table = pasted(textOf('plain-three'));
    const first = firstQuestion(table)!;
    const question = asked(first, table);
    const column = { ...emptyColumn('new', 'felt', 'mm'), cells: ['30.1', '31.4', '29.9'] };
    const later = applyEdits(table, [{ kind: 'insert-column', at: 3, column: sentColumn(column) }]).table;
    const compared = (q: typeof question): string[] => {
      const found = answer(q, later);
      return found.ok ? found.value.groups.map((g) => g.name) : [];
    };
    expect(compared(question)).to.deep.equal(['red lamp', 'white lamp', 'blue lamp']);
    expect(namesOf(question, later).groups.map((g) => g.name)).to.deep.equal(['red lamp', 'white lamp', 'blue lamp']);
    expect(newGroups(question, later)).to.deep.equal([{ id: 'new', name: 'felt' }]);
    expect(compared(withGroup(question, 'new'))).to.deep.equal(['red lamp', 'white lamp', 'blue lamp', 'felt']);
    expect(newGroups(withGroup(question, 'new'), later)).to.deep.equal([]);
    // In a two-way grid a later column is no level either.
    const grid = pasted(textOf('grid'));
    const factors = asked(firstQuestion(grid)!, grid);
    const wider = applyEdits(grid, [
      {
        kind: 'insert-column',
        at: 3,
        column: sentColumn({ ...emptyColumn('new', 'none'), cells: Array<string>(12).fill('30.0') }),
      },
    ]).table;
    const found = answer(factors, wider);
    expect(found.ok && found.value.layout?.b.levels.map((l) => l.name)).to.deep.equal(['low', 'high']);
  });
});

describe('units', () => {
  it('are known by how they are put together', () => {
    for (const unit of [
      'µg/mL',
      'mmol/L',
      'mg/dL',
      'mg/kg',
      'U/L',
      'g/m²',
      'kg/ha',
      'mL/min',
      'mmHg',
      'bpm',
      'h',
      'years',
      '10⁶ cells/mL',
      'µmol m⁻² s⁻¹',
      'mg/g DW',
      'kg/m^2',
    ])
      expect(isUnit(unit), unit).to.equal(true);
    for (const unit of ['day 3', 'lamp', 'red', 'F', 'T', 'site', 'low lamp', ''] as const)
      expect(isUnit(unit), unit).to.equal(false);
    expect(splitUnit('length, mm')).to.deep.equal({ name: 'length', unit: 'mm' });
    expect(splitUnit('mass_g')).to.deep.equal({ name: 'mass', unit: 'g' });
    expect(splitUnit('site_1')).to.deep.equal({ name: 'site_1', unit: '' });
  });

  it('convert where they measure the same thing', () => {
    expect(conversion('cm', 'mm')).to.equal(10);
    expect(conversion('mg/L', 'µg/mL')).to.equal(1);
    expect(conversion('h', 'min')).to.equal(60);
    expect(conversion('nM', 'µM')).to.equal(0.001);
    expect(conversion('mm', 'g')).to.equal(undefined);
  });
});

describe('a mend', () => {
  it('settles its doubt: what a person has said is not asked again, whichever way they chose', () => {
    const { cases } = JSON.parse(readFileSync('tests/understanding/cases.json', 'utf8')) as {
      cases: { id: string; text: string }[];
    };
    let chosen = 0;
    for (const { id, text } of cases) {
      const table: Table = { id: '', name: '', ...intake(blockFromText(text)).table };
      for (const doubt of openDoubts(table))
        for (const mend of doubt.mends) {
          const after = openDoubts(applyEdits(table, mend.edits).table).filter((d) => d.code === doubt.code);
          const before = openDoubts(table).filter((d) => d.code === doubt.code);
          expect(after.length, `${id}, ${doubt.code}: ${mend.label}`).to.be.lessThan(before.length);
          chosen++;
        }
    }
    expect(chosen).to.be.greaterThan(40);
  });
});
