import { expect } from 'chai';
import * as v from 'valibot';
import { answer } from '../../src/core/answering/answer';
import { AnswerRequest, tableOfRequest } from '../../src/core/question/answer-request';
import { applyEdits } from '../../src/core/readings/edits';
import { reshapeEdits } from '../../src/core/readings/reshape';
import { readingCells, rowsByRule } from '../../src/core/readings/rules';
import { emptyColumn, tableOf } from '../../src/core/readings/table';
import type { TableEdit } from '../../src/core/readings/table-edit';
import { changeWords, editWords } from '../../src/core/words/changes';

const table = tableOf([
  { ...emptyColumn('a', 'Red', 'mm'), cells: ['1', '2,5', '', 'n/a', '40'] },
  { ...emptyColumn('b', 'White', 'mm'), cells: ['2', '3', '4', '5', '6'] },
]);

describe('the log', () => {
  const cases: [TableEdit, string][] = [
    [{ kind: 'write', row: 1, columns: ['a'], texts: [['7']] }, 'Red, row 2: 7'],
    [{ kind: 'write', row: 1, columns: ['a'], texts: [['']] }, 'Red, row 2 emptied'],
    [
      {
        kind: 'write',
        row: 0,
        columns: ['a', 'b'],
        texts: [
          ['1', '2'],
          ['3', '4'],
        ],
      },
      'Red and White, rows 1 to 2: 1, 2, 3, 4',
    ],
    // What lies beside the columns is not written, and what is short of them is empty.
    [{ kind: 'write', row: 0, columns: ['a', 'b'], texts: [['1', '2', '3']] }, 'Red and White, row 1: 1, 2'],
    [{ kind: 'write', row: 0, columns: ['a', 'b'], texts: [['1']] }, 'Red and White, row 1: 1, –'],
    [{ kind: 'insert-rows', at: 2, count: 1 }, '1 row put in before row 3'],
    [{ kind: 'remove-rows', at: 2, count: 3 }, '3 rows removed from row 3 on'],
    [{ kind: 'move-rows', at: 0, count: 2, to: 3 }, '2 rows moved from row 1 to row 4'],
    [{ kind: 'order-rows', order: [1, 0] }, 'rows put in another order'],
    [{ kind: 'move-column', column: 'b', to: 0 }, 'White moved to place 1'],
    [{ kind: 'remove-column', column: 'gone' }, 'a column removed'],
    [{ kind: 'describe-column', column: 'a', name: 'Red lamp', unit: 'cm' }, 'Red: name now “Red lamp”, unit now “cm”'],
    [{ kind: 'describe-column', column: 'a', colour: null, levels: [] }, 'Red: colour now unset, groups changed'],
    [{ kind: 'describe-table', average: true }, 'averaging within subjects now on'],
    [{ kind: 'set-aside', cells: [{ column: 'b', row: 4, reason: 'lid off' }] }, 'White, row 5 set aside: lid off'],
    [{ kind: 'set-aside', cells: [{ column: 'b', row: 4, reason: null }] }, 'White, row 5 brought back'],
  ];
  for (const [edit, words] of cases) it(`says: ${words}`, () => expect(editWords(table, edit)).to.equal(words));

  it('says what stood there before, by what takes the change back', () => {
    const said = (...edits: TableEdit[]): string => changeWords(table, edits, applyEdits(table, edits).inverse);
    expect(said({ kind: 'write', row: 1, columns: ['a'], texts: [['43.9']] })).to.equal('Red, row 2: 43.9, was 2,5');
    expect(said({ kind: 'write', row: 0, columns: ['a'], texts: [['']] })).to.equal('Red, row 1 emptied, was 1');
    expect(said({ kind: 'write', row: 2, columns: ['a', 'b'], texts: [['8', '9']] })).to.equal(
      'Red and White, row 3: 8, 9; were –, 4',
    );
    const block = Array.from({ length: 4 }, (_, i) => [String(i), 'x']);
    expect(said({ kind: 'write', row: 3, columns: ['a', 'b'], texts: block })).to.equal(
      '4 rows of Red and White, from row 4 on, in place of 4 cells',
    );
    expect(said({ kind: 'describe-column', column: 'a', name: 'Coir', unit: '' })).to.equal(
      'Red: name now “Coir”, was “Red”, unit now nothing, was “mm”',
    );
    expect(said({ kind: 'describe-table', average: true })).to.equal('averaging within subjects now on, was off');
  });

  it('gathers what one change holds, and tells a turn of layout as one', () => {
    const many: TableEdit[] = Array.from({ length: 5 }, (_, row) => ({
      kind: 'write',
      row,
      columns: ['a'],
      texts: [['0']],
    }));
    expect(changeWords(table, many)).to.match(/^Red, row 1: 0; .*; and 2 more$/);
    const turned = reshapeEdits(table, 'rows');
    const { table: after, inverse } = applyEdits(table, turned);
    expect(changeWords(after, turned, inverse)).to.equal('turned into another layout: one row per reading');
    // What comes into an empty table is told as what came in, whatever layout it is read as.
    const [red, white] = ['red', 'white'].map((id) => ({ ...emptyColumn(id, id), cells: [] }));
    const blank = { ...table, columns: [red!, white!], rowCount: 0 };
    const block: TableEdit[] = [
      { kind: 'insert-rows', at: 0, count: 2 },
      {
        kind: 'write',
        row: 0,
        columns: ['red', 'white'],
        texts: [
          ['1', '2'],
          ['3', ''],
        ],
      },
      { kind: 'describe-column', column: 'red', unit: 'mm' },
      { kind: 'describe-table', shape: 'columns' },
    ];
    const came = applyEdits(blank, block);
    expect(changeWords(came.table, block, came.inverse)).to.equal(
      '2 rows of red and white entered, as one column per group',
    );
  });
});

describe('rules that pick rows', () => {
  const [red = emptyColumn('', '')] = table.columns;
  const picked = (is: Parameters<typeof rowsByRule>[2]['is'], value = '', to = '') =>
    rowsByRule(red, 5, { column: 'a', is, value, to });

  it('compare numbers as numbers, whatever their decimal mark, and texts as texts', () => {
    expect(picked('above', '1')).to.deep.equal([1, 4]);
    expect(picked('below', '2,5')).to.deep.equal([0]);
    expect(picked('between', '1', '2.5')).to.deep.equal([0, 1]);
    expect(picked('outside', '1', '2.5')).to.deep.equal([4]);
    expect(picked('equal', '40.0')).to.deep.equal([4]);
    expect(picked('equal', 'n/a')).to.deep.equal([3]);
    expect(picked('contains', 'N/')).to.deep.equal([3]);
    expect(picked('empty')).to.deep.equal([2]);
    expect(picked('above', 'x')).to.deep.equal([]);
  });

  it('set aside the readings of one group only where columns are groups, the whole row where it is one subject', () => {
    expect(readingCells(table, [0, 2], 'a')).to.deep.equal([{ column: 'a', row: 0 }]);
    expect(readingCells({ ...table, shape: 'repeated' }, [0], 'a').length).to.equal(2);
    const rows = tableOf(
      [
        { ...emptyColumn('g', 'g', '', 'group'), cells: ['x'] },
        { ...emptyColumn('v', 'v'), cells: ['1'] },
      ],
      { shape: 'rows' },
    );
    expect(readingCells(rows, [0], 'g')).to.deep.equal([{ column: 'v', row: 0 }]);
  });
});

describe('a request with its readings', () => {
  const request = (more: object = {}, readings: object = {}) => ({
    question: { a: 'Red', b: 'White', ...more },
    readings: { columns: table.columns.map((c) => ({ name: c.name, unit: c.unit, values: c.cells })), ...readings },
  });

  it('has the usual choices, and gives the very answer of the same table', () => {
    const asked = v.parse(AnswerRequest, request());
    expect(asked.question).to.deep.include({
      design: 'two-groups',
      direction: 'either',
      level: 0.95,
    });
    const found = answer(asked.question, tableOfRequest(asked));
    const known = answer({ ...asked.question, a: 'a', b: 'b' }, table);
    if (!found.ok || !known.ok) throw new Error('no answer');
    const { effect } = known.value.comparison.ok ? known.value.comparison.value : {};
    expect(found.value.comparison).to.deep.equal({
      ok: true,
      value: {
        ...(known.value.comparison.ok ? known.value.comparison.value : {}),
        effect: { ...effect, pair: [asked.question.a, asked.question.b] },
      },
    });
    const aside = v.parse(
      AnswerRequest,
      request(
        {},
        {
          columns: [
            { name: 'Red', values: [1, 2, 3], aside: { 2: 'torn' } },
            { name: 'White', values: [4, 5] },
          ],
        },
      ),
    );
    expect(tableOfRequest(aside).columns[0]?.aside).to.deep.equal({ 2: 'torn' });
  });

  it('says what cells beyond a limit count as, so that readings below it are compared as what they are', () => {
    const columns = (limits?: string) => [
      { name: 'Red', values: ['<2', 3, 4.5, 2.6], ...(limits ? { limits } : {}) },
      { name: 'White', values: [5, 7, '<2', 8], ...(limits ? { limits } : {}) },
    ];
    const told = (limits?: string) => {
      const asked = v.parse(AnswerRequest, request({}, { columns: columns(limits) }));
      const found = answer(asked.question, tableOfRequest(asked));
      if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
      return found.value;
    };
    expect(told('censored').question.method).to.equal('likelihood');
    expect(told('censored').groups.map((g) => [g.n, g.below?.count])).to.deep.equal([
      [4, 1],
      [4, 1],
    ]);
    expect(told().groups.map((g) => g.n)).to.deep.equal([3, 3]);
    expect(v.safeParse(AnswerRequest, request({}, { columns: columns('zero') })).success).to.equal(false);
  });

  it('names the field and the mend', () => {
    const trouble = (given: object): string => {
      const read = v.safeParse(AnswerRequest, given);
      if (read.success) return '';
      const [issue] = read.issues;
      return `${v.getDotPath(issue) ?? ''}: ${issue.message}`;
    };
    expect(trouble(request({ level: 0.3 }))).to.equal(
      'question.level: A confidence level below 50 % says next to nothing: choose 50 to 99.99 %.',
    );
    expect(trouble(request({}, { columns: [] }))).to.equal(
      'readings.columns: At least one column of readings is needed.',
    );
    expect(trouble(request({}, { columns: [{ name: 'Red', values: [1, true] }] }))).to.equal(
      'readings.columns.0.values.1: A reading is a number, a text or null.',
    );
    expect(
      trouble(
        request(
          {},
          {
            columns: [
              { name: 'Red', values: [] },
              { name: 'Red', values: [] },
            ],
          },
        ),
      ),
    ).to.include('give each an id of its own');
  });

  it('applied to a table leaves the table as it was', () => {
    const before = JSON.stringify(table);
    applyEdits(table, reshapeEdits(table, 'rows'));
    expect(JSON.stringify(table)).to.equal(before);
  });
});
