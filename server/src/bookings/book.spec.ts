import { execFileSync } from 'node:child_process';
import { BOOK, FEEDS, NEW_FEED, NO_LIMITS, OVERDUE_LIST, PEOPLE, WAITING_LIST } from '@mansuet/core/contract';
import { momentOf } from '@mansuet/core/days';
import type { EventDraft } from '@mansuet/core/log';
import { addDog, anEvent, booked, bookVisit, Browser, specServer, type SpecServer } from '../testing/spec-salon.js';

const ZONE = 'Europe/Berlin';

describe('the book', () => {
  let server: SpecServer;
  let lead: Browser;
  let groomer: Browser;
  let dogId: string;
  const at = (day: string, clock: string): string => new Date(momentOf(day, clock, ZONE)).toISOString();
  const book = async (from: string, to = from) => BOOK.parse((await lead.send('GET', `/api/book?from=${from}&to=${to}`)).json);
  const tell = (visitId: string, draft: EventDraft, by = lead) =>
    by.send('POST', `/api/visits/${visitId}/events`, { events: [anEvent(visitId, by.staffId, draft)] });
  const move = (visitId: string, arrivesAt: string, groomerId = lead.staffId) =>
    tell(visitId, { type: 'booking_moved', body: { arrivesAt, groomerId, zone: ZONE, why: 'The owner asked' } });

  beforeAll(async () => {
    server = await specServer();
    lead = new Browser(server.url);
    await lead.foundSalon();
    await lead.inZone(ZONE);
    await lead.send('POST', '/api/staff', { name: 'Gil', login: 'gil', password: 'ten letters and more', role: 'bather', trained: false });
    groomer = new Browser(server.url);
    await groomer.signIn('gil', 'ten letters and more');
    dogId = await addDog(lead);
  });
  afterAll(() => server.close());

  it('has a visit on the day it was moved to, with all of its log', async () => {
    const visitId = await bookVisit(lead, dogId);
    await tell(visitId, { type: 'noted', body: { text: 'Brings her own towel' } });
    expect((await move(visitId, at('2027-01-12', '10:00'), groomer.staffId)).status).toBe(200);
    const { visits } = await book('2027-01-12');
    expect(visits).toEqual([
      jasmine.objectContaining({
        visitId,
        dog: 'Moss',
        groomerId: groomer.staffId,
        arrivesAt: at('2027-01-12', '10:00'),
        minutes: 90,
        phase: 'know',
      }),
    ]);
    const { json } = await lead.send('GET', `/api/visits/${visitId}`);
    expect((json as { events: { type: string }[] }).events.map((e) => e.type)).toEqual(['visit_booked', 'noted', 'booking_moved']);
  });

  it('keeps to the days of the salon’s clock when the clocks change', async () => {
    const early = await bookVisit(lead, dogId);
    const late = await bookVisit(lead, dogId);
    for (const [day, next] of [
      ['2027-03-28', '2027-03-29'],
      ['2027-10-31', '2027-11-01'],
    ] as const) {
      await move(early, at(day, '00:30'));
      await move(late, at(day, '23:30'));
      expect((await book(day)).visits.map((v) => v.visitId)).toEqual([early, late]);
      expect((await book(next)).visits).toEqual([]);
    }
  });

  it('says of one that is called off how that came, and has it again when it is moved', async () => {
    const visitId = await bookVisit(lead, dogId);
    await move(visitId, at('2027-02-02', '09:00'));
    expect((await tell(visitId, { type: 'booking_off', body: { how: 'no_show', why: '' } })).status).toBe(200);
    expect((await book('2027-02-02')).visits.map((v) => [v.phase, v.off])).toEqual([['off', 'no_show']]);
    const taken = await lead.send('GET', `/api/day-taken?on=2027-02-02&groomerId=${lead.staffId}`);
    expect((taken.json as { taken: unknown[] }).taken).toEqual([]);
    await move(visitId, at('2027-02-03', '09:00'));
    expect((await book('2027-02-02', '2027-02-03')).visits.map((v) => [v.phase, v.off])).toEqual([['know', null]]);
  });

  it('tells what somebody does not do to the lead and to themselves alone', async () => {
    const people = PEOPLE.parse((await lead.send('GET', '/api/people')).json).people;
    for (const p of people) {
      const { name, role, trained, week, breaks, off, version } = p;
      const form = {
        name,
        role,
        trained,
        week,
        breaks,
        off,
        version,
        limits: { ...NO_LIMITS, liftKg: p.staffId === lead.staffId ? 9 : 11 },
      };
      expect((await lead.send('PUT', `/api/people/${p.staffId}`, form)).status).toBe(204);
    }
    const lifts = async (by: Browser) =>
      BOOK.parse((await by.send('GET', '/api/book?from=2027-01-12&to=2027-01-12')).json).people.map((p) => p.limits.liftKg);
    expect((await lifts(lead)).sort()).toEqual([11, 9]);
    expect((await lifts(groomer)).filter((kg) => kg !== null)).toEqual([11]);
  });

  it('lets nobody move a booking who may not book, or to somebody who is not here', async () => {
    const visitId = await bookVisit(lead, dogId);
    const to = { arrivesAt: at('2027-02-05', '09:00'), groomerId: lead.staffId, zone: ZONE, why: '' };
    expect((await tell(visitId, { type: 'booking_moved', body: to }, groomer)).status).toBe(403);
    const stranger = { ...to, groomerId: crypto.randomUUID() };
    expect((await tell(visitId, { type: 'booking_moved', body: stranger })).status).toBe(422);
    const far = { ...to, arrivesAt: '2099-01-01T09:00:00Z' };
    expect((await tell(visitId, { type: 'booking_moved', body: far })).status).toBe(422);
    expect((await lead.send('GET', '/api/book?from=2027-01-01&to=2027-06-01')).status).toBe(422);
  });

  it('lists a dog that should have been here again, and no more once it is booked', async () => {
    const overdue = async () => OVERDUE_LIST.parse((await lead.send('GET', '/api/overdue')).json).dogs;
    const other = await addDog(lead);
    const visitId = await bookVisit(lead, other);
    const past = new Date(Date.now() - 100 * 86_400_000).toISOString();
    await move(visitId, past);
    await tell(visitId, { type: 'visit_ended', body: { outcome: 'finished', why: '' } });
    await tell(visitId, { type: 'handed_back', body: { toldTo: 'P', nextVisit: null, vetAdvised: false } });
    const [found] = await overdue();
    expect(found?.dogId).toBe(other);
    expect(found?.says).toMatch(/^A \w+ coat is due about every \d weeks: due for \d+ days\.$/);
    await move(await bookVisit(lead, other), new Date(Date.now() + 86_400_000).toISOString());
    expect((await overdue()).map((d) => d.dogId)).not.toContain(other);
  });

  it('keeps who waits for a place until it is done or the days have gone by', async () => {
    const waiting = async () => WAITING_LIST.parse((await lead.send('GET', '/api/waiting')).json).waiting;
    const today = new Date().toISOString().slice(0, 10);
    const form = { dogId, from: today, to: '2099-01-01', note: 'Mornings' };
    expect((await lead.send('POST', '/api/waiting', { ...form, to: '2020-01-01', from: '2020-01-01' })).status).toBe(422);
    expect((await lead.send('POST', '/api/waiting', { ...form, dogId: crypto.randomUUID() })).status).toBe(422);
    expect((await lead.send('POST', '/api/waiting', form)).status).toBe(201);
    const [one] = await waiting();
    expect(one).toEqual(jasmine.objectContaining({ dog: 'Moss', note: 'Mornings', owner: 'Perpetua Glain' }));
    expect((await lead.send('POST', `/api/waiting/${one?.wishId}/done`)).status).toBe(204);
    expect(await waiting()).toEqual([]);
  });

  it('tells an owner that it will be later, as a message of that visit', async () => {
    const visitId = await bookVisit(lead, dogId);
    const text = 'Moss will be ready about 11:40.';
    expect((await lead.send('POST', `/api/visits/${visitId}/told-later`, { text })).status).toBe(201);
    const { json } = await lead.send('GET', `/api/visits/${visitId}/after`);
    expect((json as { messages: { text: string; to: string }[] }).messages.map((m) => [m.to, m.text])).toEqual([['Perpetua Glain', text]]);
    expect((await groomer.send('POST', `/api/visits/${visitId}/told-later`, { text })).status).toBe(403);
  });

  describe('as a calendar', () => {
    const read = async (url: string) => {
      const reply = await fetch(server.url + new URL(url).pathname);
      return { status: reply.status, text: await reply.text(), type: reply.headers.get('content-type') };
    };
    const make = async (staffId: string | null) => NEW_FEED.parse((await lead.send('POST', '/api/feeds', { staffId })).json);
    /** What another reader (python3-icalendar) finds in it: instants and words. */
    const readByOther = (text: string): { uid: string; start: string; summary: string; status: string }[] =>
      JSON.parse(
        execFileSync(
          '/usr/bin/python3',
          [
            '-c',
            `import sys,json,icalendar
c=icalendar.Calendar.from_ical(sys.stdin.read())
print(json.dumps([{'uid':str(e['UID']),'start':e['DTSTART'].dt.isoformat(),'summary':str(e['SUMMARY']),'status':str(e['STATUS'])} for e in c.walk('VEVENT')]))`,
          ],
          { input: text, encoding: 'utf8' },
        ),
      ) as { uid: string; start: string; summary: string; status: string }[];

    it('is read by its address alone, by another program, at the right instant, with no owner in it', async () => {
      const soon = new Date(Date.now() + 3 * 86_400_000);
      soon.setUTCHours(9, 0, 0, 0);
      const [held, off] = [await bookVisit(lead, dogId), await bookVisit(lead, dogId)];
      await move(held, soon.toISOString());
      await move(off, soon.toISOString());
      await tell(off, { type: 'booking_off', body: { how: 'owner', why: '' } });
      const { text, status, type } = await read((await make(null)).url);
      expect([status, type]).toEqual([200, 'text/calendar; charset=utf-8']);
      const events = new Map(readByOther(text).map((e) => [e.uid, e]));
      const own = events.get(`${held}@mansuet`);
      expect([Date.parse(own?.start ?? ''), own?.summary, own?.status]).toEqual([soon.getTime(), 'Moss · Lead', 'CONFIRMED']);
      expect(events.get(`${off}@mansuet`)?.status).toBe('CANCELLED');
      expect(text).not.toContain('Perpetua');
    });

    it('of one person has their visits only', async () => {
      const visitId = await bookVisit(lead, dogId);
      const { text } = await read((await make(groomer.staffId)).url);
      expect(text).not.toContain(visitId);
      await move(visitId, new Date(Date.now() + 86_400_000).toISOString(), groomer.staffId);
      expect((await read((await make(groomer.staffId)).url)).text).toContain(visitId);
    });

    it('is nothing once it was taken back, and to a guess', async () => {
      const { feedId, url } = await make(null);
      expect(FEEDS.parse((await lead.send('GET', '/api/feeds')).json).feeds.map((f) => f.feedId)).toContain(feedId);
      expect((await lead.send('POST', `/api/feeds/${feedId}/end`)).status).toBe(204);
      expect((await read(url)).status).toBe(404);
      expect((await read(url.replace(/feed\/..../, 'feed/aaaa'))).status).toBe(404);
      expect((await groomer.send('POST', '/api/feeds', { staffId: null })).status).toBe(403);
      expect((await lead.send('POST', '/api/feeds', { staffId: crypto.randomUUID() })).status).toBe(422);
    });
  });

  it('counts a booking of now among those of today', async () => {
    const visitId = await bookVisit(lead, dogId);
    expect(booked(dogId, lead.staffId).type).toBe('visit_booked');
    const today = new Intl.DateTimeFormat('en-CA', { timeZone: ZONE }).format(new Date());
    expect((await book(today)).visits.map((v) => v.visitId)).toContain(visitId);
  });
});
