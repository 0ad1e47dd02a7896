/** A plan as its address describes it, and what is found from it. */
import { choiceNames } from '../../core/words/choice-names';
import { useMemo } from 'react';
import {
  type Plan,
  type PlanDesign,
  effectFor,
  isDirected,
  planDesigns,
  powerAt,
  roundedOut,
  sampleFor,
  usualDifference,
  usualPlan,
} from '../../core/planning/plan';
import { type Query, numberOf, useAddress } from './address';

/** What is found from the rest. */
export const asks = {
  n: 'how many to take',
  power: 'how surely it is found',
  difference: 'how small a difference is found',
} as const;
export type Ask = keyof typeof asks;

/** The plan its address describes. */
function planOf(query: Query): Plan {
  const design = (query['design'] ?? '') in planDesigns ? (query['design'] as PlanDesign) : 'two-groups';
  const direction =
    isDirected(design) && (query['direction'] ?? '') in choiceNames.direction
      ? (query['direction'] as Plan['direction'])
      : 'either';
  const share = numberOf(query, 'share') ?? usualPlan.share;
  const whole = (key: string, usual: number): number => Math.max(2, Math.round(numberOf(query, key) ?? usual));
  return {
    design,
    difference: numberOf(query, 'difference') ?? usualDifference({ design, direction, share }),
    sd: numberOf(query, 'sd') ?? usualPlan.sd,
    alpha: numberOf(query, 'alpha') ?? usualPlan.alpha,
    direction,
    groups: whole(
      'groups',
      design === 'nested' || design === 'adjusted'
        ? 2
        : design === 'factorial' || design === 'repeated' || design === 'mixed' || design === 'blocked'
          ? 3
          : usualPlan.groups,
    ),
    levels: whole('levels', usualPlan.levels),
    ratio: numberOf(query, 'ratio') ?? 1,
    correlation: numberOf(query, 'correlation') ?? usualPlan.correlation,
    readings: Math.max(1, Math.round(numberOf(query, 'readings') ?? (design === 'blocked' ? 1 : usualPlan.readings))),
    share,
  };
}

/** What the plan asks for. */
function useFound(key: string) {
  return useMemo(() => {
    const [plan, ask, wanted, n] = JSON.parse(key) as [Plan, Ask, number, number];
    return ask === 'n' ? sampleFor(plan, wanted) : ask === 'power' ? powerAt(plan, n) : effectFor(plan, n, wanted);
  }, [key]);
}

/** The plan that stands in the address, with what is asked of it and what that comes to. */
export function usePlanned() {
  const { query, change, drag } = useAddress();
  const plan = planOf(query);
  const ask: Ask = (query['ask'] ?? '') in asks ? (query['ask'] as Ask) : 'n';
  const wanted = (numberOf(query, 'power') ?? 80) / 100;
  const loss = Math.min(0.9, Math.max(0, (numberOf(query, 'loss') ?? 0) / 100));
  const pilot = numberOf(query, 'pilot');
  const unit = query['unit'] ?? '';
  const subject = query['subject'] ?? '';
  const given = Math.max(2, Math.round(numberOf(query, 'n') ?? 20));
  // Some plans take their time: found anew only when the plan has changed.
  const found = useFound(JSON.stringify([plan, ask, wanted, given]));
  const n = found.ok && ask === 'n' ? found.value : given;
  const shown: Plan = found.ok && ask === 'difference' ? { ...plan, difference: roundedOut(found.value) } : plan;
  const power = found.ok && ask === 'power' ? found : powerAt(shown, n);
  return { query, change, drag, plan, ask, wanted, loss, pilot, unit, subject, given, found, n, shown, power };
}
export type Planned = ReturnType<typeof usePlanned>;
