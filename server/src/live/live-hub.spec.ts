import pg from 'pg';
import { pino } from 'pino';
import { specServer, type SpecServer } from '../testing/spec-salon.js';
import { LiveHub } from './live-hub.js';
import type { HereLine } from '@mansuet/core/contract';
import { CHANNEL, hereNotice, movedNotice, readHere } from './notices.js';

/** As `add_events` says it. */
const grownNotice = (salonId: string, visitId: string): string => `${salonId} ${visitId}`;

describe('LiveHub', () => {
  let server: SpecServer;
  let hub: LiveHub;
  let owner: pg.Client;
  /** Times that the hub looked for the database in vain. */
  let refused = 0;
  beforeAll(async () => {
    server = await specServer();
    const lines = { write: (line: string) => void (refused += line.includes('not there yet') ? 1 : 0) };
    hub = new LiveHub(server.appUrl, pino({ level: 'warn' }, lines), 20);
    await hub.start();
    owner = new pg.Client({ connectionString: server.ownerUrl });
    await owner.connect();
  });
  afterAll(async () => {
    await hub.close();
    await owner.end();
    await server.close();
  });

  it('passes on who has a visit open, to that salon alone', async () => {
    const here = {
      visitId: '01900000-0000-7000-8000-000000000001',
      staffId: '01900000-0000-7000-8000-00000000000a',
      device: 'a tablet: 7"',
      leaves: false,
    };
    const heard: HereLine[] = [];
    const elsewhere: unknown[] = [];
    const stops = [
      hub.subscribe('salon-here', (_visit, said) => heard.push(readHere(said ?? ''))),
      hub.subscribe('salon-other', (visitId) => elsewhere.push(visitId)),
    ];
    const done = next('salon-here');
    await notify(hereNotice('salon-here', here));
    await done;
    for (const stop of stops) stop();
    expect([heard, elsewhere]).toEqual([[here], []]);
  });

  const next = (salonId: string): Promise<string | undefined> =>
    new Promise((done) => {
      const stop = hub.subscribe(salonId, (visitId) => {
        stop();
        done(visitId);
      });
    });
  const notify = (payload: string) => owner.query('select pg_notify($1, $2)', [CHANNEL, payload]);

  it('tells a salon of its visits and no other salon', async () => {
    const other: (string | undefined)[] = [];
    const stop = hub.subscribe('b', (v) => other.push(v));
    const heard = next('a');
    await notify(grownNotice('a', 'visit-1'));
    expect(await heard).toBe('visit-1');
    expect(other).toEqual([]);
    stop();
  });
  it('says of a salon that has moved nothing but that, to it alone', async () => {
    const heard: unknown[] = [];
    const stops: (() => void)[] = [];
    const left = new Promise<string>((done) => {
      stops.push(
        hub.subscribe(
          'a',
          (v) => heard.push(v),
          () => done('a'),
        ),
      );
      stops.push(
        hub.subscribe(
          'b',
          (v) => heard.push(v),
          () => done('b'),
        ),
      );
    });
    await notify(movedNotice('a'));
    expect([await left, heard]).toEqual(['a', []]);
    for (const stop of stops) stop();
  });
  it('is not disturbed by a notice that it cannot read', async () => {
    const heard = next('a');
    await notify('nonsense');
    await notify(grownNotice('a', 'visit-2'));
    expect(await heard).toBe('visit-2');
  });
  it('comes back after its connection was cut, and tells everyone to look again', async () => {
    const heard = next('a');
    const admin = new pg.Client({ connectionString: process.env['MANSUET_ADMIN_URL'] });
    await admin.connect();
    await admin.query(`select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen%'`);
    await admin.end();
    expect(await heard).toBeUndefined();
    const again = next('a');
    await notify(grownNotice('a', 'visit-3'));
    expect(await again).toBe('visit-3');
  });
  it('comes back however often that has to be tried', async () => {
    const database = new URL(server.appUrl).pathname.slice(1);
    const admin = new pg.Client({ connectionString: process.env['MANSUET_ADMIN_URL'] });
    await admin.connect();
    const heard = next('a');
    await admin.query(`alter database ${database} allow_connections false`);
    await admin.query(`select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen%'`);
    const before = refused;
    while (refused < before + 2) await new Promise((done) => setImmediate(done));
    await admin.query(`alter database ${database} allow_connections true`);
    await admin.end();
    expect(await heard).toBeUndefined();
    const again = next('a');
    await notify(grownNotice('a', 'visit-4'));
    expect(await again).toBe('visit-4');
  });
});
