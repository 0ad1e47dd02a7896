import { etaSquaredInterval } from '../../procedures/effect-size-intervals';
import { type Outcome, attempt, demand } from '../../numeric/domain-error';
import { hodgesLehmann } from '../../procedures/hodges-lehmann';
import { mannWhitney } from '../../procedures/mann-whitney';
import { pooledT } from '../../procedures/pooled-t';
import { randomizationTest } from '../../procedures/randomization';
import { type Shuffling } from '../../procedures/shuffling';
import { type SampleSummary, meanDifference } from '../../procedures/sample-summary';
import { standardizedDifference } from '../../procedures/standardized-difference';
import { countOfLarger, superiorityInterval } from '../../procedures/superiority';
import { tTest } from '../../procedures/t-test';
import { welchT } from '../../procedures/welch-t';
import { choicesOf } from '../../question/choices';
import type { Question } from '../../question/question';
import { leastOfLabels, unattainable } from '../../answer/attainable';
import type { Comparison, Size } from '../../answer/comparison';
import { rankReference } from '../../answer/rank-reference';
import { shufflesFor } from '../../answer/shuffled-part';
import { twoByLikelihood } from '../../answer/by-likelihood';
import { demandNumbers, hasBelow, tiedBelow } from '../../answer/limits';
import { type GroupPart, demandOneUnit, demandReadings, summaryOf, valuesOf } from '../../answer/group-part';
import { beyond, fromShuffle, fromT, fromZ, subtracted, withoutSpread } from '../../answer/from-t';

/** Two independent groups: the first mean less the second, or their shift by ranks. */
export function compare(question: Question, a: GroupPart, b: GroupPart, brief = false): Comparison {
  const { spread, method, value, seed } = choicesOf(question);
  const { level, direction } = question;
  demandOneUnit([a, b]);
  const name = subtracted(a, b);
  const pair: [string, string] = [a.id, b.id];
  if (method === 'likelihood') return twoByLikelihood(question, a, b);
  if (method !== 'ranks') demandNumbers([a, b]);
  if (method === 'ranks') {
    demandReadings([a, b], 'The Mann–Whitney test');
    demand(
      value === 0 || !hasBelow([a, b]),
      'Readings below a limit cannot be shifted by a stated difference and stay tied: test ranks against 0, or compare by likelihood.',
    );
    const [x = [], y = []] = tiedBelow([a, b]);
    const found = mannWhitney(beyond(x, value), y);
    // Of readings below a limit the shift takes the limit.
    const shift = attempt(() => hodgesLehmann(valuesOf(a), valuesOf(b), level));
    // How often the first exceeds the second is of the readings as they are, whatever difference is tested.
    const superiority = countOfLarger(x, y) / (x.length * y.length);
    const p = found.p[direction];
    const { remark, ...least } =
      found.method === 'exact'
        ? unattainable(leastOfLabels(x.length, y.length, direction, true), level)
        : { remark: [] };
    return {
      p,
      ...least,
      ...(shift.ok
        ? { effect: { name, pair, estimate: shift.value.estimate, interval: shift.value.interval, p } }
        : {}),
      tests: [{ symbol: 'U', value: found.u, df: [], p }],
      sizes: [
        attempt((): Size => ({
          kind: 'superiority',
          value: superiority,
          interval: superiorityInterval(superiority, x.length, y.length, level),
        })),
      ],
      reference: rankReference(
        found,
        { distribution: 'rank-sum', parameters: { n1: x.length, n2: y.length }, symbol: 'U', statistic: found.u },
        direction,
      ),
      remarks: [
        ...remark,
        ...(shift.ok ? [] : [shift.reason]),
        ...(hasBelow([a, b])
          ? ['The shift takes readings below the limit as lying at it: it is no more than a bound where many do.']
          : []),
      ],
    };
  }
  const size = (first: SampleSummary, second: SampleSummary): Outcome<Size> =>
    attempt((): Size => {
      const { hedgesG, interval } = standardizedDifference(first, second, level);
      return { kind: 'g', value: hedgesG, interval };
    });
  /** The share of all variation between the two groups, which is R² of the group as predictor. */
  const explained = (first: SampleSummary, second: SampleSummary): Outcome<Size>[] => {
    const found = attempt((): Size => {
      const { t, df } = pooledT(first, second, level);
      return { kind: 'r-squared', value: (t * t) / (t * t + df), interval: etaSquaredInterval(t * t, 1, df, level) };
    });
    // Where there is none, the standardized difference says why.
    return found.ok ? [found] : [];
  };
  if (method === 'shuffle') {
    const [x = [], y = []] = demandReadings([a, b], 'A permutation test');
    const [first, second] = [summaryOf(a, 1), summaryOf(b, 1)];
    const welch = attempt(() => welchT(first, second, level, value));
    const base = welch.ok
      ? fromT(question, name, pair, welch.value, brief ? [] : [size(first, second)])
      : withoutSpread({ name, pair, estimate: meanDifference(first, second) });
    const found = randomizationTest(shufflingOfTwo(question, x, y), seed, shufflesFor(Math.min(x.length, y.length)));
    return fromShuffle(base, [x, y], found, question);
  }
  if (method === 'z') {
    const { knownSd, knownSdB = knownSd } = question;
    demand(knownSd !== undefined && knownSdB !== undefined, 'A z-test needs the SDs that are known: type them.');
    const [first, second] = [summaryOf(a, 1), summaryOf(b, 1)];
    const se = Math.hypot(knownSd / Math.sqrt(first.n), knownSdB / Math.sqrt(second.n));
    return fromZ(question, name, pair, tTest(meanDifference(first, second), se, Infinity, level, value));
  }
  const pooled = spread === 'pooled';
  const [first, second] = pooled ? [summaryOf(a, 1), summaryOf(b, 1)] : [summaryOf(a), summaryOf(b)];
  const apart = Number(Math.abs(meanDifference(first, second)).toPrecision(6));
  demand(
    first.variance + second.variance > 0,
    `All readings of ${a.name} are the same, and all of ${b.name} too. The means are ${apart} apart, but with no spread there is nothing to judge a difference by.`,
  );
  const test = (pooled ? pooledT : welchT)(first, second, level, value);
  return fromT(question, name, pair, test, brief ? [] : [size(first, second), ...explained(first, second)]);
}

/** What is shuffled to compare two groups: the difference asked about is taken off first. */
export function shufflingOfTwo(question: Question, x: readonly number[], y: readonly number[]): Shuffling {
  const { value, statistic } = choicesOf(question);
  return { kind: 'labels', groups: [beyond(x, value), y], statistic };
}
