import { expect } from 'chai';
import { areQuickWays } from '../../src/core/answering/ways-out';
import { reasonOf, waysOut } from './asked';
import { defaultQuestion, questionOf } from '../../src/core/question/question';
import { type Column, type Table, emptyColumn, tableOf } from '../../src/core/readings/table';

const column = (id: string, cells: readonly (string | number)[], more: Partial<Column> = {}): Column => ({
  ...emptyColumn(id, id, 'mm'),
  cells: cells.map(String),
  ...more,
});
const two = (a: readonly (string | number)[], b: readonly (string | number)[], more: Partial<Column> = {}): Table =>
  tableOf([column('a', a, more), column('b', b, more)]);
const rows = (cells: string): Table => {
  const all = cells.split(' ').map((cell, i) => ({ feed: cell[0] ?? '', day: cell.slice(1), y: i + ((i * 3) % 4) }));
  const named = (id: string, of: (r: (typeof all)[number]) => string): Column =>
    column(id, all.map(of), { role: 'group', unit: '' });
  return tableOf(
    [
      named('feed', (r) => r.feed),
      named('day', (r) => r.day),
      column(
        'y',
        all.map((r) => r.y),
      ),
    ],
    { shape: 'rows' },
  );
};

describe('ways out of a question without an answer', () => {
  it('a 0 among ratios: differences, or ranks', () => {
    const question = { ...defaultQuestion('a', 'b'), effect: 'ratio' as const };
    const table = two([3, 4, 0, 6], [5, 7, 9, 8]);
    expect(reasonOf(question, table)).to.contain('is 0');
    const ways = waysOut(question, table);
    // None lies below a limit, so that a likelihood would be that of the means.
    expect(ways.map((w) => w.words)).to.eql(['Compare by differences', 'Compare by ranks']);
    for (const { asked } of ways) expect(reasonOf(asked, table)).to.equal('');
    expect(ways[0]?.asked).to.not.have.property('value');
  });

  it('means of readings below a limit: the likelihood, or ranks', () => {
    const question = { ...defaultQuestion('a', 'b'), method: 'means' as const };
    const table = two(['<2', 3, 4, 2.5], [5, 7, '<2', 8], { limits: 'censored' });
    expect(reasonOf(question, table)).to.contain('below a limit');
    expect(waysOut(question, table).map((w) => w.asked.method)).to.eql(['likelihood', 'ranks']);
  });

  it('groups that share no block: compared over all blocks', () => {
    const question = questionOf('blocked', { measure: 'y', by: 'feed', block: 'day' });
    const table = rows('a1 a2 a1 b3 b4 b4');
    const [way, ...others] = waysOut(question, table);
    expect(way?.words).to.equal('Compare over all blocks');
    expect(way?.asked).to.include({ design: 'several' }).and.not.have.property('block');
    expect(others).to.eql([]);
  });

  it('are worked out with the page where each takes no time, and else by a worker', () => {
    const below = ['<2', 3, 4, 2.5];
    const of = (groups: number) =>
      tableOf(Array.from({ length: groups }, (_, i) => column(`c${i}`, below, { limits: 'censored' })));
    const several = questionOf('several', { method: 'means' });
    expect(waysOut(several, of(4)).map((w) => w.asked.method)).to.include('likelihood');
    expect(areQuickWays(several, of(4))).to.equal(true);
    // A likelihood of many means is not.
    expect(areQuickWays(several, of(14))).to.equal(false);
    expect(areQuickWays({ ...several, about: 'share' }, of(14))).to.equal(true);
  });

  it('none where nothing else has an answer either', () => {
    expect(waysOut(defaultQuestion('a', 'b'), two([1, 1], [1, 1]))).to.satisfy((all: { asked: unknown }[]) =>
      all.every(({ asked }) => reasonOf(asked as Parameters<typeof reasonOf>[0], two([1, 1], [1, 1])) === ''),
    );
    expect(waysOut(defaultQuestion('a', 'b'), two([], []))).to.eql([]);
  });
});
