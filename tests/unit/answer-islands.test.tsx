import { closeDocument, openDocument } from './dom';
import { expect } from 'chai';
import { loosely } from '../../src/core/words/text';
import { cleanup, fireEvent, render, waitFor, within } from '@testing-library/react';
import { createElement } from 'react';
import { answer } from '../../src/core/answering/answer';
import type { Answer } from '../../src/core/answer/answer';
import type { Comparison } from '../../src/core/answer/comparison';
import { passes } from '../../src/core/procedures/interval';
import { type Question, questionOf } from '../../src/core/question/question';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { AlternativeMethods } from '../../src/islands/question/AlternativeMethods';
import WhichDiffer from '../../src/islands/question/WhichDiffer';

// Others are to see no document.
closeDocument();

const of = (name: string, cells: readonly number[]) => ({
  ...emptyColumn(name.toLowerCase(), name, 'mm'),
  cells: cells.map(String),
});
const lamps = tableOf(
  [
    of('Red', [67.4, 63.8, 56.9, 66.5, 67.4, 62.2]),
    of('White', [59.2, 58.0, 53.6, 50.0, 55.9, 52.6]),
    of('Blue', [57.1, 60.3, 55.8, 52.4, 58.9, 54.4]),
  ],
  { measure: 'blade length', subject: 'seedling' },
);

function answered(question: Question, table: Table = lamps): { found: Answer; comparison: Comparison } {
  const result = answer(question, table);
  if (!result.ok || !result.value.comparison.ok) throw new Error('no answer');
  return { found: result.value, comparison: result.value.comparison.value };
}

describe('the comparisons that follow, on the page', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  const shown = (question: Question, table?: Table) => {
    const { found, comparison } = answered(question, table);
    const chosen: number[] = [];
    const sorts: boolean[] = [];
    const page = render(
      createElement(WhichDiffer, {
        answer: found,
        comparison,
        sorted: false,
        onSort: (sorted: boolean) => sorts.push(sorted),
        chosen: 0,
        asked: found.question,
        onChange: () => undefined,
        onChoose: (place: number) => chosen.push(place),
      }),
    );
    const rows = page.getAllByTestId('comparisons-row').map((row) => row.textContent);
    return { page, rows, comparison, chosen, sorts };
  };

  it('have each its verdict beside its p, at the α of the question', () => {
    for (const level of [0.9, 0.95, 0.999]) {
      const { page, rows, comparison } = shown(questionOf('several', { level }));
      const effects = comparison.follow?.ok ? (comparison.follow.value[0]?.effects ?? []) : [];
      expect(rows.map((row) => row.includes('not shown'))).to.deep.equal(effects.map((e) => !passes(e.p, level)));
      const heads = page.getAllByRole('columnheader').map((head) => loosely(head.textContent));
      expect(heads).to.include(`α = ${Number((1 - level).toPrecision(6))}`);
      cleanup();
    }
  });

  it('are called adjusted only where they are', () => {
    const heads = (follow: Question['follow']): string[] => {
      const { page } = shown(questionOf('several', { ...(follow ? { follow } : {}) }));
      const found = page.getAllByRole('columnheader').map((head) => head.textContent);
      cleanup();
      return found;
    };
    expect(heads('holm')).to.include('adjusted p');
    expect(heads('unadjusted')).to.include('p').and.not.include('adjusted p');
  });

  it('leave out what cannot be compared, by name and with the reason, and count the family of those left', () => {
    const may = [21, 22, 20, 23, 25, 24];
    const depths = tableOf(
      [
        of('May', may),
        of(
          'June',
          may.map((x) => x + 2),
        ),
        of('July', [26, 25, 27, 28, 26, 30]),
      ],
      { shape: 'repeated', subject: 'blade' },
    );
    const { page, rows } = shown(questionOf('repeated', { groups: ['may', 'june', 'july'] }), depths);
    expect(rows).to.have.length(2);
    expect(page.getByTestId('comparisons-left').textContent).to.match(/^May minus June: All differences are the same/);
    expect(page.container.textContent).to.contain('Both comparisons shown are one family.');
  });

  it('are chosen to be worked out by a click, and sorted by size on request', () => {
    const { page, chosen, sorts } = shown(questionOf('several'));
    fireEvent.click(page.getByRole('button', { name: 'White minus Blue' }));
    expect(chosen).to.deep.equal([2]);
    const order = page
      .getAllByRole('combobox')
      .find((select) => within(select).queryByRole('option', { name: /size/ }) !== null);
    if (!order) throw new Error('no choice of the order');
    fireEvent.change(order, { target: { value: 'size' } });
    expect(sorts).to.deep.equal([true]);
  });
});

describe('the same question under other methods, on the page', () => {
  before(openDocument);
  after(closeDocument);
  afterEach(cleanup);

  it('stands in a line each: intervals that differ are printed apart, and a click takes the method', async () => {
    Object.assign(globalThis, {
      IntersectionObserver: class {
        observe = (): void => undefined;
        disconnect = (): void => undefined;
      },
    });
    const question = questionOf('two-groups', { a: 'red', b: 'white' });
    const taken: Question[] = [];
    const page = render(
      createElement(AlternativeMethods, {
        axis: undefined,
        question,
        table: lamps,
        onChange: (next: Question) => taken.push(next),
      }),
    );
    expect(page.container.textContent).to.contain('Working them out');
    const rows = await page.findAllByTestId('other-methods-row');
    const intervals = rows.map((row) => row.querySelectorAll('td')[1]?.textContent ?? '');
    expect(rows).to.have.length(5);
    const { comparison: welch } = answered({ ...question, spread: 'separate' });
    const { comparison: pooled } = answered({ ...question, spread: 'pooled' });
    expect(welch.effect?.interval?.low).to.not.equal(pooled.effect?.interval?.low);
    expect(intervals[0]).to.not.equal(intervals[1]);
    expect(rows.map((row) => row.textContent.includes('chosen'))).to.deep.equal([true, false, false, false, false]);
    expect(rows[4]?.textContent).to.match(/of logarithms.* times/);
    // A button lays out what it holds side by side: a name in several pieces would be torn apart.
    for (const button of page.getAllByRole('button', { name: /test/ })) expect(button.childNodes).to.have.length(1);
    fireEvent.click(within(rows[2] ?? page.container).getByRole('button', { name: 'Mann–Whitney test' }));
    expect(taken[0]?.method).to.equal('ranks');
    const told = () => page.getAllByTestId('other-methods-row').map((row) => row.textContent);
    const before = told();
    // Asked otherwise, the ones before stand until those are there: nothing jumps.
    page.rerender(
      createElement(AlternativeMethods, {
        axis: undefined,
        question: { ...question, level: 0.9 },
        table: lamps,
        onChange: () => undefined,
      }),
    );
    expect(told()).to.deep.equal(before);
    await waitFor(() => expect(told()).to.not.deep.equal(before));
    Reflect.deleteProperty(globalThis, 'IntersectionObserver');
  });
});
