/** How several readings of one subject count: within it, by their mean, or each by itself. */
import { type Repeats, hasSamples, repeatsInCells, repeatsOf } from '../readings/repeats';
import type { Table } from '../readings/table';
import { asDesign, designOf, hasConditions, isNested, kindOf, ofTwoGroups, samplingOf } from './asking';
import type { Design, Question } from './question';

export const countings = ['nested', 'average', 'each'] as const;
export type Counting = (typeof countings)[number];

/** How they count in a question: as it says, else as its table does. */
export const countingOf = (question: Pick<Question, 'design' | 'repeats'>, table: Table): Counting =>
  isNested(question.design)
    ? 'nested'
    : // What a subject has under several conditions is one subject's.
      hasConditions(question.design)
      ? 'average'
      : (question.repeats ?? (table.average ? 'average' : 'each'));

/** The groups that a question names one by one; undefined where it compares all there are. */
function groupsNamed({ design, a, b, groups }: Question): readonly string[] | undefined {
  if (kindOf[design] === 'several') return groups;
  return kindOf[design] === 'factors'
    ? undefined
    : [a, ...(ofTwoGroups(design) ? [b] : [])].filter((id) => id !== undefined);
}

/**
 * How often subjects come back under what a question compares: its groups, or the cells of its two factors; those of
 * the table where none is asked.
 * @param within ids of the groups it looks at, where they are known; else as the question names them
 */
export function repeatsUnder(
  question: Question | undefined,
  table: Table,
  within = question && groupsNamed(question),
): Repeats | undefined {
  return question && kindOf[question.design] === 'factors'
    ? repeatsInCells(table, question)
    : repeatsOf(table, question, within);
}

/** How subjects were measured where readings within them are no level of their own. */
const unnested = (design: Design) => {
  const sampling = samplingOf(design);
  return sampling === 'adjusted' || sampling === 'blocked' ? sampling : 'once';
};

/** The ways there are, each with the question that takes it; none where samples have one reading, or are in several groups. */
export function countingWays(
  question: Question,
  table: Table,
  repeats: Repeats | undefined,
): { counting: Counting; asked: Question }[] {
  const kind = kindOf[question.design];
  if ((kind !== 'two' && kind !== 'several') || question.about !== 'value') return [];
  if (!isNested(question.design) && !hasSamples(repeats)) return [];
  return countings.map((counting) => {
    const { repeats: _, ...rest } = asDesign(
      question,
      table,
      designOf(kind, counting === 'nested' ? 'nested' : unnested(question.design)),
    );
    return { counting, asked: counting === 'nested' ? rest : { ...rest, repeats: counting } };
  });
}

const turned = new WeakMap<Table, Table>();

/** The table with repeated readings counting as the question takes them: the same one again for the same table. */
export function countedAs(question: Pick<Question, 'design' | 'repeats'>, table: Table): Table {
  const average = countingOf(question, table) === 'average';
  if (average === table.average) return table;
  const before = turned.get(table);
  if (before) return before;
  const other = { ...table, average };
  turned.set(table, other);
  return other;
}
