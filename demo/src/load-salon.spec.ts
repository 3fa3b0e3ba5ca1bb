import { DOG_FORM } from '@mansuet/core/knowledge/dogs';
import { NOTHING_FOUND } from '@mansuet/core/findings';
import { dogFactsOf, dogKinds } from '@mansuet/core/knowledge/dogs';
import { DOG_KINDS, INCIDENT_KINDS, PHASES } from '@mansuet/core/words';
import { readDogFile } from '@mansuet/server/dogs/read-dog-file';
import { searchDogs } from '@mansuet/server/search/search-dogs';
import { phaseOf, replay } from '@mansuet/core/visit';
import { readToday } from '@mansuet/server/visits/today.repository';
import { specServer, type SpecServer } from '@mansuet/server/testing/spec-salon';
import type { Who } from '@mansuet/server/sign-in/sign-in.repository';
import { listLinks } from '@mansuet/server/owner-links/owner-links.repository';
import { readMessages } from '@mansuet/server/messages/messages.repository';
import { loadDeskWork } from './desk-work.js';
import { DEMO_DOGS, formOf } from './dogs.js';
import { demoLead, foundDemoSalon, loadPast, loadToday, todayIsEmpty } from './load-salon.js';
import { PAST_INCIDENTS } from './past-incidents.js';
import { seeded } from './random.js';

/** A limit, not a wait: two years of visits are worked through, on a machine that may have much else to do. */
const PATIENCE_MS = 900_000;

describe('the demo salon', () => {
  let server: SpecServer;
  let who: Who;
  // Late in the morning, so that the day has room on both sides.
  const now = new Date();
  now.setHours(11, 7, 0, 0);

  beforeAll(async () => {
    server = await specServer();
    const founded = await foundDemoSalon(server.db);
    if (!founded) throw new Error('not founded');
    who = founded;
  });
  afterAll(() => server.close());

  it('is founded once', async () => {
    expect(await foundDemoSalon(server.db)).toBeUndefined();
    expect(await demoLead(server.db)).toEqual(who);
  });

  it(
    'has at least 25 dogs and 100 past visits, none of them later than now',
    async () => {
      const { dogs, pastVisits } = await loadPast(server.db, who, now);
      expect(dogs).toBeGreaterThanOrEqual(25);
      expect(pastVisits).toBeGreaterThanOrEqual(100);
      const { dogs: listed } = await server.db.inSalon(who.salonId, (trx) => searchDogs(trx, '', false));
      expect(listed.length).toBe(dogs);
      for (const d of listed.slice(0, 5)) {
        const file = await server.db.inSalon(who.salonId, (trx) => readDogFile(trx, d.dogId));
        for (const v of file?.visits ?? []) {
          expect(Date.parse(v.arrivesAt)).toBeLessThan(now.getTime());
          expect(v.summary.phase).toBe('gone');
          expect(v.summary.minutes).toBeGreaterThan(0);
        }
      }
    },
    PATIENCE_MS,
  );

  it('shows incidents of many kinds, each of a kind that exists', async () => {
    for (const i of PAST_INCIDENTS) expect(INCIDENT_KINDS).toContain(i.kind);
    const kinds = await server.db.inSalon(who.salonId, (trx) => trx.selectFrom('incident').select('kind').distinct().execute());
    expect(kinds.length).toBeGreaterThanOrEqual(12);
  });

  it('fills today with dogs in every phase, and does not book the day twice', async () => {
    expect(await todayIsEmpty(server.db, who, now)).toBeTrue();
    expect(await loadToday(server.db, who, now)).toBe(10);
    expect(await todayIsEmpty(server.db, who, now)).toBeFalse();
    const today = await server.db.inSalon(who.salonId, (trx) => readToday(trx, now));
    const states = today.visits.map((v) => replay(v.visitId, v.events));
    const phases = new Set(states.map(phaseOf));
    for (const p of [...PHASES, 'gone' as const]) expect(phases.has(p)).withContext(p).toBeTrue();
    expect(states.some((s) => s.work?.running !== undefined)).toBeTrue();
  });

  it('is empty again on the next day, for the next start to fill', async () => {
    const tomorrow = new Date(now.getTime() + 86_400_000);
    expect(await todayIsEmpty(server.db, who, tomorrow)).toBeTrue();
  });
});

describe('the demo dogs', () => {
  const now = new Date('2026-11-25T11:00:00Z');
  it('would each pass the form that people fill in, and are called differently', () => {
    for (const d of DEMO_DOGS)
      expect(DOG_FORM.safeParse(formOf(d, now)).success)
        .withContext(d.name)
        .toBeTrue();
    expect(new Set(DEMO_DOGS.map((d) => d.name)).size).toBe(DEMO_DOGS.length);
    expect(new Set(DEMO_DOGS.map((d) => d.owner)).size).toBe(DEMO_DOGS.length);
  });
  it('are of every kind that a file can tell', () => {
    const kinds = new Set(
      DEMO_DOGS.flatMap((d) => dogKinds(dogFactsOf(formOf(d, now), d.visits), NOTHING_FOUND, '2026-11-25').map((k) => k.kind)),
    );
    // Mats and lumps are found by hands, not told by a file.
    for (const kind of DOG_KINDS.filter((k) => k !== 'matted' && k !== 'lumps')) expect(kinds.has(kind)).withContext(kind).toBeTrue();
  });
});

describe('the seeded generator', () => {
  it('repeats itself for a seed, and differs for another', () => {
    const draw = (seed: number): number[] => {
      const r = seeded(seed);
      return Array.from({ length: 20 }, () => r.next());
    };
    expect(draw(1)).toEqual(draw(1));
    expect(draw(1)).not.toEqual(draw(2));
    for (const x of draw(3)) expect(x >= 0 && x < 1).toBeTrue();
  });
  it('counts with the mean that is asked for', () => {
    const r = seeded(5);
    const mean = Array.from({ length: 4000 }, () => r.poisson(1.2)).reduce((a, b) => a + b, 0) / 4000;
    expect(mean).toBeCloseTo(1.2, 1);
  });
  it('refuses to pick from nothing', () => expect(() => seeded(1).pick([])).toThrowError(RangeError));
});

describe('the desk of the demo salon', () => {
  let server: SpecServer;
  beforeAll(async () => {
    server = await specServer();
  });
  afterAll(() => server.close());

  it(
    'has an intake that waits for its review, a message, and photographs of marks that the file shows',
    async () => {
      const now = new Date();
      const who = await foundDemoSalon(server.db);
      if (!who) throw new Error('not founded');
      await loadPast(server.db, who, now);
      await loadDeskWork(server.db, who, now);
      await server.db.inSalon(who.salonId, async (trx) => {
        const [intake] = await listLinks(trx, undefined, now);
        expect([intake?.state, intake?.intake?.dog.name]).toEqual(['answered', 'Purslane']);
        expect((await readMessages(trx)).length).toBe(1);
        const [found] = (await searchDogs(trx, 'ottoline', false)).dogs;
        const file = await readDogFile(trx, found?.dogId ?? '');
        expect(file?.photos.map((p) => [p.kind, p.zone])).toEqual([
          ['mark', 'side_right'],
          ['mark', 'side_right'],
        ]);
        expect(file?.weights.length).toBeGreaterThan(3);
        expect(file?.visits.some((v) => v.summary.joints !== undefined)).toBeTrue();
      });
    },
    PATIENCE_MS,
  );

  it('invents names that are those of no demo dog twice', () => {
    expect(new Set(DEMO_DOGS.map((d) => d.name)).size).toBe(DEMO_DOGS.length);
    expect(DEMO_DOGS.map((d) => d.name)).not.toContain('Purslane');
  });
});
