/** What was found: the difference, its tests, the sources of variance, the comparisons that follow. */
import type { Answer } from '../../answer/answer';
import type { Comparison, Effect, FollowUpPart, SourceLine, Test } from '../../answer/comparison';
import { alphaOf } from '../../procedures/interval';
import { choicesOf } from '../../question/choices';
import { followNames } from '../follow-names';
import { between, degreesOfFreedom, effectDecimals, fixed, percent, significant } from '../numbers';
import { type Text, symbol, text } from '../text';
import {
  type Cell,
  type Column,
  type ResultTable,
  column,
  empty,
  figures,
  interval,
  number,
  pCell,
  statistic,
  words,
} from './result-table';

/** Decimals for an effect in a table: one more than in a sentence. */
export const tableDecimals = (effect: Effect): number => effectDecimals(effect) + 1;

const p = column(symbol('p'));
const degrees = ({ df }: Test): Cell => words(df.map(degreesOfFreedom).join(', '));

/** The p of a test, and how far the arrangements drawn leave it uncertain. */
function pOf(test: Pick<Test, 'p' | 'log10P' | 'pInterval'>): Cell {
  const { below, ...cell } = pCell(test.p, test.log10P);
  const drawn =
    test.pInterval &&
    `${significant(test.pInterval.low, 2)} to ${significant(test.pInterval.high, 2)} for the shuffles drawn`;
  const told = [below, drawn].filter((x) => x !== undefined).join('; ');
  return told === '' ? cell : { ...cell, below: told };
}

/** What a one-sided question may say of the difference beside its two-sided interval. */
function boundNote({ question, unit }: Answer, { bounds, effect }: Comparison, decimals: number): Text[] {
  if (!bounds || question.direction === 'either') return [];
  const bound =
    question.direction === 'greater'
      ? `at least ${fixed(bounds.low, decimals)}`
      : `at most ${fixed(bounds.high, decimals)}`;
  return [
    [
      `The interval is two-sided. The one-sided statement at ${percent(question.level)}: the ${effect?.ratio ? 'ratio' : 'difference'} is ${bound}${effect?.ratio ? '' : unit && ` ${unit}`}.`,
    ],
  ];
}

/** The one difference asked about, with its test. */
export function differenceTable(answer: Answer, comparison: Comparison, effect: Effect, p: number): ResultTable {
  const { question, unit, groups } = answer;
  const decimals = tableDecimals(effect);
  const [test] = comparison.tests;
  const [title, of] = effect.ratio
    ? ['Ratio', 'geometric means']
    : ['Difference', choicesOf(question).method === 'ranks' ? 'shift' : 'means'];
  const first = groups[0]?.name ?? '';
  const way = { either: 'two-sided', greater: `${first} greater`, less: `${first} less` }[question.direction];
  const cells: [Column, Cell][] = [
    [effect.ratio ? column('ratio') : column('difference', { unit }), number(effect.estimate, decimals)],
    ...(effect.se === undefined ? [] : [[column('standard error'), number(effect.se, decimals)] as [Column, Cell]]),
    [column(`${percent(question.level)} CI`), interval(effect.interval, decimals)],
    ...(test?.symbol ? [[column(symbol(test.symbol)), statistic(test.value)] as [Column, Cell]] : []),
    ...(test && test.df.length > 0 ? [[column('df'), degrees(test)] as [Column, Cell]] : []),
    [column(text`${symbol('p')}, ${way}`), pOf({ ...test, p })],
  ];
  return {
    kind: 'difference',
    title,
    columns: [column(of), ...cells.map(([heading]) => heading)],
    rows: [{ head: [effect.name], cells: cells.map(([, cell]) => cell) }],
    notes: boundNote(answer, comparison, decimals),
  };
}

/** The source table of an analysis of variance, its total included. */
export function sourceTable(
  lines: readonly SourceLine[],
  pooledSd: number | undefined,
  of: Pick<Answer, 'logs' | 'covariate' | 'block'>,
): ResultTable {
  const logs = of.logs !== undefined;
  const corrected = lines.some((l) => l.corrected !== undefined && l.corrected !== l.p);
  const eta = lines.some((l) => l.partialEta);
  const there = <T>(x: T | undefined, cell: (x: T) => Cell): Cell => (x === undefined ? empty : cell(x));
  return {
    kind: 'source',
    title: `Analysis of ${of.covariate === undefined ? 'variance' : 'covariance'}${logs ? ' of the logarithms' : ''}`,
    columns: [
      column('source'),
      column('sum of squares'),
      column('df'),
      column('mean square'),
      column(symbol('F')),
      p,
      ...(corrected ? [column(text`${symbol('p')}, corrected`)] : []),
      ...(eta ? [column('partial η² (CI)')] : []),
    ],
    rows: lines.map((line) => ({
      head: [line.source],
      cells: [
        figures(line.ss, 5),
        words(degreesOfFreedom(line.df)),
        there(line.ms, (ms) => figures(ms, 5)),
        there(line.f, statistic),
        there(line.p, pCell),
        ...(corrected ? [there(line.corrected, pCell)] : []),
        ...(eta
          ? [
              there(line.partialEta, ({ value, interval: ci }) => ({
                text: `${fixed(value, 2)}${ci.ok ? ` (${between(ci.value, 2)})` : ''}`,
                value,
              })),
            ]
          : []),
      ],
      ...(line.kind === 'total' ? { weight: 'total' as const } : {}),
    })),
    notes:
      of.covariate !== undefined || of.block !== undefined
        ? [['Each line is what it adds to the others, so that they need not sum to the total.']]
        : pooledSd === undefined
          ? []
          : [
              [
                `Pooled SD${logs ? ' of the logarithms' : ''} ${significant(pooledSd, 4)}: the spread the groups share.`,
              ],
            ],
  };
}

/** The effect asked for, and the same by other measures or intervals. */
export function effectTable({ question }: Answer, comparison: Comparison, effects: readonly Effect[]): ResultTable {
  const tested = comparison.p !== undefined;
  return {
    kind: 'effects',
    title: tested ? 'Effects' : 'Estimate',
    columns: [
      column(tested ? 'effect' : 'of'),
      column('estimate'),
      column(`${percent(question.level)} CI`),
      ...(tested ? [p] : []),
    ],
    rows: effects.map((e, i) => {
      const decimals = Math.min(6, tableDecimals(e));
      return {
        head: [e.name],
        cells: [
          number(e.estimate, decimals),
          interval(e.interval, decimals),
          ...(tested ? [i === 0 && comparison.p !== undefined ? pCell(comparison.p) : empty] : []),
        ],
        ...(i === 0 ? { weight: 'main' as const } : {}),
      };
    }),
    notes: [],
  };
}

/** Tests without a source table: a line each. */
export function testTable({ question }: Answer, { tests, counts }: Comparison): ResultTable {
  return {
    kind: 'test',
    title: 'Test',
    columns: [column('test'), column('statistic'), column('df'), p],
    rows: tests.map((t) => ({
      head: text`${t.symbol ? symbol(t.symbol) : 'exact'}${t.of === undefined ? '' : ` ${t.of}`}`,
      cells: [statistic(t.value), degrees(t), pOf(t)],
    })),
    notes:
      counts && question.about === 'share'
        ? [[`Smallest expected count ${significant(counts.smallest, 3)}; under 5: ${counts.underFive}.`]]
        : [],
  };
}

/** The comparisons that follow, in their parts; a verdict beside each p. */
export function comparisonTable(answer: Answer, parts: readonly FollowUpPart[]): ResultTable {
  const { question, unit } = answer;
  const { level } = question;
  const { follow, method } = choicesOf(question);
  const effects = parts.flatMap((part) => part.effects);
  const has = (of: keyof Effect): boolean => effects.some((e) => e[of] !== undefined);
  const statisticOf = effects.find((e) => e.statistic)?.statistic;
  const simultaneous = parts.some((part) => part.simultaneous) ? 'simultaneous' : 'individual';
  const measured = { unit: method === 'ranks' ? 'mean ranks' : unit };
  const columns: Column[] = [
    effects.some((e) => e.ratio) ? column('ratio') : column('difference', measured),
    ...(has('se') ? [column('SE', { hint: 'standard error', minor: true })] : []),
    ...(has('interval') ? [column(`${percent(level)} CI, ${simultaneous}`)] : []),
    ...(statisticOf ? [column(symbol(statisticOf.symbol), { minor: true })] : []),
    follow === 'unadjusted' ? p : column(text`adjusted ${symbol('p')}`),
    column(`α = ${alphaOf(level)}`, { words: true }),
    ...(has('smallest') ? [column('least significant difference', { minor: true })] : []),
  ];
  return {
    kind: 'comparisons',
    title: `Comparisons, ${followNames[follow]}`,
    columns: [column('comparison'), ...columns],
    rows: parts.flatMap((part) =>
      part.effects.map((e) => {
        const decimals = tableDecimals(e);
        const differ = e.significant === true;
        return {
          head: [e.name],
          ...(part.within === undefined ? {} : { section: part.within }),
          cells: [
            number(e.estimate, decimals),
            ...(has('se') ? [number(e.se, decimals)] : []),
            ...(has('interval') ? [interval(e.interval, decimals)] : []),
            ...(statisticOf ? [number(e.statistic?.value, 2)] : []),
            pCell(e.p),
            words(differ ? 'differ' : 'not shown'),
            ...(has('smallest') ? [number(e.smallest, decimals)] : []),
          ],
          effect: { estimate: e.estimate, interval: e.interval, significant: differ },
          ...(differ ? { weight: 'main' as const } : {}),
        };
      }),
    ),
    notes: [],
  };
}
