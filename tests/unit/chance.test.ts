import { expect } from 'chai';
import { demoTables } from '../../demo/skerrow';
import { answer } from '../../src/core/answering/answer';
import type { Answer } from '../../src/core/answer/answer';
import { chanceOf, strayOf } from '../../src/core/answering/chance';
import { chancesOf } from '../../src/core/answering/chance';
import { layout } from '../../src/charts/layout';
import { fromResamples } from '../../src/core/procedures/bootstrap';
import { Gathered } from '../../src/core/procedures/gathered';
import { exactly } from '../../src/core/procedures/randomization';
import { arrangement, blockOf, observedOf, oneTailed, slackOf } from '../../src/core/procedures/shuffling';
import { type Question, defaultQuestion, questionOf } from '../../src/core/question/question';
import { middleOf } from '../../src/core/readings/banded';
import { countTable } from '../../src/core/readings/count-table';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { arrangementScene, gatheredScene } from '../../src/core/scenes/chance';
import { stackedShares } from '../../src/core/scenes/stacked-shares';
import {
  chanceAxis,
  chanceCut,
  chanceIdea,
  chanceResult,
  exactResult,
  shownResult,
  strayResult,
  tooMany,
} from '../../src/core/words/chance';
import { headline } from '../../src/core/telling/headline';
import { hypotheses } from '../../src/core/telling/hypotheses';
import { methodsSentence, resultsSentence } from '../../src/core/telling/report';
import { plain } from '../../src/core/words/text';
import { proportionInterval } from '../../src/core/procedures/one-proportion';

const answered = (question: Question, table: Table): Answer => {
  const found = answer(question, table);
  if (!found.ok) throw new Error(found.reason);
  return found.value;
};
const comparisonOf = ({ comparison }: Answer) => {
  if (!comparison.ok) throw new Error(comparison.reason);
  return comparison.value;
};
const asked = demoTables().flatMap(({ table, questions }) =>
  questions.map(({ question }) => ({ question, table: { ...table, id: 'demo' } })),
);

const red = [34.1, 31.8, 35.0, 33.3, 36.2, 30.9];
const white = [28.4, 30.1, 27.7, 31.2, 29.0, 26.6];
const lamps = (more: Partial<Table> = {}): Table =>
  tableOf(
    [
      { ...emptyColumn('red', 'Red lamp', 'mm'), cells: red.map(String) },
      { ...emptyColumn('white', 'White lamp', 'mm'), cells: white.map(String) },
    ],
    { measure: 'blade length', subject: 'blade', ...more },
  );

describe('what chance alone would do', () => {
  it('shuffles the statistic that the answer is about, in every question of the demo study', () => {
    const seen = new Set<string>();
    for (const { question, table } of asked) {
      const found = answered(question, table);
      if (!chancesOf(found).permuting && !chancesOf(found).drawing) continue;
      const { effect, tests } = comparisonOf(found);
      const where = `${question.about}, ${question.design}`;
      if (question.design !== 'one-sample') {
        const { what, tail } = chanceOf(found);
        const told = oneTailed(what) ? (tests[0]?.value ?? NaN) : (effect?.estimate ?? NaN);
        seen.add(`${what.kind} ${what.statistic}`);
        // A test of ranks speaks of a shift; what is shuffled here is the means.
        // What is permuted among several groups is the classical F.
        if (question.method !== 'ranks' && !(oneTailed(what) && found.question.spread === 'separate'))
          expect(observedOf(what), where).to.be.closeTo(told, 1e-9);
        expect(tail, where).to.equal(oneTailed(what) ? 'greater' : 'either');
      }
      if (question.about === 'value' && question.design !== 'several' && question.method !== 'ranks') {
        const { what } = strayOf(found);
        // One group's mean, not its distance from the value it is held against.
        const from = question.design === 'one-sample' ? (question.value ?? 0) : 0;
        expect(observedOf(what), where).to.be.closeTo((effect?.estimate ?? NaN) + from, 1e-9);
        seen.add(what.kind);
      }
    }
    expect([...seen].sort()).to.deep.equal([
      'counts chi-square',
      'counts share',
      'labels F',
      'labels mean',
      'labels median',
      'resample',
      'signs mean',
    ]);
  });

  it('draws each reading once, under the label it was permuted, and every shuffle where it fell', () => {
    const found = answered(defaultQuestion('red', 'white'), lamps());
    const chance = chanceOf(found);
    const permuted = arrangement(chance.what, 5, 3);
    if (permuted.kind !== 'labels') throw new Error('labels are permuted');
    const scene = arrangementScene(chance, permuted, 640);
    const rows = scene!.panels[0]!.marks.flatMap((m) => (m.mark === 'dots' && m.name === 'permuted' ? [m.points] : []));
    expect(rows.map((r) => r.length)).to.deep.equal([6, 6]);
    const all = [...red, ...white];
    rows.forEach((row, g) =>
      expect(row.map((p) => p.at)).to.have.members(all.filter((_, i) => permuted.labels[i] === g)),
    );
    // Each keeps its own place among the shapes, so that it is seen to move.
    const keys = (d: ReturnType<typeof layout>): string[] =>
      d.shapes.flatMap((s) => (s.shape === 'path' && s.key ? [s.key] : []));
    expect(keys(layout(scene!))).to.deep.equal(keys(layout(arrangementScene(chance, undefined, 640)!)));

    const gathered = new Gathered(observedOf(chance.what), slackOf(chance.what, observedOf(chance.what)));
    gathered.add(blockOf(chance.what, 5, 0));
    const cut = gathered.cut('either', 0.05);
    const bars = gatheredScene(chance, gathered, cut, undefined, 640).panels[0]!.marks;
    const total = (name: string): number =>
      bars.reduce((s, m) => s + (m.mark === 'bar' && m.name === name ? m.y2 : 0), 0);
    expect(total('as-far')).to.equal(gathered.counts.either);
    expect(total('as-far') + total('beyond-cut') + total('arrangements')).to.equal(10_000);
    expect(bars.filter((m) => m.mark === 'rule' && m.name === 'cut-off')).to.have.length(2);
    // What was drawn comes near what is counted.
    const exact = exactly(chance.what)!;
    expect(gathered.p('either')).to.be.closeTo(exact.p.either, 0.005);
    expect(exact.arrangements).to.equal(924);
    // A few are dots of their own; too many readings are not followed.
    // One standard error of the null distribution to either side of 0; of nine shuffles none is drawn.
    const se = bars.find((m) => m.name === 'se');
    expect(se?.mark === 'rule' && [se.x1, se.x2]).to.deep.equal([-gathered.se, gathered.se]);
    const few = new Gathered(gathered.observed, gathered.slack);
    few.add(blockOf(chance.what, 5, 0, 0, 9));
    const dots = gatheredScene(chance, few, undefined, undefined, 640).panels[0]!.marks;
    expect(dots.reduce((n, m) => n + (m.mark === 'dots' ? m.points.length : 0), 0)).to.equal(9);
    expect(dots.some((m) => m.name === 'se')).to.equal(false);
    const crowd = { ...chance, what: { ...chance.what, groups: [Array.from({ length: 400 }, (_, i) => i), [1]] } };
    expect(arrangementScene(crowd, undefined, 640)).to.equal(undefined);
  });

  it('is told in words with the study’s own names', () => {
    const found = answered(defaultQuestion('red', 'white'), lamps());
    const chance = chanceOf(found);
    expect(chanceIdea(chance, 'blade')).to.equal(
      'If it made no difference which group a blade is in, each reading could as well have stood under another of the labels Red lamp and White lamp. So the labels are shuffled: the readings stay as they are, and the difference of means has the null distribution that permutation gives.',
    );
    const gathered = new Gathered(3, 1e-12);
    gathered.add(Float64Array.from([-3, ...Array.from({ length: 98 }, (_, i) => i / 50), 3]));
    expect(plain(chanceResult(chance, gathered, 0.95))).to.equal(
      '2 of 100 shuffles came as far out as the one observed, on either side: p = 0.030 (95 % CI for so many shuffles 0.0055 to 0.0700).',
    );
    const cut = gathered.cut('either', 0.05);
    expect(chanceCut(chance, gathered, cut, 0.95)).to.contain('Cut-off at α = 0.05: ±1.900 mm; 4.00 % of the');
    const all = [-3, ...Array.from({ length: 98 }, (_, i) => i / 50), 3];
    const mean = all.reduce((s, x) => s + x, 0) / 100;
    const sd = Math.sqrt(all.reduce((s, x) => s + (x - mean) ** 2, 0) / 99);
    expect(chanceCut(chance, gathered, cut, 0.95)).to.contain(`, of which the one observed is ${(3 / sd).toFixed(2)}.`);
    expect(chanceCut(chance, gathered, undefined, 0.99)).to.contain('more shuffles are needed');
    expect(plain(exactResult(chance, exactly(chance.what)!))).to.match(
      /^Counted, not drawn: of all 924 arrangements, p = 0\.00\d\.$/,
    );
    expect(shownResult(chance, 5.05, 12, -1.5)).to.equal('Shuffle 12: difference of means −1.500 mm');
  });

  it('is told of signs, counts and drawings in their own words', () => {
    const pairs = chanceOf(answered({ ...defaultQuestion('red', 'white'), design: 'paired' }, lamps()));
    expect(chanceIdea(pairs, 'blade')).to.contain('signs are flipped as by a coin');
    expect(shownResult(pairs, 5.05, 0, undefined)).to.equal('As observed: mean of the differences 5.050 mm');
    const table = tableOf(
      [
        { ...emptyColumn('surface', 'surface', '', 'group'), cells: ['slate', 'shell'] },
        { ...emptyColumn('settled', 'settled', '', 'count'), cells: ['18', '9'] },
        { ...emptyColumn('bare', 'bare', '', 'count'), cells: ['27', '31'] },
      ],
      { shape: 'counts', subject: 'spore' },
    );
    const share = { about: 'share', found: 'settled', a: 'slate', b: 'shell' } as const;
    const two = chanceOf(answered(questionOf('two-groups', share), table));
    expect(chanceIdea(two, 'spore')).to.contain('those that were settled would fall to slate and shell by chance');
    // Fisher's one-sided tail is the same count of arrangements: hypergeometric, 18 or more of 27 in 45 of 85.
    const greater = chanceOf(answered(questionOf('two-groups', { ...share, direction: 'greater' }), table));
    const choose = (n: number, k: number): number => (k === 0 ? 1 : (choose(n, k - 1) * (n - k + 1)) / k);
    let tail = 0;
    for (let k = 18; k <= 27; k++) tail += (choose(45, k) * choose(40, 27 - k)) / choose(85, 27);
    expect(exactly(greater.what)!.p.greater).to.be.closeTo(tail, 1e-12);

    const stray = strayOf(answered(defaultQuestion('red', 'white'), lamps()));
    expect(chanceIdea(stray, 'blade')).to.contain('as many are drawn again from them, each time putting back');
    expect(chanceAxis(stray)).to.equal('difference of means (mm), readings drawn again');
    expect(shownResult(stray, 5.05, 3, 4.2)).to.equal('Drawing 3: difference of means 4.200 mm');
    const gathered = new Gathered(5, 1e-12);
    gathered.add(Float64Array.from({ length: 200 }, (_, i) => 4 + i / 100));
    expect(strayResult(stray, gathered, undefined, 0.95, 1000)).to.match(
      /^Standard error, from 200 drawings: 0\.578\d mm\. Intervals are read off from 1,000 drawings on\.$/,
    );
    const found = fromResamples(gathered.values(), 5, 0, 0.9);
    // The 5th and 95th of a hundred in 4.00 to 5.99, between the readings: 4.0995 and 5.8905.
    expect(strayResult(stray, gathered, found, 0.9, 100)).to.match(
      /90 % bootstrap interval of the difference of means: 4\.10 to 5\.89 mm by percentiles, and corrected .* \(BCa\)/,
    );
    expect(tooMany(1200, 'blade')).to.match(/^1,200 blades: too many to follow one by one/);
  });

  it('answers by medians, trimmed means, t and F, and says so', () => {
    const by = (more: Partial<Question>): Answer =>
      answered({ ...defaultQuestion('red', 'white'), method: 'shuffle', ...more }, lamps());
    const median = by({ statistic: 'median' });
    expect(comparisonOf(median).effect!.estimate).to.be.closeTo(33.7 - 28.7, 1e-12);
    expect(plain(headline(median, comparisonOf(median)).sentence)).to.match(
      /^Median blade length was 5\.0 mm greater in Red lamp than in White lamp; /,
    );
    expect(plain(methodsSentence(median))).to.contain(
      'a randomization test of the difference of medians, labels shuffled (all arrangements counted)',
    );
    expect(plain(resultsSentence(median, comparisonOf(median)))).to.contain(
      'Red lamp (median 33.70 mm, n = 6) than in White lamp (median 28.70 mm, n = 6): difference of medians 5.0 mm',
    );
    const trimmed = by({ statistic: 'trimmed' });
    // A fifth of six is one at each end.
    expect(comparisonOf(trimmed).effect!.estimate).to.be.closeTo(
      (31.8 + 33.3 + 34.1 + 35.0) / 4 - (27.7 + 28.4 + 29.0 + 30.1) / 4,
      1e-12,
    );
    // Listing all 924 arrangements by hand agrees, for every statistic.
    for (const statistic of ['mean', 'median', 'trimmed', 't'] as const) {
      const found = comparisonOf(by({ statistic }));
      const what = { kind: 'labels', groups: [red, white], statistic } as const;
      expect(found.p, statistic).to.be.closeTo(exactly(what)!.p.either, 1e-12);
      expect(found.shuffled!.method).to.equal('exact');
    }
    const several = by({ design: 'several' });
    expect(comparisonOf(several).p).to.be.closeTo(comparisonOf(by({ statistic: 'mean' })).p!, 1e-12);
    expect(plain(methodsSentence(several))).to.contain('a randomization test of F, labels shuffled among the groups');
    expect(hypotheses(several)?.none.words).to.contain('The labels have nothing to do with the readings');
    const paired = by({ design: 'paired', statistic: 'median', direction: 'greater' });
    // The two smallest of six differences may have either sign without moving the middle.
    expect(comparisonOf(paired).p).to.be.closeTo(4 / 64, 1e-12);
    expect(hypotheses(paired)?.none.words).to.contain('the other sign');
  });
});

describe('readings counted by a limit', () => {
  const share = (more: Partial<Question> = {}): Question =>
    questionOf('two-groups', { about: 'share', a: 'red', b: 'white', cut: 31, found: 'below', ...more });

  it('fall on one side or the other, the limit itself above', () => {
    const { counts, columns } = countTable(lamps(), share({ cut: 31.2 }));
    expect(counts).to.deep.equal([
      [1, 5],
      [5, 1],
    ]);
    expect(columns.categories.map((c) => c.name)).to.deep.equal([
      'blade length below 31.2 mm',
      'blade length of 31.2 mm or more',
    ]);
    expect(middleOf(lamps(), {})).to.equal(31);
  });

  it('are looked at twice in pairs: only those that changed sides say anything', () => {
    const found = answered(share({ design: 'paired' }), lamps());
    expect(comparisonOf(found).pairs).to.deep.equal([0, 4]);
    expect(found.groups.map((g) => [g.name, g.share?.successes, g.n])).to.deep.equal([
      ['Red lamp', 1, 6],
      ['White lamp', 5, 6],
    ]);
  });

  it('tell what was set aside, and what is no longer there', () => {
    const table = lamps();
    const [first] = table.columns;
    const lost: Table = { ...table, columns: [{ ...first!, aside: { 2: 'tag lost' } }, table.columns[1]!] };
    const found = answered(share(), lost);
    expect(found.groups[0]!.n).to.equal(5);
    expect(plain(methodsSentence(found))).to.contain('One reading was set aside before analysis (tag lost).');
    expect(answer(share({ design: 'paired', b: 'gone' }), table)).to.deep.include({ ok: false });
  });
});

describe('stacked shares', () => {
  it('show each share of a row with its interval', () => {
    const { question, table } = asked.find((q) => q.question.about === 'table' && q.question.design === 'several')!;
    const { counts } = comparisonOf(answered(question, table));
    const { marks } = stackedShares(counts!, { left: 0, top: 0, width: 600, height: 300 }, 0.95, 'wilson');
    const rules = marks.flatMap((m) => (m.mark === 'rule' && m.name === 'share-interval' ? [[m.x1, m.x2]] : []));
    const expected = counts!.observed.flatMap((row) =>
      row.map((successes) => {
        const n = row.reduce((s, x) => s + x, 0);
        const { low, high } = proportionInterval({ successes, n }, 0.95, 'wilson');
        return [low, high];
      }),
    );
    expect(rules).to.deep.equal(expected);
    const bars = marks.flatMap((m) => (m.mark === 'bar' ? [m.x2 - m.x1] : []));
    expect(bars.reduce((s, x) => s + x, 0)).to.be.closeTo(counts!.rows.length, 1e-9);
  });
});
