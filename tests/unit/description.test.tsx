import { closeDocument, openDocument } from './dom';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { expect } from 'chai';
import { describeTable } from '../../src/core/answer/describe-table';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { descriptionTable, figureCell, usualDescription } from '../../src/core/words/tables/description-table';
import { asText } from '../../src/core/words/tables/result-table';
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
  const kept = new Map<string, string>();
  before(() =>
    Object.assign(globalThis, {
      localStorage: {
        getItem: (key: string) => kept.get(key) ?? null,
        setItem: (key: string, value: string) => kept.set(key, value),
      },
    }),
  );
  after(() => Reflect.deleteProperty(globalThis, 'localStorage'));
  afterEach(() => {
    cleanup();
    kept.clear();
  });

  it('is a table of the figures chosen, each beside the number it was written from', () => {
    const lines = describeTable(lamps, [], 'linear', 0.95);
    const table = descriptionTable(lamps, lines, { ...usualDescription, figures: ['n', 'aside', 'mean', 'sd', 'q1'] });
    expect(table.title).to.equal('Description of Lamp trial');
    const { head, rows, notes } = asText(table);
    expect(head.map(plain)).to.deep.equal(['group', 'n', 'set aside', 'mean', 'SD', 'Q1']);
    expect(rows.map((row) => row.map(plain))[0]).to.deep.equal(['Red lamp (mm)', '3', '1', '1.67', '2.84', '0.50']);
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

  it('shows the figures that are ticked, and remembers them', () => {
    const page = render(<DescribePanel table={lamps} chosen={[]} onClose={() => undefined} />);
    const heads = () => page.getAllByRole('columnheader').map((head) => loosely(head.textContent));
    expect(heads()).to.include('mean').and.not.include('CV (%)');
    fireEvent.click(page.getByRole('button', { name: 'Which figures' }));
    fireEvent.click(page.getByLabelText('CV (%)'));
    fireEvent.click(page.getByLabelText('median'));
    expect(heads()).to.include('CV (%)').and.not.include('median');
    fireEvent.change(page.getByLabelText('level'), { target: { value: '0.9' } });
    expect(heads()).to.include('90 % CI of the mean');
    cleanup();
    const again = render(<DescribePanel table={lamps} chosen={[]} onClose={() => undefined} />);
    expect(again.getAllByRole('columnheader').map((head) => loosely(head.textContent))).to.include('CV (%)');
    const row = again.getAllByRole('row').find((r) => r.textContent.startsWith('White lamp'));
    expect(row?.textContent).to.match(/^White lamp \(mm\)21/);
  });

  it('says that there is nothing to describe yet', () => {
    const page = render(<DescribePanel table={tableOf([])} chosen={[]} onClose={() => undefined} />);
    expect(page.container.textContent).to.include('There is no column of readings yet.');
    let closed = 0;
    cleanup();
    const open = render(<DescribePanel table={lamps} chosen={['red']} onClose={() => closed++} />);
    expect(open.queryByText(/White lamp/)).to.equal(null);
    fireEvent.click(open.getByRole('button', { name: 'Close the description' }));
    expect(closed).to.equal(1);
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
