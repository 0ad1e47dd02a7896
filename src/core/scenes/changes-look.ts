/** How each subject changed from one time, or condition, to every other: against the line of no change. */
import { nth } from '../numeric/nth';
import { groupLook } from '../drawing/marker';
import type { Answer, GroupPart } from '../answer/answer';
import { factsOf } from '../analyses/kinds';
import { differencesAsTyped } from '../numeric/decimals';
import type { Interval } from '../procedures/interval';
import { studentT } from '../distributions/t';
import { summarize } from '../procedures/sample-summary';
import { withUnit } from '../readings/table';
import { between, effectDecimals, fixed, percent, significant } from '../words/numbers';
import { readingText } from './told-values';
import { alongAxis } from './effect-axis';
import { type Frame, nameMarks, valueAxis } from './group-rows';
import { dots, estimate, label, rows, through } from '../drawing/marks';
import type { Mark, Panel, Point } from '../drawing/scene';
import { subjectLines } from './subject-lines';
import { textWidth } from '../drawing/text-width';

/** How the subjects changed by one time. */
interface ChangeBy {
  group: GroupPart;
  /** Each with the subject’s name; as so many times as much where the answer is told in ratios. */
  changes: { subject: string; value: number }[];
  mean?: number;
  /** Of the mean, at the question’s level, each time by itself. */
  interval?: Interval;
}

export interface Changes {
  base: GroupPart;
  by: ChangeBy[];
  ratio: boolean;
}

/**
 * The changes of an answer about the same subjects throughout; undefined of any other.
 * @param from the id of what they are taken from: the first unless named
 */
export function changesOf(answer: Answer, from?: string): Changes | undefined {
  const { question, comparison, groups } = answer;
  if (!factsOf(question).within || answer.layout || !comparison.ok || question.about !== 'value') return undefined;
  const { complete, everyone } = comparison.value;
  const found = everyone ?? complete;
  if (!found || groups.length < 2) return undefined;
  const at = Math.max(
    0,
    groups.findIndex((g) => g.id === from),
  );
  const base = groups[at];
  if (!base) return undefined;
  const ratio = answer.logs !== undefined;
  const rows: readonly (readonly (number | undefined)[])[] = found.rows;
  const by = groups.flatMap((group, i): ChangeBy[] => {
    if (i === at) return [];
    const pairs = rows.flatMap((row, k) => {
      const [x, y] = [row[at], row[i]];
      return x === undefined || y === undefined ? [] : [{ subject: nth(found.subjects, k), x, y }];
    });
    const [xs, ys] = [pairs.map((p) => p.x), pairs.map((p) => p.y)];
    const values = ratio ? pairs.map(({ x, y }) => y / x) : differencesAsTyped(ys, xs);
    const changes = pairs.map(({ subject }, k) => ({ subject, value: nth(values, k) }));
    if (changes.length === 0) return [{ group, changes }];
    const { mean, variance, n } = summarize(ratio ? values.map(Math.log) : values);
    const back = (x: number): number => (ratio ? Math.exp(x) : x);
    if (n < 2) return [{ group, changes, mean: back(mean) }];
    const reach = studentT(n - 1).upperQuantile((1 - question.level) / 2) * Math.sqrt(variance / n);
    return [{ group, changes, mean: back(mean), interval: { low: back(mean - reach), high: back(mean + reach) } }];
  });
  return { base, by, ratio };
}

/** The readings a change is made of, where a column names whose they are. */
function cellsOf(groups: readonly GroupPart[], subject: string, names: Answer['rowNames']): Point['cells'] {
  const cells = groups.flatMap((g) =>
    g.readings.used.flatMap((r) =>
      names?.[r.row]?.trim() === subject ? (r.rows ?? [r.row]).map((row) => ({ column: g.column, row })) : [],
    ),
  );
  return cells.length > 0 ? cells : undefined;
}

/** "mean change −2.4", "1.8 times as much": as precisely as its interval supports. */
function changeTold(estimate: number, interval: Interval | undefined, ratio: boolean): string {
  const written = fixed(estimate, effectDecimals({ estimate, interval }));
  return ratio ? `${written} times as much` : `mean change ${written}`;
}

/** The panel: a row for each time, each subject’s change a point, joined from row to row; mean and interval below them. */
export function changesPanel(answer: Answer, { base, by, ratio }: Changes, frame: Frame): Panel {
  const none = ratio ? 1 : 0;
  const ends = by.flatMap(({ changes, interval }) => [
    ...changes.map((c) => c.value),
    ...(interval ? [interval.low, interval.high] : []),
  ]);
  const pitch = frame.height / Math.max(1, by.length);
  const words = ratio ? 'no change' : `no change from ${base.name}`;
  const subjects = [...new Set(by.flatMap((b) => b.changes.map((c) => c.subject)))];
  const joined = subjects.map((subject) => by.map((b) => b.changes.find((c) => c.subject === subject)?.value));
  const axis = { ...valueAxis([none, ...ends], ratio), ticks: 6 };
  const lineAt = alongAxis({ domain: axis.domain, log: ratio }, none) * frame.width;
  const marks = by.flatMap(({ group, changes, mean, interval }, i): Mark[] => {
    const look = groupLook(group);
    const points = changes.map(({ subject, value }): Point => ({
      at: value,
      title: `${group.name}, ${subject}: ${ratio ? `${significant(value, 4)} times ${base.name}` : readingText(value)}`,
      cells: cellsOf([base, group], subject, answer.rowNames),
    }));
    return [
      dots(points, i - 0.02, {
        ...look,
        room: 0.36,
        side: -1,
        size: Math.min(7, Math.max(2, pitch * 0.3)),
        name: `changes-${i}`,
      }),
      ...estimate({ at: mean, interval }, i + 0.17, {
        ...look,
        size: 11,
        caps: 7,
        title: mean === undefined ? group.name : `by ${group.name}: ${changeTold(mean, interval, ratio)}`,
        names: [`change-interval-${i}`, `change-mean-${i}`],
      }),
      // A name keeps clear of the line of no change.
      ...(lineAt < textWidth(group.name, 13) + 24
        ? [label(group.name, Infinity, i - 0.5, { dy: 4, anchor: 'end', bold: true, halo: true })]
        : nameMarks(group.name, group, i - 0.5)),
    ];
  });
  return {
    ...frame,
    x: {
      ...axis,
      drawn: true,
      title: ratio ? `times ${base.name}` : withUnit(`change from ${base.name}`, answer.unit),
    },
    y: rows(by.length, 0.58),
    marks: [
      through(none, { ink: 'accent', weight: 1.5, name: 'divide-line' }),
      label(words, none, -Infinity, { dy: -9, anchor: 'middle', ink: 'accent', size: 12 }),
      ...(by.length > 1 ? subjectLines(joined) : []),
      ...marks,
    ],
  };
}

/** What the picture shows, in words. */
export const changesTold = (answer: Answer, { base, by, ratio }: Changes): string =>
  `Changes of ${answer.measure || 'the measure'} from ${base.name}, each subject a point: ${by
    .map(({ group, mean, interval, changes }) =>
      mean === undefined
        ? `${group.name}, none`
        : `${group.name}, ${changeTold(mean, interval, ratio)}${interval ? ` (${percent(answer.question.level)} interval ${between(interval, effectDecimals({ estimate: mean, interval }))})` : ''}, n ${changes.length}`,
    )
    .join('; ')}.`;
