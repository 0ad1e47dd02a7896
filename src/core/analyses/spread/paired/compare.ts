import { pitmanMorgan } from '../../../procedures/pitman-morgan';
import type { Question } from '../../../question/question';
import type { Comparison } from '../../../answer/comparison';
import type { Table } from '../../../readings/table';
import { type GroupPart, demandOneUnit } from '../../../answer/group-part';
import { demandPairs } from '../../../answer/pairing';

/** The same subjects in both groups: sums and differences within pairs tell whether the spreads differ. */
export function compare(question: Question, table: Table, a: GroupPart, b: GroupPart): Comparison {
  const { level, direction } = question;
  demandOneUnit([a, b]);
  const pairing = demandPairs(table, a, b);
  const [x, y] = [pairing.pairs.map((p) => p.a.value), pairing.pairs.map((p) => p.b.value)];
  const found = pitmanMorgan(x, y, level);
  const p = found.p[direction];
  const { low, high } = found.ratioInterval;
  const base = { pair: [a.id, b.id] as const, none: 1, ratio: true, p };
  return {
    p,
    effect: {
      ...base,
      name: `SD of ${a.name} over ${b.name}`,
      estimate: Math.sqrt(found.ratio),
      interval: { low: Math.sqrt(low), high: Math.sqrt(high) },
    },
    also: [
      {
        ...base,
        name: `variance of ${a.name} over ${b.name}`,
        estimate: found.ratio,
        interval: found.ratioInterval,
      },
    ],
    tests: [{ symbol: 't', value: found.t, df: [found.df], p }],
    sizes: [],
    pairing,
    reference: [{ distribution: 't', parameters: { df: found.df }, symbol: 't', statistic: found.t, direction }],
    remarks: [],
  };
}
