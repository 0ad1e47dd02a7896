import type { Comparison } from '../../answer/comparison';
import { conditionsJudged } from '../../answer/complete-subjects';
import { crossed, weightsOf } from '../../answer/cell-weights';
import { conditionalResiduals, testsOfFactors, variancesOf } from '../../answer/model-part';
import { fReferences } from '../../answer/references';
import { attempt, demand } from '../../numeric/domain-error';
import { there } from '../../numeric/there';
import { randomIntercept } from '../../procedures/random-intercept';
import type { Question } from '../../question/question';
import type { Table } from '../../readings/table';
import { counted } from '../../words/numbers';
import { mixedLayout } from './layout';

/**
 * Groups of subjects under several conditions by a mixed model: each subject enters with the readings it has.
 */
export function byModel(question: Question, table: Table): Comparison {
  const { level } = question;
  const each = table.subject || 'subject';
  const layout = mixedLayout(question, table);
  const { factors, everyone, incomplete } = layout;
  const [k, c] = [everyone.length, factors.b.levels.length];
  demand(k >= 2 && c >= 2, 'Two groups of subjects and two conditions are needed at least.');
  const kept = everyone.flatMap(({ rows }, g) =>
    rows.flatMap((row, i) =>
      row.flatMap((value, j) => (value === undefined ? [] : [{ value, cell: g * c + j, subject: `${g} ${i}` }])),
    ),
  );
  everyone.forEach(({ name }, g) => {
    factors.b.levels.forEach((condition, j) => {
      demand(
        kept.some((r) => r.cell === g * c + j),
        `No ${each} of ${name} has a reading under ${condition.name}: leave out the group or the condition.`,
      );
    });
  });
  const subjects = [...new Set(kept.map((r) => r.subject))];
  const place = new Map(subjects.map((s, i) => [s, i]));
  const fit = randomIntercept(
    kept.map((r) => r.value),
    Array.from({ length: k * c }, (_, cell) => kept.map((r) => Number(r.cell === cell))),
    kept.map((r) => there(place.get(r.subject), 'A subject')),
  );
  const tests = testsOfFactors(fit, [factors.a.name, factors.b.name], k, c);
  const means = Array.from({ length: k * c }, (_, cell) => fit.effect(weightsOf(k * c, cell), level).estimate);
  const rows = everyone.flatMap((g) => g.rows);
  const left = everyone.flatMap((g, at) =>
    g.rows.map((row) => row.flatMap((y, j) => (y === undefined ? [] : [y - there(means[at * c + j], 'A mean')]))),
  );
  return {
    p: tests[2].p,
    tests,
    sizes: [],
    reference: fReferences(tests),
    follow: attempt(() => {
      const atCondition = question.within === 'a-within-b';
      const parts = atCondition
        ? factors.b.levels.map(({ name }, j) => ({
            within: name,
            tested: (weights: readonly number[]) => fit.effect(crossed(weights, weightsOf(c, j)), level),
          }))
        : everyone.map(({ name }, g) => ({
            within: name,
            tested: (weights: readonly number[]) => fit.effect(crossed(weightsOf(k, g), weights), level),
          }));
      return conditionsJudged(question, atCondition ? everyone : factors.b.levels, parts, 'either');
    }),
    model: { of: each, samples: [], variances: variancesOf(fit, level), groups: [] },
    everyone: { subjects: everyone.flatMap((g) => g.subjects), rows, residuals: conditionalResiduals(fit, left) },
    remarks:
      incomplete.length === 0
        ? []
        : [
            `${counted(incomplete.length, each)} of ${rows.length} ${incomplete.length === 1 ? 'lacks' : 'lack'} a reading; each enters with those it has, and none is left out.`,
          ],
  };
}
