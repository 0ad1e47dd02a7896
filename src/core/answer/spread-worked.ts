import { summarize } from '../procedures/sample-summary';
import { choicesOf } from '../question/choices';
import { oneWayWorking } from '../working/several-groups';
import { bartlettWorking } from '../working/spread';
import type { Answer } from './answer';
import { distancesOf } from './spreads';
import { worked } from './worked';

/** How a test of two or more spreads comes about. */
export function spreadTestWorked({ question, groups }: Answer): ReturnType<typeof worked> {
  const { method } = choicesOf(question);
  if (method === 'f') return [];
  if (method === 'bartlett')
    return worked('Bartlett’s test', () => bartlettWorking(groups.flatMap((g) => g.summary ?? [])));
  return worked('Distances from the centre, compared as means are', () =>
    oneWayWorking(distancesOf(groups, method === 'levene' ? 'mean' : 'median').map((d) => summarize(d))),
  );
}
