import { expect } from 'chai';
import fc from 'fast-check';
import { layout } from '../../src/charts/layout';
import { answer } from '../../src/core/answer/answer';
import type { Question } from '../../src/core/question/question';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { figureScene } from '../../src/core/scenes/figure';
import { defaultFigureStyle } from '../../src/core/scenes/figure-style';
import { lookScene } from '../../src/core/scenes/look';
import { textWidth, wrapped } from '../../src/core/scenes/text-width';
import { decimalsFor, plural, significant } from '../../src/core/words/numbers';
import { html, plain, symbol, text } from '../../src/core/words/text';
import {
  figureLegend,
  headline,
  methodsSentence,
  questionSentence,
  resultsSentence,
} from '../../src/core/words/two-groups';

const cell = fc.oneof(
  { weight: 8, arbitrary: fc.integer({ min: -5000, max: 5000 }).map((n) => String(n / 100)) },
  fc.constantFrom('', 'n/a', '1e-12', '3e9', '<LOD', '12 mm', '0'),
);
const name = fc.constantFrom('Red lamp', '48', '0.5 mM', 'ctrl (day 3)', 'α–β 🌿', '', '<b>&"');
const question: fc.Arbitrary<Question> = fc.record({
  design: fc.constant('two-groups' as const),
  a: fc.constant('a'),
  b: fc.constant('b'),
  direction: fc.constantFrom('either', 'greater', 'less'),
  level: fc.constantFrom(0.5, 0.8, 0.95, 0.9999),
  spread: fc.constantFrom('separate', 'pooled'),
});
const table: fc.Arbitrary<Table> = fc
  .record({
    a: fc.array(cell, { maxLength: 9 }),
    b: fc.array(cell, { maxLength: 9 }),
    names: fc.tuple(name, name),
    unit: fc.constantFrom('', 'mm'),
    measure: fc.constantFrom('', 'blade length'),
    subject: fc.constantFrom('', 'dish'),
    reason: fc.constantFrom('tag lost', ''),
  })
  .map(({ a, b, names, unit, measure, subject, reason }) => ({
    ...tableOf([]),
    id: 't',
    name: '',
    measure,
    subject,
    rowCount: Math.max(a.length, b.length),
    columns: [
      { ...emptyColumn('a', names[0], unit), cells: a, aside: { 1: reason } },
      { ...emptyColumn('b', names[1], unit), cells: b },
    ],
  }));

describe('sentences and pictures of any readings', () => {
  it('are whole: no gaps, no NaN, no p of 0, whatever was typed and asked', () =>
    fc.assert(
      fc.property(table, question, (readings, asked) => {
        const result = answer(asked, readings);
        if (!result.ok) throw new Error(result.reason);
        const found = result.value;
        const said = [methodsSentence(found), figureLegend(found, { marks: 'points', bars: 'sd', readings: true })].map(
          plain,
        );
        said.push(questionSentence(found));
        if (found.comparison.ok) {
          const top = headline(found, found.comparison.value);
          said.push(
            plain(resultsSentence(found, found.comparison.value)),
            plain(top.sentence),
            top.estimate,
            top.interval,
          );
          expect(found.comparison.value.p).to.be.within(Number.MIN_VALUE, 1);
        } else said.push(found.comparison.reason);
        for (const sentence of said) {
          expect(sentence).not.to.match(/NaN|undefined|null|Infinity|\[object| {2}|= 0\.0+[;.)\s]/);
          expect(sentence.trim()).to.equal(sentence);
        }
      }),
      { numRuns: 400 },
    ));

  it('have every shape at a place that is a number', () =>
    fc.assert(
      fc.property(table, question, (readings, asked) => {
        const result = answer(asked, readings);
        if (!result.ok) throw new Error(result.reason);
        for (const scene of [lookScene(result.value, 700), figureScene(result.value, defaultFigureStyle)])
          for (const shape of layout(scene).shapes) {
            const numbers =
              shape.shape === 'path'
                ? (/NaN|Infinity/.exec(shape.d) ?? [])
                : Object.values(shape).filter((v) => typeof v === 'number' && !Number.isFinite(v));
            expect(numbers, JSON.stringify(shape)).to.have.length(0);
          }
      }),
      { numRuns: 150 },
    ));

  it('thin their tick labels out before two can touch', () => {
    for (const far of [1, 1e4, 1e6, 1e-5]) {
      const cells = [1, 2, 3, 4].map((x) => String(far * 1000 + far * x));
      const result = answer(
        { design: 'two-groups', a: 'a', b: 'b', direction: 'either', level: 0.95, spread: 'separate' },
        {
          ...tableOf([]),
          id: '',
          name: '',
          measure: 'iodine',
          subject: '',
          rowCount: 4,
          columns: [
            { ...emptyColumn('a', 'A'), cells },
            { ...emptyColumn('b', 'B'), cells: cells.map((c) => String(Number(c) * 1.01)) },
          ],
        },
      );
      if (!result.ok) throw new Error(result.reason);
      const { shapes } = layout(lookScene(result.value, 480));
      const labels = shapes.flatMap((s) =>
        s.shape === 'text' && s.ink === 'muted' && s.anchor === 'middle' ? [s] : [],
      );
      for (const a of labels)
        for (const b of labels)
          if (a !== b && a.y === b.y)
            expect(Math.abs(a.x - b.x)).to.be.greaterThan((textWidth(a.text, a.size) + textWidth(b.text, b.size)) / 2);
    }
  });
});

describe('words and widths', () => {
  it('mark symbols up for print, and escape what people type', () => {
    const sentence = text`${symbol('t')}(${4}) of ${'<b>&'} is ${[symbol('p'), ' < 0.001']}`;
    expect(plain(sentence)).to.equal('t(4) of <b>& is p < 0.001');
    expect(html(sentence)).to.equal('<i>t</i>(4) of &lt;b&gt;&amp; is <i>p</i> &lt; 0.001');
  });

  it('write as many figures as a width supports', () => {
    expect([12.3, 1.23, 0.123, 123].map(decimalsFor)).to.deep.equal([0, 1, 2, 0]);
    expect(significant(32313696.87, 3)).to.equal('3.23 × 10⁷');
    expect(significant(0.0123, 2)).to.equal('0.012');
    expect(['seedling', 'dish', 'assay', 'colony', ''].map(plural)).to.deep.equal([
      'seedlings',
      'dishes',
      'assays',
      'colonies',
      'readings',
    ]);
  });

  it('wrap at spaces, and within a word that is longer than its line', () => {
    const lines = wrapped('Red lamp eighteen hours', 10, 60);
    expect(lines.join(' ')).to.equal('Red lamp eighteen hours');
    for (const line of [...lines, ...wrapped('Überlangergruppenname', 10, 60)])
      expect(textWidth(line, 10)).to.be.at.most(60);
  });
});
