import { expect } from 'chai';
import { answer } from '../../src/core/answering/answer';
import type { Answer } from '../../src/core/answer/answer';
import { askMany } from '../../src/core/answering/many';
import { layout } from '../../src/charts/layout';
import { choicesOf } from '../../src/core/question/choices';
import { asDesign, designOf, kindOf } from '../../src/core/question/asking';
import { firstQuestion } from '../../src/core/question/first';
import { type Question, designs, questionOf } from '../../src/core/question/question';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { lookScene } from '../../src/core/telling/look';
import { headline } from '../../src/core/telling/headline';
import { resultsSentence } from '../../src/core/telling/report';
import { plain } from '../../src/core/words/text';
import { mergeWords } from '../../src/formats/merge-words';

const column = (id: string, cells: (number | string)[], role: 'measure' | 'group' | 'subject' = 'measure') => ({
  ...emptyColumn(id, id, role === 'measure' ? 'mm' : '', role),
  cells: cells.map(String),
});
/** The same readings in a layout every design can be asked of. */
const table = (lists: (number | string)[][]): Table =>
  tableOf(
    [
      column(
        'tank',
        (lists[0] ?? []).map((_, i) => (i % 2 ? 'x' : 'y')),
        'group',
      ),
      ...lists.map((l, i) => column(`g${i}`, l)),
    ],
    { shape: 'repeated', measure: 'length' },
  );

const base = [
  [5.1, 6.2, 4.9, 7.3, 6.6, 5.8],
  [7.2, 8.1, 6.4, 9.9, 8.7, 7.6],
  [4.1, 6.9, 5.2, 6.1, 7.7, 4.4],
];
const scaled = (by: number) => base.map((l) => l.map((x) => x * by));
const hard: Record<string, (number | string)[][]> = {
  'one reading': [[1], [2], [3]],
  'all equal': base.map((l) => l.map(() => 4)),
  'zeros throughout': base.map((l) => l.map(() => 0)),
  'one huge reading': base.map((l, i) => (i === 0 ? [...l.slice(0, 5), 1e15] : l)),
  'a group empty': [base[0] ?? [], [], base[2] ?? []],
  'a scale of 1e-300': scaled(1e-300),
  'a scale of 1e-150': scaled(1e-150),
  'a scale of 1e150': scaled(1e150),
  'a scale of 1e300': scaled(1e300),
  'close to one another': base.map((l) => l.map((x) => 1e9 + x * 1e-5)),
  'text throughout': base.map((l) => l.map(() => 'lid off')),
};

describe('extreme readings', () => {
  for (const [name, lists] of Object.entries(hard))
    it(`have an answer or a reason, under every design and method: ${name}`, () => {
      for (const design of designs)
        for (const method of ['means', 'ranks', 'shuffle'] as const)
          for (const spread of ['separate', 'pooled'] as const) {
            const asked: Question = questionOf(design, {
              a: 'g0',
              b: 'g1',
              method,
              spread,
              bounds: { low: -1, high: 1 },
            });
            const found = answer(asked, table(lists));
            const where = `${design}, ${method}, ${spread}`;
            if (!found.ok) throw new Error(`${where}: ${found.reason}`);
            const { comparison } = found.value;
            if (!comparison.ok) {
              expect(comparison.reason, where).to.match(/^\S.*[.?]$/s);
              continue;
            }
            const said = [
              resultsSentence(found.value, comparison.value),
              headline(found.value, comparison.value).sentence,
            ];
            for (const text of said) expect(plain(text), where).not.to.match(/NaN|undefined|Infinity/);
            for (const test of comparison.value.tests) {
              expect(test.p, where).to.be.within(Number.MIN_VALUE, 1);
              expect(test.value ?? 0, where).to.satisfy(Number.isFinite);
            }
            layout(lookScene(found.value, 700));
          }
    });

  it('in their tens of thousands are answered, and drawn', () => {
    const many = [0, 1, 2].map((k) =>
      Array.from({ length: 33_000 }, (_, i) => 20 + k * 0.01 + ((i * 7919 + k * 31) % 1000) / 100),
    );
    for (const design of ['two-groups', 'several'] as const) {
      const found = answer(questionOf(design, { a: 'g0', b: 'g1' }), { ...table(many), shape: 'columns' });
      if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
      expect(found.value.comparison.value.p).to.be.within(0, 1);
    }
  });

  it('in two hundred groups say that nobody reads so many pairs, and compare with a control', () => {
    const lists = Array.from({ length: 200 }, (_, k) => [k % 7, (k % 7) + 1, (k % 7) + 2.5]);
    const asked = questionOf('several');
    const ask = (question: Question): Answer => {
      const found = answer(question, { ...table(lists), shape: 'columns' });
      if (!found.ok) throw new Error(found.reason);
      return found.value;
    };
    const all = ask(asked);
    if (!all.comparison.ok) throw new Error(all.comparison.reason);
    expect(all.comparison.value.follow?.ok === false && all.comparison.value.follow.reason).to.contain('19900 pairs');
    const control = ask({ ...asked, compare: 'control', control: 'g0', follow: 'holm' });
    expect(control.comparison.ok && control.comparison.value.follow?.ok).to.equal(true);
    layout(lookScene(all, 700));
  });
});

describe('one question and another', () => {
  it('become one another and come back, with what both have in place', () => {
    const readings = table(base);
    const first = firstQuestion(readings);
    if (!first) throw new Error('no question');
    expect(first.design).to.equal('mixed');
    for (const design of designs) {
      const turned = asDesign({ ...first, level: 0.9 }, readings, design);
      expect(turned.design).to.equal(design);
      expect(turned.level).to.equal(0.9);
      expect(answer(turned, readings).ok, design).to.equal(true);
      const back = asDesign(turned, readings, first.design);
      expect({ ...choicesOf(back), value: 0 }).to.deep.equal({ ...choicesOf(first), value: 0 });
      expect(designOf(kindOf[design], 'once')).to.be.oneOf([...designs]);
    }
  });

  it('of many measures gives each its own answer, and a reason where there is none', () => {
    const wide = tableOf(
      [
        column('lamp', ['red', 'white', 'red', 'white', 'red', 'white'], 'group'),
        column('length', [5, 7, 6, 8, 5.5, 9]),
        column('mass', [1, 1, 1, 1, 1, 1]),
      ],
      { shape: 'rows' },
    );
    const asked = questionOf('two-groups', { by: 'lamp', a: 'red', b: 'white' });
    const { count, answers } = askMany(asked, wide, { columns: true });
    const found = [...answers];
    expect(count).to.equal(2);
    const single = answer({ ...asked, measure: 'length' }, wide);
    if (!single.ok || !single.value.comparison.ok) throw new Error('no answer');
    expect(found[0]?.p).to.equal(single.value.comparison.value.p);
    expect(found[0]?.interval).to.deep.equal(single.value.comparison.value.effect?.interval);
    expect(found[1]?.reason).to.contain('no spread');
  });
});

describe('own words', () => {
  const from = 'Blade length was greater in Red (mean 34.1 mm, n = 9): difference 7.1 mm, p = 0.001.';
  const own = 'Seedlings grew taller in Red (mean 34.1 mm, n = 9): difference 7.1 mm, p = 0.001. We did not expect it.';
  it('stay while the numbers are renewed and marked', () => {
    const now = from.replace('34.1', '35.2').replace('0.001', '< 0.001').replace('= <', '<');
    const { pieces, clash } = mergeWords(from, own, now);
    expect(pieces.map((p) => p.text).join('')).to.equal(own.replace('34.1', '35.2').replace('p = 0.001', 'p < 0.001'));
    expect(pieces.filter((p) => p.fresh).map((p) => p.text)).to.include('35.2');
    expect(clash).to.equal(false);
  });
  it('win where both changed the same place, and that is said', () => {
    const merged = mergeWords(from, from.replace('7.1 mm', 'about 7 mm'), from.replace('7.1', '6.4'));
    expect(merged.clash).to.equal(true);
    expect(merged.pieces.map((p) => p.text).join('')).to.contain('about 7 mm');
    expect(mergeWords(from, own, from)).to.deep.equal({ pieces: [{ text: own, fresh: false }], clash: false });
  });
});
