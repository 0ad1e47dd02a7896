import { expect } from 'chai';
import { demoTables } from '../../demo/skerrow';
import { layout } from '../../src/charts/layout';
import { silhouette, swarm } from '../../src/charts/swarm';
import { answer } from '../../src/core/answering/answer';
import { defaultQuestion } from '../../src/core/question/question';
import { barEnds } from '../../src/core/figures/error-bars';
import { figure } from '../../src/core/figures/figure';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { lookScene } from '../../src/core/telling/look';
import { pixels, withResolution } from '../../src/formats/png';
import { svgFile } from '../../src/formats/svg';

const demo = demoTables()[0]!.table;
const shown = (() => {
  const result = answer(defaultQuestion('red', 'white'), demo);
  if (!result.ok) throw new Error(result.reason);
  return result.value;
})();

/** Numbers read back from an SVG file: attribute values of the element with this mark name. */
function marked(svg: string, name: string): Record<string, number> {
  const tag = new RegExp(`<\\w+[^>]*data-mark="${name}"[^>]*>`).exec(svg)?.[0] ?? '';
  const found: Record<string, number> = {};
  for (const [, key = '', text] of tag.matchAll(/ ([\w-]+)="(-?[\d.]+)"/g)) found[key] = Number(text);
  return found;
}

describe('the exported figure', () => {
  for (const bars of ['sd', 'sem', 'interval'] as const)
    it(`has columns and ${bars} bars that read back as the answer's numbers`, () => {
      const style = { ...defaultFigureStyle, bars };
      const svg = svgFile(layout(figure(shown, style).scene), { widthMm: 85, heightMm: 75 });
      // Two points of known value fix the scale: the axis from 0 up, and the first column's top.
      const zero = marked(svg, 'y-axis')['y2']!;
      const first = marked(svg, 'column-0');
      const perUnit = first['height']! / shown.groups[0]!.description!.mean;
      shown.groups.forEach((group, i) => {
        expect(marked(svg, `column-${i}`)['height']! / perUnit).to.be.closeTo(group.description!.mean, 1e-3);
        const bar = marked(svg, `error-bar-${i}`);
        const ends = barEnds(group, bars, 0.95)!;
        expect((zero - bar['y1']!) / perUnit).to.be.closeTo(ends.low, 1e-3);
        expect((zero - bar['y2']!) / perUnit).to.be.closeTo(ends.high, 1e-3);
      });
      // Each group's bar comes from its own readings.
      expect(Math.abs(marked(svg, 'error-bar-0')['y1']! - marked(svg, 'error-bar-0')['y2']!)).not.to.be.closeTo(
        Math.abs(marked(svg, 'error-bar-1')['y1']! - marked(svg, 'error-bar-1')['y2']!),
        0.5,
      );
      expect(svg).to.include('width="85mm"').and.include('>blade length (mm)</text>');
    });

  it('keeps all text inside the picture, also with long names and a narrow column', () => {
    const [a, b] = demo.columns;
    const long = {
      ...demo,
      columns: [
        { ...a!, name: 'Red lamp, eighteen hours a day, upper tank' },
        { ...b!, name: 'Überlangergruppenname<&">' },
      ],
    };
    const result = answer(defaultQuestion('red', 'white'), long);
    if (!result.ok) throw new Error(result.reason);
    const drawing = layout(figure(result.value, { ...defaultFigureStyle, widthMm: 40 }).scene);
    for (const shape of drawing.shapes)
      if (shape.shape === 'text') {
        expect(shape.x, shape.text).to.be.within(0, drawing.width);
        expect(shape.y, shape.text).to.be.within(0, drawing.height);
      }
    expect(svgFile(drawing, { widthMm: 40, heightMm: 75 })).to.include('&lt;&amp;&quot;');
  });

  it('draws the divide line at zero and the effect where the answer puts it', () => {
    const drawing = layout(lookScene(shown, 700));
    const line = (name: string) =>
      drawing.shapes.find((s) => s.shape === 'line' && s.name === name) as { x1: number; x2: number };
    if (!shown.comparison.ok) throw new Error(shown.comparison.reason);
    const { low, high } = shown.comparison.value.effect!.interval!;
    const zero = line('divide-line').x1;
    const { x1, x2 } = line('effect-interval');
    expect((x1 - zero) / (x2 - zero)).to.be.closeTo(low / high, 1e-6);
  });

  it('lets no point of a swarm cover another while there is room', () => {
    const along = Array.from({ length: 40 }, (_, i) => (i % 7) * 3);
    const shifts = swarm(along, 5, 1000);
    for (let i = 0; i < along.length; i++)
      for (let j = 0; j < i; j++)
        expect(Math.hypot(along[i]! - along[j]!, shifts[i]! - shifts[j]!)).to.be.greaterThan(4.99);
  });

  it('lets a crowd of points reach out where they are dense, and stay in its room', () => {
    const along = Array.from({ length: 3000 }, (_, i) => (i % 3 ? 50 + (i % 5) : i % 100));
    const shifts = silhouette(along, 3, 20, -1);
    for (const s of shifts) expect(s).to.be.within(-20, 0);
    const reach = (from: number, to: number) =>
      Math.min(...shifts.filter((_, i) => along[i]! >= from && along[i]! < to));
    expect(reach(51, 54)).to.be.lessThan(-18);
    expect(reach(0, 30)).to.be.greaterThan(-3);
  });

  it('writes its resolution into a PNG', () => {
    const png = new Uint8Array(60);
    const out = withResolution(png, 300);
    const view = new DataView(out.buffer);
    expect(out.length).to.equal(81);
    expect(view.getUint32(41)).to.equal(11811);
    // CRC-32 of this very chunk, by an independent implementation.
    expect(view.getUint32(50).toString(16)).to.equal('78a53f76');
    expect(pixels(85, 300)).to.equal(1004);
  });
});
