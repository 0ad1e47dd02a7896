import type { LimitRule } from '../../core/readings/table';
import { tableNames } from '../../core/words/table-names';
import { Choose } from '../kit/Parts';

/** What cells such as "<0.05" of a column count as. */
export const LimitPart = (part: { label: string; value: LimitRule; onChange: (rule: LimitRule) => void }) => (
  <Choose {...part} options={tableNames.limits} />
);
