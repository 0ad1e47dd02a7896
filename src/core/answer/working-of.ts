import { differencesAsTyped } from '../numeric/decimals';
import { attempt } from '../numeric/domain-error';
import { repeatedMeasures } from '../procedures/repeated-measures';
import { summarize } from '../procedures/sample-summary';
import { pairedDifferences, pairedT } from '../procedures/paired-t';
import { pooledT } from '../procedures/pooled-t';
import { twoWayAnova } from '../procedures/two-way-anova';
import { withinBetween } from '../procedures/within-between';
import { choicesOf } from '../question/choices';
import type { FollowUp } from '../question/question';
import { errorOfEach, isAdjustment } from './follow-up';
import { factorsOf } from '../readings/factors';
import type { Table } from '../readings/table';
import { etaSquaredWorking, hedgesWorking, oneSampleSizeWorking } from '../working/effect-sizes';
import { repeatedWorking, twoWayWorking, withinBetweenWorking } from '../working/factors';
import {
  equivalenceWorking,
  marginalPairWorking,
  oneSampleWorking,
  oneSampleZWorking,
  pairedWorking,
  pooledWorking,
  welchWorking,
} from '../working/means';
import { adjustmentWorking, shuffleWorking } from '../working/resampling';
import {
  dunnWorking,
  friedmanPairWorking,
  friedmanWorking,
  kruskalWallisWorking,
  mannWhitneyWorking,
  signedRankWorking,
} from '../working/ranks';
import {
  contrastWorking,
  dunnettWorking,
  gamesHowellWorking,
  oneWayWorking,
  tukeyWorking,
  welchAnovaWorking,
} from '../working/several-groups';
import type { Step } from '../working/term';
import { type WorkingPart, workingOfSubject } from './working-of-subjects';

import type { Answer } from './answer';
import type { Comparison, Effect } from './comparison';
import { meanOf, summaryOf, valuesOf } from './group-part';
import { mixedLayout } from './repeated';
import { beyond } from './two-groups';

export type { WorkingPart } from './working-of-subjects';

const sizes = (title: string, make: () => Step[]): WorkingPart[] => {
  const steps = attempt(make);
  return steps.ok ? [{ title, steps: steps.value }] : [];
};

/** A pair of levels of one factor, over the levels of the other. */
function levelPair({ cells, table }: Comparison, { name, pair }: Effect): WorkingPart[] {
  const error = table?.find((line) => line.kind === 'error');
  if (!cells || !pair || error?.ms === undefined) return [];
  const { ms, df } = error;
  const [rows] = cells.factors;
  const of = rows.levels.some((l) => l.id === pair[0]) ? 'a' : 'b';
  const side = (level: string) => cells.cells.filter((c) => c[of] === level);
  return sizes(name, () => marginalPairWorking(side(pair[0]), side(pair[1]), ms, df));
}

function follows(answer: Answer, comparison: Comparison, chosen: number): WorkingPart[] {
  const { question, groups } = answer;
  const { follow, compare, spread, method } = choicesOf(question);
  const { level } = question;
  const effect = comparison.follow?.ok ? comparison.follow.value[0]?.effects[chosen] : undefined;
  if (!effect) return [];
  const place = (id: string | undefined): number => groups.findIndex((g) => g.id === id);
  const [i, j] = [place(effect.pair?.[0]), place(effect.pair?.[1])];
  const title = effect.name;
  const raw = comparison.follow?.ok ? (comparison.follow.value[0]?.effects ?? []) : [];
  /** The comparison by itself, then how its p was adjusted among all. */
  const withAdjustment = (single: WorkingPart[], by: FollowUp): WorkingPart[] =>
    isAdjustment(by) && by !== 'unadjusted' && raw.length <= 15
      ? [
          ...single,
          ...sizes('All p adjusted together', () =>
            adjustmentWorking(
              raw.map((e) => e.alone ?? e.p),
              by,
            ),
          ),
        ]
      : single;
  if (question.design === 'repeated') {
    const rows = comparison.complete?.rows ?? [];
    const at = (k: number): number[] => rows.map((r) => r[k] ?? 0);
    return method === 'ranks'
      ? sizes(title, () => friedmanPairWorking(rows, i, j))
      : withAdjustment(
          sizes(title, () => pairedWorking(summarize(pairedDifferences(at(i), at(j))), level)),
          follow,
        );
  }
  if (method === 'ranks')
    return withAdjustment(
      sizes(title, () => dunnWorking(groups.map(valuesOf), i, j)),
      'holm',
    );
  if (question.design === 'factorial') return withAdjustment(levelPair(comparison, effect), follow);
  if (question.design !== 'several') return [];
  // A group of one has no summary of its own, and joins where the spread is shared.
  const summaries = groups.map((g) => summaryOf(g, spread === 'pooled' ? 1 : 2));
  const weights = question.contrasts?.[chosen]?.weights ?? {};
  if (follow === 'games-howell') return sizes(title, () => gamesHowellWorking(summaries, i, j, level));
  if (follow === 'dunnett') return sizes(title, () => dunnettWorking(summaries, j, i, level, question.direction));
  if (follow === 'tukey') return sizes(title, () => tukeyWorking(summaries, i, j, level));
  const single = sizes(title, () =>
    contrastWorking(
      summaries,
      groups.map((g, at) => (compare === 'contrasts' ? (weights[g.id] ?? 0) : at === i ? 1 : at === j ? -1 : 0)),
      level,
      {
        separate: spread !== 'pooled',
        scheffe: follow === 'scheffe',
        each: errorOfEach(follow, raw.length, level),
        // A direction is that of the comparisons with the control.
        direction: compare === 'control' ? question.direction : 'either',
      },
    ),
  );
  return withAdjustment(single, follow);
}

/** The calculation behind an answer, step by step. @param chosen which of the comparisons that follow is worked out */
export function workingOf(answer: Answer, table: Table, chosen = 0): WorkingPart[] {
  if (!answer.comparison.ok) return [];
  const comparison = answer.comparison.value;
  if (answer.question.about) return workingOfSubject(answer, comparison);
  const { question, groups } = answer;
  const { method, value, spread } = choicesOf(question);
  const { level, direction } = question;
  const [a, b] = groups;
  const equivalent = (): WorkingPart[] => {
    const { effect } = comparison;
    if (!question.bounds || effect?.se === undefined || effect.df === undefined) return [];
    const { low, high } = question.bounds;
    const { estimate, se, df } = effect;
    return sizes('Equivalence: two one-sided tests', () => equivalenceWorking(estimate, se, df, low, high));
  };
  const shuffled = (): WorkingPart[] => {
    const found = comparison.shuffled;
    return found ? sizes('Permutation test', () => shuffleWorking(found, level)) : [];
  };
  switch (question.design) {
    case 'one-sample': {
      if (!a) return [];
      if (method === 'ranks')
        return sizes('Signed ranks', () => signedRankWorking(differencesAsTyped(valuesOf(a), value), direction));
      if (method === 'z')
        return sizes('The test', () =>
          oneSampleZWorking(meanOf(a) ?? 0, a.n, question.knownSd ?? 1, value, level, direction),
        );
      const { summary } = a;
      if (!summary) return [];
      return [
        ...sizes('The test', () => oneSampleWorking(summary, value, level, direction)),
        ...sizes('Effect size', () => oneSampleSizeWorking(comparison.effect?.statistic?.value ?? 0, summary.n, level)),
        ...equivalent(),
      ];
    }
    case 'two-groups': {
      if (!a || !b) return [];
      if (method === 'ranks')
        return sizes('Rank sums', () => mannWhitneyWorking(beyond(valuesOf(a), value), valuesOf(b), direction));
      const [x, y] = [a.summary, b.summary];
      if (!x || !y) return [];
      const run = spread === 'pooled' && method === 'means' ? pooledWorking : welchWorking;
      return [
        ...shuffled(),
        ...sizes(method === 'shuffle' ? 'The interval' : 'The test', () => run(x, y, level, value, direction)),
        ...sizes('Effect size', () => hedgesWorking(pooledT(x, y, level).t, x.n, y.n, level)),
        ...equivalent(),
      ];
    }
    case 'paired': {
      const pairs = comparison.pairing?.pairs ?? [];
      const differences = pairedDifferences(
        pairs.map((p) => p.a.value),
        pairs.map((p) => p.b.value),
      );
      if (method === 'ranks')
        return sizes('Signed ranks', () => signedRankWorking(beyond(differences, value), direction));
      return [
        ...shuffled(),
        ...sizes(method === 'shuffle' ? 'The interval' : 'The test', () =>
          pairedWorking(summarize(differences), level, value, direction),
        ),
        ...sizes('Effect size', () =>
          oneSampleSizeWorking(
            pairedT(
              differences,
              differences.map(() => 0),
              level,
            ).t,
            differences.length,
            level,
          ),
        ),
        ...equivalent(),
      ];
    }
    case 'several': {
      const summaries = groups.flatMap((g) => g.summary ?? []);
      const [f] = comparison.tests;
      const [df1, df2] = f?.df ?? [];
      const statistic = f?.value ?? NaN;
      const main =
        method === 'ranks'
          ? sizes('The test', () => kruskalWallisWorking(groups.map(valuesOf)))
          : spread === 'pooled'
            ? [
                ...sizes(method === 'shuffle' ? 'The statistic, and its p by the F curve beside it' : 'The test', () =>
                  oneWayWorking(summaries),
                ),
                ...(Number.isNaN(statistic) || df1 === undefined || df2 === undefined
                  ? []
                  : sizes('Effect size', () => etaSquaredWorking(statistic, df1, df2, level))),
              ]
            : sizes('The test', () => welchAnovaWorking(summaries));
      return [...shuffled(), ...main, ...follows(answer, comparison, chosen)];
    }
    case 'factorial': {
      const { readings } = factorsOf(table, question);
      return [
        ...sizes('The analysis', () => twoWayWorking(twoWayAnova(readings, choicesOf(question).sums))),
        // Within levels there are several tables to choose from, and none is chosen.
        ...(comparison.follow?.ok && comparison.follow.value.length === 1 ? follows(answer, comparison, chosen) : []),
      ];
    }
    case 'repeated': {
      const rows = comparison.complete?.rows ?? [];
      return method === 'ranks'
        ? [...sizes('The test', () => friedmanWorking(rows)), ...follows(answer, comparison, chosen)]
        : [
            ...sizes('The analysis', () => repeatedWorking(rows, repeatedMeasures(rows))),
            ...follows(answer, comparison, chosen),
          ];
    }
    case 'mixed':
      return sizes('The analysis', () =>
        withinBetweenWorking(withinBetween(mixedLayout(question, table).groups.map((g) => g.rows))),
      );
  }
}
