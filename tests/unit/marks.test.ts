import { expect } from 'chai';
import { demoTables } from '../../demo/skerrow';
import { layout } from '../../src/charts/layout';
import { answer } from '../../src/core/answering/answer';
import type { Answer } from '../../src/core/answer/answer';
import { bar, bare, dot, dots, estimate, label, path, rule, standing, through } from '../../src/core/drawing/marks';
import type { Mark, Panel, Scene } from '../../src/core/drawing/scene';
import { shortenedPair, textWidth } from '../../src/core/drawing/text-width';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { figure } from '../../src/core/figures/figure';
import { kindsFor } from '../../src/core/figures/kinds';
import { figureLegend } from '../../src/core/figures/legend';
import { type Question, questionOf } from '../../src/core/question/question';
import { boxOf } from '../../src/core/scenes/box';
import { boxMarks } from '../../src/core/scenes/box-marks';
import { namedRows } from '../../src/core/scenes/group-rows';
import { lookScene } from '../../src/core/telling/look';
import { plain } from '../../src/core/words/text';

const tables = demoTables();
const given = (question: Question, name: string): Answer => {
  const table = tables.find((t) => t.table.name === name)?.table;
  if (!table) throw new Error(`no table ${name}`);
  const found = answer(question, { ...table, id: 'demo' });
  if (!found.ok) throw new Error(found.reason);
  return found.value;
};
const lamps = (more: Partial<Question> = {}): Answer =>
  given(questionOf('two-groups', { a: 'red', b: 'white', ...more }), 'Lamp trial');
const marksOf = (scene: Scene, name: RegExp): Mark[] =>
  scene.panels.flatMap((p) => p.marks).filter((m) => name.test(m.name ?? ''));
const pointsOf = (scene: Scene, name: RegExp): number[] =>
  marksOf(scene, name).flatMap((m) => (m.mark === 'dots' ? m.points.map((p) => p.at) : []));

const some: Mark[] = [
  rule(1, 2, 3, 4, { caps: 5 }),
  through(7, { dash: true }),
  bar(0, -1, 6, 1, { tint: 0.4 }),
  dots([{ at: 2 }, { at: 3, across: 9 }], 1, { size: 4, room: 0.5, side: -1 }),
  path([
    [0, 1],
    [2, 3],
  ]),
  label('here', 4, 5, { dx: 6, dy: 7, anchor: 'end' }),
];

describe('marks', () => {
  it('stand upright and lie down again as they were', () => {
    expect(standing(standing(some))).to.deep.equal(some);
    const [line, value, rectangle, points, curve, words] = standing(some);
    expect(line).to.include({ x1: 2, y1: 1, x2: 4, y2: 3, caps: 5 });
    expect(value).to.include({ y1: 7, y2: 7, x1: -Infinity, x2: Infinity });
    expect(rectangle).to.include({ x1: -1, x2: 1, y1: 0, y2: 6 });
    expect(points).to.include({ along: 'y', centre: 1, side: -1 });
    expect(curve?.mark === 'path' && curve.points).to.deep.equal([
      [1, 0],
      [3, 2],
    ]);
    // Words are read level: their shifts are those of the paper.
    expect(words).to.include({ x: 5, y: 4, dx: 6, dy: 7, anchor: 'end' });
  });

  it('laid out upright are the mirror of those that lie, about the diagonal', () => {
    const scene = (marks: Mark[], x: Panel['x'], y: Panel['y']): Scene => ({
      width: 100,
      height: 100,
      fontSize: 10,
      lineWeight: 1,
      alt: '',
      panels: [{ left: 0, top: 0, width: 100, height: 100, x, y, marks }],
    });
    const marks = [rule(1, 2, 3, 4), bar(0, 2, 6, 8), dot(5, 5, { size: 4 })];
    const lying = layout(scene(marks, bare(0, 10), bare(0, 10))).shapes;
    const upright = layout(scene(standing(marks), bare(0, 10), bare(0, 10))).shapes;
    const corners = (shapes: typeof lying) =>
      shapes.flatMap((s) =>
        s.shape === 'line'
          ? [[s.x1, s.y1, s.x2, s.y2]]
          : s.shape === 'rect'
            ? [[s.x, s.y, s.x + s.width, s.y + s.height]]
            : [],
      );
    const mirrored = corners(lying).map(([x1 = 0, y1 = 0, x2 = 0, y2 = 0], i) =>
      i === 0 ? [100 - y1, 100 - x1, 100 - y2, 100 - x2] : [100 - y2, 100 - x2, 100 - y1, 100 - x1],
    );
    expect(corners(upright)).to.deep.equal(mirrored);
  });

  it('of an estimate are an interval where it has one, and a dot where it is known', () => {
    const look = { size: 9, caps: 7, names: ['of', 'at'] } as const;
    expect(estimate({ at: 2, interval: { low: 1, high: 3 } }, 0, look).map((m) => m.name)).to.deep.equal(['of', 'at']);
    expect(estimate({ at: 2, interval: undefined }, 0, look).map((m) => m.mark)).to.deep.equal(['dots']);
    expect(estimate({ at: undefined, interval: undefined }, 0, look)).to.deep.equal([]);
  });

  it('of a box tell its five numbers, the median in ink where the ground has its colour', () => {
    const box = boxOf([1, 2, 3, 4, 5, 6, 7, 8, 30]);
    const marks = (tint: number) => boxMarks(box, 2, 0.5, { ink: { group: 3 }, tint, name: 'g' });
    const rules = marks(0.2).flatMap((m) => (m.mark === 'rule' ? [m] : []));
    const whiskers = rules.filter((m) => m.name === 'whisker-g').map((m) => [m.x1, m.x2]);
    expect(whiskers).to.deep.equal([
      [box.low, box.q1],
      [box.q3, box.high],
    ]);
    const median = (tint: number) => marks(tint).find((m) => m.name === 'median-g');
    expect(median(0.2)).to.deep.include({ x1: box.median, x2: box.median, ink: { group: 3 } });
    expect(median(1)).to.deep.include({ ink: 'ink' });
    expect(marks(0).some((m) => m.mark === 'bar')).to.equal(false);
  });
});

describe('the name of a difference where room is short', () => {
  it('keeps something of both groups, and never takes more than there is', () => {
    const name = 'Daylight (control) minus Violet lamp of the second tank';
    expect(shortenedPair(name, 12, 1000)).to.equal(name);
    for (const width of [80, 100, 140, 200, 260]) {
      const text = shortenedPair(name, 12, width);
      expect(textWidth(text, 12), String(width)).to.be.at.most(width);
      expect(text, String(width)).to.match(/^D.* − V/);
    }
    // Names that begin alike are told apart by how they end.
    expect(shortenedPair('line of the north bay 7 minus line of the north bay 12', 12, 110)).to.equal('…7 minus …12');
    // Wide letters leave room for fewer of them.
    for (const width of [60, 70, 80, 90])
      expect(shortenedPair('Blue lamp minus Amber lamp', 12, width), String(width)).to.match(/^B.*… − A.*…$/);
    // What a short name leaves of its half goes to the long one.
    expect(shortenedPair('Red minus Violet lamp of the second tank', 12, 120)).to.match(/^Red − Violet lamp o?f?/);
    expect(shortenedPair('slope of the line over depth', 12, 60)).to.match(/^slope of.*…$/);
  });
});

describe('a picture of the page as a figure', () => {
  const style = { ...defaultFigureStyle, kind: 'beside', widthMm: 120, heightMm: 70 } as const;

  it('shows the same points, means and differences as the page, within its own height', () => {
    const shown = lamps();
    expect(kindsFor(shown)).to.include('beside');
    const [page, paper] = [lookScene(shown, 900), figure(shown, style).scene];
    for (const name of [/^readings-/, /^mean-/, /^effect$/])
      expect(pointsOf(paper, name), String(name)).to.deep.equal(pointsOf(page, name));
    expect(paper.alt).to.equal(page.alt);
    expect(paper.height).to.be.closeTo((70 / 25.4) * 72, 1e-9);
    const lowest = Math.max(
      ...layout(paper).shapes.flatMap((s) => (s.shape === 'text' ? [s.y] : s.shape === 'line' ? [s.y1, s.y2] : [])),
    );
    expect(lowest).to.be.within(paper.height * 0.9, paper.height);
  });

  it('says in its legend what stands where, of one difference and of several', () => {
    expect(plain(figureLegend(lamps(), style))).to.match(
      /^Blade length \(mm\) by group: small symbols are single seedlings, large symbols means with 95 % confidence intervals, hollow ones below them readings set aside; beside them the difference with its 95 % confidence interval against the line of no difference\. Red lamp n = 17, White lamp n = 16\./,
    );
    const several = given(questionOf('several'), 'Four lamps');
    expect(plain(figureLegend(several, style))).to.include(
      'beside them differences with 95 % confidence intervals against the line of no difference.',
    );
    const pairs = given(questionOf('paired', { a: 'before', b: 'after' }), 'Rinse');
    expect(plain(figureLegend(pairs, style))).to.match(/small symbols are single \S+, those of each \S+ joined, large/);
    // Whatever else is drawn hollow, joined or in shapes of its own is told.
    const own = (name: string) => tables.find((t) => t.table.name === name)?.questions[0]?.question;
    const limited = own('Iodine near the limit');
    expect(limited && plain(figureLegend(given(limited, 'Iodine near the limit'), style))).to.include(
      'hollow ones at the limit of detection readings below it',
    );
    const blocked = own('Doses in batches of spores');
    expect(blocked && plain(figureLegend(given(blocked, 'Doses in batches of spores'), style))).to.match(
      /each \S+ in a shape of its own with its means joined/,
    );
    const factors = given(questionOf('factorial'), 'Temperature by nutrient');
    expect(plain(figureLegend(factors, style))).to.include('large symbols cell means, joined; beside them differences');
  });

  it('takes the names and colours its groups have in a figure; ink belongs to no group there', () => {
    const looks = { red: { name: 'Red', colour: 5 }, white: { colour: 8 } };
    const { scene } = figure(lamps(), { ...style, looks });
    const names = scene.panels.flatMap((p) => p.marks.flatMap((m) => (m.mark === 'text' ? [m.text] : [])));
    expect(names).to.include('Red').and.to.include('White lamp');
    expect(marksOf(scene, /^mean-5$/)).to.have.length(1);
    expect(marksOf(scene, /^mean-1$/)).to.have.length(1);
  });

  it('is not offered where nothing is tested, and of shares tells shares', () => {
    expect(kindsFor(given(questionOf('estimate', { a: 'red' }), 'Lamp trial'))).to.not.include('beside');
    const own = tables.find((t) => t.table.name === 'Spore settlement')?.questions[0]?.question;
    const settled = given(own ?? questionOf('two-groups'), 'Spore settlement');
    expect(kindsFor(settled)).to.include('beside');
    expect(plain(figureLegend(settled, style, 'none'))).to.match(
      /^Share of settled by group with 95 % \S+ intervals; beside them/,
    );
  });
});

describe('the names of rows', () => {
  const frame = { left: 20, top: 0, width: 500, height: 400 };
  const rowsOf = (n: number, marked: boolean) =>
    Array.from({ length: n }, (_, i) => ({
      name: `line of the bay ${i + 1}`,
      ...(marked ? { group: { colour: i % 8 } } : {}),
    }));
  const textsOf = (marks: readonly Mark[]) => marks.flatMap((m) => (m.mark === 'text' ? [m] : []));

  it('stand above high rows, within the frame', () => {
    const { frame: inner, names } = namedRows(frame, rowsOf(4, true), 0.5);
    expect(inner).to.equal(frame);
    expect(textsOf(names).map((m) => m.y)).to.deep.equal([-0.5, 0.5, 1.5, 2.5]);
  });

  it('stand beside low rows, in room the frame gives up, each in the line of its row', () => {
    for (const marked of [true, false]) {
      const { frame: inner, names } = namedRows(frame, rowsOf(20, marked), 0.5);
      const room = inner.left - frame.left;
      expect(inner.width).to.equal(frame.width - room);
      const named = textsOf(names).filter((m) => m.text.startsWith('line'));
      expect(named.map((m) => m.y)).to.deep.equal([...rowsOf(20, marked).keys()]);
      // None reaches into what is drawn.
      for (const m of named) expect((m.dx ?? 0) + textWidth(m.text, 12), m.text).to.be.below(0);
      expect(names.length).to.equal(marked ? 40 : 20);
    }
  });

  it('of more rows than lines are those of every so many', () => {
    const { names } = namedRows(frame, rowsOf(50, false), 0.5);
    expect(textsOf(names).map((m) => m.y)).to.deep.equal([...rowsOf(50, false).keys()].filter((i) => i % 2 === 0));
  });
});
