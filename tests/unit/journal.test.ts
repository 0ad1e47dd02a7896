import { expect } from 'chai';
import * as core from '../../src/core/index';
import { plain } from '../../src/core/words/text';
import type { Sentences } from '../../src/core/words/sentences';

const groups = [
  [34.2, 31.7, 36.2, 30.5, 36.5],
  [28.4, 28.7, 29.8, 24.6, 22, 27.7],
  [31, 32.5, 30.1, 35.9],
];
const [a = [], b = []] = groups;
const [A, B] = [core.summarize(a), core.summarize(b)];
const told = ({ methods, results, plain: simple }: Sentences): string[] => [methods, results, simple].map(plain);

describe('sentences about counts and spread', () => {
  const share = { successes: 17, n: 40 };
  const other = { successes: 9, n: 38 };
  const every: Record<string, () => Sentences> = {
    'one proportion': () =>
      core.oneProportionSentences(
        'settled',
        0.95,
        share,
        core.oneProportion(share, 0.3),
        0.3,
        core.proportionInterval(share, 0.95, 'wilson'),
      ),
    'two proportions': () =>
      core.twoProportionsSentences(
        'settled',
        0.95,
        ['rough', 'smooth'],
        [share, other],
        core.twoProportions(share, other, 0.95),
      ),
    independence: () =>
      core.independenceSentences(
        ['depth', 'grazing'],
        0.95,
        core.independence([
          [41, 12, 3],
          [33, 19, 8],
        ]),
        0.21,
      ),
    fit: () =>
      core.goodnessOfFitSentences('shapes', [9, 3, 3, 1], 0.95, core.goodnessOfFit([90, 31, 28, 11], [9, 3, 3, 1])),
    'paired proportions': () =>
      core.mcnemarSentences(
        'before',
        'after',
        'grazed',
        [12, 5],
        0.95,
        core.mcnemar([
          [20, 12],
          [5, 30],
        ]),
      ),
    spread: () => core.spreadSentences('salinity', ['old', 'new'], 0.95, core.spreadOfTwo(A, B, 0.95)),
  };
  for (const [design, make] of Object.entries(every))
    it(`are whole: ${design}`, () => {
      for (const sentence of told(make())) {
        expect(sentence)
          .to.match(/^[A-Z“χF0-9t]/)
          .and.to.match(/\.$/);
        expect(sentence).not.to.match(/NaN|undefined|Infinity|\.\.| {2}| ,|0\.000\b/);
      }
    });

  it('say what the numbers say, as journals ask for it', () => {
    const same = told(
      core.goodnessOfFitSentences('shapes', [9, 3, 3, 1], 0.95, core.goodnessOfFit([90, 31, 28, 11], [9, 3, 3, 1])),
    );
    expect(same[2]).to.equal('The counts are compatible with these proportions, which does not prove them.');
  });
});
