import { understoodCase } from '../../src/server/understood-case';

/** What must hold of a table; what is left out is free. */
interface Expected {
  layout?: string[];
  turned?: boolean;
  groups?: string[];
  anyOrder?: boolean;
  notGroups?: string[];
  unit?: string;
  subject?: string;
  labels?: string;
  categories?: string[];
  total?: number;
  shares?: [number, number][];
  readings?: number;
  samples?: number;
  spread?: string;
  asks?: string[];
  neverAsks?: string[];
  doubts?: string[];
}

/** A table as it is pasted, with what a careful colleague understands. */
export interface Case {
  id: string;
  why: string;
  text: string;
  expect: Expected;
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
const sorted = (names: readonly string[]): string[] => [...names].sort();

/** What of a case does not hold, each in words. */
export function missed({ text, expect: e }: Case): string[] {
  const o = understoodCase(text);
  const miss: string[] = [];
  const hold = (holds: boolean, what: string): void => {
    if (!holds) miss.push(what);
  };
  if (e.layout) hold(e.layout.includes(o.layout), `layout ${o.layout}`);
  if (e.turned) hold(o.turned, 'not turned');
  if (e.groups)
    hold(
      e.anyOrder ? same(sorted(o.groups), sorted(e.groups)) : same(o.groups, e.groups),
      `groups ${o.groups.join(', ')}`,
    );
  hold(!(e.notGroups ?? []).some((n) => o.groups.includes(n)), `groups ${o.groups.join(', ')}`);
  for (const key of ['unit', 'subject', 'labels', 'total', 'readings', 'samples', 'spread'] as const)
    if (e[key] !== undefined) hold(o[key] === e[key], `${key} ${String(o[key])}, not ${String(e[key])}`);
  if (e.categories) hold(same(o.categories, e.categories), `categories ${String(o.categories)}`);
  if (e.shares) hold(same(o.shares, e.shares), `shares ${JSON.stringify(o.shares)}`);
  if (e.asks) hold(e.asks.includes(o.asks ?? ''), `asks ${String(o.asks)}`);
  hold(!(e.neverAsks ?? []).includes(o.asks ?? ''), `asks ${String(o.asks)}`);
  for (const doubt of e.doubts ?? []) hold((o.doubts as string[]).includes(doubt), `no doubt about ${doubt}`);
  if (e.doubts?.length === 0) hold(o.doubts.length === 0, `needless doubt: ${o.doubts.join(', ')}`);
  return miss;
}
