import { closeDocument, openDocument } from './dom';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { expect } from 'chai';
import fc from 'fast-check';
import { there } from '../../src/core/numeric/there';
import { convertEdits } from '../../src/core/readings/convert-unit';
import { applyEdits } from '../../src/core/readings/edits';
import { mergeGroupsEdits, mergeable } from '../../src/core/readings/group-edits';
import { groupsOf } from '../../src/core/readings/groups';
import { rowAsNamesEdits } from '../../src/core/readings/row-as-names';
import { likelySeparator, splitEdits } from '../../src/core/readings/split-cells';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import type { TableEdit } from '../../src/core/readings/table-edit';
import { conversion, unitsLike } from '../../src/core/readings/units';
import { withoutDust } from '../../src/formats/without-dust';
import MergeForm from '../../src/islands/readings/MergeForm';
import SplitForm from '../../src/islands/readings/SplitForm';

// Others are to see no document.
closeDocument();

const column = (id: string, name: string, cells: string[], role: 'measure' | 'group' | 'label' = 'measure') => ({
  ...emptyColumn(id, name, '', role),
  cells,
});
const first = (table: Table) => there(table.columns[0], 'The column');
const edited = (table: Table, edits: TableEdit[]) => applyEdits(table, edits).table;

describe('a cell split in two', () => {
  const wells = tableOf([column('a', 'well and reading', ['A1 / 12.3', 'B2 / 9', 'lost', ''])], { shape: 'rows' });

  it('keeps what stands before, and puts what stands after beside it', () => {
    expect(likelySeparator(column('a', '', ['A1/3', 'B2/4', 'C/5']))).to.equal('/');
    expect(likelySeparator(column('a', '', ['12', '13']))).to.equal(undefined);
    const split = edited(wells, splitEdits(wells, first(wells), '/', 'b'));
    expect(split.columns.map((c) => [c.name, c.cells])).to.deep.equal([
      ['well and reading', ['A1', 'B2', 'lost', '']],
      ['well and reading, second part', ['12.3', '9', '', '']],
    ]);
    expect(split.columns[1]?.role).to.equal('measure');
  });

  it('says why it cannot be', () => {
    expect(() => splitEdits(wells, first(wells), '', 'b')).to.throw('Type what');
    expect(() => splitEdits(wells, first(wells), ';', 'b')).to.throw('No cell of well and reading holds “;”');
  });

  it('loses nothing: undone, the table is what it was', () => {
    fc.assert(
      fc.property(
        fc.array(fc.stringMatching(/^[a-z0-9]{0,3}(\/[a-z0-9]{1,3})?$/), { minLength: 1, maxLength: 8 }),
        (cells) => {
          const table = tableOf([column('a', 'x', cells)]);
          if (!cells.some((c) => /\/./.test(c))) return;
          const { table: split, inverse } = applyEdits(table, splitEdits(table, first(table), '/', 'b'));
          const [before, behind] = split.columns;
          cells.forEach((cell, row) => {
            const [a, b] = [before?.cells[row] ?? '', behind?.cells[row] ?? ''];
            expect(b === '' ? a : `${a}/${b}`).to.equal(cell.replace(/\/$/, ''));
          });
          expect(edited(split, inverse).columns.map((c) => c.cells)).to.deep.equal(table.columns.map((c) => c.cells));
        },
      ),
    );
  });
});

describe('a row taken as the names', () => {
  it('gives columns their names and units, and goes with the rows above it', () => {
    const table = tableOf([
      column('a', 'Group 1', ['Blades of May', 'red (mm)', '12', '14']),
      column('b', 'Group 2', ['', 'white (mm)', '9', '8']),
    ]);
    const named = edited(table, rowAsNamesEdits(table, 1));
    expect(named.columns.map((c) => [c.name, c.unit, c.cells])).to.deep.equal([
      ['red', 'mm', ['12', '14']],
      ['white', 'mm', ['9', '8']],
    ]);
    expect(() => rowAsNamesEdits(table, 9)).to.throw('empty');
  });
});

describe('groups merged', () => {
  it('are one group, as columns and as rows, nothing lost', () => {
    const columns = tableOf([column('a', 'coir', ['1', '2']), column('b', 'Coir', ['3'])]);
    expect(mergeable(columns).map((g) => g.name)).to.deep.equal(['coir', 'Coir']);
    const one = edited(columns, mergeGroupsEdits(columns, 'b', 'a'));
    expect(groupsOf(one).map((g) => [g.name, g.readings.used.length])).to.deep.equal([['coir', 3]]);
    const by = column('g', 'rope', ['coir', 'Coir', 'jute'], 'group');
    const rows = tableOf([by, column('y', 'mass', ['1', '2', '3'])], { shape: 'rows' });
    const merged = edited(rows, mergeGroupsEdits(rows, 'Coir', 'coir', by));
    expect(groupsOf(merged).map((g) => [g.name, g.readings.used.length])).to.deep.equal([
      ['coir', 2],
      ['jute', 1],
    ]);
    expect(() => mergeGroupsEdits(columns, 'a', 'a')).to.throw('two groups');
    expect(() => mergeGroupsEdits(columns, 'a', 'z')).to.throw('no longer there');
  });
});

describe('other units of the same kind', () => {
  it('are offered within reach, and readings come back from them unchanged', () => {
    expect(unitsLike('mm')).to.deep.equal(['µm', 'cm', 'm']);
    expect(unitsLike('µg/mL')).to.deep.equal(['ng/mL', 'mg/mL']);
    expect(unitsLike('min')).to.include.members(['s', 'h', 'd']);
    expect(unitsLike('')).to.deep.equal([]);
    expect(unitsLike('fronds')).to.deep.equal([]);
    for (const unit of ['mm', 'µg/mL', 'kg/ha', 'mmol/L', 'h', 'mL/min'])
      for (const other of unitsLike(unit)) {
        const table = tableOf([{ ...column('a', 'x', ['1.25', '300', 'lost', '']), unit }]);
        const there = edited(table, convertEdits(first(table), other));
        expect(Number(first(there).cells[1]), `${unit} to ${other}`).to.be.closeTo(
          300 * (conversion(unit, other) ?? NaN),
          1e-9,
        );
        const back = edited(there, convertEdits(first(there), unit));
        expect(first(back).cells).to.deep.equal(['1.25', '300', 'lost', '']);
      }
  });

  it('keep a decimal comma where the column has one', () => {
    const table = tableOf([{ ...column('a', 'x', ['12,5', '300']), unit: 'mm', decimal: 'comma' as const }]);
    expect(first(edited(table, convertEdits(first(table), 'cm'))).cells).to.deep.equal(['1,25', '30']);
  });
});

describe('a number with more digits than it has', () => {
  it('loses a double’s last noise, and nothing else', () => {
    for (const [noisy, clean] of [
      ['−0.10000000000000001', '−0.1'],
      ['-0.10000000000000001', '-0.1'],
      ['0.30000000000000004', '0.3'],
      ['12,349999999999999', '12,35'],
      ['1.1000000000000001', '1.1'],
    ] as const)
      expect(withoutDust(noisy)).to.equal(clean);
    for (const kept of [
      '0.1',
      '3.14159265358979323846',
      '123456789.123456789',
      '1e-17',
      'A10000000000000000.1',
      '10000000000000000',
    ])
      expect(withoutDust(kept)).to.equal(kept);
  });

  it('is the same number to fifteen digits', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (x) => {
        const text = x.toFixed(17);
        expect(Number(withoutDust(text))).to.be.closeTo(Number(text), 1e-14 * Math.max(1, Math.abs(x)));
      }),
    );
  });
});

describe('the forms that split and merge', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  it('show what would become of the first cell, and split at what is typed', () => {
    const said: string[] = [];
    const page = render(
      <SplitForm
        column={column('a', 'plate', ['P1-7', 'P2-9'])}
        onSplit={(s) => said.push(s)}
        onClose={() => undefined}
      />,
    );
    expect(page.container.textContent).to.contain('P1-7 → P1 and 7');
    fireEvent.change(page.getByLabelText('Split at'), { target: { value: '1' } });
    expect(page.container.textContent).to.contain('P1-7 → P and -7');
    fireEvent.click(page.getByRole('button', { name: 'Split' }));
    expect(said).to.deep.equal(['1']);
  });

  it('merge one group into another, never into itself', () => {
    const said: [string, string][] = [];
    const table = tableOf([column('a', 'coir', ['1']), column('b', 'Coir', ['3'])]);
    const page = render(
      <MergeForm table={table} by={undefined} onMerge={(...pair) => said.push(pair)} onClose={() => undefined} />,
    );
    fireEvent.click(page.getByRole('button', { name: 'Merge' }));
    expect(said).to.deep.equal([['b', 'a']]);
    fireEvent.change(page.getByLabelText('Group that stays'), { target: { value: 'b' } });
    expect(page.getByRole('button', { name: 'Merge' }).hasAttribute('disabled')).to.equal(true);
  });
});
