import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Subject } from 'rxjs';
import type { EventDraft, VisitEvent } from '@mansuet/core/log';
import { LiveService } from '../server/live.service';
import { SessionService } from '../server/session.service';
import { FakeApi, refusal, storesAll } from '../testing/fake-api';
import { until } from '../testing/page';
import { VisitLog } from './visit-log.service';
import { KeyRing } from '../this-device/key-ring';
import { DeviceLog } from './device-log';
import { cut, Outbox } from './outbox';
import { TAB_CHANNEL } from './tabs';
import { type KeptEvent, VISIT_DB, VisitDb } from './visit-db';

const VISIT = '01900000-0000-7000-8000-000000000001';
const STAFF = '01900000-0000-7000-8000-000000000003';
/** Of this spec's own: others run in the same page. */
const CHANNEL = `spec-${crypto.randomUUID()}`;
const SEEN: EventDraft = { type: 'signal_seen', body: { signal: 'growl' } };
describe('VisitLog', () => {
  let api: FakeApi;
  /** The session's token is not the one that the server wants. */
  let ended: boolean;
  /** Where in a batch the server finds an event that it does not take; -1 when it takes all. */
  let badAt: (events: readonly { id: string }[]) => number;
  let db: VisitDb;
  let changes: Subject<string | undefined>;
  let log: VisitLog;
  let renew: () => boolean;
  /** Staff id of who is signed in. */
  const who = signal<string | undefined>(STAFF);

  beforeEach(() => {
    api = new FakeApi();
    ended = false;
    badAt = () => -1;
    api.answer('GET /visits', { events: [] });
    api.answerBy('POST /visits', (body, path, headers) => {
      if (ended) return refusal({ code: 'csrf', title: 'This page is out of date.', status: 403 });
      const bad = badAt((body as { events: { id: string }[] }).events);
      if (bad < 0) return storesAll(body, path, headers);
      return refusal({
        code: 'bad_input',
        title: 'Some values cannot be taken.',
        errors: [{ path: `events.${bad}.body`, message: 'wrong' }],
      });
    });
    renew = () => false;
    who.set(STAFF);
    api.answerBy('POST /grants', () => refusal({ code: 'internal', title: 'Not asked about here.', status: 500 }));
    db = new VisitDb(`spec-${crypto.randomUUID()}`);
    changes = new Subject();
    TestBed.configureTestingModule({
      providers: [
        api.provider(),
        { provide: LiveService, useValue: { changes$: changes } },
        {
          provide: SessionService,
          useValue: { signedIn: () => who() && { staff: { staffId: who() } }, renew: () => Promise.resolve(renew()) },
        },
        { provide: VISIT_DB, useValue: db },
        { provide: TAB_CHANNEL, useFactory: () => new BroadcastChannel(CHANNEL) },
      ],
    });
    log = TestBed.inject(VisitLog);
  });
  afterEach(async () => {
    api.online = true;
    await log.flush();
    TestBed.resetTestingModule();
    await log.flush();
  });

  const kept = () => db.events.toArray();
  const settled = (so: () => Promise<boolean>): Promise<void> => until({ whenStable: () => Promise.resolve() }, so);

  it('has an entry on this device when record resolves', async () => {
    api.online = false;
    const event = await log.record(VISIT, SEEN);
    expect((await db.events.get(event.id))?.sent).toBe(0);
  });

  it('keeps entries while the server is away, and sends each once when it is back', async () => {
    api.online = false;
    await log.record(VISIT, SEEN);
    await log.record(VISIT, SEEN);
    await log.flush();
    expect(log.status()).toBe('waiting');
    expect(log.waiting$.value).toBe(2);
    api.online = true;
    window.dispatchEvent(new Event('online'));
    // The rows are marked before the status is told: what the groomer sees is the last thing to come true.
    await settled(() => Promise.resolve(log.status() === 'saved'));
    expect(log.status()).toBe('saved');
    expect(log.waiting$.value).toBe(0);
    expect((await kept()).map((k) => k.sent)).toEqual([1, 1]);
    expect(api.bodies('POST', `/visits/${VISIT}/events`).flatMap((b) => (b as { events: unknown[] }).events).length).toBe(2);
  });

  it('shows the state at once, network or not', async () => {
    api.online = false;
    const states: number[] = [];
    const sub = log.state$(VISIT).subscribe((s) => states.push(s.eventCount));
    await log.record(VISIT, { type: 'work_started', body: {} });
    await log.record(VISIT, SEEN);
    await settled(() => Promise.resolve(states.at(-1) === 2));
    expect(states.at(-1)).toBe(2);
    sub.unsubscribe();
  });

  it('sets a refused entry aside, says so, and lets the others through', async () => {
    api.online = false;
    const bad = await log.record(VISIT, SEEN);
    const good = await log.record(VISIT, { type: 'work_started', body: {} });
    api.online = true;
    badAt = (events) => events.findIndex((e) => e.id === bad.id);
    await log.flush();
    await settled(async () => (await db.events.get(good.id))?.sent === 1);
    expect((await db.events.get(bad.id))?.sent).toBe(2);
    expect(log.refused().map((k) => k.id)).toEqual([bad.id]);
    // It was done all the same: nothing goes from the screen because the server said no.
    expect((await TestBed.inject(DeviceLog).events(VISIT)).map((e) => e.id).sort()).toEqual([bad.id, good.id].sort());
  });

  it('finds the refused one of a batch when the server names none, and lets the others through', async () => {
    api.online = false;
    const all = [await log.record(VISIT, SEEN), await log.record(VISIT, SEEN), await log.record(VISIT, SEEN)];
    api.answerBy('POST /visits', (body, path, headers) => {
      const { events } = body as { events: { id: string }[] };
      return events.some((e) => e.id === all[1]?.id)
        ? refusal({ code: 'forbidden', title: 'No.', status: 403 })
        : storesAll(body, path, headers);
    });
    api.online = true;
    await log.flush();
    expect((await kept()).map((k) => `${k.id} ${k.sent}`).sort()).toEqual(all.map((e, i) => `${e.id} ${i === 1 ? 2 : 1}`).sort());
    expect(log.status()).toBe('saved');
  });

  it('sends what was refused again, or lets it go, by hand', async () => {
    const outbox = TestBed.inject(Outbox);
    badAt = () => 0;
    const [one, other] = [await log.record(VISIT, SEEN), await log.record(VISIT, SEEN)];
    await log.flush();
    expect(log.refused().length).toBe(2);
    badAt = () => -1;
    await outbox.letGo(other.id);
    await outbox.sendAgain([one.id]);
    expect(log.refused()).toEqual([]);
    expect([(await db.events.get(one.id))?.sent, (await db.events.get(other.id))?.sent]).toEqual([1, 3]);
    expect((await TestBed.inject(DeviceLog).events(VISIT)).map((e) => e.id)).toEqual([one.id]);
  });

  it('is not held up by a visit that always fails', async () => {
    const other = '01900000-0000-7000-8000-000000000002';
    api.online = false;
    const stuck = await log.record(VISIT, SEEN);
    const free = await log.record(other, SEEN);
    api.answer(`GET /visits/${other}`, { events: [] });
    api.answerBy(`POST /visits/${VISIT}`, () => refusal({ code: 'internal', title: 'Oh.', status: 500 }));
    api.online = true;
    await log.flush();
    expect([(await db.events.get(stuck.id))?.sent, (await db.events.get(free.id))?.sent]).toEqual([0, 1]);
    expect(log.status()).toBe('waiting');
    api.answerBy(`POST /visits/${VISIT}`, storesAll);
    await log.flush();
    expect(log.status()).toBe('saved');
  });

  it('cuts a request by entries and by bytes, and always sends one', () => {
    const entry = (id: string, letters: number): KeptEvent =>
      ({ id, visitId: VISIT, sent: 0, event: { text: 'x'.repeat(letters) } }) as unknown as KeptEvent;
    const ids = (kept: readonly KeptEvent[]): string[] => kept.map((k) => k.id);
    expect(ids(cut([entry('a', 10), entry('b', 10), entry('c', 10)], 2))).toEqual(['a', 'b']);
    expect(ids(cut([entry('a', 150_000), entry('b', 150_000)], 200))).toEqual(['a']);
    expect(ids(cut([entry('a', 900_000), entry('b', 1)], 200))).toEqual(['a']);
  });

  it('says that the sign-in has ended, keeps the entries, and does not call the server away', async () => {
    ended = true;
    await log.record(VISIT, SEEN);
    await log.flush();
    expect(log.status()).toBe('signed_out');
    expect(log.refused()).toEqual([]);
    ended = false;
    await log.flush();
    expect((await kept()).map((k) => k.sent)).toEqual([1]);
    expect(log.status()).toBe('saved');
  });

  it('goes on by itself when somebody has signed in again in another tab', async () => {
    ended = true;
    renew = () => {
      ended = false;
      return true;
    };
    await log.record(VISIT, SEEN);
    await log.flush();
    expect((await kept()).map((k) => k.sent)).toEqual([1]);
  });

  it('takes in what another tablet recorded', async () => {
    const mine = await log.record(VISIT, { type: 'work_started', body: {} });
    const theirs = {
      ...mine,
      id: '01900000-0000-7000-8000-0000000000aa',
      type: 'signal_seen',
      body: { signal: 'growl' },
      stamp: { ...mine.stamp, device: 'other', counter: mine.stamp.counter + 1 },
    };
    api.answer('GET /visits', { events: [mine, theirs] });
    await log.merge(VISIT, []);
    changes.next(VISIT);
    await settled(async () => (await db.events.count()) === 2);
    expect((await db.events.toArray()).map((k) => k.id).sort()).toEqual([mine.id, theirs.id].sort());
  });

  it('gives each entry a later stamp than the one before, also after a tablet whose clock is ahead', async () => {
    const a = await log.record(VISIT, SEEN);
    await log.merge(VISIT, [
      { ...a, id: '01900000-0000-7000-8000-0000000000ab', stamp: { wallMs: a.stamp.wallMs + 3_600_000, counter: 0, device: 'ahead' } },
    ]);
    const b = await log.record(VISIT, SEEN);
    expect(b.stamp.wallMs).toBe(a.stamp.wallMs + 3_600_000);
    expect(b.stamp.counter).toBe(1);
  });

  it('goes on from the stamps it has kept, after a restart whose clock is behind', async () => {
    const a = await log.record(VISIT, SEEN);
    await db.stamps.put({ key: 'stamp', stamp: { ...a.stamp, wallMs: a.stamp.wallMs + 60_000, counter: 4 } });
    const b = await log.record(VISIT, SEEN);
    expect([b.stamp.wallMs, b.stamp.counter]).toEqual([a.stamp.wallMs + 60_000, 5]);
  });

  it('asks only for what came after the last answer', async () => {
    await log.record(VISIT, SEEN);
    api.answer('GET /visits', { events: [], cursor: 7 });
    changes.next(VISIT);
    await settled(async () => (await db.cursors.get(VISIT))?.cursor === 7);
    changes.next(undefined);
    await settled(() => Promise.resolve(api.sent.some((s) => s.path.endsWith('after=7'))));
    expect(api.sent.filter((s) => s.method === 'GET').map((s) => s.path)).toEqual([
      `/visits/${VISIT}/events?after=0`,
      `/visits/${VISIT}/events?after=7`,
    ]);
  });

  it('keeps an entry as the server timed it, and goes on from there', async () => {
    const timed = (e: VisitEvent): VisitEvent => ({
      ...e,
      timed: 'by_arrival',
      at: '2026-11-30T10:00:00.000Z',
      stamp: { ...e.stamp, wallMs: 5, counter: 0 },
    });
    api.answerBy('POST /visits', (body) => {
      const { events } = body as { events: VisitEvent[] };
      return { ok: true, value: { stored: events.map((e) => e.id), known: [], timed: events.map(timed) } };
    });
    const mine = await log.record(VISIT, SEEN);
    await log.flush();
    expect((await db.events.get(mine.id))?.event).toEqual(timed(mine));
    expect((await db.stamps.get('stamp'))?.stamp.wallMs).toBe(5);
  });

  it('says its own clock with each batch', async () => {
    const before = Date.now();
    await log.record(VISIT, SEEN);
    await log.flush();
    const [{ deviceNow }] = api.bodies('POST', `/visits/${VISIT}/events`) as [{ deviceNow: number }];
    expect(deviceNow).toBeGreaterThanOrEqual(before);
    expect(deviceNow).toBeLessThanOrEqual(Date.now());
  });

  it('shows at once what another tab of this device records, and counts what waits there', async () => {
    const told: unknown[] = [];
    const other = new BroadcastChannel(CHANNEL);
    other.onmessage = ({ data }) => told.push(data);
    const states: number[] = [];
    const sub = log.state$(VISIT).subscribe((s) => states.push(s.eventCount));
    api.online = false;
    const mine = await log.record(VISIT, SEEN);
    await settled(() => Promise.resolve(told.includes(VISIT)));
    const theirs: VisitEvent = { ...mine, id: '01900000-0000-7000-8000-0000000000ac', stamp: { ...mine.stamp, counter: 9 } };
    await db.events.add({ id: theirs.id, visitId: VISIT, event: theirs, sent: 0 });
    other.postMessage(VISIT);
    await settled(() => Promise.resolve(states.at(-1) === 2 && log.waiting$.value === 2));
    expect(log.waiting$.value).toBe(2);
    sub.unsubscribe();
    other.close();
  });

  it('forgets what was only read when somebody signs out, and keeps what waits', async () => {
    const sent = await log.record(VISIT, SEEN);
    await log.flush();
    api.online = false;
    const waits = await log.record(VISIT, SEEN);
    await db.answers.put({ key: 'today', value: 1 });
    await log.forgetWhatWasRead();
    expect((await kept()).map((k) => k.id)).toEqual([waits.id]);
    expect(await db.answers.count()).toBe(0);
    expect(sent.id).not.toBe(waits.id);
  });

  describe('with several people on one device', () => {
    const OTHER = '01900000-0000-7000-8000-0000000000bb';
    const SECRET = 'a secret of the first';
    const signInAs = (staffId: string | undefined): Promise<void> => {
      who.set(staffId);
      TestBed.tick();
      return log.flush();
    };

    it('asks once for the right to send in a person’s name, and keeps it', async () => {
      const grantId = '01900000-0000-7000-8000-0000000000d1';
      api.answer('POST /grants', { grantId, secret: SECRET });
      await signInAs(undefined);
      await signInAs(STAFF);
      await settled(async () => (await db.grants.count()) === 1);
      await signInAs(OTHER);
      await signInAs(STAFF);
      await settled(async () => (await db.grants.count()) === 2);
      expect(await TestBed.inject(KeyRing).secretOf(STAFF)).toBe(SECRET);
      expect(await TestBed.inject(KeyRing).grantIdOf(STAFF)).toBe(grantId);
    });

    it('sends what the lead recorded in the lead’s name when a bather is signed in', async () => {
      await TestBed.inject(KeyRing).keep(STAFF, 'grant', SECRET);
      api.online = false;
      const leads = await log.record(VISIT, SEEN);
      who.set(OTHER);
      const bathers = await log.record(VISIT, SEEN);
      api.online = true;
      await log.flush();
      const posts = api.sent.filter((s) => s.path === `/visits/${VISIT}/events`);
      expect(posts.map((p) => [(p.body as { events: VisitEvent[] }).events.map((e) => e.id), p.headers])).toEqual(
        jasmine.arrayWithExactContents([
          [[leads.id], { 'x-mansuet-grant': SECRET }],
          [[bathers.id], undefined],
        ]),
      );
      expect(log.status()).toBe('saved');
    });

    it('holds what it may not send for the person it belongs to, and lets the others through', async () => {
      api.online = false;
      const leads = await log.record(VISIT, SEEN);
      who.set(OTHER);
      const bathers = await log.record(VISIT, SEEN);
      api.online = true;
      await log.flush();
      expect([(await db.events.get(leads.id))?.sent, (await db.events.get(bathers.id))?.sent]).toEqual([0, 1]);
      expect([log.status(), [...log.held()]]).toEqual(['held', [[STAFF, 1]]]);
      expect([await log.waitsOf(STAFF), await log.waitsOf(OTHER), await log.waits(VISIT)]).toEqual([true, false, true]);
      await signInAs(STAFF);
      expect([log.status(), log.held().size, (await db.events.get(leads.id))?.sent]).toEqual(['saved', 0, 1]);
    });

    it('drops a right that was taken back, and holds the entries', async () => {
      await TestBed.inject(KeyRing).keep(STAFF, 'grant', SECRET);
      api.online = false;
      await log.record(VISIT, SEEN);
      api.answerBy('POST /visits', () => refusal({ code: 'grant_ended', title: 'No more.', status: 401 }));
      api.online = true;
      await signInAs(OTHER);
      expect([log.status(), log.refused(), await db.grants.get(STAFF)]).toEqual(['held', [], undefined]);
    });

    it('sends by the right of this device when the sign-in has ended meanwhile', async () => {
      await TestBed.inject(KeyRing).keep(STAFF, 'grant', SECRET);
      api.answerBy('POST /visits', (body, path, headers) =>
        headers['x-mansuet-grant'] === SECRET
          ? storesAll(body, path, headers)
          : refusal({ code: 'signed_out', title: 'Sign in first.', status: 401 }),
      );
      await log.record(VISIT, SEEN);
      await log.flush();
      expect((await kept()).map((k) => k.sent)).toEqual([1]);
    });
  });

  it('refuses a draft that breaks the schema before it is kept', async () => {
    const wrong = { type: 'zone_felt', body: { zone: 'wing' } };
    await expectAsync(log.record(VISIT, wrong as unknown as EventDraft)).toBeRejected();
    expect((await kept()).length).toBe(0);
  });
});
