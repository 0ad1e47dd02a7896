/** Tables of answers, of lists and of ranges, as people paste them. Made up from a seed. */
import { random } from '../../src/core/numeric/random';
import type { Case } from './hold';

/** The tables, their cells by a seed. */
export function answerCasesFrom(seed: number): Case[] {
  const made = random(seed);
  const times = <T>(n: number, of: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => of(i));
  const lines = (...rows: (string | number)[][]): string => rows.map((row) => row.join('\t')).join('\n');
  const about = (middle = 20): string => (middle + 4 * (made.uniform() - 0.5)).toFixed(1);
  const list = (n: number, between: string): string => times(n, () => about()).join(between);
  const range = (i: number, dash = '-'): string => `${10 + i}${dash}${14 + i + Math.floor(3 * made.uniform())}`;
  /** Answers of which both come, the first of each first. */
  const answers = (n: number, [yes, no]: readonly [string, string]): string[] =>
    times(n, (i) => (i === 0 ? yes : i === 1 ? no : made.uniform() < 0.5 ? yes : no));
  const sideBySide = (heads: string[], columns: string[][]): string =>
    lines(heads, ...times(Math.max(...columns.map((c) => c.length)), (i) => columns.map((column) => column[i] ?? '')));
  const yesNo = ['yes', 'no'] as const;
  const coded = ['1', '0'] as const;
  const sharesOf = (columns: string[][], yes: string): [number, number][] =>
    columns.map((column) => [column.filter((c) => c === yes).length, column.length]);
  const cases: [id: string, why: string, text: string, expect: Case['expect']][] = [];
  for (const [name, both] of [
    ['words', yesNo],
    ['codes', coded],
  ] as const) {
    const uneven = [answers(9, both), answers(7, both)];
    const even = [answers(8, both), answers(8, both)];
    const found = { layout: ['categories'], asks: ['share'] };
    cases.push(
      [
        `answers-in-${name}-of-uneven-groups`,
        'answers of two groups of other numbers, a column each',
        sideBySide(['red', 'white'], uneven),
        { ...found, groups: ['red', 'white'], shares: sharesOf(uneven, both[0]), total: 16, doubts: [] },
      ],
      [
        `answers-in-${name}-beside-a-control`,
        'answers of two groups of as many, one of them the control',
        sideBySide(['control', 'fed'], even),
        { ...found, groups: ['control', 'fed'], shares: sharesOf(even, both[0]), total: 16, doubts: [] },
      ],
      [
        `answers-in-${name}-side-by-side`,
        'answers under two names that may be groups, or asked of the same subject',
        sideBySide(['red', 'white'], even),
        { ...found, doubts: ['ambiguous-layout'] },
      ],
      [
        `two-outcomes-in-${name}`,
        'two outcomes of the same subjects',
        sideBySide(['infected', 'dead'], even),
        { ...found, doubts: [] },
      ],
      [
        `outcome-in-${name}`,
        'an outcome beside its group',
        lines(['lamp', 'died'], ...even.flatMap((c, g) => c.map((cell) => [['red', 'white'][g] ?? '', cell]))),
        { ...found, groups: ['red', 'white'], shares: sharesOf(even, both[0]), doubts: [] },
      ],
    );
  }
  cases.push(
    [
      'lists-with-names',
      'a name and its readings a line, parted by commas',
      ['red', 'white'].map((lamp) => `${lamp} = ${list(4, ', ')}`).join('\n'),
      { layout: ['columns'], groups: ['red', 'white'], readings: 8, doubts: ['split-line'] },
    ],
    [
      'lists-in-brackets',
      'the same in brackets, of other numbers',
      `red: [${list(5, ', ')}]\nwhite: [${list(4, ', ')}]`,
      { layout: ['columns'], groups: ['red', 'white'], readings: 9, doubts: ['split-line'] },
    ],
    [
      'told-in-two-units',
      'figures told with a spread in another unit than the mean',
      'red: 20.1 mm ± 0.2 cm (n = 12)\nwhite: 18.2 mm ± 0.2 cm (n = 11)',
      { notGroups: ['red', 'white'] },
    ],
    [
      'durations-spelled-out',
      'how long it took, in words',
      lines(
        ['lamp', 'time to settle'],
        ...times(8, (i) => [i % 2 ? 'red' : 'white', `${3 + Math.floor(6 * made.uniform())} min ${10 + i} s`]),
      ),
      { layout: ['rows'], groups: ['white', 'red'], unit: 'min', readings: 8, doubts: [], asks: ['two-groups'] },
    ],
    [
      'numbers-in-brackets',
      'a group whose numbers stand in brackets',
      lines(['red', 'white'], ...times(6, () => [`(${about()})`, about()])),
      { layout: ['columns'], groups: ['red', 'white'], readings: 6 },
    ],
    [
      'records',
      'records as a program writes them',
      JSON.stringify(times(8, (i) => ({ lamp: i % 2 ? 'red' : 'white', length: Number(about()) }))),
      { layout: ['rows'], groups: ['white', 'red'], readings: 8, doubts: [], asks: ['two-groups'] },
    ],
    [
      'typeset-table',
      'the source of a typeset table',
      ['lamp & length (mm) \\\\ \\hline', ...times(8, (i) => `${i % 2 ? 'red' : 'white'} & ${about()} \\\\`)].join(
        '\n',
      ),
      { layout: ['rows'], groups: ['white', 'red'], unit: 'mm', readings: 8, doubts: [], asks: ['two-groups'] },
    ],
    [
      'lists-in-cells',
      'all readings of a group in one cell',
      lines(['lamp', 'length (mm)'], ['red', list(5, ', ')], ['white', list(4, ', ')]),
      { layout: ['rows'], groups: ['red', 'white'], unit: 'mm', readings: 9, doubts: ['split-line'] },
    ],
    [
      'lists-in-cells-of-tanks',
      'three readings of each tank in one cell',
      lines(
        ['tank', 'lamp', 'length (mm)'],
        ...times(6, (i) => [`T${i + 1}`, i % 2 ? 'red' : 'white', list(3, i % 2 ? '; ' : ' ')]),
      ),
      { layout: ['rows'], groups: ['white', 'red'], readings: 18, samples: 6, subject: 'tank' },
    ],
    [
      'days-are-no-lists',
      'days written with blanks beside readings',
      lines(
        ['lamp', 'day', 'length (mm)'],
        ...times(8, (i) => [i % 2 ? 'red' : 'white', `2026 11 0${i + 1}`, about()]),
      ),
      { layout: ['rows'], readings: 8 },
    ],
    [
      'ranges-by-lamp',
      'a range in place of each reading',
      lines(['lamp', 'length (mm)'], ...times(8, (i) => [i % 2 ? 'red' : 'white', range(i)])),
      { layout: ['categories'], doubts: ['ranges'] },
    ],
    [
      'ranges-in-columns',
      'ranges under two lamps',
      lines(['red', 'white'], ...times(6, (i) => [range(i, '–'), range(i + 3, '–')])),
      { layout: ['categories'], doubts: ['ranges'] },
    ],
    [
      'classes-are-no-ranges',
      'classes of age beside what became of each',
      lines(
        ['age', 'outcome'],
        ...times(12, (i) => [`${10 * (1 + (i % 3))}-${10 * (1 + (i % 3)) + 9}`, i % 2 ? 'alive' : 'dead']),
      ),
      { layout: ['categories'], doubts: [] },
    ],
    [
      'counts-among-figures',
      'means of several variables, with sizes and a count among them',
      lines(
        ['', 'red', 'white', 'p'],
        ['n', 12, 11, ''],
        ['age (y), mean (SD)', '20.1 (2.1)', '18.2 (2.3)', 0.04],
        ['female, n (%)', '6 (50 %)', '5 (45 %)', 0.8],
        ['mass (g), mean (SD)', '3.1 (0.4)', '3.3 (0.5)', 0.3],
      ),
      { layout: ['summary'], groups: ['red', 'white'], spread: 'sd', doubts: ['which-outcome'], asks: ['two-groups'] },
    ],
  );
  return cases.map(([id, why, text, expect]) => ({ id, why, text, expect }));
}
