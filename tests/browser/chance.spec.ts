import { expect } from '@playwright/test';
import { sampled } from '../../src/core/procedures/randomization';
import { pValue } from '../../src/core/words/numbers';
import { asked, changeReading, copiedResults, fixed, paste, reference, saved, startStudy, test } from './steps';

const columns = (a: readonly number[], b: readonly number[]): string =>
  ['calm tank (mm)\tsurge tank (mm)', ...a.map((x, i) => `${x}\t${b[i] ?? ''}`)].join('\n');

test('labels shuffled before one’s eyes: once, ten times, thousands; counted, stopped, drawn again', async ({
  page,
}) => {
  const { a, b, expected } = reference('shuffle.two_groups_mean_exact-1');
  await startStudy(page, 'Surge');
  await paste(page, columns(a, b));
  await asked(page, 'Ask whether two groups differ');
  await page.getByText('Permutation and bootstrap distributions').click();
  const made = page.getByTestId('shuffles-made');
  const permuted = page.getByTestId('permuted-result');
  await expect(permuted).toContainText('As observed');
  await expect(page.getByTestId('chance-result')).toContainText(`p = ${pValue(expected['p_two_sided'] ?? NaN)}`);
  const before = await page
    .getByTestId('permuted')
    .locator('[data-mark="permuted"]')
    .evaluateAll((all) => all.map((dot) => dot.getAttribute('d')));
  await page.getByRole('button', { name: 'once', exact: true }).click();
  await expect(permuted).toContainText('Shuffle 1:');
  const after = await page
    .getByTestId('permuted')
    .locator('[data-mark="permuted"]')
    .evaluateAll((all) => all.map((dot) => dot.getAttribute('d')));
  expect(after).toHaveLength(a.length + b.length);
  expect(after).not.toEqual(before);
  await page.getByRole('button', { name: 'ten times' }).click();
  await expect(made).toHaveText('11 so far');
  await expect(page.getByTestId('gathered').locator('[data-mark="fallen"]')).toHaveCount(10);
  await page.getByRole('button', { name: '10,000 times' }).click();
  await expect(made).toHaveText('10,011 so far');
  // The same seed is the same run, whoever makes it.
  const run = sampled({ kind: 'labels', groups: [a, b], statistic: 'mean' }, 1, 10_011);
  await expect(page.getByTestId('chance-result')).toContainText(
    `${Math.round(run.p.either * 10_012 - 1).toLocaleString('en')} of 10,011 shuffles`,
  );
  await page.getByRole('button', { name: 'a million times' }).click();
  await expect(made).toHaveText('1,010,011 so far');
  await page.getByRole('button', { name: 'From the start' }).click();
  await expect(made).toHaveText('');
  await page.getByLabel('Distribution').selectOption('the bootstrap distribution');
  await page.getByRole('button', { name: '10,000 times' }).click();
  await expect(page.getByTestId('chance-result')).toContainText('95 % bootstrap interval of the difference of means');
  // Resampling takes long enough to be stopped.
  await page.getByRole('button', { name: 'a million times' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(made).toHaveText(/^[\d,]{6,9} so far$/);
});

test('medians under shuffled labels: a seed that is told, and a sentence that follows the readings', async ({
  page,
}) => {
  const a = [14.1, 15.8, 13.2, 17.9, 16.4, 15.1, 18.8, 14.9, 16.9, 15.5, 17.2, 29.4];
  const b = [12.2, 13.9, 11.8, 14.4, 13.1, 12.7, 15.2, 13.5, 12.9, 14.8, 11.4, 13.7];
  await startStudy(page, 'Surge again');
  await paste(page, columns(a, b));
  await asked(page, 'Ask whether two groups differ');
  await page.getByLabel('Compared by').selectOption('permutation');
  await page.getByLabel('Statistic').first().selectOption('medians');
  const middle = (x: number[]): number => {
    const sorted = [...x].sort((p, q) => p - q);
    return ((sorted[5] ?? 0) + (sorted[6] ?? 0)) / 2;
  };
  await expect(page.getByTestId('estimate')).toHaveText(`${fixed(middle(a) - middle(b), 1)} mm`);
  const seed = page.getByLabel('Seed').first();
  await seed.fill('7');
  await seed.press('Enter');
  await expect(page.getByTestId('tell-methods')).toContainText('20,000 random arrangements, seed 7');
  const { p } = sampled({ kind: 'labels', groups: [a, b], statistic: 'median' }, 7, 20_000);
  expect(p.either).toBeLessThan(0.01);
  await expect(page.getByTestId('test')).toContainText(pValue(p.either).replace(/^</, 'p <'));
  // The panel is open, and its run is the one the answer rests on.
  await page.getByRole('button', { name: '10,000 times' }).click();
  await page.getByRole('button', { name: '10,000 times' }).click();
  await expect(page.getByTestId('chance-result')).toContainText(
    `${Math.round(p.either * 20_001 - 1)} of 20,000 shuffles`,
  );
  await seed.fill('1.5');
  await seed.press('Enter');
  await expect(page.getByText('A seed is a whole number from 0 to 4294967295')).toBeVisible();
  await changeReading(page, 12, 1, '10.1');
  const mended = [...a.slice(0, 11), 10.1];
  await expect(page.getByTestId('estimate')).toHaveText(`${fixed(middle(mended) - middle(b), 1)} mm`);
  expect(await copiedResults(page)).toContain('difference of medians');
});

test('readings counted by the side of a limit they lie on, also in pairs', async ({ page }) => {
  const { a, b } = reference('shuffle.two_groups_mean_exact-1');
  await startStudy(page, 'Short blades');
  await paste(page, columns(a, b));
  await asked(page, 'Ask whether two groups differ');
  await page.getByLabel('Compared by').selectOption('a share: how many lie beyond a limit');
  const limit = page.getByRole('textbox', { name: 'Limit' });
  const cut = a[2] ?? 0;
  await limit.fill(String(cut));
  await limit.press('Enter');
  const below = (x: number[]): number => x.filter((v) => v < cut).length;
  await expect(page.getByTestId('tell-results')).toContainText(`calm tank ${below(a)} of ${a.length}`);
  await page.getByLabel('Side of the limit').selectOption('not below');
  await expect(page.getByTestId('tell-results')).toContainText(`surge tank ${b.length - below(b)} of ${b.length}`);
  await page.getByLabel('How subjects were looked at').selectOption('is measured twice');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('is measured twice');
  await expect(page.getByTestId('tell-methods')).toContainText('McNemar’s test');
  await limit.fill('ten');
  await limit.press('Enter');
  await expect(page.getByRole('alert')).toContainText('“ten” is not a number');
  await page.getByLabel('Asked of').selectOption('the readings');
  await expect(page.getByTestId('test')).toContainText('aired t-test');
  await saved(page);
});
