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
  if (!response.ok) throw await refusedBy(response);
  return (await response.json().catch(() => undefined)) as T;
}

/** A refusal in the server's words. */
export async function refusedBy(response: Response): Promise<Refused> {
  const told = (await response.json().catch(() => undefined)) as { detail?: string } | undefined;
  return new Refused(response.status, told?.detail ?? `The server answered ${response.status}.`);
}

/** An error in words for the person. */
export const inWords = (error: unknown): string =>
  error instanceof Refused ? error.message : 'Divide does not answer: is it still running? Nothing was changed.';
