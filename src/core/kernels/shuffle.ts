/** The innermost loop of shuffles at the machine's speed, where WebAssembly may run; else the core's own does the same. */
import { seededState } from '../numeric/random';
import { shuffleModule } from './shuffle-module';

interface Kernel {
  memory: WebAssembly.Memory;
  permuteMeans: (
    a: bigint,
    b: bigint,
    c: bigint,
    d: bigint,
    values: number,
    n: number,
    drawn: number,
    out: number,
    count: number,
    expected: number,
    scale: number,
  ) => void;
}

let made: Kernel | null | undefined;

/** The module, made at first use; null where a page's policy, or the machine, has no WebAssembly. */
function kernel(): Kernel | null {
  if (made !== undefined) return made;
  try {
    const bytes = Uint8Array.from(atob(shuffleModule), (c) => c.charCodeAt(0));
    made = new WebAssembly.Instance(new WebAssembly.Module(bytes)).exports as unknown as Kernel;
  } catch {
    made = null;
  }
  return made;
}

/** Longer lists take more than sixteen random bits a choice. */
const longest = 65_535;

/**
 * Sums of `drawn` of the values, permuted anew `count` times, each as (sum − expected) · scale.
 * @returns undefined where the module cannot run
 */
export function permutedSums(
  values: Float64Array,
  drawn: number,
  seed: number,
  stream: number,
  count: number,
  expected: number,
  scale: number,
): Float64Array | undefined {
  const run = kernel();
  if (!run || values.length > longest) return undefined;
  const { memory } = run;
  // The module keeps nothing of its own in the first page that would be in the way past its first kilobyte.
  const from = 1024;
  const out = from + values.byteLength;
  const pages = Math.ceil((out + 8 * count) / 65_536) - memory.buffer.byteLength / 65_536;
  if (pages > 0) memory.grow(pages);
  new Float64Array(memory.buffer, from, values.length).set(values);
  const [a = 0n, b = 0n, c = 0n, d = 0n] = seededState(seed, stream);
  run.permuteMeans(a, b, c, d, from, values.length, drawn, out, count, expected, scale);
  return new Float64Array(memory.buffer, out, count).slice();
}
