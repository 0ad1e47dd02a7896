/**
 * What chance alone brings, arrangement after arrangement: labels permuted anew over readings, signs of differences
 * flipped, labels permuted over counts; or readings drawn again, for how far an estimate may stray. Arrangements come in
 * numbered blocks with a stream of random numbers each, so that the same seed gives the same ones on every machine, in
 * any order and with any number of workers. Source: Fisher (1935), Pitman (1937), Efron (1979).
 */
import { widthOf } from '../numeric/width-of';
import { nth } from '../numeric/nth';
import { mostOf } from '../numeric/extremes';
import { permutedSums } from '../kernels/shuffle';
import { permuter } from '../numeric/permute';
import { demand } from '../numeric/domain-error';
import { type Random, random } from '../numeric/random';
import { offsetsOf, sum } from '../numeric/sum';
import { tablesWith } from './random-table';
import {
  type Centre,
  centres,
  chiSquareOfTable,
  differenceOf,
  fStatistic,
  ofSorted,
  tOfPairs,
  shareDifference,
  welchStatistic,
} from './shuffle-statistics';

/** What is arranged anew, and the statistic looked at. */
export type Shuffling =
  /** Readings of groups; the difference is the first group's less the second's. */
  | { kind: 'labels'; groups: readonly (readonly number[])[]; statistic: Centre | 't' | 'F' }
  /** Differences within pairs. */
  | { kind: 'signs'; differences: readonly number[]; statistic: Centre | 't' }
  /** Counts, groups by outcomes; the share is that of the first outcome. */
  | { kind: 'counts'; table: readonly (readonly number[])[]; statistic: 'share' | 'chi-square' }
  /** Readings of one group or two, each group drawn again from itself. */
  | { kind: 'resample'; groups: readonly (readonly number[])[]; statistic: Centre };

/** Arrangements that share one stream of random numbers. */
export const shuffleBlock = 10_000;

/** One arrangement: what of it can be shown. */
export type Arrangement =
  | { kind: 'labels'; statistic: number; labels: Int32Array }
  | { kind: 'signs'; statistic: number; flipped: boolean[] }
  | { kind: 'counts'; statistic: number; table: number[][] }
  /** Of each group: which of its readings were drawn, by their places. */
  | { kind: 'resample'; statistic: number; drawn: number[][] };

interface Arranger {
  /** Arranges anew and gives the statistic. */
  next: () => number;
  /** The arrangement as it stands. */
  shown: () => Omit<Arrangement, 'statistic'>;
}

/** The readings' group numbers, group after group. */
const labelsOf = (groups: readonly (readonly number[])[]): Int32Array =>
  Int32Array.from(groups.flatMap((g, i) => g.map(() => i)));

/** What a shuffle of two means needs: the readings, the smaller group first, and how its sum becomes the difference. */
function ofMeans(first: readonly number[], second: readonly number[]) {
  const swapped = first.length > second.length;
  const [few, rest] = swapped ? [second, first] : [first, second];
  const values = Float64Array.from([...few, ...rest]);
  const drawn = few.length;
  return {
    values,
    drawn,
    scale: (swapped ? -1 : 1) * (1 / drawn + 1 / rest.length),
    expected: (sum(values) * drawn) / values.length,
  };
}

/** The difference of means from the sum permuted to the smaller group: the reference of what `permutedSums` does faster. */
export function permutedMeans(first: readonly number[], second: readonly number[], generator: Random): () => number {
  const { values, drawn, scale, expected } = ofMeans(first, second);
  const permute = permuter(values, drawn, generator);
  return () => {
    permute();
    let part = 0;
    // eslint-disable-next-line @typescript-eslint/no-non-null-assertion -- within the array
    for (let i = 0; i < drawn; i++) part += values[i]!;
    return (part - expected) * scale;
  };
}

/** Labels permuted anew: all groups but the largest are permuted their places among the readings, put in order of size. */
function permutedLabels({ groups, statistic }: Extract<Shuffling, { kind: 'labels' }>, generator: Random): Arranger {
  const sizes = groups.map((g) => g.length);
  const values = groups.flat();
  const byValue = values.map((_, i) => i).sort((i, j) => nth(values, i) - nth(values, j));
  const rank = new Int32Array(values.length);
  byValue.forEach((i, r) => (rank[i] = r));
  // Smallest group first, as `permutedMeans` has it.
  const order = groups.map((_, i) => i).sort((i, j) => nth(sizes, i) - nth(sizes, j));
  const starts = groups.map((_, i) => sum(sizes.slice(0, i)));
  const places = Float64Array.from(
    order.flatMap((g) => Array.from({ length: nth(sizes, g) }, (_, k) => nth(rank, nth(starts, g) + k))),
  );
  const slots = Int32Array.from(order.flatMap((g) => new Array<number>(nth(sizes, g)).fill(g)));
  const permute = permuter(places, values.length - mostOf(sizes), generator);
  /** The group permuted to each reading, smallest reading first. */
  const label = new Int32Array(values.length);
  const judge = ofSorted(
    statistic,
    Float64Array.from(byValue, (i) => nth(values, i)),
    sizes,
  );
  return {
    next: () => {
      permute();
      // eslint-disable-next-line @typescript-eslint/no-non-null-assertion -- within the arrays
      for (let i = 0; i < slots.length; i++) label[places[i]!] = slots[i]!;
      return judge(label);
    },
    shown: () => ({ kind: 'labels', labels: rank.map((r) => nth(label, r)) }),
  };
}

function flippedSigns(
  differences: readonly number[],
  statistic: (values: Float64Array) => number,
  { bits }: Random,
): Arranger {
  const made = new Float64Array(differences);
  const flipped = differences.map(() => false);
  return {
    next: () => {
      let word = 0;
      for (let i = 0; i < differences.length; i++) {
        if (i % 32 === 0) word = bits();
        const d = nth(differences, i);
        flipped[i] = (word & 1) === 0;
        made[i] = flipped[i] ? -d : d;
        word >>>= 1;
      }
      return statistic(made);
    },
    shown: () => ({ kind: 'signs', flipped: [...flipped] }),
  };
}

function permutedCounts(
  table: readonly (readonly number[])[],
  statistic: (cells: ArrayLike<number>) => number,
  generator: Random,
): Arranger {
  const rows = table.map((row) => sum(row));
  const width = widthOf(table);
  const columns = Array.from({ length: width }, (_, j) => sum(table.map((row) => nth(row, j))));
  const draw = tablesWith(rows, columns, generator);
  let cells: Int32Array = Int32Array.from(table.flat());
  return {
    next: () => statistic((cells = draw())),
    shown: () => ({ kind: 'counts', table: rows.map((_, i) => [...cells.subarray(i * width, (i + 1) * width)]) }),
  };
}

function drawnAgain(groups: readonly (readonly number[])[], centre: Centre, { below }: Random): Arranger {
  const from = groups.map((g) => new Float64Array(g));
  const into = from.map((g) => new Float64Array(g.length));
  const drawn = from.map((g) => new Int32Array(g.length));
  return {
    next: () => {
      from.forEach((group, g) => {
        const [to, which] = [into[g] ?? group, drawn[g] ?? []];
        for (let i = 0; i < group.length; i++) {
          which[i] = below(group.length);
          to[i] = nth(group, nth(which, i));
        }
      });
      return centreDifference(into, centre);
    },
    shown: () => ({ kind: 'resample', drawn: drawn.map((d) => [...d]) }),
  };
}

/** The centre of one group, or the first's less the second's. */
export const centreDifference = (groups: readonly ArrayLike<number>[], centre: Centre): number => {
  const [first = [], second] = groups;
  return centres[centre](first) - (second ? centres[centre](second) : 0);
};

export const ofLabels = (statistic: Centre | 't' | 'F') =>
  statistic === 't' ? welchStatistic : statistic === 'F' ? fStatistic : differenceOf(statistic);
export const ofSigns = (statistic: Centre | 't') => (statistic === 't' ? tOfPairs : centres[statistic]);
const ofCounts = (what: Extract<Shuffling, { kind: 'counts' }>) =>
  what.statistic === 'share' ? shareDifference(what.table) : chiSquareOfTable(what.table);

/** The statistic of the readings as they are. @throws DomainError when there is nothing to arrange */
export function observedOf(what: Shuffling): number {
  switch (what.kind) {
    case 'labels':
      demand(
        what.groups.length >= 2 && what.groups.every((g) => g.length > 0),
        'At least two groups with readings are needed.',
      );
      return ofLabels(what.statistic)(new Float64Array(what.groups.flat()), labelsOf(what.groups));
    case 'signs':
      demand(what.differences.length > 0, 'There are no differences.');
      return ofSigns(what.statistic)(new Float64Array(what.differences));
    case 'counts':
      return ofCounts(what)(what.table.flat());
    case 'resample':
      demand(
        what.groups.every((g) => g.length > 1),
        'Resampling needs at least two readings in each group.',
      );
      return centreDifference(what.groups, what.statistic);
  }
}

function arranger(what: Shuffling, seed: number, block: number): Arranger {
  const generator = random(seed, block + 1);
  switch (what.kind) {
    case 'labels':
      return permutedLabels(what, generator);
    case 'signs':
      return flippedSigns(what.differences, ofSigns(what.statistic), generator);
    case 'counts':
      return permutedCounts(what.table, ofCounts(what), generator);
    case 'resample':
      return drawnAgain(what.groups, what.statistic, generator);
  }
}

/** The mean of differences whose signs are flipped by the same bits as `flippedSigns` takes: all that a mean needs. */
function flippedMeans(differences: readonly number[], { bits }: Random): () => number {
  const values = new Float64Array(differences);
  const n = values.length;
  return () => {
    let total = 0;
    let word = 0;
    for (let i = 0; i < n; i++) {
      if ((i & 31) === 0) word = bits();
      // eslint-disable-next-line @typescript-eslint/no-non-null-assertion -- within the array
      total += (word & 1) === 0 ? -values[i]! : values[i]!;
      word >>>= 1;
    }
    return total / n;
  };
}

/** The statistics of a block's arrangements `from` … `to` − 1, counted within the block. */
export function blockOf(what: Shuffling, seed: number, block: number, from = 0, to = shuffleBlock): Float64Array {
  const [a = [], b = []] = what.kind === 'labels' ? what.groups : [];
  if (what.kind === 'labels' && what.statistic === 'mean') {
    const { values, drawn, scale, expected } = ofMeans(a, b);
    const made = permutedSums(values, drawn, seed, block + 1, to, expected, scale);
    if (made) return made.subarray(from);
  }
  const next =
    what.kind === 'labels' && what.statistic === 'mean'
      ? permutedMeans(a, b, random(seed, block + 1))
      : what.kind === 'signs' && what.statistic === 'mean'
        ? flippedMeans(what.differences, random(seed, block + 1))
        : arranger(what, seed, block).next;
  const out = new Float64Array(to);
  for (let k = 0; k < to; k++) out[k] = next();
  return out.subarray(from);
}

/** The arrangement of a number, counted from 0 over all blocks. */
export function arrangement(what: Shuffling, seed: number, number: number): Arrangement {
  const made = arranger(what, seed, Math.floor(number / shuffleBlock));
  let statistic = 0;
  for (let k = 0; k <= number % shuffleBlock; k++) statistic = made.next();
  return { ...made.shown(), statistic } as Arrangement;
}

/**
 * Statistics no further apart than this differ by rounding alone: that shows at some 1e-16 of the largest number that
 * goes into them. t, F and χ² are without a unit.
 */
export function slackOf(what: Shuffling, observed: number): number {
  if (!Number.isFinite(observed)) return 0;
  const unitless = what.kind === 'counts' || what.statistic === 't' || what.statistic === 'F';
  if (unitless) return 1e-11 * Math.max(1, Math.abs(observed));
  const values = what.kind === 'signs' ? what.differences : what.groups.flat();
  return 1e-12 * values.reduce((most, x) => Math.max(most, Math.abs(x)), 0);
}

/** The same with the readings of all groups counted from one of them: large readings then keep their last decimals. */
export function centred(what: Shuffling): Shuffling {
  if (what.kind !== 'labels') return what;
  const { offsets } = offsetsOf(what.groups.flat());
  let at = 0;
  return { ...what, groups: what.groups.map((g) => [...offsets.subarray(at, (at += g.length))]) };
}

/** Whether a statistic only grows with the departure, so that there is but one tail. */
export const oneTailed = ({ statistic }: Shuffling): boolean => statistic === 'F' || statistic === 'chi-square';
