/**
 * A slow machine: the real application under a headless Chromium at a quarter of this machine's speed. How long until the
 * house is usable, what it takes over the line, and the longest time for which a press was not answered in each place.
 * Runs with `npm run bench -- --slow` only.
 */
import { chromium, type Page } from '@playwright/test';
import { median } from '@finch/core/kernel';
import { CHROMIUM, makeWorld } from '../scripts/lib/test-world.mjs';

const SLOWER = 4;
const LOADS = 5;
const ROUNDS = 3;
/** Long enough for what follows a press to have begun and ended. */
const SETTLE_MS = 2500;

/** Tasks over 50 ms since the page began, as the browser reports them; runs before everything else in the page. */
const WATCH = `(() => {
  window.longTasks = [];
  new PerformanceObserver((list) => {
    for (const one of list.getEntries()) window.longTasks.push(one.duration);
  }).observe({ type: 'longtask', buffered: true });
})()`;

async function longest(page: Page, work: () => Promise<unknown>): Promise<number> {
  await page.evaluate('window.longTasks.length = 0');
  await work();
  await page.waitForTimeout(SETTLE_MS);
  return page.evaluate<number>('Math.max(0, ...window.longTasks)');
}

export async function slowRows(): Promise<{ what: string; median: string; aim: string }[]> {
  const world = await makeWorld({ name: 'bench-cluster' });
  const browser = await chromium.launch(CHROMIUM);
  try {
    const visit = async () => {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      const page = await context.newPage();
      const session = await context.newCDPSession(page);
      await session.send('Network.enable');
      let bytes = 0;
      session.on('Network.loadingFinished', (event) => (bytes += event.encodedDataLength));
      await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
      await page.addInitScript(WATCH);
      const began = performance.now();
      await page.goto(world.url);
      const seat = page.locator('.seats li', { hasText: 'Tamsin Brackwater' }).getByRole('button');
      await seat.waitFor();
      const usable = performance.now() - began;
      const first = bytes;
      const sat = performance.now();
      await seat.click();
      await page.locator('.heat-table tbody tr').first().waitFor();
      return { context, page, usable, first, board: performance.now() - sat };
    };
    const loads: { usable: number; board: number; first: number }[] = [];
    for (let i = 0; i < LOADS; i++) {
      const { context, ...times } = await visit();
      loads.push(times);
      await context.close();
    }
    const tasks = new Map<string, number[]>();
    for (let round = 0; round < ROUNDS; round++) {
      const { page, context } = await visit();
      const to = (name: string) => page.getByRole('link', { name, exact: true }).click();
      const row = async (what: string, work: () => Promise<unknown>) =>
        tasks.set(what, [...(tasks.get(what) ?? []), await longest(page, work)]);
      await page.keyboard.press('Enter');
      // What the Board itself began is not counted with the place that comes.
      await page.waitForTimeout(SETTLE_MS);
      await row('opening Shapes', () => to('Shapes'));
      await row('typing Bbm7', async () => {
        const box = page.getByLabel('Chord', { exact: true });
        await box.fill('');
        await box.pressSequentially('Bbm7', { delay: 120 });
      });
      await row('opening Changes', () => to('Changes'));
      await row('opening Drills', () => to('Drills'));
      await row('re-keying a drill', () => page.locator('.rekey button:enabled').nth(3).click());
      await row('opening Pieces', () => to('Pieces'));
      await row('opening Plan', () => to('Plan'));
      await row('opening Lesson', () => to('Lesson'));
      await context.close();
    }
    const mid = (of: (one: (typeof loads)[number]) => number) => median(loads.map(of));
    return [
      {
        what: `CPU at a quarter: first load to a seat one can take, ${LOADS} loads`,
        median: `${(mid((one) => one.usable) / 1000).toFixed(2)} s, ${Math.round(mid((one) => one.first) / 1024)} kB`,
        aim: '3 s',
      },
      {
        what: '  from the seat to the Board with its rows',
        median: `${(mid((one) => one.board) / 1000).toFixed(2)} s`,
        aim: '3 s',
      },
      ...[...tasks].map(([what, ms]) => ({
        what: `  longest task, ${what}, ${ROUNDS} rounds`,
        median: `${median(ms).toFixed(0)} ms, least ${Math.min(...ms).toFixed(0)}`,
        aim: '200 ms',
      })),
    ];
  } finally {
    await browser.close();
    await world.end();
  }
}
