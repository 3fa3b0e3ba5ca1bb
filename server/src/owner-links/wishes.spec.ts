import {
  BOOK,
  MESSAGES,
  NEW_LINK,
  OWNER_LINK_VIEW,
  PEOPLE,
  type TimeOffered,
  TIMES_OFFERED,
  type Wish,
  WISHES,
} from '@mansuet/core/contract';
import { momentOf } from '@mansuet/core/days';
import type { EventDraft } from '@mansuet/core/log';
import { addDog, anEvent, bookVisit, Browser, specServer, type SpecServer } from '../testing/spec-salon.js';

const ZONE = 'America/St_Johns';

describe('an owner chooses a time', () => {
  let server: SpecServer;
  let lead: Browser;
  let phone: Browser;
  let dogId: string;
  /** A Friday, ten in the morning where the salon is. */
  let clock: Date;
  const at = (day: string, time: string): string => new Date(momentOf(day, time, ZONE)).toISOString();
  const asked = { items: ['bath' as const, 'nails' as const], wantedMm: 9, sessionMinutes: 90 };

  beforeEach(async () => {
    clock = new Date(at('2026-12-04', '10:00'));
    server = await specServer({ clock: () => clock });
    lead = new Browser(server.url);
    await lead.foundSalon();
    await lead.inZone(ZONE);
    phone = new Browser(server.url);
    dogId = await addDog(lead);
  });
  afterEach(() => server.close());

  const free = async (from = '2026-12-04', to = '2026-12-11'): Promise<TimeOffered[]> =>
    TIMES_OFFERED.parse((await lead.send('GET', `/api/free-times?from=${from}&to=${to}&minutes=90`)).json).times;
  const offer = async (times: readonly TimeOffered[]): Promise<{ linkId: string; path: string }> => {
    const made = await lead.send('POST', `/api/dogs/${dogId}/wishes`, { asked, helperThere: false, times });
    expect(made.status).withContext(made.text).toBe(201);
    const { linkId, url } = NEW_LINK.parse(made.json);
    return { linkId, path: `/api/o/${url.split('/o/')[1]}` };
  };
  const wishes = async (): Promise<Wish[]> => WISHES.parse((await lead.send('GET', '/api/wishes')).json).wishes;
  const book = async (arrivesAt: string, minutes = 90): Promise<void> => {
    const visitId = await bookVisit(lead, dogId);
    const drafts: EventDraft[] = [
      { type: 'booking_moved', body: { arrivesAt, groomerId: lead.staffId, zone: ZONE, why: '' } },
      { type: 'asked_changed', body: { asked: { ...asked, sessionMinutes: minutes }, helperThere: false } },
    ];
    const events = drafts.map((d) => anEvent(visitId, lead.staffId, d));
    expect((await lead.send('POST', `/api/visits/${visitId}/events`, { events })).status).toBe(200);
  };

  it('of three on days apart, in the hours of the salon and on its clock, none of them taken', async () => {
    await book(at('2026-12-07', '09:00'), 300);
    const times = await free();
    expect(times.map((t) => t.arrivesAt)).toEqual([at('2026-12-05', '09:00'), at('2026-12-08', '12:00'), at('2026-12-10', '09:00')]);
    expect(times.every((t) => t.groomerId === lead.staffId && t.groomer === 'Lead')).toBeTrue();
    // Today from two hours ahead, and nothing on a day that is over.
    expect((await free('2026-12-01', '2026-12-04')).map((t) => t.arrivesAt)).toEqual([at('2026-12-04', '12:00')]);
    expect(await free('2026-12-01', '2026-12-03')).toEqual([]);
    expect((await lead.send('GET', '/api/free-times?from=2026-12-08&to=2026-12-04&minutes=90')).status).toBe(422);
    expect((await lead.send('GET', '/api/free-times?from=2026-12-08&to=2027-12-04&minutes=90')).status).toBe(422);
  });

  it('by a link that shows the times and nothing else, and the salon books it by one press and says so', async () => {
    const times = await free();
    const { linkId, path } = await offer(times);
    const view = OWNER_LINK_VIEW.parse((await phone.send('GET', path)).json);
    expect(Object.keys(view).sort()).toEqual([
      'answeredAt',
      'dogName',
      'expiresAt',
      'formats',
      'kind',
      'salonName',
      'times',
      'vetPhone',
      'zone',
    ]);
    expect((await wishes())[0]).toEqual(jasmine.objectContaining({ linkId, state: 'open', answer: null, isFree: false }));
    expect((await phone.send('POST', path, { chosen: 1, says: 'After the school run' })).status).toBe(204);
    expect((await phone.send('POST', path, { chosen: 0, says: '' })).status).toBe(409);
    expect((await wishes())[0]).toEqual(jasmine.objectContaining({ state: 'answered', isFree: true, dog: 'Moss', minutes: 90 }));
    const made = await lead.send('POST', `/api/wishes/${linkId}/booked`);
    expect(made.status).withContext(made.text).toBe(201);
    const { visits } = BOOK.parse((await lead.send('GET', '/api/book?from=2026-12-04&to=2026-12-12')).json);
    expect(visits.map((v) => [v.dogId, v.arrivesAt, v.minutes, v.groomerId])).toEqual([
      [dogId, times[1]?.arrivesAt ?? '', 90, lead.staffId],
    ]);
    expect(await wishes()).toEqual([]);
    const { messages } = MESSAGES.parse((await lead.send('GET', '/api/messages')).json);
    expect(messages.map((m) => m.text)).toContain('Spec: Moss is booked, Tuesday 8 December, 12:00 with Lead.');
    expect((await lead.send('POST', `/api/wishes/${linkId}/booked`)).status).toBe(409);
  });

  it('that somebody else has had since: it is said, and nothing is booked twice', async () => {
    const times = await free();
    const { linkId, path } = await offer(times);
    await phone.send('POST', path, { chosen: 0, says: '' });
    const first = times[0]?.arrivesAt ?? '';
    await book(new Date(Date.parse(first) + 45 * 60_000).toISOString());
    expect((await wishes())[0]?.isFree).toBeFalse();
    const late = await lead.send('POST', `/api/wishes/${linkId}/booked`);
    expect([late.status, late.text.includes('This time is not free any more')]).toEqual([409, true]);
    expect((await lead.send('POST', `/api/wishes/${linkId}/set-aside`)).status).toBe(204);
    expect(await wishes()).toEqual([]);
  });

  it('of two owners who chose the same time one is booked, also where both are booked at one moment', async () => {
    const [first] = await free();
    if (!first) throw new Error('no time is free');
    const offers = [await offer([first]), await offer([first])];
    for (const o of offers) expect((await phone.send('POST', o.path, { chosen: 0, says: '' })).status).toBe(204);
    const answers = await Promise.all(offers.map((o) => lead.send('POST', `/api/wishes/${o.linkId}/booked`)));
    expect(answers.map((a) => a.status).sort()).toEqual([201, 409]);
    const { visits } = BOOK.parse((await lead.send('GET', '/api/book?from=2026-12-04&to=2026-12-12')).json);
    expect(visits.map((v) => v.arrivesAt)).toEqual([first.arrivesAt]);
  });

  it('at which whoever would have taken the dog does not work any more: it is said', async () => {
    const [first] = await free();
    if (!first) throw new Error('no time is free');
    const { linkId, path } = await offer([first]);
    await phone.send('POST', path, { chosen: 0, says: '' });
    expect((await wishes())[0]?.isFree).toBeTrue();
    const { people } = PEOPLE.parse((await lead.send('GET', '/api/people')).json);
    const me = people.find((p) => p.staffId === lead.staffId);
    if (!me) throw new Error('the lead is not of the salon');
    const { name, role, trained, week, breaks, limits, version } = me;
    const off = [{ from: '2026-12-05', to: '2026-12-06' }];
    const change = { name, role, trained, week, breaks, off, limits, version };
    expect((await lead.send('PUT', `/api/people/${lead.staffId}`, change)).status).toBe(204);
    expect((await wishes())[0]?.isFree).toBeFalse();
    expect((await lead.send('POST', `/api/wishes/${linkId}/booked`)).status).toBe(409);
  });

  it('or says what would be right instead', async () => {
    const { linkId, path } = await offer(await free());
    expect((await phone.send('POST', path, { chosen: null, says: '' })).status).toBe(422);
    expect((await phone.send('POST', path, { chosen: 2, says: '' })).status).toBe(204);
    const other = await offer((await free()).slice(0, 1));
    expect((await phone.send('POST', other.path, { chosen: 2, says: '' })).status).toBe(422);
    expect((await phone.send('POST', other.path, { chosen: null, says: 'Only on Saturdays' })).status).toBe(204);
    const mine = (await wishes()).find((w) => w.linkId === other.linkId);
    expect([mine?.answer, mine?.isFree]).toEqual([{ chosen: null, says: 'Only on Saturdays' }, false]);
    expect((await lead.send('POST', `/api/wishes/${other.linkId}/booked`)).status).toBe(404);
    // After four days a link that nobody answered is nobody's wish any more.
    clock = new Date(clock.getTime() + 5 * 24 * 3_600_000);
    expect((await wishes()).map((w) => w.linkId)).toEqual([linkId, other.linkId]);
    expect((await phone.send('GET', other.path)).status).toBe(410);
  });

  it('only where somebody may book, and of dogs of this salon', async () => {
    await lead.send('POST', '/api/staff', { name: 'B', login: 'bath', password: 'ten letters and more', role: 'bather', trained: false });
    const bather = new Browser(server.url);
    await bather.signIn('bath', 'ten letters and more');
    const times = await free();
    expect((await bather.send('POST', `/api/dogs/${dogId}/wishes`, { asked, helperThere: false, times })).status).toBe(403);
    const nobody = '01900000-0000-7000-8000-000000000000';
    expect((await lead.send('POST', `/api/dogs/${nobody}/wishes`, { asked, helperThere: false, times })).status).toBe(404);
  });
});
