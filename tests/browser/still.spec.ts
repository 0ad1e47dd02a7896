import { expect } from '@playwright/test';
import { test, unfold } from './steps';

interface Shift {
  value: number;
  what: string[];
}

declare global {
  interface Window {
    shifts: Shift[];
  }
}

/** The share of the window that moves by itself, times how far: 0.1 is what a reader is said to notice. */
const noticed = 0.02;

test('nothing moves by itself while a page comes and comes alive', async ({ page }) => {
  test.setTimeout(120_000);
  await page.goto('/');
  await page.getByRole('button', { name: 'Open a fresh copy of the demo study' }).click();
  await page.waitForURL(/\/questions\//);
  await unfold(page);
  const spine = page.getByRole('navigation', { name: 'Study' });
  const hrefOf = async (name: string): Promise<string> =>
    (await spine.getByRole('link', { name }).first().getAttribute('href')) ?? '';
  const pages = [
    await hrefOf('Red lamp · White lamp'),
    await hrefOf('Daylight (control) · … · Violet lamp, all pairs'),
    await hrefOf('temperature × nutrient'),
    await hrefOf('means with error bars'),
    await hrefOf('Lamp trial'),
    `${await hrefOf('still · pulsed, pigment')}/measures`,
    await hrefOf('Text, tables and figures'),
    await hrefOf('All changes'),
    '/',
    '/bench/planner?design=nested',
    '/bench/curves',
    '/bench/draw',
  ];
  await page.addInitScript(() => {
    window.shifts = [];
    const named = (node: Node | null): string =>
      (node instanceof Element ? node.outerHTML : (node?.textContent ?? '')).slice(0, 60);
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as (PerformanceEntry & {
        value: number;
        sources: { node: Node | null }[];
      })[])
        window.shifts.push({ value: entry.value, what: entry.sources.map(({ node }) => named(node)) });
    }).observe({ type: 'layout-shift', buffered: true });
  });
  for (const address of pages) {
    await page.goto(address);
    await page.getByRole('heading').first().waitFor();
    await page.evaluate(() => document.fonts.ready.then(() => undefined));
    // What is asked of a worker, every measure say, comes a little later.
    await page.waitForTimeout(700);
    const shifts = await page.evaluate(() => window.shifts);
    const moved = shifts.reduce((all, { value }) => all + value, 0);
    expect(moved, `${address}: ${JSON.stringify(shifts)}`).toBeLessThan(noticed);
  }
  // In a low window the grid takes the keys without pulling the page up.
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(pages.find((address) => address.includes('/readings/')) ?? '');
  await expect(page.getByRole('grid')).toBeFocused();
  expect(await page.evaluate(() => window.scrollY)).toBe(0);
  // What the test goes by is there: a line put above everything is told of.
  const seen = await page.evaluate(async () => {
    const before = window.shifts.length;
    const line = document.createElement('div');
    line.style.height = '200px';
    document.body.prepend(line);
    await new Promise((done) => setTimeout(done, 300));
    return window.shifts.length - before;
  });
  expect(seen).toBeGreaterThan(0);
});
