import { sql, type Kysely } from 'kysely';

const STATEMENTS: readonly string[] = [
  // What was done at one stroke is taken back together. How far a visit's log had come: those who have read it so far ask for what came after. Within a visit entries are added one after the other.
  `alter table visit_event add column seq bigint generated always as identity, add column timed text, add column told_at text, add column told_wall_ms bigint,
    add column act uuid`,
  `create index visit_event_new on visit_event (salon_id, visit_id, seq)`,
  // The day begins at midnight of this place.
  `alter table salon add column time_zone text not null default 'UTC'`,
  `create index dog_weight_visit on dog_weight (salon_id, visit_id)`,
  `create index visit_groomer on visit (salon_id, groomer_id, arrives_at)`,
  `create index visit_unfinished on visit (salon_id, arrives_at) where phase not in ('know', 'gone')`,
  // Whose entries which device may send: given after a password, taken back by that person or a lead.
  `create table device_grant (
    salon_id uuid not null references salon, grant_id uuid not null, staff_id uuid not null, device text not null, secret_hash bytea not null,
    made_at timestamptz not null, revoked_at timestamptz, primary key (salon_id, grant_id), foreign key (salon_id, staff_id) references staff)`,
  `create index device_grant_staff on device_grant (salon_id, staff_id, device)`,
  `alter table device_grant enable row level security`,
  `create policy of_salon on device_grant using (salon_id = nullif(current_setting('mansuet.salon', true), '')::uuid)
    with check (salon_id = nullif(current_setting('mansuet.salon', true), '')::uuid)`,
  `grant select, insert, update on device_grant to mansuet_app`,
  `create unique index device_grant_secret on device_grant (secret_hash)`,
  `create function find_device_grant(secret bytea) returns table (salon_id uuid, staff_id uuid)
    language sql stable security definer set search_path = public as
    $$ select g.salon_id, g.staff_id from device_grant g where g.secret_hash = secret and g.revoked_at is null $$`,
  `revoke all on function find_device_grant(bytea) from public`,
  `grant execute on function find_device_grant(bytea) to mansuet_app`,
];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
  // Until now a day was that of the machine: it stays so, for salons that are there.
  await sql`update salon set time_zone = ${Intl.DateTimeFormat().resolvedOptions().timeZone}`.execute(db);
}
