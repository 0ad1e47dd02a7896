import { execFileSync } from 'node:child_process';
import { expect } from 'chai';
import fc from 'fast-check';
import { permutedSums } from '../../src/core/kernels/shuffle';
import { shuffleModule } from '../../src/core/kernels/shuffle-module';
import { random, shuffleInPlace } from '../../src/core/numeric/random';
import { blockOf, permutedMeans } from '../../src/core/procedures/shuffling';

/** xoshiro256** and SplitMix64 written out in whole numbers of any size, as their authors give them. */
function* plainly(seed: bigint): Generator<number> {
  const mask = (1n << 64n) - 1n;
  const rotl = (x: bigint, k: bigint) => ((x << k) | (x >> (64n - k))) & mask;
  let mix = seed;
  const s = [0, 1, 2, 3].map(() => {
    mix = (mix + 0x9e3779b97f4a7c15n) & mask;
    let z = mix;
    z = ((z ^ (z >> 30n)) * 0xbf58476d1ce4e5b9n) & mask;
    z = ((z ^ (z >> 27n)) * 0x94d049bb133111ebn) & mask;
    return z ^ (z >> 31n);
  });
  for (;;) {
    const word = (rotl((s[1]! * 5n) & mask, 7n) * 9n) & mask;
    yield Number(word >> 32n);
    yield Number(word & 0xffffffffn);
    const t = (s[1]! << 17n) & mask;
    s[2]! ^= s[0]!;
    s[3]! ^= s[1]!;
    s[1]! ^= s[2]!;
    s[0]! ^= s[3]!;
    s[2]! ^= t;
    s[3] = rotl(s[3]!, 45n);
  }
}

describe('the seeded generator', () => {
  it('gives the published sequence', () => {
    const ours = random(20261123);
    const reference = plainly(20261123n);
    for (let i = 0; i < 3000; i++) expect(ours.bits()).to.equal(reference.next().value);
  });

  it('puts a list into every order equally often', () => {
    const generator = random(3);
    const seen = new Map<string, number>();
    for (let i = 0; i < 12_000; i++) {
      const list = [1, 2, 3];
      shuffleInPlace(list, generator);
      seen.set(list.join(), (seen.get(list.join()) ?? 0) + 1);
    }
    expect(seen.size).to.equal(6);
    for (const times of seen.values()) expect(times).to.be.within(1_850, 2_150);
  });

  it('draws whole numbers evenly and normals with mean 0 and variance 1', () => {
    const draw = random(7);
    const counts = new Array<number>(6).fill(0);
    for (let i = 0; i < 60_000; i++) counts[draw.below(6)]! += 1;
    for (const c of counts) expect(c).to.be.within(9_600, 10_400);
    const normals = Array.from({ length: 50_000 }, () => draw.normal());
    const mean = normals.reduce((s, x) => s + x, 0) / normals.length;
    expect(mean).to.be.within(-0.02, 0.02);
    expect(normals.reduce((s, x) => s + (x - mean) ** 2, 0) / normals.length).to.be.within(0.97, 1.03);
  });
});

describe('the kernel of shuffles', () => {
  it('gives the numbers of its reference for every seed, stream and size', () =>
    fc.assert(
      fc.property(
        fc.nat(4294967295),
        fc.nat(50),
        fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { minLength: 1, maxLength: 60 }),
        fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { minLength: 1, maxLength: 60 }),
        (seed, block, a, b) => {
          const next = permutedMeans(a, b, random(seed, block + 1));
          const reference = Float64Array.from({ length: 40 }, () => next());
          const what = { kind: 'labels', groups: [a, b], statistic: 'mean' } as const;
          expect(blockOf(what, seed, block, 0, 40)).to.deep.equal(reference);
          expect(permutedSums(Float64Array.of(1, 2, 3), 1, seed, block, 5, 0, 1)).to.have.length(5);
        },
      ),
      { numRuns: 60 },
    ));

  it('is compiled from its source as it stands', () => {
    const made = execFileSync(process.execPath, ['scripts/kernels.mjs', '--print'], { encoding: 'utf8' });
    expect(made.trim()).to.equal(shuffleModule);
  });
});
