import { closeDocument, openDocument } from './dom';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { expect } from 'chai';
import { NumbersField } from '../../src/islands/kit/NumbersField';

closeDocument();

describe('numbers typed in a row', () => {
  before(openDocument);
  afterEach(cleanup);
  after(closeDocument);

  /** What is kept and what is told after a text was typed and left. */
  const typed = (text: string): { kept: string[]; told: string | null } => {
    const kept: string[] = [];
    render(
      <NumbersField
        label="Areas"
        value="0.05"
        most={3}
        refuse={(x) => (x < 1 ? undefined : 'an area lies below 1')}
        onChange={(next) => kept.push(next)}
      />,
    );
    const field = screen.getByLabelText('Areas');
    fireEvent.change(field, { target: { value: text } });
    fireEvent.blur(field);
    return { kept, told: screen.queryByRole('alert')?.textContent ?? null };
  };

  it('are kept as typed, apart by spaces, semicolons or commas', () => {
    expect(typed('0.1, 0,05; 0.01')).to.deep.equal({ kept: ['0.1, 0,05; 0.01'], told: null });
  });

  for (const [text, words] of [
    ['0.1 x', '“x” is not a number'],
    ['0.1 2', '2: an area lies below 1'],
    ['0.1 0.2 0.3 0.4', '4 numbers: 3 at the most'],
  ] as const)
    it(`are left as they were at “${text}”, and it says why`, () => {
      const { kept, told } = typed(text);
      expect(kept).to.deep.equal([]);
      expect(told).to.include(words).and.include('kept at 0.05');
    });
});
