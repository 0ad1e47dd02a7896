import { closeDocument, openDocument } from './dom';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { expect } from 'chai';
import fc from 'fast-check';
import { answer } from '../../src/core/answering/answer';
import { there } from '../../src/core/numeric/there';
import { includedWords } from '../../src/core/question/included';
import { namesOf } from '../../src/core/question/naming';
import { type Question, questionOf } from '../../src/core/question/question';
import { levelsOf } from '../../src/core/readings/levels';
import type { Rule } from '../../src/core/readings/rules';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { questionSentence } from '../../src/core/telling/question';
import { methodsSentence } from '../../src/core/telling/report';
import { loosely, plain } from '../../src/core/words/text';
import { RowsPart } from '../../src/islands/question/RowsPart';

// Others are to see no document.
closeDocument();

const lamps = ['red', 'white', 'green', 'red', 'white', 'green', 'red', 'white', 'green', 'red', 'white', 'green'];
const depths = ['5', '5', '5', '10', '10', '10', '5', '5', '5', '10', '10', '10'];
const lengths = [12, 15, 22, 14, 18, 27, 11, 17, 21, 13, 16, 30];
const table = tableOf(
  [
    { ...emptyColumn('lamp', 'lamp', '', 'group'), cells: lamps },
    { ...emptyColumn('depth', 'depth', 'm', 'group'), cells: depths },
    { ...emptyColumn('y', 'blade length', 'mm'), cells: lengths.map(String) },
    { ...emptyColumn('mass', 'mass', 'g'), cells: lengths.map((x) => String(x / 10)) },
  ],
  { shape: 'rows' },
);
const rule = (column: string, is: Rule['is'], value: string, to?: string): Rule => ({
  column,
  is,
  value,
  ...(to === undefined ? {} : { to }),
});
const found = (question: Question, of: Table = table) => {
  const given = answer(question, of);
  if (!given.ok) throw new Error(given.reason);
  return given.value;
};
const why = (question: Question): string => {
  const given = answer(question, table);
  return given.ok ? '' : given.reason;
};
const several = (more: Partial<Question> = {}) => questionOf('several', { measure: 'y', by: 'lamp', ...more });

describe('rows that a question leaves out by a rule', () => {
  it('take their groups with them, and the others keep their colours', () => {
    const { groups } = found(several({ rows: [rule('lamp', 'not', 'red')] }));
    expect(groups.map((g) => [g.name, g.n, g.colour])).to.deep.equal([
      ['white', 4, 1],
      ['green', 4, 2],
    ]);
    const asked = namesOf(several({ rows: [rule('lamp', 'not', 'red')] }), table);
    expect(questionSentence(asked)).to.contain('white and green').and.not.contain('red');
    // Also where the question names the one that is left out.
    const named = several({ groups: ['red', 'white', 'green'], rows: [rule('lamp', 'not', 'red')] });
    expect(found(named).groups.map((g) => g.name)).to.deep.equal(['white', 'green']);
  });

  it('leave a factor fewer levels, and are told in Methods', () => {
    const asked = questionOf('factorial', {
      measure: 'y',
      by: 'lamp',
      by2: 'depth',
      rows: [rule('lamp', 'not', 'green'), rule('mass', 'between', '1.1', '1.7')],
    });
    const given = found(asked);
    expect(given.layout?.a.levels.map((l) => l.name)).to.deep.equal(['red', 'white']);
    expect(given.only).to.equal('lamp is not green and mass is between 1.1 and 1.7');
    expect(loosely(plain(methodsSentence(given)))).to.contain(
      'Only readings where lamp is not green and mass is between 1.1 and 1.7 were taken.',
    );
  });

  it('give the answer that the table without those rows gives', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Rule>(
          rule('mass', 'above', '1.25'),
          rule('mass', 'outside', '1.4', '1.6'),
          rule('depth', 'equal', '10'),
          rule('lamp', 'not', 'white'),
          rule('lamp', 'contains', 'e'),
        ),
        fc.constantFrom<Question>(several(), several({ about: 'spread' }), several({ method: 'ranks' })),
        (one, question) => {
          const ruled = found({ ...question, rows: [one] });
          const column = there(
            table.columns.find((c) => c.id === one.column),
            'The column',
          );
          const holds = (row: number): boolean => {
            const text = column.cells[row] ?? '';
            const [x, value] = [Number(text), Number(one.value)];
            if (one.is === 'above') return x > value;
            if (one.is === 'outside') return x < value || x > Number(one.to);
            if (one.is === 'equal') return x === value;
            return one.is === 'not' ? text !== one.value : text.includes(one.value);
          };
          const rows = lamps.flatMap((_, row) => (holds(row) ? [row] : []));
          const cut = tableOf(
            table.columns.map((c) => {
              const cells = rows.map((row) => c.cells[row] ?? '');
              // Groups stay in the order they had.
              const levels = levelsOf(c).filter((l) => cells.includes(l.name));
              return { ...c, cells, ...(c.role === 'group' ? { levels } : {}) };
            }),
            { shape: 'rows' },
          );
          const whole = found(question, cut);
          expect(ruled.groups.map((g) => [g.name, g.n, g.summary])).to.deep.equal(
            whole.groups.map((g) => [g.name, g.n, g.summary]),
          );
          expect(ruled.comparison).to.deep.equal(whole.comparison);
        },
      ),
    );
  });

  it('of columns that are groups, take only readings of the rule’s own column; of counts, whole rows', () => {
    const columns = tableOf([
      { ...emptyColumn('a', 'A'), cells: ['1', '2', '9'] },
      { ...emptyColumn('b', 'B'), cells: ['5', '6', '7'] },
    ]);
    const given = found(questionOf('two-groups', { a: 'a', b: 'b', rows: [rule('a', 'below', '5')] }), columns);
    expect(given.groups.map((g) => g.n)).to.deep.equal([2, 3]);
    const categories = tableOf(
      [
        { ...emptyColumn('g', 'rope', '', 'group'), cells: ['coir', 'coir', 'jute', 'jute', 'jute', 'coir'] },
        { ...emptyColumn('f', 'fouled', '', 'group'), cells: ['yes', 'no', 'no', 'no', 'yes', 'no'] },
        { ...emptyColumn('d', 'day', '', 'label'), cells: ['1', '1', '1', '2', '2', '2'] },
      ],
      { shape: 'categories' },
    );
    const counted = found(
      questionOf('several', { about: 'table', by: 'g', outcome: 'f', rows: [rule('d', 'equal', '1')] }),
      categories,
    );
    expect(counted.counted?.counts).to.deep.equal([
      [1, 1],
      [0, 1],
    ]);
    expect(plain(methodsSentence(counted))).to.contain('Only rows where day is 1 were taken.');
  });

  it('say what is wrong with a rule that cannot be kept', () => {
    expect(why(several({ rows: [rule('gone', 'not', 'red')] }))).to.contain('no longer there');
    expect(why(several({ rows: [rule('mass', 'above', '99')] }))).to.equal(
      'No row is left where mass is above 99: change the rule, or ask of all rows.',
    );
    expect(includedWords({ rows: [rule('depth', 'empty', '')] }, table)).to.equal('depth is empty');
  });
});

describe('a reading whose row names no group', () => {
  it('is told in Methods, with its number', () => {
    const lost = (...rows: number[]) => ({
      ...table,
      columns: table.columns.map((c) =>
        c.id === 'lamp' ? { ...c, cells: c.cells.map((t, row) => (rows.includes(row) ? '' : t)) } : c,
      ),
    });
    expect(plain(methodsSentence(found(several(), lost(2))))).to.contain('One reading without a lamp was left out.');
    const both = found(questionOf('factorial', { measure: 'y', by: 'lamp', by2: 'depth' }), lost(2, 4));
    expect(both.ungrouped).to.deep.equal({ count: 2, of: 'lamp or depth' });
    expect(found(several()).ungrouped).to.equal(undefined);
  });
});

describe('the rule in the sentence', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  it('is made, joined by another, and dropped, each with what it then asks', () => {
    const asked: Question[] = [];
    const shown = (question: Question) => {
      cleanup();
      return render(<RowsPart question={question} table={table} onChange={(q) => asked.push(q)} />);
    };
    let page = shown(several());
    fireEvent.click(page.getByRole('button', { name: 'All rows' }));
    const take = () => page.getByRole('button', { name: 'Take these rows' });
    expect(take().hasAttribute('disabled')).to.equal(true);
    fireEvent.change(page.getByLabelText('Value of the rule'), { target: { value: 'red' } });
    fireEvent.click(take());
    expect(asked.at(-1)?.rows).to.deep.equal([rule('lamp', 'not', 'red')]);
    page = shown(there(asked.at(-1), 'the question'));
    expect(page.container.textContent).to.match(/Only rows count where lamp is not red/);
    fireEvent.click(page.getByRole('button', { name: 'and …' }));
    fireEvent.change(page.getByLabelText('Column of the rule'), { target: { value: 'mass' } });
    fireEvent.change(page.getByLabelText('Rule'), { target: { value: 'between' } });
    fireEvent.change(page.getByLabelText('Value of the rule'), { target: { value: '1' } });
    fireEvent.change(page.getByLabelText('Upper value of the rule'), { target: { value: '2' } });
    fireEvent.keyDown(page.getByLabelText('Upper value of the rule'), { key: 'Enter' });
    expect(asked.at(-1)?.rows?.length).to.equal(2);
    page = shown(there(asked.at(-1), 'the question'));
    fireEvent.click(page.getByRole('button', { name: 'Drop the rule that lamp is not red' }));
    expect(asked.at(-1)?.rows).to.deep.equal([rule('mass', 'between', '1', '2')]);
    page = shown(there(asked.at(-1), 'the question'));
    fireEvent.click(page.getByRole('button', { name: /^Drop/ }));
    expect(asked.at(-1)).to.not.have.property('rows');
  });
});
