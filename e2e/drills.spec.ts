/** Drills as a teacher makes them: an arpeggio over a progression, a scale as a figure, a quiz answered by choice. */
import { expect, test, toPlace } from './house';

test.beforeEach(async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page
    .locator('.lessons li', { hasText: 'Ode Pettibrand' })
    .getByRole('button', { name: 'Ode Pettibrand' })
    .click();
  await expect(page.locator('.bench-name')).toContainText('Ode Pettibrand');
  await toPlace(page, 'Drills');
  await expect(page.locator('.families')).toBeVisible();
});

test('B♭m7 two a string, over a progression, re-keyed; a scale as a figure; both go into the plan', async ({
  page,
}) => {
  const field = (name: string) =>
    page.locator('.ask-drill label', { hasText: new RegExp(`^\\s*${name}`) }).locator('select, input');
  const family = (name: string) => page.locator('.families button', { hasText: name }).first().click();
  await family('two a string');
  await field('Over').fill('Bbm7 Eb7 Abmaj7 Fm7');
  await field('Over').press('Tab');
  await expect(page.locator('.drill-title')).toHaveText('B♭m7 E♭7 A♭△7 Fm7 two a string');
  await expect(page.locator('.middle')).toContainText('B♭m7 from string 6, fret 6, two a string');
  await field('Over').fill('Bbm7 C6');
  await field('Over').press('Tab');
  await expect(page.getByText('“C6” has no four notes of that kind.')).toBeVisible();
  await page.getByRole('button', { name: /Take the nearest that can be made/ }).click();
  await expect(page.locator('.drill-title')).toContainText('two a string');
  await family('scale in the shape');
  await field('Scale').selectOption('dorian');
  await field('Where').selectOption({ label: 'a form' });
  await field('Played').selectOption({ label: 'a 3 or 7 on every one' });
  await field('Over').fill('Fm7 Bb7');
  await field('Over').press('Tab');
  await expect(page.locator('.drill-title')).toContainText('a 3 or 7 on every one');
  await page.getByRole('button', { name: 'Put in plan' }).click();
  await expect(page.locator('.notice').getByText(/dorian/)).toBeVisible();
});

test('spelled by choice: what was mixed up is said, all are counted', async ({ page }) => {
  await page.locator('.families button', { hasText: 'spell it' }).first().click();
  await expect(page.locator('.drill-title')).toContainText('Spell the notes of');
  await page.getByLabel('Calls').selectOption('5');
  await page.getByRole('button', { name: 'Try it' }).click();
  const choices = page.getByRole('group', { name: 'Choose one' }).getByRole('button');
  for (let call = 1; call <= 5; call++) {
    await expect(page.getByText(`call ${call} of 5`)).toBeVisible();
    await expect(choices).toHaveCount(4);
    await choices.first().click();
    await expect(page.getByText(/^(Right|It is)/)).toBeVisible();
  }
  await expect(page.getByText(/^\d of 5 right/)).toBeVisible();
});
