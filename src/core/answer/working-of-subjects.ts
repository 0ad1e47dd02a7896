/** The working of questions about shares, counts and spread. */
import { attempt } from '../numeric/domain-error';
import { choicesOf } from '../question/choices';
import { oneWayWorking } from '../working/several-groups';
import {
  fisherWorking,
  goodnessOfFitWorking,
  independenceWorking,
  mcnemarWorking,
  oneProportionWorking,
  twoProportionsWorking,
} from '../working/counts';
import { bartlettWorking, pitmanMorganWorking, spreadOfOneWorking, spreadOfTwoWorking } from '../working/spread';
import { endingExactly } from '../working/tail';
import type { Step } from '../working/term';
import { summarize } from '../procedures/sample-summary';
import type { Answer } from './answer';
import type { Comparison } from './comparison';
import { distancesOf } from './spreads';

/** A part of the working under a heading of its own. */
export interface WorkingPart {
  title: string;
  steps: Step[];
}

const part = (title: string, make: () => Step[]): WorkingPart[] => {
  const steps = attempt(make);
  return steps.ok ? [{ title, steps: steps.value }] : [];
};

/** How an exact p is counted, as TeX. */
const countedFrom = {
  share: {
    either: '\\sum_{P(k) \\le P(x)} P(k)',
    greater: '\\sum_{k \\ge x} P(k)',
    less: '\\sum_{k \\le x} P(k)',
  },
  pairs: '\\sum P(X = k)\\ \\text{of those that changed, each way equally likely}',
  table: '\\sum P(\\text{table})\\ \\text{over the tables with these margins that are no likelier}',
  line: '\\sum P(\\text{counts})\\ \\text{over the counts that are no likelier}',
};

function ofShares({ question, groups }: Answer, { counts, pairs, p }: Comparison): WorkingPart[] {
  const { method, value } = choicesOf(question);
  const { direction } = question;
  const counting = method === 'exact' || method === 'mid-p';
  const ending = (steps: Step[], formula: string): Step[] => (counting ? endingExactly(steps, p, formula) : steps);
  const [a, b] = groups;
  const [x, y] = [a?.share?.successes ?? 0, b?.share?.successes ?? 0];
  switch (question.design) {
    case 'one-sample':
      return a
        ? part('The share and its test', () =>
            ending(oneProportionWorking(x, a.n, value, question.level, direction), countedFrom.share[direction]),
          )
        : [];
    case 'two-groups':
      if (!a || !b) return [];
      return [
        ...part('The shares and their test', () => twoProportionsWorking(x, a.n, y, b.n, direction)),
        ...(method === 'exact'
          ? part('The exact test', () =>
              fisherWorking([
                [x, a.n - x],
                [y, b.n - y],
              ]),
            )
          : []),
      ];
    case 'paired':
      return pairs
        ? part('Those that changed', () => ending(mcnemarWorking(pairs[0], pairs[1]), countedFrom.pairs))
        : [];
    default:
      return counts
        ? part('Counts against those expected', () => ending(independenceWorking(counts.observed), countedFrom.table))
        : [];
  }
}

/** The working of an answer that is not about how large readings are. */
export function workingOfSubject(answer: Answer, comparison: Comparison): WorkingPart[] {
  const { question, groups } = answer;
  const { method, value } = choicesOf(question);
  const { counts } = comparison;
  if (question.about === 'share') return ofShares(answer, comparison);
  if (question.about === 'table') {
    if (!counts) return [];
    const [line = []] = counts.observed;
    const one = question.design === 'one-sample';
    return part('Counts against those expected', () => {
      const steps = one
        ? goodnessOfFitWorking(line, question.ratio ?? line.map(() => 1))
        : independenceWorking(counts.observed);
      return method === 'exact'
        ? endingExactly(steps, comparison.p, one ? countedFrom.line : countedFrom.table)
        : steps;
    });
  }
  const summaries = groups.flatMap((g) => g.summary ?? []);
  const [x, y] = summaries;
  if (question.design === 'one-sample')
    return x
      ? part('The spread and its test', () => spreadOfOneWorking(Math.sqrt(x.variance), x.n, value, question.level))
      : [];
  if (comparison.pairing) {
    const { pairs } = comparison.pairing;
    return part('The correlation of sums and differences', () =>
      pitmanMorganWorking(
        pairs.map((p) => p.a.value),
        pairs.map((p) => p.b.value),
        question.level,
      ),
    );
  }
  if (method === 'bartlett') return part('Bartlett’s test', () => bartlettWorking(summaries));
  return [
    ...(question.design === 'two-groups' && x && y
      ? part('The ratio of variances', () => spreadOfTwoWorking(x, y, question.level))
      : []),
    ...(method === 'f'
      ? []
      : part('Distances from the centre, compared as means are', () =>
          oneWayWorking(distancesOf(groups, method === 'levene' ? 'mean' : 'median').map((d) => summarize(d))),
        )),
  ];
}
