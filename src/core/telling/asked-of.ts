/** What a question could be asked of instead: means, ranks, spread, a share, all categories. */
import type { Method } from '../question/options';
import { hasKind } from '../analyses/kinds';
import { isAdjusted, isBlocked, isWithin, kindOf, ofOneGroup } from '../question/asking';
import { choicesOf, methodsFor } from '../question/choices';
import type { Question } from '../question/question';
import { middleOf } from '../readings/banded';
import { type Table, columnsOf } from '../readings/table';
import type { Control, Option } from './controls';

const methodWords: Partial<Record<Method, string>> = {
  means: 'their means',
  'mixed-model': 'their means, by a mixed model',
  ranks: 'ranks',
  shuffle: 'permutation',
  likelihood: 'their means, by likelihood',
  z: 'their means, the SD being known',
};

const adjustedWords: typeof methodWords = { means: 'their adjusted means', change: 'the change' };
const blockedWords: typeof methodWords = {
  means: 'their means, blocks being fixed',
  'mixed-model': 'their means, blocks being random',
};
const estimateWords: typeof methodWords = { means: 'its mean', ranks: 'its median', z: 'its mean, the SD being known' };

/** What readings are compared by. */
function ofReadings(question: Question, table: Table, answeredBy: Method): Control {
  const { about, design } = question;
  const one = ofOneGroup(design);
  const { method: _, value: __, follow: ___, ...kept } = question;
  const rest: Question = { ...kept, about: 'value' };
  const bySpread = about === 'spread';
  // The likelihood is asked where readings lie below a limit.
  const limited = answeredBy === 'likelihood' || columnsOf(table, 'measure').some((c) => c.limits === 'censored');
  const offered = methodsFor({ ...question, about: 'value' }).filter((m) => limited || m !== 'likelihood');
  const methods = offered.map((method): Option => ({
    id: method,
    words:
      (isBlocked(design)
        ? blockedWords
        : isAdjusted(design)
          ? adjustedWords
          : design === 'estimate'
            ? estimateWords
            : one
              ? { means: 'its mean' }
              : {})[method] ??
      methodWords[method] ??
      method,
    ask: () => ({ ...(bySpread ? rest : question), method }),
  }));
  const more = (id: string, words: string, next: () => Partial<Question>): Option => ({
    id,
    words,
    ask: () => ({ ...rest, ...next() }),
  });
  const found = table.shape === 'rows' && columnsOf(table, 'group').length > 1 && !isWithin(design);
  return {
    label: design === 'estimate' ? 'What is estimated' : 'Compared by',
    chosen: bySpread ? 'spread' : answeredBy,
    options: [
      ...methods,
      ...(hasKind('spread', design)
        ? [more('spread', one ? 'its spread' : 'their spread', () => ({ about: 'spread' }))]
        : []),
      ...(hasKind('share', design)
        ? [
            more('band', 'a share: how many lie beyond a limit', () => ({
              about: 'share',
              found: 'below',
              cut: middleOf(table, question),
            })),
          ]
        : []),
      ...(found ? [more('share', 'what was found: a share', () => ({ about: 'share' }))] : []),
    ],
  };
}

/** What counts are asked about. */
function ofCounts(question: Question, table: Table): Control {
  const { method: _, value: __, ratio: ___, effect: ____, cut, ...kept } = question;
  const { found: _____, ...unfound } = kept;
  const rest = cut === undefined ? kept : unfound;
  const { design } = question;
  const options: (Option | undefined)[] = [
    { id: 'share', words: 'one share', ask: () => ({ ...rest, about: 'share' }) },
    cut === undefined
      ? {
          id: 'table',
          words: 'all categories',
          ask: () => ({
            ...rest,
            about: 'table',
            design: kindOf[design] === 'two' ? 'several' : design,
            direction: 'either',
          }),
        }
      : undefined,
    columnsOf(table, 'measure').length > 0
      ? { id: 'readings', words: 'the readings', ask: () => ({ ...rest, about: 'value' }) }
      : undefined,
  ];
  return { label: 'Asked of', chosen: question.about, options: options.flatMap((o) => o ?? []) };
}

/**
 * What the question is asked of, with what else it could be.
 * @param answeredBy the method, also where the readings decided it
 */
export const askedOf = (question: Question, table: Table, answeredBy: Method = choicesOf(question).method): Control =>
  question.about === 'share' || question.about === 'table'
    ? ofCounts(question, table)
    : ofReadings(question, table, answeredBy);
