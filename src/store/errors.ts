/** There is no such thing any more: it was deleted, or never was. */
export class NotFound extends Error {
  override name = 'NotFound' as string;
}

/** What was here was removed since, and can be brought back. */
export class Gone extends NotFound {
  override name = 'Gone';
}

/** The database cannot be written now, for a reason outside Divide. */
export class NotKept extends Error {
  override name = 'NotKept';
}

/** The write started from an older state than the one kept. */
export class Conflict extends Error {
  override name = 'Conflict';
  constructor(
    message: string,
    /** The revision kept now. */
    readonly revision: number,
  ) {
    super(message);
  }
}

/** Whether a change that started from an older state is what is kept now: it came before, and only its reply was lost. */
export const isKept = (kept: unknown, sent: unknown): boolean => JSON.stringify(kept) === JSON.stringify(sent);

export const newerElsewhere = (what: string, revision: number): Conflict =>
  new Conflict(`${what} changed in another window since this one was opened. Nothing of yours was written.`, revision);
