import * as v from 'valibot';
import type { Given } from './given';
import { procedures } from './procedures';

const Case = v.object({
  id: v.string(),
  procedure: v.string(),
  given: v.record(v.string(), v.unknown()),
  expected: v.record(v.string(), v.unknown()),
  rel: v.number(),
});
const Cases = v.object({ cases: v.array(Case) });

export interface ReferenceLine {
  procedure: string;
  cases: number;
  built: boolean;
  /** Numbers set against each other. */
  compared: number;
  /** The largest |computed − expected| / |expected| of all its numbers. */
  worst: number;
  misses: string[];
}

/** Walks what is expected; each number in it must be met by the number of the same path. */
function compare(
  expected: unknown,
  computed: unknown,
  path: string,
  found: (path: string, error: number) => void,
): void {
  if (typeof expected === 'number') {
    // A number computed as nothing, or as NaN, is as wrong as can be.
    const value = typeof computed === 'number' ? computed : Number.NaN;
    const error = expected === 0 ? Math.abs(value) : Math.abs(value - expected) / Math.abs(expected);
    found(path, Number.isNaN(error) ? Infinity : error);
  } else if (expected === null) {
    if (computed !== null && computed !== undefined) found(path, Infinity);
  } else if (typeof expected === 'object') {
    const inside = new Map(Object.entries((computed ?? {}) as Record<string, unknown>));
    for (const [key, value] of Object.entries(expected)) compare(value, inside.get(key), `${path}.${key}`, found);
  } else if (expected !== computed) found(path, Infinity);
}

/** What is expected, as far as it was computed. */
const shared = (expected: unknown, computed: unknown): unknown =>
  Array.isArray(expected) && Array.isArray(computed) && expected.length === computed.length
    ? expected.map((value, i) => shared(value, computed[i]))
    : typeof expected === 'object' && expected !== null && !Array.isArray(expected)
      ? Object.fromEntries(
          Object.entries(expected).flatMap(([key, value]) => {
            const found = (computed as Record<string, unknown> | undefined)?.[key];
            return found === undefined ? [] : [[key, shared(value, found)]];
          }),
        )
      : expected;

/**
 * Runs all cases of a file's text, grouped by procedure in the order they come.
 * @param runs what computes each procedure's numbers
 * @param partly whether a run may leave some of them out
 */
export function checkCases(
  json: string,
  runs: Readonly<Record<string, (given: Given) => unknown>> = procedures,
  partly = false,
): ReferenceLine[] {
  const { cases } = v.parse(Cases, JSON.parse(json));
  const lines = new Map<string, ReferenceLine>();
  for (const { id, procedure, given, expected, rel } of cases) {
    const run = runs[procedure];
    const line = lines.get(procedure) ?? {
      procedure,
      cases: 0,
      built: run !== undefined,
      compared: 0,
      worst: 0,
      misses: [],
    };
    lines.set(procedure, line);
    line.cases += 1;
    if (!run) continue;
    let computed: unknown;
    try {
      computed = run(given);
    } catch (error) {
      line.misses.push(`${id}: ${String(error)}`);
      continue;
    }
    compare(partly ? shared(expected, computed) : expected, computed, id, (path, error) => {
      line.compared += 1;
      line.worst = Math.max(line.worst, error);
      if (!(error <= rel)) line.misses.push(`${path}: relative error ${error.toExponential(1)}, allowed ${rel}`);
    });
  }
  return [...lines.values()];
}
