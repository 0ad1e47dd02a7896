/** The server's pool of threads. */
import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import Piscina from 'piscina';
import { problem } from '../problem';
import { type Given, type TaskName, runTask } from './tasks';
import type { Parts } from './thread';

/** Milliseconds an answer may take, unless `DIVIDE_BUDGET_MS` says otherwise. */
const budget = Number(process.env['DIVIDE_BUDGET_MS'] ?? 10_000);

let made: Piscina | undefined;

/** The pool, made at first use; undefined where the thread's file was not built, as while developing. */
function pool(): Piscina | undefined {
  const filename = join(process.env['DIVIDE_ROOT'] ?? process.cwd(), 'dist/server/thread.mjs');
  if (!made && existsSync(filename))
    made = new Piscina({
      filename,
      minThreads: 1,
      // One more than are kept busy by a long one, also on two cores.
      maxThreads: Math.max(2, availableParallelism() - 1),
      idleTimeout: 60_000,
    });
  return made;
}

const tooLong = (): Response =>
  problem(
    422,
    'Takes too long',
    `Working this out takes longer than ${budget / 1000} seconds, and was ended so that others need not wait. What would help: fewer groups or categories, the large-sample test in place of an exact or a permuted one, or the same question on its page, which has no such limit.`,
  );

/** Runs a task off the server's own thread, so that no other request waits for it. @param limited whether it has a time budget */
export async function inThread<T extends TaskName>(name: T, given: Given<T>, limited = false): Promise<Response> {
  const threads = pool();
  if (!threads) return runTask(name, given);
  try {
    const { status, headers, body } = (await threads.run(
      { name, given },
      limited ? { signal: AbortSignal.timeout(budget) } : {},
    )) as Parts;
    return new Response(body as BodyInit, { status, headers });
  } catch (error) {
    if (error instanceof Error && error.name === 'AbortError') return tooLong();
    console.error(error);
    return problem(500, 'A fault of ours', 'This could not be done because of a fault in Divide. Nothing was written.');
  }
}
