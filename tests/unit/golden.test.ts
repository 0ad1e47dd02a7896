import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { cases } from '../golden/cases';
import { golden, goldenFile } from '../golden/telling';

describe('what Divide says', () => {
  for (const kind of Object.keys(cases))
    it(`of ${kind} is what the golden text says (npm run golden writes it anew, to be read through)`, () => {
      expect(golden(kind)).to.equal(readFileSync(goldenFile(kind), 'utf8'));
    });
});
