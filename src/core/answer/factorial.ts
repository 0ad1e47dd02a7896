import { passes } from '../procedures/interval';
import { attempt, demand } from '../numeric/domain-error';
import { moments } from '../numeric/sum';
import { etaSquaredInterval } from '../procedures/effect-size-intervals';
import { marginalMeans, marginalPairs } from '../procedures/marginal-means';
import { oneDegreeInteraction } from '../procedures/one-degree-interaction';
import { studentT } from '../distributions/t';
import {
  type FactorEffect as AnovaEffect,
  type TwoWayAnova,
  type TwoWayReading,
  twoWayAnova,
} from '../procedures/two-way-anova';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import { type Factors, factorsOf } from '../readings/factors';
import type { Table } from '../readings/table';
import type { CellMean, Comparison, FollowUpPart, SourceLine, TwoWayCells } from './comparison';
import { type Raw, isAdjustment, judgedByP } from './follow-up';

/** More levels than this make a table nobody reads, and a subject column is then often taken for a factor. */
const mostLevels = 60;

function cellsOf(factors: Factors, readings: readonly TwoWayReading[], table: TwoWayAnova, level: number): TwoWayCells {
  const critical = studentT(table.residual.df).upperQuantile((1 - level) / 2);
  const cells = factors.a.levels.flatMap((a) =>
    factors.b.levels.flatMap((b): CellMean[] => {
      const values = readings.filter((r) => r.a === a.id && r.b === b.id).map((r) => r.value);
      if (values.length === 0) return [];
      const { n, mean, sumOfSquares } = moments(values);
      const reach = critical * Math.sqrt(table.residual.ms / n);
      return [
        {
          a: a.id,
          b: b.id,
          n,
          mean,
          interval: { low: mean - reach, high: mean + reach },
          ...(n > 1 ? { sd: Math.sqrt(sumOfSquares / (n - 1)) } : {}),
        },
      ];
    }),
  );
  const margin = (factor: 'a' | 'b'): CellMean[] =>
    marginalMeans(readings, table, factor, level, undefined, true).map((m): CellMean => ({
      [factor]: m.level,
      n: readings.filter((r) => r[factor] === m.level).length,
      mean: m.mean,
      interval: m.interval,
    }));
  const nameOf = (of: 'a' | 'b', id: string): string => factors[of].levels.find((l) => l.id === id)?.name ?? id;
  return {
    factors: [factors.a, factors.b],
    cells,
    margins: [margin('a'), margin('b')],
    empty: table.emptyCells.map((c) => `${nameOf('a', c.a)}, ${nameOf('b', c.b)}`),
    balanced: table.balanced,
    type: table.type,
  };
}

/** Which comparisons of levels answer the question: within levels where the interaction matters, else over them. */
export function withinOf(
  question: Question,
  interactionP: number | undefined,
  factors: Factors,
  empty = false,
): NonNullable<Question['within']> {
  if (question.within) return question.within;
  const longer = factors.a.levels.length >= factors.b.levels.length ? 'a' : 'b';
  // Where a cell is empty, means over cells cannot be had, and levels are compared within.
  const matters = empty || (interactionP !== undefined && passes(interactionP, question.level));
  return matters ? (longer === 'a' ? 'a-within-b' : 'b-within-a') : longer;
}

function levelComparisons(
  question: Question,
  factors: Factors,
  readings: readonly TwoWayReading[],
  table: TwoWayAnova,
): FollowUpPart[] {
  const { follow } = choicesOf(question);
  const { level } = question;
  const adjustment = isAdjustment(follow) ? follow : 'holm';
  const within = withinOf(question, table.interaction?.p, factors, table.emptyCells.length > 0);
  const factor = within.startsWith('a') ? 'a' : 'b';
  const other = factor === 'a' ? 'b' : 'a';
  const nameOf = (id: string): string => factors[factor].levels.find((l) => l.id === id)?.name ?? id;
  const part = (at: { id: string; name: string } | undefined): FollowUpPart => {
    const raw = marginalPairs(readings, table, factor, 'unadjusted', at?.id).map((pair): Raw => ({
      name: `${nameOf(pair.a)} minus ${nameOf(pair.b)}`,
      pair: [pair.a, pair.b],
      estimate: pair.difference,
      se: pair.se,
      df: table.residual.df,
      t: pair.t,
      p: pair.p,
    }));
    return { ...judgedByP(raw, adjustment, level), ...(at ? { within: at.name } : {}) };
  };
  return within.includes('within')
    ? factors[other].levels.map(part).filter((p) => p.effects.length > 0)
    : [part(undefined)];
}

/** Two factors: whether each makes a difference, and whether one changes what the other does. */
export function compareFactors(question: Question, table: Table): Comparison {
  const { sums } = choicesOf(question);
  const { level } = question;
  const factors = factorsOf(table, question);
  for (const factor of [factors.a, factors.b])
    demand(
      factor.levels.length <= mostLevels,
      `${factor.name} has ${factor.levels.length} levels, more than a two-way table can show: is it what names the subjects rather than a factor? Give it another role, or make bands of it.`,
    );
  for (const factor of [factors.a, factors.b])
    demand(
      factor.levels.length > 1,
      factor.levels.length === 1
        ? `All readings are at one level of ${factor.name} (${factor.levels[0]?.name ?? ''}): a factor needs two.`
        : `${factor.name} has no levels with readings.`,
    );
  const readings: TwoWayReading[] = factors.readings;
  const found = twoWayAnova(readings, sums);
  const dfError = found.residual.df;
  const line = (source: string, e: AnovaEffect): SourceLine => ({
    source,
    kind: 'effect',
    ss: e.ss,
    df: e.df,
    ms: e.ms,
    f: e.f,
    p: e.p,
    partialEta: { value: e.partialEtaSquared, interval: attempt(() => etaSquaredInterval(e.f, e.df, dfError, level)) },
  });
  const effects: [string, AnovaEffect][] = [
    [factors.a.name, found.a],
    [factors.b.name, found.b],
    ...(found.interaction
      ? [[`${factors.a.name} × ${factors.b.name}`, found.interaction] as [string, AnovaEffect]]
      : []),
  ];
  const remarks: string[] = [];
  const cells = cellsOf(factors, readings, found, level);
  if (!found.interaction && cells.empty.length === 0) {
    const grid = factors.a.levels.map((a) =>
      factors.b.levels.flatMap((b) => readings.filter((r) => r.a === a.id && r.b === b.id).map((r) => r.value)),
    );
    const one = attempt(() => oneDegreeInteraction(grid));
    remarks.push(
      `There is one reading a cell, so the interaction is what errors are judged by and cannot itself be judged.${
        one.ok
          ? ` Tukey’s test for one degree of non-additivity: F(1, ${one.value.df2}) = ${one.value.f.toFixed(2)}, p = ${one.value.p.toPrecision(2)}.`
          : ''
      }`,
    );
  }
  if (cells.empty.length > 0)
    remarks.push(
      `Without readings: ${cells.empty.slice(0, 6).join('; ')}${cells.empty.length > 6 ? ` and ${cells.empty.length - 6} more` : ''}. Means over such cells cannot be estimated, and ${found.interaction ? 'the interaction is judged from the cells there are' : 'nothing is left to judge the interaction by'}; levels are compared where both have readings.`,
    );
  else if (!found.balanced)
    remarks.push(
      `The cells have unequal numbers, so the factors overlap and the sums of squares depend on their type. Type ${['', 'I', 'II', 'III'][sums] ?? ''}: ${
        {
          1: 'each factor in the order given, after those before it',
          2: 'each factor after the other, as if they did not interact; the most powerful where they do not',
          3: 'each effect after all others, interaction included',
        }[sums]
      }.`,
    );
  const main = found.interaction ?? (found.a.p < found.b.p ? found.a : found.b);
  return {
    p: main.p,
    tests: effects.map(([of, e]) => ({ of, symbol: 'F', value: e.f, df: [e.df, dfError], p: e.p })),
    table: [
      ...effects.map(([source, e]) => line(source, e)),
      { source: 'left over', kind: 'error', ss: found.residual.ss, df: dfError, ms: found.residual.ms },
      { source: 'total', kind: 'total', ...found.total },
    ],
    pooledSd: Math.sqrt(found.residual.ms),
    sizes: effects.map(([of, e]) =>
      attempt(() => ({
        kind: 'partial-eta',
        of,
        value: e.partialEtaSquared,
        interval: etaSquaredInterval(e.f, e.df, dfError, level),
      })),
    ),
    reference: effects.map(([of, e]) => ({
      distribution: 'f',
      parameters: { df1: e.df, df2: dfError },
      symbol: 'F',
      statistic: e.f,
      direction: 'greater',
      of,
    })),
    follow: attempt(() => levelComparisons(question, factors, readings, found)),
    cells,
    remarks,
  };
}
