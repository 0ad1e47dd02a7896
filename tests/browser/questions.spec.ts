import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import {
  asked,
  cell,
  changeReading,
  copied,
  copiedResults,
  fixed,
  paste,
  red,
  reference,
  saved,
  startStudy,
  test,
  white,
  fromMenu,
  unfold,
} from './steps';

interface KeptTable {
  measure: string;
  subject: string;
  shape: string;
  average: boolean;
  columns: { id: string; name: string; unit: string; role: string; cells: string[]; aside: Record<string, string> }[];
}

/** Lists side by side as rows of a spreadsheet. */
const columns = (lists: readonly (readonly (number | string)[])[], heads: readonly string[]): string =>
  [
    heads.join('\t'),
    ...Array.from({ length: Math.max(...lists.map((l) => l.length)) }, (_, i) =>
      lists.map((l) => l[i] ?? '').join('\t'),
    ),
  ].join('\n');

test('one group: an estimate, then against a fixed value: t, z, ranks, bounds, and a reading changed', async ({
  page,
}) => {
  const volumes = [1003.2, 998.7, 1001.4, 1007.9, 1002.2, 999.6, 1004.8, 1000.9];
  await startStudy(page, 'Pipette');
  await paste(page, columns([volumes], ['Pipette 3 (µL)']));
  await asked(page, 'Ask for its mean with an interval');
  // By hand: 1002.3375 ± 2.3646 · 2.96259/√8; nothing is tested.
  await expect(page.getByRole('heading', { level: 1 })).toContainText('What is the mean of');
  await expect(page.getByTestId('estimate')).toHaveText('1002.3 µL');
  await expect(page.getByTestId('interval')).toContainText('999.9 to 1004.8 µL');
  await expect(page.getByText('The hypotheses')).toHaveCount(0);
  await page.getByText('The interval at other levels').click();
  await expect(page.getByTestId('levels').getByRole('img')).toHaveAttribute('aria-label', /80.% .*; 99.% /);
  await page.getByLabel('What is estimated').selectOption('its median');
  await expect(page.getByTestId('estimate')).toHaveText('1001.8 µL');
  await page.getByLabel('What is compared').selectOption('from a fixed value,');
  await expect(page.getByTestId('no-answer')).toContainText('Type the value that');
  await page.getByLabel('Fixed value').fill('1000');
  await page.keyboard.press('Enter');
  // By hand: mean 1002.3375, SD 2.96259, so t = 2.3375/(2.96259/√8) on 7 df.
  await expect(page.getByTestId('difference-row')).toContainText('2.232');
  await expect(page.getByTestId('difference-row')).toContainText('0.061');
  await page.getByLabel('Fixed value').fill('a thousand');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('“a thousand” is not a number: kept at 1000)');
  // A known SD makes it z: 2.3375/(3/√8).
  await page.getByLabel('Known SD').fill('3');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('difference-row')).toContainText('2.204');
  await expect(page.getByTestId('test')).toContainText('One-sample z-test');
  await page.getByLabel('Known SD').fill('');
  await page.keyboard.press('Enter');
  await page.getByLabel('Equivalence margin').fill('6');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('equivalence')).toContainText('lies within −6 to 6 µL: equivalent within that margin');
  await page.getByLabel('Compared by').selectOption('ranks');
  await expect(page.getByTestId('test')).toContainText('Wilcoxon signed-rank test');
  await page.getByLabel('Compared by').selectOption('means');
  expect(await copiedResults(page)).toContain('was greater than 1000 µL: difference 2.3 µL');
  await changeReading(page, 1, 1, '1013.2');
  await expect(page.getByTestId('estimate')).toHaveText('3.6 µL');
});

test(
  'several groups: source table, which ones differ, letters, control, contrasts, by keyboard',
  { tag: '@sizes' },
  async ({ page }) => {
    const { groups, expected } = reference('anova.one_way-1');
    await startStudy(page, 'Lamps');
    await paste(page, columns(Object.values(groups), ['Red (mm)', 'White (mm)', 'Blue (mm)']));
    await page.getByLabel('What was measured').fill('blade length');
    await page.keyboard.press('Enter');
    await asked(page, 'Ask whether the groups differ');
    const source = page.getByTestId('source-table');
    for (const shown of [
      fixed(expected['ss_between'], 2),
      fixed(expected['ss_within'], 2),
      fixed(expected['ss_total'], 2),
      fixed(expected['f'], 3),
      '0.021',
    ])
      await expect(source).toContainText(shown);
    await expect(page.getByTestId('effect-size').first()).toContainText('= 0.31');
    await expect(page.getByTestId('comparisons-row')).toHaveCount(3);
    await page.getByLabel('Form of the comparisons').selectOption('triangle');
    await expect(page.getByTestId('triangle')).toContainText('Red');
    await page.getByLabel('Form of the comparisons').selectOption('list');
    // The same test asked under Welch, from the table of other methods, leaves everything else in place.
    const other = page.getByTestId('other-methods-row').filter({ hasText: 'Welch’s analysis of variance' });
    await other.getByRole('button').click();
    await expect(page.getByTestId('test')).toContainText('Welch’s analysis of variance');
    await expect(page.getByLabel('Spreads')).toHaveValue('separate');
    await expect(page.getByRole('region', { name: 'Pairwise comparisons' })).toContainText('Games–Howell');
    // Back by the keyboard alone: the sentence's parts are reached with Tab and changed with the arrows.
    await page.getByLabel('Spreads').focus();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByTestId('test')).toContainText('One-way analysis of variance');
    await page.getByLabel('Which comparisons follow').focus();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByTestId('comparisons-row')).toHaveCount(2);
    await expect(page.getByRole('region', { name: 'Comparisons with the control' })).toContainText('Dunnett');
    await page.getByLabel('Which comparisons follow').selectOption('contrasts');
    await page.getByLabel('Name of contrast 1').fill('red less the others');
    await page.keyboard.press('Enter');
    await page.getByLabel('Weight of Blue in contrast 1').fill('1');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('region', { name: 'Contrasts' })).toContainText('must sum to 0');
    await page.getByLabel('Weight of Blue in contrast 1').fill('-0.5');
    await page.keyboard.press('Enter');
    await page.getByLabel('Weight of White in contrast 1').fill('-0.5');
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('comparisons-row')).toContainText('red less the others');
    await page.getByLabel('Which comparisons follow').selectOption('all');
    await page.getByLabel('How comparisons are judged together').selectOption('bonferroni');
    await expect(page.getByRole('region', { name: 'Pairwise comparisons' })).toContainText(
      'its intervals are simultaneous',
    );
    expect(await copiedResults(page)).toMatch(/differed among the 3 groups: F\(2, 21\) = 4\.67, p = 0\.021/);
    // One group left out in the sentence.
    await page.getByLabel('Groups compared').first().click();
    await page.getByRole('checkbox', { name: 'Blue' }).uncheck();
    await expect(page.getByTestId('comparisons-row')).toHaveCount(1);
    await page.getByRole('checkbox', { name: 'Blue' }).check();
    await changeReading(page, 1, 3, '90');
    await expect(source).not.toContainText(fixed(expected['ss_total'], 2));
  },
);

test('two factors: interaction in words, types of sums of squares, levels within levels', async ({ page }) => {
  const { rows, expected } = reference('anova.two_way-1');
  const type2 = (expected as unknown as { type2: Record<string, { f: number; p: number }> }).type2;
  await startStudy(page, 'Temperature by nutrient');
  await paste(page, ['temperature\tnutrient\tgrowth rate (mm/d)', ...rows.map((r) => r.join('\t'))].join('\n'));
  await asked(page, 'Ask what the two factors do');
  const source = page.getByTestId('source-table');
  for (const key of ['a', 'b', 'interaction']) await expect(source).toContainText(fixed(type2[key]?.f, 3));
  await expect(page.getByRole('region', { name: 'Headline' })).toContainText(
    'What temperature does to growth rate depends on nutrient',
  );
  await expect(page.getByTestId('cells-table')).toContainText('n 6');
  await page.getByLabel('Which levels are compared').selectOption('levels of nutrient within each temperature');
  await expect(page.getByTestId('comparisons-table').locator('th[scope=rowgroup]')).toHaveCount(2);
  // The factors change places, and so do their lines.
  await page.getByLabel('First factor').selectOption('nutrient');
  await expect(source.getByRole('row').nth(1)).toContainText('nutrient');
  expect(await copiedResults(page)).toContain('nutrient × temperature F(1, 20) = 10.98, p = 0.003');
  await changeReading(page, 1, 3, '35');
  await expect(source).not.toContainText(fixed(type2['interaction']?.f, 3));
  // A cell emptied is said, and what can still be compared is.
  await page.getByRole('link', { name: 'Open readings' }).click();
  for (let row = 1; row <= 6; row++) {
    await cell(page, row, 3).click();
    await page.keyboard.press('Delete');
  }
  await saved(page);
  await page.goBack();
  await expect(page.getByText(/Without readings: /)).toBeVisible();
});

test('the same subjects throughout: corrections, pairs, a gap said, groups beside', async ({ page }) => {
  const { rows, expected } = reference('anova.repeated_measures-1');
  await startStudy(page, 'Weeks');
  await paste(
    page,
    ['line\tWeek 0 (cm)\tWeek 1 (cm)\tWeek 2 (cm)', ...rows.map((r, i) => [`L${i + 1}`, ...r].join('\t'))].join('\n'),
  );
  await expect(page.getByLabel('How the table is laid out')).toHaveValue('repeated');
  await asked(page, 'Ask whether the conditions differ');
  await expect(page.getByTestId('source-table')).toContainText(fixed(expected['f'], 3));
  await expect(page.getByTestId('test')).toContainText('p < 0.001');
  await expect(page.getByTestId('source-table')).toContainText('9.71 × 10⁻⁴');
  await page.getByLabel('Sphericity').selectOption('as they are');
  await expect(page.getByTestId('source-table')).toContainText('5.03 × 10⁻⁴');
  await page.getByLabel('Compared by').selectOption('ranks');
  await expect(page.getByTestId('test')).toContainText('Friedman test');
  await page.getByLabel('Compared by').selectOption('their means');
  await expect(page.getByTestId('check-sphericity')).toBeVisible();
  expect(await copiedResults(page)).toContain('in 8 ');
  // As strangers instead, and back: the sentence morphs, nothing else moves.
  await page.getByLabel('How subjects were measured').selectOption('counts once');
  await expect(page.getByTestId('test')).toContainText('One-way analysis of variance');
  await page.getByLabel('How subjects were measured').selectOption('is measured under every condition');
  const question = page.url();
  await page.getByRole('link', { name: 'Open readings' }).click();
  await cell(page, 2, 3).click();
  await page.keyboard.press('Delete');
  await saved(page);
  await page.goto(question);
  await expect(page.getByText(/Left out, because a reading is missing: L2 \(no Week 1\)/)).toBeVisible();
  // By a mixed model nobody is left out.
  await page.getByLabel('Compared by').selectOption('their means, by a mixed model');
  await expect(page.getByTestId('test')).toContainText('Linear mixed model');
  await expect(
    page.getByText('1 line of 8 lacks a reading; each enters with those it has, and none is left out.'),
  ).toBeVisible();
});

test('groups of subjects through conditions: from paste to the copied sentence, and a reading changed', async ({
  page,
}) => {
  const { rows } = reference('anova.repeated_measures-1');
  await startStudy(page, 'Fed and unfed');
  const fed = (i: number): string => (i % 2 ? 'fed' : 'unfed');
  await paste(
    page,
    [
      'line\tfeeding\tWeek 0 (cm)\tWeek 1 (cm)\tWeek 2 (cm)',
      ...rows.map((r, i) => [`L${i + 1}`, fed(i), ...r].join('\t')),
    ].join('\n'),
  );
  await page.getByLabel('How the table is laid out').selectOption({ value: 'repeated' });
  await asked(page, 'Ask what groups and conditions do');
  await expect(page.getByTestId('source-table')).toContainText('lines within groups');
  // Between the groups: one analysis of variance of the subjects' means, by hand.
  const ss = (values: number[]): number => {
    const mean = values.reduce((s, x) => s + x, 0) / values.length;
    return values.reduce((s, x) => s + (x - mean) ** 2, 0);
  };
  const means = rows.map((r) => r.reduce<number>((s, x) => s + Number(x), 0) / 3);
  const groups = ['fed', 'unfed'].map((g) => means.filter((_, i) => fed(i) === g));
  const within = groups.reduce((s, g) => s + ss(g), 0);
  const f = (ss(means) - within) / (within / 6);
  await expect(page.getByTestId('source-table')).toContainText(fixed(f, 3));
  expect(await copiedResults(page)).toContain(`feeding F(1, 6) = ${fixed(f, 2)}`);
  await page.getByLabel('How subjects were measured').selectOption('counts once');
  await expect(page.getByTestId('test')).toContainText('Two-way analysis of variance');
  await page.getByLabel('How subjects were measured').selectOption('is measured under every condition');
  await changeReading(page, 1, 3, '99');
  await expect(page.getByTestId('source-table')).not.toContainText(fixed(f, 3));
});

test('lines at two depths through weeks: each compared with itself, and led back from a question that is not theirs', async ({
  page,
}) => {
  const { rows } = reference('anova.repeated_measures-1');
  const lines = rows.slice(0, 6).map((r, i) => ({
    line: `L${i + 1}`,
    shallow: r.map(Number),
    deep: r.map((x, week) => Number(x) + 1 + ((i * 3 + week) % 4) / 4),
  }));
  await startStudy(page, 'Depths and weeks');
  await paste(
    page,
    [
      ['line', 'depth', ...(lines[0]?.deep ?? []).map((_, week) => `Week ${week} (cm)`)].join('\t'),
      ...lines.flatMap(({ line, ...of }) =>
        (['shallow', 'deep'] as const).map((depth) => [line, depth, ...of[depth].map((x) => x.toFixed(2))].join('\t')),
      ),
    ].join('\n'),
  );
  await expect(
    page.getByText('“time” says under which each was read: “line” has a row for each “depth”.'),
  ).toBeVisible();
  await asked(page, 'Ask what the two factors do');
  const table = page.getByTestId('source-table');
  await expect(table).toContainText('depth × time × line');
  // Of two depths: the paired t of the lines' means, squared, by hand.
  const mean = (values: number[]): number => values.reduce((s, x) => s + x, 0) / values.length;
  const differences = lines.map((l) => mean(l.deep) - mean(l.shallow));
  const variance = differences.reduce((s, d) => s + (d - mean(differences)) ** 2, 0) / (lines.length - 1);
  const f = mean(differences) ** 2 / (variance / lines.length);
  await expect(table).toContainText(fixed(f, 3));
  expect(await copiedResults(page)).toContain(`depth F(1, 5) = ${fixed(f, 2)}`);
  await page.getByLabel('How subjects were measured').selectOption('is measured under every condition');
  await expect(page.getByRole('region', { name: 'Headline' })).toContainText('L1 stands in two groups');
  await page.getByRole('button', { name: 'Each line is measured under every combination' }).click();
  await expect(table).toContainText(fixed(f, 3));
  await page.getByLabel('How subjects were measured').selectOption('counts once');
  await expect(page.getByTestId('test')).toContainText('Two-way analysis of variance');
  await page.getByRole('button', { name: 'Compare each with itself' }).first().click();
  await expect(table).toContainText(fixed(f, 3));
});

test('figures copied from a paper, and groups of subjects in the demo study', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Open a fresh copy of the demo study' }).click();
  await page.waitForURL(/\/questions\//);
  const spine = page.getByRole('navigation', { name: 'Study' });
  await unfold(page);
  await spine.getByRole('link', { name: 'feeding × condition' }).click();
  await expect(page.getByRole('region', { name: 'Headline' })).toContainText('depends on condition');
  await expect(page.getByTestId('source-table')).toContainText('lines within groups');
  await spine.getByRole('link', { name: 'Inner sound · Outer sound · Open shore' }).click();
  // With unequal n each group keeps its own spread, and the margin says why.
  await expect(page.getByTestId('test')).toContainText('Welch’s analysis of variance');
  await expect(page.getByRole('complementary', { name: 'Margin notes' })).toContainText('The groups have unequal n');
  await page.getByLabel('Spreads').selectOption('are taken as equal');
  // By hand from the reported means, standard errors and n: F(2, 66) = 6.30.
  await expect(page.getByTestId('test')).toContainText('F(2, 66) = 6.30, p = 0.003');
  await expect(page.getByTestId('tell-methods')).toContainText(
    'Only means, spreads and numbers as reported were used.',
  );
  await page.getByLabel('What is compared').selectOption('between two groups,');
  await expect(page.getByTestId('test')).toContainText('Welch’s t-test');
  await page.getByLabel('Compared by').selectOption('ranks');
  await expect(page.getByTestId('no-answer')).toContainText('needs the readings themselves');
});

test('paired readings agree with the reference, and each part opens to its reasons', async ({ page }) => {
  const { a, b, expected } = reference('means.paired_t-1');
  await startStudy(page, 'Rinse');
  await paste(page, columns([a.map((_, i) => `B${i + 1}`), a, b], ['blade', 'Before (g)', 'After (g)']));
  await asked(page, 'Ask whether two groups differ');
  // Later minus earlier, where nobody chose.
  await expect(page.getByTestId('difference-row')).toContainText('After minus Before');
  await expect(page.getByTestId('difference-row')).toContainText(fixed(-(expected['t'] ?? NaN), 3));
  await expect(page.getByTestId('difference-row')).toContainText('−0.601 to −0.113');
  await page.getByRole('button', { name: 'Order: After minus Before. Turn round' }).click();
  await expect(page.getByTestId('difference-row')).toContainText(fixed(expected['t'], 3));
  await expect(page.getByTestId('difference-row')).toContainText('0.113 to 0.601');
  await page.getByText('The hypotheses').click();
  await expect(page.getByTestId('hypotheses').locator('.katex').first()).toBeVisible();
  await page.getByText('The reference distribution and the decision').click();
  await expect(page.getByTestId('decision')).toContainText('lies beyond the critical value ±2.201');
  await expect(page.getByTestId('decision')).toContainText('is below 5 %');
  // Pointing at the curve reads the areas there.
  const before = await page.getByTestId('areas').textContent();
  await page.getByTestId('reference-curve').hover({ position: { x: 250, y: 90 } });
  await expect(page.getByTestId('areas')).not.toHaveText(before ?? '');
  await page.getByText('The working').click();
  await expect(page.getByTestId('working')).toContainText('SD of the differences');
  await expect(page.getByTestId('step-result').filter({ hasText: fixed(expected['sd_difference'], 6) })).toBeVisible();
  expect(await copied(page, 'Copy the working as TeX')).toContain('\\frac');
  for (const view of ['boxes', 'histograms', 'quantile plots', 'points']) {
    await page.getByRole('button', { name: view }).click();
    await expect(page.getByRole('button', { name: view })).toHaveAttribute('aria-pressed', 'true');
  }
});

test('a direction chosen with the answer in sight is said; own words keep up with the numbers', async ({ page }) => {
  await startStudy(page, 'Lamps again');
  await paste(page, columns([red, white], ['Red lamp (mm)', 'White lamp (mm)']));
  await asked(page, 'Ask whether two groups differ');
  await page.getByLabel('Direction').selectOption('greater');
  const note = page.getByRole('region', { name: 'One-sided' });
  await expect(note).toContainText('doubles the chance of a false alarm');
  await expect(page.getByTestId('tell-methods')).toContainText(
    'The direction was chosen after the readings had been seen.',
  );
  await note.getByRole('button', { name: 'It was fixed before anyone saw the readings' }).click();
  await expect(page.getByTestId('tell-methods')).not.toContainText('had been seen');
  await page.getByLabel('Direction').selectOption('either');
  await page.getByRole('button', { name: 'Reword the results' }).click();
  const own = page.getByLabel('Results, in your own words');
  await own.fill((await own.inputValue()).replace('The reading was greater', 'Seedlings grew taller'));
  await page.keyboard.press('Control+Enter');
  await expect(page.getByTestId('tell-results')).toContainText('Seedlings grew taller in Red lamp (mean 63.718');
  await changeReading(page, 1, 1, '87.44');
  await expect(page.getByTestId('tell-results')).toContainText('Seedlings grew taller in Red lamp (mean 65.940');
  await expect(page.locator('mark').first()).toBeVisible();
  await page.getByRole('button', { name: 'Mark as reviewed' }).click();
  await expect(page.locator('mark')).toHaveCount(0);
  await page.getByRole('button', { name: 'Back to Divide’s words' }).click();
  await expect(page.getByTestId('tell-results')).toContainText('The reading was greater');

  // Asked again beside itself, with another level; both stand on one axis, and an edit reaches both.
  await page.getByRole('button', { name: 'Ask again beside this one' }).click();
  await page.waitForURL(/\/beside\//);
  const right = page.getByRole('region', { name: 'Right' });
  await right.getByLabel('Confidence level').selectOption('90 %');
  await expect(right.getByTestId('interval')).toContainText('90 % CI');
  await expect(page.getByRole('region', { name: 'Left' }).getByTestId('interval')).toContainText('95 % CI');
  await expect(page.getByTestId('both-effects').locator('[data-mark="rung"]')).toHaveCount(2);
});

test('points chosen in the picture are picked in the readings, and the other way round', async ({ page, context }) => {
  await startStudy(page, 'Brushing');
  await paste(page, columns([red, white], ['Red lamp (mm)', 'White lamp (mm)']));
  await asked(page, 'Ask whether two groups differ');
  const question = page.url();
  const look = page.getByTestId('look');
  const points = look.locator('path[data-place]');
  await expect(points).toHaveCount(18);
  // A box over the first group's upper end: from right of all its points to left of its third.
  const boxes = await Promise.all([0, 3, 4].map((i) => points.nth(i).boundingBox()));
  const [x, y] = [Math.min(...boxes.map((b) => b?.x ?? 0)) - 6, Math.min(...boxes.map((b) => b?.y ?? 0)) - 30];
  const [right, bottom] = [Math.max(...boxes.map((b) => b?.x ?? 0)) + 16, Math.max(...boxes.map((b) => b?.y ?? 0)) + 9];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(right, bottom, { steps: 4 });
  await page.mouse.up();
  const chosen = page.getByRole('form', { name: 'The reading chosen' });
  await expect(chosen).toContainText('readings chosen');
  await chosen.getByRole('link', { name: 'Pick their rows in the readings' }).click();
  await expect(page.getByText(/rows picked: chosen in the picture/)).toBeVisible();
  // Rows picked in another window stand out in the picture here.
  const readings = await context.newPage();
  await readings.goto(page.url().replace('#picked', ''));
  await page.goto(question);
  await readings.bringToFront();
  await fromMenu(readings, 'Rows', 'Pick rows');
  await readings.getByLabel('Value of the rule').fill('66');
  await readings.keyboard.press('Enter');
  await expect(readings.getByText(/rows picked/)).toBeVisible();
  await page.bringToFront();
  await expect(look.locator('path[data-picked]').first()).toBeVisible();
});

test('one question of every measure: sorted, adjusted, each opening to its own page', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Open a fresh copy of the demo study' }).click();
  await page.waitForURL(/\/questions\//);
  // Folded away, it is found by its words.
  await page.getByLabel('Find in this study').fill('pigment');
  await page.getByRole('navigation', { name: 'Study' }).getByRole('link', { name: 'still · pulsed' }).last().click();
  await page.getByRole('link', { name: 'Ask it of every measure' }).click();
  await expect(page.getByTestId('many-status')).toContainText('of 40 differ');
  await page.getByRole('columnheader').getByRole('button', { name: 'p', exact: true }).click();
  const first = page.getByTestId('measure-row').first();
  const [name, p] = [
    await first.getByRole('rowheader').textContent(),
    await first.getByRole('cell').nth(5).textContent(),
  ];
  await page.getByLabel('Adjusted by').selectOption('Benjamini–Hochberg');
  await expect(page.getByTestId('many-status')).toContainText('share of false findings');
  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'As CSV' }).click();
  const file = await downloading;
  expect(file.suggestedFilename()).toBe('every-measure.csv');
  const lines = readFileSync(await file.path(), 'utf8').split('\r\n');
  expect(lines).toHaveLength(41);
  expect(lines[0]).toContain('"mean, still","SD, still"');
  expect(lines[1]).toContain((name ?? '').replace(/ \(.*/, ''));
  await first.getByRole('rowheader').getByRole('button').click();
  await page.waitForURL(/\/questions\/[^/]+$/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText((name ?? '').replace(/ \(.*/, ''));
  await expect(page.getByTestId('difference-row')).toContainText((p ?? '').replace('< ', '').trim().slice(0, 5));
});

test('nothing shown is older than the readings: random edits, each page against the answer from outside', async ({
  page,
  context,
  request,
}) => {
  test.setTimeout(180_000);
  await page.goto('/');
  await page.getByRole('button', { name: 'Open a fresh copy of the demo study' }).click();
  await page.waitForURL(/\/questions\//);
  const spine = page.getByRole('navigation', { name: 'Study' });
  await unfold(page);
  const study = new URL(page.url()).pathname.split('/')[2] ?? '';
  /** A question's page beside its table's, in two windows. */
  const both = async (table: string, question: string, nth: number) => {
    const readings = await context.newPage();
    await readings.goto((await spine.getByRole('link', { name: table, exact: true }).getAttribute('href')) ?? '');
    await readings.getByRole('grid').waitFor();
    const answered = await context.newPage();
    await answered.goto((await spine.getByRole('link', { name: question }).nth(nth).getAttribute('href')) ?? '');
    await answered.getByRole('region', { name: 'Headline' }).waitFor();
    return { readings, answered, table: new URL(readings.url()).pathname.split('/').at(-1) ?? '' };
  };
  const windows = [
    {
      ...(await both('Lamp trial', 'Red lamp · White lamp', 0)),
      columns: 2,
      question: { design: 'two-groups', a: 'red', b: 'white' },
    },
    {
      ...(await both('Four lamps', 'Daylight (control) · … · Violet lamp', 0)),
      columns: 4,
      question: { design: 'several' },
    },
    {
      ...(await both('Temperature by nutrient', 'temperature × nutrient', 0)),
      columns: 4,
      question: { design: 'factorial', by: 'temperature', by2: 'nutrient' },
    },
    {
      ...(await both('Weekly growth', 'Week 0 · … · Week 3', 0)),
      columns: 5,
      question: { design: 'repeated', turned: 'all' },
    },
  ];
  // A generator of its own, so that a failure can be repeated.
  let seed = 20261123;
  const below = (n: number): number => {
    seed = (seed * 1103515245 + 12345) % 2147483648;
    return Math.floor((seed / 2147483648) * n);
  };
  for (let step = 0; step < 16; step++) {
    const { readings, answered, table, columns: width, question } = windows[step % windows.length]!;
    await readings.bringToFront();
    const column = width - 1 - below(Math.min(2, width - 1));
    await cell(readings, 1 + below(8), column + 1).click();
    await readings.keyboard.type(['12.5', '31', ' ', 'n/a', '40,5', '1.9', '<0.5'][below(7)]!);
    await readings.keyboard.press('Enter');
    await saved(readings);
    const kept = ((await (await request.get(`/api/tables/${table}`)).json()) as { table: KeptTable }).table;
    const sent = await request.post('/api/answer', {
      data: {
        question,
        readings: {
          measure: kept.measure,
          subject: kept.subject,
          shape: kept.shape,
          average: kept.average,
          columns: kept.columns.map(({ id, name, unit, role, cells, aside }) => ({
            id,
            name,
            unit,
            role,
            values: cells,
            aside,
          })),
        },
      },
    });
    const told = (await sent.json()) as { words: { methods: string; results?: string } };
    await answered.bringToFront();
    const label = `edit ${step + 1} of ${study}, ${table}`;
    await expect(answered.getByTestId('tell-methods'), label).toHaveText(told.words.methods);
    if (told.words.results) await expect(answered.getByTestId('tell-results'), label).toHaveText(told.words.results);
    else await expect(answered.getByTestId('no-answer'), label).toBeVisible();
  }
});

test('bad input is met with its own words, and what can be done', async ({ page }) => {
  const refusal = page.getByTestId('no-answer');
  await startStudy(page, 'What goes wrong');
  await paste(page, columns([[1.5, 2.5, 2.1], [4.2]], ['Red', 'White']));
  await asked(page, 'Ask whether two groups differ');
  const question = page.url();
  await expect(refusal).toContainText('White has one reading: one alone shows no spread, at least two are needed.');
  await page.getByLabel('How subjects were measured').selectOption('is measured twice');
  await expect(refusal).toContainText('There is one pair');
  await page.getByLabel('How subjects were measured').selectOption('counts once');
  const retype = async (rows: [number, number, string][]) => {
    await saved(page);
    await page.getByRole('link', { name: 'Open readings' }).click();
    for (const [row, column, text] of rows) {
      await cell(page, row, column).click();
      await page.keyboard.type(text);
      await page.keyboard.press('Enter');
    }
    await saved(page);
    await page.goto(question);
  };
  await retype([
    [1, 1, '3'],
    [2, 1, '3'],
    [3, 1, '3'],
    [1, 2, '4'],
    [2, 2, '4'],
  ]);
  await expect(refusal).toContainText('no spread there is nothing to judge');
  await retype([
    [1, 2, 'lid off'],
    [2, 2, '1e999'],
  ]);
  await expect(refusal).toContainText('White has no readings that can be used');
  await expect(page.getByRole('complementary', { name: 'Margin notes' })).toContainText('“lid off”');
});

test('a question registered before its readings are there tells every deviation once they are', async ({ page }) => {
  await startStudy(page, 'Lamps planned');
  await paste(page, 'Red lamp (mm)\tWhite lamp (mm)\n1\t2');
  for (const column of [1, 2]) {
    await cell(page, 1, column).click();
    await page.keyboard.press('Delete');
  }
  await saved(page);
  await page.getByRole('button', { name: 'Ask whether two groups differ, before the readings are there' }).click();
  await page.waitForURL(/\/questions\//);
  const question = page.url();
  await page.getByRole('button', { name: 'Register this question …' }).click();
  // The planner is opened on it, and its number comes back; any other can be typed.
  await page.getByRole('link', { name: 'Plan it' }).click();
  const take = page.getByRole('link', { name: /^Take \d+ as planned in each group$/ });
  const planned = /\d+/.exec((await take.textContent()) ?? '')?.[0] ?? '';
  await expect(page.getByTestId('planned')).toHaveText(planned);
  await take.click();
  await expect(page.getByLabel('Planned in each group')).toHaveValue(planned);
  await page.getByLabel('Planned in each group').fill('3');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Register', exact: true }).click();
  const registration = page.getByTestId('registration');
  await expect(registration).toContainText('before any reading was there, with 3 planned in each group');
  await saved(page);

  await page.getByRole('link', { name: 'Open readings' }).click();
  await page.getByRole('grid').waitFor();
  await cell(page, 1, 1).click();
  await paste(page, '67\t59\n63\t58\n61\t');
  await saved(page);
  await page.goto(question);
  await expect(registration).toContainText('Deviations: n 2 in White lamp, 3 planned in each group.');
  await page.getByLabel('Confidence level', { exact: true }).selectOption('0.9');
  await expect(registration).toContainText('level 90 % (α = 0.1), registered 95 % (α = 0.05)');
  await expect(page.getByTestId('tell-methods')).toContainText(
    'Deviations from what was registered: n 2 in White lamp',
  );
  await saved(page);
  await page.getByRole('link', { name: 'Registration' }).click();
  await expect(page.getByTestId('registration-table').getByRole('row', { name: /level/ })).toContainText('95 %');
  await page.getByRole('navigation', { name: 'Study' }).getByRole('link', { name: 'All changes' }).click();
  await expect(page.getByText('registered before any reading was there, 3 planned in each group')).toBeVisible();
});
