/** What is said of subjects that come back: their number, what counts once, and what they are called. */
import { expect } from 'chai';
import { answer } from '../../src/core/answering/answer';
import { checksOf } from '../../src/core/answering/checks-of';
import { asDesign } from '../../src/core/question/asking';
import { repeatsUnder } from '../../src/core/question/counting';
import { firstQuestion } from '../../src/core/question/first';
import type { Question } from '../../src/core/question/question';
import { counted, isPlural, plural, singular } from '../../src/core/readings/counted';
import type { Table } from '../../src/core/readings/table';
import { methodsSentence, resultsSentence } from '../../src/core/telling/report';
import { subjectNoun } from '../../src/core/understanding/subject-noun';
import { intake } from '../../src/core/understanding/intake';
import { checkSentence } from '../../src/core/words/checks';
import { plain } from '../../src/core/words/text';

const tableOf = (head: string[], rows: (string | number)[][]): Table => ({
  id: 't',
  name: 't',
  ...intake([head, ...rows.map((row) => row.map(String))]).table,
});

function asked(question: Question, table: Table) {
  const found = answer(question, table);
  if (!found.ok) throw new Error(found.reason);
  const { comparison } = found.value;
  if (!comparison.ok) throw new Error(comparison.reason);
  return {
    answer: found.value,
    methods: plain(methodsSentence(found.value)),
    results: plain(resultsSentence(found.value, comparison.value)),
    checks: checksOf(found.value),
  };
}

const first = (table: Table): Question => {
  const question = firstQuestion(table);
  if (!question) throw new Error('no question');
  return question;
};

/** Six mice, each read under both lamps at both depths. */
const everywhere = tableOf(
  ['mouse', 'lamp', 'depth', 'length'],
  Array.from({ length: 24 }, (_, i) => [
    `m${1 + Math.floor(i / 4)}`,
    i % 2 ? 'red' : 'white',
    i % 4 > 1 ? 'deep' : 'shallow',
    20 + ((i * 7) % 11) + (i % 2),
  ]),
);

describe('subjects that come back', () => {
  it('are counted once each under two factors, and no two factors take them as strangers in silence', () => {
    const question = asDesign(first(everywhere), everywhere, 'factorial');
    expect(repeatsUnder(question, everywhere)).to.deep.equal({
      readings: 24,
      subjects: 24,
      distinct: 6,
      shared: 6,
      each: { least: 1, most: 1 },
    });
    const { answer: found, methods, checks } = asked(question, everywhere);
    expect(methods).to.contain('the 24 readings of 6 mice being treated as independent');
    const independence = checks.find((c) => c.about === 'independence');
    if (!independence) throw new Error('no check');
    expect(independence.verdict).to.equal('matters');
    // Each has one reading in a cell: averaging them would change nothing.
    expect(independence.remedies).to.not.include('average-within-subjects');
    expect(checkSentence(independence, found)).to.match(/^6 mice have readings in more than one group/);
  });

  it('are not said to contribute one reading where pairs are taken as strangers', () => {
    const pairs = tableOf(
      ['plant', 'lamp', 'length'],
      Array.from({ length: 12 }, (_, i) => [`p${1 + (i >> 1)}`, i % 2 ? 'red' : 'white', 20 + ((i * 5) % 7)]),
    );
    const question = first(pairs);
    expect(question.design).to.equal('paired');
    const { methods } = asked(asDesign(question, pairs, 'two-groups'), pairs);
    expect(methods).to.contain('the 12 readings of 6 plants being treated as independent');
    expect(methods).to.not.contain('contributing one reading');
  });

  it('read under two conditions leave no sphericity to correct for or to check', () => {
    const both = tableOf(
      ['mouse', 'diet', 'before', 'after'],
      Array.from({ length: 10 }, (_, i) => [
        `m${i + 1}`,
        i < 5 ? 'plain' : 'rich',
        20 + ((i * 3) % 7),
        24 + ((i * 5) % 6),
      ]),
    );
    const { methods, results, checks } = asked(asDesign(first(both), both, 'mixed'), both);
    expect(methods + results).to.not.match(/ε|Greenhouse/);
    expect(checks.map((c) => c.about)).to.not.include('sphericity');
    const three = tableOf(
      ['mouse', 'diet', 'day 0', 'day 7', 'day 14'],
      Array.from({ length: 10 }, (_, i) => [
        `m${i + 1}`,
        i < 5 ? 'plain' : 'rich',
        20 + (i % 7),
        24 + (i % 5),
        26 + (i % 3),
      ]),
    );
    const more = asked(asDesign(first(three), three, 'mixed'), three);
    expect(more.methods).to.contain('Greenhouse and Geisser’s ε');
    expect(more.checks.map((c) => c.about)).to.include('sphericity');
  });
});

describe('what subjects are called', () => {
  it('is one of them, whatever their column is called', () => {
    const nouns: Record<string, string> = {
      'Mouse ID': 'mouse',
      MouseID: 'mouse',
      mouse_no: 'mouse',
      Mice: 'mouse',
      Plants: 'plant',
      Leaves: 'leaf',
      Dishes: 'dish',
      Families: 'family',
      'Tank #': 'tank',
      'sea bass': 'sea bass',
      id: '',
      visit: '',
    };
    for (const [name, noun] of Object.entries(nouns)) expect(subjectNoun(name), name).to.equal(noun);
  });

  it('has the plural that English gives it, and a plural stays one', () => {
    const many: Record<string, string> = {
      mouse: 'mice',
      'wild mouse': 'wild mice',
      Leaf: 'Leaves',
      larva: 'larvae',
      fish: 'fish',
      person: 'people',
      species: 'species',
      dish: 'dishes',
      tray: 'trays',
      family: 'families',
    };
    for (const [one, more] of Object.entries(many)) {
      expect(plural(one)).to.equal(more);
      expect(plural(more)).to.equal(more);
      expect(singular(more)).to.equal(one);
    }
    expect(counted(24, 'mouse')).to.equal('24 mice');
    expect(['mice', 'trays', 'larvae'].every(isPlural)).to.equal(true);
    expect(['fish', 'mouse', 'mass'].some(isPlural)).to.equal(false);
  });
});
