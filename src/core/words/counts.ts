/** What questions about counts share in words: what was counted, and what was left out of it. */
import { nth } from '../numeric/nth';
import { twiceClause } from './measured';
import { belowClause } from './limits';
import type { Answer } from '../answer/answer';
import type { CountedPart } from '../answer/comparison';
import type { GroupPart } from '../answer/group-part';
import { passes } from '../procedures/interval';
import { choicesOf } from '../question/choices';
import type { Question } from '../question/question';
import type { Named } from '../question/naming';
import { fixed, significant } from './numbers';

export const shareNamed = (named: Named): string => named.measure || 'those found';

/** "18 of 45 (40.0 %)". */
export const countOf = ({ n, share }: GroupPart): string =>
  share ? `${share.successes} of ${n} (${fixed(share.proportion * 100, 1)} %)` : 'none counted';

/** How a p without a curve came about: from all arrangements, or from so many drawn. */
export function arrangementWords({ question: asked, comparison }: Answer): string {
  const [test] = comparison.ok ? comparison.value.tests : [];
  if (!test || test.symbol !== undefined) return '';
  if (test.drawn !== undefined)
    return ` (${test.drawn.toLocaleString('en')} random arrangements, seed ${choicesOf(asked).seed})`;
  return choicesOf(asked).method === 'shuffle' ? ' (all arrangements counted)' : '';
}

/** What was left out of the counts, and what was rounded to be one. */
export function countedClause(answer: Answer): string {
  const { counted, question: asked, groups, only } = answer;
  if (!counted) return '';
  const what = asked.cut === undefined ? 'count' : 'reading';
  const reasons = [...new Set(groups.flatMap((g) => g.readings.aside.map((r) => r.reason)))].filter((r) => r !== '');
  const { aside, half, rounded } = counted;
  const below = belowClause(asked, groups, '').trim();
  const parts = [
    ...(below === '' ? [] : [below]),
    ...(only ? [`Only rows where ${only} were taken.`] : []),
    ...(answer.twice ? [twiceClause(answer).trim()] : []),
    ...(aside > 0 && !asked.withAside
      ? [
          `${aside === 1 ? `One ${what} was` : `${aside} ${what}s were`} set aside before analysis${reasons.length > 0 ? ` (${reasons.join('; ')})` : ''}.`,
        ]
      : []),
    ...(half > 0
      ? [
          `${half === 1 ? 'One row' : `${half} rows`} named one category and not the other, and ${half === 1 ? 'was' : 'were'} left out.`,
        ]
      : []),
    ...(rounded.length > 0 ? [`Percentages were turned into counts (${rounded.slice(0, 4).join('; ')}).`] : []),
    ...(asked.afterLooking && asked.direction !== 'either'
      ? ['The direction was chosen after the counts had been seen.']
      : []),
  ];
  return parts.length > 0 ? ` ${parts.join(' ')}` : '';
}

/** "equal shares" or "9 : 3 : 3 : 1". */
export const ratioWords = ({ ratio }: Question): string =>
  !ratio || ratio.every((r) => r === ratio[0]) ? 'equal shares' : `the ratio ${ratio.join(' : ')}`;

export const rowName = (named: Named): string => named.rowName ?? 'the rows';

/** How a cell says that it departs from what is expected: by a sign. */
export const departs = (residual: number, p: number, level: number): '' | '+' | '−' =>
  !passes(p, level) ? '' : residual > 0 ? '+' : '−';

/** The cells that depart, each in words: "more settled in slate than expected (30 for 22.5)". */
export function departures(counts: CountedPart, level: number): string[] {
  return counts.residuals
    .flatMap((row, i) =>
      row.map((r, j) => ({
        r,
        p: counts.cellP[i]?.[j] ?? 1,
        words: `${r > 0 ? 'more' : 'fewer'} ${nth(counts.columns, j)}${counts.rowName ? ` in ${nth(counts.rows, i)}` : ''} than expected (${nth(nth(counts.observed, i), j)} for ${significant(nth(nth(counts.expected, i), j), 3)})`,
      })),
    )
    .filter(({ p }) => passes(p, level))
    .sort((x, y) => Math.abs(y.r) - Math.abs(x.r))
    .map(({ words }) => words);
}
