import type { Answer } from '../answer/answer';
import { type FigureStyle, inkColour } from './figure-style';
import { levelKey } from './slots';

/** The answer with its groups under the names, and in the colours, they have in a figure. */
export function renamed(answer: Answer, { looks }: Pick<FigureStyle, 'looks'>): Answer {
  if (!looks) return answer;
  const dressed = <T extends { name: string; colour?: number | undefined }>(thing: T, key: string): T => {
    const { name = thing.name, colour } = looks[key] ?? {};
    return { ...thing, name, ...(colour === undefined || colour === inkColour ? {} : { colour }) };
  };
  const factor = (of: 'a' | 'b') =>
    answer.layout && {
      ...answer.layout[of],
      levels: answer.layout[of].levels.map((level) => dressed(level, levelKey(of, level))),
    };
  const [a, b] = [factor('a'), factor('b')];
  return {
    ...answer,
    groups: answer.groups.map((g) => dressed(g, g.id)),
    ...(answer.layout && a && b ? { layout: { ...answer.layout, a, b } } : {}),
  };
}

/** A part of a figure without the names its groups were given there, while they stand under letters. */
export function hidden<P extends { answer: Answer; style: FigureStyle }>(part: P): P {
  const { answer, style } = part;
  if (!answer.blind || answer.blind.to !== undefined || !style.looks) return part;
  const looks = Object.fromEntries(Object.entries(style.looks).map(([key, { name: _, ...look }]) => [key, look]));
  return { ...part, style: { ...style, looks } };
}
