import { expect } from 'chai';
import { inOrder } from '../../src/core/readings/level-order';
import { levelRows, levelsOf } from '../../src/core/readings/levels';
import { type Column, emptyColumn } from '../../src/core/readings/table';

const group = (cells: string[], more: Partial<Column> = {}): Column => ({
  ...emptyColumn('dose', 'dose', '', 'group'),
  ...more,
  cells,
});

const named = (cells: string[], more: Partial<Column> = {}): string[] =>
  levelsOf(group(cells, more)).map(({ name }) => name);

describe('the order of groups', () => {
  it('is that of their numbers, whatever they count, and of words that say less and more or earlier and later', () => {
    for (const order of [
      ['0', '5', '10'],
      ['control', '5 mg', '10 mg'],
      ['baseline', 'week 2', 'week 10'],
      ['−5 °C', '0 °C', '12.5 °C'],
      ['0,5', '2', '10'],
      ['line-2', 'line-10'],
      ['low', 'medium', 'high'],
      ['none', 'mild', 'moderate', 'severe'],
      ['before', 'after'],
      ['Spring', 'Summer', 'Autumn', 'Winter'],
      ['March', 'April', 'June'],
      ['poor', 'fair', 'good'],
    ]) {
      expect(inOrder([...order].reverse()), order.join()).to.deep.equal(order);
      expect(inOrder(order), order.join()).to.equal(undefined);
    }
  });

  it('is that of the rows where names have none, or not all of them the same', () => {
    for (const names of [
      ['white', 'red'],
      ['5 mg', '2 ml'],
      ['high', 'red'],
      ['control', 'untreated', '5 mg'],
      ['2026-03-02', '2026-03-01'],
      ['9', 'many'],
      ['low', 'Low'],
    ])
      expect(inOrder(names), names.join()).to.equal(undefined);
  });

  it('goes for a column whose groups come again, and gives way to one that a person chose', () => {
    expect(named(['10', '0', '5', '10', '0', '5'])).to.deep.equal(['0', '5', '10']);
    expect([...levelRows(group(['10', '0', '', '10', '5']))]).to.deep.equal([2, 0, -1, 2, 1]);
    // A group a row stands where its author put it.
    expect(named(['10', '0', '5', '', ''])).to.deep.equal(['10', '0', '5']);
    expect(named(['10', '0', '10', '5'], { levels: [{ id: '10', name: '10' }] })).to.deep.equal(['10', '0', '5']);
  });
});
