import { expect } from 'chai';
import { intake } from '../../src/core/understanding/intake';

const notesOf = (...lines: string[]): string[] => intake(lines.map((line) => line.split('|'))).notes;

describe('percentages beside counts', () => {
  const left = 'The percentages beside the counts follow from them, and were left out.';

  it('are left out where they follow from a total, from the row or from the column', () => {
    expect(notesOf('lamp|settled|of', 'red|34 (85 %)|40', 'white|22 (55 %)|40')).to.deep.equal([left]);
    expect(notesOf('lamp|alive|dead', 'red|34 (85 %)|6 (15 %)', 'white|22 (55 %)|18 (45 %)')).to.deep.equal([left]);
    expect(notesOf('kelp|n (%)', 'oarweed|20 (25.0)', 'tangle|24 (30.0)', 'dabberlocks|36 (45.0)')).to.deep.equal([
      left,
    ]);
  });

  it('are named where one does not follow, with its place', () => {
    const except = (place: string): string[] => [
      `The percentages beside the counts were left out. They follow from the counts except in ${place}: check the count there.`,
    ];
    expect(notesOf('lamp|settled n|settled %|n', 'red|34|85.0|40', 'white|22|45.0|40')).to.deep.equal(
      except('“settled”, row 2'),
    );
    expect(notesOf('lamp|alive|dead', 'red|34 (85 %)|6 (51 %)', 'white|22 (55 %)|18 (45 %)')).to.deep.equal(
      except('“dead”, row 1'),
    );
  });

  it('are said to be of something unknown where none follows', () => {
    expect(notesOf('lamp|settled n|settled %', 'red|34|12.0', 'white|20|33.3')).to.deep.equal([
      'The percentages beside the counts were left out; what they are of cannot be told.',
    ]);
  });

  it('make the totals where nothing else does', () => {
    expect(notesOf('lamp|settled (%)', 'red|34 (85.0)', 'white|22 (44.0)')).to.deep.equal([
      'Each count’s total was worked out from its percentage, which is left out.',
    ]);
  });
});
