/** What every command needs before it can start: the packages, and the build. Uses Node alone. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));

/** Ends with a clear line and a non-zero exit. */
export function stop(reason) {
  console.error(`\nDivide cannot start: ${reason}`);
  process.exit(1);
}

function has(command) {
  return spawnSync(command, ['--version'], { stdio: 'ignore' }).error === undefined;
}

export function run(command, args, options = {}) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', shell: process.platform === 'win32', ...options });
}

function databaseLoads() {
  const probe = "const D=require('better-sqlite3');new D(':memory:').close()";
  return spawnSync(process.execPath, ['-e', probe], { cwd: root, stdio: 'ignore' }).status === 0;
}

function writeStamp(file, text) {
  try {
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(file, text);
  } catch (error) {
    stop(
      `the folder ${dirname(file)} cannot be written (${error.code ?? error.message}). Give yourself the right to write there.`,
    );
  }
}

/** Installs the packages when they are missing, or when the lock file has changed since. */
export function ensurePackages() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 11)) stop(`it needs Node 20.11 or newer, and this is ${process.version}.`);
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const stamp = join(root, 'node_modules', '.divide-packages');
  const fresh = existsSync(stamp) && readFileSync(stamp, 'utf8') === lock;
  if (!fresh) {
    console.log('Installing packages (once; the database driver is compiled, about two minutes) …');
    // `npm install` with the lock file rather than `npm ci`: where a registry lacks the packages for some other platform,
    // which are optional, the former goes on without them and the latter stops.
    const installed = run('npm', ['install', '--no-save', '--no-audit', '--no-fund', '--loglevel=error']);
    if (installed.status !== 0) {
      const missing = [
        ['python3', has('python3')],
        ['make', has('make')],
        ['g++', has('g++') || has('c++') || has('clang++')],
      ]
        .filter(([, found]) => !found)
        .map(([name]) => name);
      stop(
        missing.length > 0
          ? `the database driver must be compiled, and ${missing.join(', ')} ${missing.length > 1 ? 'are' : 'is'} missing. On Debian or Ubuntu: apt-get install python3 make g++`
          : 'npm could not install the packages; its own lines above say why.',
      );
    }
  }
  if (!databaseLoads()) {
    run('npm', ['rebuild', 'better-sqlite3', '--loglevel=error']);
    if (!databaseLoads())
      stop(
        'the database driver does not load. A C++ compiler is needed to build it: on Debian or Ubuntu, apt-get install python3 make g++',
      );
  }
  if (!fresh) writeStamp(stamp, lock);
}

function* filesBelow(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
    if (entry.name.startsWith('.')) continue;
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* filesBelow(path);
    else yield path;
  }
}

/** Builds the application when its sources have changed since the last build. */
export function ensureBuild() {
  const hash = createHash('sha256');
  const sources = ['astro.config.mjs', 'package-lock.json', 'tsconfig.json'].map((f) => join(root, f));
  for (const folder of ['src', 'demo', 'kernels', 'public']) sources.push(...filesBelow(join(root, folder)));
  for (const file of sources)
    if (statSync(file).isFile()) hash.update(file.slice(root.length)).update(readFileSync(file));
  const digest = hash.digest('hex');
  const stamp = join(root, 'dist', '.divide-build');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === digest) return;
  console.log('Building …');
  const built = run('npx', ['astro', 'build', '--silent'], { env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' } });
  if (built.status !== 0) stop('the build failed; the lines above say where.');
  writeStamp(stamp, digest);
}
