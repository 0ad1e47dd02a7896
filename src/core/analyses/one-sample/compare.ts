import { differencesAsTyped, minus } from '../../numeric/decimals';
import { sentenceCase } from '../../words/sentences';
import { attempt, demand } from '../../numeric/domain-error';
import { equivalence } from '../../procedures/equivalence';
import { noncentralityInterval } from '../../procedures/standardized-difference';
import { oneSampleT } from '../../procedures/one-sample-t';
import { oneSampleZ } from '../../procedures/one-sample-z';
import { signedRankShift } from '../../procedures/signed-rank-shift';
import { wilcoxonSignedRank } from '../../procedures/wilcoxon-signed-rank';
import { type SampleSummary, summarize } from '../../procedures/sample-summary';
import { choicesOf } from '../../question/choices';
import type { Question } from '../../question/question';
import { leastOfSigns, unattainable } from '../../answer/attainable';
import type { Comparison } from '../../answer/comparison';
import { statedOf } from '../../answer/stated';
import { rankReference } from '../../answer/rank-reference';
import { type GroupPart, demandReadings, summaryOf, valuesOf } from '../../answer/group-part';
import { normalReference } from '../../answer/references';

/** One group against a fixed value: its mean less the value, in the readings' units. */
export function compare(question: Question, group: GroupPart, brief = false): Comparison {
  const { method } = choicesOf(question);
  const value = statedOf(
    question,
    `Type the value that ${group.name} is compared with, or ask for its mean on its own.`,
  );
  const { direction, level } = question;
  const name = `${group.name} minus ${value}`;
  if (method === 'ranks') {
    const [values = []] = demandReadings([group], 'The signed-rank test');
    const differences = differencesAsTyped(values, value);
    const found = wilcoxonSignedRank(differences);
    const shift = signedRankShift(differences, level);
    const p = found.p[direction];
    const { remark, ...least } =
      found.method === 'exact' ? unattainable(leastOfSigns(found.n, direction), level) : { remark: [] };
    return {
      p,
      ...least,
      effect: { name, estimate: shift.estimate, interval: shift.interval, p },
      tests: [{ symbol: 'W', value: found.wPlus, df: [], p }],
      sizes: [],
      reference: rankReference(
        found,
        { distribution: 'signed-rank', parameters: { n: found.n }, symbol: 'W+', statistic: found.wPlus },
        direction,
      ),
      remarks: [...remark, ...(found.zeros > 0 ? [`Differences of 0, left out by the test: ${found.zeros}.`] : [])],
    };
  }
  if (method === 'z') {
    demand(question.knownSd !== undefined, 'A z-test needs the SD that is known: type it.');
    demand(group.n > 0, `${sentenceCase(group.name)} has no readings that can be used.`);
    const { mean } = awayFrom(group, value, 1);
    const test = oneSampleZ(mean, group.n, question.knownSd, 0, level);
    const p = test.p[direction];
    return {
      p,
      effect: {
        name,
        estimate: test.mean,
        se: test.se,
        statistic: { symbol: 'z', value: test.z },
        interval: test.interval,
        p,
      },
      tests: [{ symbol: 'z', value: test.z, df: [], p }],
      sizes: [],
      reference: [normalReference(test.z, direction)],
      remarks: [],
    };
  }
  // Distances from the value keep digits that the mean itself cannot hold.
  const sample = awayFrom(group, value, 2);
  const test = oneSampleT(sample, 0, level);
  const p = test.p[direction];
  return {
    p,
    effect: {
      name,
      estimate: test.estimate,
      se: test.se,
      df: test.df,
      statistic: { symbol: 't', value: test.t },
      interval: test.interval,
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
    bounds: test.bounds,
    ...(question.bounds
      ? { equivalence: attempt(() => equivalence(test, question.bounds ?? { low: 0, high: 0 }, level)) }
      : {}),
    remarks: [],
  };
}

/** A group's readings less a fixed value, as the decimals they were typed as; of reported figures the mean alone moves. */
function awayFrom(group: GroupPart, value: number, least: 1 | 2): SampleSummary {
  const sample = summaryOf(group, least);
  return group.readings.used.length > 0
    ? summarize(differencesAsTyped(valuesOf(group), value), least)
    : { ...sample, mean: minus(sample.mean, value) };
}
