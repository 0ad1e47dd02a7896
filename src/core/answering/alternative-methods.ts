import type { Outcome } from '../numeric/domain-error';
import { factsOf } from '../analyses/kinds';
import { withEffect } from '../question/asking';
import { choicesOf, methodsFor, ofMeans, tellsRatios } from '../question/choices';
import type { Question } from '../question/question';
import type { Table } from '../readings/table';
import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
import { hasBelow } from '../answer/limits';
import { answer } from './answer';

/** The same question under another reasonable method. */
export interface AlternativeMethod {
  /** The question as it would then be asked. */
  asked: Question;
  /** What of the question would change. */
  patch: Partial<Question>;
  chosen: boolean;
  found: Outcome<Answer>;
}

const isPositive = ({ groups, layout }: Answer): boolean =>
  layout
    ? layout.readings.every((r) => r.value > 0)
    : groups.every((g) => g.readings.used.length > 0 && g.readings.used.every((r) => r.value > 0));

/** Whether a method can be used: by likelihood where readings lie below a limit, and then only by that or by ranks. */
const ofLimits = ({ method, design }: Partial<Question>, limited: boolean): boolean =>
  limited ? design === undefined && (method === 'likelihood' || method === 'ranks') : method !== 'likelihood';

/** Means are compared by their difference; once, where readings allow it, by their ratio as well. */
function withRatios(
  question: Question,
  ways: readonly Partial<Question>[],
  positive: boolean,
): readonly Partial<Question>[] {
  if (question.about !== 'value' || !factsOf(question).effects?.ratio) return ways;
  const plain = withEffect(question, 'difference');
  const ratio = withEffect(question, 'ratio');
  const difference = { effect: plain.effect, value: plain.value, bounds: plain.bounds };
  const means = ways.filter((way) => ofMeans(choicesOf({ ...question, ...way }).method));
  const first = means.find((way) => way.method === 'likelihood') ?? means[0];
  return [
    ...ways.map((way) => ({ ...way, ...difference })),
    ...(first && (positive || tellsRatios(question))
      ? [{ ...first, effect: ratio.effect, value: ratio.value, bounds: ratio.bounds }]
      : []),
  ];
}

/** The answer under one reasonable method after the other, the chosen one among them: each is worked out when it is asked for. */
export function* eachMethod(question: Question, table: Table): Generator<AlternativeMethod> {
  const settled = answer(question, table, true);
  const now = choicesOf(settled.ok ? settled.value.question : question);
  const { alternatives } = analysisOf(question);
  const ways =
    alternatives?.(question, settled.ok ? settled.value.repeats : undefined) ??
    methodsFor(question).map((method) => ({ method }));
  // Without readings below a limit their likelihood is that of the means.
  const limited = settled.ok && hasBelow(settled.value.groups);
  const patches = withRatios(
    question,
    ways.filter((way) => ofLimits(way, limited)),
    settled.ok && isPositive(settled.value),
  );
  for (const patch of patches) {
    const asked = { ...question, ...patch };
    const then = choicesOf(asked);
    yield {
      asked,
      patch,
      chosen:
        asked.design === question.design &&
        asked.repeats === question.repeats &&
        asked.inner === question.inner &&
        then.method === now.method &&
        then.effect === now.effect &&
        (then.method !== 'means' || then.spread === now.spread) &&
        then.sums === now.sums &&
        (then.method !== 'means' || then.sphericity === now.sphericity),
      found: answer(asked, table),
    };
  }
}
