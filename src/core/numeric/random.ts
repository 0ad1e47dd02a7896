import { nth } from './nth';

/**
 * A seeded generator: xoshiro256** on two 32-bit halves a word, seeded by SplitMix64. The same seed gives the same
 * numbers on every machine. Source: Blackman & Vigna (2021).
 */
export interface Random {
  /** The next 32 random bits, 0 to 2³² − 1. */
  bits: () => number;
  /** Writes fresh random bits over `out`, whose length is even: for loops that cannot afford a call a number. */
  fill: (out: Uint32Array) => void;
  /** Uniform on [0, 1), 53 bits. */
  uniform: () => number;
  /** A whole number 0 to n − 1, without bias (Lemire, 2019); n at most two million. */
  below: (n: number) => number;
  /** Standard normal, by the polar method (Marsaglia & Bray, 1964). */
  normal: () => number;
}

const mask = (1n << 64n) - 1n;

/** The generator's starting state, four words of 64 bits, from a whole-number seed and the number of the stream. */
export function seededState(seed: number, stream: number): bigint[] {
  // An odd multiplier spreads the streams over all 2⁶⁴ starting points of the seeding sequence.
  let x = (BigInt(Math.trunc(seed)) + BigInt(Math.trunc(stream)) * 0xd1342543de82ef95n) & mask;
  return Array.from({ length: 4 }, () => {
    x = (x + 0x9e3779b97f4a7c15n) & mask;
    let z = x;
    z = ((z ^ (z >> 30n)) * 0xbf58476d1ce4e5b9n) & mask;
    z = ((z ^ (z >> 27n)) * 0x94d049bb133111ebn) & mask;
    return z ^ (z >> 31n);
  });
}

/** The same in halves, the upper one first. */
const seeded = (seed: number, stream: number): Uint32Array =>
  Uint32Array.from(seededState(seed, stream).flatMap((z) => [Number(z >> 32n), Number(z & 0xffffffffn)]));

/** Numbers made at a time: the state then stays in registers, which makes each five times cheaper. */
const batch = 512;

/** Fills `out` with the next outputs, upper half of each 64 bits first, and moves the state on. */
function refill(state: Int32Array, out: Uint32Array): void {
  let [ah = 0, al = 0, bh = 0, bl = 0, ch = 0, cl = 0, dh = 0, dl = 0] = state;
  for (let i = 0; i < out.length; i += 2) {
    // rotl(b · 5, 7) · 9 in halves: a product is a sum of shifts, its carry shows in the lower half.
    const l5 = (bl + (bl << 2)) | 0;
    const h5 = (bh + ((bh << 2) | (bl >>> 30)) + (l5 >>> 0 < bl >>> 0 ? 1 : 0)) | 0;
    const h7 = (h5 << 7) | (l5 >>> 25);
    const l7 = (l5 << 7) | (h5 >>> 25);
    const l9 = (l7 + (l7 << 3)) | 0;
    out[i] = h7 + ((h7 << 3) | (l7 >>> 29)) + (l9 >>> 0 < l7 >>> 0 ? 1 : 0);
    out[i + 1] = l9;
    const th = (bh << 17) | (bl >>> 15);
    const tl = bl << 17;
    ch ^= ah;
    cl ^= al;
    dh ^= bh;
    dl ^= bl;
    bh ^= ch;
    bl ^= cl;
    ah ^= dh;
    al ^= dl;
    ch ^= th;
    cl ^= tl;
    // rotl(d, 45) = rotl by 32 (swap halves), then by 13.
    const dh13 = (dl << 13) | (dh >>> 19);
    dl = (dh << 13) | (dl >>> 19);
    dh = dh13;
  }
  state.set([ah, al, bh, bl, ch, cl, dh, dl]);
}

/**
 * Makes a generator.
 * @param seed any whole number
 * @param stream a whole number, 0 or more: work cut into numbered blocks, each with a stream of its own, gives the same
 *   numbers whatever the number of workers and the order they finish in
 */
export function random(seed: number, stream = 0): Random {
  const state = Int32Array.from(seeded(seed, stream));
  const made = new Uint32Array(batch);
  let next = batch;
  let spare: number | undefined;
  const bits = (): number => {
    if (next === batch) {
      refill(state, made);
      next = 0;
    }
    return nth(made, next++);
  };
  const uniform = (): number => ((bits() >>> 5) * 67108864 + (bits() >>> 6)) / 9007199254740992;
  const below = (n: number): number => {
    // Multiply, and draw again in the sliver that would favour some numbers. Exact while n is below two million.
    for (;;) {
      const product = bits() * n;
      const whole = (product * 2 ** -32) | 0;
      const low = product - whole * 4294967296;
      if (low >= n || low >= 4294967296 % n) return whole;
    }
  };
  const normal = (): number => {
    if (spare !== undefined) {
      const x = spare;
      spare = undefined;
      return x;
    }
    for (;;) {
      const u = 2 * uniform() - 1;
      const v = 2 * uniform() - 1;
      const q = u * u + v * v;
      if (q >= 1 || q === 0) continue;
      const scale = Math.sqrt((-2 * Math.log(q)) / q);
      spare = v * scale;
      return u * scale;
    }
  };
  return { bits, fill: (out) => refill(state, out), uniform, below, normal };
}

/** Puts a list into random order, in place, every order equally likely. Source: Fisher & Yates (1938), Durstenfeld (1964). */
export function shuffleInPlace(list: Int32Array | number[], { below }: Random): void {
  for (let i = list.length - 1; i > 0; i--) {
    const j = below(i + 1);
    const keep = nth(list, i);
    list[i] = nth(list, j);
    list[j] = keep;
  }
}

/** So many values of a list, drawn without replacement from a seed, in the order they stand; all where there are no more. */
export function sampleOf<T>(values: readonly T[], size: number, seed = 1): readonly T[] {
  if (values.length <= size) return values;
  const { uniform } = random(seed);
  // Each is taken with the chance that what is still needed has among what is left (Fan, Muller & Rezucha, 1962).
  const out: T[] = [];
  for (const [i, value] of values.entries()) if (uniform() * (values.length - i) < size - out.length) out.push(value);
  return out;
}
