import { expect } from '@playwright/test';
import { startStudy, test } from './steps';

test('the curve reader, by keyboard and by hand: values to areas, areas to values, back and forward', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Curve reader' }).click();
  // It opens with nobody's numbers in it.
  await expect(page.getByTestId('area-right')).toHaveText(/^0\.0500/);
  await expect(page.getByLabel('Statistic', { exact: true })).toHaveValue('');
  await expect(page.getByTestId('decision')).toHaveCount(0);
  // The verdict is by the tails that are shaded: 2.0 lies beyond 1.860 on the right, and short of 2.306 on both sides.
  await page.getByLabel('t: degrees of freedom').fill('8 df');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('t: degrees of freedom')).toHaveValue('8');
  await page.getByLabel('Statistic', { exact: true }).fill('2,0');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('decision')).toContainText('lies beyond the critical value 1.860');
  await page.getByLabel('Where the area lies').selectOption('outside, half on either side');
  await page.getByLabel('Area', { exact: true }).fill('5 %');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('area-outside')).toHaveText(/^0\.0500/);
  await expect(page.getByTestId('decision')).toContainText('short of the critical value ±2.306');
  await expect(page.getByTestId('decision')).toContainText('the hypothesis of no effect is not rejected');
  await page.getByLabel('Where the area lies').selectOption('to the right');
  await page.getByLabel('Curve', { exact: true }).selectOption('f');
  await page.getByLabel('F: degrees of freedom').fill('3');
  await page.keyboard.press('Enter');
  await page.getByLabel('F: second degrees of freedom').fill('20');
  await page.keyboard.press('Enter');
  await page.getByLabel('Area', { exact: true }).fill('0.01');
  await page.keyboard.press('Enter');
  // Fisher and Yates print 4.94.
  await expect(page.getByLabel('Boundary', { exact: true })).toHaveValue(/^4\.938/);
  await expect(page.getByTestId('area-right')).toHaveText(/^0\.010+$/);
  await expect(page).toHaveURL(/curve=f.*area=0.01/);
  await page.getByLabel('Boundary', { exact: true }).focus();
  await page.keyboard.press('Shift+ArrowUp');
  await expect(page.getByTestId('area-right')).not.toHaveText(/^0\.010+$/);
  await page.goBack();
  await expect(page.getByTestId('area-right')).toHaveText(/^0\.010+$/);
  await page.goForward();
  await expect(page.getByTestId('area-right')).not.toHaveText(/^0\.010+$/);

  // In whole steps an area is seldom cut off just so, and the decision goes by the steps.
  await page.goto('/bench/curves?curve=binomial');
  await page.getByLabel('Area', { exact: true }).fill('0.05');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status')).toContainText('no boundary cuts off just 0.05: here it is 0.05766');
  await page.getByLabel('Statistic', { exact: true }).fill('14');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('decision')).toContainText('x = 14 lies short of the critical value 15');
  await page.goto('/bench/curves?curve=f&df1=3&df2=20&a=4.9382');

  const box = (await page.getByTestId('curve').boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 150);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 3, box.y + 150, { steps: 5 });
  await page.mouse.up();
  const dragged = Number(await page.getByLabel('Boundary', { exact: true }).inputValue());
  expect(dragged).toBeLessThan(4);

  // Bad input: each in its own words.
  await page.getByLabel('F: degrees of freedom').fill('0');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('must be above 0');
  await page.goBack();
  await page.getByLabel('Area', { exact: true }).fill('1.5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: '1.5' })).toContainText('lies between 0 and 1');
  await page.getByLabel('Curve', { exact: true }).selectOption('t');
  await page.getByText('A page of critical values').click();
  await page.getByLabel('Tails of the table').selectOption('outside');
  await expect(page.getByTestId('critical-table').getByRole('row').nth(7)).toContainText(
    /1\.8946.*2\.3646.*2\.8412.*3\.4995/,
  );
});

test('the sample planner: how many, how surely, how small; a spread from a study; a thousand experiments; into a write-up', async ({
  page,
}) => {
  await page.goto('/bench/planner?difference=0.5&sd=1');
  // Cohen (1988): 64 a group.
  await expect(page.getByTestId('planned')).toHaveText('64');
  await page.getByLabel('What is asked').selectOption('power');
  await expect(page.getByTestId('planned')).toHaveText('80.1 %');
  await page.getByLabel('Number in each group').fill('30');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('planned')).toHaveText('47.8 %');
  await page.getByLabel('What is asked').selectOption('difference');
  await expect(page.getByTestId('planned')).toContainText('0.736');
  await page.goBack();
  await page.goBack();
  await page.goBack();
  await expect(page.getByTestId('planned')).toHaveText('64');
  await page.getByLabel('Loss expected in percent').fill('20');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('total')).toContainText('128 samples in all, 160 to begin with');
  await page.getByRole('button', { name: 'Run a thousand simulated experiments' }).click();
  await expect(page.getByTestId('simulated')).toContainText('of 1000 found the difference');
  const found = Number(/^(\d+)/.exec((await page.getByTestId('simulated').textContent()) ?? '')?.[1]);
  // Five standard errors of a share of 1000 about 0.801.
  expect(Math.abs(found - 801)).toBeLessThan(64);
  await expect(page.getByRole('button', { name: 'Stop' })).toHaveCount(0);
  await page.getByLabel('SD expected').fill('0');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('0: an SD above 0 is asked');
  await expect(page.getByTestId('planned')).toHaveText('64');
  await page.getByLabel('SD expected').fill('1');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await page.getByLabel('Difference', { exact: true }).fill('0.0000001');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('too small to be found');

  // A test that looks one way takes its difference with it; one typed the other way is met with what would mend it.
  await page.goto('/bench/planner?unit=mm');
  await page.getByLabel('Direction').selectOption('one-sided (less)');
  await expect(page.getByLabel('Difference', { exact: true })).toHaveValue('-3');
  await expect(page.getByTestId('planned')).toHaveText('23');
  // The comma behind the SD does not begin a line of its own.
  const lines = await page
    .getByLabel('SD expected')
    .evaluate((field) => [...(field.closest('.joined')?.getClientRects() ?? [])].map((part) => Math.round(part.top)));
  expect(lines.length).toBeGreaterThan(0);
  expect(new Set(lines).size).toBe(1);
  await page.getByLabel('Difference', { exact: true }).fill('2.5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('for a difference below 0, and the one to be found lies above');
  await page.getByLabel('What is asked').selectOption('power');
  await expect(page.getByRole('alert')).toContainText('the one to be found lies above');
  await page.goBack();
  await page.getByRole('button', { name: 'Take −2.5' }).click();
  await expect(page.getByTestId('protocol')).toContainText(
    'a one-sided t-test at the 5 % level finds a difference of −2.5',
  );
  await page.getByLabel('Design').selectOption('several groups');
  await page.getByLabel('Groups').fill('3.4');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('a whole number is asked: kept at 4');
  await page.goto('/bench/planner?design=shares&share=0.4&difference=0.03');
  await expect(page.getByTestId('planned')).toHaveText('4221');
  // A long run tells how far it is, and can be stopped.
  await page.goto('/bench/planner?ask=power&n=100000&difference=0.05');
  await page.getByRole('button', { name: 'Run a thousand simulated experiments' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Simulated experiments' })).toContainText('Stopped');

  await page.goto('/');
  await page.getByRole('button', { name: 'Open a fresh copy of the demo study' }).click();
  await page.waitForURL(/\/questions\//);
  await page.goto('/bench/planner?difference=3');
  await page.getByRole('button', { name: 'Take it from a question of a study' }).click();
  await page.getByLabel('Take the SD from').selectOption({ label: 'Red lamp · White lamp, Skerrow Kelp Nursery' });
  // √((16 · 3.48² + 15 · 5.02²) / 31), from the SDs the question’s page prints.
  await expect(page.getByLabel('SD expected')).toHaveValue('4.295');
  await expect(page.getByTestId('pilot')).toContainText('itself uncertain');
  await page.getByRole('button', { name: 'Put it into a write-up' }).click();
  await page.getByLabel('Put it into a write-up').selectOption({ label: 'Skerrow Kelp Nursery' });
  await page.getByRole('link', { name: 'Look' }).click();
  await expect(page.getByRole('textbox', { name: 'The write-up' })).toContainText(
    'finds a difference of 3 mm with a power of',
  );
});

test('draw and allocate: a sample, blocks, a layout; the same seed draws the same; into a study’s readings', async ({
  page,
}) => {
  await startStudy(page, 'Tanks of autumn');
  await page.goto('/bench/draw');
  const drawn = page.getByTestId('drawn').getByRole('row');
  await expect(drawn).toHaveCount(7);
  const first = await drawn.allTextContents();
  await page.getByLabel('Seed', { exact: true }).fill('2');
  await page.keyboard.press('Enter');
  await expect.poll(() => drawn.allTextContents()).not.toEqual(first);
  await page.goBack();
  await expect.poll(() => drawn.allTextContents()).toEqual(first);
  await page.getByLabel('Task').selectOption('allocate');
  await page.getByLabel('Way').selectOption('blocks');
  await page.getByLabel('Subjects in a block').fill('5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('choose a multiple of 2');
  await page.getByLabel('Subjects in a block').fill('4');
  await page.keyboard.press('Enter');
  await expect(drawn).toHaveCount(25);
  await page.getByLabel('Task').selectOption('layout');
  await expect(page.getByTestId('layout').getByRole('cell', { name: 'Red lamp' })).toHaveCount(12);
  await page.getByRole('button', { name: 'Put it into a study’s readings' }).click();
  await page.getByLabel('Put it into a study’s readings').selectOption({ label: 'Tanks of autumn' });
  await page.getByRole('link', { name: 'Look' }).click();
  await page.getByRole('grid').waitFor();
  await expect(page.getByLabel('Name of the table')).toHaveValue('Allocation');
  await expect(page.locator('#cell-0-0')).toHaveText('A1');
  await expect(page.locator('#cell-0-3')).toHaveText(/lamp/);
});
