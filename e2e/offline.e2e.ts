import { createHash, X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, chromium, type Page } from '@playwright/test';
import { ensureCertificate } from '../tools/authority.js';
import { freePort } from '../tools/free-port.js';
import { CHROMIUM_FLAGS } from './playwright.config.js';
import { expect, signIn, startServer, stopServer, test, watchContext } from './support.js';

/** A name as a salon has one: nothing of what is tested here may rest on the exceptions that browsers make for loopback. */
const NAME = 'salon.test';

interface Tablet {
  readonly context: BrowserContext;
  readonly page: Page;
}

/** Every file of the application is on the device, and the page is served from there. */
async function applicationIsKept(page: Page): Promise<void> {
  await expect
    .poll(
      () =>
        page.evaluate(async () => {
          if (!navigator.serviceWorker.controller) return 'not served by it yet';
          const { hashTable } = (await (await fetch('/ngsw.json')).json()) as { hashTable: Record<string, string> };
          const kept = new Set<string>();
          for (const name of await caches.keys())
            for (const request of await (await caches.open(name)).keys()) kept.add(new URL(request.url).pathname);
          return Object.keys(hashTable).filter((file) => !kept.has(file)).length;
        }),
      { message: 'files that are not on the device yet', timeout: 120_000 },
    )
    .toBe(0);
}

/** The file and record of every dog of today are on the device. */
async function dayIsKept(page: Page): Promise<void> {
  const dogs = await page.locator('man-lead-tag').count();
  await expect
    .poll(
      () =>
        page.evaluate(
          () =>
            new Promise<number>((done) => {
              const opening = indexedDB.open('mansuet');
              opening.onsuccess = () => {
                const keys = opening.result.transaction('answers').objectStore('answers').getAllKeys();
                keys.onsuccess = () => {
                  opening.result.close();
                  done(keys.result.filter((k) => String(k).startsWith('visit:')).length);
                };
              };
            }),
        ),
      { message: 'visits on the device', timeout: 60_000 },
    )
    .toBe(dogs);
}

test('a shift without a network, over HTTPS: every dog of today opens, what is tapped lives through a restart, and arrives once', async ({
  watch,
}) => {
  const directory = mkdtempSync(join(tmpdir(), 'mansuet-tablet-'));
  const certificate = ensureCertificate([NAME], join(directory, 'tls'));
  const spki = new X509Certificate(readFileSync(certificate.cert)).publicKey.export({ type: 'spki', format: 'der' });
  const port = await freePort();
  const origin = `https://${NAME}:${port}`;
  const env = { MANSUET_TLS_CERT: certificate.cert, MANSUET_TLS_KEY: certificate.key, MANSUET_PUBLIC_URL: origin };
  /** The same tablet, switched on. */
  const switchOn = async (): Promise<Tablet> => {
    const context = await chromium.launchPersistentContext(join(directory, 'profile'), {
      executablePath: '/usr/bin/chromium',
      args: [
        ...CHROMIUM_FLAGS,
        `--host-resolver-rules=MAP ${NAME} 127.0.0.1`,
        // As if the salon's authority had been installed: everything else about the certificate is checked.
        `--ignore-certificate-errors-spki-list=${createHash('sha256').update(spki).digest('base64')}`,
      ],
      viewport: { width: 1280, height: 800 },
      timezoneId: 'UTC',
      serviceWorkers: 'allow',
    });
    await watchContext(context, watch, [NAME]);
    return { context, page: context.pages()[0] ?? (await context.newPage()) };
  };

  try {
    const server = await startServer(port, env);
    let { context, page } = await switchOn();
    await signIn(page, 'imke', origin);
    const cookie = (await context.cookies()).find((c) => c.name === '__Host-mansuet');
    expect([cookie?.secure, cookie?.httpOnly, cookie?.sameSite]).toEqual([true, true, 'Strict']);
    await applicationIsKept(page);
    await dayIsKept(page);
    const wall = page.locator('man-lead-tag a');
    const visits = await wall.evaluateAll((all) => all.map((a) => ({ path: a.getAttribute('href') ?? '', text: a.textContent ?? '' })));
    expect(visits.length).toBeGreaterThan(5);

    await stopServer(server);
    await page.reload();
    await expect(wall).toHaveCount(visits.length);
    for (const { path, text } of visits) {
      const visit = path.split('/').slice(0, 3).join('/');
      await page.goto(`${origin}${visit}/know`);
      const name = page.locator('man-visit-frame h1');
      await expect(name).toBeVisible();
      const shown = (await name.textContent())?.trim() ?? '';
      // Each tag opens its own dog.
      expect(text).toContain(shown);
    }

    const working = visits.find((v) => v.path.endsWith('/work'));
    if (!working) throw new Error('no dog is at the table');
    await page.goto(origin + working.path);
    const before = await signalsKept(page);
    await page.getByRole('button', { name: /licks lips or nose/ }).click();
    await expect(page.getByText('kept on this device')).toBeVisible();
    expect(await signalsKept(page)).toBe(before + 1);

    await context.close();
    ({ context, page } = await switchOn());
    await page.goto(`${origin}/today`);
    await expect(page.locator('man-lead-tag a')).toHaveCount(visits.length);
    await page.goto(origin + working.path);
    expect(await signalsKept(page)).toBe(before + 1);

    const again = await startServer(port, env);
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await expect(page.getByText('kept', { exact: true })).toBeVisible();
    const visitPath = working.path.split('/').slice(0, 3).join('/');
    expect(await signalsStored(page, visitPath)).toBe(before + 1);
    await context.close();
    await stopServer(again);
  } finally {
    rmSync(directory, { recursive: true, force: true });
  }
});

/** Lip licks of the open visit on this device. */
const signalsKept = (page: Page): Promise<number> =>
  page.evaluate(
    (visitId) =>
      new Promise<number>((done) => {
        const opening = indexedDB.open('mansuet');
        opening.onsuccess = () => {
          const all = opening.result.transaction('events').objectStore('events').index('visitId').getAll(visitId);
          all.onsuccess = () => {
            opening.result.close();
            done(all.result.filter((k: { event: { type: string } }) => k.event.type === 'signal_seen').length);
          };
        };
      }),
    new URL(page.url()).pathname.split('/')[2] ?? '',
  );

const signalsStored = (page: Page, visit: string): Promise<number> =>
  page.evaluate(async (path) => {
    const { events } = (await (await fetch(`/api${path}/events`)).json()) as { events: { type: string }[] };
    return events.filter((e) => e.type === 'signal_seen').length;
  }, visit);
