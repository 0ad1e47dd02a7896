/** A server of its own on a database that is thrown away: for pictures and measurements. */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root } from './prepare.mjs';

export const answers = (base) =>
  fetch(base).then(
    (r) => r.ok,
    () => false,
  );

/** Serves, runs `use` with the address, and clears away whatever happens. */
export async function served(port, args, use) {
  const folder = mkdtempSync(join(tmpdir(), 'divide-'));
  const base = `http://127.0.0.1:${port}`;
  const server = spawn(process.execPath, ['scripts/serve.mjs', ...args], {
    cwd: root,
    env: { ...process.env, PORT: String(port), DIVIDE_DB: join(folder, 'divide.sqlite') },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  try {
    for (let tries = 0; tries < 240 && !(await answers(base)); tries++)
      await new Promise((resolve) => setTimeout(resolve, 500));
    await use(base);
  } finally {
    server.kill();
    rmSync(folder, { recursive: true, force: true });
  }
}
