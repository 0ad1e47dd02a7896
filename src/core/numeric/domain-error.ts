/**
 * What cannot be computed says why, in words.
 * Deep inside the core a bad argument throws a `DomainError`; every public procedure turns it into an `Outcome`,
 * so that no caller ever meets NaN, and no caller needs a try.
 */
export class DomainError extends Error {
  override name = 'DomainError';
}

/** Either a value, or the reason, in words, why there is none. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; reason: string };

/** Runs a computation; a `DomainError` becomes its reason, anything else is a fault of ours and is thrown on. */
export function attempt<T>(compute: () => T): Outcome<T> {
  try {
    return { ok: true, value: compute() };
  } catch (error) {
    if (error instanceof DomainError) return { ok: false, reason: error.message };
    throw error;
  }
}

/** Throws a `DomainError` with these words unless the condition holds. */
export function demand(condition: boolean, reason: string): asserts condition {
  if (!condition) throw new DomainError(reason);
}
