/** Harmony as a teacher asks it: keys and degrees, swaps under a tune, keys of a progression, walks, scales, melody, paper. */
import { readFile } from 'node:fs/promises';
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test, toPlace } from './house';

test.beforeEach(async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page
    .locator('.lessons li', { hasText: 'Ode Pettibrand' })
    .getByRole('button', { name: 'Ode Pettibrand' })
    .click();
  await expect(page.locator('.bench-name')).toContainText('Ode Pettibrand');
  await toPlace(page, 'Harmony');
  await expect(page.locator('.degree-table')).toBeVisible();
});
const view = (page: Page, name: string) => page.getByRole('button', { name, exact: true }).click();
const chordsTyped = async (page: Page, chords: string) => {
  await view(page, 'Progression');
  await page.getByLabel('Chords', { exact: true }).fill(chords);
};
const chordAt = (page: Page, at: number) => page.locator('.progression .chords button').nth(at);
const swap = (page: Page, name: string) => page.locator('.swap', { hasText: name }).first();

test('a key: its degrees, numbers by three schools, triads, a twin for what is no key, kept through a reload', async ({
  page,
}) => {
  await page.getByLabel('Tonic', { exact: true }).selectOption({ label: 'E♭, 3 ♭' });
  await expect(page.locator('.degree-table')).toContainText('viiø7');
  await expect(page.locator('.degree-table')).toContainText('E♭△7');
  await page.keyboard.press('t');
  await page.getByLabel('Kind of key').selectOption('harmonic minor');
  await expect(page.locator('.degree-table .degree')).toHaveText([
    'i',
    'ii°',
    '♭III+',
    'iv',
    'V',
    '♭VI',
    'vii°',
  ]);
  await page.getByLabel('How degrees are numbered').selectOption('by signature');
  await expect(page.locator('.degree-table .degree').nth(2)).toHaveText('III+');
  await page.reload();
  await expect(page.locator('.degree-table .degree').nth(2)).toHaveText('III+');
  // The circle takes the key by click, and by key.
  await view(page, 'Circle');
  const both = page.getByRole('button', { name: 'F♯ major or G♭ major' });
  await both.click();
  await expect(page.getByText('6 sharps: F♯ C♯ G♯ D♯ A♯ E♯')).toBeVisible();
  await both.press('Enter');
  await expect(page.getByText('6 flats: B♭ E♭ A♭ D♭ G♭ C♭')).toBeVisible();
  await page.goto('/harmony?key=G%23+major');
  await expect(page.getByText('G♯ major is no key')).toBeVisible();
  await page.getByRole('button', { name: 'Take A♭ major' }).click();
  await expect(page.getByText('is no key')).toBeHidden();
});

test('something richer that still has the tune’s B on top', async ({ page }) => {
  await chordsTyped(page, 'G | D | Em | C');
  await chordAt(page, 3).click();
  await page.getByLabel('Tune over it').fill('B');
  await expect(swap(page, 'C△7')).toContainText('B is its 7');
  await swap(page, 'C△7').click();
  await expect(page.getByText('Shares C E G; B comes in.')).toBeVisible();
  await page.getByRole('button', { name: 'Hear A, then B' }).click();
  await expect(page.getByRole('button', { name: 'Stop' }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByLabel('Chords', { exact: true })).toHaveValue('G | D | Em | Cmaj7');
  // What rubs stands last and says so.
  await chordAt(page, 1).click();
  await page.getByRole('button', { name: /^All \d/ }).click();
  const rubs = page.locator('.swaps li.rubs').first();
  await rubs.locator('.swap').click();
  await expect(rubs.getByText(/lies a half step (over|under) its/)).toBeVisible();
});

test('which keys hold Dm7 G7 Em7 A7, what is foreign in each; a bass line from F to Dm without a barre', async ({
  page,
}) => {
  await chordsTyped(page, 'Dm7 G7 Em7 A7');
  const rows = page.locator('.key-table tbody tr');
  await expect(rows.nth(0)).toContainText('C major');
  await expect(rows.nth(0).locator('[data-label=Foreign]')).toHaveText('A7');
  await expect(rows.nth(1)).toContainText('D minor');
  await expect(rows.nth(1).locator('[data-label=Foreign]')).toHaveText('G7, Em7, A7');
  await chordsTyped(page, 'F | Dm');
  // Both walks were searched for grips before they are offered.
  await expect(page.getByText(/^hardest \d+, slowest change \d\.\d\d s$/)).toHaveCount(2);
  await page.getByRole('button', { name: 'Hear F C/E Dm' }).click();
  await page.getByRole('button', { name: 'F C/E Dm', exact: true }).click();
  await expect(page.getByLabel('Chords', { exact: true })).toHaveValue('F | C/E | Dm');
  await page.getByRole('button', { name: /Limits/ }).click();
  await page.getByLabel(/barre/i).first().uncheck();
  await expect(page.locator('.ways li').first()).toBeVisible();
  await page.goBack();
  await expect(page.getByLabel('Chords', { exact: true })).toHaveValue('F | Dm');
  await page.getByRole('button', { name: 'Take this key' }).first().click();
  await expect(page.locator('.key-table')).toContainText('in hand');
});

test('the dominant of A♭ in three colours before home; guide tones through a two-five-one in D♭', async ({
  page,
}) => {
  await chordsTyped(page, 'Eb7 | Abmaj7');
  for (const name of ['E♭9', 'E♭13', 'E♭7♭9']) {
    await expect(swap(page, name)).toBeVisible();
    await swap(page, name).click();
    await page.getByRole('button', { name: 'Hear A, then B' }).click();
    await page.getByRole('button', { name: 'Stop' }).first().click();
    await swap(page, name).click();
  }
  await page.getByLabel('A progression by what it does').selectOption('minor descent');
  await expect(page.getByLabel('Kind of key')).toHaveValue('minor');
  await expect(chordAt(page, 3)).toContainText('E♭');
  await chordsTyped(page, 'Ebm7 | Ab7 | Dbmaj7');
  await expect(page.getByText('E♭m7 to A♭7: G♭ stays, D♭ falls a half step to C')).toBeVisible();
  await expect(page.getByText('A♭7 to D♭△7: C stays, G♭ falls a half step to F')).toBeVisible();
  // On the neck: one finger stays, the other falls a fret; on other strings it is laid anew.
  const neck = (said: string) => page.getByRole('img', { name: `Third and seventh of ${said}` });
  await expect(neck('E♭m7, then of A♭7: string 3: 6 ♭7, 5 3; string 4: 4 ♭3').locator('.ring')).toHaveCount(
    1,
  );
  await chordAt(page, 1).click();
  await page.getByLabel('Strings of third and seventh').selectOption('3 and 2');
  await expect(neck('A♭7, then of D♭△7: string 2: 7 ♭7, 6 3; string 3: 5 3')).toBeVisible();
});

test('a chord, notes or frets over any root; a block of the plan leads here by one key', async ({ page }) => {
  await chordsTyped(page, 'C');
  const set = page.getByLabel('A chord, notes or frets');
  await set.fill('x32010');
  const over = (root: string) => page.locator('li', { hasText: `over ${root}:` });
  await expect(over('A')).toContainText('♭3 5 ♭7 = Am7');
  await expect(over('A♭')).toContainText('3 ♯5 7 = A♭aug△7');
  await set.fill('E♭ G B♭');
  await expect(over('C')).toContainText('♭3 5 ♭7 = Cm7');
  await page.reload();
  await expect(over('F')).toContainText('♭7 9 11 = F11');
  await set.fill('C H G');
  await expect(page.getByText('“H” is no note.')).toBeVisible();
  await toPlace(page, 'Plan');
  // The first block warms the hand and has no chord.
  await page.locator('[id^=block-]').first().focus();
  await page.keyboard.press('Shift+H');
  await expect(page.getByText('No chord is in hand here.')).toBeVisible();
  // Blocks of scales and of the ear have none either; one of those after it has.
  for (let block = 0; block < 8 && !page.url().includes('harmony'); block++) {
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Shift+H');
    await page.waitForTimeout(300);
  }
  await expect(page).toHaveURL(/harmony.*chords=/);
  await page.locator('h2.chord-head').click();
  await page.keyboard.press('Backspace');
  await expect(page).toHaveURL(/plan/);
});

test('scales: five boxes that join, all chords of a minor key in one position, over a chord', async ({
  page,
}) => {
  await view(page, 'Scale');
  await page.getByLabel('Tonic of the scale').selectOption('F');
  await page.getByLabel('Scale', { exact: true }).selectOption('minor pentatonic');
  await page.getByLabel('How it is laid').selectOption('boxes');
  await expect(page.locator('.boards figure')).toHaveCount(5);
  await expect(page.locator('.boards figure').first().locator('.ring')).toHaveCount(6);
  await page.getByLabel('Tonic of the scale').selectOption('B');
  await page.getByLabel('Scale', { exact: true }).selectOption('harmonic minor');
  await expect(page.getByText('Boxes are of scales of five notes')).toBeVisible();
  await page.getByLabel('How it is laid').selectOption('arpeggios');
  await page.getByLabel('Position').fill('2');
  await expect(page.locator('.boards figure')).toHaveCount(7);
  await page.getByLabel('How it is laid').selectOption('position');
  await page.getByLabel('Over a chord').selectOption({ label: 'F♯7' });
  await expect(page.locator('.notes-over')).toContainText('G ♭9 colour');
  await page.reload();
  await expect(page.locator('.notes-over')).toContainText('B 11 care');
});

test('a melody on string 2, notes that cannot be; fifteen keys and a blank one as PDF', async ({ page }) => {
  await page.getByLabel('Tonic', { exact: true }).selectOption({ label: 'E♭, 3 ♭' });
  await view(page, 'Melody');
  await page.getByLabel('String of the tune').selectOption({ label: 'on string 2' });
  const notes = page.locator('.notes > li');
  await expect(notes.first()).toContainText('I; the tune is 1');
  await expect(notes).toHaveCount(21);
  await page.getByLabel('Tune', { exact: true }).fill('Eb F A C2');
  await expect(notes).toHaveCount(4);
  await expect(notes.nth(2)).toContainText('outside the key');
  await expect(notes.nth(3)).toContainText('off the neck');
  await page.getByLabel('Tune', { exact: true }).fill('Eb H');
  await expect(page.getByText('“H” is no note we can read')).toBeVisible();
  // The tune of a piece comes with its key and the string it fits on.
  await page.getByLabel('The tune of a piece').selectOption('Thunder Sheet Reel');
  await expect(page.getByLabel('Tonic', { exact: true })).toHaveValue('Db major');
  await expect(notes.first()).toContainText('A♭4');
  await expect(page.locator('.notes').getByText('off the neck')).toHaveCount(0);
  await page.getByRole('button', { name: 'Print a key…' }).click();
  await page.getByRole('button', { name: 'Fifteen keys' }).click();
  await expect(page.locator('.paper-page')).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'PDF', exact: true }).click(),
  ]);
  expect((await readFile(await file.path())).subarray(0, 5).toString()).toBe('%PDF-');
  await page.getByRole('button', { name: 'This key' }).click();
  await page.getByLabel('Blank, to fill in at home').check();
  await expect(page.getByText('1 page.')).toBeVisible();
});

test('a chord goes by one key to Shapes, Changes, Harmony, Drills, and back', async ({ page }) => {
  await page.locator('h2.chord-head').click();
  await expect(page.locator('.side .shape-card').first()).toBeVisible();
  // By this key nobody leaves a place no chord was taken to.
  await page.keyboard.press('Backspace');
  await expect(page).toHaveURL(/harmony/);
  await page.keyboard.press('Shift+S');
  await expect(page.getByLabel('Chord', { exact: true })).toHaveValue('Eb7');
  await page.getByRole('heading').first().click();
  await page.locator('.one').click();
  await page.keyboard.press('Shift+H');
  await expect(page.getByLabel('Chords', { exact: true })).toHaveValue('Eb7');
  await page.locator('h2.chord-head').click();
  await page.keyboard.press('Shift+C');
  await expect(page).toHaveURL(/changes/);
  await page.locator('.side').click();
  await page.keyboard.press('Backspace');
  await expect(page).toHaveURL(/harmony/);
  await page.locator('h2.chord-head').click();
  await page.keyboard.press('Shift+D');
  await expect(page.locator('.drill-title')).toContainText('E♭7');
});

test('no view of Harmony has a fault a reader of screens would meet', async ({ page }) => {
  for (const name of ['Circle', 'Scale', 'Progression']) {
    await view(page, name);
    await page.waitForTimeout(300);
    const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa']).analyze();
    expect([name, violations.map((one) => `${one.id}: ${one.nodes[0].html.slice(0, 120)}`)]).toEqual([
      name,
      [],
    ]);
  }
});
