/** Retakes docs/screenshots from a fresh demo study: `npm run screenshots`. */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium as playwright } from '@playwright/test';
import { chromium } from './chromium.mjs';
import { root } from './prepare.mjs';
import { served } from './throwaway.mjs';

mkdirSync(join(root, 'docs/screenshots'), { recursive: true });
await served(4393, ['--demo'], async (base) => {
  const browser = await playwright.launch(chromium);
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const take = async (name, theme = 'page') => {
    await context.addCookies([{ name: 'theme', value: theme, url: base }]);
    await page.reload();
    // The line on which a page hears of changes stays open: it is quiet once it listens, and nothing is on its way.
    await page.locator('astro-island[ssr]').first().waitFor({ state: 'detached' });
    await page.waitForTimeout(1500);
    await page.evaluate('document.fonts.ready');
    await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) });
  };
  const spine = (name) => page.getByRole('navigation', { name: 'Study' }).getByRole('link', { name });
  await page.goto(base);
  await take('shelf');
  await page.getByRole('link', { name: 'Skerrow Kelp Nursery' }).click();
  await page.getByTestId('estimate').waitFor();
  await take('question');
  await page.getByRole('button', { name: 'Unfold all' }).click();
  await spine('Before the rinse · After the rinse').first().click();
  await page.getByTestId('estimate').waitFor();
  await take('question-paired');
  for (const [name, link] of [
    ['question-several', 'Daylight (control) · … · Violet lamp'],
    ['question-factors', 'temperature × nutrient'],
    ['question-repeated', 'Week 0 · … · Week 3'],
    ['question-mixed', 'feeding × condition'],
    ['question-one-sample', 'Pipette 3 · 1000 µL'],
  ]) {
    await spine(link).first().click();
    await page.getByTestId('estimate').waitFor();
    await take(name);
  }
  for (const [name, link, theme] of [
    ['question-shares', 'settled: rough · smooth'],
    ['question-table', 'grazing class by depth'],
    ['question-spread', 'spread: Old probe · New probe', 'night-bench'],
  ]) {
    await spine(link).first().click();
    await page.getByTestId('test').waitFor();
    await take(name, theme);
  }
  await context.addCookies([{ name: 'theme', value: 'page', url: base }]);
  await spine('Red lamp · White lamp').first().click();
  await page.getByText('Permutation and bootstrap distributions').click();
  await page.getByRole('button', { name: '10,000 times' }).click();
  await page.getByText('10,000 so far').waitFor();
  await page.getByRole('button', { name: 'once', exact: true }).click();
  await page.waitForTimeout(700);
  await page.getByTestId('chance').evaluate((part) => part.scrollIntoView());
  await page.mouse.wheel(0, -130);
  await page.waitForTimeout(200);
  await page.screenshot({ path: join(root, 'docs/screenshots', 'question-chance.png') });
  await spine('still · pulsed').last().click();
  await page.getByRole('link', { name: 'Ask it of every measure' }).click();
  await page.getByText(/of \d+ differs? at/).waitFor();
  await take('measures');
  await spine('Lamp trial').click();
  await page.getByRole('grid').waitFor();
  await take('readings');
  await spine('All changes').click();
  await page.getByRole('heading', { name: 'What was done', exact: true }).waitFor();
  await take('log');
  await spine('means with error bars').nth(1).click();
  await page.getByTestId('legend').waitFor();
  await take('figure');
  await spine('Text, tables and figures').click();
  await page.getByRole('textbox', { name: 'The write-up' }).waitFor();
  await take('write-up');
  await page.goto(`${base}/bench/curves?curve=t&df=10&a=-2.228&b=2.228&statistic=2.9&with=normal`);
  await page.getByTestId('decision').waitFor();
  await take('bench-curves');
  await page.goto(`${base}/bench/planner?difference=3&sd=4.3&unit=mm&subject=seedling&pilot=32`);
  await page.getByTestId('pilot').waitFor();
  await take('bench-planner');
  await browser.close();
});
