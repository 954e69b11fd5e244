import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, takesHere, test } from './house';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

async function answerCard(page: Page): Promise<void> {
  await expect(
    page
      .locator('.string-row, .quick, .quiz')
      .or(page.getByRole('button', { name: 'Played' }))
      .first(),
  ).toBeVisible();
  if (await page.locator('.string-row').count()) {
    for (const row of await page.locator('.string-row').all()) await row.getByRole('radio').first().tap();
  } else if (await page.locator('.quick').count())
    await page.locator('.quick').getByRole('button', { name: '9', exact: true }).tap();
  else if (await page.locator('.quiz').count()) {
    const answers = page.locator('.quiz-neck button, .quiz-choices button');
    while (await answers.count()) await answers.first().tap();
  } else await page.getByRole('button', { name: 'Played' }).tap();
}

test('a student practises on a phone while the server goes away and comes back; nothing is lost', async ({
  page,
  sit,
  world,
}) => {
  await sit('Junia Ardlesey');
  await expect(page.getByRole('heading', { name: 'Junia’s practice room' })).toBeVisible();
  await answerCard(page);
  await page.getByRole('radio', { name: /easy/ }).tap();
  await page.getByRole('button', { name: 'Keep this take' }).tap();
  await expect(page.getByText('Kept: clean.')).toBeVisible();
  await expect.poll(() => takesHere(page)).toBe(0);

  await page.getByRole('button', { name: 'Next card' }).tap();
  await world.stop();
  await answerCard(page);
  await page.getByRole('radio', { name: /easy/ }).tap();
  await page.getByRole('button', { name: 'Keep this take' }).tap();
  await expect(page.getByText(/server away since .* 1 take kept here/)).toBeVisible();
  await answerCard(page);
  await page.getByRole('radio', { name: /tense/ }).tap();
  await page.getByRole('button', { name: 'Keep this take' }).tap();
  await expect(page.getByText('2 takes kept here')).toBeVisible();
  expect(await takesHere(page)).toBe(2);

  await world.start();
  await page.reload();
  await expect.poll(() => takesHere(page)).toBe(0);
  await expect(page.getByText('server away')).toHaveCount(0);
});

test('a take the server cannot keep is refused alone, with words; what was kept behind it goes on, and the device begins anew', async ({
  page,
  sit,
  world,
}) => {
  await sit('Junia Ardlesey');
  await expect(page.locator('.keep-sheet')).toBeVisible();
  await world.stop();
  await answerCard(page);
  await page.getByRole('button', { name: 'Keep this take' }).tap();
  await expect(page.getByText('1 take kept here')).toBeVisible();
  // As a device had it whose count ran over: its take lies first, and every later one would have a larger number.
  await page.evaluate(async () => {
    const asked = <T>(request: IDBRequest<T>) =>
      new Promise<T>((resolve, reject) => {
        request.onsuccess = () => resolve(request.result);
        request.onerror = () => reject(request.error);
      });
    const database = await asked(indexedDB.open('finch-outbox'));
    const store = database.transaction(['records', 'device'], 'readwrite');
    const [record] = await asked(store.objectStore('records').getAll());
    record.event.deviceSeq = 2_147_483_648;
    await asked(store.objectStore('records').put(record));
    await asked(store.objectStore('device').put(2_147_483_648, 'seq'));
    database.close();
  });
  await page.getByRole('button', { name: 'Next card' }).tap();
  await answerCard(page);
  await page.getByRole('button', { name: 'Keep this take' }).tap();
  await expect.poll(() => takesHere(page)).toBe(2);
  await world.start();
  await page.reload();
  await expect.poll(() => takesHere(page)).toBe(1);
  await page.getByRole('button', { name: '1 take refused: why?' }).tap();
  await expect(page.locator('.modal.show .refusals')).toContainText(/\w{4}/);
  await page.locator('.modal.show').getByRole('button', { name: 'Put away' }).tap();
  await expect.poll(() => takesHere(page)).toBe(0);
});

test('takes kept while one person sat are not sent when another sits down', async ({ page, sit, world }) => {
  await sit('Junia Ardlesey');
  await expect(page.locator('.keep-sheet')).toBeVisible();
  await world.stop();
  await answerCard(page);
  await page.getByRole('button', { name: 'Keep this take' }).tap();
  await expect(page.getByText('1 take kept here')).toBeVisible();
  // The page is closed before its own retry, and somebody else sits down.
  await page.goto('about:blank');
  await world.start();
  const { seats } = (await (await page.request.get(`${world.url}/api/seats`)).json()) as {
    seats: { membershipId: string; name: string }[];
  };
  const marlo = seats.find((seat) => seat.name.startsWith('Marlo'));
  await page.request.post(`${world.url}/api/session`, {
    headers: { Origin: world.url },
    data: { membershipId: marlo?.membershipId },
  });
  await page.goto('/practice');
  await expect(page.getByRole('heading', { name: 'Marlo’s practice room' })).toBeVisible();
  await page.clock.fastForward(20_000);
  expect(await takesHere(page)).toBe(1);
  await page.getByRole('button', { name: 'Leave' }).tap();
  await page.goto('/sit');
  await sit('Junia Ardlesey');
  await expect.poll(() => takesHere(page)).toBe(0);
});

test('pain asks where and which side, ends playing, and the room says why', async ({ page, sit }) => {
  await sit('Marlo Quennell');
  await page.goto('/practice');
  await expect(page.locator('.feel-sheet')).toBeVisible();
  await page.getByRole('radio', { name: /pain/ }).tap();
  await expect(page.getByText('Where does it hurt, and which side?')).toBeVisible();
  await page.getByRole('radio', { name: 'both' }).tap();
  await page.getByRole('radio', { name: 'wrist' }).tap();
  await expect(page.getByRole('alert')).toContainText('No playing today');
  await expect(page.getByRole('alert')).toContainText('no medical advice');
  await expect.poll(() => takesHere(page)).toBe(0);
  // What is heard and named goes on: no hand plays in it, and it is kept as any take.
  await expect(page.getByText('What is below needs no hand on the guitar.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('alert')).toContainText('wrist');
  await expect(page.getByText('What is below needs no hand on the guitar.')).toBeVisible();
  await expect(page.locator('.quiz')).toBeVisible();
  await expect(page.locator('.tempo-ladder, .quick, .string-row')).toHaveCount(0);
});

test('a tense hand: once, the easier notch is offered; twice running, the card is off for today', async ({
  page,
  sit,
}) => {
  await sit('Junia Ardlesey');
  await expect(page.locator('.keep-sheet')).toBeVisible();
  const count = async () =>
    Number(/of (\d+)/.exec((await page.locator('.room-head').textContent()) ?? '')?.[1]);
  const cards = await count();
  const tense = async () => {
    await answerCard(page);
    await page.getByRole('radio', { name: /tense/ }).tap();
    await page.getByRole('button', { name: 'Keep this take' }).tap();
  };
  await tense();
  await expect(page.getByText('Tense: stop, and let the arm hang for a moment.')).toBeVisible();
  await tense();
  await expect(page.getByText(/Tense twice running: .* is off for today/)).toBeVisible();
  expect(await count()).toBe(cards - 1);
  await page.reload();
  await expect(page.locator('.keep-sheet')).toBeVisible();
  expect(await count()).toBe(cards - 1);
});

test('the room works with one thumb: targets of 48 px, the primary action in reach, nothing sideways, no serious finding', async ({
  page,
  sit,
}) => {
  await sit('Junia Ardlesey');
  await expect(page.locator('.keep-sheet')).toBeVisible();
  const small = await page
    .locator('.room button:visible')
    .evaluateAll((buttons) =>
      buttons
        .filter(
          (b) =>
            b.getBoundingClientRect().height < 40 &&
            !b.classList.contains('btn-link') &&
            !b.closest('.room-head'),
        )
        .map((b) => b.textContent),
    );
  expect(small).toEqual([]);
  const keep = await page.getByRole('button', { name: 'Keep this take' }).boundingBox();
  expect(keep && keep.y + keep.height).toBeLessThanOrEqual(844);
  expect(keep?.y).toBeGreaterThan(600);
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa']).analyze();
  expect(
    violations
      .filter((one) => one.impact === 'serious' || one.impact === 'critical')
      .map((one) => `${one.id} ${one.nodes[0].target.join(' ')}`),
  ).toEqual([]);
});
