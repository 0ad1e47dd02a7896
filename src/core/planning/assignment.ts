/** Chance at work before an experiment: a sample drawn, subjects allocated, treatments laid out, each from a seed. */
import { demand } from '../numeric/domain-error';
import { counted } from '../readings/counted';
import { allocate, drawRows } from '../readings/draw';
import { placeLetters } from '../readings/place-letters';
import { arrange } from './arrange';
import { nth } from '../numeric/nth';

export const allocationWays = { simple: 'freely', blocks: 'in blocks', strata: 'within strata' } as const;
export type AllocationWay = keyof typeof allocationWays;

/** What is left to chance: which subjects are drawn, which treatment each gets, or where each treatment stands. */
export type Assigning =
  | { task: 'draw'; subjects: readonly string[]; n: number; replace: boolean; seed: number }
  | {
      task: 'allocate';
      /** A line each; within strata with the stratum after a tab or a colon: "A1: upper tank". */
      subjects: readonly string[];
      treatments: readonly string[];
      way: AllocationWay;
      /** Subjects in a block. */
      block: number;
      seed: number;
    }
  | { task: 'layout'; treatments: readonly string[]; rows: number; columns: number; even: boolean; seed: number };

export interface Assignment {
  head: string[];
  rows: string[][];
  /** A layout in its places: its rows A, B …, one under the other. */
  grid?: string[][];
  /** What was done, in a sentence or two, with the seed. */
  told: string;
  seed: number;
}

/**
 * A list as it is typed or pasted: a line each; names in one line are parted by semicolons, else by commas, where some are
 * followed by a space by those alone: "0,5 mM, 1 mM" names two.
 */
export function listOf(text: string): string[] {
  const whole = text.trim();
  const apart = whole.includes('\n') ? '\n' : whole.includes(';') ? ';' : /,\s/.test(whole) ? /,\s/ : ',';
  return whole
    .split(apart)
    .map((name) => name.trim())
    .filter(Boolean);
}

/** Names that stand more than once, told: each of them is taken for one of its own. */
function repeatedTold(names: readonly string[]): string {
  const seen = new Set<string>();
  const twice = new Set(names.filter((name) => seen.size === seen.add(name).size));
  const [first, ...others] = twice;
  if (first === undefined) return '';
  return ` “${first}”${others.length > 0 ? ` and ${counted(others.length, 'other name')}` : ''} ${others.length > 0 ? 'stand' : 'stands'} more than once: each was taken for one of its own.`;
}

interface Subject {
  name: string;
  stratum: string;
}

/** A subject and its stratum, of a line as typed: a colon or a tab parts them. */
function parted(line: string): Subject {
  const [, name = line, stratum = ''] = /^([^\t:]*)[\t:](.*)$/.exec(line) ?? [];
  return { name: name.trim(), stratum: stratum.trim() };
}

/** @throws DomainError where there is nothing to assign, or it cannot be done as asked */
export function assign(asked: Assigning): Assignment {
  const { seed } = asked;
  if (asked.task === 'layout') {
    const { treatments, rows, columns, even } = asked;
    const grid = arrange(rows, columns, treatments, seed, even);
    return {
      head: ['place', 'row', 'column', 'treatment'],
      rows: grid.flatMap((line, r) =>
        line.map((t, c) => [`${placeLetters(r)}${c + 1}`, placeLetters(r), String(c + 1), t]),
      ),
      grid,
      told: `${counted(treatments.length, 'treatment')} over ${counted(rows, 'row')} and ${counted(columns, 'column')} at random${even ? ', each row and column holding them as evenly as can be' : ''}, seed ${seed}.`,
      seed,
    };
  }
  const stratified = asked.task === 'allocate' && asked.way === 'strata';
  const subjects = asked.subjects.map((line): Subject => (stratified ? parted(line) : { name: line, stratum: '' }));
  demand(subjects.length >= 1 && subjects.length <= 100_000, 'Name from 1 to 100,000 subjects.');
  const repeated = repeatedTold(subjects.map(({ name }) => name));
  if (asked.task === 'draw') {
    const { n, replace } = asked;
    const drawn = drawRows(
      subjects.map((_, i) => i),
      n,
      replace,
      seed,
    );
    return {
      head: ['drawn', 'subject'],
      rows: drawn.map((row, i) => [String(i + 1), nth(subjects, row).name]),
      told: `${counted(n, 'subject')} drawn at random from ${subjects.length} ${replace ? 'with' : 'without'} replacement, seed ${seed}.${repeated}`,
      seed,
    };
  }
  const { treatments, way, block } = asked;
  demand(
    way !== 'strata' || subjects.every((s) => s.stratum !== ''),
    'Give each subject its stratum: a line each, as “A1: upper tank”.',
  );
  const given = allocate(subjects.length, { way, treatments, seed, block, strata: subjects.map((s) => s.stratum) });
  const group = (i: number): string[] =>
    way === 'blocks' ? [String(Math.floor(i / block) + 1)] : way === 'strata' ? [nth(subjects, i).stratum] : [];
  const how = way === 'blocks' ? ` in blocks of ${block}` : way === 'strata' ? ' within strata' : '';
  const over = way === 'blocks' ? subjects.length % block : 0;
  const short = over
    ? ` The last block is short: ${over} of ${block}, so that its treatments need not come equally often.`
    : '';
  return {
    head: ['subject', ...(way === 'blocks' ? ['block'] : way === 'strata' ? ['stratum'] : []), 'treatment'],
    rows: subjects.map((s, i) => [s.name, ...group(i), nth(given, i)]),
    told: `${counted(subjects.length, 'subject')} allocated at random to ${treatments.join(', ')}${how}, seed ${seed}.${short}${repeated}`,
    seed,
  };
}

/** A line for each subject or place, as it is copied and kept: with the seed it comes from. */
export const asList = ({ head, rows, seed }: Assignment): string[][] => [
  [...head, 'seed'],
  ...rows.map((row) => [...row, String(seed)]),
];

/** A layout as it stands before one, A, B … by 1, 2 …, its seed in the corner; undefined of what has no places. */
export const asGrid = ({ grid, seed }: Assignment): string[][] | undefined =>
  grid && [
    [`seed ${seed}`, ...(grid[0] ?? []).map((_, c) => String(c + 1))],
    ...grid.map((line, r) => [placeLetters(r), ...line]),
  ];
