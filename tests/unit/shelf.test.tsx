import { closeDocument, openDocument } from './dom';
import { cleanup, fireEvent, render, waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { createElement } from 'react';
import { Shelf } from '../../src/islands/shelf/Shelf';

// Others are to see no document.
closeDocument();

const line = (id: string, title: string) => ({
  id,
  title,
  changedAt: '2026-03-03T09:00:00.000Z',
  compared: `Does ${title} differ?`,
});

describe('the shelf', () => {
  const realFetch = globalThis.fetch;
  before(openDocument);
  afterEach(() => {
    cleanup();
    globalThis.fetch = realFetch;
  });
  after(closeDocument);
  const page = () => render(createElement(Shelf, { lines: [line('a', 'Ropes'), line('b', 'Lamps')], deleted: [] }));
  /** Whether the page left it to the browser. */
  const paste = (target: Element, text: string): boolean =>
    fireEvent.paste(target, { clipboardData: { getData: () => text } });

  it('takes a pasted table as a file of readings, and leaves what is pasted into a field alone', async () => {
    const screen = page();
    // A word is no table.
    expect(paste(document.body, 'lamps')).to.equal(true);
    expect(screen.queryByText('A new study')).to.equal(null);
    const title = screen.getByLabelText('Start one about');
    expect(paste(title, 'Red\tWhite\n1\t2')).to.equal(true);
    expect(screen.queryByText('A new study')).to.equal(null);
    expect(paste(document.body, 'Red\tWhite\n1\t2')).to.equal(false);
    await waitFor(() => screen.getByRole('heading', { name: 'A new study' }));
  });

  it('gives the focus back to what asked, once a title or a question is left by Escape', async () => {
    const screen = page();
    for (const name of ['Rename Ropes', 'Delete Ropes']) {
      const button = screen.getByRole('button', { name });
      button.focus();
      fireEvent.click(button);
      await waitFor(() => expect(document.activeElement).to.not.equal(button));
      fireEvent.keyDown(document.activeElement ?? document.body, { key: 'Escape' });
      // Asked about, the buttons made way: the one of that name stands there anew.
      await waitFor(() => expect(document.activeElement).to.equal(screen.getByRole('button', { name })));
    }
  });

  it('asks before a study goes, and shows the shelf as it is then', async () => {
    const sent: string[] = [];
    globalThis.fetch = (path, init) => {
      sent.push(`${init?.method ?? 'GET'} ${path as string}`);
      return Promise.resolve(
        Response.json({
          lines: [line('b', 'Lamps')],
          deleted: [{ id: 'a', title: 'Ropes', at: line('a', '').changedAt }],
        }),
      );
    };
    const screen = page();
    const titles = () => screen.getAllByRole('link', { name: /Ropes|Lamps/ }).map((a) => a.textContent);
    fireEvent.click(screen.getByRole('button', { name: 'Delete Ropes' }));
    expect(sent).to.deep.equal([]);
    fireEvent.click(screen.getByRole('button', { name: 'Delete' }));
    await waitFor(() => expect(titles()).to.deep.equal(['Lamps']));
    expect(document.body.textContent).to.include('“Ropes” was deleted.');
    fireEvent.click(screen.getByRole('button', { name: 'Bring it back' }));
    await waitFor(() =>
      expect(sent).to.deep.equal([
        'DELETE /api/studies/a',
        'GET /api/shelf',
        'POST /api/studies/a/restore',
        'GET /api/shelf',
      ]),
    );
  });

  it('tells what was refused, and changes nothing', async () => {
    globalThis.fetch = () =>
      Promise.resolve(Response.json({ title: 'No', status: 422, detail: 'A study needs a title.' }, { status: 422 }));
    const screen = page();
    fireEvent.click(screen.getByRole('button', { name: 'Rename Lamps' }));
    const field = screen.getByLabelText('New title of Lamps');
    fireEvent.change(field, { target: { value: 'Other lamps' } });
    fireEvent.submit(field);
    await waitFor(() => expect(screen.getByRole('alert').textContent).to.include('A study needs a title.'));
    expect(screen.queryByText('Lamps')).not.to.equal(null);
  });
});
