import { twoOf } from '../../../answer/two-of';
import { partOf } from '../../../answer/group-part';
import { onlyPaired, pairedValues } from '../../../answer/pairing';
import { independentChecks } from '../../../answer/readings-checks';
import { worked } from '../../../answer/worked';
import { there } from '../../../numeric/there';
import { pitmanMorganWorking } from '../../../working/spread';
import { spreadLook } from '../../../scenes/groups-look';
import type { OfReadings } from '../../analysis';
import { compare } from './compare';
import { words } from './words';

/** The spreads of the same subjects twice. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: spreadLook,
  figures: ['lines', 'means', 'boxes'],
  groups: ({ a, b }, all) => [partOf(all, a), partOf(all, b)],
  compare: (question, table, parts) => compare(question, table, ...twoOf(parts)),
  used: onlyPaired,
  checked: pairedValues,
  checks: (answer) => independentChecks(answer, pairedValues(answer), 'asked', true),
  working: ({ answer, comparison }) => {
    const { pairs } = there(comparison.pairing, 'The pairs');
    return worked('The correlation of sums and differences', () =>
      pitmanMorganWorking(
        pairs.map((p) => p.a.value),
        pairs.map((p) => p.b.value),
        answer.question.level,
      ),
    );
  },
};
