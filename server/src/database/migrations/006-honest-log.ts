import { sql, type Kysely } from 'kysely';

const STATEMENTS: readonly string[] = [
  // How far a visit's log had come: those who have read it so far ask for what came after. Within a visit entries are added one after the other.
  `alter table visit_event add column seq bigint generated always as identity, add column timed text, add column told_at text, add column told_wall_ms bigint`,
  `create index visit_event_new on visit_event (salon_id, visit_id, seq)`,
  // The day begins at midnight of this place.
  `alter table salon add column time_zone text not null default 'UTC'`,
  `create index dog_weight_visit on dog_weight (salon_id, visit_id)`,
  `create index visit_groomer on visit (salon_id, groomer_id, arrives_at)`,
  `create index visit_unfinished on visit (salon_id, arrives_at) where phase not in ('know', 'gone')`,
];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
