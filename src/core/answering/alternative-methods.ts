import type { Outcome } from '../numeric/domain-error';
import { choicesOf, methodsFor } from '../question/choices';
import type { Question } from '../question/question';
import type { Table } from '../readings/table';
import { analysisOf } from '../analyses/registry';
import type { Answer } from '../answer/answer';
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

/** What the answer would be under each reasonable method, the chosen one among them. */
export function alternativeMethods(question: Question, table: Table): AlternativeMethod[] {
  const settled = answer(question, table, true);
  const now = choicesOf(settled.ok ? settled.value.question : question);
  const { alternatives } = analysisOf(question);
  const patches =
    alternatives?.(question, settled.ok ? settled.value.repeats : undefined) ??
    methodsFor(question).map((method) => ({ method }));
  return patches.map((patch): AlternativeMethod => {
    const asked = { ...question, ...patch };
    const then = choicesOf(asked);
    return {
      asked,
      patch,
      chosen:
        asked.design === question.design &&
        asked.repeats === question.repeats &&
        then.method === now.method &&
        (then.method !== 'means' || then.spread === now.spread) &&
        then.sums === now.sums &&
        (then.method !== 'means' || then.sphericity === now.sphericity),
      found: answer(asked, table),
    };
  });
}
