// npm run screenshots: one picture of each main view from demo data under a fixed clock, into docs/screenshots.
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensureNodePackages, ensureSystemPackages } from './lib/packages.mjs';
import { dataFolder, root } from './lib/paths.mjs';
import { cleanUp, cleanUpOnSignals, onExit } from './lib/signals.mjs';
import { fail, stage } from './lib/stages.mjs';

const only = process.argv.slice(2);
const out = process.env.FINCH_SHOTS ?? join(root, 'docs', 'screenshots');

async function main() {
  cleanUpOnSignals();
  await stage('System packages', () => ensureSystemPackages({ chromium: true }));
  await stage('npm packages', () => ensureNodePackages());
  await stage('Build', () => ensureBuild());
  dataFolder();
  const { chromium } = await import('@playwright/test');
  const { CHROMIUM, FIXED_NOW, makeWorld } = await import('./lib/test-world.mjs');
  const browser = await chromium.launch(CHROMIUM);
  onExit(() => browser.close());
  const wanted = (name) => only.length === 0 || only.includes(name);

  const session = async (world, { who, width = 1280, height = 800, dark = false, phone = false }) => {
    const context = await browser.newContext({
      viewport: { width, height },
      baseURL: world.url,
      reducedMotion: 'reduce',
      locale: 'en-GB',
      timezoneId: 'Atlantic/Faroe',
      colorScheme: dark ? 'dark' : 'light',
      hasTouch: phone,
      isMobile: phone,
      deviceScaleFactor: 1,
    });
    const page = await context.newPage();
    await page.clock.install({ time: new Date(FIXED_NOW) });
    await page.addInitScript((on) => localStorage.setItem('finch-evening', String(on)), dark);
    await page.goto('/');
    if (who) {
      await page.locator('.seats li', { hasText: who }).getByRole('button').click();
      await page.waitForLoadState('networkidle');
    }
    return page;
  };
  /** As a person goes: by the bar, never by an address. */
  const to = async (page, place) => {
    const dialog = page.locator('.modal.show .btn-close');
    if (await dialog.count()) await dialog.click();
    await page.locator('.modal.show').waitFor({ state: 'hidden' });
    await page.getByRole('link', { name: place, exact: true }).click();
    await page.waitForLoadState('networkidle');
  };
  const shoot = async (page, name) => {
    await page.evaluate(() => document.fonts.ready);
    await page.evaluate(() => document.activeElement?.blur?.());
    await page.mouse.move(2, 790);
    await page.screenshot({ path: join(out, `${name}.png`), animations: 'disabled' });
  };

  let world;
  await stage('Demo world', async () => {
    world = await makeWorld({ name: 'picture-cluster' });
    onExit(() => world.end());
  });
  await stage('Pictures', async () => {
    const teacher = await session(world, { who: 'Tamsin' });
    await teacher.locator('.heat-table tbody tr').first().waitFor();
    if (wanted('board')) {
      await teacher.getByText('being made').first().waitFor({ state: 'detached', timeout: 120_000 });
      await teacher.getByText('being graded').waitFor({ state: 'detached', timeout: 120_000 });
      await shoot(teacher, 'board');
    }
    if (wanted('students')) {
      await to(teacher, 'Students');
      await teacher.locator('.people tbody tr').first().waitFor();
      await shoot(teacher, 'students');
    }
    if (wanted('week')) {
      await to(teacher, 'Week');
      await teacher.locator('.lessons li').first().waitFor();
      await shoot(teacher, 'week');
    }
    await to(teacher, 'Board');
    await teacher.locator('.heat-table tbody tr').first().waitFor();
    await teacher.locator('.lessons').getByRole('button', { name: 'Junia Ardlesey' }).click();
    await teacher.locator('.col-plan ol li').first().waitFor();
    if (wanted('student')) await shoot(teacher, 'student');
    await teacher.keyboard.press('p');
    await teacher.locator('.blocks .block').first().waitFor();
    await teacher.locator('.block').nth(2).click();
    if (wanted('plan')) await shoot(teacher, 'plan');
    await to(teacher, 'Shapes');
    await teacher.getByLabel('Chord', { exact: true }).fill('Bbm7');
    await teacher.locator('.cards[data-chord="Bbm7"]').waitFor();
    await teacher.locator('.cards .card-row button').nth(5).waitFor();
    await teacher.locator('.why .parts').waitFor();
    if (wanted('shapes')) await shoot(teacher, 'shapes');
    if (wanted('paper')) {
      await teacher.getByRole('button', { name: 'Paper…' }).click();
      await teacher.getByLabel('the first 12 of the list').check();
      await teacher.locator('.paper-page:not(.one)').waitFor();
      await teacher.waitForTimeout(800);
      await shoot(teacher, 'paper');
      await teacher.locator('.modal.show .btn-close').click();
    }
    if (wanted('changes')) {
      await to(teacher, 'Changes');
      await teacher.locator('.ways li').first().waitFor();
      await shoot(teacher, 'changes');
    }
    if (wanted('pieces')) {
      await to(teacher, 'Pieces');
      await teacher.locator('.repertoire button', { hasText: 'Thunder Sheet Reel' }).click();
      await teacher.locator('.parts li').first().waitFor({ timeout: 60_000 });
      await teacher.locator('.heavy li').first().waitFor();
      await teacher.locator('.part-line button').nth(1).waitFor({ timeout: 60_000 });
      await shoot(teacher, 'pieces');
    }
    const drillsShown = async (page, family) => {
      await to(page, 'Drills');
      await page.locator('.families').getByRole('button', { name: family }).click();
      const root = page.getByLabel('Root', { exact: true });
      if (await root.count()) await root.selectOption({ label: 'G' });
      await page.locator('.staff-drawing svg').first().waitFor();
      await page.locator('.rekey li').first().waitFor();
      await page.waitForTimeout(300);
    };
    if (wanted('drills')) {
      await drillsShown(teacher, 'five forms');
      await shoot(teacher, 'drills');
    }
    if (wanted('harmony')) {
      await to(teacher, 'Harmony');
      await teacher.locator('.swap b').nth(7).waitFor();
      await shoot(teacher, 'harmony');
    }
    if (wanted('studio')) {
      await to(teacher, 'Studio');
      await teacher.locator('.schools tbody tr').first().waitFor();
      await shoot(teacher, 'studio');
    }
    if (wanted('progress')) {
      await to(teacher, 'Progress');
      await teacher.locator('.story svg').waitFor();
      await teacher.locator('.report textarea').waitFor();
      await teacher.locator('.held svg').waitFor();
      await shoot(teacher, 'progress');
    }
    if (wanted('syllabus')) {
      const evening = await session(world, { who: 'Tamsin', dark: true });
      await evening.locator('.heat-table tbody tr').first().waitFor();
      await to(evening, 'Syllabus');
      await evening.getByLabel('Whose numbers are laid over').selectOption({ label: 'Linnea Oskvane' });
      await evening.locator('[data-skill="open.c"]').click();
      await evening.locator('.side .calliper').waitFor();
      await shoot(evening, 'syllabus');
    }
    await to(teacher, 'Board');
    await teacher.locator('.lessons .picked').getByRole('button', { name: 'Start lesson' }).click();
    await teacher.locator('.lesson .line').waitFor();
    const heading = () => teacher.locator('.lesson .line').getAttribute('aria-label');
    const onward = async () => {
      if ((await teacher.locator('.lesson .line').count()) === 0) return teacher.waitForURL(/write-up/);
      const now = await heading();
      await teacher.clock.fastForward(200_000);
      await teacher.keyboard.press('ArrowRight');
      await teacher.waitForFunction(
        (was) => document.querySelector('.lesson .line')?.getAttribute('aria-label') !== was,
        now,
      );
      await teacher.waitForLoadState('networkidle');
    };
    const logs = async (...keys) => {
      for (const key of keys) {
        const takes = await teacher.locator('.log h2').textContent();
        await teacher.keyboard.press(key);
        await teacher.waitForFunction((was) => document.querySelector('.log h2')?.textContent !== was, takes);
      }
      await teacher.keyboard.press('f');
    };
    for (let i = 0; i < 8 && (await teacher.locator('.pair figure').count()) < 2; i++) await onward();
    await logs('3', '2', '1');
    if (wanted('lesson')) await shoot(teacher, 'lesson');
    for (let i = 0; i < 24 && !teacher.url().includes('write-up'); i++) {
      await onward();
      if (await teacher.locator('.log h2').count()) await logs('1');
    }
    await teacher.locator('.write tbody tr').first().waitFor();
    if (wanted('write-up')) await shoot(teacher, 'write-up');
    if (wanted('homework')) {
      await to(teacher, 'Homework');
      await teacher.locator('.the-week .cell').first().waitFor();
      await shoot(teacher, 'homework');
    }
    if (wanted('practice')) {
      const room = await session(world, { who: 'Junia' });
      await room.locator('.neck-sheet').waitFor();
      const more = room.getByRole('button', { name: 'Next card' });
      while ((await room.locator('.room-ledger').count()) === 0 && (await more.count())) await more.click();
      await shoot(room, 'practice');
    }
    if (wanted('practice-phone')) {
      const phone = await session(world, { who: 'Junia', width: 390, height: 844, phone: true });
      await phone.locator('.neck-sheet').waitFor();
      const more = phone.getByRole('button', { name: 'Next card' });
      while ((await phone.locator('.string-row').count()) === 0 && (await more.count())) await more.click();
      await shoot(phone, 'practice-phone');
    }
  });
}

main().catch(fail).finally(cleanUp);
