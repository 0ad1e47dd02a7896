import { expect } from 'chai';
import { demoTables } from '../../demo/skerrow';
import { layout } from '../../src/charts/layout';
import { answer } from '../../src/core/answering/answer';
import type { Answer } from '../../src/core/answer/answer';
import { checksOf } from '../../src/core/answering/checks-of';
import { alternativeMethods } from './asked';
import { workingOf } from '../../src/core/answering/working-of';
import { fisherExact } from '../../src/core/procedures/fisher-exact';
import { pairedProportions } from '../../src/core/procedures/paired-proportions';
import { shuffleShares } from '../../src/core/procedures/shuffle-counts';
import { superiorityInterval } from '../../src/core/procedures/superiority';
import { firstQuestion } from '../../src/core/question/first';
import { methodsFor } from '../../src/core/question/choices';
import { type Question, questionOf } from '../../src/core/question/question';
import { countTable } from '../../src/core/readings/count-table';
import { shareCell } from '../../src/core/readings/share-cell';
import { looksLike } from '../../src/core/understanding/read-as';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { lookScene } from '../../src/core/telling/look';
import { checkSentence } from '../../src/core/words/checks';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { headline } from '../../src/core/telling/headline';
import { decisionOf } from '../../src/core/telling/decision';
import { hypotheses } from '../../src/core/telling/hypotheses';
import { figureLegend } from '../../src/core/figures/legend';
import { methodsSentence, resultsSentence } from '../../src/core/telling/report';
import { questionSentence } from '../../src/core/telling/question';
import { textTables } from '../../src/core/words/tables/tables';
import { plain } from '../../src/core/words/text';

const counts = (rows: string[], columns: Record<string, (number | string)[]>): Table =>
  tableOf(
    [
      { ...emptyColumn('surface', 'surface', '', 'group'), cells: rows },
      ...Object.entries(columns).map(([name, cells]) => ({
        ...emptyColumn(name, name, '', 'count'),
        cells: cells.map(String),
      })),
    ],
    { shape: 'counts', measure: 'outcome', subject: 'spore' },
  );
const answered = (question: Question, table: Table): Answer => {
  const found = answer(question, table);
  if (!found.ok) throw new Error(found.reason);
  return found.value;
};
const reasonOf = (question: Question, table: Table): string => {
  const found = answer(question, table);
  if (!found.ok) return found.reason;
  return found.value.comparison.ok ? '' : found.value.comparison.reason;
};
const share = (design: Question['design'], more: Partial<Question> = {}): Question =>
  questionOf(design, { about: 'share', a: 'slate', b: 'shell', ...more });

describe('questions about counts', () => {
  const table = counts(['slate', 'shell'], { settled: [18, 9], bare: [27, 31] });

  it('read counts from a table, from shares written out, and from rows, alike', () => {
    const written = counts(['slate', 'shell'], { settled: ['18 of 45', '22.5 % of 40'] });
    const rows = [
      ['slate', 'settled', 18],
      ['slate', 'bare', 27],
      ['shell', 'settled', 9],
      ['shell', 'bare', 31],
    ].flatMap(([surface, outcome, n]) => Array.from({ length: Number(n) }, () => [String(surface), String(outcome)]));
    const single = tableOf(
      [0, 1].map((k) => ({
        ...emptyColumn(['surface', 'outcome'][k] ?? '', ['surface', 'outcome'][k] ?? '', '', 'group'),
        cells: rows.map((r) => r[k] ?? ''),
      })),
      { shape: 'categories' },
    );
    for (const t of [table, written, single]) {
      expect(countTable(t).counts).to.deep.equal([
        [18, 27],
        [9, 31],
      ]);
      const { comparison } = answered(share('two-groups'), t);
      expect(comparison.ok && comparison.value.effect?.estimate).to.be.closeTo(0.4 - 0.225, 1e-15);
    }
    expect(shareCell('12,5 % of 2480')).to.deep.equal({ count: 310, n: 2480, rounded: false });
    expect(shareCell('12.52 % of 2480')).to.deep.equal({ count: 310, n: 2480, rounded: true });
    expect(shareCell('45')).to.equal(undefined);
    expect(looksLike(written)).to.equal(undefined);
  });

  it('raise the question their layout has', () => {
    expect(firstQuestion(table)).to.include({ about: 'share', design: 'two-groups', a: 'slate', b: 'shell' });
    expect(firstQuestion(counts(['a', 'b', 'c'], { x: [1, 2, 3], y: [4, 5, 6] }))).to.include({ design: 'several' });
    expect(firstQuestion(counts(['a', 'b'], { x: [1, 2], y: [4, 5], z: [1, 1] }))).to.include({ about: 'table' });
    expect(firstQuestion(counts(['a', 'b', 'c'], { n: [1, 2, 3] }))).to.include({
      about: 'table',
      design: 'one-sample',
    });
  });

  it('meet what cannot be with its own words', () => {
    const bad: [Question, Table, string][] = [
      [share('two-groups'), counts(['slate', 'shell'], { settled: ['50 of 45', '9 of 40'] }), 'more were found than'],
      [share('two-groups'), counts(['slate', 'shell'], { settled: [1.5, 9], bare: [3, 4] }), 'whole number'],
      [share('two-groups'), counts(['slate', 'shell'], { settled: [-2, 9], bare: [3, 4] }), 'whole number'],
      [
        share('two-groups'),
        counts(['slate', 'shell'], { settled: [0, 9], bare: [0, 4] }),
        'Nothing was counted in slate',
      ],
      [
        share('several'),
        counts(['slate', 'shell', 'rope'], { settled: [5, 9, 4], bare: [0, 0, 0] }),
        'nothing that could differ',
      ],
      [share('one-sample', { value: 1.2 }), table, 'between 0 and 1'],
      [questionOf('one-sample', { about: 'table', ratio: [1, 2, 3] }), table, '2 categories'],
      [share('two-groups', { found: 'gone' }), table, 'no longer among'],
    ];
    for (const [question, t, words] of bad) expect(reasonOf(question, t)).to.include(words);
  });

  it('give the bound that exists where a table is separated', () => {
    const found = answered(
      share('two-groups', { effect: 'odds' }),
      counts(['slate', 'shell'], { settled: [12, 3], bare: [0, 9] }),
    );
    if (!found.comparison.ok) throw new Error(found.comparison.reason);
    const { effect, remarks } = found.comparison.value;
    expect(effect?.estimate).to.equal(Infinity);
    expect(effect?.interval?.low).to.be.greaterThan(1);
    expect(effect?.interval?.high).to.equal(Infinity);
    expect(remarks.join()).to.include('bound that exists');
    expect(() => layout(lookScene(found, 690))).not.to.throw();
  });

  it('take a table of 50 by 50', () => {
    const names = Array.from({ length: 50 }, (_, i) => `r${i}`);
    const wide = counts(
      names,
      Object.fromEntries(names.map((n, j) => [n, names.map((_, i) => ((i * 7 + j * 13) % 5) + 1)])),
    );
    const found = answered(questionOf('several', { about: 'table' }), wide);
    expect(found.comparison.ok && found.comparison.value.tests[0]?.df).to.deep.equal([49 * 49]);
    expect(layout(lookScene(found, 690)).shapes.length).to.be.greaterThan(100);
  });
});

describe('procedures of shares', () => {
  it('shuffled labels agree with the exact test where tails say it all', () => {
    const shuffled = shuffleShares({ successes: 11, n: 17 }, { successes: 4, n: 19 });
    const exact = fisherExact([
      [11, 6],
      [4, 15],
    ]);
    expect(shuffled.greater).to.be.closeTo(exact.greater, 1e-14);
    expect(shuffled.less).to.be.closeTo(exact.less, 1e-14);
    expect(shuffled.either).to.be.within(shuffled.greater, 1);
  });

  it('of pairs turn with their sides, and hold no more than they can', () => {
    const there = pairedProportions(
      [
        [20, 12],
        [2, 16],
      ],
      0.95,
    );
    const back = pairedProportions(
      [
        [20, 2],
        [12, 16],
      ],
      0.95,
    );
    expect(there.difference).to.be.closeTo(0.2, 1e-15);
    expect(back.interval.low).to.be.closeTo(-there.interval.high, 1e-12);
    expect(there.oddsRatio.estimate * back.oddsRatio.estimate).to.be.closeTo(1, 1e-12);
    expect(there.oddsRatio.interval.low * back.oddsRatio.interval.high).to.be.closeTo(1, 1e-9);
    // Newcombe (1998), table II, example (36, 12, 2, 0): 0.0569 to 0.3404.
    const published = pairedProportions(
      [
        [36, 12],
        [2, 0],
      ],
      0.95,
    );
    expect(published.interval.low).to.be.closeTo(0.0569, 5e-5);
    expect(published.interval.high).to.be.closeTo(0.3404, 5e-5);
  });

  it('the chance of the larger reading lies within its interval, which turns with the groups', () => {
    for (const theta of [0, 0.1, 0.5, 0.83, 1]) {
      const { low, high } = superiorityInterval(theta, 12, 17, 0.95);
      const turned = superiorityInterval(1 - theta, 17, 12, 0.95);
      expect(low).to.be.at.most(theta);
      expect(high).to.be.at.least(theta);
      expect(low).to.be.at.least(0);
      expect(high).to.be.at.most(1);
      expect(turned.low).to.be.closeTo(1 - high, 1e-9);
    }
  });
});

describe('every subject', () => {
  it('has its sentence, words, picture, checks, other methods, tables and working, by every method', () => {
    let asked = 0;
    for (const { table, questions } of demoTables())
      for (const { question } of questions) {
        if (question.about === 'value') continue;
        expect(alternativeMethods(question, table).filter((o) => o.chosen)).to.have.length(1);
        for (const method of methodsFor(question))
          for (const direction of ['either', 'greater'] as const) {
            const found = answered({ ...question, method, direction }, table);
            const where = `${question.about} ${question.design} ${method} ${direction}`;
            expect(questionSentence(found), where).to.match(/\?$/);
            expect(methodsSentence(found).length, where).to.be.greaterThan(0);
            if (!found.comparison.ok) {
              expect(found.comparison.reason, where).to.include('two-sided only');
              continue;
            }
            asked += 1;
            const comparison = found.comparison.value;
            const said = [
              plain(headline(found, comparison).sentence),
              plain(resultsSentence(found, comparison)),
              plain(methodsSentence(found)),
              plain(figureLegend(found, defaultFigureStyle)),
              hypotheses(found)?.none.words ?? '',
              ...checksOf(found).map((check) => checkSentence(check, found)),
            ];
            for (const sentence of said) {
              expect(sentence, where).not.to.match(/undefined|NaN|\s\s/);
              expect(sentence.trim(), where).to.match(/[.?]$/);
            }
            expect(comparison.p, where).to.be.within(Number.MIN_VALUE, 1);
            expect(workingOf(found, table).length, where).to.be.greaterThan(0);
            expect(textTables(found).length, where).to.be.greaterThan(1);
            expect(layout(lookScene(found, 690)).shapes.length, where).to.be.greaterThan(5);
            // Both ways to the decision agree.
            for (const reference of comparison.reference ?? []) {
              const decision = decisionOf(reference, comparison.p!, question.level);
              if (decision) expect(decision.beyond, where).to.equal(comparison.p! <= 1 - question.level);
            }
          }
      }
    expect(asked).to.be.greaterThan(20);
  });
});
