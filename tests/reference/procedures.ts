/** How a reference case's given figures reach the core, and the core's answer comes back under the case's names. */
import { counts } from './counts';
import type { Given } from './given';
import { means } from './means';
import { models } from './models';
import { ranksAndShuffles } from './ranks-and-shuffles';
import { severalGroups } from './several-groups';

/** One entry a procedure, under the name the cases use. */
export const procedures: Record<string, (given: Given) => unknown> = {
  ...means,
  ...severalGroups,
  ...ranksAndShuffles,
  ...counts,
  ...models,
};
