import { random } from '../src/core/numeric/random';
import { defaultQuestion } from '../src/core/question/question';
import { type Column, type Table, emptyColumn } from '../src/core/readings/table';
import { defaultFigureStyle } from '../src/core/scenes/figure-style';
import type { StudyDraft } from '../src/store/studies';

/** Made-up readings of a kelp nursery that does not exist; the seed makes them the same everywhere. */
const seed = 20261123;

function blades(n: number, mean: number, sd: number, draw: () => number): string[] {
  return Array.from({ length: n }, () => (mean + sd * draw()).toFixed(1));
}

/** The lamp trial: blade length of seedlings raised under a red and under a white lamp. One tag was lost. */
function lampTrial(): Table {
  const { normal } = random(seed);
  const red: Column = {
    ...emptyColumn('red', 'Red lamp', 'mm'),
    cells: blades(18, 34.2, 4.1, normal),
    aside: { 6: 'tag lost' },
  };
  const white: Column = { ...emptyColumn('white', 'White lamp', 'mm'), cells: blades(16, 30.4, 5.2, normal) };
  return {
    id: '',
    name: 'Lamp trial',
    measure: 'blade length',
    subject: 'seedling',
    rowCount: 18,
    columns: [red, white],
  };
}

/** The demo study of Skerrow Kelp Nursery. */
export const demoStudy = (): StudyDraft => ({
  title: 'Skerrow Kelp Nursery',
  tables: [
    { table: lampTrial(), questions: [{ question: defaultQuestion('red', 'white'), figures: [defaultFigureStyle] }] },
  ],
});
