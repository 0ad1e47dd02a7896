import type { Comparison, Effect } from './comparison';

/** The one effect asked about, or that of the comparisons that follow which was chosen. */
export const chosenOf = ({ effect, follow }: Comparison, chosen: number): Effect | undefined =>
  effect ?? (follow?.ok ? follow.value[0]?.effects[chosen] : undefined);

/** The comparison that stands out most, for the place where one difference is shown. */
export function foremost(comparison: Comparison): (Effect & { within?: string; p?: number }) | undefined {
  if (comparison.effect) return comparison.effect;
  if (!comparison.follow?.ok) return undefined;
  const all = comparison.follow.value.flatMap((part) =>
    part.effects.map((e) => ({ ...e, ...(part.within === undefined ? {} : { within: part.within }) })),
  );
  // A ratio of 0.1 is further from 1 than one of 2.
  const far = ({ ratio, estimate }: Effect): number => Math.abs(ratio ? Math.log(estimate) : estimate);
  return all.reduce<(typeof all)[0] | undefined>(
    (best, e) => (best === undefined || far(e) > far(best) ? e : best),
    undefined,
  );
}
