import { subjects } from '../../src/core/question/options';
import { closeDocument, openDocument } from './dom';
import { expect } from 'chai';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { createElement } from 'react';
import { cases } from '../golden/cases';
import { factsOf, hasKind } from '../../src/core/analyses/kinds';
import { analysisOf } from '../../src/core/analyses/registry';
import { answer } from '../../src/core/answering/answer';
import { choicesOf, followUpsFor, methodsFor } from '../../src/core/question/choices';
import { type Named, namesOf } from '../../src/core/question/naming';
import { type Question, designs, questionOf } from '../../src/core/question/question';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { askedOf } from '../../src/core/telling/asked-of';
import { type Control, controlsOf } from '../../src/core/telling/controls';
import { methodElse, methodName, methodReason } from '../../src/core/telling/method';
import { questionSentence } from '../../src/core/telling/question';
import { isPart } from '../../src/core/words/segments';
import { Ask } from '../../src/islands/question/Ask';

// Others are to see no document.
closeDocument();

const all = Object.entries(cases).flatMap(([kind, some]) =>
  some.map((one) => ({ name: `${kind}: ${one.situation}`, ...one })),
);
const sentenceOf = (question: Question, table: Table) => analysisOf(question).words.sentence(namesOf(question, table));
const controlled = (question: Question, table: Table) => controlsOf(question, table, sentenceOf(question, table));
const controlsAll = (question: Question, table: Table): [string, Control][] => [
  ...Object.entries(controlled(question, table)),
  ['asked of', askedOf(question, table)],
];

describe('the parts of a question’s sentence', () => {
  it('are what they are chosen to be: asking for the choice that stands changes nothing', () => {
    let seen = 0;
    for (const { name, question, table } of all)
      for (const [part, control] of controlsAll(question, table)) {
        if (part === 'asked of' || part === 'direction') continue;
        const chosen = control.options.find((o) => o.id === control.chosen);
        expect(chosen, `${name}, ${part}`).to.not.equal(undefined);
        if (!chosen) continue;
        expect(questionSentence(namesOf(chosen.ask(), table)), `${name}, ${part}`).to.equal(
          questionSentence(namesOf(question, table)),
        );
        seen++;
      }
    expect(seen).to.be.greaterThan(150);
  });

  it('say, once chosen otherwise, what was chosen', () => {
    const parts = new Set<string>();
    for (const { name, question, table } of all)
      for (const part of ['a', 'b', 'found', 'factor', 'second-factor', 'outcome', 'counting'] as const) {
        const control = controlled(question, table)[part];
        for (const option of control?.options ?? []) {
          const said = sentenceOf(option.ask(), table).find((s) => isPart(s, part));
          expect(said, `${name}, ${part}: ${option.words}`).to.include({ said: option.words });
          parts.add(part);
        }
      }
    expect([...parts]).to.have.members(['a', 'b', 'found', 'factor', 'second-factor', 'counting']);
  });

  it('each lead to a question that has an answer, or says in words why it has none', () => {
    let answered = 0;
    let refused = 0;
    let valueless = 0;
    for (const { name, question, table } of all) {
      // Some parts lead to one question: it is answered once.
      const asked = new Set<string>();
      for (const [part, control] of controlsAll(question, table))
        for (const option of control.options) {
          const next = option.ask();
          if (asked.size === asked.add(JSON.stringify(next)).size) continue;
          const found = answer(next, table, true);
          const reason = !found.ok ? found.reason : found.value.comparison.ok ? '' : found.value.comparison.reason;
          // A value to compare with is never made up: it is asked for.
          if (reason.startsWith('Type the ')) valueless++;
          else if (reason === '') answered++;
          else {
            refused++;
            expect(reason, `${name}, ${part}: ${option.words}`).to.match(/^[A-Z“0-9].{15,}[.:?]/);
          }
        }
    }
    expect(answered).to.be.greaterThan(9 * refused);
    expect(valueless).to.be.greaterThan(20);
  });

  it('look at no reading before one is chosen, so that a large table keeps nobody waiting', () => {
    for (const { name, question, table } of all) {
      if (question.about === 'share' || question.about === 'table' || table.shape === 'rows') continue;
      let looked = 0;
      const watched: Table = {
        ...table,
        columns: table.columns.map((column) =>
          column.role === 'measure'
            ? Object.defineProperty({ ...column }, 'cells', {
                get: () => ((looked += 1), column.cells),
                enumerable: true,
              })
            : column,
        ),
      };
      const told = controlsAll(question, watched);
      expect(looked, name).to.equal(0);
      // What is chosen may look.
      for (const [, control] of told)
        for (const option of control.options) expect(option.ask().level).to.equal(question.level);
    }
  });

  it('remember a direction that was chosen with the answer in sight, and forget it once both count', () => {
    for (const { name, question, table } of all) {
      const { direction } = controlled(question, table);
      for (const option of direction?.options ?? [])
        expect(option.ask().afterLooking, `${name}: ${option.words}`).to.equal(
          option.id === 'either' ? undefined : true,
        );
    }
  });
});

describe('every kind of question', () => {
  const kinds = subjects.flatMap((about) =>
    designs.filter((design) => hasKind(about, design)).map((design) => questionOf(design, { about })),
  );

  it('names each of its methods, says why one would use it and what else there is', () => {
    for (const question of kinds) {
      const where = `${question.about}, ${question.design}`;
      const methods = methodsFor(question);
      const names = methods.map((method) => methodName({ ...question, method }));
      expect(new Set(names).size, where).to.equal(methods.length);
      for (const [i, method] of methods.entries()) {
        const one = { ...question, method };
        expect(names[i], where).to.match(/^[A-ZŠ].{5,}/);
        expect(methodReason(one), where).to.match(/^[A-Z].{30,}\.$/);
        expect(methodElse(one), where).to.match(/^[A-Z].{20,}\.$/);
      }
    }
    expect(kinds.length).to.equal(27);
  });

  it('of spreads of the same subjects keeps that they are the same', () => {
    for (const design of ['paired', 'repeated'] as const) {
      const weeks = ['a', 'b', 'c'].map((id) => ({ ...emptyColumn(id, id), cells: ['1', '3', '2', '7'] }));
      const table = tableOf(weeks, { shape: 'repeated', subject: 'line' });
      const { counting } = controlled(questionOf(design, { about: 'spread' }), table);
      expect(counting?.chosen, design).to.equal('within');
    }
  });

  it('is answered by a choice it has: what it lacks gives way to the first it offers', () => {
    for (const question of kinds)
      for (const method of ['means', 'ranks', 'exact', 'bartlett', 'mid-p'] as const)
        for (const follow of ['tukey', 'nemenyi', 'holm'] as const) {
          const asked = { ...question, method, follow, sphericity: 'huynh-feldt' as const };
          const choices = choicesOf(asked);
          const methods = methodsFor(asked);
          expect(choices.method).to.equal(methods.includes(method) ? method : methods[0]);
          const judged = followUpsFor(asked, choices.method, choices.spread, choices.compare);
          expect(choices.follow).to.equal(judged.includes(follow) ? follow : judged[0]);
          const { sphericities = ['greenhouse-geisser'] } = factsOf(question);
          expect(sphericities).to.include(choices.sphericity);
        }
  });
});

describe('the question as a sentence of controls', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  const page = (question: Question, table: Table, repeated: Pick<Named, 'repeats' | 'averaged'> = {}) => {
    const asked: Question[] = [];
    const { unit } = namesOf(question, table);
    const shown = render(
      createElement(Ask, {
        question,
        settled: question,
        table,
        unit,
        repeated,
        onChange: (next: Question) => asked.push(next),
        onEdit: () => undefined,
      }),
    );
    return { shown, asked, heading: shown.getByRole('heading', { level: 1 }) };
  };
  /** The heading as it reads: of each choice the one chosen, of each field what stands in it. */
  const reads = (node: Node): string =>
    Array.from(node.childNodes, (child) => {
      const { tagName, value, placeholder } = child as unknown as HTMLInputElement;
      const within = child as Element;
      if (tagName === 'SELECT') return (within as HTMLSelectElement).selectedOptions[0]?.textContent ?? '';
      if (tagName === 'INPUT') return value || placeholder;
      if (tagName === 'DETAILS') return within.querySelector('summary')?.textContent ?? '';
      return child.childNodes.length > 0 ? reads(child) : (child.textContent ?? '');
    }).join('');

  it('reads on the page as it is told everywhere else', () => {
    let same = 0;
    for (const { name, question, table } of all) {
      // Many groups fold into their number, an SD also tells its variance, a limit and a ratio are typed.
      if (question.about === 'spread' && question.design === 'one-sample') continue;
      if (question.cut !== undefined || question.about === 'table') continue;
      const { heading } = page(question, table);
      const told = questionSentence(namesOf(question, table));
      const bare = (text: string) => text.replace(/\s+/g, ' ').replace('animal, plant, dish …', 'X');
      const noun = table.subject ? told : told.replace(/when each (reading|subject|one)/, 'when each X');
      // Where several columns could name the groups, the page tells which one does.
      const read = bare(reads(heading)).replace(question.block === undefined ? '' : / by \S+(?= (?:differ|in))/, '');
      if (!/\d+ groups/.test(read)) {
        expect(read, name).to.equal(bare(noun));
        same++;
      }
      cleanup();
    }
    expect(same).to.be.greaterThan(25);
  });

  const two = all.find((c) => c.question.design === 'two-groups' && c.question.about === 'value');
  it('says that readings and not subjects count where they are counted one by one', () => {
    if (!two) throw new Error('no case of two groups');
    const nested = {
      repeats: { readings: 18, subjects: 6, distinct: 6, shared: 0, each: { least: 3, most: 3 } },
      averaged: false,
    };
    expect(page(two.question, two.table, nested).heading.textContent).to.contain(
      'counts once for each of its readings',
    );
    cleanup();
    expect(page(two.question, two.table).heading.textContent).to.not.contain('not each');
  });

  it('turns into a paired question where each is measured twice, and remembers a direction chosen late', () => {
    if (!two) throw new Error('no case of two groups');
    const { shown, asked } = page(two.question, two.table);
    fireEvent.change(shown.getByLabelText('How subjects were measured'), { target: { value: 'within' } });
    expect(asked.at(-1)?.design).to.equal('paired');
    fireEvent.change(shown.getByLabelText('Direction'), { target: { value: 'greater' } });
    expect(asked.at(-1)).to.include({ direction: 'greater', afterLooking: true });
  });
});
