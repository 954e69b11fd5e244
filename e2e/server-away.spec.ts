/** The server away while something is typed, in every place where something can be: it is said, it stays, and it is kept. */
import type { Page } from '@playwright/test';
import { expect, test, toPlace } from './house';

test.use({ untouched: 'server-away' });

const API = '**/api/**';
/** As far as the page can tell the server is gone. */
const away = (page: Page) => page.route(API, (route) => route.abort('connectionrefused'));
const back = (page: Page) => page.unroute(API);
const dialog = (page: Page) => page.locator('.modal.show');

/** Pressed with the server away it says so and is there still; pressed again with it back it is done. */
async function throughAnOutage(
  page: Page,
  press: () => Promise<void>,
  { said, still }: { said: string; still: () => Promise<void> },
): Promise<void> {
  await away(page);
  await press();
  await expect(page.locator(said)).toContainText(/server/i);
  await still();
  await back(page);
  await press();
}

test('a concert, a person, a booking and the names of the studio outlast an outage', async ({
  page,
  sit,
}) => {
  test.slow();
  await sit('Tamsin Brackwater');

  await toPlace(page, 'Pieces');
  await page.locator('.repertoire button', { hasText: 'Ropewalk Lullaby' }).click();
  await page.locator('.concert').getByRole('button').click();
  await page.getByLabel('Where').fill('Boathouse evening');
  await page.getByLabel('On', { exact: true }).fill('2026-09-12');
  await throughAnOutage(page, () => dialog(page).getByRole('button', { name: 'Set it' }).click(), {
    said: '.modal.show .refusal',
    still: () => expect(page.getByLabel('Where')).toHaveValue('Boathouse evening'),
  });
  await expect(dialog(page)).toHaveCount(0);
  await expect(page.locator('.concert')).toContainText('Boathouse evening');

  await toPlace(page, 'Students');
  await page.getByRole('button', { name: 'Edda Vosswick' }).click();
  await page.getByRole('button', { name: 'Name and birthday' }).click();
  await dialog(page).getByLabel('Name', { exact: true }).fill('Edda Vosswick-Lund');
  await throughAnOutage(page, () => dialog(page).getByRole('button', { name: 'Keep', exact: true }).click(), {
    said: '.modal.show .refusal',
    still: () => expect(dialog(page).getByLabel('Name', { exact: true })).toHaveValue('Edda Vosswick-Lund'),
  });
  await expect(dialog(page)).toHaveCount(0);
  await expect(page.getByRole('heading', { level: 1, name: 'Edda Vosswick-Lund' })).toBeAttached();

  await page.getByRole('tab', { name: 'Lessons' }).click();
  await page.getByRole('button', { name: 'Book a lesson' }).first().click();
  await dialog(page).getByLabel('Time, 24 hours').fill('07:15');
  await throughAnOutage(page, () => dialog(page).getByRole('button', { name: 'Book', exact: true }).click(), {
    said: '.modal.show .refusal',
    still: () => expect(dialog(page).getByLabel('Time, 24 hours')).toHaveValue('07:15'),
  });
  await expect(page.locator('.notice')).toContainText('Booked: Edda Vosswick-Lund');

  await toPlace(page, 'Studio');
  const mine = page.locator('.names').getByLabel('teacher', { exact: true });
  await mine.fill('Tamsin Brackwater-Lund');
  await throughAnOutage(page, () => page.getByRole('button', { name: 'Keep names' }).click(), {
    said: '.notice',
    still: () => expect(mine).toHaveValue('Tamsin Brackwater-Lund'),
  });
  await expect(page.locator('.notice')).toContainText('are kept');
});

test('a hook and a new student outlast an outage', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page.locator('.lessons li', { hasText: 'Pell Anstrake' }).locator('.time').click();
  await toPlace(page, 'Shapes');
  await page.getByRole('tab', { name: 'Names' }).click();
  await page.getByLabel('Nickname').fill('the ladder');
  await throughAnOutage(page, () => page.getByRole('button', { name: 'Keep hook' }).click(), {
    said: '.hook-editor .refusal',
    still: () => expect(page.getByLabel('Nickname')).toHaveValue('the ladder'),
  });
  await expect(page.locator('.hook-editor')).toContainText('Kept; whoever gets this sees it.');

  await toPlace(page, 'Students');
  await page.getByLabel('Name', { exact: true }).fill('Wick Tarrowby');
  await throughAnOutage(page, () => page.getByRole('button', { name: 'Add a student' }).click(), {
    said: '.add .refusal',
    still: () => expect(page.getByLabel('Name', { exact: true })).toHaveValue('Wick Tarrowby'),
  });
  await expect(page.getByRole('heading', { name: 'Wick Tarrowby' })).toBeVisible();
});

test('a write-up outlasts an outage and a reload in the middle', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Write-up');
  await page.getByRole('button', { name: 'Write up' }).first().click();
  const note = page.getByLabel('Note', { exact: true });
  await note.fill('Second bar slower; thumb lower.');
  await page.reload();
  await expect(note).toHaveValue('Second bar slower; thumb lower.');
  const keep = page.getByRole('button', { name: 'Keep write-up' });
  await throughAnOutage(page, () => keep.click(), {
    said: '.words .refusal',
    still: () => expect(note).toHaveValue('Second bar slower; thumb lower.'),
  });
  await expect(page.locator('.words .tag')).toHaveText('written up');
  await expect(page.locator('.words .refusal')).toHaveCount(0);
});

test('a booking that was begun is there after a reload, Escape and another hour of the week', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Students');
  await page.getByRole('button', { name: 'Pell Anstrake' }).first().click();
  const open = async () => {
    await page.getByRole('tab', { name: 'Lessons' }).click();
    await page.getByRole('button', { name: 'Book a lesson' }).first().click();
  };
  await open();
  await dialog(page).getByLabel('Minutes').fill('50');
  await page.reload();
  await open();
  await expect(dialog(page).getByLabel('Minutes')).toHaveValue('50');
  await expect(dialog(page)).toContainText('is here, not kept yet');
  await dialog(page).getByRole('button', { name: 'Drop it' }).click();
  await expect(dialog(page).getByLabel('Minutes')).toHaveValue('45');
});

test('one chart on two screens: neither is lost, both are shown, and either may be taken', async ({
  page,
  sit,
  context,
}) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Pieces');
  await page.locator('.repertoire button', { hasText: 'Lamp-Oil Tango' }).click();
  await page.getByRole('button', { name: 'Edit', exact: true }).click();
  const text = page.locator('#chart-text');
  const was = await text.inputValue();
  await text.fill(was.replace(/tempo: \d+/, 'tempo: 61'));

  const second = await context.newPage();
  await second.goto(page.url());
  await second.getByRole('button', { name: 'Edit', exact: true }).click();
  // What the first screen typed is a draft of this browser; the second has it too, and keeps something else.
  await second.locator('#chart-text').fill(was.replace(/tempo: \d+/, 'tempo: 77'));
  await second.getByRole('button', { name: 'Keep the chart' }).click();
  await expect(second.locator('.piece-strip')).toContainText('77 bpm');
  await second.close();

  await text.fill(was.replace(/tempo: \d+/, 'tempo: 62'));
  await page.getByRole('button', { name: 'Keep the chart' }).click();
  await expect(dialog(page).locator('.refusal')).toContainText('Theirs:');
  await expect(dialog(page).locator('.refusal')).toContainText('tempo: 77');
  await expect(text).toHaveValue(/tempo: 62/);
  await dialog(page).getByRole('button', { name: 'Keep mine instead' }).click();
  await expect(dialog(page)).toHaveCount(0);
  await expect(page.locator('.piece-strip')).toContainText('62 bpm');
});
