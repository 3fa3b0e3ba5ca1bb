import { addStaff, foundSalon } from '../sign-in/sign-in.repository.js';
import { randomUUID } from 'node:crypto';
import { type EventDraft, makeEvents } from '@mansuet/core/log';
import type { Zone } from '@mansuet/core/days';
import { addDog } from '../dogs/dogs.repository.js';
import { A_DOG, booked, specServer, type SpecServer } from '../testing/spec-salon.js';
import { appendEvents } from './append-events.js';
import { readToday } from './today.repository.js';

describe('the day of a salon', () => {
  let server: SpecServer;
  let salonId: string;
  let staffId: string;
  let dogId: string;

  beforeAll(async () => {
    server = await specServer();
    const founded = await foundSalon(server.db, {
      salonName: 'Salon',
      name: 'Lead',
      login: 'lead',
      password: 'a good long one',
      vetName: '',
      vetPhone: '',
      timeZone: 'Pacific/Auckland',
    });
    if (!founded.ok) throw new Error('not founded');
    ({ salonId, staffId } = founded.value);
    dogId = await server.db.inSalon(salonId, async (trx) => {
      await addStaff(trx, salonId, { name: 'Other', login: 'other', password: 'a good long one', role: 'groomer', trained: false });
      return addDog(trx, salonId, A_DOG.dog, A_DOG.owner, '2026-01-01');
    });
  });
  afterAll(() => server.close());

  const bookAt = (arrivesAt: string, zone: Zone, more: EventDraft[] = []): Promise<string> =>
    server.db.inSalon(salonId, async (trx) => {
      const visitId = randomUUID();
      const draft = booked(dogId, staffId);
      if (draft.type !== 'visit_booked') throw new Error('not a booking');
      const events = makeEvents([{ ...draft, body: { ...draft.body, arrivesAt, zone } }, ...more], {
        visitId,
        by: staffId,
        device: 'spec',
        nowMs: Date.parse('2026-01-01'),
        random: (b) => crypto.getRandomValues(b),
        last: undefined,
      });
      const taken = await appendEvents(trx, salonId, visitId, events);
      if (!taken.ok) throw new Error('not stored');
      return visitId;
    });
  const onTheListAt = async (now: string): Promise<{ day: string; ids: string[] }> => {
    const { day, visits } = await server.db.inSalon(salonId, (trx) => readToday(trx, new Date(now)));
    return { day, ids: visits.map((v) => v.visitId) };
  };

  it('begins and ends at midnight there, wherever the server is', async () => {
    // In New Zealand it is 30 November from 11:00 UTC on the 29th.
    const early = await bookAt('2026-11-29T19:00:00.000Z', 'Pacific/Auckland');
    const late = await bookAt('2026-11-30T10:59:00.000Z', 'Pacific/Auckland');
    const next = await bookAt('2026-11-30T11:00:00.000Z', 'Pacific/Auckland');
    expect(await onTheListAt('2026-11-29T11:00:00Z')).toEqual({ day: '2026-11-30', ids: [early, late] });
    expect(await onTheListAt('2026-11-30T10:59:59Z')).toEqual({ day: '2026-11-30', ids: [early, late] });
    expect(await onTheListAt('2026-11-30T11:00:00Z')).toEqual({ day: '2026-12-01', ids: [next] });
    expect((await onTheListAt('2026-11-29T10:59:59Z')).day).toBe('2026-11-29');
  });

  it('has 23 hours in spring and 25 in autumn', async () => {
    // New Zealand Time Order 2007: 02:00 standard time on the last Sunday of September, 03:00 daylight time on the first of April.
    const spring = [
      await bookAt('2026-09-26T12:00:00.000Z', 'Pacific/Auckland'),
      await bookAt('2026-09-27T10:59:00.000Z', 'Pacific/Auckland'),
    ];
    const after = await bookAt('2026-09-27T11:00:00.000Z', 'Pacific/Auckland');
    expect(await onTheListAt('2026-09-26T18:00:00Z')).toEqual({ day: '2026-09-27', ids: spring });
    expect((await onTheListAt('2026-09-27T11:00:00Z')).ids).toEqual([after]);
    const autumn = [
      await bookAt('2026-04-04T11:00:00.000Z', 'Pacific/Auckland'),
      await bookAt('2026-04-05T11:59:00.000Z', 'Pacific/Auckland'),
    ];
    expect(await onTheListAt('2026-04-05T11:59:59Z')).toEqual({ day: '2026-04-05', ids: autumn });
    expect((await onTheListAt('2026-04-05T12:00:00Z')).day).toBe('2026-04-06');
  });

  it('is the day that the visit and its measures are kept under', async () => {
    const visitId = await bookAt('2026-08-01T20:30:00.000Z', 'Pacific/Auckland', [
      { type: 'weighed', body: { kg: 18 } },
      { type: 'handed_back', body: { toldTo: 'x', nextVisit: null, vetAdvised: false } },
    ]);
    const kept = await server.db.inSalon(salonId, async (trx) => ({
      visit: await trx.selectFrom('visit').select('summary').where('visit_id', '=', visitId).executeTakeFirstOrThrow(),
      weight: await trx.selectFrom('dog_weight').select('on_day').where('visit_id', '=', visitId).executeTakeFirstOrThrow(),
    }));
    expect([kept.visit.summary?.on, kept.weight.on_day]).toEqual(['2026-08-02', '2026-08-02']);
  });
});
