import { twoOf } from '../../answer/two-of';
import { beyond } from '../../answer/from-t';
import { demandReadings, partOf } from '../../answer/group-part';
import { differencesOf, onlyPaired, pairedValues } from '../../answer/pairing';
import { independentChecks } from '../../answer/readings-checks';
import { DomainError } from '../../numeric/domain-error';
import { there } from '../../numeric/there';
import { choicesOf } from '../../question/choices';
import { groupsLook } from '../../scenes/groups-look';
import type { OfReadings } from '../analysis';
import { compare, shufflingOfPairs } from './compare';
import { words } from './words';
import { working } from './working';
import { nth } from '../../numeric/nth';

/** The same subjects in both groups. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: groupsLook,
  figures: ['lines', 'means', 'boxes'],
  working,
  groups: ({ a, b }, all) => [partOf(all, a), partOf(all, b)],
  compare: (question, table, parts, brief) => compare(question, table, ...twoOf(parts), brief),
  used: onlyPaired,
  checked: pairedValues,
  checks: (answer) => independentChecks(answer, pairedValues(answer), 'own', true),
  permuted: ({ question, comparison }) => {
    if (!comparison.ok) throw new DomainError(comparison.reason);
    const pairs = differencesOf(there(comparison.value.pairing, 'The pairs'));
    return shufflingOfPairs(question, beyond(pairs, choicesOf(question).value));
  },
  drawnFrom: (answer) =>
    answer.comparison.ok
      ? { groups: pairedValues(answer), names: [{ name: 'differences', colour: nth(answer.groups, 0).colour }] }
      : { groups: demandReadings(answer.groups, 'Drawing again'), names: answer.groups },
};
