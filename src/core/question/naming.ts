/** What a question is about, by name: for lists and titles, which must not wait for an answer. */
import { attempt } from '../numeric/domain-error';
import { countTable } from '../readings/count-table';
import { withDerived } from '../readings/derive';
import { factorNames } from '../readings/factors';
import { chosenColumns, groupNames, groupsAreColumns } from '../readings/groups';
import { type Repeats } from '../readings/repeats';
import { displayName } from '../readings/levels';
import { type Column, type Table, called } from '../readings/table';
import { isAdjusted, isBlocked, kindOf } from './asking';
import { blockOf, sampleNoun } from './block';
import { covariateOf } from './covariate';
import { innerOf } from './inner';
import { includedOrAll, withinRows } from './included';
import type { Question } from './question';

/** A question with the names it goes by. An answer is one, too. */
export interface Named {
  question: Question;
  measure: string;
  unit: string;
  subject: string;
  groups: readonly { name: string }[];
  /** What names the rows of a table of counts. */
  rowName?: string;
  /** How readings repeat subjects, and whether they were averaged within each: known of an answer alone. */
  repeats?: Repeats | undefined;
  averaged?: boolean;
  /** What means are adjusted for, where they are. */
  covariate?: string;
  /** What groups are compared within, where they are: "day". */
  block?: string;
  /** What samples within the samples are, where readings stand in such. */
  inner?: string;
  /** The two factors, where there are two. */
  layout?: { a: { name: string }; b: { name: string } };
}

/** A measure column by its name, with the table's own words where columns are several looks at one measure. */
export const columnNamed = (column: Column | undefined, { shape, measure }: Table): string =>
  shape === 'repeated' && measure !== '' ? `${measure} (${called(column)})` : called(column, measure);

/** What is compared where means are adjusted; of a change, from what to what. */
function adjustedMeasure(question: Question, table: Table, measure: Column | undefined): string {
  if (question.method !== 'change') return columnNamed(measure, table);
  const from = covariateOf(question, table);
  return `change${table.shape === 'repeated' && table.measure !== '' ? ` of ${table.measure}` : ''} from ${called(from)} to ${called(measure)}`;
}

/**
 * What a question says it measures: the table's own words where columns are groups, or the name of a column that is the
 * only one; else the measure column's name.
 */
export function measureOf(question: Question, table: Table): string {
  if (groupsAreColumns(table, question)) {
    const [only, ...others] = table.measure === '' ? groupNames(table, question) : [];
    return only && others.length === 0 ? only.name : table.measure;
  }
  const { measure } = chosenColumns(withDerived(table), question);
  if (isAdjusted(question.design)) return adjustedMeasure(question, table, measure);
  if (table.shape === 'repeated') return columnNamed(measure, table);
  // A column of SDs is no measure: what they are SDs of, the table alone may say.
  const name = measure?.role === 'spread' ? table.measure : (measure?.name ?? table.measure);
  return table.shape === 'summary' ? ofMeans(name) : name;
}

/** What a column of reported means is of, "length" of "mean of length"; "mean" where it says no more. */
function ofMeans(name: string): string {
  const of = name.replace(/^(?:mean|average)\s+(?:of\s+(?:the\s+)?)?(?=\p{L})/iu, '');
  return /^(?:averages?|avg\.?|m|x[\u0304\u0305]|x[- ]?bar|µ|mu)$/iu.test(of) ? 'mean' : of;
}

/** Whether naming a question needs the cells of its table, and not its columns' heads alone. */
export const namingNeedsCells = (question: Question, table: Table): boolean =>
  question.about === 'share' ||
  question.about === 'table' ||
  (!groupsAreColumns(table, question) && kindOf[question.design] === 'several' && question.groups === undefined);

/** The names of a question about counts: of the rows, and of what is counted in them. */
export function countedNames(question: Question, table: Table): Named {
  const counted = attempt(() => countTable(table, question));
  const base = { question, unit: '', subject: table.subject };
  if (!counted.ok) return { ...base, measure: '', groups: [] };
  const { rows, columns } = counted.value;
  const found = columns.categories.find((c) => c.id === question.found) ?? columns.categories[0];
  const named = (id: string | undefined) => ({
    name: rows.categories.find((c) => c.id === id)?.name ?? 'a group no longer there',
  });
  const alone = columns.categories.length === 1;
  if (question.about === 'table')
    return {
      ...base,
      measure: alone ? rows.name : columns.name,
      rowName: rows.name,
      groups: rows.categories,
    };
  const one = () => [question.a === undefined ? (rows.categories[0] ?? named(undefined)) : named(question.a)];
  const groups = {
    estimate: one,
    value: one,
    two: () =>
      question.design === 'paired'
        ? [{ name: rows.name }, { name: columns.name }]
        : [named(question.a), named(question.b)],
    several: () => question.groups?.map(named) ?? rows.categories,
    factors: () => rows.categories,
  }[kindOf[question.design]]();
  return { ...base, measure: found?.name ?? '', rowName: rows.name, groups };
}

/** What samples within the samples are called, where there are such. */
export const innerNamePart = (question: Question, table: Table): { inner?: string } => {
  const inner = innerOf(question, table);
  return inner ? { inner: called(inner) } : {};
};

/** The names a question goes by, from the heads of its table. */
export function namesOf(asked: Question, whole: Table): Named {
  const table = includedOrAll(asked, whole);
  const question = withinRows(asked, table, whole);
  if (question.about === 'share' || question.about === 'table') return countedNames(question, table);
  const all = groupNames(table, question);
  const { by } = chosenColumns(table, question);
  // A level nobody renamed goes by its own text, so its id is its name.
  const nameOf = (id: string | undefined): { name: string } => ({
    name:
      all.find((g) => g.id === id)?.name ??
      (groupsAreColumns(table, question) || id === undefined ? undefined : displayName(id, by ?? { unit: '' })) ??
      'a group no longer there',
  });
  const one = () => [question.a === undefined ? (all[0] ?? nameOf(undefined)) : nameOf(question.a)];
  const groups = {
    estimate: one,
    value: one,
    two: () => [nameOf(question.a), nameOf(question.b)],
    several: () => question.groups?.map(nameOf) ?? all.filter((g) => question.known?.includes(g.id) ?? true),
    factors: () => [],
  }[kindOf[question.design]]();
  const [a, b] = factorNames(table, question);
  return {
    question,
    measure: measureOf(question, table),
    unit: (groupsAreColumns(table, question) ? all[0]?.unit : chosenColumns(table, question).measure?.unit) ?? '',
    subject: sampleNoun(question, table),
    groups,
    ...(isAdjusted(question.design) ? { covariate: columnNamed(covariateOf(question, table), table) } : {}),
    ...innerNamePart(question, table),
    ...(isBlocked(question.design) ? { block: called(blockOf(question, table), 'block') } : {}),
    ...(kindOf[question.design] === 'factors' ? { layout: { a: { name: a }, b: { name: b } } } : {}),
  };
}
