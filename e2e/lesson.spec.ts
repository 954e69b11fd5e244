/** A lesson on two screens, with the server away, with slips, and one that never was: its record is never lost or made up. */
import type { Page } from '@playwright/test';
import { expect, takesOnServer, test } from './house';

// A world of its own: takes are counted here, and one that an earlier test dated later would come into the count.
test.use({ untouched: 'lesson' });

const heading = (page: Page) => page.locator('.lesson .line').getAttribute('aria-label');
async function start(page: Page, student: string) {
  await page.locator('.lessons li', { hasText: student }).locator('.time').click();
  await page.keyboard.press('s');
  await expect(page.locator('.lesson .line')).toBeVisible();
}
async function next(page: Page) {
  const now = await heading(page);
  await page.keyboard.press('ArrowRight');
  const asked = page.locator('.felt.asks');
  await expect.poll(async () => (await heading(page)) !== now || (await asked.isVisible())).toBe(true);
  if ((await heading(page)) === now) await page.keyboard.press('ArrowRight');
  await expect.poll(() => heading(page)).not.toBe(now);
}

test('a second screen goes on where the first stands, and wipes nothing', async ({
  page,
  sit,
  browser,
  baseURL,
}) => {
  await sit('Tamsin Brackwater');
  await start(page, 'Corro Bellfenny');
  for (let i = 0; i < 3; i++) {
    await page.keyboard.press('1');
    await page.keyboard.press('f');
    await next(page);
  }
  const stands = await heading(page);
  await page.waitForLoadState('networkidle');
  const url = page.url();

  const other = await (await browser.newContext({ baseURL })).newPage();
  await other.clock.install({ time: new Date(await page.evaluate(() => Date.now())) });
  await other.goto('/');
  await other.locator('.seats li', { hasText: 'Tamsin' }).getByRole('button').click();
  await other.waitForURL((to) => !to.pathname.startsWith('/sit'));
  await other.goto(new URL(url).pathname);
  await expect.poll(() => heading(other)).toBe(stands);
  await other.keyboard.press('2');
  await other.keyboard.press('f');
  await next(other);
  await other.waitForLoadState('networkidle');

  await page.keyboard.press('3');
  await page.keyboard.press('f');
  await page.waitForLoadState('networkidle');
  const lessonId = new URL(url).pathname.split('/').at(-1) ?? '';
  const counts = async () => {
    const done: { takes: Record<string, number> }[] = await page.evaluate(
      async (id) => (await (await fetch(`/api/lessons/${id}`)).json()).done.blocks,
      lessonId,
    );
    const sum = (what: string) => done.reduce((all, row) => all + row.takes[what], 0);
    return { clean: sum('clean'), nearly: sum('nearly'), notYet: sum('notYet') };
  };
  await expect.poll(counts).toMatchObject({ nearly: 1, notYet: 1 });
  expect((await counts()).clean).toBeGreaterThanOrEqual(2);
  await other.context().close();
});

test('a note has the focus before the next key, its text stays, and no key of it logs a take', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await start(page, 'Ode Pettibrand');
  await page.keyboard.press('n');
  await page.keyboard.type('1 2 3: elbow in, then next');
  await expect(page.getByLabel('Note', { exact: true }).locator('textarea')).toHaveValue(
    '1 2 3: elbow in, then next',
  );
  await page.keyboard.press('Escape');
  await expect(page.locator('.waves svg')).toHaveCount(0);
  await page.reload();
  await expect(page.locator('.lesson .line')).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.locator('dialog textarea')).toHaveValue('1 2 3: elbow in, then next');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Write-up' }).click();
  await expect(page.locator('#write-note')).toHaveValue('1 2 3: elbow in, then next');
});

test('a slip is taken back; Space after S plays; arrows walk the hand’s answers', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await start(page, 'Junia Ardlesey');
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: '■ Stop' })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: '▶ Play' })).toBeVisible();
  const studentId = await page.evaluate(
    () => (JSON.parse(sessionStorage.getItem('finch-bench') ?? '{}') as { studentId: string }).studentId,
  );
  const had = await takesOnServer(page, studentId);
  await page.keyboard.press('1');
  await page.keyboard.press('f');
  await expect(page.locator('.waves svg')).toHaveCount(1);
  await expect.poll(() => takesOnServer(page, studentId), { timeout: 25_000 }).toBe(had + 1);
  await page.keyboard.press('Control+z');
  await expect(page.locator('.waves svg')).toHaveCount(0);
  await expect.poll(() => takesOnServer(page, studentId), { timeout: 25_000 }).toBe(had);
  const at = await heading(page);
  await page.getByRole('radio', { name: 'easy' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'tense' })).toBeFocused();
  expect(await heading(page)).toBe(at);
  await page.keyboard.press('x');
  await expect(page.getByRole('radio', { name: 'fingertip skin' })).toBeFocused();
});

test('a lesson that never was asks first, and nothing is filled in', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  const last = page.locator('.lessons li', { hasText: 'Hesper' });
  await last.locator('.time').click();
  await page.keyboard.press('w');
  await expect(page.getByText('This lesson is still ahead.')).toBeVisible();
  await expect(page.getByText('filled in by the lesson')).toHaveCount(0);
  await page.locator('.write h1').focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('group', { name: 'How was the lesson?' })).toBeFocused();
  await expect(page.locator('.words .tag', { hasText: 'written up' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Nothing was taught' }).click();
  await expect(page.locator('.words .tag', { hasText: 'written up' })).toBeVisible();
  await page.getByRole('link', { name: 'Board', exact: true }).click();
  await expect(last).toContainText(/0 of \d+ minutes taught/);
  await last.locator('.time').click();
  await page.keyboard.press('s');
  await expect(page.getByText('Open it again?')).toBeVisible();
  await page.getByRole('button', { name: 'Open it again' }).click();
  await expect(page.locator('.lesson .line')).toBeVisible();
});

test('a write-up typed and not kept survives a reload and another place', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page.locator('.lessons li', { hasText: 'Yusra Dovekint' }).locator('.time').click();
  await page.keyboard.press('w');
  await page.locator('#write-note').fill('Bring the song next week');
  const minutes = page.getByLabel(/^Minutes done/).first();
  await minutes.fill('9');
  await page.reload();
  await expect(page.locator('#write-note')).toHaveValue('Bring the song next week');
  await expect(page.getByLabel(/^Minutes done/).first()).toHaveValue('9');
  await expect(page.getByText(/What you typed at .* is here/)).toBeVisible();
  await page.getByRole('link', { name: 'Board', exact: true }).click();
  await page.getByRole('link', { name: 'Write-up' }).click();
  await page.getByRole('button', { name: 'Keep write-up' }).click();
  await expect(page.locator('.words .tag', { hasText: 'written up' })).toBeVisible();
  await page.reload();
  await expect(page.locator('#write-note')).toHaveValue('Bring the song next week');
  await expect(page.getByText(/What you typed at/)).toHaveCount(0);
});

test('finish pressed while the server is away waits and goes on by itself', async ({ page, sit, world }) => {
  await sit('Tamsin Brackwater');
  await start(page, 'Corro Bellfenny');
  for (let i = 0; i < 12; i++) {
    if (await page.getByRole('button', { name: 'Finish, write up' }).isVisible()) break;
    await next(page);
  }
  await page.waitForLoadState('networkidle');
  await world.stop();
  await page.keyboard.press('1');
  await page.keyboard.press('f');
  await page.getByRole('button', { name: 'Finish, write up' }).click();
  await expect(page.getByRole('button', { name: /Waiting for the server/ })).toBeVisible();
  await world.start();
  await page.clock.runFor(10_000);
  await expect(page).toHaveURL(/write-up/);
  await expect(page.locator('.write table')).toBeVisible();
});
