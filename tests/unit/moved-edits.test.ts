import { expect } from 'chai';
import fc from 'fast-check';
import { attempt } from '../../src/core/numeric/domain-error';
import { sentColumn } from '../../src/core/readings/column-edits';
import { applyEdits } from '../../src/core/readings/edits';
import { movedEdits } from '../../src/core/readings/moved-edits';
import type { TableEdit } from '../../src/core/readings/table-edit';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';

/** Lines of kelp by name, each with a length that says which it is. */
function lines(names: readonly string[]): Table {
  const base = tableOf([
    { ...emptyColumn('line', 'Line', '', 'subject'), cells: [...names] },
    { ...emptyColumn('length', 'Length', 'cm'), cells: names.map((n) => `${n}0`) },
    { ...emptyColumn('mass', 'Mass', 'g'), cells: names.map((n) => `${n}1`) },
  ]);
  return { ...base, id: 't', rowCount: names.length };
}
const write = (row: number, text: string, column = 'length'): TableEdit => ({
  kind: 'write',
  row,
  columns: [column],
  texts: [[text]],
});
const cellsOf = (table: Table, id: string) =>
  Array.from({ length: table.rowCount }, (_, row) => table.columns.find((c) => c.id === id)?.cells[row] ?? '');
/** The table after their edits and then mine, put in again. */
function merged(base: Table, mine: TableEdit[], theirs: TableEdit[]) {
  const { edits, lost } = movedEdits(mine, base, theirs);
  return { table: applyEdits(applyEdits(base, theirs).table, edits).table, lost };
}

const names = ['a', 'b', 'c', 'd', 'e'];
const order = fc.shuffledSubarray([0, 1, 2, 3, 4], { minLength: 5 });

describe('edits put in again on newer readings', () => {
  it('stay with their subject under any sort, and after rows put in or taken out', () => {
    fc.assert(
      fc.property(order, fc.nat(4), fc.nat(4), fc.nat(5), (sorted, row, removed, at) => {
        const theirs: TableEdit[] = [
          { kind: 'order-rows', order: sorted },
          { kind: 'remove-rows', at: removed, count: 1 },
          { kind: 'insert-rows', at: Math.min(at, 4), count: 2, content: {} },
        ];
        const { table, lost } = merged(lines(names), [write(row, 'mine')], theirs);
        const gone = sorted[removed] === row;
        expect(lost).to.deep.equal(gone ? [{ column: 'Length', row: row + 1, text: 'mine' }] : []);
        const place = cellsOf(table, 'length').indexOf('mine');
        expect(place === -1 ? undefined : cellsOf(table, 'line')[place]).to.equal(gone ? undefined : names[row]);
        // Nobody else's reading was touched.
        cellsOf(table, 'line').forEach((name, i) => {
          if (name !== '' && i !== place) expect(cellsOf(table, 'length')[i]).to.equal(`${name}0`);
        });
      }),
    );
  });

  it('are the same edits where nothing was done meanwhile', () => {
    const edit: fc.Arbitrary<TableEdit> = fc.oneof(
      fc.record({ row: fc.nat(8), text: fc.string({ maxLength: 4 }) }).map(({ row, text }) => write(row, text)),
      fc.nat(5).map((at): TableEdit => ({ kind: 'insert-rows', at, count: 2 })),
      fc.nat(3).map((at): TableEdit => ({ kind: 'remove-rows', at, count: 2 })),
      fc.tuple(fc.nat(3), fc.nat(3)).map(([at, to]): TableEdit => ({ kind: 'move-rows', at, count: 2, to })),
      fc.nat(4).map((row): TableEdit => ({ kind: 'set-aside', cells: [{ column: 'mass', row, reason: 'slipped' }] })),
    );
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 6 }), (mine) => {
        const base = lines(names);
        fc.pre(attempt(() => applyEdits(base, mine)).ok);
        const { table, lost } = merged(base, mine, []);
        const { table: plain } = applyEdits(base, mine);
        expect(lost).to.deep.equal([]);
        for (const id of ['line', 'length', 'mass']) expect(cellsOf(table, id)).to.deep.equal(cellsOf(plain, id));
        expect(table.columns.map((c) => c.aside)).to.deep.equal(plain.columns.map((c) => c.aside));
      }),
    );
  });

  it('go on from rows of their own, marks and new columns too', () => {
    const mine: TableEdit[] = [
      { kind: 'insert-rows', at: 2, count: 1 },
      write(2, 'x', 'line'),
      write(2, '7.5'),
      { kind: 'set-aside', cells: [{ column: 'length', row: 3, reason: 'torn' }] },
      {
        kind: 'insert-column',
        at: 3,
        column: sentColumn({ ...emptyColumn('note', 'Note', '', 'label'), cells: ['1', '2', 'of x'] }),
      },
    ];
    const { table, lost } = merged(lines(names), mine, [{ kind: 'order-rows', order: [4, 3, 2, 1, 0] }]);
    expect(lost).to.deep.equal([]);
    expect(cellsOf(table, 'line')).to.deep.equal(['e', 'd', 'x', 'c', 'b', 'a']);
    expect(cellsOf(table, 'length')[2]).to.equal('7.5');
    expect(table.columns[1]?.aside).to.deep.equal({ 3: 'torn' });
    expect(cellsOf(table, 'note')).to.deep.equal(['', '', 'of x', '', '2', '1']);
  });

  it('name the cells of a column that is gone, and put a block in as far as it goes', () => {
    const mine: TableEdit[] = [
      {
        kind: 'write',
        row: 1,
        columns: ['length', 'mass'],
        texts: [
          ['8', '9'],
          ['10', '11'],
        ],
      },
    ];
    const { table, lost } = merged(lines(names), mine, [{ kind: 'remove-column', column: 'mass' }]);
    expect(cellsOf(table, 'length')).to.deep.equal(['a0', '8', '10', 'd0', 'e0']);
    expect(lost.map((l) => `${l.column} ${l.row} ${l.text}`)).to.deep.equal(['Mass 2 9', 'Mass 3 11']);
  });

  it('sort the rows that are still there, new ones after them, and take out only what was theirs to take', () => {
    const sorted = merged(
      lines(names),
      [{ kind: 'order-rows', order: [4, 3, 2, 1, 0] }],
      [
        { kind: 'remove-rows', at: 1, count: 1 },
        { kind: 'insert-rows', at: 0, count: 1, content: { line: { cells: ['new'], aside: {} } } },
      ],
    );
    expect(cellsOf(sorted.table, 'line')).to.deep.equal(['e', 'd', 'c', 'a', 'new']);
    const taken = merged(
      lines(names),
      [{ kind: 'remove-rows', at: 1, count: 3 }],
      [{ kind: 'insert-rows', at: 2, count: 1, content: { line: { cells: ['new'], aside: {} } } }],
    );
    expect(cellsOf(taken.table, 'line')).to.deep.equal(['a', 'new', 'e']);
  });
});
