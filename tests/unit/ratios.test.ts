import { expect } from 'chai';
import fc from 'fast-check';
import cases from '../reference/cases.json';
import { alternativeMethods, answered, reasonOf } from './asked';
import { demoTables } from '../../demo/skerrow';
import { answer } from '../../src/core/answering/answer';
import { chanceOf } from '../../src/core/answering/chance';
import { askMany } from '../../src/core/answering/many';
import { checksOf } from '../../src/core/answering/checks-of';
import { workingOf } from '../../src/core/answering/working-of';
import { barEnds } from '../../src/core/figures/error-bars';
import { withEffect } from '../../src/core/question/asking';
import { tellsRatios } from '../../src/core/question/choices';
import { there } from '../../src/core/numeric/there';
import { type Question, questionOf } from '../../src/core/question/question';
import { logged } from '../../src/core/readings/logged';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { besideScene } from '../../src/core/scenes/beside';
import { groupsLook } from '../../src/core/scenes/groups-look';
import { measureScene } from '../../src/core/scenes/measure-picture';
import { effectDomain, measuresAxis } from '../../src/core/scenes/measures-overview';
import { remedyOffer } from '../../src/core/words/checks';
import { resultTables } from '../../src/core/words/tables/tables';
import { plain } from '../../src/core/words/text';
import { statedEffect } from '../../src/core/words/two';

const tableWith = (groups: readonly (readonly (number | string)[])[], more: Partial<Table> = {}): Table =>
  tableOf(
    groups.map((g, i) => ({ ...emptyColumn(`g${i}`, `group ${i + 1}`, 'mg/L'), cells: g.map(String) })),
    { measure: 'iodine', ...more },
  );
const two = questionOf('two-groups', { a: 'g0', b: 'g1', effect: 'ratio' });
const positive = fc.double({ min: 0.01, max: 1000, noNaN: true });
const twoGroups = fc.tuple(
  fc.uniqueArray(positive, { minLength: 3, maxLength: 12 }),
  fc.uniqueArray(positive, { minLength: 3, maxLength: 12 }),
);

interface RatioCase {
  procedure: string;
  given: { a: number[]; b: number[]; level: number };
  expected: Record<string, number>;
}

describe('ratios of geometric means', () => {
  it('agree with the references, asked as anyone asks them', () => {
    let seen = 0;
    for (const { procedure, given, expected } of (cases as unknown as { cases: RatioCase[] }).cases) {
      if (procedure !== 'ratio.welch' && procedure !== 'ratio.paired') continue;
      const paired = procedure === 'ratio.paired';
      const { comparison, groups } = answered(
        { ...two, design: paired ? 'paired' : 'two-groups', level: given.level },
        tableWith([given.a, given.b], paired ? { shape: 'repeated' } : {}),
      );
      const { effect } = comparison;
      expect(effect?.estimate).to.be.closeTo(expected['ratio'] ?? NaN, 1e-9);
      expect(effect?.interval?.low).to.be.closeTo(expected['low'] ?? NaN, 1e-8);
      expect(effect?.interval?.high).to.be.closeTo(expected['high'] ?? NaN, 1e-8);
      expect(comparison.p).to.be.closeTo(expected['p'] ?? NaN, 1e-9);
      if (!paired) {
        expect(groups[0]?.summary?.mean).to.be.closeTo(expected['geometric_mean_a'] ?? NaN, 1e-9);
        expect(groups[0]?.geometric?.sd).to.be.closeTo(expected['geometric_sd_a'] ?? NaN, 1e-9);
      }
      seen++;
    }
    expect(seen).to.equal(5);
  });

  it('do not change with the unit, and turn round with the order', () => {
    fc.assert(
      fc.property(twoGroups, fc.constantFrom(0.001, 2.54, 1000), ([a, b], unit) => {
        const plain = answered(two, tableWith([a, b])).comparison.effect;
        const scaled = answered(two, tableWith([a.map((x) => x * unit), b.map((x) => x * unit)])).comparison.effect;
        const turned = answered({ ...two, a: 'g1', b: 'g0' }, tableWith([a, b])).comparison.effect;
        const close = (x = NaN, y = NaN): void => {
          expect(Math.log(x)).to.be.closeTo(Math.log(y), 1e-9);
        };
        close(scaled?.estimate, plain?.estimate);
        close(scaled?.interval?.high, plain?.interval?.high);
        close(turned?.estimate, 1 / (plain?.estimate ?? NaN));
        close(turned?.interval?.low, 1 / (plain?.interval?.high ?? NaN));
      }),
      { numRuns: 40 },
    );
  });

  it('are the differences of a table of logarithms, in every design that compares means', () => {
    const designs = demoTables().flatMap(({ table, questions }) =>
      questions.flatMap(({ question }) => {
        const asked = withEffect(question, 'ratio');
        return tellsRatios(asked) && reasonOf(asked, table) === '' ? [{ table, asked }] : [];
      }),
    );
    const kinds = new Set(designs.map(({ asked }) => asked.design));
    expect([...kinds].sort()).to.deep.equal(
      [
        'adjusted-two',
        'blocked',
        'factorial',
        'mixed',
        'nested',
        'nested-two',
        'paired',
        'repeated',
        'several',
        'two-groups',
      ].sort(),
    );
    for (const { table, asked } of designs) {
      const ratios = answered(asked, table).comparison;
      const differences = answered(withEffect(asked, 'difference'), logged(table)).comparison;
      expect(ratios.p).to.equal(differences.p);
      const all = (c: typeof ratios) => [
        ...(c.effect ? [c.effect] : []),
        ...(c.follow?.ok ? c.follow.value.flatMap((p) => p.effects) : []),
      ];
      expect(all(ratios).length).to.equal(all(differences).length);
      all(ratios).forEach((e, i) => {
        const plain = all(differences)[i];
        expect(e.estimate).to.be.closeTo(Math.exp(plain?.estimate ?? NaN), 1e-9 * e.estimate);
        expect(e.interval?.low).to.equal(plain?.interval && Math.exp(plain.interval.low));
        expect(e.name).to.equal(plain?.name.replaceAll(' minus ', ' over '));
        expect(e.se).to.equal(undefined);
      });
    }
  });

  it('refuse what has no logarithm, naming the place', () => {
    expect(
      reasonOf(
        two,
        tableWith([
          [3, 0, 2],
          [1, 2],
        ]),
      ),
    ).to.equal(
      'Row 2 of group 1 is 0: a ratio needs every reading above 0. Set them against each other by their difference, or compare ranks.',
    );
    expect(
      reasonOf(
        two,
        tableWith([
          [3, 1, 2],
          [1, -2, -4],
        ]),
      ),
    ).to.contain('Row 2 of group 2 is -2, and 1 more like it');
    // What is set aside, and what belongs to no group compared, may be 0.
    const aside = tableWith([
      [3, 0, 2],
      [1, 2],
    ]);
    const [first, ...rest] = aside.columns;
    expect(reasonOf(two, { ...aside, columns: first ? [{ ...first, aside: { 1: 'spilt' } }, ...rest] : [] })).to.equal(
      '',
    );
    expect(
      reasonOf(
        two,
        tableWith([
          [3, 4, 2],
          [1, 2, 5],
          [0, 0],
        ]),
      ),
    ).to.equal('');
    expect(
      reasonOf(
        { ...two, value: 0 },
        tableWith([
          [3, 4, 2],
          [1, 2, 5],
        ]),
      ),
    ).to.contain('above 0');
    expect(
      reasonOf(
        { ...two, bounds: { low: -1, high: 2 } },
        tableWith([
          [3, 4],
          [1, 2],
        ]),
      ),
    ).to.contain('0.8 to 1.25');
    const reported = demoTables().find(({ table }) => table.shape === 'summary');
    if (!reported) throw new Error('no table of figures from a paper');
    expect(reasonOf(questionOf('several', { effect: 'ratio' }), reported.table)).to.contain('the readings themselves');
  });

  it('are not what readings without logarithms are told by: those stand as they are', () => {
    const heads = (cells: (number | string)[]) => {
      const found = answer(two, tableWith([cells, [5, 7, 9]]));
      if (!found.ok) throw new Error(found.reason);
      const table = there(
        resultTables(found.value).find((t) => t.kind === 'groups'),
        'groups',
      );
      return table.columns.map((c) => plain(c.heading));
    };
    const refused = heads([4, 0, 8]);
    expect(refused).to.include.members(['mean', 'SD']).and.not.include('geometric mean');
    const told = heads([4, 1, 8]);
    expect(told).to.include.members(['geometric mean', 'geometric SD']).and.not.include('mean');
  });

  it('are offered once among the other methods, where every reading is above 0', () => {
    const offered = (table: Table) =>
      alternativeMethods({ ...two, effect: 'difference' }, table).filter(({ asked }) => tellsRatios(asked));
    expect(
      offered(
        tableWith([
          [3, 4, 2],
          [1, 2, 5],
        ]),
      ).length,
    ).to.equal(1);
    expect(
      offered(
        tableWith([
          [3, 4, 0],
          [1, 2, 5],
        ]),
      ).length,
    ).to.equal(0);
    const chosen = alternativeMethods(
      two,
      tableWith([
        [3, 4, 2],
        [1, 2, 5],
      ]),
    ).filter((m) => m.chosen);
    expect(chosen.map(({ asked }) => asked.effect)).to.deep.equal(['ratio']);
  });

  it('are what a check offers first where logarithms are nearer to normal, and are never taken by themselves', () => {
    const skewed = [-1.5, -1, -0.6, -0.3, -0.1, 0.1, 0.3, 0.6, 1, 1.5].map((z) => Math.exp(1.3 * z));
    const plain = questionOf('two-groups', { a: 'g0', b: 'g1' });
    const found = answered(plain, tableWith([skewed, skewed.map((x) => x * 3)]));
    expect(found.comparison.effect?.ratio).to.equal(undefined);
    const check = (table: Table) => {
      const made = answer(plain, table);
      return made.ok ? checksOf(made.value).find((c) => c.about === 'normality') : undefined;
    };
    const offer = check(tableWith([skewed, skewed.map((x) => x * 3)]))?.remedies[0];
    expect(offer).to.equal('ratios');
    const patch = remedyOffer('ratios', plain)?.patch;
    expect(tellsRatios({ ...plain, ...patch })).to.equal(true);
    expect(remedyOffer('ratios', two)).to.equal(undefined);
    // Skewed downwards, logarithms are worse.
    const down = skewed.map((x) => 20 - x);
    expect(check(tableWith([down, down.map((x) => x + 1)]))?.remedies).to.not.include('ratios');
  });

  it('are worked out on logarithms and taken back; labels permuted are those of logarithms', () => {
    const table = tableWith([
      [3, 4, 2],
      [1, 2, 5],
    ]);
    const found = answered(two, table);
    const whole = answer(two, table);
    if (!whole.ok) throw new Error(whole.reason);
    const parts = workingOf(whole.value, table);
    expect(parts[0]?.title).to.equal('The test, on logarithms');
    expect(parts.at(-1)?.steps.map((s) => s.result)).to.deep.equal([
      found.comparison.effect?.estimate,
      found.comparison.effect?.interval?.low,
      found.comparison.effect?.interval?.high,
    ]);
    const { measure, unit, what } = chanceOf(whole.value);
    expect([measure, unit]).to.deep.equal(['logarithm of iodine', '']);
    expect(what.kind === 'labels' && what.groups[0]).to.deep.equal([3, 4, 2].map(Math.log));
  });

  it('stand beside one another, and beside no difference in a unit; of every measure they lie about 1', () => {
    const table = tableWith([
      [3, 4, 2],
      [1, 2, 5],
    ]);
    const whole = (question: Question) => {
      const found = answer(question, table);
      if (!found.ok) throw new Error(found.reason);
      return found.value;
    };
    const mixed = besideScene(whole(two), whole({ ...two, effect: 'difference' }), 600);
    expect(mixed?.ok === false && mixed.reason).to.include('the one on the left is a ratio, the other a difference');
    const both = besideScene(whole(two), whole({ ...two, level: 0.9 }), 600);
    expect(both?.ok && both.value.panels[0]?.x).to.include({ log: true, title: 'ratio' });
    const rows = tableOf(
      [
        { ...emptyColumn('g', 'bay', '', 'group'), cells: ['n', 'n', 'n', 's', 's', 's'] },
        { ...emptyColumn('y', 'iodine', 'mg'), cells: ['3', '4', '2', '1', '2', '5'] },
      ],
      { shape: 'rows' },
    );
    const [one] = [...askMany({ ...two, a: 'n', b: 's', by: 'g' }, rows, { columns: true }).answers];
    if (!one?.interval) throw new Error('no answer');
    expect(one.ratio).to.equal(true);
    const panel = measureScene(one, measuresAxis([one]), effectDomain([one], measuresAxis([one]))).effect?.panels[0];
    const rules = panel?.marks.flatMap((m) => (m.mark === 'rule' ? [[m.x1, m.x2]] : []));
    expect(rules).to.deep.equal([
      [0, 0],
      [Math.log(one.interval.low), Math.log(one.interval.high)],
    ]);
  });

  it('are stated as they were meant: turned round as 1 over the number typed', () => {
    const told = (value: number): string => statedEffect({ question: { ...two, value }, unit: 'mm' });
    expect([1.5, 1 / 1.5, 0.5, 1 / 3, 0.8123456, Math.PI].map(told)).to.deep.equal([
      '1.5',
      '1/1.5',
      '0.5',
      '1/3',
      '0.8123456',
      '3.14159265359',
    ]);
    const { effect: _, ...plain } = { ...two, value: 2 };
    expect(statedEffect({ question: plain, unit: 'mm' })).to.match(/^2\smm$/);
  });

  it('stand on a logarithmic axis with the divide line at 1, error bars by factors', () => {
    const table = tableWith([
      [3, 4, 2],
      [1, 2, 5],
    ]);
    const whole = answer(two, table);
    if (!whole.ok) throw new Error(whole.reason);
    const { panels } = groupsLook(whole.value, 700, { sorted: false });
    expect(panels.map((p) => p.x.log)).to.deep.equal([true, true]);
    const line = panels[1]?.marks.find((m) => m.mark === 'rule' && m.name === 'divide-line');
    expect(line).to.include({ x1: 1, x2: 1 });
    const [group] = whole.value.groups;
    const logs = [3, 4, 2].map(Math.log);
    const mean = logs.reduce((s, x) => s + x, 0) / 3;
    const sd = Math.sqrt(logs.reduce((s, x) => s + (x - mean) ** 2, 0) / 2);
    const ends = group && barEnds(group, 'sd', 0.95);
    expect(ends?.low).to.be.closeTo(Math.exp(mean - sd), 1e-12);
    expect(ends?.high).to.be.closeTo(Math.exp(mean + sd), 1e-12);
    const errors = group && barEnds(group, 'sem', 0.95);
    expect(errors?.high).to.be.closeTo(Math.exp(mean + sd / Math.sqrt(3)), 1e-12);
  });
});
