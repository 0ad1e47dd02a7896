/** What a table can be asked, and how one design becomes another. */
import type { CountTable } from '../readings/counts';
import { factorColumns } from '../readings/factors';
import { columnsAreGroups, groupNames } from '../readings/groups';
import { type Table, columnsOf } from '../readings/table';
import { type Kind, type Sampling } from '../analyses/facts';
import { designFacts } from '../analyses/kinds';
import { there as present } from '../numeric/there';
import { type Design, type Question, designs } from './question';

/** What each design compares. */
export const kindOf = Object.fromEntries(designs.map((d) => [d, designFacts[d].compares])) as Record<Design, Kind>;
export type { Kind, Sampling };

/** Whether it compares two groups. */
export const ofTwoGroups = (design: Design): boolean => kindOf[design] === 'two';

/** How its subjects were measured. */
export const samplingOf = (design: Design): Sampling => designFacts[design].sampling;

/** Whether it asks about one group alone. */
export const ofOneGroup = (design: Design): boolean => kindOf[design] === 'estimate' || kindOf[design] === 'value';

/** Whether each subject is measured under everything compared. */
export const isWithin = (design: Design): boolean => samplingOf(design) === 'within';

/** Whether each subject is measured under everything compared, be it of one factor or of both. */
export const isThroughout = (design: Design): boolean => isWithin(design) || samplingOf(design) === 'crossed';

/** Whether it has two factors, and subjects read under every level of the second at least. */
export const hasConditions = (design: Design): boolean => kindOf[design] === 'factors' && samplingOf(design) !== 'once';

/** Whether several readings of each sample stand within it. */
export const isNested = (design: Design): boolean => samplingOf(design) === 'nested';

/** Whether means are adjusted for a covariate. */
export const isAdjusted = (design: Design): boolean => samplingOf(design) === 'adjusted';

/** Whether groups are compared within blocks. */
export const isBlocked = (design: Design): boolean => samplingOf(design) === 'blocked';

/** Whether means are adjusted: for a covariate, or for the blocks their readings stand in. */
export const adjusts = (design: Design): boolean => isAdjusted(design) || isBlocked(design);

/** Whether a question compares every group there is, unless some are named. */
export const comparesAllGroups = ({ design }: Pick<Question, 'design'>): boolean =>
  kindOf[design] === 'several' || kindOf[design] === 'factors';

/** The design a kind of comparison has by how subjects were measured; its plain one where it knows no other. */
export function designOf(kind: Kind, sampling: Sampling): Design {
  const own = designs.filter((design) => kindOf[design] === kind);
  return present(own.find((design) => samplingOf(design) === sampling) ?? own[0], 'A design');
}

/** The design of the same comparison where the subjects turn out to be the same under all of it. */
export const withinOf = (design: Design): Design =>
  designOf(kindOf[design], kindOf[design] === 'factors' ? 'crossed' : 'within');

/** The groups a table names, as far as a choice among them needs. */
export const groupChoices = (
  table: Table,
  question: Partial<Question>,
): { id: string; name: string; unit: string; colour: number }[] =>
  groupNames(table, { measure: question.measure, by: question.by });

/** Whether the table has two factors to ask about. */
export function hasTwoFactors(table: Table): boolean {
  if (table.shape === 'summary' || table.shape === 'counts') return false;
  const groups = columnsOf(table, 'group').length;
  return columnsAreGroups(table) ? groups > 0 && columnsOf(table, 'measure').length > 1 : groups > 1;
}

/** Kinds of comparison the table allows. */
export function kindsFor(table: Table, question: Partial<Question>): Kind[] {
  const n = groupChoices(table, question).length;
  if (question.about === 'table') return ['value', ...(n > 1 ? (['several'] as const) : [])];
  if (question.about !== 'value') return ['estimate', 'value', ...(n > 1 ? (['two', 'several'] as const) : [])];
  return [
    'estimate',
    'value',
    ...(n > 1 ? (['two', 'several'] as const) : []),
    ...(hasTwoFactors(table) ? (['factors'] as const) : []),
  ];
}

/** Whether rows and columns are the same two categories, so that the counts may be of subjects looked at twice. */
export const sameOutcomes = ({ rows, columns }: CountTable): boolean =>
  rows.categories.length === 2 &&
  columns.categories.length === 2 &&
  rows.categories.every((r) => columns.categories.some((c) => c.name === r.name));

/** The same question with what is compared set against each other otherwise; a value or bounds of the one mean nothing to the other. */
export function withEffect(question: Question, effect: NonNullable<Question['effect']>): Question {
  if (question.about !== 'value' || (question.effect ?? 'difference') === effect) return { ...question, effect };
  const { value: _, bounds: __, own: ___, ...rest } = question;
  return { ...rest, effect };
}

/** The question asked of columns as groups: no one of them is what was measured. */
function byColumns(question: Question): Question {
  const { measure: _, by: __, covariate: ___, block: ____, ...rest } = question;
  return rest;
}

/** The same question under another design; what that design needs and nobody chose yet is filled in. */
export function asDesign(asked: Question, table: Table, design: Design): Question {
  const question =
    columnsAreGroups(table) && (isWithin(design) || kindOf[design] === 'factors') ? byColumns(asked) : asked;
  const choices = groupChoices(table, question);
  const there = (id: string | undefined): string | undefined => choices.find((g) => g.id === id)?.id;
  const a = there(question.a) ?? choices[0]?.id;
  const b = there(question.b) ?? choices.find((g) => g.id !== a)?.id;
  const next: Question = { ...question, design, ...(a ? { a } : {}), ...(b ? { b } : {}) };
  // A value means one thing against a group and another against a difference.
  if ((design === 'one-sample') !== (question.design === 'one-sample')) delete next.value;
  if (kindOf[design] !== kindOf[question.design]) {
    delete next.method;
    delete next.effect;
    delete next.ratio;
    delete next.spread;
    delete next.own;
    if (kindOf[design] !== 'two' && kindOf[design] !== 'value') next.direction = 'either';
  }
  if (kindOf[design] === 'factors' && !columnsAreGroups(table)) {
    const [by, by2] = factorColumns(table, question);
    if (by && by2) Object.assign(next, { by: by.id, by2: by2.id });
  }
  return next;
}

/** Whether a question compares one measure of a table in which each row is a reading, so that it could be asked of another. */
export const comparesMeasure = ({ about, design }: Question, { shape }: Pick<Table, 'shape'>): boolean =>
  shape === 'rows' && about === 'value' && !['factors', 'estimate'].includes(kindOf[design]);

/** Whether it can be asked of every column that was measured. */
export const asksOfEvery = (question: Question, table: Table): boolean =>
  comparesMeasure(question, table) && columnsOf(table, 'measure').length > 1;
