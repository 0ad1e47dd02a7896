/** Randomization tests: exact where the arrangements can be counted, else from as many as asked, by a seed. */
import { widthOf } from '../numeric/width-of';
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import { checkedTable } from './independence';
import { type Share } from './one-proportion';
import { shuffleShares } from './shuffle-counts';
import { counter, arrangementsCount, listUpTo, shuffleTest } from './shuffle';
import {
  type ShuffleTest,
  canCountPairs,
  canCountTwoGroups,
  exactSteps,
  sampledP,
  shufflePairedExact,
  shuffleTwoMeansExact,
} from './shuffle-means';
import { chiSquareOf } from './shuffle-statistics';
import { type Shuffling, blockOf, centred, observedOf, ofLabels, ofSigns, shuffleBlock, slackOf } from './shuffling';
import { nth } from '../numeric/nth';

/** Every choice of signs, one by one. */
function listedSigns(what: Extract<Shuffling, { kind: 'signs' }>): ShuffleTest {
  const { differences } = what;
  const statistic = ofSigns(what.statistic);
  const observed = statistic(new Float64Array(differences));
  const count = counter(observed, slackOf(what, observed));
  const ways = 2 ** differences.length;
  for (let signs = 0; signs < ways; signs++)
    count.see(statistic(Float64Array.from(differences, (d, i) => ((signs >>> i) & 1 ? -d : d))));
  return { observed, method: 'exact', arrangements: ways, p: count.tails(ways, (c, total) => c / total) };
}

/** Steps an answer may take on the page: some 50 ms. */
const briefly = 5e7;

/**
 * The test with every arrangement counted; undefined where there are too many.
 * @param steps what the count may cost
 */
export function exactly(given: Shuffling, steps = exactSteps): ShuffleTest | undefined {
  const what = centred(given);
  switch (what.kind) {
    case 'labels': {
      const { groups, statistic } = what;
      const [a = [], b = []] = groups;
      if (statistic === 'mean' && groups.length === 2 && canCountTwoGroups(a, b, steps))
        return shuffleTwoMeansExact(a, b);
      return arrangementsCount(groups.map((g) => g.length)) <= listUpTo
        ? shuffleTest(groups, ofLabels(statistic), 1, 0, slackOf(what, observedOf(what)))
        : undefined;
    }
    case 'signs': {
      const { differences, statistic } = what;
      if (statistic === 'mean' && canCountPairs(differences, steps)) return shufflePairedExact(differences);
      return 2 ** differences.length <= listUpTo ? listedSigns(what) : undefined;
    }
    case 'counts': {
      const { table } = what;
      checkedTable(table);
      if (what.statistic === 'chi-square') {
        if (arrangementsCount(table.map((row) => sum(row))) > listUpTo) return undefined;
        const outcomes = table.map((row) => row.flatMap((n, outcome) => new Array<number>(n).fill(outcome)));
        return shuffleTest(outcomes, chiSquareOf(widthOf(table)), 1, 0, slackOf(what, observedOf(what)));
      }
      const [a, b] = table.map((row): Share => ({ successes: nth(row, 0), n: sum(row) }));
      demand(a !== undefined && b !== undefined, 'Two groups are needed.');
      return {
        observed: observedOf(what),
        method: 'exact',
        arrangements: arrangementsCount([a.n, b.n]),
        p: shuffleShares(a, b),
      };
    }
    case 'resample':
      return undefined;
  }
}

/** The test from random arrangements: p is (b + 1)/(m + 1). Source: Davison & Hinkley (1997). */
export function sampled(given: Shuffling, seed: number, shuffles: number): ShuffleTest {
  const what = centred(given);
  demand(Number.isInteger(shuffles) && shuffles >= 1, 'The number of shuffles must be a whole number of at least 1.');
  const observed = observedOf(what);
  const count = counter(observed, slackOf(what, observed));
  for (let done = 0; done < shuffles; done += shuffleBlock)
    for (const x of blockOf(what, seed, done / shuffleBlock, 0, Math.min(shuffleBlock, shuffles - done))) count.see(x);
  return { observed, method: 'sampled', arrangements: shuffles, p: count.tails(shuffles, sampledP) };
}

/** The test, exact where that takes no time to speak of. */
export const randomizationTest = (what: Shuffling, seed: number, shuffles: number): ShuffleTest =>
  exactly(what, briefly) ?? sampled(what, seed, shuffles);
