import { closeDocument, openDocument } from './dom';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { expect } from 'chai';
import * as v from 'valibot';
import { answer } from '../../src/core/answering/answer';
import { type Answer } from '../../src/core/answer/answer';
import { type Question, Question as Schema, defaultQuestion, questionOf } from '../../src/core/question/question';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { methodsSentence } from '../../src/core/telling/report';
import { eventWords } from '../../src/core/study/event-words';
import { plain } from '../../src/core/words/text';
import { Registration } from '../../src/islands/question/Registration';
import { studentT } from '../../src/core/distributions/t';
import { benchFor } from '../../src/islands/question/bench-for';
import { registrationOf } from '../../src/server/registration';
import { openDb } from '../../src/store/open';
import { askQuestion, readQuestion, updateQuestion } from '../../src/store/questions';
import { eventsOf } from '../../src/store/events';
import { createStudy } from '../../src/store/studies';
import { addTable } from '../../src/store/tables';

// Others are to see no document.
closeDocument();

const lamps = (red: string[], white: string[], aside: Record<number, string> = {}): Table =>
  tableOf([
    { ...emptyColumn('red', 'Red lamp', 'mm'), cells: red, aside },
    { ...emptyColumn('white', 'White lamp', 'mm'), cells: white },
  ]);
const readings = lamps(['67', '63', '56', '66'], ['59', '58', '53'], { 2: 'tag lost' });

const registered = (question: Question, more: Partial<NonNullable<Question['registered']>> = {}): Question => ({
  ...question,
  registered: { at: '2026-03-03T09:00:00.000Z', planned: 4, readings: 0, aside: 0, question, ...more },
});
const answered = (question: Question, table: Table = readings): Answer => {
  const found = answer(question, table);
  if (!found.ok) throw new Error(found.reason);
  return found.value;
};
const deviations = (question: Question, table?: Table): string[] => {
  const told = answered(question, table).registered;
  if (!told) throw new Error('not registered');
  return told.deviations;
};

describe('a registered question', () => {
  before(openDocument);
  after(() => {
    cleanup();
    closeDocument();
  });
  const two = { ...defaultQuestion('red', 'white'), direction: 'greater' as const };

  it('says what was registered, and nothing more where nothing deviates', () => {
    const table = lamps(['67', '63'], ['59', '58']);
    const question = registered(two, { planned: 2 });
    expect(deviations(question, table)).to.deep.equal([]);
    expect(plain(methodsSentence(answered(question, table)))).to.match(
      / The question was registered on 3 March 2026, before any reading was there, with 2 planned in each group\. Nothing deviated from what was registered\.$/,
    );
    // Without a registration not a word is added.
    expect(plain(methodsSentence(answered(two, table)))).not.to.include('registered');
  });

  it('tells every deviation: sizes, direction, method, level, margin, readings set aside since', () => {
    const changed: Question = {
      ...registered(two),
      direction: 'either',
      level: 0.9,
      method: 'ranks',
      bounds: { low: -1, high: 1 },
    };
    const told = deviations(changed);
    expect(told[0]).to.equal('n 3 in Red lamp and 3 in White lamp, 4 planned in each group');
    expect(told.join('\n'))
      .to.include('direction two-sided, registered greater')
      .and.include('method Mann–Whitney test, registered Welch’s t-test')
      .and.include('level 90 % (α = 0.1), registered 95 % (α = 0.05)')
      .and.include('equivalence margin −1 to 1, registered without one')
      .and.include('1 reading set aside since');
    expect(plain(methodsSentence(answered(changed)))).to.include(
      'Deviations from what was registered: n 3 in Red lamp',
    );
    expect(deviations(registered(two), lamps([], []))).to.deep.equal([]);
    // What was set aside before is no deviation.
    expect(deviations(registered(two, { planned: undefined, readings: 7, aside: 1 }))).to.deep.equal([]);
    expect(plain(methodsSentence(answered(registered(two, { readings: 7, aside: 1 }))))).to.include(
      'when 7 readings were there already',
    );
  });

  it('knows the comparisons of several groups and a share, and that a new name of a group is no deviation', () => {
    const many = tableOf(
      ['a', 'b', 'c'].map((id, i) => ({ ...emptyColumn(id, id, 'mm'), cells: ['1', '2', '4'].map((x) => `${x}${i}`) })),
    );
    const several = questionOf('several');
    expect(deviations({ ...registered(several, { planned: 3 }), follow: 'holm' }, many)).to.deep.equal([
      'comparisons all pairs, Holm, registered all pairs, Tukey–Kramer',
    ]);
    const share = questionOf('two-groups', { about: 'share', cut: 60, found: 'below', a: 'red', b: 'white' });
    expect(deviations({ ...registered(share, { planned: 3, aside: 1 }), cut: 58 }).join()).to.match(/registered as “/);
    const renamed = {
      ...readings,
      columns: readings.columns.map((c) => ({ ...c, name: `${c.name}s` })),
    };
    expect(deviations(registered(two, { planned: 3, aside: 1 }), renamed)).to.deep.equal([]);
  });

  it('tells what the sizes of the groups decided otherwise than they did when it was registered', () => {
    const cells = (n: number) => Array.from({ length: n }, (_, i) => String(i * i + n));
    const groups = (sizes: number[]) =>
      tableOf(sizes.map((n, i) => ({ ...emptyColumn(`g${i}`, `Group ${i}`, 'mm'), cells: cells(n) })));
    const several = questionOf('several');
    const { question } = answered(several, groups([4, 4, 4]));
    const asRegistered = registered(several, { planned: undefined, question });
    expect(deviations(asRegistered, groups([4, 4, 4]))).to.deep.equal([]);
    expect(deviations(asRegistered, groups([3, 4, 6])).join('; '))
      .to.include('method Welch’s analysis of variance, registered One-way analysis of variance')
      .and.include('comparisons all pairs, Games–Howell, registered all pairs, Tukey–Kramer');
    const control = registered(several, {
      planned: undefined,
      question: { ...question, compare: 'control', control: 'g1' },
    });
    expect(
      deviations({ ...control, compare: 'control', control: 'g2', spread: 'pooled' }, groups([4, 4, 4])),
    ).to.deep.equal(['control Group 2, registered Group 1']);
  });

  it('is taken by the schema, which refuses a time that is none and a plan of one', () => {
    const question = registered(two);
    expect(v.parse(Schema, question)).to.deep.equal(question);
    for (const wrong of [{ at: 'today' }, { planned: 1 }, { readings: -1 }])
      expect(v.safeParse(Schema, registered(two, wrong)).success, JSON.stringify(wrong)).to.equal(false);
  });

  it('stands in the log when it is registered, changed and withdrawn', () => {
    const told = (before: Question, after: Question): string =>
      eventWords({
        line: 1,
        at: '2026-03-03T09:00:00.000Z',
        by: '',
        kind: 'question',
        subject: 'q',
        before: { table: 't', question: before },
        after: { table: 't', question: after },
      });
    expect(told(two, registered(two))).to.equal('registered before any reading was there, 4 planned in each group');
    expect(told(registered(two), two)).to.equal('registration withdrawn');
    expect(told(registered(two), { ...registered(two), level: 0.9 })).to.equal('confidence level now 90 %, was 95 %');
    expect(told(two, registered(two, { planned: undefined, readings: 3 }))).to.equal(
      'registered with 3 readings there already',
    );
  });

  it('is asked for on its page with the n planned, and then told with its deviations and a way out', () => {
    let now: Question = two;
    const page = () => (
      <Registration question={now} shown={answered(now)} href="/registration" onChange={(next) => (now = next)} />
    );
    const screen = render(page());
    const { rerender } = screen;
    fireEvent.click(screen.getByRole('button', { name: 'Register this question …' }));
    expect(screen.getByRole('group').textContent).to.include('7 readings are there already');
    const field = screen.getByLabelText('Planned in each group');
    fireEvent.change(field, { target: { value: '5' } });
    fireEvent.blur(field);
    fireEvent.click(screen.getByRole('button', { name: 'Register' }));
    expect(now.registered).to.deep.include({ planned: 5, readings: 7, aside: 1, question: two });
    rerender(page());
    expect(screen.getByTestId('registration').textContent).to.include('5 planned in each group');
    fireEvent.click(screen.getByRole('button', { name: 'Withdraw' }));
    expect(now).to.deep.equal(two);
  });

  it('is planned on the bench with its own design and spread, and takes the number that comes back', () => {
    const href = '/studies/s/questions/q';
    const lab = answered({ ...two, level: 0.99 });
    const plan = new URL(benchFor(lab, href).planner, 'http://here').searchParams;
    const df = lab.groups.reduce((sum, g) => sum + g.n - 1, 0);
    const sd = Math.sqrt(lab.groups.reduce((sum, g) => sum + (g.n - 1) * (g.summary?.variance ?? NaN), 0) / df);
    expect(Object.fromEntries(plan)).to.deep.include({
      question: href,
      design: 'two-groups',
      unit: 'mm',
      alpha: '0.01',
      direction: 'greater',
      sd: String(Number(sd.toPrecision(4))),
      pilot: '5',
    });
    const screen = render(
      <Registration question={two} shown={lab} href={href} fromPlan={17} onChange={() => undefined} />,
    );
    expect(screen.getByLabelText('Planned in each group')).to.have.property('value', '17');
    expect(screen.getByRole('link', { name: 'Plan it' }).getAttribute('href')).to.equal(benchFor(lab, href).planner);
    cleanup();
  });

  it('is planned as two shares where it is of two shares, from that of the group taken away; otherwise not so', () => {
    const plan = (question: Question): object =>
      Object.fromEntries(new URL(benchFor(answered(question), '/q').planner, 'http://here').searchParams);
    const below = { about: 'share', cut: 60, found: 'below' } as const;
    // Two of three white ones are below 59; of the red ones one of three in use.
    const asked = questionOf('two-groups', { ...below, cut: 59, a: 'red', b: 'white', direction: 'less' });
    expect(plan(asked)).to.deep.include({ design: 'shares', share: '0.667', direction: 'less' });
    // A share of none says nothing to plan from.
    expect(plan({ ...asked, cut: 10 }))
      .to.include({ design: 'shares' })
      .and.not.have.property('share');
    expect(plan(questionOf('one-sample', { ...below, a: 'red', value: 0.5 }))).to.not.have.property('design');
  });

  it('leads to its curve at its statistic and cut-off, and to a draw over its groups', () => {
    const lab = answered({ ...two, level: 0.99 });
    const { curves, draw } = benchFor(lab, '/studies/s/questions/q');
    const [reference] = (lab.comparison.ok ? lab.comparison.value.reference : undefined) ?? [];
    const read = Object.fromEntries(new URL(curves, 'http://here').searchParams);
    expect(read).to.include({ curve: 't', shade: 'right', alpha: '0.01' });
    expect(Number(read['statistic'])).to.be.closeTo(reference?.statistic ?? NaN, 1e-6);
    expect(studentT(Number(read['df'])).upper(Number(read['a']))).to.be.closeTo(0.01, 1e-6);
    expect(new URL(draw, 'http://here').searchParams.get('treatments')).to.equal(
      lab.groups.map((g) => g.name).join(', '),
    );
    // Before there is an answer each opens empty, with the way back.
    expect(benchFor(undefined, '/studies/s/questions/q').curves).to.equal(
      '/bench/curves?question=%2Fstudies%2Fs%2Fquestions%2Fq',
    );
  });

  it('has a page of its own with what the log knows of it, and none where nothing was registered', () => {
    const db = openDb(':memory:', process.cwd());
    const at = '2026-03-03T09:00:00.000Z';
    const study = createStudy(db, { title: 'Lamps', tables: [], questions: [], figures: [] }, at);
    const table = addTable(db, study, readings, { at, origin: '' });
    askQuestion(db, 'q', study, table, two, { at });
    expect(() => registrationOf(db, study, 'q')).to.throw('registration');
    const change = (question: Question): void => {
      updateQuestion(db, 'q', readQuestion(db, 'q').revision, question, { at });
    };
    // Within one minute: what was registered stands on a line of its own, and what was changed after it on the next.
    change({ ...two, level: 0.99 });
    change(registered(two));
    change({ ...registered(two), level: 0.9 });
    expect(eventsOf(db, study).map((e) => eventWords(e))).to.deep.equal([
      'asked',
      'confidence level now 99 %, was 95 %',
      'registered before any reading was there, 4 planned in each group, confidence level now 95 %, was 99 %',
      'confidence level now 90 %, was 95 %',
    ]);
    const { sentence, table: told } = registrationOf(db, study, 'q');
    expect(sentence).to.match(/greater.*Red lamp/i);
    const rows = new Map(told.rows.map(([part = [], words = []]) => [plain(part), plain(words)]));
    expect(rows.get('method')).to.equal('Welch’s t-test');
    expect(rows.get('level')).to.equal('95 % (α = 0.05)');
    expect(rows.get('direction')).to.equal('greater');
    expect(rows.get('log')).to.match(/^line \d+, \d Mar 2026, \d\d:00 UTC/);
    expect(() => registrationOf(db, 'another', 'q')).to.throw('registration');
    db.$client.close();
  });
});
