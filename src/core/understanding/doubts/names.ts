/** Names that are nearly, or wholly, the same. */
import { median } from 'd3-array';
import { attempt } from '../../numeric/domain-error';
import { mergeColumnsEdits, renameLevelEdits } from '../../readings/group-edits';
import { columnsAreGroups } from '../../readings/groups';
import { levelRows, levelSizes, levelsOf } from '../../readings/levels';
import { understand } from '../../readings/parse-number';
import { rowAsNamesEdits } from '../../readings/row-as-names';
import { type Table, called, columnsOf } from '../../readings/table';
import type { TableEdit } from '../../readings/table-edit';
import { type Mend, type TableDoubt, asItIs, isSettled, settle, some } from './doubt';
import { cellAt, textAt } from '../../readings/cell-at';
import { sum } from '../../numeric/sum';
import { nth } from '../../numeric/nth';

const flat = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFKC')
    .replace(/[\s_.-]+/g, '');

/** Whether numbers go up or down by steps that someone set: from 0, by one step, or by one factor. */
function areSet(values: readonly number[]): boolean {
  const steps = values.slice(1).map((x, i) => x - nth(values, i));
  const same = (all: readonly number[]): boolean => all.every((x) => Math.abs(x - nth(all, 0)) < 1e-9 * Math.abs(x));
  const oneWay = steps.every((d) => d > 0) || steps.every((d) => d < 0);
  const factors = values.slice(1).map((x, i) => x / nth(values, i));
  return oneWay && (values.includes(0) || same(steps) || same(factors));
}

/** Numbers at the top of columns without names that may be doses or times rather than readings. */
export function namesInFirstRow(table: Table): TableDoubt[] {
  const measures = columnsOf(table, 'measure');
  const bare = measures.length > 2 && measures.every((c) => /^(?:group \d+)?$/i.test(c.name) && !c.formula);
  if (!columnsAreGroups(table) || !bare || table.rowCount < 3 || isSettled(table, 'first-row')) return [];
  const values = measures.map((c) => understand(cellAt(c.cells, 0), c.unit, c.decimal));
  const numbers = values.flatMap((v) => (v.kind === 'number' ? [v.value] : []));
  const names = attempt(() => rowAsNamesEdits(table, 0));
  if (numbers.length < measures.length || !areSet(numbers) || !names.ok) return [];
  return [
    {
      code: 'first-row',
      text: `The first row, ${some(measures.map((c) => textAt(c.cells, 0)))}, is read as readings. It may be what the columns are called.`,
      where: measures.slice(0, 1).map((c) => ({ column: c.id, row: 0, called: 'row 1' })),
      mends: [
        { label: 'It names the columns', edits: [...names.value, settle(table, 'first-row')] },
        asItIs(table, 'first-row', 'It holds readings'),
      ],
    },
  ];
}

/** Whether one letter, put in, left out, changed or exchanged with its neighbour, makes one text of the other. */
function oneLetter(a: string, b: string): boolean {
  if (Math.abs(a.length - b.length) > 1 || a === b) return false;
  let start = 0;
  while (start < a.length && a[start] === b[start]) start += 1;
  let [endA, endB] = [a.length, b.length];
  while (endA > start && endB > start && a[endA - 1] === b[endB - 1]) [endA, endB] = [endA - 1, endB - 1];
  const [x, y] = [a.slice(start, endA), b.slice(start, endB)];
  if (!/^\p{L}{0,2}$/u.test(x) || !/^\p{L}{0,2}$/u.test(y)) return false;
  return (
    (x.length <= 1 && y.length <= 1) || (x.length === 2 && y.length === 2 && `${x.slice(1)}${x.slice(0, 1)}` === y)
  );
}

/** Names of different things that differ in a letter. */
const differ = [
  ['male', 'female'],
  ['acid', 'arid'],
  ['winter', 'water'],
  ['even', 'seven'],
  ['coated', 'coaled'],
];

/**
 * Whether two names are likely one, written in two ways: but for case, spaces and marks, or but for a letter in a longer word.
 * @param least how many letters a word has at least that may have a slip
 */
export function areNear(a: string, b: string, least = 5): boolean {
  if (a === b) return false;
  // Two letters that differ in size are genotypes: "AA", "Aa" and "aa".
  if ([a, b].every((name) => /^(\p{L})\1$/iu.test(name.trim()))) return false;
  const [x, y] = [flat(a), flat(b)];
  // "1.5" and "15" are numbers, "F-1" and "F1" a name written in two ways.
  if (x === y) return /\p{L}/u.test(x);
  if (differ.some((pair) => pair.includes(a.toLowerCase()) && pair.includes(b.toLowerCase()))) return false;
  const [wordsA, wordsB] = [a.toLowerCase().trim().split(/\s+/), b.toLowerCase().trim().split(/\s+/)];
  if (wordsA.length !== wordsB.length) return false;
  const unlike = wordsA.flatMap((word, i) => (word === wordsB[i] ? [] : [[word, cellAt(wordsB, i)] as const]));
  const [only] = unlike;
  return (
    unlike.length === 1 && only !== undefined && Math.min(...only.map((w) => w.length)) >= least && oneLetter(...only)
  );
}

/** Of a short word a slip is likely where it stands once, and what it may have meant more often. */
const seldom = { once: 1, beside: 2, letters: 3 };

/** Names beyond these are no groups that a person has typed. */
const mostNames = 300;

/** Clusters of near names, the commonest of each first. */
function clusters(names: readonly { name: string; count: number }[]): string[][] {
  const left = [...names].sort((a, b) => b.count - a.count);
  const found: string[][] = [];
  while (left.length > 0) {
    const first = left.shift();
    if (!first) break;
    const near = left.filter((o) =>
      areNear(first.name, o.name, o.count <= seldom.once && first.count >= seldom.beside ? seldom.letters : undefined),
    );
    for (const o of near) left.splice(left.indexOf(o), 1);
    if (near.length > 0) found.push([first.name, ...near.map((o) => o.name)]);
  }
  return found;
}

const quoted = (name: string): string => `“${name}”`;

/** Groups of a column whose names differ in case, space or a letter. */
export function nearNames(table: Table): TableDoubt[] {
  if (isSettled(table, 'near-names')) return [];
  const doubt = (all: string[], mends: Mend[]): TableDoubt => ({
    code: 'near-names',
    text: `${all.slice(1).map(quoted).join(', ')} and ${quoted(cellAt(all, 0))} are different groups, though their names hardly differ.`,
    where: [],
    mends: [...mends, asItIs(table, 'near-names', 'They are different')],
  });
  const inColumns = columnsAreGroups(table)
    ? columnsOf(table, 'measure')
    : table.shape === 'counts'
      ? columnsOf(table, 'count')
      : [];
  const byColumn =
    inColumns.length > mostNames ? [] : clusters(inColumns.map((c) => ({ name: c.name, count: c.cells.length })));
  return [
    ...columnsOf(table, 'group').flatMap((column) => {
      const levels = levelsOf(column);
      if (levels.length > mostNames || column.formula) return [];
      const sizes = levelSizes(column);
      // As typed: a space too many at the end parts no groups.
      return clusters(levels.map(({ name }, i) => ({ name, count: nth(sizes, i) }))).map((all) => {
        const [into = ''] = all;
        let current = column;
        const edits = all.slice(1).flatMap((name): TableEdit[] => {
          const level = levelsOf(current).find((l) => l.name === name);
          const made = level ? renameLevelEdits(current, level.id, into) : [];
          for (const e of made) {
            if (e.kind === 'write') current = { ...current, cells: current.cells.map((c, r) => e.texts[r]?.[0] ?? c) };
            if (e.kind === 'describe-column' && e.levels) current = { ...current, levels: e.levels };
          }
          return made;
        });
        return doubt(all, [{ label: `Merge into ${into}`, edits }]);
      });
    }),
    ...byColumn.map((all) => {
      const [into = '', from = ''] = all;
      const [a, b] = [inColumns.find((c) => c.name === into), inColumns.find((c) => c.name === from)];
      const merged = a && b && table.shape === 'columns' ? attempt(() => mergeColumnsEdits(table, a, b)) : undefined;
      return doubt(all, merged?.ok ? [{ label: `Merge into ${into}`, edits: merged.value }] : []);
    }),
  ];
}

/** Groups named by numbers, as doses are, and among them a few cells that hold something else: a slip makes a group. */
export function oddNames(table: Table): TableDoubt[] {
  if (isSettled(table, 'odd-name')) return [];
  return columnsOf(table, 'group').flatMap((column): TableDoubt[] => {
    const levels = levelsOf(column);
    if (levels.length < 3 || levels.length > mostNames || column.formula) return [];
    const sizes = levelSizes(column);
    const named = levels.flatMap(({ name }, place) => {
      const n = nth(sizes, place);
      return n > 0
        ? [{ name, place, n, isNumber: understand(name, column.unit, column.decimal).kind === 'number' }]
        : [];
    });
    const [numbers, odd] = [named.filter((l) => l.isNumber), named.filter((l) => !l.isNumber)];
    const usual = median(numbers.map((l) => l.n)) ?? 0;
    const count = sum(odd.map((l) => l.n));
    // A control among doses comes as often as they do, and where each comes once it is a word, or "4 or more".
    const isWord = ({ name }: { name: string }): boolean =>
      /^\p{L}{3}[\p{L}\s-]*$|^\d+\s*(?:\+|(?:or|and) (?:more|over|above))$/u.test(name);
    const many = usual < 3 ? odd.some(isWord) || count > 1 : count > usual / 2;
    if (numbers.length < 2 || count === 0 || many) return [];
    const places = new Set(odd.map((l) => l.place));
    const rows = levelRows(column);
    const told = [...rows.keys()].filter((row) => places.has(nth(rows, row)));
    const place = (row: number): string => `${called(column, 'group')}, row ${row + 1}`;
    const one = told.length === 1;
    return [
      {
        code: 'odd-name',
        text: `${some(told.map((row) => `${quoted(textAt(column.cells, row))} (${place(row)})`))} ${one ? 'stands' : 'stand'} among numbers, and ${one ? 'makes a group of its own' : 'make groups of their own'}.`,
        where: told.slice(0, 20).map((row) => ({ column: column.id, row, called: place(row) })),
        mends: [
          {
            label: one ? 'Empty the cell' : 'Empty the cells',
            edits: told.map((row) => ({ kind: 'write', row, columns: [column.id], texts: [['']] })),
          },
          asItIs(table, 'odd-name', one ? 'It is a group' : 'They are groups'),
        ],
      },
    ];
  });
}

/** Columns of one name. */
export function sameNames(table: Table): TableDoubt[] {
  if (isSettled(table, 'same-names')) return [];
  const columns = table.columns.filter(
    (c) => c.name !== '' && (c.role === 'measure' || c.role === 'count' || c.role === 'group'),
  );
  const byName = new Map<string, typeof columns>();
  for (const c of columns) byName.set(c.name.trim(), [...(byName.get(c.name.trim()) ?? []), c]);
  return [...byName].flatMap(([name, all]): TableDoubt[] => {
    const [a, b] = all;
    if (!a || !b) return [];
    const merged =
      table.shape === 'columns' && all.length === 2 ? attempt(() => mergeColumnsEdits(table, a, b)) : undefined;
    return [
      {
        code: 'same-names',
        text: `${all.length === 2 ? 'Two' : all.length} columns are called ${quoted(name)}: nothing says which is which.`,
        where: [],
        mends: [
          {
            label: `Call them ${all
              .map((_, i) => `${name} ${i + 1}`)
              .slice(0, 2)
              .join(', ')}${all.length > 2 ? ' …' : ''}`,
            edits: all.map((c, i) => ({ kind: 'describe-column', column: c.id, name: `${name} ${i + 1}` })),
          },
          ...(merged?.ok ? [{ label: 'They are one group', edits: merged.value }] : []),
          asItIs(table, 'same-names', 'Keep both names'),
        ],
      },
    ];
  });
}
