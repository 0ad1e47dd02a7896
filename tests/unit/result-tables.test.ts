import { expect } from 'chai';
import { alternativesTable } from '../../src/core/telling/alternatives-table';
import { alternativeMethods } from './asked';
import { methodsSentence } from '../../src/core/telling/report';
import { answer } from '../../src/core/answering/answer';
import { type Question, questionOf } from '../../src/core/question/question';
import { emptyColumn, tableOf } from '../../src/core/readings/table';
import { loosely, plain } from '../../src/core/words/text';
import { cases } from '../golden/cases';
import { told } from '../golden/telling';
import { asText, column, count, empty, number, pCell, words } from '../../src/core/words/tables/result-table';
import type { ResultTable } from '../../src/core/words/tables/result-table';
import { resultTables } from '../../src/core/words/tables/tables';
import { fixed } from '../../src/core/words/numbers';
import { copiedTable, spreadsheetTable } from '../../src/formats/copied-table';
import { htmlTable } from '../../src/formats/html-document';

const all = Object.entries(cases).flatMap(([kind, some]) =>
  some.map((one) => ({ name: `${kind}: ${one.situation}`, answer: told(one).answer })),
);
const tables = all.flatMap(({ name, answer }) => resultTables(answer).map((table) => ({ name, answer, table })));

/** The decimals a cell is printed with. */
const decimalsOf = (text: string): number => /\.(\d+)/.exec(text)?.[1]?.length ?? 0;

describe('the tables of an answer', () => {
  it('have a cell in every column of every line, and a title of their own', () => {
    for (const { name, table } of tables)
      for (const row of table.rows)
        expect(row.cells.length, `${name}: ${table.title}`).to.equal(table.columns.length - 1);
    for (const { name, answer } of all) {
      const titles = resultTables(answer).map((t) => t.title);
      expect(new Set(titles).size, name).to.equal(titles.length);
    }
  });

  it('print each number as it is, rounded', () => {
    let plainNumbers = 0;
    for (const { name, table } of tables)
      for (const { text, value } of table.rows.flatMap((r) => r.cells)) {
        if (typeof value === 'object' && !text.includes('×'))
          expect(text, name).to.equal(
            `${fixed(value.low, decimalsOf(text))} to ${fixed(value.high, decimalsOf(text.split(' to ')[1] ?? ''))}`,
          );
        else if (typeof value === 'number' && /^[−\d.]+$/.test(text) && Math.abs(value) < 1e6) {
          plainNumbers++;
          const apart = Math.abs(Number(text.replace('−', '-')) - value);
          // Significant figures round above the point as well.
          const step = decimalsOf(text) > 0 ? 10 ** -decimalsOf(text) : Math.max(1, Math.abs(value) * 1e-3);
          expect(apart, `${name}: ${text} of ${value}`).to.be.at.most(step / 2 + 1e-12 * Math.abs(value));
        }
      }
    expect(plainNumbers).to.be.greaterThan(500);
  });

  it('tell of each comparison what its p says at α', () => {
    let judged = 0;
    for (const { name, answer, table } of tables.filter(({ table: { kind } }) => kind === 'comparisons')) {
      const p = table.columns.findIndex(({ heading }) =>
        heading.some((h) => typeof h !== 'string' && h.symbol === 'p'),
      );
      for (const { cells, weight } of table.rows) {
        const value = cells[p - 1]?.value;
        if (typeof value !== 'number') throw new Error(`${name}: no p`);
        const differ = value <= 1 - answer.question.level + 1e-12;
        expect(cells[p]?.text, name).to.equal(differ ? 'differ' : 'not shown');
        expect(weight === 'main', name).to.equal(differ);
        judged++;
      }
    }
    expect(judged).to.be.greaterThan(30);
  });

  it('name the part a comparison was made in once its head stands alone', () => {
    const found = tables.find(({ name, table }) => name.startsWith('mixed') && table.kind === 'comparisons');
    const rows = found ? asText(found.table).rows.map(([head]) => head) : [];
    expect(rows.length).to.be.greaterThan(3);
    expect(new Set(rows).size).to.equal(rows.length);
  });
});

const small: ResultTable = {
  kind: 'difference',
  title: 'Difference <of> two',
  columns: [
    column('means'),
    column('estimate', { unit: 'mm' }),
    column('95 % CI'),
    column({ symbol: 'p' }),
    column(''),
  ],
  rows: [
    {
      head: ['A minus B'],
      cells: [
        number(-5.25, 2),
        { text: '−6.1 to ∞', value: { low: -6.1, high: Infinity } },
        pCell(1e-9),
        { text: '−3.2 × 10⁻⁷', value: -3.2e-7 },
      ],
    },
    { head: ['B'], section: 'May', cells: [number(undefined, 2), empty, words('none'), count(12)] },
  ],
  notes: [['Pooled SD 3.']],
};

describe('a table on the clipboard', () => {
  it('has numbers a spreadsheet can read, and each end of an interval in a cell of its own', () => {
    const { head, rows, notes } = spreadsheetTable(small);
    expect(head.map(plain)).to.deep.equal(['means', 'estimate (mm)', '95 % CI: lower', '95 % CI: upper', 'p', '']);
    expect(rows.map((row) => row.map(plain))).to.deep.equal([
      ['A minus B', '-5.25', '-6.1', '∞', '< 0.001', '-3.2e-7'],
      ['B, May', '', '', '', 'none', '12'],
    ]);
    expect(notes).to.deep.equal(['Pooled SD 3.']);
  });

  it('is one table as text and as HTML, its title and notes with it', () => {
    const { plain: copied, html } = copiedTable(small);
    expect(copied.split('\n')).to.deep.equal([
      'Difference <of> two',
      'means\testimate (mm)\t95 % CI: lower\t95 % CI: upper\tp\t',
      'A minus B\t-5.25\t-6.1\t∞\t< 0.001\t-3.2e-7',
      'B, May\t\t\t\tnone\t12',
      'Pooled SD 3.',
    ]);
    expect(html).to.contain('<caption>Difference &lt;of&gt; two</caption>');
    expect(html).to.contain('<tfoot><tr><td colspan="6">Pooled SD 3.</td></tr></tfoot>');
    expect(htmlTable(asText({ ...small, notes: [] }))).to.not.contain('tfoot');
  });

  it('loses no line and no number of any answer', () => {
    for (const { name, table } of tables) {
      const { head, rows } = spreadsheetTable(table);
      expect(rows.length, name).to.equal(table.rows.length);
      for (const row of rows) expect(row.length, name).to.equal(head.length);
      expect(rows.flat().map(plain).join(' '), name).to.not.match(/− ?\d/);
    }
  });
});

describe('the answer under other methods, as a table', () => {
  const lamps = tableOf(
    [
      { ...emptyColumn('a', 'red', 'mm'), cells: ['12', '15', '11', '19', '14'] },
      { ...emptyColumn('b', 'white', 'mm'), cells: ['22', '17', '25', '20', '29'] },
      { ...emptyColumn('c', 'blue', 'mm'), cells: ['13', '18', '16', '15', '12'] },
    ],
    { measure: 'blade length' },
  );
  const made = (question: Question, table = lamps) => alternativesTable(question, alternativeMethods(question, table));

  it('has its unit at the head, statistics marked up, and goes to a spreadsheet as numbers', () => {
    const table = made(questionOf('two-groups', { a: 'a', b: 'b' }));
    const { head, rows } = asText(table);
    expect(head.map(plain)).to.deep.equal(['method', 'effect (mm)', 'interval (mm)', 'test', 'p']);
    expect(rows.length).to.equal(5);
    expect(table.rows[0]?.cells[2]?.told?.[0]).to.deep.equal({ symbol: 't' });
    const lines = copiedTable(table)
      .plain.split('\n')
      .slice(1)
      .map((line) => line.split('\t').map(loosely));
    expect(lines[0]).to.deep.equal([
      'method',
      'effect (mm)',
      'interval (mm): lower',
      'interval (mm): upper',
      'test',
      'p',
    ]);
    // The last is the ratio of the means: no number of that unit.
    expect(lines.at(-1)?.[1]).to.match(/^0\.\d+ times$/);
    for (const [, effect, low, high] of lines.slice(1, -1)) {
      for (const cell of [effect, low, high]) expect(Number(cell)).to.be.below(0);
      expect(Number(low)).to.be.below(Number(effect));
      expect(Number(high)).to.be.above(Number(effect));
    }
  });

  it('says the unit beside each number where methods differ in it, and why one cannot be used', () => {
    const several = asText(made(questionOf('several')));
    expect(several.head.map(plain)).to.include('effect');
    const effects = several.rows.map((row) => loosely(plain(row[1] ?? [])));
    expect(effects.some((e) => e.endsWith('mm')) && effects.some((e) => e.endsWith('ranks'))).to.equal(true);
    const one = made(questionOf('estimate', { a: 'a' }));
    expect(asText(one).head.map(plain)).to.deep.equal(['method', 'estimate (mm)', 'interval (mm)']);
    const short = { ...lamps, columns: lamps.columns.map((c) => ({ ...c, cells: c.cells.slice(0, 1) })) };
    const refused = made(questionOf('two-groups', { a: 'a', b: 'b' }), short);
    expect(refused.rows[0]?.reason).to.contain('one reading');
    expect(asText(refused).rows[0]?.length).to.equal(5);
  });
});

describe('cells that hold no number', () => {
  it('are told in Methods with their number', () => {
    const lost = tableOf([
      { ...emptyColumn('a', 'red', 'mm'), cells: ['12', 'lost', '11', '19'] },
      { ...emptyColumn('b', 'white', 'mm'), cells: ['22', '17', 'see note', 'n/a'] },
    ]);
    const found = answer(questionOf('two-groups', { a: 'a', b: 'b' }), lost);
    if (!found.ok) throw new Error(found.reason);
    expect(plain(methodsSentence(found.value))).to.contain('2 cells that held no number were left out.');
  });
});
