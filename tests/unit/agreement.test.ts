/** What must hold of any answer, whatever its readings: no reference is needed to see it broken. */
import { followUps } from '../../src/core/question/options';
import { expect } from 'chai';
import fc from 'fast-check';
import { answer } from '../../src/core/answering/answer';
import type { Comparison } from '../../src/core/answer/comparison';
import { type Question, questionOf } from '../../src/core/question/question';
import { type Table, emptyColumn, tableOf } from '../../src/core/readings/table';

const columns = (groups: readonly (readonly number[])[], shape: Table['shape'] = 'columns'): Table =>
  tableOf(
    groups.map((g, k) => ({ ...emptyColumn(`g${k}`, `Group ${k}`, 'mm'), cells: g.map(String) })),
    { shape },
  );
const asked = (design: Question['design'], more: Partial<Question> = {}): Question =>
  questionOf(design, { a: 'g0', ...(design === 'one-sample' ? {} : { b: 'g1' }), ...more });
const found = (question: Question, table: Table): Comparison | undefined => {
  const given = answer(question, table);
  return given.ok && given.value.comparison.ok ? given.value.comparison.value : undefined;
};
const near = (x: number | undefined, y: number | undefined, relative = 1e-8): void => {
  const [a, b] = [x ?? NaN, y ?? NaN];
  expect(Math.abs(a - b), `${a} and ${b}`).to.be.at.most(relative * Math.max(Math.abs(a), Math.abs(b)) + 1e-12);
};

/** Readings with two decimals, as people have them. */
const reading = fc.integer({ min: -9_999, max: 9_999 }).map((n) => n / 100);
const group = (least: number, most: number) => fc.array(reading, { minLength: least, maxLength: most });
const groups = (count: number, least = 3, most = 9) =>
  fc.array(group(least, most), { minLength: count, maxLength: count });
const level = fc.constantFrom(0.8, 0.9, 0.95, 0.99);

const ofMeans: { name: string; design: 'one-sample' | 'two-groups' | 'paired'; more: Partial<Question> }[] = [
  { name: 'one group against a value', design: 'one-sample', more: { value: 12.5 } },
  {
    name: 'one group, its population’s SD known',
    design: 'one-sample',
    more: { value: 12.5, method: 'z', knownSd: 30 },
  },
  { name: 'two groups with a spread each', design: 'two-groups', more: { spread: 'separate' } },
  { name: 'two groups with one spread', design: 'two-groups', more: { spread: 'pooled' } },
  { name: 'two groups against a difference', design: 'two-groups', more: { value: -7.5 } },
  { name: 'two groups, their SDs known', design: 'two-groups', more: { value: 2, method: 'z', knownSd: 30 } },
  { name: 'pairs', design: 'paired', more: {} },
];
const two = fc.integer({ min: 3, max: 9 }).chain((n) => fc.tuple(group(n, n), group(n, n)));

describe('interval and p of means', () => {
  for (const { name, design, more } of ofMeans) {
    it(`agree for ${name}: the interval leaves the value out just where p is below 1 − level`, () =>
      fc.assert(
        fc.property(two, level, ([x, y], at) => {
          const comparison = found(asked(design, { ...more, level: at }), columns([x, y]));
          if (!comparison?.effect?.interval) return;
          const { effect, p = NaN } = comparison;
          // The effect of one group is told as its distance from the value.
          const none = design === 'one-sample' ? 0 : (more.value ?? 0);
          const { low, high } = effect.interval!;
          expect(low < none && none < high, `${low} to ${high}, p ${p}`).to.equal(p > 1 - at);
          expect(effect.estimate).to.be.within(low, high);
        }),
      ));

    it(`and ${name} tell the same either way round, in any unit, in any order of the rows`, () =>
      fc.assert(
        fc.property(two, fc.integer({ min: 2, max: 9 }), fc.integer({ min: -50, max: 50 }), ([x, y], by, far) => {
          const plain = asked(design, more);
          const first = found(plain, columns([x, y]));
          if (!first) return;
          // Greater and less share what there is; two-sided is twice the smaller.
          const p = (direction: 'greater' | 'less'): number => found({ ...plain, direction }, columns([x, y]))!.p!;
          near(p('greater') + p('less'), 1);
          near(first.p, Math.min(1, 2 * Math.min(p('greater'), p('less'))));
          // Another unit, another zero.
          const turned = (v: number): number => Number((by * v + far).toFixed(2));
          const value =
            more.value === undefined ? {} : { value: by * more.value + (design === 'one-sample' ? far : 0) };
          const known = more.knownSd === undefined ? {} : { knownSd: by * more.knownSd };
          const other = found({ ...plain, ...value, ...known }, columns([x.map(turned), y.map(turned)]))!;
          near(other.p, first.p);
          near(other.tests[0]?.value, first.tests[0]?.value);
          near(other.effect?.estimate, by * first.effect!.estimate, 1e-7);
          // Rows in another order; of pairs, both ends together.
          const back = found(plain, columns([[...x].reverse(), [...y].reverse()]))!;
          near(back.p, first.p);
          near(back.effect?.interval?.low, first.effect?.interval?.low);
          if (design === 'one-sample') return;
          const round = found({ ...plain, a: 'g1', b: 'g0', value: -(more.value ?? 0) }, columns([x, y]))!;
          near(round.effect?.estimate, -first.effect!.estimate);
          near(round.effect?.interval?.low, -first.effect!.interval!.high);
          near(round.p, first.p);
        }),
        { numRuns: 60 },
      ));
  }
});

describe('comparisons judged together', () => {
  const holding = ['tukey', 'dunnett', 'bonferroni', 'sidak', 'scheffe'] as const;
  it('have intervals that leave 0 out just where the adjusted p is below 1 − level', () =>
    fc.assert(
      fc.property(groups(4), level, fc.constantFrom(...holding, 'games-howell' as const), (all, at, follow) => {
        const comparison = found(
          asked('several', {
            level: at,
            follow,
            spread: follow === 'games-howell' ? 'separate' : 'pooled',
            ...(follow === 'dunnett' ? { compare: 'control', control: 'g0' } : {}),
          }),
          columns(all),
        );
        if (!comparison?.follow?.ok) return;
        for (const { interval, p, name, estimate } of comparison.follow.value[0]!.effects) {
          if (!interval || Math.abs(p - (1 - at)) < 1e-6) continue;
          expect(interval.low < 0 && 0 < interval.high, `${follow}, ${name}: p ${p}`).to.equal(p > 1 - at);
          expect(estimate).to.be.within(interval.low, interval.high);
        }
      }),
      { numRuns: 60 },
    ));

  it('are never surer together than alone, and the more cautious never below the sharper', () =>
    fc.assert(
      fc.property(groups(4), (all) => {
        const p = Object.fromEntries(
          followUps.map((follow) => {
            const part = found(asked('several', { follow, spread: 'pooled' }), columns(all))?.follow;
            return [follow, part?.ok ? part.value[0]!.effects.map((e) => e.p) : []];
          }),
        );
        const order = [
          ['unadjusted', 'benjamini-hochberg'],
          ['benjamini-hochberg', 'holm'],
          ['holm', 'bonferroni'],
          ['sidak', 'bonferroni'],
          ['unadjusted', 'tukey'],
          ['tukey', 'sidak'],
          ['tukey', 'scheffe'],
        ] as const;
        for (const [sharper, cautious] of order)
          p[sharper]!.forEach((x, i) =>
            expect(x, `${sharper} and ${cautious}`).to.be.at.most((p[cautious]?.[i] ?? 1) * (1 + 1e-7) + 1e-12),
          );
      }),
      { numRuns: 40 },
    ));
});

describe('tests that are one test in two dresses', () => {
  it('two groups: F of the analysis is t squared, Tukey’s p is t’s, and so is Dunnett’s', () =>
    fc.assert(
      fc.property(groups(2), (pair) => {
        const t = found(asked('two-groups', { spread: 'pooled' }), columns(pair));
        const table = columns(pair);
        const several = found(asked('several', { spread: 'pooled' }), table);
        if (!t || !several) return;
        near(several.tests[0]?.value, t.tests[0]!.value! ** 2);
        near(several.p, t.p);
        for (const more of [{ follow: 'tukey' }, { compare: 'control', control: 'g1' }] as const) {
          const follow = found(asked('several', { spread: 'pooled', ...more }), table)?.follow;
          if (follow?.ok) near(follow.value[0]!.effects[0]?.p, t.p, 1e-6);
        }
        const welch = found(asked('two-groups', { spread: 'separate' }), table);
        const separate = found(asked('several', { spread: 'separate' }), table);
        near(separate?.tests[0]?.value, welch!.tests[0]!.value! ** 2);
        near(separate?.p, welch?.p);
      }),
      { numRuns: 60 },
    ));

  it('two conditions: F throughout is the t of pairs squared, whatever the correction', () =>
    fc.assert(
      fc.property(two, fc.constantFrom('assumed' as const, 'greenhouse-geisser' as const), ([x, y], sphericity) => {
        const t = found(asked('paired'), columns([x, y]));
        const within = found(asked('repeated', { sphericity }), columns([x, y], 'repeated'));
        if (!t || !within) return;
        near(within.tests[0]?.value, t.tests[0]!.value! ** 2);
        near(within.p, t.p);
      }),
      { numRuns: 60 },
    ));

  it('counts: chi-square of a two by two table is z squared, and Fisher’s p is the same for table and shares', () =>
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 4, maxLength: 4 }), (n) => {
        const table = tableOf(
          [
            { ...emptyColumn('by', 'surface', '', 'group'), cells: ['slate', 'shell'] },
            { ...emptyColumn('yes', 'settled', '', 'count'), cells: [String(n[0]), String(n[1])] },
            { ...emptyColumn('no', 'bare', '', 'count'), cells: [String(n[2]), String(n[3])] },
          ],
          { shape: 'counts' },
        );
        const share = { about: 'share', found: 'yes', a: 'slate', b: 'shell' } as const;
        const z = found(questionOf('two-groups', { ...share, method: 'score' }), table)!;
        const square = found(questionOf('several', { about: 'table', method: 'chi-square' }), table)!;
        near(square.tests[0]?.value, z.tests[0]!.value! ** 2);
        near(square.p, z.p);
        const exact = found(questionOf('two-groups', { ...share, method: 'exact' }), table)!;
        near(found(questionOf('several', { about: 'table', method: 'exact' }), table)!.p, exact.p);
      }),
      { numRuns: 80 },
    ));
});

describe('interval and p of shares and spreads', () => {
  const one = fc.integer({ min: 4, max: 60 }).chain((n) => fc.tuple(fc.integer({ min: 0, max: n }), fc.constant(n)));
  const counted = ([k, n]: readonly [number, number]): Table =>
    tableOf(
      [
        { ...emptyColumn('by', 'surface', '', 'group'), cells: ['slate'] },
        { ...emptyColumn('yes', 'settled', '', 'count'), cells: [String(k)] },
        { ...emptyColumn('no', 'bare', '', 'count'), cells: [String(n - k)] },
      ],
      { shape: 'counts' },
    );
  const share = (more: Partial<Question>): Question =>
    questionOf('one-sample', { about: 'share', found: 'yes', a: 'slate', ...more });

  it('agree where they are made for each other: Wilson’s with the large-sample test, Clopper and Pearson’s with the exact one', () =>
    fc.assert(
      fc.property(one, level, fc.constantFrom(0.1, 0.3, 0.5, 0.85), (given, at, value) => {
        const table = counted(given);
        const wilson = found(share({ value, level: at, method: 'score', shareInterval: 'wilson' }), table)!;
        const { low, high } = wilson.effect!.interval!;
        if (Math.abs(wilson.p! - (1 - at)) > 1e-9) expect(low < value && value < high).to.equal(wilson.p! > 1 - at);
        const exact = (direction: 'greater' | 'less'): number =>
          found(share({ value, level: at, method: 'exact', direction }), table)!.p!;
        const sure = found(share({ value, level: at, method: 'exact', shareInterval: 'clopper-pearson' }), table)!;
        const alpha = (1 - at) / 2;
        const [more, less] = [exact('greater'), exact('less')];
        if (Math.abs(more - alpha) > 1e-9) expect(sure.effect!.interval!.low > value).to.equal(more < alpha);
        if (Math.abs(less - alpha) > 1e-9) expect(sure.effect!.interval!.high < value).to.equal(less < alpha);
      }),
      { numRuns: 150 },
    ));

  it('agree for one SD and for two, and two tell the same either way round', () =>
    fc.assert(
      fc.property(two, level, ([x, y], at) => {
        const table = columns([x, y]);
        const about = { about: 'spread', level: at } as const;
        const single = found(asked('one-sample', { ...about, value: 30 }), table);
        if (single?.effect?.interval && Math.abs(single.p! - (1 - at)) > 1e-9) {
          const { low, high } = single.effect.interval;
          expect(low < 30 && 30 < high, `${low} to ${high}, p ${single.p!}`).to.equal(single.p! > 1 - at);
        }
        const pair = found(asked('two-groups', { ...about, method: 'f' }), table);
        if (!pair?.effect?.interval) return;
        const { low, high } = pair.effect.interval;
        if (Math.abs(pair.p! - (1 - at)) > 1e-9)
          expect(low < 1 && 1 < high, `${low} to ${high}, p ${pair.p!}`).to.equal(pair.p! > 1 - at);
        const round = found({ ...asked('two-groups', { ...about, method: 'f' }), a: 'g1', b: 'g0' }, table)!;
        near(round.p, pair.p);
        near(round.effect!.estimate, 1 / pair.effect.estimate);
        near(round.effect!.interval!.low, 1 / high);
      }),
      { numRuns: 80 },
    ));
});
