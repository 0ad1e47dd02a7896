import type { Answer } from '../answer/answer';
import { ordered } from '../answer/in-order';
import type { Comparison, Effect } from '../answer/comparison';
import { type FigureStyle, inkColour } from './figure-style';
import { levelKey } from './slots';

/** A difference under the names its two sides have in a figure: both stand at the ends of its own. */
function effectNamed<E extends Effect>(effect: E, names: readonly (readonly [was: string, is: string])[]): E {
  const side = (ends: (name: string) => boolean) =>
    // Of names that end alike the longest is meant.
    names.filter(([was]) => ends(was)).sort(([p], [q]) => q.length - p.length)[0];
  const [first, second] = [side((was) => effect.name.startsWith(was)), side((was) => effect.name.endsWith(was))];
  if (!first || !second || first[0].length + second[0].length >= effect.name.length) return effect;
  return { ...effect, name: first[1] + effect.name.slice(first[0].length, -second[0].length) + second[1] };
}

/**
 * The answer with its groups under the names, in the colours and with the markers they have in a figure; levels of factors
 * in its order, too.
 */
export function renamed(answer: Answer, { looks = {}, order }: Pick<FigureStyle, 'looks' | 'order'>): Answer {
  const dressed = <T extends { name: string; colour?: number | undefined }>(thing: T, key: string): T => {
    const { name = thing.name, colour, shape } = looks[key] ?? {};
    return {
      ...thing,
      name,
      ...(colour === undefined || colour === inkColour ? {} : { colour }),
      ...(shape === undefined ? {} : { marker: shape }),
    };
  };
  const factor = (of: 'a' | 'b') =>
    answer.layout && {
      ...answer.layout[of],
      levels: ordered(
        // A level keeps its colour wherever it stands.
        answer.layout[of].levels.map((level, i) => dressed({ colour: i, ...level }, levelKey(of, level))),
        (level) => levelKey(of, level),
        order,
      ),
    };
  const [a, b] = [factor('a'), factor('b')];
  const groups = answer.groups.map((g) => dressed(g, g.id));
  const named = [
    ...answer.groups.map((g, i) => [g.name, groups[i]?.name ?? g.name] as const),
    ...[[answer.layout?.a, a] as const, [answer.layout?.b, b] as const].flatMap(([was, is]) =>
      (was?.levels ?? []).map(
        ({ id, name }) => [name, is?.levels.find((level) => level.id === id)?.name ?? name] as const,
      ),
    ),
  ];
  const { comparison } = answer;
  return {
    ...answer,
    groups,
    ...(answer.layout && a && b ? { layout: { ...answer.layout, a, b } } : {}),
    ...(comparison.ok ? { comparison: { ...comparison, value: comparedAs(comparison.value, named) } } : {}),
  };
}

/** What was compared, under these names. */
function comparedAs(made: Comparison, names: readonly (readonly [string, string])[]): Comparison {
  const { effect, follow } = made;
  const within = (name: string): string => names.find(([was]) => was === name)?.[1] ?? name;
  return {
    ...made,
    ...(effect ? { effect: effectNamed(effect, names) } : {}),
    ...(follow?.ok
      ? {
          follow: {
            ...follow,
            value: follow.value.map((part) => ({
              ...part,
              ...(part.within === undefined ? {} : { within: within(part.within) }),
              effects: part.effects.map((e) => effectNamed(e, names)),
            })),
          },
        }
      : {}),
  };
}

/** A part of a figure without the names its groups were given there, while they stand under letters. */
export function hidden<P extends { answer: Answer; style: FigureStyle }>(part: P): P {
  const { answer, style } = part;
  if (!answer.blind || answer.blind.to !== undefined || !style.looks) return part;
  const looks = Object.fromEntries(Object.entries(style.looks).map(([key, { name: _, ...look }]) => [key, look]));
  return { ...part, style: { ...style, looks } };
}
