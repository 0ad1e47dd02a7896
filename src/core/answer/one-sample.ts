import { demand } from '../numeric/domain-error';
import { attempt } from '../numeric/domain-error';
import { equivalence } from '../procedures/equivalence';
import { noncentralityInterval } from '../procedures/standardized-difference';
import { oneSampleT } from '../procedures/one-sample-t';
import { oneSampleZ } from '../procedures/one-sample-z';
import { signedRankShift } from '../procedures/signed-rank-shift';
import { wilcoxonSignedRank } from '../procedures/wilcoxon-signed-rank';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import type { Comparison } from './comparison';
import { rankReference } from './rank-reference';
import { type GroupPart, demandReadings, summaryOf } from './group-part';
import { normalReference } from './references';

/** One group against a fixed value: its mean less the value, in the readings' units. */
export function compareOne(question: Question, group: GroupPart, brief = false): Comparison {
  const { value, method } = choicesOf(question);
  const { direction, level } = question;
  const name = `${group.name} minus ${value}`;
  if (method === 'ranks') {
    const [values = []] = demandReadings([group], 'The signed-rank test');
    const differences = values.map((x) => x - value);
    const found = wilcoxonSignedRank(differences);
    const shift = signedRankShift(differences, level);
    const p = found.p[direction];
    return {
      p,
      effect: { name, estimate: shift.estimate, interval: shift.interval, p },
      tests: [{ symbol: 'W', value: found.wPlus, df: [], p }],
      sizes: [],
      reference: rankReference(
        found,
        { distribution: 'signed-rank', parameters: { n: found.n }, symbol: 'W+', statistic: found.wPlus },
        direction,
      ),
      remarks: [],
    };
  }
  if (method === 'z') {
    demand(question.knownSd !== undefined, 'A z-test needs the SD that is known: type it.');
    const mean = group.description?.mean ?? group.summary?.mean;
    demand(mean !== undefined, `${group.name} has no readings that can be used.`);
    const test = oneSampleZ(mean, group.n, question.knownSd, value, level);
    const p = test.p[direction];
    return {
      p,
      effect: {
        name,
        estimate: mean - value,
        se: test.se,
        statistic: { symbol: 'z', value: test.z },
        interval: { low: test.interval.low - value, high: test.interval.high - value },
        p,
      },
      tests: [{ symbol: 'z', value: test.z, df: [], p }],
      sizes: [],
      reference: [normalReference(test.z, direction)],
      remarks: [],
    };
  }
  const sample = summaryOf(group);
  const test = oneSampleT(sample, value, level);
  const p = test.p[direction];
  const moved = { low: test.interval.low - value, high: test.interval.high - value };
  return {
    p,
    effect: {
      name,
      estimate: sample.mean - value + (sample.meanRest ?? 0),
      se: test.se,
      df: test.df,
      statistic: { symbol: 't', value: test.t },
      interval: moved,
      p,
    },
    tests: [{ symbol: 't', value: test.t, df: [test.df], p }],
    sizes: brief
      ? []
      : [
          attempt(() => {
            const { low, high } = noncentralityInterval(test.t, test.df, level);
            const root = Math.sqrt(sample.n);
            return { kind: 'd', value: test.cohenD, interval: { low: low / root, high: high / root } };
          }),
        ],
    reference: [{ distribution: 't', parameters: { df: test.df }, symbol: 't', statistic: test.t, direction }],
    bounds: { low: test.bounds.low - value, high: test.bounds.high - value },
    ...(question.bounds
      ? {
          equivalence: attempt(() =>
            equivalence({ ...test, estimate: test.estimate - value }, question.bounds ?? { low: 0, high: 0 }, level),
          ),
        }
      : {}),
    remarks: [],
  };
}
