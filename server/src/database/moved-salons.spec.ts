import pg from 'pg';
import { movedNotice, CHANNEL } from '../live/notices.js';
import { Browser, addDog, bookVisit, specServer, type SpecServer } from '../testing/spec-salon.js';

describe('a salon that is on another machine', () => {
  let server: SpecServer;
  let browser: Browser;
  let owner: pg.Client;
  let salonId: string;
  beforeAll(async () => {
    server = await specServer();
    browser = new Browser(server.url);
    await browser.foundSalon();
    await bookVisit(browser, await addDog(browser));
    owner = new pg.Client({ connectionString: server.ownerUrl });
    await owner.connect();
    salonId = (await owner.query<{ salon_id: string }>('select salon_id from salon')).rows[0]?.salon_id ?? '';
  });
  afterAll(async () => {
    await owner.end();
    await server.close();
  });
  const lock = `pg_try_advisory_lock(hashtextextended('SALON', 13))`;
  const canBeMoved = async (): Promise<boolean> => {
    const { rows } = await owner.query<{ free: boolean }>(`select ${lock.replace('SALON', salonId)} as free`);
    const free = rows[0]?.free === true;
    if (free) await owner.query(`select pg_advisory_unlock_all()`);
    return free;
  };

  it('does not leave while somebody stores something in it', async () => {
    expect(await canBeMoved()).toBeTrue();
    await server.db.inSalon(salonId, async () => expect(await canBeMoved()).toBeFalse());
    expect(await canBeMoved()).toBeTrue();
  });
  it('is read and written by nobody here, and a device is told to keep what it has', async () => {
    await owner.query('insert into moved_salon (salon_id) values ($1)', [salonId]);
    for (const [method, path, body] of [
      ['GET', '/api/today', undefined],
      ['POST', '/api/dogs', { dog: {}, owner: {} }],
    ] as const) {
      const reply = await browser.send(method, path, body);
      expect(reply.status).withContext(path).toBe(503);
      expect(reply.text).withContext(path).toContain('another machine');
    }
    await expectAsync(server.db.inSalon(salonId, () => Promise.resolve())).toBeRejectedWithError(/another machine/);
    await owner.query('delete from moved_salon');
    expect((await browser.send('GET', '/api/today')).status).toBe(200);
  });
  it('ends the streams of its screens, so that they come again', async () => {
    const answer = await fetch(`${server.url}/api/live`, { headers: { cookie: browser.cookie } });
    const text = answer.text();
    // The hub listens by now: the answer has begun, and the subscription with it.
    await owner.query('select pg_notify($1, $2)', [CHANNEL, movedNotice(salonId)]);
    expect(await text).toContain('retry:');
  });
});
