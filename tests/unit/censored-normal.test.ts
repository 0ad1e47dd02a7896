import { expect } from 'chai';
import fc from 'fast-check';
import { normal } from '../../src/core/distributions/normal';
import { type Censored, censoredNormal } from '../../src/core/procedures/censored-normal';

/** The likelihood written down reading by reading. */
const logLikelihood = (groups: readonly (readonly Censored[])[], means: readonly number[], sd: number): number =>
  groups
    .flatMap((group, g) =>
      group.map(({ value, below }) => {
        const z = (value - (means[g] ?? NaN)) / sd;
        return below ? Math.log(normal.lower(z)) : -(z ** 2) / 2 - Math.log(sd) - Math.log(2 * Math.PI) / 2;
      }),
    )
    .reduce((a, b) => a + b, 0);

const reading = fc.record({ value: fc.integer({ min: 20, max: 90 }).map((x) => x / 10), below: fc.boolean() });
const group = fc
  .array(reading, { minLength: 3, maxLength: 12 })
  .filter((all) => new Set(all.flatMap((r) => (r.below ? [] : [r.value]))).size > 1);

describe('normal readings of which some lie below limits', () => {
  it('have the likelihood that is written down reading by reading, and none near it is higher', () => {
    fc.assert(
      fc.property(fc.array(group, { minLength: 2, maxLength: 4 }), (groups) => {
        const { means, sd, logLikelihood: top } = censoredNormal(groups);
        expect(top).to.be.closeTo(logLikelihood(groups, means, sd), 1e-8 * (1 + Math.abs(top)));
        for (const step of [-1e-3, 1e-3]) {
          expect(logLikelihood(groups, means, sd * (1 + step))).to.be.at.most(top + 1e-10);
          means.forEach((_, g) => {
            const aside = means.map((m, i) => (i === g ? m + step * sd : m));
            expect(logLikelihood(groups, aside, sd)).to.be.at.most(top + 1e-10);
          });
        }
      }),
      { numRuns: 60 },
    );
  });

  it('do not depend on where zero lies, on the order of groups, or on what others are compared', () => {
    const groups = [
      [3.1, 4.2, 2.8, 5.0],
      [4.4, 6.1, 5.2, 4.9],
      [2.2, 3.9, 3.3, 2.7],
    ].map((g) => [...g.map((value) => ({ value, below: false })), { value: 2.5, below: true }]);
    const plain = censoredNormal(groups);
    const { estimate, interval, p } = plain.difference(0, 1, 0.95);
    const moved = censoredNormal(groups.map((g) => g.map((r) => ({ ...r, value: r.value + 1e4 }))));
    const other = moved.difference(0, 1, 0.95);
    const turned = censoredNormal([...groups].reverse()).difference(1, 2, 0.95);
    expect(other.interval.low).to.be.closeTo(interval.low, 1e-7);
    expect(other.interval.high).to.be.closeTo(interval.high, 1e-7);
    expect(turned.estimate).to.be.closeTo(-estimate, 1e-9);
    expect(turned.interval.low).to.be.closeTo(-interval.high, 1e-7);
    expect(turned.p).to.be.closeTo(p, 1e-9);
    // At its ends the interval is just not rejected.
    const shifted = censoredNormal(
      groups.map((g, i) => (i === 0 ? g.map((r) => ({ ...r, value: r.value - interval.high })) : g)),
    );
    expect(shifted.difference(0, 1, 0.95).p).to.be.closeTo(0.05, 1e-6);
  });
});
