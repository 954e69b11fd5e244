/** One lesson re-keyed for its student and for somebody who is stuck, shown first, in one step, and taken back. */
import { expect, test, toPlace } from './house';

test('a lesson goes to D flat, and into another plan; undone it is as before', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page
    .locator('.lessons li', { hasText: 'Ode Pettibrand' })
    .getByRole('button', { name: 'Ode Pettibrand' })
    .click();
  await toPlace(page, 'Plan');
  const titles = page.locator('.block .title');
  await expect(titles.first()).toBeVisible();
  const before = await titles.allTextContents();
  await page.getByRole('button', { name: 'Re-key' }).click();
  const dialog = page.locator('.modal.show');
  await dialog.getByLabel('Everything as far up or down').selectOption('Db');
  await dialog.getByLabel('Add another student').selectOption({ index: 1 });
  await expect(dialog.locator('section h3')).toHaveCount(1);
  await expect(dialog.locator('.moved tbody tr')).not.toHaveCount(0);
  await expect(dialog.getByText('has no key of its own').first()).toBeVisible();
  await dialog.getByRole('button', { name: /^Re-key this lesson and 1 other plan/ }).click();
  const notice = page.locator('.notice');
  await expect(notice).toContainText(/This lesson in D♭: \d+ drills/);
  await expect(notice).toContainText('In the plans of');
  expect(await titles.allTextContents()).not.toEqual(before);
  await notice.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('.notice')).toContainText('All of it is as it was.');
  expect(await titles.allTextContents()).toEqual(before);
});
