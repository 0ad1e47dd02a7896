import { expect } from 'chai';
import fc from 'fast-check';
import { answer } from '../../src/core/answering/answer';
import { pByDirection } from './asked';
import { headline } from '../../src/core/telling/headline';
import { hypotheses } from '../../src/core/telling/hypotheses';
import { questionSentence } from '../../src/core/telling/question';
import { methodsSentence, resultsSentence } from '../../src/core/telling/report';
import { kindsFor, asDesign } from '../../src/core/question/asking';
import { firstQuestion } from '../../src/core/question/first';
import { otherQuestions } from '../../src/core/question/others';
import { type Question, questionOf } from '../../src/core/question/question';
import { type Table, emptyColumn } from '../../src/core/readings/table';
import { medianInterval } from '../../src/core/procedures/median-interval';
import { besideScene } from '../../src/core/scenes/beside';
import { resultTables } from '../../src/core/words/tables/tables';
import { plain } from '../../src/core/words/text';

const columnTable = (cells: readonly (string | number)[], more: Partial<Table> = {}): Table => ({
  id: 't',
  name: '',
  measure: 'frond mass',
  subject: 'frond',
  shape: 'columns',
  average: false,
  spread: 'sd',
  level: 0.95,
  rowCount: cells.length,
  columns: [{ ...emptyColumn('a', 'Skerry line', 'g'), cells: cells.map(String) }],
  ...more,
});
const settled: Table = columnTable([18], {
  shape: 'counts',
  measure: '',
  columns: [
    { ...emptyColumn('g', 'rope', '', 'group'), cells: ['coir'] },
    { ...emptyColumn('y', 'settled', '', 'count'), cells: ['18'] },
    { ...emptyColumn('n', 'bare', '', 'count'), cells: ['27'] },
  ],
});
const fronds = columnTable([12, 15, 11, 19, 14, 22, 17, 13]);
const found = (question: Question, table: Table) => {
  const given = answer(question, table);
  if (!given.ok) throw new Error(given.reason);
  if (!given.value.comparison.ok) throw new Error(given.value.comparison.reason);
  return { given: given.value, comparison: given.value.comparison.value };
};

describe('An estimate', () => {
  it('is what one column of readings, or one row of counts, is asked first', () => {
    expect(firstQuestion(fronds)).to.include({ design: 'estimate', about: 'value', a: 'a' });
    expect(firstQuestion(settled)).to.include({ design: 'estimate', about: 'share', found: 'y' });
    expect(otherQuestions(fronds).map((q) => `${q.about} ${q.design}`)).to.deep.equal([
      'spread estimate',
      'share estimate',
      'value one-sample',
    ]);
  });

  it('tests nothing: no p, no hypothesis, no direction, in numbers, tables or words', () => {
    const asked: [Question, Table][] = [
      [questionOf('estimate', { a: 'a' }), fronds],
      [questionOf('estimate', { a: 'a', method: 'ranks' }), fronds],
      [questionOf('estimate', { a: 'a', method: 'z', knownSd: 4 }), fronds],
      [questionOf('estimate', { a: 'a', about: 'spread' }), fronds],
      [questionOf('estimate', { a: 'coir', about: 'share', found: 'y' }), settled],
    ];
    for (const [question, table] of asked) {
      const { given, comparison } = found(question, table);
      expect(comparison).to.not.have.any.keys('p', 'reference', 'bounds');
      expect(comparison.tests).to.deep.equal([]);
      expect(hypotheses(given)).to.equal(undefined);
      expect(pByDirection(question, table)).to.deep.equal([]);
      const top = headline(given, comparison);
      const said = [top.sentence, top.test, methodsSentence(given), resultsSentence(given, comparison)].map(plain);
      for (const sentence of said)
        expect(sentence).not.to.match(/\bp [=<]|differ|hypothes|two-sided|compared|undefined|NaN|…/);
      expect(said[3]).to.contain('95 % CI');
      const headings = resultTables(given).flatMap((t) => t.columns.map((c) => plain(c.heading)));
      expect(headings).to.include('estimate').and.not.to.include('p');
    }
  });

  it('of a mean is the mean with its t interval, of a share the share with Wilson’s', () => {
    const { comparison } = found(questionOf('estimate', { a: 'a' }), fronds);
    // 15.375 ± 2.364624 · 3.73927 / √8, by hand.
    expect(comparison.effect?.estimate).to.be.closeTo(15.375, 1e-12);
    expect(comparison.effect?.interval?.low).to.be.closeTo(12.2489, 5e-5);
    expect(comparison.effect?.interval?.high).to.be.closeTo(18.5011, 5e-5);
    const share = found(questionOf('estimate', { a: 'coir', about: 'share', found: 'y' }), settled).comparison;
    expect(share.effect?.estimate).to.equal(0.4);
    expect(share.effect?.interval?.low).to.be.closeTo(0.270249, 1e-6);
    expect(share.effect?.interval?.high).to.be.closeTo(0.545481, 1e-6);
    expect(share.also?.map((e) => e.name)).to.deep.equal(['Clopper–Pearson', 'Agresti–Coull', 'Wald']);
  });

  it('has the interval that the test against its ends would just not refuse', () => {
    fc.assert(
      fc.property(
        fc
          .array(fc.integer({ min: -300, max: 300 }), { minLength: 3, maxLength: 20 })
          .filter((l) => new Set(l).size > 1),
        fc.constantFrom(0.8, 0.9, 0.95, 0.99),
        (list, level) => {
          const table = columnTable(list.map((x) => x / 10));
          const { low, high } = found(questionOf('estimate', { a: 'a', level }), table).comparison.effect!.interval!;
          for (const value of [low, high])
            expect(found(questionOf('one-sample', { a: 'a', level, value }), table).comparison.p).to.be.closeTo(
              1 - level,
              1e-7,
            );
        },
      ),
    );
  });

  it('does not stand beside another against a line of no difference', () => {
    const { given } = found(questionOf('estimate', { a: 'a' }), fronds);
    expect(besideScene(given, given, 600)).to.deep.equal({
      ok: false,
      reason: 'They have no scale in common: neither tells an effect with an interval that is tested.',
    });
    expect(besideScene(given, undefined, 600)).to.equal(undefined);
    const tested = found(questionOf('one-sample', { a: 'a', value: 14 }), fronds).given;
    const both = besideScene(tested, tested, 600);
    expect(both?.ok && both.value.panels.length).to.equal(1);
  });

  it('says why there is none, and what a comparison with a value lacks', () => {
    const why = (question: Question, table: Table): string => {
      const given = answer(question, table);
      return !given.ok ? given.reason : given.value.comparison.ok ? '' : given.value.comparison.reason;
    };
    expect(why(questionOf('estimate', { a: 'a' }), columnTable([4, 4, 4]))).to.match(
      /^Every reading of Skerry line is the same/,
    );
    expect(why(questionOf('estimate', { a: 'a', about: 'spread' }), columnTable([4, 4]))).to.contain('no spread');
    expect(why(questionOf('estimate', { a: 'a' }), columnTable([4]))).to.contain('one reading');
    expect(why(questionOf('one-sample', { a: 'a' }), fronds)).to.match(
      /^Type the value that Skerry line is compared with/,
    );
    expect(why(questionOf('one-sample', { a: 'a', about: 'spread' }), fronds)).to.match(/^Type the SD/);
    expect(why(questionOf('one-sample', { a: 'coir', about: 'share', found: 'y' }), settled)).to.match(
      /^Type the share/,
    );
  });

  it('becomes a comparison with a value, and comes back from one, without inventing either', () => {
    expect(kindsFor(fronds, questionOf('estimate', { a: 'a' }))).to.deep.equal(['estimate', 'value']);
    const against = asDesign(questionOf('estimate', { a: 'a' }), fronds, 'one-sample');
    expect(against.value).to.equal(undefined);
    const back = asDesign({ ...against, value: 15, direction: 'greater' }, fronds, 'estimate');
    expect(back.direction).to.equal('either');
    expect(back).to.not.have.property('value');
  });
});

describe('The interval of a median', () => {
  const choose = (n: number, k: number): number => (k === 0 ? 1 : (choose(n, k - 1) * (n - k + 1)) / k);

  it('lies between the innermost two readings that cover the median often enough', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: -1000, max: 1000 }), { minLength: 1, maxLength: 30 }),
        fc.constantFrom(0.5, 0.8, 0.9, 0.95, 0.99),
        (list, level) => {
          const n = list.length;
          const sorted = [...list].sort((a, b) => a - b);
          // By listing: how often fewer than k of n fair tosses fall on one side.
          const beyond = (k: number): number =>
            Array.from({ length: k }, (_, i) => choose(n, i)).reduce((a, b) => a + b, 0) / 2 ** n;
          let k = 0;
          while (k + 1 <= Math.ceil(n / 2) && 2 * beyond(k + 1) <= 1 - level + 1e-12) k += 1;
          const { interval, coverage } = medianInterval(list, level);
          expect(interval).to.deep.equal(
            k === 0 ? { low: -Infinity, high: Infinity } : { low: sorted[k - 1], high: sorted[n - k] },
          );
          expect(coverage)
            .to.be.closeTo(1 - 2 * beyond(k), 1e-12)
            .and.to.be.at.least(level - 1e-12);
        },
      ),
    );
  });

  it('follows its values when they are shifted and stretched, and takes 100,000 of them', () => {
    const list = Array.from({ length: 100_001 }, (_, i) => (i * 7919) % 100_001);
    const at = medianInterval(list, 0.95);
    // 50,000 ± 1.96 · √n / 2 = 310 ranks.
    expect(at.median).to.equal(50_000);
    expect(at.interval.low).to.be.within(49_685, 49_695);
    const moved = medianInterval(
      list.map((x) => 3 * x + 7),
      0.95,
    );
    expect(moved.interval).to.deep.equal({ low: 3 * at.interval.low + 7, high: 3 * at.interval.high + 7 });
    expect(() => medianInterval([], 0.95)).to.throw('no readings');
  });
});

describe('A column that is both what was measured and its one group', () => {
  const alone = columnTable([12, 15, 11, 19], {
    measure: '',
    columns: [{ ...emptyColumn('a', 'frond mass', 'g'), cells: ['12', '15', '11', '19'] }],
  });
  const told = (question: Question): string[] => {
    const { given, comparison } = found(question, alone);
    return [
      questionSentence(given),
      plain(headline(given, comparison).sentence),
      plain(methodsSentence(given)),
      plain(resultsSentence(given, comparison)),
    ].map((s) => s.replace(/\s/g, ' '));
  };

  it('is named once, by an estimate and by a comparison with a value', () => {
    const [asks, says, how, results] = told(questionOf('estimate', { a: 'a' }));
    expect(asks).to.match(/^What is the mean of frond mass \(g\), with its interval,/);
    expect(says).to.match(/^Mean frond mass was 14.3 g/);
    expect(how).to.match(/^Mean frond mass was estimated with/);
    expect(results).to.match(/^Mean frond mass was 14.3 g .*SD 3.6 g, n = 4\)\.$/);
    const against = told(questionOf('one-sample', { a: 'a', value: 10 }));
    expect(against[0]).to.match(/^Does frond mass \(g\) differ from 10 g,/);
    expect(against[1]).to.match(/^Mean frond mass was 4.3 g above 10 g;/);
    expect(against[3]).to.match(/^Frond mass \(mean 14.3 g, SD 3.6 g, n = 4\) was greater than 10 g:/);
    for (const sentence of [...told(questionOf('estimate', { a: 'a', about: 'spread' })), ...against])
      expect(sentence).not.to.match(/frond mass of frond mass/i);
  });
});
