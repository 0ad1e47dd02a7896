import { expect } from 'chai';
import { applyEdits } from '../../src/core/readings/edits';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { blockFromText } from '../../src/formats/clipboard';
import { pasteEdits } from '../../src/islands/readings/paste';
import { at, blockOf, moved } from '../../src/islands/readings/selection';

describe('moving in the grid', () => {
  const size = { rows: 30, columns: 4 };
  const plain = { extend: false, far: false, page: 10 };
  const after = (keys: [string, Partial<typeof plain>?][], from = at(5, 1)) =>
    keys.reduce((s, [key, more]) => moved(s, key, { ...plain, ...more }, size) ?? s, from);

  it('goes where the keys say, and never out of the table', () => {
    expect(after([['ArrowDown'], ['ArrowRight']])).to.include({ row: 6, column: 2, anchorRow: 6, anchorColumn: 2 });
    expect(after([['ArrowLeft'], ['ArrowLeft'], ['ArrowLeft']])).to.include({ column: 0 });
    expect(after([['PageDown'], ['PageDown'], ['PageDown']])).to.include({ row: 29 });
    expect(after([['Home']])).to.include({ row: 5, column: 0 });
    expect(after([['End', { far: true }]])).to.include({ row: 29, column: 3 });
    expect(after([['ArrowUp', { far: true }]])).to.include({ row: 0, column: 1 });
    expect(moved(at(0, 0), 'x', plain, size)).to.equal(undefined);
  });

  it('draws a block from its anchor, whichever way it grows', () => {
    const grown = after([
      ['ArrowUp', { extend: true }],
      ['ArrowUp', { extend: true }],
      ['ArrowRight', { extend: true }],
    ]);
    expect(blockOf(grown)).to.deep.equal({ top: 3, bottom: 5, left: 1, right: 2 });
  });
});

describe('pasting', () => {
  const table: Table = {
    ...tableOf([]),
    id: 't',
    name: '',
    measure: '',
    subject: '',
    rowCount: 1,
    columns: [{ ...emptyColumn('a', 'Group 1', 'cm'), cells: ['0'] }],
  };
  const pasted = (text: string, row: number, column: number, head: boolean) =>
    applyEdits(table, pasteEdits(table, blockFromText(text), row, column, head)).table;

  it('adds the columns and rows a block needs, and drops nothing', () => {
    const { columns, rowCount } = pasted('1\t2\t3\n4\t\t6', 1, 0, false);
    expect(rowCount).to.equal(3);
    expect(columns.map((c) => c.cells.slice(1))).to.deep.equal([
      ['1', '4'],
      ['2', ''],
      ['3', '6'],
    ]);
    expect(columns[0]?.cells[0]).to.equal('0');
    expect(columns[2]).to.include({ name: 'Group 3', unit: 'cm' });
  });

  it('takes names and units from a head, and leaves a unit that the head does not give', () => {
    const { columns, rowCount } = pasted('Red lamp (mm)\tWhite lamp\n1\t2', 0, 0, true);
    expect(columns.map((c) => [c.name, c.unit])).to.deep.equal([
      ['Red lamp', 'mm'],
      ['White lamp', 'cm'],
    ]);
    expect(rowCount).to.equal(1);
    expect(columns.map((c) => c.cells[0])).to.deep.equal(['1', '2']);
  });
});
