/** The check-up of a term: warm, each item once by one key, through a reload, beside what was heard a term ago. */
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test, toPlace } from './house';

// What is heard is counted: a world of its own.
test.use({ untouched: 'check-up' });

const item = (page: Page) => page.getByText(/^Item \d of \d: the first take counts\.$/);

test('by keyboard: easy minutes, each item once, a reload in the middle, a slip heard again, then the terms beside each other', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Students');
  await page.locator('.people').getByRole('button', { name: 'Junia Ardlesey' }).click();
  await page.getByRole('button', { name: 'Check-up' }).click();
  await expect(page.getByRole('heading', { name: 'Junia’s check-up' })).toBeVisible();
  await expect(page.getByText(/Junia’s hand grows: measured on/)).toBeVisible();
  const terms = page.getByRole('region', { name: 'Every check-up' }).getByRole('columnheader');
  const before = await terms.count();
  expect(before).toBeGreaterThan(1);

  await page.getByRole('button', { name: 'Begin the easy minutes' }).click();
  await expect(page.getByRole('timer')).toHaveText(/^2:5\d$|^3:00$/);
  await page.getByRole('button', { name: 'To the first item' }).click();
  await expect(item(page)).toHaveText(/^Item 1 of/);
  const of = Number(/of (\d)/.exec((await item(page).textContent()) ?? '')?.[1]);
  expect(of).toBeGreaterThan(2);
  await page.keyboard.press('1');
  await expect(item(page)).toHaveText(/^Item 2 of/);
  await page.reload();
  await expect(item(page)).toHaveText(/^Item 2 of/);
  await page.keyboard.press('3');
  await expect(item(page)).toHaveText(/^Item 3 of/);
  await page.keyboard.press('Control+z');
  await expect(item(page)).toHaveText(/^Item 2 of/);
  await page.keyboard.press('2');
  for (let i = 3; i <= of; i++) {
    await expect(item(page)).toHaveText(new RegExp(`^Item ${i} of`));
    await page.keyboard.press('1');
  }
  await expect(page.getByText(`Done: ${of - 1} of ${of} clean.`)).toBeVisible();
  await expect(terms).toHaveCount(before + 1);
  await expect(
    page.getByRole('region', { name: 'Every check-up' }).locator('td', { hasText: 'nearly' }).last(),
  ).toBeVisible();

  await toPlace(page, 'Progress');
  await page.getByLabel('Whose story', { exact: true }).selectOption({ label: 'Junia Ardlesey' });
  await expect(page.getByRole('heading', { name: 'Check-ups' })).toBeVisible();
});

test('a hand that hurts ends it, and nothing is asked while playing is stopped; readers find their way', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Students');
  await page.locator('.people').getByRole('button', { name: 'Basil Thornquay' }).click();
  await page.getByRole('button', { name: 'Check-up' }).click();
  await expect(page.getByText(/Basil reported pain: nothing is played now/)).toBeVisible();

  await toPlace(page, 'Students');
  await page.locator('.people').getByRole('button', { name: 'Hesper Lundoyle' }).click();
  await page.getByRole('button', { name: 'Check-up' }).click();
  await page.getByRole('button', { name: 'The hand is warm' }).click();
  await expect(item(page)).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')).toEqual([]);
  await page.getByRole('button', { name: 'It hurts' }).click();
  await page.getByRole('radio', { name: /pain/ }).click();
  await page.getByRole('radio', { name: 'left', exact: true }).click();
  await page.getByRole('radio', { name: 'wrist' }).click();
  await expect(page.getByText(/^Stopped: it hurts \(wrist\)/)).toBeVisible();
});
