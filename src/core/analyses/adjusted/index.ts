import { asAdjusted } from '../../answer/adjusted-part';
import type { Comparison } from '../../answer/comparison';
import { fromT, subtracted } from '../../answer/from-t';
import { type GroupPart, summaryOf } from '../../answer/group-part';
import { twoOf } from '../../answer/two-of';
import { there } from '../../numeric/there';
import { welchT } from '../../procedures/welch-t';
import { choicesOf } from '../../question/choices';
import type { Question } from '../../question/question';
import type { Table } from '../../readings/table';
import { covariateLook } from '../../scenes/covariate-look';
import type { OfReadings } from '../analysis';
import { type ByModel, severalByModel, twoByModel } from '../by-model';
import { checked, checks } from './checks';
import { changes, fitted } from './fit';
import { words } from './words';
import { working } from './working';

const model: ByModel = {
  words,
  look: covariateLook,
  figures: ['covariate', 'means', 'boxes'],
  working,
  fit: fitted,
  used: (parts, { covariate, changes: changed }, level) =>
    covariate ? asAdjusted(parts, covariate.groups, level) : (changed ?? [...parts]),
  checked,
  checks,
};

/** The changes from the covariate compared, in place of means adjusted for it. */
function byChange(question: Question, table: Table, parts: readonly GroupPart[]): Comparison {
  const [a, b] = twoOf(parts);
  const { groups, remarks } = changes(question, table, parts);
  const [x, y] = groups.map((g) => summaryOf(g));
  const { value } = choicesOf(question);
  const test = welchT(there(x, 'The first change'), there(y, 'The second change'), question.level, value);
  return { ...fromT(question, subtracted(a, b), [a.id, b.id], test, []), changes: groups, remarks };
}

const adjusted = twoByModel(model, ({ covariate }) => [
  { design: 'adjusted-two', method: 'means', covariate },
  { design: 'adjusted-two', method: 'change', covariate },
  { design: 'two-groups', method: 'means', spread: 'separate' },
]);

/** Two independent groups, adjusted for a covariate. */
export const two: OfReadings = {
  ...adjusted,
  compare: (question, table, parts, brief) =>
    choicesOf(question).method === 'change'
      ? byChange(question, table, parts)
      : adjusted.compare(question, table, parts, brief),
};

/** Several independent groups, adjusted for a covariate. */
export const several = severalByModel(model, ({ covariate }) => [
  { design: 'adjusted', method: 'means', covariate },
  { design: 'several', method: 'means', spread: 'pooled' },
  { design: 'several', method: 'means', spread: 'separate' },
]);
