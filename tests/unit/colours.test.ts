import { questionOf } from '../../src/core/question/question';
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import {
  differenceCiede2000,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  filterGrayscale,
  parse,
  wcagContrast,
} from 'culori';
import { markerPath } from '../../src/charts/markers';
import { answer } from '../../src/core/answering/answer';
import { defaultFigureStyle } from '../../src/core/figures/default-style';
import { slotsOf } from '../../src/core/figures/slots';
import { emptyColumn, tableOf } from '../../src/core/readings/table';
import { groupColours, inks } from '../../src/core/drawing/colours';

const views = {
  'full colour': (c: string) => parse(c)!,
  protan: (c: string) => filterDeficiencyProt(1)(parse(c)!),
  deutan: (c: string) => filterDeficiencyDeuter(1)(parse(c)!),
  tritan: (c: string) => filterDeficiencyTrit(1)(parse(c)!),
  grey: (c: string) => filterGrayscale(1)(parse(c)!),
};
const difference = differenceCiede2000();

describe('group colours', () => {
  for (const theme of ['page', 'night'] as const)
    for (const [name, seen] of Object.entries(views))
      it(`${theme}: neighbours stay apart in ${name}`, () => {
        const colours = groupColours[theme].map(seen);
        colours
          .slice(1)
          .forEach((c, i) => expect(difference(colours[i]!, c), `${i} and ${i + 1}`).to.be.greaterThan(15));
      });

  it('stand out from the page, and text from its ground', () => {
    for (const theme of ['page', 'night'] as const) {
      for (const c of groupColours[theme]) expect(wcagContrast(c, inks[theme].paper)).to.be.greaterThan(3);
      for (const ink of ['ink', 'muted', 'accent'] as const)
        expect(wcagContrast(inks[theme][ink], inks[theme].paper)).to.be.greaterThan(4.5);
    }
  });

  it('come again after the eighth with other markers, so that no two groups look alike', () => {
    const looks = Array.from({ length: 64 }, (_, k) => `${k % 8} ${markerPath(k, [{ x: 0, y: 0 }], 10)}`);
    expect(new Set(looks).size).to.equal(64);
    const many = tableOf(
      Array.from({ length: 12 }, (_, k) => ({ ...emptyColumn(`g${k}`, `Strain ${k}`), cells: ['1', '2', `${k + 2}`] })),
    );
    const found = answer(questionOf('several'), many);
    if (!found.ok) throw new Error(found.reason);
    const slots = slotsOf(found.value, defaultFigureStyle).slots.map(({ ink, shape }) => JSON.stringify([ink, shape]));
    expect(new Set(slots).size).to.equal(12);
    expect(slots.join()).not.to.include('"ink"');
    // A marker of one's own stays, and so does the plain ink where it is chosen.
    const own = slotsOf(found.value, { ...defaultFigureStyle, looks: { g8: { colour: 8 }, g2: { shape: 6 } } }).slots;
    expect([own[8]?.ink, own[8]?.shape, own[2]?.shape]).to.deep.equal(['ink', 8, 6]);
  });

  it('are the same in the style sheet', () => {
    const css = readFileSync(new URL('../../src/styles/global.css', import.meta.url), 'utf8');
    const block = (start: string) => css.slice(css.indexOf(start), css.indexOf('}', css.indexOf(start)));
    const root = block(':root,');
    groupColours.page.forEach((c, i) => {
      expect(root).to.include(`--group-${i}: light-dark(${c}, ${groupColours.night[i] ?? ''});`);
    });
    const themes = { page: block("name: 'page';"), night: block("name: 'night-bench';") };
    const called = { ink: 'base-content', muted: 'secondary', line: 'base-300', paper: 'base-100', accent: 'primary' };
    for (const [name, colour] of Object.entries(called)) {
      expect(root).to.include(`--ink-${name}: var(--color-${colour});`);
      for (const theme of ['page', 'night'] as const)
        expect(themes[theme]).to.include(`--color-${colour}: ${inks[theme][name as keyof typeof called]};`);
    }
  });
});
