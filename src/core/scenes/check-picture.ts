/** A small picture for each assumption. */
import type { Check } from '../answer/checks';
import { moments } from '../numeric/sum';
import { type Mark, type Scene, extent } from './scene';

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
      x: { domain: x, drawn: false },
      y: { domain: y, drawn: false, down },
      marks,
    },
  ],
});

/** Quantiles against their band: within it is as a normal sample would be. */
function shape({ plot }: Check): Scene | undefined {
  if (!plot) return undefined;
  const { expected, observed, low, high } = plot;
  const band = [
    ...expected.map((e, k) => [e, high[k] ?? 0] as const),
    ...expected.map((e, k) => [e, low[k] ?? 0] as const).reverse(),
  ];
  const every = Math.max(1, Math.floor(observed.length / 80));
  return scene(
    [
      { mark: 'path', points: band, ink: 'muted', fill: 0.22 },
      ...observed.flatMap((o, k): Mark[] =>
        k % every === 0 || k > observed.length - 4
          ? [
              {
                mark: 'dots',
                points: [{ at: expected[k] ?? 0 }],
                along: 'x',
                centre: o,
                room: 0,
                ink: 'ink',
                shape: 0,
                size: 3,
              },
            ]
          : [],
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
    sds.map((sd, i): Mark => ({ mark: 'rule', x1: -sd, y1: i, x2: sd, y2: i, ink: 'ink', weight: 2, caps: 6 })),
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
    centred
      .map((g, i): Mark[] => [
        {
          mark: 'dots',
          points: g.filter((_, k) => !far.has(`${i} ${k}`)).map((at) => ({ at })),
          along: 'x',
          centre: i,
          room: 0,
          ink: 'line',
          shape: 0,
          size: 4,
        },
        {
          mark: 'dots',
          points: g.filter((_, k) => far.has(`${i} ${k}`)).map((at) => ({ at })),
          along: 'x',
          centre: i,
          room: 0,
          ink: 'accent',
          shape: 0,
          size: 7,
        },
      ])
      .flat(),
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
    shown.map((g, i): Mark => ({
      mark: 'rule',
      x1: 0,
      y1: i,
      x2: g.length,
      y2: i,
      ink: g.length < 6 ? 'accent' : 'ink',
      weight: 4,
    })),
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
