/** What was made quick gives what the plain way gives. */
import { expect } from 'chai';
import fc from 'fast-check';
import { isQuick, isQuickByAll } from '../../src/core/answering/weight';
import { conditionRankSums, groupRankSums } from '../../src/core/distributions/counted-ranks';
import { dunnettTail, dunnettUpper } from '../../src/core/distributions/dunnett';
import { hypergeometric } from '../../src/core/distributions/hypergeometric';
import { logChoose } from '../../src/core/distributions/binomial';
import { normal as z } from '../../src/core/distributions/normal';
import { studentizedRangeUpper } from '../../src/core/distributions/studentized-range';
import { leastOf, mostOf } from '../../src/core/numeric/extremes';
import { interpolated } from '../../src/core/numeric/interpolated';
import { allAverages, allDifferences } from '../../src/core/numeric/pair-selection';
import { quantile, quantilesOf, sortedUp } from '../../src/core/numeric/quantile';
import { permuter } from '../../src/core/numeric/permute';
import { random } from '../../src/core/numeric/random';
import { selectAll } from '../../src/core/numeric/selection';
import { moments } from '../../src/core/numeric/sum';
import { friedman } from '../../src/core/procedures/friedman';
import { kruskalWallis } from '../../src/core/procedures/kruskal-wallis';
import { ranked } from '../../src/core/procedures/ranked';
import { repeatedMeasures } from '../../src/core/procedures/repeated-measures';
import { withinRest } from '../../src/core/procedures/subject-rows';
import { twoWayAnova, unexplained } from '../../src/core/procedures/two-way-anova';
import { questionOf } from '../../src/core/question/question';
import { type Column, emptyColumn, tableOf } from '../../src/core/readings/table';
import { leastSquares } from '../reference/least-squares';

const { normal, below } = random(31);
const normals = (n: number): number[] => Array.from({ length: n }, normal);
const near = (got: number, want: number, slack = 1e-10): void => {
  expect(got).to.be.closeTo(want, slack * Math.max(1, Math.abs(want)));
};

describe('selection', () => {
  const list = fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 1, maxLength: 60 });

  it('puts the places asked for as sorting does', () =>
    fc.assert(
      fc.property(list, fc.array(fc.nat(59), { minLength: 1, maxLength: 5 }), (values, wanted) => {
        const places = [...new Set(wanted.map((p) => p % values.length))].sort((a, b) => a - b);
        const made = Float64Array.from(values);
        selectAll(made, places);
        const sorted = sortedUp(values);
        for (const place of places) expect(made[place]).to.equal(sorted[place]);
      }),
    ));

  it('finds quantiles by every rule, of long lists too', () => {
    const long = normals(5000);
    for (const values of [[3], [3, 1], [5, 1, 4, 2], normals(601), long])
      for (const rule of ['linear', 'exclusive', 'hinges'] as const)
        expect(quantilesOf(values, [0.25, 0.5, 0.75], rule)).to.deep.equal(
          [0.25, 0.5, 0.75].map((p) => quantile(sortedUp(values), p, rule)),
        );
    expect([leastOf(long), mostOf(long)]).to.deep.equal([sortedUp(long)[0], sortedUp(long)[4999]]);
    expect([leastOf([]), mostOf([])]).to.deep.equal([Infinity, -Infinity]);
  });

  it('finds any difference and any average among all pairs', () => {
    for (const [n, m] of [
      [1, 1],
      [7, 4],
      [120, 90],
    ] as const) {
      const [a, b] = [normals(n), normals(m)].map((l) => l.map((x) => Number(x.toFixed(2)))) as [number[], number[]];
      const differences = a.flatMap((x) => b.map((y) => Math.round((x - y) * 100) / 100)).sort((x, y) => x - y);
      const averages = a.flatMap((x, i) => a.slice(i).map((y) => (x + y) / 2)).sort((x, y) => x - y);
      for (const [sums, all] of [
        [allDifferences(a, b), differences],
        [allAverages(a), averages],
      ] as const) {
        expect(sums.count).to.equal(all.length);
        for (const k of [0, Math.floor(all.length / 3), Math.floor(all.length / 2), all.length - 1])
          near(sums.at(k), all[k]!);
        near(sums.median(), quantile(all, 0.5));
      }
    }
  });
});

describe('ranks', () => {
  it('share the mean of their places among ties, as counting one by one has it', () =>
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 1, maxLength: 40 }), (values) => {
        const { ranks } = ranked(values);
        values.forEach((x, i) => {
          const less = values.filter((y) => y < x).length;
          const same = values.filter((y) => y === x).length;
          expect(ranks[i]).to.equal(less + (same + 1) / 2);
        });
      }),
    ));

  it('are permuted to groups, and ordered within subjects, in every way there is', () => {
    const ways = groupRankSums([2, 5, 5, 8, 10], [2, 2, 1])!;
    expect(ways.reduce((n, w) => n + w.ways, 0)).to.equal(30);
    for (const { sums } of ways) expect(sums.reduce((a, b) => a + b, 0)).to.equal(30);
    const orders = conditionRankSums([
      [2, 4, 6],
      [3, 3, 6],
    ])!;
    near(
      orders.reduce((n, w) => n + w.ways, 0),
      1,
    );
    // Too many are left to the approximation.
    expect(
      groupRankSums(
        Array.from({ length: 40 }, (_, i) => 2 * i),
        [20, 10, 10],
      ),
    ).to.equal(undefined);
    expect(kruskalWallis([normals(9), normals(9), normals(9)]).method).to.equal('chi-square');
    expect(friedman(Array.from({ length: 30 }, () => normals(4))).method).to.equal('chi-square');
  });

  it('of three groups give the exact p that listing every arrangement gives', () => {
    const groups = [
      [1, 2, 2],
      [2, 5],
      [4, 4, 7],
    ];
    const all = groups.flat();
    const { ranks } = ranked(all);
    const spread = (label: readonly number[]): number =>
      [0, 1, 2].reduce((s, g) => {
        const own = ranks.filter((_, i) => label[i] === g);
        return s + own.reduce((a, b) => a + b, 0) ** 2 / own.length;
      }, 0);
    const arrangements = (left: number[]): number[][] =>
      left.every((n) => n === 0)
        ? [[]]
        : left.flatMap((n, g) =>
            n === 0 ? [] : arrangements(left.map((x, k) => (k === g ? x - 1 : x))).map((d) => [g, ...d]),
          );
    const made = arrangements([3, 2, 3]);
    const seen = spread([0, 0, 0, 1, 1, 2, 2, 2]);
    near(kruskalWallis(groups).p, made.filter((d) => spread(d) >= seen - 1e-9).length / made.length);
  });
});

describe('interpolation', () => {
  it('keeps twelve digits of a tail, and steps aside where there is none', () => {
    const tail = interpolated(z.upper);
    for (const x of [-3.3, 0, 0.5, 1, 2.718, 9.01, 25.4]) near(tail(x) / z.upper(x), 1, 1e-11);
    expect(tail(60)).to.equal(z.upper(60));
  });

  it('gives Dunnett’s and the studentized range’s tails as two groups have them by t', () => {
    // With one comparison Dunnett's tail is t's, and the range of two is |t|√2.
    const shape = { loadings: [Math.SQRT1_2], df: 9, twoSided: true };
    for (const t of [0.4, 1.3, 2.7, 6]) {
      near(dunnettTail(shape)(t) / studentizedRangeUpper(t * Math.SQRT2, 2, 9), 1, 1e-9);
      expect(dunnettTail(shape)(t)).to.equal(dunnettUpper(t, shape));
    }
    // Groups of one size count together, whatever their order.
    const mixed = (loadings: number[]) => dunnettUpper(2.2, { loadings, df: 20, twoSided: false });
    near(mixed([0.6, 0.7, 0.6, 0.7]), mixed([0.7, 0.7, 0.6, 0.6]), 1e-12);
  });

  it('a hypergeometric built from its middle has the masses of its formula', () => {
    const { from, masses } = hypergeometric(40, 30, 90);
    masses.forEach((m, i) => {
      const x = from + i;
      near(m / Math.exp(logChoose(30, x) + logChoose(60, 40 - x) - logChoose(90, 40)), 1, 1e-10);
    });
  });
});

describe('designs from sums', () => {
  it('a two-way analysis of any cells is that of least squares on effect coding, for every type', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 4 }),
        fc.integer({ min: 2, max: 4 }),
        fc.integer({ min: 0, max: 30 }),
        (a, b, more) => {
          // Each cell once, so that none is empty, and then at random.
          const places = [
            ...Array.from({ length: a * b }, (_, k) => [Math.floor(k / b), k % b] as const),
            ...Array.from({ length: 4 + more }, () => [below(a), below(b)] as const),
          ];
          const readings = places.map(([i, j]) => ({ a: `a${i}`, b: `b${j}`, value: normal() + i * j }));
          const code = (k: number, of: readonly number[]) =>
            Array.from({ length: k - 1 }, (_, l) => of.map((x) => (x === l ? 1 : x === k - 1 ? -1 : 0)));
          const [ca, cb] = [
            code(
              a,
              places.map(([i]) => i),
            ),
            code(
              b,
              places.map(([, j]) => j),
            ),
          ];
          const ab = ca.flatMap((x) => cb.map((y) => x.map((v, i) => v * y[i]!)));
          const { deviations } = moments(readings.map((r) => r.value));
          const left = (...parts: number[][][]) =>
            leastSquares([readings.map(() => 1), ...parts.flat()], deviations).residual;
          const full = left(ca, cb, ab);
          for (const type of [1, 2, 3] as const) {
            const made = twoWayAnova(readings, type);
            near(made.residual.ss, full, 1e-9);
            near(made.interaction!.ss, left(ca, cb) - full, 1e-8);
            const without = { 1: [left(), left(ca)], 2: [left(cb), left(ca)], 3: [left(cb, ab), left(ca, ab)] }[type];
            const withIt = { 1: [left(ca), left(ca, cb)], 2: [left(ca, cb), left(ca, cb)], 3: [full, full] }[type];
            near(made.a.ss, without[0]! - withIt[0]!, 1e-8);
            near(made.b.ss, without[1]! - withIt[1]!, 1e-8);
            near(unexplained(made, ['a', 'ab']), left(ca, ab), 1e-9);
          }
        },
      ),
      { numRuns: 40 },
    ));

  it('what is left within subjects sums to nothing in each subject, and in each condition of each group', () => {
    const rows = Array.from({ length: 9 }, () => normals(3));
    const { rest, squares, conditions } = withinRest(rows, [4, 5]);
    for (let i = 0; i < 9; i++) near(rest[3 * i]! + rest[3 * i + 1]! + rest[3 * i + 2]!, 0, 1e-12);
    for (let j = 0; j < 3; j++) {
      let own = 0;
      for (let i = 0; i < 4; i++) own += rest[3 * i + j]!;
      near(own, 0, 1e-12);
    }
    near(
      rest.reduce((s, x) => s + x * x, 0),
      squares,
    );
    near(
      conditions.reduce((s, x) => s + x, 0),
      0,
      1e-12,
    );
    const { error, condition, subject } = repeatedMeasures(rows);
    near(error.ss + condition.ss + subject.ss, moments(rows.flat()).sumOfSquares);
  });
});

describe('work that may take long', () => {
  it('is told from what takes less than a frame by the size of the table and by the method', () => {
    const table = (rows: number) => ({
      ...tableOf([{ ...emptyColumn('a', 'A', '') }, { ...emptyColumn('b', 'B', '') }]),
      rowCount: rows,
    });
    const two = questionOf('two-groups', { a: 'a', b: 'b' });
    expect(isQuick(two, table(5000))).to.equal(true);
    expect(isQuick(two, table(50_000))).to.equal(false);
    expect(isQuick({ ...two, method: 'shuffle' }, table(100))).to.equal(true);
    expect(isQuick({ ...two, method: 'shuffle' }, table(1000))).to.equal(false);
  });

  it('is also a fit of many means to few readings, in rows and in columns', () => {
    const of = (id: string, role: Column['role'], cells: string[]) => ({ ...emptyColumn(id, id, '', role), cells });
    const wide = (count: number) =>
      tableOf(Array.from({ length: count }, (_, i) => of(`c${i}`, 'measure', ['1', '2'])));
    const several = questionOf('several', { method: 'likelihood' });
    expect(isQuick(several, wide(6))).to.equal(true);
    expect(isQuick(several, wide(14))).to.equal(false);
    expect(isQuick({ ...several, method: 'means' }, wide(14))).to.equal(true);
    const long = (weeks: number) => {
      const rows = Array.from({ length: 4 * weeks }, (_, i) => i);
      return tableOf(
        [
          of(
            'line',
            'subject',
            rows.map((i) => `L${Math.floor(i / weeks)}`),
          ),
          of(
            'lamp',
            'group',
            rows.map((i) => (i < 2 * weeks ? 'red' : 'white')),
          ),
          of(
            'week',
            'group',
            rows.map((i) => `week ${i % weeks}`),
          ),
          of('length', 'measure', rows.map(String)),
        ],
        { shape: 'rows' },
      );
    };
    const mixed = questionOf('mixed', { by: 'lamp', by2: 'week', method: 'mixed-model' });
    expect(isQuick(mixed, long(4))).to.equal(true);
    expect(isQuick(mixed, long(12))).to.equal(false);
    expect(isQuick({ ...mixed, method: 'means' }, long(12))).to.equal(true);
  });

  it('is every method at once sooner than the one asked', () => {
    const of = (rows: number, groups = 2) => ({
      ...tableOf(Array.from({ length: groups }, (_, i) => emptyColumn(`c${i}`, `C${i}`, ''))),
      rowCount: rows,
    });
    const several = questionOf('several');
    expect(isQuickByAll(several, of(200))).to.equal(true);
    expect(isQuickByAll(several, of(400))).to.equal(false);
    expect(isQuickByAll(several, of(20, 12))).to.equal(false);
    expect(isQuickByAll({ ...several, about: 'share' }, of(20))).to.equal(false);
  });

  it('arrangements lists of any length, every value once', () => {
    for (const n of [5, 70_000]) {
      const list = Float64Array.from({ length: n }, (_, i) => i);
      const permute = permuter(list, Math.min(n, 1000), random(3));
      permute();
      permute();
      expect(sortedUp(list)).to.deep.equal(Float64Array.from({ length: n }, (_, i) => i));
      expect([...list.subarray(0, 5)]).not.to.deep.equal([0, 1, 2, 3, 4]);
    }
  });
});
