/**
 * What each page of the demo study asks of the line: `npm run bench:scripts`. Counts the scripts a page fetches by itself,
 * gzipped as a server in front would send them, and prints how many times they are under the bar. Nothing passes or fails.
 */
import { chromium as playwright } from '@playwright/test';
import { gzipSync } from 'node:zlib';
import { chromium } from '../scripts/chromium.mjs';
import { served } from '../scripts/throwaway.mjs';

const bar = 200;
await served(4396, ['--demo'], async (base) => {
  const browser = await playwright.launch(chromium);
  const weigh = async (what, address) => {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    const scripts = new Map();
    page.on('response', (response) => {
      if (response.url().endsWith('.js'))
        scripts.set(
          response.url(),
          response.body().then((body) => gzipSync(body).length),
        );
    });
    await page.goto(base + address);
    await page.waitForLoadState('networkidle');
    await page.waitForTimeout(1500);
    const sizes = await Promise.all(scripts.values());
    const kB = sizes.reduce((a, b) => a + b, 0) / 1000;
    console.log(
      `${what.padEnd(44)} ${kB.toFixed(1).padStart(6)} kB in ${String(sizes.length).padStart(2)} scripts   ${(bar / kB).toFixed(2)} times under ${bar} kB`,
    );
    if (process.env.EACH)
      for (const [url, size] of scripts) console.log(`   ${((await size) / 1000).toFixed(1).padStart(6)}  ${url}`);
    return page;
  };
  const shelf = await weigh('shelf', '/');
  await shelf.getByText('Skerrow Kelp Nursery').first().click();
  await shelf.waitForURL(/studies\//);
  const addresses = await shelf
    .locator('nav a[href*="/studies/"]')
    .evaluateAll((links) => links.map((link) => [link.textContent.trim(), link.getAttribute('href')]));
  const seen = new Set();
  for (const [name, address] of addresses) {
    if (seen.has(address)) continue;
    seen.add(address);
    const kind = address.split('/').slice(3, 4)[0] ?? 'study';
    await weigh(`${kind}: ${name}`.slice(0, 43), address);
  }
  for (const tool of ['/bench']) await weigh('bench', tool);
  await browser.close();
});
