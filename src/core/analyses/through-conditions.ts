import { withinChecks, withinValues } from '../answer/readings-checks';
import type { OfReadings } from './analysis';

/** What questions about two factors share where subjects are read under several conditions. */
export const throughConditions = {
  from: 'readings',
  factors: true,
  groups: (_, all) => all,
  alternatives: () => [
    { method: 'means', sphericity: 'greenhouse-geisser' },
    { method: 'means', sphericity: 'assumed' },
    { method: 'mixed-model' },
  ],
  checked: withinValues,
  checks: withinChecks,
} satisfies Partial<OfReadings>;
