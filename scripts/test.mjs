/**
 * `npm test`: installs what is missing, then type-checks, lints, checks import directions, runs the unit and the
 * browser tests, and closes with the line `N passed, N failed`. Each check counts as one test.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from './chromium.mjs';
import { ensureBuild, ensurePackages, root, run, stop } from './prepare.mjs';

process.env.ASTRO_TELEMETRY_DISABLED = '1';
let passed = 0;
let failed = 0;

function check(name, command, args) {
  console.log(`\n— ${name}`);
  const ok = run(command, args).status === 0;
  if (ok) passed += 1;
  else failed += 1;
  console.log(ok ? `  ${name}: in order` : `  ${name}: FAILED`);
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

/** Runs a test runner that writes a report, and adds what the report counts. */
function suite(name, command, args, report, count) {
  console.log(`\n— ${name}`);
  rmSync(report, { force: true });
  const { status } = run(command, args);
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

ensurePackages();
mkdirSync(join(root, '.tmp'), { recursive: true });
check('types', 'npx', ['tsc', '--noEmit']);
check('types in pages', 'npx', ['astro', 'check', '--minimumSeverity', 'error']);
check('lint', 'npx', ['eslint', '.', '--max-warnings', '0']);
check('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
check('import directions', 'npx', [
  'depcruise',
  'src',
  'demo',
  '--config',
  '.dependency-cruiser.cjs',
  '--output-type',
  'err-long',
]);

const unitReport = join(root, '.tmp/unit.json');
suite(
  'unit tests',
  'npx',
  ['mocha', '--reporter', 'tests/reporter.cjs', '--reporter-option', `output=${unitReport}`],
  unitReport,
  (r) => ({
    passed: r.passes,
    failed: r.failures,
  }),
);

ensureChromium();
ensureBuild();
const browserReport = join(root, '.tmp/browser.json');
process.env.PLAYWRIGHT_JSON_OUTPUT_NAME = browserReport;
suite('browser tests', 'npx', ['playwright', 'test', '--reporter=list,json'], browserReport, (r) => ({
  passed: r.stats.expected + r.stats.flaky,
  failed: r.stats.unexpected,
}));

console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed > 0 ? 1 : 0;
