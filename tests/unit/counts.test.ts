import { expect } from 'chai';
import { binomial } from '../../src/core/distributions/binomial';
import { attempt } from '../../src/core/numeric/domain-error';
import { goodnessOfFit } from '../../src/core/procedures/goodness-of-fit';
import { independence } from '../../src/core/procedures/independence';
import { mcnemar } from '../../src/core/procedures/mcnemar';
import { type ProportionInterval, proportionInterval } from '../../src/core/procedures/one-proportion';
import { proportionTrend } from '../../src/core/procedures/proportion-trend';
import { twoProportions } from '../../src/core/procedures/two-proportions';
import { moments } from '../../src/core/numeric/sum';

const near = (x: number, y: number, relative = 1e-10): void => {
  expect(Math.abs(x - y), `${x} and ${y}`).to.be.at.most(relative * Math.max(Math.abs(x), Math.abs(y)));
};
const reason = (run: () => unknown): string => {
  const result = attempt(run);
  return result.ok ? '' : result.reason;
};

describe('one proportion', () => {
  /** The chance that an interval holds the true share, over all counts the binomial can give. */
  const coverage = (method: ProportionInterval, p: number, n: number): number => {
    const { mass } = binomial(n, p);
    let held = 0;
    for (let k = 0; k <= n; k++) {
      const { low, high } = proportionInterval({ successes: k, n }, 0.95, method);
      if (low <= p && p <= high) held += mass(k);
    }
    return held;
  };
  const shares = Array.from({ length: 97 }, (_, i) => 0.02 + i / 100);

  it('Clopper–Pearson never falls below its level, Wilson keeps it on average, Wald does not', () => {
    for (const p of shares) expect(coverage('clopper-pearson', p, 18)).to.be.at.least(0.95);
    const mean = (method: ProportionInterval) =>
      shares.reduce((s, p) => s + coverage(method, p, 18), 0) / shares.length;
    expect(mean('wilson')).to.be.within(0.94, 0.96);
    expect(mean('agresti-coull')).to.be.at.least(0.95);
    expect(mean('wald')).to.be.lessThan(0.9);
  });

  it('intervals stay within 0 and 1 where they should, and mirror when outcomes are swapped', () => {
    for (const method of ['wilson', 'clopper-pearson', 'agresti-coull'] as const)
      for (let k = 0; k <= 9; k++) {
        const here = proportionInterval({ successes: k, n: 9 }, 0.9, method);
        const there = proportionInterval({ successes: 9 - k, n: 9 }, 0.9, method);
        expect(here.low).to.be.within(0, 1);
        expect(here.high).to.be.within(0, 1);
        expect(here.low).to.be.closeTo(1 - there.high, 1e-12);
      }
  });

  it('says what counts cannot be', () => {
    expect(reason(() => proportionInterval({ successes: 46, n: 45 }, 0.95, 'wilson'))).to.include(
      '46 out of 45 cannot be',
    );
    expect(reason(() => proportionInterval({ successes: 1.5, n: 45 }, 0.95, 'wilson'))).to.include('whole number');
  });
});

describe('tables', () => {
  it("Mendel's peas against 9:3:3:1: the published chi-square of 0.470", () => {
    const peas = goodnessOfFit([315, 108, 101, 32], [9, 3, 3, 1]);
    expect(peas.chi2).to.be.closeTo(0.47, 0.0005);
    expect(peas.p).to.be.closeTo(0.925, 0.001);
    near(
      peas.expected.reduce((a, b) => a + b),
      556,
    );
    expect(reason(() => goodnessOfFit([3, 4], [1, 2, 3]))).to.include('2 counts and 3 proportions');
  });

  it('names the cell, row or column that cannot be', () => {
    expect(
      reason(() =>
        independence([
          [1, 2],
          [3, -1],
        ]),
      ),
    ).to.include('Row 2, column 2 is -1');
    expect(
      reason(() =>
        independence([
          [1, 2],
          [0, 0],
        ]),
      ),
    ).to.include('Row 2 has no counts');
    expect(
      reason(() =>
        independence([
          [1, 0],
          [2, 0],
        ]),
      ),
    ).to.include('Column 2 has no counts');
    expect(reason(() => independence([[1, 2], [3]]))).to.include('Row 2 has 1 counts where the first has 2');
  });

  it('holds a table of 50 by 50, and does not change when it is turned', () => {
    const table = Array.from({ length: 50 }, (_, i) =>
      Array.from({ length: 50 }, (__, j) => 1 + ((i * 7 + j * 11) % 13)),
    );
    const turned = table.map((_, j) => table.map((row) => row[j] ?? 0));
    near(independence(table).chi2, independence(turned).chi2);
    expect(independence(table).df).to.equal(2401);
  });

  it('residuals add up to nothing, and on 2 × 2 their square is chi-square', () => {
    const found = independence([
      [18, 27],
      [30, 20],
    ]);
    for (const r of found.adjusted.flat()) near(r * r, found.chi2);
  });

  it('a separated table has no ratio interval, and says so by leaving it out', () => {
    const separated = twoProportions({ successes: 5, n: 5 }, { successes: 0, n: 6 }, 0.95);
    expect(separated.oddsRatio.interval).to.equal(undefined);
    expect(separated.newcombe.low).to.be.greaterThan(0);
  });

  it('paired: mid-p lies between the exact and the large-sample p, and is 1 where nothing changed', () => {
    const test = mcnemar([
      [20, 5],
      [14, 25],
    ]);
    expect(test.midP.either).to.be.within(test.score.either, test.exact.either);
    for (const tails of [test.score, test.exact]) near(Math.min(tails.greater, tails.less) * 2, tails.either);
    near(
      mcnemar([
        [3, 6],
        [6, 4],
      ]).exact.either,
      1,
    );
    const none = mcnemar([
      [3, 0],
      [0, 4],
    ]);
    for (const tails of [none.score, none.exact, none.midP])
      expect(tails).to.deep.equal({ either: 1, greater: 1, less: 1 });
  });

  it('a trend is n times the squared correlation of outcome and score', () => {
    const shares = [
      { successes: 3, n: 20 },
      { successes: 9, n: 24 },
      { successes: 12, n: 18 },
    ];
    const scores = [0, 1, 4];
    const outcome = shares.flatMap((s) => Array.from({ length: s.n }, (_, i) => (i < s.successes ? 1 : 0)));
    const score = shares.flatMap((s, i) => new Array<number>(s.n).fill(scores[i] ?? 0));
    const [x, y] = [moments(outcome), moments(score)];
    const covariance = x.deviations.reduce((s, d, i) => s + d * (y.deviations[i] ?? 0), 0);
    near(
      proportionTrend(shares, scores).z ** 2,
      (outcome.length * covariance ** 2) / (x.sumOfSquares * y.sumOfSquares),
    );
  });
});
