/** How long somebody has played decides the first tempi: for nobody in particular, a new student and one measured again. */
import type { Page } from '@playwright/test';
import { expect, takesHere, test, toPlace, walkToCard } from './house';

// A world of its own: the clock is set back now and then, and a take that an earlier test dated later would come into the count.
test.use({ untouched: 'pace' });

const bestTempo = async (page: Page): Promise<number> => {
  const text =
    (await page
      .locator('.bar-line')
      .getByText(/^Best, \d+ bpm/)
      .textContent()) ?? '';
  return Number(/(\d+) bpm/.exec(text)?.[1]);
};

test('nobody on the bench: the hand is of the stage chosen, everywhere and after a reload', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Changes');
  const stage = page.getByLabel('How long the hand has played');
  await expect(stage).toHaveValue('first year');
  await expect(page.getByText(/^Best, \d+ bpm/)).toBeVisible();
  const year = await bestTempo(page);
  await stage.selectOption('stage player');
  await expect.poll(() => bestTempo(page)).toBeGreaterThan(2 * year);
  await page.reload();
  await expect(stage).toHaveValue('stage player');
  await expect.poll(() => bestTempo(page)).toBeGreaterThan(2 * year);
  await toPlace(page, 'Shapes');
  await expect(page.getByLabel('How long the hand has played')).toHaveValue('stage player');
});

test('a new student is asked how long they have played; said anew in the hand form it holds from today on', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Students');
  await page.getByLabel('Name', { exact: true }).fill('Wick Larkham');
  await page.getByLabel('Has played for').selectOption('a month or less');
  await page.getByRole('button', { name: 'Add a student' }).click();
  await expect(page.locator('.bench-name')).toContainText('Wick Larkham');
  await toPlace(page, 'Changes');
  await expect(page.locator('.pace-line')).toContainText('first month (a month or less)');
  await expect(page.getByText(/^Best, \d+ bpm/)).toBeVisible();
  const month = await bestTempo(page);
  await page.getByRole('link', { name: 'Wick Larkham' }).click();
  await page.getByRole('button', { name: 'Measure and set' }).click();
  await page.getByRole('dialog').getByLabel('Has played for').selectOption('five years');
  await page.getByRole('button', { name: 'Keep from today on' }).click();
  await expect(page.getByText('about 5 years')).toBeVisible();
  await toPlace(page, 'Changes');
  await expect(page.locator('.pace-line')).toContainText('some years (about 5 years)');
  await expect.poll(() => bestTempo(page)).toBeGreaterThan(2 * month);
});

test('a counted minute is kept with its take, and the pace says what it was and what it became', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await page
    .locator('.lessons li', { hasText: 'Junia Ardlesey' })
    .getByRole('button', { name: 'Junia Ardlesey' })
    .click();
  await expect(page.locator('.bench-name')).toContainText('Junia Ardlesey');
  const own = async () =>
    page.evaluate(async () => {
      const board = (await (await fetch('/api/board')).json()) as {
        students: { id: string; name: string }[];
      };
      const id = board.students.find((one) => one.name === 'Junia Ardlesey')?.id;
      const student = (await (await fetch(`/api/students/${id}`)).json()) as {
        pace: { takes: number; factor: number; low: number; high: number; before: number };
      };
      return student.pace;
    });
  const before = await own();
  expect(before.takes).toBeGreaterThan(50);
  expect(before.low).toBeLessThan(before.factor);
  expect(before.high).toBeGreaterThan(before.factor);
  await page.goto('/changes');
  await expect(page.locator('.pace-line')).toContainText('of the seconds of a first month');
  await expect(page.locator('.pace-line')).toContainText(`from ${before.takes} takes`);
  await page.goto('/drills?family=change%20loop&chord=Am&frets=x02210&from=E&fromFrets=022100');
  await page.getByRole('button', { name: 'To homework' }).click();
  await expect(page.getByText('goes home')).toBeVisible();
  await page.getByRole('button', { name: 'Tamsin' }).click();
  await sit('Junia Ardlesey');
  await walkToCard(page, 'E → Am');
  await page.getByRole('button', { name: 'Count a minute' }).click();
  const tap = page.getByRole('button', { name: /^Clean: / });
  for (let i = 0; i < 12; i++) await tap.click();
  await expect(tap).toHaveText('Clean: 12');
  await page.clock.fastForward(61_000);
  await expect(page.getByText('12 clean, kept with this take.')).toBeVisible();
  await page.getByRole('button', { name: '9', exact: true }).click();
  await page.locator('.feel .three button').first().click();
  await page.getByRole('button', { name: 'Keep this take' }).click();
  await expect(page.getByText(/^Kept: /)).toBeVisible();
  // Who gets up while a take is under way sends it when they sit down again.
  await expect.poll(() => takesHere(page)).toBe(0);
  await page.goto('/sit');
  await sit('Tamsin Brackwater');
  await expect.poll(async () => (await own()).takes).toBe(before.takes + 1);
  // Twelve in a minute, of a change that was believed to be quicker.
  expect((await own()).factor).toBeGreaterThan(before.factor);
});
