/** Spread: how far readings scatter. */
import { quantile, sortedUp } from '../numeric/quantile';
import { sum } from '../numeric/sum';
import { bartlett, levene } from '../procedures/equal-spread';
import { spreadOfOne } from '../procedures/spread-of-one';
import { spreadOfTwo } from '../procedures/spread-of-two';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import type { JudgedEffect, Reference, Test } from './comparison';
import { chiSquareReference, fReference } from './references';
import { type GroupPart, demandReadings, summaryOf, valuesOf } from './group-part';

/** Interval of a group's SD, which takes its readings as normal; undefined without spread. */
export function sdInterval(group: GroupPart, level: number): { low: number; high: number } | undefined {
  const { summary } = group;
  if (!summary || !(summary.variance > 0)) return undefined;
  return spreadOfOne(Math.sqrt(summary.variance), summary.n, 1, level).sdInterval;
}

/** The ratio of two SDs with its interval, which takes both groups as normal. */
export function ratioOf(
  a: GroupPart,
  b: GroupPart,
  level: number,
  p: number,
): [sds: JudgedEffect, variances: JudgedEffect] {
  const { f, ratioInterval } = spreadOfTwo(summaryOf(a), summaryOf(b), level);
  const base = { pair: [a.id, b.id] as const, none: 1, ratio: true, p };
  return [
    {
      ...base,
      name: `SD of ${a.name} over ${b.name}`,
      estimate: Math.sqrt(f),
      interval: { low: Math.sqrt(ratioInterval.low), high: Math.sqrt(ratioInterval.high) },
    },
    { ...base, name: `variance of ${a.name} over ${b.name}`, estimate: f, interval: ratioInterval },
  ];
}

/** How far each group's readings lie from its centre. */
export const distancesOf = (parts: readonly GroupPart[], centre: 'mean' | 'median'): number[][] =>
  parts.map((g) => {
    const values = valuesOf(g);
    const middle = centre === 'mean' ? sum(values) / values.length : quantile(sortedUp(values), 0.5);
    return values.map((x) => Math.abs(x - middle));
  });

/** How the spreads of several groups are tested, with the curve the statistic is read from. */
export function testOf(question: Question, parts: readonly GroupPart[]): { test: Test; reference: Reference } {
  const { method } = choicesOf(question);
  if (method === 'bartlett') {
    const { chi2, df, p } = bartlett(parts.map((g) => summaryOf(g)));
    return { test: { symbol: 'χ²', value: chi2, df: [df], p }, reference: chiSquareReference(chi2, df) };
  }
  const readings = demandReadings(parts, method === 'levene' ? 'Levene’s test' : 'The Brown–Forsythe test');
  const { f, between, within, p } = levene(readings, method === 'levene' ? 'mean' : 'median');
  return {
    test: { symbol: 'F', value: f, df: [between.df, within.df], p },
    reference: fReference(f, between.df, within.df),
  };
}
