import { spawnSync } from 'node:child_process';
import { type BrowserContext, chromium, type Page } from 'playwright-core';
import { Plain } from '../place.js';
import { wait } from './bad-network.js';

const FLAGS = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-sync'];
const LONGEST_MS = 60_000;

/** What a page has of the visit on its disk. */
export interface OnDevice {
  readonly ids: readonly string[];
  /** Ids of what the server has not said that it has. */
  readonly waiting: readonly string[];
}

/** A real browser with a disk of its own, on one visit at the table, that taps signals as fast as each is shown. */
export class AtTable {
  /** Taps that were begun, and those of which the page said that they are kept. */
  begun = 0;
  shown = 0;
  /** Taps of which the page said that they are not. */
  notKept = 0;
  private constructor(
    private readonly profile: string,
    readonly origin: string,
    readonly visitId: string,
    public context: BrowserContext,
    public page: Page,
  ) {}

  static async open(profile: string, origin: string, visitId: string): Promise<AtTable> {
    const { context, page } = await launch(profile);
    const table = new AtTable(profile, origin, visitId, context, page);
    try {
      await table.come();
    } catch (error) {
      await context.close();
      throw error;
    }
    return table;
  }

  /** To the visit's table, signing in where that is asked for. */
  async come(): Promise<void> {
    const { page } = this;
    await page.goto(`${this.origin}/visits/${this.visitId}/work`);
    const pad = page.locator('man-signal-pad .sign').first();
    const person = page.getByRole('button', { name: 'Rafael Quist' });
    await pad.or(person).first().waitFor({ timeout: LONGEST_MS });
    if (await person.isVisible()) {
      await person.click();
      await page.locator('man-lead-tag a').first().waitFor({ timeout: LONGEST_MS });
      await page.goto(`${this.origin}/visits/${this.visitId}/work`);
      await pad.waitFor({ timeout: LONGEST_MS });
    }
  }

  /** Taps until it is told to end, or the page is gone. */
  async tap(goesOn: () => boolean): Promise<void> {
    for (let i = 0; goesOn(); i++) {
      this.begun++;
      const kept = await this.page.evaluate(tapOnce, i).catch(() => 'gone' as const);
      if (kept === 'gone') return;
      if (kept === 'kept') this.shown++;
      // What is not kept and says so was no entry; where nothing is said yet, it may still become one.
      else if (kept === 'not kept') {
        this.begun--;
        this.notKept++;
      }
    }
  }

  /** Until something has come of the taps. @throws Plain when that takes too long */
  async until(so: () => boolean, what: string): Promise<void> {
    for (const end = Date.now() + LONGEST_MS; !so(); await wait(50)) if (Date.now() > end) throw new Plain(`there was never ${what}`);
  }

  /** Ends the browser without a word, all its processes at once. */
  async killBrowser(): Promise<void> {
    spawnSync('pkill', ['-KILL', '-f', this.profile]);
    await this.context.close().catch(() => undefined);
  }
  /** Switched on again, with what was on its disk. */
  async start(): Promise<void> {
    ({ context: this.context, page: this.page } = await launch(this.profile));
    await this.come();
  }
  /** The tab is gone, and the browser lives. */
  async killTab(): Promise<void> {
    const session = await this.context.newCDPSession(this.page);
    const gone = this.page.waitForEvent('crash');
    // Nobody is left to answer it.
    void session.send('Page.crash').catch(() => undefined);
    await gone;
    await this.page.close().catch(() => undefined);
    this.page = await this.context.newPage();
    await prepare(this.page);
    await this.come();
  }

  /** What is on the disk of this visit. */
  async onDevice(): Promise<OnDevice> {
    return this.page.evaluate(readDevice, this.visitId);
  }
  /** Until nothing waits any more of what waits now, whatever is tapped meanwhile. @throws Plain when that takes too long */
  async untilSent(): Promise<OnDevice> {
    const { waiting } = await this.onDevice();
    for (const until = Date.now() + LONGEST_MS; ;) {
      const now = await this.onDevice();
      const left = waiting.filter((id) => now.waiting.includes(id)).length;
      if (left === 0) return now;
      if (Date.now() > until) throw new Plain(`${left} entries still wait`);
      await wait(100);
    }
  }
  close(): Promise<void> {
    return this.context.close();
  }
}

async function launch(profile: string): Promise<{ context: BrowserContext; page: Page }> {
  const context = await chromium.launchPersistentContext(profile, {
    executablePath: '/usr/bin/chromium',
    args: FLAGS,
    viewport: { width: 1280, height: 800 },
  });
  const page = context.pages()[0] ?? (await context.newPage());
  await prepare(page);
  return { context, page };
}

/** The loader that runs these files names functions by a helper that a page does not have. */
const prepare = (page: Page): Promise<unknown> => page.addInitScript('globalThis.__name = (f) => f');

/** In the page: one tap, until the page says what became of it. */
async function tapOnce(i: number): Promise<'kept' | 'not kept' | 'nothing said'> {
  const entry = document.querySelector('.entry');
  const pad = [...document.querySelectorAll<HTMLButtonElement>('man-signal-pad .sign')].slice(0, 5);
  const button = pad[i % pad.length];
  if (!entry || !button) return 'nothing said';
  const alerts = () => [...document.querySelectorAll('[role=alert]')].map((a) => a.textContent).join();
  const before = { entry: entry.textContent, alerts: alerts() };
  button.click();
  for (let waited = 0; waited < 400; waited++) {
    await new Promise((done) => setTimeout(done, 5));
    if (alerts() !== before.alerts && /storage/i.test(alerts())) return 'not kept';
    if (entry.textContent !== before.entry) return 'kept';
  }
  return 'nothing said';
}

/** In the page: signals of a visit on the disk, and how much of it waits. */
function readDevice(visitId: string): Promise<{ ids: string[]; waiting: string[] }> {
  return new Promise((done, fail) => {
    const opening = indexedDB.open('mansuet');
    opening.onerror = () => fail(new Error('no database'));
    opening.onsuccess = () => {
      const all = opening.result.transaction('events').objectStore('events').index('visitId').getAll(visitId);
      all.onsuccess = () => {
        opening.result.close();
        const kept = all.result as { id: string; sent: number; event: { type: string } }[];
        done({
          ids: kept.filter((k) => k.event.type === 'signal_seen').map((k) => k.id),
          waiting: kept.filter((k) => k.sent === 0).map((k) => k.id),
        });
      };
    };
  });
}
