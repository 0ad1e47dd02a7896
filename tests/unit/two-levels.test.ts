import { expect } from 'chai';
import fc from 'fast-check';
import cases from '../reference/two-levels.json';
import { answered } from './asked';
import { answer } from '../../src/core/answering/answer';
import { workingOf } from '../../src/core/answering/working-of';
import { type OuterSample, twoLevelNest } from '../../src/core/procedures/two-level-nest';
import { firstQuestion } from '../../src/core/question/first';
import { namesOf } from '../../src/core/question/naming';
import { type Question, questionOf } from '../../src/core/question/question';
import { type Column, type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { nestedLook } from '../../src/core/scenes/nested-look';
import { innerSamples } from '../../src/core/telling/controls';
import { questionSentence } from '../../src/core/telling/question';
import { intake } from '../../src/core/understanding/intake';
import { blockFromText } from '../../src/formats/clipboard';

const column = (id: string, role: Column['role'], cells: readonly (string | number)[], unit = ''): Column => ({
  ...emptyColumn(id, id, unit, role),
  cells: cells.map(String),
});

interface Rows {
  group: readonly string[];
  sample: readonly string[];
  inner: readonly string[];
  values: readonly number[];
}
const measured = ({ group, sample, inner, values }: Rows): Table =>
  tableOf(
    [
      column('light', 'group', group),
      column('line', 'subject', sample),
      column('blade', 'label', inner),
      column('cell size', 'measure', values, 'µm'),
    ],
    { shape: 'rows', subject: 'line' },
  );
const asked = (design: 'nested-two' | 'nested', more: Partial<Question> = {}): Question =>
  questionOf(design, { measure: 'cell size', by: 'light', inner: 'blade', ...more });
const [two, three, fewer] = cases;
if (!two || !three || !fewer) throw new Error('three cases');

/** The samples as the procedure takes them. */
function samplesOf({ group, sample, inner, values }: Rows): OuterSample[] {
  const outer = [...new Set(sample)];
  return outer.map((name) => {
    const rows = sample.flatMap((s, i) => (s === name ? [i] : []));
    const blades = [...new Set(rows.map((i) => inner[i]))];
    return {
      group: Number((group[rows[0] ?? 0] ?? '').slice(1)) - 1,
      inner: blades.map((blade) => {
        const own = rows.flatMap((i) => (inner[i] === blade ? [values[i] ?? NaN] : []));
        const mean = own.reduce((s, y) => s + y, 0) / own.length;
        return { n: own.length, mean, squares: own.reduce((s, y) => s + (y - mean) ** 2, 0) };
      }),
    };
  });
}

describe('samples within samples', () => {
  it('agree with the same model solved by whole matrices', () => {
    for (const given of cases) {
      const k = given.means.length;
      const { comparison, groups } = answered(asked('nested'), measured(given));
      const { within, inner, between } = comparison.model?.variances ?? {};
      [within, inner, between].forEach((found, i) =>
        expect(found?.variance).to.be.closeTo(given.variances[i] ?? NaN, 1e-8),
      );
      expect(comparison.tests[0]?.value).to.be.closeTo(given.F, 1e-8);
      expect(comparison.tests[0]?.df[1]).to.be.closeTo(given.df2, 1e-7);
      for (let g = 0; g < k; g++) {
        expect(groups[g]?.description?.mean).to.be.closeTo(given.means[g] ?? NaN, 1e-9);
        expect(groups[g]?.se).to.be.closeTo(given.se[g] ?? NaN, 1e-8);
      }
    }
  });

  it('of equal numbers are the classical test of the samples’ means', () => {
    const reading = fc.integer({ min: 50, max: 150 }).map((x) => x / 10);
    fc.assert(
      fc.property(
        fc.constantFrom([2, 3, 2, 2], [2, 4, 3, 3], [3, 3, 2, 4]),
        fc.array(reading, { minLength: 108, maxLength: 108 }),
        ([k = 2, n = 3, b = 2, r = 2], noise) => {
          const rows = Array.from({ length: k * n * b * r }, (_, i) => i);
          const place = (i: number) => ({
            group: Math.floor(i / (n * b * r)),
            sample: Math.floor(i / (b * r)),
            inner: Math.floor(i / r),
          });
          const given: Rows = {
            group: rows.map((i) => `g${place(i).group + 1}`),
            sample: rows.map((i) => `s${place(i).sample}`),
            inner: rows.map((i) => `b${place(i).inner}`),
            values: rows.map((i) => noise[i] ?? 0),
          };
          const fit = twoLevelNest(samplesOf(given), k);
          const means = answered(
            questionOf('several', { measure: 'cell size', by: 'light', repeats: 'average', spread: 'pooled' }),
            measured(given),
          ).comparison;
          const { f, df2 } = fit.test();
          expect(f).to.be.closeTo(means.tests[0]?.value ?? NaN, 1e-5 * Math.max(1, f));
          expect(df2).to.be.closeTo(k * (n - 1), 1e-5);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('the unit, the zero and the order of rows change nothing', () => {
    const base = twoLevelNest(samplesOf(three), 3).test();
    fc.assert(
      fc.property(
        fc.integer({ min: -1000, max: 1000 }),
        fc.constantFrom(0.001, 1, 25.4, 1e6),
        fc.shuffledSubarray(
          three.values.map((_, i) => i),
          { minLength: three.values.length, maxLength: three.values.length },
        ),
        (zero, unit, order) => {
          const at = <T>(xs: readonly T[]): T[] => order.flatMap((i) => xs.slice(i, i + 1));
          const moved = {
            group: at(three.group),
            sample: at(three.sample),
            inner: at(three.inner),
            values: at(three.values).map((y) => (y + zero) * unit),
          };
          const { f, df2 } = twoLevelNest(samplesOf(moved), 3).test();
          expect(f).to.be.closeTo(base.f, 1e-6);
          expect(df2).to.be.closeTo(base.df2, 1e-5);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('intervals of the variances hold their estimates, wider at a higher level', () => {
    for (const given of [two, fewer]) {
      const fit = twoLevelNest(samplesOf(given), given.means.length);
      const [usual, wide] = [fit.intervals(0.9), fit.intervals(0.99)];
      usual.forEach(({ low, high }, i) => {
        expect(fit.variances[i]).to.be.within(low, high);
        expect(wide[i]?.low).to.be.below(low);
        expect(wide[i]?.high).to.be.above(high);
      });
    }
  });

  it('a table of litters, animals in them and readings of each is understood as such, names reused or not', () => {
    const rows = (nameOf: (litter: string, animal: string) => string): string =>
      [
        'litter\tanimal\tdiet\tgut length (mm)',
        ...['L1', 'L2', 'L3', 'L4'].flatMap((litter, l) =>
          ['a', 'b'].flatMap((animal, a) =>
            [0, 1, 2].map((r) =>
              [litter, nameOf(litter, animal), l < 2 ? 'plain' : 'rich', (30 + l + a + r / 3).toFixed(1)].join('\t'),
            ),
          ),
        ),
      ].join('\n');
    for (const nameOf of [(_: string, animal: string) => animal, (litter: string, animal: string) => litter + animal]) {
      const table = { id: 't', name: '', ...intake(blockFromText(rows(nameOf))).table };
      expect(table.columns.map((c) => c.role)).to.eql(['subject', 'label', 'group', 'measure']);
      const question = firstQuestion(table);
      expect(question).to.include({ design: 'nested-two', inner: table.columns[1]?.id });
      if (!question) throw new Error('no question');
      expect(questionSentence(namesOf(question, table))).to.match(/taken animal by animal\?$/);
      const { comparison } = answered(question, table);
      expect(comparison.model?.inner?.samples).to.have.length(8);
    }
  });

  it('are chosen and left in the sentence, and the picture shows all three levels', () => {
    const table = measured(two);
    const control = innerSamples(asked('nested-two', { a: 'g1', b: 'g2' }), table);
    expect(control?.options.map((o) => o.words)).to.eql(['blade by blade', 'all alike']);
    expect(control?.options[1]?.ask()).to.not.have.property('inner');
    const found = answer(asked('nested-two', { a: 'g1', b: 'g2' }), table);
    if (!found.ok) throw new Error(found.reason);
    const marks = nestedLook(found.value, 800, { sorted: false }).panels.flatMap((p) => p.marks);
    const points = (name: RegExp): number =>
      marks.reduce((n, m) => n + (m.mark === 'dots' && name.test(m.name ?? '') ? m.points.length : 0), 0);
    expect(points(/^readings-/)).to.equal(two.values.length);
    expect(points(/^inner-/)).to.equal(new Set(two.values.map((_, i) => `${two.sample[i]} ${two.inner[i]}`)).size);
    expect(points(/^samples-/)).to.equal(new Set(two.sample).size);
  });

  it('the working ends at the answer', () => {
    for (const question of [asked('nested-two', { a: 'g2', b: 'g1' }), asked('nested')]) {
      const table = measured(question.design === 'nested' ? three : two);
      const found = answer(question, table);
      if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
      const { p, effect, follow } = found.value.comparison.value;
      const results = workingOf(found.value, table).flatMap(({ steps }) => steps.map((s) => s.result));
      const one = effect ?? (follow?.ok ? follow.value[0]?.effects[0] : undefined);
      for (const number of [p, one?.estimate, one?.se, one?.interval?.low])
        expect(Math.min(...results.map((r) => Math.abs(r - (number ?? NaN)))), String(number)).to.be.below(1e-8);
    }
  });

  it('levels that are one are taken as one, and it is said', () => {
    const single = { ...two, inner: two.values.map((_, i) => `row ${i}`) };
    const found = answered(asked('nested-two', { a: 'g1', b: 'g2' }), measured(single)).comparison;
    expect(found.remarks[0]).to.equal(
      'Every blade has one reading, so that readings and blades are one level. Readings were taken within their lines alone.',
    );
    const plain = questionOf('nested-two', { measure: 'cell size', by: 'light', a: 'g1', b: 'g2' });
    expect(found.p).to.equal(answered(plain, measured(single)).comparison.p);
    const gone = answered(asked('nested-two', { a: 'g1', b: 'g2', inner: 'gone' }), measured(two)).comparison;
    expect(gone.remarks[0]).to.contain('The column of samples within the lines is no longer there');
    expect(gone.p).to.equal(answered(plain, measured(two)).comparison.p);
    const whole = answered(
      asked('nested-two', { a: 'g1', b: 'g2' }),
      measured({ ...two, inner: two.sample }),
    ).comparison;
    expect(whole.remarks[0]).to.contain('Every line has one blade');
  });
});
