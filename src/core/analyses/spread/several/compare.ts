import { attempt, demand } from '../../../numeric/domain-error';
import { choicesOf } from '../../../question/choices';
import type { Question } from '../../../question/question';
import type { Comparison } from '../../../answer/comparison';
import { adjusted, eachByItself, pairsOf } from '../../../answer/follow-up';
import { type GroupPart, demandOneUnit } from '../../../answer/group-part';
import { ratioOf, testOf } from '../../../answer/spreads';

/** The spreads of several groups. */
export function compare(question: Question, parts: readonly GroupPart[]): Comparison {
  const { method, follow } = choicesOf(question);
  demandOneUnit(parts);
  demand(parts.length > 1, 'At least two groups are needed.');
  const { test, reference } = testOf(question, parts);
  return {
    p: test.p,
    tests: [test],
    sizes: [],
    reference: [reference],
    follow: attempt(() => {
      const { judged, left } = eachByItself(
        pairsOf(parts),
        ([a, b]) => `SD of ${a.name} over ${b.name}`,
        ([a, b]) => ratioOf(a, b, question.level, testOf(question, [a, b]).test.p)[0],
      );
      demand(judged.length > 0, left[0]?.why ?? 'There is no pair to compare.');
      return [
        {
          effects: adjusted(judged, follow),
          simultaneous: false,
          family: judged.length,
          ...(left.length > 0 ? { left } : {}),
        },
      ];
    }),
    remarks:
      method === 'bartlett' ? [] : ['The intervals of the ratios take the groups as normal, which the test does not.'],
  };
}
