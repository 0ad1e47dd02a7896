/** A table read as counts: of rows by columns, of a part and what it is out of, or one row a subject to be counted. */
import { cellAt } from '../readings/cell-at';
import { holdsShares } from '../readings/share-cell';
import type { Role } from '../readings/table';
import type { Evidence } from './evidence';
import {
  type Interpretation,
  type Looked,
  columnsAt,
  interpretation,
  naming,
  placesOf,
  rolesWith,
} from './interpretation';
import { isMirrored } from './mirrored';
import { areOpposites } from './opposites';
import type { Seen } from './seen';
import { sumColumn, sumRow } from './sums';
import {
  areOfOneTime,
  countName,
  expectedName,
  answerName,
  controlName,
  groupName,
  isNegative,
  looksLikeId,
  lowerName,
  outOfName,
  scoreName,
  settingName,
  subjectName,
  subjectNumber,
  totalName,
  isTurn,
  turnName,
  upperName,
  variableIn,
} from './vocabulary';
import { nth } from '../numeric/nth';

const isPercent = (c: Seen): boolean => c.texts.length > 0 && c.texts.every((t) => /^[\d.,]+\s*%$/.test(t));
const isCount = (c: Seen): boolean => c.kind === 'numbers' && c.whole && c.unit === '';
/** Numbers that are no counts, among columns of numbers without a unit. */
const notCounted = (cells: readonly Seen[]): number =>
  cells.flatMap((c) => c.numbers).filter((x) => !Number.isInteger(x) || x < 0).length;
/** Whether all cells are counts, or all but one of many: a slip of the hand does not make readings of them. */
const areCounts = (cells: readonly Seen[]): boolean =>
  cells.every((c) => c.kind === 'numbers' && c.unit === '') &&
  (cells.every(isCount) || (notCounted(cells) === 1 && cells.flatMap((c) => c.numbers).length > 5));

/** A part and its total beside the percentage that they make: which is which, the percentage tells. */
function byPercent(figures: readonly Seen[]): [Seen, Seen] | undefined {
  const percent = figures.find(
    (c) => isPercent(c) || c.unit === '%' || /%|percent|share|proportion|rate/i.test(c.name),
  );
  const [a, b] = figures.filter((c) => c !== percent);
  if (figures.length !== 3 || !percent || !a || !b || !isCount(a) || !isCount(b)) return undefined;
  const shares = percent.texts.map((t) => Number(t.replace('%', '').replace(',', '.')));
  const whole = a.numbers.length === shares.length && b.numbers.length === shares.length;
  const makes = (part: Seen, total: Seen): boolean =>
    whole &&
    shares.every((share, i) => {
      const exact = nth(part.numbers, i) / nth(total.numbers, i);
      return Math.abs(share - exact) < 0.011 || Math.abs(share / 100 - exact) < 0.011;
    });
  return makes(a, b) ? [a, b] : makes(b, a) ? [b, a] : undefined;
}

/** A part beside what it is out of, in either order; the first is the part. */
function partAndTotal(figures: readonly Seen[]): [Seen, Seen] | undefined {
  const told = byPercent(figures);
  if (told) return told;
  const [a, b] = figures;
  if (figures.length !== 2 || !a || !b) return undefined;
  const percent = [a, b].find((c) => isPercent(c) || (c.unit === '%' && c.numbers.every((x) => x >= 0 && x <= 100)));
  if (percent) {
    const n = percent === a ? b : a;
    return isCount(n) ? [percent, n] : undefined;
  }
  if (!isCount(a) || !isCount(b)) return undefined;
  const within = (part: Seen, total: Seen): boolean =>
    part.numbers.length === total.numbers.length && part.numbers.every((x, i) => x <= nth(total.numbers, i));
  for (const [part, total] of [
    [a, b],
    [b, a],
  ] as const)
    // "Exposed" beside "unexposed" or "control" is the other group, and no total.
    if (
      outOfName.test(total.name) &&
      !outOfName.test(part.name) &&
      !isNegative(part.name, total.name) &&
      !controlName.test(part.name) &&
      within(part, total)
    )
      return [part, total];
  return undefined;
}

/** What was counted of each category beside what is expected of it. */
function observedAndExpected(figures: readonly Seen[]): { observed: Seen; expected: Seen } | undefined {
  const expected =
    figures.find((c) => expectedName.test(c.name)) ??
    (figures.some((c) => /^o$/iu.test(c.name)) ? figures.find((c) => /^e$/iu.test(c.name)) : undefined);
  const counts = figures.filter((c) => c !== expected && isCount(c));
  const observed = counts.find((c) => countName.test(c.name)) ?? counts[0];
  const positive = expected?.numbers.length === observed?.numbers.length && expected?.numbers.every((x) => x > 0);
  // What is left may be residuals, or a total; another column of counts is another category.
  return observed && expected && positive && counts.length === 1 ? { observed, expected } : undefined;
}

/** Rows a list of categories has at most, where nothing but whole numbers tells that it counts. */
const mostCategories = 10;

/** Whether whole numbers beside names that each come once may be counts, though their column is not called so. */
const mayCount = (c: Seen, rowsOf: Seen): boolean =>
  isCount(c) &&
  c.texts.length > 1 &&
  c.texts.length <= mostCategories &&
  c.texts.length === rowsOf.texts.length &&
  !variableIn(c.name) &&
  rowsOf.kind === 'text' &&
  !subjectName.test(rowsOf.name) &&
  !rowsOf.texts.every(looksLikeId);

/** Whether two columns count yes and no: "germinated" and "not germinated", "alive" and "dead". */
const areAnswers = (columns: readonly Seen[]): boolean =>
  columns.every(isCount) && areOpposites(columns.map((c) => c.name.trim()));

/** Whether numbers down the left are what was found, and those beside them how often: blades from 0 up. */
function areOutcomes(first: Seen, rest: readonly Seen[]): boolean {
  // The last may stand for all above it: "4 or more".
  const isOpen = /^(?:[≥>]\s*\d+|\d+\s*(?:\+|(?:or|and) (?:more|over|above)))$/iu.test(
    cellAt(first.texts, first.texts.length - 1),
  );
  const runsUp =
    (first.whole || (isOpen && first.texts.length > 2)) &&
    first.numbers.every((x, i, all) => i === 0 || x === nth(all, i - 1) + 1);
  if (!runsUp || rest.length === 0 || !rest.every(isCount) || turnName.test(first.name)) return false;
  const [only] = rest;
  const counted = rest.length === 1 && countName.test(only?.name ?? '') && !subjectNumber.test(first.name);
  return counted || scoreName.test(first.name) || (first.numbers[0] === 0 && first.name !== '');
}

export function asCounts(looked: Looked): Interpretation[] {
  const { columns, parts } = looked;
  // The limits of a share's interval count nothing.
  const isLimit = (c: Seen): boolean => [lowerName, upperName].some((name) => name.test(c.name));
  const between = [lowerName, upperName].every((name) => columns.some((c) => name.test(c.name)));
  const figures = columns.filter(
    (c, i) => (c.kind === 'numbers' || isPercent(c)) && parts[i]?.role !== 'group' && !(between && isLimit(c)),
  );
  const texts = columns.filter((c) => c.kind === 'text' && !isPercent(c));
  const found: Interpretation[] = [];
  const rolesFor = (is: (c: Seen) => Role | undefined): Role[] =>
    columns.map((c, i) => is(c) ?? (parts[i]?.role === 'measure' ? 'label' : (parts[i]?.role ?? 'label')));

  const written = columns.find((c) => holdsShares(c.texts));
  const whose = texts.find((c) => c !== written);
  const allWritten = columns.every((c) => c.kind === 'empty' || c === whose || holdsShares(c.texts));
  if (written && whose && allWritten)
    found.push(
      interpretation(
        'counts',
        rolesFor((c) => (c === written ? 'count' : c === whose ? 'group' : 'label')),
        [{ weight: 10, why: 'the cells say how many of how many' }],
      ),
    );
  const name = naming(looked);
  // Depths and doses name rows as well as words do.
  const [first] = columns;
  const rest = figures.filter((c) => c !== first);
  const set =
    first?.kind === 'numbers' &&
    first.unique &&
    (groupName.test(first.name) || settingName.test(first.name) || areOutcomes(first, rest) || areAnswers(rest));
  const rowsOf = name === undefined ? (set && texts.length === 0 ? first : undefined) : columns[name];
  const pair = rowsOf && partAndTotal(figures.filter((c) => c !== rowsOf));
  if (pair) {
    const [part, total] = pair;
    found.push(
      interpretation(
        'counts',
        rolesFor((c) => (c === part ? 'count' : c === total ? 'total' : c === rowsOf ? 'group' : undefined)),
        [{ weight: 9, why: `“${part.name}” is a part of “${total.name}” in every row` }],
      ),
    );
  }
  const strata = placesOf(looked, 'group');
  const inStrata = !rowsOf && strata.length > 1 && eachOnce(looked, strata);
  const stratum = inStrata ? partAndTotal(figures) : undefined;
  const answers = columns.filter((c) => c.kind === 'numbers');
  const layers = strata.filter((place) => columns[place]?.kind === 'text');
  if (!rowsOf && areAnswers(answers) && layers.length > 1 && eachOnce(looked, layers))
    found.push(
      interpretation(
        'counts',
        rolesFor((c) =>
          answers.includes(c)
            ? 'count'
            : c.place === layers.at(-1)
              ? 'group'
              : layers.includes(c.place)
                ? 'label'
                : undefined,
        ),
        [{ weight: 9, why: `“${answers.map((c) => c.name).join('” and “')}” are how many were so and how many not` }],
      ),
    );
  if (stratum) {
    const [part, total] = stratum;
    const by = strata.at(-1);
    found.push(
      interpretation(
        'counts',
        rolesFor((c) =>
          c === part
            ? 'count'
            : c === total
              ? 'total'
              : c.place === by
                ? 'group'
                : strata.includes(c.place)
                  ? 'label'
                  : undefined,
        ),
        [{ weight: 9, why: `“${part.name}” is a part of “${total.name}” in every row` }],
      ),
    );
  }
  const fit = rowsOf && observedAndExpected(figures.filter((c) => c !== rowsOf));
  if (fit) {
    found.push(
      interpretation(
        'counts',
        rolesFor((c) =>
          c === fit.observed ? 'count' : c === rowsOf ? 'group' : figures.includes(c) ? 'label' : undefined,
        ),
        [{ weight: 10, why: `“${fit.expected.name}” is what is expected of each row` }],
      ),
    );
    return found;
  }
  const [only] = figures;
  const [often, ...more] = figures.filter((c) => c !== rowsOf);
  if (rowsOf?.kind === 'numbers' && often && more.length === 0 && isCount(often) && countName.test(often.name))
    found.push(
      interpretation(
        'counts',
        rolesFor((c) => (c === often ? 'count' : c === rowsOf ? 'group' : undefined)),
        [{ weight: 6, why: `“${often.name}” says how often each comes` }],
      ),
    );
  if (rowsOf && only && figures.length === 1 && !countName.test(only.name) && mayCount(only, rowsOf))
    found.push(
      interpretation(
        'counts',
        rolesFor((c) => (c === only ? 'count' : c === rowsOf ? 'group' : undefined)),
        [{ weight: 3.5, why: 'every cell is a whole number, and every row has a name of its own' }],
      ),
    );
  // One row for each cell: two columns of categories, or one, and a column called count.
  const called = figures.find((c) => isCount(c) && countName.test(c.name));
  const things = figures.find((c) => isCount(c) && subjectName.test(c.name));
  const crossing = placesOf(looked, 'group').filter((i) => columns[i] !== (called ?? things));
  // "Fronds" beside two categories counts them; beside one it may be what each was measured to have.
  const counted = called ?? (crossing.length > 1 ? things : undefined);
  // A score of 1 to 5 beside a lamp is what was counted, where each comes once with each lamp.
  const score = figures.find((c) => c !== counted && c.whole && c.distinct > 1 && c.distinct < c.texts.length);
  const scored = score && figures.length === 2 && crossing.length === 1 && eachOnce(looked, [...crossing, score.place]);
  const cats = [
    ...placesOf(looked, 'group').filter((i) => columns[i] !== counted),
    ...(counted && scored ? [score.place] : []),
  ];
  if (counted && (figures.length === 1 || scored) && cats.length > 0) {
    // Of more than two the first and the last are crossed: what was done, and what came of it.
    const crossed = cats.length > 2 ? [cats[0], cats.at(-1)] : cats;
    found.push(
      interpretation(
        'counts',
        rolesFor((c) =>
          c === counted ? 'count' : crossed.includes(c.place) ? 'group' : cats.includes(c.place) ? 'label' : undefined,
        ),
        [
          { weight: 6, why: `“${counted.name}” is a column of whole numbers` },
          ...(eachOnce(looked, cats)
            ? [{ weight: 3, why: 'every combination of categories comes once' }]
            : [{ weight: -3, why: 'combinations of categories come again' }]),
        ],
      ),
    );
  }
  if (rowsOf && !pair) {
    const cells = figures.filter((c) => c !== rowsOf);
    if (cells.length > 1 && areCounts(cells) && cells.every((c) => c.texts.length > 0))
      found.push(tabulated(looked, rowsOf, cells));
  }
  return found;
}

/** Whether each combination of categories comes once, but for a slip. */
const eachOnce = ({ columns, rows }: Looked, places: readonly number[]): boolean =>
  new Set(Array.from({ length: rows }, (_, r) => places.map((i) => columns[i]?.cells[r]?.trim()).join('\n'))).size >=
  rows - 1;

/** Rows by columns of counts. */
function tabulated(looked: Looked, rowsOf: Seen, cells: readonly Seen[]): Interpretation {
  const evidence: Evidence[] = [
    cells.every(isCount)
      ? { weight: 5, why: 'every cell is a whole number, and every row has a name of its own' }
      : { weight: 4, why: 'every cell but one is a whole number, and every row has a name of its own' },
  ];
  const say = (weight: number, why: string): void => void evidence.push({ weight, why });
  const total = sumColumn(cells);
  const totals =
    total !== undefined || cells.some((c) => totalName.test(c.name)) || sumRow(rowsOf, cells) !== undefined;
  if (rowsOf.kind === 'numbers') say(3, `“${rowsOf.name}” tells the rows apart`);
  if (totals) say(4, 'a row or a column is the sum of the others');
  const own = cells.filter((c) => c !== total);
  const alike = own.length === rowsOf.texts.length && own.every((c) => rowsOf.texts.includes(c.name.trim()));
  if (alike && !isMirrored(rowsOf.texts, own)) say(5, 'rows and columns have the same names');
  if (answerName.test(rowsOf.name)) say(5, `“${rowsOf.name}” says what was found`);
  if (looked.rows <= 8) say(1, 'it has few rows');
  if (looked.rows > 15) say(-3, 'it has many rows');
  if (own.some((c) => isTurn(c.name)) && !areOfOneTime(own.map((c) => c.name)))
    say(-4, 'its columns are named as times');
  if (new Set(own.map((c) => variableIn(c.name)).filter(Boolean)).size > 0)
    say(-3, 'its columns are named after what is measured');
  if (subjectName.test(rowsOf.name)) say(-3.5, `“${rowsOf.name}” names subjects`);
  else if (rowsOf.texts.length > 3 && rowsOf.texts.every(looksLikeId) && rowsOf.texts.every((t) => !/\s/.test(t)))
    say(-3, 'its rows are named as subjects are');
  if (own.every((c) => /^\d{4}$/.test(c.name))) say(-2, 'its columns are years');
  if (cells.some((c) => c.gaps)) say(-2, 'cells are missing');
  return interpretation(
    'counts',
    looked.columns.map((c): Role =>
      c === rowsOf ? 'group' : c === total ? 'label' : cells.includes(c) ? 'count' : 'label',
    ),
    evidence,
  );
}

/** Columns of categories and nothing measured. */
export function asCategories(looked: Looked): Interpretation[] {
  const { columns } = looked;
  if (columns.some((c, i) => c.kind === 'numbers' && looked.parts[i]?.role === 'measure')) return [];
  const groups = columnsAt(looked, placesOf(looked, 'group'));
  if (groups.length === 0) return [];
  const name = naming(looked);
  const repeats = groups.some((c) => c.distinct < c.texts.length);
  const roles = rolesWith(looked, (_, i) => (repeats && i === name ? 'subject' : undefined));
  return [
    interpretation('categories', roles, [
      repeats
        ? { weight: 6, why: 'its texts come again, and nothing is measured' }
        : { weight: 1, why: 'nothing is measured' },
    ]),
  ];
}
