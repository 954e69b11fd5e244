/** The hand's path along the neck and the studio's repertoire, as a teacher uses them. */
import { readFile } from 'node:fs/promises';
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { GRIPS_FOUND_MS, expect, test } from './house';

async function onBench(page: Page, name: string) {
  await page.locator('.lessons li', { hasText: name }).getByRole('button', { name }).click();
  await expect(page.locator('.bench-name')).toContainText(name);
}
const bpm = (page: Page) => page.locator('.path-board .bpm');

test('a progression is typed, looked at change by change, and put right with an alternative', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await onBench(page, 'Ode Pettibrand');
  await page.getByRole('link', { name: 'Changes' }).click();
  await expect(page.locator('.path-board .chord')).toHaveCount(8);
  await page.keyboard.press('/');
  await page.getByLabel('Chords', { exact: true }).fill('G D Em C');
  await expect(page.locator('.path-board .chord')).toHaveCount(4);
  await expect(bpm(page)).toHaveCount(3);
  const before = await page.locator('.change-side .name').textContent();
  await page.locator('.board').focus();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(page.locator('.change-side .name')).toContainText('G → D');
  expect(before).not.toBe('');
  await expect(page.locator('.change-side .ledger li').first()).toBeVisible();
  await expect(page.locator('.practise li').last()).toContainText('Both grips round and round');
  await expect(page.locator('.ways li').first()).toBeVisible();
  await page.keyboard.press('a');
  await expect(page.locator('.path-board .where').nth(1)).toContainText('locked');
  await page.getByRole('button', { name: 'Unlock bar 2' }).click();
  await expect(page.locator('.path-board .where').nth(1)).not.toContainText('locked');
  // What is asked narrows the path and is in the address.
  await page.getByRole('button', { name: /^Limits/ }).click();
  await page.getByLabel('From fret').selectOption('5');
  await page.getByLabel('Open strings').uncheck();
  await expect(page.locator('.path-board circle[fill="none"]')).toHaveCount(0);
  await page.getByLabel('Chords', { exact: true }).fill('G D | Hmm');
  await expect(page.getByRole('alert')).toContainText('Not a chord we can read');
  await page.reload();
  await page.getByLabel('Chords', { exact: true }).fill('G | D | Em');
  await expect(page.locator('.path-board .chord')).toHaveCount(3);
  await expect(page.getByRole('button', { name: 'Limits •' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Loop in plan' }).click();
  await expect(page.getByText('is in the plan of')).toBeVisible();
});

test('limits that leave nothing give way and say so; other paths really differ', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  const ask = encodeURIComponent(JSON.stringify({ fromFret: 13, toFret: 13, open: false }));
  await page.goto(`/changes?chords=${encodeURIComponent('C F G')}&ask=${ask}`);
  await expect(page.locator('.gave-way')).toContainText('outside the area');
  await page.goto(`/changes?chords=${encodeURIComponent('Bbm7 Eb7 Abmaj7 Dbmaj7')}`);
  const paths = page.locator('.bar-line .segments button');
  await expect(paths).toHaveCount(3);
  const boxes = () =>
    page.locator('.path-board .box').evaluateAll((all) => all.map((one) => one.getAttribute('x')));
  const best = await boxes();
  await paths.nth(1).click();
  await expect.poll(boxes).not.toEqual(best);
});

test('a chart is typed with its faults said, kept, edited, re-keyed, taken away and brought back', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await onBench(page, 'Ode Pettibrand');
  await page.getByRole('link', { name: 'Pieces' }).click();
  await expect(page.locator('.repertoire li')).toHaveCount(8);
  await page.getByRole('button', { name: 'Type a chart' }).click();
  const chart = page.getByLabel(/^Headers/);
  await chart.fill('title: Oar Song\nkey: Eb\ntempo: 60\n| Eb | Hmm | Bb7 | Eb |');
  await expect(page.locator('.faults')).toContainText('line 4, 8');
  await expect(page.getByRole('button', { name: 'Keep the chart' })).toBeDisabled();
  await chart.fill('title: Oar Song\nkey: Eb\ntempo: 60\n| Eb | Ab | Bb7 | Eb |');
  await page.getByRole('button', { name: 'Keep the chart' }).click();
  await expect(page.locator('.piece-strip h1')).toHaveText('Oar Song');
  await expect(page.locator('.middle .bar')).toHaveCount(4);
  await expect(page.locator('.weak-bpm b')).toBeVisible();
  await expect(page.locator('.heavy li').first()).toBeVisible({ timeout: GRIPS_FOUND_MS });
  await page.getByRole('button', { name: 'Re-key' }).click();
  const row = page.locator('.keys tbody tr', { hasText: 'no capo' }).first();
  const key = await row.locator('th').textContent();
  await row.getByRole('button', { name: 'Take it' }).click();
  await expect(page.locator('.piece-strip .facts')).toContainText(key ?? '');
  await page.reload();
  await expect(page.locator('.piece-strip .facts')).toContainText(key ?? '');
  await page.getByRole('button', { name: 'Take this piece away' }).click();
  await expect(page.locator('.repertoire li')).toHaveCount(8);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('.repertoire li')).toHaveCount(9);
  await expect(page.locator('.piece-strip h1')).toHaveText('Oar Song');
});

test('parts are given by hand and solved around; bars go to Changes; a concert is set', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await onBench(page, 'Ode Pettibrand');
  await page.goto('/pieces');
  await page.locator('.repertoire button', { hasText: 'Thunder Sheet Reel' }).click();
  const parts = page.locator('.parts li');
  await expect(parts.first()).toBeVisible({ timeout: 30_000 });
  const ode = page.getByLabel('Part of Ode Pettibrand');
  await expect(ode).toHaveValue('capo');
  await ode.selectOption('two notes');
  await expect(page.getByText('Ode plays two notes.')).toBeVisible();
  await expect(ode).toHaveValue('two notes');
  await page.keyboard.press('3');
  await expect(page.locator('.part-line [aria-pressed="true"]')).toHaveText('Two notes');
  await page.locator('.middle .bar').nth(8).click();
  await page
    .locator('.middle .bar')
    .nth(9)
    .click({ modifiers: ['Shift'] });
  await page.getByRole('button', { name: 'Bars to Changes' }).click();
  await expect(page.locator('.path-board .chord')).toHaveText(['B♭m7', 'E♭9', 'A♭7']);
  await expect(page.getByText('Thunder Sheet Reel, bars 9 to 10')).toBeVisible();
  await page.goBack();
  await page.locator('.repertoire button', { hasText: 'Eleven Wet Puppets' }).click();
  await page.getByRole('button', { name: 'Set one' }).click();
  await page.getByLabel('Where').fill('Sprat Harbour');
  await page.getByLabel('On', { exact: true }).fill('2026-06-20');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.locator('.concert')).toContainText('in 11 days');
});

for (const place of ['changes', 'pieces'])
  test(`nothing on ${place} is out of reach for a screen reader`, async ({ page, sit }) => {
    await sit('Tamsin Brackwater');
    await page.goto(`/${place}`);
    await page
      .locator(place === 'changes' ? '.ways li' : '.heavy li')
      .first()
      .waitFor();
    const found = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa']).analyze();
    expect(found.violations.map((one) => [one.id, one.nodes.map((node) => node.html.slice(0, 90))])).toEqual(
      [],
    );
  });

test('numbers in a key become its chords, the key of what is typed is said, and what may be two chords is asked back', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await page.getByRole('link', { name: 'Changes' }).click();
  const chords = page.getByRole('textbox', { name: 'Chords' });
  await chords.fill('1 V7/ii 2m7 5(7) in Ab');
  await expect(page.locator('.in-key')).toHaveText('In A♭ major: I V7/ii ii7 V7; F7 has A.');
  await page.reload();
  await expect(chords).toHaveValue('1 V7/ii 2m7 5(7) in Ab');
  await expect(page.locator('.in-key')).toContainText('In A♭ major');
  await chords.fill('1 57 in Ab');
  await expect(page.locator('#chords-said')).toHaveText('That may be two chords: 5(7) or 5 7.');
  await chords.fill('C F G7 C Am D7 G C D7 G');
  await expect(page.locator('.in-key')).toContainText('to G major');
});

test('a piece goes out as MusicXML and MIDI and comes back in, looked at first; a broken file is refused', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await page.goto('/pieces');
  await page.locator('.repertoire button', { hasText: 'Ropewalk Lullaby' }).click();
  await page.locator('.heavy li').first().waitFor({ timeout: GRIPS_FOUND_MS });
  await page.getByRole('button', { name: 'Files' }).click();
  const saved = async (name: string) => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name, exact: true }).click();
    const file = await download;
    return { name: file.suggestedFilename(), bytes: await readFile(await file.path()) };
  };
  const xml = await saved('MusicXML');
  expect(xml.name).toBe('Ropewalk-Lullaby.musicxml');
  expect(xml.bytes.toString()).toContain('<frame-note>');
  const midi = await saved('MIDI');
  expect(midi.bytes.subarray(0, 4).toString()).toBe('MThd');
  const file = page.getByLabel(/^From a file/);
  await file.setInputFiles({ name: 'half.mid', mimeType: 'audio/midi', buffer: midi.bytes.subarray(0, 300) });
  await expect(page.locator('.files [role="alert"]')).toContainText('cut off');
  await file.setInputFiles({ name: xml.name, mimeType: 'text/xml', buffer: xml.bytes });
  await expect(page.locator('.preview .bar')).toHaveCount(8);
  await expect(page.locator('.preview .left')).toContainText('Guitar');
  await expect(page.locator('.preview .words').first()).toContainText('Coil the rope');
  await page
    .getByLabel('Or pasted: chords over words, tab, or a chart')
    .fill('[Verse]\nG   D\nthe lamp is low');
  await page.getByRole('button', { name: 'Look at it' }).click();
  await expect(page.locator('.preview .bar')).toHaveCount(2);
  await expect(page.locator('.preview .left')).toContainText('the lamp is low');
  await page.locator('.preview').getByLabel('Title').fill('Low Lamp');
  await page.getByRole('button', { name: 'Keep it in the repertoire' }).click();
  await expect(page.locator('.piece-strip h1')).toHaveText('Low Lamp');
  // A tab keeps its grips: they are locked and graded as they stand.
  await page.getByRole('button', { name: 'Files' }).click();
  const tab = ['e|--0--3--', 'B|--1--0--', 'G|--0--0--', 'D|--2--0--', 'A|--3--2--', 'E|-----3--'].join('\n');
  await page.getByLabel('Or pasted: chords over words, tab, or a chart').fill(tab);
  await page.getByRole('button', { name: 'Look at it' }).click();
  await expect(page.locator('.preview .chords b')).toHaveText(['C', 'G']);
  await page.locator('.preview').getByLabel('Title').fill('From Tab');
  await page.getByRole('button', { name: 'Keep it in the repertoire' }).click();
  await expect(page.locator('.piece-strip h1')).toHaveText('From Tab');
  await expect(page.locator('.heavy li')).toHaveCount(2);
});
