/** What is known of each group: its readings, its share or its spread. */
import type { Answer } from '../../answer/answer';
import { type GroupPart, meanOf } from '../../answer/group-part';
import { sdInterval } from '../../answer/spreads';
import { choicesOf } from '../../question/choices';
import { withUnit } from '../../readings/table';
import { given, meanDecimals, percent, plural } from '../numbers';
import { symbol, text } from '../text';
import {
  type Cell,
  type Column,
  type ResultTable,
  column,
  count,
  figures,
  interval,
  number,
  words,
} from './result-table';

/** A column of groups with what stands in it for each. */
type Told = Column & { of: (group: GroupPart) => Cell };

const told = (heading: Column, of: Told['of']): Told => ({ ...heading, of });
const sdOf = ({ summary }: GroupPart): number | undefined => summary && Math.sqrt(summary.variance);
/** A quantile: of readings below a limit no more than that. */
const middle = (g: GroupPart, x: number | undefined): Cell =>
  g.below && x !== undefined && x <= g.below.limit ? words(`< ${given(g.below.limit)}`) : number(x, meanDecimals(g));
const n = told(column(symbol('n')), (g) => count(g.n));

/** How many readings are set aside, where there are any. */
const setAside = ({ groups }: Answer): Told[] =>
  groups.some((g) => g.readings.aside.length > 0)
    ? [told(column('set aside'), (g) => count(g.readings.aside.length))]
    : [];

function readingsColumns(answer: Answer): Told[] {
  const { question, unit, reported, comparison } = answer;
  const follow = comparison.ok ? comparison.value.follow : undefined;
  const letters = follow?.ok ? follow.value[0]?.letters : undefined;
  const within = answer.groups[0]?.samples;
  // Readings without logarithms are told as they are, whatever was asked.
  const geometric = answer.logs !== undefined;
  const covariate = comparison.ok ? comparison.value.covariate : undefined;
  const adjusted = answer.groups.some((g) => g.adjusted);
  return [
    ...(within
      ? [
          told(column(plural(within.name), { hint: 'samples, each counting by what it tells' }), (g) =>
            g.samples ? count(g.samples.count) : words(''),
          ),
          told(column('readings'), (g) => count(g.n)),
        ]
      : [n]),
    ...setAside(answer),
    ...(answer.groups.some((g) => g.below) ? [told(column('below the limit'), (g) => count(g.below?.count ?? 0))] : []),
    ...(covariate
      ? [told(column(`mean of ${covariate.name}`, { unit: covariate.unit }), (g) => figures(g.adjusted?.covariate, 4))]
      : []),
    ...(adjusted
      ? [
          told(column(`${geometric ? 'geometric ' : ''}mean as read`, { unit }), (g) =>
            number(g.adjusted?.unadjusted, meanDecimals(g)),
          ),
        ]
      : []),
    told(column(`${adjusted ? 'adjusted ' : ''}${geometric ? 'geometric ' : ''}mean`, { unit }), (g) =>
      number(meanOf(g), meanDecimals(g)),
    ),
    told(column(`${percent(question.level)} CI of the ${adjusted ? 'adjusted ' : ''}mean`), (g) =>
      interval(g.interval, meanDecimals(g)),
    ),
    ...(geometric
      ? [
          told(
            column('geometric SD', { hint: 'the factor by which readings scatter around the geometric mean' }),
            (g) => figures(g.geometric?.sd, 3),
          ),
        ]
      : [
          told(column('SD', { hint: 'sample standard deviation, divisor n − 1' }), (g) =>
            number(sdOf(g), meanDecimals(g)),
          ),
          told(column('SEM', { hint: 'standard error of the mean' }), (g) =>
            number(
              g.se ?? (g.summary && !g.below ? Math.sqrt(g.summary.variance / g.summary.n) : undefined),
              meanDecimals(g),
            ),
          ),
        ]),
    ...(answer.groups.some((g) => g.samples?.effectiveN !== undefined)
      ? [
          told(column(text`effective ${symbol('n')}`, { hint: 'independent readings that would tell as much' }), (g) =>
            number(g.samples?.effectiveN, 1),
          ),
        ]
      : []),
    ...(reported || within || answer.groups.every((g) => g.description === undefined)
      ? []
      : [told(column('median'), (g) => middle(g, g.description?.median))]),
    ...(choicesOf(question).method === 'ranks' && !reported
      ? [
          told(column('quartiles'), (g) => {
            const { description: d, below } = g;
            return below && d && d.q1 <= below.limit
              ? words(`${middle(g, d.q1).text} to ${middle(g, d.q3).text}`)
              : interval(d && { low: d.q1, high: d.q3 }, meanDecimals(g));
          }),
        ]
      : []),
    ...(letters
      ? [
          told(column('letters', { hint: 'groups that share a letter do not differ significantly' }), (g) =>
            words(letters.find((l) => l.id === g.id)?.letters ?? ''),
          ),
        ]
      : []),
  ];
}

const shareColumns = ({ question }: Answer): Told[] => [
  told(column('found'), ({ share }) => number(share?.successes, 0)),
  told(column('of'), (g) => count(g.n)),
  told(column('share'), ({ share }) => number(share?.proportion, 3)),
  told(column(`${percent(question.level)} CI`), ({ share }) => interval(share?.interval, 3)),
];

const spreadColumns = (answer: Answer): Told[] => {
  const { question, unit } = answer;
  return [
    n,
    ...setAside(answer),
    told(column('SD', { unit }), (g) => figures(sdOf(g), 4)),
    told(column(`${percent(question.level)} CI of the SD`), (g) => interval(sdInterval(g, question.level))),
    told(column('variance', { unit: unit && `${unit}²` }), ({ summary }) => figures(summary?.variance, 4)),
  ];
};

/** The figures of each group, one line each. */
export function groupTable(answer: Answer): ResultTable {
  const { question, measure, unit, groups } = answer;
  const [title, columns]: [string, Told[]] =
    question.about === 'share'
      ? [`Share of ${measure}`, shareColumns(answer)]
      : question.about === 'spread'
        ? [`Spread of ${measure || 'readings'}`, spreadColumns(answer)]
        : [withUnit(measure || 'reading', unit), readingsColumns(answer)];
  // Of readings below a limit some figures are not known of any group.
  const shown = groups.some((g) => g.below)
    ? columns.filter((c) => groups.some((g) => c.of(g).text !== number(undefined, 0).text))
    : columns;
  return {
    kind: 'groups',
    title,
    columns: [column('group'), ...shown],
    rows: groups.map((g) => ({ head: [g.name], colour: g.colour, cells: shown.map((c) => c.of(g)) })),
    notes: [],
  };
}
