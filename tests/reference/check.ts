import * as v from 'valibot';
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

/** Runs all cases of a file's text, grouped by procedure in the order they come. */
export function checkCases(json: string): ReferenceLine[] {
  const { cases } = v.parse(Cases, JSON.parse(json));
  const lines = new Map<string, ReferenceLine>();
  for (const { id, procedure, given, expected, rel } of cases) {
    const run = procedures[procedure];
    const line = lines.get(procedure) ?? { procedure, cases: 0, built: run !== undefined, worst: 0, misses: [] };
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
    compare(expected, computed, id, (path, error) => {
      line.worst = Math.max(line.worst, error);
      if (!(error <= rel)) line.misses.push(`${path}: relative error ${error.toExponential(1)}, allowed ${rel}`);
    });
  }
  return [...lines.values()];
}
