import pg from 'pg';
import { specServer, type SpecServer } from '../testing/spec-salon.js';

/** What is unique over all salons of a database, and why; nothing else may be. */
const OVER_ALL: Readonly<Record<string, string>> = {
  session_pkey: 'a browser has a session before it belongs to a salon',
  staff_login: 'who signs in says a name, and no salon',
  owner_link_secret: 'who holds a link has its secret alone',
  staff_link_secret: 'who holds a link has its secret alone',
  device_grant_secret: 'a device that comes back has its secret alone',
  calendar_feed_secret: 'a calendar asks with its secret alone',
};

describe('the keys of the database', () => {
  let server: SpecServer;
  let owner: pg.Client;
  beforeAll(async () => {
    server = await specServer();
    owner = new pg.Client({ connectionString: server.ownerUrl });
    await owner.connect();
  });
  afterAll(async () => {
    await owner.end();
    await server.close();
  });
  const ours = `n.nspname = 'public' and c.relname not like 'kysely%'`;

  it('begin with the salon, but for what is told apart before a salon is known', async () => {
    const { rows } = await owner.query<{ name: string; first: string | null }>(
      `select i.relname as name, a.attname as first from pg_index x join pg_class i on i.oid = x.indexrelid join pg_class c on c.oid = x.indrelid
       join pg_namespace n on n.oid = c.relnamespace left join pg_attribute a on a.attrelid = c.oid and a.attnum = x.indkey[0]
       where x.indisunique and ${ours}`,
    );
    expect(rows.length).toBeGreaterThan(25);
    const others = rows.filter((r) => r.first !== 'salon_id').map((r) => r.name);
    expect(others.sort()).toEqual(Object.keys(OVER_ALL).sort());
  });
  it('lead from a salon to itself, never to another: so does each foreign key', async () => {
    const { rows } = await owner.query<{ name: string; from: string; to: string }>(
      `select k.conname as name, a.attname as from, b.attname as to from pg_constraint k join pg_class c on c.oid = k.conrelid
       join pg_namespace n on n.oid = c.relnamespace
       join pg_attribute a on a.attrelid = k.conrelid and a.attnum = k.conkey[1] join pg_attribute b on b.attrelid = k.confrelid and b.attnum = k.confkey[1]
       where k.contype = 'f' and ${ours}`,
    );
    expect(rows.length).toBeGreaterThan(20);
    for (const r of rows) expect([r.from, r.to]).withContext(r.name).toEqual(['salon_id', 'salon_id']);
  });
  it('no table of a salon is without one', async () => {
    const { rows } = await owner.query<{ name: string }>(
      `select c.relname as name from pg_class c join pg_namespace n on n.oid = c.relnamespace where c.relkind in ('r', 'p') and ${ours}
       and not exists (select 1 from pg_attribute a where a.attrelid = c.oid and a.attname = 'salon_id' and a.attnotnull)`,
    );
    expect(rows.map((r) => r.name)).toEqual(['session']);
  });
});
