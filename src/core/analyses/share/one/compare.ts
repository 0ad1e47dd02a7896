import { demand } from '../../../numeric/domain-error';
import { oneProportion, proportionInterval } from '../../../procedures/one-proportion';
import { choicesOf } from '../../../question/choices';
import type { Question } from '../../../question/question';
import { leastOfShare, unattainable } from '../../../answer/attainable';
import type { Comparison, Effect } from '../../../answer/comparison';
import { type GroupPart } from '../../../answer/group-part';
import { statedOf } from '../../../answer/stated';
import { normalReference } from '../../../answer/references';
import { intervalNames, shareOf } from '../../../answer/shares';

/** The share found in one group, against a stated one. */
export function compare(question: Question, group: GroupPart): Comparison {
  const { method, shareInterval } = choicesOf(question);
  const value = statedOf(
    question,
    `Type the share that ${group.name} is compared with, 0.4 for 40 %, or ask for its share on its own.`,
  );
  const { level, direction } = question;
  const share = shareOf(group);
  demand(
    value > 0 && value < 1,
    `A share lies between 0 and 1, and is here held against ${value}: type a value between, 0.4 for 40 %.`,
  );
  const found = oneProportion(share, value);
  const p = method === 'exact' ? found.exact[direction] : found.p[direction];
  const { n, successes } = share;
  const { remark, ...least } =
    method === 'exact' ? unattainable(leastOfShare(n, value, direction), level) : { remark: [] };
  const effect: Effect = { name: `share in ${group.name}`, estimate: found.proportion, none: value, p };
  const kinds = ['wilson', 'clopper-pearson', 'agresti-coull', 'wald'] as const;
  const of = (kind: (typeof kinds)[number]): Effect => ({
    ...effect,
    name: intervalNames[kind],
    interval: proportionInterval(share, level, kind),
  });
  return {
    p,
    effect: { ...effect, interval: proportionInterval(share, level, shareInterval) },
    also: kinds.filter((kind) => kind !== shareInterval).map(of),
    tests: [
      method === 'exact'
        ? { symbol: undefined, value: undefined, df: [], p }
        : { symbol: 'z', value: found.z, df: [], p },
    ],
    sizes: [],
    // Either way, the exact test gathers counts by how likely they are: no pair of critical values says that.
    reference:
      method === 'exact'
        ? direction === 'either'
          ? []
          : [
              {
                distribution: 'binomial',
                parameters: { n, p: value },
                symbol: 'count',
                statistic: successes,
                direction,
              },
            ]
        : [normalReference(found.z, direction)],
    ...least,
    remarks: remark,
  };
}
