/** Two factors on one axis of the measure: a row for each level of the first, a colour and marker for each of the second. */
import { sum } from '../numeric/sum';
import { subjectOfReading } from '../readings/factors';
import { factsOf } from '../analyses/kinds';
import type { Answer } from '../answer/answer';
import { withUnit } from '../readings/table';
import { type Frame, namedRows, valueAxis } from './group-rows';
import { decimalsOf } from '../numeric/decimals';
import { summarize } from '../procedures/sample-summary';
import { meanText, readingText } from './told-values';
import { glyphOf, groupLook } from '../drawing/marker';
import { dot, dots, label, path, rows as inRows } from '../drawing/marks';
import type { Mark, Panel } from '../drawing/scene';

/** A cell of a two-way layout with its readings. */
interface Cell {
  values: { value: number; row: number; column: string }[];
  mean: number | undefined;
}

/** What says how finely a cell's mean is written. */
function figuresOf(values: Cell['values']): Parameters<typeof meanText>[1] {
  const all = values.map((r) => r.value);
  return { decimals: decimalsOf(all), ...(all.length > 1 ? { summary: summarize(all) } : {}) };
}

/**
 * The interaction laid on its side: cell means of one level joined from row to row. Parallel lines mean that what one
 * factor does is the same at every level of the other.
 */
export function twoWayRows(answer: Answer, frame: Frame): Panel {
  const layout = answer.layout;
  // Within subjects the conditions follow one another downwards, and each group has its line through them.
  const within = factsOf(answer.question).along === 'b';
  const [rows, series] = layout
    ? within
      ? [layout.b.levels, layout.a.levels]
      : [layout.a.levels, layout.b.levels]
    : [[], []];
  const mean = (xs: readonly number[]): number => sum(xs) / xs.length;
  const centre = (xs: readonly number[]): number => (answer.logs ? Math.exp(mean(xs.map(Math.log))) : mean(xs));
  const cell = (row: string, level: string): Cell => {
    const values =
      layout?.readings.filter((r) => (within ? r.b === row && r.a === level : r.a === row && r.b === level)) ?? [];
    return {
      values,
      mean: values.length > 0 ? centre(values.map((r) => r.value)) : undefined,
    };
  };
  const offset = (k: number): number => ((k + 0.5) / Math.max(1, series.length) - 0.5) * 0.62 + 0.06;
  const marks: Mark[] = [];
  series.forEach((level, k) => {
    const look = groupLook({ ...level, colour: level.colour ?? k });
    const means: { mean: number; y: number; title: string }[] = [];
    rows.forEach((row, i) => {
      const { values, mean } = cell(row.id, level.id);
      marks.push(
        dots(
          values.map((r) => ({
            at: r.value,
            title: `${row.name}, ${level.name}, row ${r.row + 1}: ${readingText(r.value)}`,
            cells: [{ column: r.column, row: r.row }],
          })),
          i + offset(k),
          { ...look, room: 0.12, size: values.length > 60 ? 4 : 6, name: `readings-${i}-${k}` },
        ),
      );
      if (mean !== undefined)
        means.push({
          mean,
          y: i + offset(k),
          title: `${answer.logs ? 'geometric mean' : 'mean'} of ${row.name}, ${level.name}: ${meanText(mean, figuresOf(values))}`,
        });
    });
    if (means.length > 1)
      marks.unshift(
        path(
          means.map(({ mean, y }) => [mean, y] as const),
          { ink: look.ink, weight: 1.8, name: `profile-${k}` },
        ),
      );
    for (const { mean, y, title } of means)
      marks.push(dot(mean, y, { ...look, size: 12, title, name: `cell-mean-${k}` }));
  });
  if (within && layout) {
    const bySubject = new Map<string, [number, number][]>();
    for (const r of layout.readings) {
      const place = rows.findIndex((l) => l.id === r.b);
      const k = series.findIndex((l) => l.id === r.a);
      const subject = subjectOfReading(r);
      bySubject.set(subject, [...(bySubject.get(subject) ?? []), [r.value, place + offset(k)]]);
    }
    if (bySubject.size <= 300)
      for (const points of bySubject.values())
        marks.unshift(
          path(
            points.sort((p, q) => p[1] - q[1]),
            { ink: 'line', weight: 1, name: 'subject' },
          ),
        );
  }
  const { frame: inner, names } = namedRows(
    frame,
    rows.map(({ name }) => ({ name })),
    0.42,
  );
  marks.push(...names);
  // The second factor is named at its first line, one after the other.
  const first = rows[0];
  if (first)
    series.forEach((level, k) => {
      const { ink, shape } = groupLook({ ...level, colour: level.colour ?? k });
      // The marker stands in the text's own line, so that it keeps its place whatever the name's length.
      marks.push(
        label(`${glyphOf(shape)} ${level.name}`, Infinity, -Infinity, {
          dx: -4,
          dy: 10 + 15 * k,
          anchor: 'end',
          size: 12,
          halo: true,
          ink,
          bold: true,
        }),
      );
    });
  const values = layout?.readings.map((r) => r.value) ?? [];
  return {
    ...inner,
    x: {
      ...valueAxis(values, answer.logs !== undefined),
      drawn: true,
      title: withUnit(answer.measure || 'reading', answer.unit),
      ticks: 6,
    },
    y: inRows(rows.length),
    marks,
  };
}
