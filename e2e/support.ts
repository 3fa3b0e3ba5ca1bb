import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { expect, test as base, type BrowserContext, type Locator, type Page } from '@playwright/test';
import { ROOT } from '../tools/place.js';
import { isHealthy } from '../tools/reach.js';

export { expect };
export { ROOT };
export type Who = 'imke' | 'rafael' | 'odette' | 'tomasz';
const NAMES: Readonly<Record<Who, string>> = {
  imke: 'Imke Aldous',
  rafael: 'Rafael Quist',
  odette: 'Odette Marrow',
  tomasz: 'Tomasz Vane',
};

/** What a page did that it must not: requests elsewhere, errors in the console. */
export interface Watch {
  readonly elsewhere: string[];
  readonly errors: string[];
}

/** Every test fails on a request that leaves loopback, and on an error in the page. */
export const test = base.extend<{ watch: Watch }>({
  watch: [
    async ({ context }, use) => {
      const watch: Watch = { elsewhere: [], errors: [] };
      await watchContext(context, watch);
      await use(watch);
      expect(watch.elsewhere, 'requests that leave this machine').toEqual([]);
      expect(watch.errors, 'errors in the page').toEqual([]);
    },
    { auto: true },
  ],
});

/** How far the pages' time is ahead of the machine's, ms: as far as the server's. */
const AHEAD_MS = Number(process.env['MANSUET_CLOCK_AHEAD_MS'] ?? 0);

export async function watchContext(context: BrowserContext, watch: Watch, names: readonly string[] = []): Promise<void> {
  await context.addInitScript((ahead) => {
    const Machine = Date;
    // Called with a moment it is what it was; without one it tells the time of the test.
    window.Date = new Proxy(Machine, {
      construct: (target, args: []) => (args.length > 0 ? new target(...args) : new target(target.now() + ahead)),
      get: (target, key, self: unknown) => (key === 'now' ? () => target.now() + ahead : (Reflect.get(target, key, self) as unknown)),
    });
  }, AHEAD_MS);
  context.on('request', (r) => {
    const url = new URL(r.url());
    if (!['data:', 'blob:'].includes(url.protocol) && ![...names, '127.0.0.1'].includes(url.hostname)) watch.elsewhere.push(r.url());
  });
  context.on('weberror', (e) => watch.errors.push(e.error().message));
}

export async function signIn(page: Page, who: Who, origin = ''): Promise<void> {
  await page.goto(`${origin}/sign-in`);
  await page.getByRole('button', { name: NAMES[who] }).click();
  await expect(page.getByRole('navigation', { name: 'Dogs of today' })).toBeVisible();
}

/** Opens a visit of today from the lead wall. */
export async function openVisit(page: Page, dog: string, phase?: string): Promise<string> {
  const tag = page.locator('man-lead-tag a', { hasText: dog });
  await tag.waitFor();
  const path = ((await tag.getAttribute('href')) ?? '').split('/').slice(0, 3).join('/');
  await (phase ? page.goto(`${path}/${phase}`) : tag.click());
  return path;
}

/** Ticks what makes the end safe, line by line, until why it ended is asked. */
export async function endSafely(page: Page): Promise<void> {
  const lines = page.locator('man-closing-card ol button');
  await lines.first().waitFor();
  for (let left = await lines.count(); left > 0; left--) {
    await page.getByRole('button', { name: /^Done: next line/ }).click();
    await expect(lines).toHaveCount(left - 1);
  }
}

/** Types into the search for a dog, and waits until the list is the one that was found: before, its rows still change places. */
export async function search(page: Page, text: string): Promise<void> {
  await page.getByPlaceholder('Name of the dog or owner, or phone').fill(text);
  await expect(page.getByText(/^\d+ dogs? found$/)).toBeVisible();
}

const ASKED: readonly string[] = ['bath and dry', 'body clip', 'face', 'feet and pads', 'sanitary trim', 'nails'];

/** Works off, line by line, what is done before the dog goes home, and hands it back. */
export async function handBack(page: Page): Promise<void> {
  await page.waitForURL('**/hand_back');
  const next = page.getByRole('button', { name: 'Told, and handed back' });
  await expect(next).toBeVisible();
  const lines = page.locator('man-closing-panel button.wide');
  for (let left = await lines.count(); left > 0; left--) {
    await lines.first().click();
    await expect(lines).toHaveCount(left - 1);
  }
  await expect(next).toBeEnabled();
  await next.click();
  await expect(page.getByText(/^Handed back at/)).toBeVisible();
}

/** Books a dog for now and opens its visit; so that tests do not use up each other's dogs. */
export async function bookDog(page: Page, dog: string, minutes = 150): Promise<string> {
  await page.goto('/dogs');
  await search(page, dog);
  await page.getByRole('link', { name: `Book a visit for ${dog}` }).click();
  await expect(page.getByRole('heading', { name: `A visit for ${dog}` })).toBeVisible();
  // What is proposed is the dog's own; tests of the plan ask for the same of each.
  const items = page.getByRole('toolbar', { name: 'Asked for' }).getByRole('button');
  for (const item of await items.all()) {
    const wanted = ASKED.includes((await item.innerText()).trim());
    if (((await item.getAttribute('aria-pressed')) === 'true') !== wanted) await item.click();
  }
  await page.getByLabel('Length wanted').fill('9');
  await page.getByLabel('Minutes until it is fetched').fill(String(minutes));
  await page.getByRole('button', { name: 'Book', exact: true }).click();
  await page.waitForURL('**/visits/*/know');
  return new URL(page.url()).pathname.replace(/\/know$/, '');
}

/** From Know to the end of the feel-over, with what is found in between. */
export async function feelOver(page: Page, findings: () => Promise<void> = () => Promise.resolve()): Promise<void> {
  await page.getByRole('button', { name: 'I have read it: feel over' }).click();
  const nothing = page.getByRole('button', { name: 'Nothing speaks against it' });
  await nothing.click();
  // What else is asked shows once the answer is kept.
  await expect(nothing).toHaveAttribute('aria-pressed', 'true');
  const vet = page.getByRole('button', { name: 'The vet has agreed' });
  if (await vet.isVisible()) await vet.click();
  await page.getByRole('radio', { name: 'still', exact: true }).click();
  await findings();
}

/** Stops between one thing and another at most. */
const STOPS = 300;

/** Goes to something as who has no pointer: by Tab, and by arrows inside a group that is one stop. */
export async function reach(page: Page, target: Locator): Promise<void> {
  await expect(target).toBeEnabled();
  for (let i = 0; i < STOPS; i++) {
    const at = await target.evaluate((to) => {
      const now = document.activeElement;
      if (now === to) return 'there';
      const group = to.closest('[role=radiogroup], [role=toolbar], [role=tablist]');
      return group && now && group.contains(now) ? 'in its group' : 'elsewhere';
    });
    if (at === 'there') return;
    await page.keyboard.press(at === 'in its group' ? 'ArrowRight' : 'Tab');
  }
  throw new Error(`Tab never came to ${String(target)}`);
}

export async function pickZone(page: Page, zone: string): Promise<void> {
  await page.locator(`.views [data-zone="${zone}"] .ground`).first().click();
  // Small places are magnified first, and the glass takes a moment to open.
  const magnified = page.locator(`.inset [data-zone="${zone}"] .ground`).first();
  const picked = page.locator(`.views [data-zone="${zone}"][aria-selected="true"] .ground`).first();
  await expect(magnified.or(picked).first()).toBeVisible();
  if (await magnified.isVisible()) await magnified.click();
  await expect(picked).toBeVisible();
  await expect(page.getByRole('tab', { name: 'Zone' })).toHaveAttribute('aria-selected', 'true');
}

/** Draws in the field for a signature. */
export async function sign(page: Page): Promise<void> {
  const pad = page.locator('man-signature-field canvas');
  // Only a field that lies still and uncovered is hovered over.
  await pad.hover();
  const box = await pad.boundingBox();
  if (!box) throw new Error('no field to sign in');
  await page.mouse.move(box.x + 30, box.y + 60);
  await page.mouse.down();
  for (let i = 1; i <= 12; i++) await page.mouse.move(box.x + 30 + i * 12, box.y + 60 + (i % 2 === 0 ? 24 : -24), { steps: 3 });
  await page.mouse.up();
  await expect(page.getByRole('img', { name: 'Signature field, signed' })).toBeVisible();
}

/** Answers every consent and goes to the plan. */
export async function agree(page: Page): Promise<void> {
  await page.waitForURL('**/agree');
  await expect(page.getByText(/It takes about/)).toBeVisible();
  const open = page.getByRole('radio', { name: /^Agrees:/, checked: false });
  // A plan that is still searched for may ask for other consents than the one that stands: nothing is counted before that.
  const stands = page.locator('man-signature-field canvas');
  await expect(stands).toBeVisible();
  while ((await open.count()) > 0) {
    const before = await open.count();
    await open.first().click();
    await expect(open).toHaveCount(before - 1);
    await expect(stands).toBeVisible();
  }
  // The file alone decides whether it is asked, and the file is there.
  const none = page.getByRole('button', { name: 'There is no second number' });
  if ((await none.count()) > 0 && (await none.getAttribute('aria-pressed')) !== 'true') await none.click();
  // With the signature nothing is missing any more; what is, would be said here.
  await expect(page.getByText(/still needed/)).toHaveCount(0);
  await sign(page);
  await page.getByRole('button', { name: 'Agreed: plan' }).click();
  await page.waitForURL('**/plan');
}

const started = new Set<ChildProcess>();

/** Ends a server process and waits until it is gone. */
export async function stopServer(child: ChildProcess): Promise<void> {
  started.delete(child);
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((done) => child.once('exit', done));
  child.kill('SIGTERM');
  await gone;
}

test.afterEach(async () => {
  for (const child of [...started]) await stopServer(child);
});

/** A server process of the test's own, on the test database or another one. */
export async function startServer(port: number, env: NodeJS.ProcessEnv = {}): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['server/dist/main.js'], {
    cwd: ROOT,
    env: { ...process.env, MANSUET_PORT: String(port), MANSUET_WEB_DIR: join(ROOT, 'web', 'dist', 'browser'), ...env },
    stdio: 'ignore',
  });
  started.add(child);
  await expect
    .poll(() => isHealthy({ host: '127.0.0.1', secure: env['MANSUET_TLS_CERT'] !== undefined }, port), {
      message: 'the server of the test answers',
      timeout: 120_000,
    })
    .toBe(true);
  return child;
}
