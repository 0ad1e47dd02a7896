/** Planning a sample: power, n and the effect that can be found, each from the other two, in the person's own units. */
import { DomainError, type Outcome, attempt, demand } from '../numeric/domain-error';
import type { Direction } from '../procedures/direction';
import { normal } from '../distributions/normal';
import {
  adjustedPower,
  blockedPower,
  detectableEffect,
  nestedPower,
  oneWayAnovaPower,
  pairedTPower,
  repeatedMeasuresPower,
  smallestSample,
  twoGroupsTPower,
  twoProportionsPower,
  twoWayAnovaPower,
  withinBetweenPower,
} from '../procedures/power';

/** Designs that can be planned. */
export const planDesigns = {
  'two-groups': 'two groups',
  paired: 'the same subjects in both',
  'one-sample': 'one group against a value',
  several: 'several groups',
  factorial: 'two factors',
  repeated: 'the same subjects throughout',
  mixed: 'two groups of subjects throughout',
  nested: 'groups of samples read several times',
  adjusted: 'groups adjusted for a covariate',
  blocked: 'groups within blocks',
  shares: 'two shares',
} as const;
export type PlanDesign = keyof typeof planDesigns;

/** Whether what is planned sets two against each other, or one against a value, so that its test can have a direction. */
export const isDirected = (design: PlanDesign): boolean =>
  design === 'two-groups' || design === 'paired' || design === 'one-sample' || design === 'shares';

export interface Plan {
  design: PlanDesign;
  /** The difference to be found: of the means, of the largest and smallest mean, or of the shares. */
  difference: number;
  /** SD within groups; of paired readings that of the differences. */
  sd: number;
  alpha: number;
  direction: Direction;
  /** Groups, or levels of the first factor, or conditions. */
  groups: number;
  /** Levels of the second factor. */
  levels: number;
  /** Of two groups: how many times the first the second is. */
  ratio: number;
  /**
   * Correlation of a subject's readings, where each is read throughout, of two readings of one sample or of one block, or
   * of a reading with its covariate.
   */
  correlation: number;
  /** Readings of each sample, or of each group in a block. */
  readings: number;
  /** The share in the first group, of two shares. */
  share: number;
}

/** A difference to begin with: the way the test looks, and of shares one there is room for. */
export function usualDifference({ design, direction, share }: Pick<Plan, 'design' | 'direction' | 'share'>): number {
  if (design !== 'shares') return direction === 'less' ? -usualPlan.difference : usualPlan.difference;
  const sign = direction === 'less' || (direction === 'either' && share > 0.75) ? -1 : 1;
  return sign * Number(Math.min(0.2, (sign > 0 ? 1 - share : share) / 2).toPrecision(2));
}

/** What a question that was asked knows of spread: for a plan of the next experiment. */
export interface KnownSpread {
  id: string;
  name: string;
  study: string;
  design: PlanDesign;
  unit: string;
  subject: string;
  /** Pooled within groups; of pairs that of the differences. */
  sd: number;
  /** Readings it rests on. */
  n: number;
  /** Of samples read several times, of blocks, or with a covariate: as in the plan. */
  correlation?: number;
  readings?: number;
}

export const usualPlan: Plan = {
  design: 'two-groups',
  difference: 3,
  sd: 4,
  alpha: 0.05,
  direction: 'either',
  groups: 4,
  levels: 2,
  ratio: 1,
  correlation: 0.5,
  readings: 3,
  share: 0.4,
};

/**
 * Spread of equally spaced means whose ends are `d` SDs apart, in SDs within groups (Cohen's f for his pattern of equal
 * steps). Source: Cohen (1988), 8.2.1.
 */
const steppedF = (d: number, k: number): number => (Math.abs(d) / 2) * Math.sqrt((k + 1) / (3 * (k - 1)));

/** Whether the pooled large-sample test rejects at so many successes. */
function rejects(plan: Plan, n1: number, n2: number): (x1: number, x2: number) => boolean {
  const cut = normal.upperQuantile(plan.direction === 'either' ? plan.alpha / 2 : plan.alpha);
  return (x1, x2) => {
    const pooled = (x1 + x2) / (n1 + n2);
    const se = Math.sqrt(pooled * (1 - pooled) * (1 / n1 + 1 / n2));
    if (se === 0) return false;
    const z = (x2 / n2 - x1 / n1) / se;
    return plan.direction === 'either' ? Math.abs(z) >= cut : plan.direction === 'greater' ? z >= cut : -z >= cut;
  };
}

/** Power with `n` in each group (pairs, subjects, readings a cell). @throws DomainError */
function power(plan: Plan, n: number, difference = plan.difference): number {
  const { design, sd, alpha, direction, groups, levels, ratio, correlation, readings, share } = plan;
  demand(alpha > 0 && alpha < 0.5, 'The level must lie between 0 and 0.5.');
  demand(design === 'shares' || sd > 0, 'The standard deviation must be above 0.');
  const d = difference / (sd || 1);
  switch (design) {
    case 'two-groups':
      demand(ratio > 0, 'The second group must be some share of the first, above 0.');
      return twoGroupsTPower(d, n, Math.max(2, Math.round(n * ratio)), alpha, direction);
    case 'paired':
    case 'one-sample':
      return pairedTPower(d, n, alpha, direction);
    case 'several':
      return oneWayAnovaPower(steppedF(d, groups), groups, n, alpha);
    case 'factorial':
      // The first factor's main effect, its means in equal steps, averaged over the levels of the second.
      return twoWayAnovaPower(steppedF(d, groups), groups - 1, groups * levels, n, alpha);
    case 'repeated':
      return repeatedMeasuresPower(steppedF(d, groups), groups, n, correlation, alpha);
    case 'mixed':
      // Groups alike under the first condition part in equal steps; half of what parts them is the interaction’s effect.
      return withinBetweenPower(steppedF(d, groups) / 2, 2, groups, n, correlation, alpha);
    case 'nested':
      return nestedPower(steppedF(d, groups), groups, n, readings, correlation, alpha);
    case 'adjusted':
      return adjustedPower(steppedF(d, groups), groups, n, correlation, alpha);
    case 'blocked':
      return blockedPower(steppedF(d, groups), groups, n, readings, correlation, alpha);
    case 'shares': {
      const other = share + difference;
      demand(share > 0 && share < 1, 'The share in the first group must lie between 0 and 1.');
      demand(
        other > 0 && other < 1,
        `A share of ${share} with a difference of ${difference} leaves 0 to 1: choose a smaller one.`,
      );
      const n2 = Math.max(2, Math.round(n * ratio));
      return twoProportionsPower(share, n, other, n2, rejects(plan, n, n2));
    }
  }
}

/** Power with so many in each group. */
export const powerAt = (plan: Plan, n: number, difference?: number): Outcome<number> =>
  attempt(() => {
    const least = leastOf(plan);
    demand(
      Number.isInteger(n) && n >= least,
      `Each group needs a whole number of readings, ${least === 2 ? 'two' : 'three'} at least.`,
    );
    return power(plan, n, difference);
  });

/** The fewest in each group that a plan can have: a slope takes a reading more. */
const leastOf = ({ design, groups }: Plan): number => (design === 'adjusted' && groups === 2 ? 3 : 2);

/** The most in a group that a plan of shares looks for. */
const mostOfShares = 100_000;

/** Whether the test looks for a difference of the other sign. */
export const isAgainstDirection = ({ design, direction, difference }: Plan): boolean =>
  isDirected(design) && direction !== 'either' && difference !== 0 && difference > 0 !== (direction === 'greater');

/** Why such a plan finds nothing. */
export const againstDirectionTold = ({ direction }: Pick<Plan, 'direction'>): string =>
  `The test is for a difference ${direction === 'less' ? 'below 0, and the one to be found lies above' : 'above 0, and the one to be found lies below'}: no number would find it.`;

/** A difference to three figures, away from 0: a smaller one would not reach the power. */
export function roundedOut(x: number): number {
  const step = 10 ** (Math.floor(Math.log10(Math.abs(x))) - 2);
  return Number((Math.sign(x) * Math.ceil(Math.abs(x) / step - 1e-6) * step).toPrecision(3));
}

/** The least number in each group that reaches the power wanted. */
export const sampleFor = (plan: Plan, wanted: number): Outcome<number> =>
  attempt(() => {
    demand(wanted > 0 && wanted < 1, 'The power wanted must lie between 0 and 1.');
    demand(plan.difference !== 0, 'Without a difference there is nothing to find: no number of readings would.');
    demand(!isAgainstDirection(plan), againstDirectionTold(plan));
    // The exact power of counts goes up and down by steps; from where it stays above counts.
    if (plan.design === 'shares') {
      let from = 4;
      while (2 * from <= mostOfShares && power(plan, 2 * from) < wanted) from *= 2;
      for (let n = from; n <= mostOfShares; n = Math.ceil(n * 1.02 + 0.01))
        if (power(plan, n) >= wanted) {
          let least = n;
          while (least > 4 && power(plan, least - 1) >= wanted) least -= 1;
          return least;
        }
      throw new DomainError(
        `No number up to ${mostOfShares} in a group reaches this power: the difference is too small to be found.`,
      );
    }
    return smallestSample((n) => power(plan, n), wanted, leastOf(plan));
  });

/**
 * The difference that so many in each group would find with the power wanted, below 0 where the test is for less. Of two
 * shares tested two-sided it is the one above, or the one below where there is no room above.
 */
export const effectFor = (plan: Plan, n: number, wanted: number): Outcome<number> =>
  attempt(() => {
    const ways = isDirected(plan.design) && plan.direction === 'less' ? [-1] : [1];
    if (plan.design !== 'shares') {
      const [sign = 1] = ways;
      return sign * detectableEffect((e) => power(plan, n, sign * e * plan.sd), wanted) * plan.sd;
    }
    if (plan.direction === 'either') ways.push(-1);
    const furthest = (sign: number): number => (sign > 0 ? 1 - plan.share : plan.share) - 1e-6;
    const sign = ways.find((way) => power(plan, n, way * furthest(way)) >= wanted);
    demand(sign !== undefined, 'No difference of shares reaches this power with so few: take more.');
    let [low, high] = [0, furthest(sign)];
    for (let i = 0; i < 40; i++) {
      const middle = (low + high) / 2;
      if (power(plan, n, sign * middle) < wanted) low = middle;
      else high = middle;
    }
    return sign * high;
  });

/** What one sample costs, and one reading of it. */
export interface Costs {
  sample: number;
  reading: number;
}

/** A way to spread readings over samples: how many samples each group then takes, and what all costs. */
export interface Spending {
  readings: number;
  samples: number;
  cost: number;
}

/**
 * More readings or more samples? For every number of readings of a sample the samples that reach the power, with what all
 * of them cost; the cheapest lies near √(cost of a sample / cost of a reading · (1 − ρ)/ρ) readings (Cochran, 1977, 10.6).
 */
export function spendings(plan: Plan, wanted: number, costs: Costs, most = 12): Spending[] {
  return Array.from({ length: most }, (_, i) => i + 1).flatMap((readings): Spending[] => {
    const found = sampleFor({ ...plan, design: 'nested', readings }, wanted);
    if (!found.ok) return [];
    const samples = found.value;
    return [{ readings, samples, cost: plan.groups * samples * (costs.sample + readings * costs.reading) }];
  });
}

/** How many each group would take were nothing adjusted for, or no block told: to see what it spares. */
export const withoutAdjusting = (plan: Plan, wanted: number): Outcome<number> =>
  sampleFor({ ...plan, design: 'several' }, wanted);

/** How many are needed, or begun with, by group and in all. */
export interface Numbers {
  each: number[];
  total: number;
}

const summed = (each: number[]): Numbers => ({ each, total: each.reduce((a, b) => a + b, 0) });

/** Whether groups take different numbers. */
export const isUneven = ({ each }: Numbers): boolean => each.some((k) => k !== each[0]);

/** How many are needed in all, by group. */
export function totalOf({ design, groups, levels, ratio, readings }: Plan, n: number): Numbers {
  const each =
    design === 'mixed'
      ? [n, n]
      : design === 'two-groups' || design === 'shares'
        ? [n, Math.max(2, Math.round(n * ratio))]
        : design === 'several' || design === 'nested' || design === 'adjusted'
          ? new Array<number>(groups).fill(n)
          : design === 'factorial'
            ? new Array<number>(groups * levels).fill(n)
            : design === 'blocked'
              ? new Array<number>(groups).fill(n * readings)
              : [n];
  return summed(each);
}

/** How many to begin with, by group, where a share of each will be lost; of blocks whole ones are lost. */
export function begunWith(plan: Plan, n: number, loss: number): Numbers {
  const toBegin = (k: number): number => Math.ceil(k / (1 - loss));
  return plan.design === 'blocked' ? totalOf(plan, toBegin(n)) : summed(totalOf(plan, n).each.map(toBegin));
}
