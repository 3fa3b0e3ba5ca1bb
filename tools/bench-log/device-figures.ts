import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import type { Page } from 'playwright-core';
import * as z from 'zod';
import type { EventDraft } from '../../core/src/log/index.js';
import { type BenchSalon, withPage } from '../bench-salon.js';
import { median } from '../median.js';
import { Plain, WEB_DIST } from '../place.js';
import { BenchPerson } from './people.js';

type Row = (what: string, promised: string, measured: string) => void;

const ENTRIES = 2000;
const TAPS = 100;
const LOADS = 7;
const LONGEST_MS = 60_000;
const at95 = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)] ?? 0;
const ms = (n: number): string => `${Math.round(n)} ms`;

/** What a tap costs in a long visit, beside what the browser's storage costs; how fast what waited is sent; how fast the page is there again. */
export async function deviceFigures(salon: BenchSalon, row: Row): Promise<void> {
  await withPage(salon.origin, async (page) => {
    const visit = ((await page.locator('man-lead-tag a', { hasText: 'Nettle' }).getAttribute('href')) ?? '').split('/')[2] ?? '';
    await fillMixed(await BenchPerson.signIn(salon.origin), visit);
    await page.goto(`${salon.origin}/visits/${visit}/work`);
    await page.locator('man-signal-pad .sign').first().waitFor();
    await untilKept(page, visit, ENTRIES);
    await tapFigure(page, row);
    await syncFigure(page, visit, row);
  });
  await withPage(salon.origin, (page) => loadFigures(page, row), 'allow');
}

/** A long visit as it would be: mostly remarks and breaks, now and then a sign. */
async function fillMixed(person: BenchPerson, visit: string): Promise<void> {
  const draft = (i: number): EventDraft => {
    if (i % 20 === 0) return { type: 'signal_seen', body: { signal: 'yawn' } };
    if (i % 20 === 10) return { type: 'break_started', body: {} };
    if (i % 20 === 11) return { type: 'break_ended', body: {} };
    return { type: 'noted', body: { text: `remark ${i}` } };
  };
  for (let i = 0; i < ENTRIES; i += 500)
    await person.send(
      visit,
      person.make(
        visit,
        Array.from({ length: 500 }, (_, k) => draft(i + k)),
      ),
    );
}

/** Until so many entries of a visit are on the device. */
async function untilKept(page: Page, visit: string, entries: number): Promise<void> {
  await page.waitForFunction(
    ({ id, least }) =>
      new Promise<boolean>((done) => {
        const opening = indexedDB.open('mansuet');
        opening.onsuccess = () => {
          const counting = opening.result.transaction('events').objectStore('events').index('visitId').count(id);
          counting.onsuccess = () => {
            opening.result.close();
            done(counting.result >= least);
          };
        };
      }),
    { id: visit, least: entries },
    { polling: 200, timeout: 60_000 },
  );
}

/** From the tap to the entry that says it is durable, in a frame; in turn with one strict put of the same entry and its next frame. */
async function tapFigure(page: Page, row: Row): Promise<void> {
  await page.waitForTimeout(1500);
  const { taps, puts } = await page.evaluate(async (count) => {
    const db = await new Promise<IDBDatabase>((done, fail) => {
      const opening = indexedDB.open('bench', 1);
      opening.onupgradeneeded = () => opening.result.createObjectStore('puts', { keyPath: 'id' });
      opening.onsuccess = () => done(opening.result);
      opening.onerror = () => fail(new Error('no database'));
    });
    const frame = (): Promise<void> => new Promise((done) => requestAnimationFrame(() => done()));
    const put = async (): Promise<number> => {
      const from = performance.now();
      await new Promise<void>((done, fail) => {
        const trx = db.transaction('puts', 'readwrite', { durability: 'strict' });
        trx.oncomplete = () => done();
        trx.onerror = () => fail(new Error('not put'));
        trx
          .objectStore('puts')
          .add({ id: crypto.randomUUID(), event: { type: 'signal_seen', body: { signal: 'lip_lick' }, at: new Date().toISOString() } });
      });
      await frame();
      return performance.now() - from;
    };
    const entry = document.querySelector('.entry');
    const buttons = [...document.querySelectorAll<HTMLButtonElement>('man-signal-pad .sign')].slice(0, 5);
    const tap = async (i: number): Promise<number> => {
      const button = buttons[i % buttons.length];
      if (!entry || !button) throw new Error('not at the table');
      const from = performance.now();
      await new Promise<void>((done) => {
        const seen = new MutationObserver(() => {
          seen.disconnect();
          requestAnimationFrame(() => done());
        });
        seen.observe(entry, { childList: true, characterData: true, subtree: true });
        button.click();
      });
      return performance.now() - from;
    };
    const out = { taps: [] as number[], puts: [] as number[] };
    for (let i = 0; i < count; i++) {
      out.puts.push(await put());
      await new Promise((done) => setTimeout(done, 40));
      out.taps.push(await tap(i));
      // What follows a tap (the record, its sending) is over before the next.
      await new Promise((done) => setTimeout(done, 450));
    }
    db.close();
    return out;
  }, TAPS);
  row(
    `a tap, durable and shown, ${ENTRIES} entries in the visit: median; 95th percentile`,
    'under 2 × a strict put and its frame',
    `${ms(median(taps))}; ${ms(at95(taps))}. The put ${ms(median(puts))}; ${ms(at95(puts))}: ${(median(taps) / median(puts)).toFixed(2)} ×`,
  );
}

/** Entries that were recorded without a network, until none waits. */
async function syncFigure(page: Page, visit: string, row: Row): Promise<void> {
  await page.context().setOffline(true);
  const waiting = await page.evaluate(
    async ({ count, visitId }) => {
      const opening = indexedDB.open('mansuet');
      const db = await new Promise<IDBDatabase>((done) => (opening.onsuccess = () => done(opening.result)));
      const trx = db.transaction('events', 'readwrite');
      const events = trx.objectStore('events');
      const all = await new Promise<{ event: { id: string; type: string; stamp: { wallMs: number; counter: number } } }[]>((done) => {
        const asking = events.index('visitId').getAll(visitId);
        asking.onsuccess = () => done(asking.result as never);
      });
      // As the page itself writes them: like the last one that was tapped here, each a little later.
      const like = all.filter((k) => k.event.type === 'signal_seen').at(-1);
      if (!like) throw new Error('nothing was tapped');
      for (let i = 1; i <= count; i++) {
        const id = like.event.id.slice(0, 24) + crypto.randomUUID().slice(24);
        const stamp = { ...like.event.stamp, wallMs: like.event.stamp.wallMs + i };
        // As long visits are: mostly remarks, now and then a sign.
        const said = i % 20 === 0 ? {} : { type: 'noted', body: { text: `remark ${i}` } };
        events.add({ id, visitId, sent: 0, event: { ...like.event, ...said, id, stamp, act: id } });
      }
      await new Promise<void>((done) => (trx.oncomplete = () => done()));
      db.close();
      return count;
    },
    { count: ENTRIES, visitId: visit },
  );
  await page.context().setOffline(false);
  const took = await page.evaluate(async (longest) => {
    const from = performance.now();
    window.dispatchEvent(new Event('online'));
    for (;;) {
      const left = await new Promise<number>((done) => {
        const opening = indexedDB.open('mansuet');
        opening.onsuccess = () => {
          const counting = opening.result.transaction('events').objectStore('events').index('sent').count(0);
          counting.onsuccess = () => {
            opening.result.close();
            done(counting.result);
          };
        };
      });
      if (left === 0) return performance.now() - from;
      if (performance.now() - from > longest) return undefined;
      await new Promise((done) => setTimeout(done, 20));
    }
  }, LONGEST_MS);
  if (took === undefined) throw new Plain(`After ${LONGEST_MS / 1000} s entries still wait.`);
  row(`${waiting} entries that waited, until none does`, 'under 2 s', `${(took / 1000).toFixed(2)} s`);
}

/** What the first visit fetches, and how soon the list is there again without a network. */
async function loadFigures(page: Page, row: Row): Promise<void> {
  const { hashTable } = z
    .object({ hashTable: z.record(z.string(), z.string()) })
    .parse(JSON.parse(readFileSync(join(WEB_DIST, 'ngsw.json'), 'utf8')));
  const gzipped = (files: readonly string[]): number => files.reduce((sum, f) => sum + gzipSync(readFileSync(join(WEB_DIST, f))).length, 0);
  const index = readFileSync(join(WEB_DIST, 'index.html'), 'utf8');
  const first = [...index.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map((m) => m[1] ?? '');
  const kb = (bytes: number): string => `${Math.round(bytes / 1000)} kB`;
  row(
    'first load, gzipped: before the list is drawn; all that is then kept for work without a network',
    'under 500 kB',
    `${kb(gzipped(first))}; ${kb(gzipped(Object.keys(hashTable)))} in ${Object.keys(hashTable).length} files`,
  );
  await page.waitForFunction(
    () => navigator.serviceWorker.controller !== null || navigator.serviceWorker.ready.then(() => true),
    undefined,
    { timeout: 60_000 },
  );
  await page.reload();
  await page.waitForFunction(
    async (files) => {
      const kept = new Set<string>();
      for (const name of await caches.keys())
        for (const request of await (await caches.open(name)).keys()) kept.add(new URL(request.url).pathname);
      return files.every((f) => kept.has(f));
    },
    Object.keys(hashTable),
    { polling: 500, timeout: 120_000 },
  );
  const times: number[] = [];
  await page.context().setOffline(true);
  for (let i = 0; i < LOADS; i++) {
    const from = performance.now();
    await page.reload();
    await page.locator('man-lead-tag a').first().waitFor();
    times.push(performance.now() - from);
  }
  row(
    `loaded again without a network, until the dogs of today are drawn, ${LOADS} times: median; slowest`,
    'under 1 s',
    `${ms(median(times))}; ${ms(Math.max(...times))}`,
  );
}
