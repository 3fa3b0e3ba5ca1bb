import { chromium, type Page } from 'playwright-core';
import { join } from 'node:path';
import { freePort } from './free-port.js';
import { Plain, ROOT } from './place.js';
import { ensureDatabase, startCluster } from './postgres.js';
import { environment } from './product.js';
import { must, startDetached } from './run-command.js';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** The demo salon on a database of its own, that is measured. */
export interface BenchSalon {
  readonly env: NodeJS.ProcessEnv;
  readonly origin: string;
  readonly adminUrl: string;
  readonly appUrl: string;
  /** From the command to the server that answers, with the data there already, ms. */
  readonly warmStartMs: number;
}

/** Starts a salon with the demo's data, and removes all of it when the work is over. */
export async function withBenchSalon(work: (salon: BenchSalon) => Promise<void>): Promise<void> {
  const cluster = await startCluster('pg-bench', await freePort());
  const port = await freePort();
  try {
    await ensureDatabase(cluster, 'mansuet_bench');
    const env = environment(cluster, 'mansuet_bench', port, true);
    await must('Loading the demo salon', process.execPath, ['demo/dist/main.js'], env);
    const from = performance.now();
    await must('Looking at the demo salon', process.execPath, ['demo/dist/main.js'], env);
    const pid = startDetached(process.execPath, ['server/dist/main.js'], env, join(ROOT, '.run', 'bench.log'));
    try {
      const origin = `http://127.0.0.1:${port}`;
      await healthy(origin);
      await work({
        env,
        origin,
        adminUrl: cluster.url('mansuet_admin', 'mansuet_bench'),
        appUrl: cluster.url('mansuet_app', 'mansuet_bench'),
        warmStartMs: performance.now() - from,
      });
    } finally {
      process.kill(pid);
    }
  } finally {
    cluster.remove();
  }
}

/** A page of somebody who is signed in. @param serviceWorkers whether the page is served from the device once it is there */
export async function withPage(
  origin: string,
  work: (page: Page) => Promise<void>,
  serviceWorkers: 'allow' | 'block' = 'block',
): Promise<void> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: FLAGS });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, serviceWorkers });
    // The loader that runs these files names functions by a helper that a page does not have.
    await page.addInitScript('globalThis.__name = (f) => f');
    await page.goto(`${origin}/sign-in`);
    await page.getByRole('button', { name: 'Rafael Quist' }).click();
    await page.locator('man-lead-tag a', { hasText: 'Nettle' }).waitFor();
    await work(page);
  } finally {
    await browser.close();
  }
}

async function healthy(origin: string): Promise<void> {
  for (let i = 0; i < 200; i++) {
    try {
      if ((await fetch(`${origin}/api/health`)).ok) return;
    } catch {
      await new Promise((done) => setTimeout(done, 50));
    }
  }
  throw new Plain('The bench server did not answer. Its log is in .run/bench.log.');
}
