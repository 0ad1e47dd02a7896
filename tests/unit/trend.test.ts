import { expect } from 'chai';
import fc from 'fast-check';
import { answer } from '../../src/core/answering/answer';
import { contrast } from '../../src/core/procedures/contrast';
import { jonckheereTerpstra } from '../../src/core/procedures/jonckheere-terpstra';
import { mannWhitney } from '../../src/core/procedures/mann-whitney';
import { summarize } from '../../src/core/procedures/sample-summary';
import { placesNamed, placesOf, trendOver } from '../../src/core/question/placed';
import { type Question, questionOf } from '../../src/core/question/question';
import { emptyColumn, tableOf } from '../../src/core/readings/table';

const groups = [
  [9.6, 11.5, 9.4, 11.9],
  [9.4, 8.0, 9.1, 11.1, 13.5],
  [12.5, 8.5, 9.9, 11.0, 10.6],
  [10.0, 7.5, 10.7, 12.0],
];
const tableNamed = (...names: string[]) =>
  tableOf(
    names.map((name, i) => ({ ...emptyColumn(`g${i}`, name, 'mm'), cells: (groups[i] ?? []).map(String) })),
    { measure: 'blade length' },
  );
const followed = (names: string[], more: Partial<Question>) => {
  const found = answer(questionOf('several', { spread: 'pooled', ...more }), tableNamed(...names));
  if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
  const { follow } = found.value.comparison.value;
  return follow?.ok ? follow.value.flatMap((p) => p.effects) : (follow?.reason ?? '');
};

describe('a trend over ordered groups', () => {
  it('takes places from the one number in each name', () => {
    expect(placesNamed(['0.5 mM', '1 mM', '2,5 mM'])).to.deep.equal([0.5, 1, 2.5]);
    expect(placesNamed(['day 3', 'day −1', '12'])).to.deep.equal([3, -1, 12]);
    expect(placesNamed(['low', 'high'])).to.equal(undefined);
    expect(placesNamed(['1 mM', '1 mM again 2'])).to.equal(undefined);
    expect(placesNamed(['1 mM', '1.0 mM'])).to.equal(undefined);
    expect(placesOf({}, ['low', 'middle', 'high'])).to.deep.equal([1, 2, 3]);
    expect(placesOf({ spacing: 'equal' }, ['1', '2', '8'])).to.deep.equal([1, 2, 3]);
    expect(() => placesOf({ spacing: 'named' }, ['low', 'high'])).to.throw('equally spaced');
  });

  it('is the change of a straight line from the lowest place to the highest, wherever zero is and whatever the unit', () => {
    const places = fc.uniqueArray(fc.integer({ min: -1000, max: 1000 }), { minLength: 2, maxLength: 8 });
    fc.assert(
      fc.property(places, fc.integer({ min: 1, max: 50 }), fc.integer({ min: -50, max: 50 }), (at, unit, zero) => {
        const weights = trendOver(at);
        const value = (y: readonly number[]): number => weights.reduce((s, w, i) => s + w * (y[i] ?? 0), 0);
        // Of means on a line of slope 1 it is the range; of equal means 0.
        expect(value(at)).to.be.closeTo(Math.max(...at) - Math.min(...at), 1e-6);
        expect(value(at.map(() => 7))).to.be.closeTo(0, 1e-9);
        trendOver(at.map((p) => unit * p + zero)).forEach((w, i) => {
          expect(w).to.be.closeTo(weights[i] ?? NaN, 1e-9);
        });
      }),
    );
  });

  it('is tested as the contrast with the places as weights', () => {
    const [trend] = followed(['0 mM', '1 mM', '2 mM', '4 mM'], { compare: 'trend' });
    const plain = contrast(
      groups.map((g) => summarize(g)),
      [-1.75, -0.75, 0.25, 2.25],
      0.95,
    );
    if (typeof trend !== 'object') throw new Error('no trend');
    expect(trend.statistic?.value).to.be.closeTo(plain.t, 1e-12);
    expect(trend.df).to.equal(plain.df);
    expect(trend.p).to.be.closeTo(plain.p.either, 1e-12);
    expect(trend.name).to.equal('linear trend from 0 mM to 4 mM');
    // The line changes by the slope times the range.
    expect(trend.estimate).to.be.closeTo((plain.estimate / 8.75) * 4, 1e-12);
  });

  it('can give way to each group against the one before it, or say why it cannot be placed', () => {
    const steps = followed(['0 mM', '1 mM', '2 mM', '4 mM'], { compare: 'steps' });
    expect(typeof steps === 'string' ? steps : steps.map((e) => e.name)).to.deep.equal([
      '1 mM minus 0 mM',
      '2 mM minus 1 mM',
      '4 mM minus 2 mM',
    ]);
    expect(followed(['a', 'b', 'c', 'd'], { compare: 'trend', spacing: 'named' })).to.match(
      /cannot be placed by their names/,
    );
  });
});

describe('a trend of ranks', () => {
  /** Every way to give these readings to groups of these sizes. */
  function* arrangements(values: readonly number[], sizes: readonly number[]): Generator<number[][]> {
    const [size, ...rest] = sizes;
    if (size === undefined) {
      yield [];
      return;
    }
    const choose = function* (from: number, left: number): Generator<number[]> {
      if (left === 0) {
        yield [];
        return;
      }
      for (let i = from; i <= values.length - left; i++) for (const more of choose(i + 1, left - 1)) yield [i, ...more];
    };
    for (const chosen of choose(0, size)) {
      const own = chosen.map((i) => values[i] ?? NaN);
      const others = values.filter((_, i) => !chosen.includes(i));
      for (const more of arrangements(others, rest)) yield [own, ...more];
    }
  }

  it('has the exact p of counting every arrangement', () => {
    const given = [
      [3.1, 1.2, 4.4],
      [2.5, 6.0],
      [5.2, 7.7, 6.4],
    ];
    const found = jonckheereTerpstra(given);
    expect(found.method).to.equal('exact');
    const all = [...arrangements(given.flat(), [3, 2, 3])].map((g) => jonckheereTerpstra(g).j);
    const share = (holds: (j: number) => boolean): number => all.filter(holds).length / all.length;
    expect(found.p.greater).to.be.closeTo(
      share((j) => j >= found.j),
      1e-12,
    );
    expect(found.p.less).to.be.closeTo(
      share((j) => j <= found.j),
      1e-12,
    );
    // Mean and variance of all arrangements are those of the normal form.
    const mean = all.reduce((s, j) => s + j, 0) / all.length;
    const sd = Math.sqrt(all.reduce((s, j) => s + (j - mean) ** 2, 0) / all.length);
    expect(found.z).to.be.closeTo((found.j - mean) / sd, 1e-12);
  });

  it('allows for ties: its variance is that of all arrangements', () => {
    const given = [
      [1, 2, 2],
      [2, 3],
      [3, 3, 4],
    ];
    const found = jonckheereTerpstra(given);
    expect(found.method).to.equal('normal');
    const all = [...arrangements(given.flat(), [3, 2, 3])].map((g) => jonckheereTerpstra(g).j);
    const mean = all.reduce((s, j) => s + j, 0) / all.length;
    const sd = Math.sqrt(all.reduce((s, j) => s + (j - mean) ** 2, 0) / all.length);
    expect(found.z).to.be.closeTo((found.j - mean) / sd, 1e-12);
  });

  it('of two groups is the Mann–Whitney test, and turns round with the order', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 1000 }), { minLength: 6, maxLength: 14 }),
        fc.integer({ min: 2, max: 4 }),
        (values, cut) => {
          const groups = [values.slice(0, cut), values.slice(cut)];
          const found = jonckheereTerpstra(groups);
          const two = mannWhitney(groups[1] ?? [], groups[0] ?? []);
          expect(found.j).to.equal(two.u);
          expect(found.p.either).to.be.closeTo(two.p.either, 1e-10);
          const reversed = jonckheereTerpstra(groups.toReversed());
          expect(reversed.p.greater).to.be.closeTo(found.p.less, 1e-12);
          expect(reversed.z).to.be.closeTo(-found.z, 1e-12);
        },
      ),
    );
  });

  it('is refused where no reading is larger than another', () => {
    expect(() => jonckheereTerpstra([[2, 2], [2]])).to.throw('none is larger');
  });
});

describe('a trend of shares', () => {
  const settled = tableOf(
    [
      { ...emptyColumn('d', 'dose', '', 'group'), cells: ['0 mM', '1 mM', '4 mM'] },
      { ...emptyColumn('y', 'settled', '', 'count'), cells: ['8', '14', '21'] },
      { ...emptyColumn('n', 'bare', '', 'count'), cells: ['22', '16', '9'] },
    ],
    { shape: 'counts', subject: 'plate' },
  );
  const asked = (more: Partial<Question>) => {
    const found = answer(questionOf('several', { about: 'share', found: 'y', method: 'trend', ...more }), settled);
    if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
    return found.value.comparison.value;
  };

  it('is Cochran and Armitage’s, with places as named or equally spaced', () => {
    // z = T / √V by hand: p̄ = 43/90, d̄ = 5/3, T = Σ(x − n p̄)(d − d̄), V = p̄(1 − p̄) Σn(d − d̄)².
    const p = 43 / 90;
    const at = [0, 1, 4].map((d) => d - 5 / 3);
    const t = [8, 14, 21].reduce((s, x, i) => s + (x - 30 * p) * (at[i] ?? 0), 0);
    const v = p * (1 - p) * 30 * at.reduce((s, d) => s + d * d, 0);
    const named = asked({});
    expect(named.tests[0]?.value).to.be.closeTo(t / Math.sqrt(v), 1e-12);
    expect(named.trend).to.equal(1);
    expect(asked({ spacing: 'equal' }).tests[0]?.value).to.not.be.closeTo(t / Math.sqrt(v), 1e-3);
  });
});
