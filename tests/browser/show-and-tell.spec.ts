import { expect } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import mammoth from 'mammoth';
import { changeReading, downloaded, goTo, lampQuestion, saved, spine, test, unfold } from './steps';

test(
  'paste → question → figure → write-up → DOCX → bundle → the same study again',
  { tag: '@sizes' },
  async ({ page }) => {
    // Walked at several sizes on one shelf, it has a title of its own at each.
    const title = `Lamps to tell at ${page.viewportSize()?.width ?? 0}`;
    await lampQuestion(page, title);
    // On the page a relation is held to its symbol by spaces that do not break.
    const results = (await page.getByTestId('tell-results').textContent())?.replaceAll('\u00a0', ' ');
    await page.getByRole('button', { name: 'Make a figure of this' }).click();
    await page.getByTestId('legend').waitFor();

    // The figure set for one column of a journal, with standard errors.
    await page.getByLabel('Columns of the journal').selectOption('two');
    await page.getByLabel('Columns of the journal').selectOption('one');
    await expect(page.getByLabel('Width in millimetres')).toHaveValue('85');
    await page.getByLabel('Error bars', { exact: true }).selectOption('sem');
    await expect(page.getByTestId('legend')).toContainText('error bars standard errors of the mean');
    await saved(page);
    const svg = await downloaded(page, () => page.getByRole('button', { name: 'Download as SVG' }).click());
    expect(svg.bytes.toString()).toContain('width="85mm"');
    const pdf = await downloaded(page, () => page.getByRole('link', { name: 'Download as PDF' }).click());
    expect(pdf.name).toMatch(/\.pdf$/);
    expect(pdf.bytes.toString('latin1')).toMatch(/^%PDF-.*[\s\S]*\/FontFile/);
    const png = await downloaded(page, () => page.getByRole('button', { name: 'Download as PNG' }).click());
    expect([png.bytes.readUInt32BE(16), png.bytes.readUInt32BE(20)]).toEqual([1004, 886]);
    // The same dots as TIFF, little end first, at its resolution, and with nothing behind it where that is wished.
    await page.getByLabel('Ground').selectOption('bare');
    const tiff = await downloaded(page, () => page.getByRole('button', { name: 'as TIFF' }).click());
    expect(tiff.name).toBe('red-lamp-white-lamp-means-with-error-bars.tiff');
    expect(tiff.bytes.subarray(0, 2).toString()).toMatch(/^(II|MM)$/);
    expect(tiff.bytes.length).toBeGreaterThan(1004 * 886 * 4);
    expect(tiff.bytes.subarray(1000, 1004)).toEqual(Buffer.from([0, 0, 0, 0]));
    await page.getByRole('button', { name: 'Copy the picture' }).click();
    await expect(page.getByText('Copied as a picture')).toBeVisible();
    expect(await page.evaluate(async () => (await navigator.clipboard.read())[0]?.types)).toContain('image/png');

    // The write-up: a draft, own words, a number put in by “/”.
    await goTo(page, 'Text, tables and figures');
    await page.getByRole('button', { name: 'Write a draft from the questions' }).click();
    const text = page.getByRole('textbox', { name: 'The write-up' });
    await expect(text).toContainText(results ?? 'no results');
    await expect(text.locator('svg.chart')).toHaveCount(1);
    await text.getByRole('heading', { name: 'Methods' }).click();
    await page.keyboard.press('End');
    await page.keyboard.press('Enter');
    await page.keyboard.type('Red light wins by /estimate');
    await expect(page.getByRole('listbox', { name: 'Put in from the study' })).toBeVisible();
    await page.keyboard.press('Enter');
    await page.keyboard.type(' on the rope.');
    await expect(text).toContainText('Red light wins by 7.1 mm on the rope.');
    await saved(page);
    const docx = await downloaded(page, () => page.getByRole('button', { name: 'Download as DOCX' }).click());
    const { value: read } = await mammoth.extractRawText({ buffer: docx.bytes });
    expect(read).toContain('Red light wins by 7.1 mm on the rope.');
    expect(read.replaceAll('\u00a0', ' ')).toContain(results ?? 'no results');
    const markdown = await downloaded(page, () =>
      page.getByRole('button', { name: 'Download as Markdown with figures' }).click(),
    );
    const packed = unzipSync(markdown.bytes);
    expect(Object.keys(packed).sort()).toEqual([`${title}.md`, 'figures/01.svg']);
    expect(strFromU8(packed[`${title}.md`] ?? new Uint8Array())).toContain('## Results');

    // What is typed after a figure was put in stands behind it, and replaces nothing.
    await text.getByRole('heading', { name: 'Methods' }).click();
    await page.keyboard.press('End');
    await page.keyboard.press('Enter');
    await page.keyboard.type('/figure');
    await expect(page.getByRole('listbox', { name: 'Put in from the study' })).toBeVisible();
    await page.keyboard.press('Enter');
    await page.keyboard.type('Typed behind the figure.');
    await expect(text.locator('svg.chart')).toHaveCount(2);
    await expect(text).toContainText('Typed behind the figure.');
    await saved(page);

    // The whole as one file; the study deleted; the file opened.
    const shown = async () => ({
      text: (await page.getByRole('textbox', { name: 'The write-up' }).innerText()).replaceAll('\u200b', ''),
      spine: await page.getByRole('navigation', { name: 'Study' }).innerText(),
    });
    const before = await shown();
    const bundle = await downloaded(page, () => page.getByRole('link', { name: 'Export study' }).click());
    expect(bundle.name).toBe(`${title}.zip`);
    await page.goto('/');
    await page.getByRole('button', { name: `Delete ${title}` }).click();
    await page.getByRole('button', { name: 'Delete', exact: true }).click();
    await expect(page.getByText(`“${title}” was deleted.`)).toBeVisible();
    await page
      .getByLabel('File of readings')
      .setInputFiles({ name: bundle.name, mimeType: 'application/zip', buffer: bundle.bytes });
    await page.waitForURL(/\/questions\//);
    await expect(page.getByTestId('tell-results')).toHaveText(results ?? 'no results');
    await goTo(page, 'Text, tables and figures');
    await page.getByRole('textbox', { name: 'The write-up' }).waitFor();
    expect(await shown()).toEqual(before);

    // A damaged one is refused in words.
    await page.goto('/');
    await page
      .getByLabel('File of readings')
      .setInputFiles({ name: 'half.zip', mimeType: 'application/zip', buffer: bundle.bytes.subarray(0, 5000) });
    await expect(page.getByRole('alert')).toContainText('“half.zip” was not opened. It cannot be unpacked');
  },
);

test('live pieces follow the readings and are marked until seen; a removed question leaves its last text', async ({
  page,
}) => {
  await lampQuestion(page, 'Lamps that change');
  const question = page.url();
  await goTo(page, 'Text, tables and figures');
  await page.getByRole('button', { name: 'Begin with an empty page' }).click();
  await page.getByRole('textbox', { name: 'The write-up' }).click();
  await page.keyboard.type('We saw ');
  // From the list at the side, by hand.
  await page.getByLabel('Put in from the study').getByText('Red lamp · White lamp').click();
  await page.getByRole('button', { name: 'in one sentence' }).click();
  const text = page.getByRole('textbox', { name: 'The write-up' });
  await expect(text).toContainText('We saw Mean blade length was 7.1 mm greater');
  await page
    .getByRole('button', { name: 'n', exact: true })
    .dragTo(text.locator('p').first(), { targetPosition: { x: 2, y: 12 } });
  await expect(text).toContainText('9 + 9');
  await saved(page);
  await page.goto(question);
  await changeReading(page, 1, 1, '97.44');
  await goTo(page, 'Text, tables and figures');
  await expect(text).toContainText('10.4 mm greater');
  await expect(page.getByText('One piece was renewed since you last saw it')).toBeVisible();
  await expect(page.getByTestId('piece-fresh')).toHaveCount(1);
  await page.getByRole('button', { name: 'Mark as reviewed' }).click();
  await expect(page.getByTestId('piece-fresh')).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(text).toContainText('10.4 mm greater');
  await expect(page.getByTestId('piece-fresh')).toHaveCount(0);

  await page.goto(question);
  await page.getByRole('button', { name: 'Remove this question' }).click();
  // A text comes from it, so it is asked for twice.
  await expect(page.getByRole('alert')).toContainText('of the write-up');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('button', { name: 'Remove this question' }).click();
  await page.getByRole('button', { name: 'Remove it all the same' }).click();
  await page.waitForURL(/\/log/);
  await goTo(page, 'Text, tables and figures');
  await expect(text).toContainText('10.4 mm greater');
  await expect(text).toContainText('its question was removed: kept as it last read');

  // The log tells it, and goes back to before it.
  await goTo(page, 'All changes');
  await page.getByLabel('Show', { exact: true }).selectOption('question');
  await expect(page).toHaveURL(/of=question/);
  await expect(page.getByRole('row').nth(1)).toContainText('question removed');
  await page
    .getByRole('row')
    .filter({ hasText: 'asked' })
    .getByRole('button', { name: 'Back to just after this' })
    .click();
  await expect(page.getByRole('status').filter({ hasText: 'later change' })).toBeVisible();
  await page.getByRole('button', { name: 'Go back', exact: true }).click();
  await expect(spine(page, 'Red lamp · White lamp')).toBeVisible();
  await goTo(page, 'Red lamp · White lamp');
  await expect(page.getByTestId('estimate')).toHaveText('7.1 mm');
});

test(
  'a figure changed in place: a title, a group, error bars, comparisons, a refused axis, panels',
  { tag: '@sizes' },
  async ({ page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Open a fresh copy of the demo study' }).click();
    await page.waitForURL(/\/questions\//);
    await unfold(page);
    await goTo(page, 'means with error bars', 1);
    await page.getByTestId('legend').waitFor();
    const drawing = page.getByTestId('figure');
    await expect(drawing.locator('text[data-mark^="bracket-"]').first()).toBeVisible();

    await drawing.locator('[data-mark="y-title"]').click();
    const dialog = page.getByRole('dialog', { name: 'Title of the axis' });
    await dialog.getByLabel('Title of the value axis').fill('Length of blades (mm)');
    await page.keyboard.press('Enter');
    await expect(drawing.getByText('Length of blades (mm)')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(dialog).toBeHidden();

    await drawing.locator('[data-mark="name-blue"]').click();
    const group = page.getByRole('dialog', { name: 'Blue lamp' });
    await group.getByLabel('Name of Blue lamp in the figure').fill('450 nm');
    await page.keyboard.press('Enter');
    await group.getByLabel('Colour of Blue lamp').selectOption('ink');
    await group.getByRole('button', { name: 'Blue lamp earlier' }).click();
    await page.keyboard.press('Escape');
    const names = () => drawing.locator('[data-mark^="name-"]').allTextContents();
    await expect.poll(async () => (await names())[0]).toBe('450 nm');
    // The same by keys alone, from the list at the side.
    await page.getByText('Names, colours, order').click();
    const handle = page.getByRole('button', { name: 'Move Blue lamp' });
    await handle.focus();
    await page.keyboard.press('Space');
    await expect(page.getByText('Blue lamp is at place 1 of 4.')).toBeAttached();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByText('Blue lamp is at place 2 of 4.')).toBeAttached();
    await page.keyboard.press('Space');
    await expect.poll(async () => (await names()).indexOf('450 nm')).toBeGreaterThan(0);
    await page.getByRole('button', { name: 'Blue lamp earlier' }).click();
    await expect.poll(async () => (await names())[0]).toBe('450 nm');
    await expect(page.getByTestId('legend')).toContainText('450 nm n = 12');

    await page.getByLabel('Comparisons').selectOption('letters');
    await expect(page.getByTestId('legend')).toContainText(
      'Groups that share a letter do not differ significantly (Games–Howell)',
    );
    await page.getByLabel('Comparisons').selectOption('brackets');
    await page.getByLabel('Brackets for').selectOption('all');
    await expect(page.getByTestId('legend')).toContainText('Brackets mark comparisons with their p');

    // A broken axis is refused with its reason; a logarithmic one asks for points.
    await page.getByLabel('Value axis', { exact: true }).selectOption('broken');
    await expect(page.getByRole('alert')).toContainText('Divide does not draw one');
    await page.getByLabel('Value axis', { exact: true }).selectOption('log');
    await expect(page.getByText('draw the means as points')).toBeVisible();
    await page.getByLabel('Means as').selectOption('points');
    await expect(page.getByText('draw the means as points')).toBeHidden();
    await page.getByLabel('Height in millimetres').fill('7');
    await page.keyboard.press('Enter');
    await expect(page.getByText('7: 30 to 250 is asked')).toBeVisible();
    await page.getByRole('button', { name: 'Add a line' }).click();
    await page.getByLabel('Value of line 1').fill('30');
    await page.keyboard.press('Enter');
    await page.getByLabel('Name of line 1').fill('market size');
    await page.keyboard.press('Enter');
    await expect(drawing.getByText('market size')).toBeVisible();

    for (const kind of ['boxes', 'differences', 'distribution', 'means']) {
      await page.getByLabel('What the figure shows').selectOption(kind);
      await expect(drawing.locator('svg.chart')).toBeVisible();
    }
    await page.getByLabel('Add a panel').selectOption({ label: 'Before the rinse · After the rinse: subjects’ lines' });
    await expect(drawing.locator('[data-mark="panel-letter"]').first()).toHaveText('A');
    await expect(page.getByTestId('legend')).toContainText('(B) Blade mass (g): lines join the readings of each blade');
    await saved(page);
    await page.reload();
    await expect(page.getByTestId('legend')).toContainText('(B) Blade mass');
  },
);

test('everything by name: the command line and the list of keys', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Open a fresh copy of the demo study' }).click();
  await page.waitForURL(/\/questions\//);
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Go anywhere' }).waitFor();
  await page.keyboard.type('confid');
  await expect(page.getByRole('listbox', { name: 'What fits' }).getByRole('option').first()).toContainText(
    'Confidence level',
  );
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Confidence level')).toBeFocused();
  await page.keyboard.press('Control+k');
  // Figures of one kind each go by their question as well.
  await page.keyboard.type('means with error bars');
  const figures = page.getByRole('listbox', { name: 'What fits' }).getByRole('option');
  await expect(figures).toHaveText([/^Red lamp · White lamp: means/, /^Daylight.*: means/]);
  await page.getByRole('combobox', { name: 'Go anywhere' }).fill('weekly growth');
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/readings\//);
  await expect(page.getByLabel('What was measured')).toHaveValue('frond length');
  await page.goBack();
  await page.waitForURL(/\/questions\//);
  await page.getByRole('heading', { name: 'Look' }).click();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('fill down');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeHidden();
  // The margin names the method, and leads to what it is.
  const method = page.getByRole('complementary', { name: 'Margin notes' }).locator('a[href^="/help#"]').first();
  const name = (await method.textContent()) ?? '';
  // What it leads to is said to whoever comes to it by keys.
  await method.focus();
  await expect(page.getByText('What this method is, and where it comes from')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('What this method is, and where it comes from')).toBeHidden();
  await method.click();
  await page.waitForURL(/\/help#/);
  const entry = page.locator('.guide-entry:target');
  await expect(entry.locator('dt')).toHaveText(name);
  await expect(entry).toContainText('Also reasonable');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('nothing is called this');
  await expect(page.getByText('Nothing here goes by that name.')).toBeVisible();
});
