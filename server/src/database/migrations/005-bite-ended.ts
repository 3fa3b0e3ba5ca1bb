import { sql, type Kysely } from 'kysely';

/** The lead's word that bites before a day no longer count; `null`: they do. */
const STATEMENTS: readonly string[] = [`alter table dog add column bite_ended_on date`];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
