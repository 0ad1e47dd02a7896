/** Where ordered groups lie, for a trend over them: by the number in each name, or one step apart. */
import { demand } from '../numeric/domain-error';
import { sum } from '../numeric/sum';
import type { Question } from './question';

/** The one number in a name: 0.5 of "0.5 mM", 12 of "day 12". */
function numberIn(name: string): number | undefined {
  const found = name.match(/[-−]?\d+(?:[.,]\d+)?/g) ?? [];
  const [only, ...more] = found;
  return only === undefined || more.length > 0 ? undefined : Number(only.replace('−', '-').replace(',', '.'));
}

/** The places that names give, where every one has a number of its own. */
export function placesNamed(names: readonly string[]): number[] | undefined {
  const places = names.map(numberIn);
  return places.every((p) => p !== undefined) && new Set(places).size === places.length ? places : undefined;
}

/**
 * Where the groups lie.
 * @throws DomainError where they are to lie as they are named and a name has no number, or two have the same
 */
export function placesOf({ spacing }: Pick<Question, 'spacing'>, names: readonly string[]): number[] {
  const named = placesNamed(names);
  demand(
    spacing !== 'named' || named !== undefined,
    `The groups cannot be placed by their names (${names.slice(0, 4).join(', ')}${names.length > 4 ? ' …' : ''}): each needs one number of its own. Take them as equally spaced.`,
  );
  return spacing === 'equal' || !named ? names.map((_, i) => i + 1) : named;
}

/**
 * Weights of the linear trend: a contrast whose value is the change of the fitted line from the lowest place to the
 * highest, in the readings' units.
 */
export function trendOver(places: readonly number[]): number[] {
  const mean = sum(places) / places.length;
  const away = places.map((p) => p - mean);
  const range = places.reduce((a, b) => Math.max(a, b), -Infinity) - places.reduce((a, b) => Math.min(a, b), Infinity);
  const squares = sum(away.map((d) => d * d));
  return away.map((d) => (d * range) / squares);
}
