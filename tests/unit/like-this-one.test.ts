import { expect } from 'chai';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { type FigureStyle, drawnLike } from '../../src/core/figures/figure-style';
import { startDemo } from '../../src/server/demo-study';
import { tiffFile } from '../../src/formats/tiff';
import { logLines } from '../../src/server/study-log';
import { drawAllLike, figuresOf, readFigure, updateFigure } from '../../src/store/figures';
import { openDb } from '../../src/store/open';

const at = '2026-01-02T03:04:05.000Z';

describe('figures of one look', () => {
  const own: FigureStyle = {
    ...defaultFigureStyle,
    kind: 'boxes',
    xTitle: 'lamp',
    from: 3,
    log: true,
    order: ['b', 'a'],
    looks: { a: { name: 'A', colour: 3 } },
    rules: [{ at: 1, name: 'one' }],
    beside: ['other'],
    font: 'serif',
  };

  it('take size, letters, lines and marks, and keep what they show and under which names', () => {
    const like: FigureStyle = {
      ...defaultFigureStyle,
      widthMm: 120,
      fontPt: 9,
      bars: 'sem',
      linePt: 1,
      pAs: 'asterisks',
    };
    const made = drawnLike(own, like);
    for (const part of ['kind', 'xTitle', 'from', 'log', 'order', 'looks', 'rules', 'beside'] as const)
      expect(made[part], part).to.deep.equal(own[part]);
    for (const part of ['widthMm', 'heightMm', 'fontPt', 'bars', 'linePt', 'pAs', 'marks', 'readings'] as const)
      expect(made[part], part).to.deep.equal(like[part]);
    // What the other leaves to the default is left to it here as well.
    expect(made).not.to.have.property('font');
    expect(drawnLike(made, like)).to.deep.equal(made);
  });

  it('are drawn so in one go, each with its line in the log, and those that are so already left alone', () => {
    const db = openDb(':memory:', process.cwd());
    const study = startDemo(db, at);
    const [first, ...others] = figuresOf(db, study);
    if (!first) throw new Error('no figure');
    updateFigure(db, first.id, first.revision, { ...first.style, widthMm: 120, fontPt: 9 }, { at });
    const before = logLines(db, study).length;
    expect(drawAllLike(db, first.id, { at: '2026-01-02T03:10:00.000Z' })).to.equal(others.length);
    for (const { id, style } of others) {
      const now = readFigure(db, id).style;
      expect([now.widthMm, now.fontPt, now.kind]).to.deep.equal([120, 9, style.kind]);
    }
    expect(logLines(db, study)).to.have.length(before + others.length);
    expect(drawAllLike(db, first.id, { at: '2026-01-02T03:11:00.000Z' })).to.equal(0);
    expect(() => drawAllLike(db, 'none', { at })).to.throw('no such figure');
    db.$client.close();
  });
});

describe('a TIFF', () => {
  it('holds every dot, its size in inches, and names no other program', async () => {
    const rgba = Uint8Array.from({ length: 2 * 3 * 4 }, (_, i) => i);
    const file = new Uint8Array(await tiffFile(rgba, 2, 3, 600));
    const text = String.fromCharCode(...file);
    expect(text.slice(0, 2)).to.match(/^(II|MM)$/);
    expect(text)
      .to.include('Divide')
      .and.not.match(/photo|utif/i);
    const { default: tiff } = await import('utif2');
    const [image] = tiff.decode(file.buffer);
    if (!image) throw new Error('no image');
    tiff.decodeImage(file.buffer, image);
    expect(JSON.stringify([image.width, image.height, image['t282'], image['t296']])).to.equal('[2,3,[[600,1]],[2]]');
    expect([...tiff.toRGBA8(image)].slice(0, 8)).to.deep.equal([...rgba].slice(0, 8));
  });
});
