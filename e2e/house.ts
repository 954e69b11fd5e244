/** What every browser test starts from: a served demo of its own under a fixed clock, and ways to sit down. */
import { expect, test as base, type Page } from '@playwright/test';
import { FIXED_NOW, makeWorld, type World } from '../scripts/lib/test-world.mjs';

const CLOCK_MAY_RUN_MS = 120_000;

/** Waits until the logs of the demo were read for the first time: what a test waits for is its own. */
async function readOnce(url: string): Promise<void> {
  const headers = { 'content-type': 'application/json', origin: url };
  const { seats } = (await (await fetch(`${url}/api/seats`)).json()) as {
    seats: { membershipId: string; name: string }[];
  };
  const membershipId = seats.find(({ name }) => name.startsWith('Tamsin'))?.membershipId;
  const sat = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ membershipId }),
  });
  const cookie = sat.headers.get('set-cookie')?.split(';')[0] ?? '';
  for (let tries = 0; tries < 200; tries++) {
    const { status } = await fetch(`${url}/api/board`, { headers: { cookie } });
    if (status !== 503) return;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
}

export const test = base.extend<
  { sit: (name: string) => Promise<void> },
  { world: World; untouched: string }
>({
  /** Named by a file that needs the demo as it was made: it gets a world that no other file has been in. */
  untouched: ['', { option: true, scope: 'worker' }],
  world: [
    async ({ untouched: _ }, use) => {
      const world = await makeWorld();
      await readOnce(world.url);
      await use(world);
      await world.end();
    },
    { scope: 'worker', timeout: 300_000 },
  ],
  baseURL: async ({ world }, use) => use(world.url),
  page: async ({ page, world }, use) => {
    // The page's clock runs from the server's fixed start, and the server's own is never far from it, so that
    // "in 8 min" is still ahead however slow the machine is.
    await world.within(CLOCK_MAY_RUN_MS);
    await page.clock.install({ time: new Date(FIXED_NOW) });
    await page.goto('/');
    await use(page);
  },
  sit: async ({ page }, use) => {
    await use(async (name) => {
      await page.locator('.seats li', { hasText: name }).getByRole('button').click();
      await page.waitForURL((url) => !url.pathname.startsWith('/sit'));
    });
  },
});

export { expect } from '@playwright/test';

/** To a place by the bar, unfolding it where it is folded; anew where a place that was still coming folded it again. */
export async function toPlace(page: Page, name: string): Promise<void> {
  const menu = page.locator('.app-header .menu');
  const link = page.getByRole('link', { name, exact: true });
  await expect(async () => {
    if ((await menu.isVisible()) && (await menu.getAttribute('aria-expanded')) === 'false')
      await menu.click();
    await link.click({ timeout: 2000 });
  }).toPass();
}

/** The estimate of a skill on the open student page, from the table of reviews and weeks. */
export async function takesOnServer(page: Page, studentId: string): Promise<number> {
  return page.evaluate(
    async (id) => ((await (await fetch(`/api/students/${id}`)).json()) as { takes: number }).takes,
    studentId,
  );
}

/**
 * In the practice room: on to the card that says these words. A card is read when its words have settled, each step is
 * waited for, and a round that ended without it is begun again.
 */
export async function walkToCard(page: Page, words: string): Promise<void> {
  const said = async () => (await page.locator('.neck-sheet > .spread').allTextContents()).join(' ');
  const again = page.getByRole('button', { name: 'From the first card again' });
  for (let round = 0; round < 3; round++) {
    while (!(await again.isVisible())) {
      await expect.poll(said).not.toBe('');
      let now = await said();
      for (let before = ''; before !== now; now = await said()) {
        before = now;
        await page.waitForTimeout(500);
      }
      if (now.includes(words)) return;
      await page.keyboard.press('j');
      await expect.poll(async () => (await again.isVisible()) || (await said()) !== now).toBe(true);
    }
    await again.click();
    await expect(again).toBeHidden();
  }
  throw new Error(`no card says ${words}`);
}

/**
 * Takes back what was given home: the clock of the world is set back now and then, so that what an earlier test gave may be
 * newer than what this one gives, and a room of ten minutes shows the newest two. For whoever sits as a teacher.
 */
export const takeHomeBack = (page: Page, name: string): Promise<void> =>
  page.evaluate(async (wanted) => {
    const read = async <T>(path: string) => (await (await fetch(path)).json()) as T;
    const { students } = await read<{ students: { id: string; name: string }[] }>('/api/board');
    const id = students.find((one) => one.name === wanted)?.id ?? '';
    const { home } = await read<{ home: { id: string }[] }>(`/api/students/${id}`);
    for (const card of home)
      await fetch(`/api/students/${id}/home/${card.id}`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ ended: true }),
      });
  }, name);

/** Records on this machine that wait to be sent. */
export const takesHere = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const open = indexedDB.open('finch-outbox');
        open.onsuccess = () => {
          const count = open.result.transaction('records').objectStore('records').count();
          count.onsuccess = () => resolve(count.result);
        };
      }),
  );

/** The grips of a piece come behind those of the piece looked at before, with all its players', on one worker. */
export const GRIPS_FOUND_MS = 60_000;
