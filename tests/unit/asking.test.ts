import { expect } from 'chai';
import fc from 'fast-check';
import * as v from 'valibot';
import { demoTables } from '../../demo/skerrow';
import { answer } from '../../src/core/answering/answer';
import { asDesign, designOf, groupChoices, isWithin, kindOf, kindsFor } from '../../src/core/question/asking';
import { firstQuestion } from '../../src/core/question/first';
import { choicesOf, followUpsFor, methodsFor } from '../../src/core/question/choices';
import { Question, questionOf } from '../../src/core/question/question';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { methodName, methodReason } from '../../src/core/telling/method';
import { questionSentence } from '../../src/core/telling/question';

const tables = demoTables().map(({ table }, i) => ({ ...table, id: `t${i}` }));
const named = (name: string): Table => tables.find((t) => t.name === name)!;

describe('from readings to a question', () => {
  it('each table of the demo study raises the question its layout is made for', () => {
    const raised = Object.fromEntries(
      tables.map((t) => {
        const first = firstQuestion(t);
        return [t.name, first && `${first.about} ${first.design}`];
      }),
    );
    expect(raised).to.deep.equal({
      'Lamp trial': 'value two-groups',
      'Four lamps': 'value several',
      'Temperature by nutrient': 'value factorial',
      Rinse: 'value paired',
      'Weekly growth': 'value repeated',
      'Fed and unfed lines': 'value mixed',
      'Three readings a tank': 'value two-groups',
      'Spore settlement': 'share several',
      'Grazing classes': 'table several',
      'Blade forms of a cross': 'table one-sample',
      'Fouled ropes': 'share paired',
      'Salinity probes': 'value two-groups',
      'Pipette check': 'value estimate',
      'Iodine assay': 'value two-groups',
      'Figures from a paper': 'value several',
      'Forty pigments': 'value two-groups',
      'Salt series': 'value several',
      'Snails in tanks': 'value nested',
      'Missed visits': 'value repeated',
      'Spores in store': 'value several',
      'Fed, before and after': 'value adjusted-two',
      'Iodine near the limit': 'value several',
      'Cells of blades of lines': 'value nested-two',
      'Doses in batches of spores': 'value blocked',
    });
  });

  it('asks of the columns chosen, in their order, and of nothing where there is nothing', () => {
    const four = named('Four lamps');
    const ids = groupChoices(four, {}).map((g) => g.id);
    const two = firstQuestion(four, [ids[3]!, ids[1]!])!;
    expect([two.design, two.a, two.b]).to.deep.equal(['two-groups', ids[1], ids[3]]);
    expect(firstQuestion(four, ids.slice(1))!.groups).to.deep.equal(ids.slice(1));
    // All chosen, as after a paste, is as if none were.
    for (const table of tables)
      expect(
        firstQuestion(
          table,
          groupChoices(table, {}).map((g) => g.id),
        ),
      ).to.deep.equal(firstQuestion(table));
    expect(firstQuestion(tableOf([]))).to.equal(undefined);
    expect(firstQuestion(tableOf([{ ...emptyColumn('a', 'A'), cells: ['1', '2'] }]))!.design).to.equal('estimate');
  });
});

describe('one design changed into another', () => {
  /** Steps through kinds and ways of measuring, as a hand does that tries the parts of the sentence. */
  const steps = fc.array(fc.tuple(fc.nat(3), fc.boolean()), { minLength: 1, maxLength: 8 });

  it('always makes a question that can be asked, whose sentence names what is there and whose answer is one or a reason', () =>
    fc.assert(
      fc.property(fc.constantFrom(...tables), steps, (table, ways) => {
        let question = firstQuestion(table)!;
        for (const [pick, within] of ways) {
          const kinds = kindsFor(table, question);
          const kind = kinds[pick % kinds.length]!;
          const next = asDesign(
            question,
            table,
            designOf(kind, within && question.about !== 'table' ? 'within' : 'once'),
          );
          expect(kindOf[next.design]).to.equal(kind);
          // It passes the schema as it stands, so that it can be kept.
          expect(v.parse(Question, next)).to.deep.equal(next);
          question = next;
        }
        const { method, follow } = choicesOf(question);
        expect(methodsFor(question)).to.include(method);
        expect(follow).to.be.a('string');
        expect(methodName(question)).to.match(/\S/);
        expect(methodReason(question)).to.match(/[.]$/);
        const found = answer(question, table);
        if (found.ok)
          expect(questionSentence(found.value))
            .to.match(/^[A-Z].*\?$/s)
            .and.not.match(/undefined/);
        else expect(found.reason).to.match(/\S[.:]/);
      }),
      { numRuns: 120 },
    ));

  it('keeps what both have: the groups, the level, the direction of two, the columns asked about', () => {
    const lamps = named('Lamp trial');
    const asked: Question = {
      ...firstQuestion(lamps)!,
      direction: 'greater',
      level: 0.99,
      bounds: { low: -1, high: 1 },
    };
    const paired = asDesign(asked, lamps, 'paired');
    expect(paired).to.deep.equal({ ...asked, design: 'paired' });
    expect(asDesign(paired, lamps, 'two-groups')).to.deep.equal(asked);
    // A direction means nothing among several, and comes back as either way.
    const several = asDesign(asked, named('Four lamps'), 'several');
    expect([several.direction, several.level]).to.deep.equal(['either', 0.99]);
    // A value a group is held against is not a difference two groups are held against.
    const stated = { ...asDesign(asked, lamps, 'one-sample'), value: 30 };
    expect(asDesign(stated, lamps, 'two-groups').value).to.equal(undefined);
    expect(asDesign(stated, lamps, 'one-sample').value).to.equal(30);
  });

  it('fills in the two factors, and forgets groups that are no longer there', () => {
    const grid = named('Temperature by nutrient');
    const factorial = asDesign(questionOf('one-sample'), grid, 'factorial');
    expect(factorial.by === undefined || factorial.by !== factorial.by2).to.equal(true);
    expect(answer(factorial, grid).ok).to.equal(true);
    const lamps = named('Lamp trial');
    const gone = asDesign({ ...questionOf('two-groups', { a: 'nobody', b: 'white' }) }, lamps, 'paired');
    expect([gone.a, gone.b]).to.deep.equal(['red', 'white']);
  });

  it('knows which designs look at the same subjects throughout', () => {
    for (const kind of ['two', 'several', 'factors'] as const)
      for (const within of [true, false]) expect(isWithin(designOf(kind, within ? 'within' : 'once'))).to.equal(within);
  });
});

describe('what can be chosen', () => {
  const all: Question[] = (
    ['estimate', 'one-sample', 'two-groups', 'paired', 'several', 'factorial', 'repeated', 'mixed'] as const
  )
    .flatMap((design) =>
      [undefined, 'share', 'table', 'spread'].map((about) =>
        questionOf(design, about ? { about: about as 'share' } : {}),
      ),
    )
    .filter((q) => methodsFor(q).length > 0);

  it('is taken where the question allows it, and otherwise falls back on what fits', () => {
    for (const question of all)
      for (const method of ['means', 'ranks', 'shuffle', 'z', 'exact', 'chi-square', 'bartlett'] as const) {
        const possible = methodsFor(question);
        const chosen = choicesOf({ ...question, method }).method;
        expect(chosen).to.equal(possible.includes(method) ? method : possible[0]);
      }
  });

  it('judges comparisons together only in ways made for them', () => {
    for (const question of all)
      for (const compare of ['all', 'control', 'chosen', 'contrasts'] as const) {
        const { method, spread, compare: taken, follow } = choicesOf({ ...question, compare, follow: 'dunnett' });
        const possible = followUpsFor(question, method, spread, taken);
        if (possible.length > 0) expect(possible).to.include(follow);
        if (follow === 'dunnett') expect(taken).to.equal('control');
      }
    // Of all pairs with one spread, the way made for that; with separate spreads, the one that allows for them.
    expect(choicesOf(questionOf('several')).follow).to.equal('tukey');
    expect(choicesOf(questionOf('several', { spread: 'separate' })).follow).to.equal('games-howell');
    expect(choicesOf(questionOf('several', { compare: 'control' })).follow).to.equal('dunnett');
    expect(choicesOf(questionOf('several', { method: 'ranks' })).follow).to.equal('dunn');
  });
});
