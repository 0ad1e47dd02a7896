/** What an answer says where its p comes from permuted labels. */
import type { Direction } from '../procedures/direction';
import { type ShuffleTest, sampledPInterval } from '../procedures/shuffle-means';
import type { Comparison } from './comparison';

/** Shuffles drawn where the arrangements cannot be counted: fewer of large groups, whose p hardly needs them. */
export const shufflesFor = (n: number): number => Math.max(200, Math.min(20_000, Math.round(1e7 / n)));

/** The test by permuted labels; where arrangements were drawn, with the interval that leaves for p. */
export function shuffledPart(
  found: ShuffleTest,
  tail: Direction,
  level: number,
): Pick<Comparison, 'tests' | 'shuffled'> {
  const p = found.p[tail];
  const pInterval =
    found.method === 'sampled'
      ? sampledPInterval(Math.round(p * (found.arrangements + 1)) - 1, found.arrangements, level)
      : undefined;
  return {
    tests: [{ symbol: undefined, value: undefined, df: [], p, ...(pInterval ? { pInterval } : {}) }],
    shuffled: found,
  };
}

/** Where p comes from, as the start of a sentence. */
export function arrangementWords({ method, arrangements }: ShuffleTest, seed: number): string {
  if (method === 'sampled')
    return `p comes from ${arrangements.toLocaleString('en')} random arrangements, seed ${seed}`;
  return Number.isFinite(arrangements)
    ? `p comes from all ${arrangements.toLocaleString('en')} arrangements, counted`
    : 'p comes from all arrangements, counted';
}
