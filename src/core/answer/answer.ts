import { DomainError, type Outcome, attempt, demand } from '../numeric/domain-error';
import { type SpreadReason, spreadBySizes } from '../question/choices';
import type { Question } from '../question/question';
import { kindOf } from '../question/asking';
import { countedNames, measureOf } from '../question/naming';
import { type Repeats, groupNames, groupsOf, repeatsOf } from '../readings/groups';
import { withDerived } from '../readings/derive';
import { type Factors, factorsOf } from '../readings/factors';
import { levelRows, levelsOf, saidLevels } from '../readings/levels';
import { type Table, called, columnsOf, findColumn } from '../readings/table';
import type { Comparison } from './comparison';
import { compareFactors } from './factorial';
import { type GroupPart, allParts, describedBy, partOf, withKnownSd } from './group-part';
import type { CountTable } from '../readings/counts';
import { countTable } from '../readings/count-table';
import { withLogTails } from './log-tail';
import { compareOne } from './one-sample';
import { compareMixed, compareRepeated } from './repeated';
import { chosenParts, compareSeveral } from './several';
import { compareShares, shareParts } from './shares';
import { compareSpreads } from './spreads';
import { compareTable, tableParts } from './tables';
import { comparePairs, compareTwo } from './two-groups';

export type { Comparison } from './comparison';
export type { GroupPart } from './group-part';

/** All that follows from a question and its readings. */
export interface Answer {
  /** The question asked, with what the sizes of its groups decided. */
  question: Question;
  /** Why the spreads are taken as they are, where the sizes of the groups decided. */
  spreadBy?: SpreadReason;
  measure: string;
  unit: string;
  subject: string;
  /** The groups compared, in the order the question names them. */
  groups: GroupPart[];
  comparison: Outcome<Comparison>;
  /** How often subjects come back; undefined when no column names them. */
  repeats: Repeats | undefined;
  /** Whether readings of one subject were averaged before comparing. */
  averaged: boolean;
  /** The label or subject of each row, where a column gives one. */
  rowNames: readonly string[] | undefined;
  /** The readings by two factors, where there are two. */
  layout?: Factors;
  /** Which rows the question is asked of, where not of all: "assay is pigment 3". */
  only?: string;
  /** Whether only reported figures are known, no readings. */
  reported: boolean;
  /** What names the rows of those counts. */
  rowName?: string;
  /** What was counted, where a question is about counts. */
  counted?: CountTable;
}

/** More groups than this are no comparison, and names of single readings are then often taken for groups. */
const mostGroups = 1000;

/** @throws DomainError where a column names more groups than can be compared, before any is looked at */
function demandFewGroups(question: Question, table: Table): void {
  if (kindOf[question.design] !== 'several' && kindOf[question.design] !== 'factors') return;
  const count = question.groups?.length ?? groupNames(table, question).length;
  demand(
    count <= mostGroups,
    `There are ${count.toLocaleString('en')} groups, more than can be compared: does the column name single readings rather than groups? Choose another column, or some of the groups.`,
  );
}

/** The groups a question compares, as far as they are there. @throws DomainError when one is gone */
function partsCompared(question: Question, all: GroupPart[]): GroupPart[] {
  switch (question.design) {
    case 'one-sample': {
      const part = question.a === undefined ? (all[0] ?? partOf(all, undefined)) : partOf(all, question.a);
      return [withKnownSd(part, question)];
    }
    case 'two-groups':
    case 'paired':
      return [partOf(all, question.a), partOf(all, question.b)];
    case 'several':
    case 'repeated':
      return chosenParts(question, all);
    case 'factorial':
    case 'mixed':
      return all;
  }
}

function compare(question: Question, table: Table, parts: readonly GroupPart[], brief: boolean): Comparison {
  const [a, b] = parts;
  const all = parts.filter((g) => g.readings.aside.length > 0);
  demand(
    parts.length === 0 || all.length < parts.length || parts.some((g) => g.n > 0),
    'Every reading is set aside: bring some back in the readings to compare anything.',
  );
  if (question.about === 'spread') return compareSpreads(question, table, parts);
  switch (question.design) {
    case 'one-sample':
      demand(a !== undefined, 'There is no group with readings.');
      return compareOne(question, a, brief);
    case 'two-groups':
    case 'paired':
      demand(a !== undefined && b !== undefined, 'Two groups are needed.');
      return question.design === 'paired'
        ? comparePairs(question, table, a, b, brief)
        : compareTwo(question, a, b, brief);
    case 'several':
      return compareSeveral(question, parts, brief);
    case 'repeated':
      return compareRepeated(question, table, parts);
    case 'factorial':
      return compareFactors(question, table);
    case 'mixed':
      return compareMixed(question, table);
  }
}

/** The conditions described by the subjects the analysis used, while every reading stays in the picture. */
const onlyComplete = (parts: readonly GroupPart[], { complete }: Comparison, level: number): GroupPart[] =>
  complete && complete.incomplete.length > 0
    ? parts.map((g, i) =>
        describedBy(
          g,
          complete.rows.map((r) => r[i] ?? 0),
          level,
        ),
      )
    : [...parts];

/** Two groups described by the readings that have a partner, while every reading stays in the picture. */
const onlyPaired = (
  parts: readonly GroupPart[],
  { pairs }: NonNullable<Comparison['pairing']>,
  level: number,
): GroupPart[] =>
  parts.map((g, i) =>
    describedBy(
      g,
      pairs.map((p) => (i === 0 ? p.a.value : p.b.value)),
      level,
    ),
  );

/** Whether pairs leave readings out, or take several as one. */
const isSelective = ({ pairs, alone }: NonNullable<Comparison['pairing']>): boolean =>
  alone.length > 0 || pairs.some((p) => p.a.rows ?? p.b.rows);

const whole = new WeakMap<Table, Table>();

/** The table as if nothing had been set aside. */
function withAside(table: Table): Table {
  const before = whole.get(table);
  if (before) return before;
  const all = { ...table, columns: table.columns.map((c) => ({ ...c, aside: {} })) };
  whole.set(table, all);
  return all;
}

/** "assay is pigment 3". */
function onlyWords(table: Table, { column: id, level }: NonNullable<Question['only']>): string {
  const column = findColumn(table, id);
  const name = column && saidLevels(column).find((l) => l.id === level)?.name;
  return `${called(column)} is ${name ?? level}`;
}

/** The table with only those readings left whose row is at a level of a column; rows keep their numbers. */
function onlyWhere(table: Table, { column: id, level }: NonNullable<Question['only']>): Table {
  const column = findColumn(table, id);
  if (!column) throw new DomainError('The column that chose the rows is no longer there: ask without it.');
  const place = levelsOf(column).findIndex((l) => l.id === level);
  if (place < 0)
    throw new DomainError(`No row of ${called(column)} is at the level asked about any more: choose another.`);
  const rows = levelRows(column);
  return {
    ...table,
    columns: table.columns.map((c) =>
      c.role === 'measure' && !c.formula
        ? { ...c, cells: c.cells.map((cell, row) => (rows[row] === place ? cell : '')) }
        : c,
    ),
  };
}

/** The groups of a question about counts that it compares. */
function countedParts(question: Question, table: CountTable): GroupPart[] {
  if (question.about === 'table') return tableParts(table);
  const all = shareParts(table, question);
  switch (question.design) {
    case 'one-sample':
      return question.a === undefined ? all.slice(0, 1) : [partOf(all, question.a)];
    case 'two-groups':
      return [partOf(all, question.a), partOf(all, question.b)];
    case 'paired':
      return all;
    default:
      return question.groups ? question.groups.map((id) => partOf(all, id)) : all;
  }
}

/** Groups of readings that were counted by a limit still tell which readings were set aside. */
function withSetAside(question: Question, table: Table, parts: GroupPart[]): GroupPart[] {
  if (question.cut === undefined || question.withAside) return parts;
  const groups = groupsOf(table, question);
  const idOf = (part: GroupPart): string | undefined =>
    question.design === 'paired' ? (part.id === 'first' ? question.a : question.b) : part.id;
  return parts.map((part) => {
    const group = groups.find((g) => g.id === idOf(part));
    return group
      ? { ...part, column: group.column, readings: { ...part.readings, aside: group.readings.aside } }
      : part;
  });
}

/** The answer to a question about counts: what was found, in whom. @param compared makes the comparison, or leaves it */
function answerCounts(
  question: Question,
  table: Table,
  compared: (make: () => Comparison) => Outcome<Comparison>,
): Answer {
  const counted = countTable(table, question);
  return {
    question,
    measure: countedNames(question, table).measure,
    rowName: counted.rows.name,
    unit: '',
    subject: table.subject,
    groups: withSetAside(question, table, countedParts(question, counted)),
    comparison: compared(() =>
      question.about === 'share'
        ? compareShares(question, counted, shareParts(counted, question))
        : compareTable(question, counted),
    ),
    repeats: undefined,
    averaged: false,
    rowNames: undefined,
    reported: false,
    counted,
  };
}

/**
 * Answers a question from its readings: a pure function, so an answer can never be older than either.
 * @param brief leaves out effect sizes and what follows an overall test, for a question asked of many measures
 */
export const answer = (asked: Question, given: Table, brief = false): Outcome<Answer> =>
  answered(asked, given, brief, (make) => attempt(() => withLogTails(make())));

/** The groups of a question described, before they are compared: what can be shown while a long test runs. */
export const described = (asked: Question, given: Table): Outcome<Answer> =>
  answered(asked, given, false, () => ({ ok: false, reason: 'They are not compared yet.' }));

function answered(
  asked: Question,
  given: Table,
  brief: boolean,
  compared: (make: () => Comparison) => Outcome<Comparison>,
): Outcome<Answer> {
  return attempt(() => {
    const all = asked.withAside ? withAside(given) : given;
    const table = asked.only ? onlyWhere(withDerived(all), asked.only) : all;
    if (asked.about === 'share' || asked.about === 'table') return answerCounts(asked, table, compared);
    const choice = { measure: asked.measure, by: asked.by };
    demandFewGroups(asked, table);
    // Two factors are compared by their cells: of the groups of one of them alone the figures are not asked.
    const factors = kindOf[asked.design] === 'factors';
    const parts = partsCompared(asked, allParts(table, asked, brief || factors));
    const bySizes = spreadBySizes(
      asked,
      parts.map((g) => g.n),
    );
    const question = bySizes ? { ...asked, spread: bySizes.spread } : asked;
    const repeats = table.shape === 'summary' ? undefined : repeatsOf(table, choice);
    const comparison = compared(() => compare(question, table, parts, brief));
    const layout = kindOf[question.design] === 'factors' ? attempt(() => factorsOf(table, question)) : undefined;
    return {
      question,
      ...(bySizes?.reason ? { spreadBy: bySizes.reason } : {}),
      measure: measureOf(question, table),
      unit: layout?.ok ? layout.value.unit : (parts[0]?.unit ?? ''),
      ...(layout?.ok ? { layout: layout.value } : {}),
      ...(question.only ? { only: onlyWords(all, question.only) } : {}),
      subject: table.subject,
      groups:
        question.design === 'repeated' && comparison.ok
          ? onlyComplete(parts, comparison.value, question.level)
          : comparison.ok && comparison.value.pairing && isSelective(comparison.value.pairing)
            ? onlyPaired(parts, comparison.value.pairing, question.level)
            : parts,
      comparison,
      repeats,
      rowNames: (columnsOf(table, 'label')[0] ?? columnsOf(table, 'subject')[0])?.cells,
      averaged: table.average && repeats !== undefined && repeats.subjects < repeats.readings,
      reported: table.shape === 'summary',
    };
  });
}
