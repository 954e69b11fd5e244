/** The workshop: drills made and answered, schools, a pinned fingering, a hook, a page of cards. */
import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { expect, takeHomeBack, test, walkToCard } from './house';

/** Puts the student of a lesson on the bench, from the Board. */
async function onBench(page: Page, name: string) {
  await page.locator('.lessons li', { hasText: name }).getByRole('button', { name }).click();
  await expect(page.locator('.bench-name')).toContainText(name);
}

test('drills: a family, its parameters, easier, another key, into the plan, all by keyboard', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await onBench(page, 'Ode Pettibrand');
  await page.getByRole('link', { name: 'Drills' }).click();
  await page.getByRole('button', { name: /close triads/ }).click();
  await expect(page.locator('.drill-title')).toContainText('triads, strings 3 2 1');
  await expect(page.locator('.staff-drawing svg')).toBeVisible();
  await expect(page.locator('.tab .cell-text').first()).toBeVisible();
  const step = page.locator('.step-words');
  await expect(step).toContainText('1 of 14');
  await page.keyboard.press('ArrowRight');
  await expect(step).toContainText('2 of 14');
  const tempo = page.locator('.tempo b');
  const before = Number(await tempo.textContent());
  await page.keyboard.press('f');
  await expect.poll(async () => Number(await tempo.textContent())).toBeGreaterThan(before);
  await page.keyboard.press('e');
  await expect(page.locator('.rekey [aria-current]')).toHaveCount(1);
  const title = await page.locator('.drill-title').textContent();
  await page.keyboard.press('k');
  await expect(page.locator('.drill-title')).not.toHaveText(title ?? '');
  // The address holds the drill: another window opens the same.
  const here = await page.locator('.drill-title').textContent();
  await page.reload();
  await expect(page.locator('.drill-title')).toHaveText(here ?? '');
  await page.keyboard.press('Shift+P');
  await expect(page.getByText('is in the plan of')).toBeVisible();
});

test('a family that cannot be made says why and offers the nearest that can', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await onBench(page, 'Ode Pettibrand');
  const recipe = {
    schemaVersion: 1,
    family: 'family ladder',
    version: 1,
    parameters: { root: 'C', form: 'E', fret: 20, beatsEach: 4 },
    seed: 1,
  };
  await page.goto(`/drills?recipe=${encodeURIComponent(JSON.stringify(recipe))}`);
  await expect(page.getByText('No ladder of single moves starts there')).toBeVisible();
  await page.getByRole('button', { name: /nearest that can be made/ }).click();
  await expect(page.locator('.step-words')).toContainText('1 of');
});

test('which note moves: answered on the neck, right and wrong said, the result counted', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  const recipe = {
    schemaVersion: 1,
    family: 'formula',
    version: 1,
    parameters: {
      grip: { chord: 'E', frets: [0, 2, 2, 1, 0, 0] },
      targets: ['minor', 'dominant7'],
      secondsPerCall: 12,
    },
    seed: 1,
  };
  await page.goto(`/drills?recipe=${encodeURIComponent(JSON.stringify(recipe))}`);
  await page.getByRole('button', { name: 'Try it' }).click();
  const quiz = page.locator('.quiz');
  await expect(quiz.locator('.quiz-call')).toContainText('E to Em');
  await quiz.getByRole('button', { name: 'string 3, open' }).click();
  await quiz.getByRole('button', { name: 'These move here' }).click();
  await expect(quiz.getByRole('status')).toContainText('Right: string 3, open');
  await expect(quiz.locator('.quiz-call')).toContainText('E to E7');
  await quiz.getByRole('button', { name: 'string 1, fret 3' }).click();
  await quiz.getByRole('button', { name: 'These move here' }).click();
  await expect(quiz.getByRole('status')).toContainText('It is string 4, open');
  await expect(quiz.locator('.quiz-call')).toContainText('1 of 2 right');
});

test('a school set for a student holds on every screen at once, and going back brings the old words', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await onBench(page, 'Ode Pettibrand');
  await page.getByRole('link', { name: 'Studio', exact: true }).click();
  await expect(page.getByLabel('Thumb, Studio')).toBeDisabled();
  await page.getByLabel('Form names, Ode').selectOption('numbers');
  await expect(page.getByText('it holds on every screen now')).toBeVisible();
  await page.getByLabel('Chord names, Ode').selectOption('family');
  await expect(page.locator('.schools tr', { hasText: 'Chord names' }).locator('.holds')).toContainText(
    'just the family',
  );
  await page.getByRole('link', { name: 'Shapes' }).click();
  await page.getByLabel('Chord', { exact: true }).fill('F#m7');
  await expect(page.locator('.cards')).toContainText('pattern 4');
  await expect(page.locator('.one .chord-name').first()).toContainText('F♯m');
  await expect(page.locator('.one .chord-name').first()).not.toContainText('F♯m7');
  await page.getByRole('link', { name: 'Studio', exact: true }).click();
  await page.getByLabel('Form names, Ode').selectOption('');
  await page.getByLabel('Chord names, Ode').selectOption('');
  await expect(page.locator('.schools .holds').nth(2)).toContainText('letters');
  await page.getByRole('link', { name: 'Shapes' }).click();
  await page.getByLabel('Chord', { exact: true }).fill('F#m7');
  await expect(page.locator('.cards')).toContainText('E form');
});

test('a pinned fingering and a hook are there after a reload, and gone when taken away', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await onBench(page, 'Ode Pettibrand');
  await page.goto('/shapes?chord=A&frets=x02220');
  const told = (name: string) => page.getByRole('tab', { name, exact: true }).click();
  const fingers = page.locator('.fingering-row button');
  await expect(fingers.first()).toHaveAttribute('aria-pressed', 'true');
  const swapped = fingers.filter({ hasText: '2-1-3' });
  await expect(swapped).toContainText('agreed');
  await swapped.click();
  await expect(page.getByText('pinned for Ode')).toBeVisible();
  await expect(swapped).toHaveAttribute('aria-pressed', 'true');
  await told('Names');
  await page.getByLabel('Nickname').fill('three in a row');
  await page.getByLabel('Picture').setInputFiles({
    name: 'dot.png',
    mimeType: 'image/png',
    buffer: Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    ),
  });
  await expect(page.locator('.hook-editor .hook img')).toBeVisible();
  await page.getByRole('button', { name: 'Keep hook' }).click();
  await expect(page.getByText('Kept; whoever gets this sees it.')).toBeVisible();
  await page.reload();
  await expect(page.locator('.in-hand .hook')).toContainText('three in a row');
  await expect(page.locator('.in-hand .hook img')).toBeVisible();
  await told('Why');
  await expect(fingers.filter({ hasText: 'pinned' })).toContainText('2-1-3');
  await fingers.filter({ hasText: 'pinned' }).click();
  await expect(page.getByText('pinned for Ode')).toHaveCount(0);
  await told('Names');
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(page.locator('.in-hand .hook')).toHaveCount(0);
});

test('two grips side by side, then a page of cards as PDF, SVG and PNG', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page.goto('/shapes?chord=Am');
  await page.getByRole('button', { name: 'Keep beside', exact: true }).click();
  await page.getByRole('button', { name: 'To page' }).click();
  await page.getByLabel('Chord', { exact: true }).fill('Bbmaj7');
  await expect(page.locator('.one .chord-name').first()).toContainText('B♭△7');
  await page.getByRole('button', { name: 'To page' }).click();
  await page.getByRole('tab', { name: 'Compare' }).click();
  await expect(page.locator('.beside .way')).toHaveCount(2);
  await page.getByRole('button', { name: 'Side by side' }).click();
  await expect(page.locator('.compare .shape-card')).toHaveCount(2);
  await expect(page.locator('.compare tr', { hasText: 'In both' })).toContainText('A');
  await page.getByRole('button', { name: 'Paper…' }).click();
  await expect(page.locator('.paper-page')).toBeVisible();
  await page.getByLabel('Title').fill('Two for Thursday');
  const fetched = async (kind: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: kind, exact: true }).click(),
    ]);
    return { name: download.suggestedFilename(), bytes: await readFile(await download.path()) };
  };
  const pdf = await fetched('PDF');
  expect(pdf.name).toBe('Two-for-Thursday.pdf');
  expect(pdf.bytes.subarray(0, 5).toString()).toBe('%PDF-');
  const svg = (await fetched('SVG')).bytes.toString();
  expect(svg).toContain('B♭△7');
  expect(svg.match(/<text/g)?.length).toBeGreaterThan(15);
  expect(svg).toContain('@font-face');
  const png = (await fetched('PNG')).bytes;
  // A4 at 300 dots an inch.
  expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([2480, 3508]);
  await page.keyboard.press('Escape');
  await expect(page.locator('.paper')).toBeHidden();
});

test('fingers that could stay: from G with the little fingers left, a C becomes Cadd9', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await page.goto('/shapes?chord=G&frets=320033');
  await expect(page.locator('.one .chord-name').first()).toContainText('G');
  await page.getByRole('button', { name: 'Keep beside', exact: true }).click();
  await page.getByLabel('Chord', { exact: true }).fill('C');
  await expect(page.locator('.could-stay li').first()).toContainText('Cadd9');
  await expect(page.locator('.could-stay li').first()).toContainText('9 comes in');
  await page.locator('.could-stay li').first().getByRole('button', { name: 'Take it' }).click();
  await expect(page.locator('.one .chord-name').first()).toContainText('Cadd9');
});

test('each tab of the grip in hand shows its answer without scrolling at 1280x800', async ({ page, sit }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await sit('Tamsin Brackwater');
  await onBench(page, 'Ode Pettibrand');
  await page.getByRole('link', { name: 'Shapes', exact: true }).click();
  const box = page.getByRole('region', { name: 'The shape in hand' });
  const parts: Readonly<Record<string, string[]>> = {
    'Along the neck': ['Five forms', 'On fewer strings', 'The family'],
    Compare: ['The change', 'Side by side'],
  };
  await page.getByRole('button', { name: 'Keep beside', exact: true }).click();
  await expect(box.locator('.empty')).toContainText('This is the one kept');
  for (const [chord, name] of [
    ['F', 'F'],
    ['Bb13', 'B♭13'],
    ['Am7', 'Am7'],
  ]) {
    await page.getByLabel('Chord', { exact: true }).fill(chord);
    await expect(box.locator('.in-hand .chord-name [aria-hidden]')).toHaveText(name);
    for (const tab of ['Why', 'Easier', 'One note', 'Along the neck', 'Compare', 'Names']) {
      await page.getByRole('tab', { name: tab }).click();
      await expect(box.locator('.empty')).toHaveCount(0);
      for (const part of parts[tab] ?? ['']) {
        const pick = page.getByRole('button', { name: part, exact: true });
        // A chord of four notes has no close triads to invert.
        if (part && !(await pick.isVisible())) continue;
        if (part) await pick.click();
        const over = await box.evaluate((e) => e.scrollHeight - e.clientHeight);
        expect.soft(over, `${chord}, ${tab}, ${part}`).toBeLessThanOrEqual(2);
      }
    }
  }
  // One note: arrows walk the rows, what is told follows, and the grip it makes is taken.
  await page.getByLabel('Chord', { exact: true }).fill('F');
  await page.getByRole('tab', { name: 'One note' }).click();
  await page.getByRole('radio', { name: /^F minor:/ }).focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('radio', { name: /^F 7: string 4/ })).toBeChecked();
  await expect(box.locator('.told').last()).toContainText('2 frets down: plays as it is');
  await page.getByRole('button', { name: 'Take 131211' }).click();
  await expect(box.locator('.in-hand .chord-name')).toContainText('F7');
});

test('a list of thousands draws only what is in sight, and the keys walk it', async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await page.goto(
    `/shapes?chord=Em7&ask=${encodeURIComponent(JSON.stringify({ rootInBass: false, toFret: 22 }))}`,
  );
  const heading = page.getByRole('heading', { name: /shapes, most useful first/ });
  await expect(heading).toBeVisible();
  const found = Number.parseInt((await heading.textContent()) ?? '0', 10);
  expect(found).toBeGreaterThan(2000);
  expect(await page.locator('.cards .card-row button').count()).toBeLessThan(40);
  // The first cards stand before the rest has come; the end is there once it has.
  await expect(async () => {
    await page.locator('.cards').evaluate((box) => box.scrollTo({ top: box.scrollHeight }));
    await expect(page.locator(`#card-${found - 1}`)).toBeVisible({ timeout: 500 });
  }).toPass({ timeout: 10_000 });
});

test('a sheet saved by an office program in another encoding is read, and what is no text is refused', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await page.goto('/shapes?chord=C');
  await page.getByRole('button', { name: 'Check a sheet' }).click();
  const file = page.getByLabel('Or from a file');
  const utf16 = Buffer.from('\uFEFFAm x02210\r\nC x35553 root on string 6\r\n', 'utf16le');
  await file.setInputFiles({ name: 'chords.csv', mimeType: 'text/csv', buffer: utf16 });
  await expect(page.getByText('chords.csv, read as UTF-16.')).toBeVisible();
  await expect(page.getByText('The root of C lies on string 5 here, not 6.')).toBeVisible();
  const picture = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13]);
  await file.setInputFiles({ name: 'chords.txt', mimeType: 'text/plain', buffer: picture });
  await expect(page.getByRole('alert')).toContainText('Save it as text');
  await expect(page.getByLabel(/A chord with its frets/)).toHaveValue(/x35553/);
});

test('a student is asked which form comes first before the drill is shown, and a wrong guess is put right', async ({
  page,
  sit,
}) => {
  await sit('Tamsin Brackwater');
  await takeHomeBack(page, 'Junia Ardlesey');
  await onBench(page, 'Junia Ardlesey');
  await page.goto('/drills?family=five%20forms&chord=G&frets=320003');
  await expect(page.locator('.step-words')).toContainText('1 of');
  await page.getByRole('button', { name: 'To homework' }).click();
  await expect(page.getByText('goes home')).toBeVisible();
  await page.getByRole('button', { name: 'Tamsin' }).click();
  await sit('Junia Ardlesey');
  await walkToCard(page, 'five forms');
  const asked = page.locator('.prelude');
  await expect(asked).toContainText('G: which of these forms lies lowest?');
  await expect(page.locator('.neck, .tab')).toHaveCount(0);
  await asked.getByRole('button').last().click();
  await expect(page.locator('.neck')).toBeVisible();
  await expect(page.getByText(/^(Right|Not that one): /)).toBeVisible();
  await page.getByRole('button', { name: '9', exact: true }).click();
  await page.locator('.feel .three button').first().click();
  await page.getByRole('button', { name: 'Keep this take' }).click();
  await expect(page.getByText('Kept: clean.')).toBeVisible();
});
