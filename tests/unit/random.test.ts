import { expect } from 'chai';
import { random, shuffleInPlace } from '../../src/core/numeric/random';

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
