/** Curves that are read: the area asked for shaded, boundaries that can be dragged, a statistic dropped in. */
import { nth } from '../numeric/nth';
import { mostOf } from '../numeric/extremes';
import { type CurveName, type Parameters, curves, parametersOf, spanOf } from '../planning/curve-reading';
import { named } from '../distributions/named';
import { fixed, significant } from '../words/numbers';
import { bare, dot, label, path, rule } from '../drawing/marks';
import type { Ink, Mark, Scene } from '../drawing/scene';
import { pageFontSize } from '../drawing/scene';

export interface ReadCurve {
  curve: CurveName;
  parameters: Parameters;
  /** What it is called at its line. */
  label: string;
}

export interface Reading {
  a: number;
  b?: number;
  /** Which area is shaded. */
  area: 'left' | 'right' | 'between' | 'outside';
  statistic?: number;
}

const steps = 300;

/** Heights of curves as last drawn: while a boundary is dragged the curve stands. */
const sampled = new Map<string, number[]>();

function heightsOf(key: string, make: () => number[]): number[] {
  const found = sampled.get(key) ?? make();
  sampled.delete(key);
  sampled.set(key, found);
  for (const old of sampled.keys()) if (sampled.size > 8) sampled.delete(old);
  return found;
}

const shown = (x: number): string => (Math.abs(x) >= 1000 ? significant(x, 5) : fixed(x, Number.isInteger(x) ? 0 : 3));

/** @param read the first is read, the others are laid over it */
export function readerScene(
  read: readonly ReadCurve[],
  { a, b, area, statistic }: Reading,
  width: number,
  height = 300,
): Scene {
  const marksAt = [a, ...(b === undefined ? [] : [b]), ...(statistic === undefined ? [] : [statistic])];
  const [from, to] = spanOf(read, marksAt);
  const first = read[0];
  const made = read.map(({ curve, parameters }) => named(curve, parametersOf(curve, parameters)));
  const discrete = made[0]?.ok === true && made[0].value.discrete;
  const density = (k: number, x: number): number => {
    const curve = made[k];
    const d = curve?.ok ? curve.value.density(x) : undefined;
    return d?.ok && Number.isFinite(d.value) ? d.value : 0;
  };
  const whole = Array.from(
    { length: Math.max(1, Math.floor(to) - Math.ceil(from) + 1) },
    (_, i) => Math.ceil(from) + i,
  );
  const xs = Array.from({ length: steps + 1 }, (_, i) => from + ((to - from) * i) / steps);
  const heights = read.map(({ curve, parameters }, k) =>
    heightsOf(JSON.stringify([curve, parameters, from, to]), () => xs.map((x) => density(k, x))),
  );
  // A density that runs off to infinity is cut at what the rest of the curve needs.
  const sorted = [...(heights[0] ?? [])].sort((p, q) => p - q);
  const highest = discrete
    ? mostOf(whole.map((x) => density(0, x)))
    : Math.max(
        Math.min(sorted.at(-1) ?? 1, 3 * (sorted[Math.floor(sorted.length * 0.9)] ?? 1) || 1),
        ...heights.slice(1).map((h) => Math.min(mostOf(h), 5)),
      );
  const top = highest || 1;
  const [low, high] = b === undefined ? [a, a] : [Math.min(a, b), Math.max(a, b)];
  const within = (x: number): boolean =>
    area === 'left'
      ? x <= low
      : area === 'right'
        ? x >= high
        : area === 'between'
          ? x > low && x < high
          : x <= low || x >= high;
  const inkOf = (k: number): Ink => (k === 0 ? 'ink' : { group: k - 1 });
  const marks: Mark[] = [];
  if (discrete)
    for (const x of whole)
      marks.push(
        rule(x, 0, x, density(0, x), {
          ink: within(x) ? 'accent' : 'ink',
          weight: Math.max(1, Math.min(8, 420 / whole.length)),
          name: within(x) ? 'area' : 'curve',
        }),
      );
  else {
    const pieces: [number, number][] =
      area === 'left'
        ? [[from, low]]
        : area === 'right'
          ? [[high, to]]
          : area === 'between'
            ? [[low, high]]
            : [
                [from, low],
                [high, to],
              ];
    for (const [left, right] of pieces) {
      const [p, q] = [Math.max(from, left), Math.min(to, right)];
      if (q <= p) continue;
      const inside = xs.flatMap((x, i): [number, number][] =>
        x > p && x < q ? [[x, Math.min(top, nth(nth(heights, 0), i))]] : [],
      );
      marks.push(
        path([[p, 0], [p, Math.min(top, density(0, p))], ...inside, [q, Math.min(top, density(0, q))], [q, 0]], {
          ink: 'accent',
          fill: 0.28,
          name: 'area',
        }),
      );
    }
    read.forEach((_, k) =>
      marks.push(
        path(
          xs.map((x, i) => [x, Math.min(top, nth(nth(heights, k), i))] as const),
          {
            ink: inkOf(k),
            weight: k === 0 ? 1.8 : 1.3,
            dash: k > 0,
            name: k === 0 ? 'curve' : 'other-curve',
          },
        ),
      ),
    );
  }
  if (read.length > 1)
    read.forEach(({ label: name }, k) =>
      marks.push(
        label(name, Infinity, Infinity, {
          dx: -2,
          dy: 12 + 16 * k,
          anchor: 'end',
          ink: inkOf(k),
          bold: true,
          halo: true,
        }),
      ),
    );
  const number = { anchor: 'middle', bold: true, halo: true } as const;
  [a, ...(b === undefined ? [] : [b])].forEach((x, i) => {
    if (x < from || x > to) return;
    const [ink, name] = ['accent', `boundary-${i}`] as const;
    // Its number stands beside it where the statistic's rule would run through it.
    const apart = statistic === undefined ? Infinity : ((statistic - x) / (to - from)) * (width - 32);
    const place =
      Math.abs(apart) < 26
        ? ({ dx: apart > 0 ? -11 : 11, dy: 4, anchor: apart > 0 ? 'end' : 'start' } as const)
        : { dy: -11 };
    marks.push(
      rule(x, 0, x, top * 0.62, { ink, weight: 2, name }),
      dot(x, top * 0.62, { ink, size: 13, name }),
      label(shown(x), x, top * 0.62, { ...number, ...place, ink }),
    );
  });
  if (statistic !== undefined && statistic >= from && statistic <= to)
    marks.push(
      rule(statistic, 0, statistic, top * 0.82, { weight: 2, name: 'statistic' }),
      label(shown(statistic), statistic, top * 0.82, { ...number, dy: -6 }),
    );
  const symbol = first ? curves[first.curve].symbol : '';
  return {
    width,
    height,
    fontSize: pageFontSize,
    lineWeight: 1,
    alt: `${first ? `The ${curves[first.curve].name} curve` : 'No curve'} with ${b === undefined ? `a boundary at ${shown(a)}` : `boundaries at ${shown(low)} and ${shown(high)}`}; the area ${area} is shaded.`,
    panels: [
      {
        left: 16,
        top: 14,
        width: width - 32,
        height: height - 60,
        x: { domain: [from, to], drawn: true, title: symbol, ticks: 8 },
        y: bare(0, top * 1.04),
        marks,
      },
    ],
  };
}
