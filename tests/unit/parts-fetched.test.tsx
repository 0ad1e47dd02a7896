import { closeDocument, openDocument } from './dom';
import { expect } from 'chai';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { renderToString } from 'react-dom/server';
import { later } from '../../src/islands/shared/later';

// Others are to see no document.
closeDocument();

const Words = ({ words }: { words: string }) => <p>{words}</p>;
const parts = () => Promise.resolve({ default: Words });

describe('a part of a page that is fetched when it is shown', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  it('has a stand-in until it is there, and ever after none', async () => {
    let fetched = 0;
    const Part = later(() => {
      fetched += 1;
      return parts();
    });
    const first = render(<Part words="the working" meanwhile={<i>working</i>} />);
    expect(first.container.innerHTML).to.equal('<i>working</i>');
    await first.findByText('the working');
    first.rerender(<Part words="other working" meanwhile={<i>working</i>} />);
    expect(first.container.innerHTML).to.equal('<p>other working</p>');
    const second = render(<Part words="once more" meanwhile={<i>working</i>} />);
    expect(second.container.innerHTML, 'shown again').to.equal('<p>once more</p>');
    expect(fetched).to.equal(1);
  });

  it('says so where it cannot be fetched, and fetches it when it is asked again', async () => {
    let answers = false;
    const Part = later(async () => {
      if (!answers) throw new TypeError('offline');
      return await parts();
    });
    const page = render(<Part words="the working" />);
    expect((await page.findByRole('alert')).textContent).to.contain('could not be fetched');
    answers = true;
    fireEvent.click(page.getByRole('button', { name: 'Try again' }));
    await page.findByText('the working');
    expect(page.queryByRole('alert')).to.equal(null);
  });

  it('is not drawn by the server', () => {
    const Part = later(parts);
    expect(renderToString(<Part words="the working" meanwhile={<i>working</i>} />)).to.equal('<i>working</i>');
  });
});
