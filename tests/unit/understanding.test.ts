import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { type Case, missed } from '../understanding/hold';
import { moreCases } from '../understanding/more-cases';

const { cases } = JSON.parse(readFileSync('tests/understanding/cases.json', 'utf8')) as { cases: Case[] };

describe('what a careful colleague understands of a pasted table', () => {
  for (const one of [...cases, ...moreCases])
    it(`${one.why} (${one.id})`, () => {
      expect(missed(one)).to.deep.equal([]);
    });
});
