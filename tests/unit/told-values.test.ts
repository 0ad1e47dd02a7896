import { expect } from 'chai';
import type { Answer } from '../../src/core/answer/answer';
import { answer } from '../../src/core/answering/answer';
import { layout } from '../../src/charts/layout';
import type { Scene } from '../../src/core/drawing/scene';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { figure } from '../../src/core/figures/figure';
import { kindsFor } from '../../src/core/figures/kinds';
import { questionOf } from '../../src/core/question/question';
import { emptyColumn, tableOf } from '../../src/core/readings/table';
import { meanText, pointTitle, readingText } from '../../src/core/scenes/told-values';
import { views } from '../../src/core/scenes/views';
import { lookScene } from '../../src/core/telling/look';
import { cases } from '../golden/cases';

/** What a picture says of its points, marks and itself. */
const told = (scene: Scene): string[] => [
  scene.alt,
  ...layout(scene).shapes.flatMap((s) => (s.shape === 'path' && s.title ? [s.title] : [])),
];

/** Digits no reading was given with: the dust of a computation, or a hyphen for a minus sign. */
const dust = /\d\.\d{9,}|\de[-+]\d|(?:: |\(|mean )-\d|NaN|undefined/;

const answered: { situation: string; found: Answer }[] = Object.values(cases).flatMap((of) =>
  of.flatMap(({ situation, table, question }) => {
    const found = answer(question, table);
    return found.ok ? [{ situation, found: found.value }] : [];
  }),
);

describe('what a picture says of its values', () => {
  it('is a reading as it was typed, a computed one with seven figures, a mean as its group’s mean', () => {
    expect([24.2, -0.5, 12345.678, 3e-9, 0.1 + 0.2, Math.log10(20)].map(readingText)).to.deep.equal([
      '24.2',
      '−0.5',
      '12345.678',
      '3 × 10⁻⁹',
      '0.3',
      '1.30103',
    ]);
    const group = { name: 'Red lamp', decimals: 1, summary: { variance: 4 } };
    expect(meanText(37 / 3, group)).to.equal('12.33');
    expect(pointTitle({ row: 6, value: 31.9 }, group, ['', '', '', '', '', '', 'S7'])).to.equal(
      'Red lamp, row 7 (S7): 31.9',
    );
    expect(pointTitle({ row: 0, value: 37 / 3, rows: [0, 1, 2] }, group)).to.equal(
      'Red lamp, mean of 3 readings: 12.33',
    );
    expect(pointTitle({ row: 1, value: 0.5, limited: 'censored' }, group, undefined, 'Red')).to.equal(
      'Red, row 2: below 0.5',
    );
  });

  it('has no dust of the computation, in any view of any answer, nor in its figures', () => {
    let points = 0;
    for (const { situation, found } of answered) {
      for (const view of Object.keys(views))
        for (const words of told(lookScene(found, 720, { sorted: false }, view as keyof typeof views))) {
          points += 1;
          expect(words, `${situation}, ${view}`).not.to.match(dust);
        }
      for (const kind of kindsFor(found))
        for (const words of told(figure(found, { ...defaultFigureStyle, kind }).scene))
          expect(words, `${situation}, figure of ${kind}`).not.to.match(dust);
    }
    expect(points).to.be.greaterThan(2000);
  });

  it('tells differences of decimals as decimals, with a true minus', () => {
    const column = (id: string, cells: string[]) => ({ ...emptyColumn(id, id, 'mm'), cells });
    const table = tableOf([
      column('Before', ['1.1', '2.3', '3.1', '1.7']),
      column('After', ['1.4', '2.0', '3.3', '2.3']),
    ]);
    const found = answer(questionOf('paired', { a: 'Before', b: 'After' }), table);
    if (!found.ok) throw new Error(found.reason);
    const words = told(lookScene(found.value, 720, { sorted: false })).join('\n');
    expect(words).to.include(': −0.3 mm').and.to.include(': 0.3 mm').and.to.include(': −0.6 mm');
  });
});
