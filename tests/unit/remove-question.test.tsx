import { closeDocument, openDocument } from './dom';
import { expect } from 'chai';
import { cleanup, fireEvent, render, waitFor } from '@testing-library/react';
import { createElement } from 'react';
import { RemoveQuestion } from '../../src/islands/question/RemoveQuestion';
import { startDemo } from '../../src/server/demo-study';
import { figuresOf } from '../../src/store/figures';
import { openDb } from '../../src/store/open';
import { questionsOf, usesOf } from '../../src/store/questions';

// Others are to see no document.
closeDocument();

describe('removing a question', () => {
  const real = globalThis.fetch;
  before(openDocument);
  after(closeDocument);
  afterEach(() => {
    cleanup();
    globalThis.fetch = real;
  });

  /** The page’s server: what comes from the question, or a refusal. */
  const shown = (uses: { figures: number; pieces: number } | undefined) => {
    const sent: string[] = [];
    let removed = 0;
    globalThis.fetch = (path, { method = 'GET' } = {}) => {
      sent.push(`${method} ${path as string}`);
      return Promise.resolve(
        uses ? Response.json(method === 'GET' ? uses : {}) : Response.json({ detail: 'It is gone.' }, { status: 404 }),
      );
    };
    const page = render(createElement(RemoveQuestion, { id: 'q', onRemoved: () => removed++ }));
    const press = (name: string) => fireEvent.click(page.getByRole('button', { name }));
    return { page, press, sent, removed: () => removed };
  };

  it('happens at once where nothing comes from it', async () => {
    const { press, sent, removed } = shown({ figures: 0, pieces: 0 });
    press('Remove this question');
    await waitFor(() => expect(removed()).to.equal(1));
    expect(sent).to.deep.equal(['GET /api/questions/q', 'DELETE /api/questions/q']);
  });

  it('is asked for twice where figures and a text come from it, and can be left', async () => {
    const { page, press, sent, removed } = shown({ figures: 1, pieces: 3 });
    press('Remove this question');
    const words = await page.findByRole('alert');
    expect(words.textContent).to.match(
      /^From this question come 1 figure, which goes with it, and 3 pieces of the write-up, which keep what was last read\./,
    );
    press('Keep it');
    expect(page.queryByRole('alert')).to.equal(null);
    expect(sent).to.deep.equal(['GET /api/questions/q']);
    press('Remove this question');
    await page.findByRole('alert');
    press('Remove it all the same');
    await waitFor(() => expect(removed()).to.equal(1));
    expect(sent.at(-1)).to.equal('DELETE /api/questions/q');
  });

  it('says why it cannot be', async () => {
    const { page, press, removed } = shown(undefined);
    press('Remove this question');
    expect((await page.findByRole('alert')).textContent).to.equal('It is gone.');
    expect(removed()).to.equal(0);
  });

  it('counts what comes from it: its figures, its pieces of the text and those of its figures', () => {
    const db = openDb(':memory:', process.cwd());
    const id = startDemo(db, '2026-01-02T03:04:05.000Z');
    const all = questionsOf(db, id).map((q) => usesOf(db, q.id));
    expect(all.reduce((sum, u) => sum + u.figures, 0)).to.equal(figuresOf(db, id).length);
    expect(all[0]?.pieces).to.be.greaterThan(1);
    expect(all.some((u) => u.figures + u.pieces === 0)).to.equal(true);
    db.$client.close();
  });
});
