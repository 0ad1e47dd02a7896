import { expect } from '@playwright/test';
import type { Page } from '@playwright/test';
import { advances } from '../../src/core/drawing/advances';
import { textWidth } from '../../src/core/drawing/text-width';
import { test, unfold } from './steps';

const sizes = [
  [360, 800],
  // 1280 × 800 at 200 %.
  [640, 400],
  [390, 844],
  [768, 1024],
  [1024, 700],
  [1280, 800],
  [1600, 1000],
  [2560, 1300],
] as const;

/** How far a page reaches beyond its window, in pixels. */
const wider = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

/** Words of controls that are cut: what can be pressed or chosen must be legible, or scroll within itself. */
const cut = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, a, summary, h1, h2, h3')]
      .filter((e) => e.getClientRects().length > 0 && !e.closest('.overflow-x-auto, [role=grid], [hidden]'))
      .filter((e) => {
        const { left, right } = e.getBoundingClientRect();
        return left < -1 || right > document.documentElement.clientWidth + 1;
      })
      .map((e) => e.textContent.slice(0, 40)),
  );

test('no main page reaches beyond its window at any size, nor is anything to press cut off', async ({ page }) => {
  test.setTimeout(240_000);
  await page.goto('/');
  await page.getByRole('button', { name: 'Open a fresh copy of the demo study' }).click();
  await page.waitForURL(/\/questions\//);
  await unfold(page);
  const spine = page.getByRole('navigation', { name: 'Study' });
  const hrefOf = async (name: string, nth = 0): Promise<string> =>
    (await spine.getByRole('link', { name }).nth(nth).getAttribute('href')) ?? '';
  const measured = `${await hrefOf('still · pulsed, pigment')}/measures`;
  const pages = [
    '/',
    await hrefOf('Red lamp · White lamp'),
    await hrefOf('Daylight (control) · … · Violet lamp, all pairs'),
    await hrefOf('temperature × nutrient'),
    await hrefOf('means with error bars'),
    await hrefOf('Lamp trial'),
    await hrefOf('Forty pigments'),
    measured,
    await hrefOf('Text, tables and figures'),
    await hrefOf('All changes'),
    '/bench/planner?design=nested',
    '/bench/curves',
    '/bench/draw',
    '/help',
  ];
  for (const address of pages) {
    await page.goto(address);
    await page.getByRole('heading').first().waitFor();
    for (const [width, height] of sizes) {
      await page.setViewportSize({ width, height });
      await expect.poll(() => wider(page), `${address} at ${width}`).toBeLessThanOrEqual(0);
      expect(await cut(page), `${address} at ${width}`).toEqual([]);
    }
  }
});

test('texts are as wide as they are reckoned: the letters of the shipped face, and words in it, light and bold', async ({
  page,
}) => {
  await page.goto('/');
  const measured = (texts: string[], weight: number): Promise<number[]> =>
    page.evaluate(
      async ([all, w]) => {
        const font = `${w} 100px "Source Sans 3 Variable"`;
        await Promise.all(all.map((t) => document.fonts.load(font, t)));
        const context = document.createElement('canvas').getContext('2d');
        if (!context) return [];
        context.font = font;
        context.fontKerning = 'none';
        return all.map((t) => context.measureText(t).width);
      },
      [texts, weight] as const,
    );
  // A letter of each width; spaces and marks that join others stand for themselves.
  const letters = Object.entries(advances).map(
    ([width, all]) => [Number(width) / 10, Array.from(all)[0] ?? ''] as const,
  );
  const found = await measured(
    letters.map(([, letter]) => letter),
    400,
  );
  letters.forEach(([width, letter], i) => expect(found[i], letter).toBeCloseTo(width, 0));
  const words = [
    'Daylight (control)',
    'blade length (mm)',
    '5.9 (2.8 to 9.0)',
    'Höhe über NN',
    'Δ α = 0.05',
    'illicit fill',
  ];
  const [light, bold] = [await measured(words, 400), await measured(words, 600)];
  words.forEach((text, i) => {
    expect(Math.abs((light[i] ?? 0) / textWidth(text, 100) - 1), text).toBeLessThan(0.004);
    // Never narrower than it is set.
    expect((bold[i] ?? 0) / textWidth(text, 100, true), text).toBeLessThanOrEqual(1.002);
  });
});
