import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../src/core/planning/arrange';
import { spendingsTable } from '../../src/core/words/tables/spendings-table';
import { asGrid, asList, assign, listOf } from '../../src/core/planning/assignment';
import { areasOf, boundariesOf, criticalTable } from '../../src/core/planning/curve-reading';
import {
  type Plan,
  type PlanDesign,
  effectFor,
  withoutAdjusting,
  isDirected,
  planDesigns,
  powerAt,
  roundedOut,
  sampleFor,
  spendings,
  totalOf,
  usualDifference,
  usualPlan,
  begunWith,
} from '../../src/core/planning/plan';
import { simulator } from '../../src/core/planning/simulate';
import { readerScene } from '../../src/core/scenes/reader';
import { powerPercent } from '../../src/core/words/numbers';
import { stepsTold } from '../../src/core/words/curve-steps';
import { protocolSentence } from '../../src/core/words/protocol';
import { plain } from '../../src/core/words/text';
import { layout } from '../../src/charts/layout';

const of = <T>(found: { ok: true; value: T } | { ok: false; reason: string }): T => {
  if (!found.ok) throw new Error(found.reason);
  return found.value;
};

describe('the curve reader', () => {
  it('reads areas from boundaries and boundaries from areas, by printed tables', () => {
    // Fisher and Yates's and Pearson and Hartley's tables, to the digits they print.
    expect(of(boundariesOf('t', { df: 10 }, 'outside', 0.05)).b).to.be.closeTo(2.228, 5e-4);
    expect(of(boundariesOf('chi-square', { df: 4 }, 'right', 0.01)).a).to.be.closeTo(13.277, 5e-4);
    expect(of(boundariesOf('f', { df1: 3, df2: 20 }, 'right', 0.05)).a).to.be.closeTo(3.1, 5e-3);
    expect(of(boundariesOf('studentized-range', { groups: 4, df: 20 }, 'right', 0.05)).a).to.be.closeTo(3.96, 5e-3);
    expect(of(boundariesOf('dunnett', { groups: 3, df: 20 }, 'right', 0.05)).a).to.be.closeTo(2.54, 5e-3);
    const areas = of(areasOf('normal', {}, 1.96, -1.96));
    expect(areas.outside).to.be.closeTo(0.04999579, 1e-8);
    expect(areas.between).to.be.closeTo(0.95000421, 1e-8);
    expect(of(areasOf('normal', {}, 37)).right).to.be.closeTo(5.725571e-300, 1e-305);
    // Between two far boundaries the digits of the tail are kept.
    expect(of(areasOf('normal', {}, 20, 21)).between).to.be.closeTo(2.753624e-89, 1e-94);
    expect(of(areasOf('binomial', { n: 20, p: 0.5 }, 6, 14))).to.deep.include({
      left: of(areasOf('binomial', { n: 20, p: 0.5 }, 6)).left,
    });
    const { left, right, between } = of(areasOf('binomial', { n: 20, p: 0.5 }, 6, 14));
    expect(left + right + between!).to.be.closeTo(1, 1e-14);
    const [row] = criticalTable('t', {}, [7], [0.05, 0.01], 2);
    expect(row!.values.map((v) => of(v).toFixed(3))).to.deep.equal(['2.365', '3.499']);
  });

  it('takes degrees of freedom that are not whole, and says what cannot be', () => {
    expect(of(areasOf('t', { df: 26.6 }, 2.0533)).right).to.be.closeTo(0.025, 1e-5);
    for (const [found, words] of [
      [areasOf('t', { df: 0 }, 1), 'must be above 0'],
      [areasOf('f', { df1: -1, df2: 3 }, 1), 'must be above 0'],
      [boundariesOf('t', { df: 3 }, 'right', 1.2), 'between 0 and 1'],
      [areasOf('binomial', { n: 2.5, p: 0.5 }, 1), 'whole number'],
    ] as const)
      expect(found.ok ? 'read' : found.reason).to.include(words);
  });

  it('tells where steps leave another area than was asked, and what a step further would', () => {
    const parameters = { n: 20, p: 0.5 };
    const told = (kind: 'right' | 'left' | 'outside' | 'between', area: number): string | undefined =>
      stepsTold('binomial', parameters, kind, area, of(boundariesOf('binomial', parameters, kind, area)));
    // P(X ≥ 14) = 0.05766 and P(X ≥ 15) = 0.02069 of twenty tosses.
    expect(told('right', 0.05)).to.match(/just 0\.05: here it is 0\.05766, a step further out 0\.02069/);
    expect(told('left', 0.05)).to.match(/here it is 0\.05766, a step further out 0\.02069/);
    expect(told('outside', 0.1)).to.match(/here it is 0\.1153, a step further out 0\.04139/);
    expect(told('right', of(areasOf('binomial', parameters, 15)).right)).to.equal(undefined);
    expect(stepsTold('t', { df: 4 }, 'right', 0.05, { a: 2.13 })).to.equal(undefined);
  });

  it('draws its boundaries where they are read', () => {
    const drawing = layout(
      readerScene([{ curve: 't', parameters: { df: 10 }, label: 't' }], { a: -2, b: 2, area: 'outside' }, 700),
    );
    const at = (i: number) =>
      drawing.shapes.flatMap((s) => (s.shape === 'line' && s.name === `boundary-${i}` ? [s.x1] : []))[0]!;
    expect((at(0) + at(1)) / 2).to.be.closeTo(350, 1e-6);
    expect(drawing.shapes.filter((s) => s.name === 'area').length).to.equal(2);
  });
});

describe('the sample planner', () => {
  it('reaches the power wanted with the least n, and finds the effect that n would', () => {
    const plan: Plan = { ...usualPlan, difference: 0.5, sd: 1 };
    // Cohen (1988), table 2.4.1: d = 0.5, two-sided 0.05, power 0.80 needs 64 a group.
    expect(of(sampleFor(plan, 0.8))).to.equal(64);
    expect(of(effectFor(plan, 64, of(powerAt(plan, 64))))).to.be.closeTo(0.5, 1e-6);
    for (const design of Object.keys(planDesigns) as PlanDesign[]) {
      const own: Plan = { ...usualPlan, design, ...(design === 'shares' ? { difference: 0.25, share: 0.4 } : {}) };
      const n = of(sampleFor(own, 0.9));
      expect(of(powerAt(own, n)), design).to.be.at.least(0.9);
      expect(of(powerAt(own, n - 1)), design).to.be.below(0.9);
      expect(of(powerAt(own, n, of(effectFor(own, n, 0.9)))), design).to.be.closeTo(0.9, 0.01);
    }
    expect(totalOf({ ...usualPlan, ratio: 2 }, 10)).to.deep.equal({ each: [10, 20], total: 30 });
    expect(begunWith(usualPlan, 18, 0.1)).to.deep.equal({ each: [20, 20], total: 40 });
    // Groups of 41 and 82 lose their share each; of blocks whole ones are lost.
    expect(begunWith({ ...usualPlan, ratio: 2 }, 41, 0.1)).to.deep.equal({ each: [46, 92], total: 138 });
    expect(begunWith({ ...usualPlan, design: 'blocked', groups: 3, readings: 2 }, 9, 0.1).each).to.deep.equal([
      20, 20, 20,
    ]);
  });

  it('agrees with a thousand simulated experiments of every design', () => {
    for (const design of Object.keys(planDesigns) as PlanDesign[]) {
      const plan: Plan = { ...usualPlan, design, ...(design === 'shares' ? { difference: 0.3, share: 0.3 } : {}) };
      const n = of(sampleFor(plan, 0.7));
      const run = simulator(plan, n, 5);
      const found = Array.from({ length: 4000 }, run).filter((s) => s.found).length / 4000;
      // Four standard errors of a share of 4000.
      expect(found, design).to.be.closeTo(of(powerAt(plan, n)), 4 * Math.sqrt((0.7 * 0.3) / 4000));
    }
  });

  it('writes the sentence a protocol needs', () => {
    const said = (plan: Partial<Plan>, loss = 0): string =>
      plain(
        protocolSentence({
          plan: { ...usualPlan, ...plan },
          n: 26,
          power: 0.807,
          unit: 'mm',
          subject: 'seedling',
          loss,
        }),
      );
    expect(said({ difference: 4, sd: 5 })).to.equal(
      'With 26 seedlings in each of two groups, a two-sided t-test at the 5 % level finds a difference of 4 mm with a power of 81 %, if the standard deviation is 5 mm.',
    );
    expect(said({ ratio: 2 }, 0.1))
      .to.include('With 26 and 52 seedlings in two groups')
      .and.include('loss of 10 %, 87 are begun with in all: 29 and 58.');
    expect(said({ design: 'shares', share: 0.4, difference: 0.2 })).to.include('a share of 40 % against one of 60 %');
    expect(said({ design: 'nested', groups: 2, readings: 4, correlation: 0.3 })).to.match(
      /^With 26 seedlings in each of 2 groups, each read 4 times, a nested .* readings of one sample correlate by 0.3/,
    );
    expect(said({ design: 'adjusted', groups: 2, correlation: 0.7 }))
      .to.include('an analysis of covariance')
      .and.include('correlate with the covariate by 0.7');
    expect(said({ design: 'blocked', groups: 3, readings: 1 })).to.include(
      '26 blocks, each with 1 seedling of each of',
    );
    expect(said({ design: 'several' })).to.include('groups, a one-way analysis of variance');
    expect(said({ design: 'repeated', groups: 3 }))
      .to.include('each read under 3 conditions')
      .and.include('correlate by 0.5');
  });

  it('tells whether more readings or more samples are cheaper, near where theory puts it', () => {
    const plan: Plan = { ...usualPlan, design: 'nested', groups: 2, correlation: 0.2, difference: 2 };
    const best = (sample: number, reading: number): number =>
      spendings(plan, 0.9, { sample, reading }).reduce((a, b) => (b.cost < a.cost ? b : a)).readings;
    // √(16 · 0.8/0.2) = 8 readings where a sample is dear; one where a reading is.
    expect(best(16, 1)).to.be.within(6, 10);
    expect(best(1, 20)).to.equal(1);
    const ways = spendings(plan, 0.9, { sample: 16, reading: 1 });
    for (const { readings, samples, cost } of ways) {
      expect(of(powerAt({ ...plan, readings }, samples))).to.be.at.least(0.9);
      expect(cost).to.equal(2 * samples * (16 + readings));
    }
    const table = spendingsTable(ways, { groups: 2, chosen: 3, subject: 'tank' });
    expect(table.title).to.equal('More readings, or more tanks?');
    table.rows.forEach(({ head, cells, weight }, i) => {
      const { readings, samples, cost } = ways[i] ?? { readings: NaN, samples: NaN, cost: NaN };
      expect(plain(head)).to.equal(String(readings));
      expect(cells.slice(0, 3).map((c) => c.value)).to.deep.equal([samples, 2 * samples * readings, cost]);
      expect(weight === 'main').to.equal(readings === 3);
    });
    const cheapest = table.rows
      .filter((row) => row.cells.at(-1)?.text === 'cheapest')
      .map((row) => row.cells[2]?.value);
    expect(cheapest).to.deep.equal([Math.min(...ways.map((w) => w.cost))]);
    // One reading of each is the plain test.
    expect(ways[0]?.samples).to.equal(of(sampleFor({ ...plan, design: 'several' }, 0.9)));
  });

  it('gains by a covariate as its correlation says, and by blocks as theirs', () => {
    const plan: Plan = { ...usualPlan, groups: 3 };
    const plain = of(withoutAdjusting(plan, 0.8));
    const adjusted = of(sampleFor({ ...plan, design: 'adjusted', correlation: 0.8 }, 0.8));
    expect(adjusted / plain).to.be.closeTo(1 - 0.64, 0.06);
    expect(of(sampleFor({ ...plan, design: 'adjusted', correlation: 0 }, 0.8))).to.be.within(plain, plain + 1);
    // The fewest that tell a slope: a large difference needs no more.
    expect(of(sampleFor({ ...plan, groups: 2, design: 'adjusted', difference: 40 }, 0.8))).to.equal(3);
    const blocked = of(sampleFor({ ...plan, design: 'blocked', readings: 1, correlation: 0.75 }, 0.8));
    expect(blocked / plain).to.be.closeTo(0.25, 0.1);
  });

  it('says what no n reaches, and what is no plan', () => {
    const said = (plan: Partial<Plan>, wanted = 0.8): string => {
      const found = sampleFor({ ...usualPlan, ...plan }, wanted);
      return found.ok ? String(found.value) : found.reason;
    };
    expect(said({ difference: 0 })).to.include('nothing to find');
    expect(said({ difference: 1e-9 })).to.include('too small to be found');
    expect(said({}, 1)).to.include('between 0 and 1');
    expect(said({ sd: 0 })).to.include('above 0');
    expect(said({ design: 'shares', share: 0.9, difference: 0.2 })).to.include('leaves 0 to 1');
    expect(said({ design: 'shares', difference: 1e-4 })).to.include('No number up to 100000 in a group');
    // The other way than the test looks: no number is too small for that.
    expect(said({ direction: 'less' })).to.match(/below 0, and the one to be found lies above: no number would/);
    expect(said({ direction: 'greater', difference: -3 })).to.include('lies below: no number would');
    // What has no direction does not take one.
    expect(said({ design: 'several', direction: 'less' })).to.equal(said({ design: 'several' }));
  });

  it('begins with a difference its test can find', () => {
    for (const design of Object.keys(planDesigns) as PlanDesign[])
      for (const direction of ['either', 'greater', 'less'] as const)
        for (const share of [0.02, 0.4, 0.8, 0.97]) {
          const plan: Plan = { ...usualPlan, design, direction: isDirected(design) ? direction : 'either', share };
          const found = sampleFor({ ...plan, difference: usualDifference(plan) }, 0.8);
          expect(found.ok ? found.value : found.reason, `${design} ${direction} ${share}`).to.be.within(2, 3000);
        }
  });

  it('finds a difference of shares the way the test looks, or where there is room for one', () => {
    const found = (plan: Partial<Plan>, n = 20): number =>
      of(effectFor({ ...usualPlan, design: 'shares', ...plan }, n, 0.8));
    expect(found({ direction: 'less' })).to.be.within(-0.4, -0.2);
    expect(found({ direction: 'greater' })).to.be.within(0.2, 0.6);
    // As the share of what did not happen: the same distance the other way.
    expect(found({ share: 0.9, direction: 'less' })).to.be.closeTo(-found({ share: 0.1, direction: 'greater' }), 1e-9);
    expect(found({ share: 0.9 })).to.be.closeTo(-found({ share: 0.1 }), 1e-9);
    const none = effectFor({ ...usualPlan, design: 'shares', share: 0.9, direction: 'greater' }, 20, 0.8);
    expect(none.ok ? '' : none.reason).to.include('take more');
  });

  it('rounds a difference that was found away from 0, so that it keeps its power', () => {
    expect([3.6365, -0.31731, 0.0440303, 1200.5, 0.5].map(roundedOut)).to.deep.equal([3.64, -0.318, 0.0441, 1210, 0.5]);
    for (const design of ['two-groups', 'several', 'shares'] as const) {
      const plan: Plan = { ...usualPlan, design };
      const found = of(effectFor(plan, 30, 0.8));
      expect(of(powerAt(plan, 30, roundedOut(found))), design).to.be.within(0.8, 0.82);
    }
  });

  it('never prints a power as certain, nor what a computation adds to a number', () => {
    expect([0.807, 0.99949, 0.99951, 1].map((power) => powerPercent(power))).to.deep.equal([
      '80.7 %',
      '99.9 %',
      'more than 99.9 %',
      'more than 99.9 %',
    ]);
    expect([powerPercent(0.0004), powerPercent(0.99996, 2)]).to.deep.equal(['less than 0.1 %', 'more than 99.99 %']);
    const told = plain(
      protocolSentence({
        plan: { ...usualPlan, direction: 'less', difference: -0.1 - 0.2 },
        n: 500,
        power: 0.999999,
        unit: 'mm',
        subject: '',
        loss: 0,
      }),
    );
    expect(told).to.include('finds a difference of −0.3 mm with a power of more than 99.99 %');
  });
});

describe('what is left to chance before an experiment', () => {
  const lamps = ['Red lamp', 'White lamp', 'No lamp'];
  const subjects = Array.from({ length: 20 }, (_, i) => `tank ${i + 1}`);

  it('is told with its seed in every list, and a layout stands as rows A, B … by columns 1, 2 …', () => {
    const plate = assign({ task: 'layout', treatments: lamps, rows: 8, columns: 12, even: true, seed: 17 });
    const grid = asGrid(plate) ?? [];
    expect(grid[0]).to.deep.equal(['seed 17', ...Array.from({ length: 12 }, (_, c) => String(c + 1))]);
    expect(grid.slice(1).map(([name]) => name)).to.deep.equal(Array.from('ABCDEFGH'));
    const list = asList(plate);
    expect(list[0]).to.deep.equal(['place', 'row', 'column', 'treatment', 'seed']);
    for (const [place = '', row = '', column = '', treatment, seed] of list.slice(1)) {
      expect(place).to.equal(`${row}${column}`);
      expect(grid['ABCDEFGH'.indexOf(row) + 1]?.[Number(column)]).to.equal(treatment);
      expect(seed).to.equal('17');
    }
    expect(list).to.have.length(97);
    expect(asGrid(assign({ task: 'draw', subjects, n: 3, replace: false, seed: 1 }))).to.equal(undefined);
  });

  it('numbers its blocks, each with every treatment equally often, and says where the last is short', () => {
    const blocks = assign({ task: 'allocate', subjects, treatments: lamps, way: 'blocks', block: 6, seed: 3 });
    expect(blocks.head).to.deep.equal(['subject', 'block', 'treatment']);
    for (const block of ['1', '2', '3']) {
      const given = blocks.rows.filter((row) => row[1] === block).map((row) => row[2]);
      for (const lamp of lamps) expect(given.filter((g) => g === lamp)).to.have.length(2);
    }
    expect(blocks.rows.filter((row) => row[1] === '4')).to.have.length(2);
    expect(blocks.told).to.include('The last block is short: 2 of 6');
    const full = assign({
      task: 'allocate',
      subjects: subjects.slice(2),
      treatments: lamps,
      way: 'blocks',
      block: 6,
      seed: 3,
    });
    expect(full.told).to.not.include('short');
  });

  it('parts a stratum from its subject where strata are asked for, and leaves names alone elsewhere', () => {
    const lines = ['A1: upper', 'A2: upper', 'B1: lower', 'B2: lower'];
    const two = lamps.slice(0, 2);
    const within = assign({ task: 'allocate', subjects: lines, treatments: two, way: 'strata', block: 4, seed: 2 });
    expect(within.rows.map((row) => row.slice(0, 2))).to.deep.equal([
      ['A1', 'upper'],
      ['A2', 'upper'],
      ['B1', 'lower'],
      ['B2', 'lower'],
    ]);
    for (const pair of [within.rows.slice(0, 2), within.rows.slice(2)])
      expect(pair.map((row) => row[2])).to.have.members(two);
    const freely = assign({ task: 'allocate', subjects: lines, treatments: two, way: 'simple', block: 4, seed: 2 });
    expect(freely.rows.map(([name]) => name)).to.deep.equal(lines);
    const refused = (run: () => unknown) => (words: RegExp) => expect(run).to.throw(words);
    refused(() => assign({ task: 'allocate', subjects: ['A1'], treatments: two, way: 'strata', block: 4, seed: 2 }))(
      /its stratum/,
    );
    const [colon] = assign({
      task: 'allocate',
      subjects: ['A1: upper: left', 'A2\tupper: left'],
      treatments: two,
      way: 'strata',
      block: 4,
      seed: 2,
    }).rows.map((row) => row[1]);
    expect(colon).to.equal('upper: left');
    refused(() => assign({ task: 'layout', treatments: [], rows: 2, columns: 2, even: true, seed: 1 }))(
      /at least two treatments/,
    );
    refused(() => assign({ task: 'draw', subjects: [], n: 1, replace: false, seed: 1 }))(/from 1 to 100,000/);
  });
});

describe('a typed list', () => {
  it('has a name a line, else parts its line where names are apart, and not at a decimal comma', () => {
    for (const [typed, names] of [
      ['Red lamp, White lamp', ['Red lamp', 'White lamp']],
      ['red,white', ['red', 'white']],
      ['0,5 mM, 1 mM', ['0,5 mM', '1 mM']],
      ['0,5; 1,5;', ['0,5', '1,5']],
      [' upper, left \n\nlower, right\n', ['upper, left', 'lower, right']],
      [' ', []],
    ] as const)
      expect(listOf(typed), typed).to.deep.equal(names);
  });

  it('that names one twice is told to', () => {
    const told = (subjects: string[]): string => assign({ task: 'draw', subjects, n: 1, replace: false, seed: 1 }).told;
    expect(told(['A', 'B'])).to.match(/seed 1\.$/);
    expect(told(['A', 'B', 'A', 'A'])).to.include('“A” stands more than once');
    expect(told(['A', 'B', 'A', 'B', 'C', 'C'])).to.include('“A” and 2 other names stand more than once');
  });
});

describe('a layout of tanks', () => {
  it('holds every treatment as evenly as can be in each row and column, from its seed', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 2, max: 6 }),
        fc.nat(),
        (rows, columns, count, seed) => {
          fc.pre(rows * columns >= count);
          const names = Array.from({ length: count }, (_, i) => `T${i}`);
          const grid = arrange(rows, columns, names, seed);
          expect(arrange(rows, columns, names, seed)).to.deep.equal(grid);
          const lines = [...grid, ...Array.from({ length: columns }, (_, c) => grid.map((r) => r[c]!))];
          for (const line of lines) {
            const counts = names.map((t) => line.filter((x) => x === t).length);
            expect(Math.max(...counts) - Math.min(...counts)).to.be.at.most(1);
          }
        },
      ),
      { numRuns: 200, seed: 3 },
    );
  });

  it('permuted freely holds each as often as the places allow, and says what cannot be', () => {
    const all = arrange(4, 6, ['a', 'b', 'c'], 9, false).flat();
    expect(['a', 'b', 'c'].map((t) => all.filter((x) => x === t).length)).to.deep.equal([8, 8, 8]);
    expect(() => arrange(1, 2, ['a', 'b', 'c'], 1)).to.throw('only 2 places');
    expect(() => arrange(2, 2, ['a'], 1)).to.throw('at least two treatments');
    expect(() => arrange(0, 2, ['a', 'b'], 1)).to.throw('whole numbers');
  });
});
