import { expect } from '@playwright/test';
import {
  asked,
  cell,
  changeReading,
  copiedResults,
  fixed,
  paste,
  red,
  reference,
  saved,
  startStudy,
  test,
  white,
} from './steps';

interface Share {
  successes: number;
  n: number;
}
const rowOf = (name: string, { successes, n }: Share): string => `${name}\t${successes}\t${n - successes}`;

test(
  'two shares: difference, ratio, odds ratio, exact; from typed counts to the copied sentence',
  { tag: '@sizes' },
  async ({ page }) => {
    const { a, b, expected } = reference('proportion.two_samples-1') as unknown as {
      a: Share;
      b: Share;
      expected: Record<string, number>;
    };
    await startStudy(page, 'Settlement');
    await paste(page, ['surface\tsettled\tbare', rowOf('slate', a), rowOf('shell', b)].join('\n'));
    await asked(page, 'Ask whether the shares differ');
    await expect(page.getByTestId('estimate')).toHaveText(fixed(expected['difference'], 2));
    await expect(page.getByTestId('interval')).toContainText(
      `${fixed(expected['newcombe_low'], 2)} to ${fixed(expected['newcombe_high'], 2)}`,
    );
    await expect(page.getByTestId('test')).toContainText(
      `z = ${fixed(expected['z'], 2)}, p = ${fixed(expected['p_two_sided'], 3)}`,
    );
    // By the keyboard: the odds ratio, and the exact test.
    await page.getByLabel('Set against each other by').focus();
    await page.keyboard.press('End');
    await expect(page.getByTestId('estimate')).toHaveText(fixed(expected['odds_ratio'], 1));
    await expect(page.getByTestId('interval')).toContainText(
      `${fixed(expected['odds_ratio_low'], 1)} to ${fixed(expected['odds_ratio_high'], 1)}`,
    );
    await expect(page.getByTestId('effects-table')).toContainText(fixed(expected['risk_ratio'], 3));
    await page.getByLabel('Tested by').selectOption('Fisher’s exact test');
    await expect(page.getByTestId('test')).toContainText(`p = ${fixed(expected['fisher_p_two_sided'], 3)}`);
    expect(await copiedResults(page)).toContain(
      `settled: slate ${a.successes} of ${a.n} (${fixed((100 * a.successes) / a.n, 1)} %)`,
    );
    await page.getByLabel('Tested by').selectOption({ index: 0 });
    await page.getByLabel('Direction').selectOption('greater');
    await expect(page.getByTestId('test')).toContainText(`p = ${fixed(expected['p_greater'], 3)}`);
    await expect(page.getByTestId('tell-methods')).toContainText(
      'The direction was chosen after the counts had been seen',
    );
    await changeReading(page, 1, 2, '1');
    await expect(page.getByTestId('tell-results')).toContainText(`slate 1 of ${1 + a.n - a.successes}`);
  },
);

test('counts in a table: expected, residuals, exact; against a ratio that is typed', async ({ page }) => {
  const { table: rows, expected } = reference('counts.independence-2') as unknown as {
    table: number[][];
    expected: Record<string, number> & { expected: number[][]; adjusted_residuals: number[][] };
  };
  await startStudy(page, 'Grazing');
  await paste(page, ['depth\tnone\tedge\theavy', ...rows.map((r, i) => [`${i + 1} m`, ...r].join('\t'))].join('\n'));
  await asked(page, 'Ask whether what was found depends on the rows');
  await expect(page.getByTestId('test')).toContainText(
    `χ²(${expected['df']}) = ${fixed(expected['chi2'], 2)}, p = ${fixed(expected['p'], 2)}`,
  );
  const table = page.getByTestId('counts-table');
  for (const [i, row] of expected.expected.entries())
    for (const [j, e] of row.entries()) {
      const shown = table.locator('tbody tr').nth(i).locator('td').nth(j);
      await expect(shown).toContainText(`(${fixed(e, 1)})`);
      await expect(shown).toContainText(fixed(expected.adjusted_residuals[i]?.[j], 1));
    }
  await page.getByRole('button', { name: 'stacked shares' }).click();
  await expect(page.locator('[data-mark="share-interval"]')).toHaveCount(rows.flat().length);
  await expect(page.getByTestId('check-expected-counts')).toContainText(fixed(expected['smallest_expected'], 1));
  await page.getByTestId('check-expected-counts').getByRole('button', { name: 'Take the exact test' }).click();
  await expect(page.getByTestId('test')).toContainText('Fisher’s exact test');
  await page.getByLabel('Tested by').selectOption('G test of independence');
  await expect(page.getByTestId('test')).toContainText(`G(${expected['df']}) = ${fixed(expected['g'], 2)}`);
  // The other methods are worked out when they are looked at.
  await page.getByRole('heading', { name: 'Under other methods' }).scrollIntoViewIfNeeded();
  await expect(page.getByTestId('other-methods-row')).toHaveCount(4);
  // One line of it against a stated ratio; one that does not fit is said, and nothing is lost.
  await page.getByLabel('What is compared').selectOption('stated proportions,');
  const ratio = page.getByLabel('Stated proportions');
  await ratio.fill('9:3');
  await ratio.press('Enter');
  await expect(page.getByRole('alert')).toContainText('has 2 parts, and there are 3 categories');
  await ratio.fill('0.5 0.3 0.1');
  await ratio.press('Enter');
  await expect(page.getByRole('alert')).toContainText('add up to 0.9 and not to 1');
  await ratio.fill('2:1:1');
  await ratio.press('Enter');
  await expect(page.getByTestId('test')).toContainText('goodness of fit');
  const sums = [0, 1, 2].map((j) => rows.reduce((s, r) => s + (r[j] ?? 0), 0));
  const n = sums.reduce((s, x) => s + x, 0);
  const chi2 = sums.reduce((s, o, j) => s + (o - (n * [2, 1, 1][j]!) / 4) ** 2 / ((n * [2, 1, 1][j]!) / 4), 0);
  await expect(page.getByTestId('test')).toContainText(fixed(chi2, 2));
});

test('the same subjects twice, from rows of categories', async ({ page }) => {
  const { table, expected } = reference('counts.mcnemar-1') as unknown as {
    table: [[number, number], [number, number]];
    expected: Record<string, number>;
  };
  const [[both, back], [on, none]] = table;
  const rows = [
    ...new Array<string>(both).fill('fouled\tfouled'),
    ...new Array<string>(back).fill('fouled\tclean'),
    ...new Array<string>(on).fill('clean\tfouled'),
    ...new Array<string>(none).fill('clean\tclean'),
  ];
  await startStudy(page, 'Ropes');
  await paste(page, ['rope\tbefore\tafter', ...rows.map((r, i) => `R${i + 1}\t${r}`)].join('\n'));
  await asked(page, 'Ask whether the shares differ');
  await expect(page.getByLabel('How subjects were looked at')).toHaveValue('within');
  await expect(page.getByTestId('test')).toContainText(
    `χ²(1) = ${fixed(expected['chi2'], 2)}, p = ${fixed(expected['chi2_p'], 3)}`,
  );
  await page.getByLabel('Tested by').selectOption({ label: 'exact test of paired proportions' });
  await expect(page.getByTestId('test')).toContainText(`p = ${fixed(expected['exact_p'], 3)}`);
  await expect(page.getByText(`${back} one way, ${on} the other`)).toBeVisible();
});

test('shares written out, and what cannot be one', async ({ page }) => {
  await startStudy(page, 'From a paper');
  await paste(page, 'surface\tsettled\nslate\t18 of 45\nshell\t12,5 % of 2480');
  await asked(page, 'Ask whether the shares differ');
  await expect(page.getByRole('region', { name: 'Headline' })).toContainText(
    '18 of 45 (40.0 %) in slate and 310 of 2480 (12.5 %)',
  );
  await changeReading(page, 1, 2, '50 of 45');
  await expect(page.getByTestId('no-answer')).toContainText('row 1 holds “50 of 45”: more were found than there were');
  await changeReading(page, 1, 2, '45 of 45');
  await changeReading(page, 2, 2, '0 of 40');
  await expect(page.getByText('the bound that exists is shown')).toBeVisible();
  await page.getByLabel('Set against each other by').selectOption('the odds ratio');
  await expect(page.getByTestId('estimate')).toHaveText('∞');
  await expect(page.getByTestId('interval')).toContainText('to ∞');
});

test('spread: two groups, one against a stated SD or variance', async ({ page }) => {
  const { expected } = reference('spread.f_test-1');
  await startStudy(page, 'Scatter');
  await paste(page, ['Red lamp (mm)\tWhite lamp (mm)', ...red.map((r, i) => `${r}\t${white[i]}`)].join('\n'));
  await asked(page, 'Ask whether two groups differ');
  await page.getByLabel('Compared by').selectOption('their spread');
  await expect(page.getByTestId('estimate')).toHaveText(fixed(Math.sqrt(expected['f'] ?? NaN), 2));
  await expect(page.getByTestId('interval')).toContainText(
    `${fixed(Math.sqrt(expected['ratio_ci_low'] ?? NaN), 2)} to ${fixed(Math.sqrt(expected['ratio_ci_high'] ?? NaN), 2)}`,
  );
  await expect(page.getByTestId('test')).toContainText(
    `F(8, 8) = ${fixed(expected['f'], 2)}, p = ${fixed(expected['p_two_sided'], 2)}`,
  );
  await page.getByLabel('Tested by').selectOption('Levene’s test');
  await expect(page.getByTestId('test')).toContainText('Levene’s test');
  await page.getByLabel('What is compared').selectOption('from a fixed value,');
  const variance = page.getByLabel('Stated variance');
  await variance.fill('16');
  await variance.press('Enter');
  await expect(page.getByLabel('Stated SD')).toHaveValue('4');
  const mean = red.reduce((s, x) => s + x, 0) / red.length;
  const ss = red.reduce((s, x) => s + (x - mean) ** 2, 0);
  await expect(page.getByTestId('test')).toContainText(`χ²(8) = ${fixed(ss / 16, 2)}`);
  await page.getByLabel('Compared by').selectOption('its mean');
  // An SD is no mean: what the mean is compared with is asked for, not made up.
  await expect(page.getByTestId('no-answer')).toContainText('Type the value that Red lamp is compared with');
  await page.getByLabel('Fixed value').fill('60');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('test')).toContainText('One-sample t-test');
  await saved(page);
  await page.getByRole('link', { name: 'Open readings' }).click();
  await expect(cell(page, 1, 1)).toContainText(String(red[0]));
});
