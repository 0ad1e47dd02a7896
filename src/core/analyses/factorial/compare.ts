import { nth } from '../../numeric/nth';
import { attempt, demand } from '../../numeric/domain-error';
import { etaSquaredInterval } from '../../procedures/effect-size-intervals';
import { marginalMeans, marginalPairs } from '../../procedures/marginal-means';
import { oneDegreeInteraction } from '../../procedures/one-degree-interaction';
import { studentizedRangeUpperQuantile } from '../../distributions/studentized-range';
import { studentT } from '../../distributions/t';
import { type FactorEffect as AnovaEffect, type TwoWayAnova, twoWayAnova } from '../../procedures/two-way-anova';
import { tTest } from '../../procedures/t-test';
import { judgedByRange } from '../../procedures/tukey-kramer';
import type { TwoWayCell } from '../../procedures/two-way-cells';
import { choicesOf } from '../../question/choices';
import type { Question } from '../../question/question';
import { type Factors, byCell, factorsOf } from '../../readings/factors';
import type { Table } from '../../readings/table';
import type {
  CellMean,
  Comparison,
  FollowUpPart,
  JudgedEffect,
  SourceLine,
  TwoWayCells,
} from '../../answer/comparison';
import { type Raw, type RawPart, isAdjustment, judgedByP, mostComparisons } from '../../answer/follow-up';
import { differencesOfDifferences, levelsCompared } from '../../answer/levels-compared';

/** More levels than this make a table nobody reads, and a subject column is then often taken for a factor. */
const mostLevels = 60;

function cellsOf(factors: Factors, table: TwoWayAnova, level: number): TwoWayCells {
  const critical = studentT(table.residual.df).upperQuantile((1 - level) / 2);
  const { layout } = table;
  const place = (of: 'a' | 'b', id: string): number => layout.levels[of].indexOf(id);
  const at = (a: string, b: string): TwoWayCell | undefined => layout.cells[place('a', a)]?.[place('b', b)];
  const cells = factors.a.levels.flatMap((a) =>
    factors.b.levels.flatMap((b): CellMean[] => {
      const cell = at(a.id, b.id);
      if (!cell || cell.n === 0) return [];
      const { n, offset, squares } = cell;
      const mean = layout.mean + offset;
      const reach = critical * Math.sqrt(table.residual.ms / n);
      return [
        {
          a: a.id,
          b: b.id,
          n,
          mean,
          interval: { low: mean - reach, high: mean + reach },
          ...(n > 1 ? { sd: Math.sqrt(squares / (n - 1)) } : {}),
        },
      ];
    }),
  );
  const margin = (factor: 'a' | 'b'): CellMean[] =>
    marginalMeans(table, factor, level, undefined, true).map((m): CellMean => ({
      [factor]: m.level,
      n: cells.reduce((n, c) => (c[factor] === m.level ? n + c.n : n), 0),
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

/** Every difference of two levels of the first factor, less the same difference at another level of the second. */
function interactionContrasts(question: Question, factors: Factors, table: TwoWayAnova): FollowUpPart[] {
  const { df, ms } = table.residual;
  const { layout } = table;
  demand(
    table.interaction !== undefined,
    'With one reading a cell the interaction is what errors are judged by: it cannot be taken apart.',
  );
  const at = (a: number, b: number): TwoWayCell | undefined => {
    const [rowId, columnId] = [nth(factors.a.levels, a).id, nth(factors.b.levels, b).id];
    const cell = layout.cells[layout.levels.a.indexOf(rowId)]?.[layout.levels.b.indexOf(columnId)];
    return cell && cell.n > 0 ? cell : undefined;
  };
  return differencesOfDifferences(question, factors, ([a1, a2], [b1, b2]) => {
    const [p, q, r, s] = [at(a1, b1), at(a2, b1), at(a1, b2), at(a2, b2)];
    if (!p || !q || !r || !s) return undefined;
    const se = Math.sqrt(ms * [p, q, r, s].reduce((sum, c) => sum + 1 / c.n, 0));
    return tTest(p.offset - q.offset - (r.offset - s.offset), se, df, question.level);
  });
}

function levelComparisons(question: Question, factors: Factors, table: TwoWayAnova): FollowUpPart[] {
  if (question.within === 'interaction') return interactionContrasts(question, factors, table);
  const { follow } = choicesOf(question);
  const { level } = question;
  const within = levelsCompared(question, table.interaction?.p, factors, table.emptyCells.length > 0);
  const factor = within.startsWith('a') ? 'a' : 'b';
  const other = factor === 'a' ? 'b' : 'a';
  const names = new Map(factors[factor].levels.map((l) => [l.id, l.name]));
  const nameOf = (id: string): string => names.get(id) ?? id;
  const { df } = table.residual;
  const pairsAt = (at: { id: string; name: string } | undefined) => ({
    ...(at ? { within: at.name } : {}),
    pairs: marginalPairs(table, factor, 'unadjusted', at?.id),
  });
  const parts = (within.includes('within') ? factors[other].levels.map(pairsAt) : [pairsAt(undefined)]).filter(
    (part) => part.pairs.length > 0,
  );
  const count = parts.reduce((n, part) => n + part.pairs.length, 0);
  demand(
    count <= mostComparisons,
    `There are ${count.toLocaleString('en')} pairs of levels, more than anyone reads: compare the levels of ${factors[other].name}, or over its levels.`,
  );
  const named = ({ a, b }: { a: string; b: string }) => ({
    name: `${nameOf(a)} minus ${nameOf(b)}`,
    pair: [a, b] as [string, string],
  });
  if (follow === 'tukey')
    return parts.map(({ pairs, ...where }): FollowUpPart => {
      const k = new Set(pairs.flatMap((p) => [p.a, p.b])).size;
      const criticalQ = studentizedRangeUpperQuantile(1 - level, k, df);
      return {
        ...where,
        simultaneous: true,
        critical: { symbol: 'q', value: criticalQ },
        effects: pairs.map(({ a, b, ...pair }): JudgedEffect => {
          const found = judgedByRange({ a: 0, b: 1, df, ...pair }, k, criticalQ);
          return {
            ...named({ a, b }),
            estimate: pair.difference,
            se: pair.se,
            df,
            statistic: { symbol: 'q', value: found.q },
            interval: found.interval,
            p: found.p,
            smallest: found.smallestSignificant,
          };
        }),
      };
    });
  const raw = parts.map(({ pairs, ...where }): RawPart => ({
    ...where,
    judged: pairs.map((pair): Raw => ({
      ...named(pair),
      estimate: pair.difference,
      se: pair.se,
      df,
      t: pair.t,
      p: pair.p,
    })),
    left: [],
  }));
  return judgedByP(raw, isAdjustment(follow) ? follow : 'holm', level);
}

/** Two factors: whether each makes a difference, and whether one changes what the other does. */
export function compare(question: Question, table: Table): Comparison {
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
        ? `All readings are at one level of ${factor.name} (${nth(factor.levels, 0).name}): a factor needs two.`
        : `${factor.name} has no levels with readings.`,
    );
  const found = twoWayAnova(factors.readings, sums);
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
  const cells = cellsOf(factors, found, level);
  if (!found.interaction && cells.empty.length === 0) {
    const grid = byCell(factors).map((row) => row.flatMap((cell) => cell.map((r) => r.value)));
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
      `The cells have unequal numbers, so the factors overlap and the sums of squares depend on their type. Type ${nth(['', 'I', 'II', 'III'], sums)}: ${
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
      { source: 'residual', kind: 'error', ss: found.residual.ss, df: dfError, ms: found.residual.ms },
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
    follow: attempt(() => levelComparisons(question, factors, found)),
    cells,
    remarks,
  };
}
