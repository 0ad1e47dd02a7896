import type { Answer } from '../../answer/answer';
import { type Check, checkAdditivity } from '../../answer/checks';
import { groupValues, independentChecks } from '../../answer/readings-checks';

const blocksOf = ({ comparison }: Answer) => (comparison.ok ? comparison.value.blocks : undefined);

/** What is left of the readings once group and block are taken off. */
export function checked(answer: Answer): (readonly number[])[] {
  const residuals = blocksOf(answer)?.residuals ?? [];
  return residuals.length > 0 ? residuals.filter((v) => v.length > 0) : groupValues(answer);
}

/** The checks of groups within blocks: those of independent readings, and that groups differ alike in every block. */
export function checks(answer: Answer): Check[] {
  const blocks = blocksOf(answer);
  const about = independentChecks(answer, checked(answer), 'shared');
  return blocks ? [...about, checkAdditivity(blocks.additivity)] : about;
}
