import { Kysely, PostgresDialect, sql, type Transaction } from 'kysely';
import pg from 'pg';
import type { Tables } from './schema.js';

export type InSalon = Transaction<Tables>;

/** PostgreSQL's code for a write into what is only read. */
const READ_ONLY = '25006';
// Dates of birth are days, not moments: as text they cannot slip over midnight.
const DATE_OID = 1082;

export interface Database {
  readonly pool: pg.Pool;
  readonly kysely: Kysely<Tables>;
  /** Runs in one transaction, which sees no salon's rows until one is entered. */
  transaction<T>(work: (trx: InSalon) => Promise<T>): Promise<T>;
  /** Runs in one transaction with the salon set for row-level security; the setting ends with the transaction. It fails for a salon that is elsewhere by now. */
  inSalon<T>(salonId: string, work: (trx: InSalon) => Promise<T>): Promise<T>;
  /** Whether something could be stored now. @throws what the database says if not */
  ready(): Promise<void>;
  close(): Promise<void>;
}

/** How long the database may take for what, milliseconds. Our defaults: a person who waits longer has tapped again. */
export interface DatabaseLimits {
  /** For a connection, a new one or one that others use. */
  readonly connectMs: number;
  readonly statementMs: number;
  /** For what another transaction holds. */
  readonly lockMs: number;
  /** A transaction that is begun and left. */
  readonly idleInTransactionMs: number;
  /** Connections at most. */
  readonly connections: number;
}
const LIMITS: DatabaseLimits = { connectMs: 3_000, statementMs: 15_000, lockMs: 5_000, idleInTransactionMs: 20_000, connections: 10 };
/** After this the server itself gives up on a statement whose end the database no longer tells. */
const UNHEARD_MS = 5_000;

/** Opens the pool of the application's role. @param hear told of every question, with its time in ms and its text, never with what it was asked about */
export function openDatabase(
  appUrl: string,
  change: Partial<DatabaseLimits> = {},
  hear: ((ms: number, text: string) => void) | undefined = undefined,
): Database {
  const limits = { ...LIMITS, ...change };
  const types = new pg.TypeOverrides();
  types.setTypeParser(DATE_OID, (text) => text);
  const pool = new pg.Pool({
    connectionString: appUrl,
    max: limits.connections,
    types,
    connectionTimeoutMillis: limits.connectMs,
    statement_timeout: limits.statementMs,
    lock_timeout: limits.lockMs,
    idle_in_transaction_session_timeout: limits.idleInTransactionMs,
    query_timeout: limits.statementMs + UNHEARD_MS,
  });
  // An idle connection that the server closed is replaced by the pool; without a listener it would end the process.
  pool.on('error', () => undefined);
  // One that is in use is nobody's to watch but its own: when it is cut, its next statement fails and says so, and the process lives.
  pool.on('connect', (client) => client.on('error', () => undefined));
  const kysely = new Kysely<Tables>({
    dialect: new PostgresDialect({ pool }),
    ...(hear ? { log: (event) => hear(event.queryDurationMillis, event.query.sql) } : {}),
  });
  return {
    pool,
    kysely,
    transaction: (work) => kysely.transaction().execute(work),
    inSalon: (salonId, work) =>
      kysely.transaction().execute(async (trx) => {
        await sql`select stay_in(${salonId})`.execute(trx);
        return work(trx);
      }),
    ready: async () => {
      const { rows } = await pool.query<{ read_only: boolean }>(
        `select pg_is_in_recovery() or current_setting('transaction_read_only')::boolean as read_only`,
      );
      if (rows[0]?.read_only) throw Object.assign(new Error('the database takes no writes'), { code: READ_ONLY });
    },
    close: () => kysely.destroy(),
  };
}
