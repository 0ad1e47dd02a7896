/** Comparisons taken the other way round, as a question asks for: the same tests, read from the other side. */
import type { Question } from '../question/question';
import { canTurn, isTurned } from '../question/turned';
import type { Comparison, JudgedEffect } from './comparison';

const around = (x: number, ratio: boolean): number => (ratio ? 1 / x : 0 - x);

/** "SD of A over B" as "SD of B over A". */
function nameAround(name: string, a: string, b: string): string {
  for (const joined of [' minus ', ' over ']) {
    const end = `${a}${joined}${b}`;
    if (name.endsWith(end)) return `${name.slice(0, -end.length)}${b}${joined}${a}`;
  }
  return name;
}

function effectAround(effect: JudgedEffect, nameOf: (id: string) => string): JudgedEffect {
  const { pair, ratio = false, interval, none, statistic } = effect;
  if (!pair) return effect;
  const [a, b] = pair;
  return {
    ...effect,
    name: nameAround(effect.name, nameOf(a), nameOf(b)),
    pair: [b, a],
    estimate: around(effect.estimate, ratio),
    ...(interval ? { interval: { low: around(interval.high, ratio), high: around(interval.low, ratio) } } : {}),
    ...(none === undefined ? {} : { none: around(none, ratio) }),
    // A range is measured without a sign.
    ...(statistic && (statistic.symbol === 't' || statistic.symbol === 'z')
      ? { statistic: { ...statistic, value: around(statistic.value, false) } }
      : {}),
  };
}

/** What was compared, each pair in the order the question asks for. @param groups the groups compared, for their names */
export function turnedRound(
  question: Question,
  comparison: Comparison,
  groups: readonly { id: string; name: string }[],
): Comparison {
  const { follow, cells } = comparison;
  if (question.turned === undefined || !canTurn(question) || !follow?.ok) return comparison;
  const levels = cells?.factors.flatMap((factor) => factor.levels) ?? [];
  const names = new Map([...levels, ...groups].map(({ id, name }) => [id, name]));
  const nameOf = (id: string): string => names.get(id) ?? id;
  return {
    ...comparison,
    follow: {
      ok: true,
      value: follow.value.map((part) => ({
        ...part,
        effects: part.effects.map((e) => (e.pair && isTurned(question, e.pair) ? effectAround(e, nameOf) : e)),
      })),
    },
  };
}
