import pg from 'pg';
import { Browser, addDog, bookVisit, secondSalon, specServer, type SpecServer } from '../testing/spec-salon.js';

describe('the database', () => {
  let server: SpecServer;
  let browser: Browser;
  let visitId: string;
  let app: pg.Client;
  let owner: pg.Client;

  beforeAll(async () => {
    server = await specServer();
    browser = new Browser(server.url);
    await browser.foundSalon();
    visitId = await bookVisit(browser, await addDog(browser));
    app = new pg.Client({ connectionString: server.appUrl });
    owner = new pg.Client({ connectionString: server.ownerUrl });
    await app.connect();
    await owner.connect();
  });
  afterAll(async () => {
    await app.end();
    await owner.end();
    await server.close();
  });

  it('puts salon_id first in the key of every table of a salon, and row-level security on it', async () => {
    const { rows } = await owner.query<{ name: string; rls: boolean; first: string | null }>(`
      select c.relname as name, c.relrowsecurity as rls,
        (select a.attname from pg_index i join pg_attribute a on a.attrelid = c.oid and a.attnum = i.indkey[0] where i.indrelid = c.oid and i.indisprimary) as first
      from pg_class c join pg_namespace n on n.oid = c.relnamespace
      where n.nspname = 'public' and c.relkind = 'r' and c.relname not like 'kysely%' and c.relname <> 'session'`);
    expect(rows.length).toBe(26);
    for (const r of rows)
      expect(r)
        .withContext(r.name)
        .toEqual(jasmine.objectContaining({ rls: true, first: 'salon_id' }));
  });

  it('gives the application ownership of nothing', async () => {
    const { rows } = await owner.query(`select tablename from pg_tables where schemaname = 'public' and tableowner = 'mansuet_app'`);
    expect(rows).toEqual([]);
  });

  it('shows nothing to a connection on which no salon was set', async () => {
    const { rows: tables } = await owner.query<{ name: string }>(
      `select tablename as name from pg_tables where schemaname = 'public' and tablename not like 'kysely%' and tablename <> 'session'`,
    );
    expect(tables.length).toBe(26);
    for (const { name } of tables) {
      const { rows } = await app.query(`select 1 from ${name}`);
      expect(rows.length).withContext(name).toBe(0);
    }
  });

  it('leaves no salon set on a pooled connection after a transaction', async () => {
    const salonId = (await owner.query<{ salon_id: string }>('select salon_id from salon')).rows[0]?.salon_id ?? '';
    const seen = await server.db.inSalon(salonId, (trx) => trx.selectFrom('dog').select('dog_id').execute());
    expect(seen.length).toBe(1);
    for (let i = 0; i < 12; i++) {
      const { rows } = await server.db.pool.query(`select current_setting('mansuet.salon', true) as salon`);
      expect(rows[0]?.salon ?? '').toBe('');
    }
  });

  it('hides one salon from another, and lets it write nothing there', async () => {
    const other = await secondSalon(server);
    const seen = await server.db.inSalon(other.salonId, (trx) => trx.selectFrom('visit_event').select('event_id').execute());
    expect(seen).toEqual([]);
    const salonId = (await owner.query<{ salon_id: string }>(`select salon_id from salon where name = 'Spec'`)).rows[0]?.salon_id ?? '';
    await expectAsync(
      server.db.inSalon(other.salonId, (trx) =>
        trx.insertInto('owner').values({ salon_id: salonId, owner_id: other.staffId, name: 'x', phone: '', email: '' }).execute(),
      ),
    ).toBeRejectedWithError(/row-level security/);
  });

  for (const statement of [
    'update visit_event set body = body',
    'delete from visit_event',
    'truncate visit_event',
    'alter table visit_event disable row level security',
    'drop table dog',
    "insert into salon (salon_id, name) values (gen_random_uuid(), 'x')",
  ]) {
    it(`refuses the application: ${statement}`, async () => {
      await expectAsync(app.query(statement)).toBeRejectedWithError(/permission denied|must be owner/);
    });
  }

  it('keeps each event once', async () => {
    const { rows } = await owner.query('select event_id from visit_event where visit_id = $1', [visitId]);
    expect(rows.length).toBe(1);
  });
});
