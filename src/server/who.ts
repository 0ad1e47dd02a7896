import { AsyncLocalStorage } from 'node:async_hooks';
import { userInfo } from 'node:os';

const names = new AsyncLocalStorage<string>();

/** Runs what a request asks for under the name its person gave; under this computer's own where they gave none. */
export const knownAs = <T>(name: string | undefined, run: () => T): T => (name ? names.run(name, run) : run());

/** The name this computer knows its user by. */
export function computersUser(): string {
  try {
    return userInfo().username;
  } catch {
    return '';
  }
}

/** Who is asking, for the log. */
export const who = (): string => names.getStore() ?? computersUser();

/** What was done, without the name this computer has for its user: that is nobody else's business. */
export function nameless<T extends { by: string }>(lines: readonly T[]): T[] {
  const own = computersUser();
  return lines.map((line) => (line.by === own ? { ...line, by: '' } : line));
}
