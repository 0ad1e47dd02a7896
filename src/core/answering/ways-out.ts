/** What could be asked instead where a question has no answer: each a question that has one. */
import type { Method } from '../question/options';
import { designOf, hasConditions, isAdjusted, isBlocked, withEffect } from '../question/asking';
import { factsOf } from '../analyses/kinds';
import { hasBelow } from '../answer/limits';
import { withinBlocks } from '../question/block';
import { choicesOf, methodsFor, tellsRatios } from '../question/choices';
import { adjustedFor } from '../question/covariate';
import type { Question } from '../question/question';
import type { Table } from '../readings/table';
import { answer } from './answer';
import { isQuick } from './weight';

export interface WayOut {
  words: string;
  asked: Question;
}

/** Methods that need less of readings than means do. */
const less: readonly [Method, string][] = [
  ['likelihood', 'Compare by likelihood'],
  ['ranks', 'Compare by ranks'],
];

/** Ways that are thought of, whether they lead anywhere or not. */
function thought(question: Question, table: Table): WayOut[] {
  const { design, about } = question;
  const { method } = choicesOf(question);
  if (about !== 'value') return [];
  const differing = withEffect(question, 'difference');
  const possible = methodsFor(question);
  return [
    ...(tellsRatios(question) ? [{ words: 'Compare by differences', asked: differing }] : []),
    ...less.flatMap(([other, words]) =>
      other !== method && possible.includes(other) ? [{ words, asked: { ...differing, method: other } }] : [],
    ),
    ...(isBlocked(design) && method === 'mixed-model'
      ? [{ words: 'Take the blocks as fixed', asked: { ...question, method: 'means' as const } }]
      : []),
    // Of two factors either one or both may be within subjects: their names tell which.
    ...(['within', 'crossed'] as const).flatMap((sampling) => {
      const other = designOf('factors', sampling);
      return hasConditions(design) && other !== design
        ? [
            {
              words: `Each ${table.subject || 'subject'} ${factsOf({ about, design: other }).within ?? ''}`,
              asked: { ...question, design: other },
            },
          ]
        : [];
    }),
    ...(isAdjusted(design)
      ? [{ words: 'Compare without adjusting', asked: adjustedFor(question, table, undefined) }]
      : isBlocked(design)
        ? [{ words: 'Compare over all blocks', asked: withinBlocks(question, table, undefined) }]
        : []),
  ];
}

/** Whether the page need not wait for any of them. */
export const areQuickWays = (question: Question, table: Table): boolean =>
  thought(question, table).every(({ asked }) => isQuick(asked, table));

/** Those that lead to an answer, one after the other. */
export function* eachWayOut(question: Question, table: Table): Generator<WayOut> {
  for (const way of thought(question, table)) {
    const found = answer(way.asked, table, true);
    if (!found.ok || !found.value.comparison.ok) continue;
    // Without readings below a limit their likelihood is that of the means.
    if (way.asked.method === 'likelihood' && !hasBelow(found.value.groups)) continue;
    yield way;
  }
}
