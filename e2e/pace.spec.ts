/** How long somebody has played decides the first tempi: for nobody in particular, a new student and one measured again. */
import type { Page } from '@playwright/test';
import { expect, test, toPlace } from './house';

test.use({ untouched: 'pace' });

const bestTempo = async (page: Page): Promise<number> => {
  const text =
    (await page
      .locator('.bar-line')
      .getByText(/^Best, \d+ bpm/)
      .textContent()) ?? '';
  return Number(/(\d+) bpm/.exec(text)?.[1]);
};

test('nobody on the bench: the hand is of the stage chosen, everywhere and after a reload', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Changes');
  const stage = page.getByLabel('How long the hand has played');
  await expect(stage).toHaveValue('first year');
  await expect(page.getByText(/^Best, \d+ bpm/)).toBeVisible();
  const year = await bestTempo(page);
  await stage.selectOption('stage player');
  await expect.poll(() => bestTempo(page)).toBeGreaterThan(2 * year);
  await page.reload();
  await expect(stage).toHaveValue('stage player');
  await expect.poll(() => bestTempo(page)).toBeGreaterThan(2 * year);
  await toPlace(page, 'Shapes');
  await expect(page.getByLabel('How long the hand has played')).toHaveValue('stage player');
});

test('a new student is asked how long they have played; said anew in the hand form it holds from today on', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Students');
  await page.getByLabel('Name', { exact: true }).fill('Wick Larkham');
  await page.getByLabel('Has played for').selectOption('a month or less');
  await page.getByRole('button', { name: 'Add a student' }).click();
  await expect(page.locator('.bench-name')).toContainText('Wick Larkham');
  await toPlace(page, 'Changes');
  await expect(page.locator('.pace-line')).toContainText('first month (a month or less)');
  await expect(page.getByText(/^Best, \d+ bpm/)).toBeVisible();
  const month = await bestTempo(page);
  await page.getByRole('link', { name: 'Wick Larkham' }).click();
  await page.getByRole('button', { name: 'Measure and set' }).click();
  await page.getByRole('dialog').getByLabel('Has played for').selectOption('five years');
  await page.getByRole('button', { name: 'Keep from today on' }).click();
  await expect(page.getByText('about 5 years')).toBeVisible();
  await toPlace(page, 'Changes');
  await expect(page.locator('.pace-line')).toContainText('some years (about 5 years)');
  await expect.poll(() => bestTempo(page)).toBeGreaterThan(2 * month);
});
