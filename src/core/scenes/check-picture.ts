/** A small picture for each assumption. */
import { nth } from '../numeric/nth';
import type { Check } from '../answer/checks';
import { moments } from '../numeric/sum';
import { band, bare, dot, dots, rule, span } from '../drawing/marks';
import { type Mark, type Point, type Scene, extent } from '../drawing/scene';

const size = { width: 132, height: 52 };

const scene = (marks: Mark[], x: [number, number], y: [number, number], alt: string, down = false): Scene => ({
  ...size,
  fontSize: 10,
  lineWeight: 1,
  alt,
  panels: [
    {
      left: 4,
      top: 4,
      width: size.width - 8,
      height: size.height - 8,
      x: bare(...x),
      y: { ...bare(...y), down },
      marks,
    },
  ],
});

/** Quantiles against their band: within it is as a normal sample would be. */
function shape({ plot }: Check): Scene | undefined {
  if (!plot) return undefined;
  const { expected, observed, low, high } = plot;
  const every = Math.max(1, Math.floor(observed.length / 80));
  return scene(
    [
      band(expected, low, high, { ink: 'muted', fill: 0.22 }),
      ...observed.flatMap((o, k): Mark[] =>
        k % every === 0 || k > observed.length - 4 ? [dot(nth(expected, k), o, { size: 3 })] : [],
      ),
    ],
    extent(expected, 0.08),
    extent([...observed, ...low, ...high], 0.05),
    'Quantile plot with the band of normal samples',
  );
}

/** Each group's spread as a bar of one SD to either side of its middle. */
function spreads(groups: readonly (readonly number[])[]): Scene | undefined {
  const sds = groups
    .slice(0, 12)
    .flatMap((g) => (g.length > 1 ? [Math.sqrt(moments(g).sumOfSquares / (g.length - 1))] : []));
  const most = Math.max(...sds, 0);
  if (!(most > 0)) return undefined;
  return scene(
    sds.map((sd, i) => span({ low: -sd, high: sd }, i, { weight: 2, caps: 6 })),
    [-most * 1.05, most * 1.05],
    [-0.6, sds.length - 0.4],
    'Standard deviations of the groups',
    true,
  );
}

/** Each group on its own line about its mean, the unusual readings filled. */
function farOut(groups: readonly (readonly number[])[], { points = [] }: Check): Scene | undefined {
  const shown = groups.slice(0, 8);
  const centred = shown.map((g) => {
    const { mean } = g.length > 0 ? moments(g) : { mean: 0 };
    return g.map((v) => v - mean);
  });
  if (centred.flat().length === 0) return undefined;
  const far = new Set(points.map((p) => `${p.group} ${p.index}`));
  return scene(
    centred.flatMap((g, i): Mark[] => {
      const those = (unusual: boolean): Point[] =>
        g.filter((_, k) => far.has(`${i} ${k}`) === unusual).map((at) => ({ at }));
      return [dots(those(false), i, { ink: 'line', size: 4 }), dots(those(true), i, { ink: 'accent', size: 7 })];
    }),
    extent(centred.flat(), 0.06),
    [-0.8, shown.length - 0.2],
    'Readings about their group means, unusual ones marked',
    true,
  );
}

/** The numbers of readings as lines of dots. */
function numbers(groups: readonly (readonly number[])[]): Scene {
  const most = Math.max(...groups.map((g) => g.length), 6);
  const shown = groups.slice(0, 8);
  return scene(
    shown.map((g, i) => rule(0, i, g.length, i, { ink: g.length < 6 ? 'accent' : 'ink', weight: 4 })),
    [0, most],
    [-0.8, shown.length - 0.2],
    'Numbers of readings',
    true,
  );
}

/** The small picture that belongs to a check; undefined where words say all. */
export function checkPicture(check: Check, groups: readonly (readonly number[])[]): Scene | undefined {
  switch (check.about) {
    case 'normality':
      return shape(check);
    case 'equal-spread':
      return spreads(groups);
    case 'unusual-points':
      return farOut(groups, check);
    case 'sample-size':
      return numbers(groups);
    default:
      return undefined;
  }
}
