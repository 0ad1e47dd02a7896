import { attempt } from '../../numeric/domain-error';
import { there } from '../../numeric/there';
import { separateContrast } from '../../procedures/contrast';
import { summarize } from '../../procedures/sample-summary';
import { etaSquaredInterval } from '../../procedures/effect-size-intervals';
import { withinBetween } from '../../procedures/within-between';
import { choicesOf } from '../../question/choices';
import type { Question } from '../../question/question';
import type { Table } from '../../readings/table';
import type { Comparison, FollowUpPart } from '../../answer/comparison';
import { conditionsJudged, gaps, pairsOfConditions } from '../../answer/complete-subjects';
import { byModel } from './by-model';
import { type MixedLayout, mixedLayout } from './layout';

/** Groups compared at each condition, each with its own spread there. */
const groupsAtConditions = (
  question: Question,
  conditions: readonly { name: string }[],
  groups: MixedLayout['groups'],
): FollowUpPart[] =>
  conditionsJudged(
    question,
    groups,
    conditions.map(({ name }, j) => {
      const summaries = groups.map((g) => summarize(g.rows.map((r) => there(r[j], 'A reading'))));
      return { within: name, tested: (weights) => separateContrast(summaries, weights, question.level) };
    }),
    'either',
  );

/** Groups of subjects, each subject under every condition. */
export function compare(question: Question, table: Table): Comparison {
  const { sphericity, method } = choicesOf(question);
  if (method === 'mixed-model') return byModel(question, table);
  const { level } = question;
  const { factors, groups, incomplete } = mixedLayout(question, table);
  const complete = {
    subjects: groups.flatMap((g) => g.subjects),
    rows: groups.flatMap((g) => g.rows),
    groupSizes: groups.map((g) => g.rows.length),
    incomplete,
  };
  const found = withinBetween(groups.map((g) => g.rows));
  const { group, subjects, condition, interaction, error, greenhouseGeisser } = found;
  const epsilon = sphericity === 'assumed' ? 1 : greenhouseGeisser.epsilon;
  const pOf = (plain: number, corrected: number): number => (sphericity === 'assumed' ? plain : corrected);
  const eta = (e: typeof group, df2: number) => ({
    value: e.partialEtaSquared,
    interval: attempt(() => etaSquaredInterval(e.f, e.df, df2, level)),
  });
  const both = `${factors.a.name} × ${factors.b.name}`;
  const conditionP = pOf(condition.p, greenhouseGeisser.conditionP);
  const interactionP = pOf(interaction.p, greenhouseGeisser.interactionP);
  const within = { df2: error.df * epsilon };
  const lines = [
    { of: factors.a.name, e: group, df: [group.df, subjects.df], p: group.p },
    { of: factors.b.name, e: condition, df: [condition.df * epsilon, within.df2], p: conditionP },
    { of: both, e: interaction, df: [interaction.df * epsilon, within.df2], p: interactionP },
  ];
  return {
    p: interactionP,
    tests: lines.map(({ of, e, df, p }) => ({ of, symbol: 'F', value: e.f, df, p })),
    table: [
      {
        source: factors.a.name,
        kind: 'effect',
        ...group,
        ms: group.ss / group.df,
        partialEta: eta(group, subjects.df),
      },
      {
        source: `${table.subject || 'subject'}s within groups`,
        kind: 'error',
        ...subjects,
        ms: subjects.ss / subjects.df,
      },
      {
        source: factors.b.name,
        kind: 'effect',
        ...condition,
        ms: condition.ss / condition.df,
        corrected: conditionP,
        partialEta: eta(condition, error.df),
      },
      {
        source: both,
        kind: 'effect',
        ...interaction,
        ms: interaction.ss / interaction.df,
        corrected: interactionP,
        partialEta: eta(interaction, error.df),
      },
      { source: 'residual', kind: 'error', ...error, ms: error.ss / error.df },
      {
        source: 'total',
        kind: 'total',
        ss: group.ss + subjects.ss + condition.ss + interaction.ss + error.ss,
        df: group.df + subjects.df + condition.df + interaction.df + error.df,
      },
    ],
    sizes: lines.map(({ of, e }, i) =>
      attempt(() => ({
        kind: 'partial-eta',
        of,
        value: e.partialEtaSquared,
        interval: etaSquaredInterval(e.f, e.df, i === 0 ? subjects.df : error.df, level),
      })),
    ),
    reference: lines.map(({ of, e, df }) => ({
      distribution: 'f',
      parameters: { df1: df[0] ?? 1, df2: df[1] ?? 1 },
      symbol: 'F',
      statistic: e.f,
      direction: 'greater',
      of,
    })),
    follow: attempt(() =>
      question.within === 'a-within-b'
        ? groupsAtConditions(question, factors.b.levels, groups)
        : pairsOfConditions(question, factors.b.levels, groups),
    ),
    complete,
    ...(factors.b.levels.length > 2 ? { epsilon: { greenhouseGeisser: greenhouseGeisser.epsilon } } : {}),
    remarks: gaps(complete, table.subject),
  };
}
