import { ticks as linear } from 'd3-array';

/** Round numbers on a logarithmic axis: 1, 2 and 5 times powers of ten, or powers alone where those are too many. */
export function logTicks([low = 1, high = 1]: readonly number[], count: number): number[] {
  const from = Math.floor(Math.log10(low));
  const powers = Array.from({ length: Math.ceil(Math.log10(high)) - from + 1 }, (_, i) => 10 ** (from + i));
  const inside = (all: number[]): number[] => all.filter((t) => t >= low && t <= high);
  const fine = inside(powers.flatMap((p) => [p, 2 * p, 5 * p]));
  if (fine.length <= count + 2) return fine.length > 1 ? fine : linear(low, high, count);
  const coarse = inside(powers);
  const every = Math.max(1, Math.ceil(coarse.length / count));
  return coarse.filter((_, i) => i % every === 0);
}
