/** From readings to the question they raise. */
import { attempt } from '../numeric/domain-error';
import { countTable, holdsCounts } from '../readings/count-table';
import type { CountTable } from '../readings/counts';
import { byCell, factorsOf } from '../readings/factors';
import { columnsAreGroups, groupsOf } from '../readings/groups';
import { hasSamples, repeatsOf } from '../readings/repeats';
import { displayLevels, levelsOf } from '../readings/levels';
import { type Column, type Table, called, columnsOf, findColumn } from '../readings/table';
import { readColumn } from '../readings/read-column';
import {
  calendarName,
  expectedName,
  groupName,
  isBefore,
  isBlock,
  isHousing,
  isNegative,
  settingName,
} from '../understanding/vocabulary';
import { isCrossedWithBoth } from '../understanding/crossed-with-both';
import { likeliestCategory, likeliestCrossing, likeliestOutcome } from '../understanding/likeliest';
import { asDesign, designOf, groupChoices, hasConditions, hasTwoFactors, sameOutcomes } from './asking';
import { withinBlocks } from './block';
import { adjustedFor } from './covariate';
import { innerNamed } from './inner';
import { inNaturalOrder } from './natural-order';
import { type Question, questionOf } from './question';
import { standing } from '../readings/places';

/** The parts that a column of expected counts, or of a ratio, stands for; undefined where there is none for each category. */
function expectedRatio(table: Table, categories: number): number[] | undefined {
  const column = columnsOf(table, 'label').find((c) => expectedName.test(c.name));
  const parts = column ? readColumn({ ...column, role: 'measure' }).used.map((r) => r.value) : [];
  return parts.length === categories && parts.every((x) => x > 0) ? parts : undefined;
}

/** Whether rows are classes of what was found, "0–10 mm" or 3 blades, rather than doses that were set, and columns no yes and no. */
function areClasses(rows: CountTable['rows'], columns: CountTable['columns']): boolean {
  const wasSet = groupName.test(rows.name) || settingName.test(rows.name) || rows.name === '';
  const [one, other] = columns.categories.map((c) => c.name);
  const answers = one !== undefined && other !== undefined && (isNegative(one, other) || isNegative(other, one));
  return (
    !wasSet && !answers && rows.categories.length > 2 && rows.categories.every((c) => /^[<>≤≥]?\s*\d/.test(c.name))
  );
}

/** What counts raise: whether a share differs between groups; with more than two outcomes whether they depend on the group. */
function firstOfCounts(table: Table): Question | undefined {
  const crossing = table.shape === 'categories' ? likeliestCrossing(table) : {};
  const counted = attempt(() => countTable(table, crossing));
  if (!counted.ok) return undefined;
  const { rows, columns } = counted.value;
  const [a, b] = rows.categories;
  const [one, other] = columns.categories;
  // Of yes and no the share of yes is asked about.
  const found = one && other && columns.categories.length === 2 && isNegative(one.name, other.name) ? other : one;
  if (!a || !found) return undefined;
  if (columns.categories.length === 1) {
    const ratio = expectedRatio(table, rows.categories.length);
    return questionOf('one-sample', { about: 'table', ...(ratio ? { ratio } : {}) });
  }
  if (columns.categories.length > 2 || areClasses(rows, columns))
    return questionOf('several', { about: 'table', ...crossing });
  const share = { about: 'share', found: found.id, a: a.id, ...crossing } as const;
  if (!b) return questionOf('estimate', share);
  // The same two categories both ways, counted already or of subjects that are named: each was looked at twice.
  const twice =
    table.shape === 'counts' ||
    columnsOf(table, 'subject').length > 0 ||
    (isBefore(rows.name) && !isBefore(columns.name));
  if (twice && sameOutcomes(counted.value))
    return questionOf('paired', { about: 'share', found: found.id, ...crossing });
  return rows.categories.length === 2 ? questionOf('two-groups', { ...share, b: b.id }) : questionOf('several', share);
}

/** Which columns of a table with one row per reading are asked about, where there are several to choose from. */
function likeliestColumns(table: Table): Pick<Question, 'measure' | 'by'> {
  if (table.shape !== 'rows') return {};
  const measure = columnsOf(table, 'measure').length > 1 ? likeliestOutcome(table) : undefined;
  const by = columnsOf(table, 'group').length > 1 ? likeliestCategory(table) : undefined;
  return { ...(measure ? { measure: measure.id } : {}), ...(by ? { by: by.id } : {}) };
}

/** Whether every subject, or nearly, was read once in each of several groups. */
function isCrossed(table: Table, by: Column | undefined, measure: string | undefined): boolean {
  const [subject] = columnsOf(table, 'subject');
  if (!subject || !by) return false;
  const repeats = repeatsOf(table, { measure, by: by.id });
  return (
    repeats !== undefined && repeats.subjects === repeats.readings && repeats.shared >= 0.8 * levelsOf(subject).length
  );
}

/** Whether rows of one level of a column stand under several of another. */
const holdsSeveral = (block: Column, by: Column | undefined): boolean =>
  standing(block.cells, by?.cells ?? []).several > 0;

/** Of the combinations of two factors, those that must have readings. */
const nearlyAll = 0.8;

/** Whether each subject, or nearly, stands under one level of a column. */
function holdsSubjects(table: Table, by: Column): boolean {
  const [subject] = columnsOf(table, 'subject');
  if (!subject) return false;
  const { names, several } = standing(subject.cells, by.cells);
  return several <= 0.2 * names;
}

/** The question that columns of groups raise, where two are asked about: as two factors, one of them within subjects. */
function ofTwoFactors(table: Table, blank: Question): Question | undefined {
  const all = columnsOf(table, 'group');
  const crossed = all.filter((c) => isCrossed(table, c, blank.measure));
  const asked = (of: readonly Column[]): Column | undefined => of.find((c) => c.id === blank.by) ?? of[0];
  const within = asked(crossed);
  if (within) {
    const by = asked(all.filter((c) => !crossed.includes(c) && holdsSubjects(table, c)));
    return by && { ...asDesign(blank, table, 'mixed'), by: by.id, by2: within.id };
  }
  // Of three factors the one that sorts into blocks is not asked about, nor what each subject is of where it was read
  // under every combination of the other two.
  const throughout = all.filter((c) => !holdsSubjects(table, c));
  const [one, other, third] = throughout;
  const both =
    one && other && !third && isCrossedWithBoth(table, { measure: blank.measure, by: one.id, by2: other.id });
  const unsorted = all.length > 2 ? all.filter((c) => !isBlock(c.name) && !calendarName.test(c.name)) : all;
  const [a, b, more] = both ? throughout : unsorted;
  if (!a || !b || more) return undefined;
  const blocks = [a, b].filter((c, i) => (isBlock(c.name) || isHousing(c.name)) && holdsSeveral(c, [b, a][i]));
  if (both) {
    const [subject] = columnsOf(table, 'subject');
    const within: Question = { ...asDesign(blank, table, 'repeated-factorial'), by: a.id, by2: b.id };
    // What blocks do to their readings they do to all alike.
    return subject && isBlock(subject.name) ? { ...within, method: 'mixed-model' } : within;
  }
  const [block] = blocks;
  if (block && blocks.length === 1) {
    const by = block === a ? b : a;
    const kind = levelsOf(by).length === 2 ? 'two' : 'several';
    const compared = { ...blank, by: by.id };
    const [first, second] = groupChoices(table, compared);
    return withinBlocks(
      asDesign(
        { ...compared, ...(first && second ? { a: first.id, b: second.id } : {}) },
        table,
        designOf(kind, 'once'),
      ),
      table,
      block.id,
    );
  }
  const factorial: Question = { ...asDesign(blank, table, 'factorial'), by: a.id, by2: b.id };
  const cells = attempt(() => byCell(factorsOf(table, factorial)).flat());
  const levels = [a, b].map((c) => levelsOf(c).length);
  // A cell that was lost is worked round.
  return cells.ok &&
    levels.every((n) => n > 1 && n <= 12) &&
    cells.value.filter((c) => c.length > 0).length >= nearlyAll * cells.value.length
    ? factorial
    : undefined;
}

/** The column of what was read before, where two groups of subjects were read before and after and no other time. */
function readBefore(table: Table): Column | undefined {
  const [first, second, more] = columnsOf(table, 'measure');
  const [by, other] = columnsOf(table, 'group');
  if (table.shape !== 'repeated' || !first || !second || more || !by || other || levelsOf(by).length !== 2)
    return undefined;
  return isBefore(first.name) && !isBefore(second.name) ? first : undefined;
}

/**
 * The question a table raises by its layout: pairs and repeated readings within subjects, also of groups of subjects, a
 * grid as two factors, one group as an estimate, two as a difference, more as several.
 * @param chosen ids of the columns to compare, where some are chosen
 */
export function firstQuestion(table: Table, chosen: readonly string[] = []): Question | undefined {
  const known = chosen.length === 0 ? firsts.get(table) : undefined;
  if (known) return known.question;
  const found = raised(table, chosen);
  const question = found && inNaturalOrder(found, ...comparedIn(table, found));
  if (chosen.length === 0) firsts.set(table, { question });
  return question;
}

/** What a question compares one by one, and by which column: groups, or the conditions under which groups were read. */
function comparedIn(table: Table, question: Question): [{ id: string; name: string }[], string] {
  const conditions = hasConditions(question.design);
  if (conditions && columnsAreGroups(table))
    return [columnsOf(table, 'measure').map((c) => ({ id: c.id, name: called(c) })), ''];
  const by = findColumn(table, conditions ? question.by2 : question.by) ?? columnsOf(table, 'group')[0];
  return [conditions && by ? displayLevels(by) : groupChoices(table, question), by?.name ?? ''];
}

/** The first question of tables, asked for by several parts of a page. */
const firsts = new WeakMap<Table, { question: Question | undefined }>();

function raised(table: Table, chosen: readonly string[]): Question | undefined {
  if (holdsCounts(table)) return firstOfCounts(table);
  const columns = likeliestColumns(table);
  const named = groupChoices(table, columns);
  // An empty column is no group yet, unless all are.
  const read = groupsOf(table, columns).filter((g) => g.readings.used.length + g.readings.unread.length > 0);
  const all =
    table.shape === 'summary' || read.length === 0 ? named : named.filter((g) => read.some((r) => r.id === g.id));
  const picked = all.filter((g) => chosen.includes(g.id));
  // All of them chosen is none chosen: so stands the selection after a paste.
  const some = picked.length > 1 && picked.length < all.length;
  const groups = some ? picked : all;
  const [a, b] = groups;
  if (!a) return undefined;
  const blank = questionOf('estimate', { ...columns, a: a.id });
  if (table.shape === 'grid') return asDesign(blank, table, 'factorial');
  const factors = table.shape === 'rows' && !some ? ofTwoFactors(table, blank) : undefined;
  if (factors) return factors;
  const [by] =
    table.shape === 'rows'
      ? columnsOf(table, 'group').filter((c) => columns.by === undefined || c.id === columns.by)
      : [];
  const within = table.shape === 'repeated' || isCrossed(table, by, columns.measure);
  if (!b) return blank;
  // Of groups read before and after, what came after is compared, adjusted for what was there before.
  const before = some ? undefined : readBefore(table);
  if (before) return adjustedFor({ ...blank, design: 'two-groups' }, table, before.id);
  // Subjects that belong to groups: who they are may matter as well as when they were read.
  if (table.shape === 'repeated' && !some && hasTwoFactors(table)) return asDesign(blank, table, 'mixed');
  const pair = { ...blank, b: b.id };
  // Spreads without means are compared as spreads.
  if (table.shape === 'summary' && columnsOf(table, 'measure').length === 0)
    return { ...asDesign(pair, table, groups.length === 2 ? 'two-groups' : 'several'), about: 'spread' };
  const [block] = columnsOf(table, 'subject').filter((c) => isBlock(c.name));
  if (block && by && !within && !table.average && table.shape === 'rows' && holdsSeveral(block, by))
    return withinBlocks(
      asDesign(pair, table, designOf(groups.length === 2 ? 'two' : 'several', 'once')),
      table,
      block.id,
    );
  const sampling = within ? 'within' : !table.average && hasSamples(repeatsOf(table, columns)) ? 'nested' : 'once';
  const withInner = (question: Question): Question => {
    const inner = innerNamed(question, table);
    return inner ? { ...question, inner: inner.id } : question;
  };
  if (groups.length === 2) return withInner(asDesign(pair, table, designOf('two', sampling)));
  const several = withInner(asDesign(pair, table, designOf('several', sampling)));
  return some || all.length < named.length ? { ...several, groups: groups.map((g) => g.id) } : several;
}
