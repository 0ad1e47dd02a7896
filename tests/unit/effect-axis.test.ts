import { expect } from 'chai';
import fc from 'fast-check';
import { demoTables } from '../../demo/skerrow';
import { layout } from '../../src/charts/layout';
import { askMany } from '../../src/core/answering/many';
import { alternativeMethods } from './asked';
import { foremost } from '../../src/core/answer/foremost';
import { differencesOf } from '../../src/core/answer/pairing';
import { passes } from '../../src/core/procedures/interval';
import { questionOf } from '../../src/core/question/question';
import { alongAxis, effectAxis } from '../../src/core/scenes/effect-axis';
import { effectDomain, measuresAxis, measuresOverview, onAxis } from '../../src/core/scenes/measures-overview';
import { alternativesTable } from '../../src/core/telling/alternatives-table';
import { lookScene } from '../../src/core/telling/look';
import { comparisonTable } from '../../src/core/words/tables/test-tables';
import { answer as ask } from '../../src/core/answering/answer';
import type { Answer } from '../../src/core/answer/answer';
import type { Question } from '../../src/core/question/question';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { figure } from '../../src/core/figures/figure';
import { textWidth } from '../../src/core/drawing/text-width';
import { type Rung, drawnRungs } from '../../src/core/scenes/ladder';

const demo = demoTables();
const of = (name: string) => {
  const found = demo.find((t) => t.table.name === name);
  const [asked] = found?.questions ?? [];
  if (!found || !asked) throw new Error(`no ${name}`);
  return { table: found.table, question: asked.question };
};

const answered = (question: Question, table: Table): Answer => {
  const found = ask(question, table);
  if (!found.ok) throw new Error(found.reason);
  return found.value;
};
const comparisonOf = ({ comparison }: Answer) => {
  if (!comparison.ok) throw new Error(comparison.reason);
  return comparison.value;
};

describe('the figures of one effect', () => {
  /** Two groups of ten, the second so much higher; its effect as it is drawn. */
  const lookOf = (shift: number, spread: number) => {
    const cells = (by: number): string[] =>
      Array.from({ length: 10 }, (_, i) => ((i - 4.5) * spread + by + (i % 3)).toFixed(3));
    const columns = [
      { ...emptyColumn('a', 'red', 'mm'), cells: cells(shift) },
      { ...emptyColumn('b', 'white', 'mm'), cells: cells(0) },
    ];
    const found = answered({ ...questionOf('two-groups'), a: 'a', b: 'b' }, tableOf(columns, { shape: 'columns' }));
    const { shapes } = layout(lookScene(found, 690));
    const line = shapes.find((s) => s.shape === 'line' && s.name === 'divide-line');
    const words = shapes.flatMap((s) => (s.shape === 'text' && s.bold && s.x > 430 ? [s] : []));
    if (line?.shape !== 'line' || words.length === 0) throw new Error('no line or no figures');
    return {
      x: line.x1,
      words: words.map(({ x, text, size }) => ({
        text,
        from: x - textWidth(text, size, true) / 2,
        to: x + textWidth(text, size, true) / 2,
      })),
    };
  };

  it('never stand on the divide line, whichever side the interval leans to; long ones stand on two lines', () => {
    const lines = new Set<number>();
    fc.assert(
      fc.property(fc.integer({ min: -400, max: 400 }), fc.integer({ min: 1, max: 6000 }), (shift, spread) => {
        const { x, words } = lookOf(shift / 10, spread / 10);
        lines.add(words.length);
        for (const { text, from, to } of words) {
          expect(x < from || x > to, `line at ${x}, ${text} from ${from} to ${to}`).to.equal(true);
          expect(to, text).to.be.at.most(690);
          expect(from, text).to.be.at.least(430);
        }
      }),
      { numRuns: 80 },
    );
    expect([...lines].sort()).to.deep.equal([1, 2]);
  });
});

describe('of more differences than there is room for', () => {
  const rung = (estimate: number, more: Partial<Rung> = {}): Rung => ({
    name: `d ${estimate}`,
    estimate,
    interval: { low: estimate - 1, high: estimate + 1 },
    significant: Math.abs(estimate) > 1,
    ...more,
  });
  const many = Array.from({ length: 28 }, (_, i) => rung((i % 2 ? 1 : -1) * ((i * 11) % 29)));

  it('those farthest from none are drawn, in their order; all of few', () => {
    expect(drawnRungs(many.slice(0, 12), 12)).to.deep.equal(many.slice(0, 12));
    const drawn = drawnRungs(many, 12);
    expect(drawn).to.have.length(12);
    const least = Math.min(...drawn.map((r) => Math.abs(r.estimate)));
    const left = many.filter((r) => !drawn.some((d) => d.name === r.name));
    expect(left).to.have.length(16);
    expect(left.every((r) => Math.abs(r.estimate) <= least)).to.equal(true);
    expect(drawn).to.deep.equal(many.filter((r) => !left.includes(r)));
    // Of ratios half as much is as far as twice as much.
    const ratios = [0.5, 1.1, 1.9, 0.9].map((x) => rung(x, { ratio: true }));
    expect(drawnRungs(ratios, 2).map((r) => r.estimate)).to.deep.equal([0.5, 1.9]);
  });

  it('each keeps the heading it stands under, once', () => {
    const parts = ['north', 'south'].flatMap((heading, p) =>
      [0, 1, 2].map((i) => rung(10 * p + i, i === 0 ? { heading } : {})),
    );
    expect(drawnRungs(parts, 4).map((r) => r.heading)).to.deep.equal(['north', 'south', undefined, undefined]);
  });

  it('the axis holds all of them, and a figure says what it leaves out until it is high enough', () => {
    const table = tableOf(
      Array.from({ length: 8 }, (_, g) => ({
        ...emptyColumn(`g${g}`, `Line ${g + 1}`, 'mm'),
        cells: [0, 1, 2, 3].map((k) => String(20 + 3 * g + ((k * 7 + g) % 5))),
      })),
    );
    const eight = answered(questionOf('several'), table);
    const effects = comparisonOf(eight).follow;
    const all = effects?.ok ? effects.value.flatMap((part) => part.effects) : [];
    expect(all).to.have.length(28);
    const { domain } = effectAxis(eight)!;
    for (const { interval } of all) {
      expect(interval!.low).to.be.at.least(domain[0]);
      expect(interval!.high).to.be.at.most(domain[1]);
    }
    const rungs = (heightMm: number, kind: 'differences' | 'beside') => {
      const { scene, remarks } = figure(eight, { ...defaultFigureStyle, kind, heightMm });
      const drawn = scene.panels.flatMap((p) => p.marks).filter((m) => m.name === 'rung-estimate').length;
      return { drawn, remarks };
    };
    expect(rungs(70, 'differences').drawn).to.equal(12);
    expect(rungs(70, 'differences').remarks.join()).to.match(/^Of 28 differences the 12 farthest from none are drawn/);
    expect(rungs(250, 'differences')).to.deep.equal({ drawn: 28, remarks: [] });
    expect(rungs(250, 'beside').drawn).to.equal(28);
    const words = lookScene(eight, 800).panels.flatMap((p) =>
      p.marks.flatMap((m) => (m.mark === 'text' ? [m.text] : [])),
    );
    expect(words).to.include('the 12 farthest apart; all 28 below');
  });
});

describe('the one axis of a question’s effects', () => {
  it('is the picture’s own: every effect in a table lies on it where the picture has it', () => {
    const { table, question } = of('Four lamps');
    const answer = answered(question, table);
    const axis = effectAxis(answer);
    if (!axis) throw new Error('no axis');
    const scene = lookScene(answer, 700);
    expect(scene.panels[1]?.x.domain).to.deep.equal(axis.domain);
    const { follow } = comparisonOf(answer);
    if (!follow?.ok) throw new Error('no comparisons');
    const effects = follow.value.flatMap((p) => p.effects);
    const rows = comparisonTable(answer, follow.value).rows.map((r) => r.effect);
    expect(rows).to.deep.equal(
      effects.map((e) => ({ estimate: e.estimate, interval: e.interval, significant: passes(e.p, question.level) })),
    );
    // As drawn: a rung stands where its share of the axis says.
    const drawn = layout(scene).shapes.flatMap((s) => (s.shape === 'line' && s.name === 'divide-line' ? [s.x1] : []));
    const panel = scene.panels[1];
    expect(drawn[0]).to.be.closeTo((panel?.left ?? 0) + (panel?.width ?? 0) * alongAxis(axis, axis.none), 1e-9);
  });

  it('holds what is measured alike under other methods, and leaves out ranks and ratios', () => {
    const { table, question } = of('Lamp trial');
    const others = alternativeMethods(question, table);
    const rows = alternativesTable(question, others).rows;
    const told = rows.map((row) => row.effect !== undefined);
    expect(told.filter(Boolean).length).to.be.greaterThan(2);
    others.forEach(({ asked }, i) => {
      if (asked.effect === 'ratio') expect(told[i], 'a ratio').to.equal(false);
    });
    expect(effectAxis(answered(questionOf('estimate', { a: question.a ?? '' }), table))).to.equal(undefined);
  });

  it('draws the foremost comparison as significant by its own p, whatever the test of all together says', () => {
    const { table, question } = of('Four lamps');
    const others = alternativeMethods({ ...question, follow: 'scheffe', spread: 'pooled', level: 0.9995 }, table);
    let apart = 0;
    alternativesTable(question, others).rows.forEach((row, i) => {
      const found = others[i]?.found;
      const top = found?.ok && found.value.comparison.ok ? foremost(found.value.comparison.value) : undefined;
      if (row.effect) expect(row.effect.significant).to.equal(passes(top?.p ?? NaN, 0.9995));
      if (found?.ok && found.value.comparison.ok && row.effect?.significant === false)
        apart += passes(found.value.comparison.value.p ?? 1, 0.9995) ? 1 : 0;
    });
    // All together can differ where no two do.
    expect(apart).to.be.greaterThan(0);
  });

  it('has every pair’s difference on it, each a point that names its subject and leads to both its readings', () => {
    const { table, question } = of('Rinse');
    const answer = answered(question, table);
    const { pairing } = comparisonOf(answer);
    if (!pairing) throw new Error('no pairs');
    const points = lookScene(answer, 700).panels.flatMap((p) =>
      p.marks.flatMap((m) => (m.mark === 'dots' && m.name === 'pair-difference' ? m.points : [])),
    );
    expect(points.map((p) => p.at)).to.deep.equal(differencesOf(pairing));
    for (const [i, point] of points.entries()) {
      expect(point.title).to.include(pairing.pairs[i]?.subject ?? 'none');
      expect(point.cells?.map((c) => c.row)).to.deep.equal([pairing.pairs[i]?.a.row, pairing.pairs[i]?.b.row]);
    }
    const axis = effectAxis(answer);
    for (const { at } of points) expect(at).to.be.within(axis?.domain[0] ?? NaN, axis?.domain[1] ?? NaN);
  });

  it('runs from 0 at its left end to 1, in order, and holds what lies beyond at its ends', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 1e3, noNaN: true }),
        fc.double({ min: 0.01, max: 1e3, noNaN: true }),
        fc.boolean(),
        (a, b, log) => {
          const axis = { domain: [Math.min(a, b), Math.max(a, b) * 1.5] as [number, number], log };
          expect(alongAxis(axis, axis.domain[0])).to.equal(0);
          expect(alongAxis(axis, axis.domain[1])).to.equal(1);
          const inside = alongAxis(axis, Math.sqrt(axis.domain[0] * axis.domain[1]));
          expect(inside).to.be.within(0, 1);
          if (log) expect(inside).to.be.closeTo(0.5, 1e-9);
          expect([alongAxis(axis, -1e9), alongAxis(axis, 1e9)]).to.deep.equal([0, 1]);
        },
      ),
    ));
});

describe('the overview of every measure', () => {
  const { table, question } = of('Forty pigments');
  const all = [...askMany(question, table, { columns: true }).answers];

  it('is in the unit all share, each point at its effect and p, those that differ filled', () => {
    const axis = measuresAxis(all);
    expect([axis.title, axis.ratio]).to.deep.equal(['difference (µg/g)', false]);
    const scene = measuresOverview(
      all.map((m, place) => ({ ...m, place, significant: place === 3 })),
      axis,
      720,
    );
    const [panel] = scene.panels;
    const points = panel?.marks.flatMap((m) => (m.mark === 'dots' ? m.points : [])) ?? [];
    expect(points).to.have.length(all.length);
    for (const point of points) {
      const own = all[point.cells?.[0]?.row ?? -1];
      expect([point.at, point.across]).to.deep.equal([own?.estimate, own?.p]);
    }
    const filled = panel?.marks.filter((m) => m.mark === 'dots' && !m.hollow);
    expect(filled?.map((m) => m.mark === 'dots' && m.points.map((p) => p.cells?.[0]?.row))).to.deep.equal([[3]]);
    const [low, high] = effectDomain(all, axis);
    for (const m of all) expect(m.interval?.low).to.be.within(low, high);
  });

  it('is in pooled SDs where units differ', () => {
    const mixed = all.slice(0, 4).map((m, i) => (i === 0 ? { ...m, unit: 'mm' } : m));
    const axis = measuresAxis(mixed);
    expect(axis.title).to.equal('difference (pooled SDs)');
    const [one] = mixed;
    const [a, b] = one?.groups.map((g) => g.sd ?? NaN) ?? [];
    const [n, k] = one?.n ?? [];
    const sd = Math.sqrt(
      (((n ?? 0) - 1) * (a ?? NaN) ** 2 + ((k ?? 0) - 1) * (b ?? NaN) ** 2) / ((n ?? 0) + (k ?? 0) - 2),
    );
    expect(one && onAxis(axis, one)?.estimate).to.be.closeTo((one?.estimate ?? NaN) / sd, 1e-12);
  });
});
