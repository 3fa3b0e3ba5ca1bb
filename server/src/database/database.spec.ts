import { sql } from 'kysely';
import pg from 'pg';
import { problemOf } from '../problems/handle-problems.js';
import { Browser, specServer, type SpecServer } from '../testing/spec-salon.js';
import { type Database, openDatabase } from './database.js';
import { type DatabaseTrouble, databaseTrouble } from './trouble.js';

const SALON = '01900000-0000-7000-8000-000000000001';

describe('a database that does not do its work', () => {
  let server: SpecServer;
  let admin: pg.Client;
  const opened: Database[] = [];
  const open = (...args: Parameters<typeof openDatabase>): Database => {
    const db = openDatabase(...args);
    opened.push(db);
    return db;
  };
  beforeAll(async () => {
    server = await specServer();
    admin = new pg.Client({ connectionString: process.env['MANSUET_ADMIN_URL'] });
    await admin.connect();
  });
  afterAll(async () => {
    for (const db of opened) await db.close();
    await admin.end();
    await server.close();
  });
  /** What goes wrong in a piece of work. */
  const thrownBy = (work: Promise<unknown>): Promise<unknown> =>
    work.then(
      () => fail('it went well'),
      (error: unknown) => error,
    );
  const pidOf = async (trx: Parameters<Parameters<Database['inSalon']>[1]>[0]): Promise<number> =>
    (await sql<{ pid: number }>`select pg_backend_pid() as pid`.execute(trx)).rows[0]!.pid;
  const gone = async (pid: number): Promise<void> => {
    for (;;) {
      const { rowCount } = await admin.query('select 1 from pg_stat_activity where pid = $1', [pid]);
      if (rowCount === 0) return;
    }
  };

  it('is lost when it restarts under a transaction: that fails, and the next one goes well', async () => {
    const thrown = await thrownBy(
      server.db.inSalon(SALON, async (trx) => {
        const pid = await pidOf(trx);
        await admin.query('select pg_terminate_backend($1)', [pid]);
        await gone(pid);
        // Nobody asks anything while the connection is cut: what the driver says of it is said to nobody.
        await new Promise((done) => setImmediate(done));
        await sql`select 1`.execute(trx);
      }),
    );
    expect(databaseTrouble(thrown)).toBe('lost');
    expect(await server.db.inSalon(SALON, pidOf)).toBeGreaterThan(0);
  });
  it('is slow when a statement takes too long', async () => {
    const db = open(server.appUrl, { statementMs: 50 });
    expect(databaseTrouble(await thrownBy(db.inSalon(SALON, (trx) => sql`select pg_sleep(20)`.execute(trx))))).toBe('slow');
  });
  it('is busy when another holds what is needed, or when no connection is free', async () => {
    const db = open(server.appUrl, { lockMs: 50, connectMs: 200, connections: 1 });
    const lock = sql`select pg_advisory_xact_lock(7)`;
    await server.db.inSalon(SALON, async (trx) => {
      await lock.execute(trx);
      expect(databaseTrouble(await thrownBy(db.inSalon(SALON, (other) => lock.execute(other))))).toBe('busy');
    });
    await db.inSalon(SALON, async () => {
      expect(databaseTrouble(await thrownBy(db.inSalon(SALON, pidOf)))).toBe('busy');
    });
  });
  it('is slow to whoever leaves a transaction open, and holds nothing for them', async () => {
    const db = open(server.appUrl, { idleInTransactionMs: 50 });
    const thrown = await thrownBy(
      db.inSalon(SALON, async (trx) => {
        await gone(await pidOf(trx));
        await sql`select 1`.execute(trx);
      }),
    );
    expect(databaseTrouble(thrown)).toBeDefined();
  });
  it('takes no writes when it is only read, and is not ready then', async () => {
    const db = open(`${server.appUrl}?options=-c%20default_transaction_read_only%3Don`);
    expect(databaseTrouble(await thrownBy(db.ready()))).toBe('read_only');
    expect(databaseTrouble(await thrownBy(db.inSalon(SALON, (trx) => trx.deleteFrom('dog').execute())))).toBe('read_only');
    await server.db.ready();
  });
  it('is told to whoever waits, in words of its own, as 503', () => {
    const codes: Readonly<Record<string, DatabaseTrouble>> = {
      '57P01': 'lost',
      ECONNREFUSED: 'lost',
      '08006': 'lost',
      '25006': 'read_only',
      '53100': 'full',
      '57014': 'slow',
      '53300': 'busy',
      MV001: 'moved',
    };
    for (const [code, trouble] of Object.entries(codes)) {
      const problem = problemOf(Object.assign(new Error('x'), { code }));
      expect([problem.status, problem.says?.rule]).toEqual([503, `problem.database_${trouble}`]);
    }
    expect(databaseTrouble(Object.assign(new Error('x'), { code: '23505' }))).toBeUndefined();
    expect(databaseTrouble('x')).toBeUndefined();
  });
  it('is asked for by a probe, which needs no sign-in', async () => {
    const probe = new Browser(server.url);
    expect(await probe.send('GET', '/api/ready')).toEqual(jasmine.objectContaining({ status: 200, json: { ok: true } }));
    expect((await probe.send('GET', '/api/health')).status).toBe(200);
    expect(probe.cookie).toBe('');
  });
});
