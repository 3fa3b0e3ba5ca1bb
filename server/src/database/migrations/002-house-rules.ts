import { sql, type Kysely } from 'kysely';

/** A salon's own answers to the questions on which groomers disagree: question to school. What is not answered has our default. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table salon add column house_rules jsonb not null default '{}'`.execute(db);
}
