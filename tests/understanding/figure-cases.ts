/** Tables of figures, of sums among readings, of keys and of times over columns, as people paste them. */
import { random } from '../../src/core/numeric/random';
import type { Case } from './hold';

/** The tables, their readings by a seed. */
export function figureCasesFrom(seed: number): Case[] {
  const made = random(seed);
  const about = (middle = 30, scatter = 5): string => (middle + scatter * (made.uniform() - 0.5)).toFixed(1);
  const lines = (...rows: (string | number)[][]): string => rows.map((row) => row.join('\t')).join('\n');
  const times = <T>(n: number, of: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => of(i));
  const one = (id: string, why: string, text: string, expect: Case['expect']): Case => ({ id, why, text, expect });
  const lamps = (i: number): string => ['red', 'white'][i % 2] ?? '';
  const mean = (...of: string[]): string => (of.reduce((s, x) => s + Number(x), 0) / of.length).toFixed(2);
  const [a, b, c, d, e, f] = times(6, () => about()) as [string, string, string, string, string, string];
  const three = times(3, () => times(3, () => about()));
  const two: Case['expect'] = { layout: ['rows'], groups: ['red', 'white'] };
  const figures: Case['expect'] = { layout: ['summary'], groups: ['red', 'white'], asks: ['two-groups'] };
  const onLines: Case['expect'] = { layout: ['repeated'], subject: 'line', asks: ['repeated'], readings: 12 };
  const overTimes = (...heads: string[]): string =>
    lines(['line', ...heads], ...times(4, (i) => [`L${i + 1}`, ...heads.map(() => about())]));
  return [
    one(
      'symbols-of-figures',
      'figures by their symbols',
      lines(['Group', 'N', 'X̄', 's'], ['red', 12, about(), '2.1'], ['white', 11, about(), '2.4']),
      { ...figures, spread: 'sd', doubts: [] },
    ),
    one(
      'two-means-behind-their-variables',
      'figures of two variables, each behind its name',
      lines(
        ['lamp', 'n', 'length mean', 'length SD', 'mass mean', 'mass SD'],
        ['red', 12, about(), '2.1', about(5, 1), '0.6'],
        ['white', 11, about(), '2.4', about(5, 1), '0.7'],
      ),
      { ...figures, labels: 'mean mass', doubts: ['which-outcome'] },
    ),
    one(
      'numbered-means',
      'a second mean by its number',
      lines(
        ['lamp', 'n', 'mean', 'SD', 'mean2', 'SD2'],
        ['red', 12, about(), '2.1', about(5, 1), '0.6'],
        ['white', 11, about(), '2.4', about(5, 1), '0.7'],
      ),
      { ...figures, doubts: ['which-outcome'] },
    ),
    one(
      'two-variables-with-plus-minus',
      'two variables, each a mean with its spread in a cell',
      lines(
        ['lamp', 'n', 'length', 'mass'],
        ['red', 12, `${about()} ± 2.1`, '5.2 ± 0.6'],
        ['white', 11, `${about()} ± 2.4`, '4.8 ± 0.7'],
      ),
      { ...figures, doubts: ['which-outcome', 'spread-kind'] },
    ),
    one(
      'geometric-means',
      'geometric means with their geometric SD',
      lines(['lamp', 'n', 'geometric mean', 'GSD'], ['red', 12, about(), '1.3'], ['white', 11, about(), '1.4']),
      { ...figures, spread: 'sd', doubts: [] },
    ),
    one(
      'geometric-means-with-limits',
      'geometric means with the limits of their interval',
      lines(['lamp', 'n', 'GM', '95% CI'], ['red', 12, '20.1', '17.0–23.8'], ['white', 11, '18.3', '15.2–22.0']),
      { ...figures, spread: 'interval', doubts: [] },
    ),
    one(
      'means-beside-their-readings',
      'three readings of each lamp, their mean and SD behind them',
      lines(
        ['lamp', 'r1', 'r2', 'r3', 'mean', 'SD'],
        ...three.map((own, i) => [['red', 'white', 'dark'][i] ?? '', ...own, mean(...own), '1.20']),
      ),
      { layout: ['columns'], turned: true, groups: ['red', 'white', 'dark'], readings: 9, asks: ['several'] },
    ),
    one(
      'means-beside-readings-of-both-lamps',
      'the readings of both lamps with their means and SDs, side by side',
      lines(
        ['', 'red', '', '', '', 'white', '', '', ''],
        ['line', 'a', 'b', 'mean', 'SD', 'a', 'b', 'mean', 'SD'],
        ...times(4, (i) => {
          const own = times(4, () => about());
          const of = (k: number): string[] => own.slice(k, k + 2);
          return [i + 1, ...of(0), mean(...of(0)), '1.2', ...of(2), mean(...of(2)), '1.3'];
        }),
      ),
      { layout: ['rows', 'repeated', 'grid'], readings: 16 },
    ),
    one(
      'numbered-readings-of-tanks',
      'readings 1 to 3 of each tank, its lamp beside it: times or replicates, which is asked',
      lines(['tank', 'lamp', 1, 2, 3], ...times(8, (i) => [i + 1, lamps(i), about(), about(), about()])),
      { neverAsks: ['mixed'], doubts: ['which-outcome'] },
    ),
    one(
      'means-among-readings',
      'a mean below the readings of each lamp, in the same column',
      lines(
        ['lamp', 'length'],
        ...[a, b, c].map((x) => ['red', x]),
        ['red mean', mean(a, b, c)],
        ...[d, e, f].map((x) => ['white', x]),
        ['white mean', mean(d, e, f)],
      ),
      { ...two, readings: 6, doubts: ['summary-row'], asks: ['two-groups'] },
    ),
    one(
      'totals-among-counts',
      'a total below the outcomes of each lamp',
      lines(
        ['lamp', 'outcome', 'count'],
        ...[
          ['red', 12, 8],
          ['white', 7, 13],
        ].flatMap(([lamp = '', alive = 0, dead = 0]) => [
          [lamp, 'alive', alive],
          [lamp, 'dead', dead],
          [lamp, 'total', Number(alive) + Number(dead)],
        ]),
      ),
      { layout: ['counts'], groups: ['red', 'white'], categories: ['alive', 'dead'], total: 40, doubts: ['total-row'] },
    ),
    one(
      'grand-total',
      'subtotals and the total of all below their tanks',
      lines(
        ['lamp', 'tank', 'mass'],
        ['red', 'A', '4.1'],
        ['red', 'B', '6.2'],
        ['red Total', '', '10.3'],
        ['white', 'C', '9.0'],
        ['white', 'D', '11.1'],
        ['white Total', '', '20.1'],
        ['Grand Total', '', '30.4'],
      ),
      { ...two, readings: 4, doubts: ['total-row'] },
    ),
    one(
      'a-row-that-says-mean',
      'a row of nothing but “AVG”, the means beneath it',
      lines(['white', 'red'], ...times(7, () => [about(), about()]), ['AVG', 'AVG'], [about(), about()]),
      { layout: ['columns'], groups: ['white', 'red'], readings: 14, doubts: ['summary-row'] },
    ),
    one(
      'key-above',
      'what the codes of a column stand for, in a line above the table',
      lines(['1 = red, 2 = white'], ['lamp', 'length'], ...times(8, (i) => [1 + (i % 2), about()])),
      { ...two, readings: 8, doubts: [], asks: ['two-groups'] },
    ),
    one(
      'key-below',
      'what the codes of a column stand for, below the table',
      lines(['lamp', 'length'], ...times(8, (i) => ['RW'[i % 2] ?? '', about()]), [''], ['R: red; W: white']),
      { ...two, readings: 8, doubts: [], asks: ['two-groups'] },
    ),
    one(
      'sizes-in-heads',
      'how many readings stand below, in the heads',
      lines(['red (n = 4)', 'white (n=4)'], ...times(4, () => [about(), about()])),
      { layout: ['columns'], groups: ['red', 'white'], readings: 8, doubts: [] },
    ),
    one(
      'two-counts-in-a-cell',
      'two counts a cell under both their names',
      lines(['cross', 'brown:green'], ['A', '31:9'], ['B', '28:12'], ['C', '35:5']),
      { layout: ['counts'], groups: ['A', 'B', 'C'], categories: ['brown', 'green'], total: 120 },
    ),
    one(
      'so-many-of-so-many-in-percent',
      'counts with what they are out of and the percentage it comes to',
      lines(['lamp', 'settled'], ['red', '12/40 (30%)'], ['white', '22/38 (58%)']),
      {
        layout: ['counts'],
        shares: [
          [12, 40],
          [22, 38],
        ],
        categories: ['settled', 'not settled'],
        doubts: [],
      },
    ),
    one(
      'two-outcomes-of-the-same-fronds',
      'the same for two outcomes, told by their heads: one at a time is compared',
      lines(
        ['lamp', 'settled, n/N (%)', 'grazed, n/N (%)'],
        ['red', '12/40 (30.0)', '4/40 (10.0)'],
        ['white', '22/38 (57.9)', '9/38 (23.7)'],
      ),
      {
        layout: ['counts'],
        shares: [
          [12, 40],
          [22, 38],
        ],
        labels: 'grazed',
        doubts: ['which-outcome'],
        asks: ['share'],
      },
    ),
    one(
      'events-of-two-groups-a-study',
      'how many were so of how many, of two groups beside one another',
      lines(
        ['study', 'fed events', 'fed n', 'control events', 'control n'],
        ['A', 12, 40, 22, 38],
        ['B', 9, 35, 14, 36],
        ['C', 20, 60, 31, 61],
      ),
      {
        layout: ['counts'],
        groups: ['fed', 'control'],
        shares: [
          [41, 135],
          [67, 135],
        ],
        labels: 'study',
        doubts: ['which-outcome'],
      },
    ),
    one(
      'four-blades-or-more',
      'an open class below the numbers of blades',
      lines(['number of blades', 'red', 'white'], [0, 4, 2], [1, 9, 5], [2, 7, 11], [3, 3, 6], ['4 or more', 1, 4]),
      { layout: ['counts'], groups: ['0', '1', '2', '3', '4 or more'], asks: ['table'], doubts: [] },
    ),
    one(
      'stems-and-leaves',
      'a reading a leaf, by the key below',
      lines([2, '1 3 5'], [3, '0 2 4 4 8'], [4, '1 2'], ['Key: 2 | 1 = 2.1']),
      { layout: ['columns'], readings: 10, asks: ['one-sample'], doubts: ['split-line'] },
    ),
    one(
      'words-below-the-table',
      'where it comes from and how it was measured, below the readings',
      lines(
        ['lamp', 'length (mm)'],
        ['red', about()],
        ['red', about()],
        ['white', about()],
        ['white', about()],
        ['Source: bench 4'],
        ['Note: measured wet'],
      ),
      { layout: ['rows'], groups: ['red', 'white'], readings: 4, asks: ['two-groups'], doubts: [] },
    ),
    one(
      'so-many-of-so-many-spores',
      'counts with what was counted behind them',
      lines(['lamp', 'settled'], ['red', '12 of 20 spores'], ['white', '7 of 20 spores']),
      {
        layout: ['counts'],
        groups: ['red', 'white'],
        shares: [
          [12, 20],
          [7, 20],
        ],
        doubts: [],
      },
    ),
    one(
      'percent-in-front',
      'a percentage called so in front of its name',
      lines(['lamp', '% alive', 'n'], ['red', 85, 40], ['white', 55, 40]),
      {
        layout: ['counts'],
        groups: ['red', 'white'],
        shares: [
          [34, 40],
          [22, 40],
        ],
        asks: ['share'],
      },
    ),
    one(
      'proportions-with-n',
      'proportions beside what they are of',
      lines(['lamp', 'proportion alive', 'n'], ['red', '0.85', 40], ['white', '0.55', 40]),
      {
        layout: ['counts'],
        groups: ['red', 'white'],
        shares: [
          [34, 40],
          [22, 40],
        ],
        asks: ['share'],
      },
    ),
    one(
      'time-at-risk',
      'events beside the time over which they were watched for',
      lines(['group', 'events', 'plant-days'], ['fed', 12, '340.5'], ['unfed', 20, '310.2']),
      { layout: ['counts'], groups: ['fed', 'unfed'], total: 32, asks: ['table'], labels: 'plant-days' },
    ),
    one(
      'readings-parted-by-strokes',
      'three readings a cell, parted by strokes',
      lines(['lamp', 'length'], ...times(6, (i) => [lamps(i), `${about()} / ${about()} / ${about()}`])),
      { ...two, readings: 18, asks: ['two-groups'] },
    ),
    one(
      'numbers-entered-as-text',
      'an apostrophe before each number',
      lines(['red', 'white'], ...times(4, () => [`'${about()}`, `'${about()}`])),
      { layout: ['columns'], groups: ['red', 'white'], readings: 8 },
    ),
    one(
      'proportions-with-limits',
      'shares with the limits of their intervals, and what they are of',
      lines(
        ['lamp', 'share', 'lower', 'upper', 'n'],
        ['red', '0.85', '0.71', '0.93', 40],
        ['white', '0.55', '0.40', '0.69', 40],
      ),
      {
        layout: ['counts'],
        groups: ['red', 'white'],
        shares: [
          [34, 40],
          [22, 40],
        ],
        asks: ['share'],
      },
    ),
    one(
      'a-mean-of-proportions',
      'the mean of several shares, with its SD',
      lines(['lamp', 'mean proportion', 'SD', 'n'], ['red', '0.85', '0.10', 20], ['white', '0.55', '0.12', 20]),
      { ...figures, spread: 'sd' },
    ),
    one(
      'named-cells',
      'a lamp and its reading in each cell, in rows and columns',
      lines(
        ['', 'c1', 'c2', 'c3'],
        ...times(3, (i) => [`r${i + 1}`, ...times(3, (j) => `${'ABC'[(i + j) % 3] ?? ''} ${about()}`)]),
      ),
      { layout: ['rows'], groups: ['A', 'B', 'C'], anyOrder: true, readings: 9, asks: ['several'] },
    ),
    one(
      'ticks-and-crosses',
      'what was found of each plot by ticks and crosses',
      lines(['plot', 'lamp', 'grazed'], ...times(12, (i) => [i + 1, lamps(i), i % 3 ? '✓' : '✗'])),
      { layout: ['categories'], groups: ['red', 'white'], categories: ['no', 'yes'], asks: ['share'] },
    ),
    one(
      'time-to-something',
      'how long something took, and whether it came to be',
      lines(['lamp', 'days to settle', 'settled'], ...times(12, (i) => [lamps(i), 3 + ((i * 5) % 11), i % 4 ? 1 : 0])),
      { ...two, readings: 12, doubts: ['beyond-limit'] },
    ),
    one(
      'a-comment-with-a-comma',
      'a comment that commas part, above names parted by commas',
      ['# lamp trial, March', 'lamp,length', ...times(6, (i) => `${lamps(i)},${about()}`)].join('\n'),
      { ...two, readings: 6, doubts: [] },
    ),
    one(
      'one-name-over-days',
      'one name over numbered columns',
      lines(['', 'day', '', ''], ['', 0, 7, 14], ...times(5, (i) => [`L${i + 1}`, about(), about(), about()])),
      { layout: ['repeated'], groups: ['day 0', 'day 7', 'day 14'], readings: 15, asks: ['repeated'] },
    ),
    one(
      'classes-as-heads',
      'classes as heads, the first and the last open',
      lines(['<5 m', '5–10 m', '>10 m'], ...times(5, () => [about(), about(), about()])),
      { layout: ['columns'], groups: ['<5 m', '5–10 m', '>10 m'], readings: 15, doubts: [] },
    ),
    ...[
      ['numbers', '0', '7', '14'],
      ['hours', '0 h', '24 h', '48 h'],
    ].map(([what = '', ...heads]) =>
      one(
        `${what}-over-columns-of-two-lamps`,
        `${what} as heads, each tank read at all of them, its lamp beside it`,
        lines(['tank', 'lamp', ...heads], ...times(8, (i) => [i + 1, lamps(i), about(), about(), about()])),
        { layout: ['repeated'], subject: 'tank', readings: 24, asks: ['mixed'] },
      ),
    ),
    one(
      'subjects-in-one-group-each',
      'subjects down the side, each with a reading in one column alone',
      lines(['id', 'red', 'white'], ...times(8, (i) => [`F${i + 1}`, ...(i % 2 ? ['', about()] : [about(), ''])])),
      { layout: ['columns'], groups: ['red', 'white'], readings: 8, asks: ['two-groups'], neverAsks: ['paired'] },
    ),
    one(
      'tables-beside-one-another',
      'two tables side by side under the same heads',
      lines(['lamp', 'length', '', 'lamp', 'length'], ...times(4, () => ['red', about(), '', 'white', about()])),
      { ...two, readings: 8, doubts: [], asks: ['two-groups'] },
    ),
    one(
      'tables-beside-one-another-named',
      'two tables side by side, the lamp over each',
      lines(
        ['red', '', 'white', ''],
        ['id', 'length', 'id', 'length'],
        ...times(4, (i) => [i + 1, about(), i + 5, about()]),
      ),
      { ...two, readings: 8, asks: ['two-groups'] },
    ),
    one(
      'shares-in-a-grid',
      'how many of how many at each site under each lamp',
      lines(['', 'north', 'south'], ['red', '12/20', '15/20'], ['white', '7/20', '9/20']),
      { layout: ['counts'], total: 80, asks: ['share'], doubts: ['which-outcome'] },
    ),
    one(
      'percentages-in-a-grid',
      'counts with percentages that make no whole along rows or columns',
      lines(['', 'north', 'south'], ['red', '12 (60 %)', '15 (75 %)'], ['white', '7 (35 %)', '9 (45 %)']),
      { layout: ['counts'], total: 80, asks: ['share'], doubts: ['which-outcome'] },
    ),
    one(
      'lists-in-a-grid',
      'three readings in each cell of a grid',
      lines(
        ['', 'north', 'south'],
        ...['red', 'white'].map((lamp) => [lamp, ...times(2, () => times(3, () => about()).join(', '))]),
      ),
      { layout: ['rows'], readings: 12, asks: ['factorial'] },
    ),
    one(
      'sizes-above-the-readings',
      'how many stand below, in a row of its own',
      lines(['lamp', 'red', 'white'], ['n', 4, 4], ...times(4, () => ['', about(), about()])),
      { layout: ['columns'], groups: ['red', 'white'], readings: 8, doubts: ['summary-row'] },
    ),
    one(
      'a-test-below-the-readings',
      'what a test came to, by its name',
      lines(['red', 'white'], ...times(4, () => [about(), about()]), ['t-test p', '0.002']),
      { layout: ['columns'], groups: ['red', 'white'], readings: 8, doubts: ['summary-row'] },
    ),
    one(
      'answers-before-and-after',
      'how many answered what, before and after',
      lines(['answer', 'before', 'after'], ['agree', 12, 20], ['neutral', 9, 6], ['disagree', 9, 4]),
      { layout: ['counts'], groups: ['agree', 'neutral', 'disagree'], total: 60, neverAsks: ['paired'] },
    ),
    one('days-over-columns', 'days as heads', overTimes('2026-03-01', '2026-03-08', '2026-03-15'), onLines),
    one(
      'days-over-columns-by-strokes',
      'days as heads, as they are written by hand',
      overTimes('1/3', '8/3', '15/3'),
      onLines,
    ),
    one('times-over-columns', 'times of day as heads', overTimes('8:00', '12:00', '16:00'), onLines),
    one(
      'ratios-over-columns',
      'ratios as heads',
      lines(['1:1', '1:2', '1:4'], ...times(5, () => [about(), about(), about()])),
      { layout: ['columns'], groups: ['1:1', '1:2', '1:4'], readings: 15, doubts: [] },
    ),
    one(
      'days-over-two-lamps',
      'days as heads, the lamp of each line beside it',
      lines(['line', 'lamp', '1 March', '8 March'], ...times(6, (i) => [`L${i + 1}`, lamps(i), about(), about()])),
      { layout: ['repeated'], subject: 'line', readings: 12, asks: ['mixed'] },
    ),
  ];
}
