import type { ModelPart, SampleMean } from '../../answer/comparison';
import { type GroupPart, demandOneUnit, demandReadings } from '../../answer/group-part';
import { weightsOf } from '../../answer/cell-weights';
import { variancesOf } from '../../answer/model-part';
import { DomainError, attempt, demand } from '../../numeric/domain-error';
import { moments, sum } from '../../numeric/sum';
import { there } from '../../numeric/there';
import { contrast } from '../../procedures/contrast';
import { oneWayAnovaFromSummaries } from '../../procedures/one-way-anova';
import type { WaldF } from '../../procedures/kenward-roger';
import { type RandomIntercept, randomIntercept } from '../../procedures/random-intercept';
import { type SampleSummary, summarize } from '../../procedures/sample-summary';
import { twoLevelNest } from '../../procedures/two-level-nest';
import { type TTest, tTest } from '../../procedures/t-test';
import { innerOf } from '../../question/inner';
import type { Question } from '../../question/question';
import { type Column, type Table, called, columnsOf } from '../../readings/table';
import { type Sample, samplesOf } from '../../readings/samples';
import { counted, plural } from '../../words/numbers';
import { listed, sentenceCase } from '../../words/sentences';
import { textAt } from '../../readings/cell-at';

/** What readings within samples come to: tests of the groups' means, and what the comparison tells of the samples. */
export interface Nested {
  model: ModelPart;
  effect: (weights: readonly number[]) => TTest;
  /** All groups together. */
  test: () => WaldF;
  remarks: string[];
}

const meanOf = ({ values }: Sample): number => sum(values) / values.length;

/** @throws DomainError in words where the readings do not stand within samples of one group each */
function checkedSamples(table: Table, parts: readonly GroupPart[]): Sample[] {
  const subject = table.subject || 'sample';
  demand(
    columnsOf(table, 'subject').length > 0,
    `No column names the ${subject} each reading is of: give one the role “subject” in the readings.`,
  );
  demandOneUnit(parts);
  demandReadings(parts, 'Comparing samples with several readings each');
  const samples = samplesOf(table, parts);
  const groupOf = new Map<string, number>();
  for (const { name, group } of samples) {
    const before = groupOf.get(name);
    if (before !== undefined && before !== group)
      throw new DomainError(
        `${sentenceCase(subject)} ${name} has readings in ${listed([before, group].map((g) => there(parts[g], 'A group').name))}: where the same ${subject} was read in both, ask it as measured under each; where two share a name, give each its own.`,
      );
    groupOf.set(name, group);
  }
  const counts = parts.map((_, g) => samples.filter((s) => s.group === g).length);
  demand(
    counts.some((n) => n > 1),
    `Each group has one ${subject}, so nothing shows how much ${plural(subject)} differ: a difference of the groups cannot be told from one of the ${plural(subject)}. At least one group needs two.`,
  );
  return samples;
}

const sampleMean = ({ name, group, values, rows }: Sample): SampleMean => ({
  name,
  group,
  n: values.length,
  mean: sum(values) / values.length,
  rows,
});

/** What is compared: samples of so many groups. */
interface Given {
  subject: string;
  samples: readonly Sample[];
  groups: number;
  level: number;
  /** Leaves out the intervals of the variances, which cost more than all else. */
  brief: boolean;
}

/** By the mixed model. */
function byModel(fit: RandomIntercept, { subject, samples, groups, level, brief }: Given): Nested {
  const { icc } = fit;
  return {
    model: {
      of: subject,
      samples: samples.map(sampleMean),
      ...(brief ? {} : { variances: variancesOf(fit, level) }),
      groups: Array.from({ length: groups }, (_, g) => {
        const { estimate, se, interval } = fit.effect(weightsOf(groups, g), level);
        const own = samples.filter((s) => s.group === g);
        return {
          mean: estimate,
          se,
          interval,
          samples: own.length,
          effectiveN: sum(own.map(({ values: { length: n } }) => n / (1 + (n - 1) * icc))),
        };
      }),
    },
    effect: (weights) => fit.effect(weights, level),
    test: () => fit.test(Array.from({ length: groups - 1 }, (_, i) => weightsOf(groups, 0, i + 1))),
    remarks: [],
  };
}

/** The samples within a sample, by the names in a column. */
function innerOfSample({ group, values, rows }: Sample, column: Column): (SampleMean & { squares: number })[] {
  const within = new Map<string, { values: number[]; rows: number[] }>();
  rows.forEach((row, i) => {
    const cell = textAt(column.cells, row);
    const name = cell === '' ? `row ${row + 1}` : cell;
    const one = within.get(name) ?? { values: [], rows: [] };
    within.set(name, one);
    one.values.push(there(values[i], 'A reading'));
    one.rows.push(row);
  });
  return [...within].map(([name, one]) => {
    const { mean, sumOfSquares } = moments(one.values);
    return { name, group, n: one.values.length, mean, rows: one.rows, squares: sumOfSquares };
  });
}

/** By the mixed model of samples within samples. @throws DomainError where two levels are one */
function byTwoLevels(column: Column, { subject, samples, groups, level, brief }: Given): Nested {
  const of = called(column);
  const inner = samples.map((s) => innerOfSample(s, column));
  demand(
    inner.some((own) => own.some((i) => i.n > 1)),
    `Every ${of} has one reading, so that readings and ${plural(of)} are one level.`,
  );
  demand(
    inner.some((own) => own.length > 1),
    `Every ${subject} has one ${of}, so that these are one level.`,
  );
  const fit = twoLevelNest(
    samples.map(({ group }, i) => ({ group, inner: there(inner[i], 'A sample') })),
    groups,
  );
  const [within, between, outer] = fit.variances;
  const told = brief ? undefined : fit.intervals(level);
  return {
    model: {
      of: subject,
      samples: samples.map((s, i) => ({ ...sampleMean(s), ...there(fit.samples[i], 'A sample') })),
      inner: { of, samples: inner.flat().map(({ squares: _, ...sample }) => sample) },
      ...(told
        ? {
            variances: {
              within: { variance: within, interval: told[0] },
              inner: { variance: between, interval: told[1] },
              between: { variance: outer, interval: told[2] },
            },
          }
        : {}),
      groups: fit.informations.map((information, g) => {
        const { estimate, se, interval } = fit.effect(weightsOf(groups, g), level);
        return {
          mean: estimate,
          se,
          interval,
          samples: samples.filter((s) => s.group === g).length,
          effectiveN: (within + between + outer) * information,
        };
      }),
    },
    effect: (weights) => fit.effect(weights, level),
    test: fit.test,
    remarks: [],
  };
}

/** By the samples' means, each counting once: what balanced readings come to under the model, too. */
function byMeans(why: string, { subject, samples, groups, level }: Given): Nested {
  const summaries = Array.from({ length: groups }, (_, g): SampleSummary =>
    summarize(samples.filter((s) => s.group === g).map(meanOf), 1),
  );
  const { within, between, f, p } = oneWayAnovaFromSummaries(summaries);
  return {
    model: {
      of: subject,
      byMeans: true,
      samples: samples.map(sampleMean),
      groups: summaries.map(({ n, mean }) => {
        const se = Math.sqrt(within.ms / n);
        return { mean, se, interval: tTest(mean, se, within.df, level).interval, samples: n };
      }),
    },
    effect: (weights) => contrast(summaries, weights, level),
    test: () => ({ f, df1: between.df, df2: within.df, p }),
    remarks: [why],
  };
}

/** Several readings of each sample compared between groups of samples. */
export function nestedIn(question: Question, table: Table, parts: readonly GroupPart[], brief: boolean): Nested {
  const { level } = question;
  const subject = table.subject || 'sample';
  const samples = checkedSamples(table, parts);
  const given = { subject, samples, groups: parts.length, level, brief };
  if (samples.every((s) => s.values.length === 1))
    return byMeans(`Every ${subject} has one reading, so this is the test of independent readings.`, given);
  const column = innerOf(question, table);
  if (!column && question.inner !== undefined) {
    const { inner: _, ...rest } = question;
    const one = nestedIn(rest, table, parts, brief);
    return {
      ...one,
      remarks: [
        ...one.remarks,
        `The column of samples within the ${plural(subject)} is no longer there: readings were taken within their ${plural(subject)} alone.`,
      ],
    };
  }
  if (column) {
    const two = attempt(() => byTwoLevels(column, given));
    if (two.ok) return two.value;
    const { inner: _, ...rest } = question;
    const one = nestedIn(rest, table, parts, brief);
    return {
      ...one,
      remarks: [...one.remarks, `${two.reason} Readings were taken within their ${plural(subject)} alone.`],
    };
  }
  const group = samples.flatMap((s) => s.values.map(() => s.group));
  const fit = attempt(() =>
    randomIntercept(
      samples.flatMap((s) => s.values),
      parts.map((_, g) => group.map((own) => Number(own === g))),
      samples.flatMap((s, i) => s.values.map(() => i)),
    ),
  );
  return fit.ok
    ? byModel(fit.value, given)
    : byMeans(
        `${fit.reason} The means of the ${counted(samples.length, subject)} were compared instead, each counting once.`,
        given,
      );
}
