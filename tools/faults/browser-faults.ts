import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Plain } from '../place.js';
import { withClient } from '../postgres.js';
import { AtTable } from './at-table.js';
import { wait } from './bad-network.js';
import type { Came } from './came.js';
import type { SalonUnderFault } from './salon-under-fault.js';
import type { WebCopy } from './web-copy.js';

/** What is done to a browser while it taps. Resolves when the table is there again, and can be tapped. */
type BrowserFault = (table: AtTable, salon: SalonUnderFault, web: WebCopy) => Promise<void>;

/** Bytes that are left to an origin whose storage is full: less than an entry. */
const FULL_BYTES = 1;

export const BROWSER_FAULTS: Readonly<Record<string, BrowserFault>> = {
  'browser killed mid-tap': async (table) => {
    await table.killBrowser();
    await table.start();
  },
  'tab killed while sending': (table) => table.killTab(),
  'storage full': async (table) => {
    const session = await table.context.newCDPSession(table.page);
    await session.send('Storage.overrideQuotaForOrigin', { origin: table.origin, quotaSize: FULL_BYTES });
    // The browser looks at its room every half minute.
    await table.until(() => table.notKept > 0, 'a tap that says it is not kept');
    await session.send('Storage.overrideQuotaForOrigin', { origin: table.origin });
    const { shown } = table;
    await table.until(() => table.shown > shown, 'a tap that is kept again');
  },
  'session ended while offline': async (table, salon) => {
    await table.context.setOffline(true);
    await wait(700);
    await withClient(salon.adminUrl, (client) => client.query('delete from session'));
    await table.context.setOffline(false);
    await table.page.evaluate(() => window.dispatchEvent(new Event('online')));
    // Under the right of this device what was recorded arrives, though nobody is signed in.
    await table.untilSent();
    await table.come();
  },
  'new version mid-visit': async (table, _salon, web) => {
    const { page } = table;
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    // Before the first load of all the page is not served by what it installed.
    if (!(await page.evaluate(() => navigator.serviceWorker.controller !== null))) await table.come();
    const mark = web.deploy();
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await page.getByText('It waits until this visit is left').waitFor({ timeout: 60_000 });
    if ((await page.content()).includes(mark)) throw new Plain('the new version did not wait');
    await wait(300);
    await page.goto(`${table.origin}/today`);
    const take = page.getByRole('button', { name: 'Go on with it' });
    if (await take.isVisible()) await take.click();
    await page.waitForFunction((text) => document.documentElement.innerHTML.includes(text), mark, { timeout: 60_000 });
    await table.come();
  },
};

/** Signals of a visit at the server, by id. */
async function stored(salon: SalonUnderFault, visitId: string): Promise<ReadonlySet<string>> {
  const { rows } = await withClient(salon.adminUrl, (client) =>
    client.query<{ event_id: string }>(`select event_id from visit_event where visit_id = $1 and type = 'signal_seen'`, [visitId]),
  );
  return new Set(rows.map((r) => r.event_id));
}

/**
 * One browser at the table, tapped through one fault.
 * @throws Plain with what was lost, or was there though it was said not to be kept
 */
export async function browserOnce(
  fault: BrowserFault,
  salon: SalonUnderFault,
  web: WebCopy,
  visitId: string,
  chance: () => number,
): Promise<Came> {
  const profile = mkdtempSync(join(tmpdir(), 'mansuet-fault-'));
  const table = await AtTable.open(profile, salon.url, visitId);
  try {
    const before = await stored(salon, visitId);
    let goes = true;
    const tapping = table.tap(() => goes);
    await wait(300 + 700 * chance());
    await fault(table, salon, web);
    goes = false;
    await tapping;
    // The first entry after it: the table can be worked on.
    let more = 1;
    await table.tap(() => more-- > 0);
    const device = await table.untilSent();
    const there = await stored(salon, visitId);
    const news = [...there].filter((id) => !before.has(id)).length;
    const missing = device.ids.filter((id) => !there.has(id)).length;
    if (missing > 0) throw new Plain(`${missing} entries on the device are not at the server`);
    if (news < table.shown) throw new Plain(`${table.shown} entries were shown as kept, ${news} are stored`);
    if (news > table.begun) throw new Plain(`${news} entries are stored, ${table.begun} were tapped`);
    if (table.shown < 2) throw new Plain('hardly anything was tapped');
    return { entries: table.shown, voids: 0 };
  } finally {
    await table.close().catch(() => undefined);
    rmSync(profile, { recursive: true, force: true });
  }
}
