import { type Locator, type Page, expect } from '@playwright/test';
import { downloaded, fixed, lampBlock, paste, red, saved, startStudy, test } from './steps';

/** A hand that counts what it does: each click, choice, key chord or typed entry is one. */
class Hand {
  done = 0;
  constructor(private readonly page: Page) {}
  async click(on: Locator): Promise<void> {
    this.done += 1;
    await on.click();
  }
  async choose(list: Locator, value: string | { label: string }): Promise<void> {
    this.done += 1;
    await list.selectOption(value);
  }
  async type(field: Locator, text: string): Promise<void> {
    this.done += 1;
    await field.fill(text);
    await this.page.keyboard.press('Enter');
  }
  /** A question asked, or gone to, whose answer is there. */
  async ask(by: Locator): Promise<void> {
    await this.click(by);
    await this.page.waitForURL(/\/questions\//);
    await this.page.getByRole('region', { name: 'Headline' }).waitFor();
  }
}

/** Readings of one column, named by a label: 60 blades, one far longer than the others. */
const blades = Array.from({ length: 60 }, (_, i) => 20 + ((i * 37) % 23) / 2 + (i === 7 ? 30 : 0));
const bladeBlock = ['tag\tblade length (mm)', ...blades.map((x, i) => `K${i + 1}\t${x.toFixed(1)}`)].join('\r\n');

async function bladesOnPage(page: Page, title: string): Promise<void> {
  await startStudy(page, title);
  await paste(page, bladeBlock);
  await page.getByRole('button', { name: 'Ask for its mean with an interval' }).waitFor();
  await saved(page);
}

/** On a telephone, a small and a large screen alike. */
const sizes = [
  { width: 390, height: 844 },
  { width: 1024, height: 700 },
  { width: 1600, height: 1000 },
];

for (const viewport of sizes)
  test.describe(`at ${viewport.width} × ${viewport.height}`, () => {
    test.use({ viewport });

    test('means as columns with SD bars, the axis titled, onto the clipboard: six steps at most', async ({ page }) => {
      await startStudy(page, 'Short way to a figure');
      await paste(page, lampBlock);
      await page.getByLabel('What was measured').fill('blade length');
      await page.keyboard.press('Enter');
      await saved(page);
      const hand = new Hand(page);
      await hand.ask(page.getByRole('button', { name: 'Ask whether two groups differ' }));
      await hand.click(page.getByRole('button', { name: 'Make a figure of this' }));
      await hand.choose(page.getByLabel('Error bars', { exact: true }), 'sd');
      await hand.choose(page.getByLabel('Means as'), 'columns');
      await expect(page.getByTestId('legend')).toContainText('Columns are means, error bars standard deviations');
      await expect(page.locator('[data-mark="y-title"]')).toHaveText('blade length (mm)');
      await hand.click(page.getByRole('button', { name: 'Copy the picture' }));
      await page.getByText('Copied as a picture').waitFor();
      const types = await page.evaluate(() =>
        navigator.clipboard.read().then((items) => items.flatMap((i) => i.types)),
      );
      expect(types).toContain('image/png');
      expect(hand.done).toBeLessThanOrEqual(6);
    });

    test('n and mean of each group and no more, copied: three steps', async ({ page }) => {
      await startStudy(page, 'Short way to means');
      await paste(page, lampBlock);
      await saved(page);
      const hand = new Hand(page);
      await hand.click(page.getByRole('button', { name: 'Describe', exact: true }));
      await hand.choose(page.getByLabel('Figures shown'), 'n and mean');
      await hand.click(page.getByRole('button', { name: 'Copy the table' }));
      await page.getByText('Copied', { exact: true }).waitFor();
      const rows = (await page.evaluate(() => navigator.clipboard.readText())).trim().split(/\r?\n/);
      const mean = red.reduce((sum, x) => sum + x, 0) / red.length;
      expect(rows.map((row) => row.split('\t')).find(([name]) => name === 'Red lamp')).toEqual([
        'Red lamp',
        String(red.length),
        fixed(mean, 3),
      ]);
      expect(rows.find((row) => row.includes('mean'))?.split('\t')).toHaveLength(3);
      expect(hand.done).toBeLessThanOrEqual(3);
    });

    test('thirty rows drawn and the interval of their mean, then the share of all below 25 with its 90 % interval: eight steps at most', async ({
      page,
    }) => {
      await bladesOnPage(page, 'Short way to a sample');
      const table = page.url();
      const hand = new Hand(page);
      await hand.click(page.getByRole('button', { name: 'Table', exact: true }));
      await hand.click(page.getByRole('menuitem', { name: 'Sample or randomize' }));
      hand.done += 1;
      await page.getByLabel('How many rows').fill('30');
      await hand.ask(page.getByRole('button', { name: 'Draw them and ask' }));
      await expect(page.getByTestId('groups-row')).toContainText('30');
      await expect(page.getByRole('region', { name: 'Headline' })).toContainText('95 % CI');
      // Back to all of them.
      hand.done += 1;
      await page.goBack();
      await expect(page).toHaveURL(table);
      await hand.ask(page.getByRole('button', { name: /^What is the share of blade length below/ }));
      await hand.type(page.getByLabel('Limit', { exact: true }), '25');
      await hand.choose(page.getByLabel('Confidence level'), '0.9');
      const below = blades.filter((x) => Number(x.toFixed(1)) < 25).length;
      await expect(page.getByRole('region', { name: 'Headline' })).toContainText('90 % CI');
      await expect(page.getByRole('region', { name: 'Headline' })).toContainText(`${below} of 60`);
      expect(hand.done).toBeLessThanOrEqual(8);
    });

    test('one mean at α = 0.01 with its hypotheses, curve, box and interval: five steps', async ({ page }) => {
      await bladesOnPage(page, 'Short way to one mean');
      const hand = new Hand(page);
      await hand.click(page.getByRole('button', { name: /^Does blade length .* differ from a value/ }));
      await page.waitForURL(/\/questions\//);
      await hand.type(page.getByLabel('Fixed value'), '25');
      await page.getByRole('region', { name: 'Headline' }).waitFor();
      await hand.choose(page.getByLabel('Confidence level'), '0.99');
      await hand.click(
        page.getByRole('group', { name: 'How the readings are shown' }).getByRole('button', { name: /box/i }),
      );
      await hand.click(page.getByRole('button', { name: 'Open all of these' }));
      await expect(page.getByRole('region', { name: 'Headline' })).toContainText('99 % CI');
      await expect(page.getByText('α = 0.01').first()).toBeVisible();
      await expect(page.getByTestId('hypotheses')).toContainText('25');
      await expect(page.getByTestId('decision')).toBeVisible();
      await expect(page.locator('[data-mark^="box"]').first()).toBeAttached();
      expect(hand.done).toBeLessThanOrEqual(5);
    });

    test('a box plot that names what lies beyond, as PDF for one column: six steps at most', async ({ page }) => {
      await bladesOnPage(page, 'Short way to boxes');
      const hand = new Hand(page);
      await hand.ask(page.getByRole('button', { name: 'Ask for its mean with an interval' }));
      await hand.click(
        page.getByRole('group', { name: 'How the readings are shown' }).getByRole('button', { name: /box/i }),
      );
      await hand.click(page.getByRole('button', { name: 'Make a figure of this' }));
      await page.getByTestId('legend').waitFor();
      await expect(page.getByLabel('What the figure shows')).toHaveValue('boxes');
      await expect(page.getByLabel('Width in millimetres')).toHaveValue('85');
      await expect(page.locator('[data-mark="beyond-name"]')).toHaveText(['K8']);
      const pdf = await downloaded(page, () => hand.click(page.getByRole('link', { name: 'Download as PDF' })));
      expect(pdf.bytes.subarray(0, 5).toString()).toBe('%PDF-');
      expect(hand.done).toBeLessThanOrEqual(6);
    });
  });
