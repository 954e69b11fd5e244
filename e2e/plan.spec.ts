/** One plan with one version: nothing that was kept is lost, whichever way a block comes in. */
import type { Page } from '@playwright/test';
import { expect, test } from './house';

// What other files put into these plans would be locked in them.
test.use({ untouched: 'plan' });

/** A low block says its reason beside its name. */
const titles = async (page: Page) =>
  (await page.locator('.block .title').allTextContents()).map((title) => title.split(' · ')[0]);
const place = (page: Page, name: string) => page.getByRole('link', { name, exact: true }).click();
const notice = (page: Page) => page.locator('.notice');

/** Keeps a plan for a student by hand: two blocks out, one of the teacher's own in. */
async function keepOwnPlan(page: Page, student: string, song: string): Promise<string[]> {
  await place(page, 'Board');
  await page.locator('.lessons li', { hasText: student }).locator('.time').click();
  await page.keyboard.press('p');
  await expect(page.locator('.block').nth(4)).toBeVisible();
  await expect(page.getByText('weighing…')).toHaveCount(0);
  const before = (await titles(page)).length;
  for (const at of [3, 2]) {
    await page.locator('.block').nth(at).locator('.mins').click();
    await page.keyboard.press('Delete');
  }
  await expect(page.locator('.block')).toHaveCount(before - 2);
  await page.getByLabel('Name of a blank block').fill(song);
  await page.getByRole('button', { name: 'Add', exact: true }).dblclick();
  await expect(page.locator('.block', { hasText: song })).toHaveCount(1);
  await page.getByRole('button', { name: 'Keep plan' }).click();
  await expect(page.getByRole('button', { name: 'Plan kept' })).toBeVisible();
  return titles(page);
}

test('a kept plan keeps what is in it when a drill, a shape, a change and a piece are put in', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  const kept = await keepOwnPlan(page, 'Pell', 'Her own song, verse');

  await place(page, 'Drills');
  await page.getByRole('button', { name: /^Change loop/i }).click();
  await page.getByRole('button', { name: 'Put in plan' }).click();
  await expect(notice(page)).toContainText('what was in it stays');
  await place(page, 'Shapes');
  await page.getByLabel('Chord', { exact: true }).fill('Em');
  await expect(page.locator('.cards .card-row button').first()).toContainText('open chord');
  await page.getByLabel('Chord', { exact: true }).blur();
  await expect(page.locator('.in-hand .huge')).toHaveText(/^Em/);
  await page.keyboard.press('Shift+P');
  await expect(notice(page)).toContainText('Em, ring check is in the plan of');
  for (const [where, ready] of [
    ['Changes', '.changes .side .shape-card'],
    ['Pieces', '.pieces .weak-bpm'],
  ]) {
    const said = (await notice(page).textContent()) ?? '';
    await place(page, where);
    // A change is put in once it is known: the path, or what the piece asks.
    await expect(page.locator(ready).first()).toBeVisible({ timeout: 30_000 });
    await page.keyboard.press('Shift+P');
    await expect(notice(page)).not.toHaveText(said);
    await expect(notice(page)).toContainText(/→.* is in the plan of/);
  }

  await place(page, 'Plan');
  // One block for each of the four ways.
  await expect(page.locator('.block')).toHaveCount(kept.length + 4);
  const now = await titles(page);
  expect(now).toEqual(expect.arrayContaining(kept));
  await expect(page.getByText('changed since kept')).toBeVisible();
  await page.reload();
  await expect.poll(() => titles(page)).toEqual(now);
  await place(page, 'Board');
  const row = page.locator('.lessons li', { hasText: 'Pell' });
  await expect(row).toContainText('changed since kept');
  await row.locator('.time').click();
  await page.keyboard.press('s');
  await expect(page.locator('.lesson .line > div')).toHaveCount(now.length);
});

test('what was put in can be taken out again, and minutes are fitted only where that is asked for', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  const kept = await keepOwnPlan(page, 'Ode Pettibrand', 'Waltz of the strings');
  await page.locator('.block').nth(1).locator('.mins').click();
  for (let i = 0; i < 25; i++) await page.keyboard.press('+');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Plan kept' })).toBeVisible();
  const sum = async () =>
    Number((await page.locator('.budget .spread b').first().textContent())?.split(' ')[0]);
  const over = await sum();
  expect(over).toBeGreaterThan(45);

  await place(page, 'Drills');
  await page.getByRole('button', { name: 'Put in plan' }).click();
  await expect(notice(page)).toContainText(`${over + 6} of 45 minutes, ${over + 6 - 45} over`);
  await notice(page).getByRole('button', { name: 'Undo' }).click();
  await expect(notice(page)).toContainText('out of the plan again');
  await place(page, 'Plan');
  await expect.poll(() => titles(page)).toEqual(kept);
  await expect(page.getByRole('button', { name: 'Plan kept' })).toBeVisible();

  await place(page, 'Drills');
  await page.getByRole('button', { name: 'Put in plan' }).click();
  await notice(page).getByRole('button', { name: 'Fit to 45 min' }).click();
  await expect(notice(page)).toContainText('Shorter:');
  await place(page, 'Plan');
  await expect(page.locator('.block')).toHaveCount(kept.length + 1);
  expect(await sum()).toBe(45);
  await page.locator('.house').press('Control+z');
});

test('a double press puts one block in', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page.locator('.lessons li', { hasText: 'Mattia Fennimoor' }).locator('.time').click();
  await page.keyboard.press('p');
  await expect(page.locator('.block').nth(3)).toBeVisible();
  await page.getByRole('button', { name: 'Keep plan' }).click();
  await expect(page.getByRole('button', { name: 'Plan kept' })).toBeVisible();
  const count = await page.locator('.block').count();
  await place(page, 'Drills');
  await page.getByRole('button', { name: /^String walk/i }).click();
  await page.getByRole('button', { name: 'Put in plan' }).dblclick();
  await expect(notice(page)).toBeVisible();
  await page.waitForLoadState('networkidle');
  await place(page, 'Plan');
  await expect(page.locator('.block')).toHaveCount(count + 1);
});

test('steps on the plan bench that are not kept survive a reload, another place, and a drill put in meanwhile', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await page.locator('.lessons li', { hasText: 'Bram' }).locator('.time').click();
  await page.keyboard.press('p');
  await expect(page.locator('.block').nth(2)).toBeVisible();
  await page.getByLabel('Name of a blank block').fill('Her second song');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const mine = await titles(page);
  await page.reload();
  await expect.poll(() => titles(page)).toEqual(mine);
  await expect(page.getByText(/Your changes of .* are here, not kept yet/)).toBeVisible();

  await place(page, 'Drills');
  await page.getByRole('button', { name: /^String walk/i }).click();
  await page.getByRole('button', { name: 'Put in plan' }).click();
  await expect(notice(page)).toContainText('your changes that are not kept yet have it too');
  await page.goBack();
  await page.goBack();
  await place(page, 'Plan');
  await expect(page.locator('.block')).toHaveCount(mine.length + 1);
  await page.getByRole('button', { name: 'Keep plan' }).click();
  await expect(page.getByRole('button', { name: 'Plan kept' })).toBeVisible();
  await page.reload();
  await expect(page.locator('.block', { hasText: 'Her second song' })).toHaveCount(1);
  await expect(page.locator('.block')).toHaveCount(mine.length + 1);
});

test('the plan place opens for a lesson that is read already and has no plan', async ({ page, sit }) => {
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  await sit('Tamsin Brackwater');
  await page.locator('.lessons li', { hasText: 'Junia Ardlesey' }).locator('.time').click();
  // A key pressed before a place that comes has its keys is nobody's: pressed again.
  const planByKey = () =>
    expect(async () => {
      await page.keyboard.press('p');
      await expect(page.locator('.block').first()).toBeVisible({ timeout: 10_000 });
    }).toPass();
  await planByKey();
  await place(page, 'Board');
  await expect(page.locator('.lessons li').first()).toBeVisible();
  await planByKey();
  expect(errors).toEqual([]);
});

test('three other proposals really differ and one press takes each back; a block’s drills are gone through in the lesson', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await page.locator('.lessons li', { hasText: 'Hesper' }).locator('.time').click();
  await page.keyboard.press('p');
  const weighed = async () => {
    await expect(page.locator('.block').nth(3)).toBeVisible();
    await expect(page.getByText('weighing…')).toHaveCount(0);
  };
  await weighed();
  const leans = (name: string) => page.locator('.lean').getByRole('button', { name, exact: true });
  await expect(leans('Even')).toHaveAttribute('aria-pressed', 'true');
  const even = await titles(page);
  const others: string[][] = [];
  for (const lean of ['Mend', 'Go on', 'Play']) {
    await leans(lean).click();
    await expect(leans(lean)).toHaveAttribute('aria-pressed', 'true');
    await weighed();
    others.push(await titles(page));
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(leans('Even')).toHaveAttribute('aria-pressed', 'true');
    expect(await titles(page)).toEqual(even);
  }
  expect(new Set([even, ...others].map((one) => one.join())).size).toBe(4);
  await page.locator('.house').press('a');
  await expect(leans('Mend')).toHaveAttribute('aria-pressed', 'true');
  await weighed();
  const walk = page.locator('.block .walk').first();
  await expect(walk).toHaveText(/ it \d+ · /);
  await page.locator('.house').press('s');
  const parts = page.locator('.stage .parts').getByRole('button');
  await expect(page.locator('.lesson .line > div').first()).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(parts.first()).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('w');
  await expect(parts.first()).toHaveAttribute('aria-pressed', 'false');
  await expect(parts.nth(1)).toHaveAttribute('aria-pressed', 'true');
  await parts.first().click();
  await expect(parts.first()).toHaveAttribute('aria-pressed', 'true');
});

test('a concert weighs in the plan as its weight is moved, it says how many minutes, and Undo takes the plan back', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await place(page, 'Board');
  await page.locator('.lessons li', { hasText: 'Corro' }).locator('.time').click();
  await page.keyboard.press('p');
  await expect(page.locator('.block').nth(4)).toBeVisible();
  const weight = page.getByLabel('How much Thunder Sheet Reel weighs');
  const goal = page.locator('.goals li', { has: weight });
  const minutes = async () => Number(await goal.locator('b').textContent());
  // A part of it was given to him: it weighs without anybody asking.
  await expect(weight).toHaveValue('more');
  await expect(goal).toContainText('Has a part in its concert in 10 days');
  const before = await minutes();
  const blocks = await titles(page);
  await weight.selectOption('not now');
  await expect(goal).toContainText(`before it was ${before}`);
  expect(await minutes()).toBeLessThan(before);
  expect(await titles(page)).not.toEqual(blocks);
  await page.getByRole('button', { name: 'Undo' }).click();
  expect(await titles(page)).toEqual(blocks);
  expect(await minutes()).toBe(before);
  // The weight is the student's: it stands after a reload and on their page.
  await weight.selectOption('first');
  await expect(page.getByText('weighing…')).toHaveCount(0);
  await page.reload();
  await expect(weight).toHaveValue('first');
  await place(page, 'Students');
  await page.locator('.people').getByText('Corro Bellfenny').click();
  await expect(page.getByLabel('How much Thunder Sheet Reel weighs')).toHaveValue('first');
});
