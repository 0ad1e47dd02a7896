import { expect } from 'chai';
import type { GroupPart } from '../../src/core/answer/answer';
import { inOrder, ordered } from '../../src/core/answer/in-order';
import { answer } from '../../src/core/answering/answer';
import type { Mark, Scene } from '../../src/core/drawing/scene';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { figure } from '../../src/core/figures/figure';
import { kindsFor, places } from '../../src/core/figures/kinds';
import { levelKey } from '../../src/core/figures/slots';
import { lookScene } from '../../src/core/telling/look';
import { cases } from '../golden/cases';

/** Every answer of the golden texts that is drawn by groups. */
const answers = Object.entries(cases).flatMap(([file, all]) =>
  all.flatMap(({ table, question, situation }) => {
    const found = answer(question, table);
    return found.ok && found.value.groups.length > 1 && found.value.groups.length <= 12
      ? [{ name: `${file}: ${situation}`, answer: found.value }]
      : [];
  }),
);

type Dots = Extract<Mark, { mark: 'dots' }>;
const dotsOf = (scene: Scene, name: RegExp): Dots[] =>
  (scene.panels[0]?.marks ?? []).flatMap((m) => (m.mark === 'dots' && name.test(m.name ?? '') ? [m] : []));
/** The row of a picture that marks stand in. */
const rowOf = (mark: Dots): number => Math.round(mark.centre - 0.05);

/** Whether all readings and all samples' means of a picture stand in the rows of their own groups. */
function expectOwnRows(scene: Scene, groups: readonly GroupPart[], name: string): void {
  for (const mark of dotsOf(scene, /^(readings|samples|inner)-/)) {
    const group = groups[rowOf(mark)];
    const own = new Set(group?.readings.used.flatMap((r) => r.rows ?? [r.row]));
    for (const point of mark.points)
      for (const cell of point.cells ?? []) {
        expect(cell.column, name).to.equal(group?.column);
        expect(own.has(cell.row), `${name}: row ${cell.row} in ${group?.name}`).to.equal(true);
      }
  }
}

/** The groups' names as they stand from above, where a picture names its rows. */
const namesIn = (scene: Scene, names: readonly string[]): string[] =>
  (scene.panels[0]?.marks ?? [])
    .flatMap((m) => (m.mark === 'text' && m.x === -Infinity ? [{ y: m.y, text: m.text }] : []))
    .sort((p, q) => p.y - q.y)
    .flatMap(({ text }) => names.filter((name) => text === name || text.startsWith(`${name} · `)).slice(0, 1));

describe('groups in an order', () => {
  it('come after those the order names, as they were', () => {
    expect(ordered(['a', 'b', 'c', 'd'], (x) => x, ['d', 'b', 'gone'])).to.deep.equal(['d', 'b', 'a', 'c']);
    expect(ordered(['a', 'b'], (x) => x)).to.deep.equal(['a', 'b']);
  });

  it('bring with them what a comparison holds by their places, and all of it back again', () => {
    expect(answers.length).to.be.greaterThan(60);
    for (const { name, answer: given } of answers) {
      const ids = given.groups.map((g) => g.id);
      const turned = inOrder(given, ids.toReversed());
      if (!given.layout)
        expect(
          turned.groups.map((g) => g.id),
          name,
        ).to.deep.equal(ids.toReversed());
      const { reversed: _, ...plain } = given;
      expect(inOrder(turned, ids), name).to.deep.equal(plain);
    }
  });

  it('are drawn each in its row on the page and in a figure, whatever the kind of question', () => {
    let drawn = 0;
    for (const { name, answer: given } of answers) {
      const table = inOrder(given);
      if (given.layout || given.question.about === 'spread' || given.question.about === 'table') continue;
      // Against a covariate there are no rows.
      if (given.covariate !== undefined) continue;
      const names = table.groups.map((g) => g.name);
      const page = lookScene(given, 900);
      expectOwnRows(page, table.groups, name);
      if (!kindsFor(given).includes('beside')) continue;
      const order = table.groups.map((g) => g.id).toReversed();
      const { scene } = figure(given, { ...defaultFigureStyle, kind: 'beside', heightMm: 150, order });
      expectOwnRows(scene, table.groups.toReversed(), name);
      expect(namesIn(scene, names), name).to.deep.equal(names.toReversed());
      drawn += 1;
    }
    expect(drawn).to.be.greaterThan(30);
  });

  it('keep the first of the table as what changes are taken from', () => {
    for (const { name, answer: given } of answers) {
      if (!kindsFor(given).includes('changes')) continue;
      const order = given.groups.map((g) => g.id).toReversed();
      const { scene } = figure(given, { ...defaultFigureStyle, kind: 'changes', order });
      expect(scene.panels[0]?.x.title, name).to.include(given.groups[0]?.name);
      const by = given.groups.slice(1).map((g) => g.name);
      const named = (scene.panels[0]?.marks ?? []).flatMap((m) =>
        m.mark === 'text' && by.includes(m.text) ? [m] : [],
      );
      expect(
        named.sort((p, q) => p.y - q.y).map((m) => m.text),
        name,
      ).to.deep.equal(by.toReversed());
    }
  });

  it('of two factors are their levels, which keep their colours', () => {
    const found = answers.find((a) => a.answer.layout && kindsFor(a.answer).includes('beside'))?.answer;
    const layout = found?.layout;
    if (!layout) throw new Error('no two factors');
    const order = layout.a.levels.map((level) => levelKey('a', level)).toReversed();
    const shown = (style: { order?: string[] }) =>
      figure(found, { ...defaultFigureStyle, kind: 'beside', heightMm: 150, ...style }).scene;
    const names = layout.a.levels.map((level) => level.name);
    expect(namesIn(shown({}), names)).to.deep.equal(names);
    expect(namesIn(shown({ order }), names)).to.deep.equal(names.toReversed());
    const inks = (scene: Scene) => dotsOf(scene, /^readings-0-/).map((m) => m.ink);
    expect(inks(shown({ order }))).to.deep.equal(inks(shown({})));
    expect(places('beside')).to.equal(true);
    expect(places('covariate')).to.equal(false);
  });
});
