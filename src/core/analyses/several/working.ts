import { comparisonsAsked, errorOfEach } from '../../answer/follow-up';
import { chosenEffect, withAdjustment } from '../../answer/follow-up-worked';
import { summaryOf } from '../../answer/group-part';
import { tiedBelow } from '../../answer/limits';
import { shuffleWorked, worked } from '../../answer/worked';
import { there } from '../../numeric/there';
import { choicesOf } from '../../question/choices';
import { etaSquaredWorking } from '../../working/effect-sizes';
import { likelihoodRatioWorking } from '../../working/likelihood';
import { dunnWorking, jonckheereTerpstraWorking, kruskalWallisWorking } from '../../working/ranks';
import {
  contrastWorking,
  dunnettT3Working,
  dunnettWorking,
  gamesHowellWorking,
  oneWayWorking,
  tukeyWorking,
  welchAnovaWorking,
} from '../../working/several-groups';
import type { Worked, WorkingPart } from '../analysis';

function main({ answer, comparison }: Worked): WorkingPart[] {
  const { question, groups } = answer;
  const { method, spread, compare } = choicesOf(question);
  if (method === 'ranks' && compare === 'trend')
    return worked('The test', () => jonckheereTerpstraWorking(tiedBelow(groups)));
  const summaries = groups.flatMap((g) => g.summary ?? []);
  if (method === 'ranks') return worked('The test', () => kruskalWallisWorking(tiedBelow(groups)));
  const { likelihood } = comparison;
  if (likelihood)
    return worked('The test', () =>
      likelihoodRatioWorking(likelihood.logLikelihood, likelihood.same, groups.length - 1),
    );
  if (spread !== 'pooled') return worked('The test', () => welchAnovaWorking(summaries));
  const [f] = comparison.tests;
  const [df1, df2] = f?.df ?? [];
  const statistic = f?.value;
  const title = method === 'shuffle' ? 'The statistic, and its p by the F curve beside it' : 'The test';
  return [
    ...worked(title, () => oneWayWorking(summaries)),
    ...(statistic === undefined || df1 === undefined || df2 === undefined
      ? []
      : worked('Effect size', () => etaSquaredWorking(statistic, df1, df2, question.level))),
  ];
}

/** The comparison chosen of those that follow. */
function followed({ answer, comparison, chosen }: Worked): WorkingPart[] {
  const found = chosenEffect(answer, comparison, chosen);
  if (!found) return [];
  const { question, groups } = answer;
  const { follow, compare, spread, method } = choicesOf(question);
  const { level, direction } = question;
  const { effect, i, j } = found;
  const title = effect.name;
  if (method === 'ranks')
    return withAdjustment(
      worked(title, () => dunnWorking(tiedBelow(groups), i, j, compare === 'control' ? direction : 'either')),
      comparison,
      'holm',
    );
  if (method === 'likelihood') return withAdjustment([], comparison, follow);
  // A group of one has no summary of its own, and joins where the spread is shared.
  const summaries = groups.map((g) => summaryOf(g, spread === 'pooled' || method === 'shuffle' ? 1 : 2));
  if (follow === 'games-howell') return worked(title, () => gamesHowellWorking(summaries, i, j, level));
  if (follow === 'dunnett-t3') {
    const m = comparisonsAsked(question, groups).length;
    return worked(title, () => dunnettT3Working(summaries, i, j, m, level));
  }
  if (follow === 'dunnett') return worked(title, () => dunnettWorking(summaries, j, i, level, direction));
  if (follow === 'tukey') return worked(title, () => tukeyWorking(summaries, i, j, level));
  const { weights } = there(comparisonsAsked(question, groups)[chosen], 'The comparison');
  const count = comparison.follow?.ok ? (comparison.follow.value[0]?.effects.length ?? 1) : 1;
  const single = worked(title, () =>
    contrastWorking(summaries, weights, level, {
      separate: spread !== 'pooled',
      scheffe: follow === 'scheffe',
      each: errorOfEach(follow, count, level),
      // A direction is that of the comparisons with the control.
      direction: compare === 'control' ? direction : 'either',
    }),
  );
  return withAdjustment(single, comparison, follow);
}

export const working = (of: Worked): WorkingPart[] => [
  ...shuffleWorked(of.answer, of.comparison),
  ...main(of),
  ...followed(of),
];
