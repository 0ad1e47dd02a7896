import { closeDocument, openDocument } from './dom';
import { act, cleanup, createEvent, fireEvent, render, screen, within } from '@testing-library/react';
import { expect } from 'chai';
import type { Question } from '../../src/core/question/question';
import type { TableEdit } from '../../src/core/readings/table-edit';
import type { Table } from '../../src/core/readings/table';
import { applyEdits } from '../../src/core/readings/edits';
import { openDoubts } from '../../src/core/understanding/doubts/open-doubts';
import { layoutEdits } from '../../src/core/understanding/read-as';
import { intake } from '../../src/core/understanding/intake';
import { AskNote } from '../../src/islands/readings/AskNote';
import { DoubtsNote } from '../../src/islands/readings/DoubtsNote';
import { Sentence } from '../../src/islands/readings/Sentence';
import { Ways } from '../../src/islands/readings/Ways';
import { takeBlockEdits } from '../../src/islands/readings/paste';
import { pasting } from '../../src/islands/readings/pasting';
import type { Told } from '../../src/islands/kit/tell';

closeDocument();

const block = (text: string): string[][] => text.split('\n').map((line) => line.split('\t'));
const pasted = (text: string): Table => ({ id: 't', name: '', ...intake(block(text)).table });
const slip = 'red (mm)\twhite (mm)\n29.6\t32.8\n29.0\t30.5\n28900\t28.2\n31.1\t27.5\n33.0\t30.0';
const bays = `bay\tspring\tautumn\n${Array.from({ length: 9 }, (_, i) => `Bay ${'ABCDEFGHI'[i] ?? ''}\t${12 + i}\t${19 - i}`).join('\n')}`;
const blank: Table = {
  ...pasted('a\tb\n1\t2'),
  rowCount: 0,
  columns: pasted('a\tb\n1\t2').columns.map((c, i) => ({ ...c, name: `Group ${i + 1}`, cells: [] })),
};

describe('the notes on a table', () => {
  before(openDocument);
  afterEach(cleanup);
  after(closeDocument);

  it('tell each doubt with its place and its mends, and hand a mend on as it is', () => {
    const table = pasted(slip);
    const edits: TableEdit[][] = [];
    const gone: [number, string][] = [];
    render(
      <DoubtsNote
        doubts={openDoubts(table)}
        onGo={(row, column) => gone.push([row, column])}
        onMend={(m) => edits.push(m.edits)}
      />,
    );
    const note = within(screen.getByRole('region', { name: 'Unclear' }));
    fireEvent.click(note.getByRole('button', { name: 'Go to red, row 3' }));
    expect(gone).to.deep.equal([[2, 'c0']]);
    fireEvent.click(note.getByRole('button', { name: 'Read it as 28.9' }));
    expect(edits).to.deep.equal([[{ kind: 'write', row: 2, columns: ['c0'], texts: [['28.9']] }]]);
  });

  it('find a mend again in a table that has changed since it was offered', () => {
    const table = pasted(slip);
    const later = applyEdits(table, [{ kind: 'insert-rows', at: 0, count: 1 }]).table;
    const edits: (TableEdit[] | undefined)[] = [];
    render(
      <DoubtsNote
        doubts={openDoubts(table)}
        onGo={() => undefined}
        onMend={(mend, mendsOf) => edits.push(mendsOf(later).find((m) => m.label === mend.label)?.edits)}
      />,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Read it as 28.9' }));
    expect(edits).to.deep.equal([[{ kind: 'write', row: 3, columns: ['c0'], texts: [['28.9']] }]]);
  });

  it('are silent about a table without doubts', () => {
    const { container } = render(
      <DoubtsNote
        doubts={openDoubts(pasted('red\twhite\n1.5\t2.5\n2.5\t3.1'))}
        onGo={() => undefined}
        onMend={() => undefined}
      />,
    );
    expect(container.innerHTML).to.equal('');
  });

  it('ask the question as it is understood, and offer the others beside it', () => {
    const all: (Question | undefined)[] = [];
    render(<AskNote table={pasted(slip)} onAsk={(q) => all.push(q)} onMend={() => undefined} />);
    fireEvent.click(screen.getByRole('button', { name: /^Ask whether two groups differ/ }));
    // Of a small table the others are there at once.
    expect(screen.queryByRole('group')).to.equal(null);
    fireEvent.click(screen.getByRole('button', { name: /the spread of/ }));
    expect(all.map((q) => q?.about)).to.deep.equal([undefined, 'spread']);
  });

  it('say of each question what counts once in it', () => {
    const read = (row: (i: number) => string, rows: number): Table =>
      pasted(['line\tlamp\tdepth\tlength', ...Array.from({ length: rows }, (_, i) => row(i))].join('\n'));
    const words = (table: Table): string => {
      render(<AskNote table={table} onAsk={() => undefined} onMend={() => undefined} />);
      const text = screen.getByRole('region', { name: 'Ask' }).textContent;
      cleanup();
      return text;
    };
    const lamp = (i: number): string => (i % 2 ? 'red' : 'white');
    const value = (i: number): string => (20 + ((i * 7) % 11) / 2).toFixed(1);
    // Each line under both lamps, at both depths.
    const everywhere = words(
      read((i) => `L${1 + Math.floor(i / 4)}\t${lamp(i)}\t${i % 4 > 1 ? 'deep' : 'shallow'}\t${value(i)}`, 24),
    );
    expect(everywhere).to.include('depend on lamp and depth, when each line is measured under every combination?');
    // Pairs: of one lamp alone each line has one reading.
    const pairs = words(
      pasted(
        [
          'line\tlamp\tlength',
          ...Array.from({ length: 12 }, (_, i) => `L${1 + (i >> 1)}\t${lamp(i)}\t${value(i)}`),
        ].join('\n'),
      ),
    );
    expect(pairs).to.include('when each line is measured twice?');
    expect(pairs).to.match(/differ between \w+ and \w+, when each line counts once for each of its readings\?/);
    expect(pairs).to.match(/What is the mean of length in \w+, with its interval, when each line counts once\?/);
    // Lines under one lamp each are not offered as measured twice.
    const nested = words(
      pasted(
        [
          'line\tlamp\tlength',
          ...Array.from(
            { length: 24 },
            (_, i) => `L${1 + Math.floor(i / 4)}\t${i < 12 ? 'red' : 'white'}\t${value(i)}`,
          ),
        ].join('\n'),
      ),
    );
    expect(nested).to.include('when each line counts once, with 4 readings in each?');
    expect(nested).to.not.include('is measured twice');
  });

  it('find the other questions of a large table only when someone looks', () => {
    const rows = Array.from({ length: 2600 }, (_, i) => `${30 + (i % 17)}.1\t${31 + (i % 13)}.4`);
    const all: (Question | undefined)[] = [];
    const table = pasted(['red (mm)\twhite (mm)', ...rows].join('\n'));
    render(<AskNote table={table} onAsk={(q) => all.push(q)} onMend={() => undefined} />);
    expect(screen.queryByRole('button', { name: /the spread of/ })).to.equal(null);
    const list = screen.getByRole<HTMLDetailsElement>('group');
    act(() => {
      list.open = true;
    });
    fireEvent(list, createEvent('toggle', list));
    fireEvent.click(screen.getByRole('button', { name: /the spread of/ }));
    expect(all.map((q) => q?.about)).to.deep.equal(['spread']);
  });

  it('say what is missing for a question, with a mend', () => {
    const edits: TableEdit[][] = [];
    const table = pasted('group\tmean\tSD\nred\t31.2\t4.1\nwhite\t33.0\t4.4');
    render(<AskNote table={table} onAsk={() => undefined} onMend={(m) => edits.push(m.edits)} />);
    expect(screen.getByRole('region', { name: 'Ask' }).textContent).to.include('another column with n');
    fireEvent.click(screen.getByRole('button', { name: 'Add a column for n' }));
    const [made = []] = edits;
    expect(applyEdits(table, made).table.columns.map((c) => c.role)).to.deep.equal([
      'group',
      'measure',
      'spread',
      'count',
    ]);
  });

  it('show each way to read a table with the question it leads to', () => {
    const table = pasted(bays);
    const doubt = openDoubts(table).find((d) => d.code === 'ambiguous-layout');
    if (!doubt) throw new Error('no doubt');
    const chosen: TableEdit[][] = [];
    render(<Ways table={table} doubt={doubt} onMend={(m) => chosen.push(m.edits)} />);
    const ways = screen.getAllByRole('listitem').map((li) => li.textContent);
    expect(ways[0]).to.include('18 counts').and.to.include('Does the share of spring differ');
    expect(ways[1]).to.include('2 groups, 18 readings').and.to.include('measured twice');
    fireEvent.click(screen.getByRole('button', { name: /^Read it as one row per subject/ }));
    expect(applyEdits(table, chosen[0] ?? []).table.shape).to.equal('repeated');
  });

  it('make the columns a layout needs where it is chosen for an empty table', () => {
    const edits: TableEdit[][] = [];
    render(
      <Sentence
        table={blank}
        onEdit={() => undefined}
        onTurn={() => undefined}
        onLayout={(shape) => edits.push(layoutEdits(blank, shape))}
      />,
    );
    fireEvent.change(screen.getByLabelText('How the table is laid out'), { target: { value: 'summary' } });
    expect(applyEdits(blank, edits[0] ?? []).table.columns.map((c) => `${c.name} ${c.role}`)).to.deep.equal([
      'group group',
      'mean measure',
      'SD spread',
      'n count',
    ]);
  });
});

describe('pasting into an empty table', () => {
  /** Pastes, and returns what the page says with the table that came of it. */
  function paste(text: string): { report: Told | undefined; table: Table; again: (label: string) => void } {
    let table = blank;
    let report: Told | undefined;
    pasting({
      table: blank,
      edit: (edits) => {
        table = applyEdits(blank, edits).table;
        return true;
      },
      undo: () => Promise.resolve(),
      report: (said) => (report = said),
      select: () => undefined,
    })(block(text), 0, 0);
    return {
      report,
      get table() {
        return table;
      },
      again: (label) => report?.actions?.find((a) => a.label === label)?.run(),
    };
  }

  it('tells what was done to it, and takes it otherwise at a click', async () => {
    const turned = paste('red\t1.5\t2.5\t3.5\t4.5\nwhite\t2.5\t3.5\t4.5\t5.5');
    expect(turned.report?.text).to.equal(
      '4 rows of 2 columns pasted. It was turned round, so that what stood in rows stands in columns. The first column became the names of the groups.',
    );
    turned.again('Leave it as it stood');
    await Promise.resolve();
    expect(turned.table.rowCount).to.equal(2);
    const titled = paste('Trial of May\t\n\t\nred\twhite\n1.5\t2.5\n3.5\t4.5');
    expect(titled.report?.text).to.include('2 lines above the names left out.');
    expect(titled.table.columns.map((c) => c.name)).to.deep.equal(['red', 'white']);
  });

  it('leaves readings where they stood, whatever was put into rows', async () => {
    const crossed =
      'line\tshallow\t\tdeep\t\n\tWeek 0\tWeek 2\tWeek 0\tWeek 2\nL1\t1.5\t2.5\t3.5\t4.5\nL2\t2.5\t3.5\t4.5\t5.5';
    const blocks = 'cultivar\tblock 1\tblock 2\tblock 3\nA\t1.5\t2.5\t3.5\nB\t2.5\t3.5\t4.5\nC\t2.1\t3.1\t4.1';
    const depths =
      'line\tdepth\tWeek 0\tWeek 2\nL1\t1 m\t1.5\t2.5\nL1\t3 m\t3.5\t4.5\nL2\t1 m\t2.5\t3.5\nL2\t3 m\t4.5\t5.5';
    for (const [text, rows, stood] of [
      [crossed, 8, 2],
      [blocks, 9, 3],
      [depths, 8, 4],
    ] as const) {
      const pasted = paste(text);
      expect(pasted.table.rowCount, text).to.equal(rows);
      pasted.again('Leave the readings where they stood');
      await Promise.resolve();
      expect(pasted.table.rowCount, text).to.equal(stood);
    }
  });

  it('keeps marks and the way decimals are read', () => {
    const { edits } = takeBlockEdits(
      blank,
      block('group\tn\tmean\tSD\nred\t17\t1,642\t318\nwhite\t14\t1,571\t402\nall\t31\t1,610\t355'),
    );
    const made = applyEdits(blank, edits).table;
    expect(made.columns[2]).to.include({ decimal: 'point' });
    expect(Object.keys(made.columns[2]?.aside ?? {})).to.deep.equal(['2']);
  });
});
