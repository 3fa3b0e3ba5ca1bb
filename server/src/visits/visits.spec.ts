import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { BATCH_TAKEN, EVENTS_ANSWER, sayHasOfToday, TODAY, TODAY_NEWS, VISIT_CONTEXT } from '@mansuet/core/contract';
import { type EventDraft, uuidV7 } from '@mansuet/core/log';
import { replay, summarize } from '@mansuet/core/visit';
import { A_DOG, Browser, addDog, anEvent, bookVisit, booked, secondSalon, specServer, type SpecServer } from '../testing/spec-salon.js';
import { rebuildProjections } from './project.js';

const seen: EventDraft = { type: 'signal_seen', body: { signal: 'growl' } };

describe('visits', () => {
  let server: SpecServer;
  let browser: Browser;
  let dogId: string;
  let salonId: string;

  beforeAll(async () => {
    server = await specServer();
    browser = new Browser(server.url);
    await browser.foundSalon();
    dogId = await addDog(browser);
    const session = (await browser.send('GET', '/api/session')).json as { signedIn: { salon: { salonId: string } } };
    salonId = session.signedIn.salon.salonId;
  });
  afterAll(() => server.close());

  const post = (visitId: string, events: readonly unknown[]) => browser.send('POST', `/api/visits/${visitId}/events`, { events });
  const count = async (visitId: string): Promise<number> =>
    (await server.db.inSalon(salonId, (trx) => trx.selectFrom('visit_event').select('event_id').where('visit_id', '=', visitId).execute()))
      .length;

  it('tells of a bite here on the day’s list however long ago it was, until the lead’s word', async () => {
    const id = await addDog(browser);
    const [bitten, growled, today] = [await bookVisit(browser, id), await bookVisit(browser, id), await bookVisit(browser, id)];
    const longAgo = { bitten: '2020-03-01', growled: '2020-05-01' };
    const over = (visitId: string, on: string, warned: 'bit' | 'growled') =>
      server.db.inSalon(salonId, (trx) =>
        trx
          .updateTable('visit')
          .set({
            phase: 'gone',
            arrives_at: `${on}T09:00:00Z`,
            summary: JSON.stringify({ ...summarize(replay(visitId, [])), on, outcome: 'finished', warned }),
          })
          .where('visit_id', '=', visitId)
          .execute(),
      );
    await over(bitten, longAgo.bitten, 'bit');
    await over(growled, longAgo.growled, 'growled');
    const warned = async () => {
      const { visits } = TODAY.parse((await browser.send('GET', '/api/today')).json);
      return visits.find((v) => v.visitId === today)?.warned;
    };
    expect(await warned()).toEqual({ what: 'bit', on: longAgo.bitten });
    await browser.send('PUT', `/api/dogs/${id}/bite-ended`, { on: '2020-06-01' });
    expect(await warned()).toBeNull();
  });

  it('tells what the salon’s other dogs say of each kind of work and of dog, never what this one’s own visits say', async () => {
    const [one, other] = [await addDog(browser), await addDog(browser)];
    const [past, now] = [await bookVisit(browser, other), await bookVisit(browser, one)];
    const evidence = [{ work: 'nails', ratePerMinute: 2, kindPerMinute: 2, minutes: 10, logLikelihoods: [-5, -1.6, 0] }];
    const whole = { believed: 0, minutes: 60, logLikelihoods: [-9, -3, 0], kinds: ['puppy', 'thin_skin'] };
    await server.db.inSalon(salonId, (trx) =>
      trx
        .updateTable('visit')
        .set({ phase: 'gone', summary: JSON.stringify({ ...summarize(replay(past, [])), outcome: 'finished', evidence, whole }) })
        .where('visit_id', '=', past)
        .execute(),
    );
    const told = async (visitId: string) => VISIT_CONTEXT.parse((await browser.send('GET', `/api/visits/${visitId}`)).json);
    const {
      pool: [nails],
      kindPool,
    } = await told(now);
    expect([nails?.work, nails?.dogs]).toEqual(['nails', 1]);
    expect(nails?.shift).toBeGreaterThan(0);
    expect(kindPool.map((k) => [k.kind, k.dogs])).toEqual([['puppy', 1]]);
    expect(kindPool[0]?.shift).toBeGreaterThan(0);
    expect(await told(await bookVisit(browser, other))).toEqual(jasmine.objectContaining({ pool: [], kindPool: [] }));
  });

  it('stores a batch once, however often it is sent', async () => {
    const visitId = await bookVisit(browser, dogId);
    const events = [
      anEvent(visitId, browser.staffId, { type: 'file_read', body: {} }),
      anEvent(visitId, browser.staffId, { type: 'work_started', body: {} }),
      anEvent(visitId, browser.staffId, seen),
    ];
    expect((await post(visitId, events)).json).toEqual({ stored: events.map((e) => e.id), known: [], timed: [] });
    expect((await post(visitId, events)).json).toEqual({ stored: [], known: events.map((e) => e.id), timed: [] });
    expect(await count(visitId)).toBe(4);
  });

  it('stores the same batch once when two tablets send it at once', async () => {
    const visitId = await bookVisit(browser, dogId);
    const events = Array.from({ length: 20 }, () => anEvent(visitId, browser.staffId, seen));
    const replies = await Promise.all(Array.from({ length: 6 }, () => post(visitId, events)));
    expect(replies.every((r) => r.status === 200)).toBeTrue();
    expect(await count(visitId)).toBe(21);
  });

  it('stores nothing of a batch in which one event is wrong, and says which', async () => {
    const visitId = await bookVisit(browser, dogId);
    const good = anEvent(visitId, browser.staffId, seen);
    const reply = await post(visitId, [
      good,
      { ...good, id: uuidV7(Date.now(), (b) => crypto.getRandomValues(b)), body: { signal: 'smiles' } },
    ]);
    expect(reply.status).toBe(422);
    expect(reply.text).toContain('events.1.body.signal');
    expect(await count(visitId)).toBe(1);
  });

  it('refuses people and dogs that are not of this salon', async () => {
    const visitId = await bookVisit(browser, dogId);
    expect((await post(visitId, [anEvent(visitId, randomUUID(), seen)])).text).toContain('events.0.by');
    const other = uuidV7(Date.now(), (b) => crypto.getRandomValues(b));
    const reply = await post(other, [anEvent(other, browser.staffId, booked(randomUUID(), browser.staffId))]);
    expect(reply.status).toBe(422);
    expect(reply.text).toContain('dogId');
    expect(await count(other)).toBe(0);
  });

  const nowAnd = (ms: number): string => new Date(Date.now() + ms).toISOString();
  const timesOf = async (visitId: string): Promise<[string, number, string | undefined][]> =>
    VISIT_CONTEXT.parse((await browser.send('GET', `/api/visits/${visitId}`)).json).events.map((e) => [e.at, e.stamp.wallMs, e.timed]);

  it('times by its arrival what says a time that cannot be, marks it, and refuses nothing for a wrong clock', async () => {
    const visitId = await bookVisit(browser, dogId);
    for (const change of [
      { at: '9999-12-31T23:59:59.000Z' },
      { at: '0001-01-01T00:00:00.000Z' },
      { stamp: { wallMs: 2 ** 48 - 1, counter: 0, device: 'spec' } },
      { at: nowAnd(86_400_000), stamp: { wallMs: Date.now() + 86_400_000, counter: 0, device: 'spec' } },
    ]) {
      const event = { ...anEvent(visitId, browser.staffId, seen), ...change };
      const reply = await post(visitId, [event]);
      expect(reply.status).toBe(200);
      const [timed] = BATCH_TAKEN.parse(reply.json).timed;
      expect([timed?.id, timed?.timed]).toEqual([event.id, 'by_arrival']);
      expect(Math.abs(Date.parse(timed?.at ?? '') - Date.now())).toBeLessThan(60_000);
      // Sent again, since the answer was lost: the same is told, and nothing is stored twice.
      expect(BATCH_TAKEN.parse((await post(visitId, [event])).json)).toEqual({
        stored: [],
        known: [event.id],
        timed: timed ? [timed] : [],
      });
    }
    for (const [at, wallMs] of await timesOf(visitId)) {
      expect(Math.abs(Date.parse(at) - Date.now())).toBeLessThan(60_000);
      expect(wallMs).toBeLessThan(Date.now() + 60_000);
    }
    expect((await browser.send('GET', '/api/today')).status).toBe(200);
  });

  it('puts right what a tablet is off by, keeps what it said, and leaves durations as they were', async () => {
    const visitId = await bookVisit(browser, dogId);
    const hour = 3_600_000;
    const [from, to] = [Date.now() + hour - 900_000, Date.now() + hour];
    const made = [from, to].map((ms, i) => ({
      ...anEvent(visitId, browser.staffId, seen),
      at: new Date(ms).toISOString(),
      stamp: { wallMs: ms, counter: i, device: 'ahead' },
    }));
    const sent = { events: made, deviceNow: Date.now() + hour };
    expect((await browser.send('POST', `/api/visits/${visitId}/events`, sent)).status).toBe(200);
    const times = (await timesOf(visitId)).filter(([, , timed]) => timed === 'by_offset');
    expect(times.map(([at]) => Date.parse(at)).reduce((a, b) => b - a)).toBe(900_000);
    expect(Math.abs(Date.parse(times[1]?.[0] ?? '') - Date.now())).toBeLessThan(60_000);
    const told = await server.db.inSalon(salonId, (trx) =>
      trx
        .selectFrom('visit_event')
        .select(['told_at', 'told_wall_ms'])
        .where('visit_id', '=', visitId)
        .where('timed', 'is not', null)
        .execute(),
    );
    expect(told.map((t) => t.told_at).sort()).toEqual(made.map((e) => e.at));
  });

  it('refuses a booking on a day that nobody would look at', async () => {
    const far = uuidV7(Date.now(), (b) => crypto.getRandomValues(b));
    const draft = booked(dogId, browser.staffId);
    if (draft.type !== 'visit_booked') throw new Error('not a booking');
    const reply = await post(far, [
      anEvent(far, browser.staffId, { ...draft, body: { ...draft.body, arrivesAt: '9999-01-01T10:00:00.000Z' } }),
    ]);
    expect([reply.status, reply.text.includes('events.0.body.arrivesAt')]).toEqual([422, true]);
  });

  it('keeps what was written at one stroke together', async () => {
    const visitId = await bookVisit(browser, dogId);
    const first = anEvent(visitId, browser.staffId, { type: 'work_started', body: {} });
    const both = [first, anEvent(visitId, browser.staffId, seen)].map((e) => ({ ...e, act: first.id }));
    await post(visitId, both);
    const { events } = VISIT_CONTEXT.parse((await browser.send('GET', `/api/visits/${visitId}`)).json);
    expect(events.map((e) => e.act)).toEqual([undefined, first.id, first.id]);
  });

  it('tells what came after a cursor, and nothing else', async () => {
    const visitId = await bookVisit(browser, dogId);
    const after = async (cursor: number) =>
      EVENTS_ANSWER.parse((await browser.send('GET', `/api/visits/${visitId}/events?after=${cursor}`)).json);
    const first = await after(0);
    expect(first.events.map((e) => e.type)).toEqual(['visit_booked']);
    // One whose stamp is earlier than what was read comes all the same.
    const late = { ...anEvent(visitId, browser.staffId, seen), stamp: { wallMs: Date.now() - 3_600_000, counter: 0, device: 'late' } };
    await post(visitId, [late]);
    const second = await after(first.cursor);
    expect(second.events.map((e) => e.id)).toEqual([late.id]);
    expect(await after(second.cursor)).toEqual({ events: [], cursor: second.cursor });
    expect((await browser.send('GET', `/api/visits/${visitId}/events?after=-1`)).status).toBe(422);
    expect((await browser.send('GET', `/api/visits/${randomUUID()}/events`)).status).toBe(404);
  });

  it('tells of today only what is new to whoever says what it has, in under 5 kB after one tap', async () => {
    const visitId = await bookVisit(browser, dogId);
    const whole = TODAY.parse((await browser.send('GET', '/api/today')).json);
    const has = encodeURIComponent(sayHasOfToday(whole.visits));
    const news = async () => {
      const reply = await browser.send('GET', `/api/today/news?has=${has}`);
      return { ...TODAY_NEWS.parse(reply.json), bytes: reply.text.length };
    };
    const quiet = await news();
    expect(quiet.visits.map((v) => [v.visitId, v.events.length, v.row])).toEqual(whole.visits.map((v) => [v.visitId, 0, undefined]));
    const tap = anEvent(visitId, browser.staffId, seen);
    await post(visitId, [tap]);
    const grown = await news();
    expect(grown.visits.filter((v) => v.events.length > 0).map((v) => [v.visitId, v.events.map((e) => e.id)])).toEqual([
      [visitId, [tap.id]],
    ]);
    expect(grown.bytes).toBeLessThan(5000);
    // Another weight in the file is another row.
    await server.db.inSalon(salonId, (trx) => trx.updateTable('dog').set({ weight_kg: 12.5 }).where('dog_id', '=', dogId).execute());
    expect((await news()).visits.find((v) => v.visitId === visitId)?.row?.dog.weightKg).toBe(12.5);
    expect((await browser.send('GET', '/api/today/news?has=nonsense')).status).toBe(422);
  });

  it('keeps a visit that was begun on the list until it is over, and a booking only for its day', async () => {
    const [begun, missed] = [await bookVisit(browser, dogId), await bookVisit(browser, dogId)];
    await post(begun, [anEvent(begun, browser.staffId, { type: 'file_read', body: {} })]);
    const yesterday = new Date(Date.now() - 30 * 3_600_000).toISOString();
    await server.db.inSalon(salonId, (trx) =>
      trx.updateTable('visit').set({ arrives_at: yesterday }).where('visit_id', 'in', [begun, missed]).execute(),
    );
    const { visits } = TODAY.parse((await browser.send('GET', '/api/today')).json);
    expect([begun, missed].map((id) => visits.some((v) => v.visitId === id))).toEqual([true, false]);
  });

  it('names the entries that a role may not write', async () => {
    const visitId = await bookVisit(browser, dogId);
    const bather = new Browser(server.url);
    await browser.send('POST', '/api/staff', {
      name: 'Tomasz Vane',
      login: 'vane',
      password: 'a good long one',
      role: 'bather',
      trained: false,
    });
    await bather.signIn('vane', 'a good long one');
    const events = [anEvent(visitId, bather.staffId, seen), anEvent(visitId, bather.staffId, booked(dogId, browser.staffId))];
    const reply = await bather.send('POST', `/api/visits/${visitId}/events`, { events });
    expect([reply.status, reply.text.includes('events.1.type'), reply.text.includes('events.0')]).toEqual([403, true, false]);
  });

  it('refuses an entry whose id stands in another visit: it would be taken for stored', async () => {
    const [one, other] = [await bookVisit(browser, dogId), await bookVisit(browser, dogId)];
    const event = anEvent(one, browser.staffId, seen);
    expect((await post(one, [event])).status).toBe(200);
    const reply = await post(other, [{ ...event, visitId: other }]);
    expect(reply.status).toBe(422);
    expect(reply.text).toContain('events.0.id');
    expect(await count(other)).toBe(1);
  });

  it('lets a bather take back what a bather wrote, not what the lead did; the lead takes back both', async () => {
    const visitId = await bookVisit(browser, dogId);
    await browser.send('POST', '/api/staff', {
      name: 'Voids',
      login: 'voids',
      password: 'ten letters and more',
      role: 'bather',
      trained: false,
    });
    const bather = new Browser(server.url);
    await bather.signIn('voids', 'ten letters and more');
    const [leads, bathers] = [anEvent(visitId, browser.staffId, seen), anEvent(visitId, bather.staffId, seen)];
    await post(visitId, [leads]);
    await bather.send('POST', `/api/visits/${visitId}/events`, { events: [bathers] });
    const takeBack = (by: Browser, target: string) => {
      const event = anEvent(visitId, by.staffId, { type: 'voided', body: { target, why: 'undo' } });
      return by.send('POST', `/api/visits/${visitId}/events`, { events: [event] });
    };
    const reply = await takeBack(bather, leads.id);
    expect(reply.status).toBe(403);
    expect(reply.text).toContain('events.0.body.target');
    expect((await takeBack(bather, bathers.id)).status).toBe(200);
    expect((await takeBack(browser, leads.id)).status).toBe(200);
  });

  it('reads on past an entry that it cannot read, and says that there is one', async () => {
    const visitId = await bookVisit(browser, dogId);
    const good = anEvent(visitId, browser.staffId, seen);
    const bad = anEvent(visitId, browser.staffId, seen);
    await post(visitId, [bad, good]);
    const owner = new pg.Client({ connectionString: server.ownerUrl });
    await owner.connect();
    await owner.query(`update visit_event set body = '{"signal": "of a later version"}' where event_id = $1`, [bad.id]);
    await owner.end();
    const context = VISIT_CONTEXT.parse((await browser.send('GET', `/api/visits/${visitId}`)).json);
    expect(context.unreadable).toEqual([bad.id]);
    expect(context.events.map((e) => e.id)).toContain(good.id);
    expect((await browser.send('GET', '/api/today')).status).toBe(200);
    expect((await post(visitId, [anEvent(visitId, browser.staffId, seen)])).status).toBe(200);
  });

  it('hides another salon’s visits and dogs: they are not found', async () => {
    const visitId = await bookVisit(browser, dogId);
    await secondSalon(server);
    const other = new Browser(server.url);
    await other.signIn('other', 'ten letters and more');
    for (const path of [`/api/visits/${visitId}`, `/api/visits/${visitId}/events`, `/api/dogs/${dogId}`])
      expect((await other.send('GET', path)).status)
        .withContext(path)
        .toBe(404);
    expect((await other.send('POST', `/api/visits/${visitId}/events`, { events: [anEvent(visitId, other.staffId, seen)] })).status).toBe(
      404,
    );
    expect((await other.send('PUT', `/api/dogs/${dogId}`, { dog: A_DOG.dog, version: 1 })).status).toBe(404);
    expect((await other.send('POST', `/api/dogs/${dogId}/notes`, { kind: 'works', text: 'x', saidBy: 'y' })).status).toBe(404);
    expect((await other.send('GET', '/api/dogs')).json).toEqual({ dogs: [] });
  });

  it('writes projections with the events, and can make them again from the log', async () => {
    const visitId = await bookVisit(browser, dogId);
    const by = browser.staffId;
    await post(visitId, [
      anEvent(visitId, by, {
        type: 'mark_felt',
        body: { markId: randomUUID(), zone: 'back', lengthMm: 8, widthMm: 6, border: 'regular', surface: 'smooth', isNew: true },
      }),
      anEvent(visitId, by, { type: 'work_started', body: {} }),
      anEvent(visitId, by, { type: 'step_started', body: { step: 'bath' } }),
      anEvent(visitId, by, seen),
      anEvent(visitId, by, {
        type: 'incident',
        body: { incidentId: randomUUID(), kind: 'near_miss', harm: 'none', zone: null, what: 'slipped' },
      }),
      anEvent(visitId, by, { type: 'handed_back', body: { toldTo: 'x', nextVisit: null, vetAdvised: false } }),
    ]);
    const read = () =>
      server.db.inSalon(salonId, async (trx) => ({
        visit: await trx.selectFrom('visit').selectAll().where('visit_id', '=', visitId).execute(),
        exposure: await trx.selectFrom('exposure').selectAll().where('visit_id', '=', visitId).execute(),
        marks: await trx.selectFrom('mark_seen').selectAll().where('visit_id', '=', visitId).execute(),
        incidents: await trx.selectFrom('incident').selectAll().where('visit_id', '=', visitId).execute(),
      }));
    const before = await read();
    expect([before.visit.length, before.exposure.length, before.marks.length, before.incidents.length]).toEqual([1, 1, 1, 1]);
    await server.db.inSalon(salonId, async (trx) => {
      for (const table of ['exposure', 'mark_seen', 'incident', 'visit'] as const)
        await trx.deleteFrom(table).where('visit_id', '=', visitId).execute();
    });
    expect((await read()).visit.length).toBe(0);
    await server.db.inSalon(salonId, (trx) => rebuildProjections(trx, salonId));
    expect(await read()).toEqual(before);
  });

  it('lets a bather record, not plan', async () => {
    await browser.send('POST', '/api/staff', {
      name: 'B',
      login: 'bath2',
      password: 'ten letters and more',
      role: 'bather',
      trained: false,
    });
    const bather = new Browser(server.url);
    await bather.signIn('bath2', 'ten letters and more');
    const visitId = await bookVisit(browser, dogId);
    expect((await bather.send('POST', `/api/visits/${visitId}/events`, { events: [anEvent(visitId, bather.staffId, seen)] })).status).toBe(
      200,
    );
    const agreed = anEvent(visitId, bather.staffId, { type: 'agreed', body: { name: 'x', extraMinutes: 0, extraPriceMinor: 0 } });
    expect((await bather.send('POST', `/api/visits/${visitId}/events`, { events: [agreed] })).status).toBe(403);
  });

  it('tells browsers of every process that a visit has grown', async () => {
    const second = await server.again();
    const visitId = await bookVisit(browser, dogId);
    const stop = new AbortController();
    const stream = await fetch(`${second.url}/api/live`, { headers: { cookie: browser.cookie }, signal: stop.signal });
    const reader = stream.body!.pipeThrough(new TextDecoderStream()).getReader();
    await post(visitId, [anEvent(visitId, browser.staffId, seen)]);
    let text = '';
    while (!text.includes(visitId)) {
      const { value, done } = await reader.read();
      if (done) break;
      text += value;
    }
    expect(text).toContain(`event: visit\ndata: {"visitId":"${visitId}"}`);
    stop.abort();
    await second.close();
  });

  it('changes a dog only from the version that was read', async () => {
    const id = await addDog(browser);
    expect((await browser.send('PUT', `/api/dogs/${id}`, { dog: { ...A_DOG.dog, weightKg: 19 }, version: 1 })).status).toBe(204);
    const late = await browser.send('PUT', `/api/dogs/${id}`, { dog: { ...A_DOG.dog, weightKg: 20 }, version: 1 });
    expect(late.status).toBe(409);
    const file = (await browser.send('GET', `/api/dogs/${id}`)).json as { dog: { weightKg: number }; version: number };
    expect([file.dog.weightKg, file.version]).toEqual([19, 2]);
  });

  it('finds dogs by their name, their owner or a phone number, and takes % for a letter', async () => {
    const find = async (text: string): Promise<number> =>
      ((await browser.send('GET', `/api/dogs?search=${encodeURIComponent(text)}`)).json as { dogs: unknown[] }).dogs.length;
    expect(await find('mos')).toBeGreaterThan(0);
    expect(await find('glain')).toBeGreaterThan(0);
    expect(await find('0550')).toBeGreaterThan(0);
    expect(await find('%')).toBe(0);
  });
});
