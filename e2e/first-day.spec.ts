import { gzipSync } from 'node:zlib';
import { expect, test as base } from '@playwright/test';
import { FIXED_NOW, makeWorld, type World } from '../scripts/lib/test-world.mjs';

const test = base.extend<object, { bare: World }>({
  bare: [
    async ({}, use) => {
      const world = await makeWorld({ name: 'bare-cluster', empty: true });
      await use(world);
      await world.end();
    },
    { scope: 'worker', timeout: 90_000 },
  ],
});

test('a studio with nothing in it: named, a first student, a hand, a plan', async ({ page, bare }) => {
  await page.clock.install({ time: new Date(FIXED_NOW) });
  await page.goto(bare.url);
  await expect(page.getByRole('heading', { name: 'The bench is clear' })).toBeVisible();
  await page.getByLabel('Studio').fill('Harbour Room');
  await page.getByLabel('Your name').fill('Wenna Tarrow');
  await page.getByRole('button', { name: 'Keep the name' }).click();
  await expect(page.getByText('Harbour Room ·')).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Idris Callow');
  await page.getByRole('button', { name: 'Add a student' }).click();
  await expect(page.getByText('A middle hand of 140 mm is assumed')).toBeVisible();
  await expect(page.locator('.col-plan ol li').first()).toContainText('Three easy minutes');
  await page.getByRole('button', { name: 'Measure and set' }).click();
  await page.getByLabel('Reach 1–4').fill('300');
  await page.getByRole('button', { name: 'Keep from today on' }).click();
  await expect(page.getByRole('alert')).toContainText('70 to 180 mm');
  await page.getByLabel('Reach 1–4').fill('128');
  await page.getByRole('button', { name: 'Keep from today on' }).click();
  await expect(page.locator('.bench')).toContainText('128 mm');
  await page.getByRole('button', { name: 'Take to plan bench' }).click();
  await expect(page.locator('.block').first()).toBeVisible();
});

test('first load stays under 200 kB of script, gzip', async ({ page, bare }) => {
  const scripts: Promise<Buffer>[] = [];
  page.on('response', (response) => {
    if (response.url().endsWith('.js')) scripts.push(response.body());
  });
  await page.goto(bare.url);
  await expect(
    page.getByRole('heading', { name: 'The bench is clear' }).or(page.locator('.lessons')).first(),
  ).toBeVisible();
  const bytes = (await Promise.all(scripts)).reduce((sum, body) => sum + gzipSync(body).length, 0);
  expect(bytes).toBeGreaterThan(20_000);
  expect(bytes).toBeLessThan(200_000);
});
