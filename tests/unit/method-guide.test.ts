import { expect } from 'chai';
import katex from 'katex';
import { demoTables } from '../../demo/skerrow';
import { answer } from '../../src/core/answering/answer';
import { methodName } from '../../src/core/telling/method';
import { anchorOf, methodGuide } from '../../src/core/telling/method-guide';
import { terms } from '../../src/core/words/terms';

describe('the guide to methods and terms', () => {
  const guide = methodGuide();
  const entries = guide.flatMap((part) => part.entries);

  it('has every method that a question of the demo study is answered by, at the place its margin leads to', () => {
    const anchors = new Set(entries.map((e) => e.anchor));
    for (const { table, questions } of demoTables())
      for (const { question } of questions) {
        const found = answer(question, table);
        if (!found.ok) throw new Error(found.reason);
        const name = methodName(found.value.question).replace(/ of logarithms$/, '');
        expect(anchors.has(anchorOf(name)), name).to.equal(true);
      }
  });

  it('names each once, says what it is for and what else there is, and most by whom', () => {
    expect(guide.map((part) => part.heading)).to.have.length(4);
    expect(entries.length).to.be.greaterThan(35);
    const all = [...entries.map((e) => e.anchor), ...terms.map((t) => anchorOf(t.name))];
    expect(new Set(all).size).to.equal(all.length);
    for (const { name, reason, also } of entries) {
      expect(reason, name).to.match(/^[A-Z].{30,}\.$/s);
      expect(also.length, name).to.be.greaterThan(10);
    }
    const welch = entries.find((e) => e.name === 'Welch’s t-test');
    expect(welch?.references.map((r) => r.href)).to.deep.equal(['https://doi.org/10.1093/biomet/34.1-2.28']);
    expect(entries.filter((e) => e.references.length > 0).length).to.be.greaterThan(entries.length / 2);
  });

  it('explains each term in a few lines, its formula one that can be set', () => {
    for (const { name, meaning, formula } of terms) {
      expect(meaning.split(/(?<=[.:]) /).length, name).to.be.within(2, 7);
      if (formula)
        expect(katex.renderToString(formula, { output: 'mathml' }), name).to.match(/^<span class="katex"><math/);
    }
  });

  it('makes anchors of any name', () => {
    expect(anchorOf('Fisher’s exact test')).to.equal('fishers-exact-test');
    expect(anchorOf('  G test, of (several) proportions ')).to.equal('g-test-of-several-proportions');
    expect(anchorOf('Kruskal–Wallis test')).to.equal('kruskal-wallis-test');
  });
});
