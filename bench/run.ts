/**
 * What the heavy parts cost: `npm run bench`. Prints medians and, where there is an aim, how many times under it
 * (above 1 is within). Nothing here passes or fails.
 */
import { draftOf } from '../src/core/readings/table-edit';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { answer } from '../src/core/answering/answer';
import { random } from '../src/core/numeric/random';
import { bootstrap } from '../src/core/procedures/bootstrap';
import { describe } from '../src/core/procedures/describe';
import { summarize } from '../src/core/procedures/sample-summary';
import { sampled } from '../src/core/procedures/randomization';
import { shuffleTwoMeansExact } from '../src/core/procedures/shuffle-means';
import { blockOf, permutedMeans } from '../src/core/procedures/shuffling';
import { gamesHowell, tukeyKramer } from '../src/core/procedures/tukey-kramer';
import { defaultQuestion } from '../src/core/question/question';
import { type Table, emptyColumn, tableOf } from '../src/core/readings/table';
import { openDb } from '../src/store/open';
import { createStudy, tableIdsOf } from '../src/store/studies';
import { editTable } from '../src/store/change-table';
import { readTable } from '../src/store/read-table';
import { asked, designsAt, fifteen, manyLevels, models, otherMethods } from './designs';
import { median } from './measure';

const { normal } = random(1);
const normals = (n: number, decimals = 6): number[] =>
  Array.from({ length: n }, () => Number((20 + 4 * normal()).toFixed(decimals)));

function line(what: string, ms: number, aim?: number): void {
  const shown = ms < 10 ? ms.toFixed(2) : ms.toFixed(0);
  console.log(
    `${what.padEnd(62)} ${shown.padStart(8)} ms${aim === undefined ? '' : `   ${(aim / ms).toFixed(1)} times under ${aim} ms`}`,
  );
}

const [a, b] = [normals(50), normals(50)];
const shuffles = { kind: 'labels', groups: [a, b], statistic: 'mean' } as const;
line(
  'a million shuffles of 50 + 50, one core',
  median(() => {
    for (let block = 0; block < 100; block++) blockOf(shuffles, 1, block);
  }, 3),
  333,
);
line(
  '  the same in the core’s own loop, which is its reference',
  median(() => {
    for (let block = 0; block < 100; block++) {
      const next = permutedMeans(a, b, random(1, block + 1));
      for (let k = 0; k < 10_000; k++) next();
    }
  }, 3),
);
const [c, d] = [normals(40, 2), normals(40, 2)];
line(
  'exact count of 40 + 40 with two decimals',
  median(() => shuffleTwoMeansExact(c, d), 3),
);
const sample = normals(40);
const mean = ([g = new Float64Array()]: readonly Float64Array[]): number => g.reduce((s, x) => s + x, 0) / g.length;
line(
  'BCa interval of a mean, 10,000 resamples of 40',
  median(() => bootstrap([sample], mean, 0.95, 1, 10_000)),
);
const twentyThousand = fifteen();
line(
  'two-way ANOVA, 20,000 readings in 15 × 15 cells, asked',
  median(() => asked(...twentyThousand), 3),
  100,
);
const summaries = (k: number) => Array.from({ length: k }, (_, i) => summarize(normals(8 + (i % 5))));
const sixty = summaries(60);
line(
  'Games–Howell, all 1,770 pairs of 60 groups',
  median(() => gamesHowell(sixty, 0.95), 3),
  1000,
);
line(
  'Tukey–Kramer, the same',
  median(() => tukeyKramer(sixty, 0.95), 3),
  500,
);
const [e, f] = [normals(1000), normals(1000)];
line(
  'medians of 1,000 + 1,000 permuted 10,000 times',
  median(() => sampled({ kind: 'labels', groups: [e, f], statistic: 'median' }, 1, 10_000), 3),
  1000,
);
const million = normals(1_000_000, 3);
line(
  'describe a million values',
  median(() => describe(million), 5),
  80,
);
line(
  '  what bounds it: reading and summing them in one plain loop',
  median(() => {
    let total = 0;
    for (const x of million) total += x * x;
    return total;
  }, 5),
);
const tooMany = manyLevels();
line(
  'a factor of 40,000 levels, refused',
  median(() => asked(...tooMany), 3),
);
for (const [name, question, table] of models())
  line(
    `100,000 readings ${name}`,
    median(() => asked(question, table), 3),
    1000,
  );
line('every other method of 2 × 50,000', median(otherMethods(100_000), 3), 1000);
for (const [n, aim, times] of [
  [100_000, 300, 3],
  [1_000_000, 3000, 1],
] as const)
  for (const [name, question, table] of designsAt(n))
    line(
      `${n.toLocaleString('en')} readings: ${name}`,
      median(() => asked(question, table), times),
      aim,
    );

const tall = (rows: number, columns: number): Table =>
  tableOf(
    Array.from({ length: columns }, (_, k) => ({
      ...emptyColumn(`c${k}`, `Group ${k}`, 'mm'),
      cells: normals(rows, 2).map(String),
    })),
    { measure: 'length', subject: 'blade' },
  );
const readings = tall(5_000, 2);
let change = 0;
line(
  'an edit to its answer, 10,000 readings',
  median(() => {
    const [first, second] = readings.columns;
    if (!first || !second) return;
    const cells = first.cells.with(17, String(20 + (change++ % 10)));
    answer(defaultQuestion('c0', 'c1'), { ...readings, columns: [{ ...first, cells }, second] });
  }, 15),
  100,
);

const folder = mkdtempSync(join(tmpdir(), 'divide-bench-'));
const db = openDb(join(folder, 'bench.sqlite'), process.cwd());
const large = tall(100_000, 20);
const now = '2026-01-01T00:00:00.000Z';
let study = '';
line(
  'keep a table of 100,000 rows by 20 columns',
  median(
    () =>
      (study = createStudy(
        db,
        { title: 'bench', tables: [{ id: 't', table: draftOf(large), origin: '' }], questions: [], figures: [] },
        now,
      )),
    1,
  ),
  2000,
);
const [id = ''] = tableIdsOf(db, study);
line(
  'read it again',
  median(() => readTable(openDb(join(folder, 'bench.sqlite'), process.cwd()), id), 3),
);
let revision = 0;
line(
  'one edit of it, on the disk',
  median(
    () =>
      (revision = editTable(
        db,
        id,
        revision,
        [{ kind: 'write', row: 70_000, columns: ['c3'], texts: [[String(revision)]] }],
        now,
      )),
    15,
  ),
  100,
);
db.$client.close();
rmSync(folder, { recursive: true });
