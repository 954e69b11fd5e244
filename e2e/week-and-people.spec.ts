/** A studio as it lives on: people come, are called otherwise, leave and come back; lessons are booked, moved, cancelled. */
import { expect, test, toPlace } from './house';

const student = async (page: import('@playwright/test').Page, name: string) => {
  await toPlace(page, 'Students');
  await page.locator('.people').getByRole('button', { name, exact: true }).click();
  await expect(page.locator('.col-plan ol li').first()).toBeVisible();
};

test('a student is added with a birthday, asked about as a namesake, renamed, put away and brought back', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Students');
  await page.getByLabel('Name', { exact: true }).fill('Wren Tallow');
  await page.getByLabel('Born on').fill('2030-01-01');
  await page.getByRole('button', { name: 'Add a student' }).click();
  await expect(page.getByRole('alert')).toContainText('Check the year');
  await page.reload();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Wren Tallow');
  await page.getByLabel('Born on').fill('2015-02-03');
  await page.getByRole('button', { name: 'Add a student' }).dblclick();
  await expect(page).toHaveTitle('Student · Wren Tallow · Zealous Finch');
  await toPlace(page, 'Students');
  await expect(page.getByRole('button', { name: 'Wren Tallow', exact: true })).toHaveCount(1);
  await page.getByLabel('Name', { exact: true }).fill('wren tallow');
  await page.getByRole('button', { name: 'Add a student' }).click();
  await expect(page.getByRole('alert')).toContainText('is here already');

  await student(page, 'Wren Tallow');
  await page.keyboard.press('e');
  const dialog = page.getByRole('dialog');
  await dialog
    .getByLabel('Name', { exact: true })
    .fill('Wren Tallowby with a very long name that has no end in sight');
  await dialog.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.locator('.bench-name')).toContainText('Tallowby');
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  await page.keyboard.press('e');
  await dialog.getByRole('button', { name: 'Put away' }).click();
  await expect(page.locator('.notice')).toContainText('is put away');
  await toPlace(page, 'Students');
  await expect(page.getByText('Put away (1)')).toBeVisible();
  await page.locator('.notice').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Put away (1)')).toHaveCount(0);
});

test('a lesson is booked for some weeks, moved, cancelled with those that follow, and brought back', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await student(page, 'Quill Amberley');
  await page.keyboard.press('a');
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Day').fill('2026-07-06');
  await dialog.getByLabel('Time, 24 hours').fill('25:00');
  await expect(dialog.getByText('A time is four digits')).toBeVisible();
  await dialog.getByLabel('Time, 24 hours').fill('930');
  await expect(dialog.getByText('A time is four digits')).toHaveCount(0);
  await dialog.getByLabel('Weeks in a row').fill('3');
  await dialog.getByRole('button', { name: 'Book', exact: true }).click();
  await expect(page.locator('.notice')).toContainText('each week for 3 weeks');
  const rows = page.locator('.col-mid li', { hasText: '09:30' });
  await expect(rows).toHaveCount(3);
  await rows.nth(1).getByRole('button', { name: 'Move or cancel' }).click();
  await dialog.getByLabel('and all that follow').check();
  await dialog.getByRole('button', { name: 'Cancel the lesson' }).click();
  await expect(page.locator('.col-mid li.off')).toHaveCount(2);
  await page.locator('.notice').getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('.col-mid li.off')).toHaveCount(0);
  await toPlace(page, 'Week');
  await expect(page.getByRole('heading', { name: 'Monday 8 June to Sunday 14 June' })).toBeVisible();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
  await expect(page.locator('.day', { hasText: 'Monday 6 July' })).toContainText('Quill Amberley');
});

test('what goes home is found on the student’s page and can be taken back; past lessons stand there too', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await student(page, 'Isolde Marrable');
  await page.keyboard.press('3');
  await expect(page.locator('.col-mid h3', { hasText: 'Past' })).toBeVisible();
  await expect(page.locator('.col-mid li', { hasText: /\d+ of \d+ min/ }).first()).toBeVisible();
  await toPlace(page, 'Drills');
  await page.getByRole('button', { name: /^String walk/i }).click();
  await page.getByRole('button', { name: 'To homework' }).click();
  await expect(page.locator('.notice')).toContainText('goes home');
  await student(page, 'Isolde Marrable');
  await page.keyboard.press('4');
  const card = page.locator('.col-mid .room.active li').first();
  await expect(card).toContainText('given on');
  await card.getByRole('button', { name: 'Take back' }).click();
  await expect(page.locator('.notice')).toContainText('not at home any more');
  await page.keyboard.press('Control+z');
  await expect(page.locator('.notice')).toContainText('at home again');
});

test('a chart that is typed and not kept is there again after a reload', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Pieces');
  await page.getByRole('button', { name: 'Type a chart' }).click();
  const text = page.locator('#chart-text');
  await text.fill('title: Left on the bench\nkey: G major\n[A]\n| G | C |');
  await page.reload();
  await page.getByRole('button', { name: 'Type a chart' }).click();
  await expect(text).toHaveValue(/Left on the bench/);
  await expect(page.getByText(/What you typed at .* is here/)).toBeVisible();
  await page.getByRole('button', { name: /^Keep/ }).click();
  await expect(page.locator('.pieces h1')).toHaveText('Left on the bench');
  await page.getByRole('button', { name: 'Type a chart' }).click();
  await expect(text).not.toHaveValue(/Left on the bench/);
});

test('with nobody on the bench Plan, Lesson and Write-up offer the day’s lessons, by keyboard too', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  for (const [place, action] of [
    ['Plan', 'Open proposal'],
    ['Lesson', 'Start lesson'],
    ['Write-up', 'Write up'],
  ] as const) {
    await page.evaluate(() => sessionStorage.clear());
    await page.goto('/');
    await toPlace(page, place);
    await expect(page.getByRole('button', { name: action }).first()).toBeVisible();
  }
  await page.keyboard.press('j');
  await page.keyboard.press('Enter');
  await expect(page.locator('.write table')).toBeVisible();
});

test('a guardian asks for nothing that is not theirs, and sees no note', async ({ page, sit }) => {
  const refused: string[] = [];
  page.on(
    'response',
    (response) => response.status() >= 400 && refused.push(`${response.status()} ${response.url()}`),
  );
  await sit('Berit Ardlesey');
  await expect(page.getByRole('heading', { name: 'This week' })).toBeVisible();
  await expect(page.getByText(/played on \d of 7 days, \d+ minutes? in all/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'The last lesson' }).getByRole('listitem')).not.toHaveCount(
    0,
  );
  await page.waitForLoadState('networkidle');
  expect(refused).toEqual([]);
  // No note, no millimetres, no bands, no keys of who teaches.
  await expect(page.locator('#note')).toHaveCount(0);
  await expect(page.locator('#place')).not.toContainText(/ mm|bpm|Why\?/);
  await expect(page.getByRole('link', { name: 'Board' })).toHaveCount(0);
});

test('while it loads the Board claims nothing, and where it fails it says so and can be asked again', async ({
  page,
  sit,
}) => {
  let answer: () => void = () => undefined;
  const held = new Promise<void>((resolve) => (answer = resolve));
  await page.route('**/api/board', async (route) => {
    await held;
    await route.continue();
  });
  await sit('Tamsin Brackwater');
  await expect(page.getByRole('heading', { name: 'Reading the day…' })).toBeVisible();
  await expect(page.getByText('no lessons')).toHaveCount(0);
  await expect(page.getByText('Nobody is stuck')).toHaveCount(0);
  answer();
  await expect(page.getByRole('heading', { name: /lessons$/ })).toBeVisible();
  await page.unroute('**/api/board');
  await page.route('**/api/board', (route) =>
    route.fulfill({ status: 503, json: { code: 'server.database', at: 'database', detail: '' } }),
  );
  await page.reload();
  await expect(page.getByRole('heading', { name: 'The day could not be read' })).toBeVisible();
  await page.unroute('**/api/board');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('heading', { name: /lessons$/ })).toBeVisible();
});

test('a place that cannot be loaded says so, and opens when it is asked again', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page.route('**/assets/WeekPlace*', (route) => route.abort());
  await toPlace(page, 'Week');
  await expect(page.locator('.notice')).toContainText('Week could not be loaded');
  await page.unroute('**/assets/WeekPlace*');
  await page.locator('.notice').getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('heading', { name: /^Monday/ }).first()).toBeVisible();
});

test('what is put in from another zone of the world stands at the studio’s hour', async ({
  browser,
  baseURL,
}) => {
  const far = await (await browser.newContext({ baseURL, timezoneId: 'America/New_York' })).newPage();
  await far.goto('/');
  await far.locator('.seats li', { hasText: 'Tamsin' }).getByRole('button').click();
  await far.getByRole('link', { name: 'Week', exact: true }).click();
  const hour = far.locator('.hours li').first();
  const lesson = far.locator('.day .lessons li').first();
  await expect(lesson).toBeVisible();
  const [top, first] = [await lesson.boundingBox(), await hour.boundingBox()];
  const said = (await lesson.locator('small').textContent()) ?? '';
  const [h, m] = said.trim().split(' ')[0].split(':').map(Number);
  const from = Number((await hour.textContent())?.split(':')[0]);
  // 84 px an hour from the line of the first one.
  expect(Math.abs((top?.y ?? 0) - (first?.y ?? 0) - 84 * (h + m / 60 - from))).toBeLessThan(12);
  await far.context().close();
});

test('a number answers why: the same number, its takes, by keyboard; where it cannot be read it says so', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await student(page, 'Hesper Lundoyle');
  const row = page.getByRole('listitem').filter({ hasText: 'stuck after' }).first();
  const why = row.getByRole('button', { name: /^Why\?/ });
  const shown = (await row.locator('.big').textContent()) ?? '';
  await page.route('**/why', (route) => route.abort());
  await why.focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('alert')).toContainText('server', { timeout: 20_000 });
  await page.unroute('**/why');
  await dialog.getByRole('button', { name: 'Try again' }).click();
  await expect(dialog.locator('.story')).toContainText(`${shown}`);
  await expect(dialog.locator('.story')).toContainText(/takes since .* Of the last 8/);
  await expect(dialog.locator('.advice')).not.toBeEmpty();
  const parts = await dialog.locator('.parts b').allTextContents();
  const sum = parts.reduce((all, text) => all + Number(text.replace('−', '-')), 0);
  expect(String(sum)).toBe(shown);
  await expect(dialog.getByRole('row')).not.toHaveCount(1);
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await expect(why).toBeFocused();
});

test('a style is wished for: kept as it is ticked, there after a reload, and it weighs in the plan; ticked again it is gone', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await student(page, 'Tilda Corvane');
  const wishes = page.getByRole('region', { name: 'Plays toward' });
  const choose = wishes.getByRole('button', { name: 'Choose' });
  await choose.focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: /plays toward/ });
  const swing = dialog.getByRole('checkbox', { name: /Swing rhythm guitar/ });
  // A dialog gives the focus back to who asked once it has come to rest.
  await page.waitForTimeout(600);
  await swing.focus();
  await page.keyboard.press('Space');
  await expect(swing).toBeChecked();
  // Two at once: the second waits for the first.
  await dialog.getByRole('checkbox', { name: /Roots first/ }).check();
  await expect(page.locator('.wishes .goals li')).toHaveCount(2);
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await expect(choose).toBeFocused();
  await expect(wishes.getByRole('listitem')).toHaveCount(2);
  await page.reload();
  await expect(wishes).toContainText(/Swing rhythm guitar[^]*A style; \d+ of 10 skills held/);
  await expect(wishes).toContainText('Roots first');
  await choose.click();
  await dialog.getByRole('checkbox', { name: /Swing rhythm guitar/ }).uncheck();
  await dialog.getByRole('checkbox', { name: /Roots first/ }).uncheck();
  await page.keyboard.press('Escape');
  await expect(wishes.getByRole('listitem')).toHaveCount(0);
  await page.reload();
  await expect(wishes).toContainText('Nothing yet');
});
