import { expect } from '@playwright/test';
import { cell, paste, saved, startStudy, test } from './steps';

const before = [10.2, 11.4, 12.1, 9.8, 13.4, 12.7, 11.1, 10.5, 9.6, 13.0, 12.5, 11.8];
const after = [14.9, 13.6, 16.4, 12.1, 18.2, 15.3, 15.4, 12.6, 13.8, 15.9, 17.2, 14.1];
const lines = before.map((x, i) => `L${i + 1}\t${i % 2 === 0 ? 'fed' : 'unfed'}\t${x}\t${after[i]}`);

test(
  'lines weighed before and after: adjusted first, the change and the plain readings one choice away',
  { tag: '@sizes' },
  async ({ page }) => {
    await startStudy(page, 'Fed lines');
    await paste(page, ['line\tfeed\tbefore (g)\tafter (g)', ...lines].join('\n'));
    await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
    await page.waitForURL(/questions/);
    await expect(page.getByRole('heading', { level: 1 })).toContainText('adjusted for');
    await expect(page.getByTestId('test')).toContainText('Analysis of covariance, t(9) = 16.55');
    await expect(page.getByTestId('check-parallel-slopes')).toContainText('not shown to differ in slope');
    await expect(page.getByTestId('tell-methods')).toContainText('Means are adjusted to');
    // Read at a value one cares about, parallel lines lie as far apart.
    await page.getByLabel('Adjusted to').fill('12');
    await page.getByLabel('Adjusted to').press('Enter');
    await expect(page.getByTestId('tell-methods')).toContainText('of 12 g');
    await expect(page.getByTestId('estimate')).toContainText('2.11 g');
    // The change, by its line among the other methods; then nothing taken off at all, and back.
    await page.getByRole('button', { name: 'Welch’s t-test of the change' }).click();
    await expect(page.getByTestId('tell-results')).toContainText('from before to after was greater in fed');
    await page.getByLabel('Compared by').selectOption('their adjusted means');
    await page.getByLabel('Adjusted for').selectOption('nothing');
    await expect(page.getByTestId('test')).toContainText('Welch’s t-test');
    await page.getByLabel('Adjusted for').selectOption({ index: 0 });
    await expect(page.getByTestId('test')).toContainText('Analysis of covariance');
    await saved(page);
    await page.getByRole('button', { name: 'Make a figure of this' }).click();
    await expect(page.getByTestId('legend')).toContainText('lines have one slope in all groups');
  },
);

const counts = [
  [41, 66, 38, 129, 57, 84, 403, 72],
  [22, 35, 61, 18, 27, 193, 31, 40],
];

test('skewed counts: a check offers ratios, and they stay in words, picture and figure', async ({ page }) => {
  await startStudy(page, 'Spores');
  await paste(
    page,
    ['fresh (1/mL)\tchilled (1/mL)', ...(counts[0] ?? []).map((x, i) => `${x}\t${counts[1]?.[i]}`)].join('\n'),
  );
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/questions/);
  await page.getByTestId('check-normality').getByRole('button', { name: 'Compare by ratios' }).click();
  await expect(page.getByTestId('estimate')).toContainText('times');
  await expect(page.getByTestId('test')).toContainText('Welch’s t-test of logarithms');
  await expect(page.getByRole('button', { name: /Order: fresh over chilled/ })).toBeVisible();
  // As 1.5 times, turned round as one part in 1.5.
  await page.getByLabel('Ratio tested against').fill('1.5');
  await page.getByLabel('Ratio tested against').press('Enter');
  await expect(page.getByTestId('tell-methods')).toContainText('the ratio was tested against 1.5');
  await page.getByRole('button', { name: /Order: fresh over chilled/ }).click();
  await expect(page.getByTestId('tell-methods')).toContainText('the ratio was tested against 1/1.5');
  await saved(page);
  await page.reload();
  await expect(page.getByTestId('tell-results')).toContainText('ratio of geometric means');
  // A reading of 0 has no logarithm: its place is named, and the readings stay.
  await page.getByRole('link', { name: 'Open readings' }).click();
  await cell(page, 3, 1).click();
  await page.keyboard.type('0');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.goBack();
  await expect(page.getByTestId('no-answer')).toContainText('Row 3 of fresh is 0');
  // A difference has one: the way out stands beside the reason.
  await page.getByTestId('no-answer').getByRole('button', { name: 'Compare by differences' }).click();
  await expect(page.getByTestId('test')).toContainText('Welch’s t-test, t(');
});

const low = ['<2.0', '2.6', '3.1', '<2.0', '2.2', '<2.0', '4.0', '2.9'];
const high = ['3.4', '5.2', '4.1', '<2.0', '6.0', '3.9', '4.8', '2.7'];

test('readings below the limit of detection: asked about, counted as what they are, and told', async ({ page }) => {
  await startStudy(page, 'Iodine');
  await paste(page, ['still (mg)\tpulsed (mg)', ...low.map((x, i) => `${x}\t${high[i]}`)].join('\n'));
  await page.getByRole('button', { name: 'Count as below the limit' }).click();
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/questions/);
  await expect(page.getByTestId('test')).toContainText('Censored likelihood ratio test, χ²(1) = 5.76');
  await expect(page.getByTestId('tell-methods')).toContainText('4 of the 16 readings lay below a limit of detection');
  await expect(page.getByTestId('check-limits')).toContainText('3 of 8 readings');
  await page.getByLabel('Compared by').selectOption('ranks');
  await expect(page.getByTestId('tell-methods')).toContainText('tied at the bottom of the ranks');
  // Means need a number for each, and say so.
  await page.getByLabel('Compared by').selectOption('their means');
  await expect(page.getByText('4 readings lie below a limit').first()).toBeVisible();
});

/** Each dose once or twice in each batch. */
const batches = ['A', 'B', 'C', 'D', 'E'].flatMap((batch, b) =>
  ['none', 'half', 'full'].flatMap((dose, d) =>
    Array.from(
      { length: 1 + ((b + d) % 2) },
      (_, r) => `${batch}\t${dose}\t${(14 + 3 * ((b * 7) % 4) + 1.4 * d + ((b + 2 * d + r) % 3) / 2).toFixed(1)}`,
    ),
  ),
);

test('doses in batches: compared within each batch first, as fixed or random, or over all readings', async ({
  page,
}) => {
  await startStudy(page, 'Batches');
  await paste(page, ['batch\tdose\tlength (mm)', ...batches].join('\n'));
  await page.getByRole('button', { name: 'Ask whether the groups differ' }).click();
  await page.waitForURL(/questions/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('compared within each batch');
  await expect(page.getByTestId('tell-methods')).toContainText('each reading counting once');
  await expect(page.getByTestId('test')).toContainText('Analysis of variance with blocks, F(2, 15)');
  await expect(page.getByTestId('check-additivity')).toContainText('interaction of group and block, F(8, 7)');
  await page.getByLabel('Compared by').selectOption('their means, blocks being random');
  await expect(page.getByTestId('test')).toContainText('Linear mixed model, F(2, 15');
  await expect(page.getByTestId('tell-results')).toContainText('The SD between batches was');
  await page.getByLabel('Compared within').selectOption('nothing');
  await expect(page.getByTestId('test')).toContainText('analysis of variance');
  await page.getByLabel('Adjusted for').selectOption('batch');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('compared within each batch');
  await saved(page);
  await page.getByRole('button', { name: 'Make a figure of this' }).click();
  await expect(page.getByTestId('legend')).toContainText('of the analysis of variance with blocks');
});

const cells = ['L1', 'L2', 'L3', 'L4', 'L5', 'L6'].flatMap((line, l) =>
  ['a', 'b'].flatMap((blade, b) =>
    [0, 1, 2].map(
      (r) =>
        `${line}\t${blade}\t${l % 2 === 0 ? 'upper' : 'lower'}\t${(20 + ((l * 5) % 4) + b + ((r * 7 + l) % 5) / 4 + (l % 2 === 0 ? 2 : 0)).toFixed(2)}`,
    ),
  ),
);

test('blades within lines: all levels kept, one of them left by one choice', async ({ page }) => {
  await startStudy(page, 'Cells');
  await paste(page, ['line\tblade\trope\tcell length (µm)', ...cells].join('\n'));
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/questions/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText(
    /with 6 readings in each.*, taken blade by blade/,
  );
  await expect(page.getByTestId('tell-methods')).toContainText(
    'random intercepts for each line and each blade within it',
  );
  await expect(page.getByTestId('tell-results')).toContainText('between blades of one line');
  const test = await page.getByTestId('test').textContent();
  await page.getByLabel('Samples within samples').selectOption('all alike');
  await expect(page.getByTestId('tell-methods')).toContainText('random intercept for each line,');
  // With equal numbers it is one test either way.
  await expect(page.getByTestId('test')).toHaveText(test ?? '');
  await page.getByLabel('Samples within samples').selectOption('blade by blade');
  await expect(page.getByTestId('tell-results')).toContainText('between blades of one line');
});

test('known SDs of two groups, one for both or each its own', async ({ page }) => {
  await startStudy(page, 'Known');
  await paste(page, ['north (mm)\tsouth (mm)', '12\t15', '14\t16', '11\t13', '13\t18'].join('\n'));
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/questions/);
  await page.getByLabel('Known SD', { exact: true }).fill('2');
  await page.getByLabel('Known SD', { exact: true }).press('Enter');
  // 3 ÷ (2·√(1/4 + 1/4)).
  await expect(page.getByTestId('test')).toContainText('Two-sample z-test, z = −2.12');
  await page.getByLabel('Known SD of the second group').fill('4');
  await page.getByLabel('Known SD of the second group').press('Enter');
  await expect(page.getByTestId('tell-methods')).toContainText('known SDs 2 and 4 mm');
  await expect(page.getByTestId('test')).toContainText('z = −1.34');
});

test('more tanks or more readings: planned by what each costs, and by simulation', async ({ page }) => {
  await page.goto('/bench/planner?design=nested&subject=tank&correlation=0.2');
  const table = page.getByRole('region', { name: 'Samples or readings' });
  await expect(table).toContainText('More readings, or more tanks?');
  await page.getByLabel('Cost of a sample').fill('40');
  await page.getByLabel('Cost of a sample').press('Enter');
  const cheapest = table.getByRole('row').filter({ hasText: 'cheapest' });
  await cheapest.getByRole('button', { name: /Take \d+ readings of each tank/ }).click();
  await expect(page.getByTestId('protocol')).toContainText(/each read \d+ times, a nested analysis/);
  await page.getByRole('button', { name: /Run a thousand/ }).click();
  await expect(page.getByTestId('simulated')).toContainText('of 1000 found the difference');
  await page.getByLabel('Design').selectOption('groups adjusted for a covariate');
  await page.getByLabel('Correlation', { exact: true }).fill('0.8');
  await page.getByLabel('Correlation', { exact: true }).press('Enter');
  await expect(page.getByTestId('gain')).toContainText(/this spares \d+ of them in each/);
});
