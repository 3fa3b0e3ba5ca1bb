import { DAY_PLAN_ANSWER, type DayPlanForm } from '@mansuet/core/contract';
import { addDog, bookVisit, Browser, specServer, type SpecServer } from '../testing/spec-salon.js';

describe('the plan of a day', () => {
  let server: SpecServer;
  let lead: Browser;
  let visitId: string;
  const DAY = '2027-01-12';
  const kept = async () => DAY_PLAN_ANSWER.parse((await lead.send('GET', `/api/day-plan?day=${DAY}`)).json).kept;
  const form = (more: Partial<DayPlanForm> = {}): DayPlanForm => ({
    day: DAY,
    version: 0,
    schedule: {
      stretches: [{ dog: visitId, block: 0, stretch: 0, from: 540, to: 600, person: lead.staffId, post: 'table 1' }],
      breaks: [{ person: lead.staffId, from: 720, to: 750 }],
      unplaced: [],
    },
    put: [{ visitId, from: 540 }],
    told: [{ visitId, ready: 600, readyLate: 620, wished: 630, inTime: 0.93 }],
    inTime: 0.98,
    ...more,
  });

  beforeAll(async () => {
    server = await specServer();
    lead = new Browser(server.url);
    await lead.foundSalon();
    visitId = await bookVisit(lead, await addDog(lead));
  });
  afterAll(() => server.close());

  it('is kept as it was taken, by whom and when', async () => {
    expect(await kept()).toBeNull();
    expect((await lead.send('PUT', '/api/day-plan', form())).status).toBe(200);
    const { day: _day, ...rest } = form();
    const { madeAt, ...asTaken } = (await kept()) ?? { madeAt: '' };
    expect(asTaken).toEqual({ ...rest, version: 1, madeBy: lead.staffId });
    expect(Date.parse(madeAt)).toBeGreaterThan(0);
  });

  it('is not taken over one that somebody else took meanwhile', async () => {
    expect((await lead.send('PUT', '/api/day-plan', form())).status).toBe(409);
    expect((await lead.send('PUT', '/api/day-plan', form({ version: 1, inTime: 0.5 }))).status).toBe(200);
    expect((await lead.send('PUT', '/api/day-plan', form({ version: 1 }))).status).toBe(409);
    expect([(await kept())?.version, (await kept())?.inTime]).toEqual([2, 0.5]);
  });

  it('has no dog and nobody of another salon in it', async () => {
    const stranger = crypto.randomUUID();
    const [one] = form().schedule.stretches;
    if (!one) throw new Error('no stretch');
    for (const stretch of [
      { ...one, dog: stranger },
      { ...one, helper: stranger },
    ]) {
      const schedule = { ...form().schedule, stretches: [stretch] };
      expect((await lead.send('PUT', '/api/day-plan', form({ version: 2, schedule }))).status).toBe(422);
    }
  });

  it('is the lead’s to take, and everybody’s to see', async () => {
    await lead.send('POST', '/api/staff', { name: 'G', login: 'groom', password: 'ten letters and more', role: 'groomer', trained: true });
    const groomer = new Browser(server.url);
    await groomer.signIn('groom', 'ten letters and more');
    expect((await groomer.send('PUT', '/api/day-plan', form({ version: 2 }))).status).toBe(403);
    expect((await groomer.send('GET', `/api/day-plan?day=${DAY}`)).status).toBe(200);
  });
});
