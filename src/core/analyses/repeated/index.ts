import { completeSubjects } from '../../answer/complete-subjects';
import { chosenParts } from '../../answer/chosen-parts';
import { describedBy } from '../../answer/group-part';
import { asModelled } from '../../answer/model-part';
import { withinChecks, withinValues } from '../../answer/readings-checks';
import { there } from '../../numeric/there';
import { groupsLook } from '../../scenes/groups-look';
import type { OfReadings } from '../analysis';
import { compare } from './compare';
import { words } from './words';
import { working } from './working';

/** The same subjects under three or more conditions. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: groupsLook,
  figures: ['lines', 'means', 'boxes'],
  working,
  groups: chosenParts,
  hasGaps: (_, table, conditions) => completeSubjects(table, conditions).incomplete.length > 0,
  compare: (question, table, conditions) => compare(question, table, conditions),
  used: (conditions, comparison, level) => {
    if (comparison.model) return asModelled(conditions, comparison);
    const { rows, incomplete } = there(comparison.complete, 'The subjects');
    if (incomplete.length === 0) return [...conditions];
    return conditions.map((g, i) =>
      describedBy(
        g,
        rows.map((r) => there(r[i], 'A reading')),
        level,
      ),
    );
  },
  alternatives: () => [
    { method: 'means', sphericity: 'greenhouse-geisser' },
    { method: 'means', sphericity: 'huynh-feldt' },
    { method: 'means', sphericity: 'assumed' },
    { method: 'mixed-model' },
    { method: 'ranks' },
  ],
  checked: withinValues,
  checks: withinChecks,
};
