/** What is typed in a dialog or a form is there again; with the server away it stays and can be kept when it is back. */
import type { Page } from '@playwright/test';
import { expect, test, toPlace } from './house';

/** Escape, once the dialog has the focus. */
async function leaveDialog(page: Page) {
  await expect
    .poll(() => page.evaluate(() => document.querySelector('.modal.show')?.contains(document.activeElement)))
    .toBe(true);
  await page.keyboard.press('Escape');
  await expect(page.locator('.modal.show')).toHaveCount(0);
}

test('a concert, a piece by rule, a pasted sheet and the names of the studio survive a reload', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Pieces');
  await page.locator('.repertoire button', { hasText: 'Ropewalk Lullaby' }).click();
  await page.locator('.concert').getByRole('button').click();
  await page.getByLabel('Where').fill('Boathouse evening');
  await page.reload();
  await page.locator('.concert').getByRole('button').click();
  await expect(page.getByLabel('Where')).toHaveValue('Boathouse evening');
  await expect(page.locator('.modal.show')).toContainText('is here, not kept yet');
  await page.locator('.modal.show').getByRole('button', { name: 'Drop it' }).click();
  await expect(page.getByLabel('Where')).not.toHaveValue('Boathouse evening');
  await leaveDialog(page);

  await page.getByRole('button', { name: 'Make one by rule' }).click();
  await page.locator('.rule select').first().selectOption('Db major');
  await leaveDialog(page);
  await page.getByRole('button', { name: 'Files' }).click();
  await page.getByLabel('Or pasted').fill('Db  Bbm\nrow the boat');
  await page.reload();
  await page.getByRole('button', { name: 'Make one by rule' }).click();
  await expect(page.locator('.rule select').first()).toHaveValue('Db major');
  await leaveDialog(page);
  await page.getByRole('button', { name: 'Files' }).click();
  await expect(page.getByLabel('Or pasted')).toHaveValue('Db  Bbm\nrow the boat');
  await leaveDialog(page);

  await toPlace(page, 'Studio');
  await page.locator('.names').getByLabel('teacher', { exact: true }).fill('Tamsin B.');
  await toPlace(page, 'Week');
  await expect(page.getByRole('button', { name: 'Book a lesson' })).toBeVisible();
  await toPlace(page, 'Studio');
  await expect(page.locator('.names').getByLabel('teacher', { exact: true })).toHaveValue('Tamsin B.');
  await page.getByRole('button', { name: 'Drop it' }).click();
  await expect(page.locator('.names').getByLabel('teacher', { exact: true })).toHaveValue(
    'Tamsin Brackwater',
  );
});

test('with the server away a chart, a note and a hand that are kept say so and stay; back again they are kept', async ({
  page,
  sit,
  world,
}) => {
  test.slow();
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Pieces');
  await page.getByRole('button', { name: 'Type a chart' }).click();
  await page.locator('#chart-text').fill('title: Wet Rope\nkey: Ab major\n\n[A]\n| Ab | Db | Eb7 | Ab |\n');
  await world.stop();
  await page.getByRole('button', { name: 'Keep the chart' }).click();
  await expect(page.locator('.modal.show .refusal')).toContainText(/server/i);
  await expect(page.locator('#chart-text')).toHaveValue(/Wet Rope/);
  await world.start();
  await page.getByRole('button', { name: 'Keep the chart' }).click();
  await expect(page.locator('.piece-strip h1')).toHaveText('Wet Rope');

  // A server just started works out what everybody holds before it answers.
  const edda = page.getByRole('button', { name: 'Edda Vosswick' });
  await toPlace(page, 'Students');
  await edda.click({ timeout: 40_000 });
  const note = page.getByLabel(/^Notes?/).first();
  await note.fill('Left elbow: a hand lower.');
  await world.stop();
  await note.blur();
  await page.reload().catch(() => undefined);
  await world.start();
  await page.goto('/');
  await toPlace(page, 'Students');
  await edda.click({ timeout: 40_000 });
  await expect(page.getByLabel(/^Notes?/).first()).toHaveValue('Left elbow: a hand lower.');
});

test('every key of the house is listed by its place, the place one is in first', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Drills');
  await page.keyboard.press('?');
  const groups = page.locator('.modal.show .groups section');
  await expect(groups.first()).toContainText('Drills, here');
  await expect(groups.filter({ hasText: 'Write-up' }).first()).toBeVisible();
  await expect(groups.filter({ hasText: 'keep this grip beside' })).toHaveCount(1);
  // What this seat may not enter is not listed.
  await expect(page.locator('.modal.show')).not.toContainText('string: clean, buzz, dead');
});

test('an address that is no place says so and leads home', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page.goto('/lessons/yesterday');
  await expect(page.getByRole('heading', { name: 'Nothing is at this address' })).toBeFocused();
  await expect(page.getByText('/lessons/yesterday')).toBeVisible();
  await page.getByRole('link', { name: 'Go home' }).click();
  await expect(page.locator('.lessons li').first()).toBeVisible();
});

test('a digit pressed on a card asks nothing else of the grips; arrows move the slider and nothing more', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Shapes');
  const cards = page.locator('.cards .card-row button');
  await cards.nth(1).click();
  await page.keyboard.press('3');
  await expect(page.getByRole('button', { name: 'String 3: any' })).toBeVisible();
  const picked = await page.locator('.cards [aria-pressed="true"]').getAttribute('id');
  const slider = page.getByLabel('Effort up to');
  await slider.focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect(slider).toHaveValue('98');
  expect(await page.locator('.cards [aria-pressed="true"]').getAttribute('id')).toBe(picked);
});

test('undo to the last keeps the focus; a piece brought back has it again', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page.locator('.lessons li', { hasText: 'Hesper Lundoyle' }).locator('.time').click();
  await page.keyboard.press('p');
  await page.locator('.block').nth(2).click();
  await page.keyboard.press('Delete');
  const undo = page.getByRole('button', { name: 'Undo', exact: true });
  await undo.focus();
  await page.keyboard.press('Enter');
  await expect(undo).toBeFocused();
  await expect(undo).toHaveAttribute('aria-disabled', 'true');
  await toPlace(page, 'Pieces');
  await page.locator('.repertoire button', { hasText: 'Lamp-Oil Tango' }).click();
  await page.getByRole('button', { name: 'Take this piece away' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('.repertoire button', { hasText: 'Lamp-Oil Tango' })).toBeFocused();
});
