/** Drills of moving and striking, bars of a piece as a drill, the tempo ladder, pieces made by rule and on paper. */
import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { GRIPS_FOUND_MS, expect, takeHomeBack, test, walkToCard } from './house';

async function onBench(page: Page, name: string) {
  await page.locator('.lessons li', { hasText: name }).getByRole('button', { name }).click();
  await expect(page.locator('.bench-name')).toContainText(name);
}
async function onPieces(page: Page) {
  await onBench(page, 'Junia Ardlesey');
  await page.goto('/pieces');
}
const family = (page: Page, name: string) => page.locator('.families button', { hasText: name }).click();
const effort = async (page: Page) => Number(await page.locator('.effort-now b').textContent());

test('strums, picking and a walking bass are made, read, changed and re-keyed', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await onBench(page, 'Junia Ardlesey');
  await page.goto('/drills?chord=F&frets=133211&from=Bb&fromFrets=x13331');
  await family(page, 'strum reading');
  await expect(page.locator('.tab .stroke').first()).toBeVisible();
  await page.getByLabel('Level').selectOption('5');
  await expect(page.locator('.question, .note, .side').getByText(/bars come in time/)).toBeVisible();
  // Chops are crosses in the tab and on the staff.
  await expect(page.locator('.tab .cell-text', { hasText: 'x' }).first()).toBeVisible();
  await expect(page.locator('.staff-drawing svg .beam').first()).toBeVisible();
  const first = await page.locator('.tab').first().getAttribute('aria-label');
  await page.getByLabel('Sheet').selectOption('7');
  await expect.poll(() => page.locator('.tab').first().getAttribute('aria-label')).not.toBe(first);
  // Barred grips move along the neck with the drill.
  await page.locator('.rekey button').filter({ hasText: 'C' }).first().click();
  await expect(page.locator('.drill-title')).toContainText('on C');

  await page.goto('/drills?family=picking%20pattern&chord=Am&frets=x02210');
  await expect(page.locator('.tab .hand')).toHaveText(['p', 'i', 'm', 'a', 'p', 'i', 'm', 'a']);
  await page.getByLabel('Pattern').fill('p i p x');
  await page.getByLabel('Pattern').press('Tab');
  await expect(page.locator('.middle .empty')).toContainText('A step of the pattern is');
  await page.getByRole('button', { name: /Take the nearest/ }).click();
  await page.getByLabel('Pattern').fill('p i p m');
  await page.getByLabel('Pattern').press('Tab');
  await page.getByLabel('Thumb').selectOption('alternating');
  const eased = await effort(page);
  await page.getByRole('button', { name: 'Take it' }).first().click();
  expect(await effort(page)).toBeLessThanOrEqual(eased);

  await page.goto('/drills?family=bass%20walk&chord=G&frets=320003');
  await expect(page.locator('.drill-title')).toHaveText('G → Em, the bass down');
  await expect(page.locator('.tab .chord').nth(1)).toHaveText('G/F♯');
  await page.getByLabel('To', { exact: true }).fill('D');
  await page.getByLabel('To', { exact: true }).press('Tab');
  await expect(page.locator('.drill-title')).toHaveText('G → D, the bass down');
  await page.locator('.ask-drill label', { hasText: /^Key/ }).locator('select').selectOption('Db major');
  await expect(page.locator('.middle .empty')).toContainText('does not go through this key');
  await page.goto('/drills?recipe=%7B%22family%22%3A%22bass%20walk%22%7D');
  await expect(page.getByRole('status').getByText('could not be read')).toBeVisible();
});

test('a change is practised in its pieces', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page.goto(`/changes?chords=${encodeURIComponent('C G')}`);
  const steps = page.locator('.practise li');
  await expect(steps.first()).toContainText('Finger');
  await steps.first().getByRole('button').click();
  await expect(page.locator('.drill-title')).toContainText('one finger');
  await expect(page.getByText('Did 9 of 10 land as they should?')).toBeVisible();
  await page.getByLabel('Practise').selectOption('');
  await expect(page.locator('.drill-title')).toHaveText('C → G');
});

test('a path becomes a loop of its grips, and the next family takes them on', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page.goto(`/changes?chords=${encodeURIComponent('C Am F G C')}`);
  await expect(page.locator('.path-board .chord')).toHaveCount(5);
  await page.getByRole('button', { name: 'Drill the path' }).click();
  await expect(page.locator('.drill-title')).toHaveText('C → Am → F → G');
  await family(page, 'strum reading');
  await expect(page.locator('.drill-title')).toHaveText('Strum reading 2, on C');
  for (const chord of ['C', 'Am', 'F', 'G']) {
    await expect(page.locator('.step-words')).toContainText(`as written, on ${chord}`);
    await page.keyboard.press('ArrowRight');
  }
});

test('bars are picked without a key held, become a drill, go home, and are climbed rung by rung', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await takeHomeBack(page, 'Junia Ardlesey');
  await onPieces(page);
  await page.locator('.repertoire button', { hasText: 'Ropewalk Lullaby' }).click();
  await page.locator('.heavy li').first().waitFor({ timeout: GRIPS_FOUND_MS });
  await page.locator('.middle .bar').nth(1).click();
  await page.locator('.middle .bar').nth(3).click();
  await expect(page.locator('.middle .bar.picked')).toHaveCount(3);
  await page.getByRole('button', { name: 'Drill bars' }).click();
  await expect(page.locator('.drill-title')).toHaveText('Ropewalk Lullaby, bars 2 to 4');
  await page.getByLabel('Play').selectOption('melody');
  await expect(page.locator('.step-words')).toContainText('Bar 2: the melody');
  await page.getByLabel('Play').selectOption('one stroke');
  await page.getByRole('button', { name: 'To homework' }).click();
  await expect(page.getByText('goes home')).toBeVisible();
  await page.getByRole('button', { name: 'Tamsin' }).click();
  await sit('Junia Ardlesey');
  await walkToCard(page, 'Ropewalk');
  await page.getByRole('button', { name: 'Climb the tempo ladder' }).click();
  const start = Number(await page.locator('.bpm b').textContent());
  await page.getByRole('button', { name: 'All clean' }).click();
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Not clean' }).click();
  // A rung down and up again, under the one that twice was not clean.
  const clean = page.getByRole('button', { name: 'All clean' });
  for (let i = 0; i < 3 && (await clean.isVisible()); i++) await clean.click();
  await expect(page.getByText(/Highest clean: \d+ bpm, kept with this take/)).toBeVisible();
  expect(Number(await page.locator('.bpm b').textContent())).toBeGreaterThanOrEqual(start - 4);
  await page.locator('.feel .three button').first().click();
  await page.getByRole('button', { name: 'Keep this take' }).click();
  await expect(page.getByText('Kept: clean.')).toBeVisible();
});

test('a piece is made by rule from what a student holds, kept, and printed as SVG and PDF', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await onPieces(page);
  await page.locator('.repertoire li').first().waitFor();
  const had = await page.locator('.repertoire li').count();
  await page.getByRole('button', { name: 'Make one by rule' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel(/^only what/).check();
  // Far from the open chords, whatever else is held.
  await dialog.locator('.asked select').first().selectOption('Gb major');
  await expect(dialog.getByRole('status')).toContainText('Too few of the chords held');
  await dialog.getByRole('button', { name: /^Take .* where they fit/ }).click();
  await expect(dialog.locator('.bar')).toHaveCount(8);
  const title = (await dialog.locator('h2.display').textContent()) ?? '';
  await dialog.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.locator('.title-line h1')).toHaveText(title);
  await expect(page.locator('.repertoire li')).toHaveCount(had + 1);
  await page.locator('.heavy li').first().waitFor({ timeout: GRIPS_FOUND_MS });
  await page.getByRole('button', { name: 'Print' }).click();
  await expect(page.locator('.paper-page')).toBeVisible();
  const saved = async (name: string) => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name, exact: true }).click();
    const file = await download;
    return { name: file.suggestedFilename(), bytes: await readFile(await file.path()) };
  };
  const svg = await saved('SVG');
  expect(svg.name).toBe(`${title.replaceAll(' ', '-')}.svg`);
  expect(svg.bytes.toString()).toContain('made by rule');
  const pdf = await saved('PDF');
  expect(pdf.bytes.subarray(0, 5).toString()).toBe('%PDF-');
});

test.describe('on a tablet', () => {
  test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true });

  test('every tool of the house is in reach, and bars are picked by tapping', async ({ page, sit }) => {
    await sit('Tamsin Brackwater');
    for (const name of ['Lamp: evening theme', 'All keys'])
      await expect(page.getByRole('button', { name })).toBeInViewport({ ratio: 1 });
    await page.goto('/pieces');
    await page.locator('.middle .bar').nth(2).tap();
    await page.locator('.middle .bar').nth(0).tap();
    await expect(page.locator('.middle .bar.picked')).toHaveCount(3);
    await expect(page.getByRole('button', { name: 'Drill bars' })).toBeVisible();
  });
});

test('tune up first: reference tones, the simulated player string by string, and a microphone that is not there', async ({
  page,
  sit,
}) => {
  await sit('Junia Ardlesey');
  await page.getByRole('button', { name: 'Tune up' }).click();
  await page.getByRole('button', { name: 'Hear string 5, A' }).click();
  await page.getByRole('button', { name: 'Listen by microphone' }).click();
  await expect(page.getByText(/^No microphone was found|^The microphone/)).toBeVisible();
  await page.getByRole('button', { name: 'Listen to the simulated player' }).click();
  await expect(page.getByText(/^String 6, E: \d+ cents too low: tighten it\.$/)).toBeVisible();
  await expect(page.getByText(/^String 5, A: \d+ cents too high: slacken it\.$/)).toBeVisible();
  await page.getByRole('button', { name: 'Stop listening' }).click();
  await expect(page.getByText(/^String \d/)).toHaveCount(0);
  // The card is the first thing under it, in its order.
  const tuning = await page.getByRole('region', { name: 'Tune up first' }).boundingBox();
  const neck = await page.locator('.neck-sheet').boundingBox();
  const time = await page.locator('.time').boundingBox();
  expect(tuning && neck && time && tuning.y < neck.y && neck.y < time.y).toBe(true);
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'Next card' }).click();
  await expect(page.getByRole('region', { name: 'Tune up first' })).toHaveCount(0);
});
