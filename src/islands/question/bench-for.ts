import type { Answer } from '../../core/answer/answer';
import { planOfAnswer } from '../../core/answering/known-spread';
import { named } from '../../core/distributions/named';
import { attempt } from '../../core/numeric/domain-error';
import { curves } from '../../core/planning/curve-reading';
import { alphaOf } from '../../core/procedures/interval';
import { criticalValuesOf, rejectionOf } from '../../core/procedures/rejection';
import { shortQuestion } from '../../core/telling/question';
import { type BenchLinks, benchHome } from '../shared/bench-links';

type Query = Record<string, string | undefined>;

const sideOf = { either: 'outside', greater: 'right', less: 'left' } as const;

/** The curve a question's test was read from, at its statistic and its level; empty where it was read from none that is drawn. */
function curveOf({ comparison, question }: Answer): Query {
  const [reference] = comparison.ok ? (comparison.value.reference ?? []) : [];
  if (!reference || !(reference.distribution in curves)) return {};
  const { distribution: curve, parameters, direction, statistic } = reference;
  const alpha = alphaOf(question.level);
  const made = named(curve, parameters);
  const region = made.ok ? attempt(() => rejectionOf(made.value, direction, alpha)) : made;
  const [a, b] = region.ok ? criticalValuesOf(region.value) : [];
  const short = (x: number | undefined) => (x === undefined ? undefined : String(Number(x.toPrecision(8))));
  return {
    curve,
    ...Object.fromEntries(Object.entries(parameters).map(([key, value]) => [key, short(value)])),
    ...(a === undefined ? {} : { a: short(a), b: short(b), shade: sideOf[direction] }),
    statistic: short(statistic),
    alpha: short(alpha),
  };
}

/** The tools of the bench, opened on a question: its design and spread, its curve, its groups; each with the way back. */
export function benchFor(shown: Answer | undefined, question: string): BenchLinks {
  const link = (home: string, found: Query): string => {
    const query = Object.entries({ ...found, question }).filter((pair): pair is [string, string] => Boolean(pair[1]));
    return `${home}?${new URLSearchParams(query).toString()}`;
  };
  const name = shown && shortQuestion(shown);
  const names = shown?.groups.map((g) => g.name).filter((group) => !/[\n;]/.test(group)) ?? [];
  return {
    planner: link(benchHome.planner, shown ? { ...planOfAnswer(shown), name } : {}),
    curves: link(benchHome.curves, shown ? { ...curveOf(shown), name } : {}),
    draw: link(
      benchHome.draw,
      names.length > 1
        ? { task: 'allocate', treatments: names.join(names.some((name) => name.includes(',')) ? '; ' : ', '), name }
        : { name },
    ),
  };
}
