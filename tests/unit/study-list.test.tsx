import { closeDocument, openDocument } from './dom';
import { cleanup, fireEvent, render, waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { renderToString } from 'react-dom/server';
import { CommandLine } from '../../src/islands/command/CommandLine';
import { foldsFrom, foldsText } from '../../src/core/study/folds';
import { Spine } from '../../src/islands/shared/Spine';

closeDocument();

const lists = {
  readings: [{ id: 't', label: 'Four lamps', href: '/t' }],
  questions: ['all pairs', 'with the control', 'spread'].map((label, i) => ({
    id: `q${i}`,
    label,
    href: `/q${i}`,
    of: 't',
  })),
  figures: [{ id: 'f', label: 'all pairs: boxes', short: 'boxes', href: '/f', of: 'q0' }],
};

describe('the list of a study', () => {
  const realFetch = globalThis.fetch;
  before(openDocument);
  afterEach(() => {
    cleanup();
    globalThis.fetch = realFetch;
  });
  after(closeDocument);

  it('moves a question among those of its table by Alt and an arrow, with its figures, and keeps the order', async () => {
    const sent: [string, unknown][] = [];
    globalThis.fetch = (path, init) => {
      sent.push([path as string, JSON.parse(init?.body as string)]);
      return Promise.resolve(Response.json({}));
    };
    const screen = render(<Spine study="s" start={lists} current="q0" folded={foldsFrom(undefined)} />);
    const asked = () => screen.getAllByRole('link', { name: /all pairs$|control|spread/ }).map((a) => a.textContent);
    expect(asked()).to.deep.equal(['all pairs', 'with the control', 'spread']);
    fireEvent.keyDown(screen.getByRole('link', { name: 'all pairs' }), { key: 'ArrowDown', altKey: true });
    expect(asked()).to.deep.equal(['with the control', 'all pairs', 'spread']);
    await waitFor(() => expect(sent).to.deep.equal([['/api/tables/t/questions', { order: ['q1', 'q0', 'q2'] }]]));
    // Its figure goes with it.
    const item = screen.getByRole('link', { name: 'all pairs' }).closest('li');
    expect(item?.textContent).to.equal('all pairsboxes');
    // An arrow alone is the page's, and the first goes no further up.
    fireEvent.keyDown(screen.getByRole('link', { name: 'spread' }), { key: 'ArrowUp' });
    fireEvent.keyDown(screen.getByRole('link', { name: 'with the control' }), { key: 'ArrowUp', altKey: true });
    expect(sent.length).to.equal(1);
  });

  it('has its links lead on as the server draws it, and what is typed or pressed wait until it is heard', () => {
    const many = lists.questions.flatMap((q) => Array.from({ length: 9 }, (_, k) => ({ ...q, id: `${q.id}-${k}` })));
    const spine = (
      <Spine study="s" start={{ ...lists, questions: many }} current="q0-0" folded={foldsFrom(undefined)} />
    );
    const place = document.createElement('nav');
    place.innerHTML = renderToString(spine);
    const deaf = (of: string) => [...place.querySelectorAll(of)].map((e) => e.closest('[inert]') !== null);
    expect(deaf('a')).to.have.length.above(10).and.to.not.include(true);
    expect(deaf('input, button')).to.have.length.above(3).and.to.not.include(false);
    render(spine, { container: document.body.appendChild(place), hydrate: true });
    expect(deaf('input, button')).to.not.include(true);
    place.remove();
  });

  it('says when the order could not be kept', async () => {
    globalThis.fetch = () =>
      Promise.resolve(Response.json({ title: 'No', status: 507, detail: 'The disk is full.' }, { status: 507 }));
    const screen = render(<Spine study="s" start={lists} current="q0" folded={foldsFrom(undefined)} />);
    fireEvent.keyDown(screen.getByRole('link', { name: 'spread' }), { key: 'ArrowUp', altKey: true });
    await waitFor(() => expect(document.body.textContent).to.include('The order was not kept: The disk is full.'));
  });
});

describe('the folds of a long list', () => {
  it('are a word a cookie holds, of the last two hundred, and nothing of what cannot be read', () => {
    const own = Object.fromEntries(Array.from({ length: 300 }, (_, i) => [`-a_${i}`, i % 3 === 0]));
    const text = foldsText({ all: true, own });
    expect(text).to.match(/^[\w.!-]+$/);
    expect(text.length).to.be.lessThan(4000);
    const back = foldsFrom(text);
    expect(back.all).to.equal(true);
    expect(back.own).to.deep.equal(Object.fromEntries(Object.entries(own).slice(-200)));
    for (const odd of ['', '2', '0;t', '{"all":true}', undefined])
      expect(foldsFrom(odd)).to.deep.equal({ all: false, own: {} });
  });
});

describe('the command line', () => {
  before(openDocument);
  afterEach(() => {
    cleanup();
    document.querySelector('main')?.remove();
  });
  after(closeDocument);

  it('lists what the page can do by name, goes through it by arrows, and does it', async () => {
    const done: string[] = [];
    const page = document.body.appendChild(document.createElement('main'));
    for (const name of ['Turn round', 'Copy the results', 'Copy the legend']) {
      const button = page.appendChild(document.createElement('button'));
      button.textContent = name;
      button.getClientRects = () => [{}] as unknown as DOMRectList;
      button.addEventListener('click', () => done.push(name));
    }
    HTMLElement.prototype.scrollIntoView = () => undefined;
    const closed: string[] = [];
    const screen = render(<CommandLine shows="commands" onClose={() => closed.push('closed')} />);
    const field = screen.getByRole('combobox', { hidden: true });
    fireEvent.change(field, { target: { value: 'copy' } });
    const shown = () => screen.getAllByRole('option', { hidden: true }).map((o) => o.textContent);
    await waitFor(() => expect(shown()).to.deep.equal(['Copy the resultsdo', 'Copy the legenddo']));
    fireEvent.change(field, { target: { value: 'nowhere' } });
    await waitFor(() => expect(document.body.textContent).to.include('Nothing here goes by that name.'));
    fireEvent.change(field, { target: { value: 'copy' } });
    await waitFor(() => expect(shown().length).to.equal(2));
    fireEvent.keyDown(field, { key: 'ArrowDown' });
    await waitFor(() =>
      expect(document.querySelector('[role=option][data-highlighted]')?.textContent).to.equal('Copy the legenddo'),
    );
    fireEvent.keyDown(field, { key: 'Enter' });
    await waitFor(() => expect(closed).to.deep.equal(['closed']));
    expect(done).to.deep.equal(['Copy the legend']);
  });
});
