import { expect } from 'chai';
import { demoTables } from '../../demo/skerrow';
import { answer } from '../../src/core/answering/answer';
import type { Answer } from '../../src/core/answer/answer';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { figure } from '../../src/core/figures/figure';
import { kindsFor } from '../../src/core/figures/kinds';
import { figureLegend } from '../../src/core/figures/legend';
import { pairedT } from '../../src/core/procedures/paired-t';
import { type Question, questionOf } from '../../src/core/question/question';
import type { Table } from '../../src/core/readings/table';
import { readColumn } from '../../src/core/readings/read-column';
import { changesOf } from '../../src/core/scenes/changes-look';
import { lookScene } from '../../src/core/telling/look';
import { plain } from '../../src/core/words/text';

const tables = demoTables().map(({ table }) => table);
const weekly = tables.find((t) => t.name === 'Weekly growth')!;
const rinse = tables.find((t) => t.name === 'Rinse')!;
const given = (question: Question, table: Table): Answer => {
  const found = answer(question, table);
  if (!found.ok) throw new Error(found.reason);
  return found.value;
};
/** The readings of two columns in the rows that have both. */
function both(table: Table, a: string, b: string): [number[], number[]] {
  const [x, y] = [a, b].map((id) => {
    const column = table.columns.find((c) => c.id === id)!;
    return new Map(readColumn(column).used.map((r) => [r.row, r.value]));
  });
  const rows = [...x!.keys()].filter((row) => y!.has(row));
  return [rows.map((r) => x!.get(r)!), rows.map((r) => y!.get(r)!)];
}

describe('changes of the same subjects', () => {
  it('are taken from the first time, or any named, with the interval a paired test would give', () => {
    const shown = given(questionOf('repeated', { level: 0.9 }), weekly);
    for (const from of ['week0', 'week2']) {
      const changes = changesOf(shown, from)!;
      expect(changes.base.id).to.equal(from);
      expect(changes.by.map((b) => b.group.id)).to.deep.equal(
        ['week0', 'week1', 'week2', 'week3'].filter((id) => id !== from),
      );
      for (const { group, changes: each, mean, interval } of changes.by) {
        const [before, after] = both(weekly, from, group.id);
        const expected = pairedT(after, before, 0.9);
        expect(each).to.have.length(before.length);
        expect(mean).to.be.closeTo(expected.estimate, 1e-12);
        expect(interval!.low).to.be.closeTo(expected.interval.low, 1e-9);
        expect(interval!.high).to.be.closeTo(expected.interval.high, 1e-9);
      }
    }
    // What is not there is as good as not named.
    expect(changesOf(shown, 'week9')?.base.id).to.equal('week0');
    // A line that missed a week is there in the others.
    expect(changesOf(shown)?.by.map((b) => b.changes.length)).to.deep.equal([9, 9, 8]);
  });

  it('are so many times as much where the answer is told in ratios', () => {
    const [{ changes, mean } = { changes: [], mean: NaN }] = changesOf(
      given(questionOf('repeated', { effect: 'ratio' }), weekly),
    )!.by;
    const [before, after] = both(weekly, 'week0', 'week1');
    expect(changes.map((c) => c.value)).to.deep.equal(after.map((y, i) => y / before[i]!));
    const logs = after.reduce((sum, y, i) => sum + Math.log(y / before[i]!), 0) / after.length;
    expect(mean).to.be.closeTo(Math.exp(logs), 1e-12);
  });

  it('are a picture of the page and a figure, against the line of no change; other questions have none', () => {
    const shown = given(questionOf('repeated', { turned: 'all' }), weekly);
    const scene = lookScene(shown, 900, { sorted: false, from: 'week1' }, 'change');
    expect(scene.alt).to.match(
      /^Changes of frond length from Week 1, each subject a point: Week 0, mean change −2\.\d\d/,
    );
    const [panel] = scene.panels;
    expect(panel?.x.title).to.equal('change from Week 1 (cm)');
    const line = panel?.marks.find((m) => m.mark === 'rule' && m.name === 'divide-line');
    expect(line).to.include({ x1: 0, x2: 0 });
    // Each point leads to both readings of its line.
    const points = panel?.marks.flatMap((m) => (m.mark === 'dots' && m.name === 'changes-0' ? m.points : [])) ?? [];
    expect(points[0]?.cells?.map((c) => c.column)).to.deep.equal(['week1', 'week0']);
    expect(kindsFor(shown)).to.include('changes');
    const style = { ...defaultFigureStyle, kind: 'changes', changeFrom: 'week1' } as const;
    expect(figure(shown, style).scene.alt).to.equal(scene.alt.split('. Beside')[0]!.replace(/\.?$/, '.'));
    expect(plain(figureLegend(shown, style))).to.include(
      'Frond length (cm): change from Week 1; small symbols are single lines',
    );
    for (const [question, table] of [
      [questionOf('two-groups', { a: 'red', b: 'white' }), tables[0]!],
      [questionOf('factorial'), tables.find((t) => t.name === 'Temperature by nutrient')!],
    ] as const)
      expect(changesOf(given(question, table))).to.equal(undefined);
    // Of pairs their differences are there already.
    expect(kindsFor(given(questionOf('paired', { a: 'before', b: 'after' }), rinse))).to.not.include('changes');
  });
});
