import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { type Example, exampleFile, examples } from '../golden/examples';

describe('the examples of POST /api/answer', () => {
  it('are answered as the kept file says, one for each kind of question', async () => {
    const kept = JSON.parse(readFileSync(exampleFile, 'utf8')) as Example[];
    const now = await examples();
    expect(now.map((e) => e.kind)).to.deep.equal(kept.map((e) => e.kind));
    expect(now.length).to.be.at.least(15);
    for (const [i, example] of now.entries()) {
      expect(example.request, example.kind).to.deep.equal(kept[i]?.request);
      expect(example.response, example.kind).to.deep.equal(kept[i]?.response);
    }
  });

  it('carry a version, every sentence a paper needs, and a comparison or its reason', async () => {
    for (const { kind, response } of await examples()) {
      expect(response.version, kind).to.equal(1);
      const { question, method, methods, headline, results } = response.words as Record<string, string>;
      for (const said of [question, method, methods, headline, results]) expect(said, kind).to.match(/^.{10,}$/);
      expect(response.comparison, kind).to.have.property('ok', true);
      expect(response.checks.length, kind).to.be.greaterThan(0);
    }
  });
});
