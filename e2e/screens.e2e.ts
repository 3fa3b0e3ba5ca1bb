import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { ROOT, expect, openVisit, signIn, test } from './support.js';

const SCREENS: readonly { name: string; dog?: string; file?: string; path: string; shows: string | RegExp }[] = [
  { name: 'today', path: '/today', shows: 'Kestrel' },
  { name: 'dogs', path: '/dogs', shows: 'Ludmila Farrow' },
  { name: 'new dog', path: '/dogs/new', shows: 'New dog' },
  { name: 'know', dog: 'Kestrel', path: 'know', shows: 'Tomasz at the head; he talks about the harbour.' },
  { name: 'feel over', dog: 'Moss', path: 'feel_over', shows: 'Found so far' },
  { name: 'agree', dog: 'Moss', path: 'agree', shows: /steps in about/ },
  { name: 'plan', dog: 'Ottoline', path: 'plan', shows: /strain at most/ },
  { name: 'dog file', file: 'Ottoline', path: '/dogs', shows: 'Likes the table low.' },
  { name: 'intakes', path: '/intakes', shows: 'Ask an owner before the first visit' },
  { name: 'messages', path: '/messages', shows: /No message yet|please tell us|Tidewrack:/ },
  { name: 'house rules', path: '/house-rules', shows: 'What no house rule lowers' },
  { name: 'table', dog: 'Nettle', path: 'work', shows: /min planned/ },
  { name: 'hand back', dog: 'Bramble', path: 'hand_back', shows: 'Next visit' },
];

/** Letters are there and nothing moves any more. */
const atRest = (page: Page): Promise<unknown> =>
  page.evaluate(async () => {
    await document.fonts.ready;
    await Promise.allSettled(document.getAnimations().map((a) => a.finished));
  });

for (const size of [
  { width: 1280, height: 800 },
  { width: 834, height: 1112 },
]) {
  test(`axe finds nothing serious and nothing overflows at ${size.width}×${size.height}`, async ({ page }) => {
    await page.setViewportSize(size);
    await signIn(page, 'imke');
    for (const screen of SCREENS) {
      if (screen.dog) {
        await page.goto('/today');
        await openVisit(page, screen.dog, screen.path);
      } else await page.goto(screen.path);
      if (screen.file) {
        await page.getByRole('link', { name: screen.file, exact: true }).click();
        await page.waitForURL(/\/dogs\/[0-9a-f-]{36}$/);
      }
      await expect(page.locator('#sheet').getByText(screen.shows).first()).toBeVisible();
      await atRest(page);
      const { violations } = await new AxeBuilder({ page }).analyze();
      const serious = violations
        .filter((v) => v.impact === 'serious' || v.impact === 'critical')
        .map(
          (v) =>
            `${v.id}: ${v.nodes
              .map((n) => n.target.join(' '))
              .slice(0, 3)
              .join(', ')}`,
        );
      expect.soft(serious, screen.name).toEqual([]);
      const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
      expect.soft(wide, `${screen.name} scrolls sideways`).toBeLessThanOrEqual(0);
    }
  });
}

test('at the table the targets are at least 64 px, and Pause and Stop do not move', async ({ page }) => {
  await signIn(page, 'rafael');
  await openVisit(page, 'Nettle', 'work');
  const stop = page.getByRole('button', { name: /^Stop/ });
  const before = await stop.boundingBox();
  for (const button of await page.locator('.pad button, .fixed button, .acts button, .tools button').all()) {
    const box = await button.boundingBox();
    expect(box?.height ?? 0, await button.innerText()).toBeGreaterThanOrEqual(63.5);
  }
  await page.getByRole('button', { name: /pulls away/ }).click();
  expect(await stop.boundingBox()).toEqual(before);
});

test('the first load is under 500 kB of script and style, gzipped', () => {
  const dist = join(ROOT, 'web', 'dist', 'browser');
  const page = readFileSync(join(dist, 'index.html'), 'utf8');
  const files = [...page.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map((m) => m[1] ?? '');
  expect(files.length).toBeGreaterThan(1);
  const bytes = files.reduce((sum, f) => sum + gzipSync(readFileSync(join(dist, f))).length, 0);
  expect(bytes).toBeLessThan(500_000);
});
