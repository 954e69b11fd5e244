/**
 * What a teacher waits for in the Shapes bench: from the last key of a chord to its cards on the screen, in the
 * real application under a headless Chromium. Needs the built application and Chromium, so it runs with
 * `npm run bench -- --screen` only.
 */
import { chromium } from '@playwright/test';
import { median } from '@finch/core/kernel';
import { CHROMIUM, makeWorld } from '../scripts/lib/test-world.mjs';

const CHORDS = 'Bbm7 F#m7b5 C G7 Ebmaj7 Am D9 Faug Bdim Esus4 Ab6 C#m6 Gadd9 Dbsus2 Cmaj7'.split(' ');

/** Runs in the page, as text: the loader of this program would wrap a function in helpers the page has not. */
const TYPED_TO_SHOWN = `(symbol) => new Promise((resolve) => {
  const input = document.getElementById('chord');
  const shown = () => document.querySelector('.cards').dataset.chord;
  const before = shown();
  const began = performance.now();
  const look = () => requestAnimationFrame(() => {
    if (shown() === before) look();
    else requestAnimationFrame(() => resolve(performance.now() - began));
  });
  input.value = symbol;
  input.dispatchEvent(new Event('input', { bubbles: true }));
  look();
})`;

export async function screenRows(): Promise<{ what: string; median: string; aim: string }[]> {
  const world = await makeWorld({ name: 'bench-cluster' });
  const browser = await chromium.launch(CHROMIUM);
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(world.url);
    await page.locator('.seats li', { hasText: 'Tamsin Brackwater' }).getByRole('button').click();
    await page.getByRole('link', { name: 'Shapes' }).click();
    await page.locator('.cards .card-row button').nth(2).waitFor();
    const waits: number[] = [];
    for (const chord of CHORDS) {
      const field = page.getByLabel('Chord', { exact: true });
      // A chord that is none of the list, so that its cards are seen to give way.
      await field.fill('Fm');
      await page.waitForTimeout(300);
      // Seen from inside the page, from the key to the frame in which the cards of this chord stand.
      waits.push(await page.evaluate<number>(`(${TYPED_TO_SHOWN})(${JSON.stringify(chord)})`));
    }
    return [
      {
        what: `Shapes, last key to cards on screen, ${CHORDS.length} chords`,
        median: `${median(waits).toFixed(0)} ms, worst ${Math.max(...waits).toFixed(0)}`,
        aim: '150 ms',
      },
    ];
  } finally {
    await browser.close();
    await world.end();
  }
}
