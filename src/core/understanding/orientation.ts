import { withoutSign } from './signs-behind';
import { isMissing, understand } from '../readings/parse-number';
import { splitUnit } from '../readings/units';
import { hasHead, headsOf } from './heads';
import { outcomesDown } from './outcomes-down';
import {
  areGrades,
  areTurns,
  controlName,
  groupName,
  idName,
  looksLikeId,
  meanName,
  isReplicate,
  ofWhatName,
  settingName,
  sizeName,
  spoken,
  spreadKind,
  subjectName,
  summaryName,
  isTurn,
  variableIn,
} from './vocabulary';
import { cellAt, textAt } from '../readings/cell-at';

type Rows = readonly (readonly string[])[];

const isNumber = (text: string): boolean =>
  understand(text, '', 'auto').kind === 'number' || /^[<>≤≥]\s*\d/.test(text.trim());
const isFigureName = (name: string): boolean =>
  meanName.test(name) || spreadKind(name) !== null || sizeName.test(name) || summaryName.test(name);
const filled = (text: string): boolean => text.trim() !== '' && !isMissing(text);

/** Rows and columns exchanged. */
export const turnedRound = (block: Rows): string[][] =>
  Array.from({ length: Math.max(0, ...block.map((r) => r.length)) }, (_, k) => block.map((row) => cellAt(row, k)));

/** Rows and columns exchanged, without what stood over the names at the left, which are heads now: "treatment". */
export function turnedUpright(block: Rows): string[][] {
  const [[corner = '', ...head] = [], ...body] = turnedRound(block);
  const below = body.map(([text = '']) => text.trim());
  const names = groupName.test(corner) || settingName.test(corner);
  const over = below.every((text, i) => text === '' || isReplicate(text, i));
  // Years over outcomes are groups, and need a name to be taken for that.
  const [first = [], ...rest] = block;
  const unnamed = ofWhatName.test(corner.trim()) || (corner.trim() === '' && outcomesDown(first, rest));
  return [[names && over ? '' : unnamed ? 'group' : corner, ...head], ...body];
}

/** Columns beyond these are no groups' readings along rows any more, but a file of many variables. */
const mostAlong = 400;
/** More rows than this are no groups. */
const mostDown = 200;

/** Names of figures down the first column, names of groups along the first row. */
function figuresDown(names: readonly string[], body: Rows): boolean {
  const kinds = new Set(
    names.flatMap((n) =>
      meanName.test(n) ? ['mean'] : spreadKind(n) !== null ? ['spread'] : sizeName.test(n) ? ['n'] : [],
    ),
  );
  return (
    kinds.size >= 2 &&
    kinds.has('spread') &&
    body.length <= 10 &&
    names.every(isFigureName) &&
    body.every((row) => row.slice(1).every((c) => !filled(c) || isNumber(c)))
  );
}

/** Each row one kind of thing where the columns mix texts and numbers: a variable a row. */
function variablesDown(block: Rows, width: number): boolean {
  const mixes = (cells: readonly string[]): boolean => {
    const some = cells.filter(filled);
    const numbers = some.filter(isNumber).length;
    return numbers > 0 && numbers < some.length;
  };
  const columns = Array.from({ length: width - 1 }, (_, k) => block.map((row) => cellAt(row, k + 1)));
  const rows = block.map((row) => row.slice(1));
  // A row that holds little is none of texts: a cell there that cannot be read says nothing of the others.
  const texts = rows.filter(
    (r) => r.some((c) => filled(c) && !isNumber(c)) && 2 * r.filter(filled).length > r.length,
  ).length;
  // Below one row of texts the columns of any table of numbers are mixed: that row is its head.
  return texts > 1 && columns.filter(mixes).length > columns.length / 2 && !rows.some(mixes);
}

/** One row of whole numbers behind its name: so many of each, for one reading of each compares nothing. */
function countedOnce([, ...head]: readonly string[], body: Rows): boolean {
  const [[name = '', ...counts] = [], ...more] = body;
  const isKind = (text: string): boolean =>
    text.trim() !== '' && !isFigureName(text) && variableIn(text) === undefined && splitUnit(text).unit === '';
  return (
    more.length === 0 &&
    head.length > 1 &&
    head.every(isKind) &&
    filled(name) &&
    !isNumber(name) &&
    counts.every((cell) => /^\d+$/.test(cell.trim()))
  );
}

/** Whether nothing but numbers stands behind the first cells of rows. */
const numbersBehind = (body: Rows): boolean =>
  body.every((row) => row.slice(1).every((cell) => !filled(cell) || isNumber(cell)));

/** Subjects over columns there are at least, and rows at most that no word of theirs shows to be conditions. */
const [fewestOver, fewDown] = [3, 3];

/**
 * Whether the corner says who stands over the columns, "line" over L1, L2 and L3, and what is down the side says when, or
 * under what, each was read.
 */
function subjectsOver([corner = '', ...over]: readonly string[], body: Rows): boolean {
  const called = spoken(corner);
  const left = body.map((row) => textAt(row, 0));
  const differ = (names: readonly string[]): boolean => new Set(names).size === names.length && !names.includes('');
  if (over.length < fewestOver || left.length < 2 || !differ(over) || !differ(left)) return false;
  if (!(subjectName.test(called) || idName.test(called) || /^(?:who|names?)$/iu.test(called))) return false;
  if (over.some((name) => variableIn(name))) return false;
  // Readings stand in rows of their own, and so do groups.
  const kinds = body.map((row) => new Set(row.slice(1).filter(filled).map(isNumber)));
  if (kinds.some((kind) => kind.size !== 1) || kinds.filter((kind) => kind.has(true)).length < 2) return false;
  const read = left.filter((_, i) => kinds[i]?.has(true));
  if (over.every(isReplicate) && read.length === left.length) return false;
  const turns = areTurns(read);
  if (!turns && read.every((name) => looksLikeId(name) || isNumber(name))) return false;
  const areLevels = turns || areGrades(read) || read.some((name) => controlName.test(name));
  // "line" over L1, not "participant" over Q1.
  const initial = over.every((name) => looksLikeId(name) && name[0]?.toLowerCase() === called[0]?.toLowerCase());
  // T1 and T2 may be times, and are tanks beside times.
  const few = read.length <= fewDown && over.length >= 2 * read.length;
  if (over.every(isTurn)) return initial && (areLevels || few);
  return areLevels || initial || few;
}

/** Whether a block's rows are what columns usually are: groups, figures or variables named at the left. */
export function isTurned(block: Rows): boolean {
  // Names that come again under others are no row of their own.
  const [top] = block;
  const again = (row: readonly string[]): boolean => row !== top && row.every((text, k) => text === top?.[k]);
  const rows = block.length > 2 * mostDown ? [] : block.filter((row) => row.some(filled) && !again(row));
  const width = Math.max(0, ...rows.map((r) => r.length));
  if (rows.length < 2 || width < 2 || width > mostAlong || rows.length > mostDown) return false;
  const [head = [], ...body] = rows;
  const names = rows.map((r) => textAt(r, 0));
  const { names: headRows, units } = headsOf(rows);
  const headed = headRows > 0 && hasHead(rows);
  if (headRows === 2) return false;
  if (headed && countedOnce(head, body)) return true;
  if (headed && (figuresDown(names.slice(1), body) || outcomesDown(head, body))) return true;
  if (
    units === 0 &&
    subjectsOver(
      head.map((text) => text.trim()),
      body,
    )
  )
    return true;
  if (width < 3) return false;
  // Names over units are two rows of texts, and a head.
  if (units === 0 && variablesDown(rows, width)) return true;
  // A head of 1, 2, 3 …, of "rep 1" and "rep 2" or "R1" and "R2", of a and b beside a treatment, or one over all of what
  // stands beside it, names no groups; those stand at the left then.
  const [corner = '', ...over] = head.map((text) => text.trim());
  const levels = groupName.test(corner) || settingName.test(corner);
  if (headed && ofWhatName.test(corner) && numbersBehind(body)) return true;
  const merged = levels && over.every((text) => text === '');
  const replicates =
    merged || (headed && over.every((text, i) => isReplicate(text, i) && (levels || !/^[a-h]$/.test(text))));
  // Variables down the side, and groups over them: readings of different things are not compared.
  const variables = body.map((row) => ({ known: variableIn(textAt(row, 0)), unit: splitUnit(textAt(row, 0)).unit }));
  const ofVariables =
    variables.every(({ known, unit }) => known !== undefined || unit !== '') &&
    (variables.some(({ known }) => known !== undefined) || new Set(variables.map(({ unit }) => unit)).size > 1);
  if (
    headed &&
    corner === '' &&
    body.length > 1 &&
    ofVariables &&
    numbersBehind(body.map((row) => row.map(withoutSign)))
  )
    return true;
  if (headed && !replicates) return false;
  const own = replicates ? body : rows;
  const left = own.map((r) => textAt(r, 0));
  const across = own.flatMap((r) => r.slice(1).filter(filled));
  if (left.includes('') || new Set(left).size < left.length) return false;
  // Numbers at the left are doses where they are called so, and where they can stand over what is read then.
  if (left.some(isNumber) && !(replicates && levels && own.length > 1 && hasHead(turnedRound(rows)))) return false;
  // One cell that cannot be read makes no names of numbers.
  if (
    across.filter(isNumber).length < Math.min(0.9 * across.length, across.length - 1) ||
    across.length < 2 * own.length
  )
    return false;
  if (left.some((n) => isTurn(n)) && !left.every((n) => isTurn(n))) return false;
  // More to the right than down; two or three rows are groups however few their readings.
  if (replicates) return width - 1 >= own.length || own.length <= 6;
  return (
    width > own.length || (own.length <= 3 && width >= 3) || left.filter((n) => variableIn(n)).length > own.length / 2
  );
}
