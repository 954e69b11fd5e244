/** Without a guitar: a rhythm that is listened to, tones that are sung, and what a hand that hurts may do instead. */
import AxeBuilder from '@axe-core/playwright';
import { expect, test, toPlace, walkToCard } from './house';

// Cards given home are counted elsewhere.
test.use({ untouched: 'handless' });

test('a rhythm goes home, is listened to as it is tapped, is put right and kept', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page.locator('.lessons li', { hasText: 'Junia' }).getByRole('button', { name: /Junia/ }).click();
  await toPlace(page, 'Drills');
  await page.locator('.families button', { hasText: 'tap it' }).click();
  await expect(page.locator('.staff-drawing svg')).toBeVisible();
  await expect(page.getByText('crosses are taps')).toBeVisible();
  await expect(page.locator('.tab')).toHaveCount(0);
  await page.getByRole('combobox', { name: 'Bars' }).selectOption('4');
  await expect(page.getByRole('img', { name: /^Rhythm: \d taps, then/ })).toBeVisible();
  await page.getByRole('button', { name: 'To homework' }).click();
  await expect(page.getByText(/goes home/)).toBeVisible();

  await page.goto('/sit');
  await sit('Junia Ardlesey');
  await walkToCard(page, 'Tap a rhythm');
  await page.getByRole('button', { name: 'Listen to the simulated player' }).click();
  await expect(page.getByText('Counted in: then it is silent, and listened to.')).toBeVisible();
  const bars = page.getByRole('list', { name: 'What came of each bar' }).getByRole('listitem');
  await expect(bars).toHaveCount(4, { timeout: 40_000 });
  const good = await bars.filter({ hasText: 'in time' }).count();
  await expect(page.getByText(`${good} of 4 bars in time`)).toBeVisible();
  await expect(page.locator('.count b')).toHaveText(String(good));
  await page.getByRole('button', { name: 'One more clean' }).click();
  await page.getByRole('button', { name: 'Keep this take' }).click();
  await expect(page.getByText(/^Kept: /)).toBeVisible();
  // What was heard belongs to the take it was kept with.
  await expect(bars).toHaveCount(0);
});

test('a tone is sung after its key, heard, and said to have been it, by keyboard', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page.locator('.lessons li', { hasText: 'Junia' }).getByRole('button', { name: /Junia/ }).click();
  await toPlace(page, 'Drills');
  await page.locator('.families button', { hasText: 'sing it' }).click();
  await page.getByRole('combobox', { name: 'Tones' }).selectOption('5');
  await page.getByRole('button', { name: 'Try it' }).click();
  const said = page.getByRole('button', { name: 'That was it' });
  await expect(said).toBeDisabled();
  await expect(page.getByRole('button', { name: 'I sang: hear it' })).toBeDisabled();
  // Nothing is said of a tone before the key and the tone were heard.
  await page.keyboard.press('1');
  await page.keyboard.press('s');
  await page.keyboard.press('1');
  await expect(page.getByText('call 1 of 5')).toBeVisible();
  for (let i = 1; i <= 5; i++) {
    await expect(page.getByText(`call ${i} of 5`)).toBeVisible();
    await page.keyboard.press('h');
    await page.keyboard.press('s');
    await page.keyboard.press(i === 2 ? '2' : '1');
  }
  await expect(page.getByText(/^4 of 5 right/)).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')).toEqual([]);
});
