import { expect } from 'chai';
import fc from 'fast-check';
import { answer } from '../../src/core/answering/answer';
import { defaultQuestion } from '../../src/core/question/question';
import { plain } from '../../src/core/words/text';
import { methodsSentence } from '../../src/core/telling/report';
import { tableXlsx } from '../../src/formats/export-table';
import { readXlsx } from '../../src/formats/xlsx';
import { applyEdits } from '../../src/core/readings/edits';
import type { TableEdit } from '../../src/core/readings/table-edit';
import { doubtsOf } from '../../src/core/readings/doubtful';
import { understand, isMissing } from '../../src/core/readings/parse-number';
import { readColumn } from '../../src/core/readings/read-column';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { splitUnit } from '../../src/core/readings/units';
import { blockFromText, blockToText } from '../../src/formats/clipboard';
import { hasHead } from '../../src/islands/readings/paste';

const table = (...columns: string[][]): Table => ({
  ...tableOf([]),
  id: 't',
  name: 'Readings',
  measure: 'length',
  subject: 'blade',
  rowCount: Math.max(0, ...columns.map((c) => c.length)),
  columns: columns.map((cells, i) => ({ ...emptyColumn(`c${i}`, `Group ${i}`, 'mm'), cells })),
});
const value = (text: string, unit = 'mm', mark: 'auto' | 'point' | 'comma' = 'auto') => {
  const read = understand(text, unit, mark);
  return read.kind === 'number' ? read.value : read.kind;
};

describe('reading a cell', () => {
  it('reads numbers as people type them', () => {
    const cases: [string, number][] = [
      ['12.5', 12.5],
      [' 12,5 ', 12.5],
      ['12 mm', 12],
      ['−3.2', -3.2],
      ['1 234.5', 1234.5],
      ['1,234.5', 1234.5],
      ['3e-4', 3e-4],
      ['.5', 0.5],
    ];
    for (const [text, number] of cases) expect(value(text), text).to.equal(number);
    expect(value('1.234,5', 'mm', 'comma')).to.equal(1234.5);
  });

  it('never takes an empty cell for zero, and says what it cannot read', () => {
    expect(value('   ')).to.equal('empty');
    for (const text of ['n/a', 'NA', '-', '–', 'missing', '.', '?']) expect(value(text), text).to.equal('empty');
    expect(understand('#DIV/0!', '', 'auto')).to.deep.equal({
      kind: 'unread',
      why: 'is an error of the spreadsheet it came from, a division by zero',
    });
    for (const text of ['nd', '<LOD', '12..5', '1e999', 'mm', '1,23,4', '0x10', 'Infinity'])
      expect(value(text), text).to.equal('unread');
    expect(understand('1,234', '', 'auto')).to.deep.include({ kind: 'unread' });
    expect(understand('1,234', '', 'auto'))
      .to.have.property('why')
      .that.includes('could be 1.234 or 1234');
  });

  it('reads powers of ten, mixed fractions, thousands by letter and durations as they are written', () => {
    const cases: [string, string, number][] = [
      ['2.86 × 10⁻⁷', '', 2.86e-7],
      ['3,5x10^6', '', 3.5e6],
      ['−4·10^-3', '', -4e-3],
      ['3.0k', '', 3000],
      ['12 3/4', '', 12.75],
      ['7½', '', 7.5],
      ['5:30', 'min', 5.5],
      ['5:30', 'h', 5.5],
      ['5:30', 's', 330],
      ['1:05:30', 'min', 65.5],
      ['1:30:00', 'h', 1.5],
      ['0:00:07.25', 's', 7.25],
    ];
    for (const [text, unit, number] of cases)
      expect(value(text, unit), `${text} in ${unit}`).to.be.closeTo(number, 1e-9);
    for (const [text, unit] of [
      ['5:30', ''],
      ['5:30', 'mm'],
      ['5:75', 'min'],
      ['12 4/3', ''],
      ['12/3', ''],
      ['3x105', ''],
      ['3·105', ''],
    ] as const)
      expect(value(text, unit), `${text} in ${unit}`).to.equal('unread');
  });

  it('doubts single cells written in another way, and not a column’s own way of writing', () => {
    const doubts = (...cells: string[]) => doubtsOf(table(cells).columns[0]!).map((d) => [d.text, d.became]);
    expect(doubts('12 mm', '13 mm', '14 mm')).to.deep.equal([]);
    expect(doubts('12', '13 mm', '14')).to.deep.equal([['13 mm', '13']]);
    expect(doubts('12 mm', '13 mm', '15 mm', '1 400', 'lost')).to.deep.equal([
      ['1 400', '1400'],
      ['lost', undefined],
    ]);
  });

  it('decides about commas from the whole column', () => {
    const read = (...cells: string[]) => readColumn(table(cells).columns[0]!).used.map((r) => r.value);
    expect(read('12,5', '1,234')).to.deep.equal([12.5, 1.234]);
    expect(read('12.5', '1,234')).to.deep.equal([12.5, 1234]);
    expect(read('1,234', '7')).to.deep.equal([7]);
  });

  it('puts every cell that is not empty into exactly one list', () =>
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 8 })), (cells) => {
        const { used, aside, unread } = readColumn({ ...table(cells).columns[0]!, aside: { 0: 'why' } });
        const rows = [...used, ...aside, ...unread].map((cell) => cell.row).sort((a, b) => a - b);
        expect(rows).to.deep.equal(cells.flatMap((text, row) => (text.trim() === '' || isMissing(text) ? [] : [row])));
      }),
    ));

  it('takes a unit from a head, and leaves other brackets in the name', () => {
    expect(splitUnit('Length (mm)')).to.deep.equal({ name: 'Length', unit: 'mm' });
    expect(splitUnit('ctrl (day 3)')).to.deep.equal({ name: 'ctrl (day 3)', unit: '' });
  });
});

describe('editing a table', () => {
  const start = table(['1', '2', '3'], ['4', '5', '6']);
  const text = fc.string({ maxLength: 4 });
  const id = fc.constantFrom('c0', 'c1');
  const edit: fc.Arbitrary<TableEdit> = fc.oneof(
    fc.record({
      kind: fc.constant('write' as const),
      row: fc.nat(5),
      columns: fc.constantFrom<string[][]>(['c0'], ['c0', 'c1']),
      texts: fc.array(fc.tuple(text, text), { minLength: 1, maxLength: 3 }),
    }),
    fc.record({ kind: fc.constant('insert-rows' as const), at: fc.nat(3), count: fc.integer({ min: 1, max: 3 }) }),
    fc.record({ kind: fc.constant('remove-rows' as const), at: fc.nat(2), count: fc.constant(1) }),
    fc.record({ kind: fc.constant('remove-column' as const), column: id }),
    fc.record({ kind: fc.constant('describe-column' as const), column: id, name: text, unit: text }),
    fc.record({ kind: fc.constant('describe-table' as const), measure: text }),
    fc.record({
      kind: fc.constant('set-aside' as const),
      cells: fc.array(fc.record({ column: id, row: fc.nat(2), reason: fc.option(text) }), { maxLength: 3 }),
    }),
  );
  /** A table without the difference between a cell never written and one written empty. */
  const shown = (t: Table) => ({
    ...t,
    columns: t.columns.map((c) => ({ ...c, cells: Array.from({ length: t.rowCount }, (_, r) => c.cells[r] ?? '') })),
  });

  it('takes back any run of edits exactly', () =>
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 6 }), (edits) => {
        let now = start;
        const undo: TableEdit[][] = [];
        for (const e of edits) {
          try {
            const done = applyEdits(now, [e]);
            now = done.table;
            undo.unshift(done.inverse);
          } catch (error) {
            // An edit may not fit what the ones before left; it must then say so and change nothing.
            expect((error as Error).name).to.equal('DomainError');
          }
        }
        expect(shown(applyEdits(now, undo.flat()).table)).to.deep.equal(shown(start));
      }),
      { numRuns: 500 },
    ));

  it('moves set-aside marks with their rows', () => {
    const marked = applyEdits(start, [
      { kind: 'set-aside', cells: [{ column: 'c0', row: 1, reason: 'tag lost' }] },
    ]).table;
    expect(applyEdits(marked, [{ kind: 'insert-rows', at: 0, count: 2 }]).table.columns[0]!.aside).to.deep.equal({
      3: 'tag lost',
    });
    expect(applyEdits(marked, [{ kind: 'remove-rows', at: 0, count: 1 }]).table.columns[0]!.aside).to.deep.equal({
      0: 'tag lost',
    });
    expect(applyEdits(marked, [{ kind: 'remove-rows', at: 1, count: 1 }]).table.columns[0]!.aside).to.deep.equal({});
  });
});

describe('the clipboard', () => {
  it('brings back any block it wrote', () =>
    fc.assert(
      fc.property(
        fc
          .integer({ min: 1, max: 4 })
          .chain((width) =>
            fc.array(fc.array(fc.string(), { minLength: width, maxLength: width }), { minLength: 1, maxLength: 5 }),
          ),
        (block) => {
          // A lone empty line at the end is how a block of text ends; and line ends are one character.
          fc.pre(block.flat().every((t) => !t.includes('\r')) && block.at(-1)?.join('') !== '');
          expect(blockFromText(blockToText(block))).to.deep.equal(block);
        },
      ),
    ));

  it('keeps commas inside cells and evens out ragged rows', () => {
    expect(blockFromText('Red\tWhite\r\n12,5\t3\r\n4\r\n')).to.deep.equal([
      ['Red', 'White'],
      ['12,5', '3'],
      ['4', ''],
    ]);
  });
});

describe('the first row of a pasted block', () => {
  it('is taken for names when it reads as names over numbers, and else left as readings', () => {
    const names = [
      'Red lamp\t0.5 mM\n1\t2',
      'ctrl (day 3)\t48 h\n1,5\t2',
      'a\tb\n<LOD\t2',
      'ctrl\t48\t96 h\n1\t2\t3',
      'tank\tctrl\t48\t96 h\nK1\t1\t2\t3',
    ];
    const readings = [
      '1\t2\n3\t4',
      '<LOD\t3\n1\t2',
      'n/a\tND\n1\t2',
      '12 mm\t13 mm\n11 mm\t15 mm',
      'Red\t\n1\t2',
      'Red\tWhite\nlong\tshort',
      '48\t96\n1\t2',
      'lost\t31.7\n30.2\t28.4',
      'Red\tpulsed\t31.7\nWhite\tstill\t28.4',
      'x\ty\tn/a\n1\t2\t3',
    ];
    for (const block of names) expect(hasHead(blockFromText(block)), block).to.equal(true);
    for (const block of readings) expect(hasHead(blockFromText(block)), block).to.equal(false);
  });
});

describe('cells beyond a limit', () => {
  const cells = ['<0.05', '≤ 0,1', '>9', '< 0.2 mg', '0.4', '<x'];
  const read = (limits?: 'leave' | 'at' | 'half') =>
    readColumn({ ...emptyColumn('a', 'iodine', 'mg'), decimal: 'point', cells, ...(limits ? { limits } : {}) });

  it('are left out, unless the column says what they count as', () => {
    expect(read().used.map((r) => r.value)).to.deep.equal([0.4]);
    expect(read('leave').unread.map((u) => u.text)).to.deep.equal(['<0.05', '≤ 0,1', '>9', '< 0.2 mg', '<x']);
    expect(read('at').used.map((r) => r.value)).to.deep.equal([0.05, 0.1, 9, 0.2, 0.4]);
    // Above a limit there is no half.
    expect(read('half').used.map((r) => r.value)).to.deep.equal([0.025, 0.05, 0.1, 0.4]);
    expect(read('half').unread.map((u) => u.text)).to.deep.equal(['>9', '<x']);
    expect(read('half').used.map((r) => r.limited)).to.deep.equal(['half', 'half', 'half', undefined]);
  });

  it('are told in the methods, and stay as typed in a workbook', async () => {
    const [a, b] = [
      { ...emptyColumn('a', 'Air', 'mg'), cells: ['<1', '2', '4'], limits: 'half' as const },
      { ...emptyColumn('b', 'Freeze', 'mg'), cells: ['3', '5', '6'] },
    ];
    const both = tableOf([a, b], { measure: 'iodine', subject: 'blade' });
    const found = answer(defaultQuestion('a', 'b'), both);
    if (!found.ok) throw new Error(found.reason);
    expect(found.value.groups[0]?.description?.mean).to.be.closeTo(6.5 / 3, 1e-12);
    expect(plain(methodsSentence(found.value))).to.include(
      'One reading beyond a limit of measurement was taken as half that limit.',
    );
    const rows = applyEdits(both, [{ kind: 'describe-column', column: 'a', limits: null }]).table;
    expect(readColumn(rows.columns[0] ?? a).used.length).to.equal(2);
    const [sheet] = await readXlsx(
      new Uint8Array(await (await tableXlsx(both, { withoutAside: false })).arrayBuffer()),
    );
    expect(sheet?.rows.map((r) => r[0])).to.deep.equal(['Air (mg)', '<1', '2', '4']);
  });
});
