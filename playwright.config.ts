import { defineConfig } from '@playwright/test';
import { chromium } from './scripts/chromium.mjs';

const port = 4387;

export default defineConfig({
  testDir: 'tests/browser',
  fullyParallel: false,
  workers: 1,
  timeout: 60_000,
  // A slow machine may miss a step once; the report calls such a test flaky.
  retries: process.env['CI'] ? 1 : 0,
  outputDir: '.tmp/browser',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: chromium,
  },
  webServer: {
    command: 'rm -rf .tmp/db && node scripts/serve.mjs',
    url: `http://127.0.0.1:${port}/`,
    env: { PORT: String(port), DIVIDE_DB: '.tmp/db/browser.sqlite' },
    timeout: 180_000,
    reuseExistingServer: false,
  },
});
