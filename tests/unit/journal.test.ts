import { expect } from 'chai';
import * as core from '../../src/core/index';
import { plain } from '../../src/core/words/text';
import type { Sentences } from '../../src/core/words/sentences';

const groups = [
  [34.2, 31.7, 36.2, 30.5, 36.5],
  [28.4, 28.7, 29.8, 24.6, 22, 27.7],
  [31, 32.5, 30.1, 35.9],
];
const names = ['red', 'white', 'blue'];
const [a = [], b = []] = groups;
const all = groups.map((g) => core.summarize(g));
const [A, B] = [core.summarize(a), core.summarize(b)];
const study = { measure: 'blade length', unit: 'mm', level: 0.95 };
const told = ({ methods, results, plain: simple }: Sentences): string[] => [methods, results, simple].map(plain);

describe('sentences for every design', () => {
  const share = { successes: 17, n: 40 };
  const other = { successes: 9, n: 38 };
  const rows = [
    [1, 2, 4],
    [2, 2, 5],
    [4, 3, 7],
    [3, 5, 6],
  ];
  const readings = rows.flatMap((row, i) =>
    row.map((value, j) => ({ a: `t${i % 2}`, b: `n${j}`, value: value + i / 7 })),
  );
  const every: Record<string, () => Sentences> = {
    'one mean': () => core.oneMeanSentences(study, core.oneSampleT(A, 30, 0.95), A.n, 30),
    equivalence: () =>
      core.equivalenceSentences(
        study,
        ['red', 'white'],
        core.equivalence(core.welchT(A, B, 0.95), { low: -12, high: 12 }, 0.95),
        { low: -12, high: 12 },
      ),
    'one-way': () => core.oneWaySentences(study, names, core.oneWayAnova(groups)),
    'one-way, Welch': () => core.oneWaySentences(study, names, core.welchAnova(all)),
    pairs: () => core.pairsSentences(study, names, core.tukeyKramer(all, 0.95).pairs, 'Tukey–Kramer'),
    'two factors': () => core.twoWaySentences(study, ['temperature', 'nutrient'], core.twoWayAnova(readings)),
    repeated: () => core.repeatedSentences(study, 'line', 3, core.repeatedMeasures(rows)),
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
    ranks: () => core.mannWhitneySentences('Iodine', ['red', 'white'], 0.95, core.mannWhitney(a, b)),
    'ranks of several': () => core.kruskalWallisSentences('Iodine', names, 0.95, core.kruskalWallis(groups)),
    spread: () => core.spreadSentences('salinity', ['old', 'new'], 0.95, core.spreadOfTwo(A, B, 0.95)),
    shuffle: () => core.shuffleSentences('difference of means', 0.95, core.shuffleTwoMeans(a, b, 7, 1000), 7),
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
    const [, results = ''] = told(core.oneWaySentences(study, names, core.oneWayAnova(groups)));
    expect(results).to.match(
      /^Blade length differed among the 3 groups, F\(2, 12\) = \d+\.\d\d, p (= 0\.\d+|< 0\.001); η² = 0\.\d\d/,
    );
    const apart = told(core.pairsSentences(study, names, core.tukeyKramer(all, 0.95).pairs, 'Tukey–Kramer'));
    expect(apart[1]).to.include('red minus white').and.to.include('95 % CI');
    expect(apart[2]).to.equal('Of 3 pairs, 2 could be told apart.');
    const same = told(
      core.goodnessOfFitSentences('shapes', [9, 3, 3, 1], 0.95, core.goodnessOfFit([90, 31, 28, 11], [9, 3, 3, 1])),
    );
    expect(same[2]).to.equal('The counts are compatible with these proportions, which does not prove them.');
    const level = told(
      core.equivalenceSentences(
        study,
        ['red', 'white'],
        core.equivalence(core.welchT(A, B, 0.95), { low: -12, high: 12 }, 0.95),
        { low: -12, high: 12 },
      ),
    );
    expect(level[1]).to.include('90 % confidence interval');
  });
});
