/** What t-tests of a difference and permutation tests beside them come to. */
import { differencesAsTyped } from '../numeric/decimals';
import { type Outcome, attempt } from '../numeric/domain-error';
import { there } from '../numeric/there';
import { equivalence } from '../procedures/equivalence';
import { type ShuffleTest } from '../procedures/shuffle-means';
import { type Centre } from '../procedures/shuffle-statistics';
import { centreDifference } from '../procedures/shuffling';
import type { TTest } from '../procedures/t-test';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import { bootstrap } from '../procedures/bootstrap';
import { leastOfLabels, leastOfSigns, unattainable } from './attainable';
import type { Comparison, Effect, Size } from './comparison';
import { normalReference } from './references';
import { arrangementWords, shuffledPart } from './shuffled-part';
import { type GroupPart } from './group-part';

/** Resamples behind the interval of a median or a trimmed mean: fewer of so many readings that a few tell it. */
const resamplesFor = (n: number): number => Math.max(200, Math.min(5_000, Math.round(1e7 / n)));

/** "Red lamp minus White lamp". */
export const subtracted = (a: GroupPart, b: GroupPart): string => `${a.name} minus ${b.name}`;

/** What every t-test of a difference comes to. */
export function fromT(
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

/** The same where the spreads are known, so that nothing of them is estimated: by the normal distribution. */
export function fromZ(question: Question, name: string, pair: [string, string], test: TTest): Comparison {
  const { effect, ...found } = fromT(question, name, pair, test, []);
  const { df: _, ...told } = there(effect, 'The difference');
  return {
    ...found,
    effect: { ...told, statistic: { symbol: 'z', value: test.t } },
    tests: [{ symbol: 'z', value: test.t, df: [], p: test.p[question.direction] }],
    reference: [normalReference(test.t, question.direction)],
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
export function fromShuffle(
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

/** A difference of groups without any spread: it has no interval, and may still be permuted. */
export const withoutSpread = (effect: Pick<Effect, 'name' | 'pair' | 'estimate'>): Comparison => ({
  p: 1,
  effect: { ...effect, p: 1 },
  tests: [],
  sizes: [],
  remarks: [],
});
