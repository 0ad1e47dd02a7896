import { expect } from 'chai';
import fc from 'fast-check';
import { binomial } from '../../src/core/distributions/binomial';
import { named } from '../../src/core/distributions/named';
import { criticalValuesOf, isRejected, rejectionOf } from '../../src/core/procedures/rejection';
import { decisionOf } from '../../src/core/telling/decision';
import { curveScene } from '../../src/core/scenes/curve';

const curve = (...of: Parameters<typeof named>) => {
  const made = named(...of);
  if (!made.ok) throw new Error(made.reason);
  return made.value;
};

describe('the rejection region', () => {
  it('is cut where printed tables cut it', () => {
    const t = rejectionOf(curve('t', { df: 10 }), 'either', 0.05);
    expect(criticalValuesOf(t).map((x) => x.toFixed(3))).to.deep.equal(['-2.228', '2.228']);
    expect(rejectionOf(curve('t', { df: 10 }), 'less', 0.05)).to.have.keys('lower');
    expect(rejectionOf(curve('f', { df1: 3, df2: 20 }), 'greater', 0.05).upper).to.be.closeTo(3.1, 5e-3);
  });

  it('of a binomial holds just the outcomes whose tail is no more than its share', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        fc.constantFrom(0.2, 0.05, 0.01),
        fc.constantFrom('either' as const, 'greater' as const, 'less' as const),
        (n, p, alpha, direction) => {
          const region = rejectionOf(curve('binomial', { n, p }), direction, alpha);
          const { lower, upper } = binomial(n, p);
          for (let x = 0; x <= n; x++) {
            const tails =
              direction === 'greater' ? [upper(x)] : direction === 'less' ? [lower(x)] : [lower(x), upper(x)];
            const share = direction === 'either' ? alpha / 2 : alpha;
            expect(isRejected(region, x), `${x} of ${n}`).to.equal(tails.some((tail) => tail <= share));
          }
        },
      ),
      { numRuns: 200, seed: 5 },
    );
  });

  it('that is empty is told so, and nothing is marked as critical', () => {
    // Of five tosses even five heads come with 0.031 on their side.
    const reference = { distribution: 'binomial', parameters: { n: 5, p: 0.5 }, symbol: 'x', statistic: 5 } as const;
    const both = { ...reference, direction: 'either' } as const;
    expect(decisionOf(both, 0.0625, 0.95)).to.deep.include({ region: {}, beyond: false });
    expect(decisionOf(both, 0.0625, 0.95)?.words[0]).to.include('there is no critical value');
    const scene = curveScene(both, {}, 400);
    expect(scene?.panels[0]?.marks.map((mark) => mark.name))
      .to.include('statistic')
      .and.not.include('critical');
    expect(scene?.alt).to.include('no rejection region');
    const one = decisionOf({ ...reference, direction: 'greater' }, 0.03125, 0.95);
    expect(one?.short).to.equal('x = 5 at 5');
    expect(one?.words[0]).to.include(
      'lies at the critical value 5, which at most 5 % of such statistics reach or pass',
    );
  });
});
