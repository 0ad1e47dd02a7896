import { expect } from 'chai';
import { answer } from '../../src/core/answering/answer';
import { type Question, questionOf } from '../../src/core/question/question';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { headline } from '../../src/core/telling/headline';
import { methodsSentence, resultsSentence } from '../../src/core/telling/report';
import { plain } from '../../src/core/words/text';

/** What an answer says: headline, methods, results. */
function told(question: Question, table: Table): [string, string, string] {
  const found = answer(question, table);
  if (!found.ok || !found.value.comparison.ok) throw new Error('no answer');
  const comparison = found.value.comparison.value;
  return [
    plain(headline(found.value, comparison).sentence),
    plain(methodsSentence(found.value)),
    plain(resultsSentence(found.value, comparison)),
  ];
}

const counts = (columns: Record<string, number[]>, rows = ['slate', 'shell', 'rope']): Table =>
  tableOf(
    [
      { ...emptyColumn('surface', 'surface', '', 'group'), cells: rows.slice(0, Object.values(columns)[0]?.length) },
      ...Object.entries(columns).map(([name, cells]) => ({
        ...emptyColumn(name, name, '', 'count'),
        cells: cells.map(String),
      })),
    ],
    { shape: 'counts', measure: 'outcome', subject: 'spore' },
  );
const share = (design: Question['design'], more: Partial<Question> = {}) =>
  questionOf(design, { about: 'share', found: 'settled', a: 'slate', b: 'shell', ...more });

describe('sentences about counts and spread', () => {
  // z, intervals and χ² by an independent calculation (reference cases of two proportions and of a table).
  it('of one share', () => {
    const [says, how, results] = told(share('one-sample', { value: 0.3 }), counts({ settled: [18], bare: [27] }));
    expect(says).to.equal(
      'The share of settled in slate was 18 of 45 (40.0 %); at α = 0.05, these counts do not rule out 0.3, nor do they show that it is the share.',
    );
    expect(how).to.equal(
      'The share of settled in slate was compared with 0.3 by the large-sample test of one proportion, each spore counting once. The test was two-sided. Shares are given with 95 % Wilson intervals.',
    );
    // Wilson's interval by hand: centre (0.4 + 1.9208/45)/(1 + 3.8415/45).
    expect(results).to.equal(
      'The share of settled was slate 18 of 45 (40.0 %): 0.40, 95 % CI 0.27 to 0.55; against 0.3, z = 1.46, p = 0.14.',
    );
  });

  it('of two shares, one-sided after looking', () => {
    const table = counts({ settled: [18, 9], bare: [27, 31] });
    const [says, how, results] = told(share('two-groups', { direction: 'greater', afterLooking: true }), table);
    expect(says).to.match(
      /18 of 45 \(40\.0 %\) in slate and 9 of 40 \(22\.5 %\) in shell; .* the counts support that it is greater in slate\.$/,
    );
    expect(how).to.match(
      /The test was one-sided \(slate greater\)\..*The direction was chosen after the counts had been seen\.$/,
    );
    expect(results).to.include('slate minus shell 0.18, 95 % CI');
    const ratio = told(share('two-groups', { effect: 'ratio' }), table);
    expect(ratio[1]).to.include('ratios of shares with 95 % log-normal intervals');
    expect(ratio[2]).to.include('ratio of shares, slate over shell 1.8, 95 % CI');
  });

  it('of several shares, sampled or counted', () => {
    const table = counts({ settled: [18, 9, 30], bare: [27, 31, 12] });
    const [says, how, results] = told(share('several'), table);
    expect(says).to.match(/differed among the 3 groups; at α = 0.05, 2 of 3 pairs differ\.$/);
    expect(how).to.include('p of pairs is adjusted by Holm, all pairs being one family.');
    expect(results).to.include('These differed (Holm): slate minus rope');
    const shuffled = told(share('several', { method: 'shuffle', seed: 7 }), table)[1];
    expect(shuffled).to.match(/a randomization test of chi-square \([\d,]+ random arrangements, seed 7\)/);
    const few = told(share('several', { method: 'shuffle' }), counts({ settled: [2, 1, 3], bare: [1, 2, 0] }))[1];
    expect(few).to.include('(all arrangements counted)');
  });

  it('of counts in categories, with the cells that stand out', () => {
    const [says, how, results] = told(
      questionOf('several', { about: 'table' }),
      counts({ none: [41, 33, 18], edge: [12, 19, 24], heavy: [3, 8, 17] }),
    );
    expect(says).to.match(/^Outcome depends on surface, at α = 0.05\. Cells that stand out: fewer none in rope/);
    expect(how).to.include('p adjusted by Holm');
    expect(results).to.match(
      /^Among the 175 counted, outcome depended on surface: χ²\(4\) = 23\.74, p < 0\.001; Cramér’s V = 0\.26/,
    );
    const fit = told(questionOf('one-sample', { about: 'table', ratio: [9, 3, 4] }), counts({ n: [90, 31, 39] }));
    expect(fit[0]).to.equal('At α = 0.05, these counts do not rule out the ratio 9 : 3 : 4, nor do they show it.');
  });

  it('of spread', () => {
    const readings = tableOf(
      [
        { ...emptyColumn('a', 'Old probe', 'psu'), cells: ['34.1', '33.2', '35.4', '32.0', '36.3'] },
        { ...emptyColumn('b', 'New probe', 'psu'), cells: ['34.1', '34.2', '34.0', '34.3', '33.9'] },
      ],
      { measure: 'salinity', subject: 'dip' },
    );
    const asked = questionOf('two-groups', { about: 'spread', a: 'a', b: 'b' });
    const [says, how, results] = told(asked, readings);
    expect(says).to.match(
      /had an SD of 1\.71 psu in Old probe and of 0\.158 psu in New probe; .* equal spreads are not compatible with these readings\.$/,
    );
    expect(how).to.include('by the F test of two variances, each dip contributing one reading.');
    // s² = 2.925 and 0.025 by hand.
    expect(results).to.match(/F\(4, 4\) = 117\.00, p < 0\.001\.$/);
    const one = told(questionOf('one-sample', { about: 'spread', a: 'a', value: 1 }), readings);
    // (n − 1)s²/σ² = 4 · 2.925.
    expect(one[2]).to.include('χ²(4) = 11.70');
    expect(one[0]).to.include('1 psu is not compatible');
  });
});
