import { expect } from 'chai';
import { demoTables } from '../../demo/skerrow';
import { layout } from '../../src/charts/layout';
import { answer } from '../../src/core/answering/answer';
import type { AtLevel } from '../../src/core/answer/at-level';
import { studentT } from '../../src/core/distributions/t';
import { levelsScene } from '../../src/core/scenes/levels-picture';
import { views } from '../../src/core/scenes/views';
import { lookScene } from '../../src/core/telling/look';

describe('readings looked at otherwise', () => {
  it('keep one key each in every picture, and the same from picture to picture', () => {
    for (const { table, questions } of demoTables())
      for (const { question } of questions) {
        const found = answer(question, table);
        if (!found.ok) throw new Error(found.reason);
        const { counted, reported } = found.value;
        const keysOf = (view: keyof typeof views): string[] =>
          layout(lookScene(found.value, 900, { sorted: false }, view)).shapes.flatMap((s) =>
            s.shape === 'path' && s.key ? [s.key] : [],
          );
        const points = keysOf('points');
        expect(new Set(points).size, table.name).to.equal(points.length);
        if (counted || reported || points.length === 0) continue;
        const boxes = keysOf('box');
        expect(new Set(boxes).size, table.name).to.equal(boxes.length);
        expect(points, table.name).to.include.members(boxes);
      }
  });
});

describe('an interval at several levels', () => {
  const at = (estimate: number): AtLevel[] =>
    [0.8, 0.9, 0.95, 0.99].map((level) => {
      const reach = studentT(12).upperQuantile((1 - level) / 2);
      return {
        level,
        effect: { name: 'A minus B', estimate, interval: { low: estimate - reach, high: estimate + reach } },
      };
    });
  /** Share of the axis that the widest interval is longer than the narrowest. */
  const seen = (estimate: number): number => {
    const [panel] = levelsScene(at(estimate), 0.95, 'mm', 700, 0).panels;
    if (!panel) throw new Error('no panel');
    const rules = panel.marks.flatMap((m) =>
      m.mark === 'rule' && m.name?.startsWith('interval-') ? [m.x2 - m.x1] : [],
    );
    return ((rules.at(-1) ?? 0) - (rules[0] ?? 0)) / (panel.x.domain[1] - panel.x.domain[0]);
  };
  it('shows how much wider each is than the one before, wherever no difference lies', () => {
    for (const estimate of [0, 2, -5, 40, -4000]) expect(seen(estimate), String(estimate)).to.be.greaterThan(0.2);
  });
  it('draws the line of no difference where it is near, and says where it lies where it is not', () => {
    const marks = (estimate: number) => levelsScene(at(estimate), 0.95, 'mm', 700, 0).panels[0]?.marks ?? [];
    const drawn = (estimate: number) => marks(estimate).some((m) => 'name' in m && m.name === 'divide-line');
    const said = (estimate: number) =>
      marks(estimate).flatMap((m) => (m.mark === 'text' && m.name === 'none-beyond' ? [m.text] : []));
    expect([drawn(2), said(2)]).to.deep.equal([true, []]);
    expect([drawn(40), said(40)]).to.deep.equal([false, ['← no difference, at 0']]);
    expect([drawn(-40), said(-40)]).to.deep.equal([false, ['no difference, at 0 →']]);
  });
});
