/** What a curve in whole steps cuts off where an area was asked: seldom just that. */
import { named } from '../distributions/named';
import { type AreaKind, type CurveName, type Parameters, areasOf, parametersOf } from '../planning/curve-reading';
import { given, significant } from './numbers';

/**
 * @param area the area that was asked
 * @param a @param b the boundaries found for it
 * @returns undefined where the curve has no steps, or the boundaries cut off just that area
 */
export function stepsTold(
  curve: CurveName,
  parameters: Parameters,
  kind: AreaKind,
  area: number,
  { a, b }: { a: number; b?: number },
): string | undefined {
  const read = named(curve, parametersOf(curve, parameters));
  if (!read.ok || !read.value.discrete) return undefined;
  const cutOff = (outwards: number): number | undefined => {
    const found =
      b === undefined
        ? areasOf(curve, parameters, a + (kind === 'left' ? -outwards : outwards))
        : areasOf(curve, parameters, a - outwards, b + outwards);
    return found.ok ? found.value[kind] : undefined;
  };
  const [here, next] = [cutOff(0), cutOff(1)];
  if (here === undefined || Math.abs(here - area) <= 1e-9 * area) return undefined;
  return `In whole steps no boundary cuts off just ${given(area)}: here it is ${significant(here, 4)}${next === undefined ? '' : `, a step further out ${significant(next, 4)}`}.`;
}
