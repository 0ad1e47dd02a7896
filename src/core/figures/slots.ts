/** What stands side by side in a figure: groups, or cells of two factors in clusters, as the figure names and colours them. */
import { there } from '../numeric/there';
import { factsOf } from '../analyses/kinds';
import type { Answer, GroupPart } from '../answer/answer';
import { cellsOf } from '../answer/ratios';
import { inTableOrder, ordered } from '../answer/in-order';
import type { Level } from '../readings/table';
import { type FigureStyle, inkColour } from './figure-style';
import type { Ink } from '../drawing/scene';

/** One place along the axis of groups. */
export interface Slot {
  id: string;
  name: string;
  group: GroupPart;
  /** Ids and names of its cluster and, of two factors, of its level of the other. */
  cluster: string;
  series: string;
  clusterName: string;
  seriesName: string;
  /** Key of its look in the style: the group's id, or the level's that gives it its colour. */
  look: string;
  ink: Ink;
  shape: number;
  /** Place along the axis; clusters are one apart. */
  at: number;
  /** Half the room its marks take. */
  half: number;
  /** All the room it has. */
  room: number;
}

/** A name under the axis. */
export interface Cluster {
  look: string;
  name: string;
  at: number;
}

/** A level of the second factor, as a key or a label names it. */
export interface Series {
  look: string;
  id: string;
  name: string;
  ink: Ink;
  shape: number;
}

export interface Layout {
  slots: Slot[];
  clusters: Cluster[];
  /** Empty where there is one factor. */
  series: Series[];
}

/** How a part looks: as the style says, else by its place among its kind. */
export function lookOf(style: FigureStyle, key: string, place: number): { name?: string; ink: Ink; shape: number } {
  const { name, colour, shape } = style.looks?.[key] ?? {};
  const own = colour === undefined || colour === inkColour ? place : colour;
  return { ...(name ? { name } : {}), ink: colour === inkColour ? 'ink' : { group: own }, shape: shape ?? own };
}

function oneFactor(groups: readonly GroupPart[], style: FigureStyle): Layout {
  const shown = ordered(groups, (g) => g.id, style.order);
  const slots = shown.map((group, at): Slot => {
    const look = lookOf(style, group.id, group.colour);
    const name = look.name ?? group.name;
    return {
      id: group.id,
      name,
      group,
      cluster: group.id,
      series: '',
      clusterName: group.name,
      seriesName: '',
      look: group.id,
      ink: look.ink,
      shape: look.shape,
      at,
      half: 0.4,
      room: 1,
    };
  });
  return { slots, clusters: slots.map(({ look, name, at }) => ({ look, name, at })), series: [] };
}

/** Key of a level's look: levels of two factors may share an id. */
export const levelKey = (factor: 'a' | 'b', level: Level): string => `${factor}/${level.id}`;

/** The share of a cluster's room that its groups take. */
export const shareOfGroups = ({ groupGap = 20 }: FigureStyle): number => 1 - groupGap / 100;

function twoFactors(answer: Answer, layout: NonNullable<Answer['layout']>, style: FigureStyle): Layout {
  // Within subjects the conditions follow one another, and each group has its line through them.
  const mixed = factsOf(answer.question).along === 'b';
  const [along, across] = mixed ? (['b', 'a'] as const) : (['a', 'b'] as const);
  const levels = (factor: 'a' | 'b'): Level[] =>
    ordered(layout[factor].levels, (l) => levelKey(factor, l), style.order);
  const series = levels(across).map((level): Series => {
    const place = layout[across].levels.indexOf(level);
    const look = levelKey(across, level);
    const { name = level.name, ink, shape } = lookOf(style, look, level.colour ?? place);
    return { look, id: level.id, name, ink, shape };
  });
  const clusters = levels(along).map((level, at) => {
    const look = levelKey(along, level);
    return { look, name: style.looks?.[look]?.name ?? level.name, at, level };
  });
  const cells = cellsOf(answer);
  const step = shareOfGroups(style) / Math.max(1, series.length);
  const slots = clusters.flatMap(({ level, at, name: clusterName }) =>
    series.flatMap((s, k): Slot[] => {
      const [a, b] = mixed ? [s.id, level.id] : [level.id, s.id];
      const group = cells.find((c) => c.id === `${a}\n${b}`);
      if (!group) return [];
      return [
        {
          id: group.id,
          name: `${clusterName}, ${s.name}`,
          group,
          cluster: level.id,
          series: s.id,
          clusterName: level.name,
          seriesName: there(
            layout[across].levels.find((l) => l.id === s.id),
            'level',
          ).name,
          look: s.look,
          ink: s.ink,
          shape: s.shape,
          at: at + (k - (series.length - 1) / 2) * step,
          half: step / 2,
          room: step,
        },
      ];
    }),
  );
  return { slots, clusters: clusters.map(({ look, name, at }) => ({ look, name, at })), series };
}

/** What stands side by side, in the figure's order and under its names. */
export const slotsOf = (answer: Answer, style: FigureStyle): Layout =>
  answer.layout ? twoFactors(answer, answer.layout, style) : oneFactor(inTableOrder(answer, answer.groups), style);
