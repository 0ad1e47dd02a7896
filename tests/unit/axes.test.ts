import { expect } from 'chai';
import fc from 'fast-check';
import { layout } from '../../src/charts/layout';
import { answer } from '../../src/core/answering/answer';
import { checksOf } from '../../src/core/answering/checks-of';
import { type Question, questionOf } from '../../src/core/question/question';
import { emptyColumn, tableOf } from '../../src/core/readings/table';
import type { Drawing } from '../../src/core/drawing/drawing';
import { lookScene } from '../../src/core/telling/look';
import { textWidth } from '../../src/core/drawing/text-width';
import { logTickLabel, tickLabels } from '../../src/core/drawing/tick-labels';

describe('the numbers of an axis', () => {
  it('have the decimals their step needs, thousands parted, and a true minus', () => {
    expect(tickLabels([0, 0.5, 1])).to.deep.equal(['0.0', '0.5', '1.0']);
    expect(tickLabels([-20, 0, 20])).to.deep.equal(['−20', '0', '20']);
    expect(tickLabels([0, 5000, 10_000])).to.deep.equal(['0', '5\u202f000', '10\u202f000']);
    // What adding steps leaves at zero is zero.
    expect(tickLabels([-0.2, -2.7e-17, 0.2])).to.deep.equal(['−0.2', '0.0', '0.2']);
    expect(tickLabels([])).to.deep.equal([]);
    expect(tickLabels([0])).to.deep.equal(['0']);
  });

  it('are in powers of ten where plain digits would be rows of noughts, and never where that hides a difference', () => {
    expect(tickLabels([0, 5e-10, 1e-9])).to.deep.equal(['0', '5 × 10⁻¹⁰', '1.0 × 10⁻⁹']);
    expect(tickLabels([-2e8, 0, 2e8])).to.deep.equal(['−2 × 10⁸', '0', '2 × 10⁸']);
    expect(tickLabels([1_000_000_000, 1_000_000_002]).map((t) => t.replaceAll('\u202f', ' '))).to.deep.equal([
      '1 000 000 000',
      '1 000 000 002',
    ]);
    expect([1e-7, 2e-7, 0.01, 1, 500, 2e9].map(logTickLabel)).to.deep.equal([
      '10⁻⁷',
      '2 × 10⁻⁷',
      '0.01',
      '1',
      '500',
      '2 × 10⁹',
    ]);
  });

  it('tell the tick they stand at, whatever its size', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: -400, max: 400 }),
        fc.constantFrom(1, 2, 5),
        fc.integer({ min: -15, max: 15 }),
        (first, step, power) => {
          const ticks = [0, 1, 2, 3].map((k) => (first + k) * step * 10 ** power);
          const read = tickLabels(ticks).map((label) => {
            const [mantissa = '', exponent] = label.replaceAll('\u202f', '').replaceAll('−', '-').split(' × 10');
            const digits = (exponent ?? '').replace(/./g, (c) => '0123456789-'['⁰¹²³⁴⁵⁶⁷⁸⁹⁻'.indexOf(c)] ?? '');
            return Number(mantissa) * 10 ** Number(digits);
          });
          read.forEach((x, i) => expect(Math.abs(x - ticks[i]!)).to.be.at.most(step * 10 ** power * 1e-6));
        },
      ),
    ));
});

/** Every text of a drawing as it lies: from, to, and its line. */
const texts = (drawing: Drawing) =>
  drawing.shapes.flatMap((s) => {
    if (s.shape !== 'text' || s.turn) return [];
    const width = textWidth(s.text, s.size);
    const from = s.anchor === 'middle' ? s.x - width / 2 : s.anchor === 'end' ? s.x - width : s.x;
    return [{ ...s, from, to: from + width }];
  });

describe('the picture of an answer on the page', () => {
  const name = fc.constantFrom(
    'Red lamp',
    '48',
    'Saccharina latissima from the lower rack near the pump outlet',
    'α–β',
  );
  it('cuts no axis’ number or title and lays none on another, at any size of the readings', () =>
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.integer({ min: 1, max: 999 }), { minLength: 2, maxLength: 6 }), {
          minLength: 2,
          maxLength: 5,
        }),
        fc.integer({ min: -13, max: 13 }),
        fc.constantFrom(0, 0, 1e6, 1e9),
        fc.tuple(name, name),
        fc.constantFrom(420, 733, 1000),
        (groups, power, far, names, width) => {
          const table = tableOf(
            groups.map((cells, k) => ({
              ...emptyColumn(`g${k}`, `${names[k % 2] ?? ''} ${k}`, 'mg/L'),
              cells: cells.map((c) => String(Number((far + c * 10 ** power).toPrecision(15)))),
            })),
            { measure: 'iodine' },
          );
          const asked: Question = {
            about: 'value',
            design: groups.length === 2 ? 'two-groups' : 'several',
            a: 'g0',
            b: 'g1',
            direction: 'either',
            level: 0.95,
          };
          const found = answer(asked, table);
          if (!found.ok) return;
          const drawing = layout(lookScene(found.value, width));
          const lying = texts(drawing).filter((t) => t.ink === 'muted' || t.name === 'x-title');
          for (const t of lying) {
            expect(t.from, t.text).to.be.at.least(-1e-6);
            expect(t.to, t.text).to.be.at.most(drawing.width + 1e-6);
            expect(t.y + t.size * 0.25, t.text).to.be.at.most(drawing.height);
            for (const other of lying)
              if (other !== t && Math.abs(other.y - t.y) < t.size * 0.9)
                expect(t.to <= other.from + 1e-6 || other.to <= t.from + 1e-6, `${t.text} and ${other.text}`).to.equal(
                  true,
                );
          }
        },
      ),
      { numRuns: 300 },
    ));
});

describe('an interval without an end', () => {
  it('runs out of the picture without a cap, where one with ends has two', () => {
    const caps = (low: number, high: number): number => {
      const axis = { domain: [0, 10] as [number, number], drawn: false };
      const { shapes } = layout({
        width: 200,
        height: 100,
        fontSize: 12,
        lineWeight: 1,
        alt: 'an interval',
        panels: [
          {
            left: 0,
            top: 0,
            width: 200,
            height: 100,
            x: axis,
            y: axis,
            marks: [{ mark: 'rule', x1: low, y1: 5, x2: high, y2: 5, ink: 'ink', caps: 7 }],
          },
        ],
      });
      return shapes.filter((shape) => shape.shape === 'line' && shape.x1 === shape.x2).length;
    };
    expect(caps(2, 8)).to.equal(2);
    expect(caps(-Infinity, 8)).to.equal(1);
    expect(caps(-Infinity, Infinity)).to.equal(0);
  });
});

describe('what few readings are offered', () => {
  const few = (cells: readonly number[][], method: 'ranks' | 'means') => {
    const table = tableOf(
      cells.map((c, i) => ({ ...emptyColumn('ab'[i] ?? '', 'AB'[i] ?? ''), cells: c.map(String) })),
    );
    const found = answer({ ...questionOf('two-groups', { a: 'a', b: 'b', method }) }, table);
    if (!found.ok) throw new Error(found.reason);
    return checksOf(found.value).find((check) => check.about === 'sample-size')?.remedies;
  };
  const [low, high] = [
    [1.2, 2.3, 3.1],
    [5.1, 6.2, 7.3],
  ];

  it('is more readings where no outcome could reach the level, and not another test that cannot either', () => {
    expect(few([low, high], 'ranks')).to.deep.equal(['more-readings']);
    expect(few([low, high], 'means')).to.include('shuffle');
  });
});
