/**
 * What a teacher waits for in the Shapes bench: from the last key of a chord to its cards on the screen, in the
 * real application under a headless Chromium. Needs the built application and Chromium, so it runs with
 * `npm run bench -- --screen` only.
 */
import { chromium } from '@playwright/test';
import { median } from '@finch/core/kernel';
import { CHROMIUM, makeWorld } from '../scripts/lib/test-world.mjs';

const CHORDS = 'Bbm7 F#m7b5 C G7 Ebmaj7 Am D9 Faug Bdim Esus4 Ab6 C#m6 Gadd9 Dbsus2 Cmaj7'.split(' ');

/** Asked of the longest list a guitar of 22 frets has here, over twelve thousand cards. */
const LONGEST = { chord: 'A11', ask: { rootInBass: false, toFret: 22 } };
const SCROLL_SECONDS = 4;
/** Pixels a frame: a row and more of cards every other frame, as a quick drag of a finger throws them. */
const SCROLL_STEP = 120;

/**
 * Both run in the page, as text: the loader of this program would wrap a function in helpers the page has not.
 * The cards are on screen when the frame that holds them has been laid out and painted: a message posted in that
 * frame arrives right after it.
 */
const TYPED_TO_SHOWN = `(symbol) => new Promise((resolve) => {
  const input = document.getElementById('chord');
  const shown = () => document.querySelector('.cards').dataset.chord;
  const before = shown();
  const began = performance.now();
  const painted = new MessageChannel();
  painted.port1.onmessage = () => resolve(performance.now() - began);
  const look = () => requestAnimationFrame(() => {
    if (shown() === before) look();
    else painted.port2.postMessage(null);
  });
  input.value = symbol;
  input.dispatchEvent(new Event('input', { bubbles: true }));
  look();
})`;

/** The time between frames while the list runs, and how many of them had a gap where a card should be. */
const SCROLLED = `({ seconds, step }) => new Promise((resolve) => {
  const box = document.querySelector('.cards');
  const gaps = [];
  let bare = 0;
  const began = performance.now();
  let last = began;
  const frame = (now) => {
    gaps.push(now - last);
    last = now;
    const rows = [...box.querySelectorAll('.card-row')].map((row) => row.getBoundingClientRect());
    const sight = box.getBoundingClientRect();
    if (!(rows[0].top <= sight.top + 1 && rows[rows.length - 1].bottom >= sight.bottom - 1)) bare++;
    if (now - began > seconds * 1000) return resolve({ gaps: gaps.slice(1), bare });
    box.scrollTop += step;
    requestAnimationFrame(frame);
  };
  requestAnimationFrame(frame);
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
    const ask = encodeURIComponent(JSON.stringify(LONGEST.ask));
    await page.goto(`${world.url}/shapes?chord=${LONGEST.chord}&ask=${ask}`);
    await page.locator('.cards .card-row button').nth(2).waitFor();
    // The whole list has come when it is long enough to be scrolled.
    while ((await page.evaluate<number>(`document.querySelector('.cards').scrollHeight`)) < 100_000)
      await page.waitForTimeout(100);
    const cards = await page.locator('.list h1').innerText();
    const { gaps, bare } = await page.evaluate<{ gaps: number[]; bare: number }>(
      `(${SCROLLED})(${JSON.stringify({ seconds: SCROLL_SECONDS, step: SCROLL_STEP })})`,
    );
    const sorted = [...gaps].sort((a, b) => a - b);
    return [
      {
        what: `Shapes, last key to cards painted, ${CHORDS.length} chords`,
        median: `${median(waits).toFixed(0)} ms, worst ${Math.max(...waits).toFixed(0)}`,
        aim: '100 ms',
      },
      {
        what: `Shapes, ${cards.split(' ')[0]} cards scrolled ${SCROLL_STEP} px a frame for ${SCROLL_SECONDS} s: time between frames`,
        median: `${median(gaps).toFixed(1)} ms, 95 % under ${sorted[Math.floor(sorted.length * 0.95)].toFixed(0)}`,
        aim: '16.7 ms',
      },
      {
        what: '  frames drawn, longest gap, frames with a bare place',
        median: `${gaps.length} of ${SCROLL_SECONDS * 60}, ${sorted[sorted.length - 1].toFixed(0)} ms, ${bare}`,
        aim: 'all, 50 ms, 0',
      },
    ];
  } finally {
    await browser.close();
    await world.end();
  }
}
