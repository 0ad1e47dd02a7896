import { expect } from 'chai';
import { demoTables } from '../../demo/skerrow';
import { answer } from '../../src/core/answering/answer';
import { askMany, rangesOver } from '../../src/core/answering/many';
import { type Question, questionOf } from '../../src/core/question/question';
import { reshapeEdits } from '../../src/core/readings/reshape';
import { applyEdits } from '../../src/core/readings/edits';
import { type Table, columnsOf, emptyColumn, tableOf } from '../../src/core/readings/table';

const { table: pigments, questions } = demoTables().find((d) => d.table.name === 'Forty pigments')!;
const question = questions[0]!.question;

describe('one question asked of many measures', () => {
  it('gives of each measure what asking it alone gives', () => {
    const { count, answers } = askMany(question, pigments, { columns: true });
    const all = [...answers];
    expect(count).to.equal(columnsOf(pigments, 'measure').length);
    expect(all).to.have.length(count);
    for (const one of all) {
      const alone = answer({ ...question, ...one.patch }, pigments);
      if (!alone.ok || !alone.value.comparison.ok) {
        expect(one.reason).to.be.a('string');
        continue;
      }
      const { effect, p } = alone.value.comparison.value;
      expect(one.p).to.equal(p);
      expect(one.estimate).to.equal(effect?.estimate);
      expect(one.interval).to.deep.equal(effect?.interval);
      expect(one.n).to.deep.equal(alone.value.groups.map((g) => g.n));
    }
  });

  it('says of a table of one measure, and of a question about none, that there is nothing to ask it of', () => {
    const lamps = demoTables().find((d) => d.table.name === 'Lamp trial')!;
    const ofLamps = lamps.questions[0]!.question;
    expect(() => askMany(ofLamps, lamps.table, { columns: true })).to.throw('This table holds one measure.');
    expect(() => askMany({ ...question, about: 'spread' }, pigments, { columns: true })).to.throw(
      'not about the means of one measure',
    );
  });

  it('keeps a rule about another measure, and says of each why where it cannot be kept', () => {
    const [first, second] = columnsOf(pigments, 'measure');
    const middle = [...first!.cells].map(Number).sort((a, b) => a - b)[Math.floor(first!.cells.length / 2)];
    const ruled: Question = {
      ...question,
      rows: [{ column: first!.id, is: 'above', value: String(middle) }],
    };
    const [, other] = [...askMany(ruled, pigments, { columns: true }).answers];
    const alone = answer({ ...ruled, measure: second!.id, spread: 'separate' }, pigments);
    if (!alone.ok || !alone.value.comparison.ok) throw new Error('no answer');
    expect(other?.p).to.equal(alone.value.comparison.value.p);
    expect(other?.n).to.deep.equal(alone.value.groups.map((g) => g.n));
    const all = [...askMany(question, pigments, { columns: true }).answers];
    expect(other?.n).to.not.deep.equal(all[1]?.n);
    const gone = { ...question, rows: [{ column: 'gone', is: 'not' as const, value: '1' }] };
    for (const one of askMany(gone, pigments, { columns: true }).answers)
      expect(one.reason).to.contain('no longer there');
  });

  /** The assays of some tanks, one row per reading, with one set aside and one level that has too few. */
  const long: Table = tableOf(
    [
      {
        ...emptyColumn('assay', 'assay', '', 'label'),
        cells: ['iodine', 'mannitol', 'ash'].flatMap((a) => Array<string>(8).fill(a)),
      },
      {
        ...emptyColumn('flow', 'flow', '', 'group'),
        cells: Array.from({ length: 24 }, (_, i) => (i % 2 ? 'pulsed' : 'still')),
      },
      {
        ...emptyColumn('value', 'value', 'mg/g'),
        cells: Array.from({ length: 24 }, (_, i) => (i >= 18 ? '' : (3 + ((i * 7919) % 97) / 20).toFixed(2))),
        aside: { 3: 'vial cracked' },
      },
    ],
    { shape: 'rows' },
  );
  const asked: Question = questionOf('two-groups', { a: 'still', b: 'pulsed' });

  it('ranges over the levels of a column that names what was measured, each as if only its rows were there', () => {
    expect(rangesOver(long, asked).map((c) => c.id)).to.deep.equal(['assay']);
    const { count, answers } = askMany(asked, long, { levelsOf: 'assay' });
    const all = [...answers];
    expect([count, ...all.map((a) => a.name)]).to.deep.equal([3, 'iodine', 'mannitol', 'ash']);
    for (const one of all.slice(0, 2)) {
      const alone = answer({ ...asked, ...one.patch }, long);
      if (!alone.ok || !alone.value.comparison.ok) throw new Error('no answer');
      expect(one.p).to.equal(alone.value.comparison.value.p);
      expect(one.interval).to.deep.equal(alone.value.comparison.value.effect?.interval);
    }
    // The reading set aside is left out of the one measure it belongs to.
    expect(all[0]!.n).to.deep.equal([4, 3]);
    expect(all[1]!.n).to.deep.equal([4, 4]);
    // One reading a group: a reason in words, and the others are answered all the same.
    expect(all[2]!.p).to.equal(undefined);
    expect(all[2]!.reason).to.match(/one reading|spread/);
    expect(() => askMany(asked, long, { levelsOf: 'gone' })).to.throw('no longer there');
  });

  it('keeps who is compared when the table is turned', () => {
    const { table } = demoTables().find((d) => d.table.name === 'Four lamps')!;
    const rows = applyEdits(table, reshapeEdits(table, 'rows')).table;
    const after = [...askMany(questionOf('several'), { ...rows, id: 'b' }, { columns: true }).answers];
    expect(after).to.have.length(1);
    expect(after[0]!.statistic).to.be.a('number');
    // As columns each lamp would be a measure of its own, with nothing to compare it with.
    expect(() => askMany(questionOf('several'), { ...table, id: 'a' }, { columns: true })).to.throw(
      'holds one measure',
    );
  });
});
