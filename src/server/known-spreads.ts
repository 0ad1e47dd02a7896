import { answer } from '../core/answering/answer';
import { shortQuestion } from '../core/telling/question';
import type { Comparison } from '../core/answer/comparison';
import type { KnownSpread, PlanDesign } from '../core/planning/plan';
import type { Question } from '../core/question/question';
import type { Db } from '../store/open';
import { questionsOf } from '../store/questions';
import { allStudies } from '../store/studies';
import { readTable } from '../store/tables';

const planned: Partial<Record<Question['design'], PlanDesign>> = {
  estimate: 'one-sample',
  'one-sample': 'one-sample',
  'two-groups': 'two-groups',
  paired: 'paired',
  several: 'several',
  'nested-two': 'nested',
  nested: 'nested',
  'adjusted-two': 'adjusted',
  adjusted: 'adjusted',
};

/** How readings go together: within samples, or with a covariate; nothing where they stand by themselves. */
function together({
  model,
  covariate,
  table,
}: Comparison): Pick<KnownSpread, 'sd' | 'correlation' | 'readings'> | undefined {
  if (model?.variances) {
    const { within, inner, between } = model.variances;
    const all = within.variance + (inner?.variance ?? 0) + between.variance;
    const readings = model.samples.reduce((n, s) => n + s.n, 0) / model.samples.length;
    return {
      sd: Math.sqrt(all),
      correlation: Math.min(0.99, Math.max(0, between.variance / all)),
      readings: Math.max(1, Math.round(readings)),
    };
  }
  const [, slope, residual] = table ?? [];
  if (!covariate || !slope || !residual) return undefined;
  const within = slope.ss + residual.ss;
  return {
    sd: Math.sqrt(within / (residual.df + 1)),
    correlation: Math.sign(covariate.slope.estimate) * Math.sqrt(slope.ss / within),
  };
}

/** Spreads known from the questions about averages on the shelf. */
export function knownSpreads(db: Db): KnownSpread[] {
  return allStudies(db)
    .slice(0, 20)
    .flatMap((study) =>
      questionsOf(db, study.id).flatMap(({ id, tableId, question }): KnownSpread[] => {
        const design = planned[question.design];
        if (question.about !== 'value' || design === undefined) return [];
        const found = answer(question, readTable(db, tableId).table, design !== 'nested');
        if (!found.ok || !found.value.comparison.ok) return [];
        const { groups, unit, subject, comparison } = found.value;
        const base = { id, name: shortQuestion(found.value), study: study.title, design, unit, subject };
        if (design === 'paired') {
          const pairs = comparison.value.pairing?.pairs ?? [];
          const differences = pairs.map((p) => p.a.value - p.b.value);
          const mean = differences.reduce((a, b) => a + b, 0) / differences.length;
          const variance = differences.reduce((s, d) => s + (d - mean) ** 2, 0) / (differences.length - 1);
          return differences.length > 1 ? [{ ...base, sd: Math.sqrt(variance), n: differences.length }] : [];
        }
        const more = together(comparison.value);
        if (more) return [{ ...base, ...more, n: groups.reduce((s, g) => s + g.n, 0) }];
        const known = groups.flatMap((g) => g.summary ?? []);
        const df = known.reduce((s, g) => s + g.n - 1, 0);
        const pooled = known.reduce((s, g) => s + (g.n - 1) * g.variance, 0) / df;
        return df > 0 && pooled > 0 ? [{ ...base, sd: Math.sqrt(pooled), n: df + 1 }] : [];
      }),
    );
}
