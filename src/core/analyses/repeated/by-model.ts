import type { Comparison } from '../../answer/comparison';
import { sentenceCase } from '../../words/sentences';
import { conditionsJudged, everySubject } from '../../answer/complete-subjects';
import type { GroupPart } from '../../answer/group-part';
import { weightsOf } from '../../answer/cell-weights';
import { conditionalResiduals, variancesOf } from '../../answer/model-part';
import { fReference } from '../../answer/references';
import { attempt, demand } from '../../numeric/domain-error';
import { there } from '../../numeric/there';
import { randomIntercept } from '../../procedures/random-intercept';
import { choicesOf } from '../../question/choices';
import type { Question } from '../../question/question';
import type { Table } from '../../readings/table';
import { counted } from '../../words/numbers';

/** The same subjects under several conditions by a mixed model: each enters with the readings it has. */
export function byModel(question: Question, table: Table, conditions: readonly GroupPart[]): Comparison {
  const { level } = question;
  const { compare } = choicesOf(question);
  const each = table.subject || 'subject';
  const k = conditions.length;
  const { subjects, rows } = everySubject(table, conditions);
  const kept = rows.flatMap((row, subject) =>
    row.flatMap((value, condition) => (value === undefined ? [] : [{ value, condition, subject }])),
  );
  conditions.forEach((g, j) => {
    demand(
      kept.some((r) => r.condition === j),
      `${sentenceCase(g.name)} has no readings that can be used.`,
    );
  });
  const fit = randomIntercept(
    kept.map((r) => r.value),
    conditions.map((_, j) => kept.map((r) => Number(r.condition === j))),
    kept.map((r) => r.subject),
  );
  const { f, df1, df2, p } = fit.test(Array.from({ length: k - 1 }, (_, i) => weightsOf(k, 0, i + 1)));
  const means = conditions.map((_, j) => fit.effect(weightsOf(k, j), level));
  const left = rows.map((row) =>
    row.flatMap((y, j) => (y === undefined ? [] : [y - there(means[j], 'A mean').estimate])),
  );
  const lacking = rows.filter((row) => row.some((y) => y === undefined)).length;
  return {
    p,
    tests: [{ symbol: 'F', value: f, df: [df1, df2], p }],
    sizes: [],
    reference: [fReference(f, df1, df2)],
    follow: attempt(() =>
      conditionsJudged(
        question,
        conditions,
        [{ tested: (weights) => fit.effect(weights, level) }],
        compare === 'control' ? question.direction : 'either',
      ),
    ),
    model: {
      of: each,
      samples: [],
      variances: variancesOf(fit, level),
      groups: means.map(({ estimate, se, interval }) => ({ mean: estimate, se, interval })),
    },
    everyone: { subjects, rows, residuals: conditionalResiduals(fit, left) },
    remarks:
      lacking === 0
        ? []
        : [
            `${counted(lacking, each)} of ${subjects.length} ${lacking === 1 ? 'lacks' : 'lack'} a reading; each enters with those it has, and none is left out.`,
          ],
  };
}
