/**
 * The reference cases once more, asked as a person would: typed into a table's cells as texts, asked by a question, read
 * off the answer. What the procedures get right must arrive.
 */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { answer } from '../../src/core/answering/answer';
import type { Comparison, Effect } from '../../src/core/answer/comparison';
import { type Question, defaultQuestion, questionOf } from '../../src/core/question/question';
import { type Column, type Role, type Table, emptyColumn, tableOf } from '../../src/core/readings/table';
import { checkCases } from '../reference/check';
import { type Given, groups, number, values } from '../reference/given';

const column = (id: string, role: Role, cells: readonly (number | string)[]): Column => ({
  ...emptyColumn(id, id, '', role),
  cells: cells.map(String),
});
const wide = (lists: Record<string, readonly number[]>, more: Partial<Table> = {}): Table => {
  const rows = Math.max(...Object.values(lists).map((l) => l.length));
  const filled = (list: readonly number[]) => Array.from({ length: rows }, (_, i) => list[i] ?? '');
  return tableOf(
    Object.entries(lists).map(([id, list]) => column(id, 'measure', filled(list))),
    more,
  );
};
const two = (given: Given): Table => wide({ a: values(given, 'a'), b: values(given, 'b') });
const several = (given: Given): Table => wide(Object.fromEntries(groups(given)));
const byRows = (given: Given, more: Partial<Table> = {}): Table => {
  const rows = given['rows'] as number[][];
  return wide(Object.fromEntries((rows[0] ?? []).map((_, k) => [`c${k + 1}`, rows.map((r) => r[k] ?? NaN)])), more);
};
const countsOf = (lines: readonly (readonly number[])[]): Table =>
  tableOf(
    [
      column(
        'row',
        'group',
        lines.map((_, i) => `r${i + 1}`),
      ),
      ...(lines[0] ?? []).map((_, j) =>
        column(
          `c${j + 1}`,
          'count',
          lines.map((line) => line[j] ?? 0),
        ),
      ),
    ],
    { shape: 'counts' },
  );

function asked(question: Question, table: Table): Comparison {
  const found = answer(question, table);
  if (!found.ok) throw new Error(found.reason);
  if (!found.value.comparison.ok) throw new Error(found.value.comparison.reason);
  return found.value.comparison.value;
}
const level = (given: Given): Partial<Question> =>
  given['level'] === undefined ? {} : { level: number(given, 'level') };
/** p in each direction, each asked by a question of its own. */
const everyWay = (question: Question, table: Table) => ({
  p_two_sided: asked(question, table).p,
  p_greater: asked({ ...question, direction: 'greater' }, table).p,
  p_less: asked({ ...question, direction: 'less' }, table).p,
});

const tTest = (given: Given, more: Partial<Question>, table = two(given)) => {
  const question = { ...defaultQuestion('a', 'b'), ...level(given), ...more };
  const { effect } = asked(question, table);
  return {
    difference: effect?.estimate,
    mean_difference: effect?.estimate,
    se: effect?.se,
    t: effect?.statistic?.value,
    df: effect?.df,
    ci_low: effect?.interval?.low,
    ci_high: effect?.interval?.high,
    ...everyWay(question, table),
  };
};
interface Reported {
  mean: number;
  sd: number;
  n: number;
}
const reported = (given: Given): Table => {
  const figures = [given['a'], given['b']] as Reported[];
  return tableOf(
    [
      column('name', 'group', ['a', 'b']),
      column(
        'mean',
        'measure',
        figures.map((f) => f.mean),
      ),
      column(
        'sd',
        'spread',
        figures.map((f) => f.sd),
      ),
      column(
        'n',
        'count',
        figures.map((f) => f.n),
      ),
    ],
    { shape: 'summary', spread: 'sd' },
  );
};

const followed = (given: Given, more: Partial<Question>): Effect[] => {
  const { follow } = asked(questionOf('several', { spread: 'pooled', ...level(given), ...more }), several(given));
  if (!follow?.ok) throw new Error('no comparisons follow');
  return follow.value.flatMap((part) => part.effects);
};
/** A pair's figures, whichever way round it was named. */
const pairsOf = (effects: readonly Effect[]) =>
  effects.map(({ pair, estimate, statistic, df, p, interval, smallest }) => ({
    minimum_significant_difference: smallest,
    pair,
    difference: estimate,
    ...(statistic?.symbol === 'q' ? { q: Math.abs(statistic.value) } : { t: statistic?.value }),
    df,
    p,
    ci_low: interval?.low,
    ci_high: interval?.high,
  }));
/** Pairs against what is expected, key by key: lists of pairs are compared whole elsewhere. */
const inOrder = (given: Given, more: Partial<Question>) => followed(given, more).map((e) => e.p);

const asking: Record<string, (given: Given) => unknown> = {
  'means.welch_t': (given) => tTest(given, {}),
  'means.pooled_t': (given) => tTest(given, { spread: 'pooled' }),
  'means.welch_t_from_summary': (given) => tTest(given, { value: number(given, 'null_difference') }, reported(given)),
  'means.pooled_t_from_summary': (given) =>
    tTest(given, { spread: 'pooled', value: number(given, 'null_difference') }, reported(given)),
  'means.paired_t': (given) => tTest(given, { design: 'paired' }),
  'spread.f_test': (given) => {
    const question: Question = { ...defaultQuestion('a', 'b'), ...level(given), about: 'spread', method: 'f' };
    const { tests } = asked(question, two(given));
    return { f: tests[0]?.value, df1: tests[0]?.df[0], df2: tests[0]?.df[1], ...everyWay(question, two(given)) };
  },
  'spread.levene': (given) => {
    const by = (method: Question['method']) =>
      asked(questionOf('several', { about: 'spread', ...(method ? { method } : {}) }), several(given));
    const [mean, median, bartlett] = [by('levene'), by('brown-forsythe'), by('bartlett')];
    return {
      f_mean: mean.tests[0]?.value,
      p_mean: mean.p,
      f_median: median.tests[0]?.value,
      p_median: median.p,
      bartlett: bartlett.tests[0]?.value,
      bartlett_p: bartlett.p,
    };
  },
  'anova.one_way': (given) => {
    const {
      table = [],
      pooledSd,
      sizes,
    } = asked(questionOf('several', { spread: 'pooled', ...level(given) }), several(given));
    const [between, within, total] = table;
    const size = (i: number) => (sizes[i]?.ok ? sizes[i].value.value : undefined);
    return {
      ss_between: between?.ss,
      ss_within: within?.ss,
      ss_total: total?.ss,
      df_between: between?.df,
      df_within: within?.df,
      df_total: total?.df,
      ms_between: between?.ms,
      ms_within: within?.ms,
      f: between?.f,
      p: between?.p,
      residual_sd: pooledSd,
      eta_squared: size(0),
      omega_squared: size(1),
    };
  },
  'anova.welch_one_way': (given) => {
    const { tests, p } = asked(questionOf('several', { spread: 'separate' }), several(given));
    return { f: tests[0]?.value, df1: tests[0]?.df[0], df2: tests[0]?.df[1], p };
  },
  'posthoc.tukey_kramer': (given) => ({ pairs: pairsOf(followed(given, {})) }),
  'posthoc.games_howell': (given) => ({ pairs: pairsOf(followed(given, { spread: 'separate' })) }),
  'posthoc.dunnett': (given) => ({
    pairs: pairsOf(followed(given, { compare: 'control', control: String(given['control']) })),
  }),
  'posthoc.adjusted_p': (given) => ({
    unadjusted: inOrder(given, { follow: 'unadjusted' }),
    bonferroni: inOrder(given, { follow: 'bonferroni' }),
    holm: inOrder(given, { follow: 'holm' }),
    sidak: inOrder(given, { follow: 'sidak' }),
    benjamini_hochberg: inOrder(given, { follow: 'benjamini-hochberg' }),
    scheffe: inOrder(given, { follow: 'scheffe' }),
  }),
  'anova.two_way': (given) => {
    const names = given['columns'] as string[];
    const rows = given['rows'] as (string | number)[][];
    const cells = (name: string) => rows.map((r) => r[names.indexOf(name)] ?? '');
    const table = tableOf(
      [column('a', 'group', cells('a')), column('b', 'group', cells('b')), column('y', 'measure', cells('y'))],
      {
        shape: 'rows',
      },
    );
    return Object.fromEntries(
      ([1, 2, 3] as const).map((sums) => {
        const [a, b, interaction, residual] =
          asked(questionOf('factorial', { by: 'a', by2: 'b', sums }), table).table ?? [];
        return [`type${sums}`, { a, b, interaction, residual: { ss: residual?.ss, df: residual?.df } }];
      }),
    );
  },
  'anova.repeated_measures': (given) => {
    const found = asked(questionOf('repeated', { sphericity: 'assumed' }), byRows(given, { shape: 'repeated' }));
    const corrected = asked(questionOf('repeated'), byRows(given, { shape: 'repeated' }));
    const lines = found.table ?? [];
    const line = lines.find((l) => l.f !== undefined);
    return {
      ss_condition: line?.ss,
      df_condition: line?.df,
      f: line?.f,
      p: found.p,
      epsilon_gg: found.epsilon?.greenhouseGeisser,
      p_gg: corrected.p,
    };
  },
  'ranks.mann_whitney': (given) => {
    const { tests, p, reference } = asked({ ...defaultQuestion('a', 'b'), method: 'ranks' }, two(given));
    // An answer counts where it can; cases that ask for the normal curve there are the procedure's alone.
    const counted = reference?.[0]?.distribution === 'rank-sum';
    return counted && given['method'] === 'exact' ? { u_a: tests[0]?.value, p_two_sided: p } : {};
  },
  'ranks.kruskal_wallis': (given) => {
    const { tests, p } = asked(questionOf('several', { method: 'ranks' }), several(given));
    return { h: tests[0]?.value, df: tests[0]?.df[0], p };
  },
  'ranks.kruskal_wallis_exact': (given) => {
    const lists = Object.fromEntries((given['groups'] as number[][]).map((g, i) => [`g${i + 1}`, g]));
    return { p: asked(questionOf('several', { method: 'ranks' }), wide(lists)).p };
  },
  'ranks.friedman_exact': (given) => ({
    p: asked(questionOf('repeated', { method: 'ranks' }), byRows(given, { shape: 'repeated' })).p,
  }),
  'ranks.friedman': (given) => {
    const { tests, p } = asked(questionOf('repeated', { method: 'ranks' }), byRows(given, { shape: 'repeated' }));
    return { chi2: tests[0]?.value, df: tests[0]?.df[0], p };
  },
  'proportion.one_sample': (given) => {
    const [found, n] = [number(given, 'successes'), number(given, 'n')];
    const table = countsOf([[found, n - found]]);
    const base: Question = questionOf('one-sample', {
      about: 'share',
      found: 'c1',
      a: 'r1',
      value: number(given, 'null_proportion'),
      ...level(given),
    });
    const interval = (shareInterval: Question['shareInterval']) =>
      asked({ ...base, ...(shareInterval ? { shareInterval } : {}) }, table).effect?.interval;
    const { tests, effect } = asked(base, table);
    return {
      proportion: effect?.estimate,
      z: tests[0]?.value,
      ...everyWay(base, table),
      wilson_low: interval('wilson')?.low,
      wilson_high: interval('wilson')?.high,
      wald_low: interval('wald')?.low,
      wald_high: interval('wald')?.high,
      clopper_pearson_low: interval('clopper-pearson')?.low,
      clopper_pearson_high: interval('clopper-pearson')?.high,
    };
  },
  'proportion.two_samples': (given) => {
    const lines = [given['a'], given['b']].map((x) => {
      const { successes, n } = x as { successes: number; n: number };
      return [successes, n - successes];
    });
    const base: Question = questionOf('two-groups', { about: 'share', found: 'c1', a: 'r1', b: 'r2', ...level(given) });
    const by = (effect: 'ratio' | 'odds') => asked({ ...base, effect }, countsOf(lines)).effect;
    const { effect, tests } = asked(base, countsOf(lines));
    return {
      difference: effect?.estimate,
      newcombe_low: effect?.interval?.low,
      newcombe_high: effect?.interval?.high,
      z: tests[0]?.value,
      ...everyWay(base, countsOf(lines)),
      odds_ratio: by('odds')?.estimate,
      odds_ratio_low: by('odds')?.interval?.low,
      odds_ratio_high: by('odds')?.interval?.high,
      risk_ratio: by('ratio')?.estimate,
      risk_ratio_low: by('ratio')?.interval?.low,
      risk_ratio_high: by('ratio')?.interval?.high,
      fisher_p_two_sided: asked({ ...base, method: 'exact' }, countsOf(lines)).p,
    };
  },
  'counts.independence': (given) => {
    const table = countsOf(given['table'] as number[][]);
    const found = asked(questionOf('several', { about: 'table' }), table);
    const g = asked(questionOf('several', { about: 'table', method: 'g' }), table);
    return {
      chi2: found.tests[0]?.value,
      df: found.tests[0]?.df[0],
      p: found.p,
      g: g.tests[0]?.value,
      g_p: g.p,
      expected: found.counts?.expected,
      smallest_expected: found.counts?.smallest,
      adjusted_residuals: found.counts?.residuals,
      cramers_v: found.sizes[0]?.ok ? found.sizes[0].value.value : undefined,
    };
  },
  'counts.goodness_of_fit': (given) => {
    const observed = given['observed'] as number[];
    const table = tableOf(
      [
        column(
          'form',
          'group',
          observed.map((_, i) => `f${i + 1}`),
        ),
        column('count', 'count', observed),
      ],
      { shape: 'counts' },
    );
    const { tests, p } = asked(
      questionOf('one-sample', { about: 'table', ratio: given['proportions'] as number[] }),
      table,
    );
    return { chi2: tests[0]?.value, df: tests[0]?.df[0], p };
  },
  'counts.mcnemar': (given) => {
    const [[both, back], [on, none]] = given['table'] as [[number, number], [number, number]];
    const rows = [
      ...new Array<[string, string]>(both).fill(['yes', 'yes']),
      ...new Array<[string, string]>(back).fill(['yes', 'no']),
      ...new Array<[string, string]>(on).fill(['no', 'yes']),
      ...new Array<[string, string]>(none).fill(['no', 'no']),
    ];
    const table = tableOf(
      [
        column(
          'before',
          'group',
          rows.map(([x]) => x),
        ),
        column(
          'after',
          'group',
          rows.map(([, y]) => y),
        ),
      ],
      { shape: 'categories' },
    );
    const base = questionOf('paired', { about: 'share', found: 'yes' });
    const found = asked(base, table);
    return { chi2: found.tests[0]?.value, chi2_p: found.p, exact_p: asked({ ...base, method: 'exact' }, table).p };
  },
  'shuffle.two_groups_mean_exact': (given) => {
    const question: Question = { ...defaultQuestion('a', 'b'), method: 'shuffle' };
    const { effect, shuffled } = asked(question, two(given));
    return {
      observed: effect?.estimate,
      arrangements: shuffled?.arrangements,
      ...everyWay(question, two(given)),
    };
  },
};

describe('reference cases, typed and asked', () => {
  const lines = checkCases(readFileSync(new URL('../reference/cases.json', import.meta.url), 'utf8'), asking, true);
  for (const line of lines.filter((l) => l.built))
    it(`${line.procedure}: ${line.compared} numbers of ${line.cases} cases arrive`, () => {
      expect(line.misses).to.deep.equal([]);
    });
  it('leave little out', () => {
    expect(lines.reduce((n, l) => n + l.compared, 0)).to.be.greaterThan(500);
  });
});
