/** Which groups differ: comparisons after an analysis of several groups, judged together. */
import type { FollowUp } from '../question/options';
import { nth } from '../numeric/nth';
import { passes } from '../procedures/interval';
import { fisherF } from '../distributions/f';
import { maximumModulusUpper, maximumModulusUpperQuantile } from '../distributions/maximum-modulus';
import { studentT } from '../distributions/t';
import { attempt, demand } from '../numeric/domain-error';
import type { Direction } from '../procedures/direction';
import { type Adjustment, adjustP } from '../procedures/adjust-p';
import { contrast, separateContrast } from '../procedures/contrast';
import { dunnettTest } from '../procedures/dunnett-test';
import { letters } from '../procedures/letters';
import { allPairs, withinGroups } from '../procedures/pairwise';
import type { SampleSummary } from '../procedures/sample-summary';
import type { TTest } from '../procedures/t-test';
import { type RangePair, gamesHowellPair, tukeyKramer } from '../procedures/tukey-kramer';
import { leastOf, mostOf } from '../numeric/extremes';
import { choicesOf } from '../question/choices';
import { placesOf, trendOver } from '../question/placed';
import type { Question } from '../question/question';
import type { Effect, FollowUpPart, JudgedEffect } from './comparison';

/** A group by what comparisons call it. */
export interface Named {
  id: string;
  name: string;
}

/** More comparisons than this are a table nobody reads, and cost more than anybody waits. */
export const mostComparisons = 5000;

/** A comparison before it is judged with the others. */
export interface Raw {
  name: string;
  pair?: [string, string];
  cells?: Effect['cells'];
  estimate: number;
  se: number;
  df: number;
  t: number;
  p: number;
}

/** Whether comparisons are judged by adjusting their p-values. */
export const isAdjustment = (follow: FollowUp): follow is Adjustment =>
  ['unadjusted', 'bonferroni', 'holm', 'sidak', 'benjamini-hochberg'].includes(follow);

/** Every two of these, each pair once, in their order. */
export const pairsOf = <T>(all: readonly T[]): [T, T][] =>
  all.flatMap((a, i) => all.slice(i + 1).map((b): [T, T] => [a, b]));

/** Effects with their p-values adjusted together; a method that adjusts none of them gives way to Holm's. */
export function adjusted(effects: readonly JudgedEffect[], follow: FollowUp): JudgedEffect[] {
  const p = adjustP(
    effects.map((e) => e.p),
    isAdjustment(follow) ? follow : 'holm',
  );
  return effects.map((e, i) => ({ ...e, p: p[i] ?? 1, alone: e.p }));
}

/** What an attempt at a comparison left: what can be judged, and what cannot, with the reason. */
interface Sorted<T> {
  judged: T[];
  left: { name: string; why: string }[];
}

/** Comparisons made one by one: one that cannot be judged leaves the others standing. */
export function eachByItself<T, R>(all: readonly T[], nameOf: (of: T) => string, made: (of: T) => R): Sorted<R> {
  const out: Sorted<R> = { judged: [], left: [] };
  for (const one of all) {
    const found = attempt(() => made(one));
    if (found.ok) out.judged.push(found.value);
    else out.left.push({ name: nameOf(one), why: found.reason });
  }
  return out;
}

/** Comparisons before they are judged, at one level of another factor where there is one. */
export interface RawPart extends Sorted<Raw> {
  within?: string;
}

/** What each interval of m may err by: where they are simultaneous, so that all together err by α. */
export function errorOfEach(follow: FollowUp, m: number, level: number): number {
  const alpha = 1 - level;
  return follow === 'bonferroni' ? alpha / m : follow === 'sidak' ? -Math.expm1(Math.log1p(-alpha) / m) : alpha;
}

/**
 * Comparisons judged by adjusting their p-values, all that are shown as one family. Bonferroni and Šidák have
 * simultaneous intervals; after Holm, and Benjamini and Hochberg, each interval stands on its own. One-sided comparisons
 * have an end only on their side.
 */
export function judgedByP(
  parts: readonly RawPart[],
  follow: Adjustment,
  level: number,
  direction: Direction = 'either',
): FollowUpPart[] {
  const all = parts.flatMap((part) => part.judged);
  const p = adjustP(
    all.map((r) => r.p),
    follow,
  );
  const m = all.length;
  const simultaneous = follow === 'bonferroni' || follow === 'sidak';
  const each = errorOfEach(follow, m, level);
  const criticalOf = (df: number): number => studentT(df).upperQuantile(direction === 'either' ? each / 2 : each);
  const [first] = all;
  const same = new Set(all.map((r) => r.df)).size === 1;
  const bounded = simultaneous || follow === 'unadjusted';
  let at = 0;
  return parts.map(({ judged, left, within }) => ({
    simultaneous,
    family: m,
    ...(left.length > 0 ? { left } : {}),
    ...(within === undefined ? {} : { within }),
    ...(bounded && same && first !== undefined ? { critical: { symbol: 't', value: criticalOf(first.df) } } : {}),
    effects: judged.map((r): JudgedEffect => {
      const reach = criticalOf(r.df) * r.se;
      return {
        name: r.name,
        ...(r.pair ? { pair: r.pair } : {}),
        ...(r.cells ? { cells: r.cells } : {}),
        estimate: r.estimate,
        se: r.se,
        df: r.df,
        statistic: { symbol: 't', value: r.t },
        interval: {
          low: direction === 'less' ? -Infinity : r.estimate - reach,
          high: direction === 'greater' ? Infinity : r.estimate + reach,
        },
        p: p[at++] ?? 1,
        alone: r.p,
        ...(bounded ? { smallest: reach } : {}),
      };
    }),
  }));
}

/** The comparisons a question asks for, each a weighted sum of means, adjusted together; with letters where all pairs are compared. */
export function comparedBy(
  question: Question,
  groups: readonly Named[],
  effect: (weights: readonly number[]) => TTest,
): FollowUpPart {
  const { follow, compare } = choicesOf(question);
  if (compare === 'all') demandFewPairs(groups.length);
  const direction = compare === 'control' ? question.direction : 'either';
  const raw = eachByItself(
    comparisonsAsked(question, groups),
    (of) => of.name,
    ({ name, pair, weights }): Raw => {
      const { estimate, se, df, t, p } = effect(weights);
      return { name, ...(pair ? { pair } : {}), estimate, se, df, t, p: p[direction] };
    },
  );
  demand(raw.judged.length > 0, raw.left[0]?.why ?? 'There is no comparison to make.');
  const [part] = judgedByP([raw], isAdjustment(follow) ? follow : 'holm', question.level, direction);
  if (!part || compare !== 'all' || part.left) return part ?? { effects: [], simultaneous: false };
  return { ...part, letters: lettersFor(groups, part.effects, question.level) };
}

/** Letters for groups of which all pairs were compared: those that share one do not differ. */
export function lettersFor(
  groups: readonly Named[],
  effects: readonly JudgedEffect[],
  level: number,
): { id: string; letters: string }[] {
  const apart = new Set(
    effects.filter((e) => passes(e.p, level) && e.pair).map((e) => [...(e.pair ?? [])].sort().join('\n')),
  );
  const shown = letters(groups.length, (i, j) => apart.has([nth(groups, i).id, nth(groups, j).id].sort().join('\n')));
  return groups.map((g, i) => ({ id: g.id, letters: nth(shown, i) }));
}

/** What a pair of groups, by their places, is called. */
export const pairNamed = (
  groups: readonly Named[],
  a: number,
  b: number,
): { name: string; pair: [string, string] } => ({
  name: `${nth(groups, a).name} minus ${nth(groups, b).name}`,
  pair: [nth(groups, a).id, nth(groups, b).id],
});

/** The place of the control; the first group while none is named, or the one named is not compared. */
export const controlPlace = (question: Question, groups: readonly Named[]): number =>
  Math.max(
    0,
    groups.findIndex((g) => g.id === question.control),
  );

/** The weights of each comparison asked for, over the groups in their order. */
export function comparisonsAsked(
  question: Question,
  groups: readonly Named[],
): { name: string; pair?: [string, string]; weights: number[] }[] {
  const { compare } = choicesOf(question);
  const place = (id: string): number => groups.findIndex((g) => g.id === id);
  const pairOf = (i: number, j: number) => ({
    ...pairNamed(groups, i, j),
    weights: groups.map((_, k) => (k === i ? 1 : k === j ? -1 : 0)),
  });
  switch (compare) {
    case 'all':
      return allPairs(groups.length).map(([i, j]) => pairOf(i, j));
    case 'control': {
      const control = controlPlace(question, groups);
      return groups.flatMap((_, i) => (i === control ? [] : [pairOf(i, control)]));
    }
    case 'steps':
      return groups.slice(1).map((_, i) => pairOf(i + 1, i));
    case 'trend': {
      const names = groups.map((g) => g.name);
      const places = placesOf(question, names);
      const at = (place: number): string => nth(names, places.indexOf(place));
      const [from, to] = [at(leastOf(places)), at(mostOf(places))];
      return [{ name: `linear trend from ${from} to ${to}`, weights: trendOver(places) }];
    }
    case 'chosen': {
      const pairs = (question.pairs ?? []).filter(([a, b]) => a !== b && place(a) >= 0 && place(b) >= 0);
      demand(pairs.length > 0, 'No pairs are chosen yet: choose those to compare.');
      return pairs.map(([a, b]) => pairOf(place(a), place(b)));
    }
    case 'contrasts': {
      const own = question.contrasts ?? [];
      demand(own.length > 0, 'No contrast is written yet: give each group its weight.');
      return own.map(({ name, weights }) => ({
        name:
          name ||
          groups
            .filter((g) => weights[g.id])
            .map((g) => `${String(weights[g.id])} × ${g.name}`)
            .join(' + '),
        weights: groups.map((g) => weights[g.id] ?? 0),
      }));
    }
  }
}

/** @throws DomainError where all pairs of so many groups are more than anyone reads */
export function demandFewPairs(k: number): void {
  demand(
    (k * (k - 1)) / 2 <= mostComparisons,
    `${k} groups make ${(k * (k - 1)) / 2} pairs, more than anyone reads: compare with a control, or choose pairs.`,
  );
}

/** The comparisons of independent groups that the question asks for. */
export function followUp(
  question: Question,
  groups: readonly Named[],
  summaries: readonly SampleSummary[],
): FollowUpPart {
  const { follow, spread, compare } = choicesOf(question);
  const { level } = question;
  const k = groups.length;
  if (compare === 'all') demandFewPairs(k);
  const withLetters = (part: FollowUpPart): FollowUpPart =>
    compare === 'all' && !part.left ? { ...part, letters: lettersFor(groups, part.effects, level) } : part;
  const named = ([a, b]: readonly [number, number]): string => pairNamed(groups, a, b).name;
  const byRange = (pair: RangePair): JudgedEffect => ({
    ...pairNamed(groups, pair.a, pair.b),
    estimate: pair.difference,
    se: pair.se,
    df: pair.df,
    statistic: { symbol: 'q', value: pair.q },
    interval: pair.interval,
    p: pair.p,
    smallest: pair.smallestSignificant,
  });
  if (follow === 'tukey') {
    const { pairs, criticalQ } = tukeyKramer(summaries, level);
    return withLetters({
      effects: pairs.map(byRange),
      simultaneous: true,
      critical: { symbol: 'q', value: criticalQ },
    });
  }
  if (follow === 'games-howell') {
    const { judged, left } = eachByItself(allPairs(k), named, (pair) => gamesHowellPair(summaries, pair, level));
    demand(judged.length > 0, left[0]?.why ?? 'There is no pair to compare.');
    return withLetters({ effects: judged.map(byRange), simultaneous: true, ...(left.length > 0 ? { left } : {}) });
  }
  if (follow === 'dunnett-t3') {
    const asked = comparisonsAsked(question, groups);
    const m = asked.length;
    const { judged, left } = eachByItself(
      asked,
      (of) => of.name,
      ({ name, pair, weights }): JudgedEffect => {
        const { estimate, se, df, t } = separateContrast(summaries, weights, level);
        const reach = maximumModulusUpperQuantile(1 - level, m, df) * se;
        return {
          name,
          ...(pair ? { pair } : {}),
          estimate,
          se,
          df,
          statistic: { symbol: 't', value: t },
          interval: { low: estimate - reach, high: estimate + reach },
          p: Math.max(maximumModulusUpper(Math.abs(t), m, df), Number.MIN_VALUE),
          smallest: reach,
        };
      },
    );
    demand(judged.length > 0, left[0]?.why ?? 'There is no pair to compare.');
    return withLetters({ effects: judged, simultaneous: true, family: m, ...(left.length > 0 ? { left } : {}) });
  }
  if (follow === 'dunnett') {
    const { pairs, criticalT } = dunnettTest(summaries, controlPlace(question, groups), level, question.direction);
    return {
      simultaneous: true,
      critical: { symbol: 'd', value: criticalT },
      effects: pairs.map((pair) => ({
        ...pairNamed(groups, pair.a, pair.b),
        estimate: pair.difference,
        se: pair.se,
        df: pair.df,
        statistic: { symbol: 't', value: pair.t },
        interval: pair.interval,
        p: pair.p,
        smallest: criticalT * pair.se,
      })),
    };
  }
  const comparisons = comparisonsAsked(question, groups);
  if (follow === 'scheffe') {
    const { df } = withinGroups(summaries);
    const critical = Math.sqrt((k - 1) * fisherF(k - 1, df).upperQuantile(1 - level));
    return withLetters({
      simultaneous: true,
      critical: { symbol: '√((k − 1)F)', value: critical },
      effects: comparisons.map(({ name, pair, weights }) => {
        const found = contrast(summaries, weights, level);
        return {
          name,
          ...(pair ? { pair } : {}),
          estimate: found.estimate,
          se: found.se,
          df: found.df,
          statistic: { symbol: 't', value: found.t },
          interval: found.scheffe.interval,
          p: found.scheffe.p,
          smallest: critical * found.se,
        };
      }),
    });
  }
  // A direction is that of the comparisons with the control; pairs and contrasts have none.
  const direction = compare === 'control' ? question.direction : 'either';
  const raw = eachByItself(
    comparisons,
    (of) => of.name,
    ({ name, pair, weights }): Raw => {
      const found = (spread === 'pooled' ? contrast : separateContrast)(summaries, weights, level);
      return {
        name,
        ...(pair ? { pair } : {}),
        estimate: found.estimate,
        se: found.se,
        df: found.df,
        t: found.t,
        p: found.p[direction],
      };
    },
  );
  demand(raw.judged.length > 0, raw.left[0]?.why ?? 'There is no comparison to make.');
  const [part] = judgedByP([raw], isAdjustment(follow) ? follow : 'holm', level, direction);
  return withLetters(part ?? { effects: [], simultaneous: false });
}
