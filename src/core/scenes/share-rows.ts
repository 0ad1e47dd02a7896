/** Shares as rows: all counted as one bar, those found filled, the share with its interval over it. */
import { groupLook } from '../drawing/marker';
import type { Answer } from '../answer/answer';
import { countOf } from '../words/counts';
import { type Frame, namedRows, statedMarks } from './group-rows';
import { bar, estimate, label, rows } from '../drawing/marks';
import type { Mark, Panel } from '../drawing/scene';

export function shareRows(answer: Answer, frame: Frame, stated?: number): Panel {
  const { groups } = answer;
  const pitch = frame.height / Math.max(1, groups.length);
  const every = Math.max(1, Math.ceil(16 / pitch));
  const { frame: inner, names } = namedRows(
    frame,
    groups.map((group) => ({ name: group.name, group })),
    0.42,
  );
  return {
    ...inner,
    x: { domain: [0, 1], drawn: true, title: `share of ${answer.measure || 'those found'}`, ticks: 6 },
    y: rows(groups.length, 0.58),
    marks: [
      ...groups.flatMap((group, i): Mark[] => {
        const ink = { group: group.colour };
        const { share } = group;
        if (!share) return [];
        return [
          bar(0, i - 0.2, 1, i + 0.16, { ink: 'line', tint: 0.45 }),
          bar(0, i - 0.2, share.proportion, i + 0.16, { ink, tint: 0.35, name: 'found' }),
          ...estimate({ at: share.proportion, interval: share.interval }, i - 0.02, {
            ...groupLook(group),
            size: Math.min(11, Math.max(4, pitch * 0.3)),
            caps: Math.min(9, pitch * 0.3),
            title: `${group.name}: ${countOf(group)}`,
            names: [`interval-${group.colour}`, `share-${group.colour}`],
          }),
        ];
      }),
      ...(stated === undefined ? [] : statedMarks(stated, String(stated))),
      ...groups.flatMap((group, i): Mark[] =>
        i % every === 0
          ? [label(countOf(group), Infinity, i - 0.42, { dy: 4, anchor: 'end', size: 12, ink: 'muted', halo: true })]
          : [],
      ),
      ...names,
    ],
  };
}
