import { etaSquaredInterval } from '../procedures/effect-size-intervals';
import { differencesAsTyped } from '../numeric/decimals';
import { DomainError, type Outcome, attempt, demand } from '../numeric/domain-error';
import { moments } from '../numeric/sum';
import { equivalence } from '../procedures/equivalence';
import { hodgesLehmann } from '../procedures/hodges-lehmann';
import { mannWhitney } from '../procedures/mann-whitney';
import { type PairedT, pairedDifferences, pairedT } from '../procedures/paired-t';
import { pooledT } from '../procedures/pooled-t';
import { randomizationTest } from '../procedures/randomization';
import { type ShuffleTest } from '../procedures/shuffle-means';
import { type Centre } from '../procedures/shuffle-statistics';
import { type Shuffling, centreDifference } from '../procedures/shuffling';
import { type SampleSummary, meanDifference } from '../procedures/sample-summary';
import { signedRankShift } from '../procedures/signed-rank-shift';
import { noncentralityInterval, standardizedDifference } from '../procedures/standardized-difference';
import { countOfLarger, superiorityInterval } from '../procedures/superiority';
import type { TTest } from '../procedures/t-test';
import { welchT } from '../procedures/welch-t';
import { wilcoxonSignedRank } from '../procedures/wilcoxon-signed-rank';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import { pairsOf } from '../readings/groups';
import type { Table } from '../readings/table';
import { bootstrap } from '../procedures/bootstrap';
import { leastOfLabels, leastOfSigns, unattainable } from './attainable';
import type { Comparison, Effect, Size } from './comparison';
import { rankReference } from './rank-reference';
import { arrangementWords, shuffledPart, shufflesFor } from './shuffled-part';
import { type GroupPart, demandOneUnit, demandReadings, summaryOf } from './group-part';

/** Resamples behind the interval of a median or a trimmed mean: fewer of so many readings that a few tell it. */
const resamplesFor = (n: number): number => Math.max(200, Math.min(5_000, Math.round(1e7 / n)));

const subtraction = (a: GroupPart, b: GroupPart): string => `${a.name} minus ${b.name}`;

/** What every t-test of a difference comes to. */
function fromT(
  question: Question,
  name: string,
  pair: [string, string],
  test: TTest,
  sizes: Outcome<Size>[],
): Comparison {
  const p = test.p[question.direction];
  const { bounds } = question;
  return {
    p,
    effect: {
      name,
      pair,
      estimate: test.estimate,
      se: test.se,
      df: test.df,
      statistic: { symbol: 't', value: test.t },
      interval: test.interval,
      p,
    },
    tests: [{ symbol: 't', value: test.t, df: [test.df], p }],
    sizes,
    reference: [
      {
        distribution: 't',
        parameters: { df: test.df },
        symbol: 't',
        statistic: test.t,
        direction: question.direction,
      },
    ],
    bounds: test.bounds,
    ...(bounds ? { equivalence: attempt(() => equivalence(test, bounds, question.level)) } : {}),
    remarks: [],
  };
}

/** The bootstrap interval of a centre, or of the difference of two: for medians and trimmed means. */
function centreEffect(
  question: Question,
  base: Comparison,
  groups: readonly (readonly number[])[],
  centre: Centre,
  p: number,
): Effect {
  const { seed } = choicesOf(question);
  const { name, pair } = base.effect ?? { name: '' };
  const found = bootstrap(
    groups,
    (drawn) => centreDifference(drawn, centre),
    question.level,
    seed,
    resamplesFor(groups.reduce((n, g) => n + g.length, 0)),
    false,
  );
  return {
    name,
    ...(pair ? { pair } : {}),
    estimate: found.estimate,
    se: found.se,
    interval: found.percentile,
    p,
  };
}

/** What a randomization test adds to the interval of the t-test it stands beside. */
function fromShuffle(
  base: Comparison,
  groups: readonly (readonly number[])[],
  found: ShuffleTest,
  question: Question,
): Comparison {
  const p = found.p[question.direction];
  const { statistic, seed } = choicesOf(question);
  const centre = statistic === 'median' || statistic === 'trimmed';
  const resamples = resamplesFor(groups.reduce((n, g) => n + g.length, 0));
  const effect = centre ? centreEffect(question, base, groups, statistic, p) : base.effect && { ...base.effect, p };
  const interval = centre
    ? `the interval is by bootstrap (percentiles of ${resamples.toLocaleString('en')} resamples, seed ${seed})`
    : !base.effect?.interval
      ? 'with too little spread for an interval there is none'
      : groups.length > 1
        ? 'the interval is Welch’s'
        : 'the interval is that of the paired t-test';
  const { bounds: _, equivalence: __, ...rest } = base;
  const [n1 = 0, n2] = groups.map((g) => g.length);
  const { remark, ...least } =
    found.method === 'exact'
      ? unattainable(
          n2 === undefined
            ? leastOfSigns(n1, question.direction)
            : leastOfLabels(n1, n2, question.direction, n1 === n2),
          question.level,
        )
      : { remark: [] };
  return {
    ...(centre ? rest : base),
    p,
    ...least,
    ...(effect ? { effect } : {}),
    ...shuffledPart(found, question.direction, question.level),
    ...(centre ? { resamples } : {}),
    sizes: centre ? [] : base.sizes,
    reference: [],
    remarks: [...remark, `${arrangementWords(found, seed)}; ${interval}.`],
  };
}

/** Readings less the difference asked about, as the decimals they were typed as. */
export const beyond = (x: readonly number[], value: number): readonly number[] =>
  value === 0 ? x : differencesAsTyped(x, value);

/** Two independent groups: the first mean less the second, or their shift by ranks. */
export function compareTwo(question: Question, a: GroupPart, b: GroupPart, brief = false): Comparison {
  const { spread, method, value, seed } = choicesOf(question);
  const { level, direction } = question;
  demand(a.id !== b.id, 'A group cannot be compared with itself: choose two different groups.');
  demandOneUnit([a, b]);
  const name = subtraction(a, b);
  const pair: [string, string] = [a.id, b.id];
  if (method === 'ranks') {
    const [x = [], y = []] = demandReadings([a, b], 'The Mann–Whitney test');
    const found = mannWhitney(beyond(x, value), y);
    const shift = attempt(() => hodgesLehmann(x, y, level));
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
      remarks: [...remark, ...(shift.ok ? [] : [shift.reason])],
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

/** A difference of groups without any spread: it has no interval, and may still be permuted. */
const withoutSpread = (effect: Pick<Effect, 'name' | 'pair' | 'estimate'>): Comparison => ({
  p: 1,
  effect: { ...effect, p: 1 },
  tests: [],
  sizes: [],
  remarks: [],
});

/** What is shuffled to compare two groups: the difference asked about is taken off first. */
export function shufflingOfTwo(question: Question, x: readonly number[], y: readonly number[]): Shuffling {
  const { value, statistic } = choicesOf(question);
  return { kind: 'labels', groups: [beyond(x, value), y], statistic };
}

/** What is shuffled to compare pairs. @param differences what lies beyond the difference asked about */
export const shufflingOfPairs = (question: Question, differences: readonly number[]): Shuffling => ({
  kind: 'signs',
  differences,
  statistic: choicesOf(question).statistic,
});

/** The pairs of two groups. @throws DomainError in words where there is none */
export function demandPairs(table: Table, a: GroupPart, b: GroupPart): NonNullable<Comparison['pairing']> {
  demandReadings([a, b], 'Pairing');
  const pairing = pairsOf(table, a, b);
  demand(
    pairing.pairs.length > 0,
    pairing.bySubject
      ? `No ${table.subject || 'subject'} has a reading in both ${a.name} and ${b.name}: nothing can be paired. Check that they are named alike in both.`
      : `No row has a reading of both ${a.name} and ${b.name}: pairs stand side by side in a row, or share a name in a subject column.`,
  );
  return pairing;
}

/** The same subjects in both groups: the mean of the differences within pairs. */
export function comparePairs(question: Question, table: Table, a: GroupPart, b: GroupPart, brief = false): Comparison {
  const { method, value, seed } = choicesOf(question);
  const { level, direction } = question;
  demand(a.id !== b.id, 'A group cannot be compared with itself: choose two different groups.');
  demandOneUnit([a, b]);
  const pairing = demandPairs(table, a, b);
  const { pairs } = pairing;
  demand(pairs.length > 1, 'There is one pair: one alone shows no spread, at least two are needed.');
  const [x, y] = [pairs.map((p) => p.a.value), pairs.map((p) => p.b.value)];
  const name = subtraction(a, b);
  const pair: [string, string] = [a.id, b.id];
  const whole = pairedDifferences(x, y);
  const differences = beyond(whole, value);
  if (method === 'ranks') {
    const found = wilcoxonSignedRank(differences);
    const shift = signedRankShift(whole, level);
    const p = found.p[direction];
    const { remark, ...least } =
      found.method === 'exact' ? unattainable(leastOfSigns(found.n, direction), level) : { remark: [] };
    return {
      p,
      ...least,
      effect: { name, pair, estimate: shift.estimate, interval: shift.interval, p },
      tests: [{ symbol: 'W', value: found.wPlus, df: [], p }],
      sizes: [],
      pairing,
      reference: rankReference(
        found,
        { distribution: 'signed-rank', parameters: { n: found.n }, symbol: 'W+', statistic: found.wPlus },
        direction,
      ),
      remarks: [...remark, ...(found.zeros > 0 ? [`Differences of 0, left out by the test: ${found.zeros}.`] : [])],
    };
  }
  const permuted = method === 'shuffle';
  const tested = attempt(() => pairedT(x, y, level, value));
  if (!tested.ok && !permuted) throw new DomainError(tested.reason);
  const size = (test: PairedT): Outcome<Size> =>
    attempt((): Size => {
      // Of the mean difference itself, whatever difference is tested.
      const { low, high } = noncentralityInterval(test.estimate / test.se, test.df, level);
      const root = Math.sqrt(pairs.length);
      return { kind: 'dz', value: test.cohenDz, interval: { low: low / root, high: high / root } };
    });
  const base = {
    ...(tested.ok
      ? fromT(question, name, pair, tested.value, brief ? [] : [size(tested.value)])
      : withoutSpread({ name, pair, estimate: moments(whole).mean })),
    pairing,
  };
  if (!permuted) return base;
  const found = randomizationTest(shufflingOfPairs(question, differences), seed, shufflesFor(differences.length));
  return fromShuffle(base, [whole], found, question);
}

/** The differences within pairs, as a group of readings. */
export const differencesOf = ({ pairs }: NonNullable<Comparison['pairing']>): number[] =>
  pairedDifferences(
    pairs.map((p) => p.a.value),
    pairs.map((p) => p.b.value),
  );
