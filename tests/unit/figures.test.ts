import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { demoTables } from '../../demo/skerrow';
import { layout } from '../../src/charts/layout';
import { answer } from '../../src/core/answering/answer';
import type { Answer } from '../../src/core/answer/answer';
import { cellParts } from '../../src/core/answer/group-part';
import { asterisks } from '../../src/core/figures/comparison-band';
import { comparisonsMade } from '../../src/core/figures/comparisons-made';
import { figure } from '../../src/core/figures/figure';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import type { FigureStyle } from '../../src/core/figures/figure-style';
import { kindsFor, usualStyle } from '../../src/core/figures/kinds';
import { figureLegend } from '../../src/core/figures/legend';
import { plate } from '../../src/core/figures/plate';
import { slotsOf } from '../../src/core/figures/slots';
import { quantile, sortedUp } from '../../src/core/numeric/quantile';
import { type Question, questionOf } from '../../src/core/question/question';
import { emptyColumn, tableOf, type Table } from '../../src/core/readings/table';
import type { Drawing, Shape } from '../../src/core/drawing/drawing';
import { textWidth } from '../../src/core/drawing/text-width';
import { plain } from '../../src/core/words/text';
import { pdfFile } from '../../src/formats/pdf';
import { svgFile } from '../../src/formats/svg';

const given = (question: Question, table: Table): Answer => {
  const found = answer(question, table);
  if (!found.ok) throw new Error(found.reason);
  return found.value;
};
const asked = demoTables().flatMap(({ table, questions }) =>
  questions.map(({ question }) => ({ name: table.name, answer: given(question, table) })),
);
const of = (name: string, design?: string): Answer =>
  asked.find((a) => a.name === name && (!design || a.answer.question.design === design))!.answer;
const drawn = (shown: Answer, style: Partial<FigureStyle> = {}): Drawing =>
  layout(figure(shown, { ...defaultFigureStyle, ...style }).scene);

describe('a figure without readings', () => {
  it('says that its axis says nothing, until there is one', () => {
    const columns = ['red', 'white'].map((name) => emptyColumn(name, name, 'mm'));
    const question = { ...questionOf('two-groups'), a: 'red', b: 'white' };
    const remarksOf = (table: Table): string[] => figure(given(question, table), defaultFigureStyle).remarks;
    expect(remarksOf(tableOf(columns, { shape: 'columns' }))[0]).to.equal(
      'No group holds a reading yet: the axis says nothing.',
    );
    const [red, white] = columns as [(typeof columns)[0], (typeof columns)[0]];
    const some = tableOf([{ ...red, cells: ['21.2'] }, white], { shape: 'columns' });
    expect(remarksOf(some).join()).not.to.include('No group holds');
  });
});

type Corner = [number, number];
/** The four corners of a text as it stands, from its measured width. */
function corners(shape: Extract<Shape, { shape: 'text' }>): Corner[] {
  const width = textWidth(shape.text, shape.size) * 0.86;
  const from = shape.anchor === 'end' ? -width : shape.anchor === 'middle' ? -width / 2 : 0;
  const turn = ((shape.turn ?? 0) * Math.PI) / 180;
  return (
    [
      [from, -0.68 * shape.size],
      [from + width, -0.68 * shape.size],
      [from + width, 0.12 * shape.size],
      [from, 0.12 * shape.size],
    ] as Corner[]
  ).map(([x, y]) => [
    shape.x + x * Math.cos(turn) - y * Math.sin(turn),
    shape.y + x * Math.sin(turn) + y * Math.cos(turn),
  ]);
}
/** Whether two convex shapes overlap: no line parts them. */
function overlap(a: Corner[], b: Corner[]): boolean {
  for (const shape of [a, b])
    for (let i = 0; i < 4; i++) {
      const [[x1, y1], [x2, y2]] = [shape[i]!, shape[(i + 1) % 4]!];
      const along = ([x, y]: Corner): number => x * (y1 - y2) + y * (x2 - x1);
      const [pa, pb] = [a.map(along), b.map(along)];
      if (Math.max(...pa) <= Math.min(...pb) + 1e-9 || Math.max(...pb) <= Math.min(...pa) + 1e-9) return false;
    }
  return true;
}
function expectReadable(drawing: Drawing, what: string): void {
  const texts = drawing.shapes.filter((s) => s.shape === 'text');
  const boxes = texts.map(corners);
  boxes.forEach((box, i) => {
    for (const [x, y] of box) {
      expect(x, `${what}: “${texts[i]!.text}” is cut`).to.be.within(-1, drawing.width + 1);
      expect(y, `${what}: “${texts[i]!.text}” is cut`).to.be.within(-1, drawing.height + 1);
    }
    for (let j = 0; j < i; j++)
      expect(overlap(box, boxes[j]!), `${what}: “${texts[i]!.text}” lies on “${texts[j]!.text}”`).to.equal(false);
  });
}

/** Values read back from a drawing by its own axis: its ticks fix the scale. */
function scaleOf(drawing: Drawing): (y: number) => number {
  const ticks = drawing.shapes.flatMap((s) =>
    s.shape === 'text' && s.name === 'y-axis-number'
      ? [{ value: Number(s.text.replace('−', '-').replaceAll('\u202f', '')), y: s.y - s.size * 0.34 }]
      : [],
  );
  const [first, last] = [ticks[0]!, ticks.at(-1)!];
  return (y) => first.value + ((y - first.y) / (last.y - first.y)) * (last.value - first.value);
}
const lines = (drawing: Drawing, name: string) =>
  drawing.shapes.filter((s): s is Extract<Shape, { shape: 'line' }> => s.shape === 'line' && s.name === name);

describe('figures for the paper', () => {
  it('of every question and kind leave no text cut or lying on another, in one column and in two', () => {
    for (const { name, answer: shown } of asked)
      for (const kind of kindsFor(shown))
        for (const widthMm of [85, 174])
          for (const font of ['sans', 'serif'] as const) {
            expectReadable(drawn(shown, { kind, widthMm, font, readings: false }), `${name}, ${kind}, ${widthMm} mm`);
          }
  });

  it('keep names of any length and number apart: in lines, turned, or thinned out', () => {
    const word = fc.string({
      unit: fc.constantFrom('a', 'e', 'i', 'm', 'n', 'r', 't', 'w', 'M', 'W', ' '),
      minLength: 1,
      maxLength: 34,
    });
    fc.assert(
      fc.property(
        fc.array(word, { minLength: 2, maxLength: 40 }),
        fc.integer({ min: 40, max: 180 }),
        fc.integer({ min: 6, max: 12 }),
        fc.constantFrom('means', 'boxes'),
        (names, widthMm, fontPt, kind) => {
          const columns = names.map((n, i) => ({
            ...emptyColumn(`c${i}`, `${n.trim() || 'x'}${i}`, 'mm'),
            cells: ['3', '4', '5.5', '7'],
          }));
          const shown = given(questionOf('several'), tableOf(columns, { measure: 'blade length' }));
          const drawing = drawn(shown, { kind: kind as 'means', widthMm, fontPt, compared: 'none', heightMm: 90 });
          expectReadable(drawing, `${names.length} names`);
        },
      ),
      { numRuns: 120, seed: 7 },
    );
  });

  it('have boxes, cell means and shares that read back as the answer’s numbers', () => {
    const four = of('Four lamps');
    const boxes = drawn(four, { kind: 'boxes' });
    const value = scaleOf(boxes);
    slotsOf(four, defaultFigureStyle).slots.forEach(({ group }, i) => {
      const median = quantile(sortedUp(group.readings.used.map((r) => r.value)), 0.5);
      expect(value(lines(boxes, `median-${i}`)[0]!.y1)).to.be.closeTo(median, 1e-6);
    });
    const factors = of('Temperature by nutrient');
    const means = drawn(factors, { kind: 'means', bars: 'sem' });
    const at = scaleOf(means);
    const cells = cellParts(factors.layout!, 0.95);
    slotsOf(factors, defaultFigureStyle).slots.forEach(({ id }, i) => {
      const { mean, variance, n } = cells.find((c) => c.id === id)!.summary!;
      expect(at(lines(means, `mean-${i}`)[0]!.y1)).to.be.closeTo(mean, 1e-6);
      const [bar] = lines(means, `error-bar-${i}`);
      expect(at(bar!.y2) - at(bar!.y1)).to.be.closeTo(2 * Math.sqrt(variance / n), 1e-6);
    });
    const shares = of('Spore settlement', 'several');
    const columns = drawn(shares);
    const share = scaleOf(columns);
    shares.groups.forEach((g, i) => {
      const [bar] = lines(columns, `error-bar-${i}`);
      expect(share(lines(columns, `mean-${i}`)[0]!.y1)).to.be.closeTo(g.share!.proportion, 1e-6);
      expect(share(bar!.y1)).to.be.closeTo(g.share!.interval.low, 1e-6);
      expect(share(bar!.y2)).to.be.closeTo(g.share!.interval.high, 1e-6);
    });
  });

  it('fill, widen and space their marks as chosen, and their values stay where they were', () => {
    const four = of('Four lamps');
    const usual = drawn(four, { readings: false });
    const at = scaleOf(usual);
    const tops = (drawing: Drawing) => [0, 1, 2, 3].map((i) => lines(drawing, `mean-${i}`)[0]!);
    const rects = (drawing: Drawing, name: string) =>
      drawing.shapes.flatMap((s) => (s.shape === 'rect' && s.name === name ? [s] : []));
    // An outline that can be seen on white, whatever fills it.
    expect(lines(usual, 'column-0')).to.have.length(4);
    expect(rects(usual, 'column-0').map((r) => r.tint)).to.deep.equal([0.22]);
    expect(rects(drawn(four, { fill: 'solid', readings: false }), 'column-0').map((r) => r.tint)).to.deep.equal([1]);
    expect(rects(drawn(four, { fill: 'none', readings: false }), 'column-0')).to.deep.equal([]);
    const widths = [20, 60, 100].map((columnWidth) => {
      const drawing = drawn(four, { columnWidth, readings: false });
      tops(drawing).forEach((top, i) => expect(top.y1).to.be.closeTo(tops(usual)[i]!.y1, 1e-9));
      const [top] = tops(drawing);
      return top!.x2 - top!.x1;
    });
    expect(widths[1]! / widths[0]!).to.be.closeTo(3, 1e-9);
    expect(widths[2]! / widths[0]!).to.be.closeTo(5, 1e-9);
    // A bar away from 0 alone begins at the mean.
    four.groups.forEach((g, i) => {
      const [bar] = lines(drawn(four, { barSide: 'outer', bars: 'sd', readings: false }), `error-bar-${i}`);
      expect(Math.min(at(bar!.y1), at(bar!.y2))).to.be.closeTo(g.summary!.mean, 1e-6);
      expect(Math.max(at(bar!.y1), at(bar!.y2))).to.be.closeTo(g.summary!.mean + Math.sqrt(g.summary!.variance), 1e-6);
    });
    const factors = of('Temperature by nutrient');
    // Where means are points, both ends stay: half an error bar would tell another thing.
    const joined = (barSide: FigureStyle['barSide']) =>
      lines(drawn(factors, { kind: 'interaction', barSide, readings: false }), 'error-bar-0');
    expect(joined('outer')).to.deep.equal(joined('both'));
    const between = [0, 40, 80].map((groupGap) => {
      const [first, second] = slotsOf(factors, { ...defaultFigureStyle, groupGap }).slots;
      return second!.at - first!.at;
    });
    expect(between[0]! / between[1]!).to.be.closeTo(1 / 0.6, 1e-9);
    expect(between[0]! / between[2]!).to.be.closeTo(5, 1e-9);
  });

  it('write each mean or share where it stands, with room for it, and rounded as tables round it', () => {
    for (const marks of ['columns', 'points'] as const) {
      const four = of('Four lamps');
      const drawing = drawn(four, { marks, valueLabels: true, readings: false, compared: 'none' });
      expectReadable(drawing, marks);
      const written = drawing.shapes.flatMap((s) => (s.shape === 'text' && s.name === 'value' ? [s.text] : []));
      expect(written).to.have.length(4);
      written.forEach((text, i) => expect(Number(text)).to.be.closeTo(four.groups[i]!.summary!.mean, 0.051));
    }
    const shares = drawn(of('Spore settlement', 'several'), { valueLabels: true, compared: 'none' });
    expectReadable(shares, 'shares');
    const told = shares.shapes.flatMap((s) => (s.shape === 'text' && s.name === 'value' ? [s.text] : []));
    expect(told).to.deep.equal(
      of('Spore settlement', 'several').groups.map((g) => `${Number((100 * g.share!.proportion).toPrecision(3))} %`),
    );
  });

  it('set readings of like value side by side, by chance, or on one line, each at its own value', () => {
    const four = of('Four lamps');
    const placed = (scatter: FigureStyle['scatter']) => {
      const drawing = drawn(four, { scatter, marks: 'points', readingPt: 2.5 });
      const at = scaleOf(drawing);
      return drawing.shapes.flatMap((s) => {
        const [, x, y] =
          s.shape === 'path' && s.name === 'readings-0' ? (/M(-?[\d.]+),(-?[\d.]+)/.exec(s.d) ?? []) : [];
        return x === undefined || y === undefined ? [] : [{ x: Number(x), value: at(Number(y)) }];
      });
    };
    const spread = (points: { x: number }[]): number => new Set(points.map(({ x }) => x.toFixed(1))).size;
    const [packed, random, line] = [placed('packed'), placed('random'), placed('line')];
    expect(packed.length).to.equal(four.groups[0]!.n);
    expect(spread(line)).to.equal(1);
    expect(spread(random)).to.be.greaterThan(spread(line));
    expect(placed('random')).to.deep.equal(random);
    for (const points of [random, line])
      points.forEach(({ value }, i) => expect(value).to.be.closeTo(packed[i]!.value, 1e-6));
  });

  it('share one scale over panels of one unit where that is wished, and over no others', () => {
    const style: FigureStyle = { ...defaultFigureStyle, widthMm: 174, marks: 'points', readings: false };
    const [lamps, four, shares] = [of('Lamp trial'), of('Four lamps'), of('Spore settlement', 'several')];
    const domains = (sharedScale: boolean) =>
      plate({ answer: lamps, style: { ...style, sharedScale } }, [
        { answer: four, style },
        { answer: shares, style },
      ])
        .scene.panels.filter((p) => p.y.drawn)
        .map((p) => p.y.domain);
    const [own, together] = [domains(false), domains(true)];
    expect(lamps.unit).to.equal(four.unit);
    expect(own[0]).to.not.deep.equal(own[1]);
    expect(together[0]).to.deep.equal(together[1]);
    expect(together[0]).to.deep.equal([Math.min(own[0]![0], own[1]![0]), Math.max(own[0]![1], own[1]![1])]);
    expect(together[2]).to.deep.equal(own[2]);
  });

  it('show only comparisons that were made, with their adjusted p, and say in the legend how', () => {
    const four = of('Four lamps');
    if (!four.comparison.ok || !four.comparison.value.follow?.ok) throw new Error('no follow-up');
    const [part] = four.comparison.value.follow.value;
    const made = comparisonsMade(four, slotsOf(four, defaultFigureStyle).slots);
    expect(made.map((m) => [m.a, m.b, m.p])).to.deep.equal(part!.effects.map((e) => [...e.pair!, e.p]));
    const names = (style: Partial<FigureStyle>): string[] => [
      ...new Set(drawn(four, style).shapes.flatMap((s) => (s.name?.startsWith('bracket-') ? [s.name] : []))),
    ];
    expect(names({ compared: 'brackets' }).length).to.equal(made.filter((m) => m.significant).length);
    expect(names({ compared: 'brackets', bracketsFor: 'all', heightMm: 140 }).length).to.equal(made.length);
    expect(names({ compared: 'none' })).to.deep.equal([]);
    const letters = drawn(four, { compared: 'letters' }).shapes.flatMap((s) =>
      s.shape === 'text' && s.name === 'letters' ? [s.text] : [],
    );
    expect(letters).to.deep.equal(part!.letters!.map((l) => l.letters));
    const control = of('Four lamps');
    expect(plain(figureLegend(control, { ...defaultFigureStyle, bracketsFor: 'all' }, 'brackets'))).to.include(
      'Brackets mark comparisons with their p (Games–Howell)',
    );
    expect([0.2, 0.04, 0.004, 0.0004].map(asterisks)).to.deep.equal(['n.s.', '*', '**', '***']);
    // A factor compared over the levels of the other compares no two cells: there is nothing to draw.
    const factors = of('Temperature by nutrient');
    expect(comparisonsMade(factors, slotsOf(factors, defaultFigureStyle).slots)).to.deep.equal([]);
    // Too many brackets for the height become letters, and it is said.
    const low = figure(four, { ...defaultFigureStyle, compared: 'brackets', bracketsFor: 'all', heightMm: 32 });
    expect(low.band).to.equal('letters');
    expect(low.remarks.join(' ')).to.include('do not fit');
  });

  it('stay honest where asked not to be: columns start at 0, nothing is cut off, a log axis has no 0', () => {
    const two = of('Lamp trial');
    const remarks = (style: Partial<FigureStyle>): string =>
      figure(two, { ...defaultFigureStyle, ...style }).remarks.join(' ');
    const domain = (style: Partial<FigureStyle>) => figure(two, { ...defaultFigureStyle, ...style }).scene.panels[0]!.y;
    expect(remarks({ from: 20 })).to.include('Columns start at 0');
    expect(domain({ from: 20 }).domain[0]).to.equal(0);
    expect(domain({ marks: 'points', from: 10, to: 60 }).domain).to.deep.equal([10, 60]);
    expect(remarks({ marks: 'points', from: 30 })).to.include('nothing shown is cut off');
    expect(domain({ marks: 'points', from: 30 }).domain[0]).to.be.lessThan(18.6);
    // What cannot be done at one end does not keep the other end's remark back.
    expect(remarks({ from: 30, to: 20 }))
      .to.include('Columns start at 0')
      .and.include('nothing shown is cut off');
    expect(remarks({ marks: 'points', log: true, to: 20 })).to.include('nothing shown is cut off');
    expect(remarks({ marks: 'points', log: true, from: -5 })).to.include('it starts above it');
    expect(remarks({ marks: 'points', log: true, from: 10 })).to.equal('');
    expect(remarks({ log: true })).to.include('no 0');
    expect(domain({ marks: 'points', log: true })).to.include({ log: true });
    expect(remarks({ marks: 'points', log: true, rules: [{ at: -1, name: 'below' }] })).to.include('stays linear');
    // Means far from 0 and near one another are not drawn as columns unless asked.
    expect(usualStyle(of('Salinity probes')).marks).to.equal('points');
    expect(usualStyle(two).marks).to.equal('columns');
  });

  it('hold their title within the frame, and say what there is no room for', () => {
    const two = of('Lamp trial');
    const yTitle = 'A very long title of the value axis that cannot stand beside a figure of this height';
    const small = {
      yTitle,
      widthMm: 30,
      heightMm: 30,
      rules: [{ at: 20, name: 'a limit of which there is much to say' }],
    };
    const drawing = drawn(two, small);
    const lines = drawing.shapes.filter((s) => s.shape === 'text' && s.name === 'y-title');
    expect(lines.length).to.be.within(2, 3);
    for (const line of lines) expect(line.shape === 'text' && line.x - line.size * 0.8).to.be.at.least(0);
    expect(figure(two, { ...defaultFigureStyle, ...small }).remarks).to.deep.equal([
      'No room for the whole of the title of the axis and “a limit of which there is much to say”: make the figure larger, or the text shorter.',
    ]);
    expect(figure(two, { ...defaultFigureStyle, yTitle: 'length' }).remarks).to.deep.equal([]);
  });

  it('do not write the name of a line into the comparisons above it', () => {
    const two = of('Lamp trial');
    const place = (at: number): number => {
      const shapes = drawn(two, { rules: [{ at, name: 'limit' }] }).shapes;
      const [name] = shapes.flatMap((s) => (s.shape === 'text' && s.text === 'limit' ? [s.y] : []));
      const [line] = shapes.flatMap((s) => (s.shape === 'line' && s.name === 'rule-0' ? [s.y1] : []));
      return (name ?? NaN) - (line ?? NaN);
    };
    expect(place(500)).to.be.greaterThan(0);
    expect(place(20)).to.be.lessThan(0);
  });

  it('take names, order, colours and markers of their own', () => {
    const two = of('Lamp trial');
    const style = { order: ['white', 'red'], looks: { red: { name: 'Red', colour: 8, shape: 5 } } };
    const { slots } = slotsOf(two, { ...defaultFigureStyle, ...style });
    expect(slots.map((s) => [s.name, s.ink, s.shape])).to.deep.equal([
      ['White lamp', { group: 1 }, 1],
      ['Red', 'ink', 5],
    ]);
    expect(svgFile(drawn(two, style), { widthMm: 85, heightMm: 75 }))
      .to.include('>Red</text>')
      .and.not.include('Red lamp');
  });

  it('stand side by side with their axes in line, a letter each', () => {
    const [a, b, c] = [of('Lamp trial'), of('Four lamps'), of('Rinse')];
    const style = { ...defaultFigureStyle, widthMm: 174, panelLetters: 'small' as const };
    const made = plate(
      { answer: a, style },
      [b, c].map((shown) => ({ answer: shown, style })),
    );
    expect([made.widthMm, made.heightMm]).to.deep.equal([174, 150]);
    const [first, second] = made.scene.panels.filter((p) => p.y.drawn);
    expect(first!.top).to.equal(second!.top);
    expect(first!.height).to.equal(second!.height);
    const columns = made.scene.panels.filter((p) => p.y.drawn);
    expect(columns[0]!.left).to.equal(columns[2]!.left);
    const drawing = layout(made.scene);
    expect(
      drawing.shapes.flatMap((s) => (s.shape === 'text' && s.name === 'panel-letter' ? [s.text] : [])),
    ).to.deep.equal(['a', 'b', 'c']);
    expectReadable(drawing, 'panels');
  });

  it('are a PDF of lines and letters with their fonts inside, at true size', async () => {
    const file = (script: string, weight: number) =>
      readFileSync(`node_modules/@fontsource/source-sans-3/files/source-sans-3-${script}-${weight}-normal.woff`);
    const face = { regular: [file('latin', 400), file('greek', 400)], bold: [file('latin', 600), file('greek', 600)] };
    const two = of('Lamp trial');
    const drawing = drawn(two, { yTitle: 'Länge λ (mm)' });
    const bytes = await pdfFile(drawing, { widthMm: 85, heightMm: 75, face, title: 'lamps', plain: true });
    const text = Buffer.from(bytes).toString('latin1');
    expect(text).to.match(/^%PDF-1\.\d/);
    expect(text).to.match(/MediaBox \[0 0 240\.94\d* 212\.59\d*\]/);
    // Latin and Greek each bring a font file; nothing is a picture.
    expect(text.match(/\/FontFile2? /g)?.length).to.equal(2);
    expect(text).not.to.include('/Subtype /Image');
    expect(text.match(/BT\n/g)?.length).to.be.greaterThan(8);
  });
});
