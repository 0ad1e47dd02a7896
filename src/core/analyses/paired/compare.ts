import { DomainError, type Outcome, attempt, demand } from '../../numeric/domain-error';
import { moments } from '../../numeric/sum';
import { type PairedT, pairedDifferences, pairedT } from '../../procedures/paired-t';
import { randomizationTest } from '../../procedures/randomization';
import { type Shuffling } from '../../procedures/shuffling';
import { signedRankShift } from '../../procedures/signed-rank-shift';
import { noncentralityInterval } from '../../procedures/standardized-difference';
import { wilcoxonSignedRank } from '../../procedures/wilcoxon-signed-rank';
import { choicesOf } from '../../question/choices';
import type { Question } from '../../question/question';
import type { Table } from '../../readings/table';
import { leastOfSigns, unattainable } from '../../answer/attainable';
import type { Comparison, Size } from '../../answer/comparison';
import { rankReference } from '../../answer/rank-reference';
import { shufflesFor } from '../../answer/shuffled-part';
import { type GroupPart, demandOneUnit } from '../../answer/group-part';
import { beyond, fromShuffle, fromT, subtracted, withoutSpread } from '../../answer/from-t';
import { demandPairs } from '../../answer/pairing';

/** The same subjects in both groups: the mean of the differences within pairs. */
export function compare(question: Question, table: Table, a: GroupPart, b: GroupPart, brief = false): Comparison {
  const { method, value, seed } = choicesOf(question);
  const { level, direction } = question;
  demandOneUnit([a, b]);
  const pairing = demandPairs(table, a, b);
  const { pairs } = pairing;
  demand(pairs.length > 1, 'There is one pair: one alone shows no spread, at least two are needed.');
  const [x, y] = [pairs.map((p) => p.a.value), pairs.map((p) => p.b.value)];
  const name = subtracted(a, b);
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

/** What is shuffled to compare pairs. @param differences what lies beyond the difference asked about */
export const shufflingOfPairs = (question: Question, differences: readonly number[]): Shuffling => ({
  kind: 'signs',
  differences,
  statistic: choicesOf(question).statistic,
});
