/** Tables as people paste them, beyond those of `cases.json`: other words, other slips. Readings are made up from a seed. */
import { random } from '../../src/core/numeric/random';
import { answerCasesFrom } from './answer-cases';
import { designCasesFrom } from './design-cases';
import { figureCasesFrom } from './figure-cases';
import type { Case } from './hold';

const lamps = ['red lamp', 'white lamp', 'blue lamp'];
let made = random(19);
const draw = (): number => made.uniform();
/** A made-up reading around 30 with one decimal, or as told. */
const about = (middle = 30, scatter = 5, decimals = 1): string =>
  (middle + scatter * (draw() + draw() + draw() - 1.5)).toFixed(decimals);
const times = <T>(n: number, of: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => of(i));
const lines = (...rows: (string | number)[][]): string => rows.map((row) => row.join('\t')).join('\n');
const one = (id: string, why: string, text: string, expect: Case['expect']): Case => ({ id, why, text, expect });

/** The same tables with other readings, by a seed. */
export function moreCasesFrom(seed: number): Case[] {
  made = random(seed);
  return [
    one(
      'a-group-of-failures',
      'a group in the unit of the other, of which no cell can be read',
      lines(['fed (mm)', 'unfed (mm)'], ...times(6, (i) => [about(), i % 2 ? '#DIV/0!' : 'lost?'])),
      { layout: ['columns'], groups: ['fed', 'unfed'], unit: 'mm', readings: 6 },
    ),
    one(
      'a-column-of-errors',
      'a group without a unit, of which a spreadsheet computed nothing',
      lines(['fed', 'unfed'], ...times(6, () => [about(), '#REF!'])),
      { layout: ['columns'], groups: ['fed', 'unfed'], readings: 6 },
    ),
    one(
      'units-given-by-comma',
      'a unit behind a comma',
      lines(['control, mg/dL', 'fed, mg/dL'], ...times(9, () => [about(), about()])),
      {
        layout: ['columns'],
        groups: ['control', 'fed'],
        unit: 'mg/dL',
        readings: 18,
        doubts: [],
        asks: ['two-groups'],
      },
    ),
    one(
      'compound-unit',
      'a compound unit that is on no list',
      lines(['treatment', 'uptake (µmol g⁻¹ h⁻¹)'], ...times(12, (i) => [lamps[i % 2] ?? '', about(4, 1, 2)])),
      {
        layout: ['rows'],
        groups: ['red lamp', 'white lamp'],
        unit: 'µmol g⁻¹ h⁻¹',
        readings: 12,
        doubts: [],
        asks: ['two-groups'],
      },
    ),
    one(
      'doses-as-heads',
      'doses over the columns',
      lines(['0', '10', '50'], ...times(8, () => [about(), about(), about()])),
      {
        layout: ['columns'],
        groups: ['0', '10', '50'],
        readings: 24,
        asks: ['several'],
      },
    ),
    one(
      'mouse-number',
      'subjects by number',
      lines(
        ['mouse', 'day 0 (g)', 'day 7 (g)', 'day 14 (g)'],
        ...times(8, (i) => [i + 1, about(22), about(23), about(25)]),
      ),
      {
        layout: ['repeated'],
        subject: 'mouse',
        groups: ['day 0', 'day 7', 'day 14'],
        readings: 24,
        doubts: [],
        asks: ['repeated'],
      },
    ),
    one(
      'patient-pre-post',
      'two turns of one subject',
      lines(['patient', 'pre', 'post'], ...times(9, (i) => [`P${i + 1}`, about(120, 9, 0), about(115, 9, 0)])),
      {
        layout: ['repeated'],
        subject: 'patient',
        groups: ['pre', 'post'],
        readings: 18,
        doubts: [],
        asks: ['paired'],
      },
    ),
    one(
      'left-right',
      'two sides of one animal',
      lines(['fish', 'left', 'right'], ...times(9, (i) => [`f${i + 1}`, about(3, 1, 2), about(3, 1, 2)])),
      {
        layout: ['repeated'],
        subject: 'fish',
        groups: ['left', 'right'],
        doubts: [],
        asks: ['paired'],
      },
    ),
    one(
      'before-after-alone',
      'nothing names the subjects',
      lines(['before (mm)', 'after (mm)'], ...times(9, () => [about(), about()])),
      {
        layout: ['repeated'],
        groups: ['before', 'after'],
        readings: 18,
        doubts: ['no-subject-column'],
        asks: ['paired'],
      },
    ),
    one(
      'long-repeated',
      'the same subjects, a row a reading',
      lines(
        ['frond', 'week', 'length (mm)'],
        ...times(24, (i) => [`F${Math.floor(i / 3) + 1}`, `week ${i % 3}`, about()]),
      ),
      {
        layout: ['rows'],
        subject: 'frond',
        groups: ['week 0', 'week 1', 'week 2'],
        anyOrder: true,
        readings: 24,
        doubts: [],
        asks: ['repeated'],
      },
    ),
    one(
      'long-pairs',
      'pairs, a row a reading',
      lines(
        ['line', 'lamp', 'growth (mm/d)'],
        ...times(16, (i) => [`L${Math.floor(i / 2) + 1}`, lamps[i % 2] ?? '', about(2, 1, 2)]),
      ),
      {
        layout: ['rows'],
        subject: 'line',
        readings: 16,
        doubts: [],
        asks: ['paired'],
      },
    ),
    one(
      'long-mixed',
      'groups of subjects at two times, a row a reading',
      lines(
        ['raft', 'treatment', 'time', 'cover (%)'],
        ...times(24, (i) => [
          `R${Math.floor(i / 2) + 1}`,
          lamps[Math.floor(i / 2) % 2] ?? '',
          i % 2 ? 'after' : 'before',
          about(60, 20, 0),
        ]),
      ),
      {
        layout: ['rows'],
        subject: 'raft',
        readings: 24,
        asks: ['mixed'],
      },
    ),
    one(
      'tank-is-group',
      'tanks are all there is to compare by',
      lines(['tank', 'length (mm)'], ...times(24, (i) => [`T${(i % 3) + 1}`, about()])),
      {
        layout: ['rows'],
        groups: ['T1', 'T2', 'T3'],
        readings: 24,
        asks: ['several'],
      },
    ),
    one(
      'fish-in-tanks',
      'several fish of each tank',
      lines(
        ['diet', 'tank', 'mass (g)'],
        ...times(30, (i) => [i < 15 ? 'low' : 'high', `T${Math.floor(i / 5) + 1}`, about(12, 4, 2)]),
      ),
      {
        layout: ['rows'],
        subject: 'tank',
        readings: 30,
        samples: 6,
        doubts: ['replicates'],
        asks: ['two-groups', 'nested'],
      },
    ),
    one(
      'row-names-years',
      'years repeated are groups where nothing else is',
      lines(['year', 'yield (kg)'], ...times(24, (i) => [2019 + (i % 3), about(80, 20)])),
      {
        layout: ['rows'],
        groups: ['2019', '2020', '2021'],
        readings: 24,
        asks: ['several'],
      },
    ),
    one(
      'grid',
      'two factors crossed in a grid',
      lines(
        ['temperature', 'low', 'high'],
        ...times(12, (i) => [[9, 12, 15][Math.floor(i / 4)] ?? 9, about(), about()]),
      ),
      {
        layout: ['grid', 'rows'],
        readings: 24,
        asks: ['factorial'],
        notGroups: ['temperature'],
      },
    ),
    one(
      'grid-gaps',
      'levels named once',
      lines(['', 'low', 'high'], ...times(9, (i) => [i % 3 ? '' : `${[9, 12, 15][i / 3] ?? 9} °C`, about(), about()])),
      {
        layout: ['grid'],
        readings: 18,
        doubts: [],
        asks: ['factorial'],
      },
    ),
    one(
      'three-factors',
      'three columns of categories',
      lines(
        ['lamp', 'flow', 'sex', 'length (mm)'],
        ...times(24, (i) => [lamps[i % 2] ?? '', i % 4 < 2 ? 'still' : 'pulsed', i % 8 < 4 ? 'f' : 'm', about()]),
      ),
      {
        layout: ['rows'],
        readings: 24,
        asks: ['two-groups', 'factorial'],
      },
    ),
    one('counts-2x2', 'two by two', lines(['', 'survived', 'died'], ['treated', 31, 9], ['control', 22, 18]), {
      layout: ['counts'],
      doubts: [],
      total: 80,
      asks: ['share', 'table'],
    }),
    one(
      'counts-total-column',
      'a total column only',
      lines(['site', 'rough', 'smooth', 'all'], ['north', 12, 9, 21], ['south', 18, 11, 29], ['west', 7, 16, 23]),
      {
        layout: ['counts'],
        categories: ['rough', 'smooth'],
        total: 73,
        doubts: ['total-column'],
        asks: ['share', 'table'],
      },
    ),
    one(
      'counts-total-row-unnamed',
      'totals without a name',
      lines(
        ['depth', 'whole', 'torn', 'lost'],
        ['1 m', 12, 9, 4],
        ['3 m', 18, 11, 5],
        ['6 m', 7, 16, 8],
        ['', 37, 36, 17],
      ),
      {
        layout: ['counts'],
        total: 90,
        doubts: ['total-row'],
        asks: ['table'],
      },
    ),
    one(
      'counts-one-line',
      'how often each came',
      lines(['outcome', 'count'], ['bare', 31], ['thin', 24], ['dense', 12]),
      {
        layout: ['counts'],
        total: 67,
        doubts: [],
        asks: ['table'],
      },
    ),
    one(
      'counts-long',
      'one row for each cell',
      lines(
        ['depth', 'state', 'count'],
        ['1 m', 'grazed', 12],
        ['1 m', 'whole', 41],
        ['3 m', 'grazed', 19],
        ['3 m', 'whole', 33],
      ),
      {
        layout: ['counts'],
        total: 105,
        doubts: [],
        asks: ['share', 'table'],
      },
    ),
    one('out-of-written', '18 of 45', lines(['lamp', 'settled'], ['red lamp', '18 of 45'], ['white lamp', '9 of 50']), {
      layout: ['counts'],
      shares: [
        [18, 45],
        [9, 50],
      ],
      doubts: [],
      asks: ['share'],
    }),
    one(
      'percent-of-written',
      '13.4 % of 5218',
      lines(['year class', 'found'], ['old', '13.4 % of 500'], ['young', '8.2 % of 500']),
      {
        layout: ['counts'],
        shares: [
          [67, 500],
          [41, 500],
        ],
        asks: ['share'],
      },
    ),
    one(
      'germinated-planted',
      'a part and what it is out of, in a nursery’s words',
      lines(['batch', 'seeds planted', 'germinated'], ['A', 120, 96], ['B', 110, 71], ['C', 100, 88]),
      {
        layout: ['counts'],
        shares: [
          [96, 120],
          [71, 110],
          [88, 100],
        ],
        asks: ['share'],
      },
    ),
    one(
      'categories-with-ids',
      'who, where, and what became of it',
      lines(
        ['frond', 'lamp', 'outcome'],
        ...times(30, (i) => [`F${i + 1}`, lamps[i % 2] ?? '', draw() < 0.4 ? 'settled' : 'bare']),
      ),
      {
        layout: ['categories'],
        subject: 'frond',
        doubts: [],
        asks: ['share', 'table'],
      },
    ),
    one(
      'summary-sem',
      'means with SEMs',
      lines(['site', 'mean length (mm)', 'SEM', 'n'], ['A', 31.4, 1.1, 24], ['B', 35.2, 0.9, 26]),
      {
        layout: ['summary'],
        spread: 'sem',
        groups: ['A', 'B'],
        doubts: [],
        asks: ['two-groups'],
      },
    ),
    one(
      'summary-unnamed-mean',
      'the mean goes by what was measured',
      lines(['diet', 'N', 'mass (g)', 'Std. Dev.'], ['a', 12, 3.42, 0.51], ['b', 14, 3.9, 0.62], ['c', 11, 4.2, 0.55]),
      {
        layout: ['summary'],
        spread: 'sd',
        groups: ['a', 'b', 'c'],
        doubts: [],
        asks: ['several'],
      },
    ),
    one(
      'summary-told',
      'the head says what the ± is',
      lines(['lamp', 'length (mm), mean ± SEM', 'n'], ['red lamp', '14.3 ± 0.6', 9], ['white lamp', '15.0 ± 0.5', 9]),
      {
        layout: ['summary'],
        spread: 'sem',
        doubts: [],
        asks: ['two-groups'],
      },
    ),
    one(
      'summary-total',
      'a row for all together',
      lines(
        ['lamp', 'n', 'mean', 'SD'],
        ['red lamp', 10, 31.2, 4.1],
        ['white lamp', 12, 33.9, 4.4],
        ['all', 22, 32.7, 4.4],
      ),
      {
        layout: ['summary'],
        groups: ['red lamp', 'white lamp'],
        doubts: ['total-row'],
        asks: ['two-groups'],
      },
    ),
    one(
      'means-below-unnamed',
      'the mean of each column, unnamed',
      (() => {
        const a = times(8, () => Number(about())),
          b = times(8, () => Number(about()));
        const mean = (x: number[]): string => (x.reduce((s, v) => s + v, 0) / x.length).toFixed(2);
        return lines(
          ['red lamp', 'white lamp'],
          ...a.map((x, i) => [x.toFixed(1), (b[i] ?? 0).toFixed(1)]),
          ['', ''],
          [mean(a), mean(b)],
        );
      })(),
      { layout: ['columns'], readings: 16, doubts: ['summary-row'], asks: ['two-groups'] },
    ),
    one(
      'average-and-n',
      'other words under the readings',
      lines(
        ['', 'a', 'b', 'c'],
        ...times(6, () => ['', about(), about(), about()]),
        ['average', '30', '31', '29'],
        ['n', 6, 6, 6],
      ),
      {
        layout: ['columns'],
        groups: ['a', 'b', 'c'],
        readings: 18,
        doubts: ['summary-row'],
        asks: ['several'],
      },
    ),
    one(
      'plate',
      'names of wells',
      lines(
        ['well', 'dye', 'absorbance'],
        ...times(24, (i) => [
          `${'ABCD'[Math.floor(i / 6)] ?? ''}${(i % 6) + 1}`,
          lamps[i % 2] ?? '',
          about(0.5, 0.2, 3),
        ]),
      ),
      {
        layout: ['rows'],
        groups: ['red lamp', 'white lamp'],
        readings: 24,
        doubts: [],
        asks: ['two-groups'],
      },
    ),
    one(
      'semicolons',
      'parted by semicolons, with decimal commas',
      ['rot;weiss', ...times(8, () => `${about().replace('.', ',')};${about().replace('.', ',')}`)].join('\n'),
      {
        layout: ['columns'],
        groups: ['rot', 'weiss'],
        readings: 16,
        doubts: [],
        asks: ['two-groups'],
      },
    ),
    one(
      'bars',
      'parted by bars, with a rule',
      ['| red | white |', '|---|---|', ...times(8, () => `| ${about()} | ${about()} |`)].join('\n'),
      {
        layout: ['columns'],
        groups: ['red', 'white'],
        readings: 16,
        doubts: [],
        asks: ['two-groups'],
      },
    ),
    one(
      'commas',
      'parted by commas',
      ['lamp,length (mm)', ...times(12, (i) => `${lamps[i % 2] ?? ''},${about()}`)].join('\n'),
      {
        layout: ['rows'],
        groups: ['red lamp', 'white lamp'],
        readings: 12,
        doubts: [],
        asks: ['two-groups'],
      },
    ),
    one(
      'one-column-commas',
      'one column with decimal commas',
      ['length (mm)', ...times(9, () => about().replace('.', ','))].join('\n'),
      {
        layout: ['columns'],
        readings: 9,
        doubts: [],
        asks: ['one-sample'],
      },
    ),
    one(
      'named-lines',
      'a name and its numbers on each line',
      `red lamp: ${times(8, () => about()).join(' ')}\nwhite lamp: ${times(7, () => about()).join(' ')}`,
      {
        layout: ['columns'],
        groups: ['red lamp', 'white lamp'],
        readings: 15,
        doubts: ['split-line'],
        asks: ['two-groups'],
      },
    ),
    one(
      'missing-words',
      'words for missing',
      lines(
        ['red lamp', 'white lamp'],
        ...times(8, (i) => [i === 2 ? 'n/a' : about(), i === 5 ? '-' : i === 6 ? 'missing' : about()]),
      ),
      {
        layout: ['columns'],
        readings: 13,
        doubts: [],
        asks: ['two-groups'],
      },
    ),
    one(
      'repeated-head',
      'the names come again',
      lines(
        ['red lamp', 'white lamp'],
        ...times(5, () => [about(), about()]),
        ['red lamp', 'white lamp'],
        ...times(5, () => [about(), about()]),
      ),
      {
        layout: ['columns'],
        readings: 20,
        asks: ['two-groups'],
      },
    ),
    one(
      'two-blank-rows',
      'two empty rows within',
      lines(
        ['red lamp', 'white lamp'],
        ...times(5, () => [about(), about()]),
        ['', ''],
        ['', ''],
        ...times(4, () => [about(), about()]),
      ),
      {
        layout: ['columns'],
        readings: 18,
        doubts: [],
        asks: ['two-groups'],
      },
    ),
    one(
      'turned-variables',
      'a variable a row',
      lines(
        ['frond', ...times(9, (i) => `F${i + 1}`)],
        ['lamp', ...times(9, (i) => lamps[i % 2] ?? '')],
        ['length (mm)', ...times(9, () => about())],
      ),
      {
        layout: ['rows'],
        turned: true,
        subject: 'frond',
        groups: ['red lamp', 'white lamp'],
        readings: 9,
        asks: ['two-groups'],
      },
    ),
    one(
      'turned-replicates',
      'replicates numbered along the top',
      lines(['', 'rep 1', 'rep 2', 'rep 3', 'rep 4', 'rep 5'], ...lamps.map((l) => [l, ...times(5, () => about())])),
      {
        turned: true,
        groups: lamps,
        readings: 15,
        asks: ['several'],
      },
    ),
    one(
      'turned-units',
      'groups with units along the rows',
      lines(['control (mg/L)', ...times(9, () => about())], ['spiked (mg/L)', ...times(9, () => about())]),
      {
        layout: ['columns'],
        turned: true,
        unit: 'mg/L',
        groups: ['control', 'spiked'],
        readings: 18,
        asks: ['two-groups'],
      },
    ),
    one(
      'skewed',
      'a concentration over three orders is no slip',
      lines(
        ['control', 'exposed'],
        ...times(10, () => [(10 ** (draw() * 3)).toFixed(1), (10 ** (0.5 + draw() * 3)).toFixed(1)]),
      ),
      {
        layout: ['columns'],
        readings: 20,
        doubts: [],
        asks: ['two-groups'],
      },
    ),
    one(
      'slip-ten',
      'a lost decimal point',
      lines(['red lamp', 'white lamp'], ...times(10, (i) => [i === 3 ? '312' : about(), about()])),
      {
        layout: ['columns'],
        doubts: ['scale-slip'],
        asks: ['two-groups'],
      },
    ),
    one(
      'slip-small',
      'a reading in another unit',
      lines(['lamp', 'mass (g)'], ...times(16, (i) => [lamps[i % 2] ?? '', i === 7 ? '0.0312' : about()])),
      {
        layout: ['rows'],
        doubts: ['scale-slip'],
        asks: ['two-groups'],
      },
    ),
    one(
      'numbered-groups-are-not-near',
      'names that differ by a number or a letter of their own',
      lines(['strain', 'growth (mm)'], ...times(24, (i) => [['WT', 'KO1', 'KO2', 'KO3'][i % 4] ?? '', about()])),
      {
        layout: ['rows'],
        readings: 24,
        doubts: [],
        asks: ['several'],
      },
    ),
    one(
      'near-columns',
      'columns whose names differ by case',
      lines(['Control', 'control', 'treated'], ...times(6, () => [about(), about(), about()])),
      {
        layout: ['columns'],
        doubts: ['near-names'],
      },
    ),
    one(
      'mg-and-ug',
      'one measure in two units',
      lines(['control (mg/L)', 'spiked (µg/L)'], ...times(7, () => [about(2, 1, 2), about(2100, 400, 0)])),
      {
        layout: ['columns'],
        doubts: ['mixed-units'],
      },
    ),
    one(
      'cells-in-two-units',
      'a cell in another unit',
      lines(['length (mm)'], ...times(9, (i) => [i === 4 ? '3.1 cm' : about()])),
      {
        doubts: ['mixed-units'],
        asks: ['one-sample'],
      },
    ),
    one(
      'spreadsheet-errors',
      'an error among the readings',
      lines(['red lamp', 'white lamp'], ...times(8, (i) => [i === 2 ? '#DIV/0!' : about(), about()])),
      {
        layout: ['columns'],
        readings: 15,
        asks: ['two-groups'],
      },
    ),
    one(
      'sample-dates',
      'days beside a group and a reading',
      lines(
        ['sampled on', 'site', 'nitrate (µM)'],
        ...times(12, (i) => [`${i + 3} May 2024`, i % 2 ? 'bay' : 'point', about(7, 2, 2)]),
      ),
      {
        layout: ['rows'],
        groups: ['point', 'bay'],
        readings: 12,
        asks: ['two-groups'],
        notGroups: ['sampled on'],
      },
    ),
    one(
      'limits-rows',
      'below the limit, a row a reading',
      lines(
        ['site', 'lead (µg/L)'],
        ...times(14, (i) => [i % 2 ? 'bay' : 'point', i % 5 === 2 ? '<0.5' : about(2, 1, 2)]),
      ),
      {
        layout: ['rows'],
        doubts: ['beyond-limit'],
        asks: ['two-groups'],
      },
    ),
    one(
      'no-group-two',
      'readings without a group, by another name',
      lines(['diet', 'mass (g)'], ...times(12, (i) => [i === 4 || i === 9 ? '' : i % 2 ? 'low' : 'high', about()])),
      {
        layout: ['rows'],
        readings: 10,
        doubts: ['no-group'],
        asks: ['two-groups'],
      },
    ),
    one('one-column', 'one column of readings', lines(['blade length (mm)'], ...times(12, () => [about()])), {
      layout: ['columns'],
      readings: 12,
      doubts: [],
      asks: ['one-sample'],
    }),
    one(
      'whole-readings',
      'whole numbers that are readings, not counts',
      lines(
        ['line', 'red lamp', 'white lamp'],
        ...times(12, (i) => [`L${i + 1}`, about(341, 30, 0), about(362, 30, 0)]),
      ),
      {
        layout: ['repeated'],
        subject: 'line',
        readings: 24,
        asks: ['paired'],
      },
    ),
    one(
      'measured-thrice',
      'one measure three times, beside a group',
      lines(
        ['site', 'reading 1', 'reading 2', 'reading 3'],
        ...times(8, (i) => [i % 2 ? 'bay' : 'point', about(), about(), about()]),
      ),
      {
        neverAsks: ['several', 'share', 'table'],
        notGroups: ['site'],
      },
    ),
    one(
      'sex-age-mass',
      'cases with a sex and no treatment',
      lines(
        ['id', 'sex', 'age (years)', 'mass (kg)'],
        ...times(20, (i) => [i + 1, i % 2 ? 'f' : 'm', about(40, 20, 0), about(70, 15)]),
      ),
      {
        layout: ['rows'],
        groups: ['m', 'f'],
        notGroups: ['id', 'age', 'mass'],
        doubts: ['which-outcome'],
        asks: ['two-groups'],
      },
    ),
    one(
      'value-then-group',
      'the readings before their groups',
      lines(['mass (g)', 'rinse'], ...times(21, (i) => [about(5, 1, 2), ['none', 'fresh', 'salt'][i % 3] ?? ''])),
      {
        layout: ['rows'],
        groups: ['none', 'fresh', 'salt'],
        readings: 21,
        doubts: [],
        asks: ['several'],
      },
    ),
    one(
      'two-factors-dose',
      'a named factor and a dose in decimals',
      lines(
        ['len', 'form', 'dose'],
        ...times(24, (i) => [about(15, 6), i % 2 ? 'flake' : 'pellet', [0.5, 1, 2][Math.floor(i / 8)] ?? 1]),
      ),
      {
        layout: ['rows'],
        readings: 24,
        doubts: [],
        asks: ['factorial'],
      },
    ),
    one(
      'stacked-pairs',
      'subjects by number, each in both groups',
      lines(['gain', 'group', 'ID'], ...times(20, (i) => [about(2, 3, 1), i < 10 ? 1 : 2, (i % 10) + 1])),
      {
        layout: ['rows'],
        subject: 'ID',
        groups: ['1', '2'],
        readings: 20,
        doubts: [],
        asks: ['paired'],
      },
    ),
    one(
      'counted-readings',
      'whole numbers by group are readings',
      lines(['count', 'wash'], ...times(24, (i) => [about(12, 9, 0), ['A', 'B', 'C', 'D'][i % 4] ?? ''])),
      {
        layout: ['rows'],
        groups: ['A', 'B', 'C', 'D'],
        readings: 24,
        asks: ['several'],
      },
    ),
    one(
      'weather',
      'many variables, two of them months and days',
      lines(
        ['oxygen', 'sun', 'wind', 'temp', 'month', 'day'],
        ...times(36, (i) => [
          about(40, 30, 0),
          about(190, 90, 0),
          about(10, 4),
          about(70, 9, 0),
          5 + Math.floor(i / 12),
          (i % 12) + 1,
        ]),
      ),
      {
        layout: ['rows'],
        neverAsks: ['repeated', 'mixed', 'paired'],
        notGroups: ['month', 'day', 'temp'],
        doubts: ['which-outcome'],
      },
    ),
    one(
      'machines',
      'names and many variables',
      lines(
        ['winch', 'power', 'mass', 'gears', 'electric', 'speed'],
        ...times(20, (i) => [
          `Winch ${'ABCDEFGHIJKLMNOPQRST'[i] ?? ''}`,
          about(150, 60, 0),
          about(3.2, 1, 2),
          [3, 4, 5][i % 3] ?? 3,
          draw() < 0.5 ? 0 : 1,
          about(18, 2, 2),
        ]),
      ),
      {
        layout: ['rows'],
        notGroups: ['power', 'mass', 'speed'],
        neverAsks: ['repeated', 'mixed'],
        doubts: ['which-outcome'],
      },
    ),
    one(
      'speed-distance',
      'two variables',
      lines(['speed', 'dist'], ...times(18, () => [about(15, 6, 0), about(40, 20, 0)])),
      {
        layout: ['rows'],
        neverAsks: ['two-groups', 'paired'],
        doubts: ['which-outcome'],
        asks: ['one-sample'],
      },
    ),
    one(
      'girth-height',
      'three variables of one thing',
      lines(['girth', 'height', 'volume'], ...times(18, () => [about(13, 3), about(76, 8, 0), about(30, 12)])),
      {
        layout: ['rows'],
        doubts: ['which-outcome'],
        asks: ['one-sample'],
      },
    ),
    one(
      'frequencies',
      'a frequency for every combination of four categories',
      lines(
        ['depth', 'lamp', 'age', 'settled', 'freq'],
        ...['1 m', '3 m'].flatMap((d) =>
          ['red', 'white'].flatMap((l) =>
            ['young', 'old'].flatMap((a) => ['no', 'yes'].map((s) => [d, l, a, s, about(30, 20, 0)])),
          ),
        ),
      ),
      {
        layout: ['counts'],
        asks: ['share', 'table'],
        doubts: ['which-outcome'],
      },
    ),
    one(
      'runs-of-trials',
      'trials, each of numbered runs',
      lines(['trial', 'run', 'speed'], ...times(30, (i) => [Math.floor(i / 10) + 1, (i % 10) + 1, about(850, 70, 0)])),
      {
        layout: ['rows'],
        groups: ['1', '2', '3'],
        readings: 30,
        asks: ['several'],
        notGroups: ['run', 'speed'],
      },
    ),
    one(
      'named-units-in-heads',
      'units behind underscores, three categories',
      lines(
        ['species', 'bay', 'blade_length_mm', 'blade_mass_g', 'sex', 'year'],
        ...times(30, (i) => [
          ['oarweed', 'tangle', 'dabberlocks'][i % 3] ?? '',
          i % 2 ? 'north' : 'south',
          about(400, 60, 0),
          about(30, 5),
          i % 5 < 2 ? 'f' : 'm',
          2021 + (i % 3),
        ]),
      ),
      {
        layout: ['rows'],
        notGroups: ['year', 'blade_length'],
        doubts: ['which-outcome'],
        asks: ['several'],
      },
    ),
    one(
      'rates-by-name',
      'several rates of named places',
      lines(
        ['bay', 'grazed', 'torn', 'cover', 'lost'],
        ...times(16, (i) => [
          `Bay of ${'ABCDEFGHIJKLMNOP'[i] ?? ''}`,
          about(8, 4),
          about(170, 80, 0),
          about(65, 14, 0),
          about(21, 9),
        ]),
      ),
      {
        layout: ['rows'],
        neverAsks: ['repeated', 'several', 'table'],
        doubts: ['which-outcome'],
        asks: ['one-sample'],
      },
    ),
    one(
      'on-and-off',
      'a code among times and readings',
      lines(['time', 'temp', 'lit'], ...times(24, (i) => [930 + i * 10, about(37, 0.6, 2), i < 14 ? 0 : 1])),
      {
        layout: ['rows'],
        groups: ['0', '1'],
        anyOrder: true,
        notGroups: ['time', 'temp'],
        asks: ['two-groups'],
      },
    ),
    one(
      'block-design',
      'blocks and coded factors',
      lines(
        ['block', 'nitrate', 'phosphate', 'yield (kg)'],
        ...times(24, (i) => [Math.floor(i / 4) + 1, i % 2, Math.floor(i / 2) % 2, about(55, 9)]),
      ),
      {
        layout: ['rows'],
        readings: 24,
        asks: ['factorial', 'two-groups'],
        neverAsks: ['repeated'],
      },
    ),
    one(
      'growth-curves',
      'readings over time of subjects in groups, a row a reading',
      lines(
        ['mass', 'time', 'tank', 'diet'],
        ...times(48, (i) => [about(60, 30, 0), (i % 6) * 2, Math.floor(i / 6) + 1, Math.floor(i / 6) % 2 ? 'a' : 'b']),
      ),
      {
        layout: ['rows'],
        subject: 'tank',
        notGroups: ['time', 'mass'],
        neverAsks: ['share', 'table'],
      },
    ),
    one(
      'counts-or-readings',
      'whole numbers of named places in two seasons: counts, or one reading each',
      lines(
        ['bay', 'spring', 'autumn'],
        ...times(9, (i) => [`Bay ${'ABCDEFGHI'[i] ?? ''}`, about(22, 9, 0), about(25, 9, 0)]),
      ),
      {
        layout: ['counts', 'repeated'],
        doubts: ['ambiguous-layout'],
      },
    ),
    one(
      'grid-or-measures',
      'a category beside columns that may be levels or measures',
      lines(['site', 'A', 'B', 'C'], ...times(9, (i) => [i % 2 ? 'bay' : 'point', about(), about(), about()])),
      {
        layout: ['grid', 'rows'],
        doubts: ['ambiguous-layout'],
      },
    ),
    one(
      'counts-at-depths',
      'rows of counts named by numbers',
      lines(['depth', 'grazed', 'whole', 'torn'], [1, 12, 41, 9], [3, 19, 33, 12], [6, 22, 30, 15]),
      {
        layout: ['counts'],
        total: 193,
        doubts: [],
        asks: ['table'],
      },
    ),
    one(
      'undetected',
      'words for what could not be measured',
      lines(
        ['site', 'lead (µg/L)'],
        ...times(14, (i) => [i % 2 ? 'bay' : 'point', i % 5 === 2 ? 'bdl' : about(2, 1, 2)]),
      ),
      {
        layout: ['rows'],
        readings: 11,
        doubts: ['beyond-limit'],
        asks: ['two-groups'],
      },
    ),
    one(
      'two-lines',
      'two lines of numbers are two samples',
      `${times(9, () => about()).join(' ')}\n${times(8, () => about()).join(' ')}`,
      {
        layout: ['columns'],
        readings: 17,
        doubts: ['split-line'],
        asks: ['two-groups'],
      },
    ),
    one(
      'broken-lines',
      'one list, broken where the line ended',
      [12, 12, 12, 5].map((n) => times(n, () => about()).join(' ')).join('\n'),
      {
        readings: 41,
        doubts: ['split-line'],
        asks: ['one-sample'],
      },
    ),
    one('comma-ends', 'a mark at the end of each line', times(9, () => about()).join(',\n'), {
      readings: 9,
      asks: ['one-sample'],
    }),
    one(
      'fields-of-a-class',
      'samples known by where they lie: each in one group, read four times',
      lines(['lamp', 'field', 'cover'], ...times(24, (i) => [lamps[i % 2] ?? '', `F-${(i % 6) + 1}`, about(60, 20)])),
      {
        layout: ['rows'],
        subject: 'field',
        readings: 24,
        samples: 6,
        doubts: ['replicates'],
        asks: ['two-groups', 'nested'],
      },
    ),
    one('three-digit-list', 'a list of whole numbers is no number with thousands', '212 316 325 346 295 278 329 279', {
      readings: 8,
      doubts: ['split-line'],
      asks: ['one-sample'],
    }),
    one(
      'numbers-backwards',
      'a running number that runs backwards',
      lines(['#', 'red lamp', 'white lamp'], ...times(8, (i) => [8 - i, about(), about()])),
      {
        layout: ['columns'],
        readings: 16,
        doubts: ['running-number'],
        asks: ['two-groups'],
      },
    ),
    one(
      'prewt-postwt',
      'groups of subjects before and after, the times written into the names',
      lines(['Treat', 'Prewt', 'Postwt'], ...times(16, (i) => [lamps[i % 2] ?? '', about(80, 9), about(85, 9)])),
      {
        asks: ['mixed', 'ancova'],
        doubts: ['no-subject-column'],
        readings: 32,
      },
    ),
    one(
      'weight-before-after',
      'one measure at two times, named with it',
      lines(
        ['raft', 'weight before (kg)', 'weight after (kg)'],
        ...times(9, (i) => [`R${i + 1}`, about(8, 2, 2), about(9, 2, 2)]),
      ),
      {
        layout: ['repeated'],
        subject: 'raft',
        readings: 18,
        doubts: [],
        asks: ['paired'],
      },
    ),
    one(
      'with-percent',
      'a part, its total and the percentage they make',
      lines(['bay', 'lines set', 'lines lost', '% lost'], ['north', 120, 18, '15.0'], ['south', 131, 33, '25.2']),
      {
        layout: ['counts'],
        shares: [
          [18, 120],
          [33, 131],
        ],
        asks: ['share'],
      },
    ),
    one(
      'items-of-a-form',
      'many full columns of one size, called after different things',
      lines(
        ['taste', 'smell', 'firmness', 'shine', 'salt', 'bite'],
        ...times(20, () => times(6, () => about(60, 20, 0))),
      ),
      {
        doubts: ['ambiguous-layout'],
      },
    ),
    ...figureCases(),
    ...shapeCases(),
    ...countedCases(),
    ...crossedCases(),
    ...printedCases(),
    ...timedCases(),
    ...answerCasesFrom(seed),
    ...figureCasesFrom(seed),
    ...designCasesFrom(seed),
  ];
}

/** Figures of groups in the forms papers give them. */
function figureCases(): Case[] {
  const summary = { layout: ['summary'], groups: ['red', 'white'], asks: ['two-groups'] };
  return [
    one(
      'interval-in-a-cell',
      'a mean with its interval in one cell',
      lines(
        ['lamp', 'n', 'length, mean [95 % CI]'],
        ['red', 12, '20.1 [18.6, 21.6]'],
        ['white', 11, '18.4 [17.1, 19.7]'],
      ),
      { ...summary, spread: 'interval', doubts: [] },
    ),
    ...(
      [
        ['labelled', 'sd', [], ['red: mean 20.1, SD 2.1, n 12', 'white: mean 18.2, SD 2.3, n 11']],
        ['size-first', 'sem', [], ['red: n = 12, mean = 20.1, SE = 0.6', 'white: n = 11, mean = 18.2, SE = 0.7']],
        ['short', 'sd', [], ['red (M = 20.1, SD = 2.1, n = 12)', 'white (M = 18.2, SD = 2.3, n = 11)']],
        ['bracketed', 'sd', [], ['red: 20.1 (SD 2.1), n = 12', 'white: 18.2 (SD 2.3), n = 11']],
        ['untold', 'sd', ['spread-kind'], ['red 20.1 ± 2.1 (n = 12)', 'white 18.2 ± 2.3 (n = 11)']],
        ['one-line', 'sd', ['spread-kind'], ['red 20.1 ± 2.1 (n = 12) vs white 18.2 ± 2.3 (n = 11)']],
      ] as const
    ).map(([id, spread, doubts, text]) =>
      one(`told-${id}`, 'figures told in lines of text', text.join('\n'), { ...summary, spread, doubts: [...doubts] }),
    ),
    one(
      'told-with-units',
      'figures of three groups told with their unit, by blanks alone',
      ['red', 'white', 'blue'].map((lamp, i) => `${lamp} lamp: mean = ${20 + i}.1 mm SD = 2.${i} mm n = 12`).join('\n'),
      {
        layout: ['summary'],
        groups: ['red lamp', 'white lamp', 'blue lamp'],
        unit: 'mm',
        spread: 'sd',
        asks: ['several'],
      },
    ),
    one(
      'interval-by-its-limits',
      'a mean beside the limits of its interval',
      lines(['lamp', 'n', 'mean', 'lower', 'upper'], ['red', 12, 20.1, 18.6, 21.6], ['white', 11, 18.4, 17.1, 19.7]),
      { ...summary, spread: 'interval', doubts: [] },
    ),
    one(
      'limits-down',
      'figures down, limits among them',
      lines(
        ['', 'red', 'white'],
        ['n', 12, 11],
        ['mean', 20.1, 18.4],
        ['90% CI low', 18.6, 17.1],
        ['90% CI high', 21.6, 19.7],
      ),
      { ...summary, turned: true, spread: 'interval' },
    ),
    one(
      'coefficient-of-variation',
      'a CV in place of the SD',
      lines(['lamp', 'mean', 'CV (%)', 'n'], ['red', 20.1, 10, 12], ['white', 18.4, 12, 11]),
      { ...summary, spread: 'sd', doubts: [] },
    ),
    one(
      'five-figures',
      'a median with its quartiles, of which no comparison of means is made',
      lines(
        ['lamp', 'min', 'Q1', 'median', 'Q3', 'max'],
        ['red', 12, 18, 20.1, 22.2, 25],
        ['white', 11, 17, 18.4, 20, 22],
      ),
      { layout: ['summary'], doubts: ['spread-kind'] },
    ),
    one(
      'median-in-a-cell',
      'a median with its quartiles in one cell',
      lines(['lamp', 'n', 'length, median (IQR)'], ['red', 12, '20.1 (18.2–22.0)'], ['white', 11, '18.4 (17–20.1)']),
      { layout: ['summary'], doubts: ['spread-kind'] },
    ),
    one(
      'observed-and-expected',
      'counts beside what is expected of them',
      lines(['colour', 'observed', 'expected'], ['brown', 52, 50], ['green', 21, 25], ['olive', 27, 25]),
      { layout: ['counts'], total: 100, asks: ['table'], doubts: [] },
    ),
    one(
      'germinated-of-sown',
      'a part beside what was sown',
      lines(['soil', 'germinated', 'sown'], ['clay', 34, 50], ['sand', 21, 48]),
      {
        layout: ['counts'],
        shares: [
          [34, 50],
          [21, 48],
        ],
        asks: ['share'],
      },
    ),
    one(
      'counts-without-the-word',
      'whole numbers beside names, in a column that is not called a count',
      lines(['colour', 'seen'], ['brown', 40], ['green', 31], ['olive', 29]),
      { layout: ['counts'], total: 100, doubts: ['ambiguous-layout'] },
    ),
    one(
      'exposed-and-not',
      'two groups, one of which is called as a total may be',
      lines(['', 'exposed', 'unexposed'], ['ill', 34, 6], ['well', 42, 18]),
      { layout: ['counts'], turned: true, total: 100, groups: ['exposed', 'unexposed'], categories: ['ill', 'well'] },
    ),
    one(
      'yes-and-no-of-three',
      'three columns of categories, the last of which is the outcome',
      lines(
        ['rope', 'depth', 'grazed'],
        ...times(30, (i) => [i % 2 ? 'old' : 'new', `${(i % 3) + 1} m`, draw() < 0.4 ? 'yes' : 'no']),
      ),
      { layout: ['categories'], doubts: ['which-outcome'], asks: ['share'] },
    ),
    one(
      'places-that-begin-like-no',
      'places beside an outcome of three categories, none of which says no',
      lines(
        ['site', 'state'],
        ...times(24, (i) => [i % 2 ? 'north' : 'south', ['bare', 'patchy', 'full'][i % 3] ?? '']),
      ),
      { layout: ['categories'], groups: ['south', 'north'], asks: ['table'], doubts: [] },
    ),
    one(
      'north-of-all',
      'counts of two places, one of which begins like no',
      lines(['', 'south', 'north'], ['red', 34, 12], ['white', 42, 18]),
      {
        layout: ['counts'],
        shares: [
          [34, 46],
          [42, 60],
        ],
      },
    ),
    one(
      'named-subjects-in-two-groups',
      'a few subjects by their names, read several times under each of two groups',
      lines(
        ['person', 'drink', 'time (s)'],
        ...times(24, (i) => [['Ada', 'Bea', 'Cid'][i % 3] ?? '', i % 2 ? 'tea' : 'water', about()]),
      ),
      { layout: ['rows'], subject: 'person', doubts: ['replicates'], readings: 24 },
    ),
    one(
      'kinds-of-a-subject',
      'a column called after subjects that names kinds of them',
      lines(['rope', 'settled'], ...times(30, (i) => [i % 2 ? 'old' : 'new', draw() < 0.4 ? 'yes' : 'no'])),
      { layout: ['categories'], groups: ['new', 'old'], doubts: [], asks: ['share'] },
    ),
  ];
}

/** Tables whose names stand otherwise than over their columns, or whose columns follow from one another. */
function shapeCases(): Case[] {
  const pair = { groups: ['red', 'white'], asks: ['two-groups'] };
  const sum = (...texts: string[]): string => texts.reduce((s, t) => s + Number(t), 0).toFixed(1);
  return [
    one(
      'genotypes',
      'names without a letter',
      lines(['+/+', '+/-', '-/-'], ...times(7, () => [about(), about(), about()])),
      { layout: ['columns'], groups: ['+/+', '+/-', '-/-'], readings: 21, doubts: [] },
    ),
    one(
      'names-in-two-rows',
      'names that reach over several columns',
      lines(
        ['', 'Red lamp', '', 'White lamp', ''],
        ['', '5 °C', '10 °C', '5 °C', '10 °C'],
        ...times(6, (i) => [i + 1, about(), about(), about(), about()]),
      ),
      { layout: ['rows'], readings: 24, doubts: [], asks: ['factorial'] },
    ),
    one(
      'names-over-readings',
      'names that stand alone over their readings',
      lines(['red'], ...times(5, () => [about()]), ['white'], ...times(5, () => [about()])),
      { ...pair, layout: ['rows'], readings: 10, doubts: ['split-line'] },
    ),
    one(
      'names-once',
      'a group named in its first row alone',
      lines(['lamp', 'length'], ...times(8, (i) => [i === 0 ? 'red' : i === 4 ? 'white' : '', about()])),
      { ...pair, layout: ['rows'], readings: 8, doubts: [] },
    ),
    one(
      'semicolons-and-decimal-commas',
      'few numbers, with decimal commas, between semicolons',
      [
        'tank;flow;cover (%)',
        ...times(12, (i) => `K${i};${i % 2 ? 'still' : 'pulsed'};${about().replace('.', ',')}`),
      ].join('\n'),
      { layout: ['rows'], groups: ['pulsed', 'still'], unit: '%', readings: 12, subject: 'tank', doubts: [] },
    ),
    one(
      'percentages-as-names',
      'percentages over readings',
      lines(['5 %', '10 %', '20 %'], ...times(6, () => [about(), about(), about()])),
      { layout: ['columns'], groups: ['5 %', '10 %', '20 %'], readings: 18, doubts: [] },
    ),
    one(
      'numbers-with-letters-as-names',
      'names of a number and a letter',
      lines(['1a', '1b', '2a'], ...times(6, () => [about(), about(), about()])),
      { layout: ['columns'], groups: ['1a', '1b', '2a'], readings: 18, doubts: [] },
    ),
    one(
      'titles-over-commas',
      'titles over a table with commas, few of its cells numbers, one empty',
      [
        'Lines of May',
        'Holm',
        'rope,lamp,note,length',
        ...times(8, (i) => `R${i},${i % 2 ? 'red' : 'white'},${i === 3 ? '' : 'fine'},${about()}`),
      ].join('\n'),
      { ...pair, anyOrder: true, layout: ['rows'], subject: 'rope', readings: 8 },
    ),
    one(
      'texts-by-commas-with-a-gap',
      'texts between commas, one of them missing',
      [
        'site,lamp,settled',
        ...times(
          12,
          (i) => `${i % 3 ? 'Voe' : 'Ness'},${i % 2 ? 'red' : 'white'},${i === 4 ? '' : i % 5 ? 'yes' : 'no'}`,
        ),
      ].join('\n'),
      { layout: ['categories'], doubts: ['which-outcome'], asks: ['share'] },
    ),
    one(
      'texts-by-commas',
      'nothing but texts between commas',
      ['rope,settled', ...times(12, (i) => `${i % 2 ? 'old' : 'new'},${i % 3 ? 'yes' : 'no'}`)].join('\n'),
      { layout: ['categories'], groups: ['new', 'old'], asks: ['share'], doubts: [] },
    ),
    one(
      'columns-by-spaces',
      'columns that spaces set apart',
      ['red      white', ...times(8, () => `${about()}     ${about()}`)].join('\n'),
      { ...pair, layout: ['columns'], readings: 16, doubts: [] },
    ),
    one(
      'columns-by-one-space',
      'a name and a number in each line',
      times(10, (i) => `${i < 5 ? 'red' : 'white'}: ${about()}`).join('\n'),
      { ...pair, layout: ['rows'], readings: 10 },
    ),
    one(
      'bare-doses',
      'doses over readings far above them, with a fraction among them',
      lines([0, 0.5, 1, 2], ...times(6, () => times(4, () => about(30, 5)))),
      { layout: ['columns'], groups: ['0', '0.5', '1', '2'], readings: 24 },
    ),
    one(
      'bare-doses-among-readings',
      'doses of the size of the readings under them',
      lines([0, 10, 20, 40], ...times(6, () => times(4, () => about(30, 15, 0)))),
      { doubts: ['first-row'] },
    ),
    one(
      'thousands-under-names',
      'thousands marks that may be decimal ones',
      lines(['red', 'white'], ...times(8, () => [`1,${about(500, 200, 0)}`, `1,${about(500, 200, 0)}`])),
      { layout: ['columns'], groups: ['red', 'white'] },
    ),
    one(
      'raised-thousands',
      'thousands parted by an apostrophe',
      lines(['red', 'white'], ...times(8, () => [`1'${about(500, 200, 0)}`, `1'${about(500, 200, 0)}`])),
      { ...pair, layout: ['columns'], readings: 16, doubts: [] },
    ),
    one(
      'money',
      'a sign of money before each number',
      lines(['north', 'south'], ...times(8, () => [`£${about(500, 90, 0)}`, `£${about(500, 90, 0)}`])),
      { layout: ['columns'], groups: ['north', 'south'], unit: '£', readings: 16, doubts: [] },
    ),
    one(
      'unit-among-units',
      'a cell in another unit where each carries its own',
      lines(['red', 'white'], ...times(8, (i) => [`${about()} mm`, i === 3 ? '2.1 cm' : `${about()} mm`])),
      { ...pair, layout: ['columns'], unit: 'mm', readings: 15, doubts: ['mixed-units'] },
    ),
    one(
      'a-sum-beside',
      'a column that is the sum of the groups beside it',
      lines(
        ['red', 'white', 'total'],
        ...times(8, () => [about(), about()]).map(([a = '', b = '']) => [a, b, sum(a, b)]),
      ),
      { ...pair, layout: ['columns'], readings: 16, doubts: ['total-column'] },
    ),
    one(
      'a-difference-beside',
      'before and after with their difference',
      lines(
        ['frond', 'before', 'after', 'difference'],
        ...times(9, (i) => [`F${i}`, about(20), about(24)]).map(([f = '', a = '', b = '']) => [
          f,
          a,
          b,
          sum(b, `-${a}`),
        ]),
      ),
      { layout: ['repeated'], groups: ['before', 'after'], readings: 18, doubts: ['total-column'], asks: ['paired'] },
    ),
    one(
      'number-for-missing',
      'a number that stands for no reading',
      lines(['red', 'white'], ...times(8, (i) => [i === 2 ? '-999' : about(), about()])),
      { ...pair, layout: ['columns'], doubts: ['missing-code'] },
    ),
    one(
      'counts-over-years',
      'whole numbers of places over years',
      lines(
        ['site', '2019', '2020', '2021'],
        ...['Ness', 'Voe', 'Sound', 'Holm'].map((name) => [name, ...times(3, () => about(40, 15, 0))]),
      ),
      { layout: ['repeated'], turned: false, groups: ['2019', '2020', '2021'], readings: 12 },
    ),
  ];
}

/** Counts as papers and field books have them. */
function countedCases(): Case[] {
  const whole = (): string => about(14, 8, 0);
  const counts = { layout: ['counts'], asks: ['table'] };
  const percent = (part: string, n: number): string => `${part} (${((100 * Number(part)) / n).toFixed(1)})`;
  const settled = [about(34, 5, 0), about(22, 5, 0)];
  return [
    one(
      'how-often-each',
      'how many had how many blades',
      lines(['blades', 'how many'], ...times(5, (i) => [i, whole()])),
      { ...counts, groups: ['0', '1', '2', '3', '4'], doubts: [] },
    ),
    one(
      'how-often-each-of-two',
      'how many of two lamps had how many blades',
      lines(['number of blades', 'red', 'white'], ...times(5, (i) => [i + 1, whole(), whole()])),
      { layout: ['counts'], groups: ['1', '2', '3', '4', '5'], asks: ['table'] },
    ),
    one(
      'how-often-each-score',
      'a score beside a lamp, and how often it came',
      lines(['lamp', 'score', 'n'], ...['red', 'white'].flatMap((lamp) => times(5, (i) => [lamp, i + 1, whole()]))),
      { ...counts, groups: ['red', 'white'], doubts: [] },
    ),
    one(
      'classes-of-two-sites',
      'classes of a length at two sites',
      lines(
        ['length (mm)', 'north', 'south'],
        ...['0-10', '10-20', '20-30', '30-40'].map((name, i) => [name, i + Number(whole()), 4 - i + Number(whole())]),
      ),
      { ...counts, groups: ['0-10', '10-20', '20-30', '30-40'], doubts: [] },
    ),
    one(
      'strata-of-shares',
      'a part and its total of each lamp at each site',
      lines(
        ['site', 'lamp', 'settled', 'n'],
        ...['north', 'south', 'east'].flatMap((site) =>
          ['red', 'white'].map((lamp) => [site, lamp, whole(), about(60, 9, 0)]),
        ),
      ),
      { layout: ['counts'], groups: ['red', 'white'], labels: 'site', doubts: ['which-outcome'], asks: ['share'] },
    ),
    one(
      'counts-with-percent',
      'counts with their percentages in one cell, beside what they are out of',
      lines(['lamp', 'settled, n (%)', 'total'], ...settled.map((n, i) => [lamps[i] ?? '', percent(n, 40), 40])),
      { layout: ['counts'], shares: settled.map((n) => [Number(n), 40]), doubts: [], asks: ['share'] },
    ),
    one(
      'counts-with-percent-alone',
      'counts with their percentages in one cell and nothing else',
      lines(['lamp', 'settled'], ...settled.map((n, i) => [lamps[i] ?? '', percent(n, 40).replace(')', ' %)')])),
      { layout: ['counts'], shares: settled.map((n) => [Number(n), 40]), doubts: [], asks: ['share'] },
    ),
    one(
      'percentages-beside-counts',
      'counts of two outcomes, a percentage beside each',
      lines(
        ['lamp', 'alive', 'alive %', 'dead', 'dead %'],
        ...settled.map((n, i) => {
          const dead = 50 - Number(n);
          return [lamps[i] ?? '', n, (2 * Number(n)).toFixed(0), dead, (2 * dead).toFixed(0)];
        }),
      ),
      { layout: ['counts'], shares: settled.map((n) => [Number(n), 50]), doubts: [], asks: ['share'] },
    ),
    one(
      'a-percentage-for-a-total',
      'a count beside its percentage, and no total',
      lines(
        ['lamp', 'settled n', 'settled %'],
        ...settled.map((n, i) => [lamps[i] ?? '', n, (2.5 * Number(n)).toFixed(1)]),
      ),
      { layout: ['counts'], shares: settled.map((n) => [Number(n), 40]), doubts: [], asks: ['share'] },
    ),
    one(
      'yes-and-no-over-days',
      'how many had germinated, and how many not, on each day',
      lines(['day', 'germinated', 'not germinated'], ...times(5, (i) => [i + 1, whole(), whole()])),
      { layout: ['counts'], neverAsks: ['two-groups', 'paired'], asks: ['share'] },
    ),
    one(
      'shares-of-nothing-said',
      'one percentage of each lamp',
      lines(['lamp', 'settled (%)'], ...lamps.map((name) => [name, about(50, 20, 0)])),
      { doubts: ['spread-kind'] },
    ),
    one(
      'twice-the-same-answers',
      'answers before and after, counted',
      lines(['', 'after: yes', 'after: no'], ...['yes', 'no'].map((a) => [`before: ${a}`, whole(), whole()])),
      { layout: ['counts'], groups: ['yes', 'no'], categories: ['yes', 'no'], asks: ['share'], doubts: [] },
    ),
  ];
}

/** Names that cross, wells, doses down the side, durations, and what a test left beside readings. */
function crossedCases(): Case[] {
  const four = (): string[] => times(4, (i) => about(20 + 2 * i));
  const crossed = { layout: ['rows'], readings: 24, doubts: [], asks: ['factorial'] };
  const rows = times(6, four);
  const clock = (): string => `${about(5, 3, 0)}:${about(35, 12, 0)}`;
  return [
    one(
      'names-over-crossing-names',
      'two rows of names that cross, each of the upper once',
      lines(['15 °C', '', '20 °C', ''], ['low', 'high', 'low', 'high'], ...rows),
      crossed,
    ),
    one(
      'names-over-crossing-names-each',
      'two rows of names that cross, the upper repeated',
      lines(['15 °C', '15 °C', '20 °C', '20 °C'], ['low', 'high', 'low', 'high'], ...rows),
      crossed,
    ),
    one(
      'names-over-crossing-names-slipped',
      'two rows of names that cross, over a cell that cannot be read',
      lines(
        ['15 °C', '', '20 °C', ''],
        ['low', 'high', 'low', 'high'],
        ...rows.map((r, i) => (i === 2 ? [...r.slice(0, 3), '2O.9'] : r)),
      ),
      { ...crossed, readings: 23 },
    ),
    one(
      'doses-down-under-one-head',
      'doses down the side, their readings along the row under one head',
      lines(['dose', '', '', ''], ...[0, 1, 10].map((d) => [d, ...times(3, () => about())])),
      { layout: ['columns'], turned: true, groups: ['0', '1', '10'], readings: 9, asks: ['several'] },
    ),
    one(
      'replications-across',
      'treatments down the side, R1, R2 and R3 across',
      lines(['', 'R1', 'R2', 'R3'], ...['T1', 'T2', 'T3'].map((t) => [t, ...times(3, () => about(5, 1, 2))])),
      { turned: true, groups: ['T1', 'T2', 'T3'], readings: 9, doubts: ['no-subject-column'] },
    ),
    one(
      'few-wells',
      'a corner of a plate of wells',
      lines(['', 1, 2, 3, 4], ...['A', 'B', 'C', 'D'].map((a) => [a, ...times(4, () => about(0.8, 0.2, 3))])),
      { readings: 16, doubts: ['ambiguous-layout'] },
    ),
    one(
      'whole-plate',
      'all wells of a plate, rows by columns',
      lines(
        ['', ...times(12, (i) => i + 1)],
        ...'ABCDEFGH'.split('').map((a) => [a, ...times(12, () => about(0.8, 0.2, 3))]),
      ),
      { readings: 96, doubts: ['ambiguous-layout'] },
    ),
    one(
      'reference-gene',
      'a control and what was treated under “sample”, and two genes',
      lines(
        ['sample', 'target', 'Ct'],
        ...times(12, (i) => [i % 2 ? 'treated' : 'control', i % 4 < 2 ? 'actin' : 'phlorotannin', about(22, 3, 2)]),
      ),
      { layout: ['rows'], readings: 12, doubts: [], asks: ['factorial'] },
    ),
    one(
      'parents-and-offspring',
      'parents beside their offspring',
      lines(['mother', 'offspring'], ...times(8, () => [about(), about()])),
      { layout: ['repeated'], readings: 16, doubts: ['no-subject-column'], asks: ['paired'] },
    ),
    one(
      'durations',
      'how long it took, in minutes and seconds',
      lines(['red (min:s)', 'white (min:s)'], ...times(8, () => [clock(), clock()])),
      { layout: ['columns'], groups: ['red', 'white'], unit: 'min', readings: 16, doubts: [], asks: ['two-groups'] },
    ),
    one(
      'durations-beside-lamps',
      'how long it took, in hours and minutes',
      lines(['lamp', 'time to settle (h:mm)'], ...times(12, (i) => [lamps[i % 2] ?? '', clock()])),
      { layout: ['rows'], unit: 'h', readings: 12, doubts: [], asks: ['two-groups'] },
    ),
    one(
      'what-a-test-left',
      'p values beside two readings of each gene',
      lines(
        ['gene', 'control', 'treated', 'p'],
        ...times(8, (i) => [`g${i}`, about(5, 1, 2), about(6, 1, 2), about(0.5, 0.3, 3)]),
      ),
      { layout: ['repeated'], groups: ['control', 'treated'], labels: 'p', readings: 16, doubts: [], asks: ['paired'] },
    ),
    one(
      'tables-below-one-another',
      'two tables below one another, each under its lamp',
      lines(
        ...['Red lamp', 'White lamp'].flatMap((lamp) => [[lamp, 'length (mm)'], ...times(5, (i) => [i + 1, about()])]),
      ),
      { layout: ['rows'], groups: ['Red lamp', 'White lamp'], unit: 'mm', readings: 10, asks: ['two-groups'] },
    ),
    one(
      'figures-under-names',
      'mean and SD under each lamp, a dose a row',
      lines(
        ['', 'Red', '', 'White', ''],
        ['', 'mean', 'SD', 'mean', 'SD'],
        ...['low', 'high'].map((dose) => [dose, about(), about(2, 0.5), about(), about(2, 0.5)]),
      ),
      {
        layout: ['summary'],
        groups: ['low Red', 'low White', 'high Red', 'high White'],
        spread: 'sd',
        asks: ['several'],
      },
    ),
    one(
      'replicates-by-letter',
      'treatments down the side, a, b and c across',
      lines(['treatment', 'a', 'b', 'c'], ...['control', 'low', 'high'].map((t) => [t, ...times(3, () => about())])),
      { layout: ['columns'], turned: true, groups: ['control', 'low', 'high'], readings: 9, asks: ['several'] },
    ),
    one(
      'a-ratio-beside',
      'how many times as much, beside what it is of',
      lines(
        ['gene', 'control', 'treated', 'fold change'],
        ...times(8, (i) => {
          const [a, b] = [about(5, 1, 2), about(7, 1, 2)];
          return [`g${i}`, a, b, (Number(b) / Number(a)).toFixed(2)];
        }),
      ),
      {
        layout: ['repeated'],
        groups: ['control', 'treated'],
        readings: 16,
        doubts: ['total-column'],
        asks: ['paired'],
      },
    ),
    one(
      'means-in-a-grid',
      'means with their SEM under each dose, a lamp a row',
      lines(
        ['lamp', 'low (mean ± SEM)', 'high (mean ± SEM)'],
        ...['red', 'white'].map((lamp) => [lamp, ...times(2, () => `${about()} ± ${about(0.8, 0.2)} (n = 9)`)]),
      ),
      {
        layout: ['summary'],
        groups: ['red low', 'red high', 'white low', 'white high'],
        spread: 'sem',
        doubts: [],
        asks: ['several'],
      },
    ),
    one(
      'means-in-a-row',
      'means with an untold spread, a group a column',
      lines(['', 'Red lamp (n = 12)', 'White lamp (n = 11)'], ['length (mm)', `${about()} (2.1)`, `${about()} (2.2)`]),
      { layout: ['summary'], groups: ['Red lamp', 'White lamp'], unit: 'mm', doubts: ['spread-kind'] },
    ),
    one('figures-of-one-group', 'n, mean and SD, and no name', lines(['n', 'mean', 'SD'], [12, about(), 2.2]), {
      layout: ['summary'],
      doubts: [],
      asks: ['one-sample'],
    }),
    one(
      'figures-of-one-group-down',
      'n, mean and SD below one name',
      lines(['', 'length (mm)'], ['n', 12], ['mean', about()], ['SD', 2.2]),
      { layout: ['summary'], turned: true, groups: ['length (mm)'], doubts: [], asks: ['one-sample'] },
    ),
    one(
      'powers-of-ten',
      'numbers with powers of ten, written out',
      lines(['red', 'white'], ...times(8, () => [`${about(3, 1, 2)} × 10⁻⁷`, `${about(4, 1, 2)}x10^-7`])),
      { layout: ['columns'], groups: ['red', 'white'], readings: 16, doubts: [], asks: ['two-groups'] },
    ),
    one(
      'mixed-fractions',
      'halves and quarters',
      lines(
        ['red', 'white'],
        ...times(8, (i) => [`${about(12, 2, 0)} 1/2`, i % 2 ? `${about(12, 2, 0)}½` : about(12, 2, 0)]),
      ),
      { layout: ['columns'], groups: ['red', 'white'], readings: 16, doubts: [], asks: ['two-groups'] },
    ),
    one(
      'thousands-by-letter',
      'thousands written as k',
      lines(['red', 'white'], ...times(8, () => [`${about(3, 1)}k`, `${about(4, 1)}k`])),
      { layout: ['columns'], groups: ['red', 'white'], readings: 16, doubts: [], asks: ['two-groups'] },
    ),
    one(
      'brands-by-judge',
      'brands ranked by each judge',
      lines(
        ['judge', 'brand', 'rank'],
        ...times(18, (i) => [`J${1 + Math.floor(i / 3)}`, 'ABC'[i % 3] ?? '', 1 + ((i * 5 + Math.floor(i / 3)) % 3)]),
      ),
      { layout: ['rows'], groups: ['A', 'B', 'C'], subject: 'judge', readings: 18, asks: ['repeated'] },
    ),
    one(
      'means-of-tanks',
      'the mean of each tank with its SD and n, beside a lamp',
      lines(
        ['tank', 'lamp', 'mean length', 'SD', 'n'],
        ...times(8, (i) => [`T${i + 1}`, lamps[i % 2] ?? '', about(), about(3, 1), about(10, 2, 0)]),
      ),
      { layout: ['rows', 'summary'], doubts: ['ambiguous-layout'] },
    ),
  ];
}

/** As papers and other programs print them: rows without a name over theirs, outcomes at the left, two names in one head. */
function printedCases(): Case[] {
  const whole = (): string => String(5 + Math.round(20 * draw()));
  const rows = (n: number, columns: number): string[][] => times(n, () => times(columns, () => about()));
  const [yes, no] = [times(2, whole), times(2, whole)];
  const shares = yes.map((n, i): [number, number] => [Number(n), Number(n) + Number(no[i])]);
  const downward = { layout: ['counts'], turned: true, groups: ['red', 'white'], shares, doubts: [], asks: ['share'] };
  const crossed = { layout: ['rows'], readings: 20, doubts: [], asks: ['factorial'] };
  const times2 = { layout: ['repeated'], groups: ['red', 'white'], samples: 10, doubts: ['no-subject-column'] };
  const samples = { layout: ['rows'], groups: ['red', 'white'], subject: 'sample' };
  const withPercent = (counts: string[]): string[] =>
    counts.map((n, i) => `${n} (${((100 * Number(n)) / (shares[i]?.[1] ?? NaN)).toFixed(1)} %)`);
  return [
    one(
      'row-numbers-without-a-name',
      'rows are numbered, and the head is one name short',
      lines(['lamp', 'length'], ...times(8, (i) => [i + 1, i % 2 ? 'red' : 'white', about()])),
      { layout: ['rows'], groups: ['white', 'red'], readings: 8, labels: 'row', asks: ['two-groups'] },
    ),
    one(
      'row-numbers-quoted',
      'the same from a file of commas and quotes',
      ['"lamp","length"', ...times(8, (i) => `"${i + 1}","${i % 2 ? 'red' : 'white'}",${about()}`)].join('\n'),
      { layout: ['rows'], groups: ['white', 'red'], readings: 8, asks: ['two-groups'] },
    ),
    one(
      'row-numbers-by-spaces',
      'the same, parted by single spaces',
      ['lamp length', ...times(8, (i) => `${i + 1} ${i % 2 ? 'red' : 'white'} ${about()}`)].join('\n'),
      { layout: ['rows'], groups: ['white', 'red'], readings: 8, asks: ['two-groups'] },
    ),
    one(
      'row-numbers-before-groups',
      'rows are numbered before two groups',
      lines(['red', 'white'], ...rows(7, 2).map((r, i) => [i + 1, ...r])),
      { layout: ['columns'], groups: ['red', 'white'], readings: 14, doubts: ['running-number'] },
    ),
    one(
      'row-names-without-a-name',
      'counts of groups, the head one name short',
      lines(['alive', 'dead'], ...yes.map((n, i) => [lamps[i] ?? '', n, no[i] ?? ''])),
      { layout: ['counts'], groups: lamps.slice(0, 2), categories: ['alive', 'dead'], shares, doubts: [] },
    ),
    one(
      'figures-without-a-name',
      'figures of groups, the head one name short',
      lines(['mean', 'SD', 'n'], ...lamps.map((name) => [name, about(), about(3, 0.5), 12])),
      { layout: ['summary'], groups: lamps, spread: 'sd', doubts: [], asks: ['several'] },
    ),
    one(
      'outcomes-down',
      'two outcomes at the left, groups above',
      lines(['', 'red', 'white'], ['alive', ...yes], ['dead', ...no]),
      { ...downward, categories: ['alive', 'dead'] },
    ),
    one(
      'outcomes-down-answered',
      'yes and no at the left, what they answer in the corner',
      lines(['fertile', 'red', 'white'], ['no', ...no], ['yes', ...yes]),
      { ...downward, categories: ['no', 'yes'] },
    ),
    one(
      'outcomes-down-years',
      'years above, in the corner nothing',
      lines(['', '2022', '2023'], ['settled', ...yes], ['not settled', ...no]),
      { ...downward, groups: ['2022', '2023'] },
    ),
    one(
      'outcomes-down-percent',
      'any names at the left, and percentages of the columns',
      lines(['kind', 'red', 'white'], ['oarweed', ...withPercent(yes)], ['tangle', ...withPercent(no)]),
      { ...downward, categories: ['oarweed', 'tangle'] },
    ),
    one(
      'outcomes-down-slipped',
      'a percentage that its count contradicts',
      lines(['', 'red', 'white'], ['alive', '34 (85 %)', '22 (55 %)'], ['dead', '6 (51 %)', '18 (45 %)']),
      { layout: ['counts'], turned: true, groups: ['red', 'white'], categories: ['alive', 'dead'], total: 80 },
    ),
    one(
      'treated-down',
      'what was done stands at the left, what came of it above',
      lines(['', 'alive', 'dead'], ...['treated', 'untreated'].map((name, i) => [name, yes[i] ?? '', no[i] ?? ''])),
      { layout: ['counts'], groups: ['treated', 'untreated'], shares, doubts: [] },
    ),
    one(
      'without-down',
      'a lamp and none stand at the left',
      lines(['', 'kept', 'lost'], ...['with lamp', 'without lamp'].map((name, i) => [name, yes[i] ?? '', no[i] ?? ''])),
      { layout: ['counts'], groups: ['with lamp', 'without lamp'], shares, doubts: [] },
    ),
    one(
      'rinsed-down',
      'what was done stands in the corner',
      lines(['treatment', 'kept', 'lost'], ...['rinsed', 'unrinsed'].map((n, i) => [n, yes[i] ?? '', no[i] ?? ''])),
      { layout: ['counts'], groups: ['rinsed', 'unrinsed'], shares, doubts: [] },
    ),
    one(
      'two-looks-crossed',
      'what was found by each of two tests, counted',
      lines(['', 'dye: +', 'dye: −'], ['probe: +', ...yes], ['probe: −', ...no]),
      { layout: ['counts'], groups: ['positive', 'negative'], asks: ['share'], doubts: [] },
    ),
    one(
      'crossed-in-one-name',
      'names of two words that cross',
      lines(['red low', 'red high', 'white low', 'white high'], ...rows(5, 4)),
      crossed,
    ),
    one(
      'crossed-in-longer-names',
      'names of three words that cross',
      lines(['Red lamp low', 'Red lamp high', 'White lamp low', 'White lamp high'], ...rows(5, 4)),
      crossed,
    ),
    one(
      'crossed-by-a-mark',
      'names that cross, a unit behind each',
      lines(['red, low (mm)', 'red, high (mm)', 'white, low (mm)', 'white, high (mm)'], ...rows(5, 4)),
      { ...crossed, unit: 'mm' },
    ),
    one(
      'crossed-variables',
      'two lengths and two widths are no factors',
      lines(['blade length', 'blade width', 'stipe length', 'stipe width'], ...rows(5, 4)),
      { neverAsks: ['factorial', 'several'], doubts: ['which-outcome'] },
    ),
    one(
      'times-of-groups',
      'each group at two times, side by side',
      lines(['red day 0', 'red day 7', 'white day 0', 'white day 7'], ...rows(5, 4)),
      times2,
    ),
    one(
      'times-of-groups-turned-about',
      'the time before the group',
      lines(['before red', 'before white', 'after red', 'after white'], ...rows(5, 4)),
      times2,
    ),
    one(
      'samples-of-groups',
      'numbered samples of each group, side by side',
      lines(['red 1', 'red 2', 'white 1', 'white 2'], ...rows(5, 4)),
      { ...samples, readings: 20, samples: 4, doubts: ['replicates'] },
    ),
    one(
      'times-cut-short',
      'how long each lasted, and whether its end was seen',
      lines(
        ['lamp', 'days', 'lost'],
        ...times(12, (i) => [i % 2 ? 'white' : 'red', about(20, 12, 0), Number(i % 6 > 1)]),
      ),
      { layout: ['rows'], groups: ['red', 'white'], readings: 12, doubts: ['beyond-limit'], asks: ['two-groups'] },
    ),
    one(
      'figures-in-one-name',
      'mean and SD of each group along one row',
      lines(['red mean', 'red SD', 'red n', 'white mean', 'white SD', 'white n'], [20.1, 2.1, 12, 18.2, 2.2, 14]),
      { layout: ['summary'], groups: ['red', 'white'], spread: 'sd', doubts: [], asks: ['two-groups'] },
    ),
  ];
}

/** Times down the side, samples side by side, and figures of several variables. */
function timedCases(): Case[] {
  const down = (name: string, n: number, step = 7): string[][] =>
    times(5, (i) => [name + String(step * i), ...times(n, () => about(20 + i))]);
  const course = { layout: ['rows'], subject: 'sample', asks: ['mixed'], readings: 20, samples: 4 };
  const unsure = { readings: 10, doubts: ['ambiguous-layout'] };
  const paper = { layout: ['summary'], groups: ['red', 'white'], unit: 'mm', asks: ['two-groups'] };
  const whole = (): string => String(5 + Math.round(20 * draw()));
  const pair = (m: number, sd: number, mark = '±'): string[] =>
    times(2, () => (mark === '±' ? `${about(m)} ± ${about(sd, 0.4)}` : `${about(m)} (${about(sd, 0.4)})`));
  return [
    one(
      'samples-over-days',
      'numbered samples of each lamp, a day a row',
      lines(['day', 'red 1', 'red 2', 'white 1', 'white 2'], ...down('', 4)),
      course,
    ),
    one(
      'samples-over-named-days',
      'the same with days in words and names parted by a mark',
      lines(['day', 'red_1', 'red_2', 'white_1', 'white_2'], ...down('day ', 4)),
      course,
    ),
    one(
      'samples-over-days-two-heads',
      'the same with the lamp above the numbers of its samples',
      lines(['', 'red', '', 'white', ''], ['day', '1', '2', '1', '2'], ...down('', 4)),
      course,
    ),
    one(
      'samples-over-hours',
      'samples named by letters, over hours with their unit',
      lines(['time (h)', 'red A', 'red B', 'white A', 'white B'], ...down('', 4, 2)),
      course,
    ),
    one(
      'two-groups-over-days',
      'two lamps over days that do not follow one another',
      lines(['day', 'red', 'white'], ...down('', 2)),
      { ...unsure, groups: ['red', 'white'], labels: 'day', notGroups: ['day'] },
    ),
    one(
      'two-groups-over-hours',
      'the same over hours with their unit',
      lines(['time (h)', 'control', 'treated'], ...down('', 2, 2)),
      { ...unsure, groups: ['control', 'treated'], labels: 'time', notGroups: ['time'] },
    ),
    one(
      'samples-under-a-name',
      'one name over two columns of each lamp',
      lines(['red', '', 'white', ''], ...times(5, () => times(4, () => about()))),
      { layout: ['rows'], groups: ['red', 'white'], subject: 'sample', samples: 4, doubts: ['replicates'] },
    ),
    one(
      'samples-numbered-under-a-name',
      'one name over the numbers of its samples',
      lines(['red', '', '', 'white', '', ''], [1, 2, 3, 1, 2, 3], ...times(5, () => times(6, () => about()))),
      { layout: ['rows'], groups: ['red', 'white'], subject: 'sample', samples: 6, doubts: ['replicates'] },
    ),
    one(
      'a-name-forgotten',
      'two of three groups have a name',
      lines(['red', 'white', ''], ...times(5, () => times(3, () => about()))),
      { layout: ['columns'], groups: ['red', 'white', 'group 3'], readings: 15 },
    ),
    one(
      'units-below-names-beside-lamps',
      'a row of units below the names, nothing below the lamp',
      lines(
        ['lamp', 'length', 'mass'],
        ['', 'mm', 'g'],
        ...times(6, (i) => [i % 2 ? 'red' : 'white', about(), about(3, 1)]),
      ),
      { layout: ['rows'], groups: ['white', 'red'], unit: 'mm', doubts: ['which-outcome'] },
    ),
    one(
      'few-whole-readings',
      'four whole readings that happen to follow one another',
      lines(['red', 'white'], ['20', '21'], ['17', '22'], ['18', '20'], ['25', '19']),
      { layout: ['columns'], groups: ['red', 'white'], readings: 8, doubts: [] },
    ),
    one(
      'letters-behind-figures',
      'letters that tell which groups differ, behind each mean and SD',
      lines(['lamp', 'mean ± SD'], ['red', '20.1 ± 2.1a'], ['white', '18.2 ± 2.3b'], ['blue', '19.9 ± 2.0 ab']),
      { layout: ['summary'], groups: ['red', 'white', 'blue'], spread: 'sd', asks: ['several'], doubts: [] },
    ),
    one(
      'variables-down',
      'the table that papers begin with: a variable a row, n above, p at the end',
      lines(
        ['', 'red (n = 20)', 'white (n = 20)', 'p'],
        ['length (mm), mean (SD)', ...pair(20, 2, '('), '0.01'],
        ['mass (g), mean (SD)', ...pair(3, 1, '('), '0.20'],
      ),
      { ...paper, spread: 'sd', doubts: ['which-outcome'] },
    ),
    one(
      'variables-down-marked',
      'the same without n, its spread not said',
      lines(['variable', 'red', 'white'], ['length (mm)', ...pair(20, 2)], ['mass (g)', ...pair(30, 2)]),
      { ...paper, doubts: ['which-outcome', 'spread-kind'] },
    ),
    one(
      'sexes-in-names',
      'a genotype and a sex in each name',
      lines(['WT F', 'WT M', 'KO F', 'KO M'], ...times(5, () => times(4, () => about()))),
      { layout: ['rows'], readings: 20, asks: ['factorial'], doubts: [] },
    ),
    one(
      'tests-below',
      'mean and SD below the readings, and what a test made of them',
      lines(
        ['', 'red', 'white'],
        ...times(6, (i) => [i + 1, about(), about()]),
        ['Mean', '20.1', '21.2'],
        ['SD', '2.1', '2.0'],
        ['t-test', 'p = 0.03', ''],
      ),
      { layout: ['columns'], groups: ['red', 'white'], readings: 12, doubts: ['summary-row'] },
    ),
    one(
      'sizes-below',
      'how many there are, said below the readings',
      lines(['red', 'white'], ...times(6, () => [about(), about()]), ['n = 6', 'n = 6']),
      { layout: ['columns'], groups: ['red', 'white'], readings: 12, doubts: ['summary-row'] },
    ),
    one(
      'groups-below-groups',
      'two groups, and two others below them',
      lines(
        ['red', 'white'],
        ...times(4, () => [about(), about()]),
        ['', ''],
        ['blue', 'green'],
        ...times(3, () => [about(), about()]),
      ),
      { layout: ['columns'], groups: ['red', 'white', 'blue', 'green'], readings: 14, doubts: [], asks: ['several'] },
    ),
    one(
      'a-row-of-remarks',
      'a row of remarks among the readings of two groups',
      lines(
        ['red', 'white'],
        ...times(4, () => [about(), about()]),
        ['frond broken', 'rope lost'],
        ...times(3, () => [about(), about()]),
      ),
      { layout: ['columns'], groups: ['red', 'white'], readings: 14, asks: ['two-groups'] },
    ),
    one(
      'shares-of-tanks',
      'how many of how many settled in each tank, under its lamp',
      lines(
        ['tank', 'lamp', 'settled'],
        ...times(8, (i) => [`T${i + 1}`, lamps[i % 2] ?? '', `${5 + Math.round(10 * draw())}/20`]),
      ),
      { layout: ['rows'], groups: lamps.slice(0, 2), subject: 'tank', readings: 8, unit: '%', asks: ['two-groups'] },
    ),
    one(
      'counts-of-tanks',
      'the same as a count beside its total',
      lines(
        ['tank', 'lamp', 'settled', 'of'],
        ...times(8, (i) => [`T${i + 1}`, lamps[i % 2] ?? '', 5 + Math.round(10 * draw()), 20]),
      ),
      { layout: ['rows'], groups: lamps.slice(0, 2), subject: 'tank', readings: 8, unit: '%', asks: ['two-groups'] },
    ),
    one(
      'an-interval-beside-an-estimate',
      'intervals in a column of their own',
      lines(['group', 'estimate', '95% CI'], ['red', '20.1', '18.9–21.3'], ['white', '22.4', '21.0–23.8']),
      { layout: ['summary'], groups: ['red', 'white'], spread: 'interval', asks: ['two-groups'], doubts: [] },
    ),
    one(
      'marks-of-fronds',
      'a mark where something was found on each frond, by each of two eyes',
      lines(
        ['frond', 'first eye', 'second eye'],
        ...[3, 1, 0, 2, 3, 1, 2, 0].map((k, i) => [`F${i + 1}`, k & 1 ? 'x' : '', k & 2 ? 'x' : '']),
      ),
      { layout: ['categories'], subject: 'frond', groups: ['yes', 'no'], total: 8, asks: ['share'] },
    ),
    one(
      'marks-beside-readings',
      'a mark beside two readings of many is a remark',
      lines(['lamp', 'length', 'broken'], ...times(8, (i) => [i % 2 ? 'red' : 'white', about(), i % 5 ? '' : 'x'])),
      { layout: ['rows'], groups: ['white', 'red'], readings: 8, neverAsks: ['factorial'] },
    ),
    one(
      'told-above-a-gap',
      'what is said of the whole in two columns, an empty row, the table',
      lines(
        ['Experiment', 'Lamp trial'],
        ['Operator', 'K. Moss'],
        ['', ''],
        ['red', 'white'],
        ...times(6, () => [about(), about()]),
      ),
      { layout: ['columns'], groups: ['red', 'white'], readings: 12, doubts: [] },
    ),
    one(
      'replicates-below-a-name-said-once',
      'a treatment said once, its replicates numbered below it',
      lines(
        ['Treatment', 'Rep', 'Length'],
        ...times(6, (i) => [i % 3 ? '' : (lamps[i / 3] ?? ''), (i % 3) + 1, about()]),
      ),
      { layout: ['rows'], groups: lamps.slice(0, 2), readings: 6, labels: 'Rep', asks: ['two-groups'] },
    ),
    one(
      'variables-over-groups',
      'two variables in their units, each over both lamps',
      lines(
        ['', 'Length (mm)', '', 'Mass (g)', ''],
        ['', 'red', 'white', 'red', 'white'],
        ...times(6, (i) => [i + 1, about(), about(), about(3, 1), about(3, 1)]),
      ),
      { layout: ['rows'], groups: ['red', 'white'], readings: 12, doubts: ['which-outcome'], asks: ['two-groups'] },
    ),
    one(
      'one-row-of-counts',
      'how many of each colour, in one row',
      lines(['cross', 'purple', 'white'], ['F2', 705, 224]),
      { layout: ['counts'], turned: true, groups: ['purple', 'white'], total: 929, asks: ['table'] },
    ),
    one(
      'one-row-of-readings',
      'one whole reading of each group, in a unit',
      lines(['red (mm)', 'white (mm)'], [21, 22]),
      { layout: ['columns'], groups: ['red', 'white'], readings: 2, unit: 'mm' },
    ),
    one(
      'observed-and-expected-by-letters',
      'O and E over counts',
      lines(['class', 'O', 'E'], ['oarweed', 30, 25], ['tangle', 20, 25]),
      { layout: ['counts'], groups: ['oarweed', 'tangle'], total: 50, asks: ['table'], doubts: [] },
    ),
    one(
      'two-tests-crossed',
      'what two tests found, signs behind their names',
      lines(['', 'dye +', 'dye −'], ['probe +', whole(), whole()], ['probe −', whole(), whole()]),
      { layout: ['counts'], groups: ['positive', 'negative'], asks: ['share'], doubts: [] },
    ),
    one(
      'two-units-in-cells',
      'as many cells in mm as in cm',
      lines(['lamp', 'length'], ['red', '20.1 mm'], ['red', '2.2 cm'], ['white', '19.8 mm'], ['white', '2.0 cm']),
      { layout: ['rows'], groups: ['red', 'white'], doubts: ['mixed-units'] },
    ),
    one(
      'one-variable-down',
      'one variable, and the p of its test',
      lines(['', 'red', 'white', 'p'], ['length (mm)', ...pair(20, 2), '0.03']),
      { ...paper, doubts: ['spread-kind'] },
    ),
  ];
}

export const moreCases = moreCasesFrom(19);
