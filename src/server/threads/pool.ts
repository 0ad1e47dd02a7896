/** The server's pool of threads. */
import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import Piscina from 'piscina';
import { problem } from '../problem';
import { type Given, type TaskName, runTask } from './tasks';
import type { Parts } from './thread';

/** Milliseconds each task may take; `DIVIDE_BUDGET_MS` says otherwise of an answer. What writes is not broken off. */
const budgets: Partial<Record<TaskName, number>> = {
  answer: Number(process.env['DIVIDE_BUDGET_MS'] ?? 10_000),
  spreads: 30_000,
  pdf: 60_000,
  pieces: 120_000,
  bundle: 300_000,
  bundles: 900_000,
};

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

const wouldHelp: Partial<Record<TaskName, string>> = {
  answer:
    'fewer groups or categories, the large-sample test in place of an exact or a permuted one, or the same question on its page, which has no such limit',
  pieces: 'a large-sample test in place of an exact or a permuted one in the questions of this study',
};

const tooLong = (name: TaskName): Response =>
  problem(
    422,
    'Takes too long',
    `Working this out takes longer than ${(budgets[name] ?? 0) / 1000} seconds, and was ended so that others need not wait.${wouldHelp[name] ? ` What would help: ${wouldHelp[name]}.` : ''}`,
  );

/**
 * Runs a task off the server's own thread, so that no other request waits for it.
 * @param wanted ends when nobody waits for it any more: it is then dropped, unless it writes
 */
export async function inThread<T extends TaskName>(name: T, given: Given<T>, wanted?: AbortSignal): Promise<Response> {
  const budget = budgets[name];
  const threads = pool();
  if (!threads) return runTask(name, given);
  try {
    const { status, headers, body } = (await threads.run(
      { name, given },
      budget === undefined
        ? {}
        : { signal: AbortSignal.any([AbortSignal.timeout(budget), ...(wanted ? [wanted] : [])]) },
    )) as Parts;
    return new Response(body as BodyInit, { status, headers });
  } catch (error) {
    if (error instanceof Error && error.name === 'AbortError')
      return wanted?.aborted ? problem(499, 'Dropped', 'Whoever asked is gone.') : tooLong(name);
    console.error(error);
    return problem(500, 'A fault of ours', 'This could not be done because of a fault in Divide. Nothing was written.');
  }
}
