import type { LimitRule } from '../../core/readings/table';
import { Choose } from '../kit/Parts';

const words: Record<LimitRule, string> = {
  leave: 'are left out',
  censored: 'count as lying below it',
  at: 'count as the limit',
  half: 'count as half the limit',
};

/** What cells such as "<0.05" of a column count as. */
export const LimitPart = (part: { label: string; value: LimitRule; onChange: (rule: LimitRule) => void }) => (
  <Choose {...part} options={words} />
);
