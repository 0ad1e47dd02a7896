import { expect } from 'chai';
import fc from 'fast-check';
import { placesTogether, standing } from '../../src/core/readings/places';
import { answer } from '../../src/core/answering/answer';
import { describeTable } from '../../src/core/answer/describe-table';
import { defaultQuestion } from '../../src/core/question/question';
import { applyEdits } from '../../src/core/readings/edits';
import { groupsOf, pairsOf } from '../../src/core/readings/groups';
import { repeatsOf } from '../../src/core/readings/repeats';
import {
  mergeColumnsEdits,
  moveColumnEdits,
  moveLevelEdits,
  renameLevelEdits,
} from '../../src/core/readings/group-edits';
import { limits } from '../../src/core/readings/table-edit';
import { intake } from '../../src/core/understanding/intake';
import { levelsOf } from '../../src/core/readings/levels';
import { looksLike, readAsEdits } from '../../src/core/understanding/read-as';
import { inShape, reshapeEdits, reshapeTargets } from '../../src/core/readings/reshape';
import { sortedRows } from '../../src/core/readings/rules';
import { type Column, type Role, type Shape, type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { figureCell } from '../../src/core/words/tables/description-table';
import { demoTables } from '../../demo/skerrow';

const block = (text: string): string[][] => text.split('\n').map((line) => line.split('|').map((cell) => cell.trim()));
const column = (id: string, role: Role, cells: string[], more: Partial<Column> = {}): Column => ({
  ...emptyColumn(id, id, '', role),
  cells,
  ...more,
});
const turned = (table: Table, shape: Shape): Table => applyEdits(table, reshapeEdits(table, shape)).table;
const demo = (name: string): Table => {
  const found = demoTables().find(({ table }) => table.name === name);
  if (!found) throw new Error(name);
  return found.table;
};
/** A table's texts, padded, with marks and group colours: what a person would say is in it. */
const content = (table: Table) =>
  table.columns.map((c) => ({
    name: c.name,
    unit: c.unit,
    role: c.role,
    colour: c.colour,
    cells: Array.from({ length: table.rowCount }, (_, r) => c.cells[r] ?? ''),
    aside: c.aside,
  }));

describe('what a block is understood as', () => {
  const cases: [Shape, string, string, Role[]][] = [
    ['columns', 'ragged groups', 'Red (mm)|White (mm)\n1.5|2.5\n3.5|4.1\n|5', ['measure', 'measure']],
    ['columns', 'names that start with digits', '0.5 mM|ctrl (day 3)\n1|2\n3|4', ['measure', 'measure']],
    ['rows', 'a group and a measure', 'lamp|length (mm)\nred|1.5\nred|2.5\nwhite|3.5', ['group', 'measure']],
    [
      'rows',
      'two measures with units',
      'lamp|length (mm)|mass (g)\nred|1.5|2\nred|2.5|3\nwhite|3.5|4',
      ['group', 'measure', 'measure'],
    ],
    [
      'rows',
      'replicates of a tank',
      'tank|flow|cover\nK1|still|4.1\nK1|still|4.2\nK2|fast|5.1',
      ['subject', 'group', 'measure'],
    ],
    [
      'rows',
      'few numbers in one unit beside readings in another',
      'tank|warmth (°C)|growth (mm/d)\nT1|9|1.21\nT2|9|1.34\nT3|12|1.52\nT4|12|1.61',
      ['subject', 'group', 'measure'],
    ],
    ['rows', 'a dose in decimals', 'dose|cover\n0.5|12.1\n0.5|13.4\n1|15.2\n1|16.1', ['group', 'measure']],
    [
      'rows',
      'pH as what was read, however few its values',
      'flow|pH\nstill|8.0\nstill|8.1\nstill|8.0\npulsed|8.1\npulsed|8.1\npulsed|8.0',
      ['group', 'measure'],
    ],
    ['rows', 'pH as what was set', 'pH|growth\n7.8|1.21\n7.8|1.34\n8.1|1.52\n8.1|1.61', ['group', 'measure']],
    [
      'repeated',
      'whole numbers that come again in the same unit',
      'blade|before (g)|after (g)\nB1|2|1.1\nB2|2|2.0\nB3|3|2.4\nB4|3|2.9',
      ['subject', 'measure', 'measure'],
    ],
    [
      'repeated',
      'a subject and two turns',
      'blade|before (g)|after (g)\nB1|1.5|1.1\nB2|2.5|2.0',
      ['subject', 'measure', 'measure'],
    ],
    ['repeated', 'weeks', 'week 1|week 2\n1.5|1.1\n2.5|2.0', ['measure', 'measure']],
    [
      'grid',
      'levels with replicates below',
      '|low|high\n9 °C|1.5|1.1\n|2.5|2.0\n12 °C|3.1|3.2\n|4.1|4.2',
      ['group', 'measure', 'measure'],
    ],
    ['counts', 'a table of counts', 'depth|grazed|whole\n1 m|12|41\n3 m|19|33', ['group', 'count', 'count']],
    [
      'counts',
      'one row per cell',
      'depth|state|count\n1 m|grazed|12\n1 m|whole|41\n3 m|grazed|19\n3 m|whole|9',
      ['group', 'group', 'count'],
    ],
    [
      'categories',
      'categories',
      'surface|outcome\nrough|settled\nrough|bare\nsmooth|bare\nsmooth|bare',
      ['group', 'group'],
    ],
    [
      'summary',
      'figures from a paper',
      'site|mean (cm)|SEM|n\nA|31.4|1.1|24\nB|35.2|0.9|26',
      ['group', 'measure', 'spread', 'count'],
    ],
  ];
  for (const [shape, what, text, roles] of cases)
    it(`is ${shape}: ${what}`, () => {
      const { table } = intake(block(text));
      expect(table.shape).to.equal(shape);
      expect(table.columns.map((c) => c.role)).to.deep.equal(roles);
    });

  it('reads as many subjects as a table holds, each with a name and a note of its own', () => {
    const rows = Array.from({ length: limits.rows }, (_, i) => [`T${i}`, `note ${i}`, i % 2 ? 'red' : 'white', '2.1']);
    const { table } = intake([['tank', 'note', 'lamp', 'length'], ...rows]);
    expect(table.rowCount).to.equal(limits.rows);
    expect(table.columns.map((c) => c.role)).to.deep.equal(['subject', 'label', 'group', 'measure']);
  });

  it('names a doubtful cell by the row it stands in once it is a table, also where rows were left or taken apart', () => {
    const placesOf = (text: string): [number, string][] =>
      intake(block(text)).doubtful.map(({ row, text: cell }) => [row, cell]);
    expect(placesOf('lamp|length\nred|1.5\n|\nred|2.5\nlamp|length\nwhite|3.5?')).to.deep.equal([[2, '3.5?']]);
    expect(placesOf('day|red 1|red 2|white 1|white 2\n0|20.1|21.2|19.8|20.0\n7|22.1|23.2|20.8|2I.0')).to.deep.equal([
      [7, '2I.0'],
    ]);
    expect(placesOf('lamp|rep 1|rep 2\nred|1.5|2.5\nred|1.5|1.9\nwhite|3.5|4.o\nwhite|3.1|4.1')).to.deep.equal([
      [5, '4.o'],
    ]);
  });

  it('finds a title, names, a row of units and units in the cells; every cell stays as written', () => {
    const { table, heads, doubtful } = intake(
      block('Trial of May|\nlamp|length\n|(mm)\nred|1,5\nred|n/a\nwhite|<0,05\nwhite|2,5 mm'),
    );
    expect(heads).to.deep.equal({ skipped: 1, names: 1, units: 1 });
    expect(table.columns.map((c) => [c.name, c.unit])).to.deep.equal([
      ['lamp', ''],
      ['length', 'mm'],
    ]);
    expect(table.columns[1]?.cells).to.deep.equal(['1,5', 'n/a', '<0,05', '2,5 mm']);
    expect(doubtful.map((d) => [d.row, d.text, d.became])).to.deep.equal([
      [2, '<0,05', undefined],
      [3, '2,5 mm', '2.5'],
    ]);
    expect(intake(block('a|b\n1|12 mm\n2|13 mm')).table.columns[1]?.unit).to.equal('mm');
  });

  it('reads every table of the demo study as what it is, also from its heads and cells alone', () => {
    for (const { table } of demoTables()) expect(looksLike(table), table.name).to.equal(undefined);
  });

  it('can be read otherwise and back, moving nothing', () => {
    const table = demo('Grazing classes');
    const other = applyEdits(table, readAsEdits(table, 'grid')).table;
    expect(other.columns.map((c) => c.role)).to.deep.equal(['group', 'measure', 'measure', 'measure']);
    expect(content(applyEdits(other, readAsEdits(other, 'counts')).table)).to.deep.equal(content(table));
  });
});

describe('names of several columns together', () => {
  const name = fc.constantFrom('red', 'white', ' red', '', 'L1', 'L2', '0');
  const columns = fc
    .integer({ min: 1, max: 4 })
    .chain((width) =>
      fc
        .integer({ min: 0, max: 12 })
        .chain((rows) =>
          fc.array(fc.array(name, { minLength: rows, maxLength: rows }), { minLength: width, maxLength: width }),
        ),
    );
  /** The same, by the texts themselves. */
  const byText = (all: readonly (readonly string[])[], rows: number): number[] => {
    const seen = new Map<string, number>();
    return Array.from({ length: rows }, (_, row) => {
      const key = all.map((cells) => (cells[row] ?? '').trim()).join('\n');
      if (!seen.has(key)) seen.set(key, seen.size);
      return seen.get(key) ?? -1;
    });
  };

  it('are numbered as they first appear', () => {
    fc.assert(
      fc.property(columns, (all) => {
        const rows = all[0]?.length ?? 0;
        const { of, names } = placesTogether(all, rows);
        const expected = byText(all, rows);
        // Alone, an empty cell has no name.
        if (all.length === 1) {
          expect([...of].map((place) => place >= 0)).to.deep.equal(all[0]?.map((cell) => cell.trim() !== ''));
          return;
        }
        expect([...of]).to.deep.equal(expected);
        expect(names.length).to.equal(new Set(expected).size);
      }),
    );
  });

  it('are so where there are more of them than are held in a list', () => {
    const rows = 3000;
    const own = Array.from({ length: rows }, (_, row) => `a${row}`);
    const turned = own.map((_, row) => `b${(row * 7) % rows}`);
    expect([...placesTogether([own, turned, own], rows).of]).to.deep.equal(own.map((_, row) => row));
  });

  it('stand beside one name of another column, or beside several', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(name, name), { maxLength: 12 }), (pairs) => {
        const [inner, outer] = [pairs.map(([a]) => a), pairs.map(([, b]) => b)];
        const homes = new Map<string, Set<string>>();
        for (const [a, b] of pairs) {
          if (a.trim() === '' || b.trim() === '') continue;
          homes.set(a.trim(), (homes.get(a.trim()) ?? new Set()).add(b.trim()));
        }
        expect(standing(inner, outer)).to.deep.equal({
          names: homes.size,
          several: [...homes.values()].filter((of) => of.size > 1).length,
        });
      }),
    );
  });
});

describe('turning one shape into another', () => {
  const cell = fc.constantFrom('1.5', '2', '', 'n/a', '7,1');
  const groups = fc
    .integer({ min: 1, max: 4 })
    .chain((n) =>
      fc.tuple(
        ...Array.from({ length: n }, () => fc.record({ cells: fc.array(cell, { maxLength: 6 }), aside: fc.boolean() })),
      ),
    );

  it('loses nothing from columns to rows and back, whatever is in them', () =>
    fc.assert(
      fc.property(groups, fc.boolean(), (drawn, subjects) => {
        const rowCount = Math.max(1, ...drawn.map((d) => d.cells.length));
        const measures = drawn.map(({ cells, aside }, i) => {
          const filled = cells.findLastIndex((c) => c !== '');
          return column(
            `g${i}`,
            'measure',
            cells.slice(0, filled + 1),
            aside && filled >= 0 ? { aside: { [filled]: 'lid off' }, colour: 7 - i } : {},
          );
        });
        const names = subjects
          ? [
              column(
                's',
                'subject',
                Array.from({ length: rowCount }, (_, r) => `s${r}`),
              ),
            ]
          : [];
        const table = tableOf([...names, ...measures], { rowCount, shape: subjects ? 'repeated' : 'columns' });
        const rows = turned(table, 'rows');
        const back = turned(rows, table.shape);
        const tall = (t: Table) => content({ ...t, rowCount: Math.max(table.rowCount, t.rowCount) });
        expect(tall(back)).to.deep.equal(tall(table));
        // Undone, the table is just as it was.
        const { table: next, inverse } = applyEdits(table, reshapeEdits(table, 'rows'));
        expect(content(applyEdits(next, inverse).table)).to.deep.equal(content(table));
      }),
    ));

  it('gives the same answer in either shape, by the same question', () => {
    const table = demo('Lamp trial');
    const before = answer(defaultQuestion('red', 'white'), table);
    const after = answer(defaultQuestion('red', 'white'), turned(table, 'rows'));
    if (!before.ok || !after.ok) throw new Error('no answer');
    expect(after.value.comparison).to.deep.equal(before.value.comparison);
    expect(after.value.groups[0]?.readings.aside.map((a) => a.reason)).to.deep.equal(['tag lost']);
  });

  it('goes between a two-way grid and rows, between counts and what was counted', () => {
    const rows = demo('Temperature by nutrient');
    const grid = turned(applyEdits(rows, [{ kind: 'remove-column', column: 'tank' }]).table, 'grid');
    expect(grid.columns.map((c) => c.name)).to.deep.equal(['temperature', 'low', 'high']);
    expect(turned(grid, 'rows').rowCount).to.equal(grid.rowCount * 2);
    const [low] = groupsOf(rows, { by: 'nutrient' });
    expect(groupsOf(turned(grid, 'rows')).length).to.equal(3);
    expect(low?.readings.used.length).to.equal(grid.columns[1]?.cells.filter((c) => c !== '').length);
    const told = turned(demo('Grazing classes'), 'categories');
    expect(told.rowCount).to.equal(175);
    expect(content(turned(told, 'counts'))).to.deep.equal(content(demo('Grazing classes')));
  });

  it('says what would have no place, and changes nothing', () => {
    const twoUnits = tableOf([
      column('a', 'measure', ['1'], { unit: 'mm' }),
      column('b', 'measure', ['2'], { unit: 'cm' }),
    ]);
    expect(() => reshapeEdits(twoUnits, 'rows')).to.throw('different units (mm, cm)');
    expect(() => reshapeEdits(demo('Temperature by nutrient'), 'columns')).to.throw(
      '“temperature” would have no place',
    );
    expect(() => inShape(demo('Figures from a paper'), 'rows')).to.throw('different things');
    expect(reshapeTargets(demo('Figures from a paper'))).to.deep.equal([]);
    const unnamed = tableOf([column('g', 'group', ['a', '']), column('v', 'measure', ['1', '2'])], { shape: 'rows' });
    expect(() => reshapeEdits(unnamed, 'columns')).to.throw('Row 2 has a reading and no group');
  });
});

describe('groups', () => {
  const lamps = column('lamp', 'group', ['red', 'white', 'red', 'blue']);
  const table = tableOf([lamps, column('v', 'measure', ['1', '2', '3', '4'])], { shape: 'rows' });
  const lamp = (t: Table): Column => t.columns[0] ?? lamps;

  it('keep their identity when renamed, their colour when moved, and become one when named alike', () => {
    const renamed = applyEdits(table, renameLevelEdits(lamps, 'red', 'Red 660 nm')).table;
    expect(groupsOf(renamed)[0]).to.include({ id: 'red', name: 'Red 660 nm' });
    const moved = applyEdits(renamed, moveLevelEdits(lamp(renamed), 'red', 1)).table;
    expect(groupsOf(moved).map((g) => [g.name, g.colour])).to.deep.equal([
      ['white', 1],
      ['Red 660 nm', 0],
      ['blue', 2],
    ]);
    const merged = applyEdits(moved, renameLevelEdits(lamp(moved), 'blue', 'white')).table;
    expect(groupsOf(merged).map((g) => [g.name, g.readings.used.map((r) => r.value)])).to.deep.equal([
      ['white', [2, 4]],
      ['Red 660 nm', [1, 3]],
    ]);
  });

  it('of columns merge with their marks', () => {
    const [a, b] = [
      column('a', 'measure', ['1', '2']),
      column('b', 'measure', ['3', '4'], { aside: { 1: 'lid off' } }),
    ];
    const both = tableOf([a, b]);
    const merged = applyEdits(both, mergeColumnsEdits(both, a, b)).table;
    expect(content(merged)).to.deep.include({
      ...content(merged)[0],
      cells: ['1', '2', '3', '4'],
      aside: { 3: 'lid off' },
    });
  });

  it('that are columns keep their colours when they change places', () => {
    const lampTrial = demo('Lamp trial');
    const moved = applyEdits(lampTrial, moveColumnEdits(lampTrial, 'white', 0)).table;
    expect(groupsOf(moved).map((g) => [g.id, g.colour])).to.deep.equal([
      ['white', 1],
      ['red', 0],
    ]);
  });

  it('take any name', () => {
    const odd = ['48', '0.5 mM', 'ctrl (day 3)', 'φύκια 🌊', '__proto__', 'constructor'];
    const any = tableOf(
      [
        column('g', 'group', odd),
        column(
          'v',
          'measure',
          odd.map((_, i) => String(i)),
        ),
      ],
      { shape: 'rows' },
    );
    expect(levelsOf(any.columns[0] ?? lamps).map((l) => l.name)).to.deep.equal(odd);
    expect(turned(any, 'columns').columns.map((c) => c.name)).to.deep.equal(odd);
  });
});

describe('independent samples', () => {
  it('are counted by subject, averaged where the table says so, and change n and the answer', () => {
    const table = { ...demo('Three readings a tank'), average: false };
    expect(repeatsOf(table)).to.deep.equal({
      readings: 36,
      subjects: 12,
      distinct: 12,
      shared: 0,
      each: { least: 3, most: 3 },
    });
    const of = (t: Table) => {
      const found = answer(defaultQuestion('still', 'pulsed'), t);
      if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
      return { n: found.value.groups.map((g) => g.readings.used.length), ...found.value.comparison.value.effect! };
    };
    const [each, averaged] = [of(table), of({ ...table, average: true })];
    expect(each.n).to.deep.equal([18, 18]);
    expect(averaged.n).to.deep.equal([6, 6]);
    expect(averaged.estimate).to.be.closeTo(each.estimate, 1e-9);
    expect(averaged.interval!.high - averaged.interval!.low).to.be.greaterThan(
      each.interval!.high - each.interval!.low,
    );
  });

  it('pair by subject whatever the order of the rows, and say who is alone', () => {
    const rows = [
      ['B2', 'after', '4'],
      ['B1', 'before', '5'],
      ['B3', 'before', '9'],
      ['B1', 'after', '3'],
      ['B2', 'before', '7'],
    ];
    const at = (k: number): string[] => rows.map((r) => r[k] ?? '');
    const table = tableOf([column('s', 'subject', at(0)), column('g', 'group', at(1)), column('v', 'measure', at(2))], {
      shape: 'rows',
    });
    const [before, after] = groupsOf(table);
    if (!after || !before) throw new Error('no groups');
    const { pairs, alone } = pairsOf(table, before, after);
    expect(pairs.map((p) => [p.subject, p.a.value, p.b.value])).to.deep.equal([
      ['B1', 5, 3],
      ['B2', 7, 4],
    ]);
    expect(alone).to.deep.equal(['B3']);
  });
});

describe('order and description', () => {
  it('sorts numbers by size, then text, then empty cells, keeping equals in order', () => {
    const c = column('a', 'measure', ['10', '9', '', 'n/a', '9', '-1']);
    expect(sortedRows(c, 6, false)).to.deep.equal([5, 1, 4, 0, 3, 2]);
    expect(sortedRows(c, 6, true)).to.deep.equal([0, 1, 4, 5, 3, 2]);
  });

  it('describes each group and all together, and says what is missing', () => {
    const table = tableOf([
      column('a', 'measure', ['1', '', '3'], { unit: 'mm' }),
      column('b', 'measure', ['5', '6'], { unit: 'mm' }),
    ]);
    const lines = describeTable(table, [], 'linear', 0.95);
    expect(lines.map((l) => [l.name, l.readings.used.length, l.missing, l.description?.mean])).to.deep.equal([
      ['a', 2, 1, 2],
      // One rule for every layout: rows of the table without a reading.
      ['b', 2, 1, 5.5],
      ['all together', 4, 2, 3.75],
    ]);
    expect(lines.map((l) => figureCell(l, 'populationSd', 3).text)).to.deep.equal(['1.000', '0.500', '1.920']);
    const [empty] = describeTable(tableOf([column('a', 'measure', ['x'])]), [], 'linear', 0.95);
    expect(empty && figureCell(empty, 'mean', undefined).text).to.equal('–');
  });
});
