import { type Random, random } from '../src/core/numeric/random';
import { type Question, defaultQuestion, questionOf } from '../src/core/question/question';
import { type Column, type Table, emptyColumn, tableOf } from '../src/core/readings/table';
import { defaultFigureStyle } from '../src/core/figures/default-style';
import type { FigureStyle } from '../src/core/figures/figure-style';
import { draftOf } from '../src/core/readings/table-edit';
import type { StudyContent } from '../src/core/study/content';
import type { Block, Inline, Piece, WriteUp } from '../src/core/write-up/document';
import { type StudyPieces, readingOf, seenAs } from '../src/core/write-up/piece';

/** Made-up readings of a kelp nursery that does not exist; the seed makes them the same everywhere. */
const seed = 20261123;

/** Each table draws from a stream of its own, so that changing one leaves the others as they are. */
const stream = (n: number): Random => random(seed, n);

const texts = (n: number, mean: number, sd: number, draw: () => number, decimals = 1): string[] =>
  Array.from({ length: n }, () => (mean + sd * draw()).toFixed(decimals));

const named = (id: string, name: string, role: Column['role'], cells: string[], unit = ''): Column => ({
  ...emptyColumn(id, name, unit, role),
  cells,
});

/** Blade length of seedlings raised under a red and under a white lamp. One tag was lost. */
function lampTrial(): Table {
  const { normal } = random(seed);
  const red: Column = {
    ...emptyColumn('red', 'Red lamp', 'mm'),
    cells: texts(18, 34.2, 4.1, normal),
    aside: { 6: 'tag lost' },
  };
  const white = named('white', 'White lamp', 'measure', texts(16, 30.4, 5.2, normal), 'mm');
  return tableOf([red, white], { name: 'Lamp trial', measure: 'blade length', subject: 'seedling' });
}

/** Four lamps, one of them the control, in unequal numbers. */
function fourLamps(): Table {
  const { normal } = stream(1);
  const groups: [string, string, number, number][] = [
    ['control', 'Daylight (control)', 12, 28.6],
    ['blue', 'Blue lamp', 12, 31.9],
    ['amber', 'Amber lamp', 11, 28.9],
    ['violet', 'Violet lamp', 10, 33.1],
  ];
  return tableOf(
    groups.map(([id, name, n, mean]) => named(id, name, 'measure', texts(n, mean, 3.2, normal), 'mm')),
    { name: 'Four lamps', measure: 'blade length', subject: 'seedling' },
  );
}

/** Growth rate by tank temperature and nutrient; three tanks were lost, so the cells are unequal. */
function temperatureByNutrient(): Table {
  const { normal } = stream(2);
  const lost = new Set(['12 °C high 4', '15 °C low 2', '15 °C low 5']);
  const rows: string[][] = [];
  let tank = 1;
  for (const temperature of ['9 °C', '12 °C', '15 °C'])
    for (const nutrient of ['low', 'high'])
      for (let k = 1; k <= 5; k++) {
        if (lost.has(`${temperature} ${nutrient} ${k}`)) continue;
        const warm = { '9 °C': 0, '12 °C': 0.22, '15 °C': 0.12 }[temperature] ?? 0;
        const fed = nutrient === 'high' ? 0.18 + warm * 0.9 : 0;
        rows.push([`T${tank++}`, temperature, nutrient, (1.45 + warm + fed + 0.14 * normal()).toFixed(2)]);
      }
  const column = (k: number): string[] => rows.map((r) => r[k] ?? '');
  return tableOf(
    [
      named('tank', 'tank', 'subject', column(0)),
      named('temperature', 'temperature', 'group', column(1)),
      named('nutrient', 'nutrient', 'group', column(2)),
      named('growth', 'growth rate', 'measure', column(3), 'mm/d'),
    ],
    { name: 'Temperature by nutrient', subject: 'tank', shape: 'rows' },
  );
}

/** The same blades weighed before and after a rinse. */
function rinse(): Table {
  const { normal } = stream(3);
  const blades = Array.from({ length: 14 }, (_, i) => `B${String(i + 1).padStart(2, '0')}`);
  const before = blades.map(() => 12.4 + 2.1 * normal());
  return tableOf(
    [
      named('blade', 'blade', 'subject', blades),
      named(
        'before',
        'Before the rinse',
        'measure',
        before.map((x) => x.toFixed(2)),
        'g',
      ),
      named(
        'after',
        'After the rinse',
        'measure',
        before.map((x) => (x - 0.62 + 0.5 * normal()).toFixed(2)),
        'g',
      ),
    ],
    { name: 'Rinse', measure: 'blade mass', subject: 'blade', shape: 'repeated' },
  );
}

/** Length of the same lines, week after week. One reading was missed in a storm. */
function weeklyGrowth(): Table {
  const { normal } = stream(4);
  const lines = Array.from({ length: 9 }, (_, i) => `L${i + 1}`);
  const start = lines.map(() => 4.2 + 0.6 * normal());
  const week = (k: number): string[] =>
    start.map((x, i) => (k === 3 && i === 5 ? '' : (x + 1.9 * k + 0.35 * normal()).toFixed(1)));
  return tableOf(
    [
      named('line', 'line', 'subject', lines),
      ...[0, 1, 2, 3].map((k) => named(`week${k}`, `Week ${k}`, 'measure', week(k), 'cm')),
    ],
    { name: 'Weekly growth', measure: 'frond length', subject: 'line', shape: 'repeated' },
  );
}

/** Three readings from each tank under two flows: tanks are the samples, not readings. */
function tankReplicates(): Table {
  const { normal } = stream(5);
  const rows: string[][] = [];
  for (let tank = 1; tank <= 12; tank++) {
    const flow = tank % 2 ? 'still' : 'pulsed';
    const level = (flow === 'still' ? 41.5 : 44.6) + 3.2 * normal();
    for (let reading = 0; reading < 3; reading++) rows.push([`K${tank}`, flow, (level + 0.9 * normal()).toFixed(1)]);
  }
  const column = (k: number): string[] => rows.map((r) => r[k] ?? '');
  return tableOf(
    [
      named('tank', 'tank', 'subject', column(0)),
      named('flow', 'flow', 'group', column(1)),
      named('cover', 'spore cover', 'measure', column(2), '%'),
    ],
    { name: 'Three readings a tank', subject: 'tank', shape: 'rows', average: true },
  );
}

/** Whether spores settled on plates of three surfaces: one row a plate, to be counted. */
function settlement(): Table {
  const { uniform } = stream(6);
  const shares: [string, number, number][] = [
    ['rough', 22, 0.78],
    ['smooth', 22, 0.41],
    ['coated', 20, 0.55],
  ];
  const rows = shares.flatMap(([surface, n, share]) =>
    Array.from({ length: n }, () => [surface, uniform() < share ? 'settled' : 'bare']),
  );
  return tableOf(
    [
      named(
        'surface',
        'surface',
        'group',
        rows.map((r) => r[0] ?? ''),
      ),
      named(
        'outcome',
        'outcome',
        'group',
        rows.map((r) => r[1] ?? ''),
      ),
    ],
    { name: 'Spore settlement', subject: 'plate', shape: 'categories' },
  );
}

/** Blades by how far they were grazed, at three raft depths: counts already tabulated. */
const grazing = (): Table =>
  tableOf(
    [
      named('depth', 'depth', 'group', ['1 m', '3 m', '6 m']),
      named('none', 'not grazed', 'count', ['41', '33', '18']),
      named('edge', 'edge grazed', 'count', ['12', '19', '24']),
      named('heavy', 'heavily grazed', 'count', ['3', '8', '17']),
    ],
    { name: 'Grazing classes', measure: 'grazing class', subject: 'blade', shape: 'counts' },
  );

/** Seedlings of one cross by blade form: counts held against nine to three to three to one. */
const bladeForms = (): Table =>
  tableOf(
    [
      named('form', 'form', 'group', ['broad smooth', 'broad ruffled', 'narrow smooth', 'narrow ruffled']),
      named('count', 'count', 'count', ['118', '29', '43', '18']),
    ],
    { name: 'Blade forms of a cross', subject: 'seedling', shape: 'counts' },
  );

/** Ropes found clean or fouled, before a new rinse and a month after. */
function fouling(): Table {
  const { uniform } = stream(12);
  const rows = Array.from({ length: 40 }, (_, i) => {
    const before = uniform() < 0.6;
    const after = before ? uniform() < 0.4 : uniform() < 0.12;
    return [`R${i + 1}`, before ? 'fouled' : 'clean', after ? 'fouled' : 'clean'];
  });
  const column = (k: number): string[] => rows.map((r) => r[k] ?? '');
  return tableOf(
    [
      named('rope', 'rope', 'subject', column(0)),
      named('before', 'before the rinse', 'group', column(1)),
      named('after', 'a month after', 'group', column(2)),
    ],
    { name: 'Fouled ropes', subject: 'rope', shape: 'categories' },
  );
}

/** Two salinity probes in the same standard sea water: do they spread alike? */
function probes(): Table {
  const { normal } = stream(7);
  return tableOf(
    [
      named('old', 'Old probe', 'measure', texts(15, 35.02, 0.11, normal, 2), 'psu'),
      named('new', 'New probe', 'measure', texts(15, 34.99, 0.045, normal, 2), 'psu'),
    ],
    { name: 'Salinity probes', measure: 'salinity', subject: 'dip' },
  );
}

/** A pipette set to 1000 µL, weighed ten times. */
function pipette(): Table {
  const { normal } = stream(8);
  return tableOf([named('volume', 'Pipette 3', 'measure', texts(10, 1003.4, 4.6, normal), 'µL')], {
    name: 'Pipette check',
    measure: 'delivered volume',
    subject: 'stroke',
  });
}

/** Iodine in a few blades by two dryings: small and skewed. */
function iodine(): Table {
  const { normal } = stream(9);
  const skewed = (n: number, middle: number): string[] =>
    Array.from({ length: n }, () => (middle * Math.exp(0.55 * normal())).toFixed(2));
  return tableOf(
    [
      named('air', 'Air-dried', 'measure', skewed(8, 2.6), 'mg/g'),
      named('freeze', 'Freeze-dried', 'measure', skewed(7, 4.1), 'mg/g'),
    ],
    { name: 'Iodine assay', measure: 'iodine', subject: 'blade' },
  );
}

/** Figures copied from a paper: means with standard errors and n, no readings. */
const copiedFigures = (): Table =>
  tableOf(
    [
      named('site', 'site', 'group', ['Inner sound', 'Outer sound', 'Open shore']),
      named('mean', 'mean blade length', 'measure', ['31.4', '35.2', '29.8'], 'cm'),
      named('sem', 'standard error', 'spread', ['1.1', '0.9', '1.4'], 'cm'),
      named('n', 'n', 'count', ['24', '26', '19']),
    ],
    { name: 'Figures from a paper', subject: 'blade', shape: 'summary', spread: 'sem' },
  );

/** Lines grown with and without added nutrient, measured in three weeks: groups of subjects, each under every condition. */
function fedLines(): Table {
  const { normal } = stream(10);
  const lines = Array.from({ length: 14 }, (_, i) => `N${i + 1}`);
  const fed = lines.map((_, i) => (i % 2 ? 'fed' : 'unfed'));
  const start = lines.map(() => 5.1 + 0.5 * normal());
  const week = (k: number): string[] =>
    start.map((x, i) => (x + (fed[i] === 'fed' ? 2.3 : 1.6) * k + 0.4 * normal()).toFixed(1));
  return tableOf(
    [
      named('line', 'line', 'subject', lines),
      named('feeding', 'feeding', 'group', fed),
      ...[0, 1, 2].map((k) => named(`w${k}`, `Week ${k}`, 'measure', week(k), 'cm')),
    ],
    { name: 'Fed and unfed lines', measure: 'frond length', subject: 'line', shape: 'repeated' },
  );
}

/** Forty assays of the same blades, still and pulsed flow: one question asked of many measures. */
function manyAssays(): Table {
  const { normal } = stream(11);
  const flow = Array.from({ length: 20 }, (_, i) => (i % 2 ? 'pulsed' : 'still'));
  const assays = Array.from({ length: 40 }, (_, k) => {
    const shift = k % 8 === 3 ? 1.9 : 0;
    const middle = 4 + (k % 7) * 3;
    return named(
      `assay${k + 1}`,
      `pigment ${k + 1}`,
      'measure',
      flow.map((f) => (middle + (f === 'pulsed' ? shift : 0) + 1.3 * normal()).toFixed(2)),
      'µg/g',
    );
  });
  return tableOf(
    [
      named(
        'blade',
        'blade',
        'subject',
        flow.map((_, i) => `P${i + 1}`),
      ),
      named('flow', 'flow', 'group', flow),
      ...assays,
    ],
    { name: 'Forty pigments', subject: 'blade', shape: 'rows' },
  );
}

/** A table with what is asked of it, and the figures made of each question. */
interface Asked {
  table: Table;
  questions: { question: Question; figures: FigureStyle[] }[];
}

const of = (table: Table, ...questions: [Question, ...FigureStyle[]][]): Asked => ({
  table,
  questions: questions.map(([question, ...figures]) => ({ question, figures })),
});

/** Blades raised at four salinities, in their order. */
function saltSeries(): Table {
  const { normal } = stream(31);
  return tableOf(
    [0, 5, 10, 20].map((salt, k) =>
      named(
        `s${salt}`,
        `${salt} g/L`,
        'measure',
        Array.from({ length: [8, 7, 8, 6][k] ?? 0 }, () => (52 + 0.45 * salt + 4.2 * normal()).toFixed(1)),
        'mm',
      ),
    ),
    { name: 'Salt series', measure: 'blade length', subject: 'seedling' },
  );
}

/** Snails weighed in tanks of three feeds, some tanks with more snails than others. */
function snailsInTanks(): Table {
  const { normal } = stream(32);
  const sizes = [
    [4, 6, 3, 5],
    [5, 3, 6, 4],
    [6, 4, 2, 5],
  ];
  const rows = sizes.flatMap((tanks, g) =>
    tanks.flatMap((n, i) => {
      const own = 8.4 + 0.9 * g + 0.7 * normal();
      const tank = `${'ABC'.charAt(g)}${i + 1}`;
      const feed = ['kelp', 'dulse', 'mixed'][g] ?? '';
      return Array.from({ length: n }, () => [tank, feed, (own + 0.9 * normal()).toFixed(2)]);
    }),
  );
  const column = (k: number): string[] => rows.map((r) => r[k] ?? '');
  return tableOf(
    [
      named('tank', 'tank', 'subject', column(0)),
      named('feed', 'feed', 'group', column(1)),
      named('mass', 'snail mass', 'measure', column(2), 'g'),
    ],
    { name: 'Snails in tanks', subject: 'tank', shape: 'rows' },
  );
}

/** Lines measured at four visits; a storm kept the boat from two of them. */
function missedVisits(): Table {
  const { normal } = stream(33);
  const lines = Array.from({ length: 9 }, () => 24 + 3 * normal());
  const lost = new Set(['3 1', '7 2']);
  return tableOf(
    [
      named(
        'line',
        'line',
        'subject',
        lines.map((_, i) => `M${i + 1}`),
      ),
      ...['Visit 1', 'Visit 2', 'Visit 3', 'Visit 4'].map((visit, j) =>
        named(
          `v${j + 1}`,
          visit,
          'measure',
          lines.map((own, i) => (lost.has(`${i} ${j}`) ? '' : (own + 2.1 * j + 1.1 * normal()).toFixed(1))),
          'cm',
        ),
      ),
    ],
    { name: 'Missed visits', measure: 'frond length', subject: 'line', shape: 'repeated' },
  );
}

/** Living spores of a vial after three ways of keeping them: counts that spread in proportion to their size. */
function sporesInStore(): Table {
  const { normal } = stream(34);
  const kept: [string, string, number][] = [
    ['fresh', 'fresh', 4.3],
    ['chilled', 'chilled', 3.7],
    ['frozen', 'frozen', 2.9],
  ];
  return tableOf(
    kept.map(([id, name, log], k) =>
      named(
        id,
        name,
        'measure',
        Array.from({ length: [10, 9, 10][k] ?? 0 }, () => Math.exp(log + 0.6 * normal()).toFixed(1)),
        '10³/mL',
      ),
    ),
    { name: 'Spores in store', measure: 'spore count', subject: 'vial' },
  );
}

/** Lines of two feeds, weighed before the feeding and after it: the heavier gained more. */
function fedBeforeAndAfter(): Table {
  const { normal } = stream(35);
  const before = Array.from({ length: 20 }, () => 11.5 + 1.6 * normal());
  return tableOf(
    [
      named(
        'line',
        'line',
        'subject',
        before.map((_, i) => `F${i + 1}`),
      ),
      named(
        'feed',
        'feed',
        'group',
        before.map((_, i) => (i % 2 === 0 ? 'fed' : 'unfed')),
      ),
      named(
        'before',
        'before',
        'measure',
        before.map((x) => x.toFixed(1)),
        'kg',
      ),
      named(
        'after',
        'after',
        'measure',
        before.map((x, i) => (1.6 + 1.05 * x + (i % 2 === 0 ? 1.8 : 0) + 0.9 * normal()).toFixed(1)),
        'kg',
      ),
    ],
    { name: 'Fed, before and after', measure: 'line mass', subject: 'line', shape: 'repeated' },
  );
}

/** Iodine in the water at three places; the assay sees nothing below 2. */
function iodineNearTheLimit(): Table {
  const { normal } = stream(36);
  const columns = [1, 1.3, 1.7].map((log, k) =>
    named(
      ['intake', 'nursery', 'outfall'][k] ?? '',
      ['intake', 'nursery', 'outfall'][k] ?? '',
      'measure',
      Array.from({ length: 12 }, () => Math.exp(log + 0.5 * normal())).map((x) => (x < 2 ? '<2.0' : x.toFixed(1))),
      'µg/L',
    ),
  );
  return tableOf(
    columns.map((c) => ({ ...c, limits: 'censored' as const })),
    { name: 'Iodine near the limit', measure: 'iodine', subject: 'sample' },
  );
}

/** Seedlings raised on an extract in six batches of spores; batches differ, and not every dose was there for each. */
function dosesInBatches(): Table {
  const { normal } = stream(37);
  const doses = ['no extract', 'half dose', 'full dose'];
  const rows = ['A', 'B', 'C', 'D', 'E', 'F'].flatMap((batch, b) => {
    const own = 18 + 2.4 * normal();
    return doses.flatMap((dose, d) => {
      const times = b === 2 && d === 1 ? 0 : (b + d) % 3 === 0 ? 2 : 1;
      return Array.from({ length: times }, () => [batch, dose, (own + 1.1 * d + 0.9 * normal()).toFixed(1)]);
    });
  });
  const column = (k: number): string[] => rows.map((r) => r[k] ?? '');
  return tableOf(
    [
      named('batch', 'batch', 'group', column(0)),
      named('dose', 'dose', 'group', column(1)),
      named('length', 'seedling length', 'measure', column(2), 'mm'),
    ],
    { name: 'Doses in batches of spores', subject: 'seedling', shape: 'rows' },
  );
}

/** Cells measured in sections of blades of lines: what differs from line to line was done to lines. */
function cellsOfBlades(): Table {
  const { normal } = stream(40);
  const rows = Array.from({ length: 9 }, (_, l) => l).flatMap((l) => {
    const rope = l % 2 === 0 ? 'upper rope' : 'lower rope';
    const line = 21 + (l % 2 === 0 ? 2.6 : 0) + 1.1 * normal();
    return Array.from({ length: 2 + ((l * 5) % 3) }, (__, b) => b).flatMap((b) => {
      const blade = line + 0.9 * normal();
      return Array.from({ length: 3 + ((l + 2 * b) % 3) }, () => [
        `line ${l + 1}`,
        `blade ${b + 1}`,
        rope,
        (blade + 1.3 * normal()).toFixed(1),
      ]);
    });
  });
  const column = (k: number): string[] => rows.map((r) => r[k] ?? '');
  return tableOf(
    [
      named('line', 'line', 'subject', column(0)),
      named('blade', 'blade', 'label', column(1)),
      named('rope', 'rope', 'group', column(2)),
      named('cell', 'cell length', 'measure', column(3), 'µm'),
    ],
    { name: 'Cells of blades of lines', subject: 'line', shape: 'rows' },
  );
}

/** A table for every design, with its questions. */
export const demoTables = (): Asked[] => [
  of(lampTrial(), [defaultQuestion('red', 'white'), defaultFigureStyle]),
  of(
    fourLamps(),
    [questionOf('several'), { ...defaultFigureStyle, widthMm: 110, heightMm: 80 }],
    [questionOf('several', { compare: 'control', control: 'control' })],
  ),
  of(temperatureByNutrient(), [
    questionOf('factorial', { by: 'temperature', by2: 'nutrient' }),
    { ...defaultFigureStyle, kind: 'interaction' },
  ]),
  of(rinse(), [defaultQuestion('before', 'after', 'paired'), defaultFigureStyle]),
  of(weeklyGrowth(), [questionOf('repeated', { turned: 'all' })]),
  of(fedLines(), [questionOf('mixed', { turned: 'all' })]),
  of(tankReplicates(), [defaultQuestion('still', 'pulsed')], [defaultQuestion('still', 'pulsed', 'nested-two')]),
  of(
    settlement(),
    [questionOf('several', { about: 'share', found: 'settled' })],
    [questionOf('two-groups', { about: 'share', found: 'settled', a: 'rough', b: 'smooth' })],
  ),
  of(grazing(), [questionOf('several', { about: 'table' }), defaultFigureStyle]),
  of(bladeForms(), [questionOf('one-sample', { about: 'table', ratio: [9, 3, 3, 1] })]),
  of(fouling(), [questionOf('paired', { about: 'share', found: 'fouled', method: 'exact' })]),
  of(
    probes(),
    [{ ...defaultQuestion('old', 'new'), bounds: { low: -0.1, high: 0.1 } }],
    [{ ...defaultQuestion('old', 'new'), about: 'spread' }],
  ),
  of(pipette(), [questionOf('one-sample', { a: 'volume', value: 1000 })]),
  of(
    iodine(),
    [{ ...defaultQuestion('air', 'freeze'), method: 'ranks' }],
    [{ ...defaultQuestion('air', 'freeze'), method: 'shuffle', statistic: 'median' }],
  ),
  of(copiedFigures(), [questionOf('several')]),
  of(manyAssays(), [defaultQuestion('still', 'pulsed')]),
  of(saltSeries(), [questionOf('several', { compare: 'trend' })]),
  of(snailsInTanks(), [questionOf('nested')]),
  of(missedVisits(), [questionOf('repeated', { compare: 'control', control: 'v1' })]),
  of(sporesInStore(), [questionOf('several', { effect: 'ratio' })], [defaultQuestion('fresh', 'chilled')]),
  of(fedBeforeAndAfter(), [
    questionOf('adjusted-two', { a: 'fed', b: 'unfed', measure: 'after', by: 'feed', covariate: 'before' }),
  ]),
  of(
    iodineNearTheLimit(),
    [questionOf('several', { effect: 'ratio' })],
    [{ ...defaultQuestion('intake', 'nursery'), method: 'ranks' }],
  ),
  of(cellsOfBlades(), [questionOf('nested-two', { a: 'upper rope', b: 'lower rope', inner: 'blade' })]),
  of(dosesInBatches(), [questionOf('blocked', { by: 'dose', block: 'batch' })]),
];

/** The demo study of Skerrow Kelp Nursery as one value. Its ids tell places: question 2 of table 1 is `t1q2`. */
export function demoStudy(): StudyContent {
  const asked = demoTables();
  const questions = asked.flatMap(({ questions: all }, i) =>
    all.map((q, j) => ({ ...q, table: `t${i + 1}`, id: `t${i + 1}q${j + 1}` })),
  );
  return {
    title: 'Skerrow Kelp Nursery',
    tables: asked.map(({ table }, i) => ({
      id: `t${i + 1}`,
      table: draftOf(table),
      origin: 'made up for the demo study',
    })),
    questions: questions.map(({ id, table, question }) => ({ id, table, question })),
    figures: questions.flatMap(({ id, figures }) =>
      figures.map((style, k) => ({ id: `${id}f${k + 1}`, question: id, style })),
    ),
  };
}

/**
 * The finished write-up of the demo study: a few of its questions, in words with live pieces.
 * @param idOf the id a place of the demo study was kept under
 */
export function demoWriteUp(idOf: (key: string) => string, pieces: StudyPieces): WriteUp {
  const seen = <P extends Piece>(piece: P): P => {
    const now = readingOf(piece, pieces);
    return now ? { ...piece, attrs: { ...piece.attrs, seen: seenAs(now) } } : piece;
  };
  const words = (text: string): Inline => ({ type: 'text', text });
  const sentence = (key: string, part: 'methods' | 'results' | 'headline'): Inline =>
    seen({ type: 'sentence', attrs: { question: idOf(key), part, seen: '' } });
  const number = (key: string, part: 'estimate' | 'interval' | 'n'): Inline =>
    seen({ type: 'liveNumber', attrs: { question: idOf(key), part, seen: '' } });
  const heading = (level: number, text: string): Block => ({
    type: 'heading',
    attrs: { level },
    content: [words(text)],
  });
  const paragraph = (...content: Inline[]): Block => ({ type: 'paragraph', content });
  const figure = (key: string): Block => seen({ type: 'liveFigure', attrs: { figure: idOf(key), seen: '' } });
  const table = (key: string, place: number): Block =>
    seen({ type: 'answerTable', attrs: { question: idOf(key), place, seen: '' } });
  return {
    type: 'doc',
    content: [
      heading(1, 'Light, warmth and food for young kelp'),
      paragraph(
        words('Under a red lamp seedlings grew '),
        number('t1q1', 'estimate'),
        words(' longer than under a white one ('),
        number('t1q1', 'interval'),
        words('; '),
        number('t1q1', 'n'),
        words(
          ' seedlings). We then asked whether other colours do the same, what temperature and nutrient add, and whether a rinse costs mass.',
        ),
      ),
      heading(2, 'Methods'),
      paragraph(sentence('t1q1', 'methods')),
      paragraph(sentence('t2q1', 'methods')),
      paragraph(sentence('t3q1', 'methods')),
      paragraph(sentence('t4q1', 'methods')),
      heading(2, 'Results'),
      heading(3, 'Lamps'),
      paragraph(sentence('t1q1', 'results')),
      figure('t1q1f1'),
      paragraph(sentence('t2q1', 'results')),
      figure('t2q1f1'),
      heading(3, 'Temperature and nutrient'),
      paragraph(sentence('t3q1', 'headline'), words(' '), sentence('t3q1', 'results')),
      figure('t3q1f1'),
      table('t3q1', 1),
      heading(3, 'The rinse'),
      paragraph(
        sentence('t4q1', 'results'),
        words(' The loss is small beside the differences between blades ('),
        { type: 'reference', attrs: { of: 'figure', source: idOf('t4q1f1'), place: 0 } },
        words(').'),
      ),
      figure('t4q1f1'),
      heading(2, 'Readings'),
      seen({ type: 'shortLog', attrs: { seen: '' } }),
      heading(2, 'References'),
      { type: 'listing', attrs: { of: 'references' } },
    ],
  };
}
