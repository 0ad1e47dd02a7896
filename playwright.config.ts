import { defineConfig } from '@playwright/test';
import { chromium } from './scripts/chromium.mjs';

// Walks of a worker share one browser context, emptied between them: starting afresh costs a tenth of their time.
process.env['PW_TEST_REUSE_CONTEXT'] = '1';

/** Each worker has a server and a database of its own. */
const ports = [4387, 4388];

export default defineConfig({
  testDir: 'tests/browser',
  fullyParallel: true,
  workers: ports.length,
  timeout: 60_000,
  // A slow machine may miss a step once; the report calls such a test flaky.
  retries: process.env['CI'] ? 1 : 0,
  outputDir: '.tmp/browser',
  use: {
    viewport: { width: 1280, height: 800 },
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: chromium,
  },
  // Whole jobs are walked on a telephone and on a large screen too.
  projects: [
    { name: '1280 × 800' },
    { name: '390 × 844', grep: /@sizes/, use: { viewport: { width: 390, height: 844 } } },
    { name: '1600 × 1000', grep: /@sizes/, use: { viewport: { width: 1600, height: 1000 } } },
  ],
  webServer: ports.map((port) => ({
    command: `rm -rf .tmp/db/${port} && node scripts/serve.mjs`,
    url: `http://127.0.0.1:${port}/`,
    env: { PORT: String(port), DIVIDE_DB: `.tmp/db/${port}/browser.sqlite` },
    timeout: 180_000,
    reuseExistingServer: false,
  })),
});
