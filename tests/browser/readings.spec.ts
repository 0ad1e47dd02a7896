import { type Page, expect } from '@playwright/test';
import writeXlsxFile from 'write-excel-file/universal';
import { cell, fromMenu, paste, saved, startStudy, test } from './steps';

const margin = (page: Page) => page.getByRole('complementary', { name: 'Margin notes' });
const layout = (page: Page) => page.getByLabel('How the table is laid out');
const take = (page: Page) => page.getByRole('button', { name: 'Import', exact: true });
const open = (page: Page, name: string, content: string | Buffer) =>
  page.getByLabel('File of readings').setInputFiles({
    name,
    mimeType: 'application/octet-stream',
    buffer: Buffer.isBuffer(content) ? content : Buffer.from(content),
  });
const xlsx = async (sheets: Record<string, (string | number)[][]>): Promise<Buffer> => {
  const blob = await writeXlsxFile(
    Object.entries(sheets).map(([sheet, rows]) => ({
      sheet,
      data: rows.map((row) => row.map((value) => ({ value }))),
    })),
  ).toBlob();
  return Buffer.from(await blob.arrayBuffer());
};

test('paste a messy block, correct it, set aside, and undo after a reload', async ({ page }) => {
  await startStudy(page, 'Messy block');
  await paste(
    page,
    'lamp\tlength (mm)\tnote\nred\t34,2\t\nred\tn/a\ttag lost\nwhite\t30,1 mm\t\nwhite\t2,5\t\nred\t36,4\t',
  );
  await expect(layout(page)).toHaveValue('rows');
  await expect(page.getByLabel('Role of lamp')).toHaveValue('group');
  await expect(page.getByLabel('Unit of length')).toHaveValue('mm');
  // A word for missing is missing, and no cause for a note.
  await expect(margin(page)).not.toContainText('n/a');
  // What was read otherwise than it stands is named too.
  await expect(page.getByRole('region', { name: 'Read otherwise than written' })).toContainText(
    'length, row 3: “30,1 mm” as 30.1',
  );
  await cell(page, 2, 2).click();
  await page.keyboard.type('33,9');
  await page.keyboard.press('Enter');
  await expect(margin(page)).not.toContainText('is not a number');
  // Rows picked by a rule are set aside together.
  await fromMenu(page, 'Rows', 'Pick rows');
  await page.getByLabel('Column of the rule').selectOption({ label: 'length' });
  await page.getByLabel('Rule', { exact: true }).selectOption('below');
  await page.getByLabel('Value of the rule').fill('10');
  await page.getByRole('button', { name: 'Pick them' }).click();
  await expect(page.getByText('1 row picked: length is below 10.')).toBeVisible();
  await page.getByRole('button', { name: 'Set aside 1 reading' }).click();
  await page.getByLabel('Set aside 1 reading, because').fill('slip of the decimal');
  await page.keyboard.press('Enter');
  await expect(margin(page)).toContainText('slip of the decimal');
  await expect(page.getByText('2 groups, 4 readings, 1 set aside')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(cell(page, 4, 2)).toHaveClass(/line-through/);
  await page.getByRole('grid').focus();
  await page.keyboard.press('Control+Z');
  await expect(cell(page, 4, 2)).not.toHaveClass(/line-through/);
  await page.keyboard.press('Control+Z');
  await expect(cell(page, 2, 2)).toHaveText('n/a');
  await page.getByRole('link', { name: 'All changes' }).click();
  // What was done, and that it was taken back: a line each.
  const told = page.getByRole('row').filter({ hasText: 'length, row 4 set aside: slip of the decimal' });
  await expect(told).toHaveCount(2);
  await expect(told.first()).toContainText('taken back:');
});

test('names that are numbers, levels with a unit, and subjects that come back in every group', async ({ page }) => {
  await startStudy(page, 'Doses');
  // Whole numbers in order over numbers with decimals are names, until one says otherwise.
  await paste(page, '0\t5\t10\n12.1\t13.4\t15.2\n11.8\t14.0\t14.9\n12.6\t13.1\t15.8');
  await page.getByRole('button', { name: 'Keep it as a row instead' }).click();
  await expect(cell(page, 1, 3)).toHaveText('10');
  await page.getByRole('button', { name: 'Use the first row as names' }).click();
  await expect(page.getByLabel('Name of group 3')).toHaveValue('10');
  await expect(cell(page, 1, 3)).toHaveText('15.2');
  await expect(page.getByText('3 groups, 9 readings')).toBeVisible();

  await fromMenu(page, 'Table', 'New table');
  await page.waitForURL(/\/readings\//);
  await expect(page.getByLabel('Name of group 1')).not.toHaveValue('0');
  // Few numbers in a unit of their own, beside readings in another: a factor, and its levels carry the unit.
  const rows = [9, 12, 15].flatMap((t, j) =>
    ['K1', 'K2', 'K3', 'K4'].map(
      (tank, i) => `${tank}\t${t}\t${(1.2 + i / 5 + j / 3 + ((i * j) % 3) / 20).toFixed(2)}`,
    ),
  );
  await paste(page, ['tank\ttemp (°C)\tgrowth (mm/d)', ...rows].join('\n'));
  await expect(layout(page)).toHaveValue('rows');
  await expect(page.getByLabel('Role of temp')).toHaveValue('group');
  await expect(margin(page)).toContainText('4 tanks have readings in more than one group');
  // Tanks that come back in every group are compared with themselves, unless one asks otherwise.
  await expect(page.getByRole('region', { name: 'Ask', exact: true })).toContainText('measured under every condition');
  await page.getByText('Ask another question of this table').click();
  await page.getByRole('button', { name: /^Does growth \(mm\/d\) differ among .* when each tank counts once/ }).click();
  await page.waitForURL(/\/questions\//);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('9 °C, 12 °C and 15 °C');
  const spine = page.getByRole('navigation', { name: 'Study' });
  await expect(spine.getByRole('link', { name: '9 °C · 12 °C · 15 °C' })).toBeVisible();
  await expect(page.getByTestId('check-independence')).toContainText('the groups are compared as strangers');
  // The margin offers the same.
  await expect(page.getByRole('button', { name: 'Compare each with itself' })).toHaveCount(2);
  await page.getByTestId('check-independence').getByRole('button', { name: 'Compare each with itself' }).click();
  await expect(page.getByLabel('How subjects were measured')).toHaveValue('within');
  await expect(page.getByTestId('test')).toContainText('Repeated-measures analysis of variance');
  await saved(page);
  // The same asked again goes by a name that says what differs.
  await page.getByRole('button', { name: 'Ask again beside this one' }).click();
  await page.waitForURL(/\/beside\//);
  const kept = page.waitForResponse((r) => r.url().includes('/api/questions/') && r.request().method() !== 'GET');
  await page.getByLabel('Confidence level').last().selectOption('99 %');
  await kept;
  await page.reload();
  await expect(spine.getByRole('link', { name: '9 °C · 12 °C · 15 °C, 95 %' })).toBeVisible();
  await expect(spine.getByRole('link', { name: '9 °C · 12 °C · 15 °C, 99 %' })).toBeVisible();
});

test('the rest of the keyboard: move rows and columns, sort, find, cut an HTML table in', async ({ page }) => {
  await startStudy(page, 'Hands');
  await paste(page, 'a\tb\tc\n3\tx\t\n1\ty\t9\n2\tz\t');
  await cell(page, 1, 1).click();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(cell(page, 2, 1)).toHaveText('3');
  await page.keyboard.press('Alt+ArrowRight');
  await expect(page.getByLabel('Name of column 1')).toHaveValue('b');
  await expect(cell(page, 2, 2)).toHaveText('3');
  await page.getByRole('button', { name: 'rising' }).click();
  await expect(cell(page, 1, 2)).toHaveText('1');
  await expect(cell(page, 3, 1)).toHaveText('x');
  await page.getByRole('grid').focus();
  await page.keyboard.press('Control+F');
  await page.keyboard.type('z');
  await page.keyboard.press('Enter');
  await expect(page.getByText('1 of 1')).toBeVisible();
  await expect(cell(page, 2, 1)).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Insert a column before it' }).click();
  await expect(page.getByLabel('Name of column 1')).toHaveValue('Column 4');
  await page.getByRole('grid').focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('Control+Z');
  await expect(page.getByLabel(/^Name of (group|column) 1$/)).toHaveValue('a');
  await expect(cell(page, 1, 1)).toHaveText('3');
  // A table copied from a page, whose plain text has lost its columns.
  await page.evaluate(() =>
    navigator.clipboard.write([
      new ClipboardItem({
        'text/plain': new Blob(['5 6'], { type: 'text/plain' }),
        'text/html': new Blob(['<table><tr><td>5</td><td>six</td></tr></table>'], { type: 'text/html' }),
      }),
    ]),
  );
  await cell(page, 5, 1).click();
  await page.keyboard.press('Control+V');
  await expect(cell(page, 5, 1)).toHaveText('5');
  await expect(cell(page, 5, 2)).toHaveText('six');
});

test('open an XLSX: choose its sheet and block, correct what was understood, take it in', async ({ page }) => {
  await startStudy(page, 'Workbook');
  const book = await xlsx({
    Notes: [['nothing here but a note'], ['on the trial']],
    Trial: [
      ['tank', 'flow', 'cover (%)'],
      ['K1', 'still', 41.5],
      ['K1', 'still', 42.25],
      ['K2', 'pulsed', 44],
      ['K2', 'pulsed', '<5'],
      ['K3', 'still', 40],
      ['K4', 'pulsed', 46.5],
    ],
  });
  await open(page, 'trial.xlsx', book);
  await page.getByLabel('Sheet').selectOption('Trial');
  await expect(page.getByLabel('Layout of the readings')).toHaveValue('rows');
  await expect(page.getByRole('region', { name: 'Doubtful cells' })).toContainText(
    'cover, row 4: “<5” is not a number',
  );
  await page.getByLabel('Role of flow').selectOption('label');
  await expect(page.getByLabel('Role of flow')).toHaveValue('label');
  await page.getByLabel('Role of flow').selectOption('group');
  await page.getByLabel('What cells beyond a limit count as in cover').selectOption('half');
  await expect(page.getByRole('region', { name: 'Doubtful cells' })).toContainText('cover, row 4: “<5” → 2.5');
  await page.getByLabel('Unit of cover').fill('percent');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Unit of cover')).toHaveValue('percent');
  await page.getByLabel('Unit of cover').fill('%');
  await page.keyboard.press('Enter');
  await take(page).click();
  await page.waitForURL(/readings/);
  await expect(page.getByLabel('Name of the table')).toHaveValue('trial');
  await expect(cell(page, 2, 3)).toHaveText('42.25');
  await expect(cell(page, 4, 3)).toHaveText('<5');
  await expect(page.getByText('2 groups, 6 readings')).toBeVisible();
  // Overruled again: the cell stands as it did, and counts for nothing.
  await page.getByRole('button', { name: 'Choose cover' }).click();
  await page.getByLabel('What cells beyond a limit count as in cover').selectOption('leave');
  await expect(page.getByText('2 groups, 5 readings, 1 not read as a number')).toBeVisible();
  // The empty table the study began with has made room.
  await expect(page.getByRole('navigation', { name: 'Study' }).getByRole('link', { name: 'trial' })).toHaveCount(1);
  await expect(page.getByRole('navigation', { name: 'Study' }).getByRole('link', { name: 'Readings' })).toHaveCount(0);
});

test('files that cannot be read are refused in words, and leave the study as it was', async ({ page }) => {
  await startStudy(page, 'Bad files');
  await paste(page, '1\t2\n3\t4');
  for (const [name, content, words] of [
    ['empty.csv', '', 'This file is empty.'],
    ['photo.csv', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0]), 'This is a picture'],
    ['broken.xlsx', Buffer.from('PK\u0003\u0004broken'), 'It cannot be unpacked'],
    ['huge.csv', Buffer.alloc(200 * 1024 * 1024, 49), 'at most 64 MB are read'],
  ] as const) {
    // A file too large for the test's own channel is made in the page.
    if (content.length > 50e6)
      await page.evaluate(() => {
        const data = new DataTransfer();
        data.items.add(new File([new Uint8Array(200 * 1024 * 1024)], 'huge.csv'));
        window.dispatchEvent(new DragEvent('drop', { dataTransfer: data, cancelable: true }));
      });
    else await open(page, name, content);
    await expect(page.getByRole('alert')).toContainText(words);
    await page.getByRole('button', { name: 'Cancel' }).click();
  }
  await open(page, 'quote.csv', 'a,b\n1,"2\n3,4\n5,6');
  await expect(page.getByText('A quote opened in line 2 is never closed')).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(cell(page, 2, 2)).toHaveText('4');
});

test('reshape and back, and the same answer in either shape', async ({ page }) => {
  await startStudy(page, 'Shapes');
  await paste(page, 'Red (mm)\tWhite (mm)\n10\t7\n12\t\n11\t8\n\t6');
  await page.getByLabel('What was measured').fill('blade length');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/questions/);
  const estimate = await page.getByTestId('estimate').textContent();
  await page.getByRole('link', { name: 'Open readings' }).click();
  await page.getByRole('button', { name: 'Turn into one row per reading' }).click();
  await expect(layout(page)).toHaveValue('rows');
  await expect(cell(page, 4, 1)).toHaveText('White');
  await expect(cell(page, 4, 2)).toHaveText('7');
  await saved(page);
  await page.getByRole('link', { name: 'Red · White' }).first().click();
  await expect(page.getByTestId('estimate')).toHaveText(estimate ?? '');
  await page.getByRole('link', { name: 'Open readings' }).click();
  await page.getByRole('button', { name: 'Turn into one column per group' }).click();
  await expect(layout(page)).toHaveValue('columns');
  await expect(cell(page, 3, 2)).toHaveText('8');
  await expect(cell(page, 2, 2)).toHaveText('');
  await expect(cell(page, 4, 2)).toHaveText('6');
});

test('average replicates and watch n fall; pair by subject with the rows in any order', async ({ page }) => {
  await startStudy(page, 'Samples');
  const tanks = [
    'K1\tstill\t41.0',
    'K1\tstill\t42.0',
    'K2\tstill\t38.0',
    'K2\tstill\t39.0',
    'K3\tpulsed\t44.0',
    'K3\tpulsed\t45.0',
    'K4\tpulsed\t47.0',
    'K4\tpulsed\t46.0',
  ];
  await paste(page, ['tank\tflow\tcover (%)', ...tanks].join('\n'));
  const note = page.getByRole('region', { name: 'Independent samples' });
  await expect(note).toContainText('8 readings come from 4 tanks');
  await expect(note.getByTestId('counting-each')).toContainText('n 4 + 4: −5.5 %');
  await expect(note.getByTestId('counting-nested')).toContainText('n 4 + 4: −5.5 %');
  await expect(note.getByTestId('counting-average')).toContainText('n 2 + 2: −5.5 %');
  await note.getByRole('button', { name: 'Average within each tank' }).click();
  await expect(note).toContainText('Each tank counts once');
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/questions/);
  await expect(page.getByTestId('tell-methods')).toContainText('contributing one value, the mean of its readings');
  await expect(page.getByTestId('difference-row')).toContainText('−5.5');
  await note.getByRole('button', { name: 'As if every reading were independent' }).click();
  await expect(page.getByTestId('tell-results')).toContainText('n = 4');
  await expect(page.getByTestId('check-independence')).toContainText('surer than it is');
  await page.getByTestId('check-independence').getByRole('button').click();
  await expect(page.getByTestId('test')).toContainText('Linear mixed model');
  await expect(page.getByTestId('check-independence')).toContainText('8 readings of 4 tanks: each tank counts once');

  await startStudy(page, 'Pairs');
  await paste(
    page,
    'blade\trinse\tmass (g)\nB2\tafter\t11.2\nB1\tbefore\t12.5\nB3\tbefore\t10.1\nB1\tafter\t11.9\nB2\tbefore\t11.6\nB3\tafter\t9.8\nB4\tafter\t8',
  );
  await expect(note).toContainText('3 blades have readings in more than one group');
  await note.getByRole('button', { name: 'Ask it in pairs' }).click();
  await page.waitForURL(/questions/);
  // Differences after minus before: −0.4, −0.6, −0.3.
  await expect(page.getByTestId('difference-row')).toContainText('−0.433');
  await expect(note).toContainText('3 pairs, matched by blade, whatever the order of the rows');
  await expect(note).toContainText('Without a partner, and left out: B4');
});

test('plants numbered anew in each treatment: the same plants, or each treatment’s own', async ({ page }) => {
  await startStudy(page, 'Numbered plants');
  const rows = Array.from({ length: 12 }, (_, i) => [i < 6 ? 'fed' : 'control', 1 + (i % 6), 30 + ((i * 7) % 11)]);
  await paste(page, [['treatment', 'plant', 'length (cm)'], ...rows].map((row) => row.join('\t')).join('\n'));
  const unclear = page.getByRole('region', { name: 'Unclear' });
  await expect(unclear).toContainText('The same numbers of “plant” (1, 2, 3 and 3 more) come under each treatment.');
  await expect(margin(page)).toContainText('differ between fed and control, when each plant is measured twice?');
  await unclear.getByRole('button', { name: 'Each treatment has its own' }).click();
  await expect(cell(page, 7, 2)).toHaveText('control 1');
  await expect(unclear).toHaveCount(0);
  await expect(margin(page)).toContainText('differ between fed and control, when each plant counts once?');
  await page.keyboard.press('Control+z');
  await expect(cell(page, 7, 2)).toHaveText('1');
  await unclear.getByRole('button', { name: 'The same plant throughout' }).click();
  await expect(unclear).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(margin(page)).toContainText('when each plant is measured twice?');
  await expect(unclear).toHaveCount(0);
});

test('set a reading aside from the picture, go to its row, undo after a reload', async ({ page }) => {
  await startStudy(page, 'Picture');
  await paste(page, 'Red (mm)\tWhite (mm)\n10\t7\n12\t6.5\n11\t8\n30\t6');
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/questions/);
  await page.locator('[data-mark="readings-0"]').last().click();
  const chosen = page.getByRole('form', { name: 'The reading chosen' });
  await expect(chosen).toContainText('Red, row 4: 30');
  await page.keyboard.type('wrong line');
  await page.keyboard.press('Enter');
  await expect(margin(page)).toContainText('Red, row 4: 30 wrong line');
  await expect(page.getByTestId('tell-methods')).toContainText(
    'One reading in Red was set aside before analysis (wrong line)',
  );
  await saved(page);
  await page.locator('[data-mark="readings-0"]').first().click();
  await chosen.getByRole('link', { name: 'Go to its row' }).click();
  await page.waitForURL(/readings/);
  await expect(cell(page, 1, 1)).toHaveAttribute('aria-selected', 'true');
  await expect(cell(page, 4, 1)).toHaveClass(/line-through/);
  await page.reload();
  await page.getByRole('grid').focus();
  await page.keyboard.press('Control+Z');
  await expect(cell(page, 4, 1)).not.toHaveClass(/line-through/);
});

test('groups, derived columns, bands by dragging, an allocation to print, a description to copy', async ({ page }) => {
  await startStudy(page, 'Columns');
  await paste(page, 'lamp\tlength (mm)\tmass (g)\nred\t10\t2\nwhite\t20\t5\nrod\t30\t4\nwhite\t40\t10');
  // A name another group has already merges the two.
  await page.getByRole('button', { name: 'Choose lamp' }).click();
  await page.getByLabel('Name of rod').fill('red');
  await page.keyboard.press('Enter');
  await expect(cell(page, 3, 1)).toHaveText('red');
  await expect(page.getByText('rod and red are one group now')).toBeVisible();
  await page.getByLabel('Name of white').fill('White lamp');
  await page.keyboard.press('Enter');
  await expect(cell(page, 4, 1)).toHaveText('White lamp');
  await fromMenu(page, 'Columns', 'New column');
  await page.getByLabel('Expression').fill('length / "mass"');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(cell(page, 4, 4)).toHaveText('4');
  await expect(margin(page)).toContainText('Computed: length ÷ mass.');
  await cell(page, 4, 3).click();
  await page.keyboard.type('8');
  await page.keyboard.press('Enter');
  await expect(cell(page, 4, 4)).toHaveText('5');
  await cell(page, 4, 4).click();
  await page.keyboard.type('1');
  await page.keyboard.press('Enter');
  await expect(page.getByText('so its cells cannot be typed into')).toBeVisible();
  // Bands: the cut-point is dragged past the second reading.
  await fromMenu(page, 'Columns', 'New column');
  await page.getByLabel('How it is computed').selectOption('bands');
  await page.getByLabel('Column computed from').selectOption({ label: 'length' });
  const cut = page.getByRole('slider', { name: 'Cut-point 1' });
  const from = await cut.boundingBox();
  if (!from) throw new Error('no cut-point');
  await page.mouse.move(from.x + from.width / 2, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 1000, from.y + 20, { steps: 5 });
  await page.mouse.up();
  await cut.focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowLeft');
  const at = Number(await cut.getAttribute('aria-valuenow'));
  expect(at).toBeGreaterThan(30);
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(cell(page, 1, 5)).toHaveText(`below ${at}`);
  await expect(cell(page, 4, 5)).toHaveText(`${at} and above`);
  // Allocation: the seed decides, and is kept with it.
  await fromMenu(page, 'Table', 'Sample or randomize');
  await page.getByLabel('What to draw').selectOption('allocate');
  await page.getByLabel('Treatments, parted by commas').fill('rinsed, left');
  await page.getByLabel('Seed').fill('42');
  await page.getByRole('button', { name: 'Allocate', exact: true }).click();
  await expect(margin(page)).toContainText('Allocated at random to rinsed, left; seed 42');
  const given = await Promise.all([1, 2, 3, 4].map((r) => cell(page, r, 6).textContent()));
  expect([...given].sort()).toEqual(['left', 'left', 'rinsed', 'rinsed']);
  await saved(page);
  await page.getByRole('link', { name: 'A list to print' }).click();
  await expect(page.getByRole('row').nth(1)).toContainText(given[0] ?? '');
  await page.getByRole('link', { name: 'open the readings' }).click();
  await page.getByRole('button', { name: 'Describe' }).click();
  const description = page.getByRole('region', { name: 'Description' });
  await page.getByRole('button', { name: 'Choose length', exact: true }).click();
  await description.getByLabel('only the columns selected').check();
  await expect(description.getByRole('row', { name: /^mean/ })).toContainText('20.0');
  await description.getByLabel('groups').selectOption('below one another');
  await expect(description.getByRole('row', { name: /^red/ })).toContainText('20');
  await description.getByRole('button', { name: 'Copy the table' }).click();
  await expect(page.getByText('Copied', { exact: true })).toBeVisible();
  // Chosen figures are the table's own: they stand again after a reload.
  await saved(page);
  await page.reload();
  await page.getByRole('button', { name: 'Describe' }).click();
  await expect(description.getByLabel('groups')).toHaveValue('down');
  const copied = await page.evaluate(() => navigator.clipboard.readText());
  expect(copied.split('\n')[1]).toMatch(/^readings \(mm\)\tn\tmissing\tmean\t95 % CI of the mean: lower\t/);
  expect(copied.split('\n')[2]).toMatch(/^red\t2\t0\t20\.0\t/);
  // Brushing the distribution picks rows.
  const strip = await page.getByRole('img', { name: /Distribution of length:/ }).boundingBox();
  if (!strip) throw new Error('no strip');
  await page.mouse.move(strip.x + strip.width - 1, strip.y + 5);
  await page.mouse.down();
  await page.mouse.move(strip.x + strip.width / 2, strip.y + 5, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByText(/2 rows picked: length from/)).toBeVisible();
});

test('a file of 100,000 rows, and out again in the other shape', async ({ page }) => {
  test.setTimeout(120_000);
  await startStudy(page, 'Large');
  const lines = Array.from(
    { length: 100_000 },
    (_, i) => `K${i % 500};${i % 2 ? 'still' : 'pulsed'};${(40 + (i % 97) / 10).toFixed(1).replace('.', ',')}`,
  );
  await open(page, 'logger.csv', ['tank;flow;cover (%)', ...lines].join('\r\n'));
  await expect(page.getByText('100000 rows of 3 columns')).toBeVisible({ timeout: 30_000 });
  await take(page).click();
  await page.waitForURL(/readings/);
  await expect(page.getByText(/2 groups, 100000 readings/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole('grid').focus();
  await page.keyboard.press('Control+End');
  await expect(cell(page, 100_000, 3)).toHaveText(lines[99_999]?.split(';')[2] ?? '');
  await page.keyboard.type('41,5');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.reload();
  await expect(page.getByText(/2 groups, 100000 readings/)).toBeVisible({ timeout: 30_000 });
  await fromMenu(page, 'Table', 'Export');
  await page.getByLabel('Kind of file').selectOption('semicolon');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the file' }).click();
  const stream = await (await download).createReadStream();
  const parts: Buffer[] = [];
  for await (const part of stream) parts.push(part as Buffer);
  const rows = Buffer.concat(parts).toString('utf8').split('\r\n');
  expect(rows.length).toBe(100_001);
  expect(rows[1]).toBe(lines[0]);
  expect(rows[100_000]).toBe('K499;still;41,5');
});

test('a study started from a dropped file', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('heading', { name: 'Studies' }).waitFor();
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.items.add(new File(['Red (mm),White (mm)\n1,2\n3,5\n4,7'], 'lamps of May.csv'));
    window.dispatchEvent(new DragEvent('drop', { dataTransfer: data, cancelable: true }));
  });
  await expect(page.getByLabel('Title of the study')).toHaveValue('lamps of May');
  await take(page).click();
  await page.waitForURL(/readings/);
  await expect(page.getByLabel('Name of group 2')).toHaveValue('White');
  await page.getByRole('link', { name: 'All changes' }).click();
  await expect(page.getByText('taken in from the file lamps of May.csv')).toBeVisible();
});

test('tables come and go: drawn from, taken out with what was asked, merged, turned for another program', async ({
  page,
}) => {
  await startStudy(page, 'Tables');
  const spine = page.getByRole('navigation', { name: 'Study' });
  await paste(page, 'Red (mm)\tRed, again (mm)\tWhite (mm)\n10\t11\t7\n12\t13\t6\n14\t\t5');
  await page.getByLabel('Name of the table').fill('Lamps');
  await page.keyboard.press('Enter');
  // Two columns are one group after all.
  await page.getByRole('button', { name: 'Choose Red, again' }).click();
  await page.getByLabel('Merge Red, again into').selectOption({ label: 'Red' });
  await expect(cell(page, 5, 1)).toHaveText('13');
  await expect(page.getByLabel('Name of group 2')).toHaveValue('White');
  await page.getByRole('button', { name: 'Ask whether two groups differ' }).click();
  await page.waitForURL(/questions/);
  await page.getByRole('link', { name: 'Open readings' }).click();
  // A row is set aside by its number.
  await page.getByRole('rowheader', { name: '2', exact: true }).click();
  await page.getByRole('button', { name: 'Set aside 2 readings' }).click();
  await page.keyboard.type('lid off');
  await page.keyboard.press('Enter');
  await expect(page.getByText('2 set aside')).toBeVisible();
  // Turned and taken out in one go, without what is set aside; the table here stays as it is.
  await fromMenu(page, 'Table', 'Export');
  await page.getByLabel('Layout of the file').selectOption('rows');
  await page.getByLabel('without what is set aside').check();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the file' }).click();
  const parts: Buffer[] = [];
  for await (const part of await (await download).createReadStream()) parts.push(part as Buffer);
  expect(Buffer.concat(parts).toString('utf8').replace('\ufeff', '').split('\r\n')).toEqual([
    'group,reading (mm)',
    'Red,10',
    'Red,',
    'Red,14',
    'Red,11',
    'Red,13',
    'White,7',
    'White,',
    'White,5',
  ]);
  await expect(layout(page)).toHaveValue('columns');
  await fromMenu(page, 'Table', 'Sample or randomize');
  await page.getByLabel('How many rows').fill('3');
  await page.getByLabel('Seed').fill('5');
  await page.getByRole('button', { name: 'Draw them into a table' }).click();
  await expect(page.getByLabel('Name of the table')).toHaveValue('Lamps, 3 rows drawn, seed 5');
  await expect(cell(page, 4, 1)).toHaveText('');
  await spine.getByRole('link', { name: 'Lamps', exact: true }).click();
  await expect(page.getByLabel('Name of the table')).toHaveValue('Lamps');
  await fromMenu(page, 'Table', 'Remove table');
  await page.getByRole('button', { name: 'Bring back Lamps' }).click();
  await expect(spine.getByRole('link', { name: 'Red · White' })).toBeVisible();
  await fromMenu(page, 'Table', 'Remove table');
  await expect(spine.getByRole('link', { name: 'Red · White' })).toHaveCount(0);
  await spine.getByRole('link', { name: 'Lamps, 3 rows drawn, seed 5' }).click();
  await fromMenu(page, 'Table', 'Remove table');
  await page.getByText('This study has no readings now.').waitFor();
  // A study without readings still opens, and offers both ways on.
  await page.goto('/');
  await page.getByRole('link', { name: 'Tables', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Begin a new table' })).toBeVisible();
  await page.getByRole('button', { name: 'Bring back Lamps, 3 rows drawn, seed 5' }).click();
  await expect(page.getByLabel('Name of the table')).toHaveValue('Lamps, 3 rows drawn, seed 5');
  await spine.getByRole('link', { name: 'All changes' }).click();
  await expect(page.getByText(/3 rows of 5 drawn at random without replacement, seed 5.*, from Lamps/)).toBeVisible();
});

test('figures copied from a paper, and counts told out and gathered again', async ({ page }) => {
  await startStudy(page, 'Paper');
  await paste(page, 'site\tmean (cm)\tSEM\tn\nInner\t31.4\t1.1\t24\nOuter\t35.2\t0.9\t26');
  await expect(layout(page)).toHaveValue('summary');
  await expect(page.getByLabel('What the spread is')).toHaveValue('sem');
  await page.getByLabel('What the spread is').selectOption('interval');
  await page.getByLabel('Level of the interval').selectOption('0.9');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Level of the interval')).toHaveValue('0.9');
  await expect(page.getByText('figures of 2 groups')).toBeVisible();
  await startStudy(page, 'Counts');
  await paste(page, 'depth\tgrazed\twhole\n1 m\t2\t1\n3 m\t0\t3');
  await expect(layout(page)).toHaveValue('counts');
  await page.getByRole('button', { name: 'Turn into one row per subject' }).click();
  await expect(page.getByText('6 rows.')).toBeVisible();
  await expect(cell(page, 3, 2)).toHaveText('whole');
  await page.getByRole('button', { name: 'Turn into a table of counts' }).click();
  await expect(cell(page, 2, 2)).toHaveText('0');
  await expect(cell(page, 2, 3)).toHaveText('3');
});

test('by name: a unit converted, cells split, a row taken as names, groups merged', async ({ page }) => {
  await startStudy(page, 'By name');
  await paste(page, 'Red (mm)\tWhite (mm)\n120\t95\n131\t90');
  const byName = async (name: string) => {
    await page.keyboard.press('Control+K');
    await page.keyboard.type(name);
    await page.keyboard.press('Enter');
  };
  await byName('Convert the readings to cm');
  await expect(cell(page, 1, 1)).toHaveText('12');
  await expect(cell(page, 2, 2)).toHaveText('9');
  await expect(page.getByLabel('Unit of Red')).toHaveValue('cm');
  await byName('Merge groups');
  await page.getByRole('button', { name: 'Merge', exact: true }).click();
  await expect(cell(page, 4, 1)).toHaveText('9');
  await expect(page.getByLabel('Name of group 2')).toHaveCount(0);

  await startStudy(page, 'Split');
  await page.getByRole('grid').focus();
  for (const text of ['plate', 'P1-7', 'P2-9']) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
  await cell(page, 1, 1).click();
  await fromMenu(page, 'Rows', 'Take row 1 as the names');
  await expect(page.getByLabel('Name of group 1')).toHaveValue('plate');
  await byName('Split the cells');
  await page.getByRole('button', { name: 'Split', exact: true }).click();
  await expect(cell(page, 1, 1)).toHaveText('P1');
  await expect(cell(page, 2, 2)).toHaveText('9');
  await page.keyboard.press('Control+Z');
  await expect(cell(page, 1, 1)).toHaveText('P1-7');
  // The menus answer to keys, and give the hand back.
  await page.getByRole('button', { name: 'Rows', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menuitem', { name: 'Insert a row above' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Rows', exact: true })).toBeFocused();
});

test('rows and columns come by typing past the edge', async ({ page }) => {
  await startStudy(page, 'Edges');
  await paste(page, 'Red (mm)\tWhite (mm)\n12\t9\n13\t8');
  await cell(page, 1, 2).click();
  await page.keyboard.press('ArrowRight');
  for (const text of ['11', '10', '14']) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByLabel('Name of group 3')).toHaveValue('Group 3');
  await expect(cell(page, 3, 3)).toHaveText('14');
  // Another group of the same measure has its unit.
  await expect(page.getByLabel('Unit of Group 3')).toHaveValue('mm');
  await page.keyboard.press('Control+Z');
  await page.keyboard.press('Control+Z');
  await page.keyboard.press('Control+Z');
  await expect(page.getByLabel('Name of group 3')).toHaveCount(0);
});

test('a pasted number loses its noise, not its digits', async ({ page }) => {
  await startStudy(page, 'Noise');
  await paste(page, 'Red\tWhite\n-0.10000000000000001\t0.30000000000000004\n1.23456789\t2');
  await expect(cell(page, 1, 1)).toHaveText('-0.1');
  await expect(cell(page, 1, 2)).toHaveText('0.3');
  await expect(cell(page, 2, 1)).toHaveText('1.23456789');
});
