/** The answer under each reasonable method, as a table. */
import { factsOf } from '../analyses/kinds';
import { foremost } from '../answer/foremost';
import type { AlternativeMethod } from '../answering/alternative-methods';
import { choicesOf, tellsRatios } from '../question/choices';
import type { Question } from '../question/question';
import { tellingDecimals } from '../words/numbers';
import { effectPhrases, statisticPhrase, testPhrase } from '../words/phrases';
import { type Cell, type ResultTable, type Row, column, pCell, words } from '../words/tables/result-table';
import { type Text, joined, plain, symbol } from '../words/text';
import { alternativeName } from './method';

const marked = (told: Text): Cell => ({ text: plain(told), told });

/** Each method with its effect, interval and test, in the order they are offered; one that cannot be used says why. */
export function alternativesTable(question: Question, others: readonly AlternativeMethod[]): ResultTable {
  const { testsAlone, follows } = factsOf(question);
  const compared = others.map(({ found }) =>
    found.ok && found.value.comparison.ok ? found.value.comparison.value : undefined,
  );
  const tops = compared.map((comparison) => comparison && foremost(comparison));
  const decimals = tellingDecimals(tops.map((top) => top ?? { estimate: 0 }));
  const tested = question.design !== 'estimate';
  // A unit that all share stands at the head of its column.
  const units = others.map(({ asked, found }, i) => {
    const ranked = compared[i]?.effect === undefined && choicesOf(asked).method === 'ranks';
    // A ratio of means says so itself, beside differences in a unit.
    if (!tops[i] || !found.ok || tellsRatios(asked)) return undefined;
    return tops[i].ratio ? '' : ranked ? 'ranks' : found.value.unit;
  });
  const [one, ...more] = new Set(units.flatMap((u) => u ?? []));
  const shared = more.length === 0 ? (one ?? '') : undefined;
  const row = ({ asked, found }: AlternativeMethod, i: number): Row => {
    const head = [alternativeName(asked)];
    const comparison = compared[i];
    if (!comparison || !found.ok)
      return {
        head,
        cells: [],
        reason: !found.ok ? found.reason : found.value.comparison.ok ? '' : found.value.comparison.reason,
      };
    if (testsAlone)
      return {
        head,
        cells: [
          marked(
            joined(
              comparison.tests.map((t): Text => [`${t.of ?? ''} `, ...testPhrase(t)]),
              '; ',
            ),
          ),
        ],
      };
    const top = tops[i];
    const times = tellsRatios(asked) ? ' times' : '';
    const said = top && effectPhrases(top, shared === undefined ? (units[i] ?? '') : '', asked.level, decimals[i]);
    const [test] = comparison.tests;
    // On one axis only with what is measured alike: ranks and ratios lie on others.
    const own = units[others.findIndex((o) => o.chosen)];
    const drawn = top && units[i] === own && (units[i] !== undefined || times !== '') && comparison.p !== undefined;
    const interval: Cell = {
      text: said?.interval.replace(/^.* CI /, '').replace(/ \(.*\)$/, '') ?? '–',
      ...(top?.interval && shared !== undefined && times === '' ? { value: top.interval } : {}),
    };
    const how = test?.symbol ? marked(statisticPhrase(test)) : words(asked.about === 'value' ? 'permutation' : 'exact');
    return {
      head,
      ...(drawn
        ? {
            effect: {
              estimate: top.estimate,
              interval: top.interval,
              // Of several comparisons one is drawn: it differs or not by its own p, not by that of all together.
              significant: (top.significant ?? comparison.significant) === true,
            },
          }
        : {}),
      cells: [
        {
          text: `${said?.estimate ?? '–'}${times}`,
          ...(top && shared !== undefined && times === '' ? { value: top.estimate } : {}),
        },
        interval,
        ...(tested ? [how, comparison.p === undefined ? words('') : pCell(comparison.p, test?.log10P)] : []),
      ],
    };
  };
  return {
    kind: 'other-methods',
    title: 'Under other methods',
    columns: [
      column('method'),
      ...(testsAlone
        ? [column('tests', { words: true })]
        : [
            column(tested ? 'effect' : 'estimate', shared ? { unit: shared } : {}),
            column('interval', shared ? { unit: shared } : {}),
            ...(tested ? [column('test', { words: true }), column(symbol('p'))] : []),
          ]),
    ],
    rows: others.map(row),
    notes:
      follows === 'by-choice' || follows === 'pairs'
        ? [['The effect is the largest difference of a pair under each method.']]
        : [],
  };
}
