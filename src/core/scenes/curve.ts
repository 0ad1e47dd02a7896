/** The reference distribution: what the statistic would do without an effect, where it is cut, and where it fell. */
import { nth } from '../numeric/nth';
import { leastOf, mostOf } from '../numeric/extremes';
import type { Reference } from '../answer/comparison';
import { type NamedDistribution, named } from '../distributions/named';
import { type Rejection, criticalValuesOf, isRejected } from '../procedures/rejection';
import { fixed, significant } from '../words/numbers';
import { bare, label, path, rule } from '../drawing/marks';
import type { Mark, Scene } from '../drawing/scene';
import { pageFontSize } from '../drawing/scene';

const steps = 240;

/** The part of the axis worth showing: the bulk of the curve, the critical values and the statistic, unless far away. */
function span(curve: NamedDistribution, { statistic }: Reference, critical: readonly number[]): [number, number] {
  const at = (found: { ok: boolean; value?: number }, other: number): number =>
    found.ok ? (found.value ?? other) : other;
  const low = at(curve.quantile(0.0005), -4);
  const high = at(curve.upperQuantile(0.0005), 4);
  const width = high - low;
  const ends = [low, high, ...critical.map((c) => c * 1.08)];
  // A statistic far outside is named at the edge rather than shrinking the curve to a needle.
  if (statistic > low - 1.5 * width && statistic < high + 1.5 * width)
    ends.push(statistic + 0.04 * width * Math.sign(statistic));
  return [leastOf(ends), mostOf(ends)];
}

/** A value as the axis prints it. */
const shown = (x: number): string =>
  Number.isInteger(x) ? fixed(x, 0) : Math.abs(x) >= 1000 ? significant(x, 4) : fixed(x, 2);

/**
 * The curve with its rejection region shaded, critical values and statistic marked.
 * @param cut a value whose tail areas are read, where someone points at one
 */
export function curveScene(
  reference: Reference,
  region: Rejection,
  width: number,
  cut?: number,
  height = 190,
): Scene | undefined {
  const made = named(reference.distribution, reference.parameters);
  if (!made.ok) return undefined;
  const curve = made.value;
  const critical = criticalValuesOf(region);
  const [from, to] = span(curve, reference, critical);
  // A counted distribution has a height at each whole step, where they can be seen apart.
  const whole = curve.discrete;
  const x = whole
    ? Array.from({ length: Math.floor(to) - Math.ceil(from) + 1 }, (_, i) => Math.ceil(from) + i)
    : Array.from({ length: steps + 1 }, (_, i) => from + ((to - from) * i) / steps);
  const density = (value: number): number => {
    const d = curve.density(value);
    return d.ok && Number.isFinite(d.value) ? d.value : 0;
  };
  const heights = x.map(density);
  // A density that runs off to infinity at 0 is cut at what the rest of the curve needs.
  const sorted = [...heights].sort((p, q) => p - q);
  const top = Math.min(sorted.at(-1) ?? 1, 3 * (sorted[Math.floor(sorted.length * 0.9)] ?? 1) || 1);
  const y = heights.map((h) => Math.min(h, top));
  const area = (a: number, b: number): [number, number][] => {
    const inside = x.flatMap((v, i): [number, number][] => (v > a && v < b ? [[v, nth(y, i)]] : []));
    return [[a, 0], [a, Math.min(density(a), top)], ...inside, [b, Math.min(density(b), top)], [b, 0]];
  };
  const marks: Mark[] = [];
  const { lower = -Infinity, upper = Infinity } = region;
  const tails = [
    [from, lower],
    [upper, to],
  ] as const;
  const rejected = (v: number): boolean => isRejected(region, v);
  if (whole)
    x.forEach((v, i) =>
      marks.push(
        rule(v, 0, v, nth(y, i), {
          ink: rejected(v) ? 'accent' : cut !== undefined && v >= cut ? 'muted' : 'ink',
          weight: Math.max(1, Math.min(7, 400 / x.length)),
          name: rejected(v) ? 'rejection' : 'curve',
        }),
      ),
    );
  for (const [a, b] of whole ? [] : tails)
    if (b > a) marks.push(path(area(a, b), { ink: 'accent', fill: 0.3, name: 'rejection' }));
  if (!whole && cut !== undefined && cut > from && cut < to)
    marks.push(path(area(cut, to), { ink: 'muted', fill: 0.25, name: 'read-area' }));
  if (!whole)
    marks.push(
      path(
        x.map((v, i) => [v, nth(y, i)] as const),
        { weight: 1.6, name: 'curve' },
      ),
    );
  for (const c of critical)
    marks.push(
      rule(c, 0, c, top * 0.42, { ink: 'accent', weight: 1.5, name: 'critical' }),
      label(shown(c), c, top * 0.42, { dy: -5, anchor: 'middle', ink: 'accent', size: 12, halo: true }),
    );
  const { statistic } = reference;
  const inside = statistic >= from && statistic <= to;
  const at = Math.min(to, Math.max(from, statistic));
  marks.push(
    rule(at, 0, at, top * 0.72, { weight: 2, name: 'statistic' }),
    label(`${reference.symbol} = ${shown(statistic)}${inside ? '' : statistic > 0 ? ' →' : ' ←'}`, at, top * 0.72, {
      dy: -5,
      anchor: at > from + 0.85 * (to - from) ? 'end' : at < from + 0.15 * (to - from) ? 'start' : 'middle',
      bold: true,
      halo: true,
    }),
  );
  return {
    width,
    height,
    fontSize: pageFontSize,
    lineWeight: 1,
    alt: `Distribution of ${reference.symbol} without an effect; ${critical.length > 0 ? `the rejection region is shaded beyond ${critical.map(shown).join(' and ')}` : 'with so few there is no rejection region'}; the statistic is ${shown(statistic)}.`,
    panels: [
      {
        left: 14,
        top: 18,
        width: width - 28,
        height: height - 62,
        x: { domain: [from, to], drawn: true, title: reference.symbol, ticks: 7 },
        y: bare(0, top * 1.02),
        marks,
      },
    ],
  };
}
