import { type Kysely, sql } from 'kysely';

/** An incident is recorded before anybody has said how bad it was. */
const STATEMENTS = [`alter table incident alter column harm drop not null`];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
