/** The practice room as an application on the device: the network really cut, a day without it, the server gone, a newer version. */
import type { BrowserContext, Page } from '@playwright/test';
import { Client } from 'pg';
import { FIXED_NOW, type World } from '../scripts/lib/test-world.mjs';
import { expect, takesHere, test } from './house';

// Takes are counted and the server is stopped: a world of its own.
test.use({ untouched: 'offline', serviceWorkers: 'allow' });

/** Everything of the application is on the device, and the page is served from there. */
async function installed(page: Page): Promise<void> {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  await page.reload();
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
}
const cards = (page: Page) => page.locator('.room-head .small');
/** Takes in the log of the studio, counted where they lie. */
async function stored(world: World): Promise<number> {
  const client = new Client({
    host: '127.0.0.1',
    port: world.cluster.port,
    user: 'postgres',
    password: 'trust',
    database: 'finch_demo',
  });
  await client.connect();
  try {
    const { rows } = await client.query<{ n: number }>(
      "SELECT count(*)::int AS n FROM log_event WHERE kind = 'attempt'",
    );
    return rows[0].n;
  } finally {
    await client.end();
  }
}
async function playOne(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Played', exact: true }).click();
  await page.getByRole('button', { name: 'Keep this take' }).click();
  await expect(page.getByText(/^Kept: clean|takes? kept$/)).toBeVisible();
}
test('the network cut: the room opens from the device, takes are kept through a reload, and reach the server once', async ({
  page,
  sit,
  context,
  world,
}) => {
  await sit('Junia Ardlesey');
  await expect(cards(page)).toContainText('card 1 of');
  await installed(page);
  await expect(cards(page)).toContainText('card 1 of');
  const before = await stored(world);

  await context.setOffline(true);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Junia’s practice room' })).toBeVisible();
  await expect(cards(page)).toContainText('card 1 of');
  await page.getByRole('button', { name: '▶ Play' }).click();
  await expect(page.getByRole('button', { name: /Stop/ })).toBeVisible();
  await playOne(page);
  await playOne(page);
  await expect(page.getByText(/2 takes kept here/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/2 takes kept here/)).toBeVisible();
  await playOne(page);
  expect(await takesHere(page)).toBe(3);

  await context.setOffline(false);
  await expect.poll(() => takesHere(page)).toBe(0);
  expect((await stored(world)) - before).toBe(3);
  await page.reload();
  await expect(cards(page)).toContainText('card 1 of');
  expect((await stored(world)) - before).toBe(3);
});

/** Another page of the same device on another day. */
async function onDay(context: BrowserContext, page: Page, days: number): Promise<void> {
  await page.clock.setSystemTime(new Date(Date.parse(FIXED_NOW) + days * 86_400_000));
  await page.reload();
  await expect(cards(page)).toContainText('card 1 of');
  expect(context.pages()).toHaveLength(1);
}

test('the server gone for a day: tomorrow’s cards are there, and a newer version eats nothing that waits', async ({
  page,
  sit,
  context,
  world,
}) => {
  await sit('Junia Ardlesey');
  await expect(cards(page)).toContainText('card 1 of');
  await installed(page);
  await expect(cards(page)).toContainText('card 1 of');
  const tomorrow = await page.evaluate(() => {
    const name = Object.keys(localStorage).find((key) => key.startsWith('finch-copy:practice ')) ?? '';
    return (JSON.parse(localStorage.getItem(name) ?? '{}') as { tomorrow: { title: string }[] }).tomorrow
      .length;
  });
  expect(tomorrow).toBeGreaterThan(1);
  const before = await stored(world);
  await world.stop();
  await onDay(context, page, 1);
  await expect(cards(page)).toContainText(`card 1 of ${tomorrow}`);
  await playOne(page);
  expect(await takesHere(page)).toBe(1);
  // As a newer version does: what was kept of the application goes, the page is fetched anew; what waits lies elsewhere.
  await page.evaluate(async () => {
    for (const one of await navigator.serviceWorker.getRegistrations()) await one.unregister();
    for (const name of await caches.keys()) await caches.delete(name);
  });
  expect(await takesHere(page)).toBe(1);
  await world.start();
  await page.reload();
  await expect.poll(() => takesHere(page)).toBe(0);
  expect((await stored(world)) - before).toBe(1);
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
});
