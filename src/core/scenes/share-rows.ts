/** Shares as rows: all counted as one bar, those found filled, the share with its interval over it. */
import type { Answer } from '../answer/answer';
import { countOf } from '../words/counts';
import { type Frame, nameMarks, statedMarks } from './group-rows';
import type { Mark, Panel } from './scene';

export function shareRows(answer: Answer, frame: Frame, stated?: number): Panel {
  const { groups } = answer;
  const pitch = frame.height / Math.max(1, groups.length);
  const every = Math.max(1, Math.ceil(16 / pitch));
  return {
    ...frame,
    x: { domain: [0, 1], drawn: true, title: `share of ${answer.measure || 'those found'}`, ticks: 6 },
    y: { domain: [-0.62, groups.length - 0.58], drawn: false, down: true },
    marks: [
      ...groups.flatMap((group, i): Mark[] => {
        const ink = { group: group.colour };
        const { share } = group;
        if (!share) return [];
        return [
          { mark: 'bar', x1: 0, y1: i - 0.2, x2: 1, y2: i + 0.16, ink: 'line', tint: 0.45 },
          { mark: 'bar', x1: 0, y1: i - 0.2, x2: share.proportion, y2: i + 0.16, ink, tint: 0.35, name: 'found' },
          {
            mark: 'rule',
            x1: share.interval.low,
            y1: i - 0.02,
            x2: share.interval.high,
            y2: i - 0.02,
            ink,
            weight: 2.5,
            caps: Math.min(9, pitch * 0.3),
            name: `interval-${group.colour}`,
          },
          {
            mark: 'dots',
            points: [{ at: share.proportion, title: `${group.name}: ${countOf(group)}` }],
            along: 'x',
            centre: i - 0.02,
            room: 0,
            ink,
            shape: group.colour,
            size: Math.min(11, Math.max(4, pitch * 0.3)),
            name: `share-${group.colour}`,
          },
        ];
      }),
      ...(stated === undefined ? [] : statedMarks(stated, String(stated))),
      ...groups.flatMap((group, i): Mark[] =>
        i % every === 0
          ? [
              ...nameMarks(group.name, group.colour, i - 0.42),
              {
                mark: 'text',
                x: Infinity,
                y: i - 0.42,
                dy: 4,
                anchor: 'end',
                text: countOf(group),
                size: 12,
                ink: 'muted',
                halo: true,
              },
            ]
          : [],
      ),
    ],
  };
}
