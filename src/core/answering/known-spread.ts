/** What an answer knows of how readings scatter: what a plan of the next experiment starts from. */
import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import type { KnownSpread, PlanDesign } from '../planning/plan';
import { summarize } from '../procedures/sample-summary';
import { alphaOf } from '../procedures/interval';
import type { Question } from '../question/question';

/** The plan of an experiment made as a question's was; those not named have none. */
export const planned: Partial<Record<Question['design'], PlanDesign>> = {
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

/** The spread an answer about averages knows, with the design of a plan; undefined where it knows none. */
export function knownSpread({
  question,
  groups,
  unit,
  subject,
  comparison,
}: Answer): Omit<KnownSpread, 'id' | 'name' | 'study'> | undefined {
  const design = planned[question.design];
  if (question.about !== 'value' || design === undefined || !comparison.ok) return undefined;
  const base = { design, unit, subject };
  if (design === 'paired') {
    const differences = (comparison.value.pairing?.pairs ?? []).map((p) => p.a.value - p.b.value);
    return differences.length > 1
      ? { ...base, sd: Math.sqrt(summarize(differences).variance), n: differences.length }
      : undefined;
  }
  const more = together(comparison.value);
  if (more) return { ...base, ...more, n: groups.reduce((s, g) => s + g.n, 0) };
  const known = groups.flatMap((g) => g.summary ?? []);
  const df = known.reduce((s, g) => s + g.n - 1, 0);
  const pooled = known.reduce((s, g) => s + (g.n - 1) * g.variance, 0) / df;
  return df > 0 && pooled > 0 ? { ...base, sd: Math.sqrt(pooled), n: df + 1 } : undefined;
}

/** Plans of experiments whose answers tell no one spread to start from. */
const otherwise: Partial<Record<Question['design'], PlanDesign>> = {
  factorial: 'factorial',
  repeated: 'repeated',
  mixed: 'mixed',
  'blocked-two': 'blocked',
  blocked: 'blocked',
};

const short = (x: number, digits: number): string => String(Number(x.toPrecision(digits)));

/** What a plan of a spread takes from it, as its address holds it. */
export const planOfSpread = ({
  design,
  unit,
  subject,
  sd,
  n,
  correlation,
  readings,
}: Omit<KnownSpread, 'id' | 'name' | 'study'>) => ({
  design,
  unit,
  subject,
  sd: short(sd, 4),
  pilot: String(n),
  correlation: correlation === undefined ? undefined : String(Number(correlation.toFixed(2))),
  readings: readings === undefined ? undefined : String(readings),
});

/** A plan of the experiment a question asks about, as its address holds it: its design, its test, and its spread where that is known. */
export function planOfAnswer(answer: Answer): Record<string, string | undefined> {
  const { question, groups, unit, subject } = answer;
  const test = { alpha: String(alphaOf(question.level)), direction: question.direction };
  if (question.about === 'share' && question.design === 'two-groups') {
    // The plan goes from the group that is taken away to the other: so its differences have the sign of the question's.
    const share = groups.find((g) => g.id === question.b)?.share?.proportion;
    const known = share !== undefined && share > 0 && share < 1;
    return { design: 'shares', subject, ...test, ...(known ? { share: short(share, 3) } : {}) };
  }
  const design = planned[question.design] ?? otherwise[question.design];
  if (question.about !== 'value' || design === undefined) return {};
  const spread = knownSpread(answer);
  return {
    design,
    unit,
    subject,
    ...(groups.length > 2 ? { groups: String(groups.length) } : {}),
    ...test,
    ...(spread ? planOfSpread(spread) : {}),
  };
}
