import { type Kysely, sql } from 'kysely';

const OF_SALON = `salon_id = (select nullif(current_setting('mansuet.salon', true), '')::uuid)`;

const STATEMENTS: readonly string[] = [
  // What is due after a visit: made from its log, as every projection.
  `create table follow_up (
    salon_id uuid not null, visit_id uuid not null, key text not null, dog_id uuid not null, kind text not null check (kind in ('call', 'look', 'report')),
    due_on date not null, visit_on date not null, because jsonb not null, done_at timestamptz, says text not null default '',
    primary key (salon_id, visit_id, key), foreign key (salon_id, visit_id) references visit on delete cascade, foreign key (salon_id, dog_id) references dog)`,
  `create index follow_up_due on follow_up (salon_id, due_on) where done_at is null`,
  `create index follow_up_dog on follow_up (salon_id, dog_id)`,
  // What the owner was told, as it stood when the visit was closed; each change of it is a version.
  `create table visit_account (
    salon_id uuid not null, visit_id uuid not null, version integer not null, told jsonb not null, made_at timestamptz not null,
    changed_by text not null check (changed_by in ('closing', 'late_entry', 'reopened')), primary key (salon_id, visit_id, version),
    foreign key (salon_id, visit_id) references visit on delete cascade)`,
  ...['follow_up', 'visit_account'].flatMap((table) => [
    `alter table ${table} enable row level security`,
    `create policy of_salon on ${table} using (${OF_SALON}) with check (${OF_SALON})`,
    `grant select, insert, update, delete on ${table} to mansuet_app`,
  ]),
  // How far a message has come. What was kept before had been handed to the stand-in.
  `alter table message add column channel text not null default 'text' check (channel in ('text', 'mail')), add column subject text not null default '',
    add column state text not null default 'sent' check (state in ('waiting', 'sending', 'sent', 'unsure', 'given_up')), add column tries integer not null default 1,
    add column trouble text not null default '', add column visit_id uuid, add column next_try_at timestamptz, add column claimed_at timestamptz`,
  `create index message_waiting on message (next_try_at) where state in ('waiting', 'sending')`,
  `create index message_visit on message (salon_id, visit_id) where visit_id is not null`,
  // The post office looks through all salons: it learns which and nothing more.
  `create function waiting_messages(now timestamptz, stuck timestamptz) returns table (salon_id uuid, message_id uuid)
    language sql stable security definer set search_path = public as
    $$ select m.salon_id, m.message_id from message m where (m.state = 'waiting' and m.next_try_at <= now) or (m.state = 'sending' and m.claimed_at <= stuck)
       order by m.next_try_at limit 100 $$`,
  `revoke all on function waiting_messages(timestamptz, timestamptz) from public`,
  `grant execute on function waiting_messages(timestamptz, timestamptz) to mansuet_app`,
  `grant update on message to mansuet_app`,
  `alter table owner_link drop constraint owner_link_kind_check, add constraint owner_link_kind_check check (kind in ('agreement', 'intake', 'account'))`,
  `alter table photo drop constraint photo_kind_check, add constraint photo_kind_check check (kind in ('before', 'after', 'mark', 'incident', 'other'))`,
];

/** What comes after a visit: what is due, what its owner was told, and messages that are tried again. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
