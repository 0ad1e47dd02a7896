import type { Change } from '../core/study/change';

type Hear = (change: Change) => void;

const listeners = new Set<Hear>();

/** Tells every page that listens of a change. */
export const announce = (change: Change): void => listeners.forEach((hear) => hear(change));

/** A sign of life this often keeps what stands between server and page from closing the line, in milliseconds. */
const every = 20_000;

/** The changes from now on, as server-sent events, until the page goes. */
export function changeStream(gone: AbortSignal): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let stop = (): void => undefined;
  return new ReadableStream({
    start(controller) {
      const say = (text: string) => controller.enqueue(encoder.encode(text));
      const hear: Hear = (change) => say(`data: ${JSON.stringify(change)}\n\n`);
      const alive = setInterval(() => say(':\n\n'), every);
      alive.unref();
      listeners.add(hear);
      stop = () => {
        clearInterval(alive);
        listeners.delete(hear);
      };
      gone.addEventListener('abort', () => stop());
      // The line is open once something came over it.
      say('retry: 1000\n\n');
    },
    cancel: () => stop(),
  });
}
