/** Reading a reference curve: from values to areas, and from areas to values. */
import { type DistributionName, type NamedDistribution, named } from '../distributions/named';
import { DomainError, type Outcome, attempt, demand } from '../numeric/domain-error';

/** A parameter of a curve: its key, what it is called, and what it is until something else is said. */
interface Parameter {
  key: string;
  name: string;
  usual: number;
}

/** The curves that are read, by the names the field gives them. */
export const curves = {
  normal: {
    name: 'normal',
    symbol: 'z',
    parameters: [
      { key: 'mean', name: 'mean', usual: 0 },
      { key: 'sd', name: 'SD', usual: 1 },
    ],
  },
  t: { name: 't', symbol: 't', parameters: [{ key: 'df', name: 'degrees of freedom', usual: 10 }] },
  'chi-square': { name: 'chi-square', symbol: 'χ²', parameters: [{ key: 'df', name: 'degrees of freedom', usual: 4 }] },
  f: {
    name: 'F',
    symbol: 'F',
    parameters: [
      { key: 'df1', name: 'degrees of freedom', usual: 3 },
      { key: 'df2', name: 'and', usual: 20 },
    ],
  },
  binomial: {
    name: 'binomial',
    symbol: 'x',
    parameters: [
      { key: 'n', name: 'trials', usual: 20 },
      { key: 'p', name: 'probability', usual: 0.5 },
    ],
  },
  'studentized-range': {
    name: 'studentized range',
    symbol: 'q',
    parameters: [
      { key: 'groups', name: 'groups', usual: 4 },
      { key: 'df', name: 'degrees of freedom', usual: 20 },
    ],
  },
  dunnett: {
    name: 'several against a control',
    symbol: 'd',
    parameters: [
      { key: 'groups', name: 'groups beside the control', usual: 3 },
      { key: 'df', name: 'degrees of freedom', usual: 20 },
    ],
  },
} as const satisfies Partial<
  Record<DistributionName, { name: string; symbol: string; parameters: readonly Parameter[] }>
>;
export type CurveName = keyof typeof curves;
export const curveNames = Object.keys(curves) as CurveName[];

export type Parameters = Readonly<Record<string, number>>;

/** A curve's parameters, the usual ones where none are given. */
export const parametersOf = (curve: CurveName, given: Parameters): Parameters =>
  Object.fromEntries(curves[curve].parameters.map(({ key, usual }) => [key, given[key] ?? usual]));

/** The areas that one or two boundaries cut off. */
export interface Areas {
  /** P(X ≤ a). */
  left: number;
  /** P(X ≥ b), or of one boundary P(X ≥ a). */
  right: number;
  /** Of two boundaries: P(a < X < b), and what lies outside. */
  between?: number;
  outside?: number;
}

const value = <T>(found: Outcome<T>): T => {
  if (!found.ok) throw new DomainError(found.reason);
  return found.value;
};

/** The area strictly between two boundaries, by the tails that keep its digits. */
function between(curve: NamedDistribution, a: number, b: number): number {
  // What lies between whole steps excludes both boundaries themselves.
  const [from, to] = curve.discrete ? [Math.floor(a) + 1, Math.ceil(b) - 1] : [a, b];
  if (curve.discrete) return from > to ? 0 : value(curve.lower(to)) - (from > 0 ? value(curve.lower(from - 1)) : 0);
  const [left, right] = [value(curve.lower(from)), value(curve.upper(to))];
  if (left > 0.5) return value(curve.upper(from)) - right;
  return right > 0.5 ? value(curve.lower(to)) - left : 1 - left - right;
}

/** The areas a curve has on either side of boundaries. Two boundaries may come in any order. */
export function areasOf(curve: CurveName, given: Parameters, a: number, b?: number): Outcome<Areas> {
  return attempt(() => {
    const read = value(named(curve, parametersOf(curve, given)));
    if (b === undefined) return { left: value(read.lower(a)), right: value(read.upper(a)) };
    const [low, high] = a <= b ? [a, b] : [b, a];
    const [left, right] = [value(read.lower(low)), value(read.upper(high))];
    return { left, right, between: Math.max(0, between(read, low, high)), outside: Math.min(1, left + right) };
  });
}

/** Where an area is taken from. */
export const areaKinds = {
  right: 'to the right',
  left: 'to the left',
  outside: 'outside, half on either side',
  between: 'in the middle',
} as const;
export type AreaKind = keyof typeof areaKinds;

/** The boundary, or both, that cut off an area. */
export function boundariesOf(
  curve: CurveName,
  given: Parameters,
  kind: AreaKind,
  area: number,
): Outcome<{ a: number; b?: number }> {
  return attempt(() => {
    demand(area > 0 && area < 1, 'An area under the curve lies between 0 and 1, both left out.');
    const read = value(named(curve, parametersOf(curve, given)));
    if (kind === 'right') return { a: value(read.upperQuantile(area)) };
    if (kind === 'left') return { a: value(read.quantile(area)) };
    const tail = kind === 'outside' ? area / 2 : (1 - area) / 2;
    return { a: value(read.quantile(tail)), b: value(read.upperQuantile(tail)) };
  });
}

/** The part of the axis worth showing: the bulk of the curves, and every boundary not far outside. */
export function spanOf(
  shown: readonly { curve: CurveName; parameters: Parameters }[],
  marks: readonly number[],
): [number, number] {
  const ends = shown.flatMap(({ curve, parameters }): [number, number][] => {
    const read = named(curve, parametersOf(curve, parameters));
    if (!read.ok) return [];
    const [low, high] = [read.value.quantile(0.0005), read.value.upperQuantile(0.0005)];
    return low.ok && high.ok && Number.isFinite(low.value) && Number.isFinite(high.value)
      ? [[low.value, high.value]]
      : [];
  });
  const [first, ...others] = ends;
  if (!first) return [-4, 4];
  // A curve laid over it may reach far out: it is followed for half a width on either side.
  const reach = (first[1] - first[0]) / 2;
  const low = Math.max(first[0] - reach, Math.min(first[0], ...others.map((e) => e[0])));
  const high = Math.min(first[1] + reach, Math.max(first[1], ...others.map((e) => e[1])));
  const width = high - low || 1;
  const near = marks.filter((m) => m > low - width && m < high + width);
  return [Math.min(low, ...near), Math.max(high, ...near)];
}

/** Critical values of a curve for levels and degrees of freedom, as a page of a printed table. */
export function criticalTable(
  curve: CurveName,
  given: Parameters,
  dfs: readonly number[],
  levels: readonly number[],
  tails: 1 | 2,
): { df: number; values: Outcome<number>[] }[] {
  const key = curve === 'f' ? 'df2' : 'df';
  return dfs.map((df) => {
    const read = named(curve, { ...parametersOf(curve, given), [key]: df });
    return {
      df,
      values: levels.map((alpha) => (read.ok ? read.value.upperQuantile(tails === 2 ? alpha / 2 : alpha) : read)),
    };
  });
}
