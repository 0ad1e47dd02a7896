/** Shuffling before one's eyes: the readings as they were permuted, and what the statistic came to each time. */
import { nth } from '../numeric/nth';
import { mostOf } from '../numeric/extremes';
import type { Chance } from '../answer/chance';
import type { Cut, Gathered } from '../procedures/gathered';
import type { Interval } from '../procedures/interval';
import { centres } from '../procedures/shuffle-statistics';
import { type Arrangement, oneTailed } from '../procedures/shuffling';
import { chanceAxis, fewestTold } from '../words/chance';
import { significant } from '../words/numbers';
import { nameMarks } from './group-rows';
import { bar, bare, dots, label, rows, rule, span, through } from '../drawing/marks';
import { type Ink, type Mark, type Point, type Scene, extent } from '../drawing/scene';

/** Readings and groups up to which each is shown where it was permuted. */
const shownReadings = 300;
const shownGroups = 8;

const rowHeight = 62;

const tick = (x: number, y: number): Mark => rule(x, y - 0.3, x, y + 0.16, { weight: 2, name: 'permuted-centre' });

const dotRow = (points: Point[], y: number): Mark =>
  dots(points, y, { room: 0.36, side: -1, ink: 'muted', size: 7, name: 'permuted' });

const centreOf = ({ what }: Chance) =>
  what.statistic === 'median' || what.statistic === 'trimmed' ? centres[what.statistic] : centres.mean;

/** One row for each group: its marks, and where the axis must reach. */
function rowsOf(
  chance: Chance,
  permuted: Arrangement | undefined,
): { names: string[]; lines: Mark[][]; reach: number[] } {
  const { what, groups } = chance;
  const centre = centreOf(chance);
  const names = groups.map((g) => g.name);
  if (what.kind === 'signs') {
    const flipped = permuted?.kind === 'signs' ? permuted.flipped : [];
    const now = what.differences.map((d, i) => (flipped[i] ? -d : d));
    const ink = { group: nth(groups, 0).colour };
    const points = now.map((at, i): Point => ({
      at,
      key: `r${i}`,
      ink: flipped[i] ? 'muted' : ink,
      hollow: flipped[i] ?? false,
    }));
    return {
      names: ['differences'],
      lines: [[dotRow(points, 0), ...(now.length > 0 ? [tick(centre(now), 0)] : [])]],
      reach: [...what.differences, ...what.differences.map((d) => -d)],
    };
  }
  if (what.kind === 'counts') return { names, lines: [], reach: [0, 1] };
  const all = what.groups.flat();
  const own = what.groups.flatMap((g, k) => g.map(() => k));
  const inkOf = (k: number) => ({ group: groups[k]?.colour ?? k });
  const lines = what.groups.map((group, g): Mark[] => {
    if (what.kind === 'labels') {
      const labels = permuted?.kind === 'labels' ? permuted.labels : own;
      const members = all.flatMap((at, i): (Point & { at: number })[] =>
        labels[i] === g ? [{ at, key: `r${i}`, ink: inkOf(nth(own, i)), shape: nth(groups, nth(own, i)).colour }] : [],
      );
      return [dotRow(members, g), tick(centre(members.map((p) => p.at)), g)];
    }
    const drawn = permuted?.kind === 'resample' ? (permuted.drawn[g] ?? []) : group.map((_, i) => i);
    const times = group.map((_, i) => drawn.filter((d) => d === i).length);
    const points = group.flatMap((at, i): Point[] =>
      Array.from({ length: Math.max(1, nth(times, i)) }, (_, k) => ({
        at,
        key: `r${g} ${i} ${k}`,
        shape: groups[g]?.colour ?? g,
        ...(times[i] === 0 ? { ink: 'muted' as const, hollow: true } : { ink: inkOf(g) }),
      })),
    );
    return [dotRow(points, g), tick(centre(drawn.map((i) => nth(group, i))), g)];
  });
  return { names, lines, reach: all };
}

/** Counts as one bar a group, its outcomes side by side. */
function countRows({ groups, what, outcomes }: Chance, permuted: Arrangement | undefined): Mark[][] {
  if (what.kind !== 'counts') return [];
  const table = permuted?.kind === 'counts' ? permuted.table : what.table;
  return table.map((row, i): Mark[] => {
    const n = row.reduce((s, x) => s + x, 0);
    let from = 0;
    const ink = { group: groups[i]?.colour ?? i };
    return [
      ...row.map((count, j): Mark => {
        const to = from + count / Math.max(1, n);
        const part = bar(from, i - 0.22, to, i + 0.14, {
          ink: j === row.length - 1 && row.length === 2 ? 'line' : ink,
          tint: row.length === 2 ? 0.5 : 0.75 * (1 - j / row.length) + 0.08,
          name: 'permuted-count',
        });
        from = to;
        return part;
      }),
      label(
        row.length === 2
          ? `${nth(outcomes, 0)} ${nth(row, 0)} of ${n}`
          : row.map((c, j) => `${nth(outcomes, j)} ${c}`).join(' · '),
        Infinity,
        i - 0.42,
        { dy: 4, anchor: 'end', size: 12, ink: 'muted' },
      ),
    ];
  });
}

/** The readings as they lie, or as they were permuted; undefined where there are too many to follow. */
export function arrangementScene(chance: Chance, permuted: Arrangement | undefined, width: number): Scene | undefined {
  const { what, groups, measure } = chance;
  const counts = what.kind === 'counts';
  const n = what.kind === 'signs' ? what.differences.length : counts ? 0 : what.groups.flat().length;
  if (n > shownReadings || groups.length > shownGroups) return undefined;
  const { names, lines, reach } = rowsOf(chance, permuted);
  const all = counts ? countRows(chance, permuted) : lines;
  const height = all.length * rowHeight;
  const zero = what.kind === 'signs' ? [through(0, { ink: 'muted', weight: 1, name: 'no-difference' })] : [];
  return {
    width,
    height: height + 50,
    fontSize: 12.5,
    lineWeight: 1,
    alt: permuted
      ? `An arrangement by chance: its statistic is ${significant(permuted.statistic, 4)}.`
      : 'The readings as they are.',
    panels: [
      {
        left: 14,
        top: 4,
        width: width - 28,
        height,
        x: {
          domain: counts ? [0, 1] : extent(reach),
          nice: !counts,
          drawn: true,
          ticks: 6,
          title: counts ? 'share of each group' : what.kind === 'signs' ? `difference of ${measure}` : measure,
        },
        y: rows(all.length, 0.58),
        marks: [
          ...zero,
          ...all.flat(),
          ...names.flatMap((name, i) => nameMarks(name, what.kind === 'signs' ? undefined : groups[i], i - 0.42)),
        ],
      },
    ],
  };
}

/** Arrangements up to which each is a dot of its own. */
const mostDots = 120;

/**
 * What the statistic came to, arrangement after arrangement: dots at first, then bars. Beyond the observed statistic
 * they are filled; where it would pass is marked too.
 * @param interval the ends of a bootstrap interval, where readings were drawn again
 */
export function gatheredScene(
  chance: Chance,
  gathered: Gathered,
  cut: Cut | undefined,
  interval: Interval | undefined,
  width: number,
  n = gathered.n,
): Scene {
  const { tail } = chance;
  const resampled = chance.what.kind === 'resample';
  const { observed } = gathered;
  const mirrored = !resampled && tail === 'either' ? [-observed] : [];
  const ends = [gathered.low, gathered.high, observed, ...mirrored, ...(cut ? [cut.at] : [])].filter(Number.isFinite);
  const [low, high] = extent(resampled ? ends : [...ends, 0], 0.05);
  const slack = 1e-9 * (high - low);
  const beyond = (x: number): boolean =>
    !resampled &&
    (tail === 'either'
      ? Math.abs(x) >= Math.abs(observed) - slack
      : tail === 'greater'
        ? x >= observed - slack
        : x <= observed + slack);
  // Where a statistic would pass the level, whatever was observed.
  const passing = (x: number): boolean =>
    cut !== undefined &&
    (tail === 'either' ? Math.abs(x) > cut.at + slack : tail === 'greater' ? x > cut.at + slack : x < cut.at - slack);
  const painted = (x: number): { ink: Ink; tint: number; name: string } =>
    beyond(x)
      ? { ink: 'accent', tint: 0.95, name: 'as-far' }
      : passing(x)
        ? { ink: 'accent', tint: 0.35, name: 'beyond-cut' }
        : { ink: 'muted', tint: 0.45, name: 'arrangements' };
  const marks: Mark[] = [];
  let top = 1;
  const few = n > mostDots ? gathered.fewValues() : undefined;
  if (n > 0 && n <= mostDots) {
    const values = [...gathered.values()];
    const dot = (at: number, k: number): Point => ({
      at,
      ink: beyond(at) ? 'accent' : 'muted',
      title: `shuffle ${k + 1}: ${significant(at, 4)}`,
    });
    // The latest falls in by itself; the others lie where they lay.
    for (const [points, name] of [
      [values.slice(0, -1).map(dot), 'fallen'],
      [values.slice(-1).map((x) => dot(x, n - 1)), `falling-${n % 2}`],
    ] as const)
      if (points.length > 0) marks.push(dots(points, 0.04, { room: 0.8, side: 1, ink: 'muted', size: 8, name }));
  } else if (few) {
    top = mostOf(few.map(([, count]) => count));
    for (const [x, count] of few)
      marks.push(
        rule(x, 0, x, count, {
          ink: painted(x).ink,
          weight: Math.max(2, Math.min(9, 380 / few.length)) * (beyond(x) || !passing(x) ? 1 : 0.5),
          name: painted(x).name,
        }),
      );
  } else if (n > 0) {
    const bars = gathered.bars();
    top = mostOf(bars.map((bar) => bar.count));
    for (const { from, to, count } of bars) marks.push(bar(from, 0, to, count, painted((from + to) / 2)));
  }
  // A label that the observed statistic would cross stands on the other side of its line.
  const aside = (at: number) =>
    Math.abs(at - observed) > 0.12 * (high - low)
      ? ({ anchor: 'middle' } as const)
      : at > observed
        ? ({ anchor: 'start', dx: 5 } as const)
        : ({ anchor: 'end', dx: -5 } as const);
  const cutMarks = (at: number, words: string): Mark[] => [
    rule(at, 0, at, top * 0.62, { ink: 'accent', weight: 1.5, dash: true, name: 'cut-off' }),
    label(words, at, top * 0.62, { dy: -5, ...aside(at), ink: 'accent', size: 12, halo: true }),
  ];
  if (cut) {
    marks.push(...cutMarks(cut.at, `cut-off ${significant(cut.at, 3)}`));
    if (tail === 'either') marks.push(...cutMarks(-cut.at, `cut-off ${significant(-cut.at, 3)}`));
  }
  if (interval) for (const end of [interval.low, interval.high]) marks.push(...cutMarks(end, significant(end, 3)));
  // One standard error to either side of where the distribution lies, above it; of a few arrangements it says nothing.
  const middle = resampled ? observed : 0;
  const { se } = gathered;
  const spread: Mark[] =
    n >= fewestTold && !oneTailed(chance.what) && se > 0 && Number.isFinite(middle + se)
      ? [
          span({ low: middle - se, high: middle + se }, top * 1.11, { ink: 'muted', weight: 2, caps: 8, name: 'se' }),
          label(`SE ${significant(se, 3)}`, middle + se, top * 1.11, {
            dx: 8,
            dy: 4,
            ink: 'muted',
            size: 12,
            halo: true,
          }),
        ]
      : [];
  marks.push(...spread);
  const side = observed > low + 0.8 * (high - low) ? 'end' : observed < low + 0.2 * (high - low) ? 'start' : 'middle';
  if (Number.isFinite(observed))
    marks.push(
      rule(observed, 0, observed, top * 0.86, { weight: 2, name: 'observed' }),
      label(`${resampled ? 'as it is' : 'observed'}: ${significant(observed, 4)}`, observed, top * 0.86, {
        dy: -5,
        anchor: side,
        bold: true,
        halo: true,
      }),
    );
  return {
    width,
    height: 216,
    fontSize: 12.5,
    lineWeight: 1,
    alt: `What ${n.toLocaleString('en')} arrangements by chance came to, with ${significant(observed, 4)} as observed.`,
    panels: [
      {
        left: 14,
        top: 10,
        width: width - 28,
        height: 158,
        x: { domain: [low, high], drawn: true, ticks: 7, title: chanceAxis(chance) },
        y: bare(0, top * (spread.length > 0 ? 1.18 : 1.04)),
        marks,
      },
    ],
  };
}
