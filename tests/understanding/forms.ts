/** One experiment of each kind, written in the many ways in which people lay out a table. */
import { transpose } from 'd3-array';
import { nth } from '../../src/core/numeric/nth';
import { random } from '../../src/core/numeric/random';

/** A table in one form, with the questions it may raise. */
export interface Form {
  form: string;
  text: string;
  asks: string[];
}
type Rows = string[][];

const factors: [name: string, levels: string[]][] = [
  ['lamp', ['red', 'white']],
  ['Light', ['dim', 'bright']],
  ['treatment', ['control', 'fed']],
  ['Nitrogen', ['low', 'high']],
  ['substrate', ['rope', 'net', 'stone']],
  ['depth', ['1 m', '3 m', '6 m']],
  ['genotype', ['WT', 'mutant']],
  ['diet', ['algae', 'pellet', 'mixed']],
  ['temperature', ['8 °C', '12 °C']],
];
const times: [name: string, levels: string[], heads: string[]][] = [
  ['week', ['0', '2', '4'], ['week 0', 'week 2', 'week 4']],
  ['day', ['day 0', 'day 7', 'day 14'], ['day 0', 'day 7', 'day 14']],
  ['time', ['before', 'after'], ['before', 'after']],
  ['hour', ['0 h', '6 h', '12 h'], ['0 h', '6 h', '12 h']],
];
const subjects: [name: string, of: (i: number) => string][] = [
  ['line', (i) => `L${i + 1}`],
  ['tank', (i) => `T${i + 1}`],
  ['participant', (i) => `P${String(i + 1).padStart(2, '0')}`],
  ['mouse', (i) => `M${i + 1}`],
  ['Plant ID', (i) => String(i + 101)],
  ['frond', (i) => `frond ${i + 1}`],
];
const outcomes = [
  ['alive', 'dead'],
  ['grazed', 'intact'],
  ['none', 'mild', 'severe'],
];
const measures = ['length (mm)', 'growth', 'weight (g)', 'biomass', 'OD600', 'yield (kg)'];

const list = <T>(n: number, of: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => of(i));
/** Names over so many columns or rows each, in every one of them or in the first. */
const over = (names: readonly string[], each: number, once: boolean): string[] =>
  names.flatMap((name) => list(each, (i) => (once && i > 0 ? '' : name)));

/** The forms of one experiment of each kind, its names and readings by a seed. */
export function formsFrom(seed: number): Form[] {
  const made = random(seed);
  const below = (n: number): number => Math.floor(made.uniform() * n);
  const among = <T>(all: readonly T[]): T => nth(all, below(all.length));
  const [base, measure] = [among([30, 120, 8, 55]), among(measures)];
  const near = (more = 0): string => (base + more + 6 * (made.uniform() - 0.5)).toFixed(1);
  const [fa, as] = among(factors);
  const [fb, bs] = among(factors.filter(([name]) => name !== fa));
  const [time, levels, heads] = among(times);
  const [who, named] = among(subjects);
  const forms: Form[] = [];
  const put = (form: string, asks: string[], ...rows: Rows): void => {
    forms.push({ form, asks, text: rows.map((row) => row.join('\t')).join('\n') });
  };
  const turned = (rows: Rows): Rows => transpose(rows);
  const cells = as.flatMap((a) => bs.map((b): [string, string] => [a, b]));

  const n = 3 + below(3);
  const strangers = cells.flatMap(([a, b]) => list(n, () => [a, b, near()]));
  const two = ['factorial'];
  put('two factors, a row a reading', two, [fa, fb, measure], ...strangers);
  put('two factors, each with a name', two, [who, fa, fb, measure], ...strangers.map((row, i) => [named(i), ...row]));
  put(
    'two factors, names of cells',
    two,
    cells.map((cell) => cell.join(' ')),
    ...list(n, () => cells.map(() => near())),
  );
  for (const once of [true, false]) {
    const [upper, lower] = [over(as, bs.length, once), as.flatMap(() => bs)];
    const body = list(n, () => upper.map(() => near()));
    const grid = as.flatMap((a) => list(n, (i) => [once && i > 0 ? '' : a, ...bs.map(() => near())]));
    put('a grid', two, [fa, ...bs], ...grid);
    put('a grid without its name', two, ['', ...bs], ...grid);
    put('crossed heads', two, upper, lower, ...body);
    put('crossed heads and their names', two, [fa, ...upper], [fb, ...lower], ...body.map((row) => ['', ...row]));
    put(
      'crossed heads, numbered',
      two,
      ['', ...upper],
      ['rep', ...lower],
      ...body.map((r, i) => [String(i + 1), ...r]),
    );
    put(
      'names that cross at the left',
      two,
      [fa, fb, ...list(n, (i) => `rep ${i + 1}`)],
      ...upper.map((a, k) => [a, nth(lower, k), ...list(n, () => near())]),
    );
  }

  const own = list(6, () => 10 * made.uniform());
  const within = own.flatMap((more, i) => cells.map(([a, b]) => [named(i), a, b, near(more)]));
  put('both within subjects, a row a reading', two, [who, fa, fb, measure], ...within);
  for (const once of [true, false]) {
    const [upper, lower] = [over(as, bs.length, once), as.flatMap(() => bs)];
    const body = own.map((more, i) => [named(i), ...upper.map(() => near(more))]);
    put('crossed heads over subjects, named below', two, ['', ...upper], [who, ...lower], ...body);
    put('crossed heads over subjects, named above', two, [who, ...upper], ['', ...lower], ...body);
    put('crossed heads over subjects and the upper’s name', two, [fa, ...upper], [who, ...lower], ...body);
    const half = own.flatMap((more, i) =>
      as.map((a, k) => [once && k > 0 ? '' : named(i), a, ...bs.map(() => near(more))]),
    );
    put('one factor down and one across', two, [who, fa, ...bs], ...half);
  }

  const grouped = as.flatMap((a, g) =>
    list(4, (i): [string, string, number] => [named(4 * g + i), a, 8 * made.uniform()]),
  );
  const ofGroups = levels.length === 2 ? ['mixed', 'ancova'] : ['mixed'];
  const wide = [[who, fa, ...heads], ...grouped.map(([s, a, more]) => [s, a, ...levels.map(() => near(more))])];
  const long = grouped.flatMap(([s, a, more]) => levels.map((t) => [s, a, t, near(more)]));
  put('groups over time, a row a reading', ofGroups, [who, fa, time, measure], ...long);
  put('groups over time, a row a subject', ofGroups, ...wide);
  put('groups over time, a column a subject', ofGroups, ...turned(wide));
  for (const once of [true, false])
    for (const [above, below] of [
      ['', ''],
      ['', time],
      [fa, 'mouse'],
      [fa, time],
    ] as const) {
      const body = levels.map((t) => [t, ...grouped.map(([, , more]) => near(more))]);
      const mice = grouped.map((_, i) => `M${i + 1}`);
      put('groups over subjects over times', ofGroups, [above, ...over(as, 4, once)], [below, ...mice], ...body);
    }

  const tanks = as.flatMap((a, g) =>
    list(3, (i): [string, string, number] => [`T${3 * g + i + 1}`, a, 5 * made.uniform()]),
  );
  const nested = ['nested'];
  put(
    'samples, a row a reading',
    nested,
    [fa, 'tank', measure],
    ...tanks.flatMap(([s, a, more]) => list(4, () => [a, s, near(more)])),
  );
  put(
    'samples, their readings across',
    nested,
    ['tank', fa, ...list(4, (i) => `rep ${i + 1}`)],
    ...tanks.map(([s, a, more]) => [s, a, ...list(4, () => near(more))]),
  );
  for (const once of [true, false])
    put(
      'samples under their groups',
      nested,
      over(as, 3, once),
      tanks.map(([s]) => s),
      ...list(4, () => tanks.map(([, , more]) => near(more))),
    );

  const one = as.length === 2 ? ['two-groups'] : ['several'];
  put('a column a group', one, as, ...list(6, () => as.map(() => near())));
  put('a row a group', one, ...as.map((a) => [a, ...list(6, () => near())]));
  put('a group a reading', one, [fa, measure], ...as.flatMap((a) => list(6, () => [a, near()])));
  put('a group once', one, [fa, measure], ...as.flatMap((a) => list(6, (i) => [i > 0 ? '' : a, near()])));

  const again = heads.length === 2 ? ['paired'] : ['repeated'];
  const pairs = [[who, ...heads], ...own.map((more, i) => [named(i), ...heads.map(() => near(more))])];
  put('subjects again, a row each', again, ...pairs);
  put('subjects again, a column each', again, ...turned(pairs));
  put(
    'subjects again, a row a reading',
    again,
    [who, time, measure],
    ...own.flatMap((more, i) => levels.map((t) => [named(i), t, near(more)])),
  );

  const found = among(outcomes);
  const counts = as.map((a) => [a, ...found.map(() => String(5 + below(30)))]);
  const table = ['table', 'share'];
  put('counts', table, [fa, ...found], ...counts);
  put('counts, turned', table, ...turned([['', ...found], ...counts]));
  put(
    'counts, a row each',
    table,
    [fa, 'outcome', 'count'],
    ...counts.flatMap(([a = '', ...of]) => found.map((o, k) => [a, o, nth(of, k)])),
  );
  return forms;
}
