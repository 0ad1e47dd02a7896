import { asAdjusted } from '../../../answer/adjusted-part';
import type { Comparison } from '../../../answer/comparison';
import { fromT, subtracted } from '../../../answer/from-t';
import { type GroupPart, partOf, summaryOf } from '../../../answer/group-part';
import { demand } from '../../../numeric/domain-error';
import { there } from '../../../numeric/there';
import { tTest } from '../../../procedures/t-test';
import { welchT } from '../../../procedures/welch-t';
import { choicesOf } from '../../../question/choices';
import type { Question } from '../../../question/question';
import type { Table } from '../../../readings/table';
import { covariateLook } from '../../../scenes/covariate-look';
import type { OfReadings } from '../../analysis';
import { checked, checks } from '../checks';
import { changes, fitted } from '../fit';
import { sourceLines } from '../source-lines';
import { working } from '../working';
import { words } from './words';

function compare(question: Question, table: Table, parts: readonly GroupPart[]): Comparison {
  const [a, b] = [there(parts[0], 'The first group'), there(parts[1], 'The second group')];
  demand(a.id !== b.id, 'A group cannot be compared with itself: choose two different groups.');
  const { value, method } = choicesOf(question);
  const name = subtracted(a, b);
  if (method === 'change') {
    const { groups, remarks } = changes(question, table, parts);
    const [x, y] = groups.map((g) => summaryOf(g));
    const test = welchT(there(x, 'The first change'), there(y, 'The second change'), question.level, value);
    return { ...fromT(question, name, [a.id, b.id], test, []), changes: groups, remarks };
  }
  const { fit, covariate, remarks } = fitted(question, table, parts);
  const { estimate, se, df } = fit.effect([1, -1], question.level);
  return {
    ...fromT(question, name, [a.id, b.id], tTest(estimate, se, df, question.level, value), []),
    table: sourceLines(fit, covariate.name),
    covariate,
    remarks,
  };
}

/** Two independent groups, adjusted for a covariate. */
export const analysis: OfReadings = {
  from: 'readings',
  words,
  look: covariateLook,
  figures: ['covariate', 'means', 'boxes'],
  working,
  groups: ({ a, b }, all) => [partOf(all, a), partOf(all, b)],
  compare,
  used: (parts, { covariate, changes: changed }, level) =>
    covariate ? asAdjusted(parts, covariate.groups, level) : (changed ?? [...parts]),
  alternatives: ({ covariate }) => [
    { design: 'adjusted-two', method: 'means', covariate },
    { design: 'adjusted-two', method: 'change', covariate },
    { design: 'two-groups', method: 'means', spread: 'separate' },
  ],
  checked,
  checks,
};
