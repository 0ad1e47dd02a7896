import { closeDocument, openDocument } from './dom';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { expect } from 'chai';
import { describeTable } from '../../src/core/answer/describe-table';
import { besideReasons } from '../../src/core/readings/beside';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { applyEdits } from '../../src/core/readings/edits';
import { usualDescription } from '../../src/core/readings/described';
import { chosenDescription, descriptionTable, figureCell } from '../../src/core/words/tables/description-table';
import { asText, turnedTable } from '../../src/core/words/tables/result-table';
import { loosely, plain } from '../../src/core/words/text';
import { copiedTable } from '../../src/formats/copied-table';
import DescribePanel from '../../src/islands/readings/DescribePanel';
import { RegistrationPage } from '../../src/islands/question/RegistrationPage';

// Others are to see no document.
closeDocument();

const lamps: Table = tableOf(
  [
    { ...emptyColumn('red', 'Red lamp', 'mm'), cells: ['-1.5', '2.5', '4', '7'], aside: { 3: 'tag lost' } },
    { ...emptyColumn('white', 'White lamp', 'mm'), cells: ['3', '', '5'] },
  ],
  { name: 'Lamp trial' },
);

describe('a description', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  it('is a table of the figures chosen, each beside the number it was written from', () => {
    const lines = describeTable(lamps, [], 'linear', 0.95);
    const table = descriptionTable(lamps, lines, { ...usualDescription, figures: ['n', 'aside', 'mean', 'sd', 'q1'] });
    expect(table.title).to.equal('Description of Lamp trial');
    const { head, rows, notes } = asText(table);
    expect(head.map(plain)).to.deep.equal(['readings (mm)', 'n', 'set aside', 'mean', 'SD', 'Q1']);
    expect(rows.map((row) => row.map(plain))[0]).to.deep.equal(['Red lamp', '3', '1', '1.67', '2.84', '0.50']);
    expect(notes?.[0]).to.match(/^Quartiles: /);
    const [red] = lines;
    if (!red) throw new Error('no line');
    expect(figureCell(red, 'mean', 4).text).to.equal('1.6667');
    expect(figureCell(red, 'mean', 4).value).to.be.closeTo(5 / 3, 1e-14);
    expect(figureCell(red, 'min', undefined).text).to.equal('−1.5');
    expect(figureCell(red, 'interval', 1).value).to.be.an('object');
  });

  it('goes to a spreadsheet with plain minus signs and each end of an interval in its own cell', () => {
    const lines = describeTable(lamps, [], 'linear', 0.95);
    const { plain: text } = copiedTable(descriptionTable(lamps, lines, usualDescription));
    const [title, head = '', red = ''] = text.split('\n');
    expect(title).to.equal('Description of Lamp trial');
    expect(head.split('\t')).to.include.members(['95 % CI of the mean: lower', '95 % CI of the mean: upper']);
    expect(red.split('\t').filter((cell) => /^-\d/.test(cell))).to.have.length(2);
    expect(red).to.not.match(/[−–]/);
    expect(red.split('\t').length).to.equal(head.split('\t').length);
  });

  it('shows the figures that are ticked, and keeps them with the table', () => {
    let table = lamps;
    const panel = () => (
      <DescribePanel
        table={table}
        described={table.described}
        chosen={[]}
        onEdit={(edits) => {
          table = applyEdits(table, edits).table;
          page.rerender(panel());
        }}
        onClose={() => undefined}
      />
    );
    const page = render(panel());
    const rows = (of: typeof page) => of.getAllByRole('rowheader').map((head) => loosely(head.textContent));
    // Two groups and all together: figures stand down, groups across.
    expect(page.getAllByRole('columnheader').map((h) => loosely(h.textContent))).to.deep.equal([
      'readings (mm)',
      'Red lamp',
      'White lamp',
      'all together',
    ]);
    expect(rows(page)).to.include('mean').and.not.include('CV (%)');
    // A set that is often wanted takes one choice; others are ticked one by one.
    fireEvent.change(page.getByLabelText('Figures shown'), { target: { value: 'n and mean' } });
    expect(page.getAllByRole('columnheader').map((h) => loosely(h.textContent))).to.deep.equal([
      'readings (mm)',
      'n',
      'mean',
    ]);
    fireEvent.change(page.getByLabelText('Figures shown'), { target: { value: 'the usual' } });
    fireEvent.change(page.getByLabelText('Figures shown'), { target: { value: 'own' } });
    fireEvent.click(page.getByLabelText('CV (%)'));
    fireEvent.click(page.getByLabelText('median'));
    expect(rows(page)).to.include('CV (%)').and.not.include('median');
    fireEvent.change(page.getByLabelText('level'), { target: { value: '0.9' } });
    expect(rows(page)).to.include('90 % CI of the mean');
    fireEvent.click(page.getByRole('button', { name: 'None' }));
    expect(page.container.textContent).to.contain('No figure is chosen');
    fireEvent.click(page.getByRole('button', { name: 'All' }));
    expect(rows(page).length).to.equal(23);
    fireEvent.click(page.getByLabelText('range'));
    fireEvent.change(page.getByLabelText('groups'), { target: { value: 'down' } });
    expect(rows(page)).to.deep.equal(['Red lamp', 'White lamp', 'all together']);
    const heads = page.getAllByRole('columnheader').map((head) => loosely(head.textContent));
    expect(heads).to.include('CV (%)').and.not.include('range');
    // What the write-up shows is the same table; another table has the usual figures.
    expect(asText(chosenDescription(table)).head.map((h) => loosely(plain(h)))).to.deep.equal(heads);
    const usual = asText(chosenDescription(lamps)).rows.map(([head]) => head && plain(head));
    expect(usual).to.include('mean').and.not.include('CV (%)');
  });

  it('describes every group unless only the columns selected are asked for', () => {
    let closed = 0;
    const open = render(
      <DescribePanel
        table={lamps}
        described={undefined}
        chosen={['red']}
        onEdit={() => undefined}
        onClose={() => closed++}
      />,
    );
    expect(open.queryByText(/White lamp/)).to.not.equal(null);
    fireEvent.click(open.getByLabelText('only the columns selected'));
    expect(open.queryByText(/White lamp/)).to.equal(null);
    fireEvent.click(open.getByRole('button', { name: 'Close the description' }));
    expect(closed).to.equal(1);
  });

  it('says that there is nothing to describe yet', () => {
    const page = render(
      <DescribePanel
        table={tableOf([])}
        described={undefined}
        chosen={[]}
        onEdit={() => undefined}
        onClose={() => undefined}
      />,
    );
    expect(page.container.textContent).to.include('There is no column of readings yet.');
  });

  it('counts as missing the rows of the table, or of the group, without a reading, in every layout', () => {
    const missing = (table: Table) =>
      Object.fromEntries(describeTable(table, [], 'linear', 0.95).map((l) => [l.name, l.missing]));
    // White lamp lacks rows 2 and 4; row 4 of Red lamp is set aside, not missing.
    expect(missing(lamps)).to.deep.equal({ 'Red lamp': 0, 'White lamp': 2, 'all together': 2 });
    const rows = tableOf(
      [
        { ...emptyColumn('g', 'lamp', '', 'group'), cells: ['red', 'red', 'white', 'white', '', 'red', ''] },
        { ...emptyColumn('y', 'length', 'mm'), cells: ['3', 'lost', '', '5', '7', '', ''] },
      ],
      { shape: 'rows' },
    );
    expect(missing(rows)).to.deep.equal({ red: 2, white: 1, 'all together': 3 });
    const totals = tableOf([
      { ...emptyColumn('a', 'A'), cells: ['3', '', '5'], aside: { 2: besideReasons.total } },
      { ...emptyColumn('b', 'B'), cells: ['3', '4', '7'], aside: { 2: besideReasons.total } },
    ]);
    expect(missing(totals)).to.deep.equal({ A: 1, B: 0, 'all together': 1 });
  });

  it('goes to a spreadsheet the way round it stands, each end of an interval in its own cell', () => {
    const lines = describeTable(lamps, [], 'linear', 0.95);
    const table = descriptionTable(lamps, lines, { ...usualDescription, figures: ['n', 'mean', 'interval', 'min'] });
    const cells = copiedTable(turnedTable(table))
      .plain.split('\n')
      .slice(1)
      .map((line) => line.split('\t').map(loosely));
    expect(cells.map(([head]) => head)).to.deep.equal([
      'readings (mm)',
      'n',
      'mean',
      '95 % CI of the mean: lower',
      '95 % CI of the mean: upper',
      'min',
    ]);
    for (const row of cells) expect(row.length).to.equal(4);
    expect(cells[5]?.[1]).to.equal('-1.5');
    const [low = '', high = ''] = [cells[3]?.[1], cells[4]?.[1]];
    const mean = Number(cells[2]?.[1]);
    expect(mean - Number(low)).to.be.closeTo(Number(high) - mean, 0.02);
  });
});

describe('the page of a registration', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  it('shows each part as it was registered, to be printed, kept as a file or copied', () => {
    const page = render(
      <RegistrationPage
        title="Lamps"
        sentence="Is blade length greater in Red lamp?"
        table={{
          title: 'Registration',
          head: [['part'], ['as registered']],
          rows: [
            [['method'], ['Welch’s t-test']],
            [['level'], ['95 % (α = 0.05)']],
          ],
          words: [1],
        }}
      />,
    );
    expect(page.getByRole('heading', { level: 1 }).textContent).to.equal('Is blade length greater in Red lamp?');
    expect(page.getByRole('rowheader', { name: 'level' }).parentElement?.textContent).to.match(/95.%/);
    expect(page.getAllByRole('button').map((button) => button.textContent.trim())).to.deep.equal([
      'Print, or keep as PDF',
      'Download as HTML',
      'Copy',
    ]);
    let printed = 0;
    Object.assign(window, { print: () => printed++ });
    fireEvent.click(page.getByRole('button', { name: /Print/ }));
    expect(printed).to.equal(1);
  });
});
