import { NotFound } from '../store/errors';

/** What a page is made of; undefined where something of it is not there, and the page is to say so. */
export function orNotFound<T>(read: () => T): T | undefined {
  try {
    return read();
  } catch (error) {
    if (error instanceof NotFound) return undefined;
    throw error;
  }
}
