import type { Answer } from '../../answer/answer';
import { independentChecks } from '../../answer/readings-checks';
import { byCell } from '../../readings/factors';
import { factorsLook } from '../../scenes/groups-look';
import type { OfReadings } from '../analysis';
import { compare } from './compare';
import { words } from './words';
import { working } from './working';

/** The readings of each cell that has some. */
const cellValues = ({ layout }: Answer): (readonly number[])[] =>
  layout
    ? byCell(layout)
        .flat()
        .filter((readings) => readings.length > 0)
        .map((readings) => readings.map((r) => r.value))
    : [];

/** Two factors, every sample under one level of each. */
export const analysis: OfReadings = {
  from: 'readings',
  factors: true,
  words,
  look: factorsLook,
  figures: ['interaction', 'means', 'boxes'],
  working,
  groups: (_, all) => all,
  compare: (question, table) => compare(question, table),
  alternatives: () => ([1, 2, 3] as const).map((sums) => ({ sums })),
  checked: cellValues,
  checks: (answer) => independentChecks(answer, cellValues(answer), 'shared'),
};
