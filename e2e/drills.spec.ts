/** Drills as a teacher makes them: an arpeggio over a progression, a scale as a figure, a quiz answered by choice. */
import { expect, takeHomeBack, test, toPlace, walkToCard } from './house';

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

test('a drill by a teacher’s words: what is wrong leads to three, what hurts to none that is played', async ({
  page,
}) => {
  await page.keyboard.press('/');
  const find = page.getByLabel('Find by family, by skill, or by what is wrong');
  await expect(find).toBeFocused();
  await find.fill('F will not ring');
  const found = page.locator('.found button');
  await expect(found).toHaveCount(3);
  await expect(found.first()).toContainText('F, ring check');
  await find.press('Enter');
  await expect(page.locator('.drill-title')).toHaveText('F, ring check');
  await find.fill('sore thumb');
  await expect(page.locator('.found')).toContainText('What hurts is not played');
  await find.fill('zzz');
  await expect(page.getByText('Nothing is called so.')).toBeVisible();
  await find.press('Escape');
  await expect(page.locator('.families .group button')).toHaveCount(31);
});

test('by ear: heard before it is answered, by one key each; counted at the end', async ({ page }) => {
  await page.locator('.families button', { hasText: 'ear pairs' }).click();
  await page.getByLabel('To choose from').selectOption('3');
  await page.getByLabel('Calls').selectOption('10');
  await page.getByRole('button', { name: 'Try it' }).click();
  const choices = page.getByRole('group', { name: 'Choose one' }).getByRole('button');
  for (let call = 1; call <= 10; call++) {
    await expect(page.getByText(`call ${call} of 10`)).toBeVisible();
    await expect(choices.first()).toBeDisabled();
    await page.keyboard.press('1');
    await expect(page.getByText(`call ${call} of 10`)).toBeVisible();
    await page.keyboard.press('h');
    await expect(choices.first()).toBeEnabled();
    await page.keyboard.press('1');
  }
  // Of three as often as the others one choice is right three or four times.
  await expect(page.getByText(/^[34] of 10 right; one took/)).toBeVisible();
  await expect(page.locator('.quiz-slips')).toContainText('another quality');
});

test('a drill on paper and as a sound; another draw', async ({ page }) => {
  await page.locator('.families button', { hasText: 'own small piece' }).click();
  await expect(page.locator('.drill-title')).toContainText('A small piece of 8 bars');
  const sheet = page.locator('.drill-sheet');
  await expect(sheet).toContainText('1 of 8');
  const before = await sheet.innerHTML();
  await page.getByRole('button', { name: 'Another draw' }).click();
  await expect.poll(() => sheet.innerHTML()).not.toBe(before);
  await page.getByRole('button', { name: 'Paper' }).click();
  await expect(page.locator('.modal.show img').first()).toBeVisible();
  // Asked for, the staff stands over the tab: the page in the picture is another one.
  const page1 = page.locator('.modal.show img').first();
  const plain = await page1.getAttribute('src');
  await page.getByLabel('A staff over the tab').check();
  await expect.poll(() => page1.getAttribute('src')).not.toBe(plain);
  // Another tempo than the drill's own, others alone; a tempo nobody plays is refused in words.
  const bpm = page.getByLabel(/^At/);
  await bpm.fill('5000');
  await page.getByRole('button', { name: 'Save WAV' }).click();
  await expect(page.getByText('A tempo is 20 to 300 bpm.')).toBeVisible();
  await bpm.fill('96');
  await page.locator('.modal.show').getByLabel('What sounds').selectOption('the backing alone');
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save WAV' }).click();
  expect((await saved).suggestedFilename()).toMatch(/backing.*\.wav$/);
  const printed = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF' }).click();
  expect((await printed).suggestedFilename()).toMatch(/\.pdf$/);
});

test('numbers are called at home: no chord is shown before it was played, and it is named afterwards', async ({
  page,
  sit,
}) => {
  await takeHomeBack(page, 'Junia Ardlesey');
  await toPlace(page, 'Board');
  await page
    .locator('.lessons li', { hasText: 'Junia Ardlesey' })
    .getByRole('button', { name: 'Junia Ardlesey' })
    .click();
  await expect(page.locator('.bench-name')).toContainText('Junia Ardlesey');
  await toPlace(page, 'Drills');
  await page.locator('.families button', { hasText: 'number calls' }).click();
  await expect(page.locator('.drill-title')).toContainText('called in');
  const key = (await page.locator('.drill-title').textContent())?.split('called in ')[1] ?? '';
  await page.getByRole('button', { name: 'To homework' }).click();
  await expect(page.getByText('goes home')).toBeVisible();
  await page.getByRole('button', { name: 'Tamsin' }).click();
  await sit('Junia Ardlesey');
  await walkToCard(page, 'called in');
  await expect(page.locator('.numbers .now')).toContainText(`1 in ${key.trim()}`);
  await expect(page.locator('.neck, .tab, .room-ledger')).toHaveCount(0);
  await expect(page.locator('.numbers .past li')).toHaveCount(0);
  await expect(page.getByLabel('What sounds')).toHaveValue('click');
  await page.getByRole('button', { name: '▶ Play' }).click();
  await expect(page.locator('.numbers .past li').first()).toContainText(/^1 [A-G]/, { timeout: 60_000 });
  await page.getByRole('button', { name: '■ Stop' }).click();
});
