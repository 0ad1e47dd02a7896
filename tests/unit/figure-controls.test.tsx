import { closeDocument, openDocument } from './dom';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { expect } from 'chai';
import { useState } from 'react';
import { demoTables } from '../../demo/skerrow';
import { answer } from '../../src/core/answering/answer';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { figure } from '../../src/core/figures/figure';
import type { FigureStyle } from '../../src/core/figures/figure-style';
import {
  BarsControl,
  ComparedControl,
  MeansControl,
  ReadingsControl,
  SizesControl,
} from '../../src/islands/figure/Controls';
import { namedParts } from '../../src/islands/figure/GroupControl';
import { controlsFor } from '../../src/islands/figure/InPlace';
import { MarksControls, TypeControls } from '../../src/islands/figure/MarkControls';
import { StylesControl } from '../../src/islands/figure/StylesControl';

closeDocument();

const four = demoTables().flatMap(({ table, questions }) =>
  table.name === 'Four lamps' ? questions.slice(0, 1).map(({ question }) => answer(question, table)) : [],
)[0];

describe('the controls of a figure', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  function shown(start: Partial<FigureStyle> = {}) {
    if (!four?.ok) throw new Error('no answer');
    const { value } = four;
    let now: FigureStyle = { ...defaultFigureStyle, ...start };
    function Page() {
      const [style, setStyle] = useState(now);
      now = style;
      const set = (part: Partial<FigureStyle>) => setStyle({ ...style, ...part });
      const props = { answer: value, style, set };
      return (
        <>
          <MeansControl {...props} />
          <BarsControl {...props} />
          <ReadingsControl {...props} />
          <SizesControl {...props} />
          <ComparedControl {...props} />
          <MarksControls {...props} />
          <TypeControls {...props} />
        </>
      );
    }
    const screen = render(<Page />);
    const choose = (label: string, to: string) =>
      fireEvent.change(screen.getByLabelText(label), { target: { value: to } });
    const type = (label: string, text: string) => {
      const field = screen.getByLabelText(label);
      fireEvent.change(field, { target: { value: text } });
      fireEvent.blur(field);
    };
    return { screen, choose, type, now: () => now };
  }

  it('keep what is chosen, and nothing where it is what it would be anyway', () => {
    const { choose, now } = shown();
    choose('Fill of columns and boxes', 'solid');
    choose('Side of the error bars', 'outer');
    choose('Readings of like value', 'line');
    choose('Values at their marks', 'shown');
    choose('n of each', 'shown');
    choose('Face', 'serif');
    expect(now()).to.include({
      fill: 'solid',
      barSide: 'outer',
      scatter: 'line',
      valueLabels: true,
      sizes: true,
      font: 'serif',
    });
    choose('Fill of columns and boxes', 'tinted');
    choose('Side of the error bars', 'both');
    choose('Readings of like value', 'packed');
    choose('Values at their marks', 'hidden');
    choose('n of each', 'hidden');
    choose('Face', 'sans');
    for (const part of ['fill', 'barSide', 'scatter', 'valueLabels', 'sizes', 'font'] as const)
      expect(now()[part], part).to.equal(undefined);
    // What every figure has is kept as it is said.
    choose('Each reading', 'hidden');
    expect(now().readings).to.equal(false);
    choose('Error bars', 'sd');
    expect(now().bars).to.equal('sd');
  });

  it('offer what this kind of figure has: widths of columns, sizes of points, readings where they are drawn', () => {
    const { screen, choose, type, now } = shown();
    expect(screen.queryByLabelText('Size of means in points')).to.equal(null);
    type('Width of columns in percent', '40');
    expect(now().columnWidth).to.equal(40);
    choose('Means as', 'points');
    expect(screen.queryByLabelText('Width of columns in percent')).to.equal(null);
    expect(screen.queryByLabelText('Side of the error bars')).to.equal(null);
    type('Size of means in points', '9');
    expect(now().meanPt).to.equal(9);
    choose('Each reading', 'hidden');
    expect(screen.queryByLabelText('Readings of like value')).to.equal(null);
  });

  it('refuse a size that cannot be, in words beside the field, and keep what was', () => {
    const { screen, type, now } = shown({ columnWidth: 50 });
    type('Width of columns in percent', '400');
    expect(screen.container.textContent).to.match(/100/);
    expect(now().columnWidth).to.equal(50);
  });
});

describe('styles kept by name, on the page', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  it('are fetched when they are looked at, kept under a name, taken, and forgotten', async () => {
    const asked: string[] = [];
    const kept = new Map<string, FigureStyle>([['Poster', { ...defaultFigureStyle, fontPt: 14 }]]);
    const list = () => JSON.stringify([...kept].map(([name, style]) => ({ name, style })));
    const before = globalThis.fetch;
    globalThis.fetch = (asking, init) => {
      const url = typeof asking === 'string' ? asking : '';
      const body = typeof init?.body === 'string' ? init.body : '';
      const method = init?.method ?? 'GET';
      asked.push(`${method} ${url}`);
      if (method === 'PUT') {
        const { name, style } = JSON.parse(body) as { name: string; style: FigureStyle };
        kept.set(name, style);
      }
      if (method === 'DELETE') kept.delete(new URL(url, 'http://here').searchParams.get('name') ?? '');
      return Promise.resolve(new Response(list(), { headers: { 'content-type': 'application/json' } }));
    };
    try {
      const taken: FigureStyle[] = [];
      const own = { ...defaultFigureStyle, yTitle: 'length', fontPt: 7 };
      const screen = render(<StylesControl style={own} onTake={(style) => taken.push(style)} />);
      expect(asked).to.deep.equal([]);
      const details = screen.container.querySelector('details');
      if (!details) throw new Error('no details');
      details.open = true;
      fireEvent.click(await screen.findByRole('button', { name: 'Draw it as “Poster”' }));
      expect(taken[0]).to.include({ fontPt: 14, yTitle: 'length' });
      fireEvent.change(screen.getByLabelText('Name of the style'), { target: { value: ' Journal ' } });
      fireEvent.click(screen.getByRole('button', { name: 'Keep this style' }));
      await screen.findByRole('button', { name: 'Draw it as “Journal”' });
      expect(kept.get('Journal')?.fontPt).to.equal(7);
      fireEvent.click(screen.getByRole('button', { name: 'Forget the style Poster' }));
      await screen.findByRole('button', { name: 'Draw it as “Journal”' });
      expect([...kept.keys()]).to.deep.equal(['Journal']);
      expect(asked).to.deep.equal([
        'GET /api/figure-styles',
        'PUT /api/figure-styles',
        'DELETE /api/figure-styles?name=Poster',
      ]);
    } finally {
      globalThis.fetch = before;
    }
  });

  it('give a group its name, colour and marker in what is drawn as on the page, and its differences that name', () => {
    if (!four?.ok) throw new Error('no answer');
    const { value } = four;
    const [first, second] = value.groups;
    const looks = { [first?.id ?? '']: { name: '450 nm', colour: 5, shape: 2 } };
    const drawnAs = (kind: 'beside' | 'differences') =>
      figure(value, { ...defaultFigureStyle, kind, widthMm: 174, looks }).scene.panels.flatMap((p) => p.marks);
    const texts = (marks: ReturnType<typeof drawnAs>) => marks.flatMap((m) => (m.mark === 'text' ? [m.text] : []));
    const beside = drawnAs('beside');
    expect(texts(beside)).to.include('450 nm').and.not.include(first?.name);
    const readings = beside.filter((m) => m.mark === 'dots' && m.name === 'readings-5');
    expect(readings.map((m) => 'shape' in m && m.shape)).to.deep.equal([2]);
    const written = texts(drawnAs('differences')).join('\n');
    expect(written).to.match(/450 nm minus | minus 450 nm/);
    expect(written).to.include(second?.name).and.not.include(first?.name);
    // A difference has the names of its groups, and no colour or marker of one.
    const parts = namedParts(value, { ...defaultFigureStyle, kind: 'differences' });
    expect(parts.map((p) => p.painted)).to.deep.equal(value.groups.map(() => false));
  });

  it('open beside a part that is clicked: those of its own group, by colour where it is drawn as on the page', () => {
    if (!four?.ok) throw new Error('no answer');
    const { value } = four;
    const titleOf = (mark: string, more: Partial<FigureStyle>): string | undefined =>
      controlsFor({ answer: value, style: { ...defaultFigureStyle, ...more }, set: () => undefined }, mark)?.title;
    expect(titleOf('mean-1', {})).to.equal('Blue lamp');
    expect(titleOf('error-bar-1', {})).to.equal('Error bars');
    const [first] = value.groups;
    const looks = { [first?.id ?? '']: { colour: 5 } };
    expect(titleOf('mean-5', { kind: 'beside', looks })).to.equal(first?.name);
    expect(titleOf('mean-0', { kind: 'beside', looks })).to.equal(undefined);
    // Its axes and bars are those of the page.
    expect(titleOf('error-bar-1', { kind: 'beside' })).to.equal(undefined);
    expect(titleOf('y-title', { kind: 'quantiles' })).to.equal(undefined);
  });
});
