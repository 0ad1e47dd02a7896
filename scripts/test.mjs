/**
 * `npm test`: installs what is missing, then type-checks, lints, checks import directions, runs the unit and the
 * browser tests, and closes with the line `N passed, N failed`. Each check counts as one test. The unit tests run in two
 * halves beside the checks and the build, since each of them keeps one processor busy.
 */
import { spawn, spawnSync } from 'node:child_process';
import { closeSync, existsSync, mkdirSync, openSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from './chromium.mjs';
import { ensureBuild, ensurePackages, root, run, stop } from './prepare.mjs';

process.env.ASTRO_TELEMETRY_DISABLED = '1';
let passed = 0;
let failed = 0;

/** Runs a command to its end, its words kept in a file so that two at once do not talk over each other. */
async function aside(name, command, args) {
  const file = join(root, '.tmp', `${name.replaceAll(' ', '-')}.log`);
  const out = openSync(file, 'w');
  const running = spawn(command, args, { cwd: root, shell: process.platform === 'win32', stdio: ['ignore', out, out] });
  const status = await new Promise((end) => running.on('close', end).on('error', end));
  closeSync(out);
  console.log(`\n— ${name}\n${readFileSync(file, 'utf8')}`);
  return status;
}

async function check(name, command, args) {
  const ok = (await aside(name, command, args)) === 0;
  if (ok) passed += 1;
  else failed += 1;
  console.log(`  ${name}: ${ok ? 'in order' : 'FAILED'}`);
}

function ensureChromium() {
  if (existsSync(chromium.executablePath)) return;
  console.log('Installing Chromium for the browser tests …');
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo'];
  for (const args of [
    ['update', '-qq'],
    ['install', '-y', '-qq', '--no-install-recommends', 'chromium'],
  ]) {
    const [command, ...rest] = [...asRoot, 'apt-get', ...args];
    spawnSync(command, rest, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  }
  if (!existsSync(chromium.executablePath))
    stop('the browser tests need Chromium, and apt-get could not install it: install it as /usr/bin/chromium.');
}

/** Adds what the report of a test runner counts, given how the runner ended. */
function tally(name, status, report, count) {
  if (!existsSync(report)) {
    failed += 1;
    console.log(`  ${name}: FAILED to run`);
    return;
  }
  const counted = count(JSON.parse(readFileSync(report, 'utf8')));
  passed += counted.passed;
  failed += counted.failed;
  // A run that went wrong without a failed test, or that ran none, has failed all the same.
  if (counted.failed === 0 && (status !== 0 || counted.passed === 0)) failed += 1;
  console.log(`  ${name}: ${counted.passed} passed, ${counted.failed} failed`);
}

/** The unit tests but for those that the other half runs, by the names of their files. */
async function unitTests(name, others) {
  const report = join(root, `.tmp/${name.replaceAll(' ', '-')}.json`);
  rmSync(report, { force: true });
  const reporter = ['--reporter', 'tests/reporter.cjs', '--reporter-option', `output=${report}`];
  const status = await aside(name, 'npx', ['mocha', ...reporter, '--ignore', `tests/unit/${others}*`]);
  tally(name, status, report, (r) => ({ passed: r.passes, failed: r.failures }));
}

async function checksAndBuild() {
  // Of every file: pages, and modules too.
  await check('types', 'npx', ['astro', 'check', '--minimumSeverity', 'error']);
  await check('lint', 'npx', ['eslint', '.', '--max-warnings', '0']);
  await check('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
  const rules = ['--config', '.dependency-cruiser.cjs', '--output-type', 'err-long'];
  await check('import directions', 'npx', ['depcruise', 'src', 'demo', ...rules]);
  ensureChromium();
  ensureBuild();
}

function browserTests() {
  const report = join(root, '.tmp/browser.json');
  rmSync(report, { force: true });
  process.env.PLAYWRIGHT_JSON_OUTPUT_NAME = report;
  console.log('\n— browser tests');
  const { status } = run('npx', ['playwright', 'test', '--reporter=list,json']);
  tally('browser tests', status, report, (r) => ({
    passed: r.stats.expected + r.stats.flaky,
    failed: r.stats.unexpected,
  }));
}

ensurePackages();
mkdirSync(join(root, '.tmp'), { recursive: true });
await Promise.all([unitTests('unit tests a to m', '[n-z]'), unitTests('unit tests n to z', '[a-m]'), checksAndBuild()]);
browserTests();

console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed > 0 ? 1 : 0;
