import { DomainError } from '../../../numeric/domain-error';
import { spreadOfTwo } from '../../../procedures/spread-of-two';
import { choicesOf } from '../../../question/choices';
import type { Question } from '../../../question/question';
import type { Comparison } from '../../../answer/comparison';
import { fReference } from '../../../answer/references';
import { type GroupPart, demandOneUnit, summaryOf } from '../../../answer/group-part';
import { ratioOf, testOf } from '../../../answer/spreads';

/** The spreads of two groups. */
export function compare(question: Question, a: GroupPart, b: GroupPart): Comparison {
  const { method } = choicesOf(question);
  const { level, direction } = question;
  demandOneUnit([a, b]);
  const found = spreadOfTwo(summaryOf(a), summaryOf(b), level);
  if (method === 'f') {
    const p = found.p[direction];
    const [sds, variances] = ratioOf(a, b, level, p);
    return {
      p,
      effect: sds,
      also: [variances],
      tests: [{ symbol: 'F', value: found.f, df: [found.df1, found.df2], p }],
      sizes: [],
      reference: [fReference(found.f, found.df1, found.df2, direction)],
      remarks: [],
    };
  }
  if (direction !== 'either')
    throw new DomainError(
      'Distances from the centre are compared two-sided only: ask whether the spreads differ, or compare the variances by F.',
    );
  const { test, reference } = testOf(question, [a, b]);
  const [sds, variances] = ratioOf(a, b, level, test.p);
  return {
    p: test.p,
    effect: sds,
    also: [variances],
    tests: [test],
    sizes: [],
    reference: [reference],
    remarks: ['The interval of the ratio takes both groups as normal, which the test does not.'],
  };
}
