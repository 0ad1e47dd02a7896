import { closeDocument, openDocument } from './dom';
import { act, cleanup, fireEvent, render, waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { Trash2 } from 'lucide-react';
import { IconButton } from '../../src/islands/kit/IconButton';
import { tell, untell } from '../../src/islands/kit/tell';

closeDocument();

describe('notices and hints', () => {
  before(openDocument);
  afterEach(async () => {
    await act(async () => {
      untell();
      await Promise.resolve();
    });
    cleanup();
  });
  after(closeDocument);
  const notices = () =>
    [...document.querySelectorAll('.notice')]
      .filter((n) => !n.hasAttribute('data-ending-style'))
      .map((n) => n.textContent);

  it('tell one thing at a time, with what can be done about it, and leave when it is done', async () => {
    const done: string[] = [];
    act(() =>
      tell({ text: '“Ropes” was deleted.', actions: [{ label: 'Bring it back', run: () => done.push('back') }] }),
    );
    await waitFor(() => expect(notices()).to.deep.equal(['“Ropes” was deleted.Bring it back']));
    act(() => tell({ text: 'Nothing was pasted: a cell is too long.', stays: true }));
    await waitFor(() => expect(notices()).to.deep.equal(['Nothing was pasted: a cell is too long.']));
    act(() =>
      tell({ text: '“Lamps” was deleted.', actions: [{ label: 'Bring it back', run: () => done.push('lamps') }] }),
    );
    const button = await waitFor(() => {
      const found = [...document.querySelectorAll('.notice button')].find((b) => b.textContent === 'Bring it back');
      if (!found) throw new Error('no button yet');
      return found;
    });
    fireEvent.click(button);
    expect(done).to.deep.equal(['lamps']);
    await waitFor(() => expect(notices()).to.deep.equal([]));
  });

  it('say what a button does to whoever comes to it, and describe it to who cannot see the hint', async () => {
    const pressed: string[] = [];
    const screen = render(
      <IconButton name="Delete Ropes" says="Delete" icon={Trash2} onClick={() => pressed.push('Ropes')} />,
    );
    const button = screen.getByRole('button', { name: 'Delete Ropes' });
    expect(button.getAttribute('aria-description')).to.equal('Delete');
    expect(document.querySelector('.hint')).to.equal(null);
    act(() => button.focus());
    await waitFor(() => expect(document.querySelector('.hint')?.textContent).to.equal('Delete'));
    fireEvent.keyDown(button, { key: 'Escape' });
    await waitFor(() => expect(document.querySelector('.hint')).to.equal(null));
    fireEvent.click(button);
    expect(pressed).to.deep.equal(['Ropes']);
  });
});
