import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { checkCases } from '../reference/check';

describe('reference cases', () => {
  const lines = checkCases(readFileSync(new URL('../reference/cases.json', import.meta.url), 'utf8'));
  for (const line of lines)
    it(`${line.procedure}: ${line.cases} cases within their tolerance`, () => {
      expect(line.built).to.equal(true);
      expect(line.misses).to.deep.equal([]);
    });

  it('reports a miss when a number is wrong or absent', () => {
    const wrong = { id: 'x', procedure: 't.upper_tail', given: { t: 1, df: 3 }, rel: 1e-9 };
    const misses = (expected: object) =>
      checkCases(JSON.stringify({ cases: [{ ...wrong, expected }] })).flatMap((l) => l.misses);
    expect(misses({ p: 0.2 })).to.have.length(1);
    expect(misses({ q: 0.2 })).to.have.length(1);
    expect(misses({ p: 0.19550110947788532 })).to.have.length(0);
  });
});
