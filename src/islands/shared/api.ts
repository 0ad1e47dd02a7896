import { nanoid } from 'nanoid';
import { windowHeader } from '../../core/study/change';
import { type Saving, pause } from './saving';

/** This page, as the server and the other pages know it. */
export const thisWindow = nanoid(8);

/** A request the server refused, in its words. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

/** Letters up to which a change is sent on also when its page is left: browsers hold 64 KiB of such, three bytes a letter. */
const sentOn = 20_000;

/** Sends JSON and takes JSON. @throws Refused with the server's words; TypeError when no server answers */
export async function send<T>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  path: string,
  value?: unknown,
): Promise<T> {
  const body = value === undefined ? undefined : JSON.stringify(value);
  const response = await fetch(path, {
    method,
    keepalive: method !== 'GET' && (body?.length ?? 0) <= sentOn,
    headers: { [windowHeader]: thisWindow, ...(value === undefined ? {} : { 'content-type': 'application/json' }) },
    ...(body === undefined ? {} : { body }),
  });
  if (!response.ok) throw await refusedBy(response);
  return (await response.json().catch(() => undefined)) as T;
}

/** A refusal in the server's words. */
export async function refusedBy(response: Response): Promise<Refused> {
  const told = (await response.json().catch(() => undefined)) as { detail?: string } | undefined;
  return new Refused(response.status, told?.detail ?? `The server answered ${response.status}.`);
}

/** What an unanswered or refused save comes to. */
export function savingAfter(error: unknown): Exclude<Saving, { state: 'saved' | 'saving' }> {
  if (!(error instanceof Refused)) return { state: 'waiting' };
  const { status, message: reason } = error;
  if (status >= 500) return { state: 'waiting', reason };
  if (status === 410 || status === 404) return { state: 'gone', reason };
  return { state: 'refused', reason, newer: status === 409 };
}

/** Tries until the server answers, and says how it stands. @throws Refused what it refuses */
export async function insisting<T>(run: () => Promise<T>, say: (saving: Saving) => void): Promise<T> {
  for (let tries = 0; ; tries++) {
    try {
      return await run();
    } catch (error) {
      const became = savingAfter(error);
      say(became);
      if (became.state !== 'waiting') throw error;
      await new Promise((resolve) => setTimeout(resolve, pause(tries)));
    }
  }
}

/** An error in words for the person. */
export const inWords = (error: unknown): string =>
  error instanceof Refused ? error.message : 'Divide does not answer: is it still running? Nothing was changed.';
