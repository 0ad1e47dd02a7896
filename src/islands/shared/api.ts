/** A request the server refused, in its words. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

/** Sends JSON and takes JSON. @throws Refused with the server's words; TypeError when no server answers */
export async function send<T>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  path: string,
  value?: unknown,
): Promise<T> {
  const response = await fetch(path, {
    method,
    ...(value === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(value) }),
  });
  const answer = (await response.json().catch(() => undefined)) as unknown;
  if (response.ok) return answer as T;
  const detail = (answer as { detail?: string } | undefined)?.detail;
  throw new Refused(response.status, detail ?? `The server answered ${response.status}.`);
}

/** An error in words for the person. */
export const inWords = (error: unknown): string =>
  error instanceof Refused ? error.message : 'Divide does not answer: is it still running? Nothing was changed.';
