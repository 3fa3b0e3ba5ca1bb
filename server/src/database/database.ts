import { Kysely, PostgresDialect, sql, type Transaction } from 'kysely';
import pg from 'pg';
import type { Tables } from './schema.js';

export type InSalon = Transaction<Tables>;

// Dates of birth are days, not moments: as text they cannot slip over midnight.
const DATE_OID = 1082;

export interface Database {
  readonly pool: pg.Pool;
  readonly kysely: Kysely<Tables>;
  /** Runs in one transaction with the salon set for row-level security; the setting ends with the transaction. */
  inSalon<T>(salonId: string, work: (trx: InSalon) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/** Opens the pool of the application's role. */
export function openDatabase(appUrl: string): Database {
  const types = new pg.TypeOverrides();
  types.setTypeParser(DATE_OID, (text) => text);
  const pool = new pg.Pool({ connectionString: appUrl, max: 10, types });
  // An idle connection that the server closed is replaced by the pool; without a listener it would end the process.
  pool.on('error', () => undefined);
  const kysely = new Kysely<Tables>({ dialect: new PostgresDialect({ pool }) });
  return {
    pool,
    kysely,
    inSalon: (salonId, work) =>
      kysely.transaction().execute(async (trx) => {
        await sql`select set_config('mansuet.salon', ${salonId}, true)`.execute(trx);
        return work(trx);
      }),
    close: () => kysely.destroy(),
  };
}
