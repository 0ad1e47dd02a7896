import { closeDocument, openDocument } from './dom';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { expect } from 'chai';
import { createElement } from 'react';
import { answer } from '../../src/core/answering/answer';
import type { Answer } from '../../src/core/answer/answer';
import { questionOf } from '../../src/core/question/question';
import { emptyColumn, tableOf } from '../../src/core/readings/table';
import { alongAxis, effectAxis, effectShare } from '../../src/core/scenes/effect-axis';
import WhichDiffer from '../../src/islands/question/WhichDiffer';
import { EffectLane } from '../../src/islands/shared/EffectLane';
import { ResultTableView } from '../../src/islands/shared/ResultTableView';
import { column, number } from '../../src/core/words/tables/result-table';

// Others are to see no document.
closeDocument();

const ropes = tableOf(
  [
    ['12', '14', '13', '15'],
    ['19', '21', '20', '23'],
    ['13', '15', '12', '16'],
  ].map((cells, i) => ({ ...emptyColumn(`g${i}`, ['Coir', 'Jute', 'Sisal'][i] ?? '', 'mm'), cells })),
  { measure: 'growth' },
);
const found = answer(questionOf('several'), ropes);
if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
const shown: Answer = found.value;
const { value: comparison } = found.value.comparison;

const percentOf = (element: Element | null | undefined, attribute: string): number =>
  Number.parseFloat(element?.getAttribute(attribute) ?? '');

describe('an effect in its row of a table', () => {
  before(openDocument);
  afterEach(cleanup);
  after(closeDocument);
  const page = (sorted = false) =>
    render(
      createElement(WhichDiffer, {
        answer: shown,
        comparison,
        sorted,
        onSort: () => undefined,
        chosen: 0,
        asked: shown.question,
        onChange: () => undefined,
        onChoose: () => undefined,
      }),
    );

  it('stands where the axis of the page has it, with its interval, against the one line of no difference', () => {
    const axis = effectAxis(shown);
    const effects = comparison.follow?.ok ? (comparison.follow.value[0]?.effects ?? []) : [];
    if (!axis || effects.length !== 3) throw new Error('no comparisons');
    const rows = page().getAllByTestId('comparisons-row');
    rows.forEach((row, i) => {
      const { estimate, interval } = effects[i] ?? { estimate: NaN };
      const lane = row.querySelector('td.lane svg');
      const at = (x: number): number => 100 * alongAxis(axis, x);
      expect(percentOf(lane?.querySelector('circle'), 'cx')).to.be.closeTo(at(estimate), 0.001);
      const line = lane?.querySelector('line.lane-interval');
      expect(percentOf(line, 'x1')).to.be.closeTo(at(interval?.low ?? NaN), 0.001);
      expect(percentOf(line, 'x2')).to.be.closeTo(at(interval?.high ?? NaN), 0.001);
      expect(percentOf(lane?.querySelector('.lane-line'), 'x1')).to.be.closeTo(at(0), 0.001);
      // Filled where it differs, so that colour alone tells nothing.
      const differs = row.textContent.includes('differ') && !row.textContent.includes('not shown');
      expect(lane?.querySelector('circle')?.classList.contains('lane-full')).to.equal(differs);
    });
    const head = document.querySelector('thead td.lane');
    expect(Number.parseFloat(head?.getAttribute('width') ?? '')).to.be.closeTo(100 * effectShare, 0.001);
  });

  it('gives its room back where every figure is wanted instead', () => {
    const screen = page();
    expect(document.querySelectorAll('.gives-way').length).to.be.greaterThan(0);
    fireEvent.change(screen.getByLabelText('What the list shows'), { target: { value: 'figures' } });
    expect(document.querySelector('.lane')).to.equal(null);
    expect(document.querySelectorAll('.gives-way')).to.have.length(0);
    expect(screen.getByTestId('comparisons-table').textContent).to.include('SE');
  });

  it('has no cap where its interval runs beyond the axis, and no dot where it lies beyond itself', () => {
    const axis = { domain: [-1, 1] as [number, number], log: false, none: 0, bounds: { low: -0.5, high: 0.5 } };
    const drawn = (effect: { estimate: number; interval: { low: number; high: number } }) => {
      cleanup();
      render(createElement(EffectLane, { axis, effect: { ...effect, significant: true } }));
      return {
        caps: document.querySelectorAll('line.lane-interval').length - 1,
        dots: document.querySelectorAll('circle').length,
        bounds: percentOf(document.querySelector('.lane-bounds'), 'width'),
      };
    };
    expect(drawn({ estimate: 0.2, interval: { low: -0.4, high: 0.9 } })).to.deep.equal({
      caps: 2,
      dots: 1,
      bounds: 50,
    });
    expect(drawn({ estimate: 0.9, interval: { low: 0.1, high: 4 } })).to.deep.equal({ caps: 1, dots: 1, bounds: 50 });
    expect(drawn({ estimate: 3, interval: { low: 2, high: 4 } })).to.deep.equal({ caps: 0, dots: 0, bounds: 50 });
  });

  it('is in no table whose rows hold none', () => {
    const table = {
      kind: 'groups' as const,
      title: 'Groups',
      columns: [column('group'), column('mean')] as [ReturnType<typeof column>, ReturnType<typeof column>],
      rows: [{ head: ['Coir'], cells: [number(13.5, 1)] }],
      notes: [],
    };
    render(createElement(ResultTableView, { table, axis: effectAxis(shown) }));
    expect(document.querySelector('.lane')).to.equal(null);
  });
});
