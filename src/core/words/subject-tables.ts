/** The tables that go with an answer about shares, counts or spread. */
import type { Answer } from '../answer/answer';
import type { Effect } from '../answer/comparison';
import { sdInterval } from '../answer/spreads';
import { choicesOf } from '../question/choices';
import { followNames } from './follow-names';
import { between, degreesOfFreedom, effectDecimals, fixed, pValue, percent, significant } from './numbers';

/** A table with a title, a head and rows of text. */
export interface TextTable {
  title: string;
  head: string[];
  rows: string[][];
}

const effectRow = (e: Effect): string[] => [
  e.name,
  fixed(e.estimate, effectDecimals(e)),
  e.interval ? between(e.interval, effectDecimals(e)) : '–',
];

/** Figures of the groups, effects, the test, pairs; of a table of counts its cells. */
export function tablesOfSubject(answer: Answer): TextTable[] {
  const { question, groups, comparison, unit } = answer;
  const level = percent(question.level);
  const tables: TextTable[] = [];
  if (question.about === 'share')
    tables.push({
      title: `Share of ${answer.measure}`,
      head: ['group', 'found', 'of', 'share', `${level} CI`],
      rows: groups.map((g) => [
        g.name,
        String(g.share?.successes ?? 0),
        String(g.n),
        g.share ? fixed(g.share.proportion, 3) : '–',
        g.share ? between(g.share.interval, 3) : '–',
      ]),
    });
  if (question.about === 'spread')
    tables.push({
      title: `Spread of ${answer.measure || 'readings'}`,
      head: ['group', 'n', `SD${unit && ` (${unit})`}`, `${level} CI`, 'variance'],
      rows: groups.map((g) => {
        const ci = sdInterval(g, question.level);
        return [
          g.name,
          String(g.n),
          g.summary ? significant(Math.sqrt(g.summary.variance), 4) : '–',
          ci ? between(ci) : '–',
          g.summary ? significant(g.summary.variance, 4) : '–',
        ];
      }),
    });
  if (!comparison.ok) return tables;
  const { counts, effect, also = [], tests, follow } = comparison.value;
  if (counts && question.about === 'table')
    tables.push({
      title: `Counts of ${answer.measure}, with the counts expected`,
      head: [counts.rowName, ...counts.columns, 'all'],
      rows: counts.observed.map((row, i) => [
        counts.rows[i] ?? '',
        ...row.map((n, j) => `${n} (${fixed(counts.expected[i]?.[j] ?? 0, 1)})`),
        String(row.reduce((a, b) => a + b, 0)),
      ]),
    });
  if (effect)
    tables.push({
      title: 'Effects',
      head: ['effect', 'estimate', `${level} CI`],
      rows: [effect, ...also].map(effectRow),
    });
  tables.push({
    title: 'Test',
    head: ['statistic', 'value', 'df', 'p'],
    rows: tests.map((t) => [
      t.symbol ?? 'exact',
      t.value === undefined ? '' : fixed(t.value, 2),
      t.df.map(degreesOfFreedom).join(', '),
      pValue(t.p),
    ]),
  });
  if (follow?.ok)
    tables.push({
      title: `Comparisons, ${followNames[choicesOf(question).follow]}`,
      head: ['comparison', question.about === 'share' ? 'difference' : 'ratio', `${level} CI`, 'adjusted p'],
      rows: follow.value.flatMap((part) => part.effects.map((e) => [...effectRow(e), pValue(e.p)])),
    });
  return tables;
}
