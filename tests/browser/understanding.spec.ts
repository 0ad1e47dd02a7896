import { readFileSync } from 'node:fs';
import { type Page, expect } from '@playwright/test';
import { moreCases } from '../understanding/more-cases';
import { cell, fromMenu, paste, saved, startStudy, test } from './steps';

const { cases } = JSON.parse(readFileSync('tests/understanding/cases.json', 'utf8')) as {
  cases: { id: string; text: string }[];
};
const textOf = (id: string): string => [...cases, ...moreCases].find((c) => c.id === id)?.text ?? '';
const unclear = (page: Page) => page.getByRole('region', { name: 'Unclear' });
const mend = (page: Page, name: string) => unclear(page).getByRole('button', { name, exact: true }).click();
const sentence = (page: Page) => page.locator('main p').filter({ hasText: /^Here / });

/** Starts a study, and pastes one of the tables into its empty one. */
async function pasted(page: Page, id: string): Promise<void> {
  await startStudy(page, `Table ${id}`);
  await paste(page, textOf(id));
  await saved(page);
}

test('slips are told with their mends: a scale, names, units, a limit, a group left out', async ({ page }) => {
  await pasted(page, 'scale-slip');
  await expect(unclear(page)).toContainText('28900 (red lamp, row 4) is about 1000 times the other readings');
  await unclear(page).getByRole('button', { name: 'Go to red lamp, row 4' }).click();
  await expect(page.getByRole('grid')).toHaveAttribute('aria-activedescendant', 'cell-3-0');
  await mend(page, 'Read it as 28.9');
  await expect(cell(page, 4, 1)).toHaveText('28.9');
  await expect(unclear(page)).toHaveCount(0);
  // One mend is one step back.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cell(page, 4, 1)).toHaveText('28900');
  await expect(unclear(page)).toBeVisible();

  await pasted(page, 'near-names');
  await expect(sentence(page)).toContainText('5 groups, 25 readings');
  for (let left = 2; left > 0; left--)
    await unclear(page)
      .getByRole('button', { name: /^Merge into/ })
      .first()
      .click();
  await expect(sentence(page)).toContainText('2 groups, 25 readings');
  await expect(unclear(page)).toHaveCount(0);

  await pasted(page, 'mixed-units');
  await expect(unclear(page)).toContainText('The groups are in mm and cm');
  await mend(page, 'Convert to mm');
  await expect(cell(page, 1, 2)).toHaveText('286');

  await pasted(page, 'beyond-limit');
  await expect(unclear(page)).toContainText('beyond a limit');
  await mend(page, 'Count as half of it');
  await expect(sentence(page)).toContainText('18 readings');
  await expect(sentence(page)).not.toContainText('not read');

  await pasted(page, 'no-group');
  await expect(sentence(page)).toContainText('11 readings, 1 without a treatment');
  await expect(unclear(page)).toContainText('1 reading without a treatment is left out (row 6)');
  await mend(page, 'Leave it out');
  await expect(unclear(page)).toHaveCount(0);
  await page.reload();
  await page.getByRole('grid').waitFor();
  // What was settled stays settled.
  await expect(unclear(page)).toHaveCount(0);
});

test('totals, means, years and running numbers are left out and said to be', async ({ page }) => {
  await pasted(page, 'counts-with-totals');
  await expect(unclear(page)).toContainText('Row 4, “total”, is the sum of the others and is not counted.');
  await expect(unclear(page)).toContainText('“total” is the sum of the columns beside it and is not counted.');
  await page.getByRole('region', { name: 'Ask' }).getByRole('button').first().click();
  await page.waitForURL(/questions/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('depend on');
  await expect(page.locator('main')).not.toContainText('total');

  await pasted(page, 'summary-rows-below');
  await expect(unclear(page)).toContainText('sum up the readings above and are not counted');
  await expect(sentence(page)).toContainText('2 groups, 16 readings');

  await pasted(page, 'year-beside');
  await expect(unclear(page)).toContainText('“year” holds years and is a label.');
  await mend(page, 'That is right');

  await pasted(page, 'running-number');
  await expect(unclear(page)).toContainText('taken as a running number, not as a reading or a subject');
  await expect(page.getByRole('region', { name: 'Ask' })).toContainText(
    'differ among red lamp, white lamp and blue lamp',
  );
  await mend(page, 'It says who each row is');
  await expect(page.getByRole('region', { name: 'Ask' })).toContainText('measured under every condition');
});

test('variables are not compared with each other: the outcome is asked for, and asked about', async ({ page }) => {
  await pasted(page, 'case-by-variable');
  await expect(page.getByRole('region', { name: 'Ask' })).toContainText(
    'Does blade length (mm) depend on treatment and sex',
  );
  await mend(page, 'blade mass');
  await expect(page.getByRole('region', { name: 'Ask' })).toContainText('Does blade mass (g) depend on');
  await page.getByText('Ask another question of this table').click();
  await page.getByRole('button', { name: /blade mass \(g\) differ between red lamp and white lamp/ }).click();
  await page.waitForURL(/questions/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('blade mass');
});

test('two ways to read a table are shown small, and one is chosen with a click', async ({ page }) => {
  await startStudy(page, 'Two ways');
  const rows = Array.from(
    { length: 9 },
    (_, i) => `Bay ${'ABCDEFGHI'[i] ?? ''}\t${12 + ((i * 7) % 19)}\t${18 + ((i * 5) % 17)}`,
  );
  await paste(page, ['bay\tspring\tautumn', ...rows].join('\n'));
  const ways = page.getByRole('region', { name: 'Ways to read this table' });
  await expect(ways).toContainText('a table of counts');
  await expect(ways).toContainText('when each subject is measured twice');
  await ways.getByRole('button', { name: 'Read it as one row per subject, measured in each column' }).click();
  await expect(ways).toHaveCount(0);
  await expect(sentence(page)).toContainText('2 groups, 18 readings');
});

test('a block that stands turned round is turned, and can be left as it stood', async ({ page }) => {
  await pasted(page, 'turned');
  await expect(page.locator('.notice').filter({ hasText: 'turned round' })).toBeVisible();
  await expect(sentence(page)).toContainText('3 groups, 24 readings');
  await page.getByRole('button', { name: 'Leave it as it stood' }).click();
  await expect(cell(page, 2, 1)).toHaveText('white lamp');
  await fromMenu(page, 'Table', 'Turn round');
  await expect(sentence(page)).toContainText('3 groups, 24 readings');
});

test('counts and figures from a paper are typed from nothing, the layout chosen first', async ({ page }) => {
  await startStudy(page, 'Typed counts');
  await page.getByLabel('How the table is laid out').selectOption({ label: 'each cell is a count' });
  await expect(page.locator('[data-name-of]')).toHaveCount(3);
  await page.getByRole('grid').focus();
  // The names stand above the first row: as many keys as there are cells.
  await page.keyboard.press('ArrowUp');
  for (const [k, name] of ['site', 'eaten', 'whole'].entries()) {
    await page.keyboard.type(name);
    await page.keyboard.press(k < 2 ? 'Tab' : 'Enter');
  }
  for (const row of [
    ['north', '12', '41'],
    ['south', '19', '33'],
  ]) {
    for (const [k, text] of row.entries()) {
      await page.keyboard.type(text);
      await page.keyboard.press(k < row.length - 1 ? 'Tab' : 'Enter');
    }
  }
  await expect(cell(page, 2, 3)).toHaveText('33');
  await expect(page.getByRole('region', { name: 'Ask' })).toContainText(
    'Does the share of eaten differ between north and south',
  );

  await startStudy(page, 'Typed figures');
  await page
    .getByLabel('How the table is laid out')
    .selectOption({ label: 'each row is a group, known by mean, spread and n' });
  await page.getByRole('grid').focus();
  for (const row of [
    ['red', '31.8', '4.35', '14'],
    ['white', '31.2', '4.97', '20'],
  ]) {
    for (const [k, text] of row.entries()) {
      await page.keyboard.type(text);
      await page.keyboard.press(k < row.length - 1 ? 'Tab' : 'Enter');
    }
  }
  await page.getByRole('region', { name: 'Ask' }).getByRole('button').first().click();
  await page.waitForURL(/questions/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Does mean differ');
});

test('a group put in after a question was asked waits until it is taken in', async ({ page }) => {
  await pasted(page, 'plain-three');
  await page.getByRole('region', { name: 'Ask' }).getByRole('button').first().click();
  await page.waitForURL(/questions/);
  const question = page.url();
  await page.goBack();
  await page.getByRole('grid').waitFor();
  await page.getByRole('button', { name: '+ Group' }).click();
  await page.getByRole('grid').focus();
  for (const text of ['30.1', '31.9', '29.4']) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
  await saved(page);
  await page.goto(question);
  await expect(page.getByRole('status').filter({ hasText: 'was put in after this was asked' })).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('red lamp, white lamp and blue lamp');
  await page.getByRole('button', { name: /^Take .* in$/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Group 4');
});

test('a question leaves rows out by a rule, and says so in its sentence, its margin and its Methods', async ({
  page,
}) => {
  await startStudy(page, 'Rules');
  const rows = [
    ['pier', 'red', 31.2], ['pier', 'white', 27.5], ['pier', 'red', 33.1], ['pier', 'white', 26.9],
    ['bay', 'red', 30.4], ['bay', 'white', 29.3], ['bay', 'red', 35.0], ['bay', 'white', 28.8],
    ['point', 'red', 12.0], ['point', 'white', 51.0], ['bay', '', 30.0],
  ]; // prettier-ignore
  await paste(page, ['site\tlamp\tblade length (mm)', ...rows.map((r) => r.join('\t'))].join('\n'));
  await page.getByText('Ask another question of this table').click();
  await page.getByRole('button', { name: /differ between red and white/ }).click();
  await page.waitForURL(/questions/);
  await expect(page.getByRole('complementary')).toContainText('1 reading without a lamp is part of no group');
  await page.getByRole('button', { name: 'All rows', exact: true }).click();
  await page.getByLabel('Column of the rule').selectOption({ label: 'site' });
  await page.getByLabel('Value of the rule').fill('point');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('rows-taken')).toContainText('Only rows count where site is not point');
  const methods = page.getByText(/^Blade length was compared between/);
  await expect(methods).toContainText('Only readings where site is not point were taken.');
  await expect(methods).toContainText('One reading without a lamp was left out.');
  // By hand: 32.425 and 28.125.
  await expect(page.getByTestId('estimate')).toHaveText('4.3 mm');
  await page.getByRole('button', { name: 'Drop the rule that site is not point' }).click();
  await expect(page.getByTestId('estimate')).not.toHaveText('4.3 mm');
});

test('every other slip stands in the margin in its own words, and its mend settles it', async ({ page }) => {
  const slips: [id: string, code: string, words: string | RegExp, mend: string][] = [
    ['summary-plus-minus', 'spread-kind', 'What “±” is, the table does not say', 'It is the SEM'],
    ['group-before-after', 'no-subject-column', 'no column names the subjects', 'Each row is one subject'],
    ['same-names', 'same-names', 'Two columns are called “red lamp”', 'Call them red lamp 1, red lamp 2'],
    ['lost-partners', 'lost-partners', 'F4 and F7 lack a reading', 'Leave them out'],
    ['variables-no-group', 'which-outcome', 'one at a time is compared', 'salinity'],
    ['year-and-measure', 'calendar', '“year” holds years and is a label', 'It names groups'],
    ['a-pair-that-stands-twice', 'row-twice', 'Row 5, “L3”, is in every cell the same', 'Count it'],
    ['a-row-that-slipped-to-the-right', 'cells-shifted', 'slipped to the right', 'Move the cell back'],
    ['a-tank-not-named', 'no-subject', '1 reading names no tank (row 18)', 'Leave it out'],
  ];
  for (const [id, code, words, name] of slips) {
    await pasted(page, id);
    const doubt = page.locator(`[data-doubt="${code}"]`);
    await expect(doubt, id).toContainText(words);
    await doubt.getByRole('button', { name, exact: true }).click();
    await expect(doubt, id).toHaveCount(0);
    await saved(page);
    // A table that was settled still leads to a question.
    await expect(page.getByRole('region', { name: 'Ask' }).getByRole('button').first(), id).toBeVisible();
  }
  for (const id of ['one-line', 'one-line-commas']) {
    await pasted(page, id);
    await expect(sentence(page), id).toContainText(/\d+ readings/);
  }
});
