/**
 * Names that cross, in two rows or in one, each of the first over the same of the second: two factors, or groups and
 * times, over their readings, or groups over their figures.
 */
import { nth } from '../numeric/nth';
import { there } from '../numeric/there';
import { widthOf } from '../numeric/width-of';
import { group, transpose } from 'd3-array';
import { isMissing } from '../readings/parse-number';
import { limits } from '../readings/table-edit';
import { splitUnit } from '../readings/units';
import { alike } from './alike';
import { weighed } from './evidence';
import { headsOf } from './heads';
import { areNamedOnce, isLost } from './lost-names';
import { look } from './seen';
import { valueOf } from './sums';
import {
  areTurns,
  isReplicate,
  looksLikeId,
  calendarName,
  figureName,
  meanName,
  numberName,
  outOfName,
  sizeName,
  sharedStem,
  spanName,
  spoken,
  spreadKind,
  subjectName,
  subjectNumber,
  variableIn,
} from './vocabulary';
import { cellAt, textAt } from '../readings/cell-at';

type Rows = readonly (readonly string[])[];

/** The names of the upper row, each over all the columns it reaches. */
function spreadOut(upper: readonly string[], width: number): string[] {
  let over = '';
  return Array.from({ length: width }, (_, k) => {
    const name = textAt(upper, k);
    if (name !== '') over = name;
    return over;
  });
}

/** Figures of several variables, a row each, with a group a row; undefined where not all are of as many readings. */
function variablesBeside(groups: readonly string[], figures: readonly string[], body: Rows): string[][] | undefined {
  const names = [...new Set(groups.slice(1))];
  const kinds = [...new Set(figures.slice(1))];
  const figure = (row: readonly string[], group: string, kind: string): string =>
    textAt(
      row,
      groups.findIndex((g, k) => k > 0 && g === group && figures[k] === kind),
    );
  const sizes = kinds.filter((kind) => sizeName.test(kind));
  if (sizes.some((kind) => names.some((group) => new Set(body.map((row) => figure(row, group, kind))).size > 1)))
    return undefined;
  const own = body.flatMap((row) => kinds.flatMap((kind) => (sizes.includes(kind) ? [] : [{ row, kind }])));
  const [first = []] = body;
  return [
    ['group', ...sizes, ...own.map(({ row, kind }) => `${textAt(row, 0)} ${kind}`)],
    ...names.map((group) => [
      group,
      ...sizes.map((kind) => figure(first, group, kind)),
      ...own.map(({ row, kind }) => figure(row, group, kind)),
    ]),
  ];
}

/** Figures under the names of their groups, "mean" and "SD" below "Red lamp", with a group a row; undefined where they are none. */
function figuresUnder(
  groups: readonly string[],
  figures: readonly string[],
  body: Rows,
  first: number,
): string[][] | undefined {
  const kinds = [...new Set(figures.slice(first))];
  if (!kinds.some((k) => meanName.test(k)) || !kinds.some((k) => spreadKind(k) !== null) || first > 1) return undefined;
  const [only, ...more] = body;
  const rowName = (row: readonly string[]): string => (first === 0 ? '' : textAt(row, 0));
  // Rows of several variables are not compared with each other: each has its figures beside those of the others.
  if (more.length > 0 && (first === 0 || body.some((row) => variableIn(rowName(row)) ?? splitUnit(rowName(row)).unit)))
    return first === 0 ? undefined : variablesBeside(groups, figures, body);
  const named = (row: readonly string[], group: string): string =>
    more.length === 0 ? group : `${rowName(row)} ${group}`;
  const called = only && more.length === 0 ? rowName(only) : '';
  const measure = called === '' ? 'mean' : `mean ${called}`;
  return [
    ['group', ...kinds.map((kind) => (meanName.test(kind) ? measure : kind))],
    ...body.flatMap((row) =>
      [...new Set(groups.slice(first))].map((group) => [
        named(row, group),
        ...kinds.map((kind) =>
          textAt(
            row,
            groups.findIndex((g, k) => g === group && figures[k] === kind),
          ),
        ),
      ]),
    ),
  ];
}

const timeName = new RegExp(`${calendarName.source}|${spanName.source}|^(?:hours?|h|d|t)$`, 'iu');

/** Whether the first column names who each row is, each another: persons and what else is called as subjects are, or by codes. */
const nameSubjects = (name: string, cells: readonly string[]): boolean =>
  areNamedOnce(cells) &&
  cells.length > 1 &&
  (subjectName.test(spoken(name)) || cells.every((cell) => isLost(cell) || looksLikeId(cell)));

/** Whether a column only numbers its rows. */
const isNumbering = (name: string, cells: readonly string[]): boolean =>
  (name === '' || numberName.test(name) || /^(?:rep(?:licate|eat)?s?|obs(?:ervation)?s?|readings?)$/iu.test(name)) &&
  cells.every((cell, i) => Number(cell) === i + 1);

/** What parts a name that says two things, the clearest first. */
const between = [/\s*[,;:/|×·]\s*/u, /\s+[-–—+]\s+/u, /_/u, /\s+(?=\S+$)/u, /(?<=^\S+)\s+/u, /[-–.]/u];

/** The two parts of each of several names that cross, "red low" and "white high"; undefined where they do not. */
function crossedParts(names: readonly string[]): [string, string][] | undefined {
  if (names.length < 4) return undefined;
  const ways = between.flatMap((mark) => {
    const parts = names.map((name) => name.trim().split(mark));
    const [as, bs] = [new Set(parts.map(([a]) => a)), new Set(parts.map(([, b]) => b))];
    const two = parts.every((part) => part.length === 2 && part.every((text) => text !== ''));
    return two && as.size > 1 && bs.size > 1 && as.size * bs.size === names.length
      ? [parts.map(([a = '', b = '']): [string, string] => [a, b])]
      : [];
  });
  // "red day 7" is read at day 7.
  return ways.find((parts) => areTurns([...new Set(parts.map(([, b]) => b))])) ?? ways[0];
}

interface Names {
  outer: string[];
  lower: string[];
  /** The first column under names of both rows. */
  first: number;
  body: Rows;
}

/** One row of names, each over several columns of numbers: those are numbered. */
function numberedBelow([upper = [], ...body]: Rows): Names | undefined {
  const names = upper.filter((name) => name.trim() !== '');
  const width = Math.max(upper.length, widthOf(body));
  const areNames = names.length > 1 && names.length < width && names.every((name) => /^\p{L}/u.test(name.trim()));
  if (!areNames || textAt(upper, 0) === '') return undefined;
  let number = 0;
  const lower = Array.from({ length: width }, (_, k) => {
    number = textAt(upper, k) === '' ? number + 1 : 1;
    return String(number);
  });
  return { outer: spreadOut(upper, width), lower, first: 0, body };
}

/** The upper and the lower name of each column, and where they begin: of two rows of names, or of one whose names cross. */
function namesOver(block: Rows): Names | undefined {
  const heads = headsOf(block);
  const [upper = [], under = []] = block.slice(heads.skipped);
  const width = Math.max(upper.length, heads.names === 2 ? under.length : 0);
  const body = (): Rows =>
    block.slice(heads.skipped + heads.names + heads.units).filter((row) => row.some((cell) => cell.trim() !== ''));
  if (heads.names === 2) {
    // What names the rows has its own name in one of the two.
    const isFilled = (name: string): boolean => name.trim() !== '';
    const rows = body();
    // In the corner the names of both rows may be told, over those of the rows below.
    const inCorner = rows.map((row) => textAt(row, 0));
    const namesRows =
      inCorner.every((text) => text === '') ||
      nameSubjects(textAt(under, 0), inCorner) ||
      areTimes({ called: textAt(under, 0), cells: inCorner });
    const besideOthers = textAt(upper, 1) !== '' && textAt(upper, 1) !== textAt(upper, 0);
    const corner = textAt(upper, 0) !== '' && besideOthers && namesRows ? 1 : 0;
    const first = Math.max(upper.findIndex(isFilled), under.findIndex(isFilled), corner);
    const lower = Array.from({ length: width }, (_, k) => textAt(under, k));
    return { outer: spreadOut(upper, width), lower, first, body: rows };
  }
  if (heads.names === 0) return numberedBelow(block.slice(heads.skipped));
  if (heads.names !== 1 || heads.units > 0) return undefined;
  const names = upper.map((name) => splitUnit(name));
  for (const first of [0, 1]) {
    const parts = crossedParts(names.slice(first).map(({ name }) => name));
    if (!parts || parts.some((part) => part.some((name) => variableIn(name)))) continue;
    const own = upper.slice(0, first).map((name) => name.trim());
    const lower = parts.map(([, b], i) => {
      const unit = nth(names, first + i).unit;
      return unit ? `${b} (${unit})` : b;
    });
    return { outer: [...own, ...parts.map(([a]) => a)], lower: [...own, ...lower], first, body: body() };
  }
  return undefined;
}

/** A column under two names. */
interface Place {
  k: number;
  a: string;
  b: string;
  unit: string;
}

/** Several variables of each subject under each of several conditions, a row for a subject under one; undefined of anything else. */
function variablesOfSubjects(
  called: string,
  subjects: readonly string[],
  places: readonly Place[],
  cellsAt: (k: number) => string[],
): string[][] | undefined {
  if (subjects.length < 2 || subjects.length * places.length > limits.rows) return undefined;
  if (new Set(subjects).size < subjects.length || subjects.includes('')) return undefined;
  for (const [condition, variable] of [
    ['a', 'b'],
    ['b', 'a'],
  ] as const) {
    const variables = [...new Set(places.map((p) => p[variable]))];
    const conditions = [...new Set(places.map((p) => p[condition]))];
    const areVariables = variables.length > 1 && variables.every((name) => variableIn(name) !== undefined);
    if (!areVariables || conditions.length < 2 || places.length !== variables.length * conditions.length) continue;
    const at = (of: string, name: string): Place | undefined =>
      places.find((p) => p[condition] === of && p[variable] === name);
    if (conditions.some((of) => variables.some((name) => !at(of, name)))) continue;
    const unitsOf = (name: string): string[] => [
      ...new Set(places.flatMap((p) => (p[variable] === name ? [p.unit] : []))),
    ];
    // What is in two units is not one variable yet.
    if (variables.some((name) => unitsOf(name).length > 1)) continue;
    return [
      [
        called || 'subject',
        areTurns(conditions) ? 'time' : 'group',
        ...variables.map((name) => (unitsOf(name)[0] ? `${name} (${unitsOf(name)[0]})` : name)),
      ],
      ...conditions.flatMap((of) => {
        const columns = variables.map((name) => cellsAt(at(of, name)?.k ?? -1));
        return subjects.map((subject, i) => [subject, of, ...columns.map((cells) => cellAt(cells, i))]);
      }),
    ];
  }
  return undefined;
}

/** What stands at the left of a block, and what the corner above it says. */
interface Left {
  /** The name in the row above the readings. */
  called: string;
  cells: readonly string[];
}

/** Whether names at the left are times, or numbers that rise as times do. */
const areTimes = ({ called, cells }: Left): boolean =>
  areTurns(cells) ||
  timeName.test(called) ||
  cells.every((cell, i) => valueOf(cell) !== undefined && (i === 0 || Number(cell) > Number(cells[i - 1])));

/**
 * Samples of groups, each over its readings, by codes that never come twice: tanks T1 to T6 under two lamps, or mice under
 * two diets with the days down the side; undefined of anything else.
 */
function samplesUnder(
  places: readonly Place[],
  cellsAt: (k: number) => string[],
  [above = '', called = '']: readonly string[],
  left: Left | undefined,
): string[][] | undefined {
  const codes = places.map((p) => p.b);
  const grouped = [...group(places, (p) => p.a).values()];
  const stem = sharedStem(codes) ?? '';
  // Codes go on from group to group, T1 to T6, or each group has its own, A1 and A2, B1 and B2.
  const ofOneStem = stem !== '' || grouped.every((of) => sharedStem(of.map((p) => p.b)) !== undefined);
  const areCodes = new Set(codes).size === codes.length && codes.every(looksLikeId) && ofOneStem;
  if (!areCodes || grouped.length < 2 || grouped.some((of) => of.length < 2)) return undefined;
  const under = left?.cells ?? [];
  const timed = left !== undefined && areTimes(left);
  // Others at the left are subjects of their own, or variables.
  const areConditions =
    timed ||
    !under.some(
      (name) => name === '' || looksLikeId(name) || valueOf(name) !== undefined || variableIn(name) !== undefined,
    );
  if (!areConditions || new Set(under).size < under.length) return undefined;
  const readings = places.flatMap(({ k, a, b }) =>
    cellsAt(k).flatMap((cell, i) => (cell === '' ? [] : [[a, b, ...(left ? [cellAt(under, i)] : []), cell]])),
  );
  const units = new Set(places.map((p) => p.unit));
  const [unit] = units;
  const unread = readings.filter((row) => !isMissing(row.at(-1) ?? '') && valueOf(row.at(-1)) === undefined).length;
  if (units.size > 1 || readings.length < 2 * places.length || unread > 1) return undefined;
  const noun = [called, spoken(stem).trim()].find((name) => subjectNumber.test(spoken(name))) ?? 'sample';
  const what = left && (timeName.test(left.called) ? left.called : timed ? 'time' : 'condition');
  const groups = above !== '' && called !== '' && above !== called ? above : 'group';
  return [[groups, noun, ...(what ? [what] : []), unit ? `reading (${unit})` : 'reading'], ...readings];
}

/** How many were so of how many under each of several groups, "fed grazed" and "fed n", a row for each; undefined of anything else. */
function sharesUnder(
  called: string,
  layers: readonly string[],
  places: readonly Place[],
  cellsAt: (k: number) => string[],
): string[][] | undefined {
  const groups = [...new Set(places.map((p) => p.a))];
  const kinds = [...new Set(places.map((p) => p.b))];
  const total = kinds.find((name) => outOfName.test(name) || sizeName.test(name));
  const part = kinds.find((name) => name !== total);
  if (
    kinds.length !== 2 ||
    groups.length < 2 ||
    places.length !== 2 * groups.length ||
    part === undefined ||
    total === undefined
  )
    return undefined;
  const at = (group: string, kind: string): string[] =>
    cellsAt(places.find((p) => p.a === group && p.b === kind)?.k ?? -1);
  const rows = layers.flatMap((layer, i) =>
    groups.map((group) => [layer, group, cellAt(at(group, part), i), cellAt(at(group, total), i)]),
  );
  const isShare = ([, , k = '', n = '']: readonly string[]): boolean =>
    /^\d+$/.test(k) && /^\d+$/.test(n) && Number(k) <= Number(n);
  return figureName.test(part) || variableIn(part) !== undefined || !rows.every(isShare)
    ? undefined
    : [[called || 'layer', 'group', part, total], ...rows];
}

/**
 * A block under crossed names with a reading a row, both names in columns of their own before it, or with a group a row
 * and its figures; undefined where no names cross.
 */
export function crossedApart(block: Rows): string[][] | undefined {
  const found = namesOver(block);
  if (!found) return undefined;
  const { outer, lower, first, body } = found;
  const width = outer.length;
  const named = Array.from({ length: first }, (_, k) => k);
  const cellsAt = (k: number): string[] => body.map((row) => textAt(row, k));
  const called = (k: number): string => cellAt(lower, k) || cellAt(outer, k);
  const figures = figuresUnder(outer, lower, body, first);
  if (figures) return figures;
  // Times down the side are those of each sample beside them.
  const times = first === 1 && /\d/.test(cellAt(cellsAt(0), 0)) && timeName.test(called(0)) ? cellsAt(0) : undefined;
  const numbering = named.every((k) => isNumbering(called(k), cellsAt(k)) || cellsAt(k).every((cell) => cell === ''));
  // Readings numbered under each group, and beside them what else they were read under, or who they are of.
  const numbered = [...new Set(lower.slice(first))].every((name, i) => isReplicate(name, i) || name === 'ABCDEFGH'[i]);
  const names = first === 1 && !times && !numbering && numbered ? cellsAt(0) : undefined;
  const places = Array.from({ length: width - first }, (_, i) => {
    const [over, under] = [splitUnit(cellAt(outer, first + i)), splitUnit(cellAt(lower, first + i))];
    return { k: first + i, a: over.name, b: under.name, unit: under.unit || over.unit };
  });
  const left =
    first === 1 && !numbering ? { called: textAt(lower, 0) || textAt(outer, 0), cells: cellsAt(0) } : undefined;
  const ofSamples =
    first < 2
      ? samplesUnder(places, cellsAt, first === 1 ? [textAt(outer, 0), textAt(lower, 0)] : [], left)
      : undefined;
  if (ofSamples) return ofSamples;
  const shares = first === 1 ? sharesUnder(called(0), cellsAt(0), places, cellsAt) : undefined;
  if (shares) return shares;
  const ofSubjects =
    first === 1 && !times && !numbering ? variablesOfSubjects(called(0), cellsAt(0), places, cellsAt) : undefined;
  if (ofSubjects) return ofSubjects;
  const who =
    first === 1 && !times && !numbering && !names && nameSubjects(called(0), cellsAt(0)) ? cellsAt(0) : undefined;
  if (!times && !numbering && !names && !who) return undefined;
  const units = new Set(places.map((p) => p.unit));
  const [as, bs] = [new Set(places.map((p) => p.a)), new Set(places.map((p) => p.b))];
  const pairs = new Set(places.map((p) => `${p.a}\n${p.b}`));
  const crosses = as.size > 1 && bs.size > 1 && pairs.size === places.length && pairs.size === as.size * bs.size;
  const isReading = (cell: string): boolean => cell === '' || isMissing(cell) || valueOf(cell) !== undefined;
  const areFigures = [...bs].some((name) => figureName.test(name) || spreadKind(name) !== null);
  if (areFigures || (!who && areTurns([...as]) && areTurns([...bs]))) return undefined;
  if (!crosses || places.length * body.length > limits.rows) return undefined;
  // One cell that cannot be read among many is told where it stands.
  const cells = places.flatMap(({ k }) => cellsAt(k));
  if (cells.filter((cell) => !isReading(cell)).length > (cells.length > 6 ? 1 : 0)) return undefined;
  const [unit = ''] = units;
  const withUnit = (name: string, of = unit): string => (of ? `${name} (${of})` : name);
  if (names)
    return units.size === 1 && names.every((name) => name !== '' && !figureName.test(name))
      ? [
          [called(0) || (names.every(looksLikeId) ? 'sample' : 'factor'), 'group', withUnit('reading')],
          ...places.flatMap(({ k, a }) => cellsAt(k).map((cell, i) => [cellAt(names, i), a, cell])),
        ]
      : undefined;
  if (times)
    return numbered && units.size === 1
      ? [
          ['group', 'sample', called(0), withUnit('reading')],
          ...places.flatMap(({ k, a, b }) => cellsAt(k).map((cell, i) => [a, `${a} ${b}`, cellAt(times, i), cell])),
        ]
      : undefined;
  const [corner, below] = [textAt(outer, 0), textAt(lower, 0)];
  const both = first === 1 && corner !== '' && below !== '' && corner !== below;
  const rowsName = both && !subjectName.test(spoken(below)) ? '' : called(0);
  const under = areTurns([...bs]) ? 'time' : both && rowsName === '' ? below : 'factor 2';
  const over = under !== 'time' && areTurns([...as]) ? 'time' : both ? corner : 'factor 1';
  // Two variables of each subject are no two levels; but what grows is of another size at another time.
  const timeOf = ({ a, b }: Place): string => (areTurns([...bs]) ? b : areTurns([...as]) ? a : '');
  const areAlike = (at: readonly Place[]): boolean =>
    weighed(alike(at.map(({ k, a, b, unit }) => look({ name: `${a} ${b}`, unit, cells: cellsAt(k) }, k)))) >= 0;
  if (who)
    return units.size === 1 && [...group(places, timeOf).values()].every(areAlike)
      ? [
          [rowsName || 'subject', over, under, withUnit('reading')],
          ...who.flatMap((name, row) => places.map(({ k, a, b }) => [name, a, b, textAt(body[row], k)])),
        ]
      : undefined;
  const filled = (row: readonly string[]): boolean => row.some((cell) => cell !== '');
  // At several times the subjects of a group are read, and of each several variables: a row each.
  for (const [group, turn] of [
    ['a', 'b'],
    ['b', 'a'],
  ] as const) {
    const turns = turn === 'b' ? [...bs] : [...as];
    const unitOf = (name: string): string[] => [...new Set(places.flatMap((p) => (p[turn] === name ? [p.unit] : [])))];
    const areVariables = turns.every((name) => variableIn(name) !== undefined && unitOf(name).length === 1);
    if (!areTurns(turns) && !areVariables) continue;
    const columns = (of: string): string[][] =>
      turns.map((t) =>
        cellsAt(
          there(
            places.find((p) => p[group] === of && p[turn] === t),
            'column',
          ).k,
        ),
      );
    return [
      ['group', ...turns.map((name) => withUnit(name, unitOf(name)[0]))],
      ...(group === 'a' ? [...as] : [...bs]).flatMap((of) =>
        transpose(columns(of))
          .filter(filled)
          .map((cells) => [of, ...cells]),
      ),
    ];
  }
  if (units.size > 1) return undefined;
  const readings = places.flatMap(({ k, a, b }) => cellsAt(k).flatMap((cell) => (cell === '' ? [] : [{ a, b, cell }])));
  return numbered
    ? [['group', 'sample', withUnit('reading')], ...readings.map(({ a, b, cell }) => [a, `${a} ${b}`, cell])]
    : [
        [both ? corner : 'factor 1', both ? below : 'factor 2', withUnit('reading')],
        ...readings.map(({ a, b, cell }) => [a, b, cell]),
      ];
}
