import { closeDocument, openDocument } from './dom';
import { expect } from 'chai';
import { act, cleanup, fireEvent, render, waitFor } from '@testing-library/react';
import { createElement } from 'react';
import type { Change } from '../../src/core/study/change';
import { touches, windowHeader } from '../../src/core/study/change';
import { NewerElsewhere } from '../../src/islands/shared/NewerElsewhere';
import { SaveState } from '../../src/islands/shared/SaveState';
import { foldsCookie, foldsFrom } from '../../src/core/study/folds';
import { Spine } from '../../src/islands/shared/Spine';
import { thisWindow } from '../../src/islands/shared/api';
import { followAddress } from '../../src/islands/shared/changes';
import { useKeptValue } from '../../src/islands/shared/kept-value';
import { announce, changeStream } from '../../src/server/changes';

// Others are to see no document.
closeDocument();

const address = '/api/questions/q';
const change = (more: Partial<Change> = {}): Change => ({ method: 'PUT', path: address, window: 'w', by: '', ...more });

describe('another window', () => {
  const real = globalThis.fetch;
  /** What the server keeps, and how it answers next. */
  let kept: { question: string; revision: number };
  let fail: ((method: string) => Response | undefined) | undefined;
  let sent: { revision: number; question: string }[];
  let tell: (change: Change | null) => void;
  before(() => {
    openDocument();
    // One line for the whole page: it stands for the worker that all pages share.
    class Line {
      port = {} as MessagePort;
      constructor() {
        tell = (data) => {
          act(() => {
            this.port.onmessage?.({ data } as MessageEvent);
          });
        };
      }
    }
    Object.assign(globalThis, { SharedWorker: Line });
  });
  after(() => {
    Reflect.deleteProperty(globalThis, 'SharedWorker');
    closeDocument();
  });
  beforeEach(() => {
    kept = { question: 'first', revision: 3 };
    sent = [];
    fail = undefined;
    globalThis.fetch = (_, { method = 'GET', body, headers } = {}) => {
      expect((headers as Record<string, string>)[windowHeader]).to.equal(thisWindow);
      const refused = fail?.(method);
      if (refused) return Promise.resolve(refused);
      if (method === 'GET') return Promise.resolve(Response.json(kept));
      const put = JSON.parse(body as string) as { revision: number; question: string };
      sent.push(put);
      if (put.revision !== kept.revision && put.question !== kept.question)
        return Promise.resolve(Response.json({ detail: 'It was changed in another window.' }, { status: 409 }));
      if (put.revision === kept.revision) kept = { question: put.question, revision: kept.revision + 1 };
      return Promise.resolve(Response.json({ revision: kept.revision }));
    };
  });
  afterEach(() => {
    cleanup();
    globalThis.fetch = real;
  });

  function Worked() {
    const held = useKeptValue(address, 'question', 'first', 3);
    return createElement('div', {}, [
      createElement('input', {
        key: 'i',
        value: held.value,
        onChange: (e: { target: { value: string } }) => held.change(e.target.value),
      }),
      createElement(SaveState, { key: 's', saving: held.saving }),
      createElement(NewerElsewhere<string>, {
        key: 'n',
        kept: held,
        what: 'question',
        copy: (mine: string) => `to copy: ${mine}`,
      }),
    ]);
  }
  const shown = () => {
    const page = render(createElement(Worked));
    const field = () => page.getByRole('textbox') as HTMLInputElement;
    return {
      page,
      value: () => field().value,
      type: (value: string) => fireEvent.change(field(), { target: { value } }),
      says: (words: RegExp) => waitFor(() => expect(page.container.textContent).to.match(words)),
      press: (name: RegExp) => fireEvent.click(page.getByRole('button', { name })),
    };
  };

  it('changes a question, and this one shows it and says who and where', async () => {
    const { value, says } = shown();
    kept = { question: 'theirs', revision: 4 };
    tell(change({ by: 'Ina' }));
    await says(/Ina changed this in another window/);
    expect(value()).to.equal('theirs');
    kept = { question: 'theirs again', revision: 5 };
    // Its own changes, and those of other things, are not looked at.
    tell(change({ window: thisWindow }));
    tell(change({ path: '/api/questions/other' }));
    await new Promise((r) => setTimeout(r, 20));
    expect(value()).to.equal('theirs');
    // After the line was broken anything may have happened.
    tell(null);
    await says(/Changed in another window/);
    expect(value()).to.equal('theirs again');
  });

  it('was faster: what was typed stays, and is put over the newer or let go', async () => {
    const { value, type, says, press } = shown();
    kept = { question: 'theirs', revision: 4 };
    type('mine');
    await says(/changed in another window.*to copy: mine/);
    expect(value()).to.equal('mine');
    // Typing on keeps waiting for a decision, and sends nothing.
    type('mine too');
    const before = sent.length;
    press(/^Keep mine/);
    await says(/All changes saved/);
    expect(sent.length).to.equal(before + 1);
    expect(kept.question).to.equal('mine too');
    kept = { question: 'theirs 2', revision: 9 };
    type('more');
    await says(/to copy: more/);
    press(/^Show the newer/);
    await says(/All changes saved/);
    expect(value()).to.equal('theirs 2');
  });

  it('removed it: said at once, in the server’s words, and no change is taken for kept', async () => {
    const { says, type } = shown();
    fail = () =>
      Response.json({ detail: 'This question was removed; the log of its study brings it back.' }, { status: 410 });
    tell(change({ method: 'DELETE' }));
    await says(/Removed.*This question was removed.*Open the log/);
    type('late');
    await says(/to copy: late/);
    expect(sent).to.deep.equal([]);
    fail = undefined;
    tell(change({ path: '/api/studies//restore-to', method: 'POST' }));
    await new Promise((r) => setTimeout(r, 20));
    // What was typed since is not thrown away by its coming back.
    await says(/to copy: late/);
  });

  it('is not blamed for a reply that was lost, and a server that cannot write is told as what it is', async () => {
    const { type, says } = shown();
    let lost = 1;
    const answers = globalThis.fetch;
    globalThis.fetch = async (path, init) => {
      const answer = await answers(path, init);
      if (init?.method === 'PUT' && lost-- > 0) throw new TypeError('no reply');
      return answer;
    };
    type('mine');
    await says(/Divide does not answer/);
    type('mine, and more');
    await waitFor(() => expect(kept.question).to.equal('mine, and more'), { timeout: 5000 });
    await says(/All changes saved/);
    expect(sent.map((s) => s.question)).to.deep.equal(['mine', 'mine', 'mine, and more']);
    fail = () => Response.json({ detail: 'The disk is full: nothing was written.' }, { status: 507 });
    type('fuller');
    await says(/Not saved yet: The disk is full/);
    fail = undefined;
    await waitFor(() => expect(kept.question).to.equal('fuller'), { timeout: 5000 });
  }).timeout(15_000);

  it('is never older: a revision from before is not shown in place of what stands here', async () => {
    const { value, says } = shown();
    kept = { question: 'long gone', revision: 2 };
    tell(change());
    await new Promise((r) => setTimeout(r, 30));
    expect(value()).to.equal('first');
    kept = { question: 'theirs', revision: 4 };
    tell(change());
    await says(/Changed in another window/);
    expect(value()).to.equal('theirs');
  });

  it('may have changed it before this page listened: who begins to listen later looks at once', async () => {
    tell(null);
    const looked: unknown[] = [];
    const stop = followAddress(address, (told) => looked.push(told));
    await waitFor(() => expect(looked).to.deep.equal([undefined]));
    tell(change());
    expect(looked).to.have.length(2);
    stop();
    tell(change());
    expect(looked).to.have.length(2);
    // Ended before its turn, it does not look.
    followAddress(address, (told) => looked.push(told))();
    await new Promise((r) => setTimeout(r, 5));
    expect(looked).to.have.length(2);
  });

  it('adds a question, and the list of the study shows it a moment later, asked for once however much was done', async () => {
    const entry = (id: string, label: string, of?: string) => ({
      id,
      label,
      href: `/studies/s/questions/${id}`,
      ...(of === undefined ? {} : { of }),
    });
    const start = { readings: [entry('t', 'Lamps')], questions: [], figures: [] };
    let asked = 0;
    globalThis.fetch = (path) => {
      expect(path).to.equal('/api/studies/s/spine');
      asked += 1;
      return Promise.resolve(
        Response.json({ ...start, questions: [entry('q', 'A · B', 't'), entry('r', 'A · C', 't')] }),
      );
    };
    const page = render(createElement(Spine, { study: 's', start, current: 'q', folded: foldsFrom(undefined) }));
    expect(page.queryByRole('link', { name: 'A · B' })).to.equal(null);
    tell(null);
    for (let i = 0; i < 5; i++) tell(change({ window: thisWindow, path: `/api/questions/${i}` }));
    // What concerns no list is not looked at.
    tell(change({ path: '/api/answer', method: 'POST' }));
    await waitFor(() => page.getByRole('link', { name: 'A · B' }), { timeout: 3000 });
    expect(asked).to.equal(1);
    const links = page.getAllByRole('link').slice(0, 3);
    expect(links.map((link) => link.textContent)).to.deep.equal(['Lamps', 'A · B', 'A · C']);
    expect(links.map((link) => link.getAttribute('aria-current'))).to.deep.equal([null, 'page', null]);
    expect(links[1]?.getAttribute('href')).to.equal('/studies/s/questions/q');
  });

  it('folds a long list under its tables but for the one that is open, finds in it, and keeps what was unfolded', () => {
    const entry = (id: string, label: string, of?: string) => ({ id, label, href: `/${id}`, ...(of ? { of } : {}) });
    const readings = Array.from({ length: 20 }, (_, i) => entry(`t${i}`, `Table ${i}`));
    const questions = readings.map(({ id }, i) => entry(`q${i}`, `A · B${i}`, id));
    const lists = { readings, questions, figures: [] };
    window.history.replaceState({}, '', '/studies/folds/questions/q3');
    const left = () => foldsFrom(new RegExp(`${foldsCookie}=([^;]*)`).exec(document.cookie)?.[1]);
    const page = render(createElement(Spine, { study: 'folds', start: lists, current: 'q3', folded: left() }));
    const seen = (name: string) => page.queryByRole('link', { name }) !== null;
    expect([seen('A · B3'), seen('A · B4')]).to.deep.equal([true, false]);
    fireEvent.click(page.getByRole('button', { name: 'What is asked of Table 4' }));
    expect(seen('A · B4')).to.equal(true);
    fireEvent.change(page.getByLabelText('Find in this study'), { target: { value: 'b17' } });
    expect([seen('A · B17'), seen('A · B4'), seen('Table 17'), seen('Table 4')]).to.deep.equal([
      true,
      false,
      true,
      false,
    ]);
    fireEvent.change(page.getByLabelText('Find in this study'), { target: { value: 'no such' } });
    expect(page.queryByText('Nothing here goes by that name.')).not.to.equal(null);
    fireEvent.keyDown(page.getByLabelText('Find in this study'), { key: 'Escape' });
    page.unmount();
    // Another page of the same study finds the list as it was left.
    expect(left()).to.deep.equal({ all: false, own: { t4: true } });
    const next = render(createElement(Spine, { study: 'folds', start: lists, current: 't9', folded: left() }));
    // As it comes: nothing opens afterwards.
    expect(next.queryByRole('link', { name: 'A · B4' })).not.to.equal(null);
    fireEvent.click(next.getByRole('button', { name: 'Unfold all' }));
    expect(next.queryByRole('link', { name: 'A · B19' })).not.to.equal(null);
    expect(left()).to.deep.equal({ all: true, own: {} });
    next.unmount();
  });

  it('is told of what touches it: the thing itself, its parts, and what turns the whole study back', () => {
    const touched = (method: string, path: string) => touches(change({ method, path }), '/api/tables/t', 's');
    expect(touched('POST', '/api/tables/t/edits')).to.equal(true);
    expect(touched('DELETE', '/api/tables/t')).to.equal(true);
    expect(touched('DELETE', '/api/studies/s')).to.equal(true);
    expect(touched('POST', '/api/studies/s/restore-to')).to.equal(true);
    expect(touched('POST', '/api/tables/t2/edits')).to.equal(false);
    expect(touched('PUT', '/api/studies/s/write-up')).to.equal(false);
    expect(touched('DELETE', '/api/studies/other')).to.equal(false);
  });

  it('hears over one line until it goes', async () => {
    const going = new AbortController();
    const reader = changeStream(going.signal).getReader();
    const next = async () => new TextDecoder().decode((await reader.read()).value);
    expect(await next()).to.match(/^retry: \d+\n\n$/);
    announce(change({ by: 'Ina' }));
    expect(await next()).to.equal(`data: ${JSON.stringify(change({ by: 'Ina' }))}\n\n`);
    going.abort();
    announce(change({ by: 'too late' }));
    const late = await Promise.race([
      reader.read().then(() => 'heard'),
      new Promise((r) => setTimeout(r, 20, 'quiet')),
    ]);
    expect(late).to.equal('quiet');
  });
});
