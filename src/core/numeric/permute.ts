import type { Random } from './random';

/** Numbers of sixteen random bits made at a time. */
const batch = 1024;

/**
 * A permuter: each call puts a random choice of the list, in random order, into its first `drawn` places, every choice
 * equally likely. The same generator arrangements any list of the same length alike, so that what becomes of readings and of
 * their row numbers agree.
 * @param list permuted in place
 */
export function permuter(list: Float64Array, drawn: number, generator: Random): () => void {
  const { fill } = generator;
  const n = list.length;
  // Sixteen random bits do not reach over a longer list.
  if (n > 65_535) return longPermuter(list, drawn, fill);
  const words = new Uint32Array(batch / 2);
  const made = new Uint16Array(words.buffer);
  let next = batch;
  /* eslint-disable @typescript-eslint/no-non-null-assertion -- indices lie within the arrays, and a check costs a third */
  return () => {
    for (let i = 0; i < drawn; i++) {
      // A whole number below n − i without bias (Lemire, 2019), from sixteen random bits: whole-number arithmetic
      // throughout, and two numbers from each draw of the generator.
      const left = n - i;
      let j: number;
      let low: number;
      do {
        if (next === batch) {
          fill(words);
          next = 0;
        }
        const product = Math.imul(made[next++]!, left);
        j = product >>> 16;
        low = product & 0xffff;
      } while (low < left && low < 65536 % left);
      j += i;
      const x = list[j]!;
      list[j] = list[i]!;
      list[i] = x;
    }
  };
  /* eslint-enable @typescript-eslint/no-non-null-assertion */
}

/** The same of a long list, each choice from thirty-two random bits (Lemire, 2019). */
function longPermuter(list: Float64Array, drawn: number, fill: Random['fill']): () => void {
  const n = list.length;
  const words = new Uint32Array(batch);
  let next = batch;
  /* eslint-disable @typescript-eslint/no-non-null-assertion -- indices lie within the arrays, and a check costs a third */
  return () => {
    for (let i = 0; i < drawn; i++) {
      const left = n - i;
      let j: number;
      let low: number;
      do {
        if (next === batch) {
          fill(words);
          next = 0;
        }
        const product = words[next++]! * left;
        j = Math.floor(product / 4294967296);
        low = product - j * 4294967296;
      } while (low < left && low < 4294967296 % left);
      j += i;
      const x = list[j]!;
      list[j] = list[i]!;
      list[i] = x;
    }
  };
  /* eslint-enable @typescript-eslint/no-non-null-assertion */
}
