import { type EventDraft, type VisitEvent } from '@mansuet/core/log';
import { addDog, anEvent, bookVisit, Browser, specServer, type SpecServer } from '../testing/spec-salon.js';
import { KeptVisits } from './kept-visits.js';
import { rebuildProjections } from './project.js';

const DRAFTS: readonly EventDraft[] = [
  { type: 'file_read', body: {} },
  { type: 'weighed', body: { kg: 18.4 } },
  { type: 'work_started', body: {} },
  { type: 'step_started', body: { step: 'nails' } },
  { type: 'signal_seen', body: { signal: 'lip_lick' } },
  { type: 'signal_seen', body: { signal: 'growl' } },
  { type: 'break_started', body: {} },
  { type: 'break_ended', body: {} },
  { type: 'noted', body: { text: 'calmer after the break' } },
  { type: 'visit_ended', body: { outcome: 'finished', why: '' } },
  { type: 'handed_back', body: { toldTo: 'x', nextVisit: null, vetAdvised: false } },
];

describe('visits that a process keeps', () => {
  let server: SpecServer;
  let other: SpecServer;
  let browser: Browser;
  let salonId: string;
  let dogId: string;

  beforeAll(async () => {
    server = await specServer();
    other = await server.again();
    browser = new Browser(server.url);
    await browser.foundSalon();
    dogId = await addDog(browser);
    const session = (await browser.send('GET', '/api/session')).json as { signedIn: { salon: { salonId: string } } };
    salonId = session.signedIn.salon.salonId;
  });
  afterAll(async () => {
    await other.close();
    await server.close();
  });

  /** What the tables know of a visit. */
  const tables = (visitId: string) =>
    server.db.inSalon(salonId, async (trx) => ({
      visit: await trx.selectFrom('visit').select(['phase', 'summary', 'dog_id']).where('visit_id', '=', visitId).execute(),
      exposure: await trx.selectFrom('exposure').selectAll().where('visit_id', '=', visitId).orderBy('activity').orderBy('hold').execute(),
      marks: await trx.selectFrom('mark_seen').selectAll().where('visit_id', '=', visitId).execute(),
      weights: await trx.selectFrom('dog_weight').select(['kg', 'on_day']).where('visit_id', '=', visitId).execute(),
      incidents: await trx.selectFrom('incident').selectAll().where('visit_id', '=', visitId).execute(),
    }));

  it('come to the same as all of it read anew, whichever process takes what, in whatever order, with what is taken back', async () => {
    const visitId = await bookVisit(browser, dogId);
    const at = Date.now() - 3_600_000;
    const made = DRAFTS.map((draft, i): VisitEvent => {
      const event = anEvent(visitId, browser.staffId, draft);
      return { ...event, at: new Date(at + i * 60_000).toISOString(), stamp: { wallMs: at + i * 60_000, counter: 0, device: 'spec' } };
    });
    const growl = made[5];
    const void5 = growl && anEvent(visitId, browser.staffId, { type: 'voided', body: { target: growl.id, why: 'undo' } });
    // In order here, then there, then one that is late here, one taken back there, one more here.
    const steps: [string, number[]][] = [
      [server.url, [0, 1, 2]],
      [server.url, [3]],
      [other.url, [4, 5]],
      [server.url, [7]],
      [server.url, [6]],
      [other.url, [9]],
      [server.url, [8]],
    ];
    for (const [url, which] of steps) {
      const events = which.map((i) => (i === 9 ? void5 : made[i]));
      const there = new Browser(url);
      there.cookie = browser.cookie;
      there.csrf = browser.csrf;
      expect((await there.send('POST', `/api/visits/${visitId}/events`, { events })).status).toBe(200);
      const written = await tables(visitId);
      await server.db.inSalon(salonId, (trx) => rebuildProjections(trx, salonId));
      expect(written).toEqual(await tables(visitId));
    }
  });

  it('goes on from the log when what was kept came to nothing', async () => {
    const visitId = await bookVisit(browser, dogId);
    const post = (...events: unknown[]) => browser.send('POST', `/api/visits/${visitId}/events`, { events });
    await post(anEvent(visitId, browser.staffId, { type: 'file_read', body: {} }));
    const note = anEvent(visitId, browser.staffId, { type: 'noted', body: { text: 'x' } });
    expect((await post({ ...note, visitId: '01900000-0000-7000-8000-0000000000ff' })).status).toBe(422);
    expect((await post(anEvent(visitId, '01900000-0000-7000-8000-0000000000aa', { type: 'file_read', body: {} }))).status).toBe(403);
    await post(note);
    // Of a visit that runs nothing is summed up; of one that is over, all of it.
    expect((await tables(visitId)).visit[0]).toEqual(jasmine.objectContaining({ phase: 'feel_over', summary: null }));
    await post(
      anEvent(visitId, browser.staffId, { type: 'visit_ended', body: { outcome: 'not_today', why: '' } }),
      anEvent(visitId, browser.staffId, { type: 'handed_back', body: { toldTo: 'x', nextVisit: null, vetAdvised: false } }),
    );
    const [over] = (await tables(visitId)).visit;
    expect([over?.phase, over?.summary?.notes]).toEqual(['gone', ['x']]);
    // Taken back, it runs again.
    const { events } = (await browser.send('GET', `/api/visits/${visitId}/events`)).json as { events: { id: string; type: string }[] };
    const handed = events.find((e) => e.type === 'handed_back')?.id ?? '';
    await post(anEvent(visitId, browser.staffId, { type: 'voided', body: { target: handed, why: 'undo' } }));
    expect((await tables(visitId)).visit[0]?.summary).toBeNull();
  });

  it('are read on by several tablets at once, one after the other', async () => {
    const visitId = await bookVisit(browser, dogId);
    const signs = Array.from({ length: 24 }, () => anEvent(visitId, browser.staffId, { type: 'signal_seen', body: { signal: 'yawn' } }));
    const answers = await Promise.all(signs.map((e) => browser.send('POST', `/api/visits/${visitId}/events`, { events: [e] })));
    expect(new Set(answers.map((a) => a.status))).toEqual(new Set([200]));
    await browser.send('POST', `/api/visits/${visitId}/events`, {
      events: [anEvent(visitId, browser.staffId, { type: 'handed_back', body: { toldTo: 'x', nextVisit: null, vetAdvised: false } })],
    });
    const written = await tables(visitId);
    await server.db.inSalon(salonId, (trx) => rebuildProjections(trx, salonId));
    expect(written).toEqual(await tables(visitId));
    expect(written.visit[0]?.phase).toBe('gone');
  });

  it('are let go, the longest unused first, and taken out while they are read on', () => {
    const kept = new KeptVisits();
    const visit = { cursor: 1 } as never;
    for (let i = 0; i < 201; i++) kept.put('s', String(i), visit);
    expect([kept.take('s', '0'), kept.take('t', '1'), kept.take('s', '200')]).toEqual([undefined, undefined, visit]);
    expect(kept.take('s', '200')).toBeUndefined();
    // How far it was read is known also while somebody has it.
    expect([kept.cursorOf('s', '200'), kept.cursorOf('s', '0')]).toEqual([1, 0]);
  });
});
