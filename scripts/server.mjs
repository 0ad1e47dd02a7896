/** The server itself: the built application behind its door, on a database file that was checked and is held. */
import { createServer } from 'node:http';
import { randomBytes } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { root, stop } from './prepare.mjs';

const loopback = new Set(['127.0.0.1', 'localhost', '::1']);

/** Serves until it is told to stop. @returns the address to open */
export async function serve({ host, port, file }) {
  const built = (name) => import(pathToFileURL(join(root, 'dist/server', name)).href);
  const { NotServed, checked, door, held } = await built('door.mjs');
  let release;
  try {
    release = held(file);
    const told = checked(file, root);
    if (told) console.log(told);
  } catch (error) {
    if (error instanceof NotServed) stop(error.message);
    throw error;
  }
  // What others can reach is under a key, always.
  const key = process.env.DIVIDE_KEY || (loopback.has(host) ? undefined : randomBytes(15).toString('base64url'));
  Object.assign(process.env, {
    NODE_ENV: process.env.NODE_ENV ?? 'production',
    DIVIDE_ROOT: root,
    DIVIDE_DB: file,
    ASTRO_NODE_AUTOSTART: 'disabled',
    ASTRO_NODE_LOGGING: 'disabled',
  });
  const { handler } = await built('entry.mjs');
  // Every page's scripts are loaded before the first is asked for: nobody who comes first waits for them, or holds others up.
  for (const page of readdirSync(join(root, 'dist/server/pages'), { recursive: true }))
    if (page.endsWith('.mjs')) await built(join('pages', page));
  const hosts = [...loopback, '[::1]', host, `[${host}]`, ...(process.env.DIVIDE_HOSTS ?? '').split(',')].map((h) =>
    h.trim(),
  );
  const server = createServer(door(handler, { hosts: hosts.filter(Boolean), key }));
  await new Promise((ready, failed) => {
    server.once('error', failed);
    server.listen(port, host, ready);
  });
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      server.close();
      release();
      // What is open is closed on the way out, so that the one file is the whole of it.
      process.exit(0);
    });
  return `http://${host.includes(':') ? `[${host}]` : host}:${port}/${key === undefined ? '' : `?key=${key}`}`;
}
