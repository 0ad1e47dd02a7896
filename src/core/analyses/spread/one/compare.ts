import { demand } from '../../../numeric/domain-error';
import { spreadOfOne } from '../../../procedures/spread-of-one';
import type { Question } from '../../../question/question';
import type { Comparison } from '../../../answer/comparison';
import { statedOf } from '../../../answer/stated';
import { chiSquareReference } from '../../../answer/references';
import { type GroupPart, summaryOf } from '../../../answer/group-part';

/** The spread of one group, against a stated SD. */
export function compare(question: Question, group: GroupPart): Comparison {
  const value = statedOf(question, `Type the SD that ${group.name} is compared with, or ask for its SD on its own.`);
  const { level, direction } = question;
  const { n, variance } = summaryOf(group);
  demand(value > 0, `A standard deviation is above 0, and is here held against ${value}: type the one stated.`);
  demand(variance > 0, `All readings of ${group.name} are the same: with no spread there is nothing to compare.`);
  const sd = Math.sqrt(variance);
  const found = spreadOfOne(sd, n, value, level);
  const p = found.p[direction];
  return {
    p,
    effect: { name: `SD of ${group.name}`, estimate: sd, none: value, interval: found.sdInterval, p },
    also: [
      { name: `variance of ${group.name}`, estimate: variance, none: value ** 2, interval: found.varianceInterval, p },
    ],
    tests: [{ symbol: 'χ²', value: found.chi2, df: [found.df], p }],
    sizes: [],
    reference: [chiSquareReference(found.chi2, found.df, 'χ²', direction)],
    remarks: [],
  };
}
