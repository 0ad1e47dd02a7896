/** Samples with several readings each: readings small, the samples' means large, each sample by a shape of its own. */
import { groupLook } from '../drawing/marker';
import type { Answer, GroupPart } from '../answer/answer';
import type { SampleMean } from '../answer/comparison';
import { meanText, meanTold } from './told-values';
import { besideDifferences } from './beside-differences';
import type { Look } from './groups-look';
import { groupMarks, groupRows } from './group-rows';
import { dots } from '../drawing/marks';
import type { Mark, Point } from '../drawing/scene';

/** A sample's readings and its mean, the mean upon them. */
function sampleMarks(
  group: GroupPart,
  samples: readonly SampleMean[],
  y: number,
  inner: readonly SampleMean[],
  names: Answer['rowNames'],
  pitch: number,
): Mark[] {
  const shapeOf = new Map(samples.flatMap((s, i) => s.rows.map((row) => [row, i] as const)));
  const means = (of: readonly SampleMean[], at: number, size: number, name: string): Mark =>
    dots(
      of.map((s) => ({
        at: s.mean,
        shape: shapeOf.get(s.rows[0] ?? -1) ?? groupLook(group).shape,
        title: `${s.name}, mean of ${s.n} readings: ${meanText(s.mean, group)}`,
        cells: s.rows.map((row) => ({ column: group.column, row })),
      })),
      at,
      { room: 0.12, ...groupLook(group), size, hollow: true, name },
    );
  const within = inner.length > 0;
  return groupMarks(group, y, names, pitch).flatMap((mark): Mark[] => {
    if (mark.mark !== 'dots' || !mark.name?.startsWith('readings-')) return [mark];
    const points = mark.points.map((point): Point => ({
      at: point.at,
      ...(point.title === undefined ? {} : { title: point.title }),
      ...(point.cells ? { cells: point.cells } : {}),
      shape: shapeOf.get(point.cells?.[0]?.row ?? -1) ?? groupLook(group).shape,
    }));
    return [
      { ...mark, points, centre: y - 0.12, room: 0.3, size: Math.min(mark.size, within ? 4 : 5) },
      ...(within ? [means(inner, y - 0.02, Math.min(6, Math.max(4, pitch * 0.16)), `inner-${group.colour}`)] : []),
      means(samples, y + (within ? 0.06 : 0.02), Math.min(9, Math.max(5, pitch * 0.24)), `samples-${group.colour}`),
    ];
  });
}

const told = (group: GroupPart): string => {
  const mean = meanTold(group);
  const of = group.samples ? `${group.n} readings of ${group.samples.count} samples` : `${group.n} readings`;
  return mean === undefined ? `${group.name}, none` : `${group.name}, ${of}, ${mean}`;
};

export const nestedLook: Look = (answer, width, options) => {
  const model = answer.comparison.ok ? answer.comparison.value.model : undefined;
  const samples = model?.samples ?? [];
  return besideDifferences(
    answer,
    width,
    options,
    (frame) =>
      groupRows(answer, frame, [], (group, at, pitch) =>
        sampleMarks(
          group,
          samples.filter((s) => s.group === at),
          at,
          model?.inner?.samples.filter((s) => s.group === at) ?? [],
          answer.rowNames,
          pitch,
        ),
      ),
    { count: Math.max(1, answer.groups.length), pitch: 56 },
    `Readings of ${answer.measure || 'the measure'} within their samples by group: ${answer.groups.map(told).join('; ')}.`,
  );
};
