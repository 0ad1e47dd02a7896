import { expect } from 'chai';
import fc from 'fast-check';
import { answer } from '../../src/core/answering/answer';
import { contrast } from '../../src/core/procedures/contrast';
import { summarize } from '../../src/core/procedures/sample-summary';
import { placesNamed, placesOf, trendOver } from '../../src/core/question/placed';
import { type Question, questionOf } from '../../src/core/question/question';
import { emptyColumn, tableOf } from '../../src/core/readings/table';

const groups = [
  [9.6, 11.5, 9.4, 11.9],
  [9.4, 8.0, 9.1, 11.1, 13.5],
  [12.5, 8.5, 9.9, 11.0, 10.6],
  [10.0, 7.5, 10.7, 12.0],
];
const tableNamed = (...names: string[]) =>
  tableOf(
    names.map((name, i) => ({ ...emptyColumn(`g${i}`, name, 'mm'), cells: (groups[i] ?? []).map(String) })),
    { measure: 'blade length' },
  );
const followed = (names: string[], more: Partial<Question>) => {
  const found = answer(questionOf('several', { spread: 'pooled', ...more }), tableNamed(...names));
  if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
  const { follow } = found.value.comparison.value;
  return follow?.ok ? follow.value.flatMap((p) => p.effects) : (follow?.reason ?? '');
};

describe('a trend over ordered groups', () => {
  it('takes places from the one number in each name', () => {
    expect(placesNamed(['0.5 mM', '1 mM', '2,5 mM'])).to.deep.equal([0.5, 1, 2.5]);
    expect(placesNamed(['day 3', 'day −1', '12'])).to.deep.equal([3, -1, 12]);
    expect(placesNamed(['low', 'high'])).to.equal(undefined);
    expect(placesNamed(['1 mM', '1 mM again 2'])).to.equal(undefined);
    expect(placesNamed(['1 mM', '1.0 mM'])).to.equal(undefined);
    expect(placesOf({}, ['low', 'middle', 'high'])).to.deep.equal([1, 2, 3]);
    expect(placesOf({ spacing: 'equal' }, ['1', '2', '8'])).to.deep.equal([1, 2, 3]);
    expect(() => placesOf({ spacing: 'named' }, ['low', 'high'])).to.throw('equally spaced');
  });

  it('is the change of a straight line from the lowest place to the highest, wherever zero is and whatever the unit', () => {
    const places = fc.uniqueArray(fc.integer({ min: -1000, max: 1000 }), { minLength: 2, maxLength: 8 });
    fc.assert(
      fc.property(places, fc.integer({ min: 1, max: 50 }), fc.integer({ min: -50, max: 50 }), (at, unit, zero) => {
        const weights = trendOver(at);
        const value = (y: readonly number[]): number => weights.reduce((s, w, i) => s + w * (y[i] ?? 0), 0);
        // Of means on a line of slope 1 it is the range; of equal means 0.
        expect(value(at)).to.be.closeTo(Math.max(...at) - Math.min(...at), 1e-6);
        expect(value(at.map(() => 7))).to.be.closeTo(0, 1e-9);
        trendOver(at.map((p) => unit * p + zero)).forEach((w, i) => {
          expect(w).to.be.closeTo(weights[i] ?? NaN, 1e-9);
        });
      }),
    );
  });

  it('is tested as the contrast with the places as weights', () => {
    const [trend] = followed(['0 mM', '1 mM', '2 mM', '4 mM'], { compare: 'trend' });
    const plain = contrast(
      groups.map((g) => summarize(g)),
      [-1.75, -0.75, 0.25, 2.25],
      0.95,
    );
    if (typeof trend !== 'object') throw new Error('no trend');
    expect(trend.statistic?.value).to.be.closeTo(plain.t, 1e-12);
    expect(trend.df).to.equal(plain.df);
    expect(trend.p).to.be.closeTo(plain.p.either, 1e-12);
    expect(trend.name).to.equal('linear trend from 0 mM to 4 mM');
    // The line changes by the slope times the range.
    expect(trend.estimate).to.be.closeTo((plain.estimate / 8.75) * 4, 1e-12);
  });

  it('can give way to each group against the one before it, or say why it cannot be placed', () => {
    const steps = followed(['0 mM', '1 mM', '2 mM', '4 mM'], { compare: 'steps' });
    expect(typeof steps === 'string' ? steps : steps.map((e) => e.name)).to.deep.equal([
      '1 mM minus 0 mM',
      '2 mM minus 1 mM',
      '4 mM minus 2 mM',
    ]);
    expect(followed(['a', 'b', 'c', 'd'], { compare: 'trend', spacing: 'named' })).to.match(
      /cannot be placed by their names/,
    );
  });
});
