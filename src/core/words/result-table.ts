/** The answer as a table for a paper: plain cells, to be copied or written to a file. */
import type { Answer } from '../answer/answer';
import { mostOf } from '../numeric/extremes';
import { meanOf } from '../answer/group-part';
import { choicesOf } from '../question/choices';
import { withUnit } from '../readings/table';
import { type TextTable, tablesOfSubject } from './subject-tables';
import { followNames } from './follow-names';
import {
  between,
  degreesOfFreedom,
  effectDecimals,
  fixed,
  meanDecimals,
  pValue,
  percent,
  significant,
} from './numbers';

/** The tables that go with an answer: figures of the groups or cells, source table, comparisons. */
export function resultTables(answer: Answer): TextTable[] {
  if (answer.question.about) return tablesOfSubject(answer);
  const { question, groups, unit, comparison } = answer;
  const level = percent(question.level);
  const ranks = choicesOf(question).method === 'ranks';
  const tables: TextTable[] = [];
  if (groups.length > 0 && !(comparison.ok && comparison.value.cells))
    tables.push({
      title: withUnit(answer.measure || 'reading', unit),
      head: ['group', 'n', 'mean', 'SD', 'SEM', `${level} CI of the mean`, ...(ranks ? ['median', 'quartiles'] : [])],
      rows: groups.map((g) => {
        const mean = meanOf(g);
        const sd = g.summary && Math.sqrt(g.summary.variance);
        const decimals = meanDecimals(g);
        return [
          g.name,
          String(g.n),
          mean === undefined ? '–' : fixed(mean, decimals),
          sd === undefined ? '–' : fixed(sd, decimals),
          sd === undefined ? '–' : fixed(sd / Math.sqrt(g.n), decimals),
          g.interval ? between(g.interval, decimals) : '–',
          ...(ranks && g.description
            ? [
                fixed(g.description.median, decimals),
                between({ low: g.description.q1, high: g.description.q3 }, decimals),
              ]
            : []),
        ];
      }),
    });
  if (!comparison.ok) return tables;
  const found = comparison.value;
  if (found.cells) {
    const [a, b] = found.cells.factors;
    const decimals = mostOf([0, ...groups.map((g) => g.decimals)]) + 1;
    tables.push({
      title: withUnit(answer.measure || 'reading', unit),
      head: [a.name, b.name, 'n', 'mean', 'SD'],
      rows: found.cells.cells.map((c) => [
        a.levels.find((l) => l.id === c.a)?.name ?? '',
        b.levels.find((l) => l.id === c.b)?.name ?? '',
        String(c.n),
        fixed(c.mean, decimals),
        c.sd === undefined ? '–' : fixed(c.sd, decimals),
      ]),
    });
  }
  if (found.table)
    tables.push({
      title: 'Analysis of variance',
      head: ['source', 'sum of squares', 'df', 'mean square', 'F', 'p'],
      rows: found.table.map((l) => [
        l.source,
        significant(l.ss, 5),
        degreesOfFreedom(l.df),
        l.ms === undefined ? '' : significant(l.ms, 5),
        l.f === undefined ? '' : fixed(l.f, 2),
        l.p === undefined ? '' : pValue(l.corrected ?? l.p),
      ]),
    });
  if (found.effect) {
    const { effect, tests } = found;
    const [test] = tests;
    const decimals = effectDecimals(effect);
    tables.push({
      title: 'Difference',
      head: ['difference', `estimate${unit && ` (${unit})`}`, `${level} CI`, test?.symbol ?? '', 'df', 'p'],
      rows: [
        [
          effect.name,
          fixed(effect.estimate, decimals),
          effect.interval ? between(effect.interval, decimals) : '–',
          test?.value === undefined ? '' : fixed(test.value, 2),
          test?.df.map(degreesOfFreedom).join(', ') ?? '',
          pValue(found.p),
        ],
      ],
    });
  }
  if (found.follow?.ok) {
    const { follow, method } = choicesOf(question);
    const of = method === 'ranks' ? ' (mean ranks)' : unit && ` (${unit})`;
    tables.push({
      title: `Comparisons, ${followNames[follow]}`,
      head: ['comparison', `difference${of}`, `${level} CI`, follow === 'unadjusted' ? 'p' : 'adjusted p'],
      rows: found.follow.value.flatMap((part) =>
        part.effects.map((e) => [
          part.within === undefined ? e.name : `${e.name}, ${part.within}`,
          fixed(e.estimate, effectDecimals(e)),
          e.interval ? between(e.interval, effectDecimals(e)) : '–',
          pValue(e.p),
        ]),
      ),
    });
  }
  return tables;
}
