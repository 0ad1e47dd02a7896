/** The order in which an answer's groups are drawn. */
import { nth } from '../numeric/nth';
import type { Answer } from './answer';
import type { Comparison, SampleMean } from './comparison';

/** Items in the order of their keys; those the order does not name come after. */
export function ordered<T>(items: readonly T[], keyOf: (item: T) => string, order: readonly string[] = []): T[] {
  const places = new Map(order.map((key, i) => [key, i]));
  const place = (item: T): number => places.get(keyOf(item)) ?? order.length;
  return [...items].sort((p, q) => place(p) - place(q));
}

/** Groups, or what stands for each, in the order of the table, whichever is subtracted from which. */
export const inTableOrder = <T>({ reversed }: Pick<Answer, 'reversed'>, items: readonly T[]): readonly T[] =>
  reversed ? [...items].reverse() : items;

/** What a comparison holds by the places of its groups, once these stand elsewhere. @param was the former place of each */
function compared(made: Comparison, was: readonly number[]): Comparison {
  const taken = <T>(items: readonly T[]): T[] => was.map((i) => nth(items, i));
  const moved = <S extends SampleMean>(samples: readonly S[]): S[] =>
    samples.map((s) => ({ ...s, group: was.indexOf(s.group) }));
  const { model, covariate, blocks, complete, everyone } = made;
  return {
    ...made,
    ...(model && {
      model: {
        ...model,
        samples: moved(model.samples),
        groups: taken(model.groups),
        ...(model.inner && { inner: { ...model.inner, samples: moved(model.inner.samples) } }),
      },
    }),
    ...(covariate && {
      covariate: {
        ...covariate,
        groups: taken(covariate.groups),
        ...(covariate.slopes && { slopes: { ...covariate.slopes, own: taken(covariate.slopes.own) } }),
      },
    }),
    ...(blocks && {
      blocks: {
        ...blocks,
        cells: moved(blocks.cells),
        means: taken(blocks.means),
        residuals: taken(blocks.residuals),
      },
    }),
    ...(complete && { complete: { ...complete, rows: complete.rows.map(taken) } }),
    ...(everyone && { everyone: { ...everyone, rows: everyone.rows.map((row) => was.map((i) => row[i])) } }),
  };
}

/** The answer with its groups in the table's order, or in one of their ids: what is drawn of it stands so. */
export function inOrder(answer: Answer, ids?: readonly string[]): Answer {
  const { groups, comparison, layout } = answer;
  const places = ordered(inTableOrder(answer, [...groups.keys()]), (i) => nth(groups, i).id, ids);
  const { reversed: _, ...rest } = answer;
  if (layout || places.every((place, i) => place === i)) return rest;
  return {
    ...rest,
    groups: places.map((i) => nth(groups, i)),
    comparison: comparison.ok ? { ok: true, value: compared(comparison.value, places) } : comparison,
  };
}
