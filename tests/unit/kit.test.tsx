import { closeDocument, openDocument } from './dom';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { expect } from 'chai';
import { Accepted } from '../../src/islands/kit/Accepted';
import { Ordered, Steps } from '../../src/islands/kit/Ordered';
import { Choose, asTheyRead, byName } from '../../src/islands/kit/Parts';

// Others are to see no document.
closeDocument();

const inADocument = (): void => {
  before(openDocument);
  afterEach(cleanup);
  after(closeDocument);
};

describe('a choice of a few', () => {
  inADocument();
  it('gives the value that was chosen, a number where it was one', () => {
    const got: unknown[] = [];
    const { getByLabelText } = render(
      <Choose
        label="Dots per inch"
        value={300}
        options={asTheyRead([150, 300, 600])}
        onChange={(dpi) => got.push(dpi)}
      />,
    );
    const list = getByLabelText('Dots per inch') as HTMLSelectElement;
    expect(list.value).to.equal('300');
    fireEvent.change(list, { target: { value: '600' } });
    expect(got).to.deep.equal([600]);
  });

  it('asks with a prompt while nothing is chosen, and the prompt is no answer', () => {
    const got: string[] = [];
    const pens = [
      { id: 'a', name: 'North pen' },
      { id: 'b', name: 'South pen' },
    ];
    const { getByLabelText } = render(
      <Choose
        label="Pen"
        value={undefined}
        prompt="which pen …"
        options={byName(pens, (p) => p.name)}
        onChange={(id) => got.push(id)}
      />,
    );
    const list = getByLabelText('Pen') as HTMLSelectElement;
    expect([...list.options].map((o) => o.textContent)).to.deep.equal(['which pen …', 'North pen', 'South pen']);
    expect(list.value).to.equal('');
    fireEvent.change(list, { target: { value: 'b' } });
    fireEvent.change(list, { target: { value: '' } });
    expect(got).to.deep.equal(['b']);
  });
});

describe('an order of one’s own', () => {
  inADocument();
  const names: Record<string, string> = { r: 'Red', w: 'White', b: 'Blue' };

  it('is changed a step at a time, the ends staying where they are', () => {
    const got: string[][] = [];
    const { getByLabelText } = render(
      <Ordered ids={['r', 'w', 'b']} name={(id) => names[id] ?? ''} onOrder={(next) => got.push(next)}>
        {(id, moving) => (
          <p>
            {names[id]} {moving}
          </p>
        )}
      </Ordered>,
    );
    expect((getByLabelText('Red earlier') as HTMLButtonElement).disabled).to.equal(true);
    expect((getByLabelText('Blue later') as HTMLButtonElement).disabled).to.equal(true);
    fireEvent.click(getByLabelText('Red later'));
    fireEvent.click(getByLabelText('Blue earlier'));
    expect(got).to.deep.equal([
      ['w', 'r', 'b'],
      ['r', 'b', 'w'],
    ]);
    // Each can be lifted by a handle that says whose it is.
    expect(getByLabelText('Move White').getAttribute('aria-roledescription')).to.equal('sortable');
  });

  it('has no steps for what stands in no order', () => {
    const { container } = render(<Steps ids={['r']} id="elsewhere" name="Elsewhere" onOrder={() => undefined} />);
    expect(container.textContent).to.equal('');
    expect(container.querySelectorAll('button')).to.have.length(0);
  });
});

describe('a text that is accepted', () => {
  inADocument();

  it('lets go of what was typed by Escape, which what stands around it hears only when there is nothing to let go', () => {
    const [got, heard]: [string[], string[]] = [[], []];
    const { getByLabelText } = render(
      <div onKeyDown={(e) => heard.push(e.key)}>
        <Accepted aria-label="Name" value="North pen" onAccept={(text) => got.push(text)} />
      </div>,
    );
    const field = getByLabelText('Name') as HTMLInputElement;
    fireEvent.change(field, { target: { value: 'South' } });
    fireEvent.keyDown(field, { key: 'Escape' });
    expect(field.value).to.equal('North pen');
    expect(heard).to.deep.equal([]);
    fireEvent.keyDown(field, { key: 'Escape' });
    expect(heard).to.deep.equal(['Escape']);
    fireEvent.change(field, { target: { value: ' South pen ' } });
    fireEvent.blur(field);
    expect(got).to.deep.equal(['South pen']);
  });
});
