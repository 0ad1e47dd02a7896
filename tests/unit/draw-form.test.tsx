import { closeDocument, openDocument } from './dom';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { expect } from 'chai';
import { type Column, emptyColumn, tableOf } from '../../src/core/readings/table';
import DrawForm from '../../src/islands/readings/DrawForm';

closeDocument();

const tank = (cells: string[]): Column => ({ ...emptyColumn('tank', 'tank', '', 'group'), cells });
const table = (cells: string[]) =>
  tableOf([{ ...emptyColumn('line', 'line', '', 'label'), cells: cells.map((_, row) => `L${row + 1}`) }, tank(cells)], {
    shape: 'rows',
    rowCount: cells.length,
  });

describe('rows allocated to treatments', () => {
  before(openDocument);
  afterEach(cleanup);
  after(closeDocument);

  /** The columns made, and what is told, after the form was filled in and sent. */
  const allocated = (cells: string[], treatments: string, way: string): { columns: Column[]; told: string } => {
    const columns: Column[] = [];
    render(
      <DrawForm
        table={table(cells)}
        onColumns={(made) => columns.push(...made)}
        onTable={() => undefined}
        onClose={() => undefined}
      />,
    );
    fireEvent.change(screen.getByLabelText('What to draw'), { target: { value: 'allocate' } });
    fireEvent.change(screen.getByLabelText('Treatments, parted by commas'), { target: { value: treatments } });
    fireEvent.change(screen.getByLabelText('How to allocate'), { target: { value: way } });
    fireEvent.click(screen.getByRole('button', { name: 'Allocate' }));
    return { columns, told: screen.queryByRole('alert')?.textContent ?? '' };
  };

  it('take names with a decimal comma whole, each as often as can be', () => {
    const { columns, told } = allocated(['a', 'a', 'b', 'b'], '0,5 mM, 1 mM', 'simple');
    expect(told).to.equal('');
    expect(columns).to.have.length(1);
    expect([...(columns[0]?.cells ?? [])].sort()).to.deep.equal(['0,5 mM', '0,5 mM', '1 mM', '1 mM']);
  });

  it('have every treatment within each stratum, and no stratum of rows that have none', () => {
    const within = allocated(['a', 'a', 'b', 'b'], 'red, white', 'strata').columns[0]?.cells ?? [];
    expect([within.slice(0, 2).sort(), within.slice(2).sort()]).to.deep.equal([
      ['red', 'white'],
      ['red', 'white'],
    ]);
    cleanup();
    const lacking = allocated(['a', ' ', 'b', 'b'], 'red, white', 'strata');
    expect(lacking.columns).to.deep.equal([]);
    expect(lacking.told).to.equal('Row 2 has no tank: fill it in, or allocate evenly over all.');
  });
});
