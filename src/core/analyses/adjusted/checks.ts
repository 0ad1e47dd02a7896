import type { Answer } from '../../answer/answer';
import { type Check, checkCovariate, checkParallelSlopes } from '../../answer/checks';
import { groupValues, independentChecks } from '../../answer/readings-checks';
import { residualsOf } from './fit';

const partOf = ({ comparison }: Answer) => (comparison.ok ? comparison.value.covariate : undefined);

/** What is left of the readings beside the parallel lines; of changes, these. */
export function checked(answer: Answer): (readonly number[])[] {
  const covariate = partOf(answer);
  return covariate ? residualsOf(covariate).filter((v) => v.length > 0) : groupValues(answer);
}

/** The checks of adjusted means: those of independent readings about the lines, and what the adjustment rests on. */
export function checks(answer: Answer): Check[] {
  const covariate = partOf(answer);
  const about = independentChecks(answer, checked(answer), covariate ? 'shared' : 'own');
  return covariate ? [...about, checkParallelSlopes(covariate.slopes), checkCovariate(covariate)] : about;
}
