import type { Page } from '@playwright/test';
import { freePort } from '../tools/free-port.js';
import { agree, bookDog, expect, feelOver, search, signIn, startServer, test, watchContext } from './support.js';

async function toTheTable(page: Page, dog: string): Promise<string> {
  const visit = await bookDog(page, dog);
  await feelOver(page);
  await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
  await agree(page);
  await page.getByRole('button', { name: 'Take it to the table' }).click();
  await page.getByRole('button', { name: /^Start/ }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Started:' })).toBeVisible();
  return visit;
}

const signalsOnServer = (page: Page, visit: string): Promise<number> =>
  page.evaluate(async (path) => {
    const answer: unknown = await (await fetch(`/api${path}/events`)).json();
    const events: unknown = typeof answer === 'object' && answer !== null ? Reflect.get(answer, 'events') : [];
    return Array.isArray(events)
      ? events.filter((e: unknown) => typeof e === 'object' && e !== null && Reflect.get(e, 'type') === 'signal_seen').length
      : -1;
  }, visit);

/** In the page: its store takes nothing more, as that of a full device. The browser itself looks at its room only every half minute. @returns makes room */
function fillStore(): () => void {
  const { add, put } = IDBObjectStore.prototype;
  const full = (): never => {
    throw new DOMException('no room', 'QuotaExceededError');
  };
  Object.assign(IDBObjectStore.prototype, { add: full, put: full });
  return () => void Object.assign(IDBObjectStore.prototype, { add, put });
}

test('two browsers on one visit see the same, at once', async ({ page, browser, watch }) => {
  await signIn(page, 'rafael');
  const visit = await toTheTable(page, 'Clover');
  const other = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await watchContext(other, watch);
  const second = await other.newPage();
  await signIn(second, 'tomasz');
  await second.goto(`${visit}/work`);
  await expect(second.getByText('Step 1 of')).toBeVisible();
  await page.getByRole('button', { name: /growls/ }).click();
  await expect(second.getByRole('alert')).toContainText('Pause');
  await second.getByRole('button', { name: /^Pause/ }).click();
  await expect(page.getByText(/^\d+:\d\d of the break left/)).toBeVisible();
  await other.close();
});

test('the network goes and comes back: nothing that was shown is lost', async ({ page, context }) => {
  await signIn(page, 'rafael');
  const visit = await toTheTable(page, 'Teasel');
  await context.setOffline(true);
  for (const name of [/licks lips or nose/, /pulls away/, /pants/]) await page.getByRole('button', { name }).click();
  await expect(page.getByText('kept on this device')).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'pants' })).toBeVisible();
  await context.setOffline(false);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(page.getByText('kept', { exact: true })).toBeVisible();
  await expect.poll(() => signalsOnServer(page, visit)).toBe(3);
});

test('the device is full: the tap says that it is not kept, and is kept once there is room; a tab that is killed has lost nothing', async ({
  page,
  context,
}) => {
  await signIn(page, 'odette');
  const visit = await toTheTable(page, 'Gorse');
  const session = await context.newCDPSession(page);
  const tap = (name: RegExp): Promise<void> => page.getByRole('button', { name }).click();
  const said = (text: string) => page.getByRole('status').filter({ hasText: text });
  const room = await page.evaluateHandle(fillStore);
  await tap(/pants/);
  await expect(page.getByRole('alert').filter({ hasText: 'The storage of this device is full.' })).toBeVisible();
  await expect(said('pants')).toHaveCount(0);
  await room.evaluate((make) => make());
  await tap(/pants/);
  await expect(said('pants')).toBeVisible();
  await context.setOffline(true);
  await tap(/pulls away/);
  await expect(said('pulls away')).toBeVisible();
  await context.setOffline(false);
  // The page goes without a word, with an entry that nobody else has.
  const gone = page.waitForEvent('crash');
  void session.send('Page.crash').catch(() => undefined);
  await gone;
  const next = await context.newPage();
  await next.goto(`${visit}/work`);
  await expect.poll(() => signalsOnServer(next, visit)).toBe(2);
});

test('the server is killed in the middle of the work and started again: nothing is lost', async ({ page }) => {
  const port = await freePort();
  const server = await startServer(port);
  await signIn(page, 'imke', `http://127.0.0.1:${port}`);
  await page.goto(`http://127.0.0.1:${port}/dogs`);
  await search(page, 'Poppy');
  await page.getByRole('link', { name: 'Book a visit for Poppy-Seed' }).click();
  await page.getByRole('button', { name: 'Book', exact: true }).click();
  await page.waitForURL('**/know');
  const visit = new URL(page.url()).pathname.replace(/\/know$/, '');
  await feelOver(page);
  await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
  await agree(page);
  await page.getByRole('button', { name: 'Take it to the table' }).click();
  await page.getByRole('button', { name: /^Start/ }).click();
  await page.getByRole('button', { name: /licks lips or nose/ }).click();
  server.kill('SIGKILL');
  await page.getByRole('button', { name: /pulls away/ }).click();
  await page.getByRole('button', { name: /pants/ }).click();
  await expect(page.getByRole('status').filter({ hasText: 'pants' })).toBeVisible();
  await expect(page.getByText('kept on this device')).toBeVisible();
  const again = await startServer(port);
  try {
    await expect(page.getByText('kept', { exact: true })).toBeVisible({ timeout: 20_000 });
    expect(await signalsOnServer(page, visit)).toBe(3);
    await page.reload();
    await expect(page.getByText('Step 1 of')).toBeVisible();
  } finally {
    again.kill('SIGTERM');
  }
});
