import { closeDocument, openDocument } from './dom';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { expect } from 'chai';
import { Guide } from '../../src/islands/question/Guide';
import { SectionIndex, partId } from '../../src/islands/question/SectionIndex';
import { $pageActions } from '../../src/islands/shared/page-commands';
import { act } from 'react';

closeDocument();

const parts = ['Ask', 'Look', 'Answer', 'Check', 'Tell'];
const Page = () => (
  <>
    {parts.map((name) => (
      <section key={name} aria-label={name}>
        <h2 id={partId(name)}>{name}</h2>
      </section>
    ))}
    <SectionIndex parts={parts} />
    <Guide />
  </>
);

describe('the tour of a question’s page', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(() => {
    cleanup();
    window.history.replaceState(null, '', '/');
  });
  const around = (of: ReturnType<typeof render>): (string | null)[] =>
    [...of.container.querySelectorAll('.shown-around')].map((e) => e.getAttribute('aria-label'));

  it('is offered where the address asks for it, and gone for good when it is not wanted', () => {
    window.history.replaceState(null, '', '/studies/s/questions/q?guide=yes&look=box');
    const screen = render(<Page />);
    expect(screen.getByRole('status').textContent).to.include('Show me around in five steps');
    fireEvent.click(screen.getByRole('button', { name: 'Not now' }));
    expect(screen.queryByRole('status')).to.equal(null);
    // How the readings are looked at stays.
    expect(window.location.search).to.equal('?look=box');
  });

  it('shows each part in turn, there and back, and ends with the last, or by Escape', () => {
    window.history.replaceState(null, '', '/?guide=yes');
    const screen = render(<Page />);
    fireEvent.click(screen.getByRole('button', { name: 'Show me around in five steps' }));
    const seen: (string | null)[] = [];
    for (const name of parts) {
      seen.push(...around(screen));
      expect(screen.getByRole('dialog').textContent).to.include(`${name}, ${parts.indexOf(name) + 1} of 5`);
      if (name !== 'Tell') fireEvent.click(screen.getByRole('button', { name: 'Next' }));
    }
    expect(seen).to.deep.equal(parts);
    fireEvent.click(screen.getByRole('button', { name: 'Back' }));
    expect(around(screen)).to.deep.equal(['Check']);
    fireEvent.keyDown(screen.getByRole('dialog'), { key: 'Escape' });
    expect(screen.queryByRole('dialog')).to.equal(null);
    expect(around(screen)).to.deep.equal([]);
    expect(window.location.search).to.equal('');
  });

  it('can be asked for by name on every question’s page', () => {
    const screen = render(<Page />);
    expect(screen.queryByRole('dialog')).to.equal(null);
    const [action] = $pageActions.get();
    act(() => action?.run());
    expect(around(screen)).to.deep.equal(['Ask']);
    fireEvent.click(screen.getByRole('button', { name: 'End the tour' }));
    expect(screen.queryByRole('dialog')).to.equal(null);
  });
});

describe('the index of a page', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  it('leads to each part, and marks the one that is read as the page scrolls', async () => {
    const screen = render(<Page />);
    const index = screen.getByRole('navigation', { name: 'On this page' });
    const links = [...index.querySelectorAll('a')];
    expect(links.map((a) => a.getAttribute('href'))).to.deep.equal(parts.map((name) => `#${partId(name)}`));
    const current = () => links.filter((a) => a.getAttribute('aria-current') === 'location').map((a) => a.textContent);
    // Where each heading stands: the third has just come up to the line that is read.
    const tops: Record<string, number> = { Ask: -900, Look: -400, Check: 100, Answer: 700, Tell: 1500 };
    for (const name of parts) {
      const heading = document.getElementById(partId(name));
      if (heading) heading.getBoundingClientRect = () => ({ top: tops[name] }) as DOMRect;
    }
    Object.defineProperty(document.documentElement, 'scrollHeight', { value: 5000, configurable: true });
    await act(async () => {
      window.dispatchEvent(new window.Event('scroll'));
      await new Promise((done) => setTimeout(done, 60));
    });
    expect(current()).to.deep.equal(['Check']);
  });
});
