import { followUps } from '../../src/core/question/options';
import { expect } from 'chai';
import fc from 'fast-check';
import { layout } from '../../src/charts/layout';
import { answer } from '../../src/core/answering/answer';
import type { Question } from '../../src/core/question/question';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { figure } from '../../src/core/figures/figure';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { lookScene } from '../../src/core/telling/look';
import { textWidth, wrapped } from '../../src/core/drawing/text-width';
import {
  between,
  decimalsFor,
  effectDecimals,
  fixed,
  plural,
  significant,
  tellingDecimals,
} from '../../src/core/words/numbers';
import { html, plain, symbol, text } from '../../src/core/words/text';
import { checksOf } from '../../src/core/answering/checks-of';
import { alternativeMethods } from './asked';
import { workingOf } from '../../src/core/answering/working-of';
import { namesOf } from '../../src/core/question/naming';
import { isPlural } from '../../src/core/readings/counted';
import { designs, questionOf } from '../../src/core/question/question';
import { type View, views } from '../../src/core/scenes/views';
import { checkSentence } from '../../src/core/words/checks';
import { headline, shortAnswer } from '../../src/core/telling/headline';
import { decisionOf } from '../../src/core/telling/decision';
import { hypotheses } from '../../src/core/telling/hypotheses';
import { methodElse, methodName, methodReason } from '../../src/core/telling/method';
import { questionSentence, shortQuestion } from '../../src/core/telling/question';
import { figureLegend } from '../../src/core/figures/legend';
import { methodsSentence, resultsSentence } from '../../src/core/telling/report';
import { textTables } from '../../src/core/words/tables/tables';

const cell = fc.oneof(
  { weight: 8, arbitrary: fc.integer({ min: -5000, max: 5000 }).map((n) => String(n / 100)) },
  fc.constantFrom('', 'n/a', '1e-12', '3e9', '<LOD', '12 mm', '0'),
);
const name = fc.constantFrom('Red lamp', '48', '0.5 mM', 'ctrl (day 3)', 'α–β 🌿', '', '<b>&"');
const question: fc.Arbitrary<Question> = fc.record(
  {
    about: fc.constant('value' as const),
    design: fc.constantFrom(...designs),
    a: fc.constant('a'),
    b: fc.constantFrom('b', 'c'),
    direction: fc.constantFrom('either' as const, 'greater' as const, 'less' as const),
    level: fc.constantFrom(0.5, 0.8, 0.95, 0.9999),
    spread: fc.constantFrom('separate' as const, 'pooled' as const),
    method: fc.constantFrom('means' as const, 'ranks' as const, 'shuffle' as const, 'z' as const),
    value: fc.constantFrom(0, 3, -1e6, 2.5),
    knownSd: fc.constantFrom(0.5, 12),
    bounds: fc.constant({ low: -2, high: 2 }),
    compare: fc.constantFrom('all' as const, 'control' as const, 'chosen' as const, 'contrasts' as const),
    control: fc.constantFrom('a', 'z'),
    pairs: fc.constant([['a', 'b'] as [string, string]]),
    contrasts: fc.constant([{ name: 'own', weights: { a: 1, b: -0.5, c: -0.5 } }]),
    follow: fc.constantFrom(...followUps),
    within: fc.constantFrom('a' as const, 'b-within-a' as const),
    sums: fc.constantFrom(1 as const, 2 as const, 3 as const),
    sphericity: fc.constantFrom('assumed' as const, 'huynh-feldt' as const),
    afterLooking: fc.boolean(),
    withAside: fc.boolean(),
  },
  { requiredKeys: ['about', 'design', 'a', 'b', 'direction', 'level'] },
);
const table: fc.Arbitrary<Table> = fc
  .record({
    a: fc.array(cell, { maxLength: 9 }),
    b: fc.array(cell, { maxLength: 9 }),
    c: fc.array(cell, { maxLength: 9 }),
    names: fc.tuple(name, name, name),
    shape: fc.constantFrom('columns' as const, 'repeated' as const, 'grid' as const),
    unit: fc.constantFrom('', 'mm'),
    measure: fc.constantFrom('', 'blade length'),
    subject: fc.constantFrom('', 'dish'),
    reason: fc.constantFrom('tag lost', ''),
  })
  .map(({ a, b, c, names, unit, measure, subject, reason, shape }) => ({
    ...tableOf([]),
    id: 't',
    name: '',
    measure,
    subject,
    shape,
    rowCount: Math.max(a.length, b.length, c.length),
    columns: [
      { ...emptyColumn('tank', 'tank', '', 'group'), cells: ['x', 'x', 'y', 'y', 'x', 'x', 'y', 'y', 'y'] },
      { ...emptyColumn('a', names[0], unit), cells: a, aside: { 1: reason } },
      { ...emptyColumn('b', names[1], unit), cells: b },
      { ...emptyColumn('c', names[2], unit), cells: c },
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
        said.push(questionSentence(found), methodName(asked), methodReason(asked), methodElse(asked));
        said.push(shortQuestion(found), shortAnswer(result));
        said.push(...checksOf(found).map((check) => checkSentence(check, found)));
        said.push(...textTables(found).flatMap((t) => [...t.head, ...t.rows.flat()].map(plain)));
        const stated = hypotheses(found);
        if (stated) said.push(stated.none.words, stated.some.words);
        if (found.comparison.ok) {
          const comparison = found.comparison.value;
          const top = headline(found, comparison);
          said.push(plain(resultsSentence(found, comparison)), plain(top.sentence), top.estimate, top.interval);
          said.push(...comparison.remarks);
          for (const reference of comparison.reference ?? [])
            said.push(...(decisionOf(reference, comparison.p!, asked.level)?.words ?? []));
          if (asked.design !== 'estimate') expect(comparison.p).to.be.within(Number.MIN_VALUE, 1);
          for (const { steps } of workingOf(found, readings))
            for (const step of steps)
              expect(`${step.formula} ${step.numbers} ${step.result}`).not.to.match(/NaN|undefined/);
          for (const other of alternativeMethods(asked, readings)) said.push(shortAnswer(other.found));
        } else said.push(found.comparison.reason);
        for (const sentence of said) {
          expect(sentence, JSON.stringify(asked)).not.to.match(
            /NaN|undefined|null|Infinity|\[object| {2}|p = 0\.0+[;.)\s]/,
          );
          expect(sentence.trim()).to.equal(sentence);
        }
      }),
      { numRuns: 250 },
    ));

  it('have every shape at a place that is a number', () =>
    fc.assert(
      fc.property(table, question, (readings, asked) => {
        const result = answer(asked, readings);
        if (!result.ok) throw new Error(result.reason);
        for (const scene of [
          lookScene(result.value, 700),
          figure(result.value, defaultFigureStyle).scene,
          ...(Object.keys(views) as View[]).flatMap((v) =>
            v === 'points' ? [] : [lookScene(result.value, 700, undefined, v)],
          ),
        ])
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
      const result = answer(questionOf('two-groups', { a: 'a', b: 'b', spread: 'separate' }), {
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
      });
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

describe('figures of groups', () => {
  const asked = (mean: string): string => {
    const table = tableOf(
      [
        { ...emptyColumn('g', 'lamp', '', 'group'), cells: ['red', 'white'] },
        { ...emptyColumn('n', 'n', '', 'count'), cells: ['12', '11'] },
        { ...emptyColumn('m', mean), cells: ['20.1', '18.3'] },
        { ...emptyColumn('s', 'SD', '', 'spread'), cells: ['2.1', '2.4'] },
      ],
      { shape: 'summary' },
    );
    return questionSentence(namesOf(questionOf('two-groups', { a: 'red', b: 'white' }), table));
  };
  it('are asked about by what their means are of, and as a mean where nothing says', () => {
    const told = { 'mean of the lengths': 'Do lengths', 'Mean length': 'Does length', 'mean 2': 'Does mean 2' };
    for (const [column, words] of Object.entries({ ...told, X̄: 'Does mean', M: 'Does mean', Average: 'Does mean' }))
      expect(asked(column), column).to.match(new RegExp(`^${words} differ between`));
  });
});

describe('decimals of effects', () => {
  const number = fc.double({ min: -1e4, max: 1e4, noNaN: true });
  const effect = fc
    .tuple(number, fc.double({ min: 1e-3, max: 1e4, noNaN: true }))
    .map(([estimate, half]) => ({ estimate, interval: { low: estimate - half, high: estimate + half } }));

  it('never round an estimate by more than a tenth of itself, unless its interval is hundreds of times as wide', () => {
    expect(fixed(-0.5286, effectDecimals({ estimate: -0.5286, interval: { low: -14, high: 13 } }))).to.equal('−0.5');
    fc.assert(
      fc.property(effect, ({ estimate, interval }) => {
        const printed = Number(estimate.toFixed(effectDecimals({ estimate, interval })));
        const tiny = interval.high - interval.low > 200 * Math.abs(estimate);
        expect(tiny || Math.abs(printed - estimate) <= 0.1 * Math.abs(estimate) + 1e-12).to.equal(true);
      }),
    );
  });

  it('are as the other half asks where an interval has one end, and two where there is none', () => {
    expect(effectDecimals({ estimate: 7.0556, interval: { low: 3.736, high: Infinity } })).to.equal(1);
    expect(effectDecimals({ estimate: 11.556 })).to.equal(2);
    expect(effectDecimals({ estimate: 0.00123 })).to.equal(4);
  });

  it('show that two intervals differ, and leave equal ones as they are', () => {
    const welch = { estimate: 5.87, interval: { low: 2.763, high: 8.984 } };
    const pooled = { estimate: 5.87, interval: { low: 2.781, high: 8.966 } };
    const [one, other] = tellingDecimals([welch, pooled]);
    expect(between(welch.interval, one)).to.not.equal(between(pooled.interval, other));
    expect(tellingDecimals([welch, welch])).to.deep.equal([effectDecimals(welch), effectDecimals(welch)]);
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

  it('ask of days in the plural, and of mass in the singular', () => {
    const plurals = ['days', 'days to settling', 'blades per frond', 'urchins'];
    const singulars = ['number of blades', 'mass', 'status', 'length', 'radius', 'time', 'gas in litres', 'reading'];
    expect(plurals.map(isPlural)).to.deep.equal(plurals.map(() => true));
    expect(singulars.map(isPlural)).to.deep.equal(singulars.map(() => false));
    const asked = (measure: string, direction: 'either' | 'greater'): string =>
      questionSentence(
        namesOf(
          questionOf('two-groups', { direction, a: 'red', b: 'white' }),
          tableOf(
            [
              { ...emptyColumn('g', 'lamp', '', 'group'), cells: ['red', 'red', 'white', 'white'] },
              { ...emptyColumn('m', measure, '', 'measure'), cells: ['1', '2', '3', '5'] },
            ],
            { shape: 'rows' },
          ),
        ),
      );
    expect(asked('days', 'either')).to.match(/^Do days differ between /);
    expect(asked('days', 'greater')).to.match(/^Are days greater in /);
    expect(asked('mass', 'either')).to.match(/^Does mass differ between /);
    expect(asked('mass', 'greater')).to.match(/^Is mass greater in /);
  });

  it('wrap at spaces, and within a word that is longer than its line', () => {
    const lines = wrapped('Red lamp eighteen hours', 10, 60);
    expect(lines.join(' ')).to.equal('Red lamp eighteen hours');
    for (const line of [...lines, ...wrapped('Überlangergruppenname', 10, 60)])
      expect(textWidth(line, 10)).to.be.at.most(60);
  });
});
