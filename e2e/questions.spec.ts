/** From the practice room to the Board and back, and on without a hand. */
import type { Page } from '@playwright/test';
import { expect, test } from './house';

// Cards of the demo and questions are counted: a world of its own.
test.use({ untouched: 'questions' });

const leave = async (page: Page) => {
  await page.getByRole('button', { name: 'Leave' }).click();
  await expect(page.locator('.seats')).toBeVisible();
};

const toSecondCard = async (page: Page) => {
  await expect(page.locator('.room-head .small')).toContainText('card 1 of');
  await page.keyboard.press('j');
  await expect(page.locator('.room-head .small')).toContainText('card 2 of');
};

test('by keyboard: asked at a card, kept through a reload, sent once by a double press, answered on the Board, back at its card', async ({
  page,
  sit,
}) => {
  await sit('Junia Ardlesey');
  // What came back from before stands above its card.
  const answers = page.getByRole('region', { name: 'Answers from your teacher' });
  await expect(answers).toContainText('Twice is fine');
  await toSecondCard(page);
  await expect(answers).toHaveCount(0);
  const card = await page.locator('.room .neck-sheet .small').first().innerText();
  await page.keyboard.press('q');
  await expect(page.getByRole('textbox', { name: /^Ask about/ })).toBeFocused();
  await page.keyboard.type('Which finger may I leave down?');
  await page.reload();
  await toSecondCard(page);
  await page.keyboard.press('q');
  const field = page.getByRole('textbox', { name: /^Ask about/ });
  await expect(field).toHaveValue('Which finger may I leave down?');
  await page.getByRole('button', { name: 'Send it to your teacher' }).dblclick();
  const asked = page.getByRole('region', { name: 'Questions about this card' });
  await expect(asked.getByText('It waits on your teacher’s Board.')).toBeVisible();
  await expect(asked.getByText('You asked:')).toHaveCount(1);
  await leave(page);

  await sit('Tamsin Brackwater');
  const board = page.getByRole('region', { name: 'Asked from home' });
  const row = board.getByRole('listitem').filter({ hasText: 'Which finger may I leave down?' });
  await expect(row).toHaveCount(1);
  await row.getByRole('button', { name: 'Answer' }).click();
  const dialog = page.getByRole('dialog', { name: 'Junia asks' });
  await dialog.getByRole('textbox', { name: 'Your answer' }).fill('The first: it stays.');
  // Typing survives Escape.
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  await row.getByRole('button', { name: 'Answer' }).click();
  await expect(dialog.getByRole('textbox', { name: 'Your answer' })).toHaveValue('The first: it stays.');
  await dialog.getByRole('button', { name: 'Send the answer' }).click();
  await expect(row).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(row).toHaveCount(1);
  await row.getByRole('button', { name: 'Answer' }).click();
  await dialog.getByRole('textbox', { name: 'Your answer' }).fill('The first one stays.');
  await dialog.getByRole('button', { name: 'Send the answer' }).click();
  await expect(row).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Asked from home' })).toBeVisible();
  await expect(row).toHaveCount(0);
  await page.getByRole('button', { name: 'Tamsin' }).click();

  await sit('Junia Ardlesey');
  await toSecondCard(page);
  expect(await page.locator('.room .neck-sheet .small').first().innerText()).toBe(card);
  await expect(answers).toContainText('The first one stays.');
  await answers.getByRole('button', { name: 'Put it away' }).click();
  await expect(answers).toHaveCount(0);
  await page.reload();
  await toSecondCard(page);
  await expect(page.getByRole('button', { name: 'Ask your teacher' })).toBeVisible();
  await expect(answers).toHaveCount(0);
});

test('while the server is away a question waits on this device, and goes when it is back', async ({
  page,
  sit,
  context,
}) => {
  await sit('Junia Ardlesey');
  await page.getByRole('button', { name: 'Ask your teacher' }).click();
  await context.setOffline(true);
  await page.getByRole('textbox', { name: /^Ask about/ }).fill('And my thumb?');
  await page.getByRole('button', { name: 'Send it to your teacher' }).click();
  const asked = page.getByRole('region', { name: 'Questions about this card' });
  await expect(asked.getByText('It waits on this device until it can be sent.')).toBeVisible();
  await context.setOffline(false);
  await expect(asked.getByText('It waits on your teacher’s Board.')).toBeVisible({ timeout: 15_000 });
  await asked.getByRole('button', { name: 'Take it back' }).click();
  await expect(asked.getByText('And my thumb?')).toHaveCount(0);
});

test('hands free: a pedal goes on and back once it is switched on, a count of four keeps what is answered and goes on', async ({
  page,
  sit,
}) => {
  await sit('Junia Ardlesey');
  const at = page.locator('.room-head .small');
  await expect(at).toContainText('card 1 of');
  await page.keyboard.press('PageDown');
  await expect(at).toContainText('card 1 of');
  await page.getByRole('checkbox', { name: 'Hands free' }).check();
  await page.keyboard.press('PageDown');
  await expect(at).toContainText('card 2 of');
  await page.keyboard.press('PageUp');
  await expect(at).toContainText('card 1 of');
  await page.getByRole('button', { name: 'Listen for a count' }).click();
  await expect(page.getByText(/^No microphone was found|^The microphone/)).toBeVisible();
  await page.getByRole('button', { name: 'Played', exact: true }).click();
  await page.getByRole('button', { name: 'Listen to the simulated voice' }).click();
  await expect(at).toContainText('card 2 of', { timeout: 15_000 });
  await expect(page.getByText(/^Kept: clean/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('checkbox', { name: 'Hands free' })).toBeChecked();
});
