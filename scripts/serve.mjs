/**
 * `npm start` serves the person's own studies from data/; `npm run demo` seeds the demo study into a database of its
 * own and serves that. PORT, HOST, DIVIDE_DB, DIVIDE_HOSTS and DIVIDE_KEY may be set.
 */
import { accessSync, constants, existsSync, mkdirSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, resolve } from 'node:path';
import { ensureBuild, ensurePackages, root, run, stop } from './prepare.mjs';
import { serve } from './server.mjs';

const demo = process.argv.includes('--demo');
const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 4321);
const file = resolve(root, process.env.DIVIDE_DB ?? (demo ? 'demo/.data/demo.sqlite' : 'data/divide.sqlite'));

if (!Number.isInteger(port) || port < 1 || port > 65535)
  stop(`PORT is ${process.env.PORT}, which is not a port number from 1 to 65535.`);

await new Promise((ready) => {
  const probe = createServer();
  probe.once('error', (error) =>
    stop(
      error.code === 'EADDRINUSE'
        ? `port ${port} is in use by another program. Close that, or choose another: PORT=${port + 1} npm ${demo ? 'run demo' : 'start'}`
        : `it cannot listen on ${host}:${port} (${error.message}).`,
    ),
  );
  probe.listen(port, host, () => probe.close(ready));
});

ensurePackages();
ensureBuild();

try {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  accessSync(dirname(file), constants.W_OK);
  if (existsSync(file)) accessSync(file, constants.W_OK);
} catch (error) {
  stop(
    `${file} cannot be written (${error.code ?? error.message}). Give yourself the right to write there, or name another place in DIVIDE_DB.`,
  );
}

process.env.DIVIDE_ROOT = root;
process.env.DIVIDE_DB = file;

if (demo) {
  const seeded = run(process.execPath, ['--import', 'tsx', 'demo/seed.ts']);
  if (seeded.status !== 0) stop('the demo study could not be put into its database; the lines above say why.');
}

console.log(`Divide is open at ${await serve({ host, port, file })}`);
console.log(`Studies are kept in ${file}. Ctrl+C stops it.`);
