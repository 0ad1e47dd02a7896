import { expect } from 'chai';
import fc from 'fast-check';
import { signedSums, subsetSums } from '../../src/core/distributions/counted';

/** How often each sum comes, by going through every choice there is. */
const countedOneByOne = (sums: readonly number[]): Map<number, number> => {
  const found = new Map<number, number>();
  for (const s of sums) found.set(s, (found.get(s) ?? 0) + 1);
  return found;
};

const asMap = ({ from, counts }: { from: number; counts: Float64Array }): Map<number, number> =>
  new Map([...counts].flatMap((n, i): [number, number][] => (n > 0 ? [[from + i, n]] : [])));

const sorted = (map: Map<number, number>): [number, number][] => [...map].sort(([a], [b]) => a - b);

const choices = (n: number): number[][] =>
  Array.from({ length: 2 ** n }, (_, bits) => Array.from({ length: n }, (_, i) => (bits >> i) & 1));

describe('sums over all arrangements', () => {
  const values = fc.array(fc.integer({ min: -9, max: 30 }), { minLength: 1, maxLength: 9 });

  it('of every choice of so many are those of going through the choices', () => {
    fc.assert(
      fc.property(values, fc.nat(9), (all, most) => {
        const size = Math.min(most, all.length);
        const taken = choices(all.length).filter((bits) => bits.reduce((a, b) => a + b, 0) === size);
        const wanted = countedOneByOne(taken.map((bits) => bits.reduce((s, bit, i) => s + bit * (all[i] ?? 0), 0)));
        const found = subsetSums(all, size);
        expect(sorted(asMap(found))).to.deep.equal(sorted(wanted));
        expect(found.total).to.equal(taken.length);
      }),
    );
  });

  it('with every choice of signs are those of going through the signs', () => {
    fc.assert(
      fc.property(values, (some) => {
        const all = some.map(Math.abs);
        const sums = choices(all.length).map((bits) =>
          bits.reduce((s, bit, i) => s + (bit === 1 ? 1 : -1) * (all[i] ?? 0), 0),
        );
        const found = signedSums(all);
        expect(sorted(asMap(found))).to.deep.equal(sorted(countedOneByOne(sums)));
        expect(found.total).to.equal(sums.length);
      }),
    );
  });
});
