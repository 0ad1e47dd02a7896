import { closeDocument, openDocument } from './dom';
import { expect } from 'chai';
import fc from 'fast-check';
import { act, cleanup, fireEvent, render } from '@testing-library/react';
import { createElement, useState } from 'react';
import { fieldText, typedNumber, typedNumbers } from '../../src/core/readings/typed-number';
import { holdersOf, rowsByRule } from '../../src/core/readings/rules';
import { emptyColumn, tableOf } from '../../src/core/readings/table';
import { NumberField } from '../../src/islands/kit/NumberField';

// Others are to see no document.
closeDocument();

describe('a typed number', () => {
  const value = (text: string, unit?: string | null): number | string => {
    const typed = typedNumber(text, unit);
    return typed.kind === 'number' ? typed.value : typed.kind === 'empty' ? '' : typed.why;
  };

  it('is read as the cells of a table are, with the unit it is typed in', () => {
    const reads: [string, string | null, number | string][] = [
      ['14.5', '', 14.5],
      ['14,5', '', 14.5],
      ['−3', '', -3],
      ['.5', '', 0.5],
      ['1 234,5', '', 1234.5],
      ['12 500', '', 12500],
      ['1,234,567', '', 1234567],
      ['3e-7', '', 3e-7],
      ['3 × 10⁻⁷', '', 3e-7],
      ['7.5 g', 'g', 7.5],
      ['7.5g', 'g', 7.5],
      ['7.5 g', '', 7.5],
      ['318 m²', 'm²', 318],
      ['13.2 df', '', 13.2],
      ['14.5 %', '%', 14.5],
      ['14.5 %', null, 0.145],
      ['0.4', null, 0.4],
      ['', '', ''],
    ];
    for (const [text, unit, wanted] of reads) expect(value(text, unit), text).to.equal(wanted);
  });

  it('says what it cannot read, and what that may have meant', () => {
    expect(typedNumber('1,000')).to.deep.equal({ kind: 'unread', why: '“1,000” could be 1 or 1000', meant: [1, 1000] });
    expect(value('7.5 g', 'mm')).to.equal('“7.5 g” is in g, and here mm is asked');
    expect(value('40 kg', null)).to.include('a share has no unit');
    for (const text of ['a lot', '1.2.3', '12 13', '-', '<', '5 = 5', '1e999'])
      expect(typedNumber(text).kind, text).to.equal('unread');
    expect(typedNumbers('2 5; 30')).to.deep.equal({ values: [2, 5, 30] });
    expect(typedNumbers('2 x 30').trouble).to.include('“x”');
  });

  it('comes back from a field as it was, without the dust of a computation', () => {
    expect(fieldText(-0.100000000000001)).to.equal('-0.1');
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (x) => {
        const typed = typedNumber(fieldText(x));
        const near = Number(x.toPrecision(12));
        expect(typed).to.deep.equal({ kind: 'number', value: near === 0 ? 0 : near });
      }),
    );
  });

  it('is looked for among the cells that are readings: not group names, labels or computed columns', () => {
    const columns = [
      { ...emptyColumn('f', 'flow', '', 'group'), cells: ['still'] },
      { ...emptyColumn('y', 'mass', 'g'), cells: ['1'] },
      { ...emptyColumn('s', 'tank', '', 'subject'), cells: ['K1'] },
      { ...emptyColumn('c', 'dead', '', 'count'), cells: ['3'] },
      { ...emptyColumn('d', 'twice', 'g'), formula: { kind: 'score' as const, of: 'y' } },
    ];
    expect(holdersOf(tableOf(columns, { shape: 'rows' })).map((c) => c.id)).to.deep.equal(['y', 'c']);
    expect(holdersOf(tableOf(columns, { shape: 'categories' })).map((c) => c.id)).to.deep.equal(['f']);
  });

  it('picks rows by a rule in the column’s unit', () => {
    const column = { ...emptyColumn('m', 'mass', 'g'), cells: ['5', '7.5', '9'] };
    expect(rowsByRule(column, 3, { column: 'm', is: 'above', value: '6 g' })).to.deep.equal([1, 2]);
    expect(rowsByRule(column, 3, { column: 'm', is: 'above', value: '1,000' })).to.deep.equal([]);
  });
});

describe('a number field', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(() => cleanup());

  /** A field over 5 g that may hold 0 to 2000, and what was taken. */
  function shown() {
    const taken: (number | undefined)[] = [];
    function Held() {
      const [value, setValue] = useState<number | undefined>(5);
      return createElement(NumberField, {
        label: 'Mass',
        value,
        unit: 'g',
        least: 0,
        most: 2000,
        step: 0.5,
        onChange: (x) => {
          taken.push(x);
          setValue(x);
        },
      });
    }
    const page = render(createElement(Held));
    const input = page.getByLabelText('Mass') as HTMLInputElement;
    const type = (text: string): void => {
      act(() => {
        fireEvent.change(input, { target: { value: text } });
      });
      act(() => {
        fireEvent.blur(input);
      });
    };
    return { page, input, type, taken };
  }

  it('takes what it can read, and says what it cannot without changing anything', () => {
    const { page, input, type, taken } = shown();
    type('7,5 g');
    expect(taken).to.deep.equal([7.5]);
    expect(input.value).to.equal('7.5');
    expect(page.queryByRole('alert')).to.equal(null);
    for (const [text, words] of [
      ['7.5 mm', '(“7.5 mm” is in mm, and here g is asked: kept at 7.5)'],
      ['many', '(“many” is not a number: kept at 7.5)'],
      ['3000', '(3000: 0 to 2000 is asked: kept at 7.5)'],
    ] as const) {
      type(text);
      expect(page.getByRole('alert').textContent).to.equal(words);
      expect(input.value).to.equal('7.5');
    }
    expect(taken).to.deep.equal([7.5]);
    expect(input.getAttribute('aria-invalid')).to.equal('true');
  });

  it('has its unit behind it, and what is told of both below them', () => {
    const page = render(
      createElement(NumberField, { label: 'Width', value: 85, unit: 'mm', most: 250, after: 'mm', onChange: String }),
    );
    const input = page.getByLabelText('Width');
    act(() => {
      fireEvent.change(input, { target: { value: '9999' } });
    });
    act(() => {
      fireEvent.blur(input);
    });
    expect(input.parentElement?.textContent).to.equal(' mm9999: at most 250 is asked: kept at 85.');
    expect(page.getByRole('alert').className).to.include('block');
  });

  it('offers what a doubtful text may have meant', () => {
    const { page, input, type, taken } = shown();
    type('1,000');
    expect(taken).to.deep.equal([]);
    const offers = page.getAllByRole('button');
    expect(offers.map((b) => b.textContent)).to.deep.equal(['Take 1', 'Take 1000']);
    act(() => {
      offers[1]?.click();
    });
    expect(taken).to.deep.equal([1000]);
    expect(input.value).to.equal('1000');
    expect(page.queryByRole('alert')).to.equal(null);
  });

  it('is stepped by the arrow keys, and may be left empty', () => {
    const { input, type, taken } = shown();
    act(() => {
      fireEvent.keyDown(input, { key: 'ArrowUp' });
    });
    act(() => {
      fireEvent.keyDown(input, { key: 'ArrowDown', shiftKey: true });
    });
    expect(taken).to.deep.equal([5.5, 0.5]);
    type('');
    expect(taken.at(-1)).to.equal(undefined);
  });
});
