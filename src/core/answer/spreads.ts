/** Spread: how far readings scatter, of one group against a stated SD, of two, of several. */
import { DomainError, attempt, demand } from '../numeric/domain-error';
import { quantile, sortedUp } from '../numeric/quantile';
import { bartlett, levene } from '../procedures/equal-spread';
import { pitmanMorgan } from '../procedures/pitman-morgan';
import { spreadOfOne } from '../procedures/spread-of-one';
import { spreadOfTwo } from '../procedures/spread-of-two';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import type { Comparison, Effect, Reference, Test } from './comparison';
import { chiSquareReference, fReference } from './references';
import { adjusted, eachByItself, pairsOf } from './follow-up';
import type { Table } from '../readings/table';
import { type GroupPart, demandOneUnit, demandReadings, summaryOf, valuesOf } from './group-part';
import { demandPairs } from './two-groups';

/** Interval of a group's SD, which takes its readings as normal; undefined without spread. */
export function sdInterval(group: GroupPart, level: number): { low: number; high: number } | undefined {
  const { summary } = group;
  if (!summary || !(summary.variance > 0)) return undefined;
  return spreadOfOne(Math.sqrt(summary.variance), summary.n, 1, level).sdInterval;
}

function compareOne(question: Question, group: GroupPart): Comparison {
  const { value } = choicesOf(question);
  const { level, direction } = question;
  const { n, variance } = summaryOf(group);
  demand(value > 0, `A standard deviation is above 0, and is here held against ${value}: type the one stated.`);
  demand(variance > 0, `All readings of ${group.name} are the same: with no spread there is nothing to compare.`);
  const sd = Math.sqrt(variance);
  const found = spreadOfOne(sd, n, value, level);
  const p = found.p[direction];
  return {
    p,
    effect: { name: `SD of ${group.name}`, estimate: sd, none: value, interval: found.sdInterval, p },
    also: [
      { name: `variance of ${group.name}`, estimate: variance, none: value ** 2, interval: found.varianceInterval, p },
    ],
    tests: [{ symbol: 'χ²', value: found.chi2, df: [found.df], p }],
    sizes: [],
    reference: [chiSquareReference(found.chi2, found.df, 'χ²', direction)],
    remarks: [],
  };
}

/** The ratio of two SDs with its interval, which takes both groups as normal. */
function ratioOf(a: GroupPart, b: GroupPart, level: number, p: number): [sds: Effect, variances: Effect] {
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
    const middle = centre === 'mean' ? (g.summary?.mean ?? 0) : quantile(sortedUp(values), 0.5);
    return values.map((x) => Math.abs(x - middle));
  });

/** How the spreads of several groups are tested, with the curve the statistic is read from. */
function testOf(question: Question, parts: readonly GroupPart[]): { test: Test; reference: Reference } {
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

function compareTwo(question: Question, a: GroupPart, b: GroupPart): Comparison {
  const { method } = choicesOf(question);
  const { level, direction } = question;
  demand(a.id !== b.id, 'A group cannot be compared with itself: choose two different groups.');
  demandOneUnit([a, b]);
  const found = spreadOfTwo(summaryOf(a), summaryOf(b), level);
  if (method === 'f') {
    const p = found.p[direction];
    const [sds, variances] = ratioOf(a, b, level, p);
    return {
      p,
      effect: sds,
      also: [variances],
      tests: [{ symbol: 'F', value: found.f, df: [found.df1, found.df2], p }],
      sizes: [],
      reference: [fReference(found.f, found.df1, found.df2, direction)],
      remarks: [],
    };
  }
  if (direction !== 'either')
    throw new DomainError(
      'Distances from the centre are compared two-sided only: ask whether the spreads differ, or compare the variances by F.',
    );
  const { test, reference } = testOf(question, [a, b]);
  const [sds, variances] = ratioOf(a, b, level, test.p);
  return {
    p: test.p,
    effect: sds,
    also: [variances],
    tests: [test],
    sizes: [],
    reference: [reference],
    remarks: ['The interval of the ratio takes both groups as normal, which the test does not.'],
  };
}

function compareSeveral(question: Question, parts: readonly GroupPart[]): Comparison {
  const { method, follow } = choicesOf(question);
  demandOneUnit(parts);
  demand(parts.length > 1, 'At least two groups are needed.');
  const { test, reference } = testOf(question, parts);
  return {
    p: test.p,
    tests: [test],
    sizes: [],
    reference: [reference],
    follow: attempt(() => {
      const { judged, left } = eachByItself(
        pairsOf(parts),
        ([a, b]) => `SD of ${a.name} over ${b.name}`,
        ([a, b]) => ratioOf(a, b, question.level, testOf(question, [a, b]).test.p)[0],
      );
      demand(judged.length > 0, left[0]?.why ?? 'There is no pair to compare.');
      return [
        {
          effects: adjusted(judged, follow),
          simultaneous: false,
          family: judged.length,
          ...(left.length > 0 ? { left } : {}),
        },
      ];
    }),
    remarks:
      method === 'bartlett' ? [] : ['The intervals of the ratios take the groups as normal, which the test does not.'],
  };
}

/** The same subjects in both groups: sums and differences within pairs tell whether the spreads differ. */
function comparePaired(question: Question, table: Table, a: GroupPart, b: GroupPart): Comparison {
  const { level, direction } = question;
  demand(a.id !== b.id, 'A group cannot be compared with itself: choose two different groups.');
  demandOneUnit([a, b]);
  const pairing = demandPairs(table, a, b);
  const [x, y] = [pairing.pairs.map((p) => p.a.value), pairing.pairs.map((p) => p.b.value)];
  const found = pitmanMorgan(x, y, level);
  const p = found.p[direction];
  const { low, high } = found.ratioInterval;
  const base = { pair: [a.id, b.id] as const, none: 1, ratio: true, p };
  return {
    p,
    effect: {
      ...base,
      name: `SD of ${a.name} over ${b.name}`,
      estimate: Math.sqrt(found.ratio),
      interval: { low: Math.sqrt(low), high: Math.sqrt(high) },
    },
    also: [
      {
        ...base,
        name: `variance of ${a.name} over ${b.name}`,
        estimate: found.ratio,
        interval: found.ratioInterval,
      },
    ],
    tests: [{ symbol: 't', value: found.t, df: [found.df], p }],
    sizes: [],
    pairing,
    reference: [{ distribution: 't', parameters: { df: found.df }, symbol: 't', statistic: found.t, direction }],
    remarks: [],
  };
}

/** The spreads of the groups asked about. */
export function compareSpreads(question: Question, table: Table, parts: readonly GroupPart[]): Comparison {
  const [a, b] = parts;
  demand(a !== undefined, 'There is no group with readings.');
  if (question.design === 'one-sample') return compareOne(question, a);
  if (question.design === 'two-groups' || question.design === 'paired') {
    demand(b !== undefined, 'Two groups are needed.');
    return question.design === 'paired' ? comparePaired(question, table, a, b) : compareTwo(question, a, b);
  }
  demand(
    question.design !== 'repeated',
    'Spreads of the same subjects under three or more conditions have no test here: compare two conditions in pairs.',
  );
  return compareSeveral(question, parts);
}
