import { closeDocument, openDocument } from './dom';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { expect } from 'chai';
import fc from 'fast-check';
import { useState } from 'react';
import { answer } from '../../src/core/answering/answer';
import type { JudgedEffect } from '../../src/core/answer/comparison';
import { lookScene } from '../../src/core/telling/look';
import { firstQuestion } from '../../src/core/question/first';
import { isControl } from '../../src/core/question/natural-order';
import { type Question, questionOf } from '../../src/core/question/question';
import { allTurned, onePairTurned } from '../../src/core/question/turned';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { intake } from '../../src/core/understanding/intake';
import WhichDiffer from '../../src/islands/question/WhichDiffer';

closeDocument();

const readings = [
  [67.4, 63.8, 56.9, 66.5, 67.4, 62.2],
  [59.2, 58.0, 53.6, 50.0, 55.9, 52.6],
  [57.1, 60.3, 55.8, 52.4, 58.9, 54.4],
  [61.0, 58.8, 63.1, 59.9, 60.2, 65.4],
  [50.1, 48.8, 53.0, 47.9, 52.2, 49.4],
  [70.3, 66.1, 68.8, 71.9, 65.2, 69.0],
];
const columns = (names: readonly string[], shape: Table['shape'] = 'columns'): Table =>
  tableOf(
    names.map((name, i) => ({ ...emptyColumn(name, name, 'mm'), cells: (readings[i] ?? []).map(String) })),
    { measure: 'blade length', shape },
  );
const lamps = columns(['Red', 'White', 'Blue']);

function effectsOf(question: Question, table = lamps): JudgedEffect[] {
  const found = answer(question, table);
  if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
  const { follow } = found.value.comparison.value;
  if (!follow?.ok) throw new Error('nothing follows');
  return follow.value.flatMap((part) => part.effects);
}

describe('pairs taken the other way round', () => {
  it('are the same comparisons read from the other side, whatever they are judged by', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Partial<Question>>(
          {},
          { follow: 'holm' },
          { follow: 'games-howell', spread: 'separate' },
          { method: 'ranks' },
          { effect: 'ratio' },
          { about: 'spread' },
        ),
        (how) => {
          const plain = effectsOf(questionOf('several', how));
          const turned = effectsOf(questionOf('several', { ...how, turned: 'all' }));
          expect(turned.map((e) => e.pair)).to.deep.equal(plain.map((e) => e.pair && [e.pair[1], e.pair[0]]));
          turned.forEach((e, i) => {
            const was = plain[i];
            const around = (x = NaN): number => (e.ratio ? 1 / x : -x);
            expect(e.p).to.equal(was?.p);
            expect(e.estimate).to.be.closeTo(around(was?.estimate), 1e-12);
            expect(e.interval?.low ?? 0).to.be.closeTo(was?.interval ? around(was.interval.high) : 0, 1e-9);
            const [a = '', b = ''] = e.pair ?? [];
            expect(e.name).to.match(new RegExp(`${a} (?:minus|over) ${b}$`));
            if (e.statistic) expect(Math.abs(e.statistic.value)).to.equal(Math.abs(was?.statistic?.value ?? NaN));
          });
        },
      ),
    );
  });

  it('can be one of them, or all, and turned twice stand as they did', () => {
    const plain = questionOf('several');
    const pairs = (q: Question) => effectsOf(q).flatMap((e) => (e.pair ? [e.pair] : []));
    const names = (q: Question) => effectsOf(q).map((e) => e.name);
    const one = onePairTurned(plain, ['Red', 'Blue'], pairs(plain));
    expect(names(one)).to.deep.equal(['Red minus White', 'Blue minus Red', 'White minus Blue']);
    const others = allTurned(one, pairs(one));
    expect(names(others)).to.deep.equal(['White minus Red', 'Red minus Blue', 'Blue minus White']);
    expect(onePairTurned(others, ['Red', 'Blue'], pairs(others)).turned).to.equal('all');
    expect(onePairTurned(one, ['Blue', 'Red'], pairs(one))).to.deep.equal(plain);
    expect(allTurned(allTurned(plain, pairs(plain)), pairs(plain))).to.deep.equal(plain);
    // Pairs that were chosen one by one are kept as they are chosen.
    const chosen = questionOf('several', { compare: 'chosen', pairs: [['Red', 'Blue']] });
    expect(allTurned(chosen, [['Red', 'Blue']]).pairs).to.deep.equal([['Blue', 'Red']]);
    // Against a control the order is what it is.
    const control = questionOf('several', { compare: 'control', turned: 'all', control: 'White' });
    expect(names(control)).to.deep.equal(['Red minus White', 'Blue minus White']);
  });

  it('within the levels of another factor keep their level', () => {
    const cells = ['Red', 'Blue'].flatMap((lamp) =>
      ['fed', 'unfed'].flatMap((feed) => [0, 1, 2].map(() => [lamp, feed])),
    );
    const grid = tableOf(
      [
        { ...emptyColumn('lamp', 'lamp', '', 'group'), cells: cells.map(([lamp = '']) => lamp) },
        { ...emptyColumn('feed', 'feed', '', 'group'), cells: cells.map(([, feed = '']) => feed) },
        {
          ...emptyColumn('length', 'length', 'mm'),
          cells: [61, 64, 66, 52, 55, 51, 49, 47, 50, 53, 58, 54].map(String),
        },
      ],
      { shape: 'rows' },
    );
    const asked = { by: 'lamp', by2: 'feed', measure: 'length', within: 'a-within-b' } as const;
    const plain = effectsOf(questionOf('factorial', asked), grid);
    const turned = effectsOf(questionOf('factorial', { ...asked, turned: 'all' }), grid);
    expect(plain.map((e) => e.name)).to.deep.equal(['Red minus Blue', 'Red minus Blue']);
    expect(turned.map((e) => e.name)).to.deep.equal(['Blue minus Red', 'Blue minus Red']);
    turned.forEach((e, i) => expect(e.estimate).to.equal(0 - (plain[i]?.estimate ?? NaN)));
  });
});

describe('the order a question is first asked in', () => {
  const first = (names: readonly string[], shape?: Table['shape']): Question => {
    const question = firstQuestion(columns(names, shape));
    if (!question) throw new Error('no question');
    return question;
  };
  it('is treatment minus control, and later minus earlier', () => {
    for (const [a, b] of [
      ['control', 'shaded'],
      ['Ctrl (day 3)', 'red lamp'],
      ['before', 'after'],
      ['day 3', 'day 10'],
      ['0 h', '48 h'],
      ['2024', '2025'],
    ] as const) {
      expect(first([a, b]), a).to.include({ a: b, b: a });
      expect(first([b, a]), a).to.include({ a: b, b: a });
    }
    for (const names of [
      ['Red', 'White'],
      ['day 3', '10 h'],
      ['negative control', 'positive control'],
    ])
      expect(first(names)).to.include({ a: names[0], b: names[1] });
    expect(first(['control', 'low', 'high']).turned).to.equal('all');
    expect(first(['week 1', 'week 2', 'week 4'], 'repeated').turned).to.equal('all');
    expect(first(['low', 'control', 'high']).turned).to.equal(undefined);
    expect(first(['week 4', 'week 2', 'week 1']).turned).to.equal(undefined);
  });

  it('knows numbers alone for times by their column, and turns the conditions of groups of subjects', () => {
    const read = (head: string[], row: (i: number) => (string | number)[], rows = 24): Table => ({
      id: 't',
      name: 't',
      ...intake([head, ...Array.from({ length: rows }, (_, i) => row(i).map(String))]).table,
    });
    const value = (i: number): number => 20 + ((i * 7) % 11) / 2 + ((i * i) % 13) / 3;
    const days = read(['line', 'day', 'length'], (i) => [
      `L${1 + Math.floor(i / 3)}`,
      [0, 7, 14][i % 3] ?? 0,
      value(i),
    ]);
    expect(firstQuestion(days)).to.include({ design: 'repeated', turned: 'all' });
    const rates = read(['line', 'lux', 'length'], (i) => [
      `L${1 + Math.floor(i / 3)}`,
      [0, 7, 14][i % 3] ?? 0,
      value(i),
    ]);
    expect(firstQuestion(rates)).to.include({ design: 'repeated' }).and.not.have.property('turned');
    const lamp = (i: number): string => (i < 12 ? 'red' : 'white');
    const mixed = read(['line', 'lamp', 'day', 'length'], (i) => [
      `L${1 + Math.floor(i / 3)}`,
      lamp(i),
      [0, 7, 14][i % 3] ?? 0,
      value(i),
    ]);
    const question = firstQuestion(mixed);
    if (!question) throw new Error('no question');
    expect(question).to.include({ design: 'mixed', turned: 'all' });
    const found = answer(question, mixed);
    if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
    const { follow } = found.value.comparison.value;
    if (!follow?.ok) throw new Error('no comparisons');
    const names = follow.value.flatMap((part) => part.effects.map((e) => e.name));
    expect(names.slice(0, 3)).to.deep.equal(['7 minus 0', '14 minus 0', '14 minus 7']);
    const wide = read(
      ['line', 'lamp', 'day 0', 'day 7', 'day 14'],
      (i) => [`L${i}`, lamp(2 * i), value(i), value(3 * i), value(5 * i)],
      12,
    );
    expect(firstQuestion(wide)).to.include({ design: 'mixed', turned: 'all' });
  });

  it('knows a control by its name, and no group that only sounds like one', () => {
    for (const name of [
      'control',
      'Controls',
      'CTRL',
      'ctrl 2',
      'untreated',
      'sham-operated',
      'wild type',
      'wild-type',
    ])
      expect(isControl(name), name).to.equal(true);
    for (const name of ['controlled flow', 'vehicles', 'mocked', 'red']) expect(isControl(name), name).to.equal(false);
  });

  it('leaves pictures in the order of the table: time runs one way', () => {
    const table = columns(['before', 'after'], 'repeated');
    const found = answer(first(['before', 'after'], 'repeated'), table);
    if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
    expect(found.value.comparison.value.effect?.name).to.equal('after minus before');
    const { alt, panels } = lookScene(found.value, 900);
    expect(alt)
      .to.match(/by group: before, .*; after, /)
      .and.include('after minus before');
    // Each line leads from a reading before to the reading of the same row after.
    const lines = panels
      .flatMap((p) => p.marks)
      .flatMap((m) => (m.mark === 'path' && m.name === 'pair' ? [m.points] : []));
    expect(lines.map((points) => points.map(([x]) => x))).to.deep.equal(
      (readings[0] ?? []).map((x, row) => [x, readings[1]?.[row]]),
    );
  });
});

describe('many pairs on the page', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);
  function Page({ table, chosen }: { table: Table; chosen: number[] }) {
    const [asked, setAsked] = useState(questionOf('several'));
    const found = answer(asked, table);
    if (!found.ok || !found.value.comparison.ok) return null;
    return (
      <WhichDiffer
        answer={found.value}
        comparison={found.value.comparison.value}
        sorted={false}
        onSort={() => undefined}
        chosen={0}
        onChoose={(place) => chosen.push(place)}
        asked={asked}
        onChange={setAsked}
      />
    );
  }

  it('fold into a triangle of intervals on one scale beyond a dozen, each leading to its working', () => {
    const chosen: number[] = [];
    const screen = render(<Page table={columns(['A', 'B', 'C', 'D', 'E', 'F'])} chosen={chosen} />);
    const triangle = screen.getByTestId('triangle');
    expect(triangle.querySelectorAll('button')).to.have.length(15);
    expect(triangle.querySelectorAll('circle')).to.have.length(15);
    fireEvent.click(screen.getByRole('button', { name: 'B minus D' }));
    expect(chosen).to.deep.equal([6]);
    const heads = () => [...triangle.querySelectorAll('tbody th')].map((th) => th.textContent);
    expect(heads()).to.deep.equal(['A', 'B', 'C', 'D', 'E']);
    fireEvent.click(screen.getByRole('button', { name: 'Turn all round' }));
    expect(heads()).to.deep.equal(['B', 'C', 'D', 'E', 'F']);
    fireEvent.change(screen.getByLabelText('Form of the comparisons'), { target: { value: 'list' } });
    expect(screen.getAllByTestId('comparisons-row')).to.have.length(15);
  });

  it('stand as a list up to a dozen, one turned without the others', () => {
    const screen = render(<Page table={lamps} chosen={[]} />);
    fireEvent.click(screen.getByRole('button', { name: 'Turn round: Red minus Blue' }));
    const names = screen.getAllByTestId('comparisons-row').map((row) => row.querySelector('th')?.textContent);
    expect(names).to.deep.equal(['Red minus White', 'Blue minus Red', 'White minus Blue']);
  });
});
