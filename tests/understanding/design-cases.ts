/** Tables that tell by their columns how an experiment was made: who was read, when, in what, and of what group. */
import { random } from '../../src/core/numeric/random';
import type { Case } from './hold';

/** The tables, their readings by a seed. */
export function designCasesFrom(seed: number): Case[] {
  const made = random(seed);
  const about = (middle = 30, scatter = 5): string => (middle + scatter * (made.uniform() - 0.5)).toFixed(1);
  const few = (most = 40): number => 1 + Math.floor(made.uniform() * most);
  const lines = (...rows: (string | number)[][]): string => rows.map((row) => row.join('\t')).join('\n');
  const times = <T>(n: number, of: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => of(i));
  const one = (id: string, why: string, text: string, expect: Case['expect']): Case => ({ id, why, text, expect });
  const at = (i: number, each: number, names: readonly string[]): string =>
    names[Math.floor(i / each) % names.length] ?? '';
  const lamps = (i: number, each: number): string => at(i, each, ['red', 'white']);
  const fed = ['control', 'fed'];
  const inTanks: Case['expect'] = {
    layout: ['rows'],
    groups: fed,
    subject: 'Tank',
    labels: 'Fish',
    asks: ['nested'],
    readings: 24,
    samples: 6,
    doubts: ['replicates'],
  };
  const ofTwo: Case['expect'] = { layout: ['rows'], asks: ['factorial'] };
  const mixed: Case['expect'] = { layout: ['rows'], asks: ['mixed'], doubts: [] };
  const figures: Case['expect'] = { layout: ['summary'], groups: ['red', 'white'], asks: ['two-groups'] };
  return [
    one(
      'fish-in-tanks',
      'each fish once, several in each tank, and a tank in one treatment',
      lines(
        ['Fish', 'Tank', 'Treatment', 'Weight'],
        ...times(24, (i) => [`F${i + 1}`, `T${1 + Math.floor(i / 4)}`, at(i, 12, fed), about(50)]),
      ),
      inTanks,
    ),
    one(
      'fish-numbered-in-tanks',
      'fish numbered anew in each tank',
      lines(
        ['Treatment', 'Tank', 'Fish', 'Weight'],
        ...times(24, (i) => [at(i, 12, fed), `T${1 + Math.floor(i / 4)}`, 1 + (i % 4), about(50)]),
      ),
      inTanks,
    ),
    one(
      'mice-across-diets-in-cages',
      'each cage holds mice of both diets: cages are blocks',
      lines(
        ['Mouse', 'Cage', 'Diet', 'Mass'],
        ...times(24, (i) => [`M${i + 1}`, `C${1 + Math.floor(i / 4)}`, at(i, 1, fed), about()]),
      ),
      { layout: ['rows'], subject: 'Mouse', groups: fed, asks: ['blocked-two'], doubts: [] },
    ),
    one(
      'nitrogen-is-no-size',
      'N, P and K given or not, in blocks',
      lines(
        ['block', 'N', 'P', 'K', 'yield'],
        ...times(24, (i) => [1 + Math.floor(i / 4), i % 2, (i >> 1) % 2, (i + (i >> 1)) % 2, about(55)]),
      ),
      { layout: ['rows'], groups: ['0', '1'], subject: 'block', asks: ['blocked-two'], readings: 24 },
    ),
    one(
      'nitrogen-in-doses',
      'doses of N, none among them',
      lines(['N', 'yield'], ...times(16, (i) => [[0, 50, 100, 150][i % 4] ?? 0, about(55)])),
      { layout: ['rows'], groups: ['0', '50', '100', '150'], asks: ['several'], doubts: [] },
    ),
    one(
      'sizes-beside-means-of-lines',
      'n that says how many each reading is of is no factor',
      lines(['lamp', 'n', 'length'], ...times(12, (i) => [lamps(i, 6), 8 + (i % 3), about()])),
      { layout: ['rows'], groups: ['red', 'white'], labels: 'n', asks: ['two-groups'], doubts: [] },
    ),
    one(
      'who-was-read-each-day',
      'numbers of whatever they are called, each once on each day',
      lines(['rested', 'Days', 'Kayaker'], ...times(60, (i) => [about(280), i % 10, 308 + Math.floor(i / 10)])),
      { layout: ['rows'], subject: 'Kayaker', asks: ['repeated'], doubts: [] },
    ),
    one(
      'doses-each-day-are-no-subjects',
      'doses each once on each day',
      lines(['copper', 'day', 'growth'], ...times(16, (i) => [[0, 5, 10, 20][i >> 2] ?? 0, i % 4, about()])),
      ofTwo,
    ),
    one(
      'weeks-beside-titres',
      'weeks at which a titre of few values was read',
      lines(
        ['animal', 'group', 'week', 'titre'],
        ...times(24, (i) => [1 + (i >> 2), at(i, 12, ['vaccine', 'sham']), [0, 2, 4, 8][i % 4] ?? 0, 2 ** few(6)]),
      ),
      { ...mixed, subject: 'animal', readings: 24, samples: 6 },
    ),
    one(
      'two-factors-of-subjects-over-doses',
      'each plant at every dose, of one origin and one treatment',
      lines(
        ['Plant', 'Origin', 'Treatment', 'conc', 'uptake'],
        ...times(84, (i) => {
          const plant = Math.floor(i / 7);
          const doses = [95, 175, 250, 350, 500, 675, 1000];
          return [
            `P${plant + 1}`,
            plant < 6 ? 'Skerrow' : 'Mull',
            plant % 2 ? 'warm' : 'cold',
            doses[i % 7] ?? 0,
            about(),
          ];
        }),
      ),
      { ...mixed, subject: 'Plant', samples: 12 },
    ),
    one(
      'two-factors-on-several-days',
      'days of the experiment beside two factors',
      lines(
        ['day', 'genotype', 'drug', 'signal'],
        ...times(24, (i) => [
          `d${1 + Math.floor(i / 8)}`,
          at(i, 1, ['wild', 'mutant']),
          at(i, 2, ['none', 'drug']),
          about(),
        ]),
      ),
      ofTwo,
    ),
    one(
      'experiments-are-pairs',
      'each experiment with its control',
      lines(['experiment', 'control', 'treated'], ...times(5, (i) => [i + 1, about(), about()])),
      { layout: ['repeated'], subject: 'experiment', asks: ['paired'], doubts: [] },
    ),
    one(
      'experiments-down-the-side',
      'each experiment under every condition',
      lines(
        ['experiment', 'condition', 'signal'],
        ...times(12, (i) => [1 + Math.floor(i / 3), at(i, 1, ['a', 'b', 'c']), about()]),
      ),
      { layout: ['rows'], subject: 'experiment', groups: ['a', 'b', 'c'], asks: ['repeated'], doubts: [] },
    ),
    one(
      'two-groupings-beside-times',
      'subjects grouped in two ways, read at several times',
      lines(
        ['dog', 'drug', 'depleted', 'min0', 'min1', 'min3'],
        ...times(8, (i) => [i + 1, at(i, 4, ['a', 'b']), at(i, 1, ['yes', 'no']), about(), about(), about()]),
      ),
      { layout: ['repeated'], subject: 'dog', labels: 'depleted', asks: ['mixed'], readings: 24, doubts: [] },
    ),
    one(
      'crossover',
      'both treatments of each subject, one in each period',
      lines(
        ['subject', 'period', 'treatment', 'area'],
        ...times(16, (i) => [1 + (i >> 1), 1 + (i % 2), ((i >> 1) + i) % 2 ? 'test' : 'reference', about(100)]),
      ),
      { layout: ['rows'], groups: ['reference', 'test'], subject: 'subject', asks: ['paired'], doubts: [] },
    ),
    one(
      'replicates-begin-anew-over-time',
      'replicates of each strain read at several times',
      lines(
        ['Strain', 'Replicate', 'Time_h', 'OD600'],
        ...times(36, (i) => [at(i, 18, ['wild', 'mutant']), 1 + (Math.floor(i / 6) % 3), 2 * (i % 6), about(5)]),
      ),
      { ...mixed, subject: 'sample', readings: 36, samples: 6 },
    ),
    one(
      'technical-replicates-of-replicates',
      'readings numbered within replicates that are numbered within lamps',
      lines(
        ['Lamp', 'biological replicate', 'technical replicate', 'Length'],
        ...times(18, (i) => [lamps(i, 9), 1 + (Math.floor(i / 3) % 3), 1 + (i % 3), about()]),
      ),
      {
        layout: ['rows'],
        groups: ['red', 'white'],
        subject: 'sample',
        samples: 6,
        asks: ['nested'],
        doubts: ['replicates'],
      },
    ),
    one(
      'replicates-read-once',
      'replicates of two factors, each read once',
      lines(
        ['Lamp', 'Salt', 'Rep', 'Length'],
        ...times(24, (i) => [lamps(i, 12), at(i, 6, ['low', 'high']), 1 + (i % 6), about()]),
      ),
      { ...ofTwo, labels: 'Rep', readings: 24, samples: 24, doubts: [] },
    ),
    one(
      'plants-of-two-genotypes',
      'plants numbered anew within each genotype are no pairs',
      lines(['Genotype', 'Plant', 'Height'], ...times(16, (i) => [at(i, 8, ['wild', 'mutant']), 1 + (i % 8), about()])),
      { layout: ['rows'], groups: ['wild', 'mutant'], asks: ['two-groups'], readings: 16, samples: 16 },
    ),
    one(
      'quadrats-of-sites',
      'quadrats numbered anew at each site',
      lines(['site', 'quadrat', 'cover'], ...times(12, (i) => [at(i, 4, ['N', 'S', 'E']), 1 + (i % 4), about()])),
      { layout: ['rows'], groups: ['N', 'S', 'E'], asks: ['several'], samples: 12 },
    ),
    one(
      'divers-at-sites',
      'the same divers at each site',
      lines(
        ['site', 'diver', 'count of urchins'],
        ...times(12, (i) => [at(i, 4, ['N', 'S', 'E']), 1 + (i % 4), few()]),
      ),
      { layout: ['rows'], subject: 'diver', asks: ['repeated'] },
    ),
    one(
      'heads-in-one-word',
      'names of columns without a space',
      lines(
        ['PlantID', 'LampColour', 'BladeLength', 'TankNo'],
        ...times(16, (i) => [`P${i + 1}`, lamps(i, 8), about(), 1 + Math.floor(i / 4)]),
      ),
      { layout: ['rows'], groups: ['red', 'white'], subject: 'TankNo', labels: 'PlantID', asks: ['nested'] },
    ),
    one(
      'heads-with-underscores',
      'names of columns with underscores',
      lines(['treatment_group', 'blade_length'], ...times(12, (i) => [lamps(i, 6), about()])),
      { layout: ['rows'], groups: ['red', 'white'], asks: ['two-groups'], doubts: [] },
    ),
    one(
      'days-under-lamps',
      'days in the second row of heads, "d1", which are no units',
      lines(
        ['line', 'red', '', 'white', ''],
        ['', 'd1', 'd2', 'd1', 'd2'],
        ...times(5, (i) => [`L${i + 1}`, about(), about(), about(), about()]),
      ),
      {
        layout: ['rows'],
        asks: ['factorial'],
        subject: 'line',
        readings: 20,
        doubts: [],
      },
    ),
    one(
      'replicates-under-lamps',
      'replicates under each lamp, depths down the side',
      lines(
        ['depth (m)', 'red', '', '', 'white', '', ''],
        ['', '1', '2', '3', '1', '2', '3'],
        ...[1, 3, 5, 9].map((depth) => [depth, ...times(6, () => about())]),
      ),
      { ...ofTwo, readings: 24, doubts: [] },
    ),
    one(
      'figures-of-two-variables-under-groups',
      'means and SDs of two variables, groups above them',
      lines(
        ['', 'red', '', '', 'white', '', ''],
        ['', 'Mean', 'SEM', 'N', 'Mean', 'SEM', 'N'],
        ['length', about(), '1.2', '6', about(), '1.3', '6'],
        ['mass', about(5, 1), '0.2', '6', about(5, 1), '0.3', '6'],
      ),
      { ...figures, spread: 'sem', labels: 'Mean mass', doubts: ['which-outcome'] },
    ),
    one(
      'answers-in-strata',
      'alive and dead of each lamp at each depth',
      lines(
        ['depth', 'lamp', 'alive', 'dead'],
        ...times(4, (i) => [at(i, 2, ['1 m', '5 m']), lamps(i, 1), 40 + few(), 10 + few(10)]),
      ),
      {
        layout: ['counts'],
        groups: ['red', 'white'],
        categories: ['alive', 'dead'],
        labels: 'depth',
        asks: ['share'],
        doubts: ['which-outcome'],
      },
    ),
    one(
      'groups-called-as-subjects-are',
      'whole readings of mussels beside those of oysters are no numbers of theirs',
      lines(['mussel', 'oyster'], ...times(7, (i) => [140 + 3 * i + few(3), 157 - 3 * i - few(3)])),
      { layout: ['columns'], groups: ['mussel', 'oyster'], asks: ['two-groups'], readings: 14, doubts: [] },
    ),
    one(
      'numbers-of-plants-beside-readings',
      'numbers of plants far from what was read of them',
      lines(['plant', 'before', 'after'], ...times(7, (i) => [3 + 4 * i + few(3), 140 + few(), 150 + few()])),
      { layout: ['repeated'], subject: 'plant', groups: ['before', 'after'], asks: ['paired'] },
    ),
    one(
      'numbers-of-mice-among-readings',
      'numbers of mice that lie among their weights',
      lines(['mouse', 'weight'], ...times(8, (i) => [21 + 2 * i + (i % 2), 20 + 2 * i])),
      { layout: ['columns'], groups: ['weight'], asks: ['one-sample', 'estimate'], readings: 8 },
    ),
    one(
      'coded-cases',
      'a column of cases, 0 and 1, is a code',
      lines(
        ['diet', 'case', 'age'],
        ...times(20, (i) => [at(i, 1, ['weed', 'meal', 'mixed']), Math.floor(i / 3) % 2, about()]),
      ),
      ofTwo,
    ),
    one(
      'ages-at-which-all-were-read',
      'each subject at the same ages',
      lines(
        ['distance', 'age', 'Subject', 'Sex'],
        ...times(32, (i) => [
          about(),
          [8, 10, 12, 14][i % 4] ?? 0,
          `S${1 + Math.floor(i / 4)}`,
          at(i, 16, ['male', 'female']),
        ]),
      ),
      { ...mixed, subject: 'Subject', readings: 32, samples: 8 },
    ),
    one(
      'ages-of-trees',
      'trees by their numbers, each at the same ages',
      lines(
        ['Tree', 'age', 'girth'],
        ...times(21, (i) => [
          1 + Math.floor(i / 7),
          [118, 484, 664, 1004, 1231, 1372, 1582][i % 7] ?? 0,
          about(110, 80),
        ]),
      ),
      { layout: ['rows'], subject: 'Tree', asks: ['repeated'], readings: 21, doubts: [] },
    ),
    one(
      'rates-given-in-every-block',
      'rates that each variety had in each block',
      lines(
        ['Block', 'Variety', 'rate', 'yield'],
        ...times(24, (i) => [
          at(i, 12, ['I', 'II']),
          at(i, 4, ['early', 'late', 'dwarf']),
          [0, 0.2, 0.4, 0.6][i % 4] ?? 0,
          about(100),
        ]),
      ),
      { ...ofTwo, subject: 'Block', readings: 24 },
    ),
    one(
      'answers-at-weeks',
      'yes and no of each subject at several weeks',
      lines(
        ['settled', 'week', 'rope', 'rinse'],
        ...times(24, (i) => [
          few(2) > 1 || i < 2 ? 'y' : 'n',
          [0, 2, 4, 11][i % 4] ?? 0,
          `R${1 + (i >> 2)}`,
          at(i, 12, ['acid', 'none']),
        ]),
      ),
      { layout: ['categories'], subject: 'rope', asks: ['share'], doubts: ['which-outcome', 'replicates'] },
    ),
    one(
      'analytes-down-the-side',
      'a value a row, what it is of beside it',
      lines(
        ['sample', 'group', 'analyte', 'value', 'unit'],
        ...times(24, (i) => [
          `S${1 + Math.floor(i / 3)}`,
          at(i, 12, ['a', 'b']),
          at(i, 1, ['Na', 'K', 'Cl']),
          about(100),
          'mmol/L',
        ]),
      ),
      {
        layout: ['rows'],
        groups: ['a', 'b'],
        subject: 'sample',
        unit: 'mmol/L',
        readings: 8,
        doubts: ['which-outcome'],
      },
    ),
    one(
      'statistics-down-the-side',
      'a figure a row, and which it is beside it',
      lines(
        ['lamp', 'statistic', 'value'],
        ...['red', 'white'].flatMap((lamp) => [
          [lamp, 'mean', about()],
          [lamp, 'SD', '2.1'],
          [lamp, 'n', 12],
        ]),
      ),
      { ...figures, spread: 'sd', doubts: [] },
    ),
    one(
      'metrics-of-unnamed-samples',
      'two metrics of samples without a name',
      lines(['lamp', 'metric', 'value'], ...times(12, (i) => [lamps(i, 1), at(i, 6, ['length', 'mass']), about()])),
      { layout: ['rows'], groups: ['red', 'white'], readings: 6, asks: ['two-groups'], doubts: ['which-outcome'] },
    ),
    one(
      'variables-down-the-side',
      'one reading of each variable and group: rows are no subjects',
      lines(['variable', 'red', 'white'], ['length', about(), about()], ['mass', about(5, 1), about(5, 1)]),
      { layout: ['rows'], turned: true, neverAsks: ['paired'], doubts: ['which-outcome'] },
    ),
    one(
      'lines-of-sites',
      'lines numbered anew at each site, several readings of each',
      lines(
        ['Site', 'Line', 'Length'],
        ...times(24, (i) => [at(i, 12, ['North', 'South']), 1 + (Math.floor(i / 3) % 4), about()]),
      ),
      {
        layout: ['rows'],
        groups: ['North', 'South'],
        subject: 'Line',
        samples: 8,
        asks: ['nested'],
        doubts: ['replicates'],
      },
    ),
    one(
      'plants-in-chambers',
      'plants numbered anew in each chamber, chambers in one treatment each',
      lines(
        ['Chamber', 'CO2', 'Plant', 'Biomass'],
        ...times(24, (i) => [1 + Math.floor(i / 6), i < 12 ? 400 : 800, 1 + (i % 6), about()]),
      ),
      { layout: ['rows'], groups: ['400', '800'], subject: 'Chamber', labels: 'Plant', samples: 4, asks: ['nested'] },
    ),
    one(
      'replicates-over-doses',
      'each replicate at every dose',
      lines(
        ['Rep', 'Dose', 'Response'],
        ...times(18, (i) => [1 + Math.floor(i / 6), [0, 1, 2, 4, 8, 16][i % 6] ?? 0, about()]),
      ),
      { layout: ['rows'], groups: ['0', '1', '2', '4', '8', '16'], labels: 'Rep', asks: ['several'], doubts: [] },
    ),
    one(
      'the-same-in-every-row',
      'a column that holds one text throughout is no factor',
      lines(['nursery', 'lamp', 'length'], ...times(12, (i) => ['Skerrow', lamps(i, 6), about()])),
      { layout: ['rows'], groups: ['red', 'white'], labels: 'nursery', asks: ['two-groups'], doubts: [] },
    ),
    one(
      'distances',
      'distances between places are no readings',
      lines(
        ['', 'North', 'South', 'Pier'],
        ['North', '0', '5.2', '9.1'],
        ['South', '5.2', '0', '7.4'],
        ['Pier', '9.1', '7.4', '0'],
      ),
      { doubts: ['ambiguous-layout'] },
    ),
    one(
      'two-raters',
      'what one rater found by what another did, no subjects',
      lines(['rater 1', 'A', 'B', 'C'], ['A', 20 + few(), 3, 1], ['B', 2, 15 + few(), 4], ['C', 0, 2, 10 + few()]),
      { layout: ['counts'], groups: ['A', 'B', 'C'], categories: ['A', 'B', 'C'], asks: ['table'], doubts: [] },
    ),
    one(
      'shares-with-intervals',
      'shares with their interval beside what they are of',
      lines(
        ['lamp', 'n', 'alive', '% (95% CI)'],
        ['red', '50', '40', '80 (67–89)'],
        ['white', '48', '30', '63 (48–75)'],
      ),
      {
        layout: ['counts'],
        categories: ['alive', 'not alive'],
        shares: [
          [40, 50],
          [30, 48],
        ],
        asks: ['share'],
      },
    ),
    one(
      'genotypes-by-their-letters',
      'AA, Aa and aa are three genotypes',
      lines(['genotype', 'observed', 'expected'], ['AA', '25', '22.5'], ['Aa', '50', '45'], ['aa', '15', '22.5']),
      { layout: ['counts'], groups: ['AA', 'Aa', 'aa'], labels: 'expected', asks: ['table'], doubts: [] },
    ),
    one(
      'even-interval-of-a-reading',
      'an interval in brackets behind what it is of, and no n',
      lines(['lamp', 'length (95% CI)'], ['red', '20.1 (18.1 to 22.1)'], ['white', '25.0 (23.2 to 26.8)']),
      { ...figures, spread: 'interval' },
    ),
    one(
      'interval-on-a-logarithmic-scale',
      'estimates in the middle of their intervals on a logarithmic scale',
      lines(['lamp', 'EC50 (nM)', '95% CI'], ['red', '12.1', '9.0–16.2'], ['white', '30.2', '22–41']),
      { ...figures, spread: 'interval' },
    ),
    one(
      'uneven-interval',
      'estimates within intervals that are even on no scale',
      lines(['lamp', 'length', 'LCL', 'UCL'], ['red', '12.1', '11.0', '16.2'], ['white', '30.2', '29.0', '41.0']),
      { layout: ['summary'], groups: ['red', 'white'] },
    ),
    one(
      'stars-behind-readings',
      'a star behind a reading is no part of it, and stands beside it',
      lines(['red', 'white'], ...times(8, (i) => [about() + (i === 2 ? '*' : ''), about() + (i === 5 ? '†' : '')])),
      { layout: ['columns'], groups: ['red', 'white'], readings: 16, asks: ['two-groups'] },
    ),
    one(
      'letters-behind-means',
      'letters of those that do not differ stand behind means',
      lines(
        ['lamp', 'mean', 'SE', 'n'],
        ...['red', 'white', 'none'].map((lamp, i) => [lamp, about() + 'abc'.charAt(i), about(3, 1), '8']),
      ),
      { layout: ['summary'], groups: ['red', 'white', 'none'], labels: 'sign of mean', spread: 'sem', readings: 3 },
    ),
    one(
      'one-of-three-marked',
      'a 1 under the lamp that each plant had',
      lines(
        ['plant', 'red', 'white', 'blue', 'length'],
        ...times(12, (i) => [i + 1, ...[0, 1, 2].map((k) => (i % 3 === k ? 1 : 0)), about()]),
      ),
      { layout: ['rows'], groups: ['red', 'white', 'blue'], readings: 12, asks: ['several'], doubts: [] },
    ),
    one(
      'one-outcome-marked',
      'a 1 under alive or under dead',
      lines(['lamp', 'alive', 'dead'], ...times(16, (i) => [at(i, 1, ['red', 'white']), i % 3 ? 1 : 0, i % 3 ? 0 : 1])),
      {
        layout: ['categories'],
        groups: ['red', 'white'],
        categories: ['dead', 'alive'],
        anyOrder: true,
        asks: ['share'],
      },
    ),
    one(
      'answers-turned-round',
      'whoever was asked twice and changed the answer marks no category',
      lines(
        ['subject', 'before', 'after'],
        ...times(10, (i) => [`S${i + 1}`, i % 2 ? 'yes' : 'no', i % 2 ? 'no' : 'yes']),
      ),
      { layout: ['categories'], categories: ['yes', 'no'], total: 10, asks: ['share'] },
    ),
    one(
      'levels-down-unnamed',
      'levels of one unit at the left are no variables',
      lines(['', 'red', 'white'], ['low (N)', about(), about()], ['high (N)', about(), about()]),
      { groups: ['red', 'white'] },
    ),
    one(
      'several-additions-marked',
      'N, P and K given or not, of which a plot may have several, are factors of their own',
      lines(
        ['plot', 'N', 'P', 'K', 'yield'],
        ...times(16, (i) => [i + 1, i % 2, Math.floor(i / 2) % 2, Math.floor(i / 4) % 2, about()]),
      ),
      { layout: ['rows'], groups: ['0', '1'], readings: 16 },
    ),
    one(
      'sections-numbered',
      'readings numbered anew under the name of each lamp',
      lines(
        ['Red lamp', ''],
        ...times(4, (i) => [i + 1, about()]),
        ['White lamp', ''],
        ...times(4, (i) => [i + 1, about()]),
      ),
      { layout: ['rows'], groups: ['Red lamp', 'White lamp'], readings: 8, asks: ['two-groups'] },
    ),
    one(
      'sections-numbered-on',
      'readings numbered on from lamp to lamp',
      lines(
        ['', 'length'],
        ['Red lamp', ''],
        ...times(4, (i) => [i + 1, about()]),
        ['White lamp', ''],
        ...times(4, (i) => [i + 5, about()]),
      ),
      { layout: ['rows'], groups: ['Red lamp', 'White lamp'], readings: 8, asks: ['two-groups'] },
    ),
    one(
      'name-of-readings-over-sections',
      'what was measured stands over the names of the groups',
      lines(['length'], ['Red'], ...times(4, () => [about()]), ['White'], ...times(4, () => [about()])),
      { layout: ['rows'], groups: ['Red', 'White'], readings: 8, asks: ['two-groups'] },
    ),
    one(
      'arrows-in-cells',
      'before and after in one cell, an arrow between them',
      lines(['plant', 'length'], ...times(8, (i) => [`P${i + 1}`, `${about()} → ${about()}`])),
      {
        layout: ['repeated'],
        groups: ['length before', 'length after'],
        subject: 'plant',
        readings: 16,
        asks: ['paired'],
      },
    ),
    one(
      'blood-pressures',
      'two pressures in a cell are no counts of so many',
      lines(
        ['patient', 'drug', 'blood pressure'],
        ...times(8, (i) => [`P${i + 1}`, at(i, 4, ['a', 'b']), `${110 + few()}/${60 + few()}`]),
      ),
      { layout: ['rows'], groups: ['a', 'b'], subject: 'patient', readings: 8, asks: ['two-groups'] },
    ),
    one(
      'variables-of-subjects-under-times',
      'length and mass of each plant, before and after',
      lines(
        ['', 'Before', '', 'After', ''],
        ['plant', 'length', 'mass', 'length', 'mass'],
        ...times(6, (i) => [`P${i + 1}`, about(), about(5, 1), about(33), about(6, 1)]),
      ),
      {
        layout: ['rows'],
        groups: ['Before', 'After'],
        subject: 'plant',
        readings: 12,
        asks: ['paired'],
        doubts: ['which-outcome'],
      },
    ),
    one(
      'codes-under-two-conditions',
      'each code stands once under each condition, whatever it is called',
      lines(['zorb', 'shoe', 'length'], ...times(12, (i) => [`R${(i % 6) + 1}`, at(i, 6, ['old', 'new']), about()])),
      { layout: ['rows'], groups: ['old', 'new'], subject: 'zorb', readings: 12, asks: ['paired'] },
    ),
    one(
      'who-took-both',
      'people by their names, each under both drugs',
      lines(
        ['who', 'drug', 'reaction'],
        ...times(12, (i) => [at(i, 1, ['Ann', 'Ben', 'Cas', 'Dora', 'Edda', 'Finn']), at(i, 6, ['a', 'b']), about()]),
      ),
      { layout: ['rows'], groups: ['a', 'b'], subject: 'who', readings: 12, asks: ['paired'] },
    ),
    one(
      'variables-down-unnamed',
      'a variable a row under groups: length is not compared with mass',
      lines(['', 'control', 'fed'], ['length', about(), `${about()}**`], ['mass', about(5, 1), `${about(5, 1)}*`]),
      { layout: ['rows'], turned: true, notGroups: ['control', 'fed'], doubts: ['which-outcome'] },
    ),
    one(
      'n-in-brackets-of-the-head',
      'how many stand in brackets behind each mean',
      lines(['lamp', 'mean length (n)', 'SD'], ['red', '20.1 (8)', '2.1'], ['white', '22.4 (9)', '2.5']),
      { ...figures, spread: 'sd', doubts: [] },
    ),
    one(
      'under-every-combination',
      'each participant under both noises in both lights is compared with itself, without an alarm',
      lines(
        ['participant', 'noise', 'light', 'reaction (ms)'],
        ...times(24, (i) => [
          `P${1 + Math.floor(i / 4)}`,
          at(i, 2, ['quiet', 'loud']),
          at(i, 1, ['dim', 'bright']),
          about(300),
        ]),
      ),
      { layout: ['rows'], subject: 'participant', unit: 'ms', readings: 24, asks: ['factorial'], doubts: [] },
    ),
    one(
      'numbered-over-time',
      'mouse 3 is the same at every hour',
      lines(
        ['mouse', 'drug', 'hour', 'glucose'],
        ...times(30, (i) => [
          1 + Math.floor(i / 6),
          at(i, 3, ['saline', 'insulin']),
          at(i, 1, ['0', '1', '2']),
          about(8, 2),
        ]),
      ),
      { layout: ['rows'], subject: 'mouse', readings: 30, asks: ['factorial'], doubts: [] },
    ),
    one(
      'numbered-anew',
      'plant 3 of each treatment may be another plant: told, and not taken as the same in silence',
      lines(
        ['plant', 'light', 'flow', 'growth'],
        ...times(24, (i) => [
          1 + Math.floor(i / 4),
          at(i, 2, ['red', 'white']),
          at(i, 1, ['still', 'pulsed']),
          about(),
        ]),
      ),
      { layout: ['rows'], subject: 'plant', readings: 24, asks: ['factorial'], doubts: ['no-subject-column'] },
    ),
    one(
      'plants-numbered-in-groups',
      'plant 3 of the fed is another plant than plant 3 of the control, or the same: asked',
      lines(['treatment', 'plant', 'length'], ...times(12, (i) => [at(i, 6, fed), 1 + (i % 6), about()])),
      { layout: ['rows'], subject: 'plant', readings: 12, doubts: ['no-subject-column'] },
    ),
    one(
      'participants-by-number',
      'participant 3 is the same person under each light and noise',
      lines(
        ['participant', 'light', 'noise', 'reaction'],
        ...times(24, (i) => [1 + (i % 6), at(i, 6, ['red', 'white']), at(i, 12, ['quiet', 'loud']), about(300)]),
      ),
      { ...ofTwo, subject: 'participant', samples: 12, doubts: [] },
    ),
    one(
      'identities-by-number',
      'so is what has an identity of its own',
      lines(
        ['ID', 'light', 'noise', 'reaction'],
        ...times(24, (i) => [1 + (i % 6), at(i, 6, ['red', 'white']), at(i, 12, ['quiet', 'loud']), about(300)]),
      ),
      { ...ofTwo, subject: 'ID', samples: 12, doubts: [] },
    ),
    one(
      'weeks-beside-each-depth',
      'a line has a row for each depth and a column for each week: two factors of the same lines',
      lines(
        ['line', 'depth', 'Week 0 (cm)', 'Week 2 (cm)'],
        ...times(8, (i) => [`L${1 + (i >> 1)}`, at(i, 1, ['shallow', 'deep']), about(), about()]),
      ),
      { ...ofTwo, subject: 'line', unit: 'cm', readings: 16, doubts: [] },
    ),
    one(
      'noise-beside-each-light',
      'the same of conditions that are no times',
      lines(
        ['participant', 'light', 'quiet (ms)', 'loud (ms)'],
        ...times(10, (i) => [`P${1 + (i >> 1)}`, at(i, 1, ['red', 'white']), about(300), about(300)]),
      ),
      { ...ofTwo, subject: 'participant', unit: 'ms', readings: 20, doubts: [] },
    ),
    one(
      'lines-named-once-beside-depths',
      'the name of a line once over the rows of its depths',
      lines(
        ['line', 'depth', 'Week 0', 'Week 2'],
        ...times(8, (i) => [i % 2 ? '' : `L${1 + (i >> 1)}`, at(i, 1, ['shallow', 'deep']), about(), about()]),
      ),
      { ...ofTwo, subject: 'line', readings: 16, doubts: [] },
    ),
    one(
      'cultivars-in-blocks',
      'cv. A is a cultivar, no coefficient of variation',
      lines(
        ['block', 'fertiliser', 'cv. A', 'cv. B', 'cv. C'],
        ...times(8, (i) => [1 + (i >> 1), at(i, 1, ['none', 'meal']), about(), about(), about()]),
      ),
      { ...ofTwo, subject: 'block', readings: 24, doubts: [] },
    ),
    one(
      'two-variables-each-day',
      'glucose and insulin are two variables, in one unit though they be',
      lines(
        ['mouse', 'day', 'glucose (mmol/L)', 'insulin (mmol/L)'],
        ...times(12, (i) => [`M${1 + (i >> 1)}`, 7 * (i % 2), about(5, 2), about(9, 2)]),
      ),
      { layout: ['rows'], subject: 'mouse', readings: 12, doubts: ['which-outcome'], asks: ['paired'] },
    ),
    one(
      'crossed-heads-of-persons',
      'light over noise, in two rows of heads over named persons',
      lines(
        ['participant', 'red', '', 'white', ''],
        ['', 'quiet', 'loud', 'quiet', 'loud'],
        ...times(5, (i) => [`P${i + 1}`, about(300), about(300), about(300), about(300)]),
      ),
      { ...ofTwo, subject: 'participant', readings: 20, doubts: [] },
    ),
    one(
      'two-stresses-before-and-after',
      'what is of quite another size is another variable, whatever it is called',
      lines(
        ['fish', 'HSP70 before', 'HSP70 after', 'opercular beats before', 'opercular beats after'],
        ...times(6, (i) => [`F${i + 1}`, about(1.2, 0.6), about(1.4, 0.6), about(120, 20), about(130, 20)]),
      ),
      { neverAsks: ['factorial', 'repeated'], doubts: ['which-outcome'] },
    ),
    one(
      'lines-that-grow-at-two-depths',
      'of another size at another time, and one variable still',
      lines(
        ['line', 'shallow Week 0', 'shallow Week 8', 'deep Week 0', 'deep Week 8'],
        ...times(6, (i) => [`L${i + 1}`, about(5, 2), about(48, 9), about(5, 2), about(41, 9)]),
      ),
      { ...ofTwo, subject: 'line', readings: 24, doubts: [] },
    ),
    one(
      'eyes-before-and-after',
      'both names in one head, and both could be turns',
      lines(
        ['fish', 'left eye before', 'left eye after', 'right eye before', 'right eye after'],
        ...times(5, (i) => [`F${i + 1}`, about(), about(), about(), about()]),
      ),
      { ...ofTwo, subject: 'fish', readings: 20, doubts: [] },
    ),
    one(
      'persons-read-thrice-under-each-light',
      'who has a row for each light is the subject of the readings beside one another',
      lines(
        ['participant', 'light', 'rep 1', 'rep 2', 'rep 3'],
        ...times(12, (i) => [`P${1 + (i >> 1)}`, at(i, 1, ['red', 'white']), about(), about(), about()]),
      ),
      { layout: ['rows'], subject: 'participant', groups: ['red', 'white'], readings: 36, doubts: ['replicates'] },
    ),
    one(
      'sex-beside-two-conditions',
      'what each is of stands aside: the same persons under every light and noise',
      lines(
        ['participant', 'sex', 'light', 'noise', 'reaction'],
        ...times(24, (i) => [
          `P${1 + (i >> 2)}`,
          at(i, 12, ['f', 'm']),
          at(i, 2, ['red', 'white']),
          at(i, 1, ['quiet', 'loud']),
          about(300),
        ]),
      ),
      { ...ofTwo, subject: 'participant', readings: 24, doubts: [] },
    ),
    one(
      'three-conditions-of-persons',
      'there is no question of three factors of the same persons: said',
      lines(
        ['participant', 'sex', 'light', 'noise', 'dose', 'reaction'],
        ...times(48, (i) => [
          `P${1 + (i >> 3)}`,
          at(i, 24, ['f', 'm']),
          at(i, 4, ['red', 'white']),
          at(i, 2, ['quiet', 'loud']),
          at(i, 1, ['low', 'high']),
          about(300),
        ]),
      ),
      { layout: ['rows'], subject: 'participant', readings: 48, doubts: ['replicates'] },
    ),
    one(
      'blocks-over-columns',
      'cultivars down the side, blocks over columns: a block is read under each',
      lines(
        ['cultivar', 'block I', 'block II', 'block III', 'block IV'],
        ...times(5, (i) => ['ABCDE'[i] ?? '', about(), about(), about(), about()]),
      ),
      {
        layout: ['rows'],
        subject: 'block',
        groups: ['A', 'B', 'C', 'D', 'E'],
        asks: ['repeated'],
        readings: 20,
        doubts: [],
      },
    ),
    one(
      'totals-beside-and-below-blocks',
      'what sums up blocks and cultivars is no block and no cultivar',
      lines(
        ['cultivar', 'block 1', 'block 2', 'block 3', 'total'],
        ['A', '31.2', '33.1', '30.4', '94.7'],
        ['B', '28.4', '30.2', '27.7', '86.3'],
        ['C', '35.1', '36.2', '33.9', '105.2'],
        ['total', '94.7', '99.5', '92.0', '286.2'],
      ),
      { layout: ['rows'], subject: 'block', groups: ['A', 'B', 'C'], asks: ['repeated'], readings: 9 },
    ),
    one(
      'plots-over-columns-of-species',
      'a species with a word that may be measured, plots over columns',
      lines(
        ['species', 'block 1', 'block 2', 'block 3'],
        ...times(3, (i) => [at(i, 1, ['oarweed', 'sugar kelp', 'dulse']), about(), about(), about()]),
      ),
      {
        layout: ['rows'],
        subject: 'block',
        groups: ['oarweed', 'sugar kelp', 'dulse'],
        asks: ['repeated'],
        doubts: [],
      },
    ),
    one(
      'blocks-by-roman-numerals',
      'nothing but I, II, III and IV over the columns',
      lines(
        ['treatment', 'I', 'II', 'III', 'IV'],
        ...times(3, (i) => [at(i, 1, ['red', 'white', 'blue']), about(), about(), about(), about()]),
      ),
      { layout: ['rows'], subject: 'block', groups: ['red', 'white', 'blue'], asks: ['repeated'], doubts: [] },
    ),
    one(
      'codes-over-columns',
      'participants by their codes over columns, lights down the side: lights are not who was read',
      lines(
        ['light', 'P1', 'P2', 'P3', 'P4'],
        ...times(3, (i) => [at(i, 1, ['red', 'white', 'blue']), about(), about(), about(), about()]),
      ),
      { layout: ['rows'], groups: ['red', 'white', 'blue'], asks: ['repeated'], readings: 12, doubts: [] },
    ),
    one(
      'codes-over-columns-of-two-factors',
      'each row a combination of two factors, each column a participant',
      lines(
        ['light', 'noise', 'P1', 'P2', 'P3', 'P4', 'P5'],
        ...times(4, (i) => [
          at(i, 2, ['red', 'white']),
          at(i, 1, ['quiet', 'loud']),
          about(),
          about(),
          about(),
          about(),
          about(),
        ]),
      ),
      { ...ofTwo, subject: 'subject', readings: 20, doubts: [] },
    ),
    one(
      'plants-over-columns',
      'plant 2 of each treatment may be another plant: asked',
      lines(
        ['treatment', 'plant 1', 'plant 2', 'plant 3'],
        ...times(3, (i) => [at(i, 1, ['red', 'white', 'blue']), about(), about(), about()]),
      ),
      { layout: ['rows'], subject: 'plant', groups: ['red', 'white', 'blue'], doubts: ['no-subject-column'] },
    ),
    one(
      'fish-over-columns-before-and-after',
      'before and after down the side, a fish over each column',
      lines(
        ['time', 'fish 1', 'fish 2', 'fish 3', 'fish 4'],
        ...times(2, (i) => [at(i, 1, ['before', 'after']), about(), about(), about(), about()]),
      ),
      { layout: ['rows'], subject: 'fish', groups: ['before', 'after'], asks: ['paired'], readings: 8, doubts: [] },
    ),
    one(
      'treatments-by-sites',
      'a treatment is nobody who was read at each site',
      lines(
        ['treatment', 'cove', 'point', 'isle', 'bank'],
        ...times(3, (i) => [at(i, 1, ['red', 'white', 'blue']), about(), about(), about(), about()]),
      ),
      { layout: ['grid'], asks: ['factorial'], readings: 12, doubts: [] },
    ),
    one(
      'grades-depend-on-what-was-done',
      'whether it was sprayed, and how heavily it was damaged: damage is the outcome, and has an order',
      lines(
        ['spray', 'damage'],
        ...times(30, (i) => [at(i, 1, ['yes', 'no']), at(7 * i, 1, ['severe', 'none', 'mild', 'moderate'])]),
      ),
      {
        layout: ['categories'],
        groups: ['yes', 'no'],
        anyOrder: true,
        categories: ['none', 'mild', 'moderate', 'severe'],
        asks: ['table'],
      },
    ),
    one(
      'doses-in-any-order',
      'doses stand as they rise, whatever the order of the rows',
      lines(['dose', 'growth'], ...times(12, (i) => [at(i, 1, ['10 mg', 'control', '5 mg']), about()])),
      { layout: ['rows'], groups: ['control', '5 mg', '10 mg'], asks: ['several'], doubts: [] },
    ),
    one(
      'figures-in-german',
      'names of figures in another language',
      lines(
        ['Gruppe', 'Mittelwert', 'Standardabweichung', 'Anzahl'],
        ['rot', '24,1', '3,2', 12],
        ['weiß', '28,3', '3,9', 11],
      ),
      { layout: ['summary'], groups: ['rot', 'weiß'], spread: 'sd', asks: ['two-groups'], doubts: [] },
    ),
    one(
      'figures-in-french',
      'the same, n before the mean, and a standard error',
      lines(
        ['traitement', 'effectif', 'moyenne', 'erreur type'],
        ['rouge', 12, '24,1', '1,2'],
        ['blanc', 11, '28,3', '1,9'],
      ),
      { layout: ['summary'], groups: ['rouge', 'blanc'], spread: 'sem', asks: ['two-groups'], doubts: [] },
    ),
    one(
      'counts-of-length',
      'n by the name of what was counted',
      lines(
        ['lamp', 'Average of length', 'SD of length', 'Count of length'],
        ['red', '24.1', '3.2', 12],
        ['white', '28.3', '3.9', 11],
      ),
      { ...figures, spread: 'sd', doubts: [] },
    ),
    one(
      'doses-each-day-one-lost',
      'a reading of one dose on one day is lost: two factors still',
      lines(
        ['copper', 'day', 'growth'],
        ...times(16, (i) => [[0, 5, 10, 20][i >> 2] ?? 0, i % 4, i === 10 ? '-' : about()]),
      ),
      { ...ofTwo, readings: 15 },
    ),
    one(
      'a-pair-that-stands-twice',
      'a row copied once too often is no other line',
      lines(
        ['line', 'before', 'after'],
        ...[0, 1, 2, 3, 3, 4, 5, 6].map((i) => [`L${i}`, (30 + 1.7 * i).toFixed(1), (33 + 1.9 * i).toFixed(1)]),
      ),
      { layout: ['repeated'], subject: 'line', readings: 14, asks: ['paired'], doubts: ['row-twice'] },
    ),
    one(
      'counts-that-stand-twice',
      'a site copied once too often is counted once',
      lines(['site', 'alive', 'dead'], ['north', 18, 7], ['south', 21, 9], ['south', 21, 9], ['reef', 11, 14]),
      {
        layout: ['counts'],
        groups: ['north', 'south', 'reef'],
        total: 80,
        asks: ['share', 'table'],
        doubts: ['row-twice'],
      },
    ),
    one(
      'a-reading-under-a-condition-twice',
      'who was read under what comes twice, by a slip',
      lines(
        ['diver', 'light', 'reaction'],
        ...[0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 9].map((i) => [
          `D${i >> 1}`,
          i % 2 ? 'dim' : 'bright',
          (300 + 3.1 * i).toFixed(1),
        ]),
      ),
      { layout: ['rows'], subject: 'diver', asks: ['paired'], doubts: ['row-twice'] },
    ),
    one(
      'values-by-name-twice',
      'a value told twice by name',
      lines(
        ['sample', 'group', 'analyte', 'value'],
        ...[0, 1, 2, 3, 4, 5, 6, 7, 7, 8, 9, 10, 11].map((i) => [
          `S${i >> 1}`,
          i < 6 ? 'fed' : 'control',
          i % 2 ? 'Na' : 'K',
          (100 + 1.3 * i).toFixed(1),
        ]),
      ),
      { layout: ['rows'], groups: ['fed', 'control'], subject: 'sample', readings: 6, asks: ['two-groups'] },
    ),
    one(
      'heads-that-cross-over-a-row-twice',
      'subjects under crossed heads, one of them copied',
      lines(
        ['', 'dim', 'dim', 'bright', 'bright'],
        ['person', 'quiet', 'noisy', 'quiet', 'noisy'],
        ...[0, 1, 2, 3, 4, 4, 5].map((i) => [
          `P${i}`,
          ...[0, 1, 2, 3].map((k) => (300 + ((37 * i + 17 * k) % 23)).toFixed(1)),
        ]),
      ),
      { layout: ['rows'], subject: 'person', readings: 24, asks: ['factorial'], doubts: [] },
    ),
    one(
      'crossed-heads-with-their-names-in-the-corner',
      'both rows of heads are called by what they name, and the rows by codes',
      lines(
        ['Light', 'dim', 'dim', 'bright', 'bright'],
        ['Noise', 'quiet', 'noisy', 'quiet', 'noisy'],
        ...times(6, (i) => [`P${i + 1}`, about(300), about(300), about(300), about(300)]),
      ),
      { ...ofTwo, subject: 'subject', readings: 24, doubts: [] },
    ),
    one(
      'experiments-by-a-short-name',
      'what was done a row, and the experiments over columns',
      lines(
        ['', 'Exp 1', 'Exp 2', 'Exp 3'],
        ...['control', 'fed', 'starved'].map((name) => [name, about(), about(), about()]),
      ),
      { layout: ['rows'], groups: ['control', 'fed', 'starved'], asks: ['repeated'], doubts: [] },
    ),
    one(
      'replicates-by-n',
      'n1 to n4 are replicates of what the rows name',
      lines(
        ['strain', 'n1', 'n2', 'n3', 'n4'],
        ...['wild', 'mutant'].map((name) => [name, ...times(4, () => about())]),
      ),
      { layout: ['columns'], turned: true, groups: ['wild', 'mutant'], asks: ['two-groups'], doubts: [] },
    ),
    one(
      'samples-with-codes-of-their-group',
      'each group has samples by codes of its own',
      lines(['control', '', 'fed', ''], ['A1', 'A2', 'B1', 'B2'], ...times(4, () => times(4, () => about()))),
      { layout: ['rows'], groups: fed, readings: 16, samples: 4, asks: ['nested'], doubts: ['replicates'] },
    ),
    one(
      'replicates-of-a-line-at-each-time',
      'numbers within who was read at several times are no samples',
      lines(
        ['line', 'time', 'rep', 'length'],
        ...times(24, (i) => [`L${1 + Math.floor(i / 6)}`, at(i, 3, ['before', 'after']), 1 + (i % 3), about()]),
      ),
      {
        layout: ['rows'],
        subject: 'line',
        labels: 'rep',
        readings: 24,
        doubts: ['replicates'],
        neverAsks: ['mixed', 'factorial'],
      },
    ),
    one(
      'a-tank-not-named',
      'one reading names no tank: samples within groups still',
      lines(
        ['Tank', 'Treatment', 'Weight'],
        ...times(24, (i) => [i === 17 ? '' : `T${1 + Math.floor(i / 4)}`, at(i, 12, fed), about(50)]),
      ),
      {
        layout: ['rows'],
        groups: fed,
        subject: 'Tank',
        readings: 24,
        asks: ['nested'],
        doubts: ['no-subject', 'replicates'],
      },
    ),
    one(
      'a-person-not-named-under-a-condition',
      'one row lacks who was read',
      lines(
        ['person', 'period', 'drug', 'area'],
        ...times(16, (i) => [
          i === 5 ? '' : 1 + (i >> 1),
          1 + (i % 2),
          (i + (i >> 1)) % 2 ? 'test' : 'reference',
          about(100),
        ]),
      ),
      { layout: ['rows'], groups: ['reference', 'test'], subject: 'person', asks: ['paired'], doubts: ['no-subject'] },
    ),
    one(
      'a-running-number-with-a-gap',
      'a row was taken out of a numbered list',
      lines(['No', 'red', 'white'], ...[1, 2, 3, 5, 6, 7, 8, 9].map((i) => [i, about(), about()])),
      { layout: ['columns'], groups: ['red', 'white'], labels: 'No', asks: ['two-groups'], doubts: ['running-number'] },
    ),
    one(
      'a-plate-without-a-row',
      'row E of a plate was left out',
      lines(
        ['', 1, 2, 3, 4, 5, 6],
        ...['A', 'B', 'C', 'D', 'F', 'G', 'H'].map((name) => [name, ...times(6, () => about(0.8, 0.4))]),
      ),
      { layout: ['columns'], asks: ['several'], doubts: ['ambiguous-layout'] },
    ),
    one(
      'technical-replicates-one-gone',
      'one of the readings of a replicate is not there',
      lines(
        ['lamp', 'biological replicate', 'technical replicate', 'length'],
        ...times(18, (i) => [lamps(i, 9), 1 + (Math.floor(i / 3) % 3), 1 + (i % 3), about()]).filter((_, i) => i !== 7),
      ),
      { layout: ['rows'], groups: ['red', 'white'], readings: 17, asks: ['nested'], doubts: ['replicates'] },
    ),
    one(
      'a-row-that-slipped-to-the-right',
      'a cell beyond the last name, and an empty one before it',
      lines(['red', 'white'], ...times(9, (i) => (i === 4 ? ['', about(), about()] : [about(), about()]))),
      { layout: ['columns'], groups: ['red', 'white'], asks: ['two-groups'], doubts: ['cells-shifted'] },
    ),
    one(
      'counts-that-come-again',
      'counts of one size that come twice name no groups',
      lines(
        ['length (mm)', 'north', 'south'],
        ['0-10', 10, 17],
        ['10-20', 20, 17],
        ['20-30', 8, 13],
        ['30-40', 20, 13],
      ),
      { layout: ['counts'], groups: ['0-10', '10-20', '20-30', '30-40'], asks: ['table'], doubts: [] },
    ),
    one(
      'names-alone',
      'nothing comes twice, so there is nothing to count',
      lines(['lamp', 'length'], ['red', 'about 20'], ['white', 'a bit more'], ['none', 'less']),
      { doubts: ['ambiguous-layout'] },
    ),
  ];
}
