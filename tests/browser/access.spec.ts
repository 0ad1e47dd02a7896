import AxeBuilder from '@axe-core/playwright';
import { type Page, expect } from '@playwright/test';
import { fromMenu, test, unfold } from './steps';

/** Words in pictures that do not stand out from their ground: no other tool looks at them. */
const paleWords = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const parts = (colour: string): number[] => (colour.match(/[\d.]+/g) ?? []).map(Number);
    const luminance = (colour: string): number => {
      const [red = 0, green = 0, blue = 0] = parts(colour).map((part) => {
        const share = part / 255;
        return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
      });
      return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
    };
    const ground = (element: Element | null): string => {
      const colour = element ? getComputedStyle(element).backgroundColor : 'rgb(255, 255, 255)';
      return element && parts(colour)[3] === 0 ? ground(element.parentElement) : colour;
    };
    return [...document.querySelectorAll('svg.chart text')].flatMap((word) => {
      const [ink, paper] = [luminance(getComputedStyle(word).fill), luminance(ground(word))];
      const contrast = (Math.max(ink, paper) + 0.05) / (Math.min(ink, paper) + 0.05);
      // A marker among words is a mark, and large.
      const least = /^[\p{L}\d]/u.test(word.textContent.trim()) ? 4.5 : 3;
      return contrast < least ? [`${word.textContent}: ${contrast.toFixed(2)}`] : [];
    });
  });

/** What one theme has of the other are its colours: the dark one is looked at for those alone. */
const violationsIn = (theme: string) => async (page: Page) => {
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
  const { violations } = await (
    theme === 'page'
      ? axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
      : axe.withRules(['color-contrast', 'link-in-text-block'])
  ).analyze();
  return [
    ...violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`),
    ...(await paleWords(page)),
  ];
};

for (const theme of ['page', 'night-bench'])
  test(`each page is accessible in the ${theme} theme`, async ({ page, context, baseURL }) => {
    test.setTimeout(300_000);
    const violations = violationsIn(theme);
    await context.addCookies([{ name: 'theme', value: theme, url: baseURL ?? '' }]);
    await page.goto('/');
    await page.getByRole('heading', { name: 'Studies' }).waitFor();
    expect(await violations(page)).toEqual([]);
    await page.goto('/help');
    expect(await violations(page)).toEqual([]);
    await page.goto('/');
    await page.getByRole('button', { name: 'Open a fresh copy of the demo study' }).click();
    await page.waitForURL(/\/questions\//);
    await page.getByTestId('estimate').waitFor();
    await expect(page.locator('html')).toHaveAttribute('data-theme', theme);
    expect(await violations(page)).toEqual([]);
    const spine = page.getByRole('navigation', { name: 'Study' });
    await unfold(page);
    expect(await violations(page)).toEqual([]);
    for (const table of ['Lamp trial', 'Three readings a tank', 'Figures from a paper']) {
      await spine.getByRole('link', { name: table }).click();
      await expect(page.getByLabel('Name of the table')).toHaveValue(table);
      await page.getByRole('button', { name: 'Describe' }).click();
      await fromMenu(page, 'Columns', 'New column');
      await page.getByLabel('How it is computed').selectOption('bands');
      expect(await violations(page)).toEqual([]);
    }
    await page.getByLabel('File of readings').setInputFiles({
      name: 'a.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('lamp,length (mm)\nred,1\nred,n/a\nwhite,3'),
    });
    await page.getByRole('button', { name: 'Import', exact: true }).waitFor();
    expect(await violations(page)).toEqual([]);
    await page.getByRole('link', { name: 'All changes' }).click();
    await page.getByRole('heading', { name: 'What was done', exact: true }).waitFor();
    expect(await violations(page)).toEqual([]);
    await spine.getByRole('link', { name: 'Text, tables and figures' }).click();
    await page.getByRole('textbox', { name: 'The write-up' }).waitFor();
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox').waitFor();
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await spine.getByRole('link', { name: 'means with error bars' }).first().click();
    await page.getByTestId('legend').waitFor();
    expect(await violations(page)).toEqual([]);
    // Questions of several groups and of two factors with all their parts opened, and one asked of every measure.
    for (const question of ['Daylight (control) · … · Violet lamp', 'temperature × nutrient']) {
      await spine.getByRole('link', { name: question }).first().click();
      await page.getByTestId('comparisons-table').first().waitFor();
      // Formulas are many nodes, so one working stands for all.
      if (theme === 'page' && question.startsWith('Daylight')) {
        for (const part of await page.locator('article details > summary.prose-serif').all()) await part.click();
        await page.getByTestId('working').waitFor();
      }
      expect(await violations(page)).toEqual([]);
    }
    await spine.getByRole('link', { name: 'still · pulsed' }).last().click();
    await page.getByRole('link', { name: 'Ask it of every measure' }).click();
    await page.getByTestId('measure-row').first().waitFor();
    expect(await violations(page)).toEqual([]);
    for (const [tool, part] of [
      ['curves?curve=t&table=open&statistic=3', 'critical-table'],
      ['planner?pilot=8', 'planned'],
      ['draw?task=layout', 'layout'],
    ] as const) {
      await page.goto(`/bench/${tool}`);
      await page.getByTestId(part).waitFor();
      expect(await violations(page)).toEqual([]);
    }
  });

test('no page scrolls sideways, and notes go below on a narrow screen', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Open a fresh copy of the demo study' }).click();
  await page.waitForURL(/\/questions\//);
  for (const width of [1600, 1280, 1000, 700, 390, 360]) {
    await page.setViewportSize({ width, height: 800 });
    const wider = () =>
      page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    await expect.poll(wider).toBeLessThanOrEqual(0);
  }
  const notes = page.getByRole('complementary', { name: 'Margin notes' });
  const below = async (): Promise<number> => {
    const [tell, note] = [await page.getByTestId('tell-results').boundingBox(), await notes.boundingBox()];
    return (note?.y ?? -Infinity) - (tell?.y ?? Infinity);
  };
  await expect.poll(below).toBeGreaterThan(0);
});
