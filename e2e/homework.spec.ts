/** The week at home: proposed, changed, given, printed, followed in the Practice room; nothing typed is lost. */
import type { Page } from '@playwright/test';
import { expect, test } from './house';

// What is given home here would be in other files' practice rooms.
test.use({ untouched: 'homework' });

const place = (page: Page, name: string) => page.getByRole('link', { name, exact: true }).click();

async function weekOf(page: Page, student: string) {
  await place(page, 'Students');
  await page.locator('.people').getByText(student).click();
  await expect(page.locator('.col-hand')).toBeVisible();
  await place(page, 'Homework');
  await expect(page.locator('.cell').first()).toBeVisible();
}
const sums = async (page: Page) => (await page.locator('.sum b').allTextContents()).map(Number);

test('a week is proposed, changed by keys, taken back, given, there after a reload', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await weekOf(page, 'Corro Bellfenny');
  await expect(page.getByRole('heading', { name: /Homework, 10 to 15 June/ })).toContainText('proposed');
  const rows = await page.locator('.the-week tbody tr').count();
  expect(rows).toBeGreaterThan(3);
  const before = await sums(page);
  expect(Math.max(...before)).toBeLessThanOrEqual(14);
  // The second drill, its first day that is played.
  const cell = page.locator('.the-week tbody tr').nth(1).locator('.cell:not(.none)').first();
  await cell.click();
  await page.keyboard.press('+');
  await page.keyboard.press('+');
  await expect(page.getByText('changed, not given yet')).toBeVisible();
  await expect(page.locator('.sum.over')).toHaveCount(1);
  await expect(page.locator('.checks')).toContainText('at most 14');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  expect(await sums(page)).toEqual(before);
  await page.keyboard.press('Delete');
  await expect(page.locator('.the-week tbody tr')).toHaveCount(rows - 1);
  await page.reload();
  await expect(page.getByText(/are here, not given home yet/)).toBeVisible();
  await expect(page.locator('.the-week tbody tr')).toHaveCount(rows - 1);
  await page.getByRole('button', { name: 'Give it home' }).click();
  await expect(page.getByRole('button', { name: 'Given home' })).toBeVisible();
  await page.reload();
  await expect(page.getByText('given home', { exact: true })).toBeVisible();
  await expect(page.locator('.the-week tbody tr')).toHaveCount(rows - 1);
  // Two presses are one letter; it can be taken back, and so can the week.
  await page.getByRole('button', { name: 'To the outbox' }).dblclick();
  await expect(page.locator('.notice')).toContainText(
    'In the outbox: Homework of Corro Bellfenny, 10 to 15 June',
  );
  await page.locator('.notice').getByRole('button', { name: 'Take it back' }).click();
  await expect(page.locator('.notice')).toContainText('Taken back');
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText('proposed', { exact: true })).toBeVisible();
  await expect(page.locator('.the-week tbody tr')).toHaveCount(rows - 1);
});

test('other practice days make another week; the room of a student follows what was given', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await weekOf(page, 'Junia Ardlesey');
  const days = page.getByRole('group', { name: 'Days of the week' });
  const wednesday = days.getByRole('button', { name: 'Wednesday' });
  const on = (await wednesday.getAttribute('aria-pressed')) === 'true';
  await wednesday.click();
  await expect(wednesday).toHaveAttribute('aria-pressed', String(!on));
  await expect(page.locator('thead th', { hasText: 'Wed 10' })).toBeVisible();
  await expect(page.getByText('weighing…')).toHaveCount(0);
  if (on) await expect(page.locator('.the-week tfoot')).toContainText('off');
  if (on) await wednesday.click();
  await expect(page.locator('.the-week tfoot td').first()).not.toContainText('off');
  const asked = await page
    .locator('.the-week tbody tr', { has: page.locator('td:nth-child(2) .cell:not(.none)') })
    .locator('.kind')
    .allTextContents();
  await page.getByRole('button', { name: 'Give it home' }).click();
  await expect(page.getByRole('button', { name: 'Given home' })).toBeVisible();
  const { cards, tomorrow } = await page.evaluate(async () => {
    const board = await (await fetch('/api/board')).json();
    const { id } = board.students.find((one: { name: string }) => one.name === 'Junia Ardlesey');
    return (await fetch(`/api/students/${id}/practice`)).json();
  });
  // Today is the day of the lesson: the week begins tomorrow.
  expect(tomorrow).toHaveLength(asked.length);
  expect(
    tomorrow
      .slice(1)
      .map((card: { title: string }) => card.title)
      .every((title: string) => asked.some((one) => one.includes(title))),
  ).toBe(true);
  expect(cards.length).toBeGreaterThan(0);
});

test('it is printed on one page for this hand, by a key too', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await weekOf(page, 'Hesper Lundoyle');
  await page.keyboard.press('p');
  const dialog = page.getByRole('dialog', { name: 'The week on paper' });
  await expect(dialog.locator('.paper-page')).toBeVisible();
  await expect(dialog).toContainText('1 page.');
  const saved = page.waitForEvent('download');
  await dialog.getByRole('button', { name: 'PDF' }).click();
  expect((await saved).suggestedFilename()).toBe('Hesper-Lundoyle.pdf');
});

test('with nobody on the bench the day’s students are offered; with no day of practice it says what to do', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await place(page, 'Homework');
  await expect(page.getByRole('heading', { name: 'Whose week is it?' })).toBeVisible();
  await page.getByRole('button', { name: 'Homework' }).first().click();
  await expect(page.locator('.cell').first()).toBeVisible();
  const days = page.getByRole('group', { name: 'Days of the week' });
  const on = days.locator('button[aria-pressed="true"]');
  for (let left = await on.count(); left > 0; left--) {
    await on.first().click();
    await expect(on).toHaveCount(left - 1);
  }
  await expect(page.getByText('Nothing to play: no day is a practice day.')).toBeVisible();
});
