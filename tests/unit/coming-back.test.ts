import { expect } from 'chai';
import fc from 'fast-check';
import { placesOf, placesTogether, sizesOf, standing } from '../../src/core/readings/places';
import { repeatsInCells, repeatsOf } from '../../src/core/readings/repeats';
import { emptyColumn, tableOf } from '../../src/core/readings/table';
import { innerNamed } from '../../src/core/question/inner';
import { questionOf } from '../../src/core/question/question';

/** A row of a small experiment: who was read, when, under what and, where it was, how much. */
interface Row {
  line: string;
  week: string;
  depth: string;
  length: string;
}
const row: fc.Arbitrary<Row> = fc.record({
  line: fc.constantFrom('', 'L1', 'L2', ' L2', 'L3', 'L4'),
  week: fc.constantFrom('', '0', '2', '4'),
  depth: fc.constantFrom('', 'deep', 'shallow'),
  length: fc.constantFrom('', '20.1', '20.4', 'lost'),
});
const rows = fc.array(row, { minLength: 1, maxLength: 40 });
const cellsOf = (all: readonly Row[], of: keyof Row): string[] => all.map((r) => r[of]);

const tableFor = (all: readonly Row[]) =>
  tableOf(
    [
      { ...emptyColumn('line', 'line', '', 'subject'), cells: cellsOf(all, 'line') },
      { ...emptyColumn('week', 'week', '', 'group'), cells: cellsOf(all, 'week') },
      { ...emptyColumn('depth', 'depth', '', 'group'), cells: cellsOf(all, 'depth') },
      { ...emptyColumn('length', 'length', 'mm'), cells: cellsOf(all, 'length') },
    ],
    { shape: 'rows', rowCount: all.length },
  );

/** Counted as a person would: the rows of each subject in each cell put together, then looked at. */
function counted(all: readonly Row[], cellOf: (r: Row) => string | undefined) {
  const piles = new Map<string, Map<string, number>>();
  all.forEach((r, i) => {
    const cell = cellOf(r);
    if (cell === undefined || !/^[\d.]+$/.test(r.length)) return;
    const subject = r.line.trim() || `row ${i + 1}`;
    const pile = piles.get(subject) ?? new Map<string, number>();
    piles.set(subject, pile.set(cell, (pile.get(cell) ?? 0) + 1));
  });
  const times = [...piles.values()].flatMap((pile) => [...pile.values()]);
  return {
    readings: times.reduce((sum, n) => sum + n, 0),
    subjects: times.length,
    distinct: piles.size,
    shared: [...piles.values()].filter((pile) => pile.size > 1).length,
    each: { least: Math.min(...times), most: Math.max(...times) },
  };
}

describe('subjects that come back', () => {
  it('are counted in groups as by hand, whatever is missing', () => {
    fc.assert(
      fc.property(rows, (all) => {
        expect(repeatsOf(tableFor(all), { measure: 'length', by: 'depth' })).to.deep.equal(
          counted(all, (r) => r.depth || undefined),
        );
        expect(repeatsOf(tableFor(all), { measure: 'length', by: 'week' }, ['0', '4'])).to.deep.equal(
          counted(all, (r) => (['0', '4'].includes(r.week) ? r.week : undefined)),
        );
      }),
    );
  });

  it('are counted in the cells of two factors', () => {
    fc.assert(
      fc.property(rows, (all) => {
        const choice = { measure: 'length', by: 'depth', by2: 'week' };
        expect(repeatsInCells(tableFor(all), choice)).to.deep.equal(
          counted(all, (r) => (r.depth && r.week ? `${r.depth} ${r.week}` : undefined)),
        );
      }),
    );
  });

  it('are counted where groups are columns, a row being a subject', () => {
    const table = tableOf(
      [
        { ...emptyColumn('line', 'line', '', 'subject'), cells: ['L1', 'L2', 'L1', ''] },
        { ...emptyColumn('deep', 'deep'), cells: ['20', '21', '22', '23'] },
        { ...emptyColumn('shallow', 'shallow'), cells: ['18', '', '', '19'] },
      ],
      { rowCount: 4 },
    );
    const each = { least: 1, most: 2 };
    expect(repeatsOf(table)).to.deep.equal({ readings: 6, subjects: 5, distinct: 3, shared: 2, each });
    expect(repeatsOf(table, {}, ['deep'])).to.deep.equal({ readings: 4, subjects: 3, distinct: 3, shared: 0, each });
    expect(repeatsInCells(table, {}), 'without a second factor').to.equal(undefined);
  });

  it('are none where no column names them', () => {
    const all = [{ line: '', week: '0', depth: 'deep', length: '20' }];
    const table = tableFor(all);
    const nameless = { ...table, columns: table.columns.filter((c) => c.role !== 'subject') };
    expect(repeatsOf(nameless, { by: 'depth' })).to.equal(undefined);
  });
});

describe('places of names', () => {
  it('tell names apart as their texts do, without the blanks around them, and count them', () => {
    fc.assert(
      fc.property(rows, (all) => {
        const cells = cellsOf(all, 'line');
        const { of, names } = placesOf(cells);
        expect(Array.from(of, (place) => names[place] ?? '')).to.deep.equal(cells.map((c) => c.trim()));
        expect(Array.from(sizesOf(of, names.length))).to.deep.equal(
          names.map((name) => cells.filter((c) => c.trim() === name).length),
        );
      }),
    );
  });

  it('of several columns together are as many as there are different rows', () => {
    fc.assert(
      fc.property(rows, (all) => {
        const columns = (['line', 'week', 'depth'] as const).map((of) => cellsOf(all, of));
        const { names } = placesTogether(columns, all.length);
        expect(names.length).to.equal(new Set(all.map((r) => JSON.stringify([r.line.trim(), r.week, r.depth]))).size);
      }),
    );
  });

  it('say how many names stand beside several of another column', () => {
    fc.assert(
      fc.property(rows, (all) => {
        const homes = new Map<string, Set<string>>();
        for (const { line, depth } of all)
          if (line.trim() && depth) homes.set(line.trim(), (homes.get(line.trim()) ?? new Set()).add(depth));
        expect(standing(cellsOf(all, 'line'), cellsOf(all, 'depth'))).to.deep.equal({
          names: homes.size,
          several: [...homes.values()].filter((of) => of.size > 1).length,
        });
      }),
    );
  });
});

describe('a sample within a sample', () => {
  const blades = (names: readonly string[]) =>
    tableOf(
      [
        { ...emptyColumn('line', 'line', '', 'subject'), cells: ['L1', 'L1', 'L1', 'L1', 'L2', 'L2', 'L2', 'L2'] },
        { ...emptyColumn('plant', 'plant', '', 'label'), cells: [...names] },
        { ...emptyColumn('depth', 'depth', '', 'group'), cells: 'd d d d s s s s'.split(' ') },
        { ...emptyColumn('length', 'length'), cells: '1 2 3 4 5 6 7 8'.split(' ') },
      ],
      { shape: 'rows', rowCount: 8 },
    );
  const found = (names: string) => innerNamed(questionOf('nested-two', { by: 'depth' }), blades(names.split(' ')))?.id;

  it('is named where names come back within each, and there are several in one', () => {
    expect(found('a a b b c c d d'), 'two plants of a line, each read twice').to.equal('plant');
    expect(found('a a b b a a b b'), 'numbered anew in each line').to.equal('plant');
    expect(found('a b c d e f g h'), 'each plant read once').to.equal(undefined);
    expect(found('a a a a b b b b'), 'one plant a line').to.equal(undefined);
  });
});
