import type { Outcome } from '../numeric/domain-error';
import { choicesOf, methodsFor } from '../question/choices';
import type { Question } from '../question/question';
import type { Table } from '../readings/table';
import { type Answer, answer } from './answer';

/** The same question under another reasonable method. */
export interface Other {
  /** The question as it would then be asked. */
  asked: Question;
  /** What of the question would change. */
  patch: Partial<Question>;
  chosen: boolean;
  found: Outcome<Answer>;
}

type Patch = Partial<Question>;

function alternatives(question: Question): Patch[] {
  if (question.about) return methodsFor(question).map((method) => ({ method }));
  switch (question.design) {
    case 'one-sample':
      return [
        { method: 'means' },
        ...(question.knownSd === undefined ? [] : [{ method: 'z' } as Patch]),
        { method: 'ranks' },
      ];
    case 'two-groups':
      return [
        { method: 'means', spread: 'separate' },
        { method: 'means', spread: 'pooled' },
        { method: 'ranks' },
        { method: 'shuffle' },
      ];
    case 'paired':
      return [{ method: 'means' }, { method: 'ranks' }, { method: 'shuffle' }];
    case 'several':
      return [
        { method: 'means', spread: 'pooled' },
        { method: 'means', spread: 'separate' },
        { method: 'ranks' },
        { method: 'shuffle' },
      ];
    case 'factorial':
      return ([1, 2, 3] as const).map((sums) => ({ sums }));
    case 'repeated':
      return [
        { method: 'means', sphericity: 'greenhouse-geisser' },
        { method: 'means', sphericity: 'huynh-feldt' },
        { method: 'means', sphericity: 'assumed' },
        { method: 'ranks' },
      ];
    case 'mixed':
      return [{ sphericity: 'greenhouse-geisser' }, { sphericity: 'assumed' }];
  }
}

/** What the answer would be under each reasonable method, the chosen one among them. */
export function othersOf(question: Question, table: Table): Other[] {
  const settled = answer(question, table, true);
  const now = choicesOf(settled.ok ? settled.value.question : question);
  return alternatives(question).map((patch) => {
    const asked = { ...question, ...patch };
    const then = choicesOf(asked);
    return {
      asked,
      patch,
      chosen:
        then.method === now.method &&
        (then.method !== 'means' ||
          then.spread === now.spread ||
          question.design === 'paired' ||
          question.design === 'one-sample') &&
        then.sums === now.sums &&
        (then.method !== 'means' || then.sphericity === now.sphericity),
      found: answer(asked, table),
    };
  });
}
