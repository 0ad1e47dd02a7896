import type { Answer } from '../../core/answer/answer';
import { planOfAnswer } from '../../core/answering/known-spread';
import { type CurveName, boundariesOf, curves } from '../../core/planning/curve-reading';
import { alphaOf } from '../../core/procedures/interval';
import { shortQuestion } from '../../core/telling/question';
import { type BenchLinks, benchHome } from '../shared/bench-links';

type Query = Record<string, string | undefined>;

const sideOf = { either: 'outside', greater: 'right', less: 'left' } as const;

/** The curve a question's test was read from, at its statistic and its level; empty where it was read from none that is drawn. */
function curveOf({ comparison, question }: Answer): Query {
  const [reference] = comparison.ok ? (comparison.value.reference ?? []) : [];
  if (!reference || !(reference.distribution in curves)) return {};
  const curve = reference.distribution as CurveName;
  const { parameters, direction, statistic } = reference;
  const side = sideOf[direction];
  const alpha = alphaOf(question.level);
  const critical = boundariesOf(curve, parameters, side, alpha);
  const short = (x: number | undefined) => (x === undefined ? undefined : String(Number(x.toPrecision(8))));
  return {
    curve,
    ...Object.fromEntries(Object.entries(parameters).map(([key, value]) => [key, short(value)])),
    ...(critical.ok ? { a: short(critical.value.a), b: short(critical.value.b), shade: side } : {}),
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
  const names = shown?.groups.map((g) => g.name).filter((group) => !/[\n;,]/.test(group)) ?? [];
  return {
    planner: link(benchHome.planner, shown ? { ...planOfAnswer(shown), name } : {}),
    curves: link(benchHome.curves, shown ? { ...curveOf(shown), name } : {}),
    draw: link(benchHome.draw, names.length > 1 ? { task: 'allocate', treatments: names.join(', '), name } : { name }),
  };
}
