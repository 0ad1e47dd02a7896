import { crossed, even, weightsOf } from '../../answer/cell-weights';
import { conditionsJudged, gaps, withinTest } from '../../answer/complete-subjects';
import type { Comparison, FollowUpPart, SourceLine, Test } from '../../answer/comparison';
import { differencesOfDifferences, levelsCompared } from '../../answer/levels-compared';
import { conditionalResiduals, testsOfFactors, variancesOf } from '../../answer/model-part';
import { fReferences } from '../../answer/references';
import { attempt, demand } from '../../numeric/domain-error';
import { there } from '../../numeric/there';
import { etaSquaredInterval } from '../../procedures/effect-size-intervals';
import { randomIntercept } from '../../procedures/random-intercept';
import type { TTest } from '../../procedures/t-test';
import { type WithinEffect, withinTwoFactors } from '../../procedures/within-two-factors';
import { choicesOf } from '../../question/choices';
import type { Question } from '../../question/question';
import type { Factors } from '../../readings/factors';
import type { Table } from '../../readings/table';
import { counted, plural } from '../../words/numbers';
import { type CrossedLayout, crossedLayout } from './layout';

/** The comparisons of levels that follow. @param tested how a weighted sum of the cells' means is tested */
function levelComparisons(
  question: Question,
  factors: Factors,
  interactionP: number,
  tested: (weights: readonly number[]) => TTest,
): FollowUpPart[] {
  const [k, c] = [factors.a.levels.length, factors.b.levels.length];
  const which = levelsCompared(question, interactionP, factors);
  if (which === 'interaction')
    return differencesOfDifferences(question, factors, (a, b) =>
      tested(crossed(weightsOf(k, ...a), weightsOf(c, ...b))),
    );
  const first = which.startsWith('a');
  const [compared, other] = first ? [factors.a, factors.b] : [factors.b, factors.a];
  const over = (weights: readonly number[], others: readonly number[]): TTest =>
    tested(first ? crossed(weights, others) : crossed(others, weights));
  const n = other.levels.length;
  const parts = which.includes('within')
    ? other.levels.map(({ name }, j) => ({
        within: name,
        tested: (weights: readonly number[]) => over(weights, weightsOf(n, j)),
      }))
    : [{ tested: (weights: readonly number[]) => over(weights, even(n)) }];
  // Letters would stand at the levels of the one factor, and a table shows those of the other.
  return conditionsJudged(question, compared.levels, parts, 'either').map(({ letters: _, ...part }) => part);
}

const remarksOf = ({ averaged }: CrossedLayout, table: Table): string[] =>
  averaged
    ? [`Several readings of one ${table.subject || 'subject'} under one combination stand in by their mean.`]
    : [];

/** By a mixed model: each subject, or block, shifts all its readings alike, and enters with those it has. */
function byModel(question: Question, table: Table, layout: CrossedLayout): Comparison {
  const { level } = question;
  const { factors, everyone, complete } = layout;
  const [a, b] = [factors.a.levels, factors.b.levels];
  const [k, c] = [a.length, b.length];
  const kept = everyone.flatMap(({ row }, subject) =>
    row.flatMap((value, cell) => (value === undefined ? [] : [{ value, cell, subject }])),
  );
  a.forEach((one, i) => {
    b.forEach((other, j) => {
      demand(
        kept.some((r) => r.cell === i * c + j),
        `No ${table.subject || 'subject'} has a reading under ${one.name} ${other.name}: leave out a level.`,
      );
    });
  });
  const fit = randomIntercept(
    kept.map((r) => r.value),
    Array.from({ length: k * c }, (_, cell) => kept.map((r) => Number(r.cell === cell))),
    kept.map((r) => r.subject),
  );
  const tests = testsOfFactors(fit, [factors.a.name, factors.b.name], k, c);
  const [, , both] = tests;
  const means = Array.from({ length: k * c }, (_, cell) => fit.effect(weightsOf(k * c, cell), level).estimate);
  const left = everyone.map(({ row }) =>
    row.flatMap((y, cell) => (y === undefined ? [] : [y - there(means[cell], 'A mean')])),
  );
  const lacking = complete.incomplete.length;
  return {
    p: both.p,
    tests,
    sizes: [],
    reference: fReferences(tests),
    follow: attempt(() => levelComparisons(question, factors, both.p, (weights) => fit.effect(weights, level))),
    model: { of: table.subject || 'subject', samples: [], variances: variancesOf(fit, level), groups: [] },
    everyone: {
      subjects: everyone.map((s) => s.subject),
      rows: everyone.map((s) => s.row),
      residuals: conditionalResiduals(fit, left),
    },
    remarks: [
      ...(lacking > 0
        ? [
            `${counted(lacking, table.subject || 'subject')} of ${everyone.length} ${lacking === 1 ? 'lacks' : 'lack'} a reading; each enters with those it has, and none is left out.`,
          ]
        : []),
      ...remarksOf(layout, table),
    ],
  };
}

/** Two factors, each subject under every combination of their levels: each effect by how it differs between subjects. */
export function compare(question: Question, table: Table): Comparison {
  const layout = crossedLayout(question, table);
  const { sphericity, method } = choicesOf(question);
  if (method === 'mixed-model') return byModel(question, table, layout);
  const { level } = question;
  const { factors, complete } = layout;
  const [k, c] = [factors.a.levels.length, factors.b.levels.length];
  const each = table.subject || 'subject';
  demand(
    complete.rows.length >= 2,
    `${complete.rows.length === 0 ? `No ${each} was` : `One ${each} alone was`} read under every combination of ${factors.a.name} and ${factors.b.name}.`,
  );
  const found = withinTwoFactors(complete.rows, k, c);
  const assumed = sphericity === 'assumed';
  const names = [factors.a.name, factors.b.name, `${factors.a.name} × ${factors.b.name}`];
  const effects = [found.a, found.b, found.interaction].map((e, i) => ({ of: there(names[i], 'A name'), e }));
  const epsilonOf = (e: WithinEffect): number => (assumed ? 1 : e.epsilon);
  const pOf = (e: WithinEffect): number => (assumed ? e.p : e.corrected);
  const tests = effects.map(({ of, e }): Test => {
    const df = [e.df * epsilonOf(e), e.error.df * epsilonOf(e)];
    return { of, symbol: 'F', value: e.f, df, p: pOf(e) };
  });
  const least = effects.reduce((x, y) => (y.e.epsilon < x.e.epsilon ? y : x));
  const line = ({ of, e }: (typeof effects)[number]): SourceLine[] => [
    {
      source: of,
      kind: 'effect',
      ss: e.ss,
      df: e.df,
      ms: e.ss / e.df,
      f: e.f,
      p: e.p,
      ...(k > 2 || c > 2 ? { corrected: pOf(e) } : {}),
      partialEta: {
        value: e.partialEtaSquared,
        interval: attempt(() => etaSquaredInterval(e.f, e.df, e.error.df, level)),
      },
    },
    { source: `${of} × ${each}`, kind: 'error', ...e.error, ms: e.error.ss / e.error.df },
  ];
  const interactionP = pOf(found.interaction);
  // An effect of two levels has one difference, which spreads as itself.
  const spheres = effects.flatMap(({ of, e }) => (e.mauchly ? [{ of, w: e.mauchly.w, p: e.mauchly.p }] : []));
  const [furthest] = [...spheres].sort((x, y) => x.p - y.p);
  return {
    p: interactionP,
    tests,
    table: [
      { source: plural(each), kind: 'error', ...found.subjects, ms: found.subjects.ss / found.subjects.df },
      ...effects.flatMap(line),
      { source: 'total', kind: 'total', ...found.total },
    ],
    sizes: effects.map(({ of, e }) =>
      attempt(() => ({
        kind: 'partial-eta',
        of,
        value: e.partialEtaSquared,
        interval: etaSquaredInterval(e.f, e.df, e.error.df, level),
      })),
    ),
    reference: fReferences(tests),
    follow: attempt(() =>
      levelComparisons(question, factors, interactionP, (weights) => withinTest(complete.rows, weights, level)),
    ),
    complete,
    sphericity: furthest && { w: furthest.w, p: furthest.p, ...(spheres.length > 1 ? { effects: spheres } : {}) },
    ...(k > 2 || c > 2 ? { epsilon: { greenhouseGeisser: least.e.epsilon, of: least.of } } : {}),
    remarks: [...gaps(complete, table.subject), ...remarksOf(layout, table)],
  };
}
