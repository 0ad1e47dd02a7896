import { expect } from 'chai';
import fc from 'fast-check';
import { binomial } from '../../src/core/distributions/binomial';
import { random } from '../../src/core/numeric/random';
import { friedmanPairs } from '../../src/core/procedures/friedman-pairs';
import { oneWayAnova } from '../../src/core/procedures/one-way-anova';
import { pairedT } from '../../src/core/procedures/paired-t';
import { pooledT } from '../../src/core/procedures/pooled-t';
import {
  detectableEffect,
  oneWayAnovaPower,
  pairedTPower,
  twoProportionsPower,
  twoWayAnovaPower,
} from '../../src/core/procedures/power';
import { repeatedMeasures } from '../../src/core/procedures/repeated-measures';
import { summarize } from '../../src/core/procedures/sample-summary';
import { signedRankShift } from '../../src/core/procedures/signed-rank-shift';
import { twoProportions } from '../../src/core/procedures/two-proportions';
import { wilcoxonSignedRank } from '../../src/core/procedures/wilcoxon-signed-rank';
import { withinBetween } from '../../src/core/procedures/within-between';

const near = (x: number, y: number, relative = 1e-9): void => {
  expect(Math.abs(x - y), `${x} and ${y}`).to.be.at.most(relative * Math.max(Math.abs(x), Math.abs(y)));
};
const { normal } = random(77);
const subjects = (n: number, k: number, lift: number): number[][] =>
  Array.from({ length: n }, () => {
    const own = 3 * normal();
    return Array.from({ length: k }, (_, j) => Number((20 + own + lift * j + normal()).toFixed(2)));
  });

describe('one factor within subjects, one between', () => {
  const [fed, bare] = [subjects(7, 2, 1), subjects(9, 2, 0.2)];
  const found = withinBetween([fed, bare]);
  it('judges groups as an analysis of the subjects’ means, the interaction as a t-test of their changes', () => {
    const means = [fed, bare].map((g) => g.map((row) => (row[0]! + row[1]!) / 2));
    near(found.group.f, oneWayAnova(means).f);
    const changes = [fed, bare].map((g) => summarize(g.map((row) => row[1]! - row[0]!)));
    near(found.interaction.f, pooledT(changes[0]!, changes[1]!, 0.95).t ** 2);
    near(found.interaction.p, pooledT(changes[0]!, changes[1]!, 0.95).p.either);
    near(found.greenhouseGeisser.epsilon, 1);
  });

  it('parts the whole sum of squares', () => {
    const three = withinBetween([subjects(5, 3, 1), subjects(5, 3, 0)]);
    expect(three.greenhouseGeisser.epsilon).to.be.within(0.5, 1);
    expect(three.error.df).to.equal(16);
    expect(() => withinBetween([[[1, 2], [3]], [[1, 2]]])).to.throw('Every subject needs a reading');
  });
});

describe('repeated measures', () => {
  it('with two conditions is the paired t-test', () => {
    const rows = subjects(8, 2, 0.7);
    const t = pairedT(
      rows.map((r) => r[0]!),
      rows.map((r) => r[1]!),
      0.95,
    );
    near(repeatedMeasures(rows).f, t.t ** 2);
    near(repeatedMeasures(rows).p, t.p.either);
  });

  it('ranks: pairs of conditions order as their mean ranks do', () => {
    const pairs = friedmanPairs(subjects(12, 3, 2));
    const outer = pairs.find((p) => p.a === 0 && p.b === 2)!;
    for (const pair of pairs) expect(outer.p).to.be.at.most(pair.p);
  });

  it('the signed-rank interval agrees with its test', () => {
    const d = Array.from({ length: 13 }, () => normal() + 0.4);
    const { interval, estimate, coverage } = signedRankShift(d, 0.95);
    const p = (by: number) => wilcoxonSignedRank(d.map((x) => x - by)).p.either;
    expect(coverage).to.be.within(0.95, 0.96);
    expect(p(interval.low - 1e-9)).to.be.at.most(0.05);
    expect(p(interval.low + 1e-9)).to.be.greaterThan(0.05);
    expect(p(interval.high + 1e-9)).to.be.at.most(0.05);
    expect(p(estimate)).to.be.greaterThan(0.9);
  });
});

describe('planning', () => {
  it('two proportions: the power is the share of simulated experiments that reject', () => {
    const rejects = (x1: number, x2: number): boolean => {
      if (x1 + x2 === 0 || x1 + x2 === 50) return false;
      return twoProportions({ successes: x1, n: 25 }, { successes: x2, n: 25 }, 0.95).p.either < 0.05;
    };
    const exact = twoProportionsPower(0.3, 25, 0.6, 25, rejects);
    const draw = random(5);
    const toss = (p: number) =>
      Array.from({ length: 25 }, () => (draw.uniform() < p ? 1 : 0)).reduce<number>((a, b) => a + b, 0);
    let hits = 0;
    for (let i = 0; i < 2000; i++) if (rejects(toss(0.3), toss(0.6))) hits += 1;
    expect(hits / 2000).to.be.closeTo(exact, 0.035);
  });

  it('two proportions: the power is what all outcomes the test rejects come to', () => {
    const size = fc.integer({ min: 1, max: 40 });
    const share = fc.double({ min: 0.001, max: 0.999, noNaN: true });
    const cut = fc.double({ min: 0.2, max: 4, noNaN: true });
    fc.assert(
      fc.property(
        size,
        size,
        share,
        share,
        cut,
        fc.constantFrom(...(['either', 'greater', 'less'] as const)),
        (...of) => {
          const [n1, n2, p1, p2, critical, direction] = of;
          const rejects = (x1: number, x2: number): boolean => {
            const pooled = (x1 + x2) / (n1 + n2);
            const se = Math.sqrt(pooled * (1 - pooled) * (1 / n1 + 1 / n2));
            const z = (x2 / n2 - x1 / n1) / se;
            return direction === 'either' ? Math.abs(z) >= critical : (direction === 'less' ? -z : z) >= critical;
          };
          const [first, second] = [binomial(n1, p1), binomial(n2, p2)];
          let whole = 0;
          for (let x1 = 0; x1 <= n1; x1++)
            for (let x2 = 0; x2 <= n2; x2++) if (rejects(x1, x2)) whole += first.mass(x1) * second.mass(x2);
          expect(twoProportionsPower(p1, n1, p2, n2, rejects)).to.be.closeTo(Math.min(1, whole), 1e-11);
        },
      ),
      { numRuns: 300, seed: 11 },
    );
  });

  it('a detectable effect has the power wanted; two-way power is one-way power where the designs meet', () => {
    const effect = detectableEffect((d) => pairedTPower(d, 12, 0.05), 0.9);
    near(pairedTPower(effect, 12, 0.05), 0.9, 1e-8);
    near(twoWayAnovaPower(0.3, 3, 4, 10, 0.05), oneWayAnovaPower(0.3, 4, 10, 0.05));
  });
});
