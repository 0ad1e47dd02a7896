import { attempt, demand } from '../../numeric/domain-error';
import { etaSquaredInterval } from '../../procedures/effect-size-intervals';
import { dunnTest, kruskalWallis } from '../../procedures/kruskal-wallis';
import { jonckheereTerpstra } from '../../procedures/jonckheere-terpstra';
import { oneWayAnova, oneWayAnovaFromSummaries } from '../../procedures/one-way-anova';
import { randomizationTest } from '../../procedures/randomization';
import type { ShuffleTest } from '../../procedures/shuffle-means';
import type { Shuffling } from '../../procedures/shuffling';
import { welchAnova } from '../../procedures/welch-anova';
import { choicesOf } from '../../question/choices';
import type { Question } from '../../question/question';
import { unattainable } from '../../answer/attainable';
import type { Comparison, Size } from '../../answer/comparison';
import { controlPlace, followUp, lettersFor, pairNamed } from '../../answer/follow-up';
import { severalByLikelihood } from '../../answer/by-likelihood';
import { demandNumbers, tiedBelow } from '../../answer/limits';
import { type GroupPart, demandOneUnit, demandReadings, summaryOf, valuesOf } from '../../answer/group-part';
import { chiSquareReference, fReference, normalReference } from '../../answer/references';
import { arrangementWords, shuffledPart, shufflesFor } from '../../answer/shuffled-part';

/** What is shuffled to compare several groups. */
export const shufflingOfSeveral = (groups: readonly (readonly number[])[]): Shuffling => ({
  kind: 'labels',
  groups,
  statistic: 'F',
});

/** F judged by permuted labels. */
function shuffledF(question: Question, parts: readonly GroupPart[]): ShuffleTest {
  const groups = demandReadings(parts, 'Shuffling labels');
  const n = groups.reduce((s, g) => s + g.length, 0);
  return randomizationTest(shufflingOfSeveral(groups), choicesOf(question).seed, shufflesFor(n));
}

/** Whether readings rise or fall over the groups in their order. */
function rankTrend(parts: readonly GroupPart[]): Comparison {
  demandReadings(parts, 'The Jonckheere–Terpstra test');
  const { j, z, method, p } = jonckheereTerpstra(tiedBelow(parts));
  return {
    p: p.either,
    tests: [{ symbol: 'J', value: j, df: [], p: p.either }],
    sizes: [],
    reference: method === 'exact' ? [] : [normalReference(z, 'either')],
    trend: Math.sign(z),
    remarks: [
      method === 'exact'
        ? 'p is exact: every arrangement of the readings is counted.'
        : `p is by the normal curve, z = ${z.toFixed(2).replace('-', '−')}, with ties allowed for.`,
    ],
  };
}

/** Three or more independent groups (or two): whether their means differ, and which. */
export function compare(question: Question, parts: readonly GroupPart[], brief = false): Comparison {
  const { method, spread, compare, follow: judged } = choicesOf(question);
  const { level } = question;
  demand(
    parts.length >= 2,
    parts.length === 1
      ? `Only ${parts[0]?.name ?? 'one group'} has readings: comparing needs a second group, or a fixed value to compare with.`
      : 'No group has readings that can be used.',
  );
  demandOneUnit(parts);
  if (method === 'likelihood') return severalByLikelihood(question, parts, brief);
  if (method !== 'ranks') demandNumbers(parts);
  if (method === 'ranks') {
    if (compare === 'trend') return rankTrend(parts);
    demandReadings(parts, 'The Kruskal–Wallis test');
    const groups = tiedBelow(parts);
    const found = kruskalWallis(groups);
    const { remark, ...least } = unattainable(found.leastP ?? 0, level);
    const control = compare === 'control' ? controlPlace(question, parts) : undefined;
    const pairs = dunnTest(
      groups,
      'holm',
      control === undefined ? undefined : { control, direction: question.direction },
    );
    const effects = pairs.map((pair) => ({
      ...pairNamed(parts, pair.a, pair.b),
      estimate: pair.difference,
      statistic: { symbol: 'z' as const, value: pair.z },
      alone: pair.alone,
      p: pair.p,
    }));
    return {
      p: found.p,
      ...least,
      tests: [{ symbol: 'H', value: found.h, df: found.method === 'exact' ? [] : [found.df], p: found.p }],
      sizes: [],
      reference: found.method === 'exact' ? [] : [chiSquareReference(found.h, found.df, 'H')],
      follow: {
        ok: true,
        value: [
          {
            effects,
            simultaneous: false,
            ...(control === undefined ? { letters: lettersFor(parts, effects, level) } : {}),
          },
        ],
      },
      remarks: [
        ...remark,
        ...(found.method === 'exact'
          ? ['p of the overall test is exact: every arrangement of the ranks is counted.']
          : []),
        `${control === undefined ? 'Pairs are' : 'Each group is'} compared${control === undefined ? '' : ' with the control'} by their mean ranks (Dunn), p adjusted by Holm.`,
      ],
    };
  }
  const shuffled = method === 'shuffle' ? shuffledF(question, parts) : undefined;
  // With a spread that the groups share, one reading joins too.
  const least = spread === 'separate' && !shuffled ? 2 : 1;
  const summaries = parts.map((g) => summaryOf(g, least));
  const follow = brief ? {} : { follow: attempt(() => [followUp(question, parts, summaries)]) };
  const reported = parts.some((g) => g.readings.used.length === 0);
  // Welch's analysis has no pooled SD and no source table; the classical one stands for the sizes of both.
  const anova = attempt(() => (reported ? oneWayAnovaFromSummaries(summaries) : oneWayAnova(parts.map(valuesOf))));
  if (spread === 'separate' && !shuffled) {
    const found = welchAnova(summaries);
    return {
      p: found.p,
      tests: [{ symbol: 'F', value: found.f, df: [found.df1, found.df2], p: found.p }],
      sizes: [],
      reference: [fReference(found.f, found.df1, found.df2)],
      ...follow,
      remarks: ['Spreads may differ, so there is no pooled SD and no table of sums of squares.'],
    };
  }
  if (!anova.ok) {
    // Without spread within the groups there is no F to show, and the labels may still be permuted.
    demand(shuffled !== undefined, anova.reason);
    return {
      p: shuffled.p.greater,
      ...shuffledPart(shuffled, 'greater', level),
      sizes: [],
      reference: [],
      remarks: [
        `${arrangementWords(shuffled, choicesOf(question).seed)}; ${anova.reason.charAt(0).toLowerCase()}${anova.reason.slice(1)}`,
      ],
    };
  }
  const found = anova.value;
  const { between, within, total } = found;
  const p = shuffled?.p.greater ?? found.p;
  const { seed } = choicesOf(question);
  return {
    p,
    ...(shuffled
      ? shuffledPart(shuffled, 'greater', level)
      : { tests: [{ symbol: 'F', value: found.f, df: [between.df, within.df], p }] }),
    table: [
      { source: 'between groups', kind: 'effect', ...between, f: found.f, p },
      { source: 'within groups', kind: 'error', ...within },
      { source: 'total', kind: 'total', ...total },
    ],
    pooledSd: found.pooledSd,
    sizes: brief
      ? []
      : // Both estimate one share of the population's variation, which has one interval.
        [
          attempt((): Size => ({
            kind: 'eta',
            value: found.etaSquared,
            interval: etaSquaredInterval(found.f, between.df, within.df, level),
          })),
          { ok: true, value: { kind: 'omega', value: found.omegaSquared } },
        ],
    reference: shuffled ? [] : [fReference(found.f, between.df, within.df)],
    ...follow,
    remarks: shuffled
      ? [`${arrangementWords(shuffled, seed)}; what follows compares the means as after the analysis of variance.`]
      : judged === 'dunnett' && question.direction !== 'either'
        ? ['The comparisons with the control are one-sided; the analysis of variance has no direction.']
        : [],
  };
}
