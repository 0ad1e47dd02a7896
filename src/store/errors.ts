/** There is no such thing any more: it was deleted, or never was. */
export class NotFound extends Error {
  override name = 'NotFound';
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

export const newerElsewhere = (what: string, revision: number): Conflict =>
  new Conflict(`${what} changed in another window since this one was opened. Nothing of yours was written.`, revision);
