/** Corners where an answer could be another test's: directions, null values, ties as typed, units, few and equal readings. */
import { expect } from 'chai';
import fc from 'fast-check';
import { answer } from '../../src/core/answering/answer';
import type { Answer } from '../../src/core/answer/answer';
import { checksOf } from '../../src/core/answering/checks-of';
import type { Comparison } from '../../src/core/answer/comparison';
import { noncentralFUpper } from '../../src/core/distributions/noncentral-f';
import { noncentralTLower, noncentralTUpper } from '../../src/core/distributions/noncentral-t';
import { studentT } from '../../src/core/distributions/t';
import { differencesAsTyped } from '../../src/core/numeric/decimals';
import { random, sampleOf } from '../../src/core/numeric/random';
import { beyondOf, boxOf } from '../../src/core/scenes/box';
import { choicesOf } from '../../src/core/question/choices';
import { type Question, questionOf } from '../../src/core/question/question';
import { fisherExact, fisherInterval } from '../../src/core/procedures/fisher-exact';
import { hodgesLehmann } from '../../src/core/procedures/hodges-lehmann';
import { mannWhitney } from '../../src/core/procedures/mann-whitney';
import { pitmanMorgan } from '../../src/core/procedures/pitman-morgan';
import { signedRankShift } from '../../src/core/procedures/signed-rank-shift';
import { unusualPoints } from '../../src/core/procedures/unusual-points';
import { wilcoxonSignedRank } from '../../src/core/procedures/wilcoxon-signed-rank';
import { describe as described } from '../../src/core/procedures/describe';
import { type Column, type Role, type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { headline } from '../../src/core/telling/headline';
import { hypotheses } from '../../src/core/telling/hypotheses';
import { methodReason } from '../../src/core/telling/method';
import { smallP } from '../../src/core/words/numbers';
import { questionSentence } from '../../src/core/telling/question';
import { resultsSentence } from '../../src/core/telling/report';
import { plain } from '../../src/core/words/text';

const column = (id: string, role: Role, cells: readonly (number | string)[]): Column => ({
  ...emptyColumn(id, id, role === 'measure' ? 'kg' : '', role),
  cells: cells.map(String),
});
const wide = (lists: Record<string, readonly (number | string)[]>, more: Partial<Table> = {}): Table =>
  tableOf(
    Object.entries(lists).map(([id, cells]) => column(id, 'measure', cells)),
    { measure: 'yield', ...more },
  );
const ofCounts = (lines: Record<string, readonly number[]>, outcomes: readonly string[]): Table =>
  tableOf(
    [
      column('group', 'group', Object.keys(lines)),
      ...outcomes.map((o, j) =>
        column(
          o,
          'count',
          Object.values(lines).map((l) => l[j] ?? 0),
        ),
      ),
    ],
    { shape: 'counts' },
  );
function asked(question: Question, table: Table): Answer {
  const found = answer(question, table);
  if (!found.ok) throw new Error(found.reason);
  return found.value;
}
function compared(question: Question, table: Table): Comparison {
  const { comparison } = asked(question, table);
  if (!comparison.ok) throw new Error(comparison.reason);
  return comparison.value;
}
const two = (more: Partial<Question> = {}, design: Question['design'] = 'two-groups'): Question =>
  questionOf(design, { a: 'A', b: 'B', ...more });
const near = (got: number | undefined, want: number, slack = 1e-9): void => {
  expect(got).to.be.closeTo(want, slack * Math.max(1, Math.abs(want)));
};
const said = (question: Question, table: Table): string => {
  const found = asked(question, table);
  if (!found.comparison.ok) throw new Error(found.comparison.reason);
  return plain(headline(found, found.comparison.value).sentence);
};

describe('paired shares', () => {
  const table = tableOf(
    [column('before', 'group', ['yes', 'no']), column('yes', 'count', [20, 12]), column('no', 'count', [4, 15])],
    { shape: 'counts' },
  );
  const paired = (more: Partial<Question>): Question => questionOf('paired', { about: 'share', found: 'yes', ...more });

  it('go by the direction asked about, by every test', () => {
    for (const method of ['score', 'exact', 'mid-p'] as const) {
      const p = (direction: Question['direction']) => compared(paired({ method, direction }), table).p!;
      expect(p('greater'), method).to.be.above(0.95);
      expect(p('less'), method).to.be.below(0.05);
      near(2 * Math.min(p('less'), p('greater')), p('either'), 1e-9);
    }
    near(compared(paired({ direction: 'greater' }), table).p, 0.97724986805182, 1e-12);
    expect(said(paired({ direction: 'greater' }), table)).to.include('do not show that it is greater');
  });

  it('where nobody changed have p = 1, and still an interval', () => {
    const still = tableOf(
      [column('before', 'group', ['yes', 'no']), column('yes', 'count', [9, 0]), column('no', 'count', [0, 7])],
      { shape: 'counts' },
    );
    const { p, effect, remarks } = compared(paired({}), still);
    expect(p).to.equal(1);
    expect(effect?.interval?.high).to.be.above(0.05);
    expect(remarks.join(' ')).to.include('Nobody changed');
  });
});

describe('a null value other than 0', () => {
  const table = wide({ A: [48, 50, 49, 51, 50, 48, 49, 50], B: [51, 52, 50, 52, 51, 53, 51, 52] });

  it('is in the question, the headline and the hypotheses', () => {
    for (const method of ['means', 'ranks', 'shuffle'] as const) {
      const question = two({ value: -5, direction: 'greater', method });
      const found = asked(question, table);
      expect(said(question, table)).to.include('support that A minus B is greater than −5 kg');
      expect(hypotheses(found)?.some.words).to.match(/greater than −5 kg\.$/);
      expect(questionSentence(found)).to.include('less that in B greater than −5 kg');
    }
    const other = asked(two({ value: 1.5, direction: 'less' }), table);
    expect(hypotheses(other)?.none.words).to.include('is 1.5 kg');
    expect(hypotheses(other)?.some.words).to.equal('It is less than 1.5 kg.');
    expect(questionSentence(other)).to.include('less than 1.5 kg');
  });

  it('leaves effect sizes those of the readings as they are', () => {
    const size = (question: Question) => {
      const [first] = compared(question, table).sizes;
      return first?.ok ? first.value : undefined;
    };
    for (const design of ['two-groups', 'paired'] as const)
      expect(size(two({ value: -5 }, design))).to.deep.equal(size(two({}, design)));
    expect(size(two({ value: -5 }, 'paired'))?.value).to.be.below(0);
    expect(size(two({ value: -5, method: 'ranks' }))).to.deep.equal(size(two({ method: 'ranks' })));
  });
});

describe('ties', () => {
  it('are decided by the decimals as typed', () => {
    const one = wide({ A: [1.1, 1.1, 1.1, 1.1, 0.9, 1.3] });
    near(compared(questionOf('one-sample', { a: 'A', value: 1, method: 'ranks' }), one).p, 0.1875);
    const pairs = wide({ A: [1.1, 0.4, 0.9, 1.2, 0.3, 2.3], B: [1, 0.3, 0.8, 1.1, 0.4, 2.2] });
    near(compared(two({ method: 'ranks' }, 'paired'), pairs).tests[0]?.value, 17.5);
    const [x, y] = [
      [0.3, 0.4, 0.7, 1.1],
      [0.2, 0.3, 0.6, 0.9],
    ];
    near(
      compared(two({ method: 'ranks', value: 0.1 }), wide({ A: x, B: y })).tests[0]?.value,
      mannWhitney([2, 3, 6, 10], [2, 3, 6, 9]).u,
    );
  });

  it('hold at any size of the unit: tests by ranks do not mind a factor of ten', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -30, max: 30 }), { minLength: 4, maxLength: 9 }),
        fc.array(fc.integer({ min: -30, max: 30 }), { minLength: 4, maxLength: 9 }),
        fc.integer({ min: -14, max: 9 }),
        (x, y, power) => {
          const typed = (list: readonly number[]) => list.map((v) => Number(`${v}e${power}`));
          const n = Math.min(x.length, y.length);
          const whole = differencesAsTyped(x.slice(0, n), y.slice(0, n));
          const scaled = differencesAsTyped(typed(x.slice(0, n)), typed(y.slice(0, n)));
          if (whole.every((d) => d === 0)) expect(scaled.every((d) => d === 0)).to.equal(true);
          else expect(wilcoxonSignedRank(scaled).p).to.deep.equal(wilcoxonSignedRank(whole).p);
          const by = Number(`3e${power}`);
          expect(mannWhitney(differencesAsTyped(typed(x), by), typed(y)).u).to.equal(
            mannWhitney(
              x.map((v) => v - 3),
              y,
            ).u,
          );
        },
      ),
      { numRuns: 60 },
    ));

  it('of computed values ignore what rounding left: equal ratios have no spread', () => {
    const logs = (list: readonly number[]) => list.map(Math.log10);
    const differences = differencesAsTyped(logs([2, 4, 8, 14, 22]), logs([1, 2, 4, 7, 11]));
    expect(new Set(differences).size).to.equal(1);
    const table = wide({ A: logs([2, 4, 8, 14, 22]), B: logs([1, 2, 4, 7, 11]) });
    const found = asked(two({}, 'paired'), table);
    expect(found.comparison.ok ? '' : found.comparison.reason).to.include('All differences are the same');
  });

  it('on a fence lie within it', () => {
    const beyond = (values: number[]): number[] =>
      beyondOf(
        boxOf(values),
        values.map((value, row) => ({ value, row })),
      ).map((r) => r.value);
    expect(beyond([17.9, 18.2, 18.4, 18.5, 18.8, 19.4])).to.deep.equal([]);
    expect(beyond([1, 2, 3, 4, 20])).to.deep.equal([20]);
  });
});

describe('permutations', () => {
  it('of readings however small, or far from zero, are counted exactly', () => {
    const tiny = wide({
      A: ['5.1e-12', '5.3e-12', '5.6e-12', '5.2e-12'],
      B: ['3.1e-12', '3.3e-12', '2.6e-12', '3.2e-12'],
    });
    near(compared(two({ method: 'shuffle' }), tiny).p, 2 / 70, 1e-12);
  });

  it('do not mind where zero lies or how large the unit is, by any statistic', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 3, maxLength: 5 }),
        fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 3, maxLength: 5 }),
        fc.constantFrom('mean' as const, 'median' as const, 'trimmed' as const, 't' as const),
        (x, y, statistic) => {
          const p = (as: (v: number) => string): number =>
            compared(two({ method: 'shuffle', statistic }), wide({ A: x.map(as), B: y.map(as) })).p!;
          const plainly = p(String);
          near(
            p((v) => (100000 + v / 100).toFixed(2)),
            plainly,
            1e-12,
          );
          near(
            p((v) => `${v}e-13`),
            plainly,
            1e-12,
          );
        },
      ),
      { numRuns: 40 },
    ));

  it('need no spread within the groups', () => {
    const table = wide({ A: [5, 5, 5, 5], B: [7, 7, 7, 7] });
    for (const statistic of ['mean', 't'] as const)
      near(compared(two({ method: 'shuffle', statistic }), table).p, 2 / 70, 1e-12);
    near(
      compared(questionOf('several', { method: 'shuffle' }), wide({ A: [5, 5], B: [7, 7], C: [6, 6] })).p,
      6 / 90,
      1e-12,
    );
    const pairs = wide({ A: [5, 6, 7, 8], B: [4, 5, 6, 7] });
    near(compared(two({ method: 'shuffle' }, 'paired'), pairs).p, 2 / 16, 1e-12);
  });
});

describe('intervals', () => {
  it('of the probability of superiority stay open at full separation', () => {
    const high = (n: number): number => {
      const list = (from: number) => Array.from({ length: n }, (_, i) => from + i);
      const [size] = compared(two({ method: 'ranks' }), wide({ A: list(1), B: list(100) })).sizes;
      return size?.ok ? (size.value.interval?.high ?? NaN) : NaN;
    };
    near(high(3), 0.49898, 1e-4);
    near(high(5), 0.3573, 1e-4);
  });

  it('of shifts are the shifts their test does not reject, of many readings too', () => {
    const { normal } = random(11);
    const sample = (n: number, by: number) => Array.from({ length: n }, () => Number((normal() + by).toFixed(3)));
    const [x, y] = [sample(90, 0.2), sample(80, 0)];
    const { low, high } = hodgesLehmann(x, y, 0.95).interval;
    const p = (by: number) => mannWhitney(differencesAsTyped(x, by), y).p.either;
    const d = sample(300, 0.1);
    const shift = signedRankShift(d, 0.95).interval;
    const q = (by: number) => wilcoxonSignedRank(differencesAsTyped(d, by)).p.either;
    for (const [tail, ends] of [
      [p, { low, high }],
      [q, shift],
    ] as const) {
      expect(tail(ends.low + 0.0005)).to.be.above(0.05);
      expect(tail(ends.high - 0.0005)).to.be.above(0.05);
      expect(tail(ends.low - 0.0015)).to.be.below(0.052);
      expect(tail(ends.low - 0.006)).to.be.below(0.05);
      expect(tail(ends.high + 0.006)).to.be.below(0.05);
    }
  });

  it('of Fisher’s test never contradict it', () =>
    fc.assert(
      fc.property(fc.tuple(fc.nat(12), fc.nat(12), fc.nat(12), fc.nat(12)), ([a, b, c, d]) => {
        const table = [
          [a, b],
          [c, d],
        ] as const;
        fc.pre(a + b > 0 && c + d > 0 && a + c > 0 && b + d > 0);
        const { low, high } = fisherInterval(table, 0.95);
        expect(low > 1 || high < 1).to.equal(fisherExact(table).either <= 0.05);
      }),
      { numRuns: 150 },
    ));

  it('are there where all outcomes are the same', () => {
    const table = ofCounts({ A: [0, 20], B: [0, 25] }, ['found', 'not']);
    const question = questionOf('two-groups', { about: 'share', found: 'found', a: 'A', b: 'B' });
    const { effect, p } = compared(question, table);
    expect(p).to.equal(1);
    expect(effect?.interval?.low).to.be.closeTo(-0.133, 0.01);
    expect(effect?.interval?.high).to.be.closeTo(0.161, 0.01);
    expect(compared({ ...question, effect: 'difference', method: 'exact' }, table).p).to.equal(1);
    // Among several groups a pair of such has its place in the family, and its interval.
    const several = ofCounts({ A: [0, 20], B: [0, 25], C: [9, 11] }, ['found', 'not']);
    const made = compared(questionOf('several', { about: 'share', found: 'found' }), several).follow;
    if (!made?.ok) throw new Error(made?.reason);
    expect(made.value[0]?.family).to.equal(3);
    expect(made.value[0]?.effects.every((e) => e.interval!.low < e.interval!.high)).to.equal(true);
  });
});

describe('spread', () => {
  it('cannot be told from pairs of readings', () => {
    const table = wide({ A: [1, 2], B: [4, 9], C: [3, 3.5] });
    const found = asked(questionOf('several', { about: 'spread', method: 'brown-forsythe' }), table);
    expect(found.comparison.ok ? '' : found.comparison.reason).to.include('pairs of readings');
    const check = checksOf(asked(questionOf('several'), table)).find((c) => c.about === 'equal-spread');
    expect(check?.verdict).to.equal('unknown');
    expect(check?.figures['pairs']).to.equal(3);
  });

  it('of the same subjects is compared within them', () => {
    const table = wide({ A: [12, 15, 11, 19, 14, 22, 17], B: [13, 14, 12, 16, 14, 17, 15] });
    const { p = NaN, effect, tests } = compared(two({ about: 'spread' }, 'paired'), table);
    // An independent calculation: r = cor(x + y, x − y).
    const [x, y] = [table.columns[0]!.cells.map(Number), table.columns[1]!.cells.map(Number)];
    const [s, d] = [x.map((v, i) => v + y[i]!), x.map((v, i) => v - y[i]!)];
    const mean = (l: readonly number[]) => l.reduce((a, b) => a + b, 0) / l.length;
    const cross = (l: readonly number[], m: readonly number[]) =>
      l.reduce((t, v, i) => t + (v - mean(l)) * (m[i]! - mean(m)), 0);
    const r = cross(s, d) / Math.sqrt(cross(s, s) * cross(d, d));
    const t = (r * Math.sqrt(5)) / Math.sqrt(1 - r * r);
    near(tests[0]?.value, t);
    near(p, 2 * studentT(5).upper(Math.abs(t)));
    near(effect?.estimate, Math.sqrt(cross(x, x) / cross(y, y)));
    // The interval ends where a ratio of 1 would just not be rejected.
    for (const level of [0.8, 0.95, 1 - p + 1e-6, 1 - p - 1e-6]) {
      const { low, high } = pitmanMorgan(x, y, level).ratioInterval;
      expect(low > 1 || high < 1).to.equal(p < 1 - level);
    }
    expect(
      asked(questionOf('repeated', { about: 'spread' }), wide({ A: [1, 2, 4], B: [2, 3, 9], C: [3, 1, 2] })).comparison
        .ok,
    ).to.equal(false);
  });
});

describe('comparisons that follow', () => {
  const table = wide({ control: [10, 11, 12, 11], low: [7, 8, 9, 8], high: [13, 14, 12, 13] });

  it('with a control go by the direction under every adjustment, intervals too', () => {
    for (const follow of ['holm', 'bonferroni', 'sidak', 'benjamini-hochberg', 'unadjusted', 'dunnett'] as const)
      for (const spread of follow === 'dunnett' ? (['pooled'] as const) : (['pooled', 'separate'] as const)) {
        const question = questionOf('several', {
          compare: 'control',
          control: 'control',
          direction: 'greater',
          follow,
          spread,
        });
        const made = compared(question, table).follow;
        if (!made?.ok) throw new Error(made?.reason);
        const [low, high] = made.value[0]!.effects;
        expect(low?.p, follow).to.be.above(0.9);
        expect(high?.p, follow).to.be.below(0.05);
        expect(high?.interval?.high).to.equal(Infinity);
        expect(high?.interval?.low).to.be.above(0);
        const found = asked(question, table);
        if (found.comparison.ok)
          expect(plain(resultsSentence(found, found.comparison.value))).not.to.include('low minus');
      }
  });

  it('are one family over all that are shown, levels within levels too', () => {
    const levels = { plot: ['a', 'a', 'b', 'b'], x: ['1', '2', '1', '2'] };
    const rows = Array.from({ length: 24 }, (_, i) => i);
    const { normal } = random(4);
    const factorial = tableOf(
      [
        column(
          'plot',
          'group',
          rows.map((i) => levels.plot[i % 4]!),
        ),
        column(
          'lamp',
          'group',
          rows.map((i) => ['red', 'white', 'blue'][i % 3]!),
        ),
        column(
          'y',
          'measure',
          rows.map((i) => (i % 3) + normal()),
        ),
      ],
      { shape: 'rows' },
    );
    const made = compared(questionOf('factorial', { within: 'b-within-a', follow: 'bonferroni' }), factorial).follow;
    if (!made?.ok) throw new Error(made?.reason);
    expect(made.value.map((part) => part.effects.length)).to.deep.equal([3, 3]);
    for (const part of made.value) {
      expect(part.family).to.equal(6);
      for (const e of part.effects) near(e.p, Math.min(1, 6 * (e.alone ?? NaN)));
    }
    const tukey = compared(questionOf('factorial', { within: 'b', follow: 'tukey' }), factorial).follow;
    if (!tukey?.ok) throw new Error(tukey?.reason);
    expect(tukey.value[0]?.effects.every((e) => e.statistic?.symbol === 'q' && e.interval!.low < e.estimate)).to.equal(
      true,
    );
  });

  it('of one pair that cannot be judged leave the others standing', () => {
    const repeated = wide({ A: [1, 2, 3, 4], B: [2, 3, 4, 5], C: [1, 4, 2, 8] }, { shape: 'repeated' });
    const made = compared(questionOf('repeated'), repeated).follow;
    if (!made?.ok) throw new Error(made?.reason);
    expect(made.value[0]?.effects.map((e) => e.name)).to.deep.equal(['A minus C', 'B minus C']);
    expect(made.value[0]?.left?.map((l) => l.name)).to.deep.equal(['A minus B']);
    expect(made.value[0]?.left?.[0]?.why).to.include('All differences are the same');
    const constant = wide({ A: [1, 1, 1], B: [2, 2, 2], C: [1, 4, 2] });
    const howell = compared(
      questionOf('several', { follow: 'games-howell', method: 'means', spread: 'pooled' }),
      constant,
    ).follow;
    expect(howell?.ok).to.equal(true);
  });

  it('of shares name the largest by its ratio, not by its size', () => {
    const spreads = wide({ A: [10, 11, 12, 13], B: [1, 40, 80, 121], C: [5, 9, 13, 17] });
    const found = asked(questionOf('several', { about: 'spread' }), spreads);
    if (!found.comparison.ok) throw new Error(found.comparison.reason);
    expect(headline(found, found.comparison.value).order).to.include('SD of A over B');
  });
});

describe('a group of one reading', () => {
  it('joins where the spread is shared', () => {
    const table = wide({ A: [4, 5, 6], B: [7, 9, 8], C: [12] });
    const found = asked(questionOf('several'), table);
    expect(found.spreadBy).to.equal('single-reading');
    if (!found.comparison.ok) throw new Error(found.comparison.reason);
    expect(found.comparison.value.tests[0]?.df).to.deep.equal([2, 4]);
    const made = found.comparison.value.follow;
    expect(made?.ok && made.value[0]?.effects.length).to.equal(3);
    near(compared(two({ spread: 'pooled' }), wide({ A: [12], B: [4, 5, 6] })).effect?.df, 2);
    const alone = asked(two(), wide({ A: [12], B: [4, 5, 6] }));
    expect(alone.comparison.ok ? '' : alone.comparison.reason).to.include('A has one reading');
  });
});

describe('what nobody chose', () => {
  it('is decided by the design: equal n, equal spreads; unequal n, each its own', () => {
    const equal = asked(questionOf('several'), wide({ A: [1, 2, 3], B: [2, 9, 4], C: [1, 1, 2] }));
    const unequal = asked(questionOf('several'), wide({ A: [1, 2, 3], B: [2, 9, 4, 5], C: [1, 1, 2] }));
    expect(choicesOf(equal.question)).to.include({ spread: 'pooled', follow: 'tukey' });
    expect(choicesOf(unequal.question)).to.include({ spread: 'separate', follow: 'games-howell' });
    expect(methodReason(unequal.question, unequal.spreadBy)).to.include('unequal n');
    expect(methodReason(equal.question, equal.spreadBy)).to.include('equal n');
    const chosen = asked(
      questionOf('several', { spread: 'pooled' }),
      wide({ A: [1, 2, 3], B: [2, 9, 4, 5], C: [1, 1, 2] }),
    );
    expect(chosen.spreadBy).to.equal(undefined);
    expect(
      choicesOf(asked(questionOf('several', { follow: 'tukey' }), wide({ A: [1, 2], B: [2, 9, 4] })).question).spread,
    ).to.equal('pooled');
  });

  it('is warned of where no data could reach the level', () => {
    const table = wide({ A: [1, 2, 3], B: [7, 8, 9] });
    for (const [question, least] of [
      [two({ method: 'ranks' }), 0.1],
      [two({ method: 'shuffle' }), 0.1],
      [two({ method: 'ranks' }, 'paired'), 0.25],
      [questionOf('one-sample', { a: 'A', value: 0, method: 'ranks' }), 0.25],
    ] as const) {
      const found = compared(question, table);
      near(found.leastP, least);
      expect(found.remarks.join(' ')).to.include(`the smallest p this test can give is ${least}`);
      const check = checksOf(asked(question, table)).find((c) => c.about === 'sample-size');
      expect(check?.verdict).to.equal('matters');
    }
    expect(compared(two({ method: 'ranks' }), wide({ A: [1, 2, 3, 4], B: [7, 8, 9, 10] })).leastP).to.equal(undefined);
    const counts = ofCounts({ A: [2, 1], B: [0, 3] }, ['found', 'not']);
    const exact = questionOf('two-groups', { about: 'share', found: 'found', a: 'A', b: 'B', method: 'exact' });
    expect(compared(exact, counts).leastP).to.be.above(0.05);
  });
});

describe('numbers at the edge', () => {
  it('a noncentral t agrees with the noncentral F of its square, with few degrees of freedom too', () => {
    near(noncentralTUpper(-15.18, 1, -5), 0.742406353646, 1e-10);
    for (const [t, df, shift] of [
      [15.18, 1, 5],
      [3, 2, 20],
      [40, 2, 20],
      [2, 5, 10],
      [100, 1.5, 30],
      [0.001, 3, 4],
      [0.5, 2, -8],
    ] as const)
      near(
        noncentralTUpper(t, df, shift) + noncentralTLower(-t, df, shift),
        noncentralFUpper(t * t, 1, df, shift * shift),
        1e-12,
      );
  });

  it('readings around 10⁹ with an SD of 0.05 lose no digit, in any design', () => {
    const { normal } = random(8);
    const small = Array.from({ length: 24 }, (_, i) => Math.round(5 * normal() + 3 * (i % 3)) / 100);
    const at = (from: number) => small.map((v) => (from + v).toFixed(2));
    const group = (list: readonly string[], k: number) => list.filter((_, i) => i % 3 === k);
    const tables = [0, 1e9].map((from) => {
      const list = at(from);
      return {
        wide: wide({ A: group(list, 0), B: group(list, 1), C: group(list, 2) }),
        rows: tableOf(
          [
            column(
              'f',
              'group',
              list.map((_, i) => `f${i % 3}`),
            ),
            column(
              'g',
              'group',
              list.map((_, i) => `g${Math.floor(i / 3) % 2}`),
            ),
            column('y', 'measure', list),
          ],
          { shape: 'rows' },
        ),
        from,
      };
    });
    const [near0, far] = tables as [(typeof tables)[0], (typeof tables)[0]];
    const t = (c: Comparison) => c.tests.map((x) => x.value);
    const weights = { A: 1, B: -0.5, C: -0.5 };
    const asks: [Question, Question, 'wide' | 'rows'][] = [
      [
        questionOf('one-sample', { a: 'A', value: 0.03 }),
        questionOf('one-sample', { a: 'A', value: 1e9 + 0.03 }),
        'wide',
      ],
      [two(), two(), 'wide'],
      [questionOf('several', { spread: 'separate' }), questionOf('several', { spread: 'separate' }), 'wide'],
      [questionOf('several'), questionOf('several'), 'wide'],
      [questionOf('factorial', { within: 'a' }), questionOf('factorial', { within: 'a' }), 'rows'],
      ...(['pooled', 'separate'] as const).map((spread): [Question, Question, 'wide'] => {
        const q = questionOf('several', {
          spread,
          compare: 'contrasts',
          contrasts: [{ name: 'A against the rest', weights }],
        });
        return [q, q, 'wide'];
      }),
    ];
    for (const [here, there, shape] of asks) {
      const [x, y] = [compared(here, near0[shape]), compared(there, far[shape])];
      t(x).forEach((value, i) => near(t(y)[i], value!, 1e-9));
      const effects = (c: Comparison) =>
        c.follow?.ok ? c.follow.value.flatMap((p) => p.effects.map((e) => e.estimate)) : [];
      effects(x).forEach((value, i) => near(effects(y)[i], value, 1e-11));
    }
  });

  it('ω² is never below 0, and its population share has one interval', () => {
    const { sizes } = compared(questionOf('several'), wide({ A: [1, 2, 3], B: [1, 2, 3.1], C: [1, 2, 3] }));
    const [eta, omega] = sizes.map((s) => (s.ok ? s.value : undefined));
    expect(omega?.value).to.equal(0);
    expect(omega?.interval).to.equal(undefined);
    expect(eta?.interval).to.not.equal(undefined);
  });

  it('a p past the end of numbers is said to be smaller, and known by its logarithm', () => {
    const apart = Array.from({ length: 300 }, (_, i) => i % 10);
    const found = compared(two({ spread: 'pooled' }), wide({ A: apart.map((v) => v + 1000), B: apart }));
    expect(found.p).to.be.within(Number.MIN_VALUE, 1e-300);
    const [test] = found.tests;
    expect(test?.log10P).to.be.within(-2000, -300);
    expect(smallP(found.p!, 2)).to.equal('< 10⁻³⁰⁰');
    expect(smallP(found.p!, 2, test?.log10P)).to.match(/^\d\.\d × 10⁻[⁰¹²³⁴⁵⁶⁷⁸⁹]{4}$/);
    // Where both can be had they agree.
    near(studentT(12).logUpper(40), Math.log(studentT(12).upper(40)), 1e-12);
  });

  it('skewness and kurtosis are adjusted for the sample, those of a population named so', () => {
    const d = described([2, 4, 4, 5, 9, 14]);
    near(d.skewness, (d.populationSkewness! * Math.sqrt(30)) / 4);
    near(d.excessKurtosis, (5 / 12) * (7 * d.populationExcessKurtosis! + 6));
  });

  it('a difference that prints as zero has no direction', () => {
    const table = wide({ A: [1, 2, 3, 4], B: [4, 3, 2, 1] });
    expect(said(two(), table)).to.include('had the same mean in A and B');
    expect(said(two({ method: 'ranks' }), table)).to.include('was not shifted');
  });
});

describe('checks', () => {
  const { normal } = random(21);
  /** How many of so many normal tables a check finds something in. */
  const alarms = (about: string, tables: number, made: () => [Question, Table]): number => {
    let found = 0;
    for (let i = 0; i < tables; i++) {
      const check = checksOf(asked(...made())).find((c) => c.about === about);
      if (check?.verdict === 'matters' || check?.verdict === 'weigh') found += 1;
    }
    return found;
  };
  const list = (n: number, sd = 1) => Array.from({ length: n }, () => sd * normal());
  const mixed = (): [Question, Table] => {
    const subjects = Array.from({ length: 12 }, (_, i) => i);
    const base = subjects.map(() => normal());
    return [
      questionOf('mixed'),
      tableOf(
        [
          column(
            'animal',
            'subject',
            subjects.map((i) => `s${i}`),
          ),
          column(
            'group',
            'group',
            subjects.map((i) => (i < 6 ? 'fed' : 'starved')),
          ),
          // The groups change in opposite ways: an interaction, and no noise.
          ...[0, 1, 2].map((k) =>
            column(
              `d${k}`,
              'measure',
              subjects.map((i) => base[i]! + (i < 6 ? 6 : -6) * k + normal()),
            ),
          ),
        ],
        { shape: 'repeated', subject: 'animal' },
      ),
    ];
  };

  it('of normal tables seldom sound an alarm: residuals in groups of subjects are without the interaction', () => {
    expect(alarms('normality', 120, mixed)).to.be.at.most(14);
  });

  it('take each group by its own spread where the method does', () => {
    const welch = (): [Question, Table] => [two(), wide({ A: list(25), B: list(25, 30) })];
    expect(alarms('normality', 60, welch)).to.be.at.most(8);
    expect(alarms('unusual-points', 60, welch)).to.be.at.most(8);
  });

  it('flag outliers in one clean table of twenty at most, and a far reading always', () => {
    for (const ownSpread of [false, true])
      for (const n of [6, 20, 80]) {
        const found = Array.from({ length: 400 }, () => unusualPoints([list(n), list(n), list(n)], 0.05, ownSpread));
        expect(found.filter((points) => points.length > 0).length, `${n}`).to.be.at.most(30);
      }
    const far = [...list(20), 15, 16];
    const check = checksOf(asked(questionOf('one-sample', { a: 'A', value: 0 }), wide({ A: far }))).find(
      (c) => c.about === 'unusual-points',
    );
    expect(check?.points?.map((u) => u.value).sort()).to.deep.equal([15, 16]);
  });

  it('draw a sample over all groups where there are too many residuals, and say so', () => {
    const many = wide({ A: list(4000), B: Array.from({ length: 4000 }, () => normal() ** 3) });
    const check = checksOf(asked(two({ spread: 'pooled' }), many)).find((c) => c.about === 'normality');
    expect(check?.figures['sampled']).to.equal(5000);
    expect(check?.figures['p']).to.be.below(1e-6);
    const drawn = sampleOf(
      Array.from({ length: 10_000 }, (_, i) => i),
      500,
    );
    expect(drawn.length).to.equal(500);
    expect(drawn.filter((i) => i >= 5000).length).to.be.within(200, 300);
  });
});
