import { expect } from 'chai';
import fc from 'fast-check';
import { allocate, drawRows } from '../../src/core/readings/draw';
import { applyEdits } from '../../src/core/readings/edits';
import { withDerived } from '../../src/core/readings/derive';
import { type Formula, expressionText } from '../../src/core/readings/formula';
import { groupsOf } from '../../src/core/readings/groups';
import { type Column, type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { parseExpression } from '../../src/formats/expression';

const table = tableOf([
  { ...emptyColumn('a', 'blade length', 'mm'), cells: ['10', '20', '', '40'], aside: { 3: 'torn' } },
  { ...emptyColumn('b', 'lamp 1', 'h'), cells: ['2', '0', '5', '8'] },
  { ...emptyColumn('c', '48'), cells: ['1', '1', '1', '1'] },
]);
const derived = (formula: Formula, of = table): Column => {
  const made = { ...emptyColumn('d', 'derived'), formula };
  const { columns } = withDerived({ ...of, columns: [...of.columns, made] });
  return columns.at(-1) ?? made;
};
const written = (text: string, of: Table = table) =>
  derived({ kind: 'expression', expression: parseExpression(text, of.columns) }, of).cells;

describe('derived columns', () => {
  it('compute what is written, by column names of any kind', () => {
    expect(written('blade length / lamp 1')).to.deep.equal(['5', '', '', '5']);
    expect(written('"48" + 48')).to.deep.equal(['49', '49', '49', '49']);
    expect(written('[blade length] − 2 × lamp 1')).to.deep.equal(['6', '20', '', '24']);
    expect(written('-lamp 1^2')).to.deep.equal(['-4', '0', '-25', '-64']);
    expect(written('2^3^2 + 0*lamp 1')).to.deep.equal(['512', '512', '512', '512']);
    expect(written('round(log(blade length), 3)')).to.deep.equal(['1', '1.301', '', '1.602']);
    expect(written('0.1 + 0.2 + 0 * lamp 1')[0]).to.equal('0.3');
    expect(written('sqrt(0 - lamp 1)')).to.deep.equal(['', '0', '', '']);
  });

  it('say what they do not understand, and reach nothing but numbers', () => {
    for (const [text, words] of [
      ['blade length +', 'cannot be read'],
      ['height * 2', 'no column called “height”'],
      ['"height" * 2', 'no column called “height”'],
      ['alert(1)', '“alert” is not known here'],
      ['constructor', 'no column called “constructor”'],
      ['this.process', 'Only numbers, columns'],
      ['lamp 1["x"]', 'no column called'],
      ['[1, 2]', 'no column called'],
      ['lamp 1 = 2', 'cannot be read'],
      ['max(lamp 1)', 'takes two values'],
      ['lamp 1 blade length', 'side by side'],
      ['lamp 1 > 2 ? 1 : 0', 'cannot be read'],
    ] as const)
      expect(() => parseExpression(text, table.columns), text).to.throw(words);
    fc.assert(
      fc.property(
        fc.string({
          unit: fc.constantFrom('a', '1', '+', '(', ')', '^', '"', '.', ' ', '[', '`', '{', '=', '>', ',', '-'),
          maxLength: 24,
        }),
        (text) => {
          try {
            const read = parseExpression(text, table.columns);
            expect(JSON.stringify(read)).to.match(/^\{"kind":"(number|column|apply)"/);
          } catch (error) {
            expect((error as Error).name).to.equal('DomainError');
          }
        },
      ),
    );
  });

  it('are told in words that read back to the same', () => {
    for (const text of [
      '(blade length − lamp 1) ÷ 2',
      'blade length − (lamp 1 − 2)',
      '−(lamp 1 ^ 2)',
      'log10(lamp 1) × (1 + 2)',
    ]) {
      const read = parseExpression(text, table.columns);
      const again = expressionText(read, (id) => table.columns.find((c) => c.id === id)?.name ?? '');
      expect(parseExpression(again, table.columns)).to.deep.equal(read);
    }
  });

  it('follow their sources, through other derived columns, with what was set aside', () => {
    const half: Column = {
      ...emptyColumn('h', 'half'),
      formula: { kind: 'expression', expression: parseExpression('blade length / 2', table.columns) },
    };
    const chain = { ...table, columns: [...table.columns, half] };
    expect(written('half + 1', chain)).to.deep.equal(['6', '11', '', '21']);
    const { aside } = derived({ kind: 'score', of: 'a' });
    expect(aside).to.deep.equal({ 3: 'torn' });
    const edited = applyEdits(chain, [{ kind: 'write', row: 0, columns: ['a'], texts: [['30']] }]).table;
    expect(withDerived(edited).columns.at(-1)?.cells[0]).to.equal('15');
    expect(() => applyEdits(chain, [{ kind: 'remove-column', column: 'a' }])).to.throw(
      'half is computed from blade length',
    );
    expect(() => applyEdits(chain, [{ kind: 'write', row: 0, columns: ['h'], texts: [['1']] }])).to.throw(
      'computed from others',
    );
    const circle = { kind: 'score' as const, of: 'h' };
    expect(() => applyEdits(chain, [{ kind: 'describe-column', column: 'h', formula: circle }])).to.throw(
      'computed from itself',
    );
  });

  it('give percent of control, standard scores and bands', () => {
    expect(derived({ kind: 'percent-of-control', of: 'a', by: null, control: 'b' }).cells[0]).to.equal(
      String(Number((1000 / 3.75).toPrecision(15))),
    );
    expect(
      derived({ kind: 'score', of: 'b' })
        .cells.map(Number)
        .reduce((s, x) => s + x, 0),
    ).to.be.closeTo(0, 1e-12);
    const rows = tableOf(
      [
        { ...emptyColumn('g', 'lamp', '', 'group'), cells: ['x', 'x', 'y'] },
        { ...emptyColumn('v', 'v'), cells: ['2', '4', '6'] },
      ],
      { shape: 'rows' },
    );
    expect(derived({ kind: 'percent-of-control', of: 'v', by: 'g', control: 'x' }, rows).cells).to.deep.equal([
      '66.6666666666667',
      '133.333333333333',
      '200',
    ]);
    const bands: Column = {
      ...emptyColumn('k', 'band', '', 'group'),
      formula: { kind: 'bands', of: 'v', cuts: [4], names: ['short', 'long'] },
    };
    const banded = { ...rows, columns: [bands, rows.columns[1] ?? bands] };
    expect(groupsOf(banded).map((g) => [g.name, g.readings.used.map((r) => r.value)])).to.deep.equal([
      ['short', [2]],
      ['long', [4, 6]],
    ]);
  });
});

describe('derived columns that feed each other', () => {
  const sum = (a: string, b: string): Formula => ({
    kind: 'expression',
    expression: {
      kind: 'apply',
      name: '+',
      args: [
        { kind: 'column', column: a },
        { kind: 'column', column: b },
      ],
    },
  });
  /** Each column the sum of the two before it: 2 to the power of 70 ways to the last, were each way gone. */
  const chain = tableOf([
    { ...emptyColumn('c0', 'c0'), cells: ['1', '2'] },
    { ...emptyColumn('c1', 'c1'), cells: ['1', '0'] },
    ...Array.from({ length: 70 }, (_, i) => ({ ...emptyColumn(`c${i + 2}`, ''), formula: sum(`c${i}`, `c${i + 1}`) })),
  ]);

  it('are computed once each, however many read them', () => {
    const [fib, lucas] = [withDerived(chain).columns.at(-1)!.cells[0], withDerived(chain).columns[4]!.cells[1]];
    expect(Number(fib)).to.equal(498454011879264);
    expect(lucas).to.equal('4');
  });

  it('are told from ones that would read themselves', () => {
    const last = chain.columns.at(-1)!.id;
    const loop = { kind: 'describe-column' as const, column: 'c2', formula: sum('c0', last) };
    expect(() => applyEdits(chain, [loop])).to.throw('cannot be computed from itself');
    const further = { ...emptyColumn('more', 'more'), formula: sum(last, 'c2') };
    expect(
      applyEdits(chain, [{ kind: 'insert-column', at: 0, column: further as never }]).table.columns,
    ).to.have.length(73);
  });
});

describe('drawing and allocating', () => {
  const rows = Array.from({ length: 40 }, (_, i) => i);

  it('draws the same from the same seed, without replacement each row at most once', () => {
    expect(drawRows(rows, 12, false, 7)).to.deep.equal(drawRows(rows, 12, false, 7));
    expect(new Set(drawRows(rows, 40, false, 7)).size).to.equal(40);
    expect(drawRows(rows, 200, true, 7).length).to.equal(200);
    expect(() => drawRows(rows, 41, false, 7)).to.throw('Only 40 rows');
  });

  it('allocates evenly over all, within every block and within every stratum', () => {
    const count = (given: readonly string[]) => ['x', 'y'].map((t) => given.filter((g) => g === t).length);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.nat(), (n, seed) => {
        const [x = 0, y = 0] = count(allocate(n, { way: 'simple', treatments: ['x', 'y'], seed }));
        expect(Math.abs(x - y)).to.be.at.most(1);
        const blocks = allocate(n, { way: 'blocks', treatments: ['x', 'y'], seed, block: 4 });
        for (let from = 0; from + 4 <= n; from += 4) expect(count(blocks.slice(from, from + 4))).to.deep.equal([2, 2]);
        const strata = Array.from({ length: n }, (_, i) => `s${i % 3}`);
        const within = allocate(n, { way: 'strata', treatments: ['x', 'y'], seed, strata });
        for (const s of new Set(strata)) {
          const [a = 0, b = 0] = count(within.filter((_, i) => strata[i] === s));
          expect(Math.abs(a - b)).to.be.at.most(1);
        }
      }),
    );
    expect(() => allocate(8, { way: 'blocks', treatments: ['x', 'y'], seed: 1, block: 3 })).to.throw('a multiple of 2');
    expect(() => allocate(8, { way: 'simple', treatments: ['x'], seed: 1 })).to.throw('at least two');
  });

  it('gives each subject either treatment equally often over many seeds', () => {
    let first = 0;
    for (let seed = 0; seed < 2000; seed++)
      first += allocate(5, { way: 'simple', treatments: ['x', 'y'], seed })[0] === 'x' ? 1 : 0;
    expect(first).to.be.within(900, 1100);
  });
});
