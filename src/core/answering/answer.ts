import { analysisOf } from '../analyses/registry';
import type { OfCounts, OfReadings } from '../analyses/analysis';
import type { Answer } from '../answer/answer';
import type { Comparison } from '../answer/comparison';
import { type GroupPart, allParts, limitedOf as belowIn } from '../answer/group-part';
import { turnedRound } from '../answer/turned';
import { demandNumbers, hasBelow } from '../answer/limits';
import { judged } from '../answer/judged';
import { withLogTails } from '../answer/log-tail';
import { DomainError, type Outcome, attempt, demand } from '../numeric/domain-error';
import { asRatios, demandPositive, onLogarithms } from '../answer/ratios';
import { spreadBySizes, tellsRatios } from '../question/choices';
import { countedAs, repeatsUnder } from '../question/counting';
import { columnNamed } from '../question/naming';
import { covariateOf, measuredBy } from '../question/covariate';
import { comparesAllGroups, isAdjusted, isBlocked, kindOf, ofOneGroup, ofTwoGroups } from '../question/asking';
import { blockOf, blocksAreSubjects, sampleNoun } from '../question/block';
import { included, includedWords, withinRows } from '../question/included';
import { countedNames, innerNamePart, measureOf } from '../question/naming';
import type { Question } from '../question/question';
import { besideRows, marksOf } from '../readings/beside';
import { textAt } from '../readings/cell-at';
import { asideCount, isBlind, underLetters } from '../readings/blind';
import type { Blind } from '../readings/blinding';
import { countTable } from '../readings/count-table';
import { withDerived } from '../readings/derive';
import { factorColumns, factorsOf } from '../readings/factors';
import { chosenColumns, groupNames, groupsOf } from '../readings/groups';
import { levelRows, levelsOf, displayLevels } from '../readings/levels';
import { logged } from '../readings/logged';
import { readColumn } from '../readings/read-column';
import { changesSince, registeredPart } from './registered';
import { type Table, called, columnsOf, findColumn } from '../readings/table';

/** More groups than this are no comparison, and names of single readings are then often taken for groups. */
const mostGroups = 1000;

/** @throws DomainError where a column names more groups than can be compared, before any is looked at */
function demandFewGroups(question: Question, table: Table): void {
  if (!comparesAllGroups(question)) return;
  const count = question.groups?.length ?? groupNames(table, question).length;
  demand(
    count <= mostGroups,
    `There are ${count.toLocaleString('en')} groups, more than can be compared: does the column name single readings rather than groups? Choose another column, or some of the groups.`,
  );
}

/** @throws DomainError where every reading is set aside */
function demandSomeLeft(parts: readonly GroupPart[]): void {
  const touched = parts.filter((g) => g.readings.aside.length > 0);
  demand(
    parts.length === 0 || touched.length < parts.length || parts.some((g) => g.n > 0),
    'Every reading is set aside: bring some back in the readings to compare anything.',
  );
}

const whole = new WeakMap<Table, Table>();

/** The table as if no reading had been set aside; totals and summaries are none. */
function withAside(table: Table): Table {
  const before = whole.get(table);
  if (before) return before;
  const all = { ...table, columns: table.columns.map((c) => ({ ...c, aside: marksOf(c, true) })) };
  whole.set(table, all);
  return all;
}

/** "assay is pigment 3". */
function onlyWords(table: Table, { column: id, level }: NonNullable<Question['only']>): string {
  const column = findColumn(table, id);
  const name = column && displayLevels(column).find((l) => l.id === level)?.name;
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

/** Groups of readings that were counted by a limit still tell which readings were set aside. */
function withSetAside({ madeFrom }: OfCounts, question: Question, table: Table, parts: GroupPart[]): GroupPart[] {
  if (question.cut === undefined || question.withAside) return parts;
  const groups = groupsOf(table, question);
  return parts.map((part) => {
    const id = madeFrom ? madeFrom(question, part.id) : part.id;
    const group = groups.find((g) => g.id === id);
    return group
      ? {
          ...part,
          ...belowIn(group.readings.used),
          column: group.column,
          readings: { ...part.readings, aside: group.readings.aside },
        }
      : part;
  });
}

/** A question with the letters of its groups in the names of its contrasts, while their own names are hidden. */
function contrastsUnderLetters(question: Question, table: Table): Question {
  if (!question.contrasts || !isBlind(table)) return question;
  const told = underLetters(table);
  return { ...question, contrasts: question.contrasts.map((c) => ({ ...c, name: told(c.name) })) };
}

/** When groups stood under letters, what was set aside until they were named and since, and what was chosen since. */
function blindPart(
  { from, to, asideTo }: Blind,
  table: Table,
  question: Question,
  groups: readonly GroupPart[],
): NonNullable<Answer['blind']> {
  const all = asideCount(table);
  const before = asideTo ?? all;
  const aside = { asideBefore: before, asideSince: Math.max(0, all - before) };
  if (to === undefined) return { from, ...aside };
  const { atReveal } = question;
  // What the sizes of the groups decide for both is no choice.
  const decided = (q: Question): Question => {
    const bySizes = spreadBySizes(
      q,
      groups.map((g) => g.n),
    );
    return bySizes ? { ...q, spread: bySizes.spread } : q;
  };
  return {
    from,
    to,
    ...aside,
    ...(atReveal === null ? { askedSince: true } : {}),
    ...(atReveal ? { chosenSince: changesSince(decided(atReveal), decided(question), table, 'before') } : {}),
  };
}

/** Which rows were taken, where not all were. */
function taken({ only, rows }: Question, table: Table, ofReadings: boolean): Pick<Answer, 'only'> {
  const words = [
    ...(only && ofReadings ? [onlyWords(table, only)] : []),
    ...(rows?.length ? [includedWords({ rows }, table)] : []),
  ];
  return words.length > 0 ? { only: words.join(' and ') } : {};
}

/** Readings that stand in no group because their row names none. */
function ungroupedPart(question: Question, table: Table): Pick<Answer, 'ungrouped'> {
  const { measure, by } = chosenColumns(table, question);
  const factors = kindOf[question.design] === 'factors' ? factorColumns(table, question) : [by];
  const naming = factors.flatMap((c) => c ?? []);
  if (table.shape !== 'rows' || !measure || naming.length === 0 || ofOneGroup(question.design)) return {};
  const places = naming.map(levelRows);
  const count = readColumn(measure).used.filter(({ row }) => places.some((at) => (at[row] ?? -1) < 0)).length;
  return count > 0 ? { ungrouped: { count, of: naming.map((c) => called(c, 'group')).join(' or ') } } : {};
}

/** Rows that stand twice and hold something that would be counted. */
function twicePart({ columns }: Table): Pick<Answer, 'twice'> {
  const counting = columns.filter((c) => c.role === 'measure' || c.role === 'count');
  const telling = counting.length > 0 ? counting : columns;
  const twice = [...besideRows(columns)].filter(
    ([row, kind]) => kind === 'twice' && telling.some((c) => textAt(c.cells, row) !== ''),
  ).length;
  return twice > 0 ? { twice } : {};
}

/** Where subjects lack readings and nobody chose a method, the one that leaves none of them out. */
const byGaps = (analysis: OfReadings, question: Question, table: Table, parts: readonly GroupPart[]): Question =>
  question.method === undefined && question.sphericity === undefined && analysis.hasGaps?.(question, table, parts)
    ? { ...question, method: 'mixed-model' }
    : question;

/** Where readings lie below a limit and nobody chose a method, the one that takes them as no more than that. */
const byLimits = (analysis: OfReadings, question: Question, parts: readonly GroupPart[]): Question =>
  question.method === undefined && analysis.takesLimits && hasBelow(parts)
    ? { ...question, method: 'likelihood' }
    : question;

/** How a comparison is made, or left unmade. */
type Compared = (make: () => Comparison) => Outcome<Comparison>;

/** The answer to a question about counts: what was found, in whom. */
function fromCounts(analysis: OfCounts, question: Question, table: Table, compared: Compared): Answer {
  const counted = countTable(table, question);
  const parts = analysis.groups(question, counted);
  return {
    question,
    measure: countedNames(question, table).measure,
    rowName: counted.rows.name,
    unit: '',
    subject: table.subject,
    groups: withSetAside(analysis, question, table, parts),
    ...(isReversed(question, counted.rows.categories) ? { reversed: true } : {}),
    comparison: compared(() => turnedRound(question, analysis.compare(question, counted), parts)),
    repeats: undefined,
    averaged: false,
    rowNames: undefined,
    reported: false,
    counted,
  };
}

/** An answer that took the place of another, with why. */
const withRemark = (answer: Answer, comparison: Comparison, why: string): Answer => ({
  ...answer,
  comparison: {
    ok: true,
    value: {
      ...comparison,
      remarks: [`${why} The subjects with every reading were compared instead.`, ...comparison.remarks],
    },
  },
});

/** Whether two groups are subtracted in another order than the table's. @param named the table's groups in order */
function isReversed({ design, a: first, b: second }: Question, named: readonly { id: string }[]): boolean {
  if (!ofTwoGroups(design)) return false;
  const [a, b] = [first, second].map((id) => named.findIndex((g) => g.id === id));
  return a !== undefined && b !== undefined && b >= 0 && a > b;
}

/** The answer to a question about readings. */
function fromReadings(analysis: OfReadings, asked: Question, table: Table, brief: boolean, compared: Compared): Answer {
  demandFewGroups(asked, table);
  // Of the groups of one factor alone the figures are not asked.
  const parts = analysis.groups(asked, allParts(table, asked, brief || analysis.factors));
  const bySizes = spreadBySizes(
    asked,
    parts.map((g) => g.n),
  );
  const question = byLimits(
    analysis,
    byGaps(analysis, bySizes ? { ...asked, spread: bySizes.spread } : asked, table, parts),
    parts,
  );
  const layout = analysis.factors ? attempt(() => factorsOf(table, question)) : undefined;
  const repeats =
    table.shape === 'summary' || blocksAreSubjects(asked, table)
      ? undefined
      : repeatsUnder(
          question,
          table,
          parts.map((g) => g.id),
        );
  const comparison = compared(() => {
    demandSomeLeft(parts);
    if (!analysis.takesLimits) demandNumbers(parts);
    return turnedRound(question, analysis.compare(question, table, parts, brief), parts);
  });
  // A model that nobody chose and that cannot be fitted gives way to the subjects that have every reading.
  if (!comparison.ok && question.method === 'mixed-model' && asked.method === undefined) {
    const classical = fromReadings(analysis, { ...asked, method: 'means' }, table, brief, compared);
    if (classical.comparison.ok) return withRemark(classical, classical.comparison.value, comparison.reason);
  }
  return {
    question,
    ...(bySizes?.reason ? { spreadBy: bySizes.reason } : {}),
    measure: measureOf(question, table),
    unit: layout?.ok ? layout.value.unit : (parts[0]?.unit ?? ''),
    ...(layout?.ok ? { layout: layout.value } : {}),
    ...(isReversed(question, groupNames(table, question)) ? { reversed: true } : {}),
    ...(isAdjusted(question.design) ? { covariate: columnNamed(covariateOf(question, table), table) } : {}),
    ...innerNamePart(question, table),
    ...(isBlocked(question.design) ? { block: called(blockOf(question, table), 'block') } : {}),
    ...ungroupedPart(question, withDerived(table)),
    subject: sampleNoun(question, table),
    groups: comparison.ok && analysis.used ? analysis.used(parts, comparison.value, question.level) : parts,
    comparison,
    repeats,
    rowNames: (columnsOf(table, 'label')[0] ?? columnsOf(table, 'subject')[0])?.cells,
    averaged: table.average && repeats !== undefined && repeats.subjects < repeats.readings,
    reported: table.shape === 'summary',
  };
}

/** The readings as logarithms, and their covariate with them where it is measured in the same unit and above 0. */
function withLogarithms(asked: Question, table: Table): { onLogs: Question; table: Table } {
  const logs = logged(table);
  const covariate = isAdjusted(asked.design) ? covariateOf(asked, table) : undefined;
  if (!covariate) return { onLogs: asked, table: logs };
  const { measure } = chosenColumns(table, asked);
  const { covariateAt: at } = asked;
  if (covariate.unit === measure?.unit && readColumn(covariate).used.every((r) => r.value > 0))
    return { onLogs: at !== undefined && at > 0 ? { ...asked, covariateAt: Math.log(at) } : asked, table: logs };
  return {
    onLogs: asked,
    table: { ...logs, columns: logs.columns.map((c) => (c.id === covariate.id ? covariate : c)) },
  };
}

/** The same told as ratios: compared on the logarithms of the readings. */
function fromLogarithms(
  analysis: OfReadings,
  asked: Question,
  table: Table,
  brief: boolean,
  compared: Compared,
): Answer {
  demand(
    table.shape !== 'summary',
    'Ratios of geometric means need the readings themselves; here only means and spreads are known.',
  );
  const layout = analysis.factors ? attempt(() => factorsOf(table, asked)) : undefined;
  const positive = attempt(() => {
    demandPositive(analysis.groups(asked, allParts(table, asked, true)), layout?.ok ? layout.value : undefined);
    return onLogarithms(asked);
  });
  // What has no logarithm is told as it is, with the reason.
  if (!positive.ok) return fromReadings(analysis, asked, table, brief, () => positive);
  const { onLogs, table: logs } = withLogarithms(positive.value, table);
  const found = fromReadings(analysis, onLogs, logs, brief, compared);
  return asRatios(asked, found, layout?.ok ? layout.value : undefined);
}

/**
 * Answers a question from its readings: a pure function, so an answer can never be older than either.
 * @param brief leaves out effect sizes and what follows an overall test, for a question asked of many measures
 */
export const answer = (asked: Question, given: Table, brief = false): Outcome<Answer> =>
  answered(asked, given, brief, (make) => attempt(() => judged(withLogTails(make()), asked.level)));

/** The groups of a question described, before they are compared: what can be shown while a long test runs. */
export const described = (asked: Question, given: Table): Outcome<Answer> =>
  answered(asked, given, false, () => ({ ok: false, reason: 'They are not compared yet.' }));

/** What is left of a table for a question: by its rules, with what was set aside and what repeats subjects counted as it says. */
function leftFor(question: Question, given: Table): { asked: Question; everything: Table; table: Table } {
  const everything = question.withAside ? withAside(given) : given;
  const all = included(question, everything);
  const asked = contrastsUnderLetters(measuredBy(withinRows(question, all, everything), all), given);
  return {
    asked,
    everything,
    table: countedAs(asked, asked.only ? onlyWhere(withDerived(all), asked.only) : all),
  };
}

/** The table a question is answered from. @throws DomainError in words where its rules leave nothing */
export const answeredTable = (question: Question, given: Table): Table => leftFor(question, given).table;

const answered = (question: Question, given: Table, brief: boolean, compared: Compared): Outcome<Answer> =>
  attempt(() => {
    const { asked, everything, table } = leftFor(question, given);
    const analysis = analysisOf(asked);
    const found =
      analysis.from === 'counts'
        ? fromCounts(analysis, asked, table, compared)
        : (tellsRatios(asked) ? fromLogarithms : fromReadings)(analysis, asked, table, brief, compared);
    return {
      ...found,
      ...taken(asked, everything, analysis.from === 'readings'),
      ...twicePart(table),
      ...(given.blind ? { blind: blindPart(given.blind, given, question, found.groups) } : {}),
      ...(asked.registered
        ? { registered: registeredPart(asked.registered, found.question, given, found.groups) }
        : {}),
    };
  });
