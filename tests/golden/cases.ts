/** One question of each kind, method and situation, on small tables of the nursery: what the golden texts are told of. */
import { type Question, questionOf } from '../../src/core/question/question';
import { besideReasons } from '../../src/core/readings/beside';
import { type Column, type Table, emptyColumn, tableOf } from '../../src/core/readings/table';

export interface Case {
  situation: string;
  table: Table;
  question: Question;
}

const texts = (numbers: readonly (number | string)[]): string[] => numbers.map(String);
const measure = (id: string, name: string, cells: readonly (number | string)[], unit = 'mm'): Column => ({
  ...emptyColumn(id, name, unit),
  cells: texts(cells),
});
const names = (id: string, name: string, role: Column['role'], cells: readonly (number | string)[]): Column => ({
  ...emptyColumn(id, name, '', role),
  cells: texts(cells),
});

const red = [67.4, 63.8, 56.9, 66.5, 67.4, 62.2, 62.9, 65.9, 60.4];
const white = [59.2, 58.0, 53.6, 50.0, 55.9, 52.6, 62.0, 57.7, 60.9];
const blue = [57.1, 60.3, 55.8, 52.4, 58.9, 54.4, 61.2, 59.6, 56.0];
const blades = { measure: 'blade length', subject: 'seedling' };
const two = (a: readonly (number | string)[], b: readonly (number | string)[], more: Partial<Table> = {}): Table =>
  tableOf([measure('a', 'Red lamp', a), measure('b', 'White lamp', b)], { ...blades, ...more });
const ab = { a: 'a', b: 'b' };

const twoGroups = (situation: string, table: Table, more: Partial<Question> = {}): Case => ({
  situation,
  table,
  question: questionOf('two-groups', { ...ab, ...more }),
});

const clear = two(red, white);
const unclear = two(white, blue);
const standsTwice: Table = {
  ...two([...red, 60.4], [...white, 60.9]),
  columns: two([...red, 60.4], [...white, 60.9]).columns.map((c) => ({ ...c, aside: { 9: besideReasons.twice } })),
};
const setAside: Table = {
  ...clear,
  columns: clear.columns.map((c, k) => (k === 0 ? { ...c, aside: { 2: 'torn on the line' } } : c)),
};
const tanks = ['K1', 'K1', 'K1', 'K2', 'K2', 'K2', 'K3', 'K3', 'K3'];
const nested = tableOf(
  [
    measure('y', 'holdfast mass', [...red, ...white], 'g'),
    names('f', 'flow', 'group', [...red.map(() => 'pulsed'), ...white.map(() => 'still')]),
    names('s', 'tank', 'subject', [...tanks, ...tanks.map((t) => t.replace('K', 'L'))]),
  ],
  { shape: 'rows', subject: 'tank' },
);
const byFlow = { measure: 'y', by: 'f', a: 'pulsed', b: 'still' };
const nestedTwo = (situation: string, table: Table, more: Partial<Question> = {}): Case => ({
  situation,
  table,
  question: questionOf('nested-two', { ...byFlow, ...more }),
});
/** Holdfasts of tanks, some with more readings than others. @param tanksOf each tank with its flow and readings */
const inTanks = (tanksOf: readonly (readonly [tank: string, flow: string, ...readings: number[]])[]): Table =>
  tableOf(
    [
      measure(
        'y',
        'holdfast mass',
        tanksOf.flatMap(([, , ...readings]) => readings),
        'g',
      ),
      names(
        'f',
        'flow',
        'group',
        tanksOf.flatMap(([, flow, ...readings]) => readings.map(() => flow)),
      ),
      names(
        's',
        'tank',
        'subject',
        tanksOf.flatMap(([tank, , ...readings]) => readings.map(() => tank)),
      ),
    ],
    { shape: 'rows', subject: 'tank' },
  );
const unequalTanks = inTanks([
  ['K1', 'pulsed', 14.2, 15.1, 13.8, 14.9],
  ['K2', 'pulsed', 17.0, 16.4],
  ['K3', 'pulsed', 15.8, 16.9, 15.2],
  ['K4', 'pulsed', 13.1, 12.6, 13.9, 13.3, 12.9],
  ['L1', 'still', 12.0, 11.1, 12.8],
  ['L2', 'still', 10.4, 10.9, 11.7, 9.8],
  ['L3', 'still', 13.2, 12.5],
  ['M1', 'surged', 12.9, 13.8, 13.1],
  ['M2', 'surged', 15.0, 14.1, 14.8, 15.5],
  ['M3', 'surged', 12.2, 13.0],
]);
/** Within every tank the readings lie further apart than the tanks do. */
const unlike = inTanks([
  ['K1', 'pulsed', 10.1, 15.8, 13.0],
  ['K2', 'pulsed', 11.0, 15.2, 12.9],
  ['K3', 'pulsed', 9.8, 16.1, 13.2],
  ['L1', 'still', 9.2, 14.1, 12.2],
  ['L2', 'still', 10.3, 13.9, 11.5],
  ['L3', 'still', 9.9, 14.8, 11.0],
]);

/** Depths, far from normal, and spread in proportion to their size. */
const low = [0.11, 0.13, 0.12, 0.19, 0.14, 0.12, 0.15, 0.13, 0.16, 0.95, 0.12, 0.14];
const skewed = two(
  low,
  low.map((x) => (x * 380).toFixed(1)),
  { measure: 'slime depth' },
);

const pairs = tableOf(
  [
    measure('a', 'June', [12.1, 13.4, 11.8, 14.0, 12.9, 13.1, 12.2, 13.8, '', 12.7], 'g'),
    measure('b', 'July', [13.0, 13.9, 12.5, 14.9, '', 13.6, 13.1, 14.1, 12.9, 13.5], 'g'),
    names('s', 'line', 'subject', ['L1', 'L2', 'L3', 'L4', 'L5', 'L6', 'L7', 'L8', 'L9', 'L10']),
  ],
  { measure: 'frond mass', subject: 'line', shape: 'repeated' },
);
const paired = (situation: string, table: Table, more: Partial<Question> = {}): Case => ({
  situation,
  table,
  question: questionOf('paired', { ...ab, ...more }),
});

const salts = tableOf(
  [
    measure('a', '0 g/L', [59.2, 58.0, 53.6, 50.0, 55.9, 52.6]),
    measure('b', '5 g/L', [57.1, 60.3, 55.8, 52.4, 58.9]),
    measure('c', '10 g/L', [61.2, 59.6, 62.9, 58.4, 63.0, 60.1]),
    measure('d', '20 g/L', [66.5, 67.4, 62.2, 65.9, 60.4]),
  ],
  blades,
);
const three = tableOf(
  [measure('a', 'Red lamp', red), measure('b', 'White lamp', white), measure('c', 'Blue lamp', blue)],
  blades,
);
const several = (situation: string, more: Partial<Question> = {}, table = three): Case => ({
  situation,
  table,
  question: questionOf('several', more),
});

const grid = tableOf(
  [
    measure('y', 'holdfast mass', [4.1, 4.6, 3.9, 5.2, 5.8, 5.5, 4.0, 4.4, 4.3, 7.1, 6.8, 7.4], 'g'),
    names('f', 'flow', 'group', [
      'still',
      'still',
      'still',
      'pulsed',
      'pulsed',
      'pulsed',
      'still',
      'still',
      'still',
      'pulsed',
      'pulsed',
      'pulsed',
    ]),
    names('l', 'lamp', 'group', [
      'red',
      'red',
      'red',
      'red',
      'red',
      'red',
      'white',
      'white',
      'white',
      'white',
      'white',
      'white',
    ]),
  ],
  { shape: 'rows', subject: 'frond' },
);
const months = tableOf(
  [
    measure('a', 'May', [10.2, 11.0, 9.8, 10.7, 10.1, 10.9], 'g'),
    measure('b', 'June', [11.1, 11.9, 10.9, 11.2, 11.0, 12.1], 'g'),
    measure('c', 'July', [12.4, 12.8, 11.6, 12.9, '', 13.0], 'g'),
    names('s', 'line', 'subject', ['L1', 'L2', 'L3', 'L4', 'L5', 'L6']),
  ],
  { measure: 'frond mass', subject: 'line', shape: 'repeated' },
);
const mixed: Table = {
  ...months,
  rowCount: 8,
  columns: [
    ...[
      [10.2, 11.0, 9.8, 10.7, 10.1, 10.9, 10.4, 10.6],
      [11.1, 11.9, 10.9, 11.2, 10.4, 11.0, 10.7, 10.9],
      [12.4, 12.8, 11.6, 12.9, 10.8, 11.3, 11.2, 11.1],
    ].map((cells, k) => measure('abc'.charAt(k), ['May', 'June', 'July'][k] ?? '', cells, 'g')),
    names('s', 'line', 'subject', ['L1', 'L2', 'L3', 'L4', 'L5', 'L6', 'L7', 'L8']),
    names('g', 'bay', 'group', ['north', 'north', 'north', 'north', 'south', 'south', 'south', 'south']),
  ],
};

/** One line was not found in June, another not in July. */
const visitsMissed: Table = {
  ...mixed,
  columns: mixed.columns.map((c) => ({
    ...c,
    cells: c.cells.map((cell, row) => ((c.id === 'b' && row === 1) || (c.id === 'c' && row === 6) ? '' : cell)),
  })),
};

/** Each line read at two depths in three months: a row a reading. */
const everyDepth: Table = (() => {
  const lines = ['L1', 'L2', 'L3', 'L4', 'L5', 'L6', 'L7'];
  const depths = ['shallow', 'deep'];
  const months = ['May', 'June', 'July'];
  const masses = [
    [10.2, 11.4, 12.9, 10.9, 12.6, 15.1],
    [11.0, 11.9, 13.4, 11.5, 13.8, 15.0],
    [9.8, 11.3, 12.2, 10.1, 12.0, 14.6],
    [10.7, 11.6, 13.5, 11.9, 13.1, 16.2],
    [10.1, 10.9, 12.0, 10.8, 12.9, 14.1],
    [10.9, 11.8, 13.2, 11.2, 12.7, 15.6],
    [10.4, 11.2, 12.4, 11.1, 12.2, 14.9],
  ].flat();
  const cells = lines.flatMap((line) => depths.flatMap((depth) => months.map((month) => ({ line, depth, month }))));
  return tableOf(
    [
      names(
        's',
        'line',
        'subject',
        cells.map((c) => c.line),
      ),
      names(
        'd',
        'depth',
        'group',
        cells.map((c) => c.depth),
      ),
      names(
        'm',
        'month',
        'group',
        cells.map((c) => c.month),
      ),
      measure('y', 'frond mass', masses, 'g'),
    ],
    { measure: 'frond mass', subject: 'line', shape: 'rows' },
  );
})();
const atDepths = (situation: string, more: Partial<Question> = {}, table = everyDepth): Case => ({
  situation,
  table,
  question: questionOf('repeated-factorial', { measure: 'y', by: 'd', by2: 'm', ...more }),
});
/** Two readings of one line lost. */
const someLost: Table = {
  ...everyDepth,
  columns: everyDepth.columns.map((c) =>
    c.id === 'y' ? { ...c, cells: c.cells.map((cell, row) => (row === 4 || row === 9 ? '' : cell)) } : c,
  ),
};

const counts = (columns: Record<string, number[]>, rows: string[], outcome = 'settled'): Table =>
  tableOf(
    [
      names('g', 'line', 'group', rows),
      ...Object.entries(columns).map(([name, cells]) => ({
        ...emptyColumn(name, name, '', 'count'),
        cells: texts(cells),
      })),
    ],
    { shape: 'counts', measure: outcome, subject: 'spore' },
  );
const settled = counts({ settled: [31, 18], lost: [19, 32] }, ['coir', 'jute']);
const grades = counts(
  { long: [12, 7, 3], middle: [9, 11, 10], short: [4, 8, 14] },
  ['north', 'middle', 'south'],
  'grade',
);
const before = tableOf(
  [
    names('g', 'spring', 'group', [...Array<string>(14).fill('fouled'), ...Array<string>(26).fill('clean')]),
    names('h', 'autumn', 'group', [
      ...Array<string>(11).fill('fouled'),
      ...Array<string>(14).fill('clean'),
      ...Array<string>(4).fill('fouled'),
      ...Array<string>(11).fill('clean'),
    ]),
    names(
      's',
      'buoy',
      'subject',
      Array.from({ length: 40 }, (_, i) => `B${i + 1}`),
    ),
  ],
  { shape: 'categories', subject: 'buoy' },
);

/** Lines of two feeds, each weighed before and after. */
const fedLines = (before: (number | '')[], after: number[]): Table =>
  tableOf(
    [
      names(
        's',
        'line',
        'subject',
        before.map((_, i) => `L${i + 1}`),
      ),
      names(
        'f',
        'feed',
        'group',
        before.map((_, i) => (i % 2 === 0 ? 'fed' : 'unfed')),
      ),
      measure('x', 'before', before, 'g'),
      measure('y', 'after', after, 'g'),
    ],
    { measure: 'frond mass', subject: 'line', shape: 'repeated' },
  );
const massBefore = [10.2, 11.4, 12.1, 9.8, 13.4, 12.7, 11.1, 10.5, 9.6, 13.0, 12.5, 11.8];
const massAfter = [14.9, 13.6, 16.4, 12.1, 18.2, 15.3, 15.4, 12.6, 13.8, 15.9, 17.2, 14.1];
const lines = fedLines(massBefore, massAfter);
const linesWithGap = fedLines(
  massBefore.map((x, i) => (i === 3 ? '' : x)),
  massAfter,
);
const linesAlike = fedLines(
  massBefore.map(() => 12),
  massAfter,
);
const linesCrossing = fedLines(
  massBefore,
  massAfter.map((y, i) => (i % 2 === 0 ? y + 2.5 * ((massBefore[i] ?? 0) - 11.5) : y)),
);
const adjusted = (situation: string, table: Table, more: Partial<Question> = {}): Case => ({
  situation,
  table,
  question: questionOf('adjusted-two', { a: 'fed', b: 'unfed', measure: 'y', by: 'f', covariate: 'x', ...more }),
});
/** Cells of blades of lines, unequal in number. */
const inBlades = tableOf(
  [
    names('l', 'line', 'subject', 'A A A A A B B B C C C C D D D D E E E F F F F'.split(' ')),
    names('b', 'blade', 'label', '1 1 1 2 2 1 1 2 1 1 2 2 1 1 2 2 1 2 2 1 1 2 3'.split(' ')),
    names(
      'each',
      'section',
      'label',
      Array.from({ length: 23 }, (_, i) => `s${i}`),
    ),
    names(
      'r',
      'rope',
      'group',
      Array.from({ length: 23 }, (_, i) => (i < 12 ? 'upper' : 'lower')),
    ),
    measure(
      'y',
      'cell length',
      [24.1, 25.0, 23.6, 26.2, 25.4, 22.9, 23.8, 21.7, 25.9, 26.8, 27.4, 26.1].concat([
        20.2, 21.1, 19.4, 18.8, 22.7, 21.9, 23.0, 20.5, 19.7, 21.8, 20.0,
      ]),
      'µm',
    ),
  ],
  { name: 'Cells', subject: 'line', shape: 'rows' },
);
const inLines = (situation: string, design: 'nested' | 'nested-two', more: Partial<Question> = {}): Case => ({
  situation,
  table: inBlades,
  question: questionOf(design, { measure: 'y', by: 'r', inner: 'b', ...more }),
});
/** Doses in batches, some cells read twice and one not at all. */
const batched = tableOf(
  [
    names('b', 'batch', 'group', 'A A A A B B B C C C C D D'.split(' ')),
    names('d', 'dose', 'group', 'no half full full no half full no no half full no full'.split(' ')),
    measure('y', 'seedling length', [12.1, 13.4, 15.2, 14.4, 10.4, 12.2, 13.1, 14.0, 14.5, 15.9, 17.3, 11.2, 13.5]),
  ],
  { name: 'Doses', subject: 'seedling', shape: 'rows' },
);
const inBatches = (situation: string, design: 'blocked' | 'blocked-two', more: Partial<Question> = {}): Case => ({
  situation,
  table: batched,
  question: questionOf(design, { measure: 'y', by: 'd', block: 'b', ...more }),
});
/** Blades of three bays, with the depth each grew at. */
const threeBays = tableOf(
  [
    names('g', 'bay', 'group', [
      ...Array<string>(5).fill('north'),
      ...Array<string>(6).fill('south'),
      ...Array<string>(5).fill('east'),
    ]),
    measure('x', 'depth', [1.2, 2.1, 1.8, 2.6, 1.5, 2.4, 3.1, 2.2, 2.9, 1.9, 2.7, 1.4, 2.0, 2.8, 3.3, 2.3], 'm'),
    measure(
      'y',
      'blade length',
      [41.2, 38.0, 39.6, 35.1, 40.9, 40.8, 37.2, 41.9, 38.8, 42.6, 39.1, 36.4, 34.8, 31.9, 29.4, 33.7],
    ),
  ],
  { shape: 'rows', subject: 'blade' },
);

/** Iodine in the water of three tanks' outlets, some of it below what the assay sees. */
const belowLimit = (texts_: readonly string[][]): Table =>
  tableOf(
    texts_.map((cells, i) => ({
      ...measure('abc'.charAt(i), ['still', 'pulsed', 'surged'][i] ?? '', cells, 'µg/L'),
      limits: 'censored' as const,
    })),
    { measure: 'iodine', subject: 'sample' },
  );
const assayed = [
  ['<2.0', '2.6', '3.1', '<2.0', '2.2', '<2.0', '4.0', '2.9'],
  ['3.4', '5.2', '4.1', '<2.0', '6.0', '3.9', '4.8', '2.7'],
  ['7.1', '4.4', '5.9', '8.3', '5.1', '6.6', '<2.0', '9.2'],
];

/** Spore counts, skewed and spread in proportion to their size. */
const spores = tableOf(
  [
    measure('a', 'fresh', [41, 66, 38, 129, 57, 84, 203, 72], '1/mL'),
    measure('b', 'chilled', [22, 35, 61, 18, 27, 93, 31, 40], '1/mL'),
    measure('c', 'frozen', [9, 14, 31, 7, 12, 22, 11, 17], '1/mL'),
  ],
  { measure: 'spore count', subject: 'vial' },
);
const byRatio = { effect: 'ratio' } as const;

export const cases: Record<string, Case[]> = {
  'two groups': [
    twoGroups('clear', clear),
    twoGroups('unclear', unclear),
    twoGroups('no difference at all', two(red, [...red].reverse())),
    twoGroups('one-sided, supported', clear, { direction: 'greater' }),
    twoGroups('one-sided, against the direction', clear, { direction: 'less' }),
    twoGroups('one-sided, unclear', unclear, { direction: 'greater' }),
    twoGroups('against a null value', clear, { value: 5 }),
    twoGroups('alike within bounds', unclear, { bounds: { low: -8, high: 8 } }),
    twoGroups('not shown to be alike', unclear, { bounds: { low: -2, high: 2 } }),
    twoGroups('pooled variances', clear, { spread: 'pooled' }),
    twoGroups('by ranks', clear, { method: 'ranks' }),
    twoGroups('by ranks, too few for an interval', two([5.1, 6.2, 7.3], [1.2, 2.3, 3.1]), { method: 'ranks' }),
    twoGroups('means that lie close', two([25.1, 25.4, 14.9, 35.3], [25.6, 40.9, 11.2, 25.1])),
    twoGroups('by ranks, one-sided', clear, { method: 'ranks', direction: 'greater' }),
    twoGroups('by permutation', clear, { method: 'shuffle', seed: 1 }),
    twoGroups('medians by permutation', clear, { method: 'shuffle', statistic: 'median', seed: 1 }),
    twoGroups('one reading set aside', setAside),
    twoGroups('a row that stands twice', standsTwice),
    twoGroups('far from normal, spreads far apart', skewed),
    twoGroups('far from normal, pooled', skewed, { spread: 'pooled' }),
    twoGroups('far from normal, by ranks', skewed, { method: 'ranks' }),
    twoGroups('far from normal, by permutation', skewed, { method: 'shuffle', seed: 1 }),
    twoGroups('readings of the same tanks, counted one by one', nested, byFlow),
    twoGroups('readings of the same tanks, averaged', { ...nested, average: true }, byFlow),
    twoGroups(
      'around a billion',
      two(
        red.map((x) => 1e9 + x),
        white.map((x) => 1e9 + x),
      ),
    ),
    twoGroups(
      'a few billionths',
      two(
        red.map((x) => `${x}e-11`),
        white.map((x) => `${x}e-11`),
      ),
    ),
    twoGroups('odd names', {
      ...clear,
      measure: 'mean of below 26',
      columns: clear.columns.map((c, k) => ({ ...c, name: ['a_b $x$ {1}', '<b>White</b> & "lamp"'][k] ?? '' })),
    }),
  ],
  paired: [
    paired('missing partners', pairs),
    paired('missing partners, by ranks', pairs, { method: 'ranks' }),
    paired('missing partners, by permutation', pairs, { method: 'shuffle', seed: 1 }),
    paired('one-sided, unclear', pairs, { direction: 'greater' }),
    paired('against a null value', pairs, { value: -1, direction: 'less' }),
    paired('medians by permutation', pairs, { method: 'shuffle', statistic: 'median', seed: 1 }),
    paired('a subject read twice', {
      ...pairs,
      rowCount: 11,
      columns: pairs.columns.map((c, k) => ({ ...c, cells: [...c.cells, ['12.3', '13.2', 'L1'][k] ?? ''] })),
    }),
  ],
  'one sample': [
    { situation: 'clear', table: clear, question: questionOf('one-sample', { a: 'a', value: 58 }) },
    { situation: 'unclear', table: clear, question: questionOf('one-sample', { a: 'a', value: 64 }) },
    {
      situation: 'one-sided, against the direction',
      table: clear,
      question: questionOf('one-sample', { a: 'a', value: 58, direction: 'less' }),
    },
    {
      situation: 'z, the SD being known',
      table: clear,
      question: questionOf('one-sample', { a: 'a', value: 60, method: 'z', knownSd: 4 }),
    },
    { situation: 'by ranks', table: clear, question: questionOf('one-sample', { a: 'a', value: 60, method: 'ranks' }) },
  ],
  estimate: [
    { situation: 'a mean', table: clear, question: questionOf('estimate', { a: 'a' }) },
    {
      situation: 'a mean, the SD being known',
      table: clear,
      question: questionOf('estimate', { a: 'a', method: 'z', knownSd: 4 }),
    },
    {
      situation: 'a median at 90 %',
      table: clear,
      question: questionOf('estimate', { a: 'a', method: 'ranks', level: 0.9 }),
    },
    { situation: 'an SD', table: clear, question: questionOf('estimate', { a: 'a', about: 'spread' }) },
    {
      situation: 'a share',
      table: settled,
      question: questionOf('estimate', { a: 'coir', about: 'share', found: 'settled' }),
    },
    { situation: 'no value to compare with', table: clear, question: questionOf('one-sample', { a: 'a' }) },
  ],
  'several groups': [
    several('all pairs'),
    several('separate variances', { spread: 'separate' }),
    several('against a control, one-sided', {
      compare: 'control',
      control: 'b',
      direction: 'greater',
      follow: 'dunnett',
    }),
    several('contrasts, Scheffé', {
      compare: 'contrasts',
      follow: 'scheffe',
      contrasts: [{ name: 'red against the others', weights: { a: 1, b: -0.5, c: -0.5 } }],
    }),
    several('contrasts, separate variances', {
      spread: 'separate',
      compare: 'contrasts',
      follow: 'unadjusted',
      contrasts: [{ name: 'red less the others', weights: { a: 1, b: -0.5, c: -0.5 } }],
    }),
    several('against a control, one-sided the other way, Holm', {
      compare: 'control',
      control: 'b',
      direction: 'less',
      follow: 'holm',
    }),
    several('a linear trend over doses', { compare: 'trend' }, salts),
    several(
      'a linear trend, separate variances, equally spaced',
      { compare: 'trend', spread: 'separate', spacing: 'equal' },
      salts,
    ),
    several('each against the one before', { compare: 'steps' }, salts),
    several('a trend over names without numbers', { compare: 'trend', spacing: 'named' }),
    several('a trend of ranks', { method: 'ranks', compare: 'trend' }, salts),
    several('a trend of ranks, with ties', { method: 'ranks', compare: 'trend', groups: ['b', 'c', 'a'] }),
    several('spreads of their own, by T3', { spread: 'separate', follow: 'dunnett-t3' }),
    several('by ranks', { method: 'ranks' }),
    several('by ranks, each against the control, one-sided', {
      method: 'ranks',
      compare: 'control',
      control: 'b',
      direction: 'greater',
    }),
    several('by permutation', { method: 'shuffle', seed: 1 }),
    several(
      'unclear',
      { groups: ['b', 'c'] },
      {
        ...three,
        columns: [
          ...three.columns,
          measure(
            'd',
            'Dark',
            blue.map((x) => x + 0.4),
          ),
        ],
      },
    ),
  ],
  factorial: [
    {
      situation: 'they interact',
      table: grid,
      question: questionOf('factorial', { measure: 'y', by: 'f', by2: 'l' }),
    },
    {
      situation: 'by Tukey, over the other factor',
      table: grid,
      question: questionOf('factorial', { measure: 'y', by: 'f', by2: 'l', follow: 'tukey', within: 'a' }),
    },
    {
      situation: 'what the interaction is',
      table: grid,
      question: questionOf('factorial', { measure: 'y', by: 'f', by2: 'l', within: 'interaction' }),
    },
  ],
  repeated: [
    { situation: 'a lost reading', table: months, question: questionOf('repeated') },
    {
      situation: 'a lost reading, its subject left out',
      table: months,
      question: questionOf('repeated', { method: 'means' }),
    },
    { situation: 'by ranks', table: months, question: questionOf('repeated', { method: 'ranks' }) },
    {
      situation: 'each against the first',
      table: months,
      question: questionOf('repeated', { compare: 'control', control: 'a', direction: 'greater' }),
    },
    {
      situation: 'each against the first, its subject left out',
      table: months,
      question: questionOf('repeated', { method: 'means', compare: 'control', control: 'a', follow: 'bonferroni' }),
    },
    { situation: 'sphericity assumed', table: months, question: questionOf('repeated', { sphericity: 'assumed' }) },
  ],
  nested: [
    nestedTwo('as many readings of each tank', nested),
    nestedTwo('unequal numbers of readings', unequalTanks),
    nestedTwo('one-sided, against the direction', unequalTanks, { direction: 'less' }),
    nestedTwo('unclear, with an equivalence margin', unequalTanks, { b: 'surged', bounds: { low: -4, high: 4 } }),
    nestedTwo('readings of one tank less alike than those of different ones', unlike),
    nestedTwo(
      'one reading of each tank',
      inTanks([
        ['K1', 'pulsed', 14.2],
        ['K2', 'pulsed', 17.1],
        ['L1', 'still', 11.4],
        ['L2', 'still', 12.2],
      ]),
    ),
    nestedTwo(
      'all readings of each tank the same',
      inTanks([
        ['K1', 'pulsed', 14, 14],
        ['K2', 'pulsed', 17, 17],
        ['L1', 'still', 11, 11],
        ['L2', 'still', 12, 12],
      ]),
    ),
    nestedTwo(
      'one tank in each group',
      inTanks([
        ['K1', 'pulsed', 14.2, 15.1, 13.8],
        ['L1', 'still', 12.0, 11.1, 12.8],
      ]),
    ),
    nestedTwo(
      'a tank in both groups',
      inTanks([
        ['K1', 'pulsed', 14.2, 15.1],
        ['K2', 'pulsed', 14.8, 15.3],
        ['K1', 'still', 12.0, 11.1],
        ['L2', 'still', 12.3, 11.9],
      ]),
    ),
    { situation: 'three groups', table: unequalTanks, question: questionOf('nested', { measure: 'y', by: 'f' }) },
    {
      situation: 'three groups, with a control',
      table: unequalTanks,
      question: questionOf('nested', {
        measure: 'y',
        by: 'f',
        compare: 'control',
        control: 'still',
        direction: 'greater',
      }),
    },
    {
      situation: 'three groups, the means of the tanks',
      table: unequalTanks,
      question: questionOf('several', { measure: 'y', by: 'f', repeats: 'average' }),
    },
  ],
  mixed: [
    { situation: 'two bays', table: mixed, question: questionOf('mixed') },
    { situation: 'sphericity assumed', table: mixed, question: questionOf('mixed', { sphericity: 'assumed' }) },
    { situation: 'two lost readings', table: visitsMissed, question: questionOf('mixed') },
    {
      situation: 'two lost readings, bays at each condition',
      table: visitsMissed,
      question: questionOf('mixed', { within: 'a-within-b' }),
    },
    { situation: 'bays at each condition', table: mixed, question: questionOf('mixed', { within: 'a-within-b' }) },
  ],
  'repeated factorial': [
    atDepths('two depths in three months'),
    atDepths('sphericity assumed, months over depths', { sphericity: 'assumed', within: 'b' }),
    atDepths('differences between months', { within: 'interaction' }),
    atDepths('lines as blocks', { method: 'mixed-model' }),
    atDepths('two lost readings', {}, someLost),
    atDepths('by ratios', byRatio),
  ],
  share: [
    {
      situation: 'two groups',
      table: settled,
      question: questionOf('two-groups', { about: 'share', found: 'settled', a: 'coir', b: 'jute' }),
    },
    {
      situation: 'two groups, exact',
      table: settled,
      question: questionOf('two-groups', { about: 'share', found: 'settled', a: 'coir', b: 'jute', method: 'exact' }),
    },
    {
      situation: 'one-sided, against the direction',
      table: settled,
      question: questionOf('two-groups', { about: 'share', found: 'settled', a: 'coir', b: 'jute', direction: 'less' }),
    },
    {
      situation: 'one group, exact',
      table: settled,
      question: questionOf('one-sample', { about: 'share', found: 'settled', a: 'coir', value: 0.5, method: 'exact' }),
    },
    {
      situation: 'the same subjects twice',
      table: before,
      question: questionOf('paired', { about: 'share', found: 'fouled' }),
    },
    { situation: 'several groups', table: grades, question: questionOf('several', { about: 'share', found: 'long' }) },
    {
      situation: 'a trend over groups in their order',
      table: grades,
      question: questionOf('several', { about: 'share', found: 'long', method: 'trend' }),
    },
  ],
  table: [
    {
      situation: 'do rows and columns go together',
      table: grades,
      question: questionOf('several', { about: 'table' }),
    },
    {
      situation: 'the same, exact',
      table: grades,
      question: questionOf('several', { about: 'table', method: 'exact' }),
    },
    {
      situation: 'stated proportions',
      table: counts({ found: [31, 18, 22] }, ['north', 'middle', 'south']),
      question: questionOf('one-sample', { about: 'table' }),
    },
  ],
  spread: [
    { situation: 'two groups', table: clear, question: questionOf('two-groups', { ...ab, about: 'spread' }) },
    {
      situation: 'one group against a claim',
      table: clear,
      question: questionOf('one-sample', { a: 'a', about: 'spread', value: 3 }),
    },
    { situation: 'several groups', table: three, question: questionOf('several', { about: 'spread' }) },
    {
      situation: 'two groups, one-sided',
      table: clear,
      question: questionOf('two-groups', { ...ab, about: 'spread', direction: 'greater' }),
    },
    ...(['f', 'brown-forsythe', 'levene'] as const).map((method) => ({
      situation: `far from normal, ${method}`,
      table: skewed,
      question: questionOf('two-groups', { ...ab, about: 'spread', method }),
    })),
    { situation: 'the same subjects twice', table: pairs, question: questionOf('paired', { ...ab, about: 'spread' }) },
  ],
  ratios: [
    twoGroups('two groups', spores, byRatio),
    twoGroups('two groups, one-sided against half as many again, and equivalence', spores, {
      ...byRatio,
      direction: 'greater',
      value: 1.5,
      bounds: { low: 0.5, high: 2 },
    }),
    twoGroups('not shown', spores, { ...byRatio, level: 0.999 }),
    twoGroups('a reading of 0', two([3.1, 0, 2.2], [1.4, 1.9, 1.1]), byRatio),
    paired('the same subjects twice, two without a partner', pairs, byRatio),
    several('several groups', byRatio, spores),
    several(
      'each against a control, spreads of their own',
      { ...byRatio, compare: 'control', control: 'a', spread: 'separate' },
      spores,
    ),
    nestedTwo('tanks with unequal numbers', unequalTanks, byRatio),
    {
      situation: 'several groups of tanks',
      table: unequalTanks,
      question: questionOf('nested', { measure: 'y', by: 'f', ...byRatio }),
    },
    {
      situation: 'two factors',
      table: grid,
      question: questionOf('factorial', { measure: 'y', by: 'f', by2: 'l', ...byRatio }),
    },
    {
      situation: 'the same subjects under several conditions',
      table: months,
      question: questionOf('repeated', byRatio),
    },
    { situation: 'groups of subjects, visits missed', table: visitsMissed, question: questionOf('mixed', byRatio) },
  ],
  adjusted: [
    adjusted('two groups, each line weighed before and after', lines),
    adjusted('one-sided, at a stated value, with an equivalence margin', lines, {
      direction: 'greater',
      covariateAt: 12,
      bounds: { low: -2, high: 2 },
    }),
    adjusted('the change', lines, { method: 'change' }),
    adjusted('a value missing before', linesWithGap),
    adjusted('by ratios', lines, { effect: 'ratio' }),
    adjusted('the same before throughout', linesAlike),
    adjusted('slopes that differ', linesCrossing),
    {
      situation: 'several groups',
      table: threeBays,
      question: questionOf('adjusted', { measure: 'y', by: 'g', covariate: 'x' }),
    },
    {
      situation: 'several groups, each against a control',
      table: threeBays,
      question: questionOf('adjusted', { measure: 'y', by: 'g', covariate: 'x', compare: 'control', control: 'north' }),
    },
  ],
  limits: [
    twoGroups('two groups, nobody having chosen a method', belowLimit(assayed.slice(0, 2))),
    twoGroups('by ratios: lognormal readings', belowLimit(assayed.slice(0, 2)), byRatio),
    twoGroups('one-sided, against a stated difference', belowLimit(assayed.slice(0, 2)), {
      direction: 'less',
      value: -1,
    }),
    twoGroups('by ranks', belowLimit(assayed.slice(0, 2)), { method: 'ranks' }),
    twoGroups('by means, which need a number for each', belowLimit(assayed.slice(0, 2)), { method: 'means' }),
    twoGroups('the share below a cut-off', belowLimit(assayed.slice(0, 2)), { about: 'share', found: 'below', cut: 3 }),
    several('several groups', {}, belowLimit(assayed)),
    several('several groups, by ranks', { method: 'ranks' }, belowLimit(assayed)),
    { situation: 'one group', table: belowLimit(assayed), question: questionOf('estimate', { a: 'a' }) },
  ],
  blocks: [
    inBatches('two groups in batches', 'blocked-two', { a: 'full', b: 'no' }),
    inBatches('one-sided, batches as random, against a stated difference', 'blocked-two', {
      a: 'full',
      b: 'no',
      method: 'mixed-model',
      direction: 'greater',
      value: 1,
    }),
    inBatches('several groups, a cell empty and others read twice', 'blocked'),
    inBatches('each against a control, batches as random', 'blocked', {
      method: 'mixed-model',
      compare: 'control',
      control: 'no',
    }),
    inBatches('by ratios', 'blocked', { effect: 'ratio' }),
    inBatches('one batch alone', 'blocked', { rows: [{ column: 'b', is: 'equal', value: 'A' }] }),
  ],
  'two levels': [
    inLines('two groups of lines, blades in each', 'nested-two', { a: 'upper', b: 'lower' }),
    inLines('all groups together', 'nested', { compare: 'all' }),
    inLines('one-sided, by ratios', 'nested-two', { a: 'upper', b: 'lower', direction: 'greater', effect: 'ratio' }),
    inLines('every blade read once', 'nested-two', { a: 'upper', b: 'lower', inner: 'each' }),
  ],
  'known spreads': [
    twoGroups('two means, one SD known for both', clear, { method: 'z', knownSd: 4 }),
    twoGroups('SDs of their own, one-sided, against a stated difference, with an equivalence margin', clear, {
      method: 'z',
      knownSd: 4,
      knownSdB: 5,
      direction: 'greater',
      value: 1,
      bounds: { low: -5, high: 5 },
    }),
  ],
};
