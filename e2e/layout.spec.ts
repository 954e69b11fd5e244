/** Every teacher's place at every width, with and without a student on the bench, reached by clicking: nothing a hand trips over. */
import type { Page } from '@playwright/test';
import { expect, test, toPlace } from './house';

/** Every place the header leads to: one that is added is measured without being named here. */
const placesOf = async (page: Page): Promise<string[]> => [
  ...(await page.locator('#places a').allTextContents()).map((text) => text.trim()),
  'Studio',
];

/** What a person would trip over on the page as it stands, or in the dialog over it. */
function trips([touch, wide, dialog]: readonly [boolean, boolean, boolean?]): string[] {
  const found: string[] = [];
  const shown = (e: Element) => {
    const { width, height } = e.getBoundingClientRect();
    const style = getComputedStyle(e);
    return width > 1 && height > 1 && style.visibility !== 'hidden' && !e.closest('[aria-hidden=true]');
  };
  const named = (e: Element) =>
    `${e.tagName.toLowerCase()}.${String(e.className).split(' ')[0]} "${(e.getAttribute('aria-label') ?? e.textContent ?? '').trim().slice(0, 30)}"`;
  const page = document.documentElement;
  if (page.scrollWidth > innerWidth + 1) found.push(`sideways: ${page.scrollWidth} in ${innerWidth}`);
  const within = (dialog ? document.querySelector('.modal.show') : null) ?? document;
  const controls = [
    ...within.querySelectorAll('button, a[href], input, select, textarea, [role=tab]'),
  ].filter((e) => shown(e) && !e.classList.contains('visually-hidden') && !e.classList.contains('skip'));
  for (const control of controls) {
    control.scrollIntoView({ block: 'center', inline: 'nearest' });
    const box = control.getBoundingClientRect();
    const top = document.elementFromPoint(box.left + box.width / 2, box.top + box.height / 2);
    const other = top?.closest('button, a[href], input, select, textarea');
    const labels = (control as HTMLInputElement).labels;
    if (other && other !== control && !control.contains(other) && !other.contains(control))
      if (![...(labels ?? [])].some((label) => label.contains(other)))
        found.push(`covered: ${named(control)} by ${named(other)}`);
    const ticked = control.matches('[type=checkbox], [type=radio]');
    const { width, height } = (ticked && labels?.[0] ? labels[0] : control).getBoundingClientRect();
    const inText = control.tagName === 'A' && getComputedStyle(control).display === 'inline';
    const least = touch ? 44 : 24;
    if (!inText && (width < least - 1 || height < least - 1))
      found.push(`small: ${named(control)} ${Math.round(width)}x${Math.round(height)}`);
  }
  scrollTo(0, 0);
  for (const e of within.querySelectorAll(dialog ? '.modal-body *' : 'main *, header *')) {
    if (!shown(e) || e.closest('svg, .visually-hidden')) continue;
    const style = getComputedStyle(e);
    const words = [...e.childNodes].some((node) => node.nodeType === 3 && node.textContent?.trim());
    if (words && style.overflowX !== 'visible' && e.scrollWidth > e.clientWidth + 2 && !e.closest('[title]'))
      if (!e.matches('input, textarea, select')) found.push(`cut: ${named(e)}`);
    const scrolls = /auto|scroll/.test(style.overflowY) && e.scrollHeight > e.clientHeight + 2;
    if (scrolls && !e.matches('textarea, .heat-scroll')) {
      if (!wide) found.push(`a box scrolls in the page: ${named(e)}`);
      else if (e.clientHeight < 140) found.push(`cramped: ${named(e)} shows ${e.clientHeight} px`);
    }
  }
  return found;
}

async function seen(page: Page, width: number, touch: boolean): Promise<string[]> {
  const found: string[] = [];
  const places = await placesOf(page);
  expect(places.length).toBeGreaterThan(8);
  for (const place of places) {
    await toPlace(page, place);
    await page.waitForLoadState('networkidle');
    await page.waitForTimeout(300);
    for (const trip of await page.evaluate(trips, [touch, width >= 1200] as const))
      found.push(`${place}: ${trip}`);
  }
  return found;
}

for (const [width, height, touch] of [
  [390, 844, true],
  [640, 400, false],
  [820, 1180, true],
  [1280, 800, false],
] as const)
  test.describe(`at ${width} px`, () => {
    test.use({ viewport: { width, height }, hasTouch: touch, isMobile: touch });
    for (const theme of width === 820 ? (['day', 'evening'] as const) : (['day'] as const))
      test(`nothing is out of reach, cut or too small in any place, ${theme}`, async ({ page, sit }) => {
        await page.evaluate((on) => localStorage.setItem('finch-evening', String(on)), theme === 'evening');
        await page.reload();
        await sit('Tamsin Brackwater');
        expect(await seen(page, width, touch)).toEqual([]);
        await toPlace(page, 'Students');
        await page.getByRole('button', { name: 'Ode Pettibrand' }).click();
        await expect(page.locator('.col-plan ol li').first()).toBeVisible();
        expect(await page.evaluate(trips, [touch, width >= 1200] as const)).toEqual([]);
        expect(await seen(page, width, touch)).toEqual([]);
      });
  });

test('the bar folds into one button that names the place, and unfolds by keyboard too', async ({
  page,
  sit,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await sit('Tamsin Brackwater');
  const menu = page.locator('.app-header .menu');
  await expect(menu).toHaveText('Board');
  await menu.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'Board', exact: true })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(menu).toBeFocused();
  await toPlace(page, 'Drills');
  await expect(menu).toHaveText('Drills');
  await expect(page.locator('#place')).toBeFocused();
});

for (const theme of ['day', 'evening'] as const)
  test.describe(`dialogs of drills and plans on a phone, ${theme}`, () => {
    test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
    test('paper and sound, and re-key: nothing is out of reach, cut or too small', async ({ page, sit }) => {
      await page.evaluate((on) => localStorage.setItem('finch-evening', String(on)), theme === 'evening');
      await page.reload();
      await sit('Tamsin Brackwater');
      const dialog = page.locator('.modal.show');
      const tripsHere = () => page.evaluate(trips, [true, false, true] as const);
      await page
        .locator('.lessons li', { hasText: 'Ode Pettibrand' })
        .getByRole('button', { name: 'Ode Pettibrand' })
        .click();
      await expect(page.locator('.bench-name')).toContainText('Ode Pettibrand');
      await toPlace(page, 'Drills');
      await page.getByRole('button', { name: 'Paper', exact: true }).click();
      await expect(dialog.locator('img').first()).toBeVisible();
      expect(await tripsHere()).toEqual([]);
      await dialog.getByRole('button', { name: 'Close' }).click();
      await expect(dialog).toHaveCount(0);
      await toPlace(page, 'Plan');
      await page.getByRole('button', { name: 'Re-key' }).click();
      await dialog.getByLabel('Everything as far up or down').selectOption('Db');
      await expect(dialog.locator('.moved tbody tr')).not.toHaveCount(0);
      expect(await tripsHere()).toEqual([]);
    });
  });
