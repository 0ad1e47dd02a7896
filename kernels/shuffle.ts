/**
 * The innermost loop of shuffles, in AssemblyScript: labels permuted anew over readings, and the sum that falls to the
 * smaller group. The same numbers as `permutedMeans` of the core, which is its reference, for every seed.
 */

/**
 * Arrangements and sums `count` times over.
 * @param a state of the generator, xoshiro256**, in four words; what it makes is taken sixteen bits at a time, of each 64
 *   the upper half first and of each half the lower sixteen
 * @param values where the readings lie, `n` of them, permuted in place
 * @param drawn how many fall to the smaller group
 * @param out where the statistics go: (sum − expected) · scale
 */
export function permuteMeans(
  a: u64,
  b: u64,
  c: u64,
  d: u64,
  values: usize,
  n: i32,
  drawn: i32,
  out: usize,
  count: i32,
  expected: f64,
  scale: f64,
): void {
  // Locals throughout: they stay in registers, which makes a shuffle half as dear again.
  let held: u64 = 0;
  let left: i32 = 0;
  for (let k = 0; k < count; k++) {
    let part: f64 = 0;
    let here = values;
    for (let rest = <u32>n, last = <u32>(n - drawn); rest > last; rest--) {
      let product: u32;
      let low: u32;
      do {
        if (left == 0) {
          held = rotl<u64>(rotl<u64>(b * 5, 7) * 9, 32);
          const shifted = b << 17;
          c ^= a;
          d ^= b;
          b ^= c;
          a ^= d;
          c ^= shifted;
          d = rotl<u64>(d, 45);
          left = 4;
        }
        product = ((<u32>held) & 0xffff) * rest;
        held >>= 16;
        left -= 1;
        low = product & 0xffff;
      } while (low < rest && low < 65536 % rest);
      const there = here + ((<usize>(product >> 16)) << 3);
      const x = load<f64>(there);
      store<f64>(there, load<f64>(here));
      store<f64>(here, x);
      part += x;
      here += 8;
    }
    store<f64>(out, (part - expected) * scale);
    out += 8;
  }
}
