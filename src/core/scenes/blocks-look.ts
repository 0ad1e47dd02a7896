/** Groups within blocks: readings by the shape of their block, and the means of a block joined from group to group. */
import { groupLook } from '../drawing/marker';
import type { Answer } from '../answer/answer';
import type { BlocksPart } from '../answer/comparison';
import { meanTold } from './told-values';
import { besideDifferences } from './beside-differences';
import { type Look, groupsLook } from './groups-look';
import { groupMarks, groupRows } from './group-rows';
import type { Mark } from '../drawing/scene';
import { subjectLines } from './subject-lines';

/** A group's marks with each reading in the shape of its block. */
function shaped(answer: Answer, blocks: BlocksPart, at: number, pitch: number): Mark[] {
  const group = answer.groups[at];
  if (!group) return [];
  const own = blocks.cells.filter((c) => c.group === at);
  const blockOf = new Map(own.flatMap(({ block, rows }) => rows.map((row) => [row, block] as const)));
  return groupMarks(group, at, answer.rowNames, pitch).map((mark): Mark => {
    if (mark.mark !== 'dots' || !mark.name?.startsWith('readings-')) return mark;
    const points = mark.points.map((point) => {
      const block = blockOf.get(point.cells?.[0]?.row ?? -1);
      const title = [point.title, block === undefined ? undefined : blocks.names[block]].filter(Boolean).join(', ');
      return {
        at: point.at,
        title,
        ...(point.cells ? { cells: point.cells } : {}),
        shape: block ?? groupLook(group).shape,
      };
    });
    return { ...mark, points };
  });
}

/** The mean of each block in each group, in the order of the groups. */
const rowsOf = ({ cells, count }: BlocksPart, groups: number): (number | undefined)[][] => {
  const rows = Array.from({ length: count }, () => Array.from({ length: groups }, (): number | undefined => undefined));
  for (const { block, group, mean } of cells) {
    const row = rows[block];
    if (row) row[group] = mean;
  }
  return rows;
};

export const blocksLook: Look = (answer, width, options) => {
  const blocks = answer.comparison.ok ? answer.comparison.value.blocks : undefined;
  if (!blocks) return groupsLook(answer, width, options);
  const { groups, measure } = answer;
  const told = groups.map((g) => `${g.name}, ${g.n} readings, ${meanTold(g) ?? 'no mean'}`);
  return besideDifferences(
    answer,
    width,
    options,
    (frame) => {
      const panel = groupRows(answer, frame, [], (_, at, pitch) => shaped(answer, blocks, at, pitch));
      return { ...panel, marks: [...subjectLines(rowsOf(blocks, groups.length)), ...panel.marks] };
    },
    { count: Math.max(1, groups.length), pitch: 56 },
    `Readings of ${measure || 'the measure'} by group, the means of each of ${blocks.count} blocks (${blocks.name}) joined: ${told.join('; ')}.`,
  );
};
