/**
 * npm run bench:syllabus: the syllabus on the screen with the shipped skills and with 500: from the press of its link to the
 * drawing, from an arrow key to the next skill, from a change to its faults, and the frames while it is scrolled. In a headless Chromium
 * on a world of its own; figures are printed, never asserted.
 */
import { chromium, type Page } from '@playwright/test';
import { median } from '@finch/core/kernel';
import type { Syllabus } from '@finch/core/syllabus';
import { CHROMIUM, makeWorld } from '../scripts/lib/test-world.mjs';
import { teacherAt, Seat } from './seat';

const MANY = 500;
const PRESSES = 20;

/** The same skills again under other ids until there are so many, each copy needing what its own like need. */
function grown(syllabus: Syllabus, many: number): Syllabus {
  const skills = [...syllabus.skills];
  for (let copy = 2; skills.length < many; copy++) {
    const named = (id: string) => `${id}-${copy}`;
    for (const skill of syllabus.skills.slice(0, many - skills.length))
      skills.push({
        ...skill,
        id: named(skill.id),
        name: `${skill.name} ${copy}`,
        needs: skill.needs.map((group) => group.map((need) => named(need))),
      });
  }
  // A copy that was not made is needed by none.
  const there = new Set(skills.map(({ id }) => id));
  return {
    ...syllabus,
    skills: skills.map((skill) => ({
      ...skill,
      needs: skill.needs
        .map((group) => group.filter((need) => there.has(need)))
        .filter((group) => group.length),
    })),
  };
}

/** From an act in the page to the frame after it was painted, ms; as text, since the page has none of our helpers. */
const PAINTED = `(act) => new Promise((resolve) => {
  const began = performance.now();
  act();
  requestAnimationFrame(() => { const after = new MessageChannel(); after.port1.onmessage = () => resolve(performance.now() - began); after.port2.postMessage(null); });
})`;
const key = (name: string) =>
  `(${PAINTED})(() => document.activeElement.dispatchEvent(new KeyboardEvent('keydown', { key: '${name}', bubbles: true, cancelable: true })))`;
const SCROLLED = `new Promise((resolve) => {
  const box = document.querySelector('.graph');
  const gaps = [];
  const began = performance.now();
  let last = began;
  const frame = (now) => {
    gaps.push(now - last);
    last = now;
    if (now - began > 3000) return resolve(gaps.slice(1));
    box.scrollTop += 40;
    if (box.scrollTop + box.clientHeight >= box.scrollHeight - 1) box.scrollTop = 0;
    requestAnimationFrame(frame);
  };
  requestAnimationFrame(frame);
})`;

async function measured(page: Page, what: string): Promise<void> {
  const began = performance.now();
  await page.getByRole('link', { name: 'Syllabus', exact: true }).click();
  await page.locator('.skill').nth(100).waitFor();
  const shown = performance.now() - began;
  await page.getByLabel('Whose numbers are laid over').selectOption({ index: 2 });
  await page.locator('.skill .text').nth(100).waitFor();
  await page.locator('[data-skill="open.em"]').click();
  const walks: number[] = [];
  for (let i = 0; i < PRESSES; i++)
    walks.push(await page.evaluate<number>(key(['ArrowRight', 'ArrowDown', 'ArrowUp', 'ArrowLeft'][i % 4])));
  await page.locator('[data-skill="open.d"]').click();
  const out = await page.evaluate<number>(key('Delete'));
  await page.getByRole('button', { name: 'Back to what is kept' }).click();
  const gaps = await page.evaluate<number[]>(SCROLLED);
  const sorted = gaps.toSorted((a, b) => a - b);
  console.log(
    `${what}: from the link to the drawing ${shown.toFixed(0)} ms; an arrow to the next skill ${median(walks).toFixed(0)} ms, at most ${Math.max(...walks).toFixed(0)}; taken out, with its faults ${out.toFixed(0)} ms; frames while scrolling ${median(gaps).toFixed(1)} ms, ${sorted[Math.floor(0.95 * sorted.length)].toFixed(1)} at 95 %`,
  );
}

const world = await makeWorld({ name: 'bench-cluster' });
const browser = await chromium.launch(CHROMIUM);
try {
  const seat = await new Seat(world.url).sit(await teacherAt(world.url));
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(world.url);
  await page.locator('.seats li', { hasText: 'Tamsin Brackwater' }).getByRole('button').click();
  await page.waitForLoadState('networkidle');
  await measured(page, 'shipped syllabus');
  const { version } = await seat.json<{ version: string }>('/api/syllabus');
  const { content } = await seat.json<{ content: Syllabus }>(`/api/syllabus/versions/${version}`);
  const start = performance.now();
  await seat.json('/api/syllabus', 'PUT', { version, content: grown(content, MANY) });
  console.log(`keeping ${MANY} skills, their new drills made: ${(performance.now() - start).toFixed(0)} ms`);
  const classes: number[] = [];
  while (classes.length < 30) {
    const asked = performance.now();
    if ((await seat.ask('/api/class')).status === 200) classes.push(performance.now() - asked);
    else await new Promise((resolve) => setTimeout(resolve, 500));
  }
  console.log(`the class, 24 students by ${MANY} skills: ${median(classes.slice(3)).toFixed(0)} ms`);
  await page.goto(world.url);
  await page.waitForLoadState('networkidle');
  await measured(page, `${MANY} skills`);
} finally {
  await browser.close();
  await world.end();
}
