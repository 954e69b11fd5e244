/** The syllabus changed by mouse, by keyboard and as a file; nothing of it is lost, and no fault is kept. */
import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test, toPlace } from './house';

// Other files count skills: a world of its own.
test.use({ untouched: 'syllabus' });
test.beforeEach(async ({ page, sit }) => {
  await sit('Tamsin Brackwater');
  await toPlace(page, 'Syllabus');
  await expect(page.locator('[data-skill="open.em"]')).toBeVisible();
});

const box = (page: Page, id: string) => page.locator(`[data-skill="${id}"]`);
const needs = (page: Page) => page.getByRole('region', { name: 'Needs' });
const keep = (page: Page) => page.getByRole('button', { name: 'Keep version' });

test('by keyboard: a need that closes a ring is named, cured in one press, and a sound change is kept for good', async ({
  page,
}) => {
  await box(page, 'open.am').click();
  await page.keyboard.press('Alt+ArrowLeft');
  await page.keyboard.type('C');
  await page.keyboard.press('Enter');
  await expect(page.getByText('A ring: Am, C')).toBeVisible();
  await expect(keep(page)).toHaveAttribute('aria-disabled', 'true');
  await box(page, 'open.am').focus();
  await page.keyboard.press('k');
  await expect(page.getByText('Not kept yet:')).toBeVisible();
  // A reload loses nothing.
  await page.reload();
  await expect(page.getByText('A ring: Am, C')).toBeVisible();
  await page.getByRole('button', { name: 'Drop “Am needs C”' }).click();
  await expect(page.getByText('A ring: Am, C')).toHaveCount(0);
  await expect(page.getByText('Not kept yet:')).toHaveCount(0);

  // Along the needs with the arrows: from Am to C, which needs it.
  await box(page, 'open.am').click();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('heading', { name: 'Em', level: 2 })).toBeVisible();
  await box(page, 'open.c').click();
  await page.getByLabel('Target tempo, bpm').fill('66');
  await page.getByLabel('Name').fill('C, all five strings');
  await page.getByLabel('Name').press('Tab');
  await expect(page.getByText('Not kept yet: 1 changed.')).toBeVisible();
  await box(page, 'open.em').focus();
  await page.keyboard.press('k');
  await expect(page.getByText('Kept as a new version: 1 changed.')).toBeVisible();
  await page.reload();
  await expect(box(page, 'open.c')).toContainText('C, all five strings');
  await page.getByRole('button', { name: 'Versions' }).click();
  await expect(page.getByText('Version 2')).toBeVisible();
  await expect(page.getByText('Tamsin Brackwater').last()).toBeVisible();
  await page.getByRole('button', { name: 'Lay on the desk' }).click();
  await expect(box(page, 'open.c')).not.toContainText('five strings');
  await expect(page.getByText('Not kept yet: 1 changed.')).toBeVisible();
});

test('by mouse: a box dragged onto another is needed there; Undo takes it back; what is taken out can be put back', async ({
  page,
}) => {
  await box(page, 'open.d').dragTo(box(page, 'open.e'));
  await box(page, 'open.e').click();
  const need = needs(page).getByRole('button', { name: 'D', exact: true });
  await expect(need).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(need).toHaveCount(0);

  await box(page, 'open.d').click();
  await page.getByRole('button', { name: 'Take it out' }).click();
  await expect(page.getByText('Dm: no way in')).toBeVisible();
  await page.getByRole('button', { name: 'Put D back' }).first().click();
  await expect(page.getByText('Dm: no way in')).toHaveCount(0);
  await expect(box(page, 'open.d')).toBeVisible();
});

test('a student’s numbers and the class are laid over it; a search finds and the rest steps back', async ({
  page,
}) => {
  await page.getByLabel('Whose numbers are laid over').selectOption({ label: 'the class' });
  await expect(box(page, 'open.em')).toContainText(/\d+ of 24/);
  await page.getByLabel('Whose numbers are laid over').selectOption({ label: 'Linnea Oskvane' });
  const number = await box(page, 'open.em').locator('.text').textContent();
  await box(page, 'open.em').click();
  await expect(page.locator('.side')).toContainText('for Linnea Oskvane');
  await expect(page.locator('.side .note b').first()).toHaveText(number?.replace(/\D/g, '') ?? '');
  await page.getByLabel('Find a skill').fill('barre');
  await page.getByLabel('Find a skill').press('Enter');
  await expect(page.locator('.skill.faint').first()).toBeAttached();
  await expect(page.locator('.skill.chosen')).not.toHaveClass(/faint/);
});

test('as a file: out, changed, in again with a preview; one that is none is refused with its place', async ({
  page,
}) => {
  await page.getByRole('button', { name: 'File' }).click();
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save syllabus.json' }).click();
  const text = readFileSync(await (await coming).path(), 'utf8');
  const content = JSON.parse(text) as { skills: { id: string; name: string; practice: unknown[] }[] };
  expect(content.skills.length).toBeGreaterThan(150);
  const give = (body: string) =>
    page
      .getByLabel(/A syllabus as JSON/)
      .setInputFiles({ name: 'mine.json', mimeType: 'application/json', buffer: Buffer.from(body) });
  await give(text.slice(0, 5000));
  await expect(page.getByRole('alert')).toContainText('That file is no JSON');
  const bare = { ...content, skills: content.skills.map((one, i) => (i === 4 ? { ...one, practice: [] } : one)) }; // prettier-ignore
  await give(JSON.stringify(bare));
  await expect(page.getByRole('alert')).toContainText('At skills.4.practice (open.d)');
  const [em, e, am, ...rest] = content.skills;
  const swapped = { ...content, skills: [{ ...em, practice: am.practice.slice(0, 1) }, { ...e, name: 'E, open' }, am, ...rest] }; // prettier-ignore
  await give(JSON.stringify(swapped));
  await expect(page.getByText('Beside what is on the desk: 2 changed.')).toBeVisible();
  await page.getByRole('button', { name: 'Take to the desk' }).click();
  // Its drill is another chord's: found by making it.
  await expect(page.getByText('Em: drill 1 does not train it')).toBeVisible();
  await expect(keep(page)).toHaveAttribute('aria-disabled', 'true');
});

test('somebody kept another one meanwhile: both stand, and mine may still be kept', async ({ page }) => {
  await box(page, 'open.g').click();
  await page.getByLabel('Target tempo, bpm').fill('70');
  await page.getByLabel('Target tempo, bpm').press('Tab');
  await expect(page.getByText('Not kept yet:')).toBeVisible();
  await page.evaluate(async () => {
    const { version } = (await (await fetch('/api/syllabus')).json()) as { version: string };
    const { content } = (await (await fetch(`/api/syllabus/versions/${version}`)).json()) as {
      content: { name: string };
    };
    await fetch('/api/syllabus', {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ version, content: { ...content, name: `Another ${version.slice(-4)}` } }),
    });
  });
  await keep(page).click();
  await expect(page.getByText(/somebody kept a newer one meanwhile/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep mine instead' }).click();
  await expect(page.getByText('Kept as a new version')).toBeVisible();
});

test('a skill of one’s own stands in the drawing and is kept', async ({ page }) => {
  await page.getByRole('button', { name: 'Add a skill' }).click();
  const dialog = page.getByRole('dialog', { name: 'A skill of your own' });
  await dialog.getByLabel('Name').fill('Puppet waltz strum');
  await dialog.getByLabel('Drill that trains it').selectOption({ label: 'Strum reading' });
  await page.getByRole('button', { name: 'Add skill' }).click();
  await expect(box(page, 'own.puppet-waltz-strum')).toBeVisible();
  await keep(page).click();
  await expect(page.getByText('Kept as a new version: 1 new.')).toBeVisible();
  await expect(page.getByText('Not kept yet:')).toHaveCount(0);
});

test('readers find their way: no violation', async ({ page }) => {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map(({ id, nodes }) => [id, nodes[0]?.html])).toEqual([]);
});
