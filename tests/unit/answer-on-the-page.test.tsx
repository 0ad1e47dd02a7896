import { closeDocument, openDocument } from './dom';
import { expect } from 'chai';
import { act, cleanup, fireEvent, render, within } from '@testing-library/react';
import { createElement } from 'react';
import { cases } from '../golden/cases';
import { atLevels } from './asked';
import { told } from '../golden/telling';
import { checksOf } from '../../src/core/answering/checks-of';
import { there } from '../../src/core/numeric/there';
import { choicesOf, methodsFor } from '../../src/core/question/choices';
import { namesOf } from '../../src/core/question/naming';
import { type Question, questionOf } from '../../src/core/question/question';
import type { Table } from '../../src/core/readings/table';
import { pValue } from '../../src/core/words/numbers';
import { checkNames, checkSentence, remedyOffer, verdictWords } from '../../src/core/words/checks';
import { textTables } from '../../src/core/words/tables/tables';
import { loosely, plain } from '../../src/core/words/text';
import { AnswerTables } from '../../src/islands/question/AnswerPart';
import { AskSettings } from '../../src/islands/question/AskSettings';
import { CheckPart } from '../../src/islands/question/CheckPart';
import { RatioPart } from '../../src/islands/question/RatioPart';
import TellTables from '../../src/islands/question/TellTables';
import Understood from '../../src/islands/question/Understood';

// Others are to see no document.
closeDocument();

const all = Object.entries(cases).flatMap(([kind, some]) =>
  some.map((one) => ({ name: `${kind}: ${one.situation}`, one, ...told(one) })),
);
const named = (part: string) => {
  const found = all.find((c) => c.name.startsWith(part));
  if (!found) throw new Error(`no case ${part}`);
  return found;
};
describe('the answer on the page', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  it('has the p of its test in a table, as the sentence has it, for every kind of question', () => {
    let rows = 0;
    for (const { name, answer } of all) {
      if (!answer.comparison.ok) continue;
      const page = render(createElement(AnswerTables, { answer }));
      const text = page.container.textContent;
      const { tests, p } = answer.comparison.value;
      if (p !== undefined) expect(text, name).to.contain(pValue(p));
      for (const t of tests)
        if (t.value !== undefined && Math.abs(t.value) < 1e4 && Math.abs(t.value) > 0.001)
          expect(text.replaceAll('−', '-'), `${name}: ${t.symbol ?? ''}`).to.contain(t.value.toFixed(3));
      rows += page.container.querySelectorAll('tbody tr').length;
      cleanup();
    }
    expect(rows).to.be.greaterThan(150);
  });

  it('has the n of each group, and says of readings how many were set aside', () => {
    for (const { name, answer } of all) {
      if (!answer.comparison.ok || answer.layout || answer.question.about === 'table') continue;
      const page = render(createElement(AnswerTables, { answer }));
      for (const group of answer.groups) {
        const row = page
          .getAllByRole('rowheader')
          .find((head) => head.textContent === group.name)
          ?.closest('tr');
        expect(row, `${name}: ${group.name}`).to.not.equal(undefined);
        const cells = Array.from(row?.querySelectorAll('td') ?? [], (cell) => cell.textContent);
        expect(cells, `${name}: ${group.name}`).to.include(String(group.n));
      }
      cleanup();
    }
    const aside = named('two groups: one reading set aside');
    const page = render(createElement(AnswerTables, { answer: aside.answer }));
    const lines = page.getAllByRole('row', { name: /^Red lamp/ });
    const cells = within(there(lines.at(-1), 'the line of the red lamp')).getAllByRole('cell');
    expect(cells.slice(0, 2).map((c) => c.textContent)).to.deep.equal(['8', '1']);
  });

  it('offers each of its tables to be copied, with every cell of it in sight', () => {
    for (const { name, answer } of all) {
      const page = render(createElement(TellTables, { answer }));
      const tables = textTables(answer);
      expect(page.queryAllByTestId('tell-table').length, name).to.equal(tables.length);
      for (const { title } of tables)
        expect(page.getAllByRole('button', { name: `Copy the table: ${title}` }).length, name).to.be.at.least(1);
      const text = loosely(page.container.textContent);
      for (const cell of tables.flatMap((t) => t.rows.flat())) expect(text, name).to.contain(plain(cell));
      cleanup();
    }
  });
});

describe('what an answer rests on, on the page', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  const shown = (one: (typeof all)[number]) => {
    const asked: Question[] = [];
    const page = render(
      createElement(CheckPart, {
        answer: one.answer,
        readingsHref: '/readings',
        onChange: (next: Question) => asked.push(next),
      }),
    );
    return { page, asked };
  };

  it('is a line each: its name, its verdict in words, its reason', () => {
    for (const one of all) {
      if (!one.answer.comparison.ok) continue;
      const { page } = shown(one);
      for (const check of checksOf(one.answer)) {
        const line = page.getByTestId(`check-${check.about}`).textContent;
        expect(line, one.name).to.contain(checkNames[check.about]);
        expect(line, one.name).to.contain(verdictWords[check.verdict]);
        expect(line, one.name).to.contain(checkSentence(check, one.answer));
      }
      cleanup();
    }
  });

  it('offers a mend where something stands against the answer, and none where the method does not need it', () => {
    let clicked = 0;
    for (const one of all) {
      if (!one.answer.comparison.ok) continue;
      const { page, asked } = shown(one);
      for (const check of checksOf(one.answer)) {
        const line = page.getByTestId(`check-${check.about}`);
        const buttons = within(line).queryAllByRole('button');
        if (check.verdict === 'fine' || check.verdict === 'free') expect(buttons.length, one.name).to.equal(0);
        const [button] = buttons;
        if (!button) continue;
        fireEvent.click(button);
        const offer = check.remedies.flatMap((r) => remedyOffer(r, one.answer.question) ?? [])[0];
        expect(button.textContent, one.name).to.equal(offer?.words);
        expect(asked.at(-1), one.name).to.include(offer?.patch ?? {});
        clicked++;
      }
      cleanup();
    }
    expect(clicked).to.be.greaterThan(3);
  });
});

describe('hypotheses and working, on the page', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  const opened = async (one: (typeof all)[number], what: 'hypotheses' | 'levels' | 'working') => {
    const { comparison } = one.answer;
    if (!comparison.ok) throw new Error(comparison.reason);
    // Formulas come in a script of their own.
    return act(async () => {
      await import('../../src/islands/question/Formula');
      return render(
        createElement(Understood, {
          what,
          answer: one.answer,
          comparison: comparison.value,
          table: one.one.table,
          chosen: 0,
        }),
      );
    });
  };

  it('tell the p of each direction, the one asked for marked', async () => {
    const page = await opened(named('two groups: one-sided, supported'), 'hypotheses');
    const rows = within(await page.findByTestId('directions'))
      .getAllByRole('row')
      .slice(1);
    expect(rows.map((r) => r.querySelector('th')?.textContent)).to.deep.equal(['two-sided', 'greater · asked', 'less']);
    const p = named('two groups: one-sided, supported').answer.comparison;
    expect(rows[1]?.querySelector('td')?.textContent).to.contain(
      p.ok && p.value.p !== undefined ? (p.value.p < 0.001 ? '< 0.001' : p.value.p.toFixed(3)) : 'no p',
    );
    cleanup();
    const other = await opened(named('several groups: all pairs'), 'hypotheses');
    expect(other.queryByTestId('directions')).to.equal(null);
    expect(other.container.textContent).to.not.contain('Working it out');
  });

  it('show the interval at each usual level and at the one asked, as they are asked for', async () => {
    const clear = named('two groups: clear');
    const page = await opened(clear, 'levels');
    expect(page.container.textContent).to.contain('Working it out');
    const picture = within(await page.findByTestId('levels')).getByRole('img');
    const levels = atLevels(clear.one.question, clear.one.table);
    expect(levels.length).to.be.greaterThan(3);
    for (const { level } of levels) expect(picture.getAttribute('aria-label')).to.contain(`${100 * level} %`);
  });

  it('say why a direction has no p where the test has none', async () => {
    const page = await opened(named('spread: far from normal, brown-forsythe'), 'hypotheses');
    expect((await page.findByTestId('directions')).textContent).to.match(/greater.*compared two-sided only/);
  });

  it('end each part of the working at a number', async () => {
    for (const one of all.filter((_, i) => i % 11 === 0)) {
      if (!one.answer.comparison.ok) continue;
      const page = await opened(one, 'working');
      for (const result of page.queryAllByTestId('step-result'))
        expect(result.textContent, one.name).to.match(/^(−?\d[\d.]*( × 10[⁻⁰-⁹¹²³]+)?|∞)$/);
      cleanup();
    }
  });
});

describe('how a question is answered, as a line of choices', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  const line = (question: Question, table: Table) => {
    const asked: Question[] = [];
    const { unit, groups } = namesOf(question, table);
    const page = render(
      createElement(AskSettings, {
        question,
        settled: question,
        table,
        unit,
        repeated: { repeats: undefined, averaged: false },
        groups: groups.map(({ name }, i) => ({ id: ['a', 'b', 'c', 'd'][i] ?? name, name })),
        rounded: [],
        onChange: (next: Question) => asked.push(next),
        onEdit: () => undefined,
      }),
    );
    return { page, asked };
  };
  const choose = (page: ReturnType<typeof line>['page'], label: string, value: string) =>
    fireEvent.change(page.getByLabelText(label), { target: { value } });

  it('lets every method of every kind be chosen, and the question is then answered by it', () => {
    const seen = new Set<string>();
    for (const { name, one } of all) {
      const { page, asked } = line(one.question, one.table);
      const limited = one.table.columns.some((c) => c.limits === 'censored');
      // The likelihood is for readings below a limit.
      const methods = methodsFor(one.question).filter((m) => limited || m !== 'likelihood');
      const select =
        ['Tested by', 'Compared by', 'What is estimated'].flatMap((l) => page.queryByLabelText(l) ?? [])[0] ?? null;
      if (methods.length > 1) expect(select, name).to.not.equal(null);
      for (const method of select ? methods : []) {
        fireEvent.change(there(select ?? undefined, 'the choice'), { target: { value: method } });
        if (choicesOf(one.question).method === method) continue;
        expect(choicesOf(there(asked.at(-1), 'the question')).method, name).to.equal(method);
        seen.add(`${one.question.about} ${method}`);
      }
      cleanup();
    }
    expect(seen.size).to.be.at.least(14);
  });

  const three = named('several groups: all pairs').one.table;
  const several = questionOf('several');

  it('names the control and its direction where groups are compared with one', () => {
    const { page, asked } = line(several, three);
    choose(page, 'Which comparisons follow', 'control');
    expect(asked.at(-1)).to.include({ compare: 'control', control: 'a' });
    cleanup();
    const next = line({ ...several, compare: 'control', control: 'a', spread: 'pooled' }, three);
    choose(next.page, 'Control', 'c');
    expect(next.asked.at(-1)).to.include({ control: 'c' });
    choose(next.page, 'Direction of the comparisons', 'less');
    expect(next.asked.at(-1)).to.include({ direction: 'less' });
    choose(next.page, 'How comparisons are judged together', 'holm');
    expect(next.asked.at(-1)).to.include({ follow: 'holm' });
  });

  it('writes contrasts weight by weight, and adds and leaves out pairs', () => {
    const first = line(several, three);
    choose(first.page, 'Which comparisons follow', 'contrasts');
    const contrasts = [{ name: '', weights: { a: 1, b: -1 } }];
    expect(first.asked.at(-1)?.contrasts).to.deep.equal(contrasts);
    cleanup();
    const written = line({ ...several, compare: 'contrasts', contrasts }, three);
    const weight = written.page.getByLabelText('Weight of Blue lamp in contrast 1');
    fireEvent.change(weight, { target: { value: '-0,5' } });
    fireEvent.blur(weight);
    expect(written.asked.at(-1)?.contrasts?.[0]?.weights).to.deep.equal({ a: 1, b: -1, c: -0.5 });
    fireEvent.click(written.page.getByRole('button', { name: 'another contrast' }));
    expect(written.asked.at(-1)?.contrasts?.length).to.equal(2);
    cleanup();
    const pairs = line({ ...several, compare: 'chosen', pairs: [['a', 'b']] }, three);
    fireEvent.click(pairs.page.getByRole('button', { name: 'another pair' }));
    expect(pairs.asked.at(-1)?.pairs?.length).to.equal(2);
    fireEvent.click(pairs.page.getByRole('button', { name: 'Leave out pair 1' }));
    expect(pairs.asked.at(-1)?.pairs).to.deep.equal([]);
  });

  it('turns the order round with the direction and the value it is tested against', () => {
    const { one } = named('two groups: clear');
    const { page, asked } = line({ ...one.question, direction: 'greater', value: 5 }, one.table);
    fireEvent.click(page.getByRole('button', { name: /^Order:/ }));
    expect(asked.at(-1)).to.include({ a: 'b', b: 'a', direction: 'less', value: -5 });
  });

  it('refuses a margin and an SD that cannot be, in words beside the field, and asks nothing', () => {
    const { one } = named('two groups: clear');
    const margin = line(one.question, one.table);
    fireEvent.change(margin.page.getByLabelText('Equivalence margin'), { target: { value: '-2' } });
    fireEvent.blur(margin.page.getByLabelText('Equivalence margin'));
    expect(margin.page.getByRole('alert').textContent).to.match(/Type a margin above 0/);
    expect(margin.asked).to.deep.equal([]);
    cleanup();
    const single = named('one sample: clear').one;
    const sd = line(single.question, single.table);
    fireEvent.change(sd.page.getByLabelText('Known SD'), { target: { value: '4' } });
    fireEvent.blur(sd.page.getByLabelText('Known SD'));
    expect(sd.asked.at(-1)).to.include({ knownSd: 4, method: 'z' });
  });

  it('asks readings about their spread or a share, and back again', () => {
    const { one } = named('two groups: clear');
    const { page, asked } = line(one.question, one.table);
    choose(page, 'Compared by', 'spread');
    expect(asked.at(-1)).to.include({ about: 'spread' });
    choose(page, 'Compared by', 'band');
    expect(asked.at(-1)).to.include({ about: 'share', found: 'below' });
    expect(asked.at(-1)?.cut).to.be.within(50, 68);
    cleanup();
    const share = line(there(asked.at(-1), 'the question'), one.table);
    choose(share.page, 'Asked of', 'readings');
    expect(share.asked.at(-1)).to.include({ about: 'value' }).and.not.have.any.keys('cut', 'found');
  });
});

describe('a ratio as it is typed', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  const typed = (text: string) => {
    const asked: Question[] = [];
    const page = render(
      createElement(RatioPart, {
        question: questionOf('one-sample', { about: 'table' }),
        names: ['smooth', 'ribbed', 'curled', 'ruffled'],
        onChange: (next: Question) => asked.push(next),
      }),
    );
    const field = page.getByLabelText('Stated proportions');
    fireEvent.change(field, { target: { value: text } });
    fireEvent.blur(field);
    return { asked, said: page.queryByRole('alert')?.textContent };
  };

  for (const [text, ratio] of [
    ['9:3:3:1', [9, 3, 3, 1]],
    ['9 : 3 : 3 : 1', [9, 3, 3, 1]],
    ['0.5, 0.25, 0.125, 0.125', [0.5, 0.25, 0.125, 0.125]],
    ['40 % 30 % 20 % 10 %', [0.4, 0.3, 0.2, 0.1]],
  ] as const)
    it(`reads “${text}”`, () => {
      const { asked, said } = typed(text);
      expect(said).to.equal(undefined);
      const parts = asked.at(-1)?.ratio ?? [];
      const total = parts.reduce((a, b) => a + b, 0);
      const whole = ratio.reduce((a, b) => a + b, 0);
      parts.forEach((x, i) => expect(x / total).to.be.closeTo((ratio[i] ?? NaN) / whole, 1e-12));
      expect(parts.length).to.equal(4);
    });

  for (const [text, why] of [
    ['9:3:4', /has 3 parts, and there are 4 categories: smooth, ribbed, curled, ruffled/],
    ['9:3:x:1', /is no ratio/],
    ['9:3:0:1', /is no ratio/],
    ['0.5, 0.25, 0.125, 0.25', /add up to 1.125 and not to 1/],
  ] as const)
    it(`refuses “${text}” and asks nothing`, () => {
      const { asked, said } = typed(text);
      expect(said).to.match(why);
      expect(asked).to.deep.equal([]);
    });
});
