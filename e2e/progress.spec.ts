/** After the lessons: what needs the teacher, one student's story, how predictions held, and letters home. */
import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test, toPlace } from './house';

// Letters and takes are counted: a world of its own.
test.use({ untouched: 'progress' });
test.beforeEach(async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Progress');
  await expect(page.getByRole('heading', { name: 'Surprises this week' })).toBeVisible();
});

const story = (page: Page) => page.getByLabel('Whose story', { exact: true });
const letterText = (page: Page) => page.getByRole('textbox', { name: 'The letter' });

test('by keyboard: the lists, the next student, the story as a table with the Board’s numbers, every skill, and the student', async ({
  page,
}) => {
  await page.keyboard.press('1');
  const first = page
    .getByRole('region', { name: /^Stuck/ })
    .getByRole('button')
    .first();
  await expect(first).toBeFocused();
  const name = ((await first.textContent()) ?? '').trim();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name, level: 2 })).toBeVisible();
  await page.keyboard.press('t');
  const table = page.getByRole('region', { name }).getByRole('table');
  const grips = table
    .getByRole('row', { name: /^Open grips/ })
    .getByRole('cell')
    .nth(1);
  const said = ((await grips.textContent()) ?? '').trim();
  expect(Number(said)).toBeGreaterThan(0);

  await page.getByRole('heading', { name, level: 2 }).click();
  await page.keyboard.press('j');
  await expect(page.getByRole('heading', { name, level: 2 })).toHaveCount(0);
  await page.keyboard.press('k');
  await expect(page.getByRole('heading', { name, level: 2 })).toBeVisible();

  await page.keyboard.press('v');
  const every = page.getByRole('region', { name: /^Every skill/ });
  await expect(every.getByRole('columnheader')).toHaveCount(25);
  const needs = await every.getByRole('row').count();
  await every.getByRole('button', { name: 'Met by anybody' }).click();
  expect(await every.getByRole('row').count()).toBeGreaterThan(needs);
  await every.getByRole('button', { name: `The story of ${name}` }).click();
  await expect(page.getByRole('heading', { name, level: 2 })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();

  await toPlace(page, 'Board');
  const row = page.getByRole('row', { name: new RegExp(`^${name}`) });
  await expect(row.getByRole('cell').first()).toContainText(`${said}, between`);
});

test('a report is put right, survives a reload, goes to the outbox once and comes back', async ({ page }) => {
  await story(page).selectOption({ label: 'Nim Thackaray' });
  await expect(letterText(page)).toHaveValue(/Nim played on/);
  await letterText(page).press('End');
  await letterText(page).fill('Nim played every day.\n\nPlease call me.');
  await page.reload();
  await story(page).selectOption({ label: 'Nim Thackaray' });
  await expect(letterText(page)).toHaveValue('Nim played every day.\n\nPlease call me.');
  await page.getByRole('textbox', { name: 'To', exact: true }).fill('Ines Thackaray');
  const send = page.getByRole('button', { name: 'Send to outbox' });
  await send.dblclick();
  await expect(page.getByRole('link', { name: 'Outbox, 1 waiting' })).toBeVisible();
  await expect(page.getByText('The letter is in the outbox.')).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('link', { name: 'Outbox, 1 waiting' })).toHaveCount(0);
  // What was taken back is on the desk again.
  await expect(letterText(page)).toHaveValue('Nim played every day.\n\nPlease call me.');
  await send.click();
  await page.getByRole('button', { name: 'Write another' }).click();
  await expect(letterText(page)).toHaveValue(/Nim played on/);

  await page.getByRole('link', { name: 'Outbox' }).first().click();
  await expect(page.getByText('1 of 2 waiting')).toBeVisible();
  await page.getByRole('button', { name: /taken back/ }).click();
  await page.getByRole('button', { name: 'Let it wait again' }).click();
  await expect(page.getByText('2 of 2 waiting')).toBeVisible();
  await letterText(page).fill('Nim played every day.\n\nPlease write to me.');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as text' }).click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8')).toMatch(
    /^To: Ines Thackaray\nAbout: Nim’s week .*\n\nNim played every day\.\n\nPlease write to me\.\n$/,
  );
  await page.getByRole('heading', { name: /^Outbox/ }).click();
  await page.keyboard.press('h');
  await expect(page.getByText('1 of 2 waiting')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('2 of 2 waiting')).toBeVisible();
  await page.reload();
  // The later letter stands first.
  await expect(letterText(page)).toHaveValue('Nim played every day.\n\nPlease call me.');
  await page.keyboard.press('j');
  await expect(letterText(page)).toHaveValue('Nim played every day.\n\nPlease write to me.');
  await expect(page.getByText('written by Tamsin Brackwater')).toBeVisible();
});

test('a hand that hurts writes a letter to those in charge, in words', async ({ page }) => {
  await page.getByRole('link', { name: 'Outbox' }).first().click();
  await expect(page.getByText(/of \d+ waiting/)).toBeVisible();
  const seats = (await (await page.request.get('/api/seats')).json()) as {
    seats: { roles: string[]; studentId: string | null }[];
  };
  const child = seats.seats.find(({ roles }) => roles.includes('guardian'))?.studentId ?? '';
  const now = await page.evaluate(() => Date.now());
  const hex = now.toString(16).padStart(12, '0');
  const at = new Date(now - 60_000).toISOString();
  const answer = await page.request.post('/api/events', {
    headers: { origin: new URL(page.url()).origin },
    data: {
      events: [
        {
          schemaVersion: 1,
          id: `${hex.slice(0, 8)}-${hex.slice(8)}-7000-8000-000000000001`,
          studentId: child,
          deviceId: `${hex.slice(0, 8)}-${hex.slice(8)}-7000-8000-000000000002`,
          deviceSeq: 1,
          sentAt: at,
          kind: 'attempt',
          take: {
            recipe: { schemaVersion: 1, family: 'warm up', version: 1, parameters: { minutes: 3 }, seed: 1 },
            items: [{ kind: 'key', key: 'C major' }],
            startedAt: at,
            timeZone: 'Atlantic/Faroe',
            durationSeconds: 60,
            tempoBpm: null,
            steps: [],
            result: 'clean',
            feel: { hand: 'pain', where: 'wrist', side: 'left' },
            source: 'teacher',
          },
        },
      ],
    },
  });
  expect(((await answer.json()) as { stored: string[] }).stored).toHaveLength(1);
  await page.reload();
  await expect(page.getByRole('button', { name: /hand hurt on Tuesday 9 June/ })).toBeVisible();
  await expect(letterText(page)).toHaveValue(/hurts: wrist, left hand\.\n\nPlaying stopped for that day/);
  await expect(letterText(page)).toHaveValue(/see a doctor or a hand therapist/);
  await expect(page.getByText('written by the house')).toBeVisible();
});

test('readers find their way: no violation, with lists, table, every skill and a letter', async ({
  page,
}) => {
  const check = async () =>
    expect(
      (await new AxeBuilder({ page }).analyze()).violations.map(({ id, nodes }) => [id, nodes[0].html]),
    ).toEqual([]);
  await expect(letterText(page)).toBeVisible();
  await check();
  await page.keyboard.press('t');
  await check();
  await page.keyboard.press('v');
  await expect(page.getByRole('region', { name: /^Every skill/ }).getByRole('table')).toBeVisible();
  await check();
  await page.keyboard.press('v');
  await page.getByRole('button', { name: 'Send to outbox' }).click();
  await page
    .getByRole('link', { name: /^Outbox, \d+ waiting/ })
    .first()
    .click();
  await expect(letterText(page)).toBeVisible();
  await check();
});

test('a hand is measured on its own neck, warm and without pain, and the story shows since when', async ({
  page,
}) => {
  await story(page).selectOption({ label: 'Junia Ardlesey' });
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(page.getByText(/^Two weeks say/)).toBeVisible();
  await page.getByRole('button', { name: 'Measure and set' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Measure', exact: true }).click();
  await expect(dialog.getByLabel('Finger 1 on fret 1')).toHaveCount(0);
  await dialog.getByLabel('The hand is warm').check();
  await dialog.getByLabel('It hurts').check();
  await expect(dialog.getByText('Stop here; nothing is measured today.')).toBeVisible();
  await expect(dialog.getByLabel('Finger 1 on fret 1')).toHaveCount(0);
  await dialog.getByLabel('It hurts').uncheck();
  await dialog.getByLabel('Finger 1 on fret 1').selectOption('fret 6');
  await dialog.getByLabel('Finger 1 on fret 5').selectOption('fret 7');
  await expect(dialog.getByText(/^Fret 1 was reached wider than the hand is as at fret 5/)).toBeVisible();
  await dialog.getByLabel('Finger 1 on fret 1').selectOption('fret 4');
  await dialog.getByLabel('Finger 1 on fret 5').selectOption('fret 9');
  const use = dialog.getByRole('button', { name: /^Use \d+ mm$/ });
  const mm = ((await use.textContent()) ?? '').match(/\d+/)?.[0] ?? '';
  await use.click();
  await expect(dialog.getByLabel('Reach 1–4, mm')).toHaveValue(mm);
  await dialog.getByRole('button', { name: 'Keep from today on' }).click();
  await expect(page.getByText(`${mm} mm`).first()).toBeVisible();
  await toPlace(page, 'Progress');
  await expect(page.getByText(/9 Jun: hand on record/)).toBeVisible();
});
