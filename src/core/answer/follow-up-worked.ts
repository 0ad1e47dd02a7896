import type { FollowUp } from '../question/options';
import { adjustmentWorking } from '../working/resampling';
import type { Answer } from './answer';
import type { Comparison, Effect } from './comparison';
import { isAdjustment } from './follow-up';
import { worked } from './worked';

type Parts = ReturnType<typeof worked>;

/** More p-values than this are adjusted in a table nobody follows. */
const most = 15;

/** The comparison whose working is shown, with the places of its groups; undefined where none follows. */
export function chosenEffect(
  { groups }: Answer,
  { follow }: Comparison,
  chosen: number,
): { effect: Effect; i: number; j: number } | undefined {
  const effect = follow?.ok ? follow.value[0]?.effects[chosen] : undefined;
  if (!effect) return undefined;
  const place = (id: string | undefined): number => groups.findIndex((g) => g.id === id);
  return { effect, i: place(effect.pair?.[0]), j: place(effect.pair?.[1]) };
}

/** A comparison by itself, then how its p was adjusted among all. */
export function withAdjustment(single: Parts, { follow }: Comparison, by: FollowUp): Parts {
  const all = follow?.ok ? (follow.value[0]?.effects ?? []) : [];
  if (!isAdjustment(by) || by === 'unadjusted' || all.length > most) return single;
  const alone = all.map((e) => e.alone ?? e.p);
  return [...single, ...worked('All p adjusted together', () => adjustmentWorking(alone, by))];
}
