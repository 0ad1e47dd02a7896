import { expect } from 'chai';
import { readXlsx } from '../../src/formats/xlsx';
import { demoTables } from '../../demo/skerrow';
import { askMany } from '../../src/core/answering/many';
import { answered } from './asked';
import { measuresCsv, measuresTable, measuresXlsx } from '../../src/formats/measures-table';
import { defaultQuestion, questionOf } from '../../src/core/question/question';
import { emptyColumn, tableOf } from '../../src/core/readings/table';

const forty = demoTables().find((t) => t.table.name === 'Forty pigments');
if (!forty) throw new Error('no table of forty measures');
const question = forty.questions[0]?.question ?? defaultQuestion('still', 'pulsed');
const all = [...askMany(question, forty.table, { columns: true }).answers].map((m, i) => ({ ...m, adjusted: i / 100 }));
const table = measuresTable(all, ['still', 'pulsed']);

describe('the answers of every measure as a table', () => {
  it('has a row a measure, with the numbers its own question has', () => {
    const [head = [], ...rows] = table;
    expect(head.join(' | ')).to.equal(
      'measure | unit | n, still | mean, still | SD, still | n, pulsed | mean, pulsed | SD, pulsed | difference | low | high | t | df | p | adjusted p | no answer because',
    );
    expect(rows).to.have.length(all.length);
    const at = (name: string, row = rows[3]) => row?.[head.indexOf(name)];
    const own = answered({ ...question, ...all[3]?.patch }, forty.table);
    const [a, b] = own.groups;
    expect(at('n, still')).to.equal(a?.n);
    expect(at('mean, pulsed')).to.equal(b?.description?.mean);
    expect(at('SD, pulsed')).to.be.closeTo(Math.sqrt(b?.summary?.variance ?? NaN), 1e-12);
    expect(at('difference')).to.equal(own.comparison.effect?.estimate);
    expect(at('t')).to.equal(own.comparison.tests[0]?.value);
    expect(at('df')).to.equal(own.comparison.tests[0]?.df[0]);
    expect(at('adjusted p')).to.equal(0.03);
  });

  it('is written whole as CSV and as a workbook', async () => {
    const csv = (await measuresCsv(table).text()).replace(/^\ufeff/, '').split('\r\n');
    expect(csv).to.have.length(table.length);
    const [sheet] = await readXlsx(new Uint8Array(await (await measuresXlsx(table)).arrayBuffer()));
    expect(sheet?.rows).to.have.length(table.length);
    expect(Number(sheet?.rows[4]?.[8])).to.be.closeTo(Number(table[4]?.[8]), 1e-12);
  });

  it('tells several groups by F and both its df, and why a measure has no answer; nothing in it runs', async () => {
    const three = tableOf(
      [
        { ...emptyColumn('g', 'group', '', 'group'), cells: 'a a a b b b c c c'.split(' ') },
        { ...emptyColumn('x', '=1+1', 'mm'), cells: '1 2 3 4 5 6 7 8 10'.split(' ') },
        { ...emptyColumn('y', 'flat', 'mm'), cells: Array<string>(9).fill('2') },
      ],
      { shape: 'rows' },
    );
    const found = [...askMany(questionOf('several', { by: 'g' }), three, { columns: true }).answers];
    const [head = [], first = [], second = []] = measuresTable(found, ['a', 'b', 'c']);
    expect(head).to.include.members(['F', 'df 1', 'df 2']).and.not.include('difference');
    expect(first[head.indexOf('df 1')]).to.equal(2);
    expect(second[head.indexOf('p')]).to.equal(undefined);
    expect(second.at(-1)).to.be.a('string').and.not.equal('');
    const csv = await measuresCsv([head, first]).text();
    expect(csv).to.contain("'=1+1");
  });
});
