import reference from '@stdlib/math-base-special-erfc';
import { expect } from 'chai';
import { backward, factored, forward } from '../../src/core/numeric/cholesky';
import fc from 'fast-check';
import { erfc } from '../../src/core/numeric/complementary-error';
import { leastSquares } from '../reference/least-squares';
import { integratePeaked, trapezoid } from '../../src/core/numeric/quadrature';
import { quantile } from '../../src/core/numeric/quantile';
import { findZero, findZeroNear, solveTail } from '../../src/core/numeric/solve';
import { decimalScale } from '../../src/core/numeric/decimals';
import { moments, sum } from '../../src/core/numeric/sum';

const near = (x: number, y: number, relative = 1e-13): void => {
  expect(Math.abs(x - y), `${x} and ${y}`).to.be.at.most(relative * Math.max(Math.abs(x), Math.abs(y), 1e-300));
};

describe('sums', () => {
  it('keep what plain addition loses', () => {
    expect(sum([1e16, 1, -1e16])).to.equal(1);
    expect(sum(new Array<number>(10).fill(0.1))).to.equal(1);
    expect(sum([])).to.equal(0);
  });

  it('moments of decimals far from zero are those of the decimals', () => {
    const offsets = [0.4, 0.3, 0.5, 0.3, 0.5, 0.3];
    const small = moments(offsets);
    for (const far of [1e3, 1e6, 1e9]) {
      const large = moments(offsets.map((x) => Number((far + x).toFixed(1))));
      near(large.sumOfSquares, small.sumOfSquares, 1e-15);
      near(large.mean + large.meanRest - far, small.mean, 1e-6);
    }
    expect(() => moments([])).to.throw('There are no values.');
    expect(() => moments([1e200, -1e200])).to.throw('too large');
  });

  it('finds the power of ten that makes decimals whole, and gives up where none does', () => {
    expect(decimalScale([1, 2.5, 0.125])).to.equal(1000);
    expect(decimalScale([12, -7])).to.equal(1);
    expect(decimalScale([1 / 3])).to.equal(undefined);
    expect(decimalScale([1e17, 0.1])).to.equal(undefined);
  });

  it('moments agree with exact whole-number arithmetic', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -1_000_000, max: 1_000_000 }), { minLength: 2, maxLength: 30 }),
        (cents) => {
          // n Σx² − (Σx)² in whole numbers of any size, then divided once.
          const big = cents.map(BigInt);
          const n = BigInt(big.length);
          const total = big.reduce((a, b) => a + b, 0n);
          const exact = Number(n * big.reduce((a, b) => a + b * b, 0n) - total * total) / Number(n) / 1e4;
          near(moments(cents.map((c) => c / 100)).sumOfSquares, exact, 1e-14);
        },
      ),
    ));
});

describe('the complementary error function', () => {
  it('agrees with an independent implementation from one end to the other, and across the joins of its ranges', () => {
    for (let x = -7; x < 26.5; x += 0.0137) near(erfc(x), reference(x), 4e-15);
    for (const join of [0.46875, 4])
      for (const x of [join - 1e-15, join, join + 1e-15, -join]) near(erfc(x), reference(x), 4e-15);
  });

  it('mirrors about one, falls without end, and keeps its bounds', () => {
    fc.assert(fc.property(fc.double({ min: -6, max: 6, noNaN: true }), (x) => near(erfc(x) + erfc(-x), 2, 1e-15)));
    // Abramowitz & Stegun (1964), 7.1.23: the first terms of the series far out.
    const far = 20;
    near(
      erfc(far),
      (Math.exp(-far * far) / (far * Math.sqrt(Math.PI))) * (1 - 1 / 800 + 3 / 640_000 - 15 / 512e6),
      1e-9,
    );
    expect([erfc(0), erfc(Infinity), erfc(-Infinity), erfc(40), erfc(-40)]).to.deep.equal([1, 0, 2, 0, 2]);
    expect(erfc(NaN)).to.satisfy(Number.isNaN);
  });
});

describe('quantiles', () => {
  // Worked by hand from the definitions of Hyndman & Fan (1996) and Tukey (1977).
  const six = [1, 3, 4, 8, 9, 15];
  const cases: [Parameters<typeof quantile>[2], number, number][] = [
    ['linear', 3.25, 8.75],
    ['exclusive', 2.5, 10.5],
    ['hinges', 3, 9],
  ];
  for (const [rule, q1, q3] of cases)
    it(`${rule}: quartiles of six values`, () => {
      expect(quantile(six, 0.25, rule)).to.equal(q1);
      expect(quantile(six, 0.75, rule)).to.equal(q3);
      expect(quantile(six, 0.5, rule)).to.equal(6);
    });

  it('hinges of an odd number of values share the median', () => {
    expect(quantile([1, 2, 5, 7, 11], 0.25, 'hinges')).to.equal(2);
    expect(quantile([1, 2, 5, 7, 11], 0.75, 'hinges')).to.equal(7);
  });

  it('stay within the values, and say what is no share', () => {
    expect(quantile([4], 0.9, 'exclusive')).to.equal(4);
    expect(() => quantile(six, 1.2)).to.throw('between 0 and 1');
    expect(() => quantile([], 0.5)).to.throw('no values');
  });
});

describe('solving and integrating', () => {
  it('inverts a tail to its last digit, however far out', () => {
    for (const p of [0.4, 1e-5, 1e-100, 1e-300]) {
      const x = solveTail({
        tail: (t) => Math.exp(-t),
        p,
        rising: false,
        density: (t) => Math.exp(-t),
        from: 0,
        to: Infinity,
        start: 1,
      });
      near(x, -Math.log(p), 1e-14);
      near(
        solveTail({ tail: (t) => Math.exp(-t), p, rising: false, from: 0, to: Infinity, start: 1 }),
        -Math.log(p),
        1e-12,
      );
    }
  });

  it('finds a crossing, and says when there is none', () => {
    near(
      findZero((x) => x ** 3 - 2, 0, 2),
      Math.cbrt(2),
    );
    near(
      findZero((x) => Math.cos(x) - x, 0, 1),
      0.7390851332151607,
    );
    expect(() => findZero((x) => x * x + 1, -1, 1)).to.throw('No crossing');
    near(
      findZeroNear((x) => Math.exp(x) - 1000, 1, 0.01),
      Math.log(1000),
    );
    expect(() => findZeroNear((x) => x * x + 1, 0, 1)).to.throw('No crossing');
  });

  it('integrates what dies away at both ends, and peaks by their logarithm however small, narrow or lopsided', () => {
    near(
      trapezoid((x) => Math.exp(-x * x), -7, 7, 0.4),
      Math.sqrt(Math.PI),
    );
    near(
      integratePeaked((x) => -x * x, 3),
      Math.sqrt(Math.PI),
    );
    near(
      integratePeaked((x) => -((x - 40) ** 2) - 600, 0),
      Math.sqrt(Math.PI) * Math.exp(-600),
    );
    near(
      integratePeaked((x) => -(((x - 0.3) * 1e3) ** 2), 0),
      Math.sqrt(Math.PI) * 1e-3,
    );
    // Slow on one side and sudden on the other: ∫ exp(x/5 − eˣ) dx = Γ(1/5).
    near(
      integratePeaked((x) => x / 5 - Math.exp(x), 0),
      4.590843711998803,
    );
  });

  it('least squares: a line through points, and a column that adds nothing', () => {
    const x = [0, 1, 2, 3];
    const one = x.map(() => 1);
    const fit = leastSquares([one, x, x.map((v) => 2 * v + 1)], [1, 2, 4, 4]);
    // By hand: slope 1.1, intercept 1.1, residuals −0.1, −0.2, 0.7, −0.4.
    near(fit.residual, 0.7);
    expect(fit.rank).to.equal(2);
    expect(fit.explained[2]).to.equal(0);
    near(fit.explained[1] ?? 0, 1.1 ** 2 * 5);
  });

  it('says when squares leave the range of numbers, at either end, and takes what is within', () => {
    const scaled = (k: number) => [1, 2, 3, 4].map((x) => x * k);
    expect(() => moments(scaled(1e-300))).to.throw('differ by too little to be squared');
    expect(() => moments(scaled(1e300))).to.throw('too large to be squared');
    expect(moments(scaled(1e-120)).sumOfSquares / 1e-240).to.be.closeTo(5, 1e-9);
    expect(moments(scaled(1e120)).sumOfSquares / 1e240).to.be.closeTo(5, 1e-9);
    expect(moments([1e-300, 1e-300]).sumOfSquares).to.equal(0);
  });
});

describe('the factor of a small symmetric matrix', () => {
  it('gives the matrix back, solves with it, and says where there is none', () => {
    const a = Float64Array.from([4, 2, 0.6, 2, 5, 1, 0.6, 1, 3]);
    const l = factored(a, 3);
    if (!l) throw new Error('not positive definite');
    const at = (m: Float64Array, i: number, j: number): number => m[3 * i + j] ?? NaN;
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++)
        expect([0, 1, 2].reduce((s, k) => s + at(l, i, k) * at(l, j, k), 0)).to.be.closeTo(at(a, i, j), 1e-14);
    const b = Float64Array.from([1, -2, 0.5]);
    const x = backward(l, forward(l, b));
    for (let i = 0; i < 3; i++)
      expect([0, 1, 2].reduce((s, k) => s + at(a, i, k) * (x[k] ?? NaN), 0)).to.be.closeTo(b[i] ?? NaN, 1e-14);
    expect(factored(Float64Array.from([1, 2, 2, 1]), 2)).to.equal(undefined);
  });
});
